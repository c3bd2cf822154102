// The floors of the core and their doors, as a rule for ESLint.
import { existsSync } from 'node:fs';
import { dirname, join, relative, resolve, sep } from 'node:path';

/** Rooms of the core, the ground first: each imports from those before it alone. */
export const LAYERS = [
	'text',
	'files',
	'pages',
	'notes',
	'keywords',
	'services',
	'brief',
	'clients',
	'reading',
	'findings',
	'plan',
	'manuscript',
	'measure',
	'standing',
	'writers',
	'proof',
	'deliver',
	'assignment'
];

const isRoom = (folder) => existsSync(join(folder, 'index.ts'));

/** The outermost room that holds a module and not the file that imports it; null inside one room. */
function doorTo(core, file, target) {
	let folder = core;
	for (const part of relative(core, target).split(sep)) {
		folder = join(folder, part);
		if (!file.startsWith(folder + sep) && isRoom(folder)) return folder;
	}
	return null;
}

/** @type {import('eslint').Rule.RuleModule} */
export const doors = {
	meta: {
		type: 'problem',
		schema: [{ type: 'string' }],
		messages: {
			door: 'Only the index: import this from {{door}}.',
			inside: 'Inside a room, import the file itself and not the index.',
			floor:
				'{{from}} stands under {{to}} and must not import from it (LAYERS in scripts/lint-doors.js).',
			unknown: '{{room}} has no floor: put it into LAYERS in scripts/lint-doors.js.'
		}
	},
	create(context) {
		const [root] = context.options;
		const lib = join(root, 'src', 'lib');
		const core = join(lib, 'core');
		const file = context.filename;
		const roomOf = (path) => relative(core, path).split(sep)[0];
		const isCore = file.startsWith(core + sep);
		const isTest = file.endsWith('.test.ts');

		function check(node) {
			const spec = node.source?.value;
			if (typeof spec !== 'string') return;
			if (!spec.startsWith('.') && !spec.startsWith('$lib/')) return;
			const target = spec.startsWith('.')
				? resolve(dirname(file), spec)
				: join(lib, spec.slice('$lib/'.length));
			if (!target.startsWith(core + sep)) {
				if (isCore && target === core) context.report({ node, messageId: 'inside' });
				return;
			}
			if (file.startsWith(target + sep) || /[\\/]index$/.test(target)) {
				context.report({ node, messageId: 'inside' });
				return;
			}
			const door = doorTo(core, file, target);
			// a room inside a room is a door of its own where it is loaded on demand
			const isLazyRoom = isRoom(target) && LOADED_ON_DEMAND.includes(relative(core, target));
			if (door !== null && door !== target && !isLazyRoom)
				context.report({ node, messageId: 'door', data: { door: relative(core, door) } });
			if (!isCore || isTest) return;
			const [from, to] = [roomOf(file), roomOf(target)];
			for (const room of [from, to])
				if (!LAYERS.includes(room)) context.report({ node, messageId: 'unknown', data: { room } });
			if (LAYERS.indexOf(to) > LAYERS.indexOf(from))
				context.report({ node, messageId: 'floor', data: { from, to } });
		}
		return {
			ImportDeclaration: check,
			ExportNamedDeclaration: check,
			ExportAllDeclaration: check,
			ImportExpression: check
		};
	}
};

/** Rooms inside rooms that the outer index leaves out, since they bring large packages. */
const LOADED_ON_DEMAND = ['deliver/docx'];
