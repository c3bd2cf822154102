import Dexie, { type EntityTable, type Table } from 'dexie';
import { articleSign } from '$lib/core/assignment';
import { EMPTY_BRIEF, type Brief } from '$lib/core/brief';
import { EMPTY_CLIENT, type ClientProfile, type Link } from '$lib/core/clients';
import { NO_DELIVERY_CHOICES, type DeliveryChoices } from '$lib/core/deliver';
import { NO_EDITS, type FindingEdits } from '$lib/core/findings';
import type { Keyword, PhraseAbout, PhraseNote, RejectedLine } from '$lib/core/keywords';
import type { NoteKind, UnitEdits } from '$lib/core/notes';
import {
	sketchOf,
	type Article,
	type PageJudgement,
	type PageSketch,
	type ResultPlace,
	type StrikeRule
} from '$lib/core/pages';
import { NO_PROOF_CHOICES, type ProofChoices } from '$lib/core/proof';
import type { Plan } from '$lib/core/plan';
import type { TakeDoc } from '$lib/core/manuscript';
import type { Endpoint, Version } from '$lib/core/writers';

/** One article for one client. */
export interface Assignment {
	id: string;
	title: string;
	/** Exact keyword, apart from the title. */
	keyword: string;
	/** Id of the client; null: none. */
	client: string | null;
	/** Null: as the evidence says. */
	targetWords: number | null;
	createdAt: number;
	updatedAt: number;
	/** When it was put in the bin, or null. */
	binnedAt: number | null;
	brief: Brief;
	/** Blocks to strike out on every page of a site. */
	strikeRules: StrikeRule[];
	/** What was changed about the findings by hand. */
	edits: FindingEdits;
	/** What was decided while proofreading. */
	proof: ProofChoices;
	/** What was decided about handing it over. */
	delivery: DeliveryChoices;
	/**
	 * Phrases of keyword lists that came along in an archive, with the keyword they are about; the lists
	 * themselves may be on another computer.
	 */
	listed?: { keyword: string; phrases: PhraseAbout[] };
}

/** Who pays; shared by assignments. */
export interface Client extends ClientProfile {
	id: string;
	createdAt: number;
	updatedAt: number;
}

/** The links of a client, apart from the profile, for there can be tens of thousands. */
export interface LinkMap {
	client: string;
	links: Link[];
}

/** Whose lists stand together in Scout: a client's id, or empty for none. */
export type Scope = string;

/** A keyword list as it came in. Its rows stand in `keywordRows`, since showing the list does not need them. */
export interface StoredList {
	id: string;
	scope: Scope;
	name: string;
	origin: 'file' | 'paste' | 'typed';
	/** Order of arrival: later lists give the newer figures. */
	order: number;
	addedAt: number;
	count: number;
	rejected: RejectedLine[];
	/** Whether its phrases are left out for now. */
	isHidden: boolean;
}

export interface StoredRows {
	list: string;
	rows: Keyword[];
}

export interface StoredPhraseNote extends PhraseNote {
	scope: Scope;
}

/** One gathered page. Its markup stands in `pageSources`, since lists do not need it. */
export interface Page {
	id: string;
	assignment: string;
	name: string;
	address: string;
	origin: PageOrigin;
	/** Order of arrival; letters follow the order of the counted pages. */
	order: number;
	article: Article;
	/** Sign of the article's content, made when it is cleaned; see `articleSign`. */
	sign: string;
	judgement: PageJudgement;
	counted: boolean;
	/**
	 * Positions where the writer decided against the cleaning: kept blocks struck out, dropped
	 * ones brought back.
	 */
	struck: number[];
	/** Where it stood in the list of results it was picked from. */
	result: ResultPlace | null;
	/** For telling pages that are alike. */
	sketch: PageSketch;
}

/** How a page came in; `text` is plain text or Markdown. */
export type PageOrigin = 'file' | 'paste' | 'text' | 'address';

/** A page that was asked for by address and has not come in. It keeps its row until it does. */
export interface AwaitedPage {
	id: string;
	assignment: string;
	address: string;
	/** From the list of results, or empty. */
	title: string;
	/** Why it has not come in. */
	reason: string;
	result: ResultPlace | null;
	order: number;
}

export interface PageSource {
	id: string;
	assignment: string;
	source: string;
}

/** The writer's own material, or a list of questions. A client's facts are shown as a note that is not stored. */
export interface Note {
	id: string;
	assignment: string;
	kind: NoteKind;
	name: string;
	text: string;
	/** What the writer said about its units; left out: they are as they are read. */
	unitEdits?: UnitEdits;
	order: number;
	/** Set where the text stands in a client's profile. */
	client?: string;
}

export interface StoredPlan {
	assignment: string;
	plan: Plan;
	updatedAt: number;
}

/** One draft. `revision` rises with every save, so that two tabs notice one another. */
export interface Take {
	id: string;
	assignment: string;
	name: string;
	doc: TakeDoc;
	revision: number;
	order: number;
	updatedAt: number;
}

/** What became of a version that was offered. */
export const VERSION_STATES = ['offered', 'kept', 'taken', 'left'] as const;
export type VersionState = (typeof VERSION_STATES)[number];

/** A version of a section, kept beside the take it was made for. */
export interface StoredVersion extends Version {
	id: string;
	assignment: string;
	take: string;
	/** How the writer is called: "built-in", the name of an endpoint, "brought back". */
	writerName: string;
	madeAt: number;
	state: VersionState;
}

/** How far a take was at a moment, for the picture of how it grew. */
export interface TakePoint {
	id: string;
	assignment: string;
	take: string;
	/** Milliseconds since 1970. */
	at: number;
	words: number;
	/** 0–100. */
	standing: number;
	/** Terms that are used as often as the plan wants. */
	placed: number;
	gaps: number;
}

/**
 * A picture of an article. What it shows and its caption stand in each take, where the picture stands; those
 * here are what a take gets when the picture is placed.
 */
export interface Picture {
	id: string;
	assignment: string;
	/** As the file was called, with the ending of its form. */
	name: string;
	/** Media type: image/jpeg or image/png. */
	type: string;
	bytes: Uint8Array;
	/** Pixels. */
	width: number;
	height: number;
	alt: string;
	caption: string;
	credit: string;
	licence: string;
	/** Where it is from, as the writer notes it. */
	source: string;
	order: number;
}

/** What was read of an assignment last, so that the list can say how it stands without reading it. */
export interface Glance {
	assignment: string;
	/** Words of its take. */
	words: number;
	gaps: number;
	/** Sections whose slip has something open. */
	openSlips: number;
	/** 0–100, rounded. */
	standing: number;
	/** Marks that are open; null: it was not proofread since. */
	openMarks: number | null;
}

export interface Setting {
	key: string;
	value: unknown;
}

class CorvanDb extends Dexie {
	assignments!: EntityTable<Assignment, 'id'>;
	pages!: EntityTable<Page, 'id'>;
	pageSources!: EntityTable<PageSource, 'id'>;
	notes!: EntityTable<Note, 'id'>;
	plans!: EntityTable<StoredPlan, 'assignment'>;
	takes!: EntityTable<Take, 'id'>;
	settings!: EntityTable<Setting, 'key'>;
	glances!: EntityTable<Glance, 'assignment'>;
	clients!: EntityTable<Client, 'id'>;
	linkMaps!: EntityTable<LinkMap, 'client'>;
	keywordLists!: EntityTable<StoredList, 'id'>;
	keywordRows!: EntityTable<StoredRows, 'list'>;
	phraseNotes!: Table<StoredPhraseNote, [Scope, string]>;
	awaited!: EntityTable<AwaitedPage, 'id'>;
	versions!: EntityTable<StoredVersion, 'id'>;
	pictures!: EntityTable<Picture, 'id'>;
	points!: EntityTable<TakePoint, 'id'>;
	/** Servers that write, with their keys: they leave this browser in no file. */
	endpoints!: EntityTable<Endpoint, 'id'>;

	constructor() {
		super('corvan');
		this.version(1).stores({
			assignments: 'id, updatedAt',
			pages: 'id, assignment',
			pageSources: 'id, assignment',
			notes: 'id, assignment',
			plans: 'assignment',
			takes: 'id, assignment',
			settings: 'key'
		});
		this.version(2)
			.stores({
				assignments: 'id, updatedAt, client',
				clients: 'id, name',
				linkMaps: 'client',
				keywordLists: 'id, scope',
				keywordRows: 'list',
				phraseNotes: '[scope+key], scope'
			})
			.upgrade(async (change) => {
				// a client was a name on each assignment; now it is one profile that they share
				const byName = new Map<string, string>();
				const clients = change.table<Client>('clients');
				const assignments = await change.table('assignments').toArray();
				for (const old of assignments as (Omit<Assignment, 'client'> & { client: string })[]) {
					const name = old.client.trim();
					if (name !== '' && !byName.has(name)) {
						const id = crypto.randomUUID();
						byName.set(name, id);
						const { createdAt, updatedAt } = old;
						await clients.add({ ...EMPTY_CLIENT, name, id, createdAt, updatedAt });
					}
					await change
						.table('assignments')
						.update(old.id, { client: byName.get(name) ?? null, brief: EMPTY_BRIEF });
				}
			});
		this.version(3)
			.stores({ awaited: 'id, assignment' })
			.upgrade(async (change) => {
				await change.table('assignments').toCollection().modify({ strikeRules: [] });
				await change
					.table<Page>('pages')
					.toCollection()
					.modify((page) => {
						page.result = null;
						page.sketch = sketchOf(page.article);
					});
			});
		this.version(4).upgrade(async (change) => {
			await change.table('assignments').toCollection().modify({ edits: NO_EDITS });
		});
		this.version(5).upgrade(async (change) => {
			await change.table('clients').toCollection().modify({ forms: [] });
		});
		this.version(6).upgrade(async (change) => {
			await change
				.table<Page>('pages')
				.toCollection()
				.modify((page) => {
					page.sign = articleSign(page.article);
				});
		});
		this.version(7)
			.stores({ versions: 'id, assignment, take', endpoints: 'id' })
			.upgrade(async (change) => {
				await change.table('clients').toCollection().modify({ requestWording: '' });
			});
		this.version(8).upgrade(async (change) => {
			await change.table('assignments').toCollection().modify({ proof: NO_PROOF_CHOICES });
		});
		this.version(9)
			.stores({ pictures: 'id, assignment' })
			.upgrade(async (change) => {
				await change.table('assignments').toCollection().modify({ delivery: NO_DELIVERY_CHOICES });
				await change.table('clients').toCollection().modify({ unmarked: [] });
			});
		this.version(10).stores({ glances: 'assignment' });
		this.version(11)
			.stores({ points: 'id, assignment, take' })
			.upgrade(async (change) => {
				await change.table('clients').toCollection().modify({ quotes: 'double' });
			});
	}
}

export const db = new CorvanDb();
