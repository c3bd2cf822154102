import { describe, expect, it } from 'vitest';
import { docText } from '../../manuscript';
import { readNoteUnits } from '../../notes';
import { newSection } from '../../plan';
import { withoutReaction } from './holds';
import { Narrator } from './narrator';
import { passagesOf, type Passage } from './note-material';
import { paragraphs } from './running-text';

const note = (title: string, text: string, kind: 'note' | 'transcript' = 'note') => ({
	id: 'note',
	label: 'n1',
	title,
	units: readNoteUnits({ kind, name: title, text })
});
const read = (text: string, title = 'Kiln notes') => passagesOf([note(title, text)]);
const holds = (found: readonly Passage[]) => found.map(({ raw, hold }) => [raw, hold]);
const printed = (found: readonly Passage[]) =>
	paragraphs(found, newSection('s', 'Firing the kiln', 100), new Narrator()).map((block) => [
		block.type,
		docText(block)
	]);

describe('what cannot be printed as it stands', () => {
	it('is a jotting without a verb, what says no doer, and what leans on something that is not there', () => {
		expect(
			holds(
				read(
					'# Kiln notes\n\n## Firing\n\nslow, 60 degrees an hour\n\nTook the test pieces to the school.\n\n## Winter\n\nThey fire it once a week in winter.\n\n## Glaze\n\nGlaze softens at 900 degrees.'
				)
			)
		).toEqual([
			['slow, 60 degrees an hour', 'jotting'],
			['Took the test pieces to the school.', 'nobody does it'],
			['They fire it once a week in winter.', 'leans'],
			['Glaze softens at 900 degrees.', null]
		]);
	});

	it('is no order, no label with what is said of it, and no whole sentence', () => {
		const whole = [
			'Sweep the shelf before you load it.',
			'If a cone bends early, stop.',
			'Above all, dry the pots first.',
			'Shelves: two thin ones rather than one thick one.',
			'Handles crack in the first hour.',
			'The potter next door lent us a pyrometer.',
			'Nobody cleans the flue.',
			'It is best to wait until morning.',
			'Each shelf holds nine mugs.'
		];
		for (const text of whole)
			expect(holds(read(`# Kiln notes\n\n## Firing\n\n${text}`)), text).toEqual([[text, null]]);
	});

	it('is an answer that says nothing without its question', () => {
		const asked = read(
			'# Call with Ada Birch, potter\n\nQ: Does a second firing help?\nA: "Not by itself, no."\n\nQ: What cracks a pot?\nA: Damp clay cracks a pot.',
			'Call with Ada Birch'
		);
		expect(asked.map(({ hold, asked: question }) => [hold, question])).toEqual([
			['answer', 'Does a second firing help?'],
			[null, 'What cracks a pot?']
		]);
		expect(printed(asked)[0]).toEqual([
			'paragraph',
			'Asked whether a second firing helps, Ada Birch, potter, says: “Not by itself, no.”'
		]);
		// what was asked of her cannot be told by moving its verb
		const hers = read(
			'# Call with Ada Birch, potter\n\nQ: Do you fire yours twice?\nA: "Not by itself, no."'
		);
		expect(printed(hers)[0]).toEqual([
			'gap',
			'Work in: “"Not by itself, no."” (n1, asked “Do you fire yours twice?”).'
		]);
	});

	it('is dictated without stops', () => {
		const text =
			'so I talked to the woman with the big kiln about cracks and she says dry it dry it dry it and one thing that was good she says open the damper early so you get the steam out before it gets hot and also you should never stack wet pots because in the morning they are all stuck';
		const found = read(`Voice memo\n\n${text}`, 'Voice memo');
		expect(found.length).toBeGreaterThan(0);
		for (const { hold } of found) expect(hold).toBe('dictated');
	});
});

describe('what goes together', () => {
	it('is what somebody says at a stretch, and what a quotation leans on', () => {
		const talk = passagesOf([
			note(
				'Talk',
				'[00:01 ADA] Put a cone on every shelf. That is all. You see it bend.\n\n[00:09 BEN] Why is that so?\n\n[00:12 ADA] Heat rises towards the vault, and the top shelf is ahead.',
				'transcript'
			)
		]);
		expect(talk[0]!.sentences).toEqual([
			'Put a cone on every shelf. That is all. You see it bend.'
		]);
		const told = read(
			'# Ada Birch, potter\n\nMet on Monday.\n\n## Her round\n\nShe looks at the cone and at the flue. "If those two agree, I go to bed."',
			'Ada Birch'
		);
		expect(printed(told)).toEqual([
			[
				'paragraph',
				'Ada Birch looks at the cone and at the flue. “If those two agree, I go to bed,” says Ada Birch.'
			]
		]);
	});
});

describe('who says it', () => {
	it('is named for what only they can say, and once while they go on', () => {
		const mail = read(
			'From: Ada Birch (potter, Low Kiln)\nSubject: your questions\n\nOur first kiln cracked in a week. We mended it with wire.\n\n1. We dried the pots for nine days.\n2. I rang the school.',
			'Mail'
		);
		expect(printed(mail)).toEqual([
			[
				'paragraph',
				'“Our first kiln cracked in a week,” says Ada Birch, potter. “We mended it with wire.”'
			],
			['paragraph', 'In the words of Ada Birch:'],
			['orderedList', expect.stringContaining('We dried the pots for nine days')]
		]);
	});

	it('is said of what somebody does, where the note says it without them', () => {
		const found = read(
			'# Call with Ada Birch, potter\n\nMon, ten minutes.\n\n## Cones\n\nreckons one pot in six cracks by itself',
			'Call with Ada Birch'
		);
		expect(printed(found)).toEqual([
			['paragraph', 'Ada Birch reckons one pot in six cracks by itself.']
		]);
	});
});

describe('withoutReaction', () => {
	it('drops what only answers, where what is left stands alone', () => {
		expect(withoutReaction('“That’s a myth. Dry clay is worth four degrees.”')).toBe(
			'“Dry clay is worth four degrees.”'
		);
		expect(withoutReaction('Yes. It does that.')).toBe('Yes. It does that.');
		expect(withoutReaction('Two days before. On the last day it rains.')).toBe(
			'Two days before. On the last day it rains.'
		);
	});
});
