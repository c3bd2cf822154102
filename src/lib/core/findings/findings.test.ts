import fc from 'fast-check';
import { readFileSync, readdirSync } from 'node:fs';
import model from 'wink-eng-lite-web-model';
import winkNLP from 'wink-nlp';
import { beforeAll, describe, expect, it } from 'vitest';
import { readQuestions } from '../notes';
import { cleanPage, keptBlocksOf, readText } from '../pages';
import { makeTagger, type Tagger } from '../text';
import { assembleFindings, type Findings } from './findings';
import {
	candidatesOf,
	isQuestion,
	quantitiesOf,
	questionKindOf,
	workOnPage,
	type PageWork
} from '../reading';
import { lengthOfEvidence } from './shape';
import { quantileOf } from './spread';
import { rangeOf, usesInContext } from './terms';

const DEMO = new URL('../../../../demo/pages/', import.meta.url);
const ARTICLES = [
	'greenplot',
	'hillfoot-walling',
	'lattice-and-lintel',
	'moorland-notes',
	'stonecraft-journal',
	'the-steady-spade'
];
const OPTIONS = { keyword: 'how to build a dry stone wall', targetWords: 1800, asked: [] };

let tag: Tagger;
let works: PageWork[];
let findings: Findings;

beforeAll(() => {
	tag = makeTagger(winkNLP as never, model);
	works = readdirSync(DEMO)
		.filter((file) => ARTICLES.includes(file.replace('.html', '')))
		.map((file) => {
			const cleaned = cleanPage(readFileSync(new URL(file, DEMO), 'utf8'));
			if (cleaned.kind !== 'cleaned') throw new Error(cleaned.reason);
			const { title, description, siteName } = cleaned.article;
			return workOnPage(
				{
					id: file,
					title,
					description,
					siteNames: [siteName],
					blocks: keptBlocksOf(cleaned.article),
					links: 0
				},
				tag
			);
		});
	findings = assembleFindings(works, [], OPTIONS);
}, 60_000);

const term = (phrase: string) => findings.terms.find((found) => found.phrase === phrase);
const topicOf = (heading: string) =>
	findings.topics.find(({ headings }) => headings.some(({ text }) => text === heading));

describe('candidatesOf', () => {
	const keys = (text: string) => candidatesOf(tag(text)).map(({ key }) => key);

	it('gives a rare verb alone as a deed, a common one only with what is done', () => {
		const deed = candidatesOf(tag('Scarify the lawn in dry weather.')).find(
			({ key }) => key === 'scarify'
		);
		expect(deed?.isAction).toBe(true);
		expect(keys('Build the wall slowly.')).not.toContain('build');
	});

	it('takes nouns of time and measure for terms where a heading names them, or half of the pages', () => {
		const said = (text: string, i: number) =>
			workOnPage(
				{
					id: `p${i}`,
					title: '',
					description: '',
					siteNames: [],
					blocks: keptBlocksOf(readText(text)),
					links: 0
				},
				tag
			);
		const found = (texts: readonly string[]) =>
			assembleFindings(texts.map(said), [], OPTIONS).terms.map(({ phrase }) => phrase);
		const dull = '# Walls\n\nThe footings of the wall are wide. The copes lie on the wall.';
		const told = `${dull} In spring the footings settle, and in spring the copes dry.`;
		const headed = `${dull}\n\n## In spring\n\nThe footings settle in spring and the copes dry.`;
		expect(found([told, dull, dull, dull, dull, dull])).not.toContain('spring');
		expect(found([headed, told, dull, dull, dull, dull])).toContain('spring');
		expect(found([told, told, told, dull, dull, dull])).toContain('spring');
	});

	it('gives what fills a time, and no time that is counted', () => {
		expect(keys('Label the boxes before moving day. It took three days.')).toContain('moving day');
		expect(keys('It takes a two day drive.').join()).not.toContain('two day');
	});

	it('sees nouns behind a possessive, and those made of a verb and a particle', () => {
		expect(
			keys('Change your address and call them. Forms for a change of address are free.')
		).toContain('address');
		expect(keys('Do a last walk-through at noon.')).toContain('walk through');
		expect(keys('Washing-up liquid in warm water does it.')).toContain('washing up liquid');
	});

	it('sees a thing in a small word where only a noun can stand', () => {
		expect(keys('The same down bag kept its hydrophobic down dry.')).toEqual(
			expect.arrayContaining(['down bag', 'hydrophobic down', 'down'])
		);
		expect(keys('Write a will with two witnesses.')).toContain('will');
		expect(keys('Sit down. You will see it can go down well in the end.').join()).not.toMatch(
			/\b(?:down|will|can|well)\b/
		);
	});

	it('knows a deed by its prefix where everyday English lacks it', () => {
		expect(keys('In autumn aerate, overseed and water.')).toContain('overseed');
	});

	it('gives noun phrases and the phrases inside them', () => {
		expect(keys('Set up the wooden batter frames.')).toEqual(
			expect.arrayContaining(['batter frame', 'wooden batter frame', 'frame'])
		);
	});

	it('sees the nouns of a craft that taggers take for verbs', () => {
		expect(keys('You need a walling hammer. Pack the hearting.')).toEqual(
			expect.arrayContaining(['walling hammer', 'hearting'])
		);
	});

	it('cuts nothing out of an address, a path or a name that is made for a machine', () => {
		const found = keys(
			'See www.fellgate.example/walls/stone, /usr/local/copes, mod_wall and hearting.conf; wood/stone is said, and a batter.'
		);
		expect(found).toEqual(['wood', 'stone', 'batter']);
	});

	it('takes no measure into what is measured', () => {
		const found = keys('Mix 2 cups flour with 1/2 teaspoon salt; a cup cake is no measure.');
		expect(found).toEqual(expect.arrayContaining(['flour', 'salt', 'cup cake']));
		expect(found.filter((key) => /^(?:cup flour|teaspoon)/.test(key))).toEqual([]);
	});

	it('leaves out orders, measures and words that only judge', () => {
		const found = keys(
			'Dig the trench 30 cm deep. A good wall needs many stones and two square metres.'
		);
		expect(found).not.toContain('dig');
		expect(found).not.toContain('square metre');
		expect(found).not.toContain('good wall');
	});
});

describe('terms', () => {
	it('finds the words of the craft', () => {
		for (const phrase of [
			'hearting',
			'footings',
			'throughstones',
			'cope',
			'batter',
			'running joints',
			'walling hammer',
			'foundation trench',
			'string line'
		]) {
			expect(term(phrase)?.weight, phrase).toBe('must');
		}
	});

	it('never surfaces site names, units, or words of one page alone', () => {
		const phrases = findings.terms.map(({ phrase }) => phrase.toLowerCase());
		for (const unwanted of [
			'greenplot',
			'moorland notes',
			'cm',
			'metre',
			'square metres',
			'newsletter',
			'cookies'
		]) {
			expect(phrases).not.toContain(unwanted);
		}
		for (const { uses, phrase } of findings.terms) {
			if (phrase !== OPTIONS.keyword) expect(uses.length, phrase).toBeGreaterThan(1);
		}
	});

	it('always holds the exact keyword first', () => {
		expect(findings.terms[0]).toMatchObject({ phrase: OPTIONS.keyword, weight: 'must' });
	});

	it('counts exactly the uses that can be shown in context', () => {
		for (const found of findings.terms.slice(0, 40)) {
			const contexts = usesInContext(works, found);
			for (const use of found.uses) {
				const marks = contexts
					.filter(({ page }) => page === use.page)
					.reduce((sum, { marks }) => sum + marks.length, 0);
				expect(marks, `${found.phrase} on ${use.page}`).toBe(use.count);
			}
		}
	});

	it('does not depend on the order of pages', () => {
		expect(assembleFindings([...works].reverse(), [], OPTIONS)).toEqual(findings);
	});

	it('does not depend on the ids that pages were given', () => {
		const renamed = works.map((work, i) => ({ ...work, id: `page-${works.length - i}` }));
		const said = ({ terms, topics, questions, figures }: Findings) => ({
			terms: terms.map(({ phrase, min, max, weight }) => [phrase, min, max, weight]),
			topics: topics.map(({ label, headings }) => [label, headings.map(({ text }) => text).sort()]),
			questions: questions.map(({ text, wordings }) => [text, wordings]),
			figures: figures.map(({ label, low, high }) => [label, low, high]).sort()
		});
		expect(said(assembleFindings(renamed, [], OPTIONS))).toEqual(said(findings));
	});

	it('is whole again when a page is set aside and counted back', () => {
		assembleFindings(works.slice(1), [], OPTIONS);
		expect(assembleFindings(works, [], OPTIONS)).toEqual(findings);
	});
});

describe('rangeOf', () => {
	it('takes quartiles from four pages on and rounds outwards', () => {
		const uses = [1, 2, 3, 4].map((rate) => ({ rate }));
		expect(rangeOf(uses, 1, 2000)).toEqual({ min: 3, max: 7 });
	});

	it('is never empty, never under one, and never over 2% of the words', () => {
		const rates = fc.array(fc.double({ min: 0.01, max: 60, noNaN: true }), {
			minLength: 1,
			maxLength: 20
		});
		fc.assert(
			fc.property(
				rates,
				fc.integer({ min: 1, max: 5 }),
				fc.integer({ min: 200, max: 10_000 }),
				(given, words, target) => {
					const { min, max } = rangeOf(
						given.map((rate) => ({ rate })),
						words,
						target
					);
					expect(min).toBeGreaterThanOrEqual(1);
					expect(max).toBeGreaterThanOrEqual(min);
					if (max > 1) expect(max * words).toBeLessThanOrEqual(0.02 * target);
				}
			)
		);
	});

	it('grows with the length', () => {
		const uses = [{ rate: 2 }, { rate: 5 }];
		const [short, long] = [rangeOf(uses, 1, 1000), rangeOf(uses, 1, 3000)];
		expect(long.min).toBeGreaterThan(short.min);
		expect(long.max).toBeGreaterThan(short.max);
	});
});

describe('topics', () => {
	it('are no headings that pages have whatever they are about, nor the title again', () => {
		const text =
			'The stones are laid level, one course after the other, and packed from the middle.';
		const source = (id: string, ...headings: string[]) =>
			workOnPage(
				{
					id,
					title: 'Lime mortar for walls',
					description: '',
					siteNames: [],
					isNote: false,
					links: 0,
					blocks: headings.flatMap((heading) => [
						{ kind: 'heading', level: 2, text: heading },
						{ kind: 'paragraph', text }
					])
				},
				tag
			);
		const ofPages = ['Instructions', 'Ingredients', 'Nutrition facts', 'Video', 'Notes', 'Print'];
		const calls = [
			'Keep reading',
			'Share this',
			'Get a free quote',
			'Ready to start?',
			'Product description'
		];
		const own = ['Instructions for hot mixing', 'Order the stone', 'Share of sand'];
		const found = assembleFindings(
			[
				source('a', 'Lime mortar for walls', ...ofPages, ...own),
				source('b', ...calls, '2. Ingredients', ...own)
			],
			[],
			{ keyword: 'lime mortar', targetWords: 900, asked: [] }
		);
		const headings = new Set(
			found.topics.flatMap((topic) => topic.headings.map((heading) => heading.text))
		);
		expect([...headings].sort()).toEqual(own.sort());
	});

	it('merges headings that mean the same', () => {
		expect(topicOf('Lay the footings')).toBe(topicOf('Saturday afternoon: footings'));
		expect(topicOf('Tools for the work')).toBe(topicOf("What you'll need"));
		expect(topicOf('What it cost me')).toBe(
			topicOf('What does it cost to build a dry stone wall?')
		);
		expect(topicOf('Set the throughstones')).toBe(topicOf('Halfway: throughstones'));
	});

	it('keeps different steps apart', () => {
		expect(topicOf('Lay the footings')).not.toBe(topicOf('Set the throughstones'));
		expect(topicOf('Dig the foundation trench')).not.toBe(topicOf('Lay the footings'));
	});

	it('never holds two headings of one page, and loses no heading', () => {
		for (const { headings, pages } of findings.topics)
			expect(new Set(headings.map(({ page }) => page)).size).toBe(pages.length);
		const all = findings.topics.flatMap(({ headings }) =>
			headings.map(({ page, section }) => `${page}/${section}`)
		);
		expect(new Set(all).size).toBe(all.length);
	});

	it('nests what most pages put under another heading', () => {
		const parent = topicOf('Batter and line')?.parent;
		expect(
			findings.topics.find(({ id }) => id === parent)?.headings.map(({ text }) => text)
		).toContain('Build the first lift');
	});
});

describe('questions', () => {
	it('merges the same question from pages and lists', () => {
		const asked = readQuestions('1. How long does a dry stone wall last? ▾\nFeedback').map(
			(text) => ({ text, source: 'list' })
		);
		const { questions } = assembleFindings(works, [], { ...OPTIONS, asked });
		const found = questions.filter(({ text }) => text === 'How long does a dry stone wall last?');
		expect(found).toHaveLength(1);
		expect(found[0]).toMatchObject({ kind: 'time', lists: ['list'] });
		expect(found[0]!.pages.length).toBeGreaterThan(1);
		expect(found[0]!.answers[0]!.text).toMatch(/\d+/);
	});

	it('tells questions and their kinds', () => {
		expect(isQuestion('Do you need planning permission')).toBe(true);
		expect(isQuestion('How a wall stands up')).toBe(false);
		expect(
			[
				'How much does it cost?',
				'How long will it take?',
				'Why lean it?',
				'Which stone?',
				'Can I build it?'
			].map(questionKindOf)
		).toEqual(['cost', 'time', 'why', 'which', 'can']);
	});
});

describe('quantitiesOf', () => {
	it.each([
		['Dig 15 to 30 cm down.', [{ kind: 'measure', value: 15, upTo: 30, unit: 'cm' }]],
		['It cost £1,320 in all.', [{ kind: 'money', value: 1320, upTo: 1320, unit: '£' }]],
		['It expands by 9% when frozen.', [{ kind: 'share', value: 9, upTo: 9, unit: '%' }]],
		['Use a batter of 1:6.', [{ kind: 'ratio', value: 1 / 6, upTo: 1 / 6, unit: '' }]],
		['It took four weekends.', [{ kind: 'time', value: 4, upTo: 4, unit: 'weekend' }]],
		['She builds 2.5 square metres.', [{ kind: 'measure', value: 2.5, upTo: 2.5, unit: 'm²' }]],
		['It was built in 1840.', [{ kind: 'year', value: 1840, upTo: 1840, unit: '' }]],
		['No figure here.', []]
	])('reads “%s”', (sentence, expected) => {
		expect(quantitiesOf(sentence)).toMatchObject(expected);
	});
});

describe('shape and length', () => {
	it('gives quartiles by linear interpolation', () => {
		expect(quantileOf([1, 2, 3, 4], 0.25)).toBe(1.75);
		expect(() => quantileOf([], 0.5)).toThrow(RangeError);
	});

	it('measures every counted page once for every measure', () => {
		for (const { pages } of findings.shape) expect(pages).toHaveLength(works.length);
		expect(findings.shape.find(({ id }) => id === 'words')).toMatchObject({ max: 2049 });
	});

	it('takes the length from the evidence when none is given', () => {
		expect(lengthOfEvidence([])).toBe(1200);
		expect(
			assembleFindings(works, [], { ...OPTIONS, targetWords: null }).targetWords
		).toBeGreaterThan(700);
	});
});

describe('what the brief settles', () => {
	it('brings other secondary phrases along where a page uses them', () => {
		const { terms } = assembleFindings(works, [], {
			...OPTIONS,
			secondary: ['clay', 'Gabion baskets', 'hearting']
		});
		expect(term('clay')).toBeUndefined();
		expect(terms.find(({ key }) => key === 'clay')!.uses.length).toBeGreaterThan(0);
		expect(terms.some(({ phrase }) => /gabion/.test(phrase))).toBe(false);
		expect(terms.filter(({ key }) => key === 'hearting')).toHaveLength(1);
	});

	it('brings required phrases along as must terms, whether pages use them or not', () => {
		const required = [
			'Dry stone walling for beginners',
			'drystone footings',
			'ha-ha wall',
			'Throughstones'
		];
		const { terms } = assembleFindings(works, [], { ...OPTIONS, required });
		const find = (phrase: string) => terms.find((term) => term.phrase === phrase)!;
		for (const phrase of required) expect(find(phrase.toLowerCase()).weight).toBe('must');
		// no page speaks of it, so it is wanted once or twice and nowhere in particular
		expect(find('ha-ha wall')).toMatchObject({ min: 1, max: 2, uses: [], position: 0 });
		// what pages use anyway keeps what was counted on them
		const throughs = findings.terms.find(({ key }) => key === 'throughstone')!;
		expect(find('throughstones').uses).toEqual(throughs.uses);
		expect(new Set(terms.map(({ key }) => key)).size).toBe(terms.length);
	});

	it('takes a shorter length for a supporting article, unless one is given', () => {
		const lengthFor = (effort: 'pillar' | 'supporting', targetWords: number | null) =>
			assembleFindings(works, [], { ...OPTIONS, targetWords, effort }).targetWords;
		expect(lengthFor('supporting', null)).toBeLessThan(lengthFor('pillar', null));
		expect(lengthFor('supporting', 1800)).toBe(1800);
	});
});
