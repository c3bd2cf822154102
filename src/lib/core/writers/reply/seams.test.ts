import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { endsWhole, joinContinued } from './seams';

describe('joinContinued', () => {
	it.each([
		[
			'Set the stones in two li',
			'nes along the string.',
			'Set the stones in two lines along the string.'
		],
		[
			'Set the stones in two li',
			'in two lines along the string.',
			'Set the stones in two lines along the string.'
		],
		[
			'Set the stones in two',
			'lines along the string.',
			'Set the stones in two lines along the string.'
		],
		[
			'Pack it hard. Then set the next',
			'… Then set the next course.',
			'Pack it hard. Then set the next course.'
		],
		['It ends here.', 'And this is new.', 'It ends here.\n\nAnd this is new.']
	])('%s + %s', (before, after, text) => {
		expect(joinContinued(before, after).text).toBe(text);
	});

	it('says what it left out as said twice', () => {
		expect(
			joinContinued('Pack it hard. Then set the next', 'Then set the next course.').again
		).toBe('Then set the next');
	});

	it('puts a text that was cut anywhere together again, whatever was repeated', () => {
		const words =
			'Water under the footings freezes and lifts them, which is called frost heave, and they never come down quite straight again after that winter.';
		fc.assert(
			fc.property(
				fc.integer({ min: 20, max: words.length - 20 }),
				fc.integer({ min: 3, max: 8 }),
				(cut, repeated) => {
					const before = words.slice(0, cut);
					const start = before.split(' ').slice(0, -repeated).join(' ').length;
					const after = words.slice(start).trimStart();
					expect(joinContinued(before, after).text.replace(/\s+/g, ' ')).toBe(words);
				}
			)
		);
	});
});

describe('endsWhole', () => {
	it.each([
		['A sentence.', true],
		['“Quoted?”', true],
		['A claim with its sign [n1.2]', true],
		['- an entry of a list', true],
		['- an entry with the', false],
		['| a | row |', true],
		['Cut in the mid', false],
		['## A heading', false],
		['', true]
	])('%s: %s', (text, isWhole) => {
		expect(endsWhole(text)).toBe(isWhole);
	});
});
