import { describe, expect, it } from 'vitest';
import { completionsReplySchema, resultsReplySchema } from '$lib/core/services';
import { sampleSearch } from './sample-search';

describe('the sample search', () => {
	it('answers for the demo’s phrases, says so, and knows nothing of others', async () => {
		const reply = resultsReplySchema.parse(
			await sampleSearch.lookUp(['How to build a dry stone wall?', 'gabion wall cost', 'knitting'])
		);
		expect(reply.isSample).toBe(true);
		const [wall, gabion, knitting] = reply.answers;
		expect(wall!.titleMatches).toBe(264);
		expect(wall!.results!.length).toBeGreaterThanOrEqual(14);
		expect(
			wall!.results!.every(({ address }) => /^https:\/\/[\w.-]+\.example\//.test(address))
		).toBe(true);
		expect([gabion!.titleMatches === null, gabion!.results]).toEqual([false, null]);
		expect(knitting).toMatchObject({ titleMatches: null, results: null });
	});

	it('completes a phrase from its beginning first, then by its words', async () => {
		const { completions } = completionsReplySchema.parse(
			await sampleSearch.complete('dry stone wall co')
		);
		expect(completions.length).toBeGreaterThan(5);
		expect(completions[0]).toMatch(/^dry stone wall co/);
		expect(new Set(completions).size).toBe(completions.length);
		expect((await sampleSearch.complete('knitting')).completions).toEqual([]);
	});
});
