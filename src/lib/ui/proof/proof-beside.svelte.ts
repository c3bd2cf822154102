import type { TakeDoc } from '$lib/core/manuscript';
import { docOfBlocks } from '$lib/core/measure';
import { keptBlocksOf } from '$lib/core/pages';
import type { Plan } from '$lib/core/plan';
import type { ProofRules, ReadFor } from '$lib/core/proof';
import { messageOf } from '$lib/data/trouble';
import { analysis } from '$lib/workers/client';
import { ownDialect } from '../frame/spelling';
import type { Session } from '../assignment/session.svelte';

/** A text that the take can be held beside. */
export interface Other {
	/** "take: …" or "page: …" with its id. */
	readonly key: string;
	readonly name: string;
}

/** Another take, or a page, read by the same rules as the take that is open. */
export class ProofBeside {
	readonly #session: Session;
	readonly #take: string;
	#key = $state('');
	#counts = $state.raw<ReadonlyMap<ReadFor, number> | null>(null);
	#trouble = $state('');
	#asked = 0;

	/** @param take id of the take that is open */
	constructor(session: Session, take: string) {
		this.#session = session;
		this.#take = take;
	}

	readonly others: readonly Other[] = $derived.by(() => [
		...this.#session.takes
			.filter(({ id }) => id !== this.#take)
			.map(({ id, name }) => ({ key: `take: ${id}`, name })),
		...this.#session.counted.map(({ id }) => ({
			key: `page: ${id}`,
			name: `page ${this.#session.letters.get(id) ?? ''}, ${this.#session.nameOf(id)}`
		}))
	]);
	/** What is held beside the take; null: nothing. */
	readonly other: Other | null = $derived(this.others.find(({ key }) => key === this.#key) ?? null);
	readonly trouble = $derived(this.#trouble);
	readonly isReading: boolean = $derived(
		this.other !== null && this.#counts === null && this.#trouble === ''
	);

	/** Marks of the other text; null while it is read, or where there is none. */
	countOf(reads: ReadFor): number | null {
		return this.other && this.#counts ? (this.#counts.get(reads) ?? 0) : null;
	}

	/** Holds another text beside the take; an empty key: none. */
	async choose(key: string, plan: Plan | null, rules: ProofRules): Promise<void> {
		this.#key = key;
		this.#counts = null;
		this.#trouble = '';
		const mine = ++this.#asked;
		const { evidence, letters, noteSigns, proof } = this.#session;
		const [doc, page] = this.#textOf(key);
		if (!evidence || !doc) return;
		try {
			const { marks } = await analysis.proofreadBeside(
				evidence,
				plan,
				rules,
				proof.dialect ?? ownDialect(),
				new Map([...letters, ...noteSigns]),
				doc,
				page
			);
			if (mine !== this.#asked) return;
			const counts = new Map<ReadFor, number>();
			for (const { reads } of marks) counts.set(reads, (counts.get(reads) ?? 0) + 1);
			this.#counts = counts;
		} catch (error) {
			if (mine === this.#asked) this.#trouble = `It was not read: ${messageOf(error)}`;
		}
	}

	#textOf(key: string): [TakeDoc | null, string | null] {
		const take = this.#session.takes.find(({ id }) => key === `take: ${id}`);
		if (take) return [take.doc, null];
		const page = this.#session.counted.find(({ id }) => key === `page: ${id}`);
		if (!page) return [null, null];
		return [docOfBlocks(keptBlocksOf(page.article, page.struck)), page.id];
	}
}
