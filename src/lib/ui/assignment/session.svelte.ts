import { getContext, setContext } from 'svelte';
import type { Evidence } from '$lib/core/assignment';
import { factsNoteOf } from '$lib/core/clients';
import { NO_DELIVERY_CHOICES, type DeliveryChoices } from '$lib/core/deliver';
import { LISTS_AS_SOURCE, NO_EDITS, OWN_AS_SOURCE, type FindingEdits } from '$lib/core/findings';
import { phraseKeyOf, type PhraseAbout, type RankedResult } from '$lib/core/keywords';
import type { TakeDoc } from '$lib/core/manuscript';
import { isMaterial, momentOf, timeOf } from '$lib/core/notes';
import { alikePagesOf } from '$lib/core/pages';
import { NO_PROOF_CHOICES, type ProofChoices } from '$lib/core/proof';
import type { Plan } from '$lib/core/plan';
import { changeAssignment, listedFor } from '$lib/data/assignments';
import {
	db,
	type Assignment,
	type AwaitedPage,
	type Client,
	type Note,
	type Page,
	type Picture,
	type StoredVersion,
	type Take
} from '$lib/data/db';
import { follow } from '$lib/data/follow';
import { listAwaited, listNotes, listPages } from '$lib/data/pages';
import { listPictures } from '$lib/data/pictures';
import { listTakes } from '$lib/data/takes';
import { listVersions } from '$lib/data/versions';
import { messageOf } from '$lib/data/trouble';
import { forgetUnsaved, keepUnsaved, restoreUnsaved } from '$lib/data/unsaved';
import { history } from '../frame/history.svelte';
import { LiveFindings } from './live-findings.svelte';
import { PlanKeeper } from './plan-keeper.svelte';

/**
 * An assignment that is open: its data as it stands in the browser, and what is found in it. What
 * is read follows every change, whichever tab made it.
 */
export class Session {
	/** Under which the screens of an assignment find it. */
	static readonly KEY = Symbol('assignment');
	readonly id: string;
	readonly #keeper: PlanKeeper;
	#assignment = $state.raw<Assignment | null | undefined>();
	#pages = $state.raw<readonly Page[] | undefined>();
	#notes = $state.raw<readonly Note[] | undefined>();
	#awaited = $state.raw<readonly AwaitedPage[] | undefined>();
	#results = $state.raw<readonly RankedResult[] | null>(null);
	#listed = $state.raw<readonly PhraseAbout[] | undefined>();
	#client = $state.raw<Client | null | undefined>();
	#takes = $state.raw<readonly Take[] | undefined>();
	#versions = $state.raw<readonly StoredVersion[]>([]);
	#pictures = $state.raw<readonly Picture[]>([]);
	#trouble = $state.raw<string | null>(null);
	/** Changes of the assignment that storage has not taken yet, the oldest first. */
	readonly #unstored = new Set<(assignment: Assignment) => Partial<Assignment>>();

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
	/** Marks that are open in the take that was proofread last; null: none was yet. */
	openMarks = $state<number | null>(null);
	/** What is open before the take that is handed over goes; null: nobody has looked yet. */
	openPoints = $state<number | null>(null);
	/** What was decided while proofreading. */
	readonly proof = $derived(this.#assignment?.proof ?? NO_PROOF_CHOICES);
	/** What was decided about handing the article over. */
	readonly delivery = $derived(this.#assignment?.delivery ?? NO_DELIVERY_CHOICES);
	/** The pictures of the article, placed or not. */
	readonly pictures = $derived(this.#pictures);
	/** Null: nobody named, or not in this browser. */
	readonly client = $derived(this.#client ?? null);
	/** The writer's own notes and lists, and behind them the facts of the client. */
	readonly notes = $derived([...(this.#notes ?? []), ...this.#clientNotes()]);
	readonly plan = $derived.by(() => this.#keeper.plan ?? null);
	readonly takes = $derived(this.#takes ?? []);
	/** Versions of sections, of all takes, the newest first. */
	readonly versions = $derived(this.#versions);
	readonly isRead = $derived.by(
		() =>
			this.#assignment !== undefined &&
			this.#pages !== undefined &&
			this.#notes !== undefined &&
			this.#client !== undefined &&
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
	/** All that findings are worked out from; null until it is read. */
	readonly evidence: Evidence | null = $derived.by(() => this.#evidence());
	readonly #live = new LiveFindings(() => this.evidence);

	/** Findings with the evidence they belong to. */
	readonly analysed = $derived(this.#live.analysed);
	readonly findings = $derived(this.#live.analysed?.findings ?? null);
	/** Whether the findings are those of the evidence as it stands now. */
	readonly isCurrent = $derived(this.#live.isCurrent);
	readonly progress = $derived(this.#live.progress);
	readonly standings = $derived(this.#live.standings);
	readonly standingProgress = $derived(this.#live.standingProgress);
	/** Runs of eight words of the counted pages, once they were asked for. */
	readonly runs = $derived(this.#live.runs);
	readonly trouble = $derived(this.#trouble ?? this.#live.trouble);

	constructor(id: string) {
		this.id = id;
		this.#keeper = new PlanKeeper(id);
	}

	/** Follows the stored data, once what an earlier page left unsaved is stored; returns what ends it. */
	open(): () => void {
		const tell = (message: string) => (this.#trouble = message);
		let ends: (() => void)[] = [];
		let isOpen = true;
		const watch = [this.#keeper.watch(), this.#watch()];
		void restoreUnsaved(this.id)
			.catch((error: unknown) => tell(`What was typed last is not stored: ${messageOf(error)}`))
			.then(() => {
				if (isOpen) ends = this.#followAll(tell);
			});
		return () => {
			isOpen = false;
			[...watch, ...ends].forEach((end) => end());
		};
	}

	/** Writes down what is on its way into storage when the page is left; returns what ends that. */
	#watch(): () => void {
		const leave = () => {
			const now = this.#assignment;
			if (!now || this.#unstored.size === 0) return;
			let values: Partial<Assignment> = {};
			for (const change of this.#unstored) values = { ...values, ...change({ ...now, ...values }) };
			keepUnsaved(this.id, { ...this.#left(), values });
		};
		window.addEventListener('pagehide', leave);
		return () => window.removeEventListener('pagehide', leave);
	}

	#left() {
		return { kind: 'assignment', id: this.id, part: 'steps' } as const;
	}

	/** Does a step whose change outlives the page though it is left before storage has taken it. */
	async #keeping(
		change: (assignment: Assignment) => Partial<Assignment>,
		run: (isStored: () => void) => Promise<void>
	): Promise<void> {
		this.#unstored.add(change);
		const isStored = () => {
			this.#unstored.delete(change);
			if (this.#unstored.size === 0) forgetUnsaved(this.id, this.#left());
		};
		try {
			await run(isStored);
		} finally {
			isStored();
		}
	}

	#followAll(tell: (message: string) => void): (() => void)[] {
		const own = () => db.assignments.get(this.id);
		return [
			follow(own, (value) => (this.#assignment = value ?? null), tell),
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
					const assignment = await own();
					if (!assignment) return null;
					const scope = assignment.client ?? '';
					const found = await db.phraseNotes.get([scope, phraseKeyOf(assignment.keyword)]);
					return found?.results?.list ?? null;
				},
				(value) => (this.#results = value),
				tell
			),
			follow(
				async () => {
					const client = (await own())?.client;
					return client ? await db.clients.get(client) : null;
				},
				(value) => (this.#client = value ?? null),
				tell
			),
			follow(
				async () => {
					const assignment = await own();
					return assignment ? listedFor(assignment) : [];
				},
				(value) => (this.#listed = value),
				tell
			),
			this.#keeper.follow(tell),
			follow(
				() => listTakes(this.id),
				(value) => (this.#takes = value),
				tell
			),
			follow(
				() => listVersions(this.id),
				(value) => (this.#versions = value),
				tell
			),
			follow(
				() => listPictures(this.id),
				(value) => (this.#pictures = value),
				tell
			)
		];
	}

	#evidence(): Evidence | null {
		const assignment = this.#assignment;
		// lists can be long: what is stored shows before they are read
		if (!this.isRead || !assignment || !this.#listed) return null;
		return {
			keyword: assignment.keyword,
			targetWords: assignment.targetWords,
			effort: assignment.brief.effort,
			grade: assignment.brief.grade,
			required: this.required,
			secondary: this.secondary,
			pages: this.counted.map(({ id, name, sign, struck, article }) => ({
				id,
				name: article.siteName || article.title || name,
				sign,
				struck,
				article
			})),
			notes: this.notes.map(({ id, kind, name, text, unitEdits }) => ({
				id,
				kind,
				name,
				text,
				...(unitEdits ? { unitEdits } : {})
			})),
			listed: this.listed,
			edits: this.edits
		};
	}

	/** Brings the findings up to date. Call from an effect. */
	follow(): void {
		this.#live.follow();
	}

	/** Works out where every counted page stands, unless that is known. */
	findStandings(): Promise<void> {
		return this.#live.findStandings();
	}

	/** Brings the runs of the counted pages up to date. Call from an effect. */
	findRuns(): Promise<void> {
		return this.#live.findRuns();
	}

	/** Stores a changed plan as a step that can be taken back. */
	changePlan(label: string, plan: Plan | null, { quiet = true } = {}): Promise<void> {
		return this.#keeper.change(label, plan, { quiet });
	}

	/** Changes what is said over and of the article, in the plan and with it in the brief, as one step. */
	setHead(
		label: string,
		values: Partial<Pick<Plan, 'title' | 'titleTag' | 'description' | 'slug'>>
	): Promise<void> {
		const plan = this.plan;
		if (!plan) return Promise.resolve();
		const brief = this.#assignment?.brief;
		const { title, description } = values;
		return history.together(label, async () => {
			await this.changePlan(label, { ...($state.snapshot(plan) as Plan), ...values });
			if (!brief || (title === undefined && description === undefined)) return;
			await this.change(label, {
				brief: {
					...brief,
					workingTitle: title ?? brief.workingTitle,
					description: description ?? brief.description
				}
			});
		});
	}

	/** Plans an article that exists from its own headings, as a step that can be taken back. */
	async planArticle(take: Take, doc: TakeDoc): Promise<void> {
		if (this.findings) await this.#keeper.ofArticle(take, doc, this.findings);
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
		await this.#keeping(
			() => values,
			(isStored) =>
				history.run(
					{
						label,
						redo: () => changeAssignment(this.id, values).then(isStored),
						undo: () => changeAssignment(this.id, before)
					},
					{ quiet }
				)
		);
	}

	/** Decides something about proofreading, as a step that can be taken back. */
	decideProof(
		label: string,
		change: (choices: ProofChoices) => ProofChoices,
		{ quiet = true } = {}
	): Promise<void> {
		return this.#decide('proof', NO_PROOF_CHOICES, label, change, quiet);
	}

	/** Decides something about handing over, as a step that can be taken back. */
	decideDelivery(
		label: string,
		change: (choices: DeliveryChoices) => DeliveryChoices,
		{ quiet = true } = {}
	): Promise<void> {
		return this.#decide('delivery', NO_DELIVERY_CHOICES, label, change, quiet);
	}

	/** Changes the findings by hand, as a step that can be taken back. */
	edit(label: string, change: (edits: FindingEdits) => FindingEdits): Promise<void> {
		return this.#decide('edits', NO_EDITS, label, change, false);
	}

	async #decide<K extends 'proof' | 'delivery' | 'edits'>(
		key: K,
		none: Assignment[K],
		label: string,
		change: (value: Assignment[K]) => Assignment[K],
		quiet: boolean
	): Promise<void> {
		let before = none;
		await this.#keeping(
			(assignment) => ({ [key]: change(assignment[key]) }),
			(isStored) =>
				history.run(
					{
						label,
						// the stored state is asked for, since steps can follow one another faster than it comes back
						redo: async () => {
							before = (await db.assignments.get(this.id))?.[key] ?? none;
							await changeAssignment(this.id, { [key]: change(before) });
							isStored();
						},
						undo: () => changeAssignment(this.id, { [key]: before })
					},
					{ quiet }
				)
		);
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
function letterOf(index: number): string {
	const last = String.fromCharCode(65 + (index % 26));
	return index < 26 ? last : letterOf(Math.floor(index / 26) - 1) + last;
}

export function provideSession(session: Session): void {
	setContext(Session.KEY, session);
}

export function useSession(): Session {
	return getContext<Session>(Session.KEY);
}
