import { beforeAll, describe, expect, it } from 'vitest';
import { demoFindings, demoTagger, type DemoEvidence } from '../../../../tests/support/demo';
import { keptBlocksOf, readText } from '../pages';
import { assembleFindings, type Findings } from './findings';
import { findLongPhrases } from './terms';
import { topicMatterOf } from './topic-matter';
import { workOnPage, type PageWork, namedBodiesIn } from '../reading';
import { jobAnalysis } from '../../../../tests/support/job-analysis';

let demo: DemoEvidence;
let works: PageWork[];
beforeAll(() => {
	demo = demoFindings();
	works = demo.pages.map(({ work }) => work);
}, 60_000);

const KEYWORD = 'pruning apple trees';
let made = 0;
const work = (text: string, more: { isNote?: boolean; date?: string } = {}): PageWork => {
	const article = readText(text, 'page');
	return workOnPage(
		{
			id: `p${++made}`,
			title: article.title,
			description: '',
			siteNames: [],
			blocks: keptBlocksOf(article),
			links: 0,
			...more
		},
		demoTagger()
	);
};
const find = (pages: PageWork[], notes: PageWork[] = [], more = {}): Findings =>
	assembleFindings(pages, notes, { keyword: KEYWORD, targetWords: 1000, asked: [], ...more });

describe('figures of one quantity', () => {
	const grouped = (...sentences: string[]) =>
		find(sentences.map((text) => work(`# Pruning\n\n${text}`))).figures;

	it('stand together across units, with their spread, and differ beyond a tenth', () => {
		const [figure] = grouped(
			'The pruning cut should be 6 inches above the fork.',
			'Make the pruning cut 30 cm above the fork.'
		);
		expect(figure).toMatchObject({ agreement: 'differs', sources: expect.any(Array) });
		expect(figure!.values).toHaveLength(2);
		expect(figure!.high / figure!.low).toBeCloseTo(30 / 15.24, 3);
	});

	it('agree where they overlap, an “at least” being open upwards', () => {
		const agreement = (a: string, b: string) =>
			grouped(`Leave ${a} of spur growth.`, `Leave ${b} of spur growth.`)[0]!.agreement;
		expect(agreement('10 to 15 cm', '12 cm')).toBe('agrees');
		expect(agreement('at least 10 cm', '14 cm')).toBe('agrees');
		expect(agreement('10 cm', '14 cm')).toBe('differs');
		expect(agreement('up to 20 cm', '14 cm')).toBe('agrees');
	});

	it('contradict each other only where the sentences plainly speak of one thing', () => {
		const [walls] = grouped('Ours was 1.2 m high.', 'My own is 60 cm high.');
		expect(walls).toMatchObject({ agreement: 'mixed', label: 'height' });
		const [cost] = grouped('Pruning saws cost £30.', 'A pruning saw will cost you £45.');
		expect(cost!.agreement).toBe('differs');
	});

	it('are never named after words that everybody uses all day', () => {
		const [figure] = grouped('It takes and keeps 4 kg, they say.', 'It took and kept 5 kg of it.');
		expect(figure).toMatchObject({ label: '' });
	});

	it('of a list go each with its own words', () => {
		const figures = grouped(
			'Beeswax melts at 62 °C, tallow at 45 °C and lard at 35 °C.',
			'Use tallow, which melts at 46 °C.',
			'Take lard, which melts at 34 °C.'
		);
		const together = figures.filter(({ sources }) => sources.length > 1);
		expect(together.map(({ low, high }) => `${low}–${high}`).sort()).toEqual(['34–35', '45–46']);
	});

	it('never hold a depth and a width, nor two figures of one sentence', () => {
		expect(
			grouped('Dig the hole 30 cm deep for the tree.', 'Dig the hole 60 cm wide for the tree.')
		).toHaveLength(2);
		expect(grouped('Dig the hole 30 cm this way and 60 cm that way.')).toHaveLength(2);
	});

	it('know their origin and age', () => {
		const findings = find(
			[work('# Pruning\n\nA pruning saw costs £30 here.', { date: '2019-03-01' })],
			[work('# Notes\n\nA pruning saw costs £45 here.', { isNote: true })]
		);
		const figure = findings.figures.find(({ values }) => values.length === 2)!;
		expect(figure.values.map(({ origin }) => origin).sort()).toEqual(['note', 'page']);
		expect(figure.onlyNotes).toBe(false);
		const page = findings.facts.find(({ origin }) => origin === 'page')!;
		expect(page.year).toBe(2019);
	});

	it('of a table keep their row, which says what they are', () => {
		const findings = find([work('# Pruning\n\n| tool | price |\n| --- | --- |\n| saw | £30 |')]);
		expect(findings.facts.map(({ text }) => text)).toContain('saw · price £30');
	});
});

describe('named bodies', () => {
	it.each([
		['Ask the Fellgate Walling Guild first.', ['Fellgate Walling Guild']],
		['The Orchard Act 1990 forbids it.', ['Orchard Act 1990']],
		['The University of Ravensholme tried it.', ['University of Ravensholme']],
		['Ask your council.', []],
		['In order to prune, wait.', []]
	])('in “%s”', (sentence, names) => {
		expect(namedBodiesIn(sentence)).toEqual(names);
	});
});

describe('what nobody asks or covers', () => {
	it('proposes questions that pages answer, and none that is asked', () => {
		const pages = [
			work(
				'# Pruning apple trees\n\nA spur is a short side branch that bears fruit every year. Cut back to a spur, for the spur bears the apples.'
			),
			work(
				'# Apple trees\n\nLeave each spur alone in its first year. The spur needs light, and a crowded spur rots.'
			)
		];
		const [first] = find(pages).followUps;
		expect(first).toMatchObject({ text: 'What is a spur?', sources: [pages[0]!.id] });
		expect(first!.answers[0]!.text).toMatch(/^A spur is/);
		const asked = find(pages, [], { asked: [{ text: 'What is a spur?', source: 'list' }] });
		expect(asked.followUps).toEqual([]);
	});

	it('marks topics and terms that only notes bring, and lets no term of theirs among the pages’', () => {
		const pages = [
			work('# Pruning apple trees\n\n## When to prune\n\nPrune in winter, when the sap is down.')
		];
		const note = work(
			'# Visit\n\n## The canker in the bottom row\n\nThe bark canker had reached nine trees of the row and the bark canker spread from there to the hedge, so that we cut it out with a knife and burnt it.',
			{ isNote: true }
		);
		const findings = find(pages, [note]);
		expect(findings.ownTopics.map(({ label }) => label)).toEqual(['The canker in the bottom row']);
		expect(findings.noteTerms.map(({ phrase }) => phrase)).toContain('bark canker');
		expect(findings.terms.map(({ phrase }) => phrase)).not.toContain('bark canker');
	});

	it('brings what is searched for and has no heading, and questions with their searches', () => {
		const pages = [work('# Pruning apple trees\n\n## When to prune\n\nIn winter.')];
		const listed = [
			{ phrase: 'pruning espalier apple trees', volume: 900 },
			{ phrase: 'when to prune apple trees', volume: 500 },
			{ phrase: 'apple tree pruning', volume: 10 }
		];
		const findings = find(pages, [], { listed });
		expect(findings.ownTopics).toMatchObject([
			{ label: 'pruning espalier apple trees', volume: 900 }
		]);
		expect(findings.questions[0]).toMatchObject({
			text: 'When to prune apple trees?',
			volume: 500
		});
	});

	it('hears questions in a transcript, and not every question mark', () => {
		const spoken = work('So when do you prune an old apple tree? Right? In winter.', {
			isNote: true
		});
		expect(find([], [spoken]).questions.map(({ text }) => text)).toEqual([
			'When do you prune an old apple tree?'
		]);
	});
});

describe('terms that the notes use too', () => {
	it('need one page only, others two', () => {
		const pages = [
			'Cut with a pruning saw. The canker knife stays sharp.',
			'Cut with a pruning saw. A ladder helps.',
			'Cut with a pruning saw and rest.',
			'Cut with a pruning saw in winter.'
		].map((text) => work(`# Pruning\n\n${text}`));
		const keys = (notes: PageWork[]) => find(pages, notes).terms.map(({ key }) => key);
		const mine = [work('The canker knife is mine.', { isNote: true })];
		expect(keys([])).toContain('pruning saw');
		expect(keys([])).not.toContain('canker knife');
		expect(keys(mine)).toContain('canker knife');
		expect(keys(mine)).not.toContain('ladder');
	});
});

describe('findLongPhrases', () => {
	it('gives wordings of the keyword that pages and lists really use, most searched first', () => {
		const phrases = findLongPhrases(
			works,
			demo.findings.terms,
			demo.findings.questions,
			[{ phrase: 'how to build a dry stone wall on a slope', volume: 110 }],
			demo.findings.keyword
		);
		expect(phrases[0]).toMatchObject({
			phrase: 'how to build a dry stone wall on a slope',
			volume: 110,
			isListed: true
		});
		const used = phrases.filter(({ pages }) => pages.length > 0);
		expect(used.length).toBeGreaterThan(5);
		const keys = new Set(demo.findings.terms.map(({ phrase }) => phrase));
		for (const { phrase } of phrases) expect(keys.has(phrase)).toBe(false);
	});
});

describe('questions', () => {
	it('of one matter stand apart when they ask when, how long and how often', () => {
		const asked = ['When should I oil pruning knives?', 'How often should I oil a pruning knife?'];
		const { questions } = find([], [], {
			asked: [...asked, 'how often do I oil pruning knives'].map((text) => ({ text, source: 'a' }))
		});
		expect(questions.map(({ wordings }) => wordings.length).sort()).toEqual([1, 2]);
	});
});

describe('topicMatterOf', () => {
	it('lists the questions that ask about the topic, not all that its pages happen to answer', () => {
		const questionsOf = (heading: string) => {
			const topic = demo.findings.topics.find(({ headings }) =>
				headings.some(({ text }) => text === heading)
			)!;
			return topicMatterOf(topic, demo.findings).questions.map(
				(id) => demo.findings.questions.find((question) => question.id === id)!.text
			);
		};
		const permission = questionsOf('Do you need permission?');
		expect(permission).toContain('Do I need planning permission for a dry stone wall?');
		for (const text of permission) expect(text).toMatch(/permission/);
		expect(questionsOf('Lay the footings').join()).not.toMatch(/hammer|hard/);
	});

	it('gives a topic the terms, questions and figures of its own sections', () => {
		const topic = demo.findings.topics.find(({ headings }) =>
			headings.some(({ text }) => text === 'Set the throughstones')
		)!;
		const matter = topicMatterOf(topic, demo.findings);
		expect(matter.terms.slice(0, 2)).toContain('throughstone');
		expect(matter.figures.length).toBeGreaterThan(0);
		const here = new Set(topic.headings.map(({ page, section }) => `${page} ${section}`));
		for (const { values } of matter.figures)
			expect(
				values.some(({ fact }) => {
					const { source, section } = demo.findings.facts.find(({ id }) => id === fact)!;
					return here.has(`${source} ${section}`);
				})
			).toBe(true);
	});
});

describe('facts of data that belongs to one page', () => {
	const card =
		'# Bread\n\n## Ingredients\n\n- 500 g flour\n- 2 tsp. salt\n- 300 ml water\n\n## Method\n\nBake the bread for 40 minutes.';

	it('are one for a list of amounts, and its figures are compared with nothing', () => {
		const findings = find([work(card), work(card)]);
		const listed = findings.facts.filter(({ text }) => text.includes('flour'));
		expect(listed.map(({ text }) => text)).toEqual(
			Array(2).fill('500 g flour · 2 tsp. salt · 300 ml water')
		);
		expect(findings.figures.map(({ unit }) => unit)).toEqual(['minute']);
	});
});

describe('what belongs to a page', () => {
	it('is no figure: its table of nutrition, line by line', () => {
		const card = (fat: number) =>
			`# Soup\n\n## Nutrition\n\n- Saturated fat: ${fat} g | 3%\n- Protein ${fat + 9} g per serving\n\n## Cook it\n\nSimmer the leek soup for ${fat + 10} minutes.`;
		const findings = find([work(card(1)), work(card(5))]);
		expect(findings.figures.map(({ unit }) => unit)).toEqual(['minute']);
		// a sentence that speaks of it is one
		const said = find([
			work('# Soup\n\nA bowl of leek soup has 9 g of protein.'),
			work('# Soup\n\nA bowl of leek soup holds 14 g of protein.')
		]);
		expect(said.figures.map(({ unit }) => unit)).toEqual(['g']);
	});

	it('is no topic: buttons, cards and lists of other posts in its headings', () => {
		const page = (text: string) =>
			work(
				`# Leek soup\n\n## Ingredients 1x2x3x\n\n- leeks\n- stock\n\n## Recipe\n\n${text}\n\n## Clean the leeks\n\nGrit hides in the leaves of leeks, so rinse them twice.`
			);
		const labels = find([page('Cook it.'), page('Cook this.')]).topics.map(({ label }) => label);
		expect(labels).toEqual(['Clean the leeks']);
	});
});

describe('labels of figures', () => {
	const labelsOf = (...pages: string[]) =>
		find(pages.map((page) => work(page))).figures.map(({ label }) => label);

	it('are a stretch of words that stands so on a page, and the heading where no word names a thing', () => {
		const findings = find([
			work('# Apple trees\n\n## Watering\n\nGive the young espalier tree 10 litres a week.'),
			work('# Apple trees\n\n## Care\n\nA young espalier tree takes 12 litres a week.'),
			work('# Apple trees\n\n## Frost\n\nCover it below 4 °C at once.'),
			work('# Apple trees\n\n## In frost\n\nCover it below 2 °C.')
		]);
		const labels = findings.figures.map(({ label }) => label);
		expect(labels).toContain('espalier tree');
		expect(labels).toContain('frost');
	});

	it('say the heading beside a word that is left alone, unless it asks or tells', () => {
		expect(
			labelsOf(
				'# Sheds\n\n## Running costs\n\nThe electricity is £40 a year.',
				'# Sheds\n\n## Running costs\n\nThe electricity came to £55 a year.'
			)
		).toEqual(['electricity (running costs)']);
		expect(
			labelsOf(
				'# Sheds\n\n## What did we pay?\n\nThe electricity is £40 a year.',
				'# Sheds\n\n## Work it out\n\nThe electricity came to £55 a year.'
			)
		).toEqual(['electricity']);
	});

	it('name what a heading tells to do something to', () => {
		expect(
			labelsOf(
				'# Walls\n\n## Dig the trench\n\nIn clay that was 20 cm.\n\n## Set out\n\nThe trench is straight.',
				'# Walls\n\n## Dig the trench\n\nIn clay that is 25 cm.\n\n## Set out\n\nOur trench was not.'
			)
		).toEqual(['clay (trench)']);
	});

	it('are never the same for two figures', () => {
		const labels = labelsOf(
			'# Stone\n\n## Sandstone\n\nThe sandstone came to 7 tonnes and cost £95.\n\n## Order the stone\n\nThe quarry sells sandstone at £700 a lorry.',
			'# Stone\n\n## Sandstone\n\nOur sandstone came to 8 tonnes and cost £99.\n\n## Order the stone\n\nA quarry near us had sandstone at £800 a lorry.'
		);
		expect(labels).toHaveLength(3);
		expect(labels).toEqual(expect.arrayContaining(['sandstone: weight', 'sandstone: cost']));
		expect(new Set(labels).size).toBe(labels.length);
		// the costs of a load, of several machines, on pages and in notes
		const told = jobAnalysis('dehumidifier')
			.findings.figures.map(({ label }) => label)
			.filter(Boolean);
		expect(told.length).toBeGreaterThan(20);
		expect(new Set(told).size).toBe(told.length);
	});

	it('begin with no unit of the figure before them, and are no months', () => {
		expect(
			labelsOf(
				'# Washing\n\n## March\n\nA 7 kg load takes 2 litres of water.',
				'# Washing\n\n## March\n\nThe 5 kg load holds 3 litres of water.'
			).join()
		).not.toMatch(/kg|march/);
	});
});
