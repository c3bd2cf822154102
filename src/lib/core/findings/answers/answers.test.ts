import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { demoTagger } from '../../../../../tests/support/demo';
import { stemVectors } from '../../../../../scripts/core/meaning';
import { blocksOfUnits, readNoteUnits } from '../../notes';
import { keptBlocksOf, readText } from '../../pages';
import { workOnPage, type PageWork } from '../../reading';
import { answerRef, judgeAnswer, NO_EDITS } from '../edits';
import { findQuestions, questionRef, type Question } from '../questions';
import { holdsWanted, wantedBy } from './wanted';

const KEYWORD = 'how to keep bees in a garden';

/** Notes as they are kept: jottings, labels, rows, headings that say what the lines below are about. */
const OWN = `# bees – own notes

## Money
- hive £180–240 new, second hand about half
- suit £60, smoker £25
club fee £38 a year incl. insurance

## Feeding
How much: 2 l syrup per colony in autumn, none while the supers are on
- fondant in January, only if the hive feels light

## Stings
limping dog? rinse, ice, vet if the face swells
smoke = bees fill up on honey, slower to sting

queen excluder: a grid the queen can't pass
Swarming – May and June, every 7 days you have to look
inspections take me 25 minutes a hive`;

const PAGE = `# Keeping bees

## What does a hive cost?

A new hive costs £200 to £300. Second-hand hives are half of that.

## How often should you inspect?

Inspect every seven days from April to July. In winter leave the hive closed.

## Do bees need water?

Yes. Put a shallow dish with stones near the hive, and never let it dry out.`;

const note = (text: string, id = 'n1'): PageWork =>
	workOnPage(
		{
			id,
			title: 'notes',
			description: '',
			siteNames: [],
			blocks: blocksOfUnits(readNoteUnits({ kind: 'note', name: 'notes', text })).map(
				({ block }) => block
			),
			links: 0,
			isNote: true
		},
		demoTagger()
	);
const page = (text: string, id = 'p1'): PageWork =>
	workOnPage(
		{
			id,
			title: 'Keeping bees',
			description: '',
			siteNames: [],
			blocks: keptBlocksOf(readText(text, 'page')),
			links: 0
		},
		demoTagger()
	);

const ask = (
	questions: readonly string[],
	{
		notes = [note(OWN)],
		pages = [page(PAGE)],
		edits = NO_EDITS,
		vectors = stemVectors() as ReturnType<typeof stemVectors> | null,
		keyword = KEYWORD
	} = {}
): Question[] => {
	const asked = questions.map((text) => ({ text, source: 'list' }));
	const found = findQuestions(pages, notes, asked, keyword, { edits, vectors }).questions;
	return questions.map((text) =>
		found.find(({ wordings }) => wordings.some((one) => one === text))!
	);
};
const one = (question: string, more: Parameters<typeof ask>[1] = {}) => ask([question], more)[0]!;
const ofNotes = ({ answers }: Question) => answers.filter(({ source }) => source === 'n1');

describe('what a question wants', () => {
	it.each([
		['How much does a hive cost?', 'price'],
		['Is it cheaper to buy or to build?', 'price'],
		['How much should I spend on a suit?', 'price'],
		['How long does an inspection take?', 'duration'],
		['How soon can I harvest?', 'duration'],
		['How often should I inspect?', 'frequency'],
		['When do bees swarm?', 'moment'],
		['What is the best time to feed?', 'moment'],
		['How many hives fit in a garden?', 'amount'],
		['How deep should the stand be?', 'size'],
		['What size hive do I need?', 'size'],
		['Why do bees swarm?', 'reason'],
		['Where should I put the hive?', 'place'],
		['Which hive is best?', 'choice'],
		['Wooden or plastic hive for a beginner?', 'choice'],
		['What is a queen excluder?', 'definition'],
		['Can you keep one hive?', 'verdict'],
		['How hard is it to keep bees?', 'effort'],
		['Is keeping bees hard?', 'effort'],
		['Is it difficult to find the queen?', 'effort'],
		['Is the wax hard?', 'verdict'],
		['How do I light a smoker?', 'way']
	])('%s: %s', (question, kind) => {
		expect(wantedBy(question).kind).toBe(kind);
	});

	it('is held or lacked by a text', () => {
		const holds = (question: string, text: string) => holdsWanted(wantedBy(question), text);
		expect(holds('How long does it take?', 'It takes two weeks at least.')).toBe(1);
		expect(holds('How long does it take?', 'Red and white clover, 60% of it.')).toBe(0);
		expect(holds('How long does it take?', 'Count them by post, twice a year.')).toBe(0);
		expect(holds('How long does it take?', 'Every two weeks, for three months.')).toBe(1);
		expect(holds('How often?', 'Every two weeks.')).toBe(1);
		expect(holds('How much does it cost?', 'about 40 quid')).toBe(1);
		expect(holds('How much does it cost?', 'about 40 frames')).toBe(0);
		expect(holds('How deep should it be?', '15 cm into firm soil')).toBe(1);
		expect(holds('How deep should it be?', 'it weighs 15 kg')).toBe(0);
		expect(holds('How many frames are in a super?', 'ten frames')).toBe(1);
		expect(holds('How many frames are in a super?', 'ten days')).toBeLessThan(1);
		expect(holds('Is keeping bees hard?', 'A beginner learns it in one summer.')).toBe(1);
		expect(holds('Is keeping bees hard?', 'It is hard work in July.')).toBe(1);
		expect(holds('Is keeping bees hard?', 'Honey that sets hard is warmed in its jar.')).toBe(0);
		expect(holds('What is a skep?', 'Skep: a basket of straw.')).toBe(1);
		expect(holds('What is a skep?', 'It is a long way to the skep.')).toBeLessThan(1);
	});
});

describe('answers in notes', () => {
	it('are found by a label, by the heading of a jotting, and by what pages answer', () => {
		expect(ofNotes(one('What is a queen excluder?'))[0]?.text).toMatch(/a grid the queen/);
		expect(ofNotes(one('How much does a hive cost?'))[0]?.text).toMatch(/£180–240/);
		expect(ofNotes(one('How much syrup should I feed in autumn?'))[0]?.text).toMatch(/2 l syrup/);
		expect(ofNotes(one('How often should I inspect when they are swarming?'))[0]?.text).toMatch(
			/every 7 days/
		);
	});

	it('are claimed by words and kind, never by vectors', () => {
		const questions = [
			'What is a queen excluder?',
			'How much does a hive cost?',
			'How long does an inspection take?',
			'Can I keep bees on a balcony?',
			'Do bees need planning permission?',
			'Why do bees sting?'
		];
		const claimed = (vectors: ReturnType<typeof stemVectors> | null) =>
			ask(questions, { vectors }).map((found) => ofNotes(found).length > 0);
		expect(claimed(stemVectors())).toEqual(claimed(null));
		expect(claimed(null).slice(3, 5)).toEqual([false, false]);
	});

	it('without what is wanted are no answers: a cost without money, a time without time', () => {
		const found = one('How long does a smoker last?');
		expect(ofNotes(found)).toEqual([]);
	});

	it('are the same in any order of pages and notes, and every time', () => {
		const more = note('## Water\nbees need water: shallow dish, stones in it', 'n2');
		const asked = ['Do bees need water?', 'How much does a hive cost?'];
		const there = ask(asked, { notes: [note(OWN), more] });
		expect(ask(asked, { notes: [note(OWN), more] })).toEqual(there);
		expect(there[0]!.answers.map(({ source }) => source)).toEqual(['n2', 'p1']);
	});

	it('are not read out of what is never printed', () => {
		const secret = note(
			'# notes\n\nOff record: a hive costs him £90, from his brother\n\nto do: ask what a hive costs'
		);
		const found = one('How much does a hive cost?', { notes: [secret], pages: [] });
		expect([...found.answers, ...found.mayAnswer]).toEqual([]);
	});
});

describe('what may answer', () => {
	const question = 'Will a sting hurt my dog?';

	it('is offered, three at most, only where nothing is known to answer', () => {
		const found = one(question);
		expect(ofNotes(found)).toEqual([]);
		expect(found.mayAnswer.length).toBeGreaterThan(0);
		expect(found.mayAnswer.length).toBeLessThanOrEqual(3);
		expect(one('What is a queen excluder?').mayAnswer.some(({ source }) => source === 'n1')).toBe(
			false
		);
	});

	it('becomes an answer when it is confirmed, and goes when it is refused', () => {
		const [first] = one(question).mayAnswer;
		const refs = [questionRef(question)];
		const confirmed = judgeAnswer(NO_EDITS, refs, first!, true);
		expect(ofNotes(one(question, { edits: confirmed }))).toMatchObject([
			{ text: first!.text, by: 'writer' }
		]);
		const refused = judgeAnswer(confirmed, refs, first!, false);
		const after = one(question, { edits: refused });
		expect([...after.answers, ...after.mayAnswer].map(({ text }) => text)).not.toContain(
			first!.text
		);
		const back = judgeAnswer(refused, refs, first!, null);
		expect(back).toEqual(NO_EDITS);
	});

	it('stays confirmed with more pages, without vectors, and goes with its note', () => {
		const [first] = one(question).mayAnswer;
		const edits = judgeAnswer(NO_EDITS, [questionRef(question)], first!, true);
		const more = [page(PAGE), page(PAGE.replace(/hive/g, 'box'), 'p2')];
		expect(ofNotes(one(question, { edits, pages: more, vectors: null }))[0]?.by).toBe('writer');
		expect(one(question, { edits, notes: [] }).answers.some(({ by }) => by === 'writer')).toBe(
			false
		);
		expect(edits.answers[0]!.text).toBe(answerRef(first!.text));
	});

	it('a claimed answer can be refused too', () => {
		const asked = 'What is a queen excluder?';
		const [claimed] = ofNotes(one(asked));
		const edits = judgeAnswer(NO_EDITS, [questionRef(asked)], claimed!, false);
		expect(one(asked, { edits }).answers.map(({ text }) => text)).not.toContain(claimed!.text);
	});
});

describe('questions that notes bring', () => {
	it('are those a reader may ask, not those put to the person in the room', () => {
		const asked = note(
			'# Call with a keeper\n\nQ: And altitude?\nA: Below 500 m.\n\nQ: Which hive do you recommend?\nA: The wooden one.\n\nQ: How far do bees fly for food?\nA: Up to 3 km.'
		);
		const found = findQuestions([], [asked], [], KEYWORD).questions.map(({ text }) => text);
		expect(found).toEqual(['How far do bees fly for food?']);
	});
});

const JOBS = new URL('../../../../../tests/fixtures/jobs/', import.meta.url);

describe('on assignments that were not written for the rules', () => {
	it.each(['house-move', 'community-hall'])(
		'%s: most questions that the notes answer are claimed or offered, few others claimed',
		(job) => {
			const read = (path: string) => readFileSync(new URL(`${job}/${path}`, JOBS), 'utf8');
			const { gold, keyword, notes, pages, irrelevant } = JSON.parse(read('manifest.json')) as {
				keyword: string;
				notes: string[];
				pages: string[];
				irrelevant: string | string[];
				gold: { questions: { text: string; answered: string }[] };
			};
			const kept = pages.filter((path) => ![irrelevant].flat().includes(path));
			const found = ask(
				gold.questions.map(({ text }) => text),
				{
					keyword,
					notes: notes
						.filter((path) => path.endsWith('.md') || path.endsWith('.txt'))
						.map((path, i) => note(read(path), `n${i}`)),
					pages: kept.map((path) => page(read(path.replace(/\.html?$/, '.txt')), path))
				}
			);
			const isByNote = ({ source }: { readonly source: string }) => /^n\d$/.test(source);
			const known = found.filter((_, i) => gold.questions[i]!.answered.includes('notes'));
			const reached = known.filter(
				({ answers, mayAnswer }) => answers.some(isByNote) || mayAnswer.some(isByNote)
			);
			expect(reached.length / known.length).toBeGreaterThan(0.8);
			const open = found.filter((_, i) => gold.questions[i]!.answered === 'nowhere');
			expect(open.filter(({ answers }) => answers.some(isByNote)).length).toBeLessThanOrEqual(1);
		},
		60_000
	);
});
