import {
	completionsReplySchema,
	MOST_ASKED,
	resultsReplySchema,
	type CompletionsReply,
	type ResultsReply
} from '$lib/core/services';
import type { z } from 'zod';

export type Answered<T> =
	| { readonly kind: 'answered'; readonly reply: T }
	| { readonly kind: 'unreachable'; readonly reason: string };

/** Asks who ranks for phrases, as many requests as it takes; stops between them when `isCancelled`. */
export async function lookUp(
	phrases: readonly string[],
	onProgress: (done: number) => void = () => {},
	isCancelled: () => boolean = () => false
): Promise<Answered<ResultsReply>> {
	const answers: ResultsReply['answers'] = [];
	let isSample = false;
	for (let at = 0; at < phrases.length && !isCancelled(); at += MOST_ASKED) {
		const part = await asked('/api/results', resultsReplySchema, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({ phrases: phrases.slice(at, at + MOST_ASKED) })
		});
		if (part.kind === 'unreachable') return part;
		answers.push(...part.reply.answers);
		isSample ||= part.reply.isSample;
		onProgress(Math.min(phrases.length, at + MOST_ASKED));
	}
	return { kind: 'answered', reply: { isSample, answers } };
}

/** Asks how a phrase goes on. */
export function complete(phrase: string): Promise<Answered<CompletionsReply>> {
	return asked(`/api/completions?phrase=${encodeURIComponent(phrase)}`, completionsReplySchema);
}

async function asked<T>(
	address: string,
	schema: z.ZodType<T>,
	init?: RequestInit
): Promise<Answered<T>> {
	try {
		const response = await fetch(address, init);
		if (!response.ok)
			return { kind: 'unreachable', reason: `the server answered ${response.status}` };
		const reply = schema.safeParse(await response.json());
		return reply.success
			? { kind: 'answered', reply: reply.data }
			: { kind: 'unreachable', reason: 'the answer was not understood' };
	} catch {
		return { kind: 'unreachable', reason: 'the server cannot be reached' };
	}
}
