import { findTerms, indexTerms, keysOf, sentencesOf, termKeyOf } from '../text';

/** What a brief and its client's profile settle about wording. */
export interface WordingRules {
	readonly mustSay: readonly string[];
	/** Of the brief and of the client together. */
	readonly mustNotSay: readonly string[];
	readonly brands: readonly { readonly name: string; readonly wrong: readonly string[] }[];
}

/** What a text does with one rule. Sentences are those it was found in. */
export interface WordingFinding {
	readonly kind: 'said' | 'not said' | 'forbidden' | 'misspelt brand';
	/** The phrase of the rule; for a brand the spelling that was found. */
	readonly phrase: string;
	/** For a brand its exact spelling. */
	readonly instead: string;
	readonly sentences: readonly string[];
}

/**
 * Holds a text against what must and must not be said. "Must say" is met when most of its words
 * stand in one sentence, since nobody writes it word for word; what must not be said is matched
 * exactly, apart from case and inflection.
 */
export function checkWording(text: string, rules: WordingRules): WordingFinding[] {
	const sentences = text
		.split('\n')
		.flatMap((line) => sentencesOf(line).map((sentence) => sentence.text));
	const keys = sentences.map((sentence) => new Set(keysOf(sentence).map(({ key }) => key)));
	const findings: WordingFinding[] = [];
	for (const phrase of rules.mustSay) {
		const wanted = [...new Set(termKeyOf(phrase).split(' '))].filter(Boolean);
		const found = sentences.filter(
			(_, s) => wanted.filter((key) => keys[s]!.has(key)).length >= 0.7 * wanted.length
		);
		findings.push({
			kind: found.length > 0 ? 'said' : 'not said',
			phrase,
			instead: '',
			sentences: found
		});
	}
	const forbidden = rules.mustNotSay.filter((phrase) => termKeyOf(phrase) !== '');
	const index = indexTerms(forbidden.map((phrase) => ({ phrase, verbs: [] })));
	const uses = sentences.map(
		(sentence) => new Set(findTerms(index, sentence).map(({ term }) => term))
	);
	forbidden.forEach((phrase, term) => {
		const found = sentences.filter((_, s) => uses[s]!.has(term));
		if (found.length > 0)
			findings.push({ kind: 'forbidden', phrase, instead: '', sentences: found });
	});
	for (const { name, wrong } of rules.brands) {
		// a wrong spelling inside the right one is none: "Fellgate" in "Fellgate Tools"
		const bare = sentences.map((sentence) => sentence.split(name).join('\n'));
		for (const spelling of spellingsOf(name, wrong, bare)) {
			findings.push({
				kind: 'misspelt brand',
				phrase: spelling,
				instead: name,
				sentences: sentences.filter((_, s) => holdsExactly(bare[s]!, spelling))
			});
		}
	}
	return findings;
}

/** Spellings of a brand in the text that are not its own: those listed, and its name in other case or spacing. */
function spellingsOf(
	name: string,
	wrong: readonly string[],
	sentences: readonly string[]
): string[] {
	const found = new Set<string>();
	for (const spelling of wrong)
		if (spelling.trim() !== '' && sentences.some((sentence) => holdsExactly(sentence, spelling)))
			found.add(spelling);
	const parts = name
		.trim()
		.split(/[\s-]+/)
		.filter(Boolean);
	if (parts.length === 0) return [...found];
	const loose = new RegExp(
		`(?<![\\p{L}\\p{N}])${parts.map(escaped).join('[\\s-]*')}(?![\\p{L}\\p{N}])`,
		'giu'
	);
	for (const sentence of sentences)
		for (const [match] of sentence.matchAll(loose)) if (match !== name) found.add(match);
	return [...found];
}

function holdsExactly(sentence: string, spelling: string): boolean {
	return new RegExp(`(?<![\\p{L}\\p{N}])${escaped(spelling)}(?![\\p{L}\\p{N}])`, 'u').test(
		sentence
	);
}

function escaped(text: string): string {
	return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
