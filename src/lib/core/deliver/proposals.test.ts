import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Link } from '../clients';
import {
	docOf,
	docText,
	gap,
	heading,
	list,
	markedText,
	paragraph,
	quote,
	table,
	textNode,
	type TakeDoc
} from '../manuscript';
import { newSection } from '../plan';
import type { Claim } from '../proof';
import { wordsOf } from '../text';
import { planOf } from '../../../../tests/support/plans';
import { NO_DELIVERY_CHOICES } from './choices';
import { foundForOf, readFoundQueries } from './found-queries';
import { lineOf } from './head-proposals';
import { linkOffersOf, standingLinksOf, withLink, withoutLinksTo } from './link-offers';
import { makeArticle } from './make-article';
import { openPointsOf } from './open-points';
import { NO_REFERENCES, referencesOf } from './references';
import { clockOf, scriptChapters, scriptOf, scriptRows, scriptSrt, spokenOf } from './script';
import { stepsOf } from './steps';
import { structuredDataOf } from './structured-data';
import { takeawaysOf } from './takeaways';

const said = (text: string) => paragraph(textNode(text));
const article = (doc: TakeDoc, choices = NO_DELIVERY_CHOICES) =>
	makeArticle(doc, {
		head: {
			title: 'Walls',
			titleTag: 'Walls',
			description: 'About walls.',
			slug: 'walls',
			keyword: 'how to build a dry stone wall',
			language: 'en-GB',
			author: '',
			publisher: '',
			publishedOn: '',
			changedOn: '',
			address: ''
		},
		choices,
		takeaways: [],
		references: NO_REFERENCES,
		remarks: [],
		furtherReading: [],
		pictures: new Map()
	});

describe('links that are proposed', () => {
	const links: Link[] = [
		{ phrase: 'walling hammer', address: 'https://shop.example/hammer' },
		{ phrase: 'hammer', address: 'https://shop.example/any-hammer' },
		{ phrase: 'batter frame', address: '/frames' },
		{ phrase: 'Fellgate', address: '/about' },
		{ phrase: 'string line', address: '/line/' }
	];
	const offersIn = (...blocks: TakeDoc['content']) =>
		linkOffersOf(docOf(blocks), links, '/walls').map(({ words, address }) => [words, address]);

	it('take the longest phrase, a plural, and each address once, one in a paragraph', () => {
		expect(
			offersIn(
				heading(2, 'The walling hammer'),
				said('A walling hammer and two batter frames.'),
				said('Batter frames again, and a walling hammer.'),
				said('Any hammer will do, with a string line.')
			)
		).toEqual([
			['walling hammer', 'https://shop.example/hammer'],
			['Batter frames', '/frames'],
			['string line', '/line/']
		]);
	});

	it('leave headings, quotations, gaps, links and longer names alone', () => {
		expect(
			offersIn(
				heading(2, 'A batter frame'),
				quote(said('A batter frame.')),
				gap('Which batter frame?'),
				paragraph(
					markedText('batter frame', [{ type: 'link', attrs: { href: 'https://x.example' } }])
				),
				said('We like Fellgate Tools, and Old Fellgate too.'),
				said('A sledge-hammer, and batter. Frame it.')
			)
		).toEqual([]);
		expect(offersIn(said('At last Fellgate makes them.'))).toEqual([['Fellgate', '/about']]);
	});

	it('never lead to the article itself, to what is linked already, or to what is not wanted', () => {
		const doc = docOf([
			paragraph(
				markedText('there', [{ type: 'link', attrs: { href: 'https://www.shop.example/hammer/' } }])
			),
			said('A walling hammer.'),
			said('A string line.'),
			said('A batter frame.')
		]);
		const offers = linkOffersOf(doc, links, '/frames', new Set(['/line']));
		expect(offers.map(({ address }) => address)).toEqual([]);
		expect(standingLinksOf(doc)).toHaveLength(1);
	});

	it('are set on exactly their words, keep every other word and format, and go again', () => {
		const words = ['stone', 'walling hammer', 'batter frame', 'string line', 'cope'];
		const run = fc
			.tuple(fc.array(fc.constantFrom(...words), { minLength: 1, maxLength: 4 }), fc.boolean())
			.map(([texts, isBold]) =>
				markedText(`${texts.join(' ')} `, isBold ? [{ type: 'bold' }] : [])
			);
		const block = fc.oneof(
			fc.array(run, { minLength: 1, maxLength: 3 }).map((runs) => paragraph(...runs)),
			fc
				.array(fc.array(run, { minLength: 1, maxLength: 2 }), { minLength: 1, maxLength: 3 })
				.map((items) => list(false, items))
		);
		fc.assert(
			fc.property(fc.array(block, { minLength: 1, maxLength: 6 }), (blocks) => {
				const doc = docOf(blocks);
				const offers = linkOffersOf(doc, links, '');
				const linked = offers.reduce((now, offer) => withLink(now, offer, offer.address), doc);
				expect(linked.content.map(docText)).toEqual(doc.content.map(docText));
				expect(standingLinksOf(linked).map((link) => [link.words, link.address])).toEqual(
					offers.map((offer) => [offer.words, offer.address])
				);
				expect(new Set(offers.map(({ block: at }) => at)).size).toBe(offers.length);
				const bare = offers.reduce((now, { address }) => withoutLinksTo(now, address), linked);
				expect(bare.content.map(docText)).toEqual(doc.content.map(docText));
				expect(standingLinksOf(bare)).toEqual([]);
				const taken = new Set(offers.map(({ address }) => address));
				expect(linkOffersOf(linked, links, '').filter(({ address }) => taken.has(address))).toEqual(
					[]
				);
			})
		);
	});
});

describe('references', () => {
	const claimOf = (block: number, quoted: string, sentence: string, sources: string[]): Claim => ({
		place: {
			block,
			start: sentence.indexOf(quoted),
			end: sentence.indexOf(quoted) + quoted.length
		},
		quote: quoted,
		sentence,
		backing: sources.length > 0 ? 'backed' : 'no backing',
		same: sources.map((source) => ({ source, text: 'It says so.', value: '' })),
		other: []
	});
	const doc = docOf([said('Dig 60 cm deep. It took nine days.'), said('The wall is 90 cm high.')]);
	const sources = [
		{ id: 'n1', name: 'Interview', address: '' },
		{ id: 'p1', name: 'Hillfoot', address: 'https://hillfoot.example/' }
	];
	const claims = [
		claimOf(1, '90 cm', 'The wall is 90 cm high.', ['p1']),
		claimOf(0, '60 cm', 'Dig 60 cm deep.', ['n2', 'n1']),
		claimOf(0, 'nine days', 'It took nine days.', [])
	];

	it('are numbered as they are first needed, from sources that may be told', () => {
		const found = referencesOf(doc, claims, sources);
		expect(found.references.map(({ number, name }) => [number, name])).toEqual([
			[1, 'Interview'],
			[2, 'Hillfoot']
		]);
		expect(found.places.get(0)).toEqual([{ at: 15, numbers: [1] }]);
		expect(found.places.get(1)).toEqual([{ at: 23, numbers: [2] }]);
		expect(referencesOf(doc, claims, []).references).toEqual([]);
	});

	it('stand once in a table for each source, at its last place', () => {
		const rows = docOf([
			table(
				[
					[[textNode('Kit A')], [textNode('5 lb')]],
					[[textNode('Kit B')], [textNode('9 lb')]]
				],
				false
			)
		]);
		const at = (quoted: string): Claim => {
			const start = docText(rows.content[0]!).indexOf(quoted);
			return {
				...claimOf(0, quoted, quoted, ['n1']),
				place: { block: 0, start, end: start + quoted.length }
			};
		};
		const found = referencesOf(rows, [at('5 lb'), at('9 lb')], sources);
		expect(found.places.get(0)).toEqual([{ at: 21, numbers: [1] }]);
	});

	it('stand behind the stop as numbers, and before it as names', () => {
		const input = (references: 'footnotes' | 'in the text') =>
			makeArticle(doc, {
				head: { ...article(doc).head },
				choices: { ...NO_DELIVERY_CHOICES, references },
				takeaways: [],
				references: referencesOf(doc, claims, sources),
				remarks: [],
				furtherReading: [],
				pictures: new Map()
			}).blocks.find(({ kind }) => kind === 'paragraph');
		expect(input('footnotes')).toMatchObject({
			inlines: [
				{ text: 'Dig 60 cm deep.' },
				{ kind: 'cite', numbers: [1] },
				{ text: ' It took nine days.' }
			]
		});
		expect(input('in the text')).toMatchObject({
			inlines: [
				{ text: 'Dig 60 cm deep' },
				{ text: ' (Interview)' },
				{ text: '.' },
				{ text: ' It took nine days.' }
			]
		});
	});
});

describe('takeaways', () => {
	const doc = docOf([
		heading(1, 'Walls'),
		said('Opening words stand here.'),
		heading(2, 'Dig the trench'),
		said('It is hard work. The trench is 30 cm deep on firm ground. Rest often, and drink.'),
		heading(2, 'Lay the cope'),
		said('They come last. A heavy cope holds both faces of the wall together.')
	]);

	it('are sentences of the text that can stand alone, in order', () => {
		expect(takeawaysOf(article(doc).blocks, 'dry stone wall')).toEqual([
			'The trench is 30 cm deep on firm ground.',
			'A heavy cope holds both faces of the wall together.'
		]);
		expect(takeawaysOf(article(doc).blocks, 'dry stone wall', 1)).toHaveLength(1);
		expect(takeawaysOf([], 'dry stone wall')).toEqual([]);
	});
});

describe('structured data', () => {
	const steps = { ...newSection('a', 'Dig', 50), kind: 'steps' as const };
	const plan = planOf(steps, { ...steps, id: 'b' }, newSection('q', 'How deep?', 40));
	const doc = docOf([
		heading(1, 'Walls', 'top'),
		said('Opening.'),
		heading(2, 'Dig', 'a'),
		said('Dig down.'),
		heading(2, 'Lay', 'b'),
		said('Lay stones.'),
		heading(2, 'How deep is the trench?', 'q'),
		said('It is a spade deep.'),
		heading(3, 'And how wide?'),
		gap('Find out.')
	]);
	const made = article(doc);
	const data = structuredDataOf(made, {
		kinds: ['article', 'faq', 'howto'],
		steps: stepsOf(made.blocks, plan),
		addressOf: (file) => file
	});

	it('says what the article is, its answered questions and its steps', () => {
		expect(data).toMatchObject([
			{ '@type': 'Article', headline: 'Walls', wordCount: made.words },
			{
				'@type': 'FAQPage',
				mainEntity: [
					{
						name: 'How deep is the trench?',
						acceptedAnswer: { '@type': 'Answer', text: 'It is a spade deep.' }
					}
				]
			},
			{
				'@type': 'HowTo',
				step: [
					{ name: 'Dig', text: 'Dig down.' },
					{ name: 'Lay', text: 'Lay stones.' }
				]
			}
		]);
	});

	it('says nothing that the article is not', () => {
		const plainOnes = article(docOf([heading(1, 'Walls'), said('Only this.')]));
		const types = structuredDataOf(plainOnes, {
			kinds: ['article', 'faq', 'howto'],
			steps: stepsOf(plainOnes.blocks, null),
			addressOf: (file) => file
		}).map((one) => one['@type']);
		expect(types).toEqual(['Article']);
	});

	it('takes the entries of a numbered list for steps where no headings are', () => {
		const listed = article(
			docOf([
				heading(1, 'Walls'),
				list(true, [[textNode('Dig: a spade deep.')], [textNode('Lay.')], [textNode('Pack.')]])
			])
		);
		expect(stepsOf(listed.blocks, null).map(({ name }) => name)).toEqual(['Dig', 'Lay', 'Pack']);
	});
});

describe('a line on a results page', () => {
	const pages = [{ id: 'b', title: 'Dry stone wall: cost and tools' }];

	it('is measured, finds its keyword, and knows the title that it resembles', () => {
		const line = lineOf('Dry-stone wall: tools and cost', 'title', 'dry stone wall', pages);
		expect(line).toMatchObject({ keywordAt: 0, like: ['b'], isCut: false });
		expect(lineOf('What a dry stone wall wants', 'title', 'dry stone wall', pages)).toMatchObject({
			keywordAt: 2,
			like: []
		});
		expect(lineOf('w'.repeat(60), 'title', 'dry stone wall', pages).isCut).toBe(true);
	});
});

describe('a spoken script', () => {
	it.each([
		[
			'Dig 60–75 cm deep (on clay, 90 cm).',
			['Dig 60 to 75 centimetres deep, on clay, 90 centimetres.']
		],
		[
			'It costs £12.50 a tonne, approx. 3 t.',
			['It costs 12 pounds and 50 pence a tonne, about 3 tonnes.']
		],
		[
			'Boxes $92, tape $1,021, paper $1.50.',
			['Boxes 92 dollars, tape 1,021 dollars, paper 1 dollar and 50 cents.']
		],
		['Use gloves, e.g. leather ones.', ['Use gloves, for example, leather ones.']],
		[
			'A 1 m wide, 2.5 m long & 40% heavier block',
			['A 1 metre wide, 2.5 metres long and 40 percent heavier block.']
		],
		['It is 30 m² and 20 °C.', ['It is 30 square metres and 20 degrees Celsius.']],
		['Say it as it is in 5 words.', ['Say it as it is in 5 words.']]
	])('%s', (written, spoken) => expect(spokenOf(written)).toEqual(spoken));

	it('parts sentences that are too long for a breath', () => {
		const long =
			'The first course of stones goes into the trench with the long side into the wall; every stone after it sits on two and is held by two until the cope goes on at the end.';
		expect(spokenOf(long)).toEqual([
			'The first course of stones goes into the trench with the long side into the wall.',
			'Every stone after it sits on two and is held by two until the cope goes on at the end.'
		]);
	});

	const doc = docOf([
		heading(1, 'Walls & more'),
		said('A wall stands by its weight.'),
		heading(2, 'Dig <the> trench'),
		said('Dig 60 cm deep. Then rest.'),
		heading(3, 'On clay'),
		list(true, [[textNode('Dig deeper')], [textNode('Drain it')]])
	]);

	it('has moments from 0:00 whose times follow from words a minute', () => {
		const script = scriptOf(article(doc), 120);
		expect(script.moments.map(({ title, startMs }) => [title, startMs])).toEqual([
			['Walls & more', 0],
			['Dig <the> trench', 3000]
		]);
		expect(script.ms).toBe(Math.round((script.words / 120) * 60_000));
		let at = 0;
		for (const { sentences, startMs, endMs } of script.moments) {
			expect(startMs).toBe(at);
			for (const sentence of sentences) {
				expect(sentence.startMs).toBe(at);
				at = sentence.endMs;
			}
			expect(endMs).toBe(at);
		}
		expect(script.moments[1]!.sentences.map(({ text }) => text)).toEqual([
			'Dig <the> trench.',
			'Dig 60 centimetres deep.',
			'Then rest.',
			'On clay.',
			'First: Dig deeper.',
			'Second: Drain it.'
		]);
		expect(scriptOf(article(doc), 240).ms).toBe(Math.round(script.ms / 2));
	});

	it('passes over headings and questions that nothing is said under', () => {
		const thin = docOf([
			heading(1, 'Walls'),
			said('A wall stands by its weight.'),
			heading(2, 'Cost'),
			gap('What does it cost?'),
			heading(2, 'Questions'),
			heading(3, 'Does frost harm it?'),
			gap('Ask.'),
			heading(3, 'Is mortar needed?'),
			said('No.')
		]);
		const { moments } = scriptOf(article(thin), 120);
		expect(moments.map(({ sentences }) => sentences.map(({ text }) => text))).toEqual([
			['A wall stands by its weight.'],
			['Questions.', 'Is mortar needed?', 'No.']
		]);
	});

	it('prompts with the words that carry a sentence, the figure among them', () => {
		const lines = docOf([
			heading(1, 'Hens'),
			said(
				'“I would say that two square metres for each bird is right if they are shut in all day.”'
			),
			said('Chicken wire is for keeping chickens in, because a fox goes through it like paper.'),
			said(
				'A trench is filled before winter, when the ground is still soft enough, to a depth of 60 cm.'
			)
		]);
		expect(scriptOf(article(lines), 120).moments[0]!.prompts).toEqual([
			'two square metres for each bird',
			'Chicken wire is for keeping chickens in',
			'A trench is filled … depth of 60 centimetres'
		]);
	});

	it('leaves as subtitles, chapters and a table', () => {
		const script = scriptOf(article(doc), 120);
		expect(scriptChapters(script)).toMatch(
			/^WEBVTT\n\n1\n00:00:00\.000 --> 00:00:03\.000\nWalls &amp; more\n\n2\n00:00:03\.000 --> .*\nDig &lt;the&gt; trench\n/
		);
		expect(scriptSrt(script)).toMatch(
			/^1\n00:00:00,000 --> 00:00:03,000\nA wall stands by its weight\.\n\n2\n/
		);
		expect(scriptRows(script)[2]!.slice(0, 2)).toEqual(['0:03', 'Dig <the> trench']);
		expect(clockOf(3_725_000)).toBe('1:02:05');
	});
});

describe('before it goes', () => {
	const doc = docOf([heading(2, 'Dig the trench'), gap('How deep?')]);
	const input = {
		doc,
		marks: [],
		claims: [],
		head: { titleTag: 'Walls', description: 'About.' },
		article: { ...article(doc), words: 100 },
		targetWords: 0
	};

	it('names what is open and where, and nothing when nothing is', () => {
		expect(openPointsOf(input).map(({ text, at }) => [text, at])).toEqual([
			['A gap in “Dig the trench”', 'write'],
			['Nothing under “Dig the trench”', 'write']
		]);
		const whole = docOf([heading(2, 'Dig the trench'), heading(3, 'On clay'), said('All there.')]);
		expect(openPointsOf({ ...input, doc: whole, article: article(whole) })).toEqual([]);
		expect(
			openPointsOf({
				...input,
				marks: null,
				head: { titleTag: '', description: '' },
				targetWords: 900
			}).map(({ id }) => id)
		).toEqual(['gaps', 'empty', 'unread', 'title', 'description', 'short']);
	});
});

describe('what a page is found for', () => {
	it('is read from any columns in any order', () => {
		const { queries, rejected } = readFoundQueries(
			'Report of a month\n\nPosition;Top queries;Clicks;Impressions\n3,4;dry stone wall;1.300;4500\n;;1;2\n12;dry stone wall;9;9\n'
		);
		expect(queries).toEqual([
			{ query: 'dry stone wall', clicks: 1300, impressions: 4500, position: 3.4 }
		]);
		expect(rejected).toHaveLength(1);
		expect(readFoundQueries('one\ntwo\n').queries.map(({ query }) => query)).toEqual([
			'one',
			'two'
		]);
	});

	it('tells terms and questions that are found from those that are missing', () => {
		const found = foundForOf(
			[
				{ query: 'dry stone wall cost', clicks: 5, impressions: 9, position: 3 },
				{ query: 'how deep is a trench', clicks: 8, impressions: 9, position: 2 }
			],
			{
				terms: [{ phrase: 'wall cost' }, { phrase: 'hearting' }] as never,
				questions: [{ text: 'How deep is the trench?' }, { text: 'Who built it?' }] as never
			},
			'A dry stone wall has a trench this deep.'
		);
		expect(found.terms.map(({ phrase }) => phrase)).toEqual(['wall cost']);
		expect(found.missingTerms).toEqual(['hearting']);
		expect(found.questions.map(({ text }) => text)).toEqual(['How deep is the trench?']);
		expect(found.missingQuestions).toEqual(['Who built it?']);
		expect(found.beyond.map(({ query }) => query)).toEqual(['dry stone wall cost']);
	});
});

describe('words of links', () => {
	it('never are a part of a word', () => {
		const doc = docOf([said('Stringline string lines stringy line string.')]);
		const [offer] = linkOffersOf(doc, [{ phrase: 'string line', address: '/l' }], '');
		expect(wordsOf(offer!.words).map(({ text }) => text)).toEqual(['string', 'lines']);
	});
});
