import { describe, expect, it } from 'vitest';
import {
	mergeLists,
	blankKeyword,
	scoutRowsOf,
	titleCompetitionOf,
	type Filter
} from '$lib/core/keywords';
import { describeFilter } from './filter-names';
import { changeShown, ratioShown, ratioSum, volumeShown } from './format';

const range = (volumeMin: number | null, volumeMax: number | null) => ({
	volume: null,
	volumeMin,
	volumeMax
});
const exactly = (volume: number) => ({ volume, volumeMin: volume, volumeMax: volume });

describe('figures of a phrase', () => {
	it.each([
		[exactly(2400), '2,400'],
		[range(1000, 10_000), '1K–10K'],
		[range(5280, 15_180), '5,280–15,180'],
		[range(10_000, null), '10K+'],
		[range(0, 10), 'under 10'],
		[range(null, null), '–']
	])('shows a volume as %j → %s', (volume, shown) => {
		expect(volumeShown(volume)).toBe(shown);
	});

	it.each([
		[22, '+22%'],
		[-12.5, '−12.5%'],
		[0, '0%'],
		[Infinity, '∞'],
		[null, '–']
	])('shows a change of %s as %s', (change, shown) => {
		expect(changeShown(change)).toBe(shown);
	});

	it('shows a ratio with both ends where the volume is a range, and the sum behind it', () => {
		expect(ratioShown(titleCompetitionOf(exactly(90), 4))).toBe('0.04');
		expect(ratioShown(titleCompetitionOf(range(10, 100), 4))).toBe('0.04–0.40');
		expect(ratioShown(titleCompetitionOf(exactly(0), 4))).toBe('∞');
		expect(ratioShown(null)).toBe('–');
		const [row] = scoutRowsOf(
			mergeLists([[{ ...blankKeyword('wall'), ...range(10, 100), titleMatches: 1 }]]),
			[],
			{ today: '2026-11-24' }
		);
		expect(ratioSum(row!)).toBe('1 title ÷ 10–100 searches a month');
	});
});

describe('describeFilter', () => {
	it.each<[Filter, string]>([
		[{ kind: 'number', field: 'volume', bound: 'most', value: 2500 }, 'Volume ≤ 2,500'],
		[{ kind: 'number', field: 'opening', bound: 'least', value: 60 }, 'Opening ≥ 60'],
		[{ kind: 'text', text: 'wall', isWithout: false }, '“wall”'],
		[{ kind: 'text', text: 'wall', isWithout: true }, 'without “wall”'],
		[{ kind: 'intent', intents: ['commercial', 'transactional'] }, 'commercial or transactional'],
		[{ kind: 'cluster', names: ['cost'] }, 'cluster cost'],
		[{ kind: 'competition', levels: ['low'] }, 'bidding low'],
		[{ kind: 'weak' }, 'with a weak spot'],
		[{ kind: 'stale' }, 'passed year'],
		[{ kind: 'question' }, 'questions']
	])('says %j in a few words', (filter, said) => {
		expect(describeFilter(filter)).toBe(said);
	});
});
