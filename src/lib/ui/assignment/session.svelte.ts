import { getContext, setContext } from 'svelte';
import { factsNoteOf } from '$lib/core/clients';
import {
	LISTS_AS_SOURCE,
	NO_EDITS,
	OWN_AS_SOURCE,
	type FindingEdits,
	type Findings,
	type ListedPhrase
} from '$lib/core/findings';
import type { Plan } from '$lib/core/plan';
import type { TakeDoc } from '$lib/core/takes';
import type { PageStanding } from '$lib/core/standing';
import { follow } from '$lib/data/follow';
import { phraseKeyOf, phrasesAbout, type RankedResult } from '$lib/core/keywords';
import { isMaterial, momentOf, timeOf } from '$lib/core/notes';
import { alikePagesOf } from '$lib/core/pages';
import { listAwaited, listNotes, listPages } from '$lib/data/pages';
import { listTakes } from '$lib/data/takes';
import { changeAssignment } from '$lib/data/assignments';
import { readAllRows } from '$lib/data/keywords';
import {
	db,
	type Assignment,
	type AwaitedPage,
	type Client,
	type Note,
	type Page,
	type Take
} from '$lib/data/db';
import { analysis, type EvidenceInput, type Progress } from '$lib/workers/client';
import { history } from '../frame/history.svelte';
import { PlanKeeper } from './plan-keeper.svelte';

const KEY = Symbol('assignment');

/**
 * An assignment that is open: its data as it stands in the browser, and what the worker finds
 * in it. Findings follow every change of the evidence; standings of pages are asked for.
 */
export class Session {
	readonly id: string;
	readonly #keeper: PlanKeeper;
	#assignment = $state.raw<Assignment | null | undefined>();
	#pages = $state.raw<readonly Page[] | undefined>();
	#notes = $state.raw<readonly Note[] | undefined>();
	#awaited = $state.raw<readonly AwaitedPage[] | undefined>();
	#results = $state.raw<readonly RankedResult[] | null>(null);
	#listed = $state.raw<readonly ListedPhrase[] | undefined>();
	#client = $state.raw<Client | null | undefined>();
	#takes = $state.raw<readonly Take[] | undefined>();
	#findings = $state.raw<Findings | null>(null);
	#findingsSign = $state.raw('');
	#progress = $state.raw<Progress | null>(null);
	#standings = $state.raw<readonly PageStanding[] | null>(null);
	#standingsSign = '';
	#standingProgress = $state.raw<Progress | null>(null);
	#trouble = $state.raw<string | null>(null);

	/** Undefined until it is read, null when there is no such assignment. */
	readonly assignment = $derived(this.#assignment);
	readonly pages = $derived(this.#pages ?? []);
	/** Pages asked for by address that have not come in. */
	readonly awaited = $derived(this.#awaited ?? []);
	/** Who ranks for the keyword, where that is known. */
	readonly results = $derived(this.#results);
	/** Pages that nearly repeat an earlier one, by id. */
	readonly alike = $derived(alikePagesOf(this.pages));
	/** Phrases of the client's keyword lists that are about the keyword. */
	readonly listed = $derived(this.#listed ?? []);
	/** What was changed about the findings by hand. */
	readonly edits = $derived(this.#assignment?.edits ?? NO_EDITS);
	/** Null: nobody named, or not in this browser. */
	readonly client = $derived(this.#client ?? null);
	/** The writer's own notes and lists, and behind them the facts of the client. */
	readonly notes = $derived([...(this.#notes ?? []), ...this.#clientNotes()]);
	readonly plan = $derived.by(() => this.#keeper.plan ?? null);
	readonly takes = $derived(this.#takes ?? []);
	readonly isRead = $derived.by(
		() =>
			this.#assignment !== undefined &&
			this.#pages !== undefined &&
			this.#notes !== undefined &&
			this.#client !== undefined &&
			this.#listed !== undefined &&
			this.#keeper.plan !== undefined &&
			this.#takes !== undefined
	);
	readonly counted = $derived(this.pages.filter(({ counted }) => counted));
	/** Letter of each counted page, by id. */
	readonly letters = $derived(new Map(this.counted.map(({ id }, i) => [id, letterOf(i)])));
	/** Sign of each note, by id: n1, n2 … */
	readonly noteSigns = $derived(
		new Map(this.notes.filter(isMaterial).map(({ id }, i) => [id, `n${i + 1}`]))
	);
	/** Secondary keywords that have to stand in the article. */
	readonly required = $derived(
		(this.#assignment?.brief.secondary ?? [])
			.filter(({ isRequired }) => isRequired)
			.map(({ phrase }) => phrase)
	);
	/** The others, most searched first. */
	readonly secondary = $derived(
		(this.#assignment?.brief.secondary ?? [])
			.filter(({ isRequired }) => !isRequired)
			.toSorted((a, b) => (b.volumeMax ?? -1) - (a.volumeMax ?? -1))
			.map(({ phrase }) => phrase)
	);
	/** What neither brief nor client wants to read. */
	readonly mustNotSay = $derived([
		...new Set([...(this.#assignment?.brief.mustNotSay ?? []), ...(this.#client?.avoid ?? [])])
	]);
	/** What findings depend on, as one string. */
	readonly #sign = $derived(
		this.isRead && this.#assignment
			? JSON.stringify([
					this.#assignment.keyword,
					this.#assignment.targetWords,
					this.#assignment.brief.effort,
					this.#assignment.brief.grade,
					this.required,
					this.secondary,
					this.#assignment.edits,
					this.listed,
					this.counted.map(({ id, struck, order }) => [id, struck, order]),
					this.notes.map(({ id, kind, text }) => [id, kind, text.length, textSign(text)])
				])
			: ''
	);

	readonly findings = $derived(this.#findings);
	/** Whether the findings are those of the evidence as it stands now. */
	readonly isCurrent = $derived(this.#findings !== null && this.#findingsSign === this.#sign);
	/** Whether the findings shown belong to an older state of the evidence. */
	readonly isBehind = $derived(this.#findingsSign !== this.#sign);
	readonly progress = $derived(this.#progress);
	readonly standings = $derived(this.#standings);
	readonly standingProgress = $derived(this.#standingProgress);
	readonly trouble = $derived(this.#trouble);

	constructor(id: string) {
		this.id = id;
		this.#keeper = new PlanKeeper(id);
	}

	/** Follows the stored data; returns what ends it. */
	open(): () => void {
		const tell = (message: string) => (this.#trouble = message);
		const ends = [
			follow(
				() => db.assignments.get(this.id),
				(value) => (this.#assignment = value ?? null),
				tell
			),
			follow(
				() => listPages(this.id),
				(value) => (this.#pages = value),
				tell
			),
			follow(
				() => listNotes(this.id),
				(value) => (this.#notes = value),
				tell
			),
			follow(
				() => listAwaited(this.id),
				(value) => (this.#awaited = value),
				tell
			),
			follow(
				async () => {
					const own = await db.assignments.get(this.id);
					if (!own) return null;
					const found = await db.phraseNotes.get([own.client ?? '', phraseKeyOf(own.keyword)]);
					return found?.results?.list ?? null;
				},
				(value) => (this.#results = value),
				tell
			),
			follow(
				async () => {
					const client = (await db.assignments.get(this.id))?.client;
					return client ? await db.clients.get(client) : null;
				},
				(value) => (this.#client = value ?? null),
				tell
			),
			follow(
				async () => {
					const own = await db.assignments.get(this.id);
					if (!own) return [];
					return phrasesAbout(await readAllRows(own.client ?? ''), own.keyword);
				},
				(value) => (this.#listed = value),
				tell
			),
			this.#keeper.follow(tell),
			follow(
				() => listTakes(this.id),
				(value) => (this.#takes = value),
				tell
			)
		];
		return () => ends.forEach((end) => end());
	}

	/** Evidence as the worker takes it. */
	get input(): EvidenceInput {
		return {
			keyword: this.#assignment?.keyword ?? '',
			targetWords: this.#assignment?.targetWords ?? null,
			effort: this.#assignment?.brief.effort ?? 'pillar',
			grade: this.#assignment?.brief.grade ?? null,
			required: this.required,
			secondary: this.secondary,
			mustNotSay: this.mustNotSay,
			callToAction: this.#assignment?.brief.callToAction ?? '',
			pages: this.counted.map(({ id, article, struck }) => ({ id, article, struck })),
			notes: this.notes.map(({ id, kind, name, text }) => ({ id, kind, name, text })),
			listed: this.listed,
			edits: this.edits
		};
	}

	/** Brings the findings up to date. Call from an effect: reads what they depend on. */
	follow(): void {
		const sign = this.#sign;
		if (sign === '' || sign === this.#findingsSign) return;
		void this.#find(sign);
	}

	async #find(sign: string): Promise<void> {
		try {
			const found = await analysis.findings(this.input, (progress) => {
				// the last words of a worker can arrive after its answer
				if (this.#sign === sign && this.#findingsSign !== sign) this.#progress = progress;
			});
			if (found === null || this.#sign !== sign) return;
			this.#findings = found;
			this.#findingsSign = sign;
			this.#trouble = null;
		} catch (error) {
			this.#trouble = `The evidence could not be read: ${error instanceof Error ? error.message : String(error)}`;
		} finally {
			if (this.#sign === sign) this.#progress = null;
		}
	}

	/** Works out where every counted page stands, unless that is known. */
	async findStandings(): Promise<void> {
		const sign = this.#sign;
		if (sign === '' || sign === this.#standingsSign) return;
		this.#standingsSign = sign;
		let isDone = false;
		try {
			const standings = await analysis.standings(this.input, (progress) => {
				if (!isDone) this.#standingProgress = progress;
			});
			if (standings !== null && this.#sign === sign) this.#standings = standings;
		} catch (error) {
			this.#standingsSign = '';
			this.#trouble = `The pages could not be scored: ${error instanceof Error ? error.message : String(error)}`;
		} finally {
			isDone = true;
			this.#standingProgress = null;
		}
	}

	/** Stores a changed plan as a step that can be taken back. */
	changePlan(label: string, plan: Plan | null, { quiet = true } = {}): Promise<void> {
		return this.#keeper.change(label, plan, { quiet });
	}

	/** Takes the outline of a manuscript into the plan, as a step that can be taken back. */
	planFromTake(take: Take, doc: TakeDoc): Promise<void> {
		return this.#keeper.fromTake(take, doc);
	}

	/** Stores changed values of the assignment as a step that can be taken back. */
	async change(label: string, values: Partial<Assignment>, { quiet = true } = {}): Promise<void> {
		const now = this.#assignment;
		if (!now) return;
		const before = Object.fromEntries(
			(Object.keys(values) as (keyof Assignment)[]).map((key) => [key, now[key]])
		);
		await history.run(
			{
				label,
				redo: () => changeAssignment(this.id, values),
				undo: () => changeAssignment(this.id, before)
			},
			{ quiet }
		);
	}

	/** Changes the findings by hand, as a step that can be taken back. */
	async edit(label: string, change: (edits: FindingEdits) => FindingEdits): Promise<void> {
		let before: FindingEdits = NO_EDITS;
		await history.run({
			label,
			// the stored state is asked for, since steps can follow one another faster than it comes back
			redo: async () => {
				before = (await db.assignments.get(this.id))?.edits ?? NO_EDITS;
				await changeAssignment(this.id, { edits: change(before) });
			},
			undo: () => changeAssignment(this.id, { edits: before })
		});
	}

	#clientNotes(): Note[] {
		const client = this.#client;
		const text = client ? factsNoteOf(client) : '';
		if (!client || text === '') return [];
		return [
			{
				id: `facts:${client.id}`,
				assignment: this.id,
				kind: 'note',
				name: `Facts of ${client.name}`,
				text,
				order: Number.MAX_SAFE_INTEGER,
				client: client.id
			}
		];
	}

	/** Name of a page or note for the writer, by id. */
	nameOf(id: string): string {
		if (id === 'brief') return 'the brief';
		if (id === LISTS_AS_SOURCE) return 'a keyword list';
		if (id === OWN_AS_SOURCE) return 'you';
		const page = this.pages.find((other) => other.id === id);
		if (page) return page.article.siteName || page.article.title || page.name;
		return this.notes.find((other) => other.id === id)?.name ?? 'a list';
	}

	/** When a sentence of a transcript was said, such as "12:03"; empty for all else. */
	timeOf(id: string, sentence: string): string {
		const note = this.notes.find((other) => other.id === id);
		if (note?.kind !== 'transcript') return '';
		const moment = momentOf(note.text, sentence);
		return moment ? timeOf(moment.startMs) : '';
	}
}

/** A, B … Z, AA, AB … */
export function letterOf(index: number): string {
	const last = String.fromCharCode(65 + (index % 26));
	return index < 26 ? last : letterOf(Math.floor(index / 26) - 1) + last;
}

function textSign(text: string): number {
	let sign = 0;
	for (let i = 0; i < text.length; i++) sign = (Math.imul(sign, 31) + text.charCodeAt(i)) | 0;
	return sign;
}

export function provideSession(session: Session): void {
	setContext(KEY, session);
}

export function useSession(): Session {
	return getContext<Session>(KEY);
}
