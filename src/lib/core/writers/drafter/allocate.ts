import { closeWordsOf } from '../../measure';
import type { PlanSection } from '../../plan';
import { contentStemsOf, findTerms, indexTerms, patternOf, termKeyOf } from '../../text';
import { answeringPassages } from './answer-questions';
import { choose } from './choose-passages';
import type { DraftMaterial } from './draft-material';
import { canOpen, closers, openers } from './ends';
import { fitAll, homesOf, placedIn } from './fit-passages';
import { passagesOf, type Passage } from './note-material';

/** Which passages of the notes go where. */
export interface Allocation {
	/** The passage that answers a placed question, by the question's id. */
	readonly answers: ReadonlyMap<string, Passage>;
	/** Whether words of a note can be quoted: nothing forbidden is in them, and they do not stand in the manuscript already. */
	readonly mayQuote: (text: string) => boolean;
	/** Questions that the notes answer, be it in another section. */
	readonly answered: ReadonlySet<string>;
	/** The other passages of each section, by its id. */
	readonly chosen: ReadonlyMap<string, readonly Passage[]>;
	/** Passages that found no place, by the section that they fit best, the best first. */
	readonly unused: ReadonlyMap<string, readonly Passage[]>;
}

/**
 * Gives passages to the sections that are to be written; each is used once. Answers to placed
 * questions come first, wherever they stand, then each section's own best, then whatever fits.
 *
 * @param elsewhere text that stands in the manuscript already; passages in it are not used again
 */
export function allocate(
	material: DraftMaterial,
	wanted: readonly PlanSection[],
	elsewhere = ''
): Allocation {
	const { plan, findings } = material;
	const terms = indexTerms(findings.terms);
	const used = spaced(elsewhere);
	const isForbidden = forbiddenIn(material);
	const passages = usablePassages(material, isForbidden, used);
	const placed = placedIn(plan.sections, passages, findings);
	const fits = fitAll(plan.sections, passages, findings, { index: terms, placed });
	const homes = new Map([...homesOf(plan.sections, fits), ...placed]);
	const taken = new Set<Passage>();
	const answers = new Map<string, Passage>();
	const answered = new Set<string>();
	for (const { questions } of wanted) {
		for (const { question } of questions) {
			const asked = findings.questions.find(({ id }) => id === question);
			const found = asked ? answeringPassages(asked, passages) : [];
			const answer = found.find((passage) => !taken.has(passage));
			if (found.length > 0) answered.add(question);
			if (!answer) continue;
			answers.set(question, answer);
			taken.add(answer);
		}
	}
	const answering = new Set(
		findings.questions
			.filter(({ text }) => asksQuery(text, findings.keyword))
			.flatMap((question) => answeringPassages(question, passages).slice(0, 1))
	);
	const chosen = new Map<string, Passage[]>();
	// what opens and what closes is taken first, unless the writer has put it somewhere
	const held = placedIn(plan.sections.map(onlyLocked), passages, findings);
	for (const { id, kind } of wanted) {
		if (kind !== 'opening' && kind !== 'closing') continue;
		const free = passages.filter((passage) => !taken.has(passage) && !held.has(passage));
		const found = kind === 'opening' ? openers(free, findings.keyword, answering) : closers(free);
		chosen.set(id, found);
		for (const passage of found) taken.add(passage);
	}
	// what the plan has placed first, then what fits no other section better, then what fits at all
	for (const round of ['placed', 'own', 'any'] as const) {
		for (const section of wanted) {
			// an opening is what answers the query, and what the writer has put there
			if (section.kind === 'faq' || (section.kind === 'opening' && round !== 'placed')) continue;
			const mine = chosen.get(section.id) ?? [];
			chosen.set(section.id, mine);
			const used = mine.reduce((sum, { words }) => sum + words, 0);
			const answered = section.questions.reduce(
				(sum, { question }) => sum + (answers.get(question)?.words ?? 0),
				0
			);
			const candidates = fits
				.get(section.id)!
				.filter(({ passage }) => section.kind !== 'opening' || canOpen(passage))
				.filter(({ passage }) =>
					round === 'placed'
						? placed.get(passage) === section.id
						: round === 'any' || homes.get(passage) === section.id
				);
			choose(section, candidates, taken, mine, used + answered);
		}
	}
	const mayQuote = (text: string) => !isForbidden(text) && !used.includes(spaced(text));
	const unused = new Map(
		wanted.map(({ id }) => [
			id,
			fits
				.get(id)!
				.filter(({ passage, fit }) => !taken.has(passage) && fit > 0 && homes.get(passage) === id)
				.sort((a, b) => b.fit - a.fit)
				.map(({ passage }) => passage)
		])
	);
	return { answers, answered, mayQuote, chosen, unused };
}

/** Whether a question asks what the keyword asks, in the same way and for little else. */
function asksQuery(question: string, keyword: string): boolean {
	const way = ASKING.exec(keyword)?.[0].toLowerCase();
	if (way === undefined || ASKING.exec(question)?.[0].toLowerCase() !== way) return false;
	const own = new Set(contentStemsOf(keyword));
	const asked = new Set(contentStemsOf(question));
	const more = [...asked].filter((stem) => !own.has(stem)).length;
	return own.size > 0 && [...own].every((stem) => asked.has(stem)) && more <= 1;
}

/** The word that says what is asked for; "how long" asks for something else than "how". */
const ASKING =
	/^(?:how(?: (?:long|much|many|often|deep|high|wide|far|big|old|soon))?|when|where|why|what|which|who)\b/i;

/** Tells whether a text holds what must not be said. */
export function forbiddenIn({ mustNotSay = [] }: DraftMaterial): (text: string) => boolean {
	const forbidden = indexTerms(
		mustNotSay.filter((phrase) => termKeyOf(phrase) !== '').map(patternOf)
	);
	return (text) => findTerms(forbidden, text).length > 0;
}

/** A section with nothing but what the writer has put there by hand. */
function onlyLocked(section: PlanSection): PlanSection {
	return {
		...section,
		notes: section.notes.filter(({ locked }) => locked),
		facts: section.facts.filter(({ locked }) => locked)
	};
}

function spaced(text: string): string {
	return text.replace(/\s+/g, ' ');
}

/** Passages that stand in no page, hold nothing that must not be said and are not used already. */
function usablePassages(
	{ notes, runs }: DraftMaterial,
	isForbidden: (text: string) => boolean,
	used: string
): Passage[] {
	return passagesOf(notes).filter(({ sentences }) => {
		const text = sentences.join(' ');
		if (closeWordsOf(text, runs) > 0 || isForbidden(text)) return false;
		return used === '' || !sentences.some((sentence) => used.includes(tailOf(sentence)));
	});
}

/** The last words of a sentence: its start changes where a speaker or a place is named. */
function tailOf(sentence: string): string {
	return sentence.split(/\s+/).slice(-TAIL_WORDS).join(' ');
}

const TAIL_WORDS = 8;
