import { contentStemsOf } from '../text';
import { middleVolumeOf, type Keyword } from './keyword';

/** Share of a keyword's words that a phrase has to hold to be about it; verbs of doing count little. */
const ABOUT_AT = 0.6;
const VERB_WEIGHT = 0.3;

const VERBS = new Set(
	contentStemsOf(
		'build make lay fix repair choose buy grow plant clean install paint write start keep dig cut cook bake plan find train use best guide beginner cheap'
	)
);

/** More would be a keyword list again. */
const MOST = 300;

/** A phrase of a keyword list that is about a keyword, with its searches a month or null. */
export interface PhraseAbout {
	readonly phrase: string;
	readonly volume: number | null;
}

/**
 * Phrases of keyword lists that are about a keyword, most searched first, each once with its
 * searches a month or null. A phrase is about it when it holds most of its words, in any inflection, and
 * one of those that tell it from what the whole list is about, where there are such.
 */
export function phrasesAbout(rows: readonly Keyword[], keyword: string): PhraseAbout[] {
	const wanted = [...new Set(contentStemsOf(keyword))].map((stem) => ({
		stem,
		weight: VERBS.has(stem) ? VERB_WEIGHT : 1
	}));
	const all = wanted.reduce((sum, { weight }) => sum + weight, 0);
	if (all === 0) return [];
	const own = keyword.trim().toLowerCase();
	const about = rows.flatMap((row) => {
		const phrase = row.phrase.trim().toLowerCase();
		if (phrase === own || phrase === '') return [];
		const stems = new Set(contentStemsOf(phrase));
		const held = wanted.reduce((sum, { stem, weight }) => sum + (stems.has(stem) ? weight : 0), 0);
		return held / all < ABOUT_AT ? [] : [{ row, phrase, stems }];
	});
	const telling = tellingStems(
		wanted.map(({ stem }) => stem),
		about.map(({ stems }) => stems)
	);
	const found = new Map<string, number | null>();
	for (const { row, phrase, stems } of about) {
		if (telling.length > 0 && !telling.some((stem) => stems.has(stem))) continue;
		const middle = middleVolumeOf(row);
		// the middle of a range is a guess, and not to the last search
		const volume = middle === null ? null : Number(middle.toPrecision(2));
		const known = found.get(phrase);
		found.set(phrase, volume === null ? (known ?? null) : Math.max(volume, known ?? 0));
	}
	return mostSearched(found);
}

/** Phrases of two such lists as one, each once with the most searches that either knows. */
export function withPhrases(
	one: readonly PhraseAbout[],
	other: readonly PhraseAbout[]
): readonly PhraseAbout[] {
	if (other.length === 0) return one;
	const found = new Map(one.map(({ phrase, volume }) => [phrase, volume]));
	for (const { phrase, volume } of other) {
		const known = found.get(phrase) ?? null;
		found.set(
			phrase,
			volume === null || known === null ? (volume ?? known) : Math.max(volume, known)
		);
	}
	return mostSearched(found);
}

function mostSearched(found: ReadonlyMap<string, number | null>): PhraseAbout[] {
	return [...found]
		.map(([phrase, volume]) => ({ phrase, volume }))
		.sort((a, b) => (b.volume ?? -1) - (a.volume ?? -1) || (a.phrase < b.phrase ? -1 : 1))
		.slice(0, MOST);
}

/** Share of the phrases from which a word is what the list is about, and below which it tells one article from another. */
const OF_LIST = 0.5;
const TELLS = 0.1;

/**
 * Words of a keyword that tell it from the rest of a list: in a list on dry stone walls "how to repair a gap in a
 * dry stone wall" is about gaps and repairing. None where no thing of the keyword is rare beside one that is common;
 * a verb alone tells nothing, since whoever builds a wall wants to know its cost as well.
 */
function tellingStems(
	wanted: readonly string[],
	phrases: readonly ReadonlySet<string>[]
): readonly string[] {
	const shareOf = (stem: string) =>
		phrases.filter((stems) => stems.has(stem)).length / Math.max(1, phrases.length);
	const shares = wanted.map((stem) => ({ stem, share: shareOf(stem) }));
	const rare = shares.filter(({ share }) => share < TELLS).map(({ stem }) => stem);
	const isTold =
		shares.some(({ share }) => share > OF_LIST) && rare.some((stem) => !VERBS.has(stem));
	return isTold ? rare : [];
}
