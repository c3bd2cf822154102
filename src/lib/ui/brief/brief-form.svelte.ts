import { untrack } from 'svelte';
import { EMPTY_BRIEF, MOST_QUESTIONS, MOST_SECTIONS } from '$lib/core/brief';
import type { Assignment } from '$lib/data/db';
import { changeAssignment } from '$lib/data/assignments';
import { isStorageFull, messageOf, NO_ROOM } from '$lib/data/trouble';
import { forgetUnsaved, keepUnsaved } from '$lib/data/unsaved';
import { history } from '../frame/history.svelte';
import { Autosave } from '../parts/autosave';

/** What of an assignment the brief's form changes. */
export type BriefValues = Pick<
	Assignment,
	'keyword' | 'title' | 'targetWords' | 'client' | 'brief'
>;

/** Length, grade and lists as typed, since not everything that is typed is a value yet. */
export interface TypedBrief {
	words: string;
	grade: string;
	sections: string;
	questions: string;
	mustSay: string;
	mustNotSay: string;
}

export type BriefErrors = Partial<
	Record<'keyword' | 'words' | 'grade' | 'sections' | 'questions', string>
>;

/** Bounds of a list in the brief. */
const MOST_LINE_CHARS = 500;

/**
 * The brief as it is typed. Every field is stored while it is typed into; leaving it makes what was
 * changed since one step of the history.
 */
export class BriefForm {
	draft = $state<BriefValues>() as BriefValues;
	typed = $state<TypedBrief>() as TypedBrief;
	#errors = $state.raw<BriefErrors>({});
	#trouble = $state('');
	readonly #id: string;
	/** The state last written or read, and the one the next step goes back to; as text. */
	#saved: string;
	#committed: string;
	/** States on their way into storage: one that comes back late is no change from elsewhere. */
	readonly #written: string[] = [];
	readonly #autosave = new Autosave(
		() => this.#save(),
		() => keepUnsaved(this.#id, { ...this.#left(), values: this.#storable() })
	);

	/** What cannot be stored as it is typed, by field. */
	readonly errors = $derived(this.#errors);
	/** Why the last changes could not be stored; empty when they are. */
	readonly trouble = $derived(this.#trouble);

	constructor(assignment: Assignment) {
		this.#id = assignment.id;
		const values = valuesOf(assignment);
		this.draft = structuredClone(values);
		this.typed = typedOf(values);
		this.#saved = JSON.stringify(values);
		this.#committed = this.#saved;
	}

	/** Takes over what an undo or another tab has stored. Call from an effect. */
	follow(assignment: Assignment): void {
		const now = JSON.stringify(valuesOf(assignment));
		untrack(() => {
			const at = this.#written.lastIndexOf(now);
			if (at >= 0) this.#written.splice(0, at + 1);
			if (at >= 0 || now === this.#saved) return;
			this.#saved = now;
			this.#committed = now;
			this.#show(JSON.parse(now) as BriefValues);
		});
	}

	/** Saves when the page is hidden or left; returns what ends that, making a step of what is typed. */
	watch(): () => void {
		const unwatch = this.#autosave.watch();
		return () => {
			unwatch();
			void this.commit();
		};
	}

	/** Notes a key in some field. */
	changed(): void {
		this.#takeTyped();
		this.#autosave.changed();
	}

	/** Notes that a field was left. */
	settle(): void {
		this.#takeTyped();
		void this.commit();
	}

	/** Puts other values into the form, as one step. */
	async replace(values: BriefValues, label: string): Promise<void> {
		await this.commit();
		this.#show(values);
		await this.commit(label);
	}

	/** The draft as plain data. */
	snapshot(): BriefValues {
		return $state.snapshot(this.draft) as BriefValues;
	}

	#show(values: BriefValues): void {
		this.draft = values;
		this.typed = typedOf(values);
		this.#errors = {};
	}

	/** Takes over what is typed where it is a value; what is not is said beside its field. */
	#takeTyped(): void {
		const errors: BriefErrors = {};
		const words = this.typed.words.replace(/[,.\s]/g, '');
		if (words === '') this.draft.targetWords = null;
		else if (/^\d+$/.test(words) && Number(words) >= 100 && Number(words) <= 50_000)
			this.draft.targetWords = Number(words);
		else errors.words = 'Give a number from 100 to 50,000, or leave it empty.';
		const grade = this.typed.grade.trim().replace(',', '.');
		if (grade === '') this.draft.brief.grade = null;
		else if (Number(grade) >= 1 && Number(grade) <= 18) this.draft.brief.grade = Number(grade);
		else errors.grade = 'Give a grade from 1 to 18, or leave it empty.';
		const count = (field: 'sections' | 'questions', least: number, most: number) => {
			const said = this.typed[field].trim();
			const n = Number(said);
			if (said === '') this.draft.brief[field] = null;
			else if (Number.isInteger(n) && n >= least && n <= most) this.draft.brief[field] = n;
			else errors[field] = `Give a number from ${least} to ${most}, or leave it empty.`;
		};
		count('sections', 1, MOST_SECTIONS);
		count('questions', 0, MOST_QUESTIONS);
		if (this.draft.keyword.trim().length < 2)
			errors.keyword = 'Give the exact keyword, as people type it.';
		this.draft.brief.mustSay = linesOf(this.typed.mustSay);
		this.draft.brief.mustNotSay = linesOf(this.typed.mustNotSay);
		this.#errors = errors;
	}

	/** What can be stored: a keyword that is being retyped keeps its last state. */
	#storable(): BriefValues {
		const now = this.snapshot();
		return this.#errors.keyword
			? { ...now, keyword: (JSON.parse(this.#saved) as BriefValues).keyword }
			: { ...now, keyword: now.keyword.trim() };
	}

	async #save(): Promise<void> {
		const now = this.#storable();
		const text = JSON.stringify(now);
		if (text === this.#saved) return;
		const last = this.#saved;
		this.#saved = text;
		// it is tried again with the next change, and what is typed stays on the screen
		await this.#write(
			text,
			() => changeAssignment(this.#id, now),
			() => (this.#saved = last)
		);
	}

	/** Makes what was changed since the last step one step of the history. */
	async commit(label = 'Changed the brief'): Promise<void> {
		this.#autosave.forget();
		const before = this.#committed;
		const now = this.#storable();
		const text = JSON.stringify(now);
		if (text === before) return;
		const last = this.#saved;
		this.#committed = text;
		this.#saved = text;
		const step = {
			label,
			redo: () => changeAssignment(this.#id, now),
			undo: () => changeAssignment(this.#id, JSON.parse(before) as BriefValues)
		};
		await this.#write(
			text,
			() => history.run(step, { quiet: true }),
			() => {
				this.#committed = before;
				this.#saved = last;
			}
		);
	}

	#left() {
		return { kind: 'assignment', id: this.#id, part: 'brief' } as const;
	}

	async #write(text: string, store: () => Promise<void>, takeBack: () => void): Promise<void> {
		this.#written.push(text);
		try {
			await store();
			this.#trouble = '';
			// what was typed meanwhile may be written down already
			if (JSON.stringify(this.#storable()) === text) forgetUnsaved(this.#id, this.#left());
		} catch (error) {
			const at = this.#written.lastIndexOf(text);
			if (at >= 0) this.#written.splice(at, 1);
			takeBack();
			this.#trouble = isStorageFull(error)
				? `${NO_ROOM}, so the last changes are not stored. Copy the brief as Markdown, then delete an old assignment.`
				: `The last changes are not stored: ${messageOf(error)}`;
		}
	}
}

function valuesOf({ keyword, title, targetWords, client, brief }: Assignment): BriefValues {
	// what was stored before a field was known lacks it
	return { keyword, title, targetWords, client, brief: { ...EMPTY_BRIEF, ...brief } };
}

function typedOf({ targetWords, brief }: BriefValues): TypedBrief {
	return {
		words: targetWords?.toString() ?? '',
		grade: brief.grade?.toString() ?? '',
		sections: brief.sections?.toString() ?? '',
		questions: brief.questions?.toString() ?? '',
		mustSay: brief.mustSay.join('\n'),
		mustNotSay: brief.mustNotSay.join('\n')
	};
}

function linesOf(text: string): string[] {
	return text
		.split('\n')
		.map((line) => line.trim().slice(0, MOST_LINE_CHARS))
		.filter(Boolean);
}
