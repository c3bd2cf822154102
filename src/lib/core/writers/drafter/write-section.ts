import type { PlanSection } from '../../plan';
import { gap, heading, list, paragraph, textNode, type BlockNode } from '../../manuscript';
import { andList } from '../../text';
import type { Allocation } from './allocate';
import { isOrder, Narrator, type Passage } from './note-material';
import { type DraftMaterial, BRIEF_ORIGIN } from './draft-material';
import { gapFor, openQuestion } from './gaps';
import { paragraphs, sentenceNodes } from './running-text';

/** What stands under the heading of a section: answers first, then its passages, then what is missing. */
export function writeSection(
	section: PlanSection,
	mine: readonly Passage[],
	allocation: Allocation,
	material: DraftMaterial
): BlockNode[] {
	const { answers } = allocation;
	const first = section.questions.flatMap(({ question }) => answers.get(question) ?? []);
	const rest = [...mine].sort((a, b) => a.at - b.at);
	const narrator = new Narrator();
	const blocks: BlockNode[] = [];
	const steps =
		section.kind === 'steps'
			? rest.filter(({ form, sentences }) => form === 'text' && isOrder(sentences[0]!))
			: [];
	const asList = steps.length >= 3 ? steps : [];
	blocks.push(
		...paragraphs(
			[...first, ...rest.filter((passage) => !asList.includes(passage))],
			section,
			narrator
		)
	);
	if (asList.length > 0) {
		blocks.push(
			list(
				true,
				asList.map((passage) =>
					narrator.speak(passage).flatMap((text, i) => sentenceNodes(text, passage, i))
				)
			)
		);
	}
	if (section.kind === 'opening') blocks.splice(1, 0, paragraph(textNode(whatFollows(material))));
	const asks = material.callToAction?.trim() ?? '';
	if (section.kind === 'closing' && asks !== '')
		blocks.push(paragraph(textNode(asks.replace(/\s+/g, ' '), BRIEF_ORIGIN)));
	const missing = gapFor(section, blocks, allocation, material);
	if (missing !== null) blocks.push(gap(missing));
	return blocks;
}

/** The exact keyword and the order of the article, in one sentence near its start. */
function whatFollows({ plan, findings }: DraftMaterial): string {
	const keyword = findings.keyword.trim();
	const parts = plan.sections
		.filter(({ level, kind }) => level === 2 && kind !== 'faq' && kind !== 'closing')
		.map(({ heading }) => heading)
		.filter((heading) => !heading.toLowerCase().includes(keyword.toLowerCase()))
		.map((heading) => heading[0]!.toLowerCase() + heading.slice(1));
	const opens = keyword[0]!.toUpperCase() + keyword.slice(1);
	return parts.length === 0 ? `${opens}, in order.` : `${opens}, in order: ${andList(parts)}.`;
}

const SAID_ELSEWHERE =
	'Another section says it already: say it here in a sentence, or take the question out.';

/** Each question as a heading over its answer, or over a gap that names who has one. */
export function writeFaq(
	section: PlanSection,
	{ answers, answered, mayQuote }: Pick<Allocation, 'answers' | 'answered' | 'mayQuote'>,
	material: DraftMaterial
): BlockNode[] {
	const { findings } = material;
	return section.questions.flatMap(({ question }): BlockNode[] => {
		const asked = findings.questions.find(({ id }) => id === question);
		if (!asked) return [];
		const answer = answers.get(question);
		const head = heading(3, asked.text);
		if (answer) return [head, ...paragraphs([answer], section, new Narrator())];
		return [
			head,
			gap(answered.has(question) ? SAID_ELSEWHERE : openQuestion(asked, material, mayQuote))
		];
	});
}
