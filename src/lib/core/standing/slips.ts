import type { Findings } from '../findings';
import { plannedCuts, type SectionCut } from '../manuscript';
import type { ArticleReading, BlockReading } from '../measure';
import type { SectionKind } from '../brief';
import { headingOf, type Plan, type PlanSection } from '../plan';
import { deedFor, termStateOf, type TermState } from './term-state';

/** One line of a slip: a term, and what there is to do about it. */
export interface SlipTerm {
	readonly key: string;
	readonly phrase: string;
	readonly state: TermState;
	/** "wants 2", "1 more", "2 too many", or empty. */
	readonly deed: string;
	readonly uses: number;
	readonly wanted: number;
}

/** The note in the margin beside a section: what it is to hold, and what is still open. */
export interface Slip {
	readonly section: string;
	readonly heading: string;
	readonly kind: SectionKind;
	readonly budget: number;
	/** Words under its heading, sub-headings without a plan of their own included. */
	readonly words: number;
	/** Open terms first, in the plan's order; placed ones after. */
	readonly terms: readonly SlipTerm[];
	readonly questions: readonly {
		readonly id: string;
		readonly text: string;
		readonly isAnswered: boolean;
	}[];
	readonly facts: readonly { readonly id: string; readonly text: string }[];
	/** Gaps the text still shows. */
	readonly gaps: number;
	/** Position of its heading among the blocks, or −1 when the manuscript lacks it. */
	readonly at: number;
}

/**
 * Slips of all planned sections against a manuscript as it reads. A section reaches from its
 * heading to the next heading the plan knows. A term is crowded in the section that uses it
 * most when the whole article has it more often than its range allows.
 *
 * @param answered ids of questions the manuscript answers
 */
export function slipsOf(
	plan: Plan,
	findings: Findings,
	{ blocks, uses }: ArticleReading,
	answered: ReadonlySet<string>
): Slip[] {
	const ranges = plannedCuts(blocks, new Set(plan.sections.map(({ id }) => id)));
	const wanted = new TermsOfSections(plan, findings, blocks, uses, ranges);
	const questions = new Map(findings.questions.map((question) => [question.id, question]));
	const facts = new Map(findings.facts.map((fact) => [fact.id, fact]));
	return plan.sections.map((section): Slip => {
		const range = ranges.get(section.id);
		const inside = range ? blocks.slice(range.from + 1, range.to) : [];
		const terms = wanted.of(section);
		return {
			section: section.id,
			heading: range ? blocks[range.from]!.text : headingOf(plan, section),
			kind: section.kind,
			budget: section.budget,
			words: inside.reduce((sum, { words }) => sum + words, 0),
			terms: [
				...terms.filter(({ state }) => state !== 'placed'),
				...terms.filter(({ state }) => state === 'placed')
			],
			questions: section.questions.flatMap(({ question }) => {
				const asked = questions.get(question);
				return asked
					? [{ id: question, text: asked.text, isAnswered: answered.has(question) }]
					: [];
			}),
			facts: section.facts.flatMap(({ fact }) => {
				const known = facts.get(fact);
				return known ? [{ id: fact, text: known.text }] : [];
			}),
			gaps: inside.filter(({ kind }) => kind === 'gap').length,
			at: range?.from ?? -1
		};
	});
}

/** The terms that sections are to hold, with what there is to do about each. */
class TermsOfSections {
	readonly #positions: ReadonlyMap<string, number>;
	readonly #ranges: readonly SectionCut[];

	constructor(
		plan: Plan,
		readonly findings: Findings,
		readonly blocks: readonly BlockReading[],
		readonly uses: ArrayLike<number>,
		readonly rangeOf: ReadonlyMap<string, SectionCut>
	) {
		this.#positions = new Map(findings.terms.map((term, t) => [term.key, t]));
		this.#ranges = plan.sections.flatMap(({ id }) => rangeOf.get(id) ?? []);
	}

	of(section: PlanSection): SlipTerm[] {
		const range = this.rangeOf.get(section.id);
		return section.terms.flatMap(({ term: key, uses: wanted }): SlipTerm[] => {
			const t = this.#positions.get(key);
			if (t === undefined) return [];
			const { phrase, max } = this.findings.terms[t]!;
			const here = range ? this.#countIn(range, t) : 0;
			const over = (this.uses[t] ?? 0) - max;
			const isWorst =
				over > 0 && here > 0 && this.#ranges.every((other) => this.#countIn(other, t) <= here);
			// the rest of the article may use it too; only what is over the whole range is too many here
			const most = isWorst ? Math.max(wanted, here - over) : Math.max(here, wanted);
			const state = termStateOf(here, wanted, most);
			return [{ key, phrase, state, deed: deedFor(here, wanted, most), uses: here, wanted }];
		});
	}

	#countIn({ from, to }: SectionCut, term: number): number {
		let count = 0;
		for (let i = from; i < to; i++) count += this.blocks[i]!.counts.all.get(term) ?? 0;
		return count;
	}
}
