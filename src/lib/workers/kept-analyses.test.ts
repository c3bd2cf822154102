import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import {
	adoptAnalysis,
	analyse,
	draftMaterialOf,
	standingsOf,
	WorkStore,
	type Analysis
} from '$lib/core/assignment';
import { runThrough } from '$lib/core/keywords';
import { proposePlan } from '$lib/core/plan';
import { jobAnalysis } from '../../../tests/support/job-analysis';
import { KeptAnalyses } from './kept-analyses';

const work = () => jobAnalysis('moss-lawn');
const named = (n: number): Analysis => ({ ...work(), revision: `r${n}` });

describe('KeptAnalyses', () => {
	beforeEach(() => new KeptAnalyses('one').forget());

	it('gives back all that was worked out, to another worker of the same build', async () => {
		const analysis = work();
		await new KeptAnalyses('one').keep(analysis);
		const found = await new KeptAnalyses('one').find(analysis.revision, analysis.evidence);
		expect(found).toEqual(analysis);
		// the runs are made when they are asked for
		const plan = proposePlan(analysis.findings);
		expect(draftMaterialOf(found!, plan)).toEqual(draftMaterialOf(analysis, plan));
	});

	it('gives nothing of another build, another revision, or where nothing is to be kept', async () => {
		const { revision, evidence } = work();
		await new KeptAnalyses('one').keep(work());
		expect(await new KeptAnalyses('two').find(revision, evidence)).toBeNull();
		expect(await new KeptAnalyses('one').find('other', evidence)).toBeNull();
		await new KeptAnalyses('').keep(named(1));
		expect(await new KeptAnalyses('').find('r1', evidence)).toBeNull();
	});

	it('keeps the eight asked for last', async () => {
		const kept = new KeptAnalyses('one');
		const { evidence } = work();
		let now = 0;
		const clock = Date.now;
		Date.now = () => ++now;
		try {
			for (let n = 1; n <= 8; n++) await kept.keep(named(n));
			await kept.find('r1', evidence);
			await kept.keep(named(9));
			expect(await kept.find('r1', evidence)).not.toBeNull();
			expect(await kept.find('r2', evidence)).toBeNull();
			expect(await kept.find('r3', evidence)).not.toBeNull();
		} finally {
			Date.now = clock;
		}
	});

	it('keeps where the pages stand beside their analysis, as long as that is kept', async () => {
		const analysis = work();
		const kept = new KeptAnalyses('one');
		const standings = runThrough(standingsOf(analysis));
		await kept.keepStandings(analysis.revision, standings);
		expect(await kept.findStandings(analysis.revision), 'without its analysis').toBeNull();
		await kept.keep(analysis);
		await kept.keepStandings(analysis.revision, standings);
		expect(await kept.findStandings(analysis.revision)).toEqual(standings);
		expect(await new KeptAnalyses('two').findStandings(analysis.revision)).toBeNull();
		expect(await new KeptAnalyses('').findStandings(analysis.revision)).toBeNull();
		for (let n = 1; n <= 8; n++) await kept.keep(named(n));
		expect(await kept.findStandings(analysis.revision)).toBeNull();
	});

	it('forgets all of it', async () => {
		const kept = new KeptAnalyses('one');
		await kept.keep(work());
		await kept.forget();
		expect(await kept.find(work().revision, work().evidence)).toBeNull();
	});

	it('saves the work on pages and notes that have not changed', () => {
		const before = work();
		const store = new WorkStore(() => {
			throw new Error('a page was worked on again');
		});
		adoptAnalysis(store, before);
		const again = runThrough(analyse({ ...before.evidence, targetWords: 900 }, store));
		expect(again.findings.targetWords).toBe(900);
		expect(again.pages).toEqual(before.pages);
	});
});
