import { z } from 'zod';

/** A server that writes. It stays in this browser: in no archive, file, log or message. */
export const endpointSchema = z.strictObject({
	id: z.string().min(1).max(100),
	name: z.string().trim().min(1, 'Give it a name.').max(80),
	/** Up to and without "/chat/completions"; a path of this app for the stand-in. */
	address: z.string().trim().min(1, 'Give its address.').max(500),
	model: z.string().trim().max(200),
	/** Empty: none is sent. */
	key: z.string().max(2000),
	/** 0–2; null: the server's own. */
	temperature: z.number().min(0).max(2).nullable(),
	/** Tokens of one reply; null: the server's own. */
	longestReply: z.number().int().min(16).max(200_000).nullable()
});

export type Endpoint = z.infer<typeof endpointSchema>;

/** Where the stand-in that ships with the app answers. */
export const STAND_IN_ADDRESS = '/api/stand-in/v1';

/** Header of an answer that says why the endpoint was not asked. */
export const NOT_ASKED = 'x-corvan-not-asked';

/** The body of a call in the chat-completions form. */
export function chatBodyOf(
	{ model, temperature, longestReply }: Endpoint,
	messages: readonly { readonly role: string; readonly content: string }[],
	stream: boolean
): Record<string, unknown> {
	return {
		...(model === '' ? {} : { model }),
		messages,
		stream,
		...(temperature === null ? {} : { temperature }),
		...(longestReply === null ? {} : { max_tokens: longestReply })
	};
}

/** What an address becomes for the call itself: without a slash at its end, or the path twice. */
export function callAddressOf(address: string): string {
	return `${address
		.trim()
		.replace(/\/+$/, '')
		.replace(/\/chat\/completions$/, '')}/chat/completions`;
}
