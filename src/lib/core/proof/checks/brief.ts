import type { ArticleReading, BlockReading } from '../../measure';
import { contentStemsOf, findTerms, indexTerms, keysOf, patternOf, termKeyOf } from '../../text';
import { ofArticle, sentencesIn } from '../places';
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
		reads: 'brief',
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
		reads: 'brief',
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

/** Tells that the call to action of the brief does not stand in the last fifth of the text, or anywhere. */
export function callToActionCheck(callToAction: string): ArticleCheck {
	const wanted = [...new Set(contentStemsOf(callToAction))];
	return {
		id: 'call to action',
		reads: 'brief',
		look: ({ blocks }) => {
			if (wanted.length === 0) return [];
			const isSaid = blocks.some((block) =>
				block.sentences.some(
					({ stems }) =>
						wanted.filter((stem) => stems.includes(stem)).length >= CALLED_AT * wanted.length
				)
			);
			return isSaid
				? []
				: [
						ofArticle({
							about: callToAction,
							reason: `The call to action is missing: “${callToAction}”`
						})
					];
		}
	};
}
const CALLED_AT = 0.5;

/** Tells required phrases that stand nowhere. */
export function requiredCheck(required: readonly string[]): ArticleCheck {
	const phrases = required.filter((phrase) => termKeyOf(phrase) !== '');
	const index = indexTerms(phrases.map(patternOf));
	const known = new WeakMap<BlockReading, ReadonlySet<number>>();
	const usesIn = (block: BlockReading) => {
		let uses = known.get(block);
		if (!uses)
			known.set(block, (uses = new Set(findTerms(index, block.text).map(({ term }) => term))));
		return uses;
	};
	return {
		id: 'required phrase',
		reads: 'brief',
		look: ({ blocks }) =>
			phrases.flatMap((phrase, p) =>
				blocks.some((block) => usesIn(block).has(p))
					? []
					: [ofArticle({ about: phrase, reason: `“${phrase}” is required and stands nowhere` })]
			)
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
		reads: 'brief',
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

function escaped(text: string): string {
	return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
