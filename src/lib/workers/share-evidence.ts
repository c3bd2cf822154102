import type { Evidence } from '$lib/core/assignment';
import type { AnalysisWorker } from './protocol';

type Taker = Pick<AnalysisWorker, 'hasEvidence' | 'takeEvidence' | 'supplyArticles'>;

/**
 * Sees to it that the worker has some evidence. What it has already does not cross again: not the
 * evidence under its revision, and no article under its sign.
 */
export async function shareEvidence(
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
