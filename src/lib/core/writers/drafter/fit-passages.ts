import { matterFit, type Findings, type Term } from '../../findings';
import { neighboursOf, withNeighbours, type PlanSection } from '../../plan';
import { contentStemsOf, findTerms, type TermIndex, keywordStemsOf } from '../../text';
import type { Passage } from './note-material';

export interface Fitted {
	readonly passage: Passage;
	readonly fit: number;
	readonly terms: ReadonlySet<string>;
}

/** What it is worth that pages write of the same under the section's headings. */
const BY_TEXT = 16;

/** What it adds to the fit of a passage that the plan has placed in the section. */
const PLACED = 6;

export function fitAll(
	sections: readonly PlanSection[],
	passages: readonly Passage[],
	findings: Findings,
	{ index, placed }: { index: TermIndex; placed: ReadonlyMap<Passage, string> }
): Map<string, Fitted[]> {
	const topics = new Map(findings.topics.map((topic) => [topic.id, topic]));
	const common = keywordStemsOf(findings.keyword);
	const spread = new Map<string, number>();
	for (const { stems } of passages)
		for (const stem of new Set(stems)) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	const rarity = (stem: string) =>
		common.has(stem) ? 0.2 : Math.log(1 + passages.length / (1 + (spread.get(stem) ?? 0))) / 2;
	const termsIn = passages.map(
		({ sentences }) =>
			new Set(findTerms(index, sentences.join(' ')).map(({ term }) => findings.terms[term]!.key))
	);
	const byKey = new Map(findings.terms.map((term) => [term.key, term]));
	// jottings say what they are about in company: what stands together in a note goes together
	const near = neighboursOf(
		passages,
		(one, other) => one.note === other.note && one.heading === other.heading,
		({ heading }) => (heading === '' ? NEAR_WITHOUT_HEADING : NEAR)
	);
	return new Map(
		sections.map((section) => {
			const own = new Set(contentStemsOf(section.heading).filter((stem) => !common.has(stem)));
			const around = new Set(
				section.topics
					.flatMap((id) => topics.get(id)?.headings ?? [])
					.flatMap(({ text }) => contentStemsOf(text))
			);
			const byText = matterFit(
				section.topics.flatMap((id) => topics.get(id) ?? []).map(({ matter }) => matter)
			);
			const wanted = new Map(section.terms.map((placement) => [placement.term, placement]));
			const fitted = passages.map((passage, p): Fitted => {
				let fit = 0;
				for (const key of termsIn[p]!) {
					const placement = wanted.get(key);
					if (placement) fit += placement.affinity * weightOf(byKey.get(key));
				}
				for (const stem of new Set(passage.stems)) {
					if (own.has(stem)) fit += 0.5 * rarity(stem);
					else if (around.has(stem)) fit += 0.2 * rarity(stem);
				}
				fit += BY_TEXT * byText(new Set([...passage.stems, ...passage.headingStems]));
				// the note's own heading says best what a passage is about
				const named = passage.headingStems.filter(
					(stem) => own.has(stem) || (around.has(stem) && !common.has(stem))
				).length;
				if (named > 0) fit += 1 + (1.5 * named) / passage.headingStems.length;
				if (section.kind === 'opening') fit = openingFit(passage, fit);
				if (placed.get(passage) === section.id) fit += PLACED;
				return { passage, fit, terms: termsIn[p]! };
			});
			const fits = withNeighbours(
				fitted.map(({ fit }) => fit),
				near
			);
			return [section.id, fitted.map((one, p) => ({ ...one, fit: fits[p]! }))];
		})
	);
}

/** Passages before and behind a passage that say along with it what it is about; without a heading fewer do. */
const NEAR = 3;
const NEAR_WITHOUT_HEADING = 2;

/** What is said where the plan wants it, by the passage: the section that has it as a note or as a fact. */
export function placedIn(
	sections: readonly PlanSection[],
	passages: readonly Passage[],
	findings: Findings
): Map<Passage, string> {
	const notes = new Map(findings.notePassages.map((note) => [note.id, note]));
	const facts = new Map(findings.facts.map((fact) => [fact.id, fact]));
	const found = new Map<Passage, string>();
	for (const section of sections) {
		const wanted = [
			...section.notes.flatMap(({ note }) => notes.get(note) ?? []),
			...section.facts.flatMap(({ fact }) => facts.get(fact) ?? [])
		];
		for (const { source, text } of wanted) {
			const plain = spaced(text);
			for (const passage of passages) {
				if (passage.note !== source || found.has(passage)) continue;
				// a note is a paragraph with several passages, a fact one sentence of a passage
				const raw = spaced(passage.raw);
				const isPart = plain.includes(raw) || raw.includes(plain);
				if (isPart) found.set(passage, section.id);
			}
		}
	}
	return found;
}

function spaced(text: string): string {
	return text.replace(/\s+/g, ' ').trim();
}

/** The section each passage fits best; in the first round no other may take it. */
export function homesOf(
	sections: readonly PlanSection[],
	fits: ReadonlyMap<string, readonly Fitted[]>
): Map<Passage, string> {
	const best = new Map<Passage, { section: string; fit: number }>();
	for (const { id, kind } of sections) {
		if (kind === 'faq') continue;
		for (const { passage, fit } of fits.get(id) ?? []) {
			if (fit > (best.get(passage)?.fit ?? 0)) best.set(passage, { section: id, fit });
		}
	}
	return new Map([...best].map(([passage, { section }]) => [passage, section]));
}

function weightOf(term: Term | undefined): number {
	return term?.weight === 'must' ? 1 : term?.weight === 'should' ? 0.8 : 0.6;
}

/** An opening says what the thing is: early passages that define, never prices or single days. */
function openingFit(passage: Passage, fit: number): number {
	if (passage.voice.kind === 'visit') return 0;
	const defines =
		/\b(?:is|are|means)\b/.test(passage.sentences[0]!) &&
		/^(?:a|an|the)\s/i.test(passage.sentences[0]!);
	const isAboutIt = /\b(?:what|about|introduction|overview)\b/i.test(passage.heading);
	return fit * 0.5 + (defines && isAboutIt ? 4 : isAboutIt ? 2.2 : 0);
}
