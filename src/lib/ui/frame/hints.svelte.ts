/** What helps at a stage the first time one comes there. */
export const STAGE_HINTS: Readonly<Record<string, string>> = {
	scout:
		'Here the keyword was chosen. Lists of phrases come in under Scout in the top line: several at once, merged and rated by their opening.',
	brief:
		'What is agreed here shapes plan, draft and checks. Only the keyword is needed; fill in the rest when you know it.',
	gather:
		'Drop pages, notes, subtitles, lists of questions and of keywords anywhere in the window. What is set aside stays, and can be counted again.',
	findings:
		'All of this is counted in the pages that count. Pin it, strike it out, merge it: plan and takes follow, and every step can be undone.',
	plan: 'Propose a plan, then change what you like: what is locked stays when the rest is placed again.',
	write:
		'The slips beside the text say what each section still wants. Nothing replaces a word of yours unasked: what is written comes as a version beside it.',
	proof: 'J and K go from mark to mark; a mark is fixed, or dismissed with a reason, and stays so.',
	deliver:
		'Look at what is open before it goes, then take any form. What was handed over, and when, is kept.'
};

const KEY = 'corvan-hints';
const NONE = 'none';

/** First-time hints: each goes for good once it is read, and all of them when the writer says so. */
class Hints {
	#read = $state.raw<ReadonlySet<string>>(stored());

	/** The hint for a stage; null: it was read, or there is none. */
	of(stage: string): string | null {
		return this.#read.has(NONE) || this.#read.has(stage) ? null : (STAGE_HINTS[stage] ?? null);
	}

	/** Whether any was put away, so that they can be shown again. */
	get areSome(): boolean {
		return this.#read.size > 0;
	}

	take(stage: string): void {
		this.#keep(new Set([...this.#read, stage]));
	}

	takeAll(): void {
		this.#keep(new Set([NONE]));
	}

	showAgain(): void {
		this.#keep(new Set());
	}

	#keep(read: ReadonlySet<string>): void {
		this.#read = read;
		try {
			localStorage.setItem(KEY, [...read].join(' '));
		} catch {
			// a private window may forbid it; they then come back with the next page
		}
	}
}

function stored(): ReadonlySet<string> {
	try {
		return new Set((localStorage.getItem(KEY) ?? '').split(' ').filter(Boolean));
	} catch {
		return new Set();
	}
}

export const hints = new Hints();
