/** A sentence with its place in the text, in UTF-16 units: `start` included, `end` excluded. */
export interface Sentence {
	readonly text: string;
	readonly start: number;
	readonly end: number;
}

const segmenter = new Intl.Segmenter('en', { granularity: 'sentence' });

/** The next piece belongs to this one when it ends so: "approx.", "J.", "3." at its start. */
const ABBREVIATION =
	/(?:^|[\s("“‘[])(?:Mr|Mrs|Ms|Dr|Prof|St|Sr|Jr|Rev|Capt|Col|Gen|Sgt|vs|etc|e\.g|i\.e|cf|ca|c|approx|appr|incl|excl|esp|abt|est|min|max|no|nos|fig|figs|vol|ed|eds|pp|p|ch|sec|inc|ltd|co|corp|dept|ft|in|oz|lb|lbs|yd|yds|sq|cu|mm|cm|m|km|kg|g|ml|cl|dl|tsp|tbsp|tbs|pkg|pt|qt|gal|hr|hrs|wk|Jan|Feb|Mar|Apr|Jun|Jul|Aug|Sep|Sept|Oct|Nov|Dec|a\.m|p\.m|U\.K|U\.S|E\.U)\.["”’)\]]*\s*$/i;
const ENDS_OFTEN =
	/(?:^|\s)(?:etc|ft|in|oz|lb|lbs|yd|yds|mm|cm|m|km|kg|ml|hr|hrs|co|ltd|inc|a\.m|p\.m|no|min|max|p|sec|fig|ed|c)\.["”’)\]]*\s*$/i;
const INITIAL = /(?:^|\s)\p{Lu}\.\s*$/u;
const LIST_NUMBER = /^\s*(?:\(?\d{1,3}[.)]|[a-z]\))\s*$/i;
const STARTS_LOWER = /^["“‘(]*\p{Ll}/u;
const STARTS_DIGIT = /^\s*\d/;
const ENDS_STOP = /[.!?…:]["”’)\]]*\s*$/;

/**
 * Splits text into sentences with their places, trimmed. Starts from the platform's segmenter
 * and joins what it cuts too early: abbreviations, initials, list numbers, decimals, and any
 * piece followed by a lower-case start. A line break that ends a block is a sentence end.
 */
export function sentencesOf(text: string): readonly Sentence[] {
	const known = recent.get(text);
	if (known) return known;
	const sentences = cutSentences(text);
	if (recent.size >= RECENT) recent.clear();
	recent.set(text, sentences);
	return sentences;
}

/** A text is asked for several times in a row: for its words, its figures and its reading grade. */
const recent = new Map<string, readonly Sentence[]>();
const RECENT = 64;

function cutSentences(text: string): Sentence[] {
	const sentences: Sentence[] = [];
	let start = 0;
	let open = '';
	for (const { segment, index } of segmenter.segment(text)) {
		if (open === '') start = index;
		if (open !== '' && !continues(open, segment)) {
			pushTrimmed(sentences, open, start);
			open = '';
			start = index;
		}
		open += segment;
	}
	if (open !== '') pushTrimmed(sentences, open, start);
	return sentences;
}

function continues(before: string, after: string): boolean {
	if (/\n\s*$/.test(before)) return false;
	if (LIST_NUMBER.test(before)) return true;
	if (!ENDS_STOP.test(before)) return true;
	if (STARTS_LOWER.test(after))
		return !/[!?]["”’)\]]*\s*$/.test(before) || /["”’]\s*$/.test(before);
	if (INITIAL.test(before)) return !/\bI\.\s*$/.test(before);
	if (ABBREVIATION.test(before)) return STARTS_DIGIT.test(after) || !ENDS_OFTEN.test(before);
	return false;
}

function pushTrimmed(sentences: Sentence[], text: string, start: number): void {
	const trimmed = text.trim();
	if (trimmed === '') return;
	const from = start + text.indexOf(trimmed);
	sentences.push({ text: trimmed, start: from, end: from + trimmed.length });
}
