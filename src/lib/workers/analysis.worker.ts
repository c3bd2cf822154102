import { expose, transfer } from 'comlink';
import { readArchive, writeArchive } from '$lib/core/deliver';
import { draftArticle, type DraftNote } from '$lib/core/draft';
import {
	assembleFindings,
	findLongPhrases,
	isQuestion,
	usesInContext,
	workOnPage,
	type AskedQuestion,
	type FindOptions,
	type PageWork
} from '$lib/core/findings';
import {
	clusterPhrases,
	readKeywordList,
	readResultsList,
	type KeywordListResult
} from '$lib/core/keywords';
import { isMaterial, noteArticleOf, readQuestions } from '$lib/core/notes';
import {
	blocksOfRichText,
	cleanPage,
	guessHeadings,
	isMarkdown,
	judgePage,
	keptBlocksOf,
	markdownOf,
	readText,
	sketchOf,
	type Article
} from '$lib/core/pages';
import { placeRest, proposeAgain, proposePlan } from '$lib/core/plan';
import {
	standingOfPage,
	textOfBlocks,
	type PageStanding,
	type ScoredPage
} from '$lib/core/standing';
import { indexRuns, type RunIndex } from '$lib/core/takes';
import { decodeBytes, makeTagger, type Tagger } from '$lib/core/text';
import { readGatheredFile } from './gathered-files';
import type {
	AnalysisWorker,
	Cleaned,
	EvidenceInput,
	Incoming,
	IncomingList,
	NoteInput,
	OnProgress,
	PageInput
} from './protocol';

let tagger: Promise<Tagger> | null = null;

function loadTagger(): Promise<Tagger> {
	tagger ??= Promise.all([import('wink-nlp'), import('wink-eng-lite-web-model')]).then(
		([library, model]) => makeTagger(library.default as never, model.default)
	);
	return tagger;
}

/** Work on single pages and notes, kept for as long as they stay the same. */
const works = new Map<string, { sign: string; work: PageWork }>();
let latestFindings = 0;
let latestStandings = 0;
let latestReading = 0;
let latestClusters = 0;

/** Lets waiting messages in, so that a newer request can take over. */
function breathe(): Promise<void> {
	return new Promise((resolve) => setTimeout(resolve, 0));
}

function workOf(page: PageInput, tag: Tagger): PageWork {
	const { article, struck } = page;
	return kept(page.id, `${struck.join()}|${article.title}|${article.blocks.length}`, () =>
		workOnPage(
			{
				id: page.id,
				title: article.title,
				description: article.description,
				siteNames: [article.siteName],
				blocks: keptBlocksOf(article, struck),
				links: article.links.length,
				date: article.modified || article.published
			},
			tag
		)
	);
}

function workOfNote(note: NoteInput, tag: Tagger): PageWork {
	return kept(note.id, note.text, () => {
		const article = noteArticleOf(note);
		return workOnPage(
			{
				id: note.id,
				title: article.title,
				description: '',
				siteNames: [],
				blocks: keptBlocksOf(article),
				links: 0,
				isNote: true
			},
			tag
		);
	});
}

function kept(id: string, sign: string, make: () => PageWork): PageWork {
	const known = works.get(id);
	if (known?.sign === sign) return known.work;
	const work = make();
	works.set(id, { sign, work });
	return work;
}

function optionsOf(input: EvidenceInput): FindOptions {
	const asked: AskedQuestion[] = input.notes.flatMap(({ id, kind, text }) =>
		kind === 'questions'
			? readQuestions(text).map((question) => ({ text: question, source: id }))
			: []
	);
	const { keyword, targetWords, effort, grade, required, secondary, listed, edits } = input;
	return { keyword, targetWords, effort, grade, required, secondary, asked, listed, edits };
}

/** Work on everything of an input, page by page; null when `isStale` turns true meanwhile. */
async function worksOf(
	input: EvidenceInput,
	onProgress: OnProgress | null,
	isStale: () => boolean
): Promise<{ pages: PageWork[]; notes: PageWork[] } | null> {
	const tag = await loadTagger();
	const notes = input.notes.filter(isMaterial);
	const all = input.pages.length + notes.length;
	const done: { pages: PageWork[]; notes: PageWork[] } = { pages: [], notes: [] };
	for (const [i, page] of input.pages.entries()) {
		done.pages.push(workOf(page, tag));
		onProgress?.({ done: i + 1, all });
		await breathe();
		if (isStale()) return null;
	}
	for (const [i, note] of notes.entries()) {
		done.notes.push(workOfNote(note, tag));
		onProgress?.({ done: input.pages.length + i + 1, all });
		await breathe();
		if (isStale()) return null;
	}
	return done;
}

const never = () => false;

function draftNotesOf(input: EvidenceInput): DraftNote[] {
	return input.notes.filter(isMaterial).map((note, i) => {
		const article = noteArticleOf(note);
		return { id: note.id, label: `n${i + 1}`, title: article.title, blocks: keptBlocksOf(article) };
	});
}

function runsOf(input: EvidenceInput): RunIndex {
	return indexRuns(
		input.pages.map(({ article, struck }) => textOfBlocks(keptBlocksOf(article, struck)))
	);
}

const worker: AnalysisWorker = {
	clean: async (incoming, keyword) => clean(incoming, keyword),
	readFile: (name, bytes, aim) => readGatheredFile(name, bytes, aim),
	readRichText: async (html) => markdownOf(blocksOfRichText(html)),
	guessHeadings: async (text) => (isMarkdown(text) ? [] : guessHeadings(text)),

	async brings(page) {
		const work = workOf(page, await loadTagger());
		return {
			facts: work.facts.map(({ text }) => text),
			questions: keptBlocksOf(page.article, page.struck).flatMap((block) =>
				block.kind === 'answer'
					? [block.question]
					: block.kind === 'heading' && isQuestion(block.text)
						? [block.text]
						: []
			)
		};
	},

	async findings(input, onProgress) {
		const mine = ++latestFindings;
		const done = await worksOf(input, onProgress, () => mine !== latestFindings);
		return done && assembleFindings(done.pages, done.notes, optionsOf(input));
	},

	async standings(input, onProgress) {
		const mine = ++latestStandings;
		const isStale = () => mine !== latestStandings;
		const done = await worksOf(input, null, isStale);
		if (!done) return null;
		const scored: ScoredPage[] = input.pages.map(({ article, struck }, i) => ({
			work: done.pages[i]!,
			blocks: keptBlocksOf(article, struck),
			titleTag: article.title,
			description: article.description
		}));
		const standings: PageStanding[] = [];
		for (const [i, page] of scored.entries()) {
			standings.push(standingOfPage(page, scored, done.notes, optionsOf(input)));
			onProgress({ done: i + 1, all: scored.length });
			await breathe();
			if (isStale()) return null;
		}
		return standings;
	},

	async context(input, term) {
		const done = await worksOf(input, null, never);
		return done ? usesInContext(done.pages, term) : [];
	},

	async longPhrases(input, { terms, questions, keyword }) {
		const done = await worksOf(input, null, never);
		return done ? findLongPhrases(done.pages, terms, questions, input.listed, keyword) : [];
	},

	propose: async (findings, wishes) => proposePlan(findings, wishes),
	proposeAgain: async (plan, findings, wishes) =>
		proposeAgain(plan, findings, () => `section:${crypto.randomUUID()}`, wishes),
	placeRest: async (plan, findings) => placeRest(plan, findings),

	async runs(input) {
		const runs = runsOf(input);
		return transfer(runs, [runs.buffer]);
	},

	draft: async (input, findings, plan) =>
		draftArticle({
			plan,
			findings,
			notes: draftNotesOf(input),
			runs: runsOf(input),
			pageNames: Object.fromEntries(
				input.pages.map(({ id, article }) => [id, article.siteName || article.title])
			),
			mustNotSay: input.mustNotSay,
			callToAction: input.callToAction
		}),

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
	steps: Generator<{ readonly done: number; readonly all: number }, T>,
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
