import { createParser } from 'eventsource-parser';
import { z } from 'zod';

/*
 * The chat-completions form over HTTP, as many servers speak it: a JSON body with messages, answered
 * whole or as a stream of server-sent events ("data: {…}").
 */

export interface ChatMessage {
	readonly role: 'system' | 'user' | 'assistant';
	readonly content: string;
}

export interface ChatCall {
	readonly messages: readonly ChatMessage[];
}

/** How a server's answer ended. */
export type ChatEnd =
	| { readonly kind: 'whole' }
	/** It reached the longest reply it may give, and can go on. */
	| { readonly kind: 'length' }
	/** It asks for patience. */
	| { readonly kind: 'busy'; readonly waitMs: number }
	/** The connection broke; what came is kept. */
	| { readonly kind: 'broken' }
	| { readonly kind: 'cancelled' }
	/** Ends the sentence "Nothing was written: …". */
	| { readonly kind: 'refused'; readonly reason: string };

/** A server that is asked with messages and gives text, piece by piece. */
export interface ChatServer {
	ask(call: ChatCall, stop: { readonly aborted: boolean }): AsyncGenerator<string, ChatEnd>;
}

const part = z.looseObject({
	choices: z
		.array(
			z.looseObject({
				delta: z.looseObject({ content: z.string().nullish() }).nullish(),
				message: z
					.looseObject({ content: z.string().nullish(), refusal: z.string().nullish() })
					.nullish(),
				text: z.string().nullish(),
				finish_reason: z.string().nullish()
			})
		)
		.nullish(),
	error: z.union([z.string(), z.looseObject({ message: z.string().nullish() })]).nullish()
});

/** What one piece of an answer says. */
export interface ChatPiece {
	readonly text: string;
	/** Null while it goes on. */
	readonly finish: string | null;
	/** What the server says went wrong; empty: nothing. */
	readonly trouble: string;
}

/** Reads one JSON object of an answer, streamed or whole; null when it is none. */
export function readChatJson(text: string): ChatPiece | null {
	let data: unknown;
	try {
		data = JSON.parse(text);
	} catch {
		return null;
	}
	const read = part.safeParse(data);
	if (!read.success) return null;
	const { choices, error } = read.data;
	const first = choices?.[0];
	return {
		text: first?.delta?.content ?? first?.message?.content ?? first?.text ?? '',
		finish: first?.finish_reason ?? null,
		trouble: typeof error === 'string' ? error : (error?.message ?? first?.message?.refusal ?? '')
	};
}

/** Cuts a stream of server-sent events into its data, whatever the pieces it arrives in. */
export class EventReader {
	#found: string[] = [];
	readonly #parser = createParser({ onEvent: ({ data }) => this.#found.push(data.trim()) });

	/** The data of the events that are complete now, in order; "[DONE]" included. */
	push(chunk: string): string[] {
		this.#parser.feed(chunk);
		return this.#found.splice(0);
	}

	/** The event that was open when the stream ended. */
	end(): string[] {
		return this.push('\n\n');
	}
}

/** Longest time that a server is waited for, in milliseconds. */
const MOST_WAIT_MS = 120_000;
const USUAL_WAIT_MS = 5_000;

/**
 * How long a Retry-After header asks to wait, in milliseconds: seconds, or a date (RFC 9110, 10.2.3).
 * Bounded at two minutes; five seconds where it says nothing.
 */
export function waitOf(retryAfter: string | null, nowMs: number): number {
	const said = retryAfter?.trim() ?? '';
	const seconds = /^\d+(?:\.\d+)?$/.test(said) ? Number(said) : (Date.parse(said) - nowMs) / 1000;
	const ms = Number.isFinite(seconds) ? Math.max(0, seconds * 1000) : USUAL_WAIT_MS;
	return Math.min(MOST_WAIT_MS, Math.ceil(ms));
}

/** Why a server did not write, in the writer's words, by what it answered. */
export function refusalOf(status: number, said: string, model: string): string {
	const words = said.replace(/\s+/g, ' ').trim().slice(0, 200);
	const more = words === '' ? '' : ` (it says: ${words})`;
	if (status === 401 || status === 403) return `the server refused the key${more}`;
	if (/model/i.test(words) && (status === 404 || status === 400 || status === 422))
		return `the server knows no model “${model}”${more}`;
	if (status === 404 || status === 405)
		return `nothing answers at this address${more}; it should end before “/chat/completions”`;
	if (status === 400 || status === 413 || status === 422)
		return `the server did not take the request${more}`;
	if (status === 402) return `the server wants to be paid first${more}`;
	if (status >= 500) return `the server is in trouble, it answered ${status}${more}`;
	return `the server answered ${status}${more}`;
}
