import { describe, expect, it } from 'vitest';
import {
	NOT_ASKED,
	STAND_IN_ADDRESS,
	STAND_IN_SAYS,
	type ChatEnd,
	type Endpoint
} from '$lib/core/writers';
import { answerAsStandIn } from '$lib/server/stand-in';
import { endpointServer, setAllowed, testEndpoint, type Fetch } from './endpoints';

const REQUEST = `# To be written

## Dig the trench

Write it. Kind: explanation. About 120 words. It stands at the start, at the end.
Terms, with how often each is wanted:
- foundation trench ×2, frost heave ×1
Material:
- [n1.1] Dig to firm subsoil
- [n1.2] Make the trench wider than the wall by a hand on each side, so that there is room to stand and to set the line
- [n1.3] Water under the footings freezes and lifts them, and they never come down quite straight again

# Rules
`;

const endpointOf = (model: string): Endpoint => ({
	id: 'e',
	name: 'Stand-in',
	address: STAND_IN_ADDRESS,
	model,
	key: 'secret-key',
	temperature: null,
	longestReply: null
});

/** The app's own route, as far as the stand-in goes. */
const route: Fetch = async (_, init) => {
	const { body } = JSON.parse(String(init.body)) as { body: unknown };
	return answerAsStandIn(
		new Request('http://127.0.0.1/', { method: 'POST', body: JSON.stringify(body) })
	);
};
const answering =
	(status: number, body: string, headers: Record<string, string> = {}): Fetch =>
	() =>
		Promise.resolve(new Response(body, { status, headers }));

async function heard(ask: Fetch, model = 'stand-in', content = REQUEST) {
	const pieces: string[] = [];
	const answer = endpointServer(endpointOf(model), ask).ask(
		{ messages: [{ role: 'user', content }] },
		{ aborted: false }
	);
	let next = await answer.next();
	while (!next.done) {
		pieces.push(next.value);
		next = await answer.next();
	}
	return { text: pieces.join(''), pieces: pieces.length, end: next.value };
}

describe('the stand-in', () => {
	it('streams the request’s own material under its heading, and says who it is', async () => {
		const { text, pieces, end } = await heard(route);
		expect(end).toEqual({ kind: 'whole' });
		expect(pieces).toBeGreaterThan(3);
		expect(text).toContain(STAND_IN_SAYS);
		expect(text).toMatch(/## Dig the trench\n\nDig to firm subsoil \[n1\.1\]\./);
	});

	it.each([
		['stand-in-cuts-off', { kind: 'length' }],
		['stand-in-breaks', { kind: 'broken' }],
		['stand-in-busy', { kind: 'busy', waitMs: 1000 }],
		['stand-in-slow', { kind: 'whole' }],
		['stand-in-whole', { kind: 'whole' }],
		['stand-in-refuses', { kind: 'whole' }]
	] satisfies [string, ChatEnd][])('%s ends as %o', async (model, end) => {
		expect((await heard(route, model)).end).toEqual(end);
	});

	it('answers in one piece where it ignores that a stream was asked for', async () => {
		expect((await heard(route, 'stand-in-whole')).pieces).toBe(1);
	});

	it('is busy once for a request, and then answers', async () => {
		const content = `${REQUEST} once more`;
		expect((await heard(route, 'stand-in-busy', content)).end.kind).toBe('busy');
		expect((await heard(route, 'stand-in-busy', content)).end.kind).toBe('whole');
	});

	it('chatters, stuffs and forgets by name', async () => {
		expect((await heard(route, 'stand-in-chatters')).text).toMatch(/^Sure!.*Let me know/s);
		expect(
			(await heard(route, 'stand-in-stuffs')).text.match(/frost heave/g)!.length
		).toBeGreaterThan(5);
		expect((await heard(route, 'stand-in-forgets')).text).toContain('not asked for');
	});
});

describe('endpointServer', () => {
	it.each([
		[answering(401, '{"error":{"message":"bad"}}'), /refused the key \(it says: bad\)/],
		[answering(404, '{"error":{"message":"model larch not found"}}'), /knows no model “stand-in”/],
		[answering(404, '<html>not here</html>'), /nothing answers at this address; it should end/],
		[
			answering(200, 'hello', { 'content-type': 'text/plain' }),
			/no reply of the chat-completions form/
		],
		[answering(200, '{"trouble":"private"}', { [NOT_ASKED]: '1' }), /allow it in the settings/],
		[answering(200, '{"trouble":"redirect"}', { [NOT_ASKED]: '1' }), /not followed/],
		[() => Promise.reject(new TypeError('Failed to fetch')), /own server does not answer/]
	] as [Fetch, RegExp][])('says what is wrong (%#)', async (ask, reason) => {
		const { end } = await heard(ask);
		expect(end).toMatchObject({ kind: 'refused', reason });
		expect(JSON.stringify(end)).not.toContain('secret-key');
	});

	it('reads a stream without a last line, and one that tells of trouble in the middle', async () => {
		const stream = (text: string) => answering(200, text, { 'content-type': 'text/event-stream' });
		const piece = (content: string, reason: string | null) =>
			`data: ${JSON.stringify({ choices: [{ delta: { content }, finish_reason: reason }] })}\n\n`;
		expect(await heard(stream(piece('a', null) + piece('b', 'stop')))).toMatchObject({
			text: 'ab',
			end: { kind: 'whole' }
		});
		expect((await heard(stream(piece('a', null)))).end).toEqual({ kind: 'broken' });
		expect(
			(await heard(stream(`${piece('a', null)}data: {"error":{"message":"overloaded"}}\n\n`))).end
		).toMatchObject({ kind: 'refused', reason: /overloaded/ });
	});

	it('stops while it waits', async () => {
		const stop = { aborted: false };
		const answer = endpointServer(
			endpointOf('stand-in'),
			(_, { signal }) =>
				new Promise((_done, fail) =>
					signal!.addEventListener('abort', () => fail(new DOMException('', 'AbortError')))
				)
		).ask({ messages: [] }, stop);
		setTimeout(() => (stop.aborted = true), 30);
		expect(await answer.next()).toEqual({ done: true, value: { kind: 'cancelled' } });
	});
});

describe('testEndpoint', () => {
	it('says that it works and streams, that it does not stream, and what fails', async () => {
		expect(await testEndpoint(endpointOf('stand-in'), route)).toMatchObject({
			kind: 'works',
			streams: true
		});
		expect(await testEndpoint(endpointOf('stand-in-whole'), route)).toMatchObject({
			kind: 'works',
			streams: false
		});
		expect(await testEndpoint(endpointOf('larch'), route)).toMatchObject({
			kind: 'fails',
			reason: /knows no model “larch”/
		});
	});
});

describe('setAllowed', () => {
	it('gives the list, and why it was not changed', async () => {
		const full = answering(409, '{"allowed":["http://127.0.0.1:1"],"trouble":"the list is full"}');
		expect(await setAllowed('http://127.0.0.1:2', true, full)).toEqual({
			allowed: ['http://127.0.0.1:1'],
			trouble: 'the list is full'
		});
	});
});
