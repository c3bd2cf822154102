import { describe, expect, it } from 'vitest';
import { smoothed, smoothedCell, smoothedEntry, withCapitals } from './smooth';

describe('a jotting written out', () => {
	it.each([
		['tested w/ dummy → colder', 'Tested with dummy: colder.'],
		['lasts approx 10 yrs', 'Lasts about 10 years.'],
		['tested w a dummy', 'Tested with a dummy.'],
		['yr 1 total = £680ish', 'Year 1 total: about £680.'],
		['eggs: yr1 812, 40 cm-ish nest', 'Eggs: year 1 812, about 40 cm nest.'],
		['dry for 1 hr', 'Dry for 1 hour.'],
		['half btw 310 and 530', 'Half between 310 and 530.'],
		['soap & water, ~30%', 'Soap and water, about 30%.'],
		['use it once. then rinse', 'Use it once. Then rinse.'],
		['2 easy runs and you’re set', '2 easy runs and you’re set.'],
		['pH over 7 is fine', 'pH over 7 is fine.'],
		['put it in the bin (check council)', 'Put it in the bin.'],
		['halls rarely reclaim it. (check w. accountant if zero rate)', 'Halls rarely reclaim it.'],
		['tighten it (check the tension as you go)', 'Tighten it (check the tension as you go).']
	])('%s', (jotted, said) => {
		expect(smoothed(jotted)).toBe(said);
	});

	it('makes a sentence of a definition, and leaves a sum alone', () => {
		expect(smoothed('quilt = no back', true)).toBe('Quilt: no back.');
		expect(smoothed('10 mi a week = 41 weeks')).toBe('10 mi a week = 41 weeks.');
	});

	it('leaves sentences as they are', () => {
		const sentence = 'Each weighs between 15 and 25 kg, and none of them moved.';
		expect(smoothed(sentence)).toBe(sentence);
		expect(smoothed('“If it rocks, take it out.”')).toBe('“If it rocks, take it out.”');
	});

	it('gives what was said the capitals of print, and changes no word', () => {
		expect(withCapitals("now i've a door. it knows it's december! pH 7 is fine. e.g. may")).toBe(
			"Now I've a door. It knows it's December! pH 7 is fine. e.g. may"
		);
	});

	it('ends entries and cells as they ended', () => {
		expect(smoothedEntry('front loader, 8 kg')).toBe('Front loader, 8 kg');
		expect(smoothedEntry('stop. pull the clumps apart.')).toBe('Stop. Pull the clumps apart.');
		expect(smoothedCell('')).toBe('');
		expect(smoothedCell('room ended at 29°C!')).toBe('Room ended at 29°C');
	});
});
