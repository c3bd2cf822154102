import { findTerms, indexTerms } from '../text';

/** Whether a text holds a phrase, in any number or hyphenation. */
export function containsTerm(text: string, phrase: string): boolean {
	return findTerms(indexTerms([{ phrase }]), text).length > 0;
}
