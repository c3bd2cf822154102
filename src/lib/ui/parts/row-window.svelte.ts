import { createVirtualizer } from '@tanstack/svelte-virtual';
import { untrack } from 'svelte';
import { fromStore, get } from 'svelte/store';

/** The rows of a long table that are in sight, and the keys that go from row to row. */
export class RowWindow {
	/** The element that scrolls. */
	scroller = $state<HTMLDivElement>();
	readonly #count: () => number;
	/** The row that is to have the focus once it is drawn. */
	#awaited: number | null = null;
	readonly #virtual;
	readonly #current;

	/** @param rowHeight height of every row, in pixels */
	constructor(count: () => number, rowHeight: number) {
		this.#count = count;
		this.#virtual = createVirtualizer<HTMLDivElement, HTMLTableRowElement>({
			count: 0,
			getScrollElement: () => this.scroller ?? null,
			estimateSize: () => rowHeight,
			overscan: 6
		});
		this.#current = fromStore(this.#virtual);
		$effect(() => {
			const rows = this.#count();
			const element = this.scroller ?? null;
			untrack(() =>
				get(this.#virtual).setOptions({ count: rows, getScrollElement: () => element })
			);
		});
	}

	/** Rows in sight and a few around them. */
	get items() {
		return this.#current.current.getVirtualItems();
	}

	/** Height of the rows before those, in pixels. */
	get above(): number {
		return this.items[0]?.start ?? 0;
	}

	/** Height of the rows after those, in pixels. */
	get below(): number {
		return this.#current.current.getTotalSize() - (this.items.at(-1)?.end ?? 0);
	}

	showInMiddle(at: number): void {
		untrack(() => get(this.#virtual).scrollToIndex(at, { align: 'center' }));
	}

	/**
	 * Scrolls a row into sight and puts the focus on its button of class `open`. Until a row far away
	 * is drawn the scrolling element has the focus, so that no key is lost; see `handleKey`.
	 */
	async focus(at: number): Promise<void> {
		get(this.#virtual).scrollToIndex(at);
		const button = () =>
			this.scroller?.querySelector<HTMLButtonElement>(`[data-at="${at}"] button.open`);
		this.#awaited = at;
		if (!button()) this.scroller?.focus({ preventScroll: true });
		for (let frame = 0; frame < MOST_FRAMES && this.#awaited === at; frame++) {
			const drawn = button();
			if (drawn) {
				this.#awaited = null;
				drawn.focus();
				return;
			}
			await new Promise(requestAnimationFrame);
			// who has gone elsewhere meanwhile is not called back
			if (!this.scroller?.contains(document.activeElement)) this.#awaited = null;
		}
	}

	/** Takes a key for the row that is awaited; to be called where the scrolling element has the focus. */
	handleKey(event: KeyboardEvent, take: (event: KeyboardEvent, at: number) => void): void {
		if (event.target === event.currentTarget && this.#awaited !== null) take(event, this.#awaited);
	}

	/** The row that a key goes to from another; undefined for keys that go nowhere. */
	target(key: string, from: number): number | undefined {
		const last = this.#count() - 1;
		const to = {
			ArrowDown: Math.min(last, from + 1),
			ArrowUp: Math.max(0, from - 1),
			PageDown: Math.min(last, from + PAGE),
			PageUp: Math.max(0, from - PAGE),
			Home: 0,
			End: last
		};
		return to[key as keyof typeof to];
	}
}

const PAGE = 15;
/** Frames that a row is waited for; on a slow machine a jump takes some. */
const MOST_FRAMES = 120;
