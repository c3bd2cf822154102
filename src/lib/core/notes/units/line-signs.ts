import { LINE_WEIGHTS } from './line-weights';
import type { UnitKind } from './unit';

/*
 * What a line of a note is likely for, by words that speak of the job and not of the subject. Patterns
 * go first (cues, said-of-lines); this finds what is put in words that no list has. A softmax
 * regression over the signs below (multinomial logistic regression); the weights are made by
 * scripts/line-weights.ts and judged in docs/METHODS.md.
 */

/** Kinds that are told so, after "anything else". */
export const LIKELY_KINDS = [
	'brief',
	'todo',
	'off-record',
	'do-not-say',
	'background',
	'aside'
] as const;

/** Words of a kind of their own, so that one that was never met is known by its like. */
const CLASSES: Readonly<Record<string, RegExp>> = {
	secret:
		/^(?:secret|private(?:ly)?|confiden\w*|unofficial\w*|whisper\w*|gossip|hush|embargo\w*|unprintable|tape|recorder|ears|unattributable|rumou?rs?)$/,
	text: /^(?:piece|article|text|post|blog|copy|draft|paras?|paragraphs?|headings?|headlines?|title|intro\w*|opening|ending|sections?|sentences?|line|words?|phrase|story|quotes?|captions?|box|tables?|lists?|checklist|summary|examples?|issue|magazine|mag|paper|page|guide|tone|spelling|jargon|slang|keyword|subheads?|sidebar)$/,
	named:
		/^(?:names?|named|naming|brands?|surname|prices?|figures?|age|address|town|photos?|pictures?|pics?|logo|model|competitors?|competition|rivals?|comparisons?|claims?|superlatives|mention\w*|unmentioned|unnamed|politics|religion|advert\w*)$/,
	role: /^(?:clients?|editor|ed|boss|lawyers?|legal|management|owner|founder|press|office|firm|company|ministry|landlord|chairman|supplier|council|readers?|audience)$/,
	ask: /^(?:ask|check|chase|ring|call|mail|e-?mail|confirm|verify|find|look|compare|send|remind|sources?|permission|approval|rights|missing|awaiting|waiting)$/,
	say: /^(?:say|said|saying|says|tell|told|mention|write|writing|print|printed|publish\w*|quoted?|call|called|promise\w*|repeat\w*|appear|knows?|known|refer)$/,
	not: /^(?:no|not|never|nothing|nobody|none|don't|doesn't|can't|cannot|mustn't|isn't|aren't|won't|wouldn't|without|avoid|refrain|skip|leave|steer|stay|keep|drop|out|off|forbidden|banned|unnamed)$/,
	wish: /^(?:must|should|needs?|could|would|please|pls|wants?|likes?|love|prefer\w*|rather|allowed|d)$/,
	first: /^(?:i|me|my|we|us|our|you|your)$/,
	third: /^(?:he|she|they|him|her|them|his|their)$/,
	this: /^(?:this|that|it)$/
};
const NAMES = Object.keys(CLASSES);
const CHANGES = /\d\s?(?:%|cm|mm|m|kg|g|l|°|c|w|kw|v|min|hours?|days?|weeks?|years?|£|€)\b|[£€$]\d/;
const WORD = /[a-z][a-z'-]*|\d[\d.,]*|[?!:"()]/g;

/** The signs of a line: words, pairs of words, how it opens and ends, classes of words and their pairs. */
export function signsOf(line: string): Set<string> {
	const plain = line.toLowerCase().replace(/’/g, "'").replace(/[“”]/g, '"');
	const words = [...plain.matchAll(WORD)].map(([word]) => (/^\d/.test(word) ? '#' : word));
	const classes = words.map((word) => NAMES.filter((name) => CLASSES[name]!.test(word)));
	const signs = new Set<string>();
	words.forEach((word, i) => {
		signs.add(word);
		const next = words[i + 1];
		if (next === undefined) return;
		signs.add(`${word} ${next}`);
		for (const one of classes[i]!) for (const two of classes[i + 1]!) signs.add(`<${one} ${two}>`);
	});
	const [first, last] = [words[0], words.at(-1)];
	if (first !== undefined) signs.add(`^${first}`).add(`${last!}$`);
	if (words.length > 1) signs.add(`^${first!} ${words[1]!}`);
	for (const name of classes[0] ?? []) signs.add(`^<${name}>`);
	const met = NAMES.filter((name) => classes.some((of) => of.includes(name)));
	met.forEach((one, i) => {
		signs.add(`<${one}>`);
		for (const two of met.slice(i + 1)) signs.add(`<${one}+${two}>`);
	});
	const count = words.length;
	signs.add(`length ${count <= 4 ? 1 : count <= 9 ? 2 : count <= 18 ? 3 : 4}`);
	if (CHANGES.test(plain)) signs.add('a measure');
	if (/[=→]|->/.test(plain)) signs.add('a sign');
	return signs;
}

/** Weights of the signs for the kinds, in tenths; read when first asked for. */
let weights: Map<string, readonly number[]> | undefined;

function weightsOf(): Map<string, readonly number[]> {
	weights ??= new Map(
		LINE_WEIGHTS.split('|').map((entry) => {
			const [sign, ...values] = entry.split('~');
			return [sign!, values.map(Number)] as const;
		})
	);
	return weights;
}

/** Probability from which a line is called so; chat, and what says how it was noted, is easily matter. */
const SURE_FROM = 0.7;
const SURE_OF_SMALL_TALK = 0.8;

/** The kind that a line is for by its words, where that is likely; null for matter, and for what may be anything. */
export function likelyKind(line: string): UnitKind | null {
	if (!/\p{L}/u.test(line)) return null;
	const known = weightsOf();
	const sums = [0, ...(known.get('') ?? [0, 0, 0, 0]).map((value) => value / 10)];
	for (const sign of signsOf(line))
		known.get(sign)?.forEach((value, i) => (sums[i + 1]! += value / 10));
	const most = Math.max(...sums);
	const at = sums.indexOf(most);
	if (at === 0) return null;
	const all = sums.reduce((sum, value) => sum + Math.exp(value - most), 0);
	const kind = LIKELY_KINDS[at - 1]!;
	const sure = kind === 'background' || kind === 'aside' ? SURE_OF_SMALL_TALK : SURE_FROM;
	return 1 / all >= sure ? kind : null;
}
