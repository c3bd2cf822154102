import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { noteTextOf } from '../note-article';
import { readNoteUnits } from './read-units';
import type { UnitKind } from './unit';

const FOLDER = new URL('../../../../../tests/fixtures/strangers/', import.meta.url);
type Line = { readonly text: string; readonly kind: UnitKind | 'heading' };
const gold = JSON.parse(readFileSync(new URL('gold.json', FOLDER), 'utf8')) as Record<
	string,
	readonly Line[]
>;
/*
 * Fifty-two notes in nine sets, written at the desk as a stranger's in December 2026 and labelled before they were read; each line
 * with what it is for. At first sight 0.60, 0.63, 0.27, 0.54, 0.61, 0.71, 0.60, 0.52 and 0.65 of the lines of the sets were told
 * right (two of them hold little but unusual orders and wishes); what was wrong was mended by class.
 */

/** Kinds of which no word may reach a draft. */
const HELD_BACK: ReadonlySet<string> = new Set(['off-record', 'do-not-say']);

const wordsOf = (text: string) => new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []);

/** Lines of a note with the kind they were told as: that of the unit or heading with most of their words. */
function told(name: string): readonly (Line & { readonly found: string | null })[] {
	const { noteKind, text } = noteTextOf(readFileSync(new URL(`notes/${name}`, FOLDER), 'utf8'));
	const { units, headings } = readNoteUnits({ kind: noteKind, name, text });
	const parts = [
		...units.map((unit) => ({ kind: unit.kind as string, words: wordsOf(unit.text) })),
		...headings.map((heading) => ({ kind: 'heading', words: wordsOf(heading.text) }))
	];
	return gold[name]!.map((line) => {
		const own = wordsOf(line.text);
		const shared = parts
			.map(({ kind, words }) => ({
				kind,
				count: [...own].filter((word) => words.has(word)).length
			}))
			.sort((a, b) => b.count - a.count)[0];
		const isThere = shared !== undefined && shared.count >= 0.5 * own.size;
		return { ...line, found: isThere ? shared.kind : null };
	});
}

describe('notes as strangers keep them', () => {
	const names = Object.keys(gold);
	const lines = names.flatMap((name) => told(name).map((line) => ({ ...line, name })));

	it('are all there', () => {
		expect(readdirSync(new URL('notes/', FOLDER)).sort()).toEqual([...names].sort());
		expect(lines.length).toBeGreaterThan(700);
	});

	it('are told apart by kind in 86 of 100 lines', () => {
		const right = lines.filter(({ kind, found }) => kind === found).length;
		expect(right / lines.length).toBeGreaterThanOrEqual(0.86);
	});

	it.each(names)('hold back what is not to be printed: %s', (name) => {
		const told = lines.filter((line) => line.name === name && HELD_BACK.has(line.kind));
		expect(told.filter(({ found }) => !HELD_BACK.has(found ?? ''))).toEqual([]);
	});
});
