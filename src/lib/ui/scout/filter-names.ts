import type { Filter, NumberField } from '$lib/core/keywords';

export const NUMBER_NAMES: Readonly<Record<NumberField, string>> = {
	volume: 'Volume',
	ratio: 'Ratio',
	change3m: '3 months, %',
	changeYear: 'Year, %',
	titleMatches: 'Titles',
	competitionIndex: 'Index',
	difficulty: 'Difficulty',
	words: 'Words',
	opening: 'Opening',
	bid: 'Bid'
};

/** A condition in a few words, for its chip. */
export function describeFilter(filter: Filter): string {
	switch (filter.kind) {
		case 'text':
			return filter.isWithout ? `without “${filter.text}”` : `“${filter.text}”`;
		case 'number': {
			const sign = filter.bound === 'most' ? '≤' : '≥';
			return `${NUMBER_NAMES[filter.field]} ${sign} ${filter.value.toLocaleString('en')}`;
		}
		case 'intent':
			return filter.intents.join(' or ');
		case 'cluster':
			return `cluster ${filter.names.join(' or ')}`;
		case 'competition':
			return `bidding ${filter.levels.join(' or ')}`;
		case 'weak':
			return 'with a weak spot';
		case 'stale':
			return 'passed year';
		case 'question':
			return 'questions';
	}
}
