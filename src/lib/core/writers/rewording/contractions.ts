/** Negations first: "it is not" becomes "it isn't". */
const NOT: readonly (readonly [RegExp, string])[] = [
	[
		/\b(do|does|did|is|are|was|were|has|have|had|could|should|would|need) not\b(?! (?:only|to|just|because|that)\b)/gi,
		"$1n't"
	],
	[/\bcan ?not\b/gi, "can't"],
	[/\bwill not\b/gi, "won't"]
];

/** A word goes on behind it: "as good as it is." cannot be contracted. */
const GOES_ON = "(?= (?!(?:not|now|here|there|today|then)\\b)[\\p{L}\\d'])";

/** "where they are", "as it is", "of you are": the verb is said in full there. */
const WHOLE = '(?<!\\b(?:of|where|wherever|what|whatever|how|who|as|than) )\\b';

const VERB: readonly (readonly [RegExp, string])[] = [
	[new RegExp(`${WHOLE}(it|that|there|he|she|what|who|here) is${GOES_ON}`, 'giu'), "$1's"],
	[new RegExp(`${WHOLE}(you|we|they) are${GOES_ON}`, 'giu'), "$1're"],
	[new RegExp(`\\b(you|we|they|it|I) will${GOES_ON}`, 'giu'), "$1'll"],
	[/\b(I) am(?= (?!not\b)[\p{L}\d])/giu, "$1'm"],
	[/\b(let) us\b/gi, "$1's"]
];

/** "do not" as "don’t" throughout a sentence, with the apostrophe that it has already. */
export function contracted(sentence: string): string {
	const mark = sentence.includes("'") ? "'" : '’';
	return [...NOT, ...VERB].reduce(
		(text, [pattern, short]) => text.replace(pattern, short.replace("'", mark)),
		sentence
	);
}

/** "don't" as "do not"; null where a form can stand for two ("'d", "it's been") or the order would change ("Don't you"). */
export function inFull(sentence: string): string | null {
	const text = sentence.replace(/’/g, "'");
	if (/\b\w+'d\b/i.test(text) || /'s (?:\p{L}+ly )?(?:been|got|had|become|\p{L}+ed)\b/iu.test(text))
		return null;
	if (/\b\w+n't (?:you|we|they|it|he|she|I|the|that|there)\b/i.test(text)) return null;
	const said = text
		.replace(/\b(c)an't\b/gi, '$1annot')
		.replace(/\b(w)on't\b/gi, '$1ill not')
		.replace(
			/\b(do|does|did|is|are|was|were|has|have|had|could|should|would|must|need)n't\b/gi,
			'$1 not'
		)
		.replace(/\b(it|that|there|he|she|what|who|here)'s\b/gi, '$1 is')
		.replace(/\b(you|we|they)'re\b/gi, '$1 are')
		.replace(/\b(you|we|they|I)'ve\b/gi, '$1 have')
		.replace(/\b(you|we|they|it|I|he|she|that|there)'ll\b/gi, '$1 will')
		.replace(/\b(I)'m\b/g, '$1 am')
		.replace(/\b(let)'s\b/gi, '$1 us');
	return said === text ? null : said;
}
