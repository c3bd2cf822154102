import { proxy, wrap, type Remote } from 'comlink';
import type { AnalysisWorker, OnProgress } from './protocol';

export type * from './protocol';

let remote: Remote<AnalysisWorker> | null = null;

/** The one analysis worker of this tab; started when first asked for. */
function worker(): Remote<AnalysisWorker> {
	remote ??= wrap<AnalysisWorker>(
		new Worker(new URL('./analysis.worker.ts', import.meta.url), { type: 'module' })
	);
	return remote;
}

const forward = (onProgress: OnProgress) => proxy(onProgress);

/** The worker's calls; progress handlers may be plain functions. Values must be plain data. */
export const analysis: AnalysisWorker = {
	clean: (incoming, keyword) => worker().clean(incoming, keyword),
	readFile: (name, bytes, aim) => worker().readFile(name, bytes, aim),
	readRichText: (html) => worker().readRichText(html),
	guessHeadings: (text) => worker().guessHeadings(text),
	brings: (page) => worker().brings(page),
	findings: (input, onProgress) => worker().findings(input, forward(onProgress)),
	standings: (input, onProgress) => worker().standings(input, forward(onProgress)),
	context: (input, term) => worker().context(input, term),
	longPhrases: (input, findings) => worker().longPhrases(input, findings),
	propose: (findings, wishes) => worker().propose(findings, wishes),
	proposeAgain: (plan, findings, wishes) => worker().proposeAgain(plan, findings, wishes),
	placeRest: (plan, findings) => worker().placeRest(plan, findings),
	runs: (input) => worker().runs(input),
	draft: (input, findings, plan) => worker().draft(input, findings, plan),
	writeArchive: (archive) => worker().writeArchive(archive),
	readArchive: (bytes) => worker().readArchive(bytes),
	readKeywords: (incoming, onProgress) => worker().readKeywords(incoming, forward(onProgress)),
	stopReading: () => worker().stopReading(),
	readResults: (incoming) => worker().readResults(incoming),
	cluster: (phrases, onProgress) => worker().cluster(phrases, forward(onProgress))
};
