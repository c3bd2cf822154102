import { z } from 'zod';
import {
	callAddressOf,
	chatBodyOf,
	EventReader,
	NOT_ASKED,
	readChatJson,
	refusalOf,
	waitOf,
	type ChatCall,
	type ChatEnd,
	type ChatServer,
	type Endpoint
} from '$lib/core/writers';

const troubleSchema = z.object({
	trouble: z.enum([
		'other page',
		'bad address',
		'private',
		'not found',
		'no server',
		'redirect',
		'too slow',
		'not secure'
	])
});

type Trouble = z.infer<typeof troubleSchema>['trouble'];

const SAID: Readonly<Record<Trouble, string>> = {
	'other page':
		'this page was opened under another address than Corvan’s own; open it under the one it printed when it started',
	'bad address': 'the address is no web address; it should open with https://',
	private:
		'the server is on this machine or network, and this app may not ask it yet: allow it in the settings',
	'not found': 'no server of that name is found',
	'no server': 'no server answers there',
	redirect:
		'the server sends the call on to another address, which is not followed; give that address',
	'too slow': 'the server did not answer within two minutes',
	'not secure':
		'a key is only sent over https, unless the server is one that you allowed in the settings'
};

export type Fetch = (input: string, init: RequestInit) => Promise<Response>;

/** Something that aborts a fetch when a stop is asked for, which is only looked at. */
const LOOK_MS = 100;

/** Asks an endpoint through this app's own server, since pages may not ask others. */
export function endpointServer(endpoint: Endpoint, ask: Fetch = fetch): ChatServer {
	return {
		async *ask(call: ChatCall, stop): AsyncGenerator<string, ChatEnd> {
			const abort = new AbortController();
			const look = setInterval(() => {
				if (stop.aborted) abort.abort();
			}, LOOK_MS);
			try {
				return yield* answerOf(endpoint, call, ask, abort.signal);
			} catch {
				return abort.signal.aborted ? { kind: 'cancelled' } : { kind: 'broken' };
			} finally {
				clearInterval(look);
				abort.abort();
			}
		}
	};
}

async function* answerOf(
	endpoint: Endpoint,
	{ messages }: ChatCall,
	ask: Fetch,
	signal: AbortSignal
): AsyncGenerator<string, ChatEnd> {
	const { address, key, model } = endpoint;
	let response: Response;
	try {
		response = await ask('/api/endpoint', {
			method: 'POST',
			signal,
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify({
				address: callAddressOf(address),
				key,
				body: chatBodyOf(endpoint, messages, true)
			})
		});
	} catch (error) {
		if (signal.aborted) throw error;
		return { kind: 'refused', reason: 'Corvan’s own server does not answer; is it still running?' };
	}
	if (response.headers.has(NOT_ASKED)) {
		const { trouble } = troubleSchema.parse(await response.json());
		return { kind: 'refused', reason: SAID[trouble] };
	}
	if (response.status === 429)
		return { kind: 'busy', waitMs: waitOf(response.headers.get('retry-after'), Date.now()) };
	if (!response.ok) {
		const text = await response.text();
		if (response.status === 503)
			return { kind: 'busy', waitMs: waitOf(response.headers.get('retry-after'), Date.now()) };
		const said = readChatJson(text)?.trouble ?? (/^\s*</.test(text) ? '' : text);
		return { kind: 'refused', reason: refusalOf(response.status, said, model) };
	}
	const isStream = (response.headers.get('content-type') ?? '').includes('event-stream');
	if (!isStream || !response.body) {
		const whole = readChatJson(await response.text());
		if (!whole)
			return { kind: 'refused', reason: 'what came back is no reply of the chat-completions form' };
		if (whole.trouble !== '')
			return { kind: 'refused', reason: refusalOf(400, whole.trouble, model) };
		yield whole.text;
		return endOf(whole.finish);
	}
	return yield* streamOf(response.body, model);
}

async function* streamOf(
	body: ReadableStream<Uint8Array>,
	model: string
): AsyncGenerator<string, ChatEnd> {
	const events = new EventReader();
	const decoder = new TextDecoder();
	const reader = body.getReader();
	let finish: string | null = null;
	for (;;) {
		const { done, value } = await reader.read();
		const found = done ? events.end() : events.push(decoder.decode(value, { stream: true }));
		for (const data of found) {
			if (data === '[DONE]') return endOf(finish);
			const piece = readChatJson(data);
			if (!piece) continue;
			if (piece.trouble !== '')
				return { kind: 'refused', reason: refusalOf(500, piece.trouble, model) };
			finish = piece.finish ?? finish;
			if (piece.text !== '') yield piece.text;
		}
		// a stream that says how it ended has ended, with or without its last line
		if (done) return finish === null ? { kind: 'broken' } : endOf(finish);
	}
}

function endOf(finish: string | null): ChatEnd {
	if (finish === 'length') return { kind: 'length' };
	if (finish === 'content_filter')
		return { kind: 'refused', reason: 'the server’s own filter stopped the reply' };
	return { kind: 'whole' };
}

export type EndpointTest =
	| { readonly kind: 'works'; readonly streams: boolean; readonly said: string }
	| { readonly kind: 'fails'; readonly reason: string };

/** Asks an endpoint for one word, to see whether it answers, and whether piece by piece. */
export async function testEndpoint(endpoint: Endpoint, ask: Fetch = fetch): Promise<EndpointTest> {
	let isStream = false;
	const watched: Fetch = async (input, init) => {
		const response = await ask(input, init);
		isStream = (response.headers.get('content-type') ?? '').includes('event-stream');
		return response;
	};
	const stop = { aborted: false };
	const answer = endpointServer(endpoint, watched).ask(
		{ messages: [{ role: 'user', content: 'Answer with the one word: ready' }] },
		stop
	);
	let said = '';
	let next = await answer.next();
	while (!next.done && said.length < 400) {
		said += next.value;
		next = await answer.next();
	}
	stop.aborted = true;
	if (!next.done) await answer.return({ kind: 'cancelled' });
	const end = next.done ? next.value : { kind: 'whole' as const };
	if (end.kind === 'refused') return { kind: 'fails', reason: end.reason };
	if (end.kind === 'busy')
		return { kind: 'fails', reason: 'the server is busy; try again in a while' };
	if (said.trim() === '')
		return {
			kind: 'fails',
			reason:
				end.kind === 'broken' ? 'the connection broke before anything came' : 'the reply was empty'
		};
	return { kind: 'works', streams: isStream, said: said.trim() };
}

const allowedSchema = z.object({
	allowed: z.array(z.string()),
	trouble: z.string().nullish()
});

/** Servers of this machine or network that this app's server may ask. */
export async function readAllowed(ask: Fetch = fetch): Promise<string[]> {
	return allowedSchema.parse(await (await ask('/api/endpoint/allowed', {})).json()).allowed;
}

/** @returns the list as it is now, and why it was not changed; null: it was */
export async function setAllowed(
	address: string,
	isAllowed: boolean,
	ask: Fetch = fetch
): Promise<{ readonly allowed: string[]; readonly trouble: string | null }> {
	const response = await ask('/api/endpoint/allowed', {
		method: 'PUT',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ address, isAllowed })
	});
	const read = allowedSchema.parse(await response.json());
	return { allowed: read.allowed, trouble: read.trouble ?? null };
}
