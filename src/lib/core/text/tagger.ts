/** Universal part-of-speech tags, as far as the product tells them apart. */
export interface TaggedToken {
	readonly text: string;
	/** Universal Dependencies tag: NOUN, PROPN, ADJ, VERB, DET, PUNCT … */
	readonly pos: string;
	/** Whether the token stands right against the one before it. */
	readonly attached: boolean;
}

/** Gives the parts of speech of one block of text. */
export type Tagger = (text: string) => TaggedToken[];

/** What the tagging library offers, as far as it is used here. */
interface TokenCollection {
	out(pick: unknown): unknown[];
}

interface TaggingLibrary {
	readDoc(text: string): { tokens(): TokenCollection };
	its: { value: unknown; pos: unknown; precedingSpaces: unknown };
}

/**
 * Makes a tagger from the loaded library and model. Both weigh about a megabyte, so the caller
 * decides when and where they are loaded.
 */
export function makeTagger(
	library: (model: never, pipe: string[]) => unknown,
	model: unknown
): Tagger {
	const nlp = library(model as never, ['sbd', 'pos']) as TaggingLibrary;
	return (text) => {
		const tokens = nlp.readDoc(text).tokens();
		const values = tokens.out(nlp.its.value) as string[];
		const tags = tokens.out(nlp.its.pos) as string[];
		const spaces = tokens.out(nlp.its.precedingSpaces) as string[];
		return values.map((value, i) => ({
			text: value,
			pos: tags[i] ?? 'X',
			attached: spaces[i] === ''
		}));
	};
}
