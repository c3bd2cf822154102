import Dexie, { type EntityTable } from 'dexie';
import type { Article, PageJudgement } from '$lib/core/pages';
import type { Plan } from '$lib/core/plan';
import type { TakeDoc } from '$lib/core/takes';

/** One article for one client. */
export interface Assignment {
	id: string;
	title: string;
	/** Exact keyword, apart from the title. */
	keyword: string;
	client: string;
	/** Null: as the evidence says. */
	targetWords: number | null;
	createdAt: number;
	updatedAt: number;
	/** When it was put in the bin, or null. */
	binnedAt: number | null;
}

/** One gathered page. Its markup stands in `pageSources`, since lists do not need it. */
export interface Page {
	id: string;
	assignment: string;
	name: string;
	address: string;
	origin: 'file' | 'paste' | 'text';
	/** Order of arrival; letters follow the order of the counted pages. */
	order: number;
	article: Article;
	judgement: PageJudgement;
	counted: boolean;
	/** Positions of blocks the writer struck out. */
	struck: number[];
}

export interface PageSource {
	id: string;
	assignment: string;
	source: string;
}

/** The writer's own material, or a list of questions. */
export interface Note {
	id: string;
	assignment: string;
	kind: 'note' | 'questions';
	name: string;
	text: string;
	order: number;
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
	}
}

export const db = new CorvanDb();
