import Dexie, { type EntityTable } from 'dexie';
import { readPageOf, type Analysis, type Evidence, type ReadNote } from '$lib/core/assignment';
import type { Findings } from '$lib/core/findings';
import type { PageWork } from '$lib/core/reading';

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

interface WorkedOut {
	readonly works: readonly PageWork[];
	readonly notes: readonly ReadNote[];
	readonly findings: Findings;
}

type Store = Dexie & {
	analyses: EntityTable<KeptAnalysis, 'revision'>;
	texts: EntityTable<KeptText, 'revision'>;
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
	}

	/** What this build worked out from the evidence, or null. */
	async find(revision: string, evidence: Evidence): Promise<Analysis | null> {
		if (!this.#build) return null;
		try {
			const kept = await this.#db.analyses.get(revision);
			const stored = kept?.build === this.#build ? await this.#db.texts.get(revision) : undefined;
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
			await this.#db.transaction('rw', this.#db.analyses, this.#db.texts, async () => {
				await this.#db.analyses.put({ revision, build: this.#build, usedAt: Date.now() });
				await this.#db.texts.put({ revision, text });
				const tooMany = (await this.#db.analyses.count()) - MOST_KEPT;
				if (tooMany <= 0) return;
				const oldest = await this.#db.analyses.orderBy('usedAt').limit(tooMany).primaryKeys();
				await this.#db.analyses.bulkDelete(oldest);
				await this.#db.texts.bulkDelete(oldest);
			});
		} catch {
			// a full disk: the findings are here all the same
		}
	}

	/** Deletes all of it. */
	async forget(): Promise<void> {
		await this.#db
			.transaction('rw', this.#db.analyses, this.#db.texts, async () => {
				await this.#db.analyses.clear();
				await this.#db.texts.clear();
			})
			.catch(() => {});
	}
}
