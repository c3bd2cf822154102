import { z } from 'zod';
import { READS, type Mark, type ReadFor } from './mark';

/** What the writer decided about a mark: it is left out of sight, for a reason. */
export interface Decision {
	/** Id of the mark. */
	readonly mark: string;
	readonly reason: string;
}

/** What is kept of proofreading an assignment. */
export const proofChoicesSchema = z.strictObject({
	/** Marks that are out of sight, each for a reason; empty: none was given. */
	dismissed: z
		.array(z.strictObject({ mark: z.string().min(1).max(20_000), reason: z.string().max(500) }))
		.max(5000),
	/** What takes are not read for. */
	off: z.array(z.enum(READS)),
	/** Which spelling counts as right; null: that of the notes. */
	dialect: z.enum(['british', 'american']).nullable()
});

export type ProofChoices = z.infer<typeof proofChoicesSchema>;

export const NO_PROOF_CHOICES: ProofChoices = { dismissed: [], off: [], dialect: null };

/** Marks apart by what was decided about them. */
export interface DecidedMarks {
	readonly open: readonly Mark[];
	readonly dismissed: readonly { readonly mark: Mark; readonly reason: string }[];
}

/** Tells open marks from those that were dismissed, each in their order. */
export function decidedMarks(marks: readonly Mark[], decisions: readonly Decision[]): DecidedMarks {
	const reasons = new Map(decisions.map(({ mark, reason }) => [mark, reason]));
	return {
		open: marks.filter(({ id }) => !reasons.has(id)),
		dismissed: marks.flatMap((mark) => {
			const reason = reasons.get(mark.id);
			return reason === undefined ? [] : [{ mark, reason }];
		})
	};
}

/** Name of the rule that a mark is made by; what a client does not want marked is kept under it. */
export function ruleOf({ check, about }: Pick<Mark, 'check' | 'about'>): string {
	return `${check}: ${about}`;
}

/** Name under which a client's wish not to be read for something is kept. */
export function readingRule(reads: ReadFor): string {
	return `reading: ${reads}`;
}

/** What a client does not want to be read for. */
export function unreadBy(unmarked: readonly string[]): ReadFor[] {
	const wished = new Set(unmarked);
	return READS.filter((reads) => wished.has(readingRule(reads)));
}

/** Decisions with one more; an earlier one about the same mark gives way. */
export function withDecision(
	decisions: readonly Decision[],
	decision: Decision
): readonly Decision[] {
	return [...decisions.filter(({ mark }) => mark !== decision.mark), decision];
}
