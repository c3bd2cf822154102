import type { Question } from '../../findings';
import type { PlanSection } from '../../plan';
import { docText, type BlockNode } from '../../manuscript';
import { andList, countWords, findTerms } from '../../text';
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
	{ answered, mayQuote, terms: index }: Pick<Allocation, 'answered' | 'mayQuote' | 'terms'>,
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
	if (section.kind === 'closing' && words === 0) {
		said.push(
			'Say in two or three sentences what the reader should do first; the notes hold nothing to close with.'
		);
	} else if (words < 0.6 * section.budget) {
		const used = new Set(
			text
				.split('\n')
				.flatMap((line) => findTerms(index, line))
				.map(({ term }) => findings.terms[term]!.key)
		);
		const absent = section.terms
			.filter(({ term }) => !used.has(term))
			.map(({ term }) => findings.terms.find(({ key }) => key === term)?.phrase ?? term);
		const missing = Math.max(0, section.budget - words);
		const about =
			absent.length > 0 ? `Find out about ${andList(absent.slice(0, 4))}` : `Find out more`;
		said.push(`${about}: your notes fall about ${Math.ceil(missing / 10) * 10} words short here.`);
		const page = section.facts
			.flatMap(
				({ fact }) =>
					findings.facts.find(
						({ id, origin, quantities }) =>
							id === fact && origin === 'page' && quantities.length > 0
					) ?? []
			)
			.slice(0, 2)
			.map((fact) => `${pageNames[fact.source] ?? 'a page'} gives ${fact.quantities[0]!.text}`);
		if (page.length > 0) said.push(`To check: ${page.join('; ')}.`);
	}
	return said.length === 0 ? null : said.join(' ');
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
