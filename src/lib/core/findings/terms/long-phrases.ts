import { keysOf, termKeyOf, verbFormsOf, wordKeyOf, isStopWord } from '../../text';
import { cutOf, type PageWork } from '../../reading';
import type { Question } from '../questions';
import { verbsOf } from './find-terms';
import { type Term } from './term';

/** A phrase of a keyword list, with its searches a month where they are known. */
export interface ListedPhrase {
	readonly phrase: string;
	readonly volume: number | null;
}

/** A longer or other wording of a keyword or term, as somebody really wrote it. */
export interface LongPhrase {
	readonly phrase: string;
	/** Key of the term it varies; the keyword's for variants of the keyword. */
	readonly of: string;
	/** Uses on the counted pages. */
	readonly count: number;
	readonly pages: readonly string[];
	/** Whether a question or a keyword list has it. */
	readonly isAsked: boolean;
	readonly isListed: boolean;
	readonly volume: number | null;
}

/** Terms whose variants are looked for, the keyword first; and how many variants of each are given. */
const TERMS_VARIED = 25;
const VARIANTS_SHOWN = 12;

/** Words of a searched or asked phrase beyond which it is a sentence. */
const MOST_WORDS = 9;

/** Words that may stand between the keyword's own. */
const SPARE_WORDS = 4;

/**
 * Wordings of the exact keyword and the strongest terms that pages, questions and keyword lists
 * really use: those searched most first, then those on most pages.
 */
export function findLongPhrases(
	pages: readonly PageWork[],
	terms: readonly Term[],
	questions: readonly Question[],
	listed: readonly ListedPhrase[],
	keyword: string
): LongPhrase[] {
	const main = termKeyOf(keyword);
	const bases = [main, ...terms.map(({ key }) => key).filter((key) => key !== main)].slice(
		0,
		TERMS_VARIED
	);
	const found = new Map<string, Map<string, Variant>>(bases.map((key) => [key, new Map()]));
	const put = (base: string, phrase: string): Variant => {
		const variants = found.get(base)!;
		const key = termKeyOf(phrase);
		let variant = variants.get(key);
		if (!variant) {
			variant = {
				key,
				phrase,
				count: 0,
				pages: new Set(),
				isAsked: false,
				isListed: false,
				volume: null
			};
			variants.set(key, variant);
		}
		return variant;
	};
	const baseSet = new Set(bases.slice(1));
	const known = new Set(terms.map(({ key }) => key));
	// what the grid lists is no variant, and a part of the keyword is nothing longer
	const isKnown = (key: string) => known.has(key) || ` ${main} `.includes(` ${key} `);
	/** The longest of the terms that a phrase holds. */
	const baseIn = (key: string) =>
		partsOf(key)
			.filter((part) => baseSet.has(part))
			.sort((a, b) => b.length - a.length || (a < b ? -1 : 1))[0];
	for (const page of pages) {
		for (const { phrase } of windowsOf(page, keyword)) {
			const variant = put(main, phrase);
			variant.count++;
			variant.pages.add(page.id);
		}
		for (const { key, length, count, whole, surfaces } of page.candidates) {
			if (length < 2 || whole === 0 || isKnown(key)) continue;
			const base = baseIn(key);
			if (base === undefined) continue;
			const variant = put(base, [...surfaces.keys()].sort()[0]!.toLowerCase());
			variant.count += count;
			variant.pages.add(page.id);
		}
	}
	const around = matcherOf(keyword);
	const spoken = (phrase: string, note: (variant: Variant) => void) => {
		const plain = phrase.toLowerCase().replace(/\?+$/, '').trim();
		const key = termKeyOf(plain);
		if (isKnown(key) || /[,;:()]/.test(plain)) return;
		if (around(keysOf(plain).map((word) => word.key)).length > 0) note(put(main, plain));
		else {
			const base = key.split(' ').length <= MOST_WORDS ? baseIn(key) : undefined;
			if (base !== undefined) note(put(base, plain));
		}
	};
	for (const { wordings } of questions)
		for (const wording of wordings) spoken(wording, (variant) => (variant.isAsked = true));
	for (const { phrase, volume } of listed)
		spoken(phrase, (variant) => {
			variant.isListed = true;
			if (volume !== null) variant.volume = Math.max(volume, variant.volume ?? 0);
		});
	return bases.flatMap((base) =>
		[...found.get(base)!.values()]
			.filter((variant) => variant.key !== base && variant.key !== main)
			.filter(
				({ isAsked, isListed, pages: on, count }) =>
					isAsked || isListed || (base === main ? count >= 1 : on.size >= 2 || count >= 3)
			)
			.sort(
				(a, b) =>
					(b.volume ?? -1) - (a.volume ?? -1) ||
					b.pages.size - a.pages.size ||
					b.count - a.count ||
					(a.phrase < b.phrase ? -1 : 1)
			)
			.slice(0, VARIANTS_SHOWN)
			.map(({ phrase, count, pages: on, isAsked, isListed, volume }): LongPhrase => ({
				phrase,
				of: base,
				count,
				pages: [...on].sort(),
				isAsked,
				isListed,
				volume
			}))
	);
}

interface Variant {
	readonly key: string;
	readonly phrase: string;
	count: number;
	readonly pages: Set<string>;
	isAsked: boolean;
	isListed: boolean;
	volume: number | null;
}

/** Proper sub-phrases of a key: "heavy walling hammer" → "heavy walling", "walling hammer", "hammer" … */
function partsOf(key: string): string[] {
	const words = key.split(' ');
	const parts: string[] = [];
	for (let length = 1; length < words.length; length++)
		for (let start = 0; start + length <= words.length; start++)
			parts.push(words.slice(start, start + length).join(' '));
	return parts;
}

/** Stretches of a page's sentences that hold all the words of the keyword that carry meaning. */
function windowsOf(page: PageWork, keyword: string): { phrase: string }[] {
	const find = matcherOf(keyword);
	const found: { phrase: string }[] = [];
	for (const unit of page.units) {
		if (unit.place === 'title') continue;
		for (const { text, words } of cutOf(unit)) {
			for (const [from, to] of find(words.map(({ key }) => key))) {
				const phrase = text.slice(words[from]!.start, words[to]!.end).toLowerCase();
				if (!/[,;:()]/.test(phrase)) found.push({ phrase });
			}
		}
	}
	return found;
}

/** Finds the shortest stretches of word keys that hold every content word of a phrase once, in any order and inflection. */
function matcherOf(phrase: string): (keys: readonly string[]) => (readonly [number, number])[] {
	const words = termKeyOf(phrase).split(' ');
	const verbs = new Set(verbsOf(termKeyOf(phrase)));
	const wanted = words.flatMap((word, i) =>
		isStopWord(word) || word === 'how'
			? []
			: [new Set(verbs.has(i) ? verbFormsOf(word).map(wordKeyOf) : [word])]
	);
	const most = words.length + SPARE_WORDS;
	return (keys) => {
		if (wanted.length < 2) return [];
		const found: (readonly [number, number])[] = [];
		for (let from = 0; from < keys.length; from++) {
			if (!wanted.some((forms) => forms.has(keys[from]!))) continue;
			const open = new Set(wanted.keys());
			for (let to = from; to < Math.min(keys.length, from + most); to++) {
				for (const i of open) if (wanted[i]!.has(keys[to]!)) open.delete(i);
				if (open.size > 0) continue;
				const last = found.at(-1);
				// a later start with the same end is the shorter stretch
				if (last && last[1] === to) found.pop();
				found.push([from, to]);
				break;
			}
		}
		return found;
	};
}
