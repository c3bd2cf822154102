import { expose, transfer } from 'comlink';
import {
	adoptAnalysis,
	analyse,
	articleSign,
	contextOf,
	draftMaterialOf,
	longPhrasesOf,
	runIndexOf,
	standingsOf,
	WorkStore,
	type Analysis,
	type Evidence,
	type StepsDone
} from '$lib/core/assignment';
import { readArchive, writeArchive } from '$lib/core/deliver';
import {
	clusterPhrases,
	readKeywordList,
	readResultsList,
	type KeywordListResult
} from '$lib/core/keywords';
import {
	blocksOfRichText,
	cleanPage,
	guessHeadings,
	isMarkdown,
	judgePage,
	markdownOfBlocks,
	readText,
	sketchOf,
	type Article
} from '$lib/core/pages';
import { placeRest, proposeAgain, proposePlan } from '$lib/core/plan';
import type { ProofRules } from '$lib/core/proof';
import { isQuestion } from '$lib/core/reading';
import {
	decodeBytes,
	dialectOf,
	makeTagger,
	readStemVectors,
	type Dialect,
	type StemVectors
} from '$lib/core/text';
import vectorsUrl from './stem-vectors.bin?url';
import {
	BuiltInDrafter,
	noteFatesOf,
	originsBySign,
	readReply,
	sectionRequestOf,
	versionsOf
} from '$lib/core/writers';
import { EvidenceShelf } from './evidence-shelf';
import { KeptAnalyses } from './kept-analyses';
import { readGatheredFile } from './gathered-files';
import { ProofDesk } from './proof-desk';
import { loadSpeller } from './spellers';
import type { AnalysisWorker, Cleaned, Incoming, IncomingList, OnProgress } from './protocol';

let store: Promise<WorkStore> | null = null;

/** The work on pages and notes, with the tagger it needs; loaded when first asked for. */
function loadStore(): Promise<WorkStore> {
	store ??= Promise.all([import('wink-nlp'), import('wink-eng-lite-web-model')]).then(
		([library, model]) => new WorkStore(makeTagger(library.default as never, model.default))
	);
	return store;
}

let vectors: Promise<StemVectors | null> | null = null;

/** The table of stem vectors, fetched when first asked for; null where it cannot be had, and words alone decide. */
function loadVectors(): Promise<StemVectors | null> {
	vectors ??= fetch(vectorsUrl)
		.then(async (reply) =>
			reply.ok ? readStemVectors(new Uint8Array(await reply.arrayBuffer())) : null
		)
		.catch(() => null)
		.then((table) => {
			// the next findings may have a network again
			if (table === null) vectors = null;
			return table;
		});
	return vectors;
}

const shelf = new EvidenceShelf();
/** A worker is named after the build that it is part of. */
const keptAnalyses = new KeptAnalyses(self.name);
/** Analyses by revision, those asked for last at the end. */
const analyses = new Map<string, Analysis>();
const MOST_ANALYSES = 3;
let latestFindings = 0;
let latestStandings = 0;
let latestReading = 0;
let latestClusters = 0;
let latestProof = 0;
const desk = new ProofDesk();
let drafting: { aborted: boolean } | null = null;

/** Lets waiting messages in, so that a newer request can take over. */
function breathe(): Promise<void> {
	return new Promise((resolve) => setTimeout(resolve, 0));
}

/** The analysis of some evidence, kept while it is asked for; null when `isStopped` turns true before its end. */
async function analysisOf(
	revision: string,
	onProgress: OnProgress = () => {},
	isStopped: () => boolean = () => false
): Promise<Analysis | null> {
	const evidence: Evidence = shelf.evidenceOf(revision);
	const analysis =
		analyses.get(revision) ??
		(await keptAnalyses.find(revision, evidence)) ??
		(await workOut(evidence, onProgress, isStopped));
	if (!analysis) return null;
	analyses.delete(revision);
	analyses.set(revision, analysis);
	if (analyses.size > MOST_ANALYSES) analyses.delete(analyses.keys().next().value!);
	return analysis;
}

async function workOut(
	evidence: Evidence,
	onProgress: OnProgress,
	isStopped: () => boolean
): Promise<Analysis | null> {
	const [work, table] = await Promise.all([loadStore(), loadVectors()]);
	// what was kept of earlier revisions is most of this one
	for (const earlier of analyses.values()) adoptAnalysis(work, earlier);
	const analysis = await inSteps(analyse(evidence, work, table), onProgress, isStopped);
	// without the table they are worse than they could be
	if (analysis && table) void keptAnalyses.keep(analysis);
	return analysis;
}

/** As `analysisOf`, to its end. */
async function wholeAnalysisOf(revision: string): Promise<Analysis> {
	return (await analysisOf(revision))!;
}

/** The dictionary of a dialect, or of that of the notes; null where spelling is not read for. */
function spellerFor(analysis: Analysis, { off }: ProofRules, dialect: Dialect | null) {
	if (off.includes('spelling')) return Promise.resolve(null);
	return loadSpeller(
		dialect ?? dialectOf(analysis.evidence.notes.map(({ text }) => text).join('\n'))
	);
}

const newSectionId = () => `section:${crypto.randomUUID()}`;

const worker: AnalysisWorker = {
	hasEvidence: async (revision) => shelf.has(revision),
	takeEvidence: async (revision, outline) => shelf.put(revision, outline),
	supplyArticles: async (articles) => shelf.supply(articles),
	forgetKept: () => keptAnalyses.forget(),

	async findings(revision, onProgress) {
		const mine = ++latestFindings;
		return (
			(await analysisOf(revision, onProgress, () => mine !== latestFindings))?.findings ?? null
		);
	},

	async standings(revision, onProgress) {
		const mine = ++latestStandings;
		const isStopped = () => mine !== latestStandings;
		const kept = await keptAnalyses.findStandings(revision);
		if (kept) return kept;
		const analysis = await analysisOf(revision, undefined, isStopped);
		const standings = analysis && (await inSteps(standingsOf(analysis), onProgress, isStopped));
		if (standings) void keptAnalyses.keepStandings(revision, standings);
		return standings;
	},

	context: async (revision, term) => contextOf(await wholeAnalysisOf(revision), term),
	longPhrases: async (revision) => longPhrasesOf(await wholeAnalysisOf(revision)),

	propose: async (revision, wishes) =>
		proposePlan((await wholeAnalysisOf(revision)).findings, wishes),
	proposeAgain: async (revision, plan, wishes) =>
		proposeAgain(plan, (await wholeAnalysisOf(revision)).findings, newSectionId, wishes),
	placeRest: async (revision, plan) => placeRest(plan, (await wholeAnalysisOf(revision)).findings),

	async runs(revision) {
		const runs = runIndexOf(await wholeAnalysisOf(revision));
		return transfer(runs, [runs.buffer]);
	},

	async draft(revision, plan, wishes, { sections, elsewhere }, onVersion) {
		if (drafting) drafting.aborted = true;
		const mine = (drafting = { aborted: false });
		const analysis = await wholeAnalysisOf(revision);
		const wanted = plan.sections.filter(({ id }) => sections?.includes(id) ?? true);
		const writer = new BuiltInDrafter(draftMaterialOf(analysis, plan, wishes), {
			sections: new Set(wanted.map(({ id }) => id)),
			elsewhere
		});
		const requests = wanted.map((section) =>
			sectionRequestOf(section, plan, analysis.findings, wishes)
		);
		let done = 0;
		for await (const version of versionsOf(writer, requests, mine)) {
			// the end must not overtake what came before it: both go by ports of their own
			await onVersion(version, { done: ++done, all: wanted.length });
			await breathe();
		}
		return mine.aborted && done < wanted.length ? 'stopped' : 'done';
	},
	readReply: async (text, plan, asked, signs) =>
		readReply(text, plan, { asked, originOf: originsBySign(signs) }),
	noteFates: async (revision, plan, wishes, doc) =>
		noteFatesOf(doc, draftMaterialOf(await wholeAnalysisOf(revision), plan, wishes)),
	async proofread(revision, plan, rules, dialect, names, doc) {
		const mine = ++latestProof;
		const analysis = await wholeAnalysisOf(revision);
		const speller = await spellerFor(analysis, rules, dialect);
		// whoever types on wants the newest text read alone
		await breathe();
		if (mine !== latestProof) return null;
		return desk.read(analysis, plan, rules, names, speller, doc);
	},
	async proofreadBeside(revision, plan, rules, dialect, names, doc, page) {
		const analysis = await wholeAnalysisOf(revision);
		const speller = await spellerFor(analysis, rules, dialect);
		const against = {
			...analysis,
			revision: `${revision} without ${page ?? 'none'}`,
			pages: analysis.pages.filter(({ work }) => work.id !== page)
		};
		// a desk of its own, so that what is known of the take stays
		return new ProofDesk().read(against, plan, rules, names, speller, doc);
	},
	async stopDrafting() {
		if (drafting) drafting.aborted = true;
	},

	async brings(page) {
		const { work, blocks } = (await loadStore()).readPage(page);
		return {
			facts: work.facts.map(({ text }) => text),
			questions: blocks.flatMap((block) =>
				block.kind === 'answer'
					? [block.question]
					: block.kind === 'heading' && isQuestion(block.text)
						? [block.text]
						: []
			)
		};
	},

	clean: async (incoming, keyword) => clean(incoming, keyword),
	readFile: (name, bytes, aim) => readGatheredFile(name, bytes, aim),
	readRichText: async (html) => markdownOfBlocks(blocksOfRichText(html)),
	guessHeadings: async (text) => (isMarkdown(text) ? [] : guessHeadings(text)),

	async writeArchive(archive) {
		const bytes = writeArchive(archive);
		return transfer(bytes, [bytes.buffer]);
	},
	readArchive: async (bytes) => readArchive(bytes),

	async readKeywords(incoming, onProgress) {
		const mine = ++latestReading;
		const text = textOfList(incoming);
		if (text.kind === 'unreadable') return text;
		const steps = readKeywordList(text.text, { meanings: incoming.meanings });
		const read = await inSteps<KeywordListResult>(steps, onProgress, () => mine !== latestReading);
		if (read === null) return { kind: 'cancelled' };
		return read.kind === 'read' ? { ...read, encoding: text.encoding } : read;
	},
	async stopReading() {
		latestReading++;
	},
	async readResults(incoming) {
		const text = textOfList(incoming);
		return text.kind === 'unreadable' ? text : readResultsList(text.text);
	},
	async cluster(phrases, onProgress) {
		const mine = ++latestClusters;
		return inSteps(clusterPhrases(phrases), onProgress, () => mine !== latestClusters);
	}
};

/** Takes work step by step, letting messages in between; null when it was stopped. */
async function inSteps<T>(
	steps: Generator<StepsDone, T>,
	onProgress: OnProgress,
	isStopped: () => boolean
): Promise<T | null> {
	for (;;) {
		const step = steps.next();
		if (step.done) return step.value;
		onProgress(step.value);
		await breathe();
		if (isStopped()) return null;
	}
}

function textOfList({
	bytes,
	text
}: IncomingList):
	{ kind: 'text'; text: string; encoding: string } | { kind: 'unreadable'; reason: string } {
	if (!bytes) return { kind: 'text', text, encoding: 'pasted' };
	const decoded = decodeBytes(bytes);
	if (decoded.kind === 'text') return decoded;
	return {
		kind: 'unreadable',
		reason: `it looks like ${decoded.looksLike}; save the list as CSV and bring that in`
	};
}

function clean(incoming: Incoming, keyword: string): Cleaned {
	let source = incoming.text;
	if (incoming.bytes) {
		if (incoming.bytes.length === 0) return { kind: 'failed', reason: 'the file is empty' };
		const decoded = decodeBytes(incoming.bytes);
		if (decoded.kind === 'binary')
			return { kind: 'failed', reason: `it looks like ${decoded.looksLike}, not a page` };
		source = decoded.text;
	}
	const cleaned = (article: Article): Cleaned => ({
		kind: 'cleaned',
		article,
		sign: articleSign(article),
		judgement: judgePage(article, keyword, incoming.result?.kind),
		source,
		sketch: sketchOf(article)
	});
	if (incoming.origin === 'text') {
		const article = readText(source, incoming.name);
		if (article.blocks.length === 0) return { kind: 'failed', reason: 'there is no text in it' };
		return cleaned(article);
	}
	try {
		const result = cleanPage(source, incoming.address);
		return result.kind === 'no-article'
			? { kind: 'failed', reason: result.reason }
			: cleaned(result.article);
	} catch (error) {
		// one page that cannot be read must not stop the others
		if (error instanceof RangeError)
			return { kind: 'failed', reason: 'it is too large or too deeply nested to be a page' };
		throw error;
	}
}

expose(worker);
