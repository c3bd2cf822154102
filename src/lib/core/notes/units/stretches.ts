import { asks } from './kind-of';
import type { NoteLine } from './note-lines';
import type { UnitKind } from './unit';

/** Words of what somebody who asks says in passing. */
const LEAST_OF_REMARK = 4;

/** Whether it is no question by its words, nor a few words that stand for one. */
export function isRemark(asked: string): boolean {
	return !asked.includes('?') && !asks(asked) && asked.split(/\s+/).length >= LEAST_OF_REMARK;
}

const STATES =
	/^(?:i['’][dmv]\p{L}*|we['’]\p{L}+|he|she|they|it|it['’]s|that['’]s|there|this|these|no|yes|yeah|nope|not|never|in|about|usually|mostly|probably|depends|only|because|mine|ours)\b/iu;

/** Whether most of some entries say how something is, as answers do, and none what to do. */
export function areStatements(texts: readonly string[]): boolean {
	return texts.filter((text) => STATES.test(text)).length > texts.length / 2;
}

/** Whether it says something, whatever it is for. */
export function isStatement(kind: UnitKind): boolean {
	return kind === 'claim' || kind === 'definition' || kind === 'brief' || kind === 'question';
}

/** Where a line's text begins in the line itself, marks skipped. */
export function rawIndex(line: NoteLine, said: string): number {
	const length = line.end - line.start;
	return Math.max(0, length - said.length);
}

/** What was found out, behind the question. */
export const FOUND_OUT = /^(?:->|→|=>|⇒|➜)\s*\S/u;

interface Stretch {
	readonly text: string;
	readonly start: number;
	readonly end: number;
	readonly kind: UnitKind;
}

/**
 * What belongs together though a question mark parts it: "SOURCE?? found on a forum" is in doubt as a
 * whole, "do they sell rye? -> yes" is what was found out.
 */
export function withRestOfDoubt(stretches: readonly Stretch[], line: string): readonly Stretch[] {
	const [first, ...rest] = stretches;
	if (first && rest[0] && FOUND_OUT.test(rest[0].text) && /\?$/.test(first.text)) {
		const { end } = rest.at(-1)!;
		const kind = rest[0].kind === 'question' ? 'claim' : rest[0].kind;
		return [{ text: line.slice(first.start, end), start: first.start, end, kind }];
	}
	if (first?.kind !== 'todo' || rest.length === 0) return stretches;
	if (!/\?\?$/.test(first.text) || first.text.split(/\s+/).length > 2) return stretches;
	const { end } = rest.at(-1)!;
	return [{ ...first, text: line.slice(first.start, end), end }];
}
