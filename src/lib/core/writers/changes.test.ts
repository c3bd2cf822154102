import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { heading, paragraph, textNode, type BlockNode } from '../manuscript';
import { blockChanges, blocksTaken, wordChanges, type WordRun } from './changes';

const joined = (runs: readonly WordRun[], without: WordRun['kind']) =>
	runs
		.filter(({ kind }) => kind !== without)
		.map(({ text }) => text)
		.join('');
const plain = (text: string) => text.replace(/\s+/g, ' ').trim();

describe('wordChanges', () => {
	it('marks whole words', () => {
		expect(
			wordChanges('Set the stones in a line.', 'Set the largest stones in two lines.')
		).toEqual([
			{ kind: 'same', text: 'Set the' },
			{ kind: 'new', text: ' largest' },
			{ kind: 'same', text: ' stones in' },
			{ kind: 'gone', text: ' a line' },
			{ kind: 'new', text: ' two lines' },
			{ kind: 'same', text: '.' }
		]);
	});

	it('gives both texts back, whatever they are', () => {
		const text = fc
			.array(
				fc.constantFrom('stone', 'wall', 'cope', 'a', '1,320', 'don’t', '.', ',', '“', 'é', '😀'),
				{
					maxLength: 40
				}
			)
			.map((words) => words.join(' '));
		fc.assert(
			fc.property(text, text, (before, after) => {
				const runs = wordChanges(before, after);
				expect(plain(joined(runs, 'new')).replace(/ /g, '')).toBe(plain(before).replace(/ /g, ''));
				expect(plain(joined(runs, 'gone')).replace(/ /g, '')).toBe(plain(after).replace(/ /g, ''));
			})
		);
	});

	it('tells more different words apart than there are letters in any script', () => {
		const words = (from: number) =>
			Array.from({ length: 20_000 }, (_, i) => `w${from + i}`).join(' ');
		const runs = wordChanges(words(0), words(0).replace('w777 ', 'other '));
		expect(runs.filter(({ kind }) => kind !== 'same').map(({ text }) => text.trim())).toEqual([
			'w777',
			'other'
		]);
	});
});

describe('blockChanges', () => {
	const p = (text: string): BlockNode => paragraph(textNode(text));
	it('holds each block against the one it stands in place of, and lists those that are gone', () => {
		const stands = [
			p('Strip the turf and dig.'),
			p('This is dropped wholly and is about nothing else.'),
			p('Set the largest stones.')
		];
		const version = [
			p('Strip the turf and dig until it is firm.'),
			p('Something new is said now.'),
			p('Set the largest stones.')
		];
		const found = blockChanges(stands, version);
		expect(found.map(({ block }) => block)).toEqual([0, 1, -1, 2]);
		expect(found[0]!.runs).toEqual([
			{ kind: 'same', text: 'Strip the turf and dig' },
			{ kind: 'new', text: ' until it is firm' },
			{ kind: 'same', text: '.' }
		]);
		expect(found[1]!.runs[0]!.kind).toBe('new');
		expect(found[3]!.runs).toEqual([{ kind: 'same', text: 'Set the largest stones.' }]);
	});

	it('gives the text with some of them taken: ours where one is not', () => {
		const stands = [p('One stands here for good.'), p('This goes away.')];
		const version = [p('One stands here for now.'), p('And a second is new to us.')];
		const changes = blockChanges(stands, version);
		const taken = (...which: number[]) =>
			blocksTaken(stands, version, changes, (change) => which.includes(changes.indexOf(change)));
		expect(taken()).toEqual(stands);
		expect(taken(...changes.keys())).toEqual(version);
		expect(taken(0)).toEqual([version[0], stands[1]]);
	});

	it('of a section without text is all new, and of the same text all the same', () => {
		const blocks = [heading(3, 'On clay'), p('Go down to 45 cm.')];
		expect(blockChanges([], blocks).every(({ runs }) => runs[0]!.kind === 'new')).toBe(true);
		expect(
			blockChanges(blocks, blocks).every(({ runs }) => runs.every(({ kind }) => kind === 'same'))
		).toBe(true);
	});
});
