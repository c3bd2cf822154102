import type { Editor } from '@tiptap/core';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
	docOf,
	docText,
	heading,
	list,
	paragraph,
	quote,
	table,
	textNode,
	type BlockNode,
	type TakeDoc
} from '$lib/core/manuscript';
import { readArticle } from '$lib/core/measure';
import { forbiddenCheck, Proofreader } from '$lib/core/proof';
import { indexTerms } from '$lib/core/text';
import { makeEditor } from './manuscript';
import { placeOfMark, showMarks } from './marks-plugin';
import { blockStart, extentIn, positionsIn } from './text-places';

let editor: Editor;

function open(doc: TakeDoc): Editor {
	const quiet = { onUpdate: () => {}, onLoad: () => {}, onSelect: () => {}, onDrop: () => false };
	editor = makeEditor(document.body.appendChild(document.createElement('div')), doc, quiet);
	return editor;
}

const said = (text: string) => paragraph(textNode(text));
const article = docOf([
	heading(2, 'A cheap wall', 's1'),
	said('It is cheap to build. A cheap stone splits.'),
	list(true, [[textNode('one cheap thing')], [textNode('two')]]),
	quote(said('So cheap.'), said('And again cheap.')),
	table([[[textNode('cheap')], [textNode('dear')]]], false),
	said('The end.')
]);

function marksIn(doc: TakeDoc) {
	const ruler = { terms: indexTerms([]), runs: new Float64Array() };
	const proof = new Proofreader({ blocks: [forbiddenCheck(['cheap'])], article: [] });
	return proof.read(readArticle(doc, ruler));
}

/** Words that are marked on screen, in order. */
const marked = () =>
	[...editor.view.dom.querySelectorAll('.proof-mark')].map((element) => element.textContent);

beforeEach(() => void open(article));
afterEach(() => editor.destroy());

describe('positionsIn', () => {
	it('finds every place of a block’s text, whatever the block is made of', () => {
		const block = fc.constantFrom<BlockNode>(...article.content);
		fc.assert(
			fc.property(block, fc.nat(40), fc.nat(40), (node, a, b) => {
				const text = docText(node);
				const [from, to] = [Math.min(a, b), Math.max(a, b)].map((at) => Math.min(at, text.length));
				const at = article.content.indexOf(node);
				const { doc } = editor.state;
				const [start, end] = positionsIn(doc.child(at), blockStart(doc, at), [from!, to!]);
				const between = doc.textBetween(start!, end!, '\n', '\n');
				expect(between.replace(/\n+/g, '')).toBe(text.slice(from, to).replace(/\n/g, ''));
			})
		);
	});
});

describe('proof marks in the manuscript', () => {
	it('stand on their words in headings, paragraphs, lists, quotations and tables', () => {
		const marks = marksIn(article);
		showMarks(editor, marks);
		expect(marks).toHaveLength(7);
		expect(marked()).toEqual(Array(7).fill('cheap'));
		for (const mark of marks) {
			const { from, to } = placeOfMark(editor.state.doc, mark)!;
			expect(editor.state.doc.textBetween(from, to)).toBe('cheap');
		}
	});

	it('move with what is typed before them, and go as soon as their words are touched', () => {
		showMarks(editor, marksIn(article));
		editor.commands.insertContentAt(1, 'Not ');
		editor.commands.insertContentAt(editor.state.doc.child(0).nodeSize + 1, 'Yes. ');
		expect(marked()).toEqual(Array(7).fill('cheap'));
		const inside = editor.state.doc.child(0).nodeSize + 1 + 'Yes. It is ch'.length;
		editor.commands.insertContentAt(inside, 'x');
		expect(marked()).toHaveLength(6);
		expect(editor.state.doc.child(1).textContent).toContain('chxeap');
	});

	it('are no part of the text, and no step to undo', () => {
		const before = editor.getJSON();
		showMarks(editor, marksIn(article));
		expect(editor.getJSON()).toEqual(before);
		expect(editor.can().undo()).toBe(false);
	});

	it('give way to those of the next reading', () => {
		showMarks(editor, marksIn(article));
		showMarks(editor, []);
		expect(marked()).toEqual([]);
	});
});

describe('sections in the editor', () => {
	it('keep one heading each: a split or copied one belongs to the first alone', () => {
		editor.commands.setTextSelection(4);
		editor.commands.splitBlock();
		const sections: unknown[] = [];
		editor.state.doc.forEach(({ type, attrs }) => {
			if (type.name === 'heading') sections.push(attrs.section);
		});
		expect(sections).toEqual(['s1', null]);
	});

	it('reach in the document from behind their heading to the next section', () => {
		const { doc } = editor.state;
		const { from, to } = extentIn(doc, { from: 0, to: 2 });
		expect(doc.textBetween(from, to)).toBe('It is cheap to build. A cheap stone splits.');
	});
});
