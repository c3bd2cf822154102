import { andList, contentStemsOf, fitsResult, isStopWord, plainWord, wordsOf } from '../text';
import type { Intent } from './keyword';
import { subjectOfPhrase } from './long-tail';

/** What an article could be called until its plan is made; both fit their room on a results page. */
export interface WorkingTitle {
	readonly title: string;
	readonly description: string;
}

const ASKS =
	/^(?:how|what|why|when|where|which|who|can|could|do|does|did|is|are|should|will|must)\b(?! to\b)/i;

/** Whether a phrase is put as a question. */
export function isAsked(phrase: string): boolean {
	return ASKS.test(phrase.trim());
}

/**
 * Title and description for a cluster: its head phrase, and what else its phrases ask for.
 * Nothing is promised that no phrase of the cluster asks for. `phrases` come most searched first.
 */
export function workingTitleOf(
	head: string,
	phrases: readonly string[],
	intent: Intent
): WorkingTitle {
	const base = titleCased(head);
	const facets = facetsOf(head, phrases);
	return {
		title: titleFor(base, head, facets, intent),
		description: descriptionFor(base, head, phrases, facets)
	};
}

function titleFor(base: string, head: string, facets: readonly string[], intent: Intent): string {
	const asked = isAsked(head);
	const first = asked ? `${base}?` : base;
	const tails = [
		...(/\bvs\b|\bversus\b/i.test(head) ? [': which to choose and why'] : []),
		...(facets.length >= 3 ? [joinTail(asked, facets.slice(0, 3))] : []),
		...(facets.length >= 2 ? [joinTail(asked, facets.slice(0, 2))] : []),
		...(/^how to\b/i.test(head) ? [', step by step'] : []),
		...(intent === 'commercial' && /^best\b/i.test(head) ? [': how to choose'] : []),
		// one word behind a colon is no title: "Folding kayak repair: patch"
		...(facets.length >= 1 && (asked || facets[0]!.includes(' '))
			? [joinTail(asked, facets.slice(0, 1))]
			: []),
		...(asked ? [] : [', explained'])
	];
	return (
		tails.map((tail) => first + tail).find((title) => fitsResult(title, 'title')) ??
		cutTo(first, 'title')
	);
}

function joinTail(asked: boolean, facets: readonly string[]): string {
	const list = andList(facets);
	return asked ? ` ${titleCased(list)} explained` : `: ${list}`;
}

function descriptionFor(
	base: string,
	head: string,
	phrases: readonly string[],
	facets: readonly string[]
): string {
	const questions = phrases.filter((phrase) => isAsked(phrase) && phrase !== head);
	const sentences = [
		isAsked(head)
			? `${base}?`
			: facets.length > 0
				? `${base}: ${andList(facets.slice(0, 4))}.`
				: `${base}, explained.`,
		...(isAsked(head) && facets.length > 0 ? [`With ${andList(facets.slice(0, 4))}.`] : []),
		...questions.slice(0, 3).map((question) => `${titleCased(question)}?`)
	];
	let text = '';
	for (const sentence of sentences) {
		const longer = text === '' ? sentence : `${text} ${sentence}`;
		if (fitsResult(longer, 'description')) text = longer;
	}
	return text === '' ? cutTo(base, 'description') : text;
}

/**
 * What the other phrases add to the head's subject, in order of first mention: the words behind
 * it ("… cost per metre"). Words before it name another thing ("sleeper retaining wall").
 */
function facetsOf(head: string, phrases: readonly string[]): string[] {
	const known = new Set(contentStemsOf(head));
	const subject = contentStemsOf(subjectOfPhrase(head));
	const facets: string[] = [];
	for (const phrase of phrases) {
		const words = wordsOf(phrase).map(({ text }) => plainWord(text));
		const stems = words.map((word) => contentStemsOf(word)[0] ?? null);
		if (!subject.every((stem) => stems.includes(stem))) continue;
		const last = stems.findLastIndex((stem) => stem !== null && known.has(stem));
		const tail = words.slice(last + 1);
		while (
			tail.length > 0 &&
			!LEADS_FACET.test(tail[0]!) &&
			(isStopWord(tail[0]!) || NO_FACET.test(tail[0]!))
		)
			tail.shift();
		while (tail.length > 0 && (isStopWord(tail.at(-1)!) || NO_FACET.test(tail.at(-1)!))) tail.pop();
		const fresh = tail.flatMap(contentStemsOf);
		if (fresh.length === 0 || tail.length > 4 || tail.some((word) => NO_FACET.test(word))) continue;
		fresh.forEach((stem) => known.add(stem));
		facets.push(tail.join(' '));
		if (facets.length === 6) break;
	}
	return facets;
}

/** "per metre" says what "metre" does not. */
const LEADS_FACET = /^(?:per|on|in|without|with|behind|by)$/;

/** Words of wanting and doing, and years, make no facet of a title. */
const NO_FACET =
	/^(?:\d+|build|make|made|buy|take|lay|laying|calculate|choose|use|start|stop|does|last|vs|versus|diy|near|deep|long|wide|high|tall|steep|often|uk|usa|pdf|video|free|online|needed|owns|attract|own)$/;

function titleCased(text: string): string {
	const plain = text
		.trim()
		.replace(/[?.!]+$/, '')
		.replace(/\bi\b/g, 'I');
	return plain === '' ? plain : plain[0]!.toUpperCase() + plain.slice(1);
}

/** Whole words while they fit. */
function cutTo(text: string, part: 'title' | 'description'): string {
	if (fitsResult(text, part)) return text;
	const words = text.split(' ');
	while (words.length > 1 && !fitsResult(`${words.join(' ')} …`, part)) words.pop();
	const cut = `${words.join(' ')} …`;
	if (fitsResult(cut, part)) return cut;
	let letters = text;
	while (letters !== '' && !fitsResult(`${letters}…`, part)) letters = letters.slice(0, -1);
	return `${letters}…`;
}
