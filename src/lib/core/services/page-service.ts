import { z } from 'zod';

/** Answer of whatever fetches pages: the markup as text, or why there is none. */
export const pageReplySchema = z.discriminatedUnion('kind', [
	z.object({
		kind: z.literal('fetched'),
		/** Where the page was found in the end, after redirects. */
		address: z.string(),
		html: z.string(),
		/** Whether it came from the sample that ships with the app. */
		isSample: z.boolean()
	}),
	z.object({
		kind: z.literal('refused'),
		/** Ends the sentence "… was not brought in: ". */
		reason: z.string(),
		/** Whether asking again may help. */
		canRetry: z.boolean()
	})
]);

export type PageReply = z.infer<typeof pageReplySchema>;

/** Fetches one page by its address. */
export interface PageService {
	fetchPage(address: string, signal?: AbortSignal): Promise<PageReply>;
}

/** Bounds of a fetch; a page that takes longer or is larger is not worth waiting for. */
export const FETCH_LIMITS = {
	bytes: 10_000_000,
	timeoutMs: 20_000,
	redirects: 5,
	addressChars: 2_000,
	/** Pages asked for at the same time. */
	atOnce: 10
} as const;
