import type { Findings, Term } from '../../findings';
import { contentStemsOf, keysOf } from '../../text';
import { type AffinityParts, type PlanSection, topicsOf } from '../outline';
import { topicMatcher } from './match-topics';

/**
 * What each part of an affinity weighs; they sum to one. Set by hiding a page and planning its own
 * outline from the others (docs/METHODS.md).
 */
const PART_WEIGHT: Readonly<Record<keyof AffinityParts, number>> = {
	topic: 0.5,
	company: 0.14,
	heading: 0.22,
	level: 0.04,
	position: 0.1
};

/** The weighted sum of the parts, 0–1. */
export function affinityOf(parts: AffinityParts): number {
	return (Object.keys(PART_WEIGHT) as (keyof AffinityParts)[]).reduce(
		(sum, part) => sum + PART_WEIGHT[part] * parts[part],
		0
	);
}

/** The sections of pages that speak of what a section of the plan speaks of. */
interface Kindred {
	/** How well each fits, 0–1, by `page/section`. */
	readonly fits: ReadonlyMap<string, number>;
	/** The best of them on each page, summed over pages. */
	readonly pages: number;
}

/** Affinity of every term to every section: [term][section]. */
export function affinitiesOf(
	findings: Findings,
	sections: readonly PlanSection[]
): AffinityParts[][] {
	const kindred = kindredOf(findings, sections);
	const stems = sections.map(({ heading }) => new Set(contentStemsOf(heading)));
	const keys = sections.map(({ heading }) => new Set(keysOf(heading).map(({ key }) => key)));
	const positions = positionsOf(sections);
	const topicShares = findings.terms.map((term) => kindred.map((of) => topicShare(term, of)));
	const rank = new Map(findings.terms.map((term, i) => [term.key, i]));
	return findings.terms.map((term, t) => {
		const words = term.key.split(' ');
		const termStems = contentStemsOf(term.phrase);
		return sections.map((section, s) => {
			const company = term.company
				.map((key) => topicShares[rank.get(key) ?? -1]?.[s] ?? 0)
				.sort((a, b) => b - a)
				.slice(0, 3);
			const shared = words.filter((word) => keys[s]!.has(word)).length / words.length;
			const isSpecific = termStems.some((stem) => stems[s]!.has(stem));
			return {
				topic: section.level === 1 ? term.places.opening : topicShares[t]![s]!,
				company: company.length === 0 ? 0 : company.reduce((sum, n) => sum + n, 0) / company.length,
				heading: isSpecific ? shared : 0,
				level: levelShare(term, section),
				position:
					Math.max(0, 1 - 2 * Math.abs(term.position - positions[s]!)) *
					(section.kind === 'faq' ? 0.5 : 1)
			};
		});
	});
}

/** Share of pages that have the term in the opening or in headings of the section's level. */
function levelShare({ places }: Term, { level, kind }: PlanSection): number {
	if (kind === 'faq') return places.faq;
	return level === 1 ? places.opening : level === 2 ? places.h2 : places.h3;
}

/** Where each section stands: where pages usually treat it, else the middle of its own words, 0–1. */
function positionsOf(sections: readonly PlanSection[]): number[] {
	const total = Math.max(
		1,
		sections.reduce((sum, { budget }) => sum + budget, 0)
	);
	let words = 0;
	return sections.map(({ budget, position }) => {
		const middle = (words + budget / 2) / total;
		words += budget;
		return position ?? middle;
	});
}

/**
 * For each section of a plan the sections of pages like it: those of its topics, and for a heading
 * that came from elsewhere those of the topics it speaks of by its words.
 */
function kindredOf(findings: Findings, sections: readonly PlanSection[]): Kindred[] {
	const match = topicMatcher(findings);
	const speakingOf = searcher(findings);
	return sections.map((section) => {
		const own = topicsOf(section, findings);
		const found =
			own.length > 0
				? own.map((topic) => ({ topic, fit: 1 }))
				: section.kind === 'faq' || section.level === 1
					? []
					: match(section.heading).slice(0, MOST_MATCHES);
		const fits = new Map<string, number>();
		const best = new Map<string, number>();
		const put = (page: string, at: number, fit: number) => {
			const place = `${page}/${at}`;
			fits.set(place, Math.max(fit, fits.get(place) ?? 0));
			best.set(page, Math.max(fit, best.get(page) ?? 0));
		};
		for (const { topic, fit } of found)
			for (const { page, section: at } of topic.headings) put(page, at, fit);
		if (own.length === 0 && section.level > 1 && section.kind !== 'faq')
			for (const { page, section: at, fit } of speakingOf(section.heading)) put(page, at, fit);
		return { fits, pages: [...best.values()].reduce((sum, fit) => sum + fit, 0) };
	});
}

/** A section of a page, with how well it fits what is looked for, 0–1. */
interface Found {
	readonly page: string;
	readonly section: number;
	readonly fit: number;
}

/**
 * Finds the sections of pages whose text uses the terms of a heading, however they are headed: the
 * rarer a term the more it says, and of each page the sections that use it most.
 */
function searcher({ terms }: Findings): (heading: string) => Found[] {
	const onSections = terms.map(({ uses }) =>
		uses.reduce((sum, { sections }) => sum + sections.length, 0)
	);
	const all = Math.max(1, ...onSections);
	return (heading) => {
		const keys = ` ${keysOf(heading)
			.map(({ key }) => key)
			.join(' ')} `;
		const said = terms.flatMap((term, t) =>
			keys.includes(` ${term.key} `)
				? [{ term, weight: Math.log(1 + all / Math.max(1, onSections[t]!)) }]
				: []
		);
		const sum = said.reduce((total, { weight }) => total + weight, 0);
		if (sum === 0) return [];
		const scores = new Map<string, Found>();
		for (const { term, weight } of said) {
			for (const { page, sections } of term.uses) {
				const most = Math.max(...sections.map(([, count]) => count));
				for (const [section, count] of sections) {
					const place = `${page}/${section}`;
					const before = scores.get(place)?.fit ?? 0;
					scores.set(place, {
						page,
						section,
						fit: before + (SEARCH_TRUST * (weight / sum) * count) / most
					});
				}
			}
		}
		return [...scores.values()].filter(({ fit }) => fit >= LEAST_FOUND);
	};
}

/** How far a section that only uses a heading's terms is trusted to speak of the same. */
const SEARCH_TRUST = 0.6;
const LEAST_FOUND = 0.05;

/** Topics that a heading without a topic of its own is taken to speak of. */
const MOST_MATCHES = 3;

/** Share of the kindred pages that use the term there, and how much of the term's use that is. */
function topicShare(term: Term, { fits, pages }: Kindred): number {
	if (pages === 0) return 0;
	let on = 0;
	let here = 0;
	let all = 0;
	for (const use of term.uses) {
		let best = 0;
		for (const [section, count] of use.sections) {
			all += count;
			const fit = fits.get(`${use.page}/${section}`) ?? 0;
			best = Math.max(best, fit);
			here += fit * count;
		}
		on += best;
	}
	if (on === 0) return 0;
	// one page alone is weak evidence, however large its share
	const trust = on / (on + 0.7);
	return trust * (0.6 * Math.min(1, on / pages) + 0.4 * (here / Math.max(1, all)));
}
