import { beforeAll, describe, expect, it } from 'vitest';
import { assembleFindings, type Findings } from '../findings';
import { demoFindings } from '../../../../tests/support/demo';
import { hideEach, meanLanded } from '../../../../tests/support/hide-one';
import { readSubjects } from '../../../../tests/support/subjects';
import {
	affinityOf,
	conflictsIn,
	placeTerms,
	topicMatcher,
	materialFits,
	questionFits
} from './placement';
import {
	changesSince,
	planOfToday,
	plannedWords,
	topicsOf,
	type Plan,
	type StoredShape,
	type PlanSection
} from './outline';
import {
	deedOf,
	headingChecker,
	headingsFor,
	isPlural,
	plainOf,
	titleOptionsOf,
	withArticle,
	containsTerm,
	headingIssues
} from './wording';
import { formOf, planInForm } from './form';
import { planFormSchema } from '../clients';
import { openWarnings, warningsOf } from './warnings';
import { placeRest, proposePlan, NO_WISHES, type Wishes } from './propose';
import { planCsv, planDocument, briefDocument, documentMarkdown } from './export-plan';
import { planOfOutline, readOutline } from './import-outline';
import { proposeAgain } from './propose-again';

let findings: Findings;
let plan: Plan;

beforeAll(() => {
	({ findings } = demoFindings());
	plan = proposePlan(findings);
}, 60_000);

const holders = (of: Plan, term: string) =>
	of.sections.filter(({ terms }) => terms.some((placed) => placed.term === term));

describe('placement', () => {
	it('lands more terms where a hidden page used them than its headings would say', () => {
		for (const name of ['chickens', 'heat-pump']) {
			const { works, keyword } = readSubjects().find((subject) => subject.name === name)!;
			const { placed, headings, random } = meanLanded(hideEach(works, keyword));
			expect(placed, name).toBeGreaterThanOrEqual(1.5 * headings);
			expect(placed, name).toBeGreaterThanOrEqual(2 * random);
		}
	}, 60_000);

	it('gives every affinity as the sum of its visible parts', () => {
		for (const { terms } of plan.sections)
			for (const { affinity, parts } of terms) expect(affinity).toBeCloseTo(affinityOf(parts), 9);
	});

	it('keeps a term out of sections that refuse it and inside those it is confined to', () => {
		const [first] = holders(plan, 'hearting');
		const refusing = plan.sections.map((section) =>
			section.id === first!.id ? { ...section, refused: ['hearting'] } : section
		);
		const without = placeRest({ ...plan, sections: refusing }, findings);
		expect(holders(without, 'hearting').map(({ id }) => id)).not.toContain(first!.id);
		const only = plan.sections.at(-3)!.id;
		const confined = placeTerms(findings, plan.sections, { hearting: [only] });
		expect(
			confined.sections
				.filter(({ terms }) => terms.some(({ term }) => term === 'hearting'))
				.every(({ id }) => id === only)
		).toBe(true);
	});

	it('says of every must term that has no place why, and what would help', () => {
		const small = plan.sections.map((section) => ({ ...section, terms: [], budget: 15 }));
		const { unplaced, sections } = placeTerms(findings, small);
		const placed = new Set(sections.flatMap(({ terms }) => terms.map(({ term }) => term)));
		const must = findings.terms.filter(({ weight, key }) => weight === 'must' && !placed.has(key));
		expect(must.length).toBeGreaterThan(5);
		for (const { key } of must) {
			const entry = unplaced.find(({ term }) => term === key)!;
			expect(entry.reason).not.toBe('');
			if (entry.wanted > 0) expect(entry.remedies.length).toBeGreaterThan(0);
		}
	});

	it('places a term once the words its remedy asks for are given', () => {
		const small = plan.sections.map((section) => ({ ...section, terms: [], budget: 30 }));
		const { unplaced } = placeTerms(findings, small);
		const entry = unplaced.find(
			({ placed, remedies }) => placed === 0 && remedies.some(({ kind }) => kind === 'words')
		)!;
		const remedy = entry.remedies.find(({ kind }) => kind === 'words')!;
		if (remedy.kind !== 'words') throw new Error('no words');
		// all others keep what they have, so that the room goes to this term
		const kept = placeTerms(findings, small).sections.map((section) => ({
			...section,
			budget: section.id === remedy.section ? section.budget + remedy.words : section.budget,
			terms: section.terms.map((placed) => ({ ...placed, locked: true }))
		}));
		const again = placeTerms(findings, kept).sections;
		const uses = (of: typeof again) =>
			of
				.find(({ id }) => id === remedy.section)!
				.terms.reduce((sum, placement) => sum + placement.uses, 0);
		expect(uses(again)).toBeGreaterThan(uses(kept));
	});

	it('has a place for what the brief requires though no page uses it', () => {
		const { pages } = demoFindings();
		const asked = assembleFindings(
			pages.map(({ work }) => work),
			[],
			{
				keyword: findings.keyword,
				targetWords: 1800,
				asked: [],
				required: ['trench spade rental', 'moonlight picnic']
			}
		);
		const made = proposePlan(asked);
		for (const key of ['trench spade rental', 'moonlight picnic'])
			expect(holders(made, key).length, key).toBeGreaterThan(0);
		expect(holders(made, 'trench spade rental')[0]!.heading).toMatch(/trench/i);
	});

	it('shows where the facts of a section disagree', () => {
		const found = plan.sections.flatMap((section) => conflictsIn(section, findings));
		expect(found.length).toBeGreaterThan(0);
		for (const { figure } of found) expect(figure.agreement).toBe('differs');
	});

	it('brings passages of the notes to the sections they speak of', () => {
		const trench = plan.sections.find(({ heading }) => /trench/i.test(heading))!;
		const texts = trench.notes.map(
			({ note }) => findings.notePassages.find(({ id }) => id === note)!.text
		);
		expect(texts.join(' ')).toMatch(/trench/i);
	});
});

describe('proposing anew', () => {
	it('leaves what was put somewhere by hand, when placed again and when proposed again', () => {
		const reason = 'You put it here.';
		const open = plan.sections.filter(({ kind, level }) => level === 2 && kind === 'explanation');
		const [into, from] = [
			open[0]!,
			open.find(({ facts, notes }) => facts.length > 1 && notes.length > 0)!
		];
		const [fact, note] = [from.facts[0]!.fact, from.notes[0]!.note];
		const question = plan.sections.find(({ kind }) => kind === 'faq')!.questions[0]!.question;
		const sections = plan.sections.map((section) => ({
			...section,
			refused: section.id === into.id ? ['hearting'] : section.refused,
			questions: [
				...section.questions.filter((placed) => placed.question !== question),
				...(section.id === into.id ? [{ question, reason, locked: true }] : [])
			],
			facts: [
				...section.facts.filter((placed) => placed.fact !== fact),
				...(section.id === into.id ? [{ fact, reason, locked: true }] : [])
			],
			notes: [
				...section.notes.filter((placed) => placed.note !== note),
				...(section.id === into.id ? [{ note, reason, locked: true }] : [])
			]
		}));
		for (const again of [
			placeRest({ ...plan, sections }, findings),
			proposeAgain({ ...plan, sections }, findings, () => 'new')
		]) {
			const held = again.sections.find(({ id }) => id === into.id)!;
			expect(held.questions).toContainEqual({ question, reason, locked: true });
			expect(held.facts).toContainEqual({ fact, reason, locked: true });
			expect(held.notes).toContainEqual({ note, reason, locked: true });
			expect(held.refused).toEqual(['hearting']);
			expect(held.terms.map(({ term }) => term)).not.toContain('hearting');
			const all = again.sections.flatMap(({ facts, notes, questions }) => [
				...facts.map((placed) => placed.fact),
				...notes.map((placed) => placed.note),
				...questions.map((placed) => placed.question)
			]);
			for (const id of [fact, note, question])
				expect(all.filter((one) => one === id)).toHaveLength(1);
		}
	});

	it('keeps ids of sections on the same matter, and locked sections wholly and in their place', () => {
		const own = {
			...plan.sections[4]!,
			id: 'mine',
			heading: 'A part of my own',
			headings: [],
			locked: true
		};
		const kept = {
			...plan,
			sections: plan.sections
				.map((section, i) => ({ ...section, id: `old-${i}`, locked: i === 2 }))
				.toSpliced(3, 0, own)
		};
		let n = 0;
		const again = proposeAgain(kept, findings, () => `new-${n++}`);
		expect(n).toBe(0);
		expect(again.sections.map(({ id }) => id)).toEqual(kept.sections.map(({ id }) => id));
		expect(again.sections[2]).toEqual(kept.sections[2]);
		expect(again.sections[3]).toEqual(own);
		expect(plannedWords(again.sections)).toBe(findings.targetWords);
		const { findings: fewer } = demoFindings({ pages: 4 });
		const other = proposeAgain(kept, fewer, () => `new-${n++}`);
		expect(new Set(other.sections.map(({ id }) => id)).size).toBe(other.sections.length);
		expect(other.sections.find(({ id }) => id === 'mine')).toEqual(own);
	});
});

describe('topics of headings from elsewhere', () => {
	it('finds what a heading speaks of, and nothing for what no page treats', () => {
		const match = topicMatcher(findings);
		const best = (heading: string) => match(heading)[0]?.topic.label ?? null;
		expect(best('Digging your trench')).toMatch(/trench|foundation/i);
		expect(best('How much will it cost me?')).toMatch(/cost/i);
		expect(best('Tulips and other bulbs')).toBeNull();
	});
});

describe('wordings', () => {
	it('gives several headings for most topics, none of them a page’s of more than three words', () => {
		const shared = findings.topics.filter(({ pages }) => pages.length > 2);
		const theirs = new Set(
			findings.topics.flatMap(({ headings }) => headings.map(({ text }) => plainOf(text)))
		);
		const all = shared.map((topic) => headingsFor(topic, findings, new Set()));
		expect(all.filter((headings) => headings.length >= 3).length).toBeGreaterThan(
			0.8 * shared.length
		);
		for (const heading of all.flat())
			if (heading.split(' ').length > 3) expect(theirs.has(plainOf(heading)), heading).toBe(false);
	});

	it('reads what a heading does', () => {
		expect(deedOf('Lay the footings')).toEqual({ verb: 'lay', object: 'footings' });
		expect(deedOf('Digging your foundation trench first')).toEqual({
			verb: 'dig',
			object: 'foundation trench'
		});
		expect(deedOf('How to lay the footings on clay')).toEqual({ verb: 'lay', object: 'footings' });
		expect(deedOf('Footings and frost')).toBeNull();
	});

	it('knows what takes an article and what is many', () => {
		expect(withArticle('air source heat pump for an old house')).toBe(
			'an air source heat pump for an old house'
		);
		expect(withArticle('kitchen knives')).toBe('kitchen knives');
		expect(withArticle('insulation')).toBe('insulation');
		expect(withArticle('the trench')).toBe('the trench');
		expect(isPlural('chickens in a small garden')).toBe(true);
		expect(isPlural('glass')).toBe(false);
	});

	it('offers several titles and title tags that hold the keyword', () => {
		const { titles, titleTags } = titleOptionsOf(findings, plan.sections);
		expect(new Set(titles).size).toBeGreaterThanOrEqual(3);
		expect(titleTags.length).toBeGreaterThanOrEqual(2);
		for (const title of [...titles, ...titleTags])
			expect(title.toLowerCase()).toContain(findings.keyword);
	});
});

describe('the search intent of the brief', () => {
	it('brings topics its readers look for before others that as many pages have', () => {
		const short: Findings = { ...findings, targetWords: 700 };
		const sought = (intent: Wishes['intent']) =>
			proposePlan(short, { ...NO_WISHES, intent }).sections.filter(
				(section) => section.intent === 'cost' || section.intent === 'choice'
			).length;
		expect(sought('commercial')).toBeGreaterThan(sought('informational'));
		expect(proposePlan(short, { ...NO_WISHES, intent: 'navigational' })).toEqual(
			proposePlan(short)
		);
	});
});

describe('what suits a section', () => {
	it('is highest where facts, notes and questions were placed', () => {
		const best = (fits: readonly number[]) => fits.indexOf(Math.max(...fits));
		plan.sections.forEach((section, s) => {
			for (const { fact } of section.facts) {
				const found = findings.facts.find(({ id }) => id === fact)!;
				expect(best(materialFits({ fact: found }, plan.sections, findings))).toBe(s);
			}
			for (const { note } of section.notes) {
				const found = findings.notePassages.find(({ id }) => id === note)!;
				// where the best section is full it stands in one that is nearly as good
				const fits = materialFits({ note: found }, plan.sections, findings);
				expect(fits[s]).toBeGreaterThanOrEqual(0.6 * Math.max(...fits));
			}
			if (section.kind === 'faq') return;
			for (const { question } of section.questions) {
				const found = findings.questions.find(({ id }) => id === question)!;
				expect(questionFits(found, plan.sections, findings)[s]).toBeGreaterThanOrEqual(0.4);
			}
		});
	});
});

describe('the check of a heading', () => {
	const kinds = (heading: string, others: string[] = []) =>
		headingChecker(findings)(heading, others).map(({ kind }) => kind);

	it('finds what is too close, teasing, negative, vague, long or repeated', () => {
		const theirs = findings.topics
			.flatMap(({ headings }) => headings.map(({ text }) => text))
			.find((text) => text.split(' ').length >= 6)!;
		expect(kinds(theirs)).toContain('close');
		expect(kinds('You won’t believe what hearting does')).toContain('teasing');
		expect(kinds('Never do this with a cope')).toContain('negative');
		expect(kinds('Things to consider')).toContain('vague');
		expect(kinds('The footings', ['The Footing'])).toEqual(['repeated']);
		expect(kinds(`${'word '.repeat(13)}end`)).toContain('long');
		expect(kinds('   ')).toEqual(['empty']);
		expect(kinds('Setting out the line')).toEqual([]);
	});

	it('tells while typing that a level is skipped, and that the last H2 loses the keyword', () => {
		const at = plan.sections.findIndex(
			({ level, heading }) => level === 2 && containsTerm(heading, findings.keyword)
		);
		const { id } = plan.sections[at]!;
		const typing = (typed: string, sections: readonly PlanSection[]) =>
			headingIssues(typed, { id, sections }, findings).map(({ kind }) => kind);
		expect(typing('In order, course by course', plan.sections)).toEqual(['keyword']);
		expect(typing(`${findings.keyword}, course by course`, plan.sections)).toEqual([]);
		const deep = plan.sections.map((section, i) =>
			i === 0 ? section : { ...section, level: (i === at ? 4 : 2) as 2 }
		);
		expect(typing('In order, course by course', deep)).toEqual(['level']);
	});
});

describe('warnings', () => {
	it('are gone once their remedy is applied, one after the other', () => {
		const [opening, a, b, ...rest] = plan.sections;
		let broken: Plan = {
			...plan,
			title: 'Walls',
			sections: [
				{ ...opening!, budget: 0 },
				{ ...a!, heading: 'Secrets of the stone', budget: 600 },
				{ ...b!, level: 4 as const, budget: 20 },
				...rest
			]
		};
		const before = warningsOf(broken, findings).length;
		expect(before).toBeGreaterThan(4);
		for (let i = 0; i < 20; i++) {
			const next = warningsOf(broken, findings).find(({ remedy }) => remedy !== null);
			if (!next) break;
			broken = next.remedy!.change(broken);
			expect(warningsOf(broken, findings).map(({ id }) => id)).not.toContain(next.id);
		}
		// words for one section are taken from another, so only these are gone for good
		const left = warningsOf(broken, findings).map(({ id }) => id.split(':')[0]);
		for (const kind of ['title', 'teasing', 'level', 'answer']) expect(left).not.toContain(kind);
	});

	it('are set aside by name, and come back when the heading changes', () => {
		const teasing = {
			...plan,
			sections: plan.sections.map((section, i) =>
				i === 2 ? { ...section, heading: 'The secret of hearting' } : section
			)
		};
		const isFed = ({ id }: { id: string }) => !id.startsWith('unfed');
		const [warning] = warningsOf(teasing, findings).filter(isFed);
		const set = { ...teasing, dismissed: { [warning!.id]: 'the client wants it' } };
		expect(openWarnings(set, warningsOf(set, findings)).filter(isFed)).toEqual([]);
		const renamed = {
			...set,
			sections: set.sections.map((section, i) =>
				i === 2 ? { ...section, heading: 'The other secret of hearting' } : section
			)
		};
		expect(openWarnings(renamed, warningsOf(renamed, findings)).filter(isFed)).toHaveLength(1);
	});
});

describe('outlines from elsewhere', () => {
	it('reads Markdown, marked, numbered and indented lists', () => {
		const read = (text: string) => readOutline(text).map(({ level, text: t }) => `${level} ${t}`);
		expect(read('# Title\n\nwords\n\n## **One** [link](https://a.example)\n### Two')).toEqual([
			'1 Title',
			'2 One link',
			'3 Two'
		]);
		expect(read('H2: One\nH3 - Two\n<h2>Three</h2>')).toEqual(['2 One', '3 Two', '2 Three']);
		expect(read('1. One\n1.1 Two\n1.2. Three\n2. Four')).toEqual([
			'2 One',
			'3 Two',
			'3 Three',
			'2 Four'
		]);
		expect(read('- One\n    - Two\n- Three')).toEqual(['2 One', '3 Two', '2 Three']);
		expect(read('\n \n')).toEqual([]);
		expect(readOutline('## x\n'.repeat(5000)).length).toBeLessThanOrEqual(200);
	});

	it('makes a plan of one that keeps its headings and takes the evidence', () => {
		const outline = readOutline(
			'# My wall\n## Before you dig\n### Tools\n## Laying footings\n## What it costs\n## FAQ'
		);
		const mine = placeRest(planOfOutline(outline, findings), findings);
		expect(mine.title).toBe('My wall');
		expect(
			mine.sections.slice(1).map(({ level, heading, kind }) => [level, heading, kind])
		).toEqual([
			[2, 'Before you dig', expect.anything()],
			[3, 'Tools', expect.anything()],
			[2, 'Laying footings', expect.anything()],
			[2, 'What it costs', expect.anything()],
			[2, 'FAQ', 'faq']
		]);
		expect(plannedWords(mine.sections)).toBe(findings.targetWords);
		const footings = mine.sections.find(({ heading }) => heading === 'Laying footings')!;
		expect(footings.terms.map(({ term }) => term)).toContain('footing');
		expect(mine.sections.at(-1)!.questions.length).toBeGreaterThan(0);
	});
});

describe('the form of a plan', () => {
	it('keeps headings, kinds and shares for another keyword and length', () => {
		const form = formOf(plan, 'Guides', findings.keyword);
		const other: Findings = { ...findings, keyword: 'how to lay a hedge', targetWords: 1000 };
		const made = planInForm(form, other);
		expect(made.sections.map(({ level, kind }) => [level, kind])).toEqual(
			plan.sections.map(({ level, kind }) => [level, kind])
		);
		expect(plannedWords(made.sections)).toBe(1000);
		expect(made.sections.some(({ heading }) => /how to lay a hedge/i.test(heading))).toBe(true);
		expect(made.sections.some(({ heading }) => /dry stone wall, /i.test(heading))).toBe(false);
	});

	it('puts what another article is about where this one says what it is about', () => {
		const cost = plan.sections.find(({ heading }) => heading === 'What a dry stone wall costs')!;
		const form = formOf(
			{ ...plan, sections: [plan.sections[0]!, cost] },
			' Guides ',
			findings.keyword
		);
		expect(form.sections[1]!.heading).toBe('What {a thing} costs');
		const other: Findings = { ...findings, keyword: 'how to lay an oak floor' };
		expect(planInForm(form, other).sections[1]!.heading).toBe('What an oak floor costs');
		expect(planFormSchema.parse(form).name).toBe('Guides');
	});
});

describe('changed evidence', () => {
	it('proposes what is new and what is gone, and leaves the plan alone', () => {
		expect(changesSince(plan, findings)).toEqual([]);
		const { findings: fewer } = demoFindings({ pages: 4 });
		const made = proposePlan(fewer);
		const changes = changesSince(made, findings);
		expect(changes.some(({ kind }) => kind === 'term')).toBe(true);
		expect(changes.some(({ kind }) => kind === 'topic')).toBe(true);
		const back = changesSince(plan, fewer);
		expect(back.some(({ kind }) => kind === 'gone' || kind === 'lost-term')).toBe(true);
	});

	it('finds the topics of a section again when pages are set aside', () => {
		const { findings: fewer } = demoFindings({ pages: 6 });
		const kept = plan.sections.filter(
			(section) => section.headings.length > 0 && topicsOf(section, fewer).length > 0
		);
		expect(kept.length).toBeGreaterThan(
			0.6 * plan.sections.filter(({ headings }) => headings.length > 0).length
		);
	});

	it('reads plans that were stored before sections had notes and refusals', () => {
		const without = <T extends object, K extends keyof T>(of: T, ...keys: K[]) =>
			Object.fromEntries(
				Object.entries(of).filter(([key]) => !(keys as string[]).includes(key))
			) as Omit<T, K>;
		const stored: StoredShape = {
			...without(plan, 'confined', 'dismissed', 'basis'),
			unplaced: [{ term: 'mortar', reason: 'full' }],
			sections: plan.sections.map((section) => without(section, 'notes', 'refused', 'headings'))
		};
		const today = planOfToday(stored);
		expect(today.sections[1]).toMatchObject({ notes: [], refused: [], headings: [] });
		expect(today.unplaced[0]).toMatchObject({ placed: 0, remedies: [] });
		expect(changesSince(today, findings)).toEqual([]);
	});
});

describe('exports', () => {
	const nameOf = (id: string) => id;

	it('say all that is placed, in Markdown and as a brief for another writer', () => {
		const text = documentMarkdown(planDocument(plan, findings, nameOf));
		for (const { heading, level } of plan.sections)
			if (level > 1) expect(text).toContain(`${'#'.repeat(level)} ${heading}`);
		expect(readOutline(text).filter(({ level }) => level > 1)).toHaveLength(
			plan.sections.length - 1
		);
		const brief = documentMarkdown(
			briefDocument(plan, findings, nameOf, {
				reader: 'gardeners',
				tone: '',
				mustNotSay: ['cheap']
			})
		);
		expect(brief).toContain('For whom: gardeners');
		expect(brief).toContain('Never say: cheap');
		expect(brief).toContain(plan.title);
	});

	it('give one line for each placement as CSV', () => {
		const lines = planCsv(plan, findings, nameOf).trim().split('\n').slice(1);
		const count = plan.sections.reduce(
			(sum, { terms, questions, facts, notes }) =>
				sum + Math.max(1, terms.length + questions.length + facts.length + notes.length),
			0
		);
		expect(lines.filter((line) => /^"?\d+"?,/.test(line)).length).toBe(count);
	});
});
