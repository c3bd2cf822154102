import { toast } from 'svelte-sonner';
import type { Action } from '../frame/actions.svelte';
import type { Asking } from './asking.svelte';
import type { ManuscriptEditor } from './manuscript-editor.svelte';
import type { ManuscriptView, PageBox } from './manuscript-view.svelte';

/** What is done to a manuscript by key or by name, wherever it is asked for. */
export class ManuscriptKeys {
	readonly #editor: ManuscriptEditor;
	readonly #view: ManuscriptView;
	readonly #asking: Asking;
	/** What the take does that the keys know nothing of. */
	readonly #take: {
		readonly setQuotes: () => void;
		readonly bringAll: () => void;
		readonly hasOthers: () => boolean;
	};

	constructor(
		editor: ManuscriptEditor,
		view: ManuscriptView,
		asking: Asking,
		take: {
			readonly setQuotes: () => void;
			readonly bringAll: () => void;
			readonly hasOthers: () => boolean;
		}
	) {
		this.#editor = editor;
		this.#view = view;
		this.#asking = asking;
		this.#take = take;
	}

	openBox(box: PageBox): void {
		this.#editor.readChosen();
		this.#view.turn(box);
	}

	/** Closes what lies over the page; the text has the keys again. */
	closeBox(): void {
		this.#view.box = null;
		this.#editor.command((chain) => chain);
	}

	nextSlip(): void {
		if (this.#editor.nextOpenSlip()) return;
		toast(this.#editor.reading ? 'No slip has anything open.' : 'The slips are still being read.');
	}

	nextGap(): void {
		if (!this.#editor.nextGap()) toast('The manuscript has no gap.');
	}

	turnQuiet(): void {
		this.#view.isQuiet = !this.#view.isQuiet;
	}

	#foldHere(): void {
		const { outline } = this.#editor;
		const entry = outline.entries.find(({ at }) => at === outline.inHand);
		if (entry) outline.fold(entry.at, !entry.isFolded);
	}

	/** Keys of the manuscript; where the browser has its own, ours come first only inside the text. */
	down(event: KeyboardEvent): void {
		const isIn = event.target instanceof Element && event.target.closest('.manuscript') !== null;
		const isControl = event.ctrlKey || event.metaKey;
		if (isControl && event.key === 'f' && isIn) this.openBox('find');
		else if (isControl && event.key === 'l' && isIn) this.openBox('link');
		else if (!event.altKey || isControl) return;
		else if (event.code === 'KeyG') this.nextGap();
		else if (event.code === 'KeyJ') this.nextSlip();
		else if (event.code === 'KeyQ') this.turnQuiet();
		else if (event.code === 'KeyC' && isIn) this.openBox('comment');
		else if (event.code === 'KeyO') this.#view.showOutline();
		else if (event.code === 'Period' && isIn) this.#foldHere();
		else return;
		event.preventDefault();
	}

	/** The same and more, found by name. */
	actions(): Action[] {
		const view = this.#view;
		const { outline } = this.#editor;
		return [
			{ label: 'Find and replace', run: () => this.openBox('find') },
			{ label: 'Go to the next gap', run: () => this.nextGap() },
			{ label: 'Go to the next open slip', run: () => this.nextSlip() },
			{ label: 'Quiet: only the text', also: 'focus', run: () => this.turnQuiet() },
			{ label: 'Set a link', run: () => this.openBox('link') },
			{ label: 'Comment for the client', run: () => this.openBox('comment') },
			{ label: 'Outline: fold and move sections', run: () => view.showOutline() },
			{ label: 'Fold all sections', run: () => outline.foldAll(true) },
			{ label: 'Unfold all sections', run: () => outline.foldAll(false) },
			{ label: 'Set the quotation marks of the text', run: this.#take.setQuotes },
			{ label: view.originsLabel, run: () => (view.isPlain = !view.isPlain) },
			{ label: 'How this take grew', also: 'chart', run: () => (view.away = 'growth') },
			{
				label: 'Ask a writer',
				also: 'endpoint request',
				run: () => this.#asking.show('section', 'draft')
			},
			{
				label: 'Bring a reply or an article in',
				also: 'paste reply',
				run: this.#take.bringAll
			},
			...(this.#take.hasOthers()
				? [{ label: 'Compare with another take', run: () => (view.away = 'compared') }]
				: [])
		];
	}
}
