import type { Question } from '../../findings';
import type { PlanSection } from '../../plan';
import { docText, type BlockNode } from '../../manuscript';
import { andList, countWords, findTerms, type TermIndex } from '../../text';
import type { Passage } from './note-material';
import type { DraftMaterial } from './draft-material';

export function whoAnswers(
	{ answers }: Question,
	pageNames: Readonly<Record<string, string>>
): string {
	const names = [...new Set(answers.flatMap(({ source }) => pageNames[source] ?? []))];
	return names.length === 0
		? 'No page answers it either: you would be the first.'
		: `${andList(names)} ${names.length === 1 ? 'has' : 'have'} an answer to check and cite.`;
}

/** What a section still lacks, in words, or null when its budget is nearly met and all is answered. */
export function gapFor(
	section: PlanSection,
	blocks: readonly BlockNode[],
	answers: ReadonlyMap<string, Passage>,
	{ findings, pageNames }: DraftMaterial,
	index: TermIndex
): string | null {
	const text = blocks.map(docText).join('\n');
	const words = countWords(text);
	const said: string[] = [];
	for (const { question } of section.questions) {
		const asked = findings.questions.find(({ id }) => id === question);
		if (asked && !answers.has(question))
			said.push(`${asked.text} None of your notes says. ${whoAnswers(asked, pageNames)}`);
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
