import {
	gerundOf,
	isDoingVerb,
	isStopWord,
	keysOf,
	plainWord,
	verbOfGerund,
	wordsOf
} from '../../text';

/** Letters from which a word in capitals is shouted and no short form: "OPTIONS", but "TPU". */
const SHOUTED = /(?<![\p{L}\p{N}])\p{Lu}{5,}(?![\p{L}\p{N}])/gu;

/** First letter as a capital; the rest stays, but for what is shouted. */
export function sentenceCase(text: string): string {
	const said = text.trim();
	const isAllShouted = said === said.toUpperCase() && said.search(SHOUTED) >= 0;
	const plain = isAllShouted
		? said.toLowerCase()
		: said.replace(SHOUTED, (word) => word.toLowerCase());
	return plain === '' ? plain : plain[0]!.toUpperCase() + plain.slice(1);
}

/** A heading reduced to what makes it the same as another. */
export function plainOf(heading: string): string {
	return keysOf(heading)
		.map(({ key }) => key)
		.join(' ');
}

/** The thing a keyword is about: "how to build a dry stone wall" → "a dry stone wall". */
export function objectOf(keyword: string): string {
	const plain = keyword.trim().toLowerCase();
	const match =
		/^(?:(?:how|when|where|why|whether|how often) (?:to|do (?:you|i)|can (?:you|i)|should (?:you|i))\s+(?:get rid of|look after|take care of|deal with|set up|pick out|\S+)|how (?:much|long|often|deep) (?:does|do|is|are|should)|what (?:is|are)|why (?:is|are|do|does)|best|guide to|ways to \S+)\s+(.+)$/.exec(
			plain
		);
	const object = match?.[1] ?? plain;
	// "moving house checklist" is about moving house: the last word says what the article is
	return object.replace(A_PIECE, '').trim() || object;
}

/** Names of kinds of articles behind what they are about. */
const A_PIECE =
	/\s(?:checklists?|guides?|tips|ideas|tutorials?|examples|templates?|explained|reviews?|buying guide|for beginners)$/;

/** Verbs that make a name of what somebody does: "moving house". */
const IS_DEED = /^[a-z]{2,}ing\s/;

/**
 * The thing a keyword is about where it can stand in a sentence as one; null for two things held
 * against each other, for what somebody does, and for what is too long to be said twice.
 */
export function thingOf(keyword: string): string | null {
	const object = objectOf(keyword);
	if (/\b(?:vs?\.?|versus|or)\b/.test(object) || IS_DEED.test(object)) return null;
	if (/^(?:how|when|where|why|what|which|who|can|do|does|is|are|should)\s/.test(object))
		return null;
	return object.split(/\s+/).length > MOST_THING_WORDS ? null : object;
}

const MOST_THING_WORDS = 7;

/** What a keyword of the form "how to …" or "when to …" is about doing: "replace running shoes". */
export function deedOfKeyword(keyword: string): string | null {
	return /^(?:how|when|where|why|whether|how often) to (\S.*)$/i.exec(keyword.trim())?.[1] ?? null;
}

/** Words before which a name needs no article, or has one. */
const HAS_ARTICLE = /^(?:an?|the|your|my|our|some|any|each|every|one|two|three|\d)\s/i;

/** Words after which what is named goes on: the word before them is what the article belongs to. */
const GOES_ON =
	/\s(?:for|in|of|on|at|to|with|without|from|by|near|under|over|against|that|which)\s/i;
/** Matter that is not counted. */
const MASS = new Set(
	`water sand gravel stone wood concrete cement mortar soil land ground grass hay straw food feed bread rice flour
coffee tea sugar salt butter cheese meat oil gas electricity heat light air steel iron glass paper paint plaster dust
work advice news equipment furniture software hardware money research travel traffic music health weather wildlife
garlic fruit lawn-care care yoga knitting`.split(/\s+/)
);

/** The word that says what kind of thing a name names: "air source heat pump for …" → pump. */
function headOf(name: string): string {
	return name.split(GOES_ON)[0]!.trim().split(/\s+/).at(-1)?.toLowerCase() ?? '';
}

/** Whether a name stands for several: "kitchen knives". */
export function isPlural(name: string): boolean {
	const head = headOf(name);
	return /[^su]s$/.test(head) || /^(?:people|children|men|women|sheep|mice|teeth)$/.test(head);
}

/** Whether a name stands for one countable thing. What cannot be told does. */
export function isOneThing(name: string): boolean {
	const head = headOf(name);
	const isMass = MASS.has(head) || /(?:ing|tion|sion|ness|ment|ity|ance|ence|age|ship)$/.test(head);
	return head !== '' && !isMass && !isPlural(name);
}

/**
 * A name with its article where it is one countable thing: "air source heat pump for an old house" →
 * "an air source heat pump …". Plurals and matter stay as they are.
 */
export function withArticle(name: string): string {
	if (HAS_ARTICLE.test(name) || !isOneThing(name)) return name;
	return `${/^(?:[aeio]|u(?!ni|se|su))/i.test(name) ? 'an' : 'a'} ${name}`;
}

/** A name with "the", where it can have one: "the footings", but "sharpening". */
export function withThe(name: string): string {
	return HAS_ARTICLE.test(name) || /ing$/.test(headOf(name)) ? name : `the ${name}`;
}

/** A name without what it is for or in: "air source heat pump for an old house" → "air source heat pump". */
export function shortName(name: string): string {
	return name.split(GOES_ON)[0]!.trim();
}

/** What a heading of instructions does, and to what (empty when it does not say): "Lay the footings" → lay, footings. */
export interface Deed {
	readonly verb: string;
	readonly object: string;
	/** What the verb needs behind its object, with a space before it: " out" in "keep the foxes out". */
	readonly behind?: string;
}

/** Words that end a heading and belong to its verb. */
const PARTICLE = /^(?:out|off|away|up|down|apart|together|back|in)$/;

const DETERMINER = /^(?:the|a|an|your|our|my|their|some|all|each|every|its)$/;
/** Verbs that say as well what something is like, or name a thing. */
const MAY_BE_QUALITY = new Set(
	'dry clean open clear level warm cool wet light fit cook paint plan plant train use water set cut design store stop measure'.split(
		' '
	)
);
const PRONOUN = /^(?:it|them|these|those|this|that|everything|all|again)$/;

/** Words that end the thing something is done to. */
const ENDS =
	/^(?:for|in|on|with|before|after|to|at|from|by|as|and|or|until|into|under|over|up|down|out|off|away|apart|together|back|so|if|when|while|where|you|that|which|first|well|properly|right)$/;

/** Reads a heading as an instruction: "Digging your foundation trench first" → dig, foundation trench. */
export function deedOf(heading: string): Deed | null {
	const words = wordsOf(heading.split(/[:;,.?!(–—]/)[0]!).map(({ text }) => plainWord(text));
	const start = words[0] === 'how' && words[1] === 'to' ? 2 : words[0] === 'step' ? 2 : 0;
	const first = words[start];
	if (first === undefined) return null;
	const next = words[start + 1] ?? '';
	const verb = isDoingVerb(first)
		? first
		: (verbOfGerund(first) ?? (DETERMINER.test(next) && /^[a-z]{3,}$/.test(first) ? first : null));
	if (verb === null || isStopWord(verb) || /(?:ing|ed|s)$/.test(verb)) return null;
	// "Dry sack" is no order, "Stop washing the bag" none to stop the bag
	if (first === verb && start === 0 && MAY_BE_QUALITY.has(verb) && !DETERMINER.test(next))
		return null;
	if (/^[a-z]{3,}ing$/.test(next)) return null;
	const rest = words.slice(start + 1).filter((word, i) => i > 0 || !DETERMINER.test(word));
	const end = rest.findIndex((word) => ENDS.test(word));
	const object = rest.slice(0, end < 0 ? rest.length : end);
	if (object.length > 4) return null;
	// "Baking 101" is a course in it
	if (object.length > 0 && object.every((word) => !/\p{L}/u.test(word))) return null;
	// "Bake it upside down" and "Step 6: Bake" tell the deed and leave open to what
	if (object.length === 0 || PRONOUN.test(object[0]!))
		return isDoingVerb(verb) ? { verb, object: '' } : null;
	const last = rest[end < 0 ? rest.length : end];
	const isWhole = last !== undefined && end === rest.length - 1 && PARTICLE.test(last);
	return { verb, object: object.join(' '), ...(isWhole ? { behind: ` ${last}` } : {}) };
}

/** Headings for one deed: "Lay the footings", "Laying the footings", "How to lay the footings". */
export function deedHeadings({ verb, object, behind = '' }: Deed): string[] {
	if (object === '') return [gerundOf(verb)];
	return [
		`${verb} the ${object}${behind}`,
		`${gerundOf(verb)} the ${object}${behind}`,
		`how to ${verb} the ${object}${behind}`
	];
}
