import type { Effort } from '$lib/core/brief';
import type { Archive, ArchiveResult } from '$lib/core/deliver';
import type {
	Context,
	FindingEdits,
	Findings,
	ListedPhrase,
	LongPhrase,
	Term
} from '$lib/core/findings';
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
import type { RunIndex, TakeDoc } from '$lib/core/takes';

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
			readonly judgement: PageJudgement;
			readonly source: string;
			readonly sketch: PageSketch;
	  }
	| { readonly kind: 'failed'; readonly reason: string };

/** A counted page as findings need it. */
export interface PageInput {
	readonly id: string;
	readonly article: Article;
	readonly struck: readonly number[];
}

export interface NoteInput {
	readonly id: string;
	readonly kind: NoteKind;
	readonly name: string;
	readonly text: string;
}

/** All that findings are worked out from. */
export interface EvidenceInput {
	readonly keyword: string;
	readonly targetWords: number | null;
	readonly effort: Effort;
	readonly grade: number | null;
	/** Secondary keywords that have to stand in the article. */
	readonly required: readonly string[];
	/** Other secondary keywords of the brief, most searched first. */
	readonly secondary: readonly string[];
	readonly mustNotSay: readonly string[];
	readonly callToAction: string;
	readonly pages: readonly PageInput[];
	readonly notes: readonly NoteInput[];
	/** Phrases of the client's keyword lists that are about the keyword. */
	readonly listed: readonly ListedPhrase[];
	/** What the writer changed about the findings by hand. */
	readonly edits: FindingEdits;
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
	/** A link map, a client's profile or a list of who ranks. */
	| { readonly kind: 'links' | 'client' | 'results'; readonly name: string; readonly text: string }
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

/** What the analysis worker does. Findings are kept inside it for the calls that follow. */
export interface AnalysisWorker {
	clean(incoming: Incoming, keyword: string): Promise<Cleaned>;
	/** Finds out what a file holds and reads what is no page. */
	readFile(name: string, bytes: Uint8Array, aim: FileAim): Promise<FileRead[]>;
	/** Rich text from the clipboard as Markdown. */
	readRichText(html: string): Promise<string>;
	/** Lines of plain text that look like headings; none where the text marks its own. */
	guessHeadings(text: string): Promise<HeadingGuess[]>;
	/** Facts and questions of one page, counted or not. */
	brings(page: PageInput): Promise<PageBrings>;
	findings(input: EvidenceInput, onProgress: OnProgress): Promise<Maybe<Findings>>;
	/** Standing of every counted page, each with itself left out; cancelled by a newer call. */
	standings(input: EvidenceInput, onProgress: OnProgress): Promise<Maybe<PageStanding[]>>;
	context(
		input: EvidenceInput,
		term: Pick<Term, 'phrase' | 'verbs' | 'variants'>
	): Promise<Context[]>;
	longPhrases(input: EvidenceInput, findings: Findings): Promise<LongPhrase[]>;
	propose(findings: Findings, wishes: Wishes): Promise<Plan>;
	/** Proposes anew over a plan that stands; what is locked stays. */
	proposeAgain(plan: Plan, findings: Findings, wishes: Wishes): Promise<Plan>;
	placeRest(plan: Plan, findings: Findings): Promise<Plan>;
	runs(input: EvidenceInput): Promise<RunIndex>;
	draft(input: EvidenceInput, findings: Findings, plan: Plan): Promise<TakeDoc>;
	writeArchive(archive: Archive): Promise<Uint8Array>;
	readArchive(bytes: Uint8Array): Promise<ArchiveResult>;
	/** Reads a keyword list; `stopReading` ends it early. */
	readKeywords(incoming: IncomingList, onProgress: OnProgress): Promise<ListRead>;
	stopReading(): Promise<void>;
	readResults(incoming: IncomingList): Promise<ResultsRead>;
	/** Null: a newer call has taken its place. */
	cluster(phrases: readonly ClusterInput[], onProgress: OnProgress): Promise<Maybe<Cluster[]>>;
}
