import { purposesOf, type Purpose } from '../../reading';
import { type Findings, type Term, type Topic } from '../../findings';
import {
	contentStemsOf,
	countWords,
	isStopWord,
	keysOf,
	termKeyOf,
	keywordStemsOf
} from '../../text';
import { perFindings } from '../outline';
import {
	deedHeadings,
	deedOf,
	isOneThing,
	isPlural,
	objectOf,
	plainOf,
	sentenceCase,
	shortName,
	type Deed,
	withArticle,
	withThe
} from './phrases';

/**
 * What the sections of a topic are about: its strongest term that stands in its headings, apart
 * from the keyword's own words; null when its headings share none.
 */
export function subjectOf(topic: Topic, findings: Findings): Term | null {
	const known = subjectsIn(findings);
	let subject = known.get(topic.id);
	if (subject === undefined) known.set(topic.id, (subject = findSubject(topic, findings)));
	return subject;
}

/** Subjects of topics, by findings and topic; headings ask for those of all other topics. */
const subjectsIn = perFindings(() => new Map<string, Term | null>());

/** How a search begins that asks. */
const ASKS = /^(?:how|what|why|when|where|which|who|can|do|does|is|are|should)\s/i;

function findSubject(topic: Topic, findings: Findings): Term | null {
	// "Choosing the stone", "What seasoning means": that is often the keyword's own matter
	const apartFrom =
		topic.intent === 'choice'
			? ''
			: topic.intent === 'definition'
				? objectOf(findings.keyword)
				: findings.keyword;
	const own = new Set(contentStemsOf(apartFrom));
	const keyword = termKeyOf(findings.keyword);
	const keys = topic.headings.map(
		({ text }) =>
			` ${keysOf(text)
				.map(({ key }) => key)
				.join(' ')} `
	);
	let best: { term: Term; value: number } | null = null;
	for (const term of findings.terms) {
		if (contentStemsOf(term.phrase).every((stem) => own.has(stem))) continue;
		// whole searches name no thing: "how to build a dry stone wall step by step"
		if (ASKS.test(term.phrase) || ` ${term.key} `.includes(` ${keyword} `)) continue;
		const on = keys.filter((heading) => heading.includes(` ${term.key} `)).length;
		if (on === 0) continue;
		const value = on * (1 + 0.15 * (term.key.split(' ').length - 1)) * Math.log(1 + term.score);
		if (!best || value > best.value) best = { term, value };
	}
	return best?.term ?? null;
}

/** The headings of all pages, as they are compared. */
export const pageHeadingsOf = perFindings(
	({ topics }): ReadonlySet<string> =>
		new Set(topics.flatMap(({ headings }) => headings.map(({ text }) => plainOf(text))))
);

/** A heading of our own for a topic; the first of `headingsFor`. */
export function headingFor(topic: Topic, findings: Findings, taken: ReadonlySet<string>): string {
	return headingsFor(topic, findings, taken)[0]!;
}

/**
 * Headings of our own for a topic, the best first. None is taken, and none is a page's heading of
 * more than three words: purposes have set wordings, instructions name the deed and its object,
 * other topics the plain name of the thing.
 */
export function headingsFor(
	topic: Topic,
	findings: Findings,
	taken: ReadonlySet<string>
): string[] {
	const theirs = pageHeadingsOf(findings);
	const seen = new Set(taken);
	const free: string[] = [];
	const options = [...wordingsFor(topic, findings)];
	for (const option of options) {
		const plain = plainOf(option);
		if (plain === '' || seen.has(plain) || (countWords(option) > 3 && theirs.has(plain))) continue;
		seen.add(plain);
		free.push(sentenceCase(option));
	}
	return free.length > 0 ? free : [sentenceCase(options.at(-1) ?? topic.label)];
}

function* wordingsFor(topic: Topic, findings: Findings): Generator<string> {
	const object = withArticle(objectOf(findings.keyword));
	const subject = subjectOf(topic, findings);
	const phrase = subject?.phrase;
	yield* wordingsOfIntent(topic, findings, { object, phrase });
	for (const deed of deedsOf(topic, phrase, findings.keyword).slice(0, 2))
		yield* deedHeadings(deed);
	const short = topic.headings
		.map(({ text }) =>
			text
				.replace(/^[^:]{3,24}:\s*/, '')
				.replace(/[.!]+$/, '')
				.trim()
		)
		.filter((text) => countWords(text) >= 1 && countWords(text) <= 3)
		.filter((text) => !/[?,]|\b(?:i|my|me|we|our|you|your|it|its|what|here|this|not)\b/i.test(text))
		.sort((a, b) => countWords(b) - countWords(a) || (a < b ? -1 : 1));
	const about = contentStemsOf(phrase ?? '');
	const named = short.filter((text) => about.some((stem) => contentStemsOf(text).includes(stem)));
	// "Lay the footings", "Race day": the plain name of the thing
	yield* named.filter((text) => / the /i.test(text));
	if (phrase && !isOneThing(phrase)) yield phrase;
	yield* named;
	if (subject && phrase) {
		yield withThe(phrase);
		const company = companyOf(subject, topic, findings);
		if (company[0]) yield `${phrase} and ${company[0]}`;
		if (company[0] && company[1]) yield `${phrase}, ${company[0]} and ${company[1]}`;
	}
	yield* wordingsOfMatter(topic, { object, phrase });
	yield* short;
	const stems = contentStemsOf(topic.label);
	const own = termKeyOf(findings.keyword);
	const words = findings.terms
		.filter(({ key }) => !` ${own} `.includes(` ${key} `))
		.filter((term) => contentStemsOf(term.phrase).some((stem) => stems.includes(stem)));
	if (words[0]) yield `more on ${words[0].phrase}`;
	const said = new Set(
		keysOf(topic.label).flatMap(({ key }) => (isStopWord(key) || /^\d/.test(key) ? [] : [key]))
	);
	if (said.size > 0) yield `about ${[...said].slice(0, 2).join(' and ')}`;
}

interface Named {
	/** What the keyword is about, with its article. */
	readonly object: string;
	/** What the topic is about. */
	readonly phrase: string | undefined;
}

/** Set wordings for what articles of every subject speak of. */
function* wordingsOfIntent(
	topic: Topic,
	findings: Findings,
	{ object, phrase }: Named
): Generator<string> {
	const bare = shortName(object);
	if (mostly(topic, /\bsuit\w*|\bright for\b/i)) yield `where ${bare} ${verb(bare, 'suit')}`;
	if (mostly(topic, /\bhow .*works?\b|\bphysics\b|\bprinciples?\b/i))
		yield* [`how ${bare} ${verb(bare, 'work')}`, `the workings of ${bare}`, 'how it works'];
	switch (topic.intent) {
		case 'need':
			yield `what to have ready`;
			yield `tools and materials to have ready`;
			if (phrase) yield `what to have ready: ${phrase}`;
			break;
		case 'cost':
			// a topic on one part of the cost is named by it: "running costs"
			if (phrase && /\bcosts?\b/i.test(phrase)) yield phrase;
			yield `what ${object} ${verb(object, 'cost')}`;
			if (phrase && !/\b(?:costs?|prices?)\b/i.test(phrase))
				yield `the cost and ${withThe(phrase)}`;
			yield `the cost, added up`;
			break;
		case 'mistakes':
			yield `where the work goes wrong`;
			yield `faults to look for`;
			if (phrase) yield `what goes wrong with ${withThe(phrase)}`;
			break;
		case 'definition':
			if (phrase) yield `what ${phrase} ${verb(phrase, 'mean')}`;
			else yield `what ${object} ${isPlural(object) ? 'are' : 'is'}`;
			yield `${phrase ?? object} in short`;
			break;
		case 'reasons':
			yield /^how to \S/i.test(findings.keyword)
				? `reasons to ${findings.keyword.replace(/^how to /i, '')}`
				: `reasons for ${object}`;
			if (phrase) yield `reasons for ${phrase}`;
			break;
		case 'choice':
			if (phrase && /ing$/.test(phrase)) yield `choosing a way of ${phrase}`;
			else if (phrase) yield `choosing ${isPlural(phrase) ? phrase : withThe(phrase)}`;
			else yield 'choosing what suits';
			if (phrase && !/ing$/.test(phrase)) yield `which ${phrase} to choose`;
			break;
		case 'care':
			yield `looking after ${phrase ? withThe(phrase) : 'the result'}`;
			if (phrase) yield `keeping ${withThe(phrase)} in order`;
			break;
		case 'rules':
			yield `rules and permission`;
			yield `what the rules say`;
			break;
		case 'time':
			yield `how long the work takes`;
			yield `the time it takes`;
			break;
	}
}

/** Wordings for matters that are no intent, as second choices. */
function* wordingsOfMatter(topic: Topic, { object, phrase }: Named): Generator<string> {
	const bare = shortName(object);
	const purposes = topic.headings.map(({ text }) => purposesOf(text));
	const speaksOf = (purpose: Purpose) =>
		purposes.filter((of) => of.includes(purpose)).length * 2 >= purposes.length;
	if (speaksOf('space')) yield `the room it takes`;
	if (speaksOf('place')) yield `where to put ${bare}`;
	if (speaksOf('lifespan')) yield `how long ${bare} ${verb(bare, 'last')}`;
	if (speaksOf('hire') && phrase) yield `finding a good ${phrase}`;
	if (speaksOf('sound')) yield `noise and sound`;
	if (speaksOf('season')) yield `through the seasons`;
	if (speaksOf('food')) yield `food and water`;
	if (speaksOf('safety')) yield `working safely`;
	if (speaksOf('comparison')) yield `the differences, side by side`;
	if (speaksOf('alternatives')) yield `other ways to do it`;
	if (speaksOf('storage')) yield `keeping and storing`;
	if (speaksOf('history')) yield `where it comes from`;
}

/** Whether half of a topic's headings are worded so. */
function mostly({ headings }: Topic, pattern: RegExp): boolean {
	return headings.filter(({ text }) => pattern.test(text)).length * 2 >= headings.length;
}

/** A verb as it goes with a name: "it costs", "they cost". */
function verb(name: string, plain: string): string {
	return isPlural(name) ? plain : `${plain}s`;
}

/** What the headings of a topic do, those most pages share first; none when they mostly name a thing. */
function deedsOf(topic: Topic, phrase: string | undefined, keyword: string): Deed[] {
	const own = keywordStemsOf(keyword);
	const found = topic.headings
		.flatMap(({ text }) => deedOf(text) ?? [])
		// what the whole article does is no part of it
		.filter(({ verb, object }) =>
			contentStemsOf(`${verb} ${object}`).some((stem) => !own.has(stem))
		);
	if (found.length * 2 < topic.headings.length) return [];
	const about = contentStemsOf(phrase ?? '');
	const votes = new Map<string, { verb: string; object: string; count: number }>();
	for (const { verb, object } of found) {
		// "the wall's footings" and "the footings" are one thing: the strongest term names it
		const isIt = about.length > 0 && about.every((stem) => contentStemsOf(object).includes(stem));
		const plain = isIt ? phrase! : object;
		const key = `${verb} ${plainOf(plain)}`;
		const entry = votes.get(key) ?? { verb, object: plain, count: 0 };
		votes.set(key, { ...entry, count: entry.count + (isIt ? 1.5 : 1) });
	}
	// one heading that leaves open what is baked does not make the topic one of baking
	const told = [...votes.values()].filter(({ object, count }) => object !== '' || count > 1);
	return told.sort(
		(a, b) => b.count - a.count || (`${a.verb} ${a.object}` < `${b.verb} ${b.object}` ? -1 : 1)
	);
}

/**
 * Terms that can stand beside a subject in a heading: used in most sections of the topic, and
 * neither a word of the keyword nor what another topic is about.
 */
function companyOf(subject: Term, topic: Topic, findings: Findings): string[] {
	const own = new Set(termKeyOf(findings.keyword).split(' '));
	const places = new Set(topic.headings.map(({ page, section }) => `${page}/${section}`));
	const elsewhere = new Set(
		findings.topics
			.filter((other) => other !== topic && other.pages.length > 1)
			.flatMap((other) => subjectOf(other, findings)?.key ?? [])
	);
	const found = subject.company.flatMap((key) => {
		const term = findings.terms.find((other) => other.key === key);
		if (!term || elsewhere.has(key) || key.split(' ').some((word) => own.has(word))) return [];
		if (term.kind === 'action' || overlaps(key, subject.key)) return [];
		const on = term.uses.filter(({ page, sections }) =>
			sections.some(([section]) => places.has(`${page}/${section}`))
		).length;
		return on * 2 > topic.pages.length ? [term] : [];
	});
	return found
		.filter(({ key }, i) => !found.slice(0, i).some((other) => overlaps(other.key, key)))
		.map((term) => term.phrase);
}

function overlaps(a: string, b: string): boolean {
	const words = new Set(a.split(' '));
	return b.split(' ').some((word) => words.has(word));
}
