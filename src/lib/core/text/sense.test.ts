import { describe, expect, it } from 'vitest';
import { clashesIn, frameOf } from './sense';

describe('clashesIn', () => {
	it.each([
		'Of every ten lawns he is asked to look at, he reckons six are cut too short.',
		'What you pay for is weight, and what I had was the wrong one.',
		'Take photographs before, during and after, with or without a flash.',
		'From A to B and back; vitamin A is not in it.',
		'It had had that effect, and that that was so is no wonder.',
		'“Can a wall be built in winter?” is what I was asked and it is what they all want to know.'
	])('finds none in what people write: %s', (sentence) => {
		expect(clashesIn(sentence)).toBe(0);
	});

	it.each([
		['A annoys it the in shade heavy soil soil grass.', 2],
		['Towards to with first mow the of sow is mine and.', 3],
		['You their is of was they the my rake.', 3]
	])('finds neighbours that no sentence has: %s', (sentence, least) => {
		expect(clashesIn(sentence)).toBeGreaterThanOrEqual(least);
	});
});

describe('frameOf', () => {
	const frame = (sentence: string, ...terms: string[]) =>
		frameOf(
			sentence,
			terms
				.map((term) => ({
					start: sentence.indexOf(term),
					end: sentence.indexOf(term) + term.length
				}))
				.sort((a, b) => a.start - b.start)
		);

	it('is the same for sentences with other terms, however many stand in a row', () => {
		const one = frame(
			'The best rake for a lawn is the hammer with a spade.',
			'rake',
			'hammer',
			'spade'
		);
		expect(one).toBe('the best _ for a lawn is the _ with a _');
		expect(
			frame(
				'The best moss killer for a lawn is the scarifier with a hose, feed and lime.',
				'moss killer',
				'scarifier',
				'hose',
				'feed',
				'lime'
			)
		).toBe(one);
	});

	it('is none for a sentence without a term, or of hardly more than terms', () => {
		expect(frame('Nothing of the kind stands here.')).toBeNull();
		expect(frame('Rake, hammer, spade.', 'Rake', 'hammer', 'spade')).toBeNull();
	});
});
