import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { noteTextOf, unitsOfNote } from '../note-article';
import type { NoteText } from '../note-kind';
import { blocksOfUnits } from './units-blocks';
import { readNoteUnits } from './read-units';
import { NO_UNIT_EDITS, changedUnit, partedAt, toggledJoin } from './unit-edits';
import { isPrintable, type UnitKind } from './unit';

const JOBS = new URL('../../../../../tests/fixtures/jobs/', import.meta.url);

interface GoldLine {
	readonly file: string;
	readonly text: string;
	readonly kind: UnitKind | 'heading';
	readonly speaker?: string;
}

const wordsOf = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];

function noteOf(job: string, file: string): NoteText {
	const read = noteTextOf(readFileSync(new URL(`${job}/${file}`, JOBS), 'utf8'));
	return { kind: read.noteKind, name: file.replace(/^notes\//, ''), text: read.text };
}

function linesOf(note: NoteText) {
	const { units, headings } = readNoteUnits(note);
	return [
		...headings.map(({ text }) => ({ text, kind: 'heading' as const, speaker: '' })),
		...units
	];
}

/** The unit or heading that shares most words with a line. */
function bestFor<T extends { readonly text: string }>(line: string, among: readonly T[]): T {
	const wanted = wordsOf(line);
	const shared = (text: string) => {
		const left = [...wordsOf(text)];
		const met = wanted.filter((word) => {
			const at = left.indexOf(word);
			if (at >= 0) left.splice(at, 1);
			return at >= 0;
		}).length;
		return (2 * met) / (wanted.length + wordsOf(text).length);
	};
	return among.reduce((best, one) => (shared(one.text) > shared(best.text) ? one : best));
}

const note = (text: string, name = 'note.md'): NoteText => ({ kind: 'note', name, text });
const said = (text: string) =>
	readNoteUnits(note(text)).units.map(({ kind, text: words }) => `${kind}: ${words}`);

describe.each(readdirSync(JOBS))('the notes of %s', (job) => {
	const gold = JSON.parse(
		readFileSync(new URL(`${job}/gold-notelines.json`, JOBS), 'utf8')
	) as GoldLine[];
	const files = [...new Set(gold.map(({ file }) => file))];
	const read = new Map(files.map((file) => [file, linesOf(noteOf(job, file))]));

	it('are told apart by kind as an editor does, in nine of ten lines', () => {
		const right = gold.filter(
			({ file, text, kind }) => bestFor(text, read.get(file)!).kind === kind
		);
		expect(right.length / gold.length).toBeGreaterThanOrEqual(0.88);
	});

	it('keep out what must never be printed', () => {
		const out = gold.filter(({ kind }) => kind === 'off-record' || kind === 'do-not-say');
		for (const { file, text } of out)
			expect(bestFor(text, read.get(file)!).kind, text).toMatch(/^(?:off-record|do-not-say|todo)$/);
	});

	it('name who speaks', () => {
		const quotes = gold.filter(({ kind, speaker }) => kind === 'quote' && speaker);
		const right = quotes.filter(({ file, text, speaker }) =>
			wordsOf(bestFor(text, read.get(file)!).speaker).some((word) =>
				wordsOf(speaker!).includes(word)
			)
		);
		expect(right.length).toBeGreaterThanOrEqual(0.9 * quotes.length);
	});

	it('lose no word but marks, and give the same units again', () => {
		for (const file of files) {
			const one = noteOf(job, file);
			const { units, headings, columns } = readNoteUnits(one);
			expect(readNoteUnits(one).units).toEqual(units);
			expect(new Set(units.map(({ key }) => key)).size).toBe(units.length);
			const left = [
				...units,
				...headings,
				...[...columns.values()].map((c) => ({ text: c.join(' ') }))
			].flatMap(({ text }) => wordsOf(text));
			const source = one.kind === 'transcript' ? one.text.replace(/^\[[^\]]*\]/gm, ' ') : one.text;
			const lost = wordsOf(source).filter((word: string) => {
				const at = left.indexOf(word);
				if (at >= 0) left.splice(at, 1);
				return at < 0 && !/^(?:\d{1,2}|[a-z]|me|forwarded|original|message)$/.test(word);
			});
			const labels = new Set(units.flatMap(({ speaker }) => wordsOf(speaker)));
			const roles = new Set(readNoteUnits(one).speakers.flatMap(({ role }) => wordsOf(role)));
			expect(
				lost.filter((word) => !labels.has(word) && !roles.has(word) && word !== 'moderator')
			).toEqual([]);
		}
	});
});

describe('a note', () => {
	it('says what is wanted, what is to be done and what is not to be said', () => {
		expect(
			said(
				'# kettle piece\n\n900 words for the Copperby blog, due Thu\ntone: dry\n\n## boiling\n\n- hard water furs it in 6 wks\n- ask Ines re descaler??\n- don’t call it “limescale-proof”\n- OFF REC the factory row'
			)
		).toEqual([
			'brief: 900 words for the Copperby blog, due Thu',
			'brief: tone: dry',
			'claim: hard water furs it in 6 wks',
			'todo: ask Ines re descaler??',
			'do-not-say: don’t call it “limescale-proof”',
			'off-record: OFF REC the factory row'
		]);
	});

	it('leaves advice that begins like a ban alone', () => {
		expect(
			said('# Bread\n\n## Proving\n\nDon’t prove it in the sun. Never use a cold bowl.')
		).toEqual(['claim: Don’t prove it in the sun.', 'claim: Never use a cold bowl.']);
	});

	it('keeps steps, rows and schedules whole', () => {
		const { units } = readNoteUnits(
			note(
				'# Bike\n\n## How to true a wheel\n\n1. Spin it\n2. Find the high spot\n3. Quarter turn, left side\n\n## wear\n\nnew – 9.1 mm\n500 km – 8.4 mm\n900 km – 7.9 mm'
			)
		);
		expect(units.map(({ kind, position }) => [kind, position])).toEqual([
			['step', 1],
			['step', 2],
			['step', 3],
			['row', 1],
			['row', 2],
			['row', 3]
		]);
		expect(units[4]!.cells).toEqual(['500 km', '8.4 mm']);
	});

	it('reads a table without a line under its head', () => {
		const read = readNoteUnits(
			note('# Tents\n\nTent | Weight | Price\nLark 2 | 1.4 kg | £210\nHeron 3 | 2.2 kg | £260')
		);
		expect(read.columns.get(0)).toEqual(['Tent', 'Weight', 'Price']);
		expect(read.units.map(({ cells }) => cells[0])).toEqual(['Lark 2', 'Heron 3']);
	});

	it.each([
		[
			'Call w/ Ines Farrow – kiln fitter\n\nTue, 20 min\n\n"It cracks if you rush."',
			'Ines Farrow',
			'kiln fitter'
		],
		['# Interview: Tomas Brandt\n\n## Heat\n\n"Never above nine hundred."', 'Tomas Brandt', ''],
		[
			'From: Edda Lorne, buyer\nTo: me\nSubject: wool\n\nIt shrinks at 40 degrees.',
			'Edda Lorne',
			'buyer'
		],
		[
			'# Wool, 3 May\n\nLength: 40 min\nInterviewee: Edda Lorne (buyer)\n\nIt shrinks at 40 degrees.',
			'Edda Lorne',
			'buyer'
		],
		['Kilns\n\nSpoke to: Ines, fitter\n\nInes: It cracks if you rush.', 'Ines', 'fitter']
	])('names its speaker: %s', (text, name, role) => {
		const read = readNoteUnits(note(text));
		expect(read.speakers).toEqual([{ name, role }]);
		expect(read.units.at(-1)).toMatchObject(
			read.units.at(-1)!.kind === 'quote' ? { speaker: name } : { kind: 'claim' }
		);
	});

	it('takes no thing for a person, and no sentence for a field', () => {
		const read = readNoteUnits(
			note('# Sound\n\nWith: great care\n\nSpeakers - place them 2 m apart.')
		);
		expect(read.speakers).toEqual([]);
		expect(read.units.at(-1)).toMatchObject({ kind: 'claim' });
	});

	it('takes the last part of a letter back where the letter says so', () => {
		const { units } = readNoteUnits(
			note(
				'From: Edda Lorne\nSubject: wool\n\nYou may use all of this except the last paragraph.\n\nIt shrinks at 40 degrees.\n\nMy brother sold the mill.'
			)
		);
		expect(units.at(-1)!.kind).toBe('off-record');
		expect(units.at(-2)!.kind).toBe('claim');
	});

	it('cuts what was dictated without stops where a thought begins', () => {
		const { units } = readNoteUnits(
			note(
				'memo\n\nso the thing with slugs is they come up at night and the copper tape does nothing because in rain it is just wet but if you put the pots on feet they lose the trail and people think beer works well it draws them from next door'
			)
		);
		expect(units.length).toBeGreaterThan(3);
	});

	it('makes the question of an interview the heading of its answer', () => {
		const blocks = blocksOfUnits(
			readNoteUnits(
				note(
					'Interview – Ines Farrow, kiln fitter\n\nQ: How hot?\nA: Nine hundred at most.\n\nQ: How long?\nA: "Eight hours. Overnight is better."'
				)
			)
		).map(({ block }) => block);
		expect(
			blocks.filter(({ kind }) => kind === 'heading').map((b) => 'text' in b && b.text)
		).toEqual(expect.arrayContaining(['How hot?', 'How long?']));
	});
});

describe('an interview', () => {
	const read = readNoteUnits(
		note(
			'Call Dr Ines Farrow, kiln fitter\n\nQ how hot at most\nnine hundred\nQ does it crack? Only over 100 an hour.\nQ glaze?\nthin, two coats'
		)
	).units;

	it('has answers under their questions', () => {
		expect(read.find(({ text }) => text === 'nine hundred')!.heading).toBe('how hot at most');
		expect(read.find(({ text }) => text === 'thin, two coats')!.heading).toBe('glaze?');
	});

	it('keeps an answer that follows its question on one line', () => {
		expect(read.map(({ kind, text }) => `${kind}: ${text}`)).toEqual(
			expect.arrayContaining(['question: does it crack?', 'claim: Only over 100 an hour.'])
		);
	});
});

describe('what the writer says about units', () => {
	const text = '# Tea\n\n- steep 3 min. not longer\n- green at 80°\n- ask Ines';
	const read = () => unitsOfNote(note(text));
	const [first, second] = read().units;

	it('is kept by what they say, and outlives edits elsewhere', () => {
		const unitEdits = changedUnit(NO_UNIT_EDITS, second!.key, { kind: 'off-record' });
		const longer = { ...note(text.replace('# Tea', '# Tea\n\nA line more.')), unitEdits };
		expect(
			unitsOfNote(longer).units.find(({ text: words }) => words === 'green at 80°')!.kind
		).toBe('off-record');
	});

	it('joins and parts, and each is taken back by the same', () => {
		const joined = toggledJoin(NO_UNIT_EDITS, second!.key);
		expect(unitsOfNote({ ...note(text), unitEdits: joined }).units[0]!.text).toContain(
			'green at 80°'
		);
		expect(toggledJoin(joined, second!.key)).toEqual(NO_UNIT_EDITS);
		const parted = partedAt(NO_UNIT_EDITS, first!.key, first!.text.indexOf('not'));
		expect(
			unitsOfNote({ ...note(text), unitEdits: parted })
				.units.slice(0, 2)
				.map((one) => one.text)
		).toEqual(['steep 3 min.', 'not longer']);
	});

	it('never lets what is kept out into what can be drawn on', () => {
		const unitEdits = changedUnit(NO_UNIT_EDITS, first!.key, { kind: 'do-not-say' });
		const { units } = unitsOfNote({ ...note(text), unitEdits });
		const printed = JSON.stringify(blocksOfUnits(unitsOfNote({ ...note(text), unitEdits })));
		for (const one of units.filter((each) => !isPrintable(each)))
			expect(printed).not.toContain(one.text);
	});
});
