import { isOrder } from '../../text';
import type { Question } from '../../findings';
import type { PlanSection } from '../../plan';
import { gap, heading, list, paragraph, textNode, type BlockNode } from '../../manuscript';
import type { Allocation } from './allocate';
import { Narrator } from './narrator';
import type { Passage } from './note-material';
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
		section.kind === 'steps' && !rest.some(({ form }) => form === 'steps')
			? rest.filter(
					({ form, hold, sentences }) => form === 'text' && hold === null && isOrder(sentences[0]!)
				)
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
	const asks = material.callToAction?.trim() ?? '';
	if (section.kind === 'closing' && asks !== '')
		blocks.push(paragraph(textNode(asks.replace(/\s+/g, ' '), BRIEF_ORIGIN)));
	const missing = gapFor(section, blocks, allocation, material);
	if (missing !== null) blocks.push(gap(missing));
	return blocks;
}

/** A question whose answer another section or question has taken, with that answer to judge by. */
function saidElsewhere({ answers }: Question, mayQuote: Allocation['mayQuote']): string {
	const said = answers.find(({ text }) => mayQuote(text));
	const what = said
		? `“${said.text}” is said elsewhere already`
		: 'Another section says it already';
	return `${what}: say it here in a sentence, or take the question out.`;
}

function underQuestion(answer: Passage): Passage {
	return answer.hold === 'answer' ? { ...answer, hold: null } : answer;
}

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
		// under its own question an answer says what it says
		if (answer) return [head, ...paragraphs([underQuestion(answer)], section, new Narrator())];
		return [
			head,
			gap(
				answered.has(question)
					? saidElsewhere(asked, mayQuote)
					: openQuestion(asked, material, mayQuote)
			)
		];
	});
}
