import { leastPagesOf, matterFit, questionFit, type Findings, type Topic } from '../../findings';
import { purposesBeside, purposesOf, type Purpose } from '../../reading';
import { contentStemsOf, keywordStemsOf } from '../../text';

/** What the writer's notes say under one of their headings. */
export interface NoteBundle {
	/** Note it stands in. */
	readonly source: string;
	readonly heading: string;
	readonly words: number;
}

/** What one section of an article can be about: topics of the pages, and what the notes say. */
export interface Matter {
	/** The topic that it is named after first; none for what only the notes speak of. */
	readonly topics: readonly Topic[];
	/** How many of the topics behind the first mean the same; the rest is treated along with them. */
	readonly same: number;
	/** What the notes say under headings that no page has. */
	readonly bundle: NoteBundle | null;
	/** Where readers look for it, 0–1. */
	readonly position: number;
}

/** Weights of what two topics share, summed and put through a logistic. */
const WEIGHTS = {
	words: 1.6,
	text: 9,
	purpose: 1.8,
	clash: -0.7,
	inside: 1.2,
	apart: -2,
	none: -3
} as const;

/** Likeness from which a topic is no section beside another, but a part of it. */
const SAME_MATTER = 0.28;

/** Likeness from which what is no section of its own is treated in the likest one. */
const TREATED_AT = 0.13;

/** What the notes and the questions are worth beside a heading that all pages have. */
const BY_NOTES = 0.9;
const BY_QUESTIONS = 0.25;
const BY_STAGES = 0.12;

/** Words of notes that give a section as much as it can use. */
const FULL_OF_NOTES = 110;

/** Words that notes must hold under a heading of their own for a section that no page has. */
const LEAST_OWN = 60;

/** Fit under which a passage of the notes speaks of no topic. */
const SPEAKS_AT = 0.12;

/** What could become a section. */
interface Candidate {
	/** For the same order of equals. */
	readonly name: string;
	readonly reading: TopicReading | null;
	readonly bundle: NoteBundle | null;
	/** Of one page alone, and hardly spoken of: only where there is room left. */
	readonly isSpare: boolean;
	readonly value: number;
}

/** A topic with what tells it from others. */
interface TopicReading {
	readonly topic: Topic;
	readonly stems: ReadonlyMap<string, number>;
	readonly norm: number;
	readonly purposes: ReadonlySet<Purpose>;
	/** Stems of its headings that tell a purpose. */
	readonly tells: ReadonlySet<string>;
	readonly words: ReadonlyMap<string, number>;
	readonly fitOf: (stems: ReadonlySet<string>) => number;
	/** Numbers and turns in its headings: "4 weeks", "the first month". */
	readonly stages: ReadonlySet<string>;
}

const STAGES =
	/\b(?:\d+|one|two|three|four|five|six|seven|eight|nine|ten|twelve|first|second|third|last|before|after|spring|summer|autumn|fall|winter)\b/gi;
const NUMBERS = new Map(
	'one two three four five six seven eight nine ten'.split(' ').map((word, i) => [word, `${i + 1}`])
);

/** What tells the stages of one course from another: weeks, steps and seasons are counted, not the same. */
function stagesIn(text: string): string[] {
	return (text.toLowerCase().match(STAGES) ?? []).map((word) => NUMBERS.get(word) ?? word);
}

/** What decides which matters an article treats. */
interface MatterChoice {
	readonly most: number;
	/** Share of the pages that must have it, whatever the notes say; 0 leaves that to the notes. */
	readonly leastShare: number;
	readonly worth: (topic: Topic) => number;
	/** Whether a section can be named after it; else it is treated in another. */
	readonly canLead: (topic: Topic) => boolean;
}

/** A candidate that becomes a section, with the topics that mean the same and those treated along with it. */
interface Chosen {
	readonly candidate: Candidate;
	readonly same: Topic[];
	readonly treated: Topic[];
}

/**
 * What an article of so many sections treats, in the order of the pages: what is worth most by how many
 * pages have a heading for it, what the notes say of it and how many ask. Topics that are much alike
 * are one matter, and what finds no room is treated in the likest one.
 */
export function mattersOf(findings: Findings, choice: MatterChoice): Matter[] {
	const readings = readTopics(findings);
	const chosen = chooseCandidates(candidatesOf(findings, readings, choice), choice);
	const taken = new Set(
		chosen.flatMap(({ candidate, same }) => [
			candidate.reading?.topic.id,
			...same.map(({ id }) => id)
		])
	);
	for (const reading of readings) {
		if (taken.has(reading.topic.id)) continue;
		const { best, likeness } = nearestTo(reading, chosen);
		if (best && likeness >= TREATED_AT) best.treated.push(reading.topic);
	}
	const asking = askingPagesOf(findings);
	return chosen.map((one) => matterOf(one, asking)).sort((a, b) => a.position - b.position);
}

/** Topics that pages, notes or questions speak of enough, and bundles of the notes, the worthiest first. */
function candidatesOf(
	findings: Findings,
	readings: readonly TopicReading[],
	{ leastShare, worth }: MatterChoice
): Candidate[] {
	const pageCount = Math.max(1, findings.pages.length);
	const { of: spoken, own } = spokenOf(findings, readings);
	const askedOf = askedBy(findings);
	const candidates: Candidate[] = [];
	for (const reading of readings) {
		const { topic } = reading;
		const noteWords = spoken.get(topic.id) ?? 0;
		const asked = askedOf(topic);
		const share = topic.pages.length / pageCount;
		const few = topic.pages.length < leastPagesOf(pageCount, leastShare);
		const isSpare = few && noteWords < LEAST_FED && asked === 0;
		if (few && leastShare > 0) continue;
		if (isSpare && noteWords < LEAST_HEARD && topic.words < LEAST_TREATED) continue;
		const course = readings.filter((other) => areStages(reading, other)).length;
		const value =
			(share * Math.min(1.2, Math.log(20 + topic.words) / LONG) +
				BY_NOTES * Math.min(1, noteWords / FULL_OF_NOTES) +
				BY_QUESTIONS * Math.min(2, asked) +
				// of a course told in stages none is left out
				BY_STAGES * Math.min(3, course)) *
			worth(topic);
		candidates.push({ name: topic.id, reading, bundle: null, value, isSpare });
	}
	for (const bundle of leastShare > 0 ? [] : own)
		candidates.push({
			name: `${bundle.source}/${bundle.heading}`,
			reading: null,
			bundle,
			isSpare: false,
			value: BY_NOTES * Math.min(1, bundle.words / FULL_OF_NOTES)
		});
	return candidates.sort(
		(a, b) =>
			Number(a.isSpare) - Number(b.isSpare) || b.value - a.value || (a.name < b.name ? -1 : 1)
	);
}

/** As many as there is room for; a topic much like one that is chosen is the same matter. */
function chooseCandidates(
	candidates: readonly Candidate[],
	{ most, canLead }: MatterChoice
): Chosen[] {
	const chosen: Chosen[] = [];
	for (const candidate of candidates) {
		const { reading } = candidate;
		if (reading) {
			const { best, likeness } = nearestTo(reading, chosen);
			if (best && likeness >= SAME_MATTER) {
				if (!candidate.isSpare) best.same.push(reading.topic);
				continue;
			}
		}
		if (chosen.length < most && (!reading || canLead(reading.topic)))
			chosen.push({ candidate, same: [], treated: [] });
	}
	return chosen;
}

function nearestTo(reading: TopicReading, chosen: readonly Chosen[]) {
	let best: Chosen | null = null;
	let likeness = 0;
	for (const other of chosen) {
		if (!other.candidate.reading) continue;
		const value = likenessOf(reading, other.candidate.reading);
		if (value > likeness) [likeness, best] = [value, other];
	}
	return { best, likeness };
}

/** Headings of a page, and the share of them that ask, from which it is a list of questions. */
const LEAST_ASKED = 4;
const MOSTLY = 0.6;

/** Pages that answer one question after another: their order is no course of an article. */
function askingPagesOf({ topics }: Findings): ReadonlySet<string> {
	const counts = new Map<string, { all: number; asked: number }>();
	for (const { page, text } of topics.flatMap(({ headings }) => headings)) {
		const { all, asked } = counts.get(page) ?? { all: 0, asked: 0 };
		counts.set(page, { all: all + 1, asked: asked + (text.trim().endsWith('?') ? 1 : 0) });
	}
	return new Set(
		[...counts]
			.filter(([, { all, asked }]) => all >= LEAST_ASKED && asked >= MOSTLY * all)
			.map(([page]) => page)
	);
}

function matterOf(
	{ candidate: { reading, bundle }, same, treated }: Chosen,
	asking: ReadonlySet<string>
): Matter {
	const named = [...(reading ? [reading.topic] : []), ...same];
	return {
		// named after what most pages treat
		topics: [...named.toSorted((a, b) => b.pages.length - a.pages.length), ...treated],
		same: same.length,
		bundle,
		position: placeOf(named, treated, asking)
	};
}

/** Where in an article a purpose is looked for: what it is and why first, what it costs and upkeep last. */
const USUAL_PLACE: Partial<Record<Topic['intent'], number>> = {
	definition: 0.03,
	reasons: 0.08,
	mistakes: 0.86,
	time: 0.88,
	cost: 0.9,
	care: 0.93
};
const BY_USUAL = 0.4;

/** Where readers look for a matter: where pages have it, drawn towards the usual place of its purpose. */
function placeOf(
	named: readonly Topic[],
	treated: readonly Topic[],
	asking: ReadonlySet<string>
): number {
	let sum = 0;
	let weight = 0;
	const add = (topics: readonly Topic[], worth: number) => {
		for (const { headings } of topics)
			for (const { page, position } of headings) {
				const isOfCourse = !asking.has(page);
				sum += isOfCourse
					? worth * position
					: BY_ASKING * worth * (PULL * OWN_AT + (1 - PULL) * position);
				weight += isOfCourse ? worth : BY_ASKING * worth;
			}
	};
	add(named, 1);
	add(treated, 0.3);
	const usual = USUAL_PLACE[named[0]?.intent ?? 'plain'];
	if (weight === 0) return OWN_AT;
	return usual === undefined ? sum / weight : (1 - BY_USUAL) * (sum / weight) + BY_USUAL * usual;
}

/** What a place among mere questions says of a place in an article, and how far it is drawn to the usual one. */
const BY_ASKING = 0.3;
const PULL = 0.7;

/** Where what no page treats stands among what they do. */
export const OWN_AT = 0.6;

/** Words of notes from which a topic of one page can be a section. */
const LEAST_FED = 40;

/** Words of the notes, or under the heading of one page, from which it fills room that is left. */
const LEAST_HEARD = 15;
const LEAST_TREATED = 60;
const LONG = Math.log(150);

/** How likely two topics are one matter, 0–1. */
function likenessOf(a: TopicReading, b: TopicReading): number {
	if (areStages(a, b)) return 0;
	const both = a.purposes.size > 0 && b.purposes.size > 0;
	const purpose = both && [...a.purposes].some((one) => b.purposes.has(one)) ? 1 : 0;
	let shared = 0;
	for (const [stem, weight] of a.stems)
		// "Choosing a coop" and "Choosing a breed" share what they are for, which counts by itself
		if (purpose === 0 || !a.tells.has(stem)) shared += weight * (b.stems.get(stem) ?? 0);
	const words = a.norm > 0 && b.norm > 0 ? shared / (a.norm * b.norm) : 0;
	let text = 0;
	for (const [stem, weight] of a.words) text += weight * (b.words.get(stem) ?? 0);
	const clash = both && purpose === 0 ? 1 : 0;
	const inside = a.topic.parent === b.topic.id || b.topic.parent === a.topic.id ? 1 : 0;
	// whoever treats both under headings of their own holds them apart
	const pages = new Set(b.topic.pages);
	const onBoth = a.topic.pages.filter((page) => pages.has(page)).length;
	const apart =
		inside === 0 && onBoth > 0 ? onBoth / Math.min(a.topic.pages.length, pages.size) : 0;
	const sum =
		WEIGHTS.apart * apart +
		WEIGHTS.words * words +
		WEIGHTS.text * text +
		WEIGHTS.purpose * purpose +
		WEIGHTS.clash * clash +
		WEIGHTS.inside * inside +
		WEIGHTS.none;
	return 1 / (1 + Math.exp(-sum));
}

/** Whether two topics are different stages of one course: "Four weeks before", "The first week". */
function areStages(a: TopicReading, b: TopicReading): boolean {
	if (a.stages.size === 0 || b.stages.size === 0) return false;
	const isNamedAlike = [...a.stems.keys()].some((stem) => b.stems.has(stem));
	return isNamedAlike && [...a.stages].every((stage) => !b.stages.has(stage));
}

function readTopics({ keyword, topics }: Findings): TopicReading[] {
	const common = keywordStemsOf(keyword);
	const spread = new Map<string, number>();
	for (const { headings } of topics)
		for (const stem of new Set(headings.flatMap(({ text }) => contentStemsOf(text))))
			spread.set(stem, (spread.get(stem) ?? 0) + 1);
	return topics.map((topic): TopicReading => {
		const stems = new Map<string, number>();
		for (const { text } of topic.headings)
			for (const stem of contentStemsOf(text))
				if (!common.has(stem))
					stems.set(stem, Math.log(1 + topics.length / (spread.get(stem) ?? 1)));
		const votes = new Map<Purpose, number>();
		for (const { text } of topic.headings)
			for (const purpose of purposesBeside(text, common))
				votes.set(purpose, (votes.get(purpose) ?? 0) + 1);
		return {
			topic,
			stems,
			norm: Math.sqrt([...stems.values()].reduce((sum, weight) => sum + weight ** 2, 0)),
			purposes: new Set(
				[...votes].filter(([, n]) => n * 2 >= topic.headings.length).map(([purpose]) => purpose)
			),
			tells: new Set(
				topic.headings
					.flatMap(({ text }) => text.split(/\s+/))
					.filter((word) => purposesOf(word).length > 0)
					.flatMap((word) => contentStemsOf(word))
			),
			words: new Map(topic.matter),
			fitOf: matterFit([topic.matter]),
			stages: new Set(topic.headings.flatMap(({ text }) => stagesIn(text)))
		};
	});
}

/** Which topic each passage of the notes speaks of most, in words; and what they say of matters that no page has. */
function spokenOf(
	findings: Findings,
	readings: readonly TopicReading[]
): { of: Map<string, number>; own: NoteBundle[] } {
	const of = new Map<string, number>();
	const bundles = new Map<string, { bundle: NoteBundle; unheard: number }>();
	for (const passage of findings.notePassages) {
		const heading = new Set(contentStemsOf(passage.heading));
		const stems = new Set([...contentStemsOf(passage.text), ...heading]);
		const purposes = purposesOf(passage.heading).filter((purpose) => purpose !== 'steps');
		let best: TopicReading | null = null;
		let most = SPEAKS_AT;
		for (const reading of readings) {
			const named = [...heading].filter((stem) => reading.stems.has(stem)).length;
			const isOfPurpose = purposes.some((purpose) => reading.purposes.has(purpose));
			const fit =
				reading.fitOf(stems) +
				(named > 0 ? 0.1 + 0.15 * (named / heading.size) : 0) +
				(isOfPurpose ? 0.1 : 0);
			if (fit > most) [most, best] = [fit, reading];
		}
		if (best) of.set(best.topic.id, (of.get(best.topic.id) ?? 0) + passage.words);
		if (passage.heading === '') continue;
		const key = `${passage.source}\n${passage.heading}`;
		const entry = bundles.get(key);
		const unheard = best ? 0 : passage.words;
		bundles.set(key, {
			bundle: {
				source: passage.source,
				heading: passage.heading,
				words: (entry?.bundle.words ?? 0) + passage.words
			},
			unheard: (entry?.unheard ?? 0) + unheard
		});
	}
	return {
		of,
		own: [...bundles.values()]
			.filter(({ bundle, unheard }) => bundle.words >= LEAST_OWN && unheard * 2 > bundle.words)
			.filter(({ bundle }) => isName(bundle.heading, keywordStemsOf(findings.keyword)))
			.map(({ bundle }) => bundle)
	};
}

/** Whether a heading of a note names a matter, and not the note itself or who wrote it. */
function isName(heading: string, common: ReadonlySet<string>): boolean {
	const stems = contentStemsOf(heading);
	return (
		stems.some((stem) => !common.has(stem)) &&
		stems.length <= 5 &&
		/^[\p{L}\d'’ ,–-]+$/u.test(heading) &&
		!/\b(?:notes?|article|draft|call|phone|interview|e-?mail|memo|webinar|talk|transcript|misc|other|todo|intake|sheet|i|me|my|we|he|she|his|her|they)\b/i.test(
			heading
		)
	);
}

/** Part of a question that a topic must treat to be asked for. */
const ASKED_AT = 0.6;

function askedBy(findings: Findings): (topic: Topic) => number {
	const fitOf = questionFit(findings);
	return (topic) => {
		const place = { headings: topic.headings.map(({ text }) => text), intent: topic.intent };
		return findings.questions
			.slice(0, QUESTIONS_HEARD)
			.filter((question) => question.lists.length > 0 && fitOf(question, place) >= ASKED_AT).length;
	};
}

const QUESTIONS_HEARD = 30;
