import type { Findings, Term, TermKind, TermWeight } from '$lib/core/findings';
import { writeCsv } from '$lib/core/keywords';

export interface TermFilter {
	readonly search: string;
	readonly weight: TermWeight | 'any';
	readonly place: 'any' | 'title' | 'heading' | 'opening' | 'faq';
	readonly words: 'any' | '1' | '2' | '3';
	readonly kind: TermKind | 'any';
	/** All terms, only what the notes bring, what was changed by hand, or what was struck out. */
	readonly show: 'all' | 'notes' | 'hand' | 'struck';
}

export const NO_FILTER: TermFilter = {
	search: '',
	weight: 'any',
	place: 'any',
	words: 'any',
	kind: 'any',
	show: 'all'
};

/** Ways to sort the grid, with their names. */
export const TERM_SORTS = [
	{ id: 'rank', name: 'By strength' },
	{ id: 'phrase', name: 'By the alphabet' },
	{ id: 'weight', name: 'By weight' },
	{ id: 'wanted', name: 'By uses wanted' },
	{ id: 'pages', name: 'By pages' },
	{ id: 'opening', name: 'By share of openings' },
	{ id: 'company', name: 'By company kept' }
] as const;
export type TermSort = (typeof TERM_SORTS)[number]['id'];

export interface TermRow {
	readonly term: Term;
	/** Whether it counts, only the notes have it, or it was struck out. */
	readonly state: 'term' | 'note' | 'struck';
}

const WEIGHTS: Readonly<Record<TermWeight, number>> = { must: 0, should: 1, could: 2 };

/** Rows of the grid in order. What only notes bring stands behind the terms of the pages. */
export function termRowsOf(findings: Findings, filter: TermFilter, sort: TermSort): TermRow[] {
	const { terms, noteTerms, struck } = findings;
	const rows: TermRow[] =
		filter.show === 'struck'
			? struck.terms.map((term) => ({ term, state: 'struck' }))
			: [
					...(filter.show === 'notes'
						? []
						: terms.map((term): TermRow => ({ term, state: 'term' }))),
					...(filter.show === 'hand'
						? []
						: noteTerms.map((term): TermRow => ({ term, state: 'note' })))
				];
	const kept = rows.filter(({ term }) => fits(term, filter));
	const by = order(sort);
	return by === null ? kept : kept.toSorted((a, b) => rank(a) - rank(b) || by(a.term, b.term));
}

function rank({ state }: TermRow): number {
	return state === 'note' ? 1 : 0;
}

function fits(term: Term, { search, weight, place, words, kind, show }: TermFilter): boolean {
	const { places } = term;
	const length = term.key.split(' ').length;
	const wanted = search.trim().toLowerCase();
	return (
		[term.phrase, ...term.variants].some((phrase) => phrase.toLowerCase().includes(wanted)) &&
		(weight === 'any' || term.weight === weight) &&
		(kind === 'any' || term.kind === kind) &&
		(words === 'any' || (words === '3' ? length >= 3 : length === Number(words))) &&
		(place === 'any' ||
			(place === 'heading' ? places.h1 + places.h2 + places.h3 > 0 : places[place] > 0)) &&
		(show !== 'hand' || term.isOwn || term.isPinned || term.isSet || term.variants.length > 0)
	);
}

function order(sort: TermSort): ((a: Term, b: Term) => number) | null {
	switch (sort) {
		case 'rank':
			return null;
		case 'phrase':
			return (a, b) => (a.phrase < b.phrase ? -1 : 1);
		case 'weight':
			return (a, b) => WEIGHTS[a.weight] - WEIGHTS[b.weight];
		case 'wanted':
			return (a, b) => b.max - a.max || b.min - a.min;
		case 'pages':
			return (a, b) => b.uses.length - a.uses.length;
		case 'opening':
			return (a, b) => b.places.opening - a.places.opening;
		case 'company':
			return (a, b) => b.company.length - a.company.length;
	}
}

/** "3" or "3–5". */
export function wantedShown({ min, max }: Pick<Term, 'min' | 'max'>): string {
	return min === max ? String(min) : `${min}–${max}`;
}

/** The phrases as text for another program. */
export function termsAsText(
	rows: readonly TermRow[],
	form: 'commas' | 'lines' | 'markdown'
): string {
	const phrases = rows.map(({ term }) => term.phrase);
	if (form === 'commas') return phrases.join(', ');
	if (form === 'lines') return phrases.join('\n');
	return [
		'| term | weight | wanted | pages |',
		'| --- | --- | --- | --- |',
		...rows.map(
			({ term }) =>
				`| ${term.phrase.replace(/\|/g, '\\|')} | ${term.weight} | ${wantedShown(term)} | ${term.uses.length} |`
		)
	].join('\n');
}

/** The rows as CSV: figures of the term, shares of pages by place, then its uses on every page. */
export function termsAsCsv(
	findings: Findings,
	rows: readonly TermRow[],
	letters: ReadonlyMap<string, string>
): string {
	const counted = new Set(findings.pages.map(({ id }) => id));
	const pages = [...letters.keys()].filter((id) => counted.has(id));
	const share = (value: number) => value.toFixed(2);
	const phraseOf = new Map(findings.terms.map(({ key, phrase }) => [key, phrase]));
	return writeCsv([
		[
			'term',
			'variants',
			'kind',
			'weight',
			'min',
			'max',
			'pages',
			'in title',
			'in H1',
			'in H2',
			'in H3',
			'in first 100 words',
			'in FAQ',
			'position',
			'company',
			'from',
			...pages.map((id) => `uses on ${letters.get(id) ?? id}`)
		],
		...rows.map(({ term, state }) => [
			term.phrase,
			term.variants.join('; '),
			term.kind,
			term.weight,
			String(term.min),
			String(term.max),
			String(term.uses.length),
			share(term.places.title),
			share(term.places.h1),
			share(term.places.h2),
			share(term.places.h3),
			share(term.places.opening),
			share(term.places.faq),
			share(term.position),
			term.company.map((key) => phraseOf.get(key) ?? key).join('; '),
			state === 'note' ? 'notes' : term.isOwn ? 'own' : 'pages',
			...pages.map((id) => String(term.uses.find(({ page }) => page === id)?.count ?? 0))
		])
	]);
}
