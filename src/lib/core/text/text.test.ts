import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addReading, countSyllables, gradeOf, readingSumsOf } from './readability';
import { contentStemsOf } from './stems';
import { countTerms, patternOf, findTerms, indexTerms, termKeyOf } from './term-index';
import { countWords, plainWord, wordsOf } from './words';
import { sentencesOf } from './sentences';
import { singularOf, verbFormsOf } from './inflect';

const texts = (text: string) => sentencesOf(text).map((sentence) => sentence.text);

describe('wordsOf', () => {
	it('keeps inner apostrophes, hyphens and decimal separators in one word', () => {
		expect(wordsOf("It's a self-built wall of 1,300.5 kg.").map(({ text }) => text)).toEqual([
			"It's",
			'a',
			'self-built',
			'wall',
			'of',
			'1,300.5',
			'kg'
		]);
	});

	it('gives places that cut the same words out of the text', () => {
		fc.assert(
			fc.property(fc.string({ unit: 'grapheme', maxLength: 200 }), (text) => {
				for (const word of wordsOf(text)) expect(text.slice(word.start, word.end)).toBe(word.text);
				expect(countWords(text)).toBe(wordsOf(text).length);
			})
		);
	});

	it('counts letters of every script, and nothing that is only marks', () => {
		expect(countWords('Größe — naïve café; 石垣')).toBe(4);
		expect(countWords('… — !? “”')).toBe(0);
	});
});

describe('plainWord', () => {
	it('takes off possessives and curly quotes', () => {
		expect(plainWord('Waller’s')).toBe('waller');
		expect(plainWord('wallers’')).toBe('wallers');
		expect(plainWord("DON'T")).toBe("don't");
	});
});

describe('singularOf', () => {
	it.each([
		['walls', 'wall'],
		['copestones', 'copestone'],
		['footings', 'footing'],
		['leaves', 'leaf'],
		['batteries', 'battery'],
		['feet', 'foot'],
		['moss', 'moss'],
		['always', 'always'],
		['gas', 'gas'],
		['axes', 'axe'],
		['basis', 'basis']
	])('folds %s to %s', (plural, singular) => {
		expect(singularOf(plural)).toBe(singular);
	});
});

describe('verbFormsOf', () => {
	it('inflects regular and irregular verbs', () => {
		expect(verbFormsOf('build')).toEqual(['build', 'builds', 'building', 'built']);
		expect(verbFormsOf('lay')).toEqual(['lay', 'lays', 'laying', 'laid']);
		expect(verbFormsOf('plant')).toEqual(['plant', 'plants', 'planting', 'planted']);
		expect(verbFormsOf('carry')).toEqual(['carry', 'carries', 'carrying', 'carried']);
		expect(verbFormsOf('store')).toContain('storing');
	});
});

describe('sentencesOf', () => {
	it('does not end a sentence at abbreviations, initials, decimals or list numbers', () => {
		expect(texts('Mr. Orrell used approx. 3.5 tonnes, e.g. of grit. Then he left.')).toEqual([
			'Mr. Orrell used approx. 3.5 tonnes, e.g. of grit.',
			'Then he left.'
		]);
		expect(texts('It was J. Penhale who said so. He knew.')).toHaveLength(2);
		expect(texts('1. Dig the trench. 2. Lay the footings.')).toHaveLength(2);
	});

	it('keeps quotations with their full stop together', () => {
		expect(texts('“If it rocks, lift it.” She meant it.')).toEqual([
			'“If it rocks, lift it.”',
			'She meant it.'
		]);
	});

	it('gives places that cut the same sentences out, and loses no word', () => {
		fc.assert(
			fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (text) => {
				const found = sentencesOf(text);
				for (const sentence of found)
					expect(text.slice(sentence.start, sentence.end)).toBe(sentence.text);
				expect(found.map((s) => s.text.replace(/\s/g, '')).join('')).toBe(text.replace(/\s/g, ''));
			})
		);
	});
});

describe('findTerms', () => {
	const index = indexTerms([
		patternOf('stone wall'),
		patternOf('dry stone wall'),
		{ ...patternOf('build a dry stone wall'), verbs: [0] },
		patternOf('hearting')
	]);
	const uses = (text: string) =>
		findTerms(index, text).map(({ term, start, end }) => [term, text.slice(start, end)]);

	it('matches case, number, hyphens and words written together', () => {
		expect(uses('Stone walls')).toEqual([[0, 'Stone walls']]);
		expect(uses('a dry-stone wall')).toEqual([
			[1, 'dry-stone wall'],
			[0, 'stone wall']
		]);
		expect(uses('the drystone walls')).toEqual([[1, 'drystone walls']]);
	});

	it('does not match parts of other words', () => {
		expect(uses('stonewalling')).toEqual([]);
		expect(uses('heartings of oak')).toEqual([[3, 'heartings']]);
		expect(uses('heart')).toEqual([]);
	});

	it('never matches across a sentence end', () => {
		expect(uses('Buy stone. Wall it in.')).toEqual([]);
	});

	it('inflects the verbs of a term and nothing else', () => {
		expect(uses('He built a dry stone wall')[0]).toEqual([2, 'built a dry stone wall']);
		expect(uses('building a dry stone wall')[0]![0]).toBe(2);
	});

	it('counts a use inside a longer one as all but not as own', () => {
		const counts = countTerms(index, 'A dry stone wall is a stone wall.');
		expect([counts.all.get(0), counts.own.get(0)]).toEqual([2, 1]);
		expect([counts.all.get(1), counts.own.get(1)]).toEqual([1, 1]);
	});

	it('gives one key to all spellings of a term', () => {
		expect(termKeyOf('Dry-stone walls')).toBe(termKeyOf('dry stone wall'));
	});

	it('finds as many uses as a plain search does', () => {
		const word = fc.constantFrom('dry', 'stone', 'wall', 'walls', 'hearting', 'the', 'cope');
		fc.assert(
			fc.property(fc.array(word, { maxLength: 40 }), (words) => {
				const text = words.join(' ');
				const plain = words.map((w) => (w === 'walls' ? 'wall' : w));
				const expected = plain.filter((w, i) => w === 'stone' && plain[i + 1] === 'wall').length;
				expect(countTerms(index, text).all.get(0) ?? 0).toBe(expected);
			})
		);
	});
});

describe('readability', () => {
	it('counts syllables of a known sentence', () => {
		const sums = readingSumsOf('The cat sat on the mat.');
		expect(sums).toMatchObject({ words: 6, sentences: 1, syllables: 6 });
		expect(gradeOf(sums)).toBeCloseTo(0.39 * 6 + 11.8 - 15.59, 6);
	});

	it('counts a figure as one syllable and gives nothing for empty text', () => {
		expect(countSyllables('1,300')).toBe(1);
		expect(gradeOf(readingSumsOf(''))).toBe(0);
	});

	it('adds parts up to the whole', () => {
		const [a, b] = ['One stone rocks. Lift it.', 'Pack the middle well.'];
		expect(addReading([readingSumsOf(a), readingSumsOf(b)])).toEqual(readingSumsOf(`${a} ${b}`));
	});
});

describe('contentStemsOf', () => {
	it('leaves out words that carry no subject', () => {
		expect(contentStemsOf('How do you lay the footings?')).toEqual(
			contentStemsOf('laying footings').map((s) => s)
		);
	});
});
