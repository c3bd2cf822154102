import type { ArticleReading, BlockReading } from '../../measure';
import { scoreState, stateOf, type ArticleMeta, type Yardstick } from '../../standing';
import {
	countTerms,
	indexTerms,
	isStopWord,
	plainWord,
	singularOf,
	wordsOf,
	type TermIndex,
	type Word
} from '../../text';
import type { ArticleCheck, ArticleFinding } from '../mark';
import { findingIn, placedIn, runningText, sentencesIn, type PlacedSentence } from '../places';

/** Edits that are offered for one term, and for all. */
const MOST = { term: 3, all: 18 } as const;
const LEAST_GAIN = 0.05;
/** Terms of one noun, itself among them, from which the noun alone names none of them. */
const MANY_KINDS = 3;
/** Words that open a noun phrase: what follows one and is no modifier is its noun. */
const DETERMINERS = new Set('the a an this that these those your our its'.split(' '));

/** Words that tell a quality and no kind: they would say something that the sentence does not. */
const QUALITY =
	/(?:ed|en|est|able|ible|ful|less|ous|ive|ish|ary)$|-|^(?:good|best|better|new|old|big|small|large|long|short|high|low|hot|cold|cool|warm|wet|dry|full|half|whole|first|last|next|right|left|own|main|real|true|free|cheap|dear|easy|hard|soft|light|heavy|thin|thick|fresh|clean|dirty|safe|common|local|moving|extra|spare|worn|torn|sewn|drawn|made|built|bought|cut|kept|left|lost|sold|spun|dug|laid)$/i;
const isQuality = (word: string) => QUALITY.test(word) || /\d/.test(word);

/** A place where a term can be said in full. */
interface Edit {
	readonly block: number;
	readonly sentence: PlacedSentence;
	/** Place in the sentence of what is replaced. */
	readonly start: number;
	readonly end: number;
	readonly replacement: string;
}

/**
 * Offers to say an absent or thin term in full where its noun stands alone: "the hammer" → "the walling
 * hammer". Only a bare noun is extended, between a determiner and the end of its phrase, so that the sentence
 * stays one; "a" and "an" follow the new word. Places in the sections that the plan gives the term come first.
 *
 * @param homes sections of each term, by its phrase; a term without one may stand anywhere
 */
export function termEditsCheck(
	yardstick: Yardstick,
	meta: ArticleMeta,
	homes: ReadonlyMap<string, ReadonlySet<string>>
): ArticleCheck {
	const index = indexTerms(yardstick.terms);
	return {
		id: 'term edit',
		reads: 'terms',
		look: (article) => editsIn(article, yardstick, meta, homes, index)
	};
}

function editsIn(
	article: ArticleReading,
	yardstick: Yardstick,
	meta: ArticleMeta,
	homes: ReadonlyMap<string, ReadonlySet<string>>,
	index: TermIndex
): ArticleFinding[] {
	const state = stateOf(article, meta, yardstick);
	const now = scoreState(state, yardstick).standing;
	const taken = new Set<string>();
	const heads = new Map<string, number>();
	for (const { phrase } of yardstick.terms) {
		const head = headOf(phrase);
		heads.set(head, (heads.get(head) ?? 0) + 1);
	}
	return yardstick.terms
		.flatMap(({ phrase, min, weight }, t): ArticleFinding[] => {
			const lacks = min - (state.earned[t] ?? 0);
			if (lacks <= 0 || weight === 'could') return [];
			const isNew = (state.uses[t] ?? 0) === 0;
			// a quality says something new of the noun, a kind only names it
			if (phrase.split(' ').slice(0, -1).some(isQuality)) return [];
			// "the stone" could be any of cope stone, face stone, walling stone
			if ((heads.get(headOf(phrase)) ?? 0) >= MANY_KINDS) return [];
			const own = homes.get(phrase);
			const found: ArticleFinding[] = [];
			for (const edit of placesFor(phrase, article, own)) {
				if (found.length >= Math.min(MOST.term, lacks)) break;
				const key = `${edit.block} ${edit.sentence.start + edit.start}`;
				if (taken.has(key)) continue;
				const gain = gainOf(edit);
				if (gain < LEAST_GAIN) continue;
				taken.add(key);
				found.push(
					placedIn(
						edit.block,
						findingIn(
							edit.sentence,
							{
								about: phrase,
								reason: isNew
									? `“${phrase}” does not stand in the text; here it can`
									: `“${phrase}” wants ${lacks} more; here it can be said`,
								fixes: [{ label: `Write “${edit.replacement}”`, replacement: edit.replacement }],
								gain
							},
							edit
						)
					)
				);
			}
			return found;
		})
		.sort((a, b) => (b.gain ?? 0) - (a.gain ?? 0))
		.slice(0, MOST.all);

	/** What the standing would gain: every term is counted again in the sentence as it would be. */
	function gainOf({ sentence, start, end, replacement }: Edit): number {
		const text = sentence.text.slice(0, start) + replacement + sentence.text.slice(end);
		const before = countTerms(index, sentence.text).all;
		const after = countTerms(index, text).all;
		const uses = Array.from(state.uses);
		const earned = Array.from(state.earned);
		for (const term of new Set([...before.keys(), ...after.keys()])) {
			const more = (after.get(term) ?? 0) - (before.get(term) ?? 0);
			uses[term] = (uses[term] ?? 0) + more;
			earned[term] = (earned[term] ?? 0) + more;
		}
		return scoreState({ ...state, uses, earned }, yardstick).standing - now;
	}
}

function headOf(phrase: string): string {
	return singularOf(plainWord(phrase.split(' ').at(-1)!));
}

function placesFor(
	phrase: string,
	article: ArticleReading,
	homes: ReadonlySet<string> | undefined
): Edit[] {
	const parts = phrase.split(' ');
	if (parts.length < 2 || parts.length > 4) return [];
	const sectionAt = (block: number) =>
		article.sections.find(({ from, to }) => block >= from && block < to)?.section ?? null;
	const places = runningText(article, true).flatMap(({ block, at }) =>
		sentencesIn(block).flatMap((sentence) => {
			const edit = editIn(block, at, sentence, parts);
			return edit ? [edit] : [];
		})
	);
	if (!homes || homes.size === 0) return places;
	return places.filter(({ block }) => homes.has(sectionAt(block) ?? ''));
}

/** The first bare noun of a sentence that a term can be made of. */
function editIn(
	block: BlockReading,
	at: number,
	sentence: PlacedSentence,
	parts: readonly string[]
): Edit | null {
	const head = singularOf(plainWord(parts.at(-1)!));
	const modifiers = parts.slice(0, -1);
	const words = wordsOf(sentence.text);
	const plain = words.map(({ text }) => plainWord(text));
	// what somebody says stays as it was said
	if (/[“”"«»]/.test(sentence.text)) return null;
	// a sentence that says part of the term already would say it twice
	if (modifiers.some((part) => plain.includes(plainWord(part)))) return null;
	for (let i = 1; i < words.length; i++) {
		const word = words[i]!;
		const before = words[i - 1]!;
		if (singularOf(plain[i]!) !== head || !DETERMINERS.has(plain[i - 1]!)) continue;
		if (!isAlone(sentence.text, before, word) || !endsPhrase(sentence.text, word, words[i + 1]))
			continue;
		const start = sentence.start + word.start;
		if (block.matches.some((match) => match.start < start && match.end > start)) continue;
		const article = articleFor(before.text, modifiers[0]!);
		return {
			block: at,
			sentence,
			start: before.start,
			end: word.end,
			replacement: `${article} ${modifiers.join(' ')} ${word.text}`
		};
	}
	return null;
}

function isAlone(text: string, before: Word, word: Word): boolean {
	return text.slice(before.end, word.start) === ' ' && /^\p{Ll}/u.test(word.text);
}

/** Whether a noun is the last word of its phrase: a stop or a little word follows, no noun that it would qualify. */
function endsPhrase(text: string, word: Word, next: Word | undefined): boolean {
	const behind = text.slice(word.end, next?.start ?? text.length);
	if (next === undefined || /[.,;:!?)\n]/.test(behind)) return true;
	return behind === ' ' && isStopWord(plainWord(next.text)) && plainWord(next.text) !== 'one';
}

/** "a" and "an" by the letter that follows; every other determiner stays. */
function articleFor(determiner: string, next: string): string {
	if (!/^an?$/i.test(determiner)) return determiner;
	const said = /^[aeiou]/i.test(next) && !/^(?:uni|use|eu|one)/i.test(next) ? 'an' : 'a';
	return /^A/.test(determiner) ? said[0]!.toUpperCase() + said.slice(1) : said;
}
