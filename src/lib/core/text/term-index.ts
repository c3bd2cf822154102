import { singularOf, verbFormsOf } from './inflect';
import { sentencesOf } from './sentences';
import { oneSpelling } from './spelling';
import { plainWord, wordsOfSentence } from './words';

/** A phrase to look for. Its verbs match in every inflection, its other words in number. */
export interface Pattern {
	readonly phrase: string;
	/** Positions of verbs among the words of `phrase`, from 0. */
	readonly verbs: readonly number[];
	/** Other spellings that count as the same term. */
	readonly variants: readonly string[];
}

/** A phrase without verbs that inflect and without other spellings. */
export function patternOf(phrase: string): Pattern {
	return { phrase, verbs: [], variants: [] };
}

/** One use of a pattern; places are UTF-16 units in the text that was searched. */
export interface TermMatch {
	/** Position of the pattern in the list the index was made from. */
	readonly term: number;
	readonly start: number;
	readonly end: number;
	/** False when the use lies inside a use of a longer pattern. */
	readonly own: boolean;
}

/** Uses by pattern position; patterns without a use are missing. */
export interface TermCounts {
	readonly all: ReadonlyMap<number, number>;
	readonly own: ReadonlyMap<number, number>;
}

interface Node {
	readonly next: Map<number, Node>;
	/** Patterns that end here. */
	readonly terms: number[];
}

/** A trie over interned word keys. Made once for a list of patterns; searching does not change it. */
export interface TermIndex {
	readonly root: Node;
	readonly keys: Map<string, number>;
	readonly size: number;
}

/** A word key with its place; hyphenated words give one key for each part. */
export interface KeyedWord {
	readonly key: string;
	readonly start: number;
	readonly end: number;
}

/** The form of a plain word that is compared: singular, in one of its spellings. */
export function wordKeyOf(plain: string): string {
	return oneSpelling(singularOf(plain));
}

/** Matching keys of a text: plain, singular, one spelling, hyphens opened. */
export function keysOf(text: string): KeyedWord[] {
	const keys: KeyedWord[] = [];
	for (const { text: word, start, end } of wordsOfSentence(text)) {
		const known = keyOfWord.get(word) ?? learnKey(word);
		if (typeof known === 'string') {
			keys.push({ key: known, start, end });
			continue;
		}
		let at = start;
		for (const { key, length } of known) {
			keys.push({ key, start: at, end: at + length });
			at += length + 1;
		}
	}
	return keys;
}

interface PartKey {
	readonly key: string;
	readonly length: number;
}

/** Keys of words as they are written; those with hyphens have one for each part. */
const keyOfWord = new Map<string, string | readonly PartKey[]>();

function learnKey(word: string): string | readonly PartKey[] {
	const parts = word.split(/[\u2010\u2011-]/);
	const learned =
		parts.length === 1
			? wordKeyOf(plainWord(word))
			: parts.map((part) => ({ key: wordKeyOf(plainWord(part)), length: part.length }));
	if (keyOfWord.size > 60_000) keyOfWord.clear();
	keyOfWord.set(word, learned);
	return learned;
}

/** The key under which spellings of one term meet: "Dry-stone walls" → "dry stone wall". */
export function termKeyOf(phrase: string): string {
	return keysOf(phrase)
		.map(({ key }) => key)
		.join(' ');
}

/** Makes the index for a list of patterns. A pattern without a word never matches. */
export function indexTerms(patterns: readonly Pattern[]): TermIndex {
	const index: TermIndex = {
		root: { next: new Map(), terms: [] },
		keys: new Map(),
		size: patterns.length
	};
	patterns.forEach((pattern, term) => {
		for (const spelling of [pattern.phrase, ...pattern.variants]) {
			const keys = keysOf(spelling).map(({ key }) => key);
			if (keys.length === 0) continue;
			const verbs = spelling === pattern.phrase ? pattern.verbs : [];
			insert(index, keys, verbs, term);
			// "drystone wall" for "dry stone wall": two neighbours written as one word
			for (let at = 0; at + 1 < keys.length; at++) {
				const joined = [
					...keys.slice(0, at),
					wordKeyOf(keys[at]! + keys[at + 1]!),
					...keys.slice(at + 2)
				];
				insert(index, joined, [], term);
			}
		}
	});
	return index;
}

function insert(
	index: TermIndex,
	keys: readonly string[],
	verbs: readonly number[],
	term: number
): void {
	let nodes = [index.root];
	keys.forEach((key, at) => {
		const forms = verbs.includes(at) ? verbFormsOf(key).map(wordKeyOf) : [key];
		const following: Node[] = [];
		for (const node of nodes) {
			for (const form of forms) {
				const id = intern(index, form);
				let child = node.next.get(id);
				if (!child) node.next.set(id, (child = { next: new Map(), terms: [] }));
				following.push(child);
			}
		}
		nodes = following;
	});
	for (const node of nodes) if (!node.terms.includes(term)) node.terms.push(term);
}

function intern(index: TermIndex, key: string): number {
	let id = index.keys.get(key);
	if (id === undefined) index.keys.set(key, (id = index.keys.size));
	return id;
}

/** A sentence cut into word keys, ready to be searched with any index. */
export interface PreparedSentence {
	readonly text: string;
	/** Where the sentence starts in its block. */
	readonly start: number;
	readonly words: readonly KeyedWord[];
}

/** Cuts one block of text for searching; worth keeping when many indexes follow. */
export function prepareText(text: string): PreparedSentence[] {
	return sentencesOf(text).map((sentence) => ({
		text: sentence.text,
		start: sentence.start,
		words: keysOf(sentence.text)
	}));
}

/**
 * All uses in one block of text, in order of start, longer before shorter. A use never
 * crosses a sentence end.
 */
export function findTerms(index: TermIndex, text: string): TermMatch[] {
	return findTermsIn(index, prepareText(text));
}

/** As `findTerms`, for text that was cut before. */
export function findTermsIn(index: TermIndex, sentences: readonly PreparedSentence[]): TermMatch[] {
	const matches: TermMatch[] = [];
	for (const { start, words } of sentences) {
		const inSentence: { term: number; from: number; to: number }[] = [];
		for (let from = 0; from < words.length; from++) {
			let node: Node | undefined = index.root;
			for (let to = from; to < words.length; to++) {
				const id = index.keys.get(words[to]!.key);
				node = id === undefined ? undefined : node.next.get(id);
				if (!node) break;
				for (const term of node.terms) inSentence.push({ term, from, to });
			}
		}
		if (inSentence.length === 0) continue;
		inSentence.sort((a, b) => a.from - b.from || b.to - a.to || a.term - b.term);
		let reach = { from: -1, to: -1 };
		for (const { term, from, to } of inSentence) {
			const inside =
				reach.from >= 0 &&
				from >= reach.from &&
				to <= reach.to &&
				to - from < reach.to - reach.from;
			if (!inside && to > reach.to) reach = { from, to };
			matches.push({
				term,
				start: start + words[from]!.start,
				end: start + words[to]!.end,
				own: !inside
			});
		}
	}
	return matches;
}

/** Counts of all uses in one block of text. */
export function countTerms(index: TermIndex, text: string): TermCounts {
	const all = new Map<number, number>();
	const own = new Map<number, number>();
	for (const match of findTerms(index, text)) {
		all.set(match.term, (all.get(match.term) ?? 0) + 1);
		if (match.own) own.set(match.term, (own.get(match.term) ?? 0) + 1);
	}
	return { all, own };
}
