import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gap, heading, list, paragraph, textNode } from './build';
import { docFromMarkdown, markdownOf } from './markdown';
import { docText, type BlockNode, type TakeDoc, type TextNode } from './node';

const doc = (...content: readonly BlockNode[]): TakeDoc => ({ type: 'doc', content });

describe('markdown', () => {
	const inline = fc.constantFrom<TextNode>(
		{ type: 'text', text: 'plain words' },
		{ type: 'text', text: 'bold', marks: [{ type: 'bold' }] },
		{
			type: 'text',
			text: 'a link',
			marks: [{ type: 'link', attrs: { href: 'https://walls.example/a' } }]
		}
	);
	const line = fc.uniqueArray(inline, {
		minLength: 1,
		maxLength: 3,
		selector: (node) => node.text
	});
	const block = fc.oneof(
		line.map((content) => paragraph(...content)),
		fc.integer({ min: 1, max: 4 }).map((level) => heading(level, 'A heading of it')),
		fc.boolean().map((ordered) => list(ordered, [[textNode('one')], [textNode('two')]])),
		fc.constant(gap('Find out how deep.')),
		fc.constant<BlockNode>({ type: 'codeBlock', content: [textNode('x = 1')] })
	);

	it('comes back as the same manuscript', () => {
		fc.assert(
			fc.property(fc.array(block, { minLength: 1, maxLength: 6 }), (content) => {
				// two lists of one kind in a row are one list in Markdown
				fc.pre(
					content.every(
						(node, i) =>
							i === 0 || !/List|gap/.test(node.type) || node.type !== content[i - 1]!.type
					)
				);
				const back = docFromMarkdown(markdownOf(doc(...content)));
				expect(back.content.map((node) => [node.type, docText(node)])).toEqual(
					content.map((node) => [node.type, docText(node)])
				);
				expect(markdownOf(back)).toBe(markdownOf(doc(...content)));
			})
		);
	});

	it('reads tables and leaves out dangerous links', () => {
		const back = docFromMarkdown('| a | b |\n| - | - |\n| c | d |\n\n[x](javascript:alert(1))');
		expect(back.content[0]!.type).toBe('table');
		expect(JSON.stringify(back)).not.toContain('javascript');
	});
});
