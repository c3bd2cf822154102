import type { Block } from '../pages';
import type { PreparedSentence } from '../text';
import { cuts } from './cut';

/** What a source says in one go: a sentence, an entry of a list, a row of a table with its columns. */
export interface Statement {
	readonly text: string;
	/** Position of its section in the source. */
	readonly section: number;
	/**
	 * Position of the statement it goes on from: the sentence before it in its paragraph, what
	 * leads up to its list or table; −1 for none.
	 */
	readonly after: number;
	readonly form: 'sentence' | 'entry' | 'row';
}

/** Longest paragraph, in sentences, that leads up to the list or table below it. */
const LEAD_IN_SENTENCES = 2;

/** Gathers the statements of a source, block by block. */
export class StatementList {
	readonly all: Statement[] = [];
	#section = -1;
	#leadIn = -1;

	/** Adds what a block says, cut already. */
	add(block: Block, said: readonly PreparedSentence[], section: number): void {
		if (section !== this.#section) this.#leadIn = -1;
		this.#section = section;
		const form = block.kind === 'list' ? 'entry' : block.kind === 'table' ? 'row' : 'sentence';
		const first = this.all.length;
		for (const sentence of said) {
			// the sentences of one entry begin at the start of the entry but for the first
			const goesOn = sentence.start > 0 || form === 'sentence';
			const after = goesOn && this.all.length > first ? this.all.length - 1 : this.#leadIn;
			const isFirst = form === 'sentence' && this.all.length === first;
			const statement = {
				text: sentence.text,
				section,
				after: isFirst ? -1 : after,
				form
			} as const;
			cuts.set(statement, [{ ...sentence, start: 0 }]);
			this.all.push(statement);
		}
		if (form === 'sentence')
			this.#leadIn = said.length > 0 && said.length <= LEAD_IN_SENTENCES ? this.all.length - 1 : -1;
	}
}
