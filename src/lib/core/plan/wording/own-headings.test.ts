import { beforeAll, describe, expect, it } from 'vitest';
import { jobAnalysis } from '../../../../../tests/support/job-analysis';
import type { Findings, Topic } from '../../findings';
import { contentStemsOf } from '../../text';
import { mattersOf, newSection } from '../outline';
import { questionFits } from '../placement';
import { proposePlan } from '../propose';
import { canBeNamed, headingsFor } from './own-headings';
import {
	deedHeadings,
	deedOf,
	deedOfKeyword,
	objectOf,
	plainOf,
	sentenceCase,
	thingOf
} from './phrases';
import { setWordings } from './set-wordings';
import { titleOptionsOf } from './titles';

const topicOf = (texts: readonly string[], intent: Topic['intent'] = 'plain') =>
	({ intent, headings: texts.map((text) => ({ text })) }) as unknown as Topic;
const wordings = (
	texts: readonly string[],
	intent: Topic['intent'],
	keyword = 'dry stone wall'
) => [...setWordings(topicOf(texts, intent), { keyword, phrase: undefined })];

describe('a heading that a page shouts', () => {
	it('is said quietly, and short forms keep their capitals', () => {
		expect(sentenceCase('MEAL-PREP OPTIONS')).toBe('Meal-prep options');
		expect(sentenceCase('the ROTISSERIE chicken')).toBe('The rotisserie chicken');
		expect(sentenceCase('TPU and PEBA foams')).toBe('TPU and PEBA foams');
		expect(sentenceCase('TPU')).toBe('TPU');
	});
});

describe('a deed', () => {
	it('keeps what its verb needs behind the object', () => {
		expect(deedHeadings(deedOf('Keeping foxes out')!)[0]).toBe('keep the foxes out');
		expect(deedHeadings(deedOf('Set the stones in a line')!)[0]).toBe('set the stones');
	});
});

describe('what a keyword is about', () => {
	it('is the thing, not the question or the kind of article', () => {
		expect(objectOf('when to replace running shoes')).toBe('running shoes');
		expect(objectOf('how to get rid of moss in a lawn')).toBe('moss in a lawn');
		expect(objectOf('moving house checklist')).toBe('moving house');
		expect(deedOfKeyword('when to replace running shoes')).toBe('replace running shoes');
		expect(deedOfKeyword('running shoes')).toBeNull();
	});

	it('has no name of one thing where two are held against each other or somebody does something', () => {
		expect(thingOf('dehumidifier vs tumble dryer')).toBeNull();
		expect(thingOf('moving house checklist')).toBeNull();
		expect(thingOf('how to build a dry stone wall')).toBe('a dry stone wall');
	});
});

describe('set wordings', () => {
	it('need what they say in half of the headings', () => {
		expect(wordings(['Who says 300?', 'Where the 300 rule comes from'], 'rules')).not.toContain(
			'rules and permission'
		);
		expect(wordings(['Do you need permission?', 'Planning law'], 'rules')).toContain(
			'rules and permission'
		);
		expect(wordings(['Read what you sign'], 'plain')).not.toContain('the signs to look for');
		expect(wordings(['5 signs that you need new shoes'], 'need')[0]).toBe('the signs to look for');
		expect(wordings(['Our own money', 'Revenue costs'], 'cost')[0]).toBe('what it costs');
		expect(wordings(['What does a wall cost?'], 'cost')[0]).toBe('what a dry stone wall costs');
	});

	it('take a quality for no order', () => {
		expect(deedOf('Dry sack')).toBeNull();
		expect(deedOf('Baking 101')).toBeNull();
		expect(deedOf('Dry the sack')).toEqual({ verb: 'dry', object: 'sack' });
		expect(deedOf('Stop washing the bag every year')).toBeNull();
	});
});

describe('a plan of a stranger’s assignment', () => {
	let jobs: { readonly name: string; readonly findings: Findings }[];
	beforeAll(() => {
		jobs = ['moss-lawn', 'house-move', 'running-shoes-wear'].map((name) => ({
			name,
			findings: jobAnalysis(name).findings
		}));
	}, 120_000);

	it('has headings that name a matter, none twice, none a page’s of more than three words', () => {
		for (const { name, findings } of jobs) {
			const theirs = new Set(
				findings.topics.flatMap(({ headings }) => headings.map(({ text }) => plainOf(text)))
			);
			const headings = proposePlan(findings)
				.sections.slice(1)
				.map(({ heading }) => heading);
			expect(new Set(headings.map(plainOf)).size, name).toBe(headings.length);
			for (const heading of headings) {
				expect(heading, name).not.toMatch(/^(?:about|more on)\b|\b(?:a when|a how)\b/i);
				expect(contentStemsOf(heading).length, `${name}: ${heading}`).toBeGreaterThan(0);
				if (heading.split(' ').length > 3)
					expect(theirs.has(plainOf(heading)), `${name}: ${heading}`).toBe(false);
			}
		}
	});

	it('has a title, tag and description with the keyword and without loose ends', () => {
		for (const { findings } of jobs) {
			const { sections } = proposePlan(findings);
			const { titles, titleTags, descriptions } = titleOptionsOf(findings, sections);
			for (const said of [...titles, ...titleTags, ...descriptions])
				expect(said.toLowerCase()).toContain(findings.keyword);
			for (const said of descriptions) {
				expect(said.length).toBeLessThanOrEqual(156);
				expect(said).toMatch(/\.$/);
			}
			expect(
				titleOptionsOf(findings, [newSection('a', 'Alone', 100)]).titles.length
			).toBeGreaterThan(0);
		}
	});

	it('treats a matter once: what is much alike is one, and stages of a course stay apart', () => {
		for (const { findings } of jobs) {
			const matters = mattersOf(findings, {
				most: 10,
				leastShare: 0,
				worth: () => 1,
				canLead: (topic) => canBeNamed(topic, findings)
			});
			expect(matters.length).toBeLessThanOrEqual(10);
			const ids = matters.flatMap(({ topics }) => topics.map(({ id }) => id));
			expect(new Set(ids).size).toBe(ids.length);
			for (const { topics } of matters)
				if (topics[0])
					expect(headingsFor(topics[0], findings, new Set()).length).toBeGreaterThan(0);
			const weeks = matters.map(({ topics, same }) =>
				topics
					.slice(0, 1 + same)
					.flatMap(({ headings }) =>
						headings.map(({ text }) => /(\d+|four) weeks/i.exec(text)?.[1])
					)
					.filter((week) => week !== undefined)
			);
			for (const of of weeks)
				expect(new Set(of.map((week) => (week === 'Four' ? '4' : week))).size).toBeLessThanOrEqual(
					1
				);
		}
	});

	it('gives a section the questions that suit it best, three at the most, and none twice', () => {
		for (const { findings } of jobs) {
			const { sections } = proposePlan(findings);
			const all = sections.flatMap(({ questions }) => questions.map(({ question }) => question));
			expect(new Set(all).size).toBe(all.length);
			sections.forEach((section, s) => {
				if (section.kind === 'faq') return;
				expect(section.questions.length).toBeLessThanOrEqual(3);
				if (section.questions.length < 3) return;
				// whoever found no room here suits it less
				const least = Math.min(
					...section.questions.map(({ question }) => {
						const found = findings.questions.find(({ id }) => id === question)!;
						return questionFits(found, sections, findings)[s]!;
					})
				);
				const faq = sections.find(({ kind }) => kind === 'faq')!;
				for (const { question } of faq.questions) {
					const found = findings.questions.find(({ id }) => id === question)!;
					expect(questionFits(found, sections, findings)[s]).toBeLessThanOrEqual(least + 1e-9);
				}
			});
		}
	});

	it('fills no section beyond what its budget takes of the notes, and says no passage twice', () => {
		for (const { findings } of jobs) {
			const { sections } = proposePlan(findings);
			const words = new Map(findings.notePassages.map(({ id, words: count }) => [id, count]));
			const all = sections.flatMap(({ notes }) => notes.map(({ note }) => note));
			expect(new Set(all).size).toBe(all.length);
			expect(all.length).toBeGreaterThan(0.4 * findings.notePassages.length);
			for (const { notes, budget } of sections) {
				const sum = notes.reduce((total, { note }) => total + words.get(note)!, 0);
				const last = Math.max(0, ...notes.map(({ note }) => words.get(note)!));
				expect(sum).toBeLessThanOrEqual(1.5 * budget + last);
			}
		}
	});
});
