import { describe, expect, it } from 'vitest';
import { guessHeadings, markdownWithHeadings } from './plain-headings';
import { keptBlocksOf, textOf } from './article';
import { readText } from './read-text';

const LONG = 'A wall stands because every stone rests on two below it and both faces lean inwards.';
const levels = (text: string) =>
	guessHeadings(text)
		.filter(({ level }) => level > 0)
		.map(({ text: heading, level }) => `${level} ${heading}`);

describe('guessHeadings', () => {
	it('takes lines that stand alone, the first of all as the title', () => {
		expect(levels(`How walls stand\n\n${LONG}\n\nTools\n\n${LONG}`)).toEqual([
			'1 How walls stand',
			'2 Tools'
		]);
	});

	it('tells depth from numbering, and numbered lists from numbered headings', () => {
		expect(
			levels(
				`Guide\n\n1. Tools\n${LONG}\n\n1.1 Hammers\n${LONG}\n\n2) Stone\n${LONG}\n\n1. Dig the trench\n2. Lay the footing\n3. Build`
			)
		).toEqual(['1 Guide', '2 Tools', '3 Hammers', '2 Stone']);
	});

	it('reads text without a single blank line', () => {
		expect(levels(`${LONG}\nTools you need\n${LONG}\nWhat it costs\n${LONG}`)).toEqual([
			'2 Tools you need',
			'2 What it costs'
		]);
	});

	it('puts plain headings below those in capitals, and reads underlined ones', () => {
		expect(levels(`TITLE OF ALL\n\n${LONG}\n\nTHE WORK\n\n${LONG}\n\nDigging\n\n${LONG}`)).toEqual([
			'1 TITLE OF ALL',
			'2 THE WORK',
			'3 Digging'
		]);
		expect(levels(`Walls\n=====\n${LONG}\n\nTools\n-----\n${LONG}`)).toEqual([
			'1 Walls',
			'2 Tools'
		]);
	});

	it('leaves sentences, list entries, addresses and the last line alone', () => {
		expect(
			levels(
				`${LONG}\n\nShort sentence.\n\n- Item one\n- Item two\n\nhttps://walls.example/x\n\nThe end`
			)
		).toEqual([]);
	});

	it('says what spoke for each', () => {
		for (const { reason } of guessHeadings(`Title\n\n${LONG}\n\n1. Tools\n${LONG}`))
			expect(reason).toMatch(/^it /);
	});
});

describe('markdownWithHeadings', () => {
	it('makes what the writer confirmed, and nothing else, a heading', () => {
		const text = `How walls stand\n\n${LONG}\n\nTools\n\n${LONG}`;
		const confirmed = guessHeadings(text).map((guess) =>
			guess.text === 'Tools' ? { ...guess, level: 0 as const } : guess
		);
		const blocks = keptBlocksOf(readText(markdownWithHeadings(text, confirmed)));
		expect(blocks.filter(({ kind }) => kind === 'heading').map(textOf)).toEqual([
			'How walls stand'
		]);
		expect(blocks.map(textOf)).toContain('Tools');
	});
});
