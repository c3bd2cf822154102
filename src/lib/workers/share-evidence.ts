import { revisionOf, type Evidence } from '$lib/core/assignment';
import type { AnalysisWorker } from './protocol';

type Taker = Pick<AnalysisWorker, 'hasEvidence' | 'takeEvidence' | 'supplyArticles'>;

/**
 * Sees to it that the worker has some evidence. What it has already does not cross again: not the
 * evidence under its revision, and no article under its sign.
 */
async function shareEvidence(
	worker: Taker,
	revision: string,
	{ pages, ...rest }: Evidence
): Promise<void> {
	if (await worker.hasEvidence(revision)) return;
	const outline = {
		...rest,
		pages: pages.map(({ id, name, sign, struck }) => ({ id, name, sign, struck }))
	};
	const missing = new Set(await worker.takeEvidence(revision, outline));
	const articles = pages.flatMap(({ sign, article }) =>
		missing.delete(sign) ? [{ sign, article }] : []
	);
	if (articles.length > 0) await worker.supplyArticles(articles);
}

/**
 * Shares evidence with a worker, one after the other: calls that wait for it reach the worker in the
 * order they were made, however much has to cross for each. Gives the revision to name.
 */
export function evidenceSharer(worker: () => Taker): (evidence: Evidence) => Promise<string> {
	let turn: Promise<unknown> = Promise.resolve();
	return (evidence) => {
		const revision = revisionOf(evidence);
		const shared = turn
			.then(() => shareEvidence(worker(), revision, evidence))
			.then(() => revision);
		turn = shared.catch(() => undefined);
		return shared;
	};
}
