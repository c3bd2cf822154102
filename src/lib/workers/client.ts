import { dev, version } from '$app/environment';
import { proxy, wrap, type Remote } from 'comlink';
import type { Evidence } from '$lib/core/assignment';
import type { AnalysisWorker } from './protocol';
import { evidenceSharer } from './share-evidence';

export type * from './protocol';

let remote: Remote<AnalysisWorker> | null = null;

/** The one analysis worker of this tab; started when first asked for. */
function worker(): Remote<AnalysisWorker> {
	remote ??= wrap<AnalysisWorker>(
		new Worker(new URL('./analysis.worker.ts', import.meta.url), {
			type: 'module',
			// while the app is built anew with every change, no build can be told from another
			name: dev ? '' : version
		})
	);
	return remote;
}

/** A worker's call with the evidence itself in place of its revision. */
type OfEvidence<Call> = Call extends (revision: string, ...rest: infer Rest) => infer Reply
	? (evidence: Evidence, ...rest: Rest) => Reply
	: never;

type EvidenceCalls =
	| 'findings'
	| 'standings'
	| 'context'
	| 'longPhrases'
	| 'propose'
	| 'proposeAgain'
	| 'placeRest'
	| 'runs'
	| 'draft'
	| 'noteFates'
	| 'proofread'
	| 'proofreadBeside';

/** The worker's calls as the app makes them: evidence is named by value and crosses only once. */
export type Analyst = {
	readonly [Call in EvidenceCalls]: OfEvidence<AnalysisWorker[Call]>;
} & Omit<AnalysisWorker, EvidenceCalls | 'hasEvidence' | 'takeEvidence' | 'supplyArticles'>;

/** The revision of some evidence, once the worker knows it. */
const shared = evidenceSharer(worker);

/** The worker's calls; handlers may be plain functions. Values must be plain data. */
export const analysis: Analyst = {
	findings: async (evidence, onProgress) =>
		worker().findings(await shared(evidence), proxy(onProgress)),
	standings: async (evidence, onProgress) =>
		worker().standings(await shared(evidence), proxy(onProgress)),
	context: async (evidence, term) => worker().context(await shared(evidence), term),
	longPhrases: async (evidence) => worker().longPhrases(await shared(evidence)),
	propose: async (evidence, wishes) => worker().propose(await shared(evidence), wishes),
	proposeAgain: async (evidence, plan, wishes) =>
		worker().proposeAgain(await shared(evidence), plan, wishes),
	placeRest: async (evidence, plan) => worker().placeRest(await shared(evidence), plan),
	runs: async (evidence) => worker().runs(await shared(evidence)),
	draft: async (evidence, plan, wishes, scope, onVersion) =>
		worker().draft(await shared(evidence), plan, wishes, scope, proxy(onVersion)),
	noteFates: async (evidence, plan, wishes, doc) =>
		worker().noteFates(await shared(evidence), plan, wishes, doc),
	proofread: async (evidence, plan, rules, dialect, names, doc) =>
		worker().proofread(await shared(evidence), plan, rules, dialect, names, doc),
	proofreadBeside: async (evidence, plan, rules, dialect, names, doc, page) =>
		worker().proofreadBeside(await shared(evidence), plan, rules, dialect, names, doc, page),
	forgetKept: () => worker().forgetKept(),
	readReply: (text, plan, asked, signs) => worker().readReply(text, plan, asked, signs),
	stopDrafting: () => worker().stopDrafting(),
	brings: (page) => worker().brings(page),
	clean: (incoming, keyword) => worker().clean(incoming, keyword),
	readFile: (name, bytes, aim) => worker().readFile(name, bytes, aim),
	readRichText: (html) => worker().readRichText(html),
	guessHeadings: (text) => worker().guessHeadings(text),
	writeArchive: (archive) => worker().writeArchive(archive),
	readArchive: (bytes) => worker().readArchive(bytes),
	readKeywords: (incoming, onProgress) => worker().readKeywords(incoming, proxy(onProgress)),
	stopReading: () => worker().stopReading(),
	readResults: (incoming) => worker().readResults(incoming),
	cluster: (phrases, onProgress) => worker().cluster(phrases, proxy(onProgress))
};
