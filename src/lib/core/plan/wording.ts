import type { Findings, Term, Topic } from '../findings';
import { contentStemsOf, countWords, isStopWord, keysOf, termKeyOf } from '../text';

/** The thing a keyword is about: "how to build a dry stone wall" → "a dry stone wall". */
export function objectOf(keyword: string): string {
	const plain = keyword.trim().toLowerCase();
	const match =
		/^(?:how (?:to|do (?:you|i)|can (?:you|i))\s+\S+|how (?:much|long|often|deep) (?:does|do|is|are|should)|what (?:is|are)|why (?:is|are|do|does)|best|guide to|ways to \S+)\s+(.+)$/.exec(
			plain
		);
	return match?.[1] ?? plain;
}

/**
 * What the sections of a topic are about: its strongest term that stands in its headings, apart
 * from the keyword's own words; null when its headings share none.
 */
export function subjectOf(topic: Topic, findings: Findings): Term | null {
	// "Choosing the stone": what is chosen is often the keyword's own matter
	const own = new Set(topic.intent === 'choice' ? [] : termKeyOf(findings.keyword).split(' '));
	const keys = topic.headings.map(
		({ text }) =>
			` ${keysOf(text)
				.map(({ key }) => key)
				.join(' ')} `
	);
	let best: { term: Term; value: number } | null = null;
	for (const term of findings.terms) {
		if (term.key.split(' ').every((word) => own.has(word))) continue;
		const on = keys.filter((heading) => heading.includes(` ${term.key} `)).length;
		if (on === 0) continue;
		const value = on * (1 + 0.15 * (term.key.split(' ').length - 1)) * Math.log(1 + term.score);
		if (!best || value > best.value) best = { term, value };
	}
	return best?.term ?? null;
}

/** The headings of all pages, as they are compared. */
export function pageHeadingsOf(findings: Findings): ReadonlySet<string> {
	return new Set(
		findings.topics.flatMap(({ headings }) => headings.map(({ text }) => plainOf(text)))
	);
}

/**
 * A heading of our own for a topic. Never a page's heading of more than three words: purposes
 * have set wordings, other topics take a page's plain name of the thing when it is short, else
 * their strongest terms.
 */
export function headingFor(topic: Topic, findings: Findings, taken: ReadonlySet<string>): string {
	const options = [...wordingsFor(topic, findings)];
	const theirs = pageHeadingsOf(findings);
	const isFree = (heading: string) =>
		!taken.has(plainOf(heading)) && (countWords(heading) <= 3 || !theirs.has(plainOf(heading)));
	return sentenceCase(options.find(isFree) ?? options.at(-1) ?? topic.label);
}

function* wordingsFor(topic: Topic, findings: Findings): Generator<string> {
	const object = objectOf(findings.keyword);
	const subject = subjectOf(topic, findings);
	const phrase = subject?.phrase;
	const the = phrase ? `the ${phrase}` : 'it';
	switch (topic.intent) {
		case 'need':
			yield `What to have ready`;
			yield `Tools and materials to have ready`;
			break;
		case 'cost':
			yield `What ${object} costs`;
			yield `The cost, added up`;
			break;
		case 'mistakes':
			yield `Where the work goes wrong`;
			yield `Faults to look for`;
			break;
		case 'definition':
			yield `What ${object} is`;
			yield `${object} in short`;
			break;
		case 'reasons':
			yield /^how to \S/i.test(findings.keyword)
				? `Reasons to ${findings.keyword.replace(/^how to /i, '')}`
				: `Reasons for ${object}`;
			break;
		case 'choice':
			yield phrase ? `Choosing ${the}` : `Choosing what suits`;
			break;
		case 'care':
			yield `Looking after ${phrase ? the : 'the result'}`;
			break;
		case 'rules':
			yield `Rules and permission`;
			break;
		case 'time':
			yield `How long the work takes`;
			break;
	}
	const short = topic.headings
		.map(({ text }) =>
			text
				.replace(/^[^:]{3,24}:\s*/, '')
				.replace(/[.!]+$/, '')
				.trim()
		)
		.filter((text) => countWords(text) >= 1 && countWords(text) <= 3)
		.filter((text) => !/\b(?:i|my|me|we|our|you|your|it|what)\b/i.test(text))
		.sort((a, b) => countWords(b) - countWords(a) || (a < b ? -1 : 1));
	const about = contentStemsOf(phrase ?? '');
	const named = short.filter((text) => about.some((stem) => contentStemsOf(text).includes(stem)));
	// "Lay the footings": the plain name of a step
	yield* named.filter((text) => / the /i.test(text));
	const company = subject?.company
		.map((key) => findings.terms.find((term) => term.key === key)?.phrase)
		.find(
			(other) =>
				other !== undefined &&
				phrase !== undefined &&
				!phrase.includes(other) &&
				!other.includes(phrase)
		);
	if (phrase && company) yield `${phrase} and ${company}`;
	if (phrase) yield phrase;
	yield* named;
	yield* short;
	const stems = contentStemsOf(topic.label);
	const words = findings.terms.filter((term) =>
		contentStemsOf(term.phrase).some((stem) => stems.includes(stem))
	);
	if (words[0]) yield `More on ${words[0].phrase}`;
	yield `About ${keysOf(topic.label)
		.filter(({ key }) => !isStopWord(key))
		.slice(0, 2)
		.map(({ key }) => key)
		.join(' and ')}`;
}

/** A heading reduced to what makes it the same as another. */
export function plainOf(heading: string): string {
	return keysOf(heading)
		.map(({ key }) => key)
		.join(' ');
}

/** First letter as a capital; the rest stays. */
export function sentenceCase(text: string): string {
	const plain = text.trim();
	return plain === '' ? plain : plain[0]!.toUpperCase() + plain.slice(1);
}
