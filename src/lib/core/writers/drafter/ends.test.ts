import { describe, expect, it } from 'vitest';
import { readNoteUnits } from '../../notes';
import { canOpen, closers, openers } from './ends';
import { passagesOf } from './note-material';

const KEYWORD = 'how to keep moss out of a lawn';

const passages = (text: string) =>
	passagesOf([
		{
			id: 'note',
			label: 'n1',
			title: 'Lawn',
			units: readNoteUnits({ kind: 'note', name: 'lawn.md', text })
		}
	]);
const said = (found: ReturnType<typeof openers>) =>
	found.map(({ sentences }) => sentences.join(' '));

describe('openers', () => {
	it('are what answers the query in the notes’ own words', () => {
		const found = openers(
			passages(
				'# Lawn\n\n## Why\n\nThe main reason for moss in a lawn is grass that is cut too short.\n\n## Tools\n\nRakes are sold from £14 upwards.\n\nPut the rake away dry.'
			),
			KEYWORD,
			new Set()
		);
		expect(said(found)).toEqual([
			'The main reason for moss in a lawn is grass that is cut too short.'
		]);
	});

	it('are above all what answers the question that the keyword asks', () => {
		const told = passages(
			'# Lawn\n\n## Why\n\nGrass that is cut high leaves moss no room.\n\nRakes are sold in spring.'
		);
		expect(said(openers(told, KEYWORD, new Set()))).toEqual([]);
		expect(said(openers(told, KEYWORD, new Set([told[0]!])))).toEqual([
			'Grass that is cut high leaves moss no room.'
		]);
	});

	it('are none that answer another question', () => {
		const told = passages(
			'# Call with Ada Birch, gardener\n\nQ: Does the rake matter for moss in a lawn?\nA: Most people keep moss in a lawn by raking too late.'
		);
		expect(told.map(({ asked }) => asked)).toEqual(['Does the rake matter for moss in a lawn?']);
		expect(openers(told, KEYWORD, new Set())).toEqual([]);
		expect(openers(told, KEYWORD, new Set(told))).toEqual(told);
	});

	it('are none where the notes only jot, order or list', () => {
		expect(
			openers(
				passages('# Lawn\n\n## Diary\n\nrake, fork, two bags\n\nRake the moss out.'),
				KEYWORD,
				new Set()
			)
		).toEqual([]);
	});
});

describe('canOpen', () => {
	it('keeps lists, orders and what leans on something out of an opening', () => {
		const open = (text: string) => passages(`# Lawn\n\n## Why\n\n${text}`).map(canOpen);
		expect(open('Moss grows where grass is weak.')).toEqual([true]);
		expect(open('There is no soil in it.')).toEqual([false]);
		expect(open('Rake the moss out twice.')).toEqual([false]);
		expect(open('- a rake\n- a fork')).not.toContain(true);
	});
});

describe('closers', () => {
	it('are the last advice, two at the most', () => {
		const found = closers(
			passages(
				'# Lawn\n\n## First\n\nMoss grows where grass is weak.\n\n## Last\n\nAbove all, cut the grass higher.\n\nStart with the shady corner.\n\nMy advice is to wait for autumn.'
			)
		);
		expect(found).toHaveLength(2);
		for (const text of said(found)) expect(text).toMatch(/^(?:Above all|Start with|My advice)/);
	});
});

describe('a remark in brackets', () => {
	it('is no passage of its own', () => {
		expect(
			passages('# Lawn\n\n## Cost\n\nSeed is dear.\n\n(i.e. costs you money)').map(({ raw }) => raw)
		).toEqual(['Seed is dear.']);
	});
});
