import { beforeAll, describe, expect, it } from 'vitest';
import { demoFindings, type DemoEvidence } from '../../../../tests/support/demo';
import { assembleFindings, type Findings } from './findings';
import {
	editTerm,
	findingEditsSchema,
	hasEdits,
	joinGroups,
	mergeTerms,
	nameGroup,
	NO_EDITS,
	partGroup,
	splitTerm,
	strikeGroup,
	type FindingEdits
} from './edits';
import { questionRef } from './questions';
import { usesInContext } from './terms';
import { type PageWork } from '../reading';

let demo: DemoEvidence;
let works: PageWork[];
const KEYWORD = 'how to build a dry stone wall';

beforeAll(() => {
	demo = demoFindings();
	works = demo.pages.map(({ work }) => work);
}, 60_000);

const find = (edits: FindingEdits, pages: readonly PageWork[] = works): Findings =>
	assembleFindings(pages, demo.noteWorks, {
		keyword: KEYWORD,
		targetWords: 1800,
		asked: [],
		edits
	});
const termOf = (findings: Findings, key: string) => findings.terms.find((term) => term.key === key);
const named = (findings: Findings, key: string) => {
	const { phrase } = termOf(findings, key)!;
	return { key, phrase };
};

describe('terms changed by hand', () => {
	it('go when struck out, are kept for bringing back, and come back whole', () => {
		const plain = find(NO_EDITS);
		const term = named(plain, 'hearting');
		const struck = editTerm(NO_EDITS, term, { isStruck: true });
		const without = find(struck);
		expect(termOf(without, 'hearting')).toBeUndefined();
		expect(without.struck.terms.map(({ key }) => key)).toEqual(['hearting']);
		const back = editTerm(struck, term, { isStruck: false });
		expect(hasEdits(back)).toBe(false);
		expect(find(back)).toEqual(plain);
	});

	it('never lose the exact keyword', () => {
		const edits = editTerm(
			NO_EDITS,
			{ key: 'how to build a dry stone wall', phrase: KEYWORD },
			{
				isStruck: true
			}
		);
		expect(find(edits).terms[0]!.phrase).toBe(KEYWORD);
	});

	it('keep weight, range, pin and own terms when pages come and go', () => {
		const plain = find(NO_EDITS);
		let edits = editTerm(NO_EDITS, named(plain, 'mortar'), { weight: 'must' });
		edits = editTerm(edits, named(plain, 'quarry'), { range: { min: 4, max: 9 } });
		edits = editTerm(edits, named(plain, 'gravel'), { isPinned: true });
		edits = editTerm(edits, { key: 'ha ha', phrase: 'ha-ha' }, { isOwn: true });
		for (const pages of [works, works.slice(2), works.slice(0, 1)]) {
			const findings = find(edits, pages);
			expect(termOf(findings, 'ha ha')).toMatchObject({ isOwn: true, uses: [], weight: 'should' });
			expect(findings.terms[1]).toMatchObject({ key: 'gravel', isPinned: true });
			expect(termOf(findings, 'mortar')?.weight ?? 'must').toBe('must');
			const quarry = termOf(findings, 'quarry');
			if (quarry) expect(quarry).toMatchObject({ min: 4, max: 9, isSet: true });
		}
	});

	it('count merged terms together, and each sentence once', () => {
		const plain = find(NO_EDITS);
		const [main, other] = [named(plain, 'footing'), named(plain, 'foundation')];
		const edits = mergeTerms(NO_EDITS, main, [other]);
		const merged = termOf(find(edits), 'footing')!;
		expect(merged.variants).toEqual([other.phrase]);
		expect(termOf(find(edits), 'foundation')).toBeUndefined();
		const count = (findings: Findings, key: string) =>
			termOf(findings, key)!.uses.reduce((sum, use) => sum + use.count, 0);
		expect(count(find(edits), 'footing')).toBe(
			count(plain, 'footing') + count(plain, 'foundation')
		);
		const shown = usesInContext(works, merged).reduce((sum, { marks }) => sum + marks.length, 0);
		expect(shown).toBe(count(find(edits), 'footing'));
		expect(find(splitTerm(edits, 'footing'))).toEqual(plain);
	});

	it('hand on what was merged before', () => {
		const [a, b, c] = ['a', 'b', 'c'].map((key) => ({ key, phrase: key })) as [
			{ key: string; phrase: string },
			{ key: string; phrase: string },
			{ key: string; phrase: string }
		];
		const edits = mergeTerms(mergeTerms(NO_EDITS, b, [c]), a, [b]);
		expect(Object.values(edits.terms).map(({ into }) => into)).toEqual(['a', 'a']);
	});
});

describe('topics changed by hand', () => {
	const topicWith = (findings: Findings, text: string) =>
		findings.topics.find(({ headings }) => headings.some((heading) => heading.text === text))!;
	const refs = ({ headings }: Findings['topics'][number]) => headings.map(({ ref }) => ref);

	it('stay merged when another page is set aside, and come apart again', () => {
		const plain = find(NO_EDITS);
		const [a, b] = [topicWith(plain, 'Pack the hearting'), topicWith(plain, 'Keep the batter')];
		expect(a).not.toBe(b);
		const topics = joinGroups(NO_EDITS.topics, refs(a), refs(b));
		const edits = { ...NO_EDITS, topics };
		for (const pages of [works, works.filter(({ id }) => id !== 'greenplot.html')]) {
			const findings = find(edits, pages);
			expect(topicWith(findings, 'Pack the hearting')).toBe(topicWith(findings, 'Keep the batter'));
		}
		const parted = find({ ...edits, topics: partGroup(topics, refs(b), refs(a)) });
		expect(topicWith(parted, 'Pack the hearting')).not.toBe(topicWith(parted, 'Keep the batter'));
	});

	it('stay split, named and struck out', () => {
		const plain = find(NO_EDITS);
		const topic = topicWith(plain, 'Lay the footings');
		const [out, ...rest] = refs(topic);
		const split = find({ ...NO_EDITS, topics: partGroup(NO_EDITS.topics, [out!], rest) });
		const holders = split.topics.filter((other) =>
			refs(other).some((ref) => refs(topic).includes(ref))
		);
		expect(holders.length).toBeGreaterThan(1);

		const name = nameGroup(NO_EDITS.topics, refs(topic), 'Footings first');
		expect(topicWith(find({ ...NO_EDITS, topics: name }), 'Lay the footings').label).toBe(
			'Footings first'
		);
		const struck = find({ ...NO_EDITS, topics: strikeGroup(NO_EDITS.topics, refs(topic), true) });
		expect(topicWith(struck, 'Lay the footings')).toBeUndefined();
		expect(struck.struck.topics).toHaveLength(1);
	});
});

describe('questions and figures changed by hand', () => {
	it('merge, part and strike questions by their wording', () => {
		const plain = find(NO_EDITS);
		const [a, b] = plain.questions as [
			Findings['questions'][number],
			Findings['questions'][number]
		];
		const of = ({ wordings }: typeof a) => wordings.map(questionRef);
		const joined = joinGroups(NO_EDITS.questions, of(a), of(b));
		const merged = find({ ...NO_EDITS, questions: joined });
		expect(merged.questions).toHaveLength(plain.questions.length - 1);
		const back = find({ ...NO_EDITS, questions: partGroup(joined, of(b), of(a)) });
		expect(back.questions).toHaveLength(plain.questions.length);
		const struck = find({ ...NO_EDITS, questions: strikeGroup(NO_EDITS.questions, of(a), true) });
		expect(struck.struck.questions.map(({ text }) => text)).toEqual([a.text]);
	});

	it('bring questions of the writer’s own along', () => {
		const findings = find({ ...NO_EDITS, ownQuestions: ['May sheep sit on it?'] });
		expect(findings.questions.find(({ text }) => text === 'May sheep sit on it?')?.lists).toEqual([
			'own'
		]);
	});

	it('strike and part figures', () => {
		const plain = find(NO_EDITS);
		const figure = plain.figures.find(({ values }) => values.length > 2)!;
		const refs = figure.values.map(({ ref }) => ref);
		const struck = find({ ...NO_EDITS, figures: strikeGroup(NO_EDITS.figures, refs, true) });
		expect(struck.figures).toHaveLength(plain.figures.length - 1);
		const parted = find({
			...NO_EDITS,
			figures: partGroup(NO_EDITS.figures, refs.slice(0, 1), refs.slice(1))
		});
		const holder = (findings: Findings, ref: string) =>
			findings.figures.find(({ values }) => values.some((value) => value.ref === ref))!.id;
		expect(holder(parted, refs[0]!)).not.toBe(holder(parted, refs[1]!));
	});
});

describe('findingEditsSchema', () => {
	it('reads what it wrote, and older edits without a part', () => {
		const edits = editTerm(NO_EDITS, { key: 'a', phrase: 'a' }, { weight: 'could' });
		expect(findingEditsSchema.parse(JSON.parse(JSON.stringify(edits)))).toEqual(edits);
		expect(findingEditsSchema.parse({})).toEqual(NO_EDITS);
		expect(
			findingEditsSchema.safeParse({ terms: { a: { phrase: 'a', weight: 'huge' } } }).success
		).toBe(false);
	});
});
