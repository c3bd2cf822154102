import { untrack } from 'svelte';
import type { TakeDoc } from '$lib/core/manuscript';
import type { Plan } from '$lib/core/plan';
import {
	decidedMarks,
	readingRule,
	ruleOf,
	withDecision,
	type Claim,
	type Mark,
	type ProofRules,
	type ReadFor
} from '$lib/core/proof';
import type { Dialect } from '$lib/core/text';
import { putUnmarked, readClient } from '$lib/data/clients';
import { messageOf } from '$lib/data/trouble';
import { analysis } from '$lib/workers/client';
import { ownDialect } from '../frame/spelling';
import type { Session } from '../assignment/session.svelte';
import { history } from '../frame/history.svelte';

/** Typing rests this long before a text is proofread again. */
const PAUSE_MS = 450;

/**
 * The marks of the take that is open, found in the worker as typing rests, with what was decided about
 * them, and the one in hand.
 */
export class ProofReading {
	readonly #session: Session;
	#marks = $state.raw<readonly Mark[]>([]);
	#claims = $state.raw<readonly Claim[]>([]);
	/** Marks that were there when it was read last; null: it was not read yet. */
	#seen = $state.raw<ReadonlySet<string> | null>(null);
	#fresh = $state.raw<ReadonlySet<string>>(new Set());
	#isReading = $state(false);
	#trouble = $state('');
	/** Readings that are shown; empty: all. */
	only = $state.raw<ReadFor | null>(null);
	#inHand = $state<string | null>(null);
	#timer: ReturnType<typeof setTimeout> | undefined;
	#asked = 0;

	constructor(session: Session) {
		this.#session = session;
	}

	readonly isReading = $derived(this.#isReading);
	readonly isRead = $derived(this.#seen !== null);
	readonly trouble = $derived(this.#trouble);
	/** All figures, dates and named bodies, with what backs them. */
	readonly claims = $derived(this.#claims);
	readonly #silent = $derived.by(() => new Set(this.#session.client?.unmarked ?? []));
	readonly #decided = $derived.by(() =>
		decidedMarks(
			this.#marks.filter((mark) => !this.#silent.has(ruleOf(mark))),
			this.#session.proof.dismissed
		)
	);
	/** Marks nobody has decided about, in reading order. */
	readonly open: readonly Mark[] = $derived(this.#decided.open);
	readonly dismissed = $derived(this.#decided.dismissed);
	/** Open marks of the reading that is looked at. */
	readonly shown: readonly Mark[] = $derived(
		this.only === null ? this.open : this.open.filter(({ reads }) => reads === this.only)
	);
	readonly inHand: Mark | null = $derived(this.shown.find(({ id }) => id === this.#inHand) ?? null);

	isFresh({ id }: Mark): boolean {
		return this.#fresh.has(id);
	}

	countOf(reads: ReadFor): number {
		return this.open.filter((mark) => mark.reads === reads).length;
	}

	/** Has a text read as soon as typing rests; at once the first time. Call from an effect. */
	follow(doc: TakeDoc | null, plan: Plan | null, rules: ProofRules): void {
		if (!doc) return;
		clearTimeout(this.#timer);
		const mine = ++this.#asked;
		const wait = untrack(() => this.#seen) === null ? 0 : PAUSE_MS;
		this.#timer = setTimeout(() => void this.#read(mine, doc, plan, rules), wait);
	}

	/** Nothing is waited for any more. */
	stop(): void {
		clearTimeout(this.#timer);
		this.#asked++;
	}

	async #read(mine: number, doc: TakeDoc, plan: Plan | null, rules: ProofRules) {
		const { evidence, letters, noteSigns, proof } = this.#session;
		if (!evidence) return;
		this.#isReading = true;
		try {
			const names = new Map([...letters, ...noteSigns]);
			const read = await analysis.proofread(
				evidence,
				plan,
				rules,
				proof.dialect ?? ownDialect(),
				names,
				doc
			);
			if (read === null || mine !== this.#asked) return;
			const before = this.#seen;
			this.#trouble = '';
			this.#fresh =
				before === null
					? new Set()
					: new Set(read.marks.flatMap(({ id }) => (before.has(id) ? [] : [id])));
			this.#seen = new Set(read.marks.map(({ id }) => id));
			this.#marks = read.marks;
			this.#claims = read.claims;
			this.#session.openMarks = this.open.length;
		} catch (error) {
			if (mine === this.#asked) this.#trouble = `The text was not read: ${messageOf(error)}`;
		} finally {
			if (mine === this.#asked) this.#isReading = false;
		}
	}

	/** Takes a mark in hand; null: none. */
	take(mark: Mark | null): void {
		this.#inHand = mark?.id ?? null;
	}

	/** The mark behind the one in hand, or before it; the first where none is. */
	step(by: 1 | -1): Mark | null {
		const at = this.shown.findIndex(({ id }) => id === this.#inHand);
		const next = at < 0 ? (by > 0 ? 0 : this.shown.length - 1) : at + by;
		const mark = this.shown[Math.max(0, Math.min(this.shown.length - 1, next))] ?? null;
		this.take(mark);
		return mark;
	}

	/** Puts a mark out of sight, for a reason. */
	async dismiss(mark: Mark, reason: string): Promise<void> {
		const at = this.shown.findIndex(({ id }) => id === mark.id);
		const next = this.shown[at + 1] ?? this.shown[at - 1] ?? null;
		await this.#session.decideProof('Dismissed a mark', (choices) => ({
			...choices,
			dismissed: [...withDecision(choices.dismissed, { mark: mark.id, reason })]
		}));
		this.take(next);
		this.#session.openMarks = this.open.length;
	}

	/** Brings a dismissed mark back. */
	async bringBack(id: string): Promise<void> {
		await this.#session.decideProof('Brought a mark back', (choices) => ({
			...choices,
			dismissed: choices.dismissed.filter(({ mark }) => mark !== id)
		}));
	}

	/** Never marks by a rule again for the client, in any assignment. */
	silence(mark: Mark): Promise<void> {
		const at = this.shown.findIndex(({ id }) => id === mark.id);
		this.take(this.shown[at + 1] ?? this.shown[at - 1] ?? null);
		return this.#setUnmarked('Never again for this client', (list) => [
			...new Set([...list, ruleOf(mark)])
		]);
	}

	/** Marks by a rule again. */
	unsilence(rule: string): Promise<void> {
		return this.#setUnmarked('Marked again for this client', (list) =>
			list.filter((other) => other !== rule)
		);
	}

	/** Switches a reading off for the client, or on. */
	toggleForClient(reads: ReadFor): Promise<void> {
		const rule = readingRule(reads);
		return this.#setUnmarked('Changed what is read for this client', (list) =>
			list.includes(rule) ? list.filter((other) => other !== rule) : [...list, rule]
		);
	}

	async #setUnmarked(
		label: string,
		change: (list: readonly string[]) => readonly string[]
	): Promise<void> {
		const client = this.#session.client?.id;
		if (!client) return;
		let before: readonly string[] = [];
		await history.run({
			label,
			redo: async () => {
				before = (await readClient(client))?.unmarked ?? [];
				await putUnmarked(client, change(before));
			},
			undo: () => putUnmarked(client, before)
		});
	}

	/** Which spelling counts as right; null: that of the notes. */
	setDialect(dialect: Dialect | null): Promise<void> {
		return this.#session.decideProof('Changed the spelling', (choices) => ({
			...choices,
			dialect
		}));
	}

	/** Switches a reading off for this assignment, or on. */
	async toggle(reads: ReadFor): Promise<void> {
		const isOff = this.#session.proof.off.includes(reads);
		await this.#session.decideProof(
			isOff ? 'Switched a reading on' : 'Switched a reading off',
			(choices) => ({
				...choices,
				off: isOff ? choices.off.filter((other) => other !== reads) : [...choices.off, reads]
			})
		);
	}
}
