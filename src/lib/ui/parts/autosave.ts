/** How long typing may stand unsaved. */
export const SAVE_TIMES = {
	/** From the last key: a pause in typing is a good moment. */
	pauseMs: 400,
	/** From the first unsaved key: whoever types steadily is saved all the same. */
	longestMs: 900
} as const;

/**
 * Saves what is typed: when typing pauses, at the latest `longestMs` after the first unsaved key, and
 * at once when the page is hidden or left. One save follows the other.
 */
export class Autosave {
	readonly #save: () => Promise<void> | void;
	readonly #keep: () => void;
	readonly #times: { readonly pauseMs: number; readonly longestMs: number };
	#pause: ReturnType<typeof setTimeout> | undefined;
	#longest: ReturnType<typeof setTimeout> | undefined;
	#isPending = false;
	/** Saves that have not come to their end. */
	#underWay = 0;
	#turn: Promise<void> = Promise.resolve();

	/**
	 * @param keep writes down at once what is typed and not known to be stored, when the page is hidden
	 *   or left: a save that has to wait for storage may not come to its end then. What it wrote is to
	 *   be forgotten only once nothing newer is unsaved
	 */
	constructor(save: () => Promise<void> | void, keep: () => void = () => {}, times = SAVE_TIMES) {
		this.#save = save;
		this.#keep = keep;
		this.#times = times;
	}

	/** Whether something was typed that no save has begun with. */
	get isPending(): boolean {
		return this.#isPending;
	}

	/** Notes a change. */
	changed(): void {
		this.#isPending = true;
		clearTimeout(this.#pause);
		this.#pause = setTimeout(() => void this.flush(), this.#times.pauseMs);
		this.#longest ??= setTimeout(() => void this.flush(), this.#times.longestMs);
	}

	/** Saves now what is pending; resolves when all saves are done. */
	flush(): Promise<void> {
		if (this.#isPending) {
			this.forget();
			const save = () => this.#save();
			this.#underWay++;
			// a save that failed says so itself; the next one is made all the same
			this.#turn = this.#turn.then(save, save).finally(() => void this.#underWay--);
		}
		return this.#turn;
	}

	/** Drops what is pending: it was saved or given up otherwise. */
	forget(): void {
		clearTimeout(this.#pause);
		clearTimeout(this.#longest);
		this.#longest = undefined;
		this.#isPending = false;
	}

	/** Saves when the page is hidden or left; returns what ends that, saving once more. */
	watch(): () => void {
		const leave = () => {
			if (this.#isPending || this.#underWay > 0) this.#keep();
			void this.flush();
		};
		const hide = () => {
			if (document.visibilityState === 'hidden') leave();
		};
		window.addEventListener('pagehide', leave);
		document.addEventListener('visibilitychange', hide);
		return () => {
			window.removeEventListener('pagehide', leave);
			document.removeEventListener('visibilitychange', hide);
			void this.flush();
		};
	}
}
