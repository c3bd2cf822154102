import type { Answer, Question } from '../../findings';
import { contentStemsOf } from '../../text';
import type { Passage } from './note-material';

/** Part of an answer's words, columns of a table included, that its passage holds. */
const SAME_AT = 0.6;

/** The passages that answer a question, as the findings say, the best answer first. */
export function answeringPassages(
	question: Question,
	passages: readonly Passage[]
): readonly Passage[] {
	const byNote = new Map<string, Passage[]>();
	for (const passage of passages) {
		const list = byNote.get(passage.note);
		if (list) list.push(passage);
		else byNote.set(passage.note, [passage]);
	}
	const found = question.answers.flatMap(
		(answer) => passageOf(answer, byNote.get(answer.source) ?? []) ?? []
	);
	return [...new Set(found)];
}

/** The passage that an answer stands in: with its words as they are, or as the row of a table. */
function passageOf(
	{ text }: Pick<Answer, 'text'>,
	passages: readonly Passage[]
): Passage | undefined {
	const plain = spaced(text);
	const exact = passages.find(({ raw }) => {
		const own = spaced(raw);
		return own.includes(plain) || plain.startsWith(own);
	});
	if (exact) return exact;
	const stems = contentStemsOf(text);
	const share = ({ stems: own }: Passage) =>
		stems.filter((stem) => own.includes(stem)).length / Math.max(1, stems.length);
	const [best] = passages
		.filter(({ form }) => form === 'table' || form === 'steps')
		.map((passage) => ({ passage, share: share(passage) }))
		.sort((a, b) => b.share - a.share);
	return best && best.share >= SAME_AT ? best.passage : undefined;
}

function spaced(text: string): string {
	return text.replace(/\s+/g, ' ').trim();
}
