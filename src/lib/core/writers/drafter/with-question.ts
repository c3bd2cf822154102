import {
	contentStemsOf,
	countWords,
	isDoingVerb,
	isMostlyVerb,
	sentencesOf,
	verbFormsOf
} from '../../text';
import { isJotted } from './holds';
import type { Passage } from './note-material';
import { smoothed } from './smooth';

/** Words of a question up to which it is told before its answer. */
const MOST_ASKED = 14;
/** Words of an answer in nobody's mouth from which it can stand behind what was asked. */
const LEAST_ANSWER = 5;
/** Words of a question without a verb, which names a thing. */
const MOST_NAMED = 4;

/**
 * What was asked, in reported speech, where an answer of the notes says nothing without it: "about winter",
 * "what beginners get wrong most", "whether foam needs a rest day". Null: the answer cannot be printed so,
 * for the question speaks of those who talk or is no plain question, or the answer is too little.
 */
export function askedBefore({ asked, form, quoted, raw, hold }: Passage): string | null {
	if (hold !== 'answer' && hold !== 'leans') return null;
	const isSaid = form === 'quote' || quoted.includes(true);
	if (!isSaid && (form !== 'text' || isJotted(raw) || countWords(raw) < LEAST_ANSWER)) return null;
	const told = reportedOf(questionIn(asked));
	return told === null || (!isSaid && PERSONAL.test(told)) ? null : told;
}

/** What wants a yes or no, or an opinion, is answered by somebody. */
const PERSONAL = /^whether |\byou (?:recommend|think|see|say|suggest|like|prefer|use|do|sell)\b/;

/** The first question of a turn, without what leads into it. */
function questionIn(asked: string): string {
	const plain = asked
		.replace(/\\?\[[^\]]*\]/g, ' ')
		.replace(/^\s*(?:Q\d*\s*[:.)]|\d+[.)])\s*/i, '')
		.replace(/\?{2,}/g, '?')
		.replace(/\s+/g, ' ')
		.trim();
	const parts = sentencesOf(plain).map(({ text }) => text);
	const asking = parts.filter((text) => text.endsWith('?'));
	return (asking.length > 0 ? asking[0]! : (parts.at(-1) ?? ''))
		.replace(/^(?:(?:and|but|so|ok(?:ay)?|right|well|now|then|also|next),?\s+)+/i, '')
		.replace(/,?\s+(?:then|pls|please|though|exactly|actually|really)?\s*\?*$/i, '')
		.replace(/\?$/, '')
		.trim();
}

/** A question as reported speech; null where that takes more than moving its verb. */
export function reportedOf(question: string): string | null {
	if (question === '' || countWords(question) > MOST_ASKED) return null;
	if (TALKERS.test(question) || NOTED.test(question)) return null;
	if (contentStemsOf(question).length === 0) return null;
	const said = smoothed(`${question}?`).slice(0, -1);
	const plain = OPENS_SMALL.test(said) ? said[0]!.toLowerCase() + said.slice(1) : said;
	const named = /^(?:what|how) about (.+)$/.exec(plain)?.[1] ?? plain;
	const thing = named.split(/[,:;(–—]/)[0]!.trim();
	if (named !== plain) return `about ${thing}`;
	const parts = ASKED.exec(plain);
	if (!parts) {
		if (!/^(?:who|what|which)\b/.test(plain))
			return countWords(plain) <= MOST_NAMED && !ORDERS.test(plain)
				? `about ${smallStart(thing)}`
				: null;
		// what is asked for does it: "what tells you it is the shoe"
		return plain;
	}
	const [, way = '', verb = '', rest = ''] = parts;
	const whole = turned(verb, rest, way !== '');
	return whole === null ? null : `${way === '' ? 'whether' : way.trim()} ${whole}`;
}

/** "does" and "foam need a rest day" as "foam needs a rest day". */
function turned(verb: string, rest: string, isOpen: boolean): string | null {
	const words = rest.split(' ');
	const at = LONE.test(words[0]!)
		? 1
		: words.findIndex(
				(word, i) =>
					i > 0 && isVerb(word) && !/^(?:the|an?|your|my|of|to|for|in|on)$/i.test(words[i - 1]!)
			);
	const isBe = /^(?:is|are|was|were)$/.test(verb);
	if (isBe && !LONE.test(words[0]!))
		// "what is the midsole": the thing alone
		return isOpen && words.length <= MOST_NAMED && !/\b(?:of|for|in|on|to|with|than)\b/.test(rest)
			? `${rest} ${verb}`
			: null;
	if (at < 1) return null;
	const subject = words.slice(0, at).join(' ');
	const [first = '', ...others] = words.slice(at);
	if (first === '') return null;
	// those who talk are meant, and not everybody
	if (/^you$/i.test(subject) && !isOpen && !/^(?:can|could|should)$/.test(verb)) return null;
	if (verb === 'do') return [subject, first, ...others].join(' ');
	if (verb === 'does') {
		const third = verbFormsOf(first).find((form) => form.endsWith('s') && form !== first);
		return third ? [subject, third, ...others].join(' ') : null;
	}
	return [subject, verb, first, ...others].join(' ');
}

const isVerb = (word: string) => isDoingVerb(word) || isMostlyVerb(word);

function smallStart(text: string): string {
	return /^\p{Lu}\p{Ll}+(?:\s\p{Ll}|$)/u.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text;
}

const ASKED =
	/^((?:why|when|where|who|how|what|which)(?: (?!(?:do|does|is|are|can|could|should|would|will)\b)\S+){0,3} )?(do|does|is|are|was|were|can|could|should|would|will) (.+)$/;
const OPENS_SMALL =
	/^(?:Who|What|When|Where|Why|How|Which|Is|Are|Was|Were|Do|Does|Can|Could|Should|Would|Will)\b/;
/** A subject of one word. */
const LONE = /^(?:you|they|it|he|she|one|people|this|that|there|these|those|everybody|everyone)$/i;
/** The one who asks speaks of herself or of the one who is asked. */
const TALKERS =
	/(?<!\p{L})(?:I|me|my|we|us|our|yours?|I['’]\p{L}+|we['’]\p{L}+|you['’]\p{L}+)(?!\p{L})/iu;
/** Signs of a line that was jotted and not asked. */
const NOTED = /[=/→#*_[\]{}<>|]|->|\.\.\.|…/;
/** "Tell me about it" names no thing. */
const ORDERS = /^(?:tell|say|explain|go|give|if|because|to|not|no|yes)\b/i;
