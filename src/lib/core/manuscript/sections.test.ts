import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { docOf, heading, paragraph, textNode } from './build';
import { docText, textRunsOf, type BlockNode } from './node';
import { cutSections, headOf, outlineOf, plannedCuts, stepOf, withSection } from './sections';

const text = (words: string) => paragraph(textNode(words));
const cutsOf = (...blocks: readonly BlockNode[]) => cutSections(blocks.map(headOf));

describe('cutSections', () => {
	it('cuts at headings and keeps what stands before the first', () => {
		expect(
			cutsOf(text('Before it.'), heading(2, 'One', 's1'), text('Two'), heading(3, 'Own'))
		).toEqual([
			{ level: 0, section: null, from: 0, to: 1 },
			{ level: 2, section: 's1', from: 1, to: 3 },
			{ level: 3, section: null, from: 3, to: 4 }
		]);
		expect(cutsOf()).toEqual([]);
	});

	it('leaves no block out and takes none twice, wherever sections open', () => {
		const block = fc.constantFrom(
			text('words'),
			heading(2, 'Planned', 'a'),
			heading(3, 'Planned', 'b'),
			heading(2, 'Own')
		);
		fc.assert(
			fc.property(fc.array(block, { maxLength: 12 }), fc.boolean(), (blocks, onlyPlanned) => {
				const cuts = cutSections(
					blocks.map(headOf),
					onlyPlanned ? ({ section }) => section !== null : undefined
				);
				const covered = cuts.flatMap(({ from, to }) =>
					Array.from({ length: to - from }, (_, i) => from + i)
				);
				expect(covered).toEqual(blocks.map((_, i) => i));
				expect(cuts.every(({ from, to }) => from < to)).toBe(true);
			})
		);
	});
});

describe('plannedCuts', () => {
	it('reach over headings the plan does not know, and are the first of their name', () => {
		const blocks = [
			text('Above.'),
			heading(2, 'One', 'a'),
			heading(3, 'Own'),
			text('Words.'),
			heading(2, 'Gone', 'x'),
			heading(2, 'Two', 'b'),
			heading(2, 'One again', 'a')
		];
		const cuts = plannedCuts(blocks.map(headOf), new Set(['a', 'b', 'c']));
		expect([...cuts].map(([id, { from, to }]) => [id, from, to])).toEqual([
			['a', 1, 5],
			['b', 5, 7]
		]);
	});
});

describe('textRunsOf', () => {
	const inline = fc.constantFrom(
		textNode('wall'),
		textNode(' of stone', { source: 'n', label: 'n1' }),
		{ type: 'hardBreak' as const }
	);
	const line = fc.array(inline, { maxLength: 4 }).map((content) => paragraph(...content));
	const block = fc.letrec<{ block: BlockNode }>((tie) => ({
		block: fc.oneof(
			{ maxDepth: 3 },
			line,
			fc
				.array(tie('block'), { minLength: 1, maxLength: 3 })
				.map((content): BlockNode => ({ type: 'blockquote', content })),
			fc
				.array(fc.array(tie('block'), { maxLength: 2 }), { maxLength: 3 })
				.map((items): BlockNode => ({
					type: 'bulletList',
					content: items.map((content) => ({ type: 'listItem', content }))
				}))
		)
	})).block;

	it('stand where their text stands in the text of the whole node', () => {
		fc.assert(
			fc.property(block, (node) => {
				const whole = docText(node);
				for (const { text: run, start, end } of textRunsOf(node))
					expect(whole.slice(start, end)).toBe(run);
				const plain = (text: string) => text.replace(/\s/g, '');
				expect(
					plain(
						textRunsOf(node)
							.map((run) => run.text)
							.join('')
					)
				).toBe(plain(whole));
			})
		);
	});
});

describe('the outline', () => {
	const heads = [
		heading(1, 'Title'),
		text('Opening.'),
		heading(2, 'Dig'),
		text('Words.'),
		heading(3, 'Tools'),
		text('Words.'),
		heading(2, 'Build'),
		heading(3, 'Hearting'),
		heading(3, 'Throughs'),
		text('Words.')
	].map(headOf);

	it('has parts that hold what is deeper, and know where their own text ends', () => {
		expect(outlineOf(heads).map(({ from, to, ownTo }) => [from, to, ownTo])).toEqual([
			[0, 10, 2],
			[2, 6, 4],
			[4, 6, 6],
			[6, 10, 7],
			[7, 8, 8],
			[8, 10, 10]
		]);
	});

	it('moves a part past its neighbour of the same level and no further', () => {
		expect(stepOf(heads, 2, 1)).toBe(10);
		expect(stepOf(heads, 6, -1)).toBe(2);
		expect(stepOf(heads, 7, 1)).toBe(10);
		expect(stepOf(heads, 8, -1)).toBe(7);
		expect(stepOf(heads, 4, 1)).toBeNull();
		expect(stepOf(heads, 2, -1)).toBeNull();
		expect(stepOf(heads, 0, 1)).toBeNull();
		expect(stepOf(heads, 1, 1)).toBeNull();
	});
});

describe('withSection', () => {
	const doc = docOf([
		heading(2, 'One', 'a'),
		text('Old.'),
		heading(2, 'Three', 'c'),
		text('Last.')
	]);
	const textsWith = (id: string) =>
		withSection(doc, heading(2, 'New', id), [text('Other.')], ['a', 'b', 'c']).content.map(docText);

	it('puts blocks in place of those of a section, and a section that is lacking where the plan has it', () => {
		expect(textsWith('a')).toEqual(['One', 'Other.', 'Three', 'Last.']);
		expect(textsWith('b')).toEqual(['One', 'Old.', 'New', 'Other.', 'Three', 'Last.']);
		expect(textsWith('c')).toEqual(['One', 'Old.', 'Three', 'Other.']);
	});
});
