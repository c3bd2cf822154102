import { beforeAll, describe, expect, it } from 'vitest';
import { demoFindings } from '../../../../../tests/support/demo';
import {
	docOf,
	docText,
	figure,
	heading,
	markedText,
	paragraph,
	quote,
	textNode,
	type BlockNode,
	type TakeDoc
} from '../../manuscript';
import type { Findings } from '../../findings';
import { readArticle, type Ruler } from '../../measure';
import { scoreState, stateOf, termIndexOf, yardstickOf, type Yardstick } from '../../standing';
import { readingRule, ruleOf, unreadBy } from '../decisions';
import type { ArticleCheck, BlockCheck, Mark } from '../mark';
import { Proofreader } from '../run-checks';
import { deadLinkCheck, picturesCheck, richnessCheck, twoPlacesCheck } from './links';
import { termsWorkedIn } from '../work-in-terms';
import { termEditsCheck } from './term-edits';

const say = (text: string) => paragraph(textNode(text));
const link = (text: string, href: string) =>
	paragraph(textNode('See '), markedText(text, [{ type: 'link', attrs: { href } }]));
const RULER: Ruler = {
	terms: termIndexOf({ terms: [] } as unknown as Yardstick),
	runs: new Float64Array()
};
const blockMarks = (check: BlockCheck, ...blocks: BlockNode[]) =>
	new Proofreader({ blocks: [check], article: [] }).read(readArticle(docOf(blocks), RULER));
const articleMarks = (check: ArticleCheck, ...blocks: BlockNode[]) =>
	new Proofreader({ blocks: [], article: [check] }).read(readArticle(docOf(blocks), RULER));

describe('links', () => {
	it.each([
		'#',
		'',
		'http://',
		'https://walls',
		'www.walls.example',
		'https://example.com/x',
		'http://localhost:3000/',
		'mailto:me',
		'https://a b.example/'
	])('%j leads nowhere by its form', (href) => {
		const [mark] = blockMarks(deadLinkCheck, link('the page', href));
		expect(mark).toMatchObject({ quote: 'the page', reads: 'links' });
	});

	it.each([
		'https://walls.example/a?b=c#d',
		'/tools/hammer',
		'#dig',
		'mailto:me@walls.example',
		'http://walls.example'
	])('%j may', (href) => expect(blockMarks(deadLinkCheck, link('the page', href))).toEqual([]));

	it('are told when equal words lead to two places', () => {
		const marks = articleMarks(
			twoPlacesCheck,
			link('the hammer', 'https://a.example/'),
			link('The hammer', 'https://b.example/'),
			link('the hammer', 'https://a.example/'),
			link('a frame', 'https://c.example/')
		);
		expect(marks.map(({ quote: words, place }) => [words, place?.block])).toEqual([
			['The hammer', 1]
		]);
	});

	it('are told when they are far more than pages have, and when they are fewer', () => {
		const spread = (lower: number, upper: number) =>
			[{ id: 'links', min: 0, lower, median: lower, upper, max: upper, pages: [] }] as never;
		const blocks = Array.from({ length: 9 }, (_, i) => link(`word ${i}`, `/p${i}`));
		expect(articleMarks(richnessCheck(spread(0, 2)), ...blocks)[0]?.reason).toBe(
			'9 links; most pages have up to 2'
		);
		expect(articleMarks(richnessCheck(spread(0, 5)), ...blocks)).toEqual([]);
		expect(articleMarks(richnessCheck(spread(12, 14)), ...blocks)[0]?.reason).toBe(
			'9 links; most pages have 12 to 14'
		);
	});
});

describe('pictures', () => {
	const kept = [
		{ id: 'a', name: 'a.jpg', credit: 'Ada', licence: 'CC BY 4.0' },
		{ id: 'b', name: 'b.jpg', credit: '', licence: '' }
	];

	it('want alt text that says what they show, a credit and a licence', () => {
		const marks = articleMarks(
			picturesCheck(kept, 'dry stone wall'),
			figure('a', '', 'Dug'),
			heading(2, 'The cope'),
			figure('b', 'Dry-stone wall', ''),
			figure('a', 'A trench', '')
		);
		expect(marks.map(({ reason }) => reason)).toEqual([
			'The picture a.jpg above the first heading has no alt text',
			'The picture b.jpg in “The cope” repeats the keyword as its alt text; say what it shows',
			'The picture b.jpg in “The cope” has no credit',
			'The picture b.jpg in “The cope” has no licence'
		]);
	});
});

describe('terms in full', () => {
	let yardstick: Yardstick;
	const meta = { titleTag: '', description: '' };
	const termOf = (phrase: string, min: number) => ({
		key: phrase,
		phrase,
		words: phrase.split(' ').length,
		verbs: [],
		variants: [],
		weight: 'must' as const,
		min,
		max: 5
	});
	beforeAll(() => {
		yardstick = {
			...yardstickOf(demoFindings().findings, null),
			terms: [termOf('walling hammer', 2), termOf('ash shaft', 1), termOf('string line', 1)],
			keywordTerm: -1,
			homes: [],
			topics: [],
			questions: []
		};
	});
	const marksOf = (doc: TakeDoc, homes = new Map<string, ReadonlySet<string>>()): Mark[] =>
		new Proofreader({ blocks: [], article: [termEditsCheck(yardstick, meta, homes)] }).read(
			readArticle(doc, { terms: termIndexOf(yardstick), runs: new Float64Array() })
		);
	const editsOf = (text: string) =>
		marksOf(docOf([say(text)])).map(({ quote: words, fixes }) => [words, fixes[0]!.replacement]);
	const standingOf = (doc: TakeDoc) =>
		scoreState(
			stateOf(
				readArticle(doc, { terms: termIndexOf(yardstick), runs: new Float64Array() }),
				meta,
				yardstick
			),
			yardstick
		).standing;

	it('extend a bare noun, keep its number, and mind “a” and “an”', () => {
		expect(editsOf('Take the hammer in one hand.')).toEqual([['the hammer', 'the walling hammer']]);
		expect(editsOf('Oil a shaft, and do not hit it.')).toEqual([['a shaft', 'an ash shaft']]);
		expect(editsOf('Set these lines before you dig.')).toEqual([
			['these lines', 'these string lines']
		]);
	});

	it('are worked into a section by the move, and nowhere else', () => {
		const doc = docOf([
			heading(2, 'Tools', 'a'),
			say('Take the hammer in one hand. Oil a shaft, and do not hit it.'),
			heading(2, 'Lines', 'b'),
			say('Set these lines before you dig.')
		]);
		const article = readArticle(doc, { terms: termIndexOf(yardstick), runs: new Float64Array() });
		const workedIn = (from: number, to: number) =>
			termsWorkedIn(
				article,
				{ from, to },
				doc.content.slice(from + 1, to),
				yardstick,
				meta,
				{ terms: [] } as unknown as Findings,
				{ sections: [] }
			).map(docText);
		expect(workedIn(0, 2)).toEqual([
			'Take the walling hammer in one hand. Oil an ash shaft, and do not hit it.'
		]);
		expect(workedIn(2, 4)).toEqual(['Set these string lines before you dig.']);
		const plain = docOf([heading(2, 'Tools', 'a'), say('Nothing stands here.')]);
		const blocks = plain.content.slice(1);
		expect(
			termsWorkedIn(
				readArticle(plain, { terms: termIndexOf(yardstick), runs: new Float64Array() }),
				{ from: 0, to: 2 },
				blocks,
				yardstick,
				meta,
				{ terms: [] } as unknown as Findings,
				{ sections: [] }
			)
		).toBe(blocks);
	});

	it('leave a noun alone that has a word of its own, belongs to the next one, or is a name', () => {
		for (const text of [
			'Take the heavy hammer in one hand.',
			'The hammer head is forged.',
			'Take hammer and chisel.',
			'We call it the Hammer here.',
			'The walling is done with the hammer.',
			'The line manager called.',
			'She said: “Take the hammer.”'
		])
			expect(editsOf(text), text).toEqual([]);
	});

	it('stand in their own sections where the plan names some, and nowhere in headings or gaps', () => {
		const doc = docOf([
			heading(2, 'The hammer', 'a'),
			say('Take the hammer in one hand.'),
			heading(2, 'The rest', 'b'),
			say('Put the hammer down.'),
			quote(say('Take the hammer, she says.'))
		]);
		const own = marksOf(doc, new Map([['walling hammer', new Set(['b'])]]));
		expect(own.map(({ place }) => place?.block)).toEqual([3, 4]);
	});

	it('gain what they say they gain, and change nothing outside their words', () => {
		const doc = docOf([heading(2, 'Tools'), say('Take the hammer in one hand. It is heavy.')]);
		const [mark] = marksOf(doc);
		const { start, end, block } = mark!.place!;
		const text = docText(doc.content[block]!);
		const after = text.slice(0, start) + mark!.fixes[0]!.replacement + text.slice(end);
		expect(after).toBe('Take the walling hammer in one hand. It is heavy.');
		const changed = docOf([doc.content[0]!, say(after)]);
		expect(standingOf(changed) - standingOf(doc)).toBeCloseTo(mark!.gain!, 0);
		expect(mark!.gain!).toBeGreaterThan(0);
	});
});

describe('what a client does not want marked', () => {
	it('is a rule by its check and what it is about, or a whole reading', () => {
		expect(ruleOf({ check: 'stock phrase', about: 'at the end of the day' })).toBe(
			'stock phrase: at the end of the day'
		);
		expect(unreadBy([readingRule('sameness'), 'stock phrase: x', 'reading: nothing'])).toEqual([
			'sameness'
		]);
	});
});
