import { joinGroups, nameGroup, partGroup, strikeGroup, type GroupEdits } from '$lib/core/findings';
import type { Session } from '../assignment/session.svelte';
import { RowKeys } from './row-keys';

interface Options<T> {
	readonly session: Session;
	/** Which of the edits the list keeps its own in. */
	readonly edits: 'topics' | 'questions' | 'figures';
	/** What one entry is called, in the plural: "topics". */
	readonly noun: string;
	readonly entries: () => readonly T[];
	/** Names of an entry's parts for decisions by hand. */
	readonly refsOf: (entry: T) => string[];
	readonly nameOf: (entry: T) => string;
}

/**
 * What is ticked, open and typed in a list of merged findings, and how its entries are merged, split,
 * named, struck out and brought back. Each step can be undone and outlives changes of the pages; what
 * is open, ticked or typed stays when the findings are worked out anew.
 */
export class GroupList<T extends { readonly id: string }> {
	/** Keys of the ticked rows. */
	#ticked = $state.raw<ReadonlySet<string>>(new Set());
	/** Key of the open row. */
	#open = $state<string | null>(null);
	/** Parts ticked inside the open entry, by their names. */
	parting = $state.raw<ReadonlySet<string>>(new Set());
	/** Name typed for the open entry and not given yet; null: none. */
	typedName = $state<string | null>(null);
	element = $state<HTMLElement>();
	readonly #options: Options<T>;
	readonly #rows: RowKeys<T>;
	readonly #keys: ReadonlyMap<T, string> = $derived.by(() =>
		this.#rows.of(this.#options.entries())
	);
	readonly tickedEntries: readonly T[] = $derived.by(() =>
		this.#options.entries().filter((entry) => this.isTicked(entry))
	);

	constructor(options: Options<T>) {
		this.#options = options;
		this.#rows = new RowKeys(options.refsOf);
	}

	/** Key of an entry's row: no other row has it, and the row keeps it. */
	keyOf(entry: T): string {
		return this.#keys.get(entry) ?? entry.id;
	}

	isTicked(entry: T): boolean {
		return this.#ticked.has(this.keyOf(entry));
	}

	isOpen(entry: T): boolean {
		return this.#open === this.keyOf(entry);
	}

	tick(entry: T): void {
		this.#ticked = toggled(this.#ticked, this.keyOf(entry));
	}

	untick(): void {
		this.#ticked = new Set();
	}

	tickPart(ref: string): void {
		this.parting = toggled(this.parting, ref);
	}

	toggleOpen(entry: T): void {
		this.#open = this.isOpen(entry) ? null : this.keyOf(entry);
		this.parting = new Set();
		this.typedName = null;
	}

	partsOf(entry: T): string[] {
		return this.#options.refsOf(entry);
	}

	nameOf(entry: T): string {
		return this.#options.nameOf(entry);
	}

	/** Merges what is ticked into its first entry. */
	merge(): void {
		const { noun, refsOf, nameOf } = this.#options;
		const [first, ...others] = this.tickedEntries;
		if (!first || others.length === 0) return;
		const [main, sets] = [refsOf(first), others.map(refsOf)];
		this.#edit(
			`Merged ${this.tickedEntries.length} ${noun} into “${shortened(nameOf(first))}”`,
			(groups) => sets.reduce((changed, refs) => joinGroups(changed, main, refs), groups)
		);
	}

	/** Splits off the ticked parts, or those given. */
	part(entry: T, out: readonly string[] = [...this.parting]): void {
		const { refsOf, nameOf } = this.#options;
		const gone = refsOf(entry).filter((ref) => out.includes(ref));
		const rest = refsOf(entry).filter((ref) => !out.includes(ref));
		if (gone.length === 0 || rest.length === 0) return;
		this.#edit(`Split “${shortened(nameOf(entry))}”`, (groups) => partGroup(groups, gone, rest));
	}

	/** Arrows go from entry to entry, space ticks, x strikes out; Enter opens, as buttons do. */
	onkeydown(event: KeyboardEvent, at: number, entry: T, isStruck = false): void {
		if (event.altKey || event.ctrlKey || event.metaKey) return;
		const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
		if (step !== 0) this.element?.querySelectorAll<HTMLElement>('button.open')[at + step]?.focus();
		else if (event.key === ' ') this.tick(entry);
		else if (event.key === 'x' || event.key === 'Delete') this.strike(entry, !isStruck);
		else return;
		event.preventDefault();
	}

	strike(entry: T, isStruck: boolean): void {
		const { refsOf, nameOf } = this.#options;
		const refs = refsOf(entry);
		this.#edit(
			`${isStruck ? 'Struck out' : 'Brought back'} “${shortened(nameOf(entry))}”`,
			(groups) => strikeGroup(groups, refs, isStruck)
		);
	}

	rename(entry: T, name: string): void {
		const { refsOf, nameOf } = this.#options;
		const plain = name.trim();
		this.typedName = null;
		if (plain === nameOf(entry)) return;
		const refs = refsOf(entry);
		this.#edit(
			plain === ''
				? `Gave “${shortened(nameOf(entry))}” its own name back`
				: `Renamed “${shortened(nameOf(entry))}” to “${shortened(plain)}”`,
			(groups) => nameGroup(groups, refs, plain)
		);
	}

	#edit(label: string, change: (groups: GroupEdits) => GroupEdits): void {
		const { session, edits: key } = this.#options;
		void session.edit(label, (edits) => ({ ...edits, [key]: change(edits[key]) }));
		this.untick();
		this.parting = new Set();
	}
}

/** A set with a member put in, or taken out where it was. */
export function toggled(set: ReadonlySet<string>, member: string): ReadonlySet<string> {
	const next = new Set(set);
	if (!next.delete(member)) next.add(member);
	return next;
}

function shortened(name: string): string {
	return name.length > 60 ? `${name.slice(0, 57).trimEnd()} …` : name;
}
