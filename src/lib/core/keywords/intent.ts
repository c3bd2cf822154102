import { plainWord, wordsOf } from '../text';
import { INTENTS, type Intent } from './keyword';

/** What a phrase is searched for, and the words that decided; without cue words it is informational. */
export interface IntentReading {
	readonly intent: Intent;
	readonly cues: readonly string[];
}

/*
 * Cue words, strongest intent first: who types "buy" wants to buy, whatever else stands there.
 * "How to" outweighs a shop's words ("how to order stone"), and is looked at before them.
 */
const ASKS =
	/\b(?:how (?:to|do|does|did|can|could|should|deep|wide|high|tall|long|thick|far|many|often|big|heavy|steep|strong|fast)|what|why|when|where|who|which|can|could|do|does|is|are|should|will|must)\b/;
const CUES: readonly (readonly [Exclude<Intent, 'informational'>, RegExp])[] = [
	[
		'navigational',
		/\b(?:log ?in|sign ?in|website|web site|official site|homepage|home page|contact (?:number|details|us)|phone number|opening (?:times|hours)|head office|customer service|account|www|\w+\.(?:com|co\.uk|org|net|example))\b/g
	],
	[
		'transactional',
		/\b(?:buy|order|for sale|on sale|shop|shops|store|stores|suppliers?|delivery|delivered|deals?|discount|coupon|voucher|hire|rent|rental|book|booking|quotes?|near me|nearby|in stock|download|subscribe|courses?|class|classes|workshops?|contractors?|installers?|builders? near|second hand|free trial)\b/g
	],
	[
		'commercial',
		/\b(?:best|top|reviews?|rated|vs|versus|compare|compared|comparison|alternatives?|cheap|cheapest|affordable|worth it|prices?|pricing|costs?|budget|brands?|pros and cons|difference between|better)\b/g
	]
];

const TELLS =
	/\b(?:guide|tutorial|ideas?|tips|examples?|meaning|definition|history|types?|diagram|steps?|instructions|explained|rules|regulations|requirements|planning permission|for beginners|diy|problems?|mistakes?|advantages|disadvantages|benefits)\b/g;

/** Reads the intent of a phrase. Names of brands (lower case) point to a site. */
export function intentOf(phrase: string, brands: readonly string[] = []): IntentReading {
	const plain = ` ${wordsOf(phrase)
		.map(({ text }) => plainWord(text))
		.join(' ')} `;
	const raw = phrase.toLowerCase();
	const asks = ASKS.exec(plain);
	const named = brands.filter(
		(brand) => brand !== '' && plain.includes(` ${brand.toLowerCase()} `)
	);
	const found = CUES.map(([intent, pattern]) => ({
		intent,
		cues: [
			...new Set([
				...[...raw.matchAll(pattern)].map(([cue]) => cue),
				...(intent === 'navigational' ? named : [])
			])
		]
	})).filter(({ cues }) => cues.length > 0);
	// "how much does it cost" weighs a purchase; "how do I order stone" asks for knowledge
	const comparing = found.find(({ intent }) => intent === 'commercial');
	if (asks) return comparing ?? { intent: 'informational', cues: [asks[0]] };
	if (found[0]) return found[0];
	return {
		intent: 'informational',
		cues: [...new Set([...raw.matchAll(TELLS)].map(([cue]) => cue))]
	};
}

/** The intent a list names, in full or by its first letter; null when it names none. */
export function intentNamed(cell: string): Intent | null {
	const first = cell
		.trim()
		.toLowerCase()
		.split(/[,;/|]/)[0]!
		.trim();
	if (first === '') return null;
	return (
		INTENTS.find((intent) => intent.startsWith(first.slice(0, 4)) || first === intent[0]) ?? null
	);
}
