import { z } from 'zod';
import { RESULT_KINDS } from '../keywords';

/*
 * What Scout asks of the outside world. Stand-ins that ship with the app answer now; a real
 * service would sit behind the same routes and give the same replies.
 */

const result = z.strictObject({
	position: z.number().int().min(1),
	address: z.string(),
	title: z.string(),
	strength: z.number().min(0).max(100).nullable(),
	kind: z.enum(RESULT_KINDS).nullable(),
	words: z.number().int().min(0).nullable(),
	date: z.string()
});

/** Who ranks for one phrase, and how many pages have it in their title. */
export const resultsReplySchema = z.strictObject({
	/** Whether the figures are invented for the sample. */
	isSample: z.boolean(),
	answers: z.array(
		z.strictObject({
			phrase: z.string(),
			titleMatches: z.number().int().min(0).nullable(),
			/** Null: the service knows nothing of the phrase. */
			results: z.array(result).nullable()
		})
	)
});

export type ResultsReply = z.infer<typeof resultsReplySchema>;

export const completionsReplySchema = z.strictObject({
	isSample: z.boolean(),
	completions: z.array(z.string())
});

export type CompletionsReply = z.infer<typeof completionsReplySchema>;

/** How many phrases one request may ask about. */
export const MOST_ASKED = 100;

/** Asks who ranks, and how often a phrase stands in titles. */
export interface ResultsService {
	lookUp(phrases: readonly string[]): Promise<ResultsReply>;
}

/** Completes what somebody begins to type. */
export interface SuggestionService {
	complete(phrase: string): Promise<CompletionsReply>;
}
