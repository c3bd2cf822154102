import { questionFit, type Findings, type Term, type Topic } from '../../findings';
import { purposesBeside } from '../../reading';
import {
	andList,
	contentStemsOf,
	countWords,
	findTerms,
	indexTerms,
	keysOf,
	keywordStemsOf,
	orList,
	termKeyOf
} from '../../text';
import { perFindings } from '../outline';
import {
	deedHeadings,
	deedOf,
	isOneThing,
	plainOf,
	sentenceCase,
	withThe,
	type Deed
} from './phrases';
import { quietCase } from './quiet-case';
import { setWordings } from './set-wordings';
import { subjectOf } from './subject';

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
 * other topics the plain name of the thing, what people search for, or a heading of the notes.
 */
export function headingsFor(
	topic: Topic,
	findings: Findings,
	taken: ReadonlySet<string>
): string[] {
	const theirs = pageHeadingsOf(findings);
	const seen = new Set(taken);
	const read = coverage(topic, findings);
	const scored = [...wordingsFor(topic, findings)].map(({ text, prior }, i) => ({
		text,
		i,
		value: prior + BY_COVERAGE * read(text)
	}));
	scored.sort((a, b) => b.value - a.value || a.i - b.i);
	const free: string[] = [];
	for (const { text } of scored) {
		const plain = plainOf(text);
		if (plain === '' || seen.has(plain) || (countWords(text) > 3 && theirs.has(plain))) continue;
		seen.add(plain);
		free.push(quietCase(sentenceCase(text), findings));
	}
	if (free.length > 0) return free;
	// nothing names it as a whole: what its sections speak of most
	const said = sentenceCase(spokenOf(topic, findings, seen));
	return [said === '' ? quietCase(sentenceCase(topic.label), findings) : said];
}

/** The two terms that the sections of a topic lean on most, as a name that is not taken; empty where they have none. */
function spokenOf(topic: Topic, findings: Findings, taken: ReadonlySet<string>): string {
	const own = keywordStemsOf(findings.keyword);
	const places = new Set(topic.headings.map(({ page, section }) => `${page}/${section}`));
	const found = findings.terms
		.filter(
			({ kind, phrase }) =>
				kind !== 'action' && contentStemsOf(phrase).some((stem) => !own.has(stem))
		)
		.map((term) => {
			const inside = term.uses.reduce(
				(sum, { page, sections }) =>
					sum +
					sections.reduce(
						(n, [section, count]) => n + (places.has(`${page}/${section}`) ? count : 0),
						0
					),
				0
			);
			const all = term.uses.reduce((sum, { count }) => sum + count, 0);
			return { term, value: all === 0 ? 0 : (inside / all) * Math.sqrt(inside * term.score) };
		})
		.filter(({ value }) => value > 0)
		.sort((a, b) => b.value - a.value || (a.term.key < b.term.key ? -1 : 1))
		.map(({ term }) => term);
	const apart = found.filter(
		({ key }, i) => !found.slice(0, i).some((other) => overlaps(other.key, key))
	);
	for (const count of [2, 3, 1]) {
		const name = andList(apart.slice(0, count).map(({ phrase }) => phrase));
		if (name !== '' && !taken.has(plainOf(name))) return name;
	}
	return '';
}

/** Whether there is a wording of our own for a topic, and not only the words of a page. */
export function canBeNamed(topic: Topic, findings: Findings): boolean {
	const theirs = pageHeadingsOf(findings);
	for (const { text } of wordingsFor(topic, findings))
		if (plainOf(text) !== '' && (countWords(text) <= 3 || !theirs.has(plainOf(text)))) return true;
	return false;
}

/** What it is worth that a wording says what all headings of the topic say. */
const BY_COVERAGE = 1.8;

/** A wording with what it is worth by its kind. */
interface Wording {
	readonly text: string;
	readonly prior: number;
}

/** Tells which share of a topic's headings says something of what a wording says. */
function coverage(topic: Topic, { keyword }: Findings): (text: string) => number {
	const common = keywordStemsOf(keyword);
	const headings = topic.headings.map(({ text }) => ({
		stems: contentStemsOf(text).filter((stem) => !common.has(stem)),
		purposes: purposesBeside(text, common)
	}));
	return (text) => {
		const stems = new Set(contentStemsOf(text));
		const purposes = purposesBeside(text, common);
		const said = headings.filter(
			(heading) =>
				heading.stems.some((stem) => stems.has(stem)) ||
				heading.purposes.some((purpose) => purposes.includes(purpose))
		).length;
		return said / Math.max(1, headings.length);
	};
}

function* wordingsFor(topic: Topic, findings: Findings): Generator<Wording> {
	const { keyword } = findings;
	const subject = subjectOf(topic, findings);
	const phrase = subject ? surfaceOf(subject, topic) : undefined;
	let prior = 2.6;
	for (const text of setWordings(topic, { keyword, phrase })) {
		yield { text, prior };
		prior = Math.max(1.6, prior - 0.4);
	}
	for (const deed of deedsOf(topic, subject?.phrase, keyword).slice(0, 2))
		for (const [i, text] of deedHeadings(deed).entries()) yield { text, prior: 2.7 - 0.3 * i };
	for (const text of askedOf(topic, findings)) yield { text, prior: 2 };
	for (const text of notedOf(topic, findings)) yield { text, prior: 2 };
	for (const text of linkedOf(topic, findings)) yield { text, prior: 2.4 };
	const about = contentStemsOf(phrase ?? '');
	// "Lay the footings", "Race day": the plain name of the thing
	for (const text of shortOf(topic, keyword)) {
		const words = countWords(text);
		const isNamed = about.some((stem) => contentStemsOf(text).includes(stem));
		yield {
			text,
			prior:
				(isNamed ? 1.9 : 1.5) + (words > 1 ? 0.2 : 0) + (/ the | and |s$/i.test(text) ? 0.2 : 0)
		};
	}
	if (!subject || !phrase) return;
	const company = companyOf(subject, topic, findings);
	if (company[0]) yield { text: `${phrase} and ${company[0]}`, prior: 1.9 };
	if (company[0] && company[1])
		yield { text: `${phrase}, ${company[0]} and ${company[1]}`, prior: 1.7 };
	yield { text: phrase, prior: isOneThing(phrase) ? 0.8 : 1.5 };
	if (countWords(phrase) > 1) yield { text: withThe(phrase), prior: 0.9 };
}

/** How the headings of a topic write a term: "zips" and not "zip" where they say so. */
function surfaceOf(term: Term, { headings }: Topic): string {
	const words = term.key.split(' ').length;
	const found = new Map<string, number>();
	for (const { text } of headings) {
		const keys = keysOf(text);
		for (let i = 0; i + words <= keys.length; i++) {
			const run = keys.slice(i, i + words);
			if (run.map(({ key }) => key).join(' ') !== term.key) continue;
			const said = text.slice(run[0]!.start, run.at(-1)!.end);
			const plain = /\p{Lu}.*\p{Lu}|\d/u.test(said) ? said : said.toLowerCase();
			found.set(plain, (found.get(plain) ?? 0) + 1);
		}
	}
	// of two that are as frequent the plural says more
	const [best] = [...found].sort(
		(a, b) => b[1] - a[1] || b[0].length - a[0].length || (a[0] < b[0] ? -1 : 1)
	);
	return best && best[0] !== '' ? best[0] : term.phrase;
}

/** Words that leave open what is meant, or speak as somebody. */
const NO_NAME =
	/[?,!]|\b(?:i|my|me|we|our|us|you|your|it|its|they|he|she|his|her|what|here|this|these|that|not|other|more|why|how)\b/i;

/** "Three home tests" names home tests; "four weeks before" needs its number. */
const LEADING =
	/^(?:the|a|an|(?:\d+|two|three|four|five|six|seven|eight|nine|ten) (?!(?:weeks?|days?|months?|hours?|years?|minutes?)\b))\s+/i;
const HOW_MUCH = /^how (?:many|much|long|often|far|big)\b[^,]*$/i;
const BEGINS_COUNTING =
	/^(?:\d|two|three|four|five|six|seven|eight|nine|ten)\b(?!.*\b(?:weeks?|days?|months?|hours?|years?)\b)/i;
const ENDS_OPEN = /\b(?:in|on|of|for|to|with|at|by|from|the|a|an|and|or|like|out|up|off)$/i;

/** What stands between the names of a list. */
const LINK = /^(?:,| and| or|, and|, or| of| of the) ?(?:the |a |an )?$/;

/** Terms that headings name one after the other: "zips, hoods and baffles". */
function linkedOf({ headings }: Topic, { terms, keyword }: Findings): string[] {
	const index = indexTerms(terms);
	const common = keywordStemsOf(keyword);
	return headings.flatMap(({ text }) => {
		const found = findTerms(index, text).filter(({ term }) => terms[term]!.kind !== 'action');
		const spans = found.filter(
			(one) =>
				!found.some((other) => other !== one && other.start <= one.start && one.end <= other.end)
		);
		let best: string | null = null;
		for (let from = 0; from < spans.length; from++) {
			let to = from;
			while (to + 1 < spans.length && LINK.test(text.slice(spans[to]!.end, spans[to + 1]!.start)))
				to++;
			if (to === from) continue;
			const said = text.slice(spans[from]!.start, spans[to]!.end);
			if (!best || said.length > best.length) best = said;
			from = to;
		}
		if (best === null || contentStemsOf(best).every((stem) => common.has(stem))) return [];
		const plain = /\p{Lu}{2}/u.test(best) ? best : best.toLowerCase();
		const parts = plain.split(/,? (?:and|or) |, /);
		return [/ or /.test(plain) ? orList(parts) : / of /.test(plain) ? plain : andList(parts)];
	});
}

/** Headings of pages of three words at the most that name a thing. */
function shortOf({ headings }: Topic, keyword: string): string[] {
	const common = keywordStemsOf(keyword);
	const parts = headings.flatMap(({ text }) => {
		const cut = text.split(/[:,–—]\s+/);
		// a word cut out of a heading may be anything; two of them name something
		return [text, ...(cut.length > 1 ? cut.filter((part) => countWords(part) > 1) : [])];
	});
	return (
		parts
			.map((text) => text.replace(/[.!]+$/, '').trim())
			.filter((text) => !text.includes(':'))
			.map((text) => (countWords(text) > 3 ? text.replace(LEADING, '') : text))
			.filter((text) => countWords(text) >= 1 && countWords(text) <= 3)
			.filter((text) => HOW_MUCH.test(text) || !NO_NAME.test(text))
			.filter((text) => !/^(?:don['’]t|do|does|is|are|when|where|which|who)\b/i.test(text))
			// "7 signs", "First week in"
			.filter((text) => !BEGINS_COUNTING.test(text) && !ENDS_OPEN.test(text))
			.filter((text) => contentStemsOf(text).some((stem) => !common.has(stem)))
			.map((text) => (/\p{Lu}{2}/u.test(text) ? text : text[0]!.toLowerCase() + text.slice(1)))
			.sort((a, b) => countWords(b) - countWords(a) || (a < b ? -1 : 1))
	);
}

/** Part of a question that the topic must treat for it to stand over its section. */
const ASKS_IT = 0.95;

/** Asked in a conversation and not by a reader. */
const SPOKEN = /,|^(?:and|but|so|or|ok(?:ay)?|well|also)\b|\b(?:he|she|him|her)\b/i;

/** Questions of lists that ask just what a topic treats. */
function askedOf(topic: Topic, findings: Findings): string[] {
	const fitOf = fitIn(findings);
	const place = { headings: topic.headings.map(({ text }) => text), intent: topic.intent };
	return findings.questions
		.filter(
			({ lists, text }) =>
				lists.length > 0 && countWords(text) >= 4 && countWords(text) <= 10 && !SPOKEN.test(text)
		)
		.map((question) => ({ text: question.text, fit: fitOf(question, place) }))
		.filter(({ fit }) => fit >= ASKS_IT)
		.sort((a, b) => b.fit - a.fit)
		.slice(0, 2)
		.map(({ text }) => text);
}

const fitIn = perFindings((findings) => questionFit(findings));

/** Headings of the notes, as they can stand over a section. */
const noteHeadingsIn = perFindings(({ notePassages }): readonly string[] => [
	...new Set(
		notePassages
			.map(({ heading }) => heading.replace(/[.:!–—-]+$/, '').trim())
			.filter(
				(heading) =>
					countWords(heading) >= 1 &&
					countWords(heading) <= 6 &&
					/^[\p{L}\d'’ ,?-]+$/u.test(heading) &&
					!/\b(?:i|me|my|he|she|his|her|they|call|notes?|article|email|todo|interview|q|a|other|misc|general(?:ly)?|stuff)\b/i.test(
						heading
					)
			)
	)
]);

/** Headings of the notes on what a topic treats. */
function notedOf(topic: Topic, findings: Findings): string[] {
	const common = keywordStemsOf(findings.keyword);
	const stems = new Set(topic.headings.flatMap(({ text }) => contentStemsOf(text)));
	return noteHeadingsIn(findings).filter((heading) => {
		const own = contentStemsOf(heading).filter((stem) => !common.has(stem));
		return own.length > 0 && own.every((stem) => stems.has(stem));
	});
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
	const votes = new Map<string, Deed & { count: number }>();
	for (const { verb, object, behind = '' } of found) {
		// "the wall's footings" and "the footings" are one thing: the strongest term names it
		const isIt = about.length > 0 && about.every((stem) => contentStemsOf(object).includes(stem));
		const plain = isIt ? phrase! : object;
		const key = `${verb} ${plainOf(plain)}${behind}`;
		const entry = votes.get(key) ?? { verb, object: plain, behind, count: 0 };
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
