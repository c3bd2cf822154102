import Dexie, { type EntityTable, type Table } from 'dexie';
import { readPageOf, type Analysis, type Evidence, type ReadNote } from '$lib/core/assignment';
import type { Findings } from '$lib/core/findings';
import type { PageWork } from '$lib/core/reading';
import type { PageStanding } from '$lib/core/standing';

/** Analyses kept, those asked for last; one of twenty pages takes one to five megabytes. */
const MOST_KEPT = 8;

interface KeptAnalysis {
	readonly revision: string;
	/** The build that worked it out: the next one may find something else. */
	readonly build: string;
	readonly usedAt: number;
}

/** What was worked out, in a table of its own: that it was asked for again is noted without writing it again. */
interface KeptText {
	readonly revision: string;
	/** As text it is read in a third of the time that a stored tree of objects takes. */
	readonly text: string;
}

/** Where the counted pages stand: the findings are found once for each page without it. */
interface KeptStandings {
	readonly revision: string;
	readonly standings: readonly PageStanding[];
}

interface WorkedOut {
	readonly works: readonly PageWork[];
	readonly notes: readonly ReadNote[];
	readonly findings: Findings;
}

type Store = Dexie & {
	analyses: EntityTable<KeptAnalysis, 'revision'>;
	texts: EntityTable<KeptText, 'revision'>;
	standings: EntityTable<KeptStandings, 'revision'>;
};

const AS_MAP = '\u0000map';

function textOf(worked: WorkedOut): string {
	return JSON.stringify(worked, (_, value: unknown) =>
		value instanceof Map ? { [AS_MAP]: [...(value as Map<unknown, unknown>)] } : value
	);
}

function workedOutIn(text: string): WorkedOut {
	return JSON.parse(text, (_, value: unknown) =>
		typeof value === 'object' && value !== null && AS_MAP in value
			? new Map(value[AS_MAP] as [unknown, unknown][])
			: value
	) as WorkedOut;
}

/**
 * Analyses kept in a store of their own, so that an assignment that is opened again need not be worked
 * out again. It holds nothing that cannot be worked out: what cannot be read or kept is done without.
 */
export class KeptAnalyses {
	readonly #build: string;
	readonly #db: Store;

	/** @param build name of the running build; empty: nothing is kept */
	constructor(build: string) {
		this.#build = build;
		this.#db = new Dexie('corvan-worked-out') as Store;
		this.#db.version(1).stores({ analyses: 'revision, usedAt' });
		this.#db
			.version(2)
			.stores({ analyses: 'revision, usedAt', texts: 'revision' })
			.upgrade((change) => change.table('analyses').clear());
		this.#db.version(3).stores({ standings: 'revision' });
	}

	/** What this build worked out from the evidence, or null. */
	async find(revision: string, evidence: Evidence): Promise<Analysis | null> {
		try {
			const stored = (await this.#holds(revision)) && (await this.#db.texts.get(revision));
			if (!stored) return null;
			await this.#db.analyses.update(revision, { usedAt: Date.now() });
			const { works, notes, findings } = workedOutIn(stored.text);
			const pages = evidence.pages.map((page, i) => readPageOf(page, works[i]!));
			return { revision, evidence, pages, notes, findings };
		} catch {
			return null;
		}
	}

	async keep({ revision, pages, notes, findings }: Analysis): Promise<void> {
		if (!this.#build) return;
		const works = pages.map(({ work }) => work);
		try {
			const text = textOf({ works, notes, findings });
			await this.#db.transaction('rw', this.#tables, async () => {
				await this.#db.analyses.put({ revision, build: this.#build, usedAt: Date.now() });
				await this.#db.texts.put({ revision, text });
				await this.#db.standings.delete(revision);
				const tooMany = (await this.#db.analyses.count()) - MOST_KEPT;
				if (tooMany <= 0) return;
				const oldest = await this.#db.analyses.orderBy('usedAt').limit(tooMany).primaryKeys();
				for (const table of this.#tables) await table.bulkDelete(oldest);
			});
		} catch {
			// a full disk: the findings are here all the same
		}
	}

	/** Where the counted pages stand, as this build worked it out, or null. */
	async findStandings(revision: string): Promise<readonly PageStanding[] | null> {
		try {
			const kept = (await this.#holds(revision)) && (await this.#db.standings.get(revision));
			return kept ? kept.standings : null;
		} catch {
			return null;
		}
	}

	/** Keeps them beside their analysis; without it they are not kept. */
	async keepStandings(revision: string, standings: readonly PageStanding[]): Promise<void> {
		try {
			await this.#db.transaction('rw', this.#tables, async () => {
				if (await this.#holds(revision)) await this.#db.standings.put({ revision, standings });
			});
		} catch {
			// as above
		}
	}

	/** Deletes all of it. */
	async forget(): Promise<void> {
		await this.#db
			.transaction('rw', this.#tables, async () => {
				for (const table of this.#tables) await table.clear();
			})
			.catch(() => {});
	}

	get #tables() {
		return [this.#db.analyses, this.#db.texts, this.#db.standings] as Table<unknown, string>[];
	}

	async #holds(revision: string): Promise<boolean> {
		return !!this.#build && (await this.#db.analyses.get(revision))?.build === this.#build;
	}
}
