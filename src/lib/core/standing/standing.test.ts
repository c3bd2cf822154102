import { beforeAll, describe, expect, it } from 'vitest';
import { demoFindings, type DemoEvidence } from '../../../../tests/support/demo';
import { draftArticle } from '../writers';
import { gradeOf } from '../text';
import { proposePlan, type Plan } from '../plan';
import { headOf, heading, paragraph, textNode, type TakeDoc } from '../manuscript';
import { indexRuns, readArticle, type RunIndex, docOfBlocks } from '../measure';
import { slipsOf } from './slips';
import { bandWorth, PART_WEIGHTS, scoreState, worthOfUses } from './score';
import { yardstickOf, termIndexOf, type Yardstick } from './yardstick';
import { nextBestMoves, standingWithMoves } from './moves';
import { standingOfPage } from './standing-of-page';
import { stateOf, type ArticleState } from './state';

let demo: DemoEvidence;
let plan: Plan;
let yardstick: Yardstick;
let runs: RunIndex;
let draft: TakeDoc;
let state: ArticleState;
const OPTIONS = { keyword: 'how to build a dry stone wall', targetWords: 1800, asked: [] };

const measure = (doc: TakeDoc) => readArticle(doc, { terms: termIndexOf(yardstick), runs });
/** The draft's state with another number of uses, each in a sentence. */
const withUses = (t: number, uses: number): ArticleState => ({
	...state,
	uses: Array.from(state.uses).with(t, uses),
	earned: Array.from(state.earned).with(t, uses)
});
const score = (doc: TakeDoc) =>
	scoreState(stateOf(measure(doc), plan, yardstick), yardstick).standing;

beforeAll(() => {
	demo = demoFindings();
	plan = proposePlan(demo.findings);
	yardstick = yardstickOf(demo.findings, plan);
	runs = indexRuns(demo.texts);
	draft = draftArticle({ plan, findings: demo.findings, notes: demo.notes, runs, pageNames: {} });
	state = stateOf(measure(draft), plan, yardstick);
}, 60_000);

describe('worthOfUses', () => {
	it('rises to the lower bound, stays, and falls past the upper', () => {
		expect([0, 1, 2, 4, 8].map((uses) => worthOfUses(uses, 2, 4))).toEqual([0, 0.5, 1, 1, 0.5]);
	});
});

describe('bandWorth', () => {
	it('falls to nought at half the lower and twice the upper bound', () => {
		expect([5, 7.5, 10, 20, 30, 40].map((value) => bandWorth(value, 10, 20))).toEqual([
			0, 0.5, 1, 1, 0.5, 0
		]);
		expect(bandWorth(0, 0, 0)).toBe(1);
	});
});

describe('scoreState', () => {
	it('weighs parts that sum to one, and stays within 0 and 100', () => {
		expect(Object.values(PART_WEIGHTS).reduce((a, b) => a + b)).toBeCloseTo(1, 9);
		const { standing, parts } = scoreState(state, yardstick);
		expect(standing).toBeGreaterThan(0);
		expect(standing).toBeLessThanOrEqual(100);
		for (const part of Object.values(parts)) {
			expect(part).toBeGreaterThanOrEqual(0);
			expect(part).toBeLessThanOrEqual(1);
		}
	});

	it('gives an empty article next to nothing', () => {
		expect(score({ type: 'doc', content: [{ type: 'paragraph' }] })).toBeLessThan(12);
	});

	it('never falls when an absent must term is placed once in its section', () => {
		const now = scoreState(state, yardstick).standing;
		for (const section of plan.sections) {
			for (const { term } of section.terms) {
				const t = yardstick.terms.findIndex(({ key, weight }) => key === term && weight === 'must');
				if (t < 0 || (state.uses[t] ?? 0) > 0) continue;
				const at = draft.content.findIndex((node) => headOf(node).section === section.id);
				const added = [...draft.content];
				added.splice(
					at + 1,
					0,
					paragraph(textNode(`Keep the ${yardstick.terms[t]!.phrase} in mind here.`))
				);
				expect(score({ type: 'doc', content: added }), term).toBeGreaterThanOrEqual(now - 1e-9);
			}
		}
	});

	it('never rises when a term is used once more past its upper bound', () => {
		yardstick.terms.forEach(({ max }, t) => {
			const at = (uses: number) => scoreState(withUses(t, uses), yardstick).standing;
			expect(at(max + 1)).toBeLessThanOrEqual(at(max) + 1e-9);
			expect(at(max + 2)).toBeLessThanOrEqual(at(max + 1) + 1e-9);
		});
	});

	it('never rewards a copied paragraph over the same terms in own words', () => {
		const copied = demo.pages[0]!.blocks.filter((block) => block.kind === 'paragraph').map(
			(block) => block.text
		);
		for (const text of copied.slice(0, 6)) {
			// the same words in another order share terms of one word and no run
			const shuffled = text.split(' ').reverse().join(' ');
			const withText = (added: string) =>
				stateOf(
					measure({ type: 'doc', content: [...draft.content, paragraph(textNode(added))] }),
					plan,
					yardstick
				);
			const [copy, own] = [withText(text), withText(shuffled)];
			expect(copy.closeWords).toBeGreaterThan(own.closeWords);
			expect(
				scoreState({ ...copy, closeWords: own.closeWords }, yardstick).standing
			).toBeGreaterThan(scoreState(copy, yardstick).standing);
		}
	});
});

describe('standingOfPage', () => {
	it('holds the demo draft above the median page, all by the same code', () => {
		const pages = demo.pages
			.map((page) => standingOfPage(page, demo.pages, demo.noteWorks, OPTIONS).standing)
			.sort((a, b) => a - b);
		expect(pages).toHaveLength(9);
		const median = (pages[2]! + pages[3]!) / 2;
		expect(scoreState(state, yardstick).standing).toBeGreaterThan(median);
		for (const standing of pages) expect(standing).toBeGreaterThan(10);
	}, 60_000);

	it('finds a page whose article is stored as a manuscript unchanged', () => {
		const blocks = demo.pages[0]!.blocks;
		expect(docOfBlocks(blocks).content.filter(({ type }) => type === 'heading')).toHaveLength(
			blocks.filter(({ kind }) => kind === 'heading' || kind === 'answer').length
		);
	});
});

describe('answered questions', () => {
	it('are not answered by a sentence that only holds the keyword’s own words', () => {
		const q = yardstick.questions.findIndex(
			({ text }) => text === 'How long does a dry stone wall last?'
		);
		const answeredBy = (text: string) =>
			stateOf(measure({ type: 'doc', content: [paragraph(textNode(text))] }), plan, yardstick)
				.answered[q];
		expect(q).toBeGreaterThanOrEqual(0);
		expect(answeredBy('A dry stone wall is made of stone and gravity and nothing else.')).toBe(
			false
		);
		expect(answeredBy('A sound dry stone wall lasts 150 years and more on firm ground.')).toBe(
			true
		);
	});
});

describe('nextBestMoves', () => {
	it('promises what scoring the changed state gives, best first', () => {
		const moves = nextBestMoves(state, yardstick, plan);
		expect(moves.length).toBeGreaterThan(3);
		expect(moves.map(({ gain }) => gain)).toEqual(
			moves.map(({ gain }) => gain).sort((a, b) => b - a)
		);
		const use = moves.find(({ kind, text }) => kind === 'use' && text.includes('once'))!;
		const phrase = /“(.+?)”/.exec(use.text)![1]!;
		const t = yardstick.terms.findIndex((term) => term.phrase === phrase);
		const changed = withUses(t, (state.uses[t] ?? 0) + 1);
		expect(
			scoreState(changed, yardstick).standing - scoreState(state, yardstick).standing
		).toBeLessThanOrEqual(use.gain + 1e-9);
	});
});

describe('moves together', () => {
	it('come to what scoring all their changes gives, and to no more than what is ticked', () => {
		const moves = nextBestMoves(state, yardstick, plan);
		const now = scoreState(state, yardstick).standing;
		expect(standingWithMoves(state, yardstick, plan, new Set())).toBeCloseTo(now, 9);
		const [first, second] = moves;
		expect(standingWithMoves(state, yardstick, plan, new Set([first!.id]))).toBeCloseTo(
			now + first!.gain,
			9
		);
		const both = standingWithMoves(state, yardstick, plan, new Set([first!.id, second!.id]));
		expect(both).toBeGreaterThanOrEqual(now + first!.gain - 1e-9);
	});

	it('name topics nobody treats where there is no plan', () => {
		const bare = yardstickOf(demo.findings, null);
		const empty = stateOf(measure({ type: 'doc', content: [] }), plan, bare);
		const topics = nextBestMoves(empty, bare, null).filter(({ kind }) => kind === 'topic');
		expect(topics.length).toBeGreaterThan(3);
		expect(topics[0]!.text).toMatch(/^write about “.+”$/);
	});
});

describe('slipsOf', () => {
	it('says what each section wants in deeds, and forgets what is placed', () => {
		const section = plan.sections.find(({ terms }) =>
			terms.some(({ term }) => term === 'foundation trench')
		)!;
		const wanted = section.terms.find(({ term }) => term === 'foundation trench')!.uses;
		const empty: TakeDoc = { type: 'doc', content: [heading(2, section.heading, section.id)] };
		const slip = (doc: TakeDoc) => {
			return slipsOf(plan, demo.findings, measure(doc), new Set()).find(
				(found) => found.section === section.id
			)!;
		};
		expect(slip(empty).terms.find(({ key }) => key === 'foundation trench')).toMatchObject({
			state: expect.stringMatching(/absent|placed/)
		});
		const written = slip({
			type: 'doc',
			content: [
				...empty.content,
				...Array.from({ length: wanted }, () =>
					paragraph(textNode('The foundation trench reaches firm subsoil.'))
				)
			]
		});
		expect(written.terms.find(({ key }) => key === 'foundation trench')).toMatchObject({
			state: 'placed',
			deed: ''
		});
		expect(written.words).toBe(6 * wanted);
	});

	it('tells which planned sections a manuscript lacks', () => {
		const slips = slipsOf(plan, demo.findings, measure({ type: 'doc', content: [] }), new Set());
		expect(slips.every(({ at }) => at === -1)).toBe(true);
	});
});

describe('what the brief settles', () => {
	it('holds clarity against the grade it names', () => {
		const at = (grade: number) =>
			scoreState(state, yardstickOf({ ...demo.findings, grade }, plan)).parts.clarity;
		const measured = Math.round(gradeOf(state.reading));
		expect(at(measured)).toBeGreaterThan(at(measured + 6));
	});

	it('does not ask a supporting article for the keyword in an H2, nor for ten questions', () => {
		const small = yardstickOf({ ...demo.findings, effort: 'supporting' }, plan);
		expect(small.questions.length).toBeLessThanOrEqual(4);
		const without = { ...state, keywordPlaces: { ...state.keywordPlaces, h2: false } };
		const loss = (held: Yardstick) =>
			scoreState({ ...state, keywordPlaces: { ...state.keywordPlaces, h2: true } }, held).standing -
			scoreState(without, held).standing;
		expect(loss(yardstick)).toBeGreaterThan(0);
		expect(loss(small)).toBe(0);
	});
});
