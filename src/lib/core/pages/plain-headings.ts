import type { HeadingLevel } from './article';
import { countWords } from '../text';

/** A line of plain text that could be a heading, and what it is taken for. */
export interface HeadingGuess {
	/** Number of the line, from 0. */
	readonly line: number;
	/** The line without its numbering. */
	readonly text: string;
	/** 0: a line like any other. */
	readonly level: 0 | HeadingLevel;
	/** What speaks for it, in words. */
	readonly reason: string;
}

const NUMBERED = /^(\d{1,2}(?:\.\d{1,2}){0,3})[.)]?\s+(?=\p{Lu})/u;
const STEPPED = /^(?:step|part|chapter|section|tip|stage|day|phase)\s+\d{1,2}\s*[:.–—-]\s+(?=\S)/i;
const BULLET = /^\s*(?:[-*•·–▪●◦]|\d{1,3}[.)]|[a-z][.)])\s+/;

/**
 * Guesses which lines of plain text were headings before their markup was lost: by blank lines
 * around them, numbering, capitals, and by standing short over a longer line. Lines that could
 * be one but hardly are come with level 0, so that the writer can say otherwise.
 */
export function guessHeadings(text: string): HeadingGuess[] {
	const lines = text.replace(/\r\n?/g, '\n').split('\n');
	const at = (i: number) => (lines[i] ?? '').trim();
	const guesses: HeadingGuess[] = [];
	const hasBlanks = lines.some(
		(_, i) => i > 0 && at(i) === '' && at(i - 1) !== '' && i < lines.length - 1
	);
	const hasSmall = lines.some((_, i) => isCandidate(at(i)) && !isCapitals(at(i)));
	let seen = 0;
	lines.forEach((_, i) => {
		const line = at(i);
		if (line === '') return;
		seen++;
		if (!isCandidate(line)) return;
		const [before, after] = [at(i - 1), at(i + 1)];
		const next =
			lines
				.slice(i + 1, i + 6)
				.find((other) => other.trim() !== '')
				?.trim() ?? '';
		if (next === '') return;
		const numbered = NUMBERED.exec(line);
		const isItem =
			BULLET.test(line) &&
			(BULLET.test(before) || BULLET.test(after) || (!numbered && before !== ''));
		if (isItem || (BULLET.test(line) && !numbered)) return;
		const isApart = (before === '' || i === 0) && after === '';
		const isOver = (before === '' || /[.!?:]["”’)]*$/.test(before)) && countWords(after) >= 12;
		const isUnder = /^(?:={3,}|-{3,})$/.test(after);
		const plain = line.replace(NUMBERED, '').replace(/:$/, '').trim();
		const level = (depth: number): HeadingLevel =>
			guesses.every((guess) => guess.level === 0) && seen === 1
				? 1
				: (Math.min(4, Math.max(2, depth)) as HeadingLevel);
		const add = (found: 0 | HeadingLevel, reason: string) =>
			guesses.push({ line: i, text: plain, level: found, reason });
		if (isUnder) add(after.startsWith('=') ? 1 : 2, 'it is underlined');
		else if (numbered && (isApart || isOver || before === ''))
			add(level(1 + numbered[1]!.split('.').length), 'it is numbered');
		else if (STEPPED.test(line) && (isApart || isOver || before === ''))
			add(level(2), 'it is numbered');
		else if (isCapitals(line) && (isApart || isOver || before === ''))
			add(level(2), 'it is in capitals');
		else if (isApart) add(level(hasCapitalHeading(lines) && hasSmall ? 3 : 2), 'it stands alone');
		else if (isOver) add(level(2), 'it stands short over a longer line');
		else if (!hasBlanks && countWords(line) <= 8 && countWords(next) >= 12)
			add(level(2), 'it stands short over a longer line');
		else if (countWords(line) <= 10 && before === '') add(0, 'it is short');
	});
	return guesses;
}

/** The text as Markdown, with the given lines as headings. */
export function markdownWithHeadings(
	text: string,
	headings: readonly Pick<HeadingGuess, 'line' | 'text' | 'level'>[]
): string {
	const byLine = new Map(headings.map((heading) => [heading.line, heading]));
	const lines = text.replace(/\r\n?/g, '\n').split('\n');
	return lines
		.map((line, i) => {
			const heading = byLine.get(i);
			if (heading && heading.level > 0) return `\n${'#'.repeat(heading.level)} ${heading.text}\n`;
			if (/^\s*(?:={3,}|-{3,})\s*$/.test(line) && (byLine.get(i - 1)?.level ?? 0) > 0) return '';
			return line.replace(/^\s*[•·–▪●◦]\s+/, '- ');
		})
		.join('\n');
}

function isCandidate(line: string): boolean {
	if (line.length < 3 || line.length > 100 || countWords(line) > 14 || countWords(line) === 0)
		return false;
	if (/[.!,;]$/.test(line) || /^https?:/i.test(line)) return false;
	return /^[\p{Lu}\p{N}"“‘¿¡]/u.test(line) || STEPPED.test(line);
}

function isCapitals(line: string): boolean {
	const letters = line.replace(/[^\p{L}]/gu, '');
	return (
		letters.length >= 4 && letters === letters.toUpperCase() && letters !== letters.toLowerCase()
	);
}

function hasCapitalHeading(lines: readonly string[]): boolean {
	return lines.some(
		(line, i) =>
			isCapitals(line.trim()) && countWords(line) <= 10 && (lines[i - 1] ?? '').trim() === ''
	);
}
