import type { Findings } from '../../findings';
import { perFindings } from '../outline';

/** Written with a capital wherever they stand. */
const ALWAYS_CAPITAL = new Set(
	`monday tuesday wednesday thursday friday saturday sunday january february march april june july august september
october november december christmas easter english british scottish welsh irish french german italian spanish dutch danish
swedish norwegian finnish polish greek turkish russian chinese japanese korean indian thai mexican american canadian
australian african asian european victorian georgian roman latin england britain scotland wales ireland france germany
italy spain europe london america canada australia africa asia india china japan`.split(/\s+/)
);

interface Writing {
	readonly small: ReadonlySet<string>;
	readonly capital: ReadonlySet<string>;
}

/** The words that pages write in small letters inside their terms and sentences, and those with a capital. */
const writingOf = perFindings(({ terms, facts }): Writing => {
	const balance = new Map<string, number>();
	const note = (word: string) => {
		const key = word.toLowerCase();
		balance.set(key, (balance.get(key) ?? 0) + (word === key ? 1 : -1));
	};
	for (const { phrase } of terms) phrase.split(/[\s-]+/).forEach(note);
	// the first word of a sentence has a capital whatever it is
	for (const { text } of facts) (text.match(/(?<=\p{Ll},? )\p{L}\p{Ll}{2,}/gu) ?? []).forEach(note);
	const all = [...balance];
	return {
		small: new Set(all.filter(([, by]) => by > 0).map(([word]) => word)),
		capital: new Set(all.filter(([, by]) => by < 0).map(([word]) => word))
	};
});

const LEADING = /^[("'“‘]*/;

/**
 * A heading that gives every word a capital, as a sentence is written: "Rinse the Salt Off" → "Rinse
 * the salt off". Names keep theirs: what pages write so, days, months and countries, and whatever has a
 * capital or a figure inside. A single word behind the first is only made small where a page writes it
 * so, or where it says what is done.
 */
export function quietCase(text: string, findings: Findings): string {
	const [first = '', ...rest] = text.split(/(?=\s)/);
	const long = rest.filter((part) => /\p{L}{4}/u.test(part));
	if (long.length === 0 || !long.every((part) => isLoud(part))) return text;
	const { small, capital } = writingOf(findings);
	const quiet = rest.map((part) => {
		const word = part.replace(/[^\p{L}]/gu, '').toLowerCase();
		if (!isLoud(part) || word === 'i' || capital.has(word) || ALWAYS_CAPITAL.has(word)) return part;
		return long.length > 1 || small.has(word) || /..ings?$/.test(word) ? part.toLowerCase() : part;
	});
	return first + quiet.join('');
}

/** Whether a word has a capital at its start and none inside: not "SSL", not "iPhone". */
function isLoud(part: string): boolean {
	return /^\p{Lu}[\p{Ll}’']*(?:[-/]\p{L}\p{Ll}*)*[.,:;!?)"”’]*$/u.test(
		part.trim().replace(LEADING, '')
	);
}
