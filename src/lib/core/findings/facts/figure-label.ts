import {
	contentStemsOf,
	everydayRateOfForm,
	isMostlyVerb,
	isStopWord,
	plainWord,
	sentencesOf,
	singularOf,
	wordsOfSentence
} from '../../text';
import { isTermByUse, numberOf, unitOf, type PageWork } from '../../reading';
import { bareHeading } from '../bare-heading';
import { isHeadingOfPage } from '../page-headings';
import { type Statement, EXTENTS } from './statements';

/** Uses in a million everyday words from which a word that is no term names nothing. */
const TOO_COMMON = 700;

/** Words that a label has at most. */
const LONGEST_LABEL = 5;

/** What words and headings name in the evidence; words in small letters, in the singular. */
export interface Naming {
	/** Whether a word names a thing somewhere. */
	readonly isNoun: (word: string) => boolean;
	/** Whether a heading is the title of a page or note: it says what all of it is about. */
	readonly isTitle: (heading: string) => boolean;
}

/** Uses as a noun from which a word that is mostly a verb is one here: "cope", "blend". */
const LEAST_AS_NOUN = 8;

const nounsByWork = new WeakMap<PageWork, ReadonlyMap<string, number>>();

/** What the phrases and titles of some pages and notes name. */
export function namingOf(works: readonly PageWork[]): Naming {
	const uses = new Map<string, number>();
	for (const work of works) {
		let own = nounsByWork.get(work);
		if (!own) nounsByWork.set(work, (own = nounsIn(work)));
		for (const [noun, count] of own) uses.set(noun, (uses.get(noun) ?? 0) + count);
	}
	const titles = new Set(
		works.flatMap(({ title, sections }) => [
			title.toLowerCase(),
			...sections.filter(({ level }) => level === 1).map(({ heading }) => heading.toLowerCase())
		])
	);
	return {
		isNoun: (word) => (uses.get(word) ?? 0) >= (isMostlyVerb(word) ? LEAST_AS_NOUN : 1),
		isTitle: (heading) => titles.has(heading.toLowerCase())
	};
}

function nounsIn({ candidates }: PageWork): Map<string, number> {
	const uses = new Map<string, number>();
	for (const { key, count, asAction, surfaces } of candidates) {
		if (asAction === count || isTermByUse(key)) continue;
		for (const [surface, times] of surfaces) {
			const word = plainWord(surface.split(/[ -]/).at(-1)!);
			const noun = singularOf(word);
			// "the wall moves": with an s, such a word is what something does
			if (word !== noun && isMostlyVerb(noun)) continue;
			uses.set(noun, (uses.get(noun) ?? 0) + times);
		}
	}
	return uses;
}

/** Terms of what is said around the figures; a word of measure or time names no thing. */
function termsOf(
	group: readonly { readonly fact: { readonly terms: readonly string[] } }[]
): string[] {
	return group.flatMap(({ fact }) => fact.terms).filter((key) => !isTermByUse(key));
}

/**
 * What the figures of a group are figures of, in words that stand so on one of the pages: the
 * shortest stretch that holds the words most of the sentences share. Before it what a length
 * measures. Words of terms name things; of the others those that name nothing ("wrong", "spend")
 * and those that everybody uses all day ("come", "take", "keep") do not. Empty when nothing is left.
 */
export function labelOf(group: readonly Statement[], naming: Naming): string {
	const names = [...new Set(group.map(({ extent }) => extent))].filter((extent) => extent >= 0);
	const words = wordingOf(group, namingWordsOf(group, naming));
	const said = termAround(group, words) ?? words;
	if (names.length !== 1)
		return said.includes(' ') || said !== words ? said : underHeading(group, words, naming);
	const extent = EXTENTS[names[0]!]![0];
	return said === '' ? extent : `${extent}: ${said}`;
}

/**
 * A label in more words, for where another group is called the same: the shortest stretch that
 * holds it and one more of the words the group shares. Empty when no page says one.
 */
export function widerLabelOf(group: readonly Statement[], label: string, naming: Naming): string {
	const own = new Set(wordsIn(label).flatMap(({ stems }) => stems));
	const clauses = group.flatMap(({ fact }) => clausesIn(fact.text));
	const inOneName = namesIn(group);
	for (const further of namingWordsOf(group, naming, MOST_FURTHER)) {
		if (own.has(further)) continue;
		const wider = shortestStretch(clauses, new Set([...own, further]), inOneName);
		if (wider !== undefined) return wider;
	}
	return '';
}

/** Words tried to tell a label from another of the same words. */
const MOST_FURTHER = 8;

/** Stems that name what most of the group speaks of, the most telling first. */
function namingWordsOf(group: readonly Statement[], naming: Naming, most = 3): string[] {
	const spread = new Map<string, number>();
	const members = new Map<string, number>();
	for (const { stems, weights } of group) {
		stems.forEach((stem, i) => {
			if (weights[i] === 0) return;
			spread.set(stem, (spread.get(stem) ?? 0) + weights[i]!);
			members.set(stem, (members.get(stem) ?? 0) + 1);
		});
	}
	const least = Math.max(2, group.length / 2);
	const ofTerms = new Set(termsOf(group).flatMap((key) => key.split(/[ -]/)));
	const found = new Set<string>();
	for (const { fact } of group) {
		for (const { word, stems } of [...wordsIn(fact.heading), ...wordsIn(fact.text)]) {
			const stem = stems[0];
			if (stem === undefined || (members.get(stem) ?? 0) < least || found.has(stem)) continue;
			const { plain, mayName, isRare, isVerb } = nameOf(word);
			if (
				mayName &&
				((ofTerms.has(plain) && (naming.isNoun(plain) || !isVerb)) ||
					(isRare && naming.isNoun(plain)))
			)
				found.add(stem);
		}
	}
	return [...found]
		.sort((a, b) => spread.get(b)! - spread.get(a)! || (a < b ? -1 : 1))
		.slice(0, most);
}

/** The longest term around a single word that most of the sentences use. */
function termAround(group: readonly Statement[], word: string): string | undefined {
	if (word === '' || word.includes(' ')) return undefined;
	const uses = new Map<string, number>();
	for (const key of termsOf(group)) {
		if (key.split(/[ -]/).includes(word)) uses.set(key, (uses.get(key) ?? 0) + 1);
	}
	return [...uses]
		.filter(([, count]) => count >= group.length / 2)
		.map(([key]) => key)
		.sort((a, b) => b.length - a.length || (a < b ? -1 : 1))[0];
}

/** One word alone seldom says what a figure is of: a heading over it stands beside it, where one names a thing. */
function underHeading(group: readonly Statement[], word: string, naming: Naming): string {
	const heading = headingOf(group, naming);
	if (heading === '' || word === '') return word || heading;
	return heading.includes(word) ? heading : `${word} (${heading})`;
}

/** What opens a heading that asks or says when, and so names no thing. */
const NO_NAME =
	/^(?:what|how|why|when|where|who|which|whose|if|do|does|did|is|are|was|can|could|should|will|would|before|after|while|as|because|and|or|but|so|in|on|at|by|for|from|with|to|not|never|always|don.t)\b|^\S+ (?:it|them|this|that|these|those|one|out|up|off|down|away|back|and)\b/;

/** What a heading tells to do, before the thing that it is done to: "Dig the foundation trench". */
const TOLD_TO = /^\S+ (?:the|an?|your|our|my) /;

/** The shortest heading that a group stands under and that names a thing, in small letters; empty when none does. */
export function headingOf(group: readonly Statement[], naming: Naming): string {
	return (
		group
			.filter(({ fact }) => !naming.isTitle(fact.heading))
			.map(({ fact }) =>
				bareHeading(fact.heading)
					.replace(/[?!.:\s]+$/g, '')
					.toLowerCase()
					.replace(TOLD_TO, '')
			)
			.filter((text) => {
				const words = wordsOfSentence(text);
				return (
					words.length > 0 &&
					words.length <= LONGEST_LABEL &&
					!/[:;,]/.test(text) &&
					!NO_NAME.test(text) &&
					!isHeadingOfPage(text) &&
					naming.isNoun(singularOf(plainWord(words.at(-1)!.text)))
				);
			})
			.sort((a, b) => a.length - b.length || (a < b ? -1 : 1))[0] ?? ''
	);
}

const MONTH =
	/^(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)$/;

/** A word as the name of a thing. */
interface Name {
	/** In the singular. */
	readonly plain: string;
	readonly mayName: boolean;
	/** Not among what everybody says all day. */
	readonly isRare: boolean;
	readonly isVerb: boolean;
}

const names = new Map<string, Name>();

const nameOf = (word: string) =>
	keptIn(names, word, () => {
		const plain = singularOf(word);
		return {
			plain,
			mayName: mayBeName(plain),
			isRare: everydayRateOfForm(plain) < TOO_COMMON,
			isVerb: isMostlyVerb(plain)
		};
	});

function mayBeName(plain: string): boolean {
	const isMeasure = unitOf(plain) !== undefined || EXTENTS.some(([, extent]) => extent.test(plain));
	return !isMeasure && !MONTH.test(plain) && !isStopWord(plain) && !/ly$/.test(plain);
}

/** What is done, before the thing that it is done to: "lifted the string". */
const DONE_TO = /^(?:\S+ )?(?:the|an?|your|its) (?=\S)/;

/** The shortest stretch of a heading or sentence that holds the first stems; fewer where none does. */
function wordingOf(group: readonly Statement[], stems: readonly string[]): string {
	const texts = [
		...group.map(({ fact }) => fact.text),
		...group.map(({ fact }) => fact.heading)
	].flatMap((text) => clausesIn(text));
	const inOneName = namesIn(group);
	for (let count = stems.length; count > 0; count--) {
		const best = shortestStretch(texts, new Set(stems.slice(0, count)), inOneName);
		if (best !== undefined) return best;
	}
	return '';
}

/** Whether two words that follow one another belong to a name that the evidence knows: "olive", "oil". */
type InOneName = (word: string, next: string) => boolean;

/** The names in the sentences of a group, as pairs of words that stand in them one behind the other. */
function namesIn(group: readonly Statement[]): InOneName {
	const pairs = new Set<string>();
	for (const key of termsOf(group)) {
		const words = key.split(/[ -]/);
		for (let i = 1; i < words.length; i++) pairs.add(`${words[i - 1]!} ${words[i]!}`);
	}
	return (word, next) => pairs.has(`${singularOf(word)} ${singularOf(next)}`);
}

/** The shortest stretch of some clauses that holds all the stems, as a label says it. */
function shortestStretch(
	clauses: readonly Clause[],
	wanted: ReadonlySet<string>,
	inOneName: InOneName
): string | undefined {
	return clauses
		.map((clause) => stretchOf(clause, wanted, inOneName))
		.filter((stretch) => stretch !== null)
		.map((stretch) =>
			stretch.length === 1 ? singularOf(stretch[0]!) : stretch.join(' ').replace(DONE_TO, '')
		)
		.sort((a, b) => a.length - b.length || (a < b ? -1 : 1))[0];
}

interface LabelWord {
	/** In small letters. */
	readonly word: string;
	readonly stems: readonly string[];
}
type Clause = readonly LabelWord[];

/** Sentences and headings are asked for again with every change of the findings. */
const clauses = new Map<string, readonly Clause[]>();
const words = new Map<string, readonly LabelWord[]>();
const MOST_KEPT = 20_000;

function keptIn<T>(known: Map<string, T>, text: string, make: (text: string) => T): T {
	let found = known.get(text);
	if (found === undefined) {
		if (known.size >= MOST_KEPT) known.clear();
		known.set(text, (found = make(text)));
	}
	return found;
}

const wordsIn = (text: string) =>
	keptIn(words, text, () => wordsOfSentence(text).map(({ text: word }) => labelWord(word)));
const clausesIn = (text: string) => keptIn(clauses, text, clausesOf);

function labelWord(word: string): LabelWord {
	return { word: plainWord(word), stems: contentStemsOf(word) };
}

/** Where another thought begins: a label does not reach over it. */
const TURNS =
	/^(?:until|till|while|when|whenever|if|unless|because|since|then|but|so|which|that|where|before|after|although|though|whereas|once)$/i;

/** The words of the parts of a text that hold no figure and no stop inside. */
function clausesOf(text: string): Clause[] {
	const found: Clause[] = [];
	for (const sentence of sentencesOf(text)) {
		let open: LabelWord[] = [];
		let end = 0;
		let wasFigure = false;
		for (const { text: word, start, end: after } of wordsOfSentence(sentence.text)) {
			const isFigure = /[\d½¼¾⅓⅔⅛]/.test(word) || !Number.isNaN(numberOf(word));
			const stops = /[.,;:·()!?–—/|“”"]/.test(sentence.text.slice(end, start));
			end = after;
			if ((isFigure || stops || TURNS.test(word)) && open.length > 0) {
				found.push(open);
				open = [];
			}
			// "7 kg load" is about the load
			const isUnit = wasFigure && unitOf(word.toLowerCase()) !== undefined;
			wasFigure = isFigure;
			if (!isFigure && !isUnit && !TURNS.test(word)) open.push(labelWord(word));
		}
		if (open.length > 0) found.push(open);
	}
	return found;
}

/** The shortest run of words that holds every stem, with the rest of a name that it ends in; null when a stem is missing. */
function stretchOf(
	clause: Clause,
	wanted: ReadonlySet<string>,
	inOneName: InOneName
): string[] | null {
	let best: { readonly from: number; readonly to: number } | null = null;
	for (let from = 0; from < clause.length; from++) {
		// a shorter run begins at one of the wanted
		if (!clause[from]!.stems.some((stem) => wanted.has(stem))) continue;
		const missing = new Set(wanted);
		for (let to = from; to < Math.min(clause.length, from + LONGEST_LABEL); to++) {
			for (const stem of clause[to]!.stems) missing.delete(stem);
			if (missing.size > 0) continue;
			if (best === null || to - from < best.to - best.from) best = { from, to };
			break;
		}
	}
	if (!best) return null;
	let { to } = best;
	// no name is cut short
	while (
		to + 1 < Math.min(clause.length, best.from + LONGEST_LABEL) &&
		inOneName(clause[to]!.word, clause[to + 1]!.word)
	)
		to++;
	return clause.slice(best.from, to + 1).map(({ word }) => word);
}
