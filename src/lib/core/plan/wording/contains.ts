import { findTerms, indexTerms, patternOf } from '../../text';

/** Whether a text holds a phrase, in any number or hyphenation. */
export function containsTerm(text: string, phrase: string): boolean {
	return findTerms(indexTerms([patternOf(phrase)]), text).length > 0;
}
