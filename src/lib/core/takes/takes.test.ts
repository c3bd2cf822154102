import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { indexTerms, type TermIndex } from '../text';
import {
	closeWordsOf,
	deedFor,
	docFromMarkdown,
	docText,
	gap,
	heading,
	indexRuns,
	list,
	markdownOf,
	measureBlock,
	measureDoc,
	paragraph,
	takeSectionsOf,
	TakeTally,
	termStateOf,
	textNode,
	type BlockMeasure,
	type DocNode,
	type TakeDoc
} from '.';

const TERMS: TermIndex = indexTerms(
	['stone', 'stone wall', 'hearting', 'dry stone wall'].map((phrase) => ({ phrase }))
);
const NO_RUNS = new Float64Array();
const doc = (...content: readonly DocNode[]): TakeDoc => ({ type: 'doc', content });
const text = (words: string) => paragraph(textNode(words));

describe('TakeTally', () => {
	const words = fc.array(
		fc.constantFrom('stone', 'wall', 'dry', 'hearting', 'stones.', 'The', 'cope'),
		{ maxLength: 12 }
	);
	const edit = fc.record({
		at: fc.nat(12),
		gone: fc.nat(3),
		added: fc.array(words, { maxLength: 3 })
	});

	it('holds the same counts as a full recount after any sequence of edits', () => {
		fc.assert(
			fc.property(
				fc.array(words, { maxLength: 10 }),
				fc.array(edit, { maxLength: 12 }),
				(start, edits) => {
					const tally = new TakeTally(TERMS.size);
					let blocks: BlockMeasure[] = start.map((w) =>
						measureBlock(text(w.join(' ')), TERMS, NO_RUNS)
					);
					tally.update(blocks);
					for (const { at, gone, added } of edits) {
						const next = [...blocks];
						next.splice(
							Math.min(at, next.length),
							gone,
							...added.map((w) => measureBlock(text(w.join(' ')), TERMS, NO_RUNS))
						);
						blocks = next;
						tally.update(blocks);
					}
					const recount = new TakeTally(TERMS.size);
					recount.update(blocks.map((block) => measureBlock(text(block.text), TERMS, NO_RUNS)));
					expect([...tally.uses]).toEqual([...recount.uses]);
					expect(tally.words).toBe(recount.words);
				}
			)
		);
	});
});

describe('measureBlock', () => {
	it('measures nothing of a gap: it is no part of the article', () => {
		expect(measureBlock(gap('Find out about hearting.'), TERMS, NO_RUNS)).toMatchObject({
			words: 0,
			text: ''
		});
	});

	it('does not count a term across list entries', () => {
		const measure = measureBlock(
			list(false, [[textNode('dry stone')], [textNode('wall')]]),
			TERMS,
			NO_RUNS
		);
		expect(measure.counts.all.get(1)).toBeUndefined();
		expect(measure.words).toBe(3);
	});
});

describe('takeSectionsOf', () => {
	it('cuts at headings and keeps what stands before the first', () => {
		const blocks = measureDoc(
			doc(text('Before it.'), heading(2, 'One', 's1'), text('Two words'), heading(3, 'Own')),
			TERMS,
			NO_RUNS
		);
		expect(takeSectionsOf(blocks).map(({ id, heading, words }) => [id, heading, words])).toEqual([
			[null, '', 2],
			['s1', 'One', 2],
			[null, 'Own', 0]
		]);
	});
});

describe('closeWordsOf', () => {
	const page =
		'The cope is the row of copestones along the top and its weight clamps the wall together for good.';

	it('counts the words of runs of eight, in any inflection and case', () => {
		const index = indexRuns([page]);
		expect(
			closeWordsOf('They say the COPE is the row of copestone along the top.', index)
		).toBeGreaterThanOrEqual(8);
		expect(closeWordsOf('The cope is the row of stones on top.', index)).toBe(0);
	});

	it('finds a whole copied page and nothing in an empty index', () => {
		expect(closeWordsOf(page, indexRuns([page]))).toBe(19);
		expect(closeWordsOf(page, indexRuns([]))).toBe(0);
	});
});

describe('markdown', () => {
	const inline = fc.constantFrom<DocNode>(
		{ type: 'text', text: 'plain words' },
		{ type: 'text', text: 'bold', marks: [{ type: 'bold' }] },
		{
			type: 'text',
			text: 'a link',
			marks: [{ type: 'link', attrs: { href: 'https://walls.example/a' } }]
		}
	);
	const line = fc.uniqueArray(inline, {
		minLength: 1,
		maxLength: 3,
		selector: (node) => node.text
	});
	const block = fc.oneof(
		line.map((content): DocNode => ({ type: 'paragraph', content })),
		fc.integer({ min: 1, max: 4 }).map((level) => heading(level, 'A heading of it')),
		fc.boolean().map((ordered) => list(ordered, [[textNode('one')], [textNode('two')]])),
		fc.constant(gap('Find out how deep.')),
		fc.constant<DocNode>({ type: 'codeBlock', content: [textNode('x = 1')] })
	);

	it('comes back as the same manuscript', () => {
		fc.assert(
			fc.property(fc.array(block, { minLength: 1, maxLength: 6 }), (content) => {
				// two lists of one kind in a row are one list in Markdown
				fc.pre(
					content.every(
						(node, i) =>
							i === 0 || !/List|gap/.test(node.type) || node.type !== content[i - 1]!.type
					)
				);
				const back = docFromMarkdown(markdownOf(doc(...content)));
				expect(back.content.map((node) => [node.type, docText(node)])).toEqual(
					content.map((node) => [node.type, docText(node)])
				);
				expect(markdownOf(back)).toBe(markdownOf(doc(...content)));
			})
		);
	});

	it('reads tables and leaves out dangerous links', () => {
		const back = docFromMarkdown('| a | b |\n| - | - |\n| c | d |\n\n[x](javascript:alert(1))');
		expect(back.content[0]!.type).toBe('table');
		expect(JSON.stringify(back)).not.toContain('javascript');
	});
});

describe('term states', () => {
	it.each([
		[0, 'absent', 'wants 2'],
		[1, 'thin', '1 more'],
		[3, 'placed', ''],
		[6, 'crowded', '2 too many']
	])('%i uses of 2 to 4 are %s', (uses, state, deed) => {
		expect(termStateOf(uses, 2, 4)).toBe(state);
		expect(deedFor(uses, 2, 4)).toBe(deed);
	});
});
