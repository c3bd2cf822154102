import type { Findings } from '../findings';
import type { Plan, SectionKind } from '../plan';
import type { BlockMeasure } from './measure';
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
 * Slips of all planned sections against a measured manuscript. A section reaches from its
 * heading to the next heading the plan knows. A term is crowded in the section that uses it
 * most when the whole article has it more often than its range allows.
 *
 * @param answered ids of questions the manuscript answers
 */
export function slipsOf(
	plan: Plan,
	findings: Findings,
	blocks: readonly BlockMeasure[],
	uses: ArrayLike<number>,
	answered: ReadonlySet<string>
): Slip[] {
	const rank = new Map(findings.terms.map((term, t) => [term.key, t]));
	const ranges = rangesOf(plan, blocks);
	const countIn = (range: Range, term: number) => {
		let count = 0;
		for (let i = range.from; i < range.to; i++) count += blocks[i]!.counts.all.get(term) ?? 0;
		return count;
	};
	const found = plan.sections.map((section) => ranges.get(section.id) ?? null);
	return plan.sections.map((section, s): Slip => {
		const range = found[s] ?? null;
		const terms = section.terms.flatMap(({ term: key, uses: wanted }): SlipTerm[] => {
			const t = rank.get(key);
			if (t === undefined) return [];
			const term = findings.terms[t]!;
			const here = range ? countIn(range, t) : 0;
			const total = uses[t] ?? 0;
			const over = total - term.max;
			const isWorst =
				over > 0 && here > 0 && found.every((other) => !other || countIn(other, t) <= here);
			// the rest of the article may use it too; only what is over the whole range is too many here
			const most = isWorst ? Math.max(wanted, here - over) : Math.max(here, wanted);
			return [
				{
					key,
					phrase: term.phrase,
					state: termStateOf(here, wanted, most),
					deed: deedFor(here, wanted, most),
					uses: here,
					wanted
				}
			];
		});
		let words = 0;
		let gaps = 0;
		if (range) {
			for (let i = range.from + 1; i < range.to; i++) {
				words += blocks[i]!.words;
				if (blocks[i]!.kind === 'gap') gaps++;
			}
		}
		return {
			section: section.id,
			heading: range
				? blocks[range.from]!.text
				: section.level === 1
					? plan.title
					: section.heading,
			kind: section.kind,
			budget: section.budget,
			words,
			terms: [
				...terms.filter(({ state }) => state !== 'placed'),
				...terms.filter(({ state }) => state === 'placed')
			],
			questions: section.questions.flatMap(({ question }) => {
				const asked = findings.questions.find(({ id }) => id === question);
				return asked
					? [{ id: question, text: asked.text, isAnswered: answered.has(question) }]
					: [];
			}),
			facts: section.facts.flatMap(({ fact }) => {
				const known = findings.facts.find(({ id }) => id === fact);
				return known ? [{ id: fact, text: known.text }] : [];
			}),
			gaps,
			at: range?.from ?? -1
		};
	});
}

interface Range {
	readonly from: number;
	readonly to: number;
}

function rangesOf(plan: Plan, blocks: readonly BlockMeasure[]): Map<string, Range> {
	const known = new Set(plan.sections.map(({ id }) => id));
	const starts: { id: string; at: number }[] = [];
	const seen = new Set<string>();
	blocks.forEach(({ section, level }, at) => {
		if (section === null || level === 0 || !known.has(section) || seen.has(section)) return;
		seen.add(section);
		starts.push({ id: section, at });
	});
	return new Map(
		starts.map(({ id, at }, i) => [id, { from: at, to: starts[i + 1]?.at ?? blocks.length }])
	);
}

/** A manuscript of the plan's headings alone, to be written by hand. */
export function headingsOf(plan: Plan): { level: number; text: string; section: string }[] {
	return plan.sections.map(({ id, level, heading }) => ({
		level,
		text: level === 1 ? plan.title : heading,
		section: id
	}));
}
