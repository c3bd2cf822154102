import type { DraftWishes, Evidence, EvidencePage } from '$lib/core/assignment';
import type { Archive, ArchiveResult } from '$lib/core/deliver';
import type { Context, Findings, LongPhrase, Term } from '$lib/core/findings';
import type { NoteKind } from '$lib/core/notes';
import type {
	Article,
	HeadingGuess,
	PageJudgement,
	PageSketch,
	ResultPlace
} from '$lib/core/pages';
import type { Plan, Wishes } from '$lib/core/plan';
import type {
	Cluster,
	ClusterInput,
	ColumnMeaning,
	KeywordList,
	ResultsRead
} from '$lib/core/keywords';
import type { PageStanding } from '$lib/core/standing';
import type { RunIndex } from '$lib/core/measure';
import type { TakeDoc } from '$lib/core/manuscript';
import type { NoteFate, Reply, Version } from '$lib/core/writers';
import type { ProofRules } from '$lib/core/proof';
import type { Dialect } from '$lib/core/text';
import type { ProofRead } from './proof-desk';

export type { ProofRead };

/** A file, paste or typed text on its way in. */
export interface Incoming {
	readonly name: string;
	/** How it comes in; `text` is plain text or Markdown. */
	readonly origin: 'file' | 'paste' | 'text' | 'address';
	/** Where the page was found, when that is known. */
	readonly address?: string;
	/** What a list of results says of it. */
	readonly result?: ResultPlace | null;
	readonly bytes: Uint8Array | null;
	/** Text, when it did not come as bytes. */
	readonly text: string;
}

export type Cleaned =
	| {
			readonly kind: 'cleaned';
			readonly article: Article;
			/** Sign of the article's content; it names the article from now on. */
			readonly sign: string;
			readonly judgement: PageJudgement;
			readonly source: string;
			readonly sketch: PageSketch;
	  }
	| { readonly kind: 'failed'; readonly reason: string };

/** A page without its article, which crosses once under its sign. */
export type PageOutline = Omit<EvidencePage, 'article'>;

/** Evidence without the articles: what crosses when something else has changed. */
export interface EvidenceOutline extends Omit<Evidence, 'pages'> {
	readonly pages: readonly PageOutline[];
}

export interface SignedArticle {
	readonly sign: string;
	readonly article: Article;
}

/** A keyword list on its way in: a file's bytes, or pasted text. */
export interface IncomingList {
	readonly bytes: Uint8Array | null;
	readonly text: string;
	/** Meanings the writer has settled, by position of the column. */
	readonly meanings: Readonly<Record<number, ColumnMeaning>>;
}

export type ListRead =
	| { readonly kind: 'read'; readonly list: KeywordList; readonly encoding: string }
	| { readonly kind: 'unreadable'; readonly reason: string }
	| { readonly kind: 'cancelled' };

/** Where a file was meant to go when it was chosen. */
export type FileAim = 'pages' | 'notes' | 'any';

/** What one file turned out to hold; a zip holds several. */
export type FileRead =
	| { readonly kind: 'page'; readonly incoming: Incoming }
	| {
			readonly kind: 'note';
			readonly name: string;
			readonly noteKind: NoteKind;
			readonly text: string;
			/** What was put right or left out on the way. */
			readonly remarks: readonly string[];
	  }
	/** A link map, a client's profile, a list of who ranks or one of keywords. */
	| {
			readonly kind: 'links' | 'client' | 'results' | 'keywords';
			readonly name: string;
			readonly text: string;
	  }
	| { readonly kind: 'skipped' | 'failed'; readonly name: string; readonly reason: string };

/** What a page brings besides its words. */
export interface PageBrings {
	readonly facts: readonly string[];
	readonly questions: readonly string[];
}

export interface Progress {
	readonly done: number;
	readonly all: number;
}
export type OnProgress = (progress: Progress) => void;

/** Null: a newer request has taken its place, or it was cancelled. */
export type Maybe<T> = T | null;

/** Which sections are drafted, and what stands beside them. */
export interface DraftScopeInput {
	/** Ids of sections; null: all of the plan. */
	readonly sections: readonly string[] | null;
	/** Text of the sections that are not drafted now. */
	readonly elsewhere: string;
}

/**
 * What the analysis worker does. Evidence crosses once, under its revision; what is asked of it
 * later names the revision alone. The client (client.ts) sees to it that the worker knows it.
 */
export interface AnalysisWorker {
	/** Whether evidence of this revision is here. */
	hasEvidence(revision: string): Promise<boolean>;
	/** Takes evidence; gives the signs of articles that are not here and have to be supplied. */
	takeEvidence(revision: string, outline: EvidenceOutline): Promise<string[]>;
	supplyArticles(articles: readonly SignedArticle[]): Promise<void>;
	/** Deletes what was kept for opening assignments again. */
	forgetKept(): Promise<void>;
	findings(revision: string, onProgress: OnProgress): Promise<Maybe<Findings>>;
	/** Standing of every counted page, each with itself left out; cancelled by a newer call. */
	standings(revision: string, onProgress: OnProgress): Promise<Maybe<readonly PageStanding[]>>;
	context(revision: string, term: Pick<Term, 'phrase' | 'verbs' | 'variants'>): Promise<Context[]>;
	longPhrases(revision: string): Promise<LongPhrase[]>;
	propose(revision: string, wishes: Wishes): Promise<Plan>;
	/** Proposes anew over a plan that stands; what is locked stays. */
	proposeAgain(revision: string, plan: Plan, wishes: Wishes): Promise<Plan>;
	placeRest(revision: string, plan: Plan): Promise<Plan>;
	runs(revision: string): Promise<RunIndex>;
	/** Drafts section by section; what was done before `stopDrafting` is kept. */
	draft(
		revision: string,
		plan: Plan,
		wishes: DraftWishes,
		scope: DraftScopeInput,
		onVersion: OnVersion
	): Promise<DraftEnd>;
	stopDrafting(): Promise<void>;
	/** Reads what was brought back for a plan; `signs` name notes and pages by id. */
	readReply(
		text: string,
		plan: Plan,
		asked: readonly string[],
		signs: ReadonlyMap<string, string>
	): Promise<Reply>;
	/** What became of every unit of the notes in a manuscript. */
	noteFates(revision: string, plan: Plan, wishes: DraftWishes, doc: TakeDoc): Promise<NoteFate[]>;
	/** Reads a text as others will; null: a newer text has taken its place. */
	proofread(
		revision: string,
		plan: Plan | null,
		rules: ProofRules,
		dialect: Dialect | null,
		names: ReadonlyMap<string, string>,
		doc: TakeDoc
	): Promise<Maybe<ProofRead>>;
	/**
	 * Reads another text by the same rules, to be held beside the take.
	 *
	 * @param page id of the page that the text is, which is then not held against itself; null: it is a take
	 */
	proofreadBeside(
		revision: string,
		plan: Plan | null,
		rules: ProofRules,
		dialect: Dialect | null,
		names: ReadonlyMap<string, string>,
		doc: TakeDoc,
		page: string | null
	): Promise<ProofRead>;
	/** Facts and questions of one page, counted or not. */
	brings(page: EvidencePage): Promise<PageBrings>;
	clean(incoming: Incoming, keyword: string): Promise<Cleaned>;
	/** Finds out what a file holds and reads what is no page. */
	readFile(name: string, bytes: Uint8Array, aim: FileAim): Promise<FileRead[]>;
	/** Rich text from the clipboard as Markdown. */
	readRichText(html: string): Promise<string>;
	/** Lines of plain text that look like headings; none where the text marks its own. */
	guessHeadings(text: string): Promise<HeadingGuess[]>;
	writeArchive(archive: Archive): Promise<Uint8Array>;
	readArchive(bytes: Uint8Array): Promise<ArchiveResult>;
	/** Reads a keyword list; `stopReading` ends it early. */
	readKeywords(incoming: IncomingList, onProgress: OnProgress): Promise<ListRead>;
	stopReading(): Promise<void>;
	readResults(incoming: IncomingList): Promise<ResultsRead>;
	/** Null: a newer call has taken its place. */
	cluster(phrases: readonly ClusterInput[], onProgress: OnProgress): Promise<Maybe<Cluster[]>>;
}

/** One section is drafted; `progress` counts sections. */
export type OnVersion = (version: Version, progress: Progress) => void | Promise<void>;

/** Whether drafting reached its end. */
export type DraftEnd = 'done' | 'stopped';
