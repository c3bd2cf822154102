import { beforeAll, describe, expect, it } from 'vitest';
import { demoFindings, type DemoEvidence } from '../../../../../tests/support/demo';
import { readNoteUnits } from '../../notes';
import { proposePlan, type Plan } from '../../plan';
import { closeWordsOf, indexRuns } from '../../measure';
import { docText, gapsOf, headOf, textRunsOf, type TakeDoc } from '../../manuscript';
import { countWords, sentencesOf } from '../../text';
import { draftArticle } from './built-in';
import type { DraftMaterial } from './draft-material';
import { Narrator } from './narrator';
import { passagesOf } from './note-material';

let demo: DemoEvidence;
let plan: Plan;
let request: DraftMaterial;
let draft: TakeDoc;

beforeAll(() => {
	demo = demoFindings();
	plan = proposePlan(demo.findings);
	request = {
		plan,
		findings: demo.findings,
		notes: demo.notes,
		runs: indexRuns(demo.texts),
		pageNames: {}
	};
	draft = draftArticle(request);
}, 60_000);

const note = (title: string, text: string) => ({
	id: 'note',
	label: 'n1',
	title,
	units: readNoteUnits({ kind: 'note', name: title, text })
});
const articleText = () =>
	draft.content
		.filter(({ type }) => type !== 'gap')
		.map(docText)
		.join('\n');

describe('draftArticle', () => {
	it('holds every planned heading, in order', () => {
		const sections = draft.content.flatMap((node) => headOf(node).section ?? []);
		expect(sections).toEqual(plan.sections.map(({ id }) => id));
	});

	it('invents no figure: every number stands in a note, or in a heading the plan made', () => {
		const known = [
			...demo.notes.map(({ units }) => JSON.stringify(units)),
			...demo.findings.questions.map(({ text }) => text)
		].join(' ');
		for (const [figure] of articleText().matchAll(/\d[\d,.]*\d|\d/g))
			expect(known, figure).toContain(figure);
	});

	it('writes only what a note says, marked with that note', () => {
		const notes = demo.notes
			.map(({ units }) =>
				[...units.columns.values(), ...units.units.map(({ text }) => [text])].flat().join(' ')
			)
			.join(' ')
			.toLowerCase();
		const sentences = draft.content
			.flatMap(textRunsOf)
			.filter(({ marks }) => marks.some(({ type }) => type === 'origin'))
			.flatMap(({ text }) => sentencesOf(text).map((sentence) => sentence.text));
		expect(sentences.length).toBeGreaterThan(40);
		for (const sentence of sentences) {
			// the end of a sentence is never touched; its start may name speaker or place
			const tail = sentence.toLowerCase().split(' ').slice(-4).join(' ').replace(/[.:]$/, '');
			expect(notes).toContain(tail);
		}
	});

	it('never repeats eight words of a page in a row', () => {
		const runs = indexRuns(demo.texts);
		const close = draft.content.reduce(
			(sum, node) =>
				sum +
				(node.type === 'heading' || node.type === 'gap' ? 0 : closeWordsOf(docText(node), runs)),
			0
		);
		expect(close / countWords(articleText())).toBeLessThan(0.05);
	});

	it('uses no sentence twice', () => {
		const sentences = draft.content
			.filter(({ type }) => type === 'paragraph')
			.flatMap((node) => sentencesOf(docText(node)).map(({ text }) => text));
		expect(new Set(sentences).size).toBe(sentences.length);
	});

	it('asks for the query to be answered in its opening, and fills it with nothing', () => {
		const second = draft.content.findIndex(({ type }, i) => i > 0 && type === 'heading');
		const opening = draft.content.slice(1, second);
		expect(opening.some(({ type }) => type === 'paragraph')).toBe(true);
		expect(docText(opening.at(-1)!)).toContain(`Answer “${demo.findings.keyword}” here`);
		expect(opening.map(docText).join(' ')).not.toMatch(/This (?:is|guide)/);
	});

	it('leaves a gap in every section when there are no notes, and names who has an answer', () => {
		const empty = draftArticle({
			plan,
			findings: demo.findings,
			notes: [],
			runs: indexRuns([]),
			pageNames: Object.fromEntries(demo.pages.map(({ work }) => [work.id, work.title]))
		});
		expect(gapsOf(empty).length).toBeGreaterThanOrEqual(plan.sections.length - 1);
		expect(gapsOf(empty).join(' ')).toMatch(/to check and cite/);
	});

	it('answers placed questions from the notes and never with another matter', () => {
		const at = draft.content.findIndex(
			(node) => docText(node) === 'How long does a dry stone wall last?'
		);
		expect(docText(draft.content[at + 1]!)).toMatch(/150 years/);
		const winter = draft.content.findIndex((node) =>
			/^Can (?:I|you) build a dry stone wall in winter\?$/.test(docText(node))
		);
		expect(draft.content[winter + 1]!.type).toBe('gap');
	});

	it('says what a note says where the plan has placed it', () => {
		const firstOf = (text: string) => sentencesOf(text)[0]!.text.replace(/\.$/, '');
		const sectionSaying = (made: TakeDoc, sentence: string) => {
			let section = '';
			for (const node of made.content) {
				section = headOf(node).section ?? section;
				if (docText(node).includes(sentence)) return section;
			}
			return null;
		};
		const said = demo.findings.notePassages.filter(
			({ text, terms }) => terms.length > 0 && sectionSaying(draft, firstOf(text)) !== null
		);
		expect(said.length).toBeGreaterThan(8);
		let moved = 0;
		for (const { id, text } of said.slice(0, 8)) {
			const was = sectionSaying(draft, firstOf(text));
			const to = plan.sections.find(
				(section) => section.id !== was && section.kind === 'explanation' && section.budget >= 100
			)!;
			const sections = plan.sections.map((section) => ({
				...section,
				facts: [],
				// alone in the section, so that its budget is the note's
				notes: section.id === to.id ? [{ note: id, reason: '', locked: true }] : [],
				questions: []
			}));
			const made = draftArticle({ ...request, plan: { ...plan, sections } });
			if (sectionSaying(made, firstOf(text)) === to.id) moved++;
		}
		expect(moved).toBeGreaterThanOrEqual(7);
	});

	it('gives the same draft for the same request', () => {
		expect(
			draftArticle({
				plan,
				findings: demo.findings,
				notes: demo.notes,
				runs: indexRuns(demo.texts),
				pageNames: {}
			})
		).toEqual(draft);
	});
});

describe('passagesOf', () => {
	it('keeps a sentence that leans on the one before it with that one', () => {
		const passages = passagesOf([
			note('Notes', 'Hearting is packed by hand. It must be angular. The cope comes last.')
		]);
		expect(passages.map(({ sentences }) => sentences.length)).toEqual([2, 1]);
	});

	it('marks a jotting without a verb to be worked in, and lists several under their heading', () => {
		const jotted = (text: string) =>
			passagesOf([note('Lawn notes', text)]).map(({ form, hold }) => [form, hold]);
		expect(jotted('# Lawn notes\n\n## Leave it\n\nfrog, blackbirds, soft underfoot')).toEqual([
			['entry', 'jotting']
		]);
		expect(jotted('# Lawn notes\n\n## Leave it\n\nSweep the paths before you water.')).toEqual([
			['text', null]
		]);
		expect(jotted('# Lawn notes\n\n## Leave it\n\nmoss has no roots')).toEqual([['text', null]]);
	});

	it('leaves out questions, and what stands above the first heading of an interview', () => {
		const passages = passagesOf([
			note(
				'Interview with Ada Birch',
				'# Interview with Ada Birch\n\nRecorded on a Monday in the yard.\n\n## Tools\n\nWhat do you need? A hammer does nearly everything.'
			)
		]);
		expect(passages.map(({ sentences }) => sentences.join(' '))).toEqual([
			'A hammer does nearly everything.'
		]);
	});
});

describe('Narrator', () => {
	it('names the speaker once, where a pronoun would hang in the air', () => {
		const passages = passagesOf([
			note(
				'Interview with Ada Birch',
				'# Interview with Ada Birch\n\n## Tools\n\nShe carries one hammer.\n\nShe never lends it.'
			)
		]);
		const narrator = new Narrator();
		expect(passages.flatMap((passage) => narrator.speak(passage))).toEqual([
			'Ada Birch carries one hammer.',
			'She never lends it.'
		]);
	});

	it('writes short forms out where it puts a name in their place', () => {
		const [passage] = passagesOf([
			note(
				'Interview with Ada Birch',
				'# Interview with Ada Birch\n\n## Feeding\n\nFor a garden she’d say once in spring.'
			)
		]);
		expect(new Narrator().speak(passage!)).toEqual([
			'For a garden Ada Birch would say once in spring.'
		]);
	});

	it('calls nobody “Speaker”', () => {
		const [passage] = passagesOf([
			note('Talk', '# Talk\n\n## Summary\n\nWrite the summary last of all.')
		]);
		const by = (name: string) =>
			new Narrator().speak({
				...passage!,
				form: 'quote',
				quoted: [true],
				voice: { kind: 'speaker', name, role: '' }
			});
		expect(by('Speaker 2')).toEqual(['“Write the summary last of all.”']);
		expect(by('Ada Birch')).toEqual(['“Write the summary last of all,” says Ada Birch.']);
	});

	it('says where something was seen', () => {
		const [passage] = passagesOf([
			note(
				'Site visit: Low Fold',
				'# Site visit: Low Fold\n\n## Trench\n\nThe trench was dug in a day.'
			)
		]);
		expect(new Narrator().speak(passage!)).toEqual(['At Low Fold, the trench was dug in a day.']);
	});
});

describe('what the brief settles', () => {
	it('closes with the call to action, word for word and marked as the brief’s', () => {
		const doc = draftArticle({
			...request,
			callToAction: 'Order the starter set,\nor ask by post.'
		});
		const last = doc.content.filter(({ type }) => type === 'paragraph').at(-1)!;
		expect(docText(last)).toBe('Order the starter set, or ask by post.');
		expect(JSON.stringify(last)).toContain('"source":"brief"');
	});

	it('leaves out every sentence with what must not be said', () => {
		const holds = (doc: TakeDoc) =>
			doc.content.some(
				(node) =>
					node.type !== 'gap' && node.type !== 'heading' && /\bhearting\b/i.test(docText(node))
			);
		expect(holds(draftArticle(request))).toBe(true);
		expect(holds(draftArticle({ ...request, mustNotSay: ['hearting', '…'] }))).toBe(false);
	});
});
