import { beforeAll, describe, expect, it } from 'vitest';
import { demoEvidence } from '../../../tests/support/demo';
import { revisionOf, type Evidence } from '$lib/core/assignment';
import { EvidenceShelf } from './evidence-shelf';
import { evidenceSharer } from './share-evidence';

let evidence: Evidence;

beforeAll(() => {
	evidence = demoEvidence({ pages: 3 });
});

/** The worker's side of sharing, counting what crosses. */
function taker() {
	const shelf = new EvidenceShelf();
	const crossed = { outlines: 0, articles: 0 };
	return {
		shelf,
		crossed,
		hasEvidence: async (revision: string) => shelf.has(revision),
		takeEvidence: async (...given: Parameters<EvidenceShelf['put']>) => {
			crossed.outlines++;
			return shelf.put(...given);
		},
		supplyArticles: async (articles: Parameters<EvidenceShelf['supply']>[0]) => {
			crossed.articles += articles.length;
			shelf.supply(articles);
		}
	};
}

describe('evidenceSharer', () => {
	it('brings everything over, as it was', async () => {
		const worker = taker();
		expect(await evidenceSharer(() => worker)(evidence)).toBe(revisionOf(evidence));
		expect(worker.shelf.evidenceOf(revisionOf(evidence))).toEqual(evidence);
	});

	it('sends nothing twice: no evidence of one revision, and no article of one sign', async () => {
		const worker = taker();
		const share = evidenceSharer(() => worker);
		await share(evidence);
		await share(evidence);
		expect(worker.crossed).toEqual({ outlines: 1, articles: 3 });
		await share({ ...evidence, keyword: 'walls' });
		await share({ ...evidence, pages: evidence.pages.slice(1) });
		await share({ ...evidence, pages: evidence.pages.map((page) => ({ ...page, struck: [1] })) });
		expect(worker.crossed).toEqual({ outlines: 4, articles: 3 });
		const [first, ...rest] = evidence.pages;
		await share({
			...evidence,
			pages: [{ ...first!, sign: 'other', article: { ...first!.article, title: 'New' } }, ...rest]
		});
		expect(worker.crossed).toEqual({ outlines: 5, articles: 4 });
	});

	it('lets what waits for it go on in the order it was asked, however slow the first is', async () => {
		const slow = taker();
		const supply = slow.supplyArticles;
		slow.supplyArticles = async (articles) => {
			await new Promise((resolve) => setTimeout(resolve, 20));
			await supply(articles);
		};
		const share = evidenceSharer(() => slow);
		const done: string[] = [];
		await Promise.all([
			share(evidence).then(() => done.push('first')),
			share({ ...evidence, pages: [] }).then(() => done.push('second'))
		]);
		expect(done).toEqual(['first', 'second']);
	});

	it('goes on after evidence that could not be shared', async () => {
		const worker = taker();
		const take = worker.takeEvidence;
		let fails = true;
		worker.takeEvidence = async (...given) => {
			if (fails) throw new Error('full');
			return take(...given);
		};
		const share = evidenceSharer(() => worker);
		await expect(share(evidence)).rejects.toThrow('full');
		fails = false;
		await expect(share(evidence)).resolves.toBe(revisionOf(evidence));
	});
});

describe('EvidenceShelf', () => {
	it('drops old revisions with the articles that nothing names any more', async () => {
		const worker = taker();
		const share = evidenceSharer(() => worker);
		const states = Array.from({ length: 7 }, (_, i): Evidence => ({
			...evidence,
			pages: [{ ...evidence.pages[0]!, sign: `sign ${i}` }]
		}));
		for (const state of states) await share(state);
		expect(worker.shelf.has(revisionOf(states[0]!))).toBe(false);
		expect(() => worker.shelf.evidenceOf(revisionOf(states[0]!))).toThrow(RangeError);
		expect(worker.shelf.has(revisionOf(states[1]!))).toBe(true);
		await share(states[0]!);
		expect(worker.crossed.articles).toBe(8);
	});
});
