import type { ArticleReading, BlockReading } from '../../measure';
import { findTerms, indexTerms, keysOf, patternOf, termKeyOf } from '../../text';
import type { ArticleCheck, BlockCheck, BlockFinding } from '../mark';

/** What a brief and its client's profile settle about wording. */
export interface WordingRules {
	readonly mustSay: readonly string[];
	/** Of the brief and of the client together. */
	readonly mustNotSay: readonly string[];
	readonly brands: readonly { readonly name: string; readonly wrong: readonly string[] }[];
}

/** Marks every use of what must not be said, apart from case and inflection. */
export function forbiddenCheck(mustNotSay: readonly string[]): BlockCheck {
	const phrases = mustNotSay.filter((phrase) => termKeyOf(phrase) !== '');
	const index = indexTerms(phrases.map(patternOf));
	return {
		id: 'must not be said',
		look: (block) =>
			sentencesIn(block).flatMap(({ text, start }) =>
				findTerms(index, text).map((use): BlockFinding => {
					const phrase = phrases[use.term]!;
					return {
						about: phrase,
						quote: text.slice(use.start, use.end),
						sentence: text,
						reason: `“${phrase}” must not be said`,
						fixes: [],
						gain: null,
						start: start + use.start,
						end: start + use.end
					};
				})
			)
	};
}

/** Share of the words of what must be said that have to stand in one sentence: nobody writes it word for word. */
const SAID_AT = 0.7;

/** Tells what must be said and is not. */
export function mustSayCheck(mustSay: readonly string[]): ArticleCheck {
	const wanted = mustSay.map((phrase) => ({
		phrase,
		keys: [...new Set(termKeyOf(phrase).split(' '))].filter(Boolean)
	}));
	const known = new WeakMap<BlockReading, readonly ReadonlySet<string>[]>();
	const keysIn = (block: BlockReading) => {
		let keys = known.get(block);
		if (!keys) {
			keys = sentencesIn(block).map(({ text }) => new Set(keysOf(text).map(({ key }) => key)));
			known.set(block, keys);
		}
		return keys;
	};
	return {
		id: 'must be said',
		look: ({ blocks }: ArticleReading) =>
			wanted
				.filter(
					({ keys }) =>
						!blocks.some((block) =>
							keysIn(block).some(
								(said) => keys.filter((key) => said.has(key)).length >= SAID_AT * keys.length
							)
						)
				)
				.map(({ phrase }) => ({
					about: phrase,
					quote: '',
					sentence: '',
					reason: `“${phrase}” is not said yet`,
					fixes: [],
					gain: null
				}))
	};
}

/** Marks spellings of names that are not their own: those listed, and other case or spacing. */
export function brandCheck(brands: WordingRules['brands']): BlockCheck {
	const rules = brands.flatMap(({ name, wrong }) => {
		const pattern = otherSpellings(name, wrong);
		return pattern ? [{ name, pattern }] : [];
	});
	return {
		id: 'spelling of a name',
		look: (block) =>
			sentencesIn(block).flatMap(({ text, start }) =>
				rules.flatMap(({ name, pattern }) =>
					[...text.matchAll(pattern)]
						.filter(([match]) => match !== name)
						.map(({ 0: match, index }): BlockFinding => ({
							about: name,
							quote: match,
							sentence: text,
							reason: `“${match}” stands here: the name is written “${name}”`,
							fixes: [{ label: `Write “${name}”`, replacement: name }],
							gain: null,
							start: start + index,
							end: start + index + match.length
						}))
				)
			)
	};
}

/**
 * Finds a name in any spelling, its own included and first of all: a wrong spelling inside the right
 * one is none ("Fellgate" in "Fellgate Tools"). Null for a name without a letter.
 */
function otherSpellings(name: string, wrong: readonly string[]): RegExp | null {
	const parts = name
		.trim()
		.split(/[\s-]+/)
		.filter(Boolean);
	if (parts.length === 0) return null;
	const listed = wrong.filter((spelling) => spelling.trim() !== '');
	const alternatives = [
		escaped(name),
		...listed.sort((a, b) => b.length - a.length || (a < b ? -1 : 1)).map(escaped)
	];
	const loose = parts
		.map((part) => [...part].map((letter) => anyCase(letter)).join(''))
		.join('[\\s-]*');
	return new RegExp(
		`(?<![\\p{L}\\p{N}])(?:${[...alternatives, loose].join('|')})(?![\\p{L}\\p{N}])`,
		'gu'
	);
}

/** Listed spellings are matched as they are written, the name itself in any case. */
function anyCase(letter: string): string {
	const [lower, upper] = [letter.toLowerCase(), letter.toUpperCase()];
	return lower === upper ? escaped(letter) : `(?:${escaped(lower)}|${escaped(upper)})`;
}

function sentencesIn({ text, sentences }: BlockReading): { text: string; start: number }[] {
	return sentences.map(({ start, end }) => ({ text: text.slice(start, end), start }));
}

function escaped(text: string): string {
	return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
