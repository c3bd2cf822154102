import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { list, markedText, paragraph, textNode } from './build';
import { docText } from './node';
import { withWordsReplaced } from './replace-words';

describe('withWordsReplaced', () => {
	it('changes words in place and keeps their formatting, in lists too', () => {
		const bold = markedText('the hammer', [{ type: 'bold' }]);
		expect(
			withWordsReplaced(paragraph(textNode('Take '), bold, textNode('.')), 5, 15, 'the big hammer')
		).toEqual(
			paragraph(textNode('Take '), markedText('the big hammer', [{ type: 'bold' }]), textNode('.'))
		);
		const entries = list(false, [[textNode('a line')], [textNode('the bar')]]);
		expect(docText(withWordsReplaced(entries, 7, 14, 'the iron bar')!)).toBe(
			'a line\nthe iron bar'
		);
	});

	it('gives nothing where the words run over a change of formatting', () => {
		const block = paragraph(textNode('Take the '), markedText('hammer', [{ type: 'bold' }]));
		expect(withWordsReplaced(block, 5, 15, 'a')).toBeNull();
		expect(withWordsReplaced(block, 99, 100, 'a')).toBeNull();
	});

	it('changes nothing outside its place', () => {
		fc.assert(
			fc.property(
				fc.array(fc.stringMatching(/^[a-z ]{1,8}$/), { minLength: 1 }),
				fc.nat(),
				fc.nat(),
				(texts, a, b) => {
					const block = list(
						true,
						texts.map((text) => [textNode(text)])
					);
					const text = docText(block);
					const start = a % text.length;
					const end = Math.min(text.length, start + 1 + (b % 5));
					const replaced = withWordsReplaced(block, start, end, 'X');
					if (replaced)
						expect(docText(replaced)).toBe(`${text.slice(0, start)}X${text.slice(end)}`);
					else expect(text.slice(start, end)).toContain('\n');
				}
			)
		);
	});
});
