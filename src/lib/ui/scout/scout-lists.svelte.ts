import { messageOf } from '$lib/data/trouble';
import { untrack } from 'svelte';
import { z } from 'zod';
import {
	filterRows,
	mergeLists,
	OPENING_PARTS,
	OPENING_WEIGHTS,
	phraseKeyOf,
	savedFiltersSchema,
	scoutRowsOf,
	sortRows,
	type Cluster,
	type Filter,
	type Keyword,
	type OpeningWeights,
	type PhraseNote,
	type SavedFilter,
	type ScoutCache,
	type ScoutOptions,
	type ScoutRow,
	type Sorting
} from '$lib/core/keywords';
import { localDay } from '../parts/local-day';
import { readClient } from '$lib/data/clients';
import type { Client, Scope, StoredList, StoredPhraseNote } from '$lib/data/db';
import {
	addLists,
	changeList,
	notePhrases,
	notesFor,
	putBackNotes,
	readLists,
	readPhraseNotes,
	readRows,
	takeLists,
	type WholeList
} from '$lib/data/keywords';
import { follow } from '$lib/data/follow';
import { readSetting, saveSetting } from '$lib/data/settings';
import { analysis, type Progress } from '$lib/workers/client';
import { history } from '../frame/history.svelte';

const weightsSchema = z.object(
	// weights that were kept before a part was known have its own
	Object.fromEntries(
		OPENING_PARTS.map((part) => [part, z.number().min(0).max(100).default(OPENING_WEIGHTS[part])])
	) as Record<(typeof OPENING_PARTS)[number], z.ZodDefault<z.ZodNumber>>
);

/** The lists of one client, or of none, put together: what Scout shows. */
export class ScoutLists {
	readonly scope: Scope;
	#lists = $state.raw<readonly StoredList[] | undefined>();
	#rowsOf = $state.raw<ReadonlyMap<string, readonly Keyword[]>>(new Map());
	#notes = $state.raw<readonly StoredPhraseNote[]>([]);
	#client = $state.raw<Client | null>(null);
	#clusters = $state.raw<readonly Cluster[]>([]);
	#clusterProgress = $state.raw<Progress | null>(null);
	#weights = $state.raw<OpeningWeights>(OPENING_WEIGHTS);
	#saved = $state.raw<readonly SavedFilter[]>([]);
	#trouble = $state.raw<string | null>(null);
	readonly #cache: ScoutCache = new WeakMap();
	#clusterSign = '';

	filters = $state.raw<readonly Filter[]>([]);
	sorting = $state.raw<Sorting>({ field: 'opening', isDescending: true });
	/** Keys of the phrases that are ticked. */
	ticked = $state.raw<ReadonlySet<string>>(new Set());
	chosenKey = $state<string | null>(null);

	readonly lists = $derived(this.#lists ?? []);
	readonly client = $derived(this.#client);
	/** Whether lists and their rows have been read. */
	readonly isRead = $derived(
		this.#lists !== undefined && this.lists.every(({ id }) => this.#rowsOf.has(id))
	);
	readonly #merged = $derived(
		mergeLists(
			this.lists.filter(({ isHidden }) => !isHidden).map(({ id }) => this.#rowsOf.get(id) ?? [])
		)
	);
	readonly #options: ScoutOptions = $derived({
		today: localDay(new Date()),
		weights: this.#weights,
		brands: (this.#client?.brands ?? []).map(({ name }) => name.toLowerCase())
	});
	readonly rows: readonly ScoutRow[] = $derived(
		scoutRowsOf(this.#merged, this.#notes, this.#options, this.#cache)
	);
	readonly clusters = $derived(this.#clusters);
	/** Name of each phrase's cluster, by key. */
	readonly clusterOf = $derived(
		new Map(this.#clusters.flatMap(({ name, members }) => members.map((key) => [key, name])))
	);
	readonly clusterProgress = $derived(this.#clusterProgress);
	readonly shown = $derived(
		sortRows(filterRows(this.rows, this.filters, this.clusterOf), this.sorting, this.clusterOf)
	);
	readonly byKey = $derived(new Map(this.rows.map((row) => [row.key, row])));
	readonly chosen = $derived(this.byKey.get(this.chosenKey ?? '') ?? this.shown[0] ?? null);
	readonly chosenCluster = $derived(
		this.chosen
			? (this.#clusters.find(({ members }) => members.includes(this.chosen!.key)) ?? null)
			: null
	);
	/** Ticked rows in the order shown; what a filter hides is not acted on. */
	readonly tickedRows = $derived(this.shown.filter(({ key }) => this.ticked.has(key)));
	readonly stale = $derived(this.rows.filter(({ stale }) => stale !== null));
	readonly struck = $derived(this.#notes.filter(({ isStruck }) => isStruck));
	readonly weights = $derived(this.#weights);
	readonly saved = $derived(this.#saved);
	readonly trouble = $derived(this.#trouble);

	constructor(scope: Scope) {
		this.scope = scope;
	}

	/** Follows what is stored; returns what ends it. */
	open(): () => void {
		const tell = (message: string) => (this.#trouble = message);
		void this.#readSettings();
		const ends = [
			follow(
				() => readLists(this.scope),
				(lists) => {
					this.#lists = lists;
					void this.#readRows(lists);
				},
				tell
			),
			follow(
				() => readPhraseNotes(this.scope),
				(notes) => (this.#notes = notes),
				tell
			),
			follow(
				() => (this.scope ? readClient(this.scope) : Promise.resolve(undefined)),
				(client) => (this.#client = client ?? null),
				tell
			)
		];
		return () => ends.forEach((end) => end());
	}

	async #readSettings(): Promise<void> {
		const weights = weightsSchema.safeParse(await readSetting('opening-weights'));
		if (weights.success) this.#weights = weights.data;
		const saved = savedFiltersSchema.safeParse(await readSetting('scout-filters'));
		if (saved.success) this.#saved = saved.data;
	}

	/** Rows of a list never change, so they are read once. */
	async #readRows(lists: readonly StoredList[]): Promise<void> {
		const known = untrack(() => this.#rowsOf);
		const missing = lists.filter(({ id }) => !known.has(id));
		if (missing.length === 0) return;
		const read = await Promise.all(
			missing.map(async ({ id }) => [id, await readRows(id)] as const)
		);
		this.#rowsOf = new Map([...untrack(() => this.#rowsOf), ...read]);
	}

	/** Brings the clusters up to date. Call from an effect: reads what they depend on. */
	followClusters(): void {
		const rows = this.rows;
		if (!this.isRead) return;
		const sign = clusterSignOf(rows);
		if (sign === this.#clusterSign) return;
		this.#clusterSign = sign;
		untrack(() => void this.#findClusters(rows, sign));
	}

	async #findClusters(rows: readonly ScoutRow[], sign: string): Promise<void> {
		const input = rows.map((row) => ({
			key: row.key,
			phrase: row.phrase,
			volume: row.volume,
			volumeMin: row.volumeMin,
			volumeMax: row.volumeMax,
			intent: row.searchIntent,
			cues: row.cues,
			addresses: row.results?.map(({ address }) => address) ?? null,
			given: row.givenCluster
		}));
		try {
			const clusters = await analysis.cluster(input, (progress) => {
				if (this.#clusterSign === sign) this.#clusterProgress = progress;
			});
			if (clusters === null || this.#clusterSign !== sign) return;
			this.#clusters = clusters;
		} catch (error) {
			this.#trouble = `The phrases could not be put into clusters: ${messageOf(error)}`;
		} finally {
			if (this.#clusterSign === sign) this.#clusterProgress = null;
		}
	}

	/** Adds lists as one step. */
	async addLists(label: string, lists: readonly WholeList[]): Promise<void> {
		await history.run({
			label,
			redo: () => addLists(lists),
			undo: async () => {
				await takeLists(lists.map(({ list }) => list.id));
			}
		});
	}

	async removeList(list: StoredList): Promise<void> {
		let taken: WholeList[] = [];
		await history.run({
			label: `Took “${list.name}” out`,
			redo: async () => {
				taken = await takeLists([list.id]);
			},
			undo: () => addLists(taken)
		});
	}

	async changeList(
		{ id, name, isHidden }: StoredList,
		label: string,
		values: Partial<Pick<StoredList, 'name' | 'isHidden'>>
	): Promise<void> {
		await history.run(
			{
				label,
				redo: () => changeList(id, values),
				undo: () => changeList(id, { name, isHidden })
			},
			{ quiet: true }
		);
	}

	/** Stores what was found out or settled about phrases, as one step. */
	async note(label: string, notes: readonly PhraseNote[], { quiet = false } = {}): Promise<void> {
		const keys = notes.map(({ key }) => key);
		const before = await notesFor(this.scope, keys);
		await history.run(
			{
				label,
				redo: () => notePhrases(this.scope, notes),
				undo: () => putBackNotes(this.scope, keys, before)
			},
			{ quiet }
		);
	}

	strike(rows: readonly ScoutRow[]): Promise<void> {
		const label =
			rows.length === 1 ? `Struck “${rows[0]!.phrase}”` : `Struck ${rows.length} phrases`;
		this.ticked = new Set();
		return this.note(
			label,
			rows.map(({ key, was }) => ({ key: was ? phraseKeyOf(was) : key, isStruck: true }))
		);
	}

	/** Offers phrases with a passed year as this year's. */
	freshen(rows: readonly ScoutRow[]): Promise<void> {
		const notes = rows.flatMap(({ key, stale }) => (stale ? [{ key, fresh: stale.fresh }] : []));
		const label =
			notes.length === 1
				? `“${rows.find(({ stale }) => stale)!.phrase}” is now this year’s`
				: `${notes.length} phrases are now this year’s`;
		return this.note(label, notes);
	}

	putInto(cluster: string, keys: readonly string[], label: string): Promise<void> {
		return this.note(
			label,
			keys.map((key) => ({ key, cluster }))
		);
	}

	async setWeights(weights: OpeningWeights): Promise<void> {
		const before = this.#weights;
		const set = async (next: OpeningWeights) => {
			this.#weights = next;
			await saveSetting('opening-weights', $state.snapshot(next));
		};
		await history.run(
			{
				label: 'Changed what the parts of an opening may count',
				redo: () => set(weights),
				undo: () => set(before)
			},
			{ quiet: true }
		);
	}

	async saveFilters(saved: readonly SavedFilter[]): Promise<void> {
		this.#saved = saved;
		await saveSetting('scout-filters', $state.snapshot(saved));
	}
}

/** What clusters depend on, as a short sign; tens of thousands of phrases are read at every change. */
function clusterSignOf(rows: readonly ScoutRow[]): string {
	let sign = 0;
	const add = (text: string) => {
		for (let i = 0; i < text.length; i++) sign = (Math.imul(sign, 31) + text.charCodeAt(i)) | 0;
	};
	for (const { key, givenCluster, results, searchIntent } of rows) {
		add(key);
		add(givenCluster);
		add(searchIntent);
		for (const { address } of results ?? []) add(address);
	}
	return `${rows.length}:${sign}`;
}
