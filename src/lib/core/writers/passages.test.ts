import { describe, expect, it } from 'vitest';
import { docText, paragraph, textNode } from '../manuscript';
import { linesOfReply } from './reply';
import { passageAt } from './version';

const said = (text: string) => paragraph(textNode(text));

describe('a passage of a section', () => {
	const blocks = ['One.', 'Two.', 'Three.', 'Two.', 'Four.'].map(said);

	it('is found by its words, wherever it has moved, and not once they are changed', () => {
		expect(passageAt(blocks, ['Two.', 'Three.'])).toBe(1);
		expect(passageAt(blocks, ['Two.', 'Four.'])).toBe(3);
		expect(passageAt(blocks, ['Two.', 'Five.'])).toBe(-1);
		expect(passageAt(blocks, [])).toBe(-1);
	});
});

describe('lines to choose from', () => {
	it('are the lists of a reply with their headings, whatever stands around them', () => {
		const reply = [
			'Sure, here you go!',
			'### Titles',
			'1. Walls: a guide\n2. **Walls** that stand',
			'**Descriptions**',
			'- How walls are built.',
			'## A thought',
			'Let me know.'
		].join('\n\n');
		expect(linesOfReply(reply).map((block) => [block.type, docText(block)])).toEqual([
			['heading', 'Titles'],
			['orderedList', 'Walls: a guide\nWalls that stand'],
			['heading', 'Descriptions'],
			['bulletList', 'How walls are built.']
		]);
	});
});
