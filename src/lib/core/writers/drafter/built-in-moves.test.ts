import { describe, expect, it } from 'vitest';
import type { Findings } from '../../findings';
import { docText, emptyParagraph, paragraph, textNode, type BlockNode } from '../../manuscript';
import type { Move, SectionRequest } from '../writer';
import { versionsByMaterial, type MoveMaterial } from './built-in-moves';
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
	versionsByMaterial(requestOf(move, stands), material)[0]!.blocks.map(docText);

describe('moves out of the material', () => {
	it('lengthen with what the notes have left for the section, up to its words', () => {
		expect(textsOf('lengthen')).toEqual([
			'Dig down.',
			'Six words that suit this section.',
			'Six more words that suit it.'
		]);
	});

	it('answer from the notes alone, with their origin, once', () => {
		const [version] = versionsByMaterial(requestOf('answer', [emptyParagraph()]), material);
		expect(version!.blocks.map(docText)).toEqual(['It is 38 cm deep.']);
		expect(version!.sources).toEqual(['n']);
		const [again] = versionsByMaterial(requestOf('answer', version!.blocks), material);
		expect(again!.blocks).toEqual([]);
		expect(again!.outcome).toEqual({
			kind: 'refused',
			reason: 'your notes answer none of its open questions for sure'
		});
	});

	it('put questions of an FAQ as headings over their answers, and takeaways as a list', () => {
		expect(textsOf('faq')).toEqual(['Dig down.', 'How deep is it?', 'It is 38 cm deep.']);
		expect(textsOf('takeaways')).toEqual(['Dig down.', 'Dig to firm soil.']);
	});
});

describe('moves that reshape what stands there', () => {
	const reshaped = (move: Move, stands: readonly BlockNode[], more: Partial<SectionRequest> = {}) =>
		versionsByMaterial(requestOf(move, stands, more), material);

	it('list the things behind a colon, else the sentences', () => {
		const [named] = reshaped('list', [
			said('Three tools do it: a hammer, a line and a bar. None is dear.')
		]);
		expect(named!.blocks.map((block) => [block.type, docText(block)])).toEqual([
			['paragraph', 'Three tools do it:'],
			['bulletList', 'A hammer\nA line\nA bar'],
			['paragraph', 'None is dear.']
		]);
		const [plain] = reshaped('list', [
			said('Much can go wrong. Frost lifts it. Roots move it. Cattle rub it.')
		]);
		expect(plain!.blocks.map(docText)).toEqual([
			'Much can go wrong.',
			'Frost lifts it.\nRoots move it.\nCattle rub it.'
		]);
		expect(reshaped('list', [said('Frost lifts it.')])[0]!.outcome).toEqual({
			kind: 'refused',
			reason: 'there are not three things in it to list'
		});
	});

	it('number the sentences that tell to do something, each with what is said of it', () => {
		const [steps] = reshaped('steps', [
			said(
				'It takes a day. First, dig the trench. It is 38 cm deep. Then lay the stones. Fill the middle.'
			)
		]);
		expect(steps!.blocks.map((block) => [block.type, docText(block)])).toEqual([
			['paragraph', 'It takes a day.'],
			['orderedList', 'Dig the trench. It is 38 cm deep.\nLay the stones.\nFill the middle.']
		]);
		expect(reshaped('steps', [said('Dig the trench. It is deep.')])[0]!.blocks).toEqual([]);
	});

	it('put lines that say one thing each into a table', () => {
		const [costs] = reshaped('table', [
			said('Prices differ. A hammer costs £40. A line costs £6 a reel. A bar costs £35.')
		]);
		expect(costs!.blocks.map(docText)).toEqual([
			'Prices differ.',
			'What\nCost\nHammer\n£40\nLine\n£6 a reel\nBar\n£35'
		]);
		expect(reshaped('table', [said('A hammer costs £40. It is worth it.')])[0]!.blocks).toEqual([]);
	});

	it('shorten by phrases first, then by sentences that hold nothing wanted', () => {
		const stands = [
			said(
				'In order to drain it, dig down. Nobody likes that. The trench is 38 cm deep. A batter frame helps. It rains a lot.'
			)
		];
		const [version] = reshaped('shorten', stands, {
			budget: 15,
			terms: [{ phrase: 'batter frame', uses: 1 }]
		});
		expect(version!.blocks.map(docText)).toEqual([
			'To drain it, dig down. The trench is 38 cm deep. A batter frame helps.'
		]);
	});

	it('say a passage otherwise in several ways, in place of the passage alone', () => {
		const stands = [
			said('In order to drain it, dig down. If the ground is wet, the trench fills quickly.')
		];
		const versions = reshaped('another version', stands, { isPassage: true });
		expect(versions.map(({ blocks }) => docText(blocks[0]!))).toEqual([
			'To drain it, dig down. If the ground is wet, the trench fills quickly.',
			'In order to drain it, dig down. The trench fills quickly if the ground is wet.'
		]);
		expect(versions[0]!.over).toEqual(stands.map(docText));
		expect(
			reshaped('another version', [said('Dig down.')], { isPassage: true })[0]!.outcome.kind
		).toBe('refused');
	});
});
