import { purposesOf, type Fact, type FactGroup, type Findings } from '../findings';
import { contentStemsOf } from '../text';
import { PLAN_LIMITS } from './limits';
import type { FactPlacement, NotePlacement, PlanSection } from './outline';
import { topicsOf } from './section-topics';

/** Likeness below which a fact supports no section. */
const FACT_AT = 1.4;
/** Words of the keyword and of every page say little; a passage needs this much else in common. */
const NOTE_AT = 2;
/** What a word of the keyword counts among the terms that a passage and a section share. */
const EVERYWHERE = 0.3;

/** Facts and notes go to the sections they support; what the writer's own notes say comes first. */
export function placeMaterial(sections: readonly PlanSection[], findings: Findings): PlanSection[] {
	const readings = sections.map((section) => readingOf(section, findings));
	const facts = bestPlaces(
		findings.facts.map((fact) => ({
			item: fact,
			id: fact.id,
			values: sections.map((section, s) => (isOpen(section) ? factValue(fact, readings[s]!) : 0))
		})),
		FACT_AT
	);
	const notes = bestPlaces(
		findings.notePassages.map((passage) => ({
			item: passage,
			id: passage.id,
			values: sections.map((section, s) => {
				if (!isOpen(section)) return 0;
				const { held, shared } = inCommon(passage, readings[s]!);
				return held + 0.8 * Math.min(4, shared) + headed(passage.heading, readings[s]!);
			})
		})),
		NOTE_AT
	);
	return sections.map((section, s) =>
		section.locked
			? section
			: {
					...section,
					facts: facts
						.filter(({ at }) => at === s)
						.slice(0, PLAN_LIMITS.factsPerSection)
						.map(({ item }): FactPlacement => ({
							fact: item.id,
							reason: `${item.origin === 'note' ? 'Your notes say it' : 'A page says it'}, and it speaks of what stands here.`
						})),
					notes: notes
						.filter(({ at }) => at === s)
						.slice(0, PLAN_LIMITS.notesPerSection)
						.map(({ item }): NotePlacement => ({
							note: item.id,
							reason: 'It speaks of what stands here.'
						}))
				}
	);
}

interface Reading {
	readonly wanted: ReadonlySet<string>;
	/** Stems of the heading and of the headings pages have for it, less the keyword's. */
	readonly stems: ReadonlySet<string>;
	readonly intent: PlanSection['intent'];
	/** Terms that are words of the keyword; they stand everywhere and say little. */
	readonly everywhere: (term: string) => boolean;
}

function readingOf(section: PlanSection, findings: Findings): Reading {
	const common = new Set(contentStemsOf(findings.keyword));
	const texts = [
		section.heading,
		...topicsOf(section, findings).flatMap(({ headings }) => headings.map(({ text }) => text))
	];
	return {
		wanted: new Set(section.terms.map(({ term }) => term)),
		stems: new Set(texts.flatMap(contentStemsOf).filter((stem) => !common.has(stem))),
		intent: section.intent,
		everywhere: (term) => contentStemsOf(term).every((stem) => common.has(stem))
	};
}

/** Placed terms that a passage holds, and words it shares with the section's headings. */
function inCommon(
	{ terms, heading, text }: Pick<Fact, 'terms' | 'heading' | 'text'>,
	{ wanted, stems, everywhere }: Reading
): { held: number; shared: number } {
	const said = new Set(contentStemsOf(`${heading} ${text}`));
	return {
		held: terms
			.filter((term) => wanted.has(term))
			.reduce((sum, term) => sum + (everywhere(term) ? EVERYWHERE : 1), 0),
		shared: [...said].filter((stem) => stems.has(stem)).length
	};
}

/** What it is worth that the heading a passage stands under is about what the section is about. */
function headed(heading: string, { stems, intent }: Reading): number {
	const own = contentStemsOf(heading);
	const named = own.filter((stem) => stems.has(stem)).length / Math.max(1, own.length);
	const isOfPurpose = intent !== 'plain' && purposesOf(heading).some((one) => one === intent);
	return 1.5 * named + (isOfPurpose ? 1.2 : 0);
}

function isOpen({ locked, kind }: PlanSection): boolean {
	return !locked && kind !== 'closing' && kind !== 'faq';
}

function factValue(fact: Fact, reading: Reading): number {
	const { held, shared } = inCommon(fact, reading);
	return (
		held +
		0.6 * Math.min(3, shared) +
		0.5 * headed(fact.heading, reading) +
		(fact.origin === 'note' ? 0.5 : 0)
	);
}

interface Weighed<T> {
	readonly item: T;
	readonly id: string;
	/** Value in each section. */
	readonly values: readonly number[];
}

/** Each item in the section where it is worth most, the most valuable first. */
function bestPlaces<T>(
	items: readonly Weighed<T>[],
	least: number
): { readonly item: T; readonly at: number }[] {
	return items
		.flatMap(({ item, id, values }) => {
			const most = Math.max(0, ...values);
			return most > least ? [{ item, id, at: values.indexOf(most), most }] : [];
		})
		.sort((a, b) => b.most - a.most || (a.id < b.id ? -1 : 1));
}

/** A figure of a section on which its sources differ. */
export interface Conflict {
	/** Facts placed in the section that state it. */
	readonly facts: readonly string[];
	readonly figure: FactGroup;
}

/** Where the facts of a section disagree with other sources, or with one another. */
export function conflictsIn(section: PlanSection, findings: Findings): Conflict[] {
	const here = new Set(section.facts.map(({ fact }) => fact));
	return findings.figures.flatMap((figure) => {
		if (figure.agreement !== 'differs') return [];
		const facts = [...new Set(figure.values.map(({ fact }) => fact))].filter((id) => here.has(id));
		return facts.length > 0 ? [{ facts, figure }] : [];
	});
}
