import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { heading, paragraph, textNode } from './build';
import { docText, textRunsOf, type BlockNode } from './node';
import { cutSections, headOf, plannedCuts } from './sections';

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
