import type { BenchTab } from './BenchBeside.svelte';

/** What lies over the top of the page: one at a time. */
export type PageBox = 'find' | 'link' | 'comment';

/** What is looked at in the page's place: another take beside this one, or how this one grew. */
export type PageAway = 'compared' | 'growth';

/** How a manuscript is looked at: what stands beside the page, over it, and in its place. */
export class ManuscriptView {
	isBenchOpen = $state(false);
	benchTab = $state<BenchTab>('section');
	/** Key of the term that the bench shows; null: none yet. */
	benchTerm = $state<string | null>(null);
	/** Nothing but the text is shown. */
	isQuiet = $state(false);
	/** The signs of where sentences come from are not shown. */
	isPlain = $state(false);
	box = $state<PageBox | null>(null);
	away = $state<PageAway | null>(null);

	/** @param isWide whether the window has room for the bench beside the page */
	constructor(isWide: boolean) {
		this.isBenchOpen = isWide;
	}

	/** Opens what lies over the page, or closes it where it is open. */
	turn(box: PageBox): void {
		this.box = this.box === box ? null : box;
	}

	showTerm(key: string): void {
		this.benchTerm = key;
		this.#showBench('section');
	}

	showOutline(): void {
		this.#showBench('outline');
	}

	#showBench(tab: BenchTab): void {
		this.benchTab = tab;
		this.isBenchOpen = true;
	}

	get originsLabel(): string {
		return this.isPlain ? 'Show where sentences come from' : 'Hide where sentences come from';
	}
}
