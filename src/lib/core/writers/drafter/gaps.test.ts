import { describe, expect, it } from 'vitest';
import type { PossibleAnswer, Question } from '../../findings';
import { openQuestion } from './gaps';

const NOTES = [
	{ id: 'a', label: 'n1', title: '', units: {} as never },
	{ id: 'b', label: 'n2', title: '', units: {} as never }
];
const PAGES = { p: 'Hillfoot', q: 'Greenplot' };
const said = (source: string, text: string): PossibleAnswer => ({
	source,
	section: 0,
	text,
	fit: 0.5
});
const gap = (
	mayAnswer: readonly PossibleAnswer[],
	answeredBy: readonly string[] = [],
	mayQuote: (text: string) => boolean = () => true
) => {
	const answers = answeredBy.map((source) => ({ ...said(source, 'Yes.'), by: 'words' as const }));
	const question = { answers, mayAnswer } as unknown as Question;
	return openQuestion(question, { notes: NOTES, pageNames: PAGES }, mayQuote);
};

describe('the gap of a question that the notes are not sure to answer', () => {
	it('says that no note answers only where none may', () => {
		expect(gap([])).toBe(
			'None of your notes says. No page answers it either: you would be the first.'
		);
		expect(gap([said('a', 'half of that')])).toBe(
			'No page answers it. Perhaps: “half of that” (n1).'
		);
	});

	it('names the pages that answer, and those that may', () => {
		expect(gap([], ['p', 'q'])).toBe(
			'None of your notes says. Hillfoot and Greenplot have an answer to check and cite.'
		);
		expect(gap([said('q', 'It may.')])).toBe(
			'No page answers it outright, Greenplot may. None of your notes says.'
		);
	});

	it('never quotes what must not be said or stands elsewhere, and still says where it may be', () => {
		const isPlain = (text: string) => !text.includes('maintenance-free');
		const both = [said('a', 'maintenance-free for years'), said('b', 'look after the cope')];
		expect(gap(both, ['p'], isPlain)).toMatch(/^Perhaps: “look after the cope” \(n2\)\. Hillfoot/);
		expect(gap(both.slice(0, 1), [], isPlain)).toBe('No page answers it. Perhaps in n1.');
	});
});
