import { flushSync } from 'svelte';
import { describe, expect, it, vi } from 'vitest';
import type { Evidence } from '$lib/core/assignment';
import { NO_EDITS, type Findings } from '$lib/core/findings';
import type { Analyst, OnProgress } from '$lib/workers/client';
import { LiveFindings } from './live-findings.svelte';
import { answering } from '../../../../tests/support/analyst';

answering({});

const evidenceOf = (keyword: string, pages: Evidence['pages'] = []): Evidence => ({
	keyword,
	targetWords: null,
	effort: 'pillar',
	grade: null,
	required: [],
	secondary: [],
	pages,
	notes: [],
	listed: [],
	edits: NO_EDITS
});

/** A worker that answers when the test says so, the way the real one does: the newest call wins. */
function fakeAnalyst() {
	const calls: {
		keyword: string;
		tell: OnProgress;
		answer: (findings: Findings | null) => Promise<void>;
		fail: (message: string) => Promise<void>;
	}[] = [];
	const settle = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
	const analyst: Pick<Analyst, 'findings' | 'standings' | 'runs'> = {
		findings: ({ keyword }, tell) =>
			new Promise((resolve, reject) =>
				calls.push({
					keyword,
					tell,
					answer: (findings) => (resolve(findings), settle()),
					fail: (message) => (reject(new Error(message)), settle())
				})
			),
		standings: vi.fn(async () => []),
		runs: vi.fn(async () => new Float64Array())
	};
	return { calls, analyst };
}

const findingsOf = (keyword: string) => ({ keyword }) as Findings;

/** Live findings of evidence that the test can change, followed as a layout does. */
function following(first: Evidence | null) {
	let evidence = $state.raw(first);
	const { calls, analyst } = fakeAnalyst();
	const live = new LiveFindings(() => evidence, analyst);
	const end = $effect.root(() => {
		$effect(() => live.follow());
	});
	flushSync();
	return {
		live,
		calls,
		analyst,
		end,
		change: (next: Evidence) => {
			evidence = next;
			flushSync();
		}
	};
}

describe('LiveFindings', () => {
	it('finds when the evidence is read, and again when its content changes', async () => {
		const { live, calls, change, end } = following(null);
		expect(calls).toHaveLength(0);
		change(evidenceOf('walls'));
		await calls[0]!.answer(findingsOf('walls'));
		expect(live.analysed?.findings.keyword).toBe('walls');
		expect(live.isCurrent).toBe(true);
		// another object that says the same is no change
		change(evidenceOf('walls'));
		expect(calls).toHaveLength(1);
		change(evidenceOf('copes'));
		expect(live.isCurrent).toBe(false);
		expect(live.analysed?.evidence.keyword).toBe('walls');
		await calls[1]!.answer(findingsOf('copes'));
		expect(live.isCurrent).toBe(true);
		end();
	});

	it('sees a page that says something else under the same id', () => {
		const article = { title: 'Walls', blocks: [] } as never;
		const page = (sign: string) => [{ id: 'p', name: 'p', sign, struck: [], article }];
		const { calls, change, end } = following(evidenceOf('walls', page('one')));
		change(evidenceOf('walls', page('two')));
		expect(calls).toHaveLength(2);
		end();
	});

	it('keeps the answer of the latest request when a change is taken back meanwhile', async () => {
		const { live, calls, change, end } = following(evidenceOf('walls'));
		change(evidenceOf('copes'));
		change(evidenceOf('walls'));
		expect(calls.map(({ keyword }) => keyword)).toEqual(['walls', 'copes', 'walls']);
		await calls[0]!.answer(null);
		await calls[1]!.answer(null);
		await calls[2]!.answer(findingsOf('walls'));
		expect(live.isCurrent).toBe(true);
		expect(live.progress).toBeNull();
		end();
	});

	it('shows how far the latest request is, and no words of an older one', async () => {
		const { live, calls, change, end } = following(evidenceOf('walls'));
		calls[0]!.tell({ done: 1, all: 9 });
		expect(live.progress).toEqual({ done: 1, all: 9 });
		change(evidenceOf('copes'));
		calls[0]!.tell({ done: 2, all: 9 });
		expect(live.progress).toEqual({ done: 1, all: 9 });
		await calls[1]!.answer(findingsOf('copes'));
		calls[1]!.tell({ done: 9, all: 9 });
		expect(live.progress).toBeNull();
		end();
	});

	it('says why the evidence could not be read, and tries again with the next change', async () => {
		const { live, calls, change, end } = following(evidenceOf('walls'));
		await calls[0]!.fail('out of memory');
		expect(live.trouble).toBe('The evidence could not be read: out of memory');
		change(evidenceOf('copes'));
		await calls[1]!.answer(findingsOf('copes'));
		expect(live.trouble).toBeNull();
		end();
	});

	it('asks for standings once a revision and for runs once for what the pages say', async () => {
		const { live, calls, analyst, change, end } = following(evidenceOf('walls'));
		await live.findStandings();
		expect(analyst.standings).not.toHaveBeenCalled();
		await calls[0]!.answer(findingsOf('walls'));
		await Promise.all([live.findStandings(), live.findStandings(), live.findRuns()]);
		change(evidenceOf('copes'));
		await calls[1]!.answer(findingsOf('copes'));
		await Promise.all([live.findStandings(), live.findRuns()]);
		expect(analyst.standings).toHaveBeenCalledTimes(2);
		expect(analyst.runs).toHaveBeenCalledTimes(1);
		end();
	});

	it('shows no findings of no pages while the first pages are read', async () => {
		const { live, calls, change } = following(evidenceOf('walls'));
		await calls[0]!.answer(findingsOf('nothing'));
		expect(live.analysed).not.toBeNull();
		change(evidenceOf('walls', [{ id: 'p' } as Evidence['pages'][number]]));
		expect(live.analysed).toBeNull();
		await calls.at(-1)!.answer(findingsOf('one page'));
		expect(live.analysed!.findings).toEqual(findingsOf('one page'));
		expect(live.isCurrent).toBe(true);
	});
});
