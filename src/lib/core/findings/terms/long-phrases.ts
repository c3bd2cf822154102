import type { PhraseAbout } from '../../keywords';
import { keysOf, termKeyOf, verbFormsOf, wordKeyOf, isStopWord } from '../../text';
import { cutOf, type PageWork } from '../../reading';
import type { Question } from '../questions';
import { verbsOf } from './find-terms';
import { type Term } from './term';

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
	listed: readonly PhraseAbout[],
	keyword: string
): LongPhrase[] {
	const variants = new Variants(keyword, terms);
	for (const page of pages) {
		for (const { phrase } of windowsOf(page, keyword))
			variants.count(variants.main, phrase, page, 1);
		for (const { key, length, count, whole, surfaces } of page.candidates) {
			if (length < 2 || whole === 0 || variants.isKnown(key)) continue;
			const base = variants.baseIn(key);
			if (base === undefined) continue;
			variants.count(
				base,
				surfaces
					.map(([surface]) => surface)
					.sort()[0]!
					.toLowerCase(),
				page,
				count
			);
		}
	}
	for (const { wordings } of questions)
		for (const wording of wordings) {
			const variant = variants.spoken(wording);
			if (variant) variant.isAsked = true;
		}
	for (const { phrase, volume } of listed) {
		const variant = variants.spoken(phrase);
		if (!variant) continue;
		variant.isListed = true;
		if (volume !== null) variant.volume = Math.max(volume, variant.volume ?? 0);
	}
	return variants.shown();
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

/** Wordings met so far, by the keyword or term that they vary. */
class Variants {
	/** Key of the keyword. */
	readonly main: string;
	readonly #found: Map<string, Map<string, Variant>>;
	readonly #termKeys: ReadonlySet<string>;
	readonly #isAbout: (phrase: string) => boolean;

	constructor(keyword: string, terms: readonly Term[]) {
		this.main = termKeyOf(keyword);
		const others = terms.map(({ key }) => key).filter((key) => key !== this.main);
		const bases = [this.main, ...others].slice(0, TERMS_VARIED);
		this.#found = new Map(bases.map((key) => [key, new Map()]));
		this.#termKeys = new Set(terms.map(({ key }) => key));
		const find = matcherOf(keyword);
		this.#isAbout = (phrase) => find(keysOf(phrase).map(({ key }) => key)).length > 0;
	}

	/** Whether the grid lists it already, or it is only a part of the keyword. */
	isKnown(key: string): boolean {
		return this.#termKeys.has(key) || ` ${this.main} `.includes(` ${key} `);
	}

	/** The longest of the terms that a phrase holds. */
	baseIn(key: string): string | undefined {
		return partsOf(key)
			.filter((part) => part !== this.main && this.#found.has(part))
			.sort((a, b) => b.length - a.length || (a < b ? -1 : 1))[0];
	}

	count(base: string, phrase: string, page: PageWork, uses: number): void {
		const variant = this.#put(base, phrase);
		variant.count += uses;
		variant.pages.add(page.id);
	}

	/** The variant that a searched or asked phrase is, if it is one. */
	spoken(phrase: string): Variant | null {
		const plain = phrase.toLowerCase().replace(/\?+$/, '').trim();
		const key = termKeyOf(plain);
		if (this.isKnown(key) || /[,;:()]/.test(plain)) return null;
		if (this.#isAbout(plain)) return this.#put(this.main, plain);
		const base = key.split(' ').length <= MOST_WORDS ? this.baseIn(key) : undefined;
		return base === undefined ? null : this.#put(base, plain);
	}

	/** Those worth showing: base by base, searched most first, then on most pages. */
	shown(): LongPhrase[] {
		return [...this.#found].flatMap(([base, variants]) =>
			[...variants.values()]
				.filter((variant) => variant.key !== base && variant.key !== this.main)
				.filter(
					({ isAsked, isListed, pages, count }) =>
						isAsked || isListed || (base === this.main ? count >= 1 : pages.size >= 2 || count >= 3)
				)
				.sort(
					(a, b) =>
						(b.volume ?? -1) - (a.volume ?? -1) ||
						b.pages.size - a.pages.size ||
						b.count - a.count ||
						(a.phrase < b.phrase ? -1 : 1)
				)
				.slice(0, VARIANTS_SHOWN)
				.map(({ phrase, count, pages, isAsked, isListed, volume }): LongPhrase => ({
					phrase,
					of: base,
					count,
					pages: [...pages].sort(),
					isAsked,
					isListed,
					volume
				}))
		);
	}

	#put(base: string, phrase: string): Variant {
		const variants = this.#found.get(base)!;
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
	}
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
