import { describe, expect, it } from 'vitest';
import { planOf } from '../../../../../tests/support/plans';
import { docText, textRunsOf } from '../../manuscript';
import { newSection } from '../../plan';
import { originsBySign } from '../asking';
import { versionOf, versionsOf, type Version } from '../version';
import type { SectionRequest } from '../writer';
import type { ChatCall, ChatEnd, ChatServer } from './chat';
import { EndpointWriter } from './endpoint-writer';

const plan = planOf(
	newSection('trench', 'Dig the trench', 120),
	newSection('cope', 'Lay the cope', 120)
);
const requestOf = (section: string, heading: string): SectionRequest => ({
	section,
	heading,
	level: 2,
	kind: 'explanation',
	move: 'draft',
	budget: 120,
	terms: [],
	questions: [],
	facts: [],
	material: [],
	mustNotSay: [],
	neighbours: { before: null, after: null },
	stands: []
});

type Turn = readonly [pieces: readonly string[], end: ChatEnd];

/** A server that answers each call with the next of some turns, and keeps what it was asked. */
function serverOf(...turns: readonly Turn[]): ChatServer & { readonly calls: ChatCall[] } {
	const calls: ChatCall[] = [];
	return {
		calls,
		async *ask(call, stop) {
			calls.push(call);
			const [pieces, end] = turns[calls.length - 1] ?? [[], { kind: 'whole' as const }];
			for (const piece of pieces) {
				if (stop.aborted) return { kind: 'cancelled' };
				yield piece;
			}
			return end;
		}
	};
}

async function writeWith(
	server: ChatServer,
	{ stop = { aborted: false }, section = 'trench', heading = 'Dig the trench' } = {}
): Promise<{ version: Version; waits: number[]; words: number[] }> {
	const waits: number[] = [];
	const words: number[] = [];
	const writer = new EndpointWriter({
		id: 'larch',
		server,
		plan,
		textOf: ({ heading: asked }) => `Write “${asked}”.`,
		originOf: originsBySign(new Map([['note-1', 'n1']])),
		wait: (ms) => {
			waits.push(ms);
			return Promise.resolve();
		},
		onProgress: (count) => words.push(count)
	});
	return { version: await versionOf(writer, requestOf(section, heading), stop), waits, words };
}
const textOf = ({ blocks }: Version) => blocks.map(docText).join('\n');

describe('EndpointWriter', () => {
	it('gives the blocks under the heading, with the notes they draw on', async () => {
		const server = serverOf([
			['## Dig the tr', 'ench\n\nDig to firm sub', 'soil [n1.2]. Then stop.'],
			{ kind: 'whole' }
		]);
		const { version, words } = await writeWith(server);
		expect(textOf(version)).toBe('Dig to firm subsoil. Then stop.');
		expect(version).toMatchObject({ sources: ['note-1'], outcome: { kind: 'done' }, words: 6 });
		expect(words.at(-1)).toBeGreaterThan(words[0]!);
		const marks = version.blocks.flatMap(textRunsOf).filter((run) => run.marks.length > 0);
		expect(marks.map(({ text }) => text)).toEqual(['Dig to firm subsoil.']);
	});

	it('goes on where it was cut off, with what stands already, and leaves out what is said again', async () => {
		const server = serverOf(
			[['## Dig the trench\n\nDig until the ground is firm and'], { kind: 'length' }],
			[['the ground is firm and dry. Then stop.'], { kind: 'whole' }]
		);
		const { version } = await writeWith(server);
		expect(textOf(version)).toBe('Dig until the ground is firm and dry. Then stop.');
		expect(server.calls[1]!.messages.map(({ role }) => role)).toEqual([
			'user',
			'assistant',
			'user'
		]);
		expect(version.left?.map(({ reason }) => reason)).toEqual(['said twice at a seam']);
	});

	it('stops going on after some times, and says that it is cut off', async () => {
		const cut: Turn = [['and on '], { kind: 'length' }];
		const { version } = await writeWith(serverOf(...Array.from({ length: 20 }, () => cut)));
		expect(version.outcome).toEqual({ kind: 'cut off' });
		const quiet: Turn = [[''], { kind: 'length' }];
		expect((await writeWith(serverOf(cut, quiet, cut))).version.outcome).toEqual({
			kind: 'cut off'
		});
	});

	it('waits as long as a busy server asks, and gives up in the end', async () => {
		const busy: Turn = [[], { kind: 'busy', waitMs: 1500 }];
		const { version, waits } = await writeWith(
			serverOf(busy, busy, [['## Dig the trench\n\nDig.'], { kind: 'whole' }])
		);
		expect(waits).toEqual([1500, 1500]);
		expect(textOf(version)).toBe('Dig.');
		const never = await writeWith(serverOf(...Array.from({ length: 9 }, () => busy)));
		expect(never.version.outcome).toMatchObject({ kind: 'refused', reason: /busy/ });
	});

	it('keeps what came when the connection breaks, and takes it up again', async () => {
		const { version } = await writeWith(
			serverOf(
				[['## Dig the trench\n\nDig until the ground'], { kind: 'broken' }],
				[[' is firm.'], { kind: 'whole' }]
			)
		);
		expect(textOf(version)).toBe('Dig until the ground is firm.');
		const broken: Turn = [[], { kind: 'broken' }];
		const lost = await writeWith(
			serverOf([['## Dig the trench\n\nDig until the'], { kind: 'broken' }], broken, broken, broken)
		);
		expect(lost.version.outcome).toEqual({ kind: 'cut off' });
		expect(textOf(lost.version)).toBe('Dig until the');
		const nothing = await writeWith(serverOf(broken, broken, broken));
		expect(nothing.version.outcome).toMatchObject({ kind: 'refused' });
	});

	it('leaves out greetings and sections nobody asked for, and says what', async () => {
		const { version } = await writeWith(
			serverOf([
				['Sure! Here it is.\n\n## Dig the trench\n\nDig.\n\n## A history of walls\n\nOld.'],
				{ kind: 'whole' }
			])
		);
		expect(textOf(version)).toBe('Dig.');
		expect(version.left).toEqual([
			{ text: 'Sure! Here it is.', reason: 'said around the text' },
			{ text: 'A history of walls\nOld.', reason: 'not asked for' }
		]);
	});

	it('says when a server declines, in its words, and when a reply holds nothing for the section', async () => {
		const refused: Turn = [[], { kind: 'refused', reason: 'the server refused the key' }];
		expect((await writeWith(serverOf(refused))).version.outcome).toEqual({
			kind: 'refused',
			reason: 'the server refused the key'
		});
		const sorry: Turn = [['I’m sorry, but I can’t help with that.'], { kind: 'whole' }];
		const { version } = await writeWith(serverOf(sorry));
		expect(version.outcome).toMatchObject({ kind: 'refused' });
		expect(version.left?.[0]!.text).toMatch(/sorry/);
	});

	it('keeps what came before a stop, and asks for no further section', async () => {
		const stop = { aborted: false };
		const server: ChatServer & { asked: number } = {
			asked: 0,
			async *ask() {
				server.asked++;
				yield '## Dig the trench\n\nDig. ';
				stop.aborted = true;
				yield 'And then';
				return { kind: 'cancelled' };
			}
		};
		const writer = new EndpointWriter({
			id: 'larch',
			server,
			plan,
			textOf: () => '',
			originOf: () => null,
			wait: () => Promise.resolve()
		});
		const made: Version[] = [];
		const requests = [requestOf('trench', 'Dig the trench'), requestOf('cope', 'Lay the cope')];
		for await (const version of versionsOf(writer, requests, stop)) made.push(version);
		expect(made).toHaveLength(1);
		expect(made[0]).toMatchObject({ outcome: { kind: 'cancelled' } });
		expect(textOf(made[0]!)).toBe('Dig. And then');
		expect(server.asked).toBe(1);
	});
});
