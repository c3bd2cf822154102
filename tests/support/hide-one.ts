import { assembleFindings, type Findings } from '../../src/lib/core/findings';
import { type PageWork } from '../../src/lib/core/reading';
import {
	fillGreedily,
	newSection,
	placementProblem,
	placeTerms,
	type PlacementProblem,
	type PlanSection
} from '../../src/lib/core/plan';
import { contentStemsOf } from '../../src/lib/core/text';

/** A page with its outline taken over, to be filled from what the other pages say. */
export interface HiddenPage {
	readonly id: string;
	readonly findings: Findings;
	readonly sections: readonly PlanSection[];
	/** Positions of the sections in which the author used a term, by its key. */
	readonly author: ReadonlyMap<string, ReadonlySet<number>>;
}

/** Shares of placed uses, 0–1, that land where the author used the term: on average over terms. */
export interface Landed {
	readonly placed: number;
	readonly greedy: number;
	readonly headings: number;
	/** Headings again, with no limit of room; a term that no heading shares a word with is left out. */
	readonly freely: number;
	readonly random: number;
	/** Terms of the others' evidence that the hidden page uses. */
	readonly terms: number;
}

/**
 * Hides each page in turn: its own outline, filled from the findings of the others. Terms that the
 * others' evidence does not have, or the hidden page does not use, are left out.
 */
export function hideEach(works: readonly PageWork[], keyword: string): HiddenPage[] {
	return works.flatMap((work) => {
		const others = works.filter((other) => other !== work);
		const findings = assembleFindings(others, [], {
			keyword,
			targetWords: work.words,
			asked: []
		});
		const { sections, of } = outlineOf(work);
		if (sections.length < 4) return [];
		// the same terms, counted on the hidden page
		const own = assembleFindings([work], [], {
			keyword,
			targetWords: work.words,
			asked: [],
			required: findings.terms.map(({ phrase }) => phrase)
		});
		const author = new Map<string, ReadonlySet<number>>();
		for (const { key, uses } of own.terms) {
			const on = new Set(
				uses.flatMap((use) => use.sections.flatMap(([section]) => of.get(section) ?? []))
			);
			if (on.size > 0 && findings.terms.some((term) => term.key === key)) author.set(key, on);
		}
		return [{ id: work.id, findings, sections, author }];
	});
}

/** How well the placement and its baselines find where the author used each term. */
function landedOf(page: HiddenPage): Landed {
	const { findings, sections, author } = page;
	const { terms } = findings;
	const posed = placementProblem(findings, sections);
	const place = placeTerms(findings, sections).sections;
	const withKept = (uses: readonly (readonly number[])[]) =>
		uses.map((row, t) =>
			row.map((n, s) => n + (posed.kept[s]!.some(({ term }) => term === terms[t]!.key) ? 1 : 0))
		);
	const share = (uses: readonly (readonly number[])[]) => {
		let sum = 0;
		let count = 0;
		terms.forEach((term, t) => {
			const on = author.get(term.key);
			// what comes inside longer terms has no places of its own
			if (!on || posed.wanted[t] === 0) return;
			count++;
			sum += shareOn(uses[t]!, on);
		});
		return { share: sum / Math.max(1, count), count };
	};
	const nothing = terms.map(() => sections.map(() => 0));
	const placed = share(
		terms.map(({ key }) =>
			place.map((section) => section.terms.find(({ term }) => term === key)?.uses ?? 0)
		)
	);
	const chance = (by: (random: () => number) => number[][]) =>
		ROUNDS.reduce((sum, seed) => sum + share(withKept(by(randomFrom(seed)))).share, 0) /
		ROUNDS.length;
	return {
		placed: placed.share,
		greedy: share(withKept(fillGreedily(posed.problem, nothing).uses)).share,
		headings: chance((random) => byHeadings(page, posed.problem, random)),
		freely: share(freelyByHeadings(page)).share,
		random: chance((random) =>
			fillInOrder(posed.problem, () => Math.floor(random() * sections.length))
		),
		terms: placed.count
	};
}

const ROUNDS = Array.from({ length: 20 }, (_, i) => i + 1);

/** Each term to the section whose heading shares most words with it, to any where none does. */
function byHeadings(
	{ findings, sections }: HiddenPage,
	problem: PlacementProblem,
	random: () => number
): number[][] {
	const stems = sections.map(({ heading }) => new Set(contentStemsOf(heading)));
	return fillInOrder(problem, (t, free) => {
		const said = contentStemsOf(findings.terms[t]!.phrase);
		const overlaps = stems.map((of, s) =>
			free[s]! > 0 ? said.filter((stem) => of.has(stem)).length : 0
		);
		const most = Math.max(...overlaps);
		return most > 0 ? overlaps.indexOf(most) : Math.floor(random() * sections.length);
	});
}

function freelyByHeadings({ findings, sections }: HiddenPage): number[][] {
	const stems = sections.map(({ heading }) => new Set(contentStemsOf(heading)));
	return findings.terms.map(({ phrase }) => {
		const said = contentStemsOf(phrase);
		const overlaps = stems.map((of) => said.filter((stem) => of.has(stem)).length);
		const most = Math.max(...overlaps);
		return overlaps.map((overlap, s) =>
			most > 0 && s === overlaps.indexOf(overlap) && overlap === most ? 1 : 0
		);
	});
}

/** Terms by strength, each wholly into one section, under the same room as the placement has. */
function fillInOrder(
	{ needs, room }: PlacementProblem,
	choose: (term: number, free: readonly number[]) => number
): number[][] {
	const free = [...room];
	return needs.map((need, t) => {
		const row = room.map(() => 0);
		if (need === 0 || free.every((n) => n <= 0)) return row;
		let section = choose(t, free);
		while (free[section]! <= 0) section = (section + 1) % free.length;
		row[section] = Math.min(need, free[section]!);
		free[section]! -= row[section]!;
		return row;
	});
}

/** Park and Miller's generator (1988): the same numbers for the same seed. */
function randomFrom(seed: number): () => number {
	let state = seed * 7919;
	return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/** Average over hidden pages. */
export function meanLanded(pages: readonly HiddenPage[]): Landed {
	const all = pages.map(landedOf);
	const mean = (of: (one: Landed) => number) =>
		all.reduce((sum, one) => sum + of(one), 0) / Math.max(1, all.length);
	return {
		placed: mean(({ placed }) => placed),
		greedy: mean(({ greedy }) => greedy),
		headings: mean(({ headings }) => headings),
		freely: mean(({ freely }) => freely),
		random: mean(({ random }) => random),
		terms: mean(({ terms }) => terms)
	};
}

function shareOn(uses: readonly number[], on: ReadonlySet<number>): number {
	const all = uses.reduce((sum, n) => sum + n, 0);
	return all === 0 ? 0 : uses.reduce((sum, n, s) => sum + (on.has(s) ? n : 0), 0) / all;
}

/** A page's outline as a plan has it: what stands before the first H2 is the opening. */
function outlineOf(work: PageWork): {
	sections: PlanSection[];
	/** Position in the plan of each section of the page. */
	of: Map<number, number>;
} {
	const opening = {
		...newSection('hidden:0', 'Opening', 0),
		level: 1 as const,
		kind: 'opening' as const
	};
	const sections: PlanSection[] = [opening];
	const of = new Map<number, number>();
	work.sections.forEach((section, index) => {
		if (section.level < 2) {
			sections[0] = { ...sections[0]!, budget: sections[0]!.budget + section.words };
			of.set(index, 0);
			return;
		}
		const level = section.level === 2 ? 2 : 3;
		const made = newSection(`hidden:${index}`, section.heading, section.words, level);
		of.set(index, sections.length);
		sections.push(section.isFaq ? { ...made, kind: 'faq' } : made);
	});
	return { sections, of };
}
