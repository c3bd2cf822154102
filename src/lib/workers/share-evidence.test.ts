import { beforeAll, describe, expect, it } from 'vitest';
import { demoEvidence } from '../../../tests/support/demo';
import { revisionOf, type Evidence } from '$lib/core/assignment';
import { EvidenceShelf } from './evidence-shelf';
import { shareEvidence } from './share-evidence';

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

describe('shareEvidence', () => {
	it('brings everything over, as it was', async () => {
		const worker = taker();
		await shareEvidence(worker, revisionOf(evidence), evidence);
		expect(worker.shelf.evidenceOf(revisionOf(evidence))).toEqual(evidence);
	});

	it('sends nothing twice: no evidence of one revision, and no article of one sign', async () => {
		const worker = taker();
		const share = (of: Evidence) => shareEvidence(worker, revisionOf(of), of);
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
});

describe('EvidenceShelf', () => {
	it('drops old revisions with the articles that nothing names any more', async () => {
		const worker = taker();
		for (let i = 0; i < 7; i++) {
			const [page] = evidence.pages;
			const of = { ...evidence, pages: [{ ...page!, sign: `sign ${i}` }] };
			await shareEvidence(worker, `revision ${i}`, of);
		}
		expect(worker.shelf.has('revision 0')).toBe(false);
		expect(() => worker.shelf.evidenceOf('revision 0')).toThrow(RangeError);
		expect(worker.shelf.has('revision 1')).toBe(true);
		const asked = { ...evidence, pages: [{ ...evidence.pages[0]!, sign: 'sign 0' }] };
		await shareEvidence(worker, 'revision 0', asked);
		expect(worker.crossed.articles).toBe(8);
	});
});
