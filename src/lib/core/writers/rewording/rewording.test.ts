import { describe, expect, it } from 'vitest';
import { docText, heading, list, markedText, paragraph, quote, textNode } from '../../manuscript';
import { rewordBlocks } from './reword-blocks';
import { rewordSentence, type Way } from './reword-sentence';
import { saysTheSame } from './says-the-same';

const said = (way: Way, cases: readonly (readonly [string, string | null])[]) => {
	for (const [sentence, expected] of cases)
		expect(rewordSentence(sentence, way), sentence).toBe(expected);
};

describe('rewordSentence', () => {
	it('says in fewer words what can be said so', () =>
		said('shorter', [
			['In order to drain it, dig a really deep trench.', 'To drain it, dig a deep trench.'],
			['It is important to note that the cope is heavy.', 'The cope is heavy.'],
			['It has an extremely old gate.', 'It has an old gate.'],
			['It is able to carry a very wide load.', 'It can carry a wide load.'],
			// these would say something else
			['The cope is not very heavy.', null],
			['You cannot simply lift it.', null],
			['He put it simply and left.', null],
			['one cup of very fine sand', 'one cup of fine sand'],
			['She said: “It is really very old.”', null]
		]));

	it('cuts a sentence between two whole clauses, and nowhere else', () =>
		said('split', [
			[
				'The stones are heavy, and the lorry cannot reach the field.',
				'The stones are heavy. The lorry cannot reach the field.'
			],
			[
				'Hearting looks like rubble; it holds the wall together.',
				'Hearting looks like rubble. It holds the wall together.'
			],
			[
				'The wall drains on its own, but the gate post needs a drain.',
				'The wall drains on its own. But the gate post needs a drain.'
			],
			['He brought the line, the pins, and the hammer was his own.', null],
			['If the ground is wet, the trench fills, and the work stops.', null],
			['Two do it well: you lift one side, and the other man holds it.', null],
			['One mason asked for lime; another what the sand was for.', null],
			['Like the cope of this wall, and the throughs of that one.', null]
		]));

	it('names first who did it', () =>
		said('active', [
			['The wall was rebuilt by two farmers.', 'Two farmers rebuilt the wall.'],
			['It was written by Anna Moor.', 'Anna Moor wrote it.'],
			['The stones were carefully chosen by the mason.', 'The mason carefully chose the stones.'],
			// no doer, or more than one clause
			['The cope was laid by hand.', null],
			['The cope was set by the end of May.', null],
			['The trench was widened by a third.', null],
			['The wall that leaned was rebuilt by two farmers.', null],
			['The wall was rebuilt by lifting the cope.', null]
		]));

	it('moves a clause to the other end where no word loses what it stands for', () =>
		said('turned', [
			[
				'If the ground is wet, the trench fills quickly.',
				'The trench fills quickly if the ground is wet.'
			],
			['Water runs off because the cope is steep.', 'Because the cope is steep, water runs off.'],
			['If the stone rocks, turn it.', null],
			['Hearting settles when it is thrown in.', null],
			['Ask the owner if the wall is listed.', null],
			["That's because the cope is steep.", null],
			['The wall does not fall because the cope is steep.', null],
			['But the trench fills if the ground is wet.', null],
			['Even if the ground is wet, the trench holds.', null]
		]));

	it('contracts and writes in full, but for what can be read two ways', () => {
		said('contracted', [
			['You do not need lime, and it is not strong.', 'You don’t need lime, and it isn’t strong.'],
			['It will not last.', 'It won’t last.'],
			['This is how we got to where we are now.', null],
			['It is as good as it is.', 'It’s as good as it is.'],
			['The stones stay where they are by weight alone.', null],
			['It is not only heavy.', null],
			['How many of you are here to help?', null]
		]);
		said('in full', [
			['It’s heavy and you can’t lift it.', 'It is heavy and you cannot lift it.'],
			["They won't hold.", 'They will not hold.'],
			["It's been rebuilt twice.", null],
			["Don't you need lime?", null],
			["He'd build it again.", null]
		]);
	});
});

describe('saysTheSame', () => {
	it('wants the same figures, names and negations', () => {
		expect(saysTheSame('It costs £40 in Fellgate.', 'In Fellgate it costs £40.')).toBe(true);
		expect(saysTheSame('It costs £40.', 'It costs £45.')).toBe(false);
		expect(saysTheSame('It stands in Fellgate.', 'It stands in Hillfoot.')).toBe(false);
		expect(saysTheSame('It does not stand.', 'It does stand.')).toBe(false);
		expect(saysTheSame("It doesn't stand.", 'It does not stand.')).toBe(true);
	});
});

describe('rewordBlocks', () => {
	const origin = { type: 'origin', attrs: { source: 'n', label: 'n1' } } as const;

	it('keeps formatting and origins, and what is no running text', () => {
		const blocks = [
			heading(2, 'A really good heading'),
			paragraph(markedText('Use a really flat stone. ', [origin]), textNode('It is able to hold.')),
			list(false, [[textNode('A really long pin')]]),
			quote(paragraph(textNode('A really old saying.')))
		];
		const again = rewordBlocks(blocks, ['shorter']);
		expect(again.map(docText)).toEqual([
			'A really good heading',
			'Use a flat stone. It can hold.',
			'A long pin',
			'A really old saying.'
		]);
		expect(again[1]).toEqual(
			paragraph(markedText('Use a flat stone. ', [origin]), textNode('It can hold.'))
		);
	});

	it('leaves a sentence alone that changes its formatting half-way, and all where nothing applies', () => {
		const blocks = [
			paragraph(textNode('It is able to '), markedText('hold', [{ type: 'bold' }]), textNode('.'))
		];
		expect(rewordBlocks(blocks, ['shorter', 'split'])).toBe(blocks);
	});
});
