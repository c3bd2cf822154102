import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planOf } from '../../../../../tests/support/plans';
import { docText, textRunsOf } from '../../manuscript';
import { newSection, type Plan, type PlanSection } from '../../plan';
import { readReply, type Reply } from './read-reply';

const HEADINGS = [
	['opening', 1, 'Opening'],
	['tools', 2, 'Tools and materials'],
	['trench', 2, 'Dig the trench'],
	['footings', 2, 'Lay the footings'],
	['through', 3, 'Throughstones'],
	['cost', 2, 'What a dry stone wall costs'],
	['faq', 2, 'Questions and answers'],
	['closing', 2, 'Where to start']
] as const;

const plan: Plan = {
	...planOf(),
	title: 'How to build a dry stone wall',
	sections: HEADINGS.map(([id, level, heading]): PlanSection => ({
		...newSection(id, heading, 100),
		level,
		kind: id === 'opening' || id === 'faq' || id === 'closing' ? id : 'explanation'
	}))
};

/** What must come of a reply, as its file says. */
interface Expected {
	/** Ids of sections that were asked for; all unless given. */
	readonly asked?: readonly string[];
	/** Section and state of each part, in order: "trench", "footings like", "extra", "closing cut off". */
	readonly parts: readonly string[];
	readonly missing?: readonly string[];
	/** Beginnings of what is dropped, in any order. */
	readonly dropped?: readonly string[];
	/** Text that must not stand in any part. */
	readonly without?: readonly string[];
	/** Text that must. */
	readonly with?: readonly string[];
}

const FOLDER = new URL('../../../../../tests/fixtures/replies/', import.meta.url);
const replies = readdirSync(FOLDER)
	.filter((name) => !name.endsWith('.json'))
	.sort();
const expectedOf = JSON.parse(readFileSync(new URL('expected.json', FOLDER), 'utf8')) as Record<
	string,
	Expected
>;

const stateOf = ({ sections }: Reply) =>
	sections.map(({ section, sure, also, isCutOff }) =>
		[
			section ?? 'extra',
			sure === 'like' || sure === 'by place' ? sure : '',
			also.length > 0 ? `with ${also.join(' ')}` : '',
			isCutOff ? 'cut off' : ''
		]
			.filter(Boolean)
			.join(' ')
	);
const textOf = ({ sections }: Reply) =>
	sections.map(({ heading, blocks }) => [heading, ...blocks.map(docText)].join('\n')).join('\n');

describe('replies written for the project', () => {
	it('are forty or more, each with what must come of it', () => {
		expect(replies.length).toBeGreaterThanOrEqual(40);
		expect(Object.keys(expectedOf).sort()).toEqual(replies);
	});

	it.each(replies)('%s', (name) => {
		const text = readFileSync(fileURLToPath(new URL(name, FOLDER)), 'utf8');
		const expected = expectedOf[name]!;
		const reply = readReply(text, plan, expected.asked ? { asked: expected.asked } : {});
		expect(stateOf(reply)).toEqual(expected.parts);
		const asked = expected.asked ?? plan.sections.map(({ id }) => id);
		const there = new Set(reply.sections.map(({ section }) => section));
		expect(reply.missing).toEqual(expected.missing ?? asked.filter((id) => !there.has(id)));
		const dropped = reply.dropped.map(({ text: gone }) => gone);
		for (const start of expected.dropped ?? [])
			expect(
				dropped.some((gone) => gone.startsWith(start)),
				`${start} in ${dropped.join(' | ')}`
			).toBe(true);
		expect(dropped).toHaveLength(expected.dropped?.length ?? 0);
		for (const words of expected.without ?? []) expect(textOf(reply)).not.toContain(words);
		for (const words of expected.with ?? []) expect(textOf(reply)).toContain(words);
	});
});

// numbers of a list are marks where it is one, and words where it is not
const wordsOf = (text: string) =>
	(text.match(/[\p{L}\p{N}]+/gu) ?? []).filter((word) => word !== '1').sort();

describe('readReply', () => {
	it('loses no word but what it lists', () => {
		const line = fc.constantFrom(
			'Sure! Here is the article.',
			'## Dig the trench',
			'### Throughstones',
			'Dig the trench',
			'**Lay the footings**',
			'- one entry of a list',
			'1. first step',
			'Set the largest stones first. In the next section we look at cope.',
			'| a | b |\n|---|---|\n| one | two |',
			'> a quotation of somebody',
			'```markdown',
			'```',
			'---',
			'(continued)',
			'Word count: 230',
			'Keywords used: trench, footing',
			'Let me know if you want changes.',
			'Stones that are cut in the mid',
			'<p>Some <b>markup</b> here</p>',
			''
		);
		fc.assert(
			fc.property(fc.array(line, { maxLength: 24 }), (lines) => {
				const text = lines.join('\n\n');
				const reply = readReply(text, plan);
				const held = wordsOf(
					[textOf(reply), ...reply.dropped.map(({ text: gone }) => gone)].join(' ')
				);
				const given = wordsOf(
					text
						.replace(/<[^>]+>/g, ' ')
						.replace(/```\w*/g, ' ')
						.replace(/^1\. /gm, '')
				);
				expect(held).toEqual(given);
			}),
			{ numRuns: 300 }
		);
	});

	it('turns signs of sources into origins, and counts sentences without one', () => {
		const text =
			'## Dig the trench\n\nDig to firm subsoil [n1.2]. Two people dug it in a day (n2). It was dry. [missing: what a digger costs a day]\n\n[missing: the width on clay]';
		const known: Record<string, { source: string; label: string }> = {
			n1: { source: 'note-1', label: 'n1' },
			n2: { source: 'note-2', label: 'n2' }
		};
		const [section] = readReply(text, plan, { originOf: (sign) => known[sign] ?? null }).sections;
		const runs = section!.blocks.flatMap(textRunsOf);
		const marked = runs.flatMap(({ text: run, marks }) =>
			marks.flatMap((mark) => (mark.type === 'origin' ? [[run.trim(), mark.attrs.source]] : []))
		);
		expect(marked).toEqual([
			['Dig to firm subsoil.', 'note-1'],
			['Two people dug it in a day.', 'note-2']
		]);
		expect(section!.unbacked).toBeGreaterThanOrEqual(1);
		expect(section!.blocks.at(-1)).toMatchObject({ type: 'gap' });
		expect(section!.blocks.map(docText).join(' ')).not.toMatch(/\[n1|\(n2/);
	});

	it('leaves brackets that are no sign of a known source as they are', () => {
		const [section] = readReply('## Dig the trench\n\nSee the table (A4) and [X].', plan, {
			originOf: () => null
		}).sections;
		expect(section!.blocks.map(docText).join('')).toBe('See the table (A4) and [X].');
	});
});
