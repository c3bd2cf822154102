import { afterEach, describe, expect, it, vi } from 'vitest';
import { MOST_ASKED } from '$lib/core/services';
import { complete, lookUp } from './search';

afterEach(() => vi.unstubAllGlobals());

/** A server that answers each request with what `answer` makes of its phrases. */
function serve(answer: (phrases: string[]) => unknown, status = 200): string[][] {
	const asked: string[][] = [];
	vi.stubGlobal('fetch', async (_: string, init?: RequestInit) => {
		const { phrases } = init?.body
			? (JSON.parse(init.body as string) as { phrases: string[] })
			: { phrases: [] };
		asked.push(phrases);
		return new Response(JSON.stringify(answer(phrases)), { status });
	});
	return asked;
}
const known = (phrases: string[]) => ({
	isSample: true,
	answers: phrases.map((phrase) => ({ phrase, titleMatches: 1, results: null }))
});
const phrases = Array.from({ length: 2 * MOST_ASKED + 5 }, (_, i) => `wall ${i}`);

describe('lookUp', () => {
	it('asks in as many requests as it takes, and says how far it is', async () => {
		const asked = serve(known);
		const steps: number[] = [];
		const reply = await lookUp(phrases, (done) => steps.push(done));
		expect(asked.map((part) => part.length)).toEqual([MOST_ASKED, MOST_ASKED, 5]);
		expect(steps).toEqual([MOST_ASKED, 2 * MOST_ASKED, phrases.length]);
		expect(reply.kind === 'answered' && reply.reply.answers.map(({ phrase }) => phrase)).toEqual(
			phrases
		);
	});

	it('stops between requests and keeps what has come', async () => {
		const asked = serve(known);
		const reply = await lookUp(phrases, undefined, () => asked.length > 0);
		expect(reply.kind === 'answered' && reply.reply.answers).toHaveLength(MOST_ASKED);
	});

	it('says what went wrong: a refusal, an answer that cannot be, no server', async () => {
		serve(known, 500);
		expect(await lookUp(['wall'])).toEqual({
			kind: 'unreachable',
			reason: 'the server answered 500'
		});
		serve(() => ({
			isSample: true,
			answers: [{ phrase: 'wall', titleMatches: -1, results: null }]
		}));
		expect(await lookUp(['wall'])).toMatchObject({ reason: 'the answer was not understood' });
		vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')));
		expect(await complete('wall')).toEqual({
			kind: 'unreachable',
			reason: 'the server cannot be reached'
		});
	});
});
