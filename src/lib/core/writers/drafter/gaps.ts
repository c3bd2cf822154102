import type { Findings, Question } from '../../findings';
import type { PlanSection } from '../../plan';
import { docText, type BlockNode } from '../../manuscript';
import { andList, countWords } from '../../text';
import type { Allocation } from './allocate';
import type { DraftMaterial } from './draft-material';

/** What is known of a question that nothing in the notes is sure to answer. */
export function openQuestion(
	{ answers, mayAnswer }: Question,
	{ notes, pageNames }: Pick<DraftMaterial, 'notes' | 'pageNames'>,
	mayQuote: Allocation['mayQuote']
): string {
	const labels = new Map(notes.map(({ id, label }) => [id, label]));
	const ofNotes = mayAnswer.filter(({ source }) => labels.has(source));
	const perhaps = ofNotes.find(({ text }) => mayQuote(text));
	const pages = [...new Set(answers.flatMap(({ source }) => pageNames[source] ?? []))];
	const likely = [...new Set(mayAnswer.flatMap(({ source }) => pageNames[source] ?? []))];
	const fromNotes = perhaps
		? `Perhaps: “${perhaps.text}” (${labels.get(perhaps.source)!}).`
		: ofNotes[0]
			? `Perhaps in ${labels.get(ofNotes[0].source)!}.`
			: 'None of your notes says.';
	if (pages.length > 0)
		return `${fromNotes} ${andList(pages)} ${pages.length === 1 ? 'has' : 'have'} an answer to check and cite.`;
	if (likely.length > 0) return `No page answers it outright, ${andList(likely)} may. ${fromNotes}`;
	return ofNotes.length > 0
		? `No page answers it. ${fromNotes}`
		: `${fromNotes} No page answers it either: you would be the first.`;
}

/** What a section still lacks, in words, or null when its budget is nearly met and all is answered. */
export function gapFor(
	section: PlanSection,
	blocks: readonly BlockNode[],
	{ answered, mayQuote, unused }: Pick<Allocation, 'answered' | 'mayQuote' | 'unused'>,
	{ findings, notes, pageNames }: DraftMaterial
): string | null {
	const text = blocks.map(docText).join('\n');
	const words = countWords(text);
	const said: string[] = [];
	for (const { question } of section.questions) {
		const asked = findings.questions.find(({ id }) => id === question);
		if (asked && !answered.has(question) && !isSaidIn(asked, text))
			said.push(`${asked.text} ${openQuestion(asked, { notes, pageNames }, mayQuote)}`);
	}
	if (section.kind === 'opening' && !text.toLowerCase().includes(findings.keyword.toLowerCase()))
		said.push(
			`Answer “${findings.keyword}” here in two or three sentences, with these words among them.`
		);
	if (section.kind === 'closing' && words === 0) {
		said.push(
			'Say in two or three sentences what the reader should do first; the notes hold nothing to close with.'
		);
	} else if (
		words < SHORT_AT * section.budget &&
		(section.kind !== 'opening' || said.length === 0)
	) {
		const missing = Math.max(0, section.budget - words);
		said.push(`Your notes fall about ${Math.ceil(missing / 10) * 10} words short here.`);
		const spare = unused.get(section.id)?.find((passage) => mayQuote(passage.raw));
		if (spare) said.push(`Perhaps: “${spare.raw}” (${spare.label}).`);
		const page = section.facts
			.flatMap(({ fact }) => figureOf(fact, findings, pageNames) ?? [])
			.slice(0, 2);
		if (page.length > 0) said.push(`To check: ${page.join('; ')}.`);
	}
	return said.length === 0 ? null : said.join(' ');
}

/** Part of its budget under which a section is said to be short. */
const SHORT_AT = 0.6;

/** A figure that a page states, with what it is a figure of, in our words; null for a fact of a note or without one. */
function figureOf(
	id: string,
	{ facts, figures }: Findings,
	pageNames: DraftMaterial['pageNames']
): string | null {
	const fact = facts.find((one) => one.id === id);
	if (fact?.origin !== 'page') return null;
	const figure = figures.find(({ values }) => values.some((value) => value.fact === id));
	const value = figure?.values.find((one) => one.fact === id);
	if (!figure || !value) return null;
	return `${pageNames[fact.source] ?? 'a page'} gives ${fact.quantities[value.quantity]?.text ?? ''}${figure.label === '' ? '' : ` (${figure.label})`}`;
}

/** Whether what may answer a question stands in the section anyway. */
function isSaidIn({ mayAnswer }: Question, text: string): boolean {
	const words = (said: string) => said.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
	const here = new Set(words(text));
	return mayAnswer.slice(0, 1).some(({ text: said }) => {
		const all = words(said);
		return all.filter((word) => here.has(word)).length >= SAID_AT * all.length;
	});
}

/** Share of an answer's words that make it said: jottings are smoothed before they are printed. */
const SAID_AT = 0.85;
