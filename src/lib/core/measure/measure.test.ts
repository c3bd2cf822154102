import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	docOf,
	docText,
	gap,
	heading,
	list,
	markedText,
	paragraph,
	textNode,
	type BlockNode
} from '../manuscript';
import { quantitiesOf } from '../reading';
import {
	contentStemsOf,
	countTerms,
	countWords,
	indexTerms,
	patternOf,
	readingSumsOf,
	sentencesOf,
	type TermIndex
} from '../text';
import { ArticleReader, readArticle } from './article-reading';
import { readBlock, type Ruler } from './read-block';
import { closeSpansOf, closeWordsOf, indexRuns } from './runs';

const TERMS: TermIndex = indexTerms(
	['stone', 'stone wall', 'hearting', 'dry stone wall'].map(patternOf)
);
const PAGE =
	'The cope is the row of copestones along the top and its weight clamps the wall together for good.';
const RULER: Ruler = { terms: TERMS, runs: indexRuns([PAGE]) };
const NOTE = { source: 'note', label: 'n1' };

const words = fc
	.array(
		fc.constantFrom('stone', 'wall', 'dry', 'hearting', 'stones.', 'The', '3 m', PAGE, '20 cm.'),
		{ maxLength: 8 }
	)
	.map((parts) => parts.join(' '));
const line = words.map((said) => paragraph(textNode(said), textNode(' Said so.', NOTE)));
const block = fc.oneof(
	line,
	words.map((said) => heading(2, said, 's')),
	fc.array(words, { minLength: 1, maxLength: 3 }).map((items) =>
		list(
			true,
			items.map((item) => [textNode(item)])
		)
	),
	words.map((said) => gap(said))
);

describe('readBlock', () => {
	it('holds what independent counts of the same text give', () => {
		fc.assert(
			fc.property(block, (node) => {
				const reading = readBlock(node, RULER);
				const lines = node.type === 'gap' ? [] : docText(node).split('\n');
				const sentences = lines.flatMap((one) => sentencesOf(one).map(({ text }) => text));
				expect(reading.words).toBe(countWords(lines.join('\n')));
				const uses = new Map<number, number>();
				for (const one of lines)
					for (const [term, n] of countTerms(TERMS, one).all)
						uses.set(term, (uses.get(term) ?? 0) + n);
				expect(reading.counts.all).toEqual(uses);
				expect(reading.sentences.map(({ start, end }) => reading.text.slice(start, end))).toEqual(
					sentences
				);
				expect(reading.sentences.map(({ stems }) => stems)).toEqual(
					sentences.map((sentence) => contentStemsOf(sentence))
				);
				expect(reading.quantities.map(({ text }) => text)).toEqual(
					sentences.flatMap((sentence) => quantitiesOf(sentence).map(({ text }) => text))
				);
				expect(reading.closeWords).toBe(closeWordsOf(lines.join('\n'), RULER.runs));
				if (node.type !== 'heading')
					expect(reading.reading.syllables).toBe(
						lines.reduce((sum, one) => sum + readingSumsOf(one).syllables, 0)
					);
			})
		);
	});

	it('gives every span the place where its words stand', () => {
		fc.assert(
			fc.property(block, (node) => {
				const { text, quantities, origins, close, matches } = readBlock(node, RULER);
				for (const { start, end, text: said } of quantities)
					expect(text.slice(start, end)).toBe(said);
				for (const { start, end } of origins) expect(text.slice(start, end)).toBe(' Said so.');
				for (const { start, end, words: n } of close)
					expect(countWords(text.slice(start, end))).toBe(n);
				for (const { start, end, term } of matches)
					expect(countTerms(TERMS, text.slice(start, end)).all.get(term)).toBeGreaterThan(0);
			})
		);
	});

	it('reads nothing in a gap: it is no part of the article', () => {
		expect(readBlock(gap('Find out about 3 m of hearting.'), RULER)).toMatchObject({
			words: 0,
			text: '',
			sentences: [],
			matches: [],
			quantities: []
		});
	});

	it('does not count a term across list entries', () => {
		const reading = readBlock(list(false, [[textNode('dry stone')], [textNode('wall')]]), RULER);
		expect(reading.counts.all.get(1)).toBeUndefined();
		expect(reading.words).toBe(3);
	});

	it('counts uses of spellings that were merged into a term', () => {
		const terms = indexTerms([{ ...patternOf('cope'), variants: ['stone wall'] }]);
		const reading = readBlock(paragraph(textNode('A stone wall has a cope.')), {
			...RULER,
			terms
		});
		expect(reading.counts.all.get(0)).toBe(2);
	});

	it('joins neighbouring runs of one origin and counts links', () => {
		const { origins, links } = readBlock(
			paragraph(
				markedText('Bold', [{ type: 'bold' }, { type: 'origin', attrs: NOTE }]),
				textNode(' and plain.', NOTE),
				textNode(' Else.', { source: 'other', label: 'n2' }),
				markedText('link', [{ type: 'link', attrs: { href: '/a' } }])
			),
			RULER
		);
		expect(origins.map(({ source, start, end }) => [source, start, end])).toEqual([
			['note', 0, 15],
			['other', 15, 21]
		]);
		expect(links).toBe(1);
	});
});

describe('ArticleReader', () => {
	const edit = fc.record({
		at: fc.nat(12),
		gone: fc.nat(3),
		added: fc.array(block, { maxLength: 3 })
	});

	it('holds the same after any edits as a reading from scratch', () => {
		fc.assert(
			fc.property(
				fc.array(block, { maxLength: 8 }),
				fc.array(edit, { maxLength: 8 }),
				(start, edits) => {
					const reader = new ArticleReader(RULER);
					let blocks: BlockNode[] = [...start];
					reader.readDoc(docOf(blocks));
					for (const { at, gone, added } of edits) {
						blocks = blocks.toSpliced(Math.min(at, blocks.length), gone, ...added);
						expect(reader.readDoc(docOf(blocks))).toEqual(readArticle(docOf(blocks), RULER));
					}
				}
			)
		);
	});

	it('reads a block once for as long as it stays the same, and leaves older readings alone', () => {
		let reads = 0;
		const nodes = ['one stone', 'two', 'three'].map((said) => paragraph(textNode(said)));
		const reader = new ArticleReader(RULER);
		const read = (blocks: readonly BlockNode[]) => reader.read(blocks, (node) => (reads++, node));
		const first = read(nodes);
		const second = read(nodes.with(1, paragraph(textNode('a stone wall'))));
		expect(reads).toBe(4);
		expect([...first.uses]).toEqual([1, 0, 0, 0]);
		expect([...second.uses]).toEqual([2, 1, 0, 0]);
	});

	it('tells the sections with their words, headings left out', () => {
		const { sections } = readArticle(
			docOf([
				paragraph(textNode('Before it.')),
				heading(2, 'One', 's1'),
				paragraph(textNode('Two words')),
				gap('Three words missing'),
				heading(3, 'Own')
			]),
			RULER
		);
		expect(sections.map(({ section, heading: over, words: n }) => [section, over, n])).toEqual([
			[null, '', 2],
			['s1', 'One', 2],
			[null, 'Own', 0]
		]);
	});
});

describe('closeSpansOf', () => {
	it('counts the words of runs of eight, in any inflection and case', () => {
		expect(
			closeWordsOf('They say the COPE is the row of copestone along the top.', RULER.runs)
		).toBeGreaterThanOrEqual(8);
		expect(closeWordsOf('The cope is the row of stones on top.', RULER.runs)).toBe(0);
	});

	it('finds a whole copied page as one stretch, and nothing in an empty index', () => {
		expect(closeSpansOf(PAGE, RULER.runs)).toEqual([{ start: 0, end: PAGE.length - 1, words: 19 }]);
		expect(closeWordsOf(PAGE, indexRuns([]))).toBe(0);
	});
});
