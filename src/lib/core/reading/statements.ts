import type { Block } from '../pages';
import type { PreparedSentence } from '../text';
import { cuts } from './cut';

/** What a source says in one go: a sentence, an entry of a list, a row of a table with its columns. */
export interface Statement {
	readonly text: string;
	/** Position of its section in the source. */
	readonly section: number;
	readonly form: 'sentence' | 'entry' | 'row';
}

/** What a block says as statements, from its sentences or rows as they were cut. */
export function statementsIn(
	block: Block,
	said: readonly PreparedSentence[],
	section: number
): Statement[] {
	const form = block.kind === 'list' ? 'entry' : block.kind === 'table' ? 'row' : 'sentence';
	return said.map((sentence) => {
		const statement: Statement = { text: sentence.text, section, form };
		cuts.set(statement, [{ ...sentence, start: 0 }]);
		return statement;
	});
}
