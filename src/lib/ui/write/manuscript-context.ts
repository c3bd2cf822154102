import type { Findings } from '$lib/core/findings';
import type { RunIndex } from '$lib/core/measure';
import type { Plan } from '$lib/core/plan';
import type { WordingRules } from '$lib/core/proof';
import type { QuoteStyle } from '$lib/core/text';
import type { Session } from '../assignment/session.svelte';

/**
 * What a manuscript is read against, each part asked for when it is needed (getters, so that a change
 * of one part concerns no other); findings and runs come when the evidence is read.
 */
export interface ManuscriptContext {
	readonly plan: Plan;
	readonly findings: Findings | null;
	readonly runs: RunIndex | null;
	/** What brief and client settle about wording; null: marks come from elsewhere. */
	readonly wording: WordingRules | null;
	/** How quotation marks are set as they are typed. */
	readonly quotes?: QuoteStyle;
	/** Takes pictures that are pasted or dropped, with the place of the block they come behind. */
	readonly onpictures?: (files: readonly File[], block: number) => void;
}

/** What an open assignment holds a manuscript against; plan and wording are asked for when they are needed. */
export function contextOf(
	session: Pick<Session, 'findings' | 'runs'>,
	planOf: () => Plan,
	wordingOf: () => WordingRules | null,
	quotesOf: () => QuoteStyle = () => 'straight',
	onpictures?: (files: readonly File[], block: number) => void
): ManuscriptContext {
	return {
		...(onpictures ? { onpictures } : {}),
		get quotes() {
			return quotesOf();
		},
		get plan() {
			return planOf();
		},
		get findings() {
			return session.findings;
		},
		get runs() {
			return session.runs;
		},
		get wording() {
			return wordingOf();
		}
	};
}
