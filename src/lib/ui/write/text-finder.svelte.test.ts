import type { Editor } from '@tiptap/core';
import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { docOf, docText, heading, paragraph, textNode, type TakeDoc } from '$lib/core/manuscript';
import { replacing } from './edits';
import FindBar from './FindBar.svelte';
import { makeEditor } from './manuscript';
import { TextFinder } from './text-finder.svelte';

let editor: Editor;
const user = userEvent.setup();
const origin = { source: 'n1', label: 'n1' };

function open(doc: TakeDoc, onUpdate: () => void = () => {}): Editor {
	const element = document.body.appendChild(document.createElement('div'));
	editor = makeEditor(element, doc, {
		onUpdate,
		onLoad: () => {},
		onSelect: () => {},
		onDrop: () => false
	});
	return editor;
}

const textOf = () => (editor.getJSON() as TakeDoc).content.map(docText).join('|');

afterEach(() => {
	editor.destroy();
	document.body.replaceChildren();
});

describe('find and replace', () => {
	function openBar() {
		let tick = $state(0);
		open(
			docOf([
				heading(2, 'The cope'),
				paragraph(textNode('A cope of copes. The Cope is heavy.')),
				paragraph(textNode('No cope here.'))
			]),
			() => tick++
		);
		const finder = new TextFinder(() => {
			void tick;
			return editor;
		});
		const onclose = vi.fn();
		return { onclose, ...render(FindBar, { finder, onclose }) };
	}
	const status = () => screen.getByRole('status').textContent;

	it('counts what is typed, inside words unless whole words are asked for', async () => {
		openBar();
		await user.type(screen.getByRole('textbox', { name: 'Find' }), 'cope');
		expect(status()).toBe('5 places');
		await user.click(screen.getByRole('checkbox'));
		expect(status()).toBe('3 places');
	});

	it('steps with Enter and keeps the focus in the field', async () => {
		openBar();
		const field = screen.getByRole('textbox', { name: 'Find' });
		await user.type(field, 'heavy{Enter}');
		const { from, to } = editor.state.selection;
		expect(editor.state.doc.textBetween(from, to)).toBe('heavy');
		expect(document.activeElement).toBe(field);
	});

	it('replaces all as one step of the history, and lets go when it is closed', async () => {
		const { onclose, unmount } = openBar();
		await user.type(screen.getByRole('textbox', { name: 'Find' }), 'cope');
		await user.type(screen.getByRole('textbox', { name: 'Replace with' }), 'cap');
		await user.click(screen.getByRole('button', { name: 'Replace all' }));
		expect(textOf()).toBe('The cap|A cap of caps. The cap is heavy.|No cap here.');
		flushSync();
		expect(status()).toBe('0 places');
		editor.commands.undo();
		expect(textOf()).toBe('The cope|A cope of copes. The Cope is heavy.|No cope here.');
		await user.keyboard('{Escape}');
		expect(onclose).toHaveBeenCalledTimes(1);
		unmount();
		expect(document.querySelectorAll('.ProseMirror-search-match')).toHaveLength(0);
	});
});

describe('replacing', () => {
	const stretch = (words: string) => {
		const at = editor.state.doc.textBetween(0, editor.state.doc.content.size, '\n').indexOf(words);
		return { from: at + 1, to: at + 1 + words.length };
	};
	const replace = (words: string, by: string) =>
		editor.view.dispatch(replacing(editor.state, stretch(words), by));

	it('keeps the origin of the words it takes the place of, and touches nothing else', () => {
		open(docOf([paragraph(textNode('By hand. '), textNode('From a note.', origin))]));
		replace('a note', 'the yard');
		const [block] = (editor.getJSON() as TakeDoc).content;
		expect(block).toMatchObject({
			content: [
				{ text: 'By hand. ' },
				{ text: 'From the yard.', marks: [{ type: 'origin', attrs: origin }] }
			]
		});
	});

	it('takes one space with what goes', () => {
		open(docOf([paragraph(textNode('It is very firm now.'))]));
		replace('very', '');
		expect(textOf()).toBe('It is firm now.');
		replace('It', '');
		expect(textOf()).toBe('is firm now.');
		replace('.', '');
		expect(textOf()).toBe('is firm now');
	});

	it('takes spaces alone as they are', () => {
		open(docOf([paragraph(textNode('two  spaces'))]));
		replace('  ', ' ');
		expect(textOf()).toBe('two spaces');
	});
});
