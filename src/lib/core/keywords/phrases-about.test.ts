import { describe, expect, it } from 'vitest';
import { blankKeyword } from './keyword';
import { phrasesAbout } from './phrases-about';

const row = (phrase: string, volume: number | null) => ({ ...blankKeyword(phrase), volume });

describe('phrasesAbout', () => {
	const rows = [
		row('dry stone wall cost', 320),
		row('Dry stone walls cost', 10),
		row('stone paving', 900),
		row('how to build a dry stone wall', 5000),
		row('dry stone walling course', null),
		row('dry stone wall cost', 480)
	];

	it('keeps what holds most of the keyword, searched most first, each once with its highest figure', () => {
		expect(phrasesAbout(rows, 'how to build a dry stone wall')).toEqual([
			{ phrase: 'dry stone wall cost', volume: 480 },
			{ phrase: 'dry stone walls cost', volume: 10 },
			{ phrase: 'dry stone walling course', volume: null }
		]);
	});

	it('keeps to the part of a list that a narrower keyword is about', () => {
		const list = [
			...Array.from({ length: 20 }, (_, i) => row(`dry stone wall idea ${i + 1}`, 50)),
			row('gap in dry stone wall', 40),
			row('repair dry stone wall', 30)
		];
		expect(
			phrasesAbout(list, 'how to repair a gap in a dry stone wall').map(({ phrase }) => phrase)
		).toEqual(['gap in dry stone wall', 'repair dry stone wall']);
		// a verb alone narrows nothing
		expect(phrasesAbout(list, 'how to build a dry stone wall')).toHaveLength(22);
	});

	it('gives nothing for a keyword without a word that says anything', () => {
		expect(phrasesAbout(rows, 'how to')).toEqual([]);
	});
});
