import {
	answerRef,
	judgeAnswer,
	questionRef,
	type PossibleAnswer,
	type Question
} from '$lib/core/findings';
import type { Session } from './session.svelte';

/** Says whether a statement answers a question, as a step that can be taken back; null takes it back. */
export function judge(
	session: Pick<Session, 'edit'>,
	question: Question,
	one: PossibleAnswer,
	isRight: boolean | null
): void {
	const refs = question.wordings.map(questionRef);
	const label =
		isRight === null
			? 'Took back what was said of an answer'
			: isRight
				? `Confirmed an answer to “${question.text}”`
				: `Refused an answer to “${question.text}”`;
	void session.edit(label, (edits) => judgeAnswer(edits, refs, one, isRight));
}

/** Statements that the writer refused as answers to a question. */
export function refusedOf(
	session: Pick<Session, 'edits'>,
	question: Question
): { readonly source: string; readonly text: string }[] {
	const refs = new Set(question.wordings.map(questionRef));
	const seen = new Set<string>();
	return session.edits.answers.filter(({ question: asked, source, text, isRight }) => {
		const sign = `${source} ${answerRef(text)}`;
		if (isRight || !refs.has(asked) || seen.has(sign)) return false;
		seen.add(sign);
		return true;
	});
}

/** Key that confirms the first statement that may answer the question in hand, and the one that refuses it. */
export const CONFIRM_KEY = 'y';
export const REFUSE_KEY = 'n';

/** Takes a key for the first statement that may answer; false when it is no such key. */
export function judgedByKey(
	session: Pick<Session, 'edit'>,
	question: Question,
	{ key, altKey, ctrlKey, metaKey }: KeyboardEvent
): boolean {
	const [first] = question.mayAnswer;
	if (!first || altKey || ctrlKey || metaKey || (key !== CONFIRM_KEY && key !== REFUSE_KEY))
		return false;
	judge(session, question, first, key === CONFIRM_KEY);
	return true;
}
