import { describe, expect, it } from 'vitest';
import type { Findings } from '../../findings';
import { docText, emptyParagraph, paragraph, textNode, type BlockNode } from '../../manuscript';
import type { Move, SectionRequest } from '../writer';
import { versionByMaterial, type MoveMaterial } from './built-in-moves';
import type { NoteFate } from './note-fates';

const said = (text: string): BlockNode => paragraph(textNode(text));
const requestOf = (move: Move, stands: readonly BlockNode[], more: Partial<SectionRequest> = {}) =>
	({
		section: 'a',
		heading: 'Dig',
		level: 2,
		kind: 'explanation',
		move,
		budget: 12,
		terms: [],
		questions: [
			{ id: 'q1', text: 'How deep is it?' },
			{ id: 'q2', text: 'Who digs it?' }
		],
		facts: [],
		material: [],
		mustNotSay: [],
		neighbours: { before: null, after: null },
		stands,
		...more
	}) as SectionRequest;
const leftOut = (text: string, section: string, reason = 'open'): NoteFate =>
	({
		note: 'n',
		text,
		fate: { kind: 'left out', reason, nearest: [section], blocks: [said(text)] }
	}) as unknown as NoteFate;
const material: MoveMaterial = {
	findings: {
		questions: [
			{
				id: 'q1',
				answers: [
					{ source: 'page', text: 'A page says 30 cm.' },
					{ source: 'n', text: 'It is 38 cm deep.' }
				]
			},
			{ id: 'q2', answers: [{ source: 'page', text: 'A crew does.' }] }
		]
	} as unknown as Findings,
	noteSigns: new Map([['n', 'n1']]),
	fates: [
		leftOut('Six words that suit this section.', 'a'),
		leftOut('Words for another section.', 'b'),
		leftOut('Said already in other words.', 'a', 'said already'),
		leftOut('Six more words that suit it.', 'a'),
		leftOut('These find no room any more.', 'a')
	],
	takeaways: ['Dig to firm soil.']
};
const textsOf = (move: Move, stands: readonly BlockNode[] = [said('Dig down.')]) =>
	versionByMaterial(requestOf(move, stands), material).blocks.map(docText);

describe('moves out of the material', () => {
	it('lengthen with what the notes have left for the section, up to its words', () => {
		expect(textsOf('lengthen')).toEqual([
			'Dig down.',
			'Six words that suit this section.',
			'Six more words that suit it.'
		]);
	});

	it('answer from the notes alone, with their origin, once', () => {
		const version = versionByMaterial(requestOf('answer', [emptyParagraph()]), material);
		expect(version.blocks.map(docText)).toEqual(['It is 38 cm deep.']);
		expect(version.sources).toEqual(['n']);
		const again = versionByMaterial(requestOf('answer', version.blocks), material);
		expect(again.blocks).toEqual([]);
		expect(again.outcome).toEqual({
			kind: 'refused',
			reason: 'your notes answer none of its open questions for sure'
		});
	});

	it('put questions of an FAQ as headings over their answers, and takeaways as a list', () => {
		expect(textsOf('faq')).toEqual(['Dig down.', 'How deep is it?', 'It is 38 cm deep.']);
		expect(textsOf('takeaways')).toEqual(['Dig down.', 'Dig to firm soil.']);
	});
});
