import type { Editor } from '@tiptap/core';
import { fireEvent, render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import {
	commentsOf,
	docOf,
	docText,
	heading,
	paragraph,
	textNode,
	type TakeDoc
} from '$lib/core/manuscript';
import { ClientComments } from './client-comments.svelte';
import CommentBox from './CommentBox.svelte';
import { quoting } from './edits';
import LinkBox from './LinkBox.svelte';
import { makeEditor } from './manuscript';
import { ManuscriptOutline } from './manuscript-outline.svelte';
import OutlineBeside from './OutlineBeside.svelte';
import { addressTyped, TextLinks } from './text-links.svelte';
import { readChosen } from './text-places';

let editor: Editor;
let tick = $state(0);
const user = userEvent.setup({ pointerEventsCheck: 0 });
const named = (name: string | RegExp) => screen.getByRole('button', { name });
const now = () => {
	void tick;
	return editor;
};

function open(doc: TakeDoc): void {
	const element = document.body.appendChild(document.createElement('div'));
	editor = makeEditor(element, doc, {
		onUpdate: () => tick++,
		onLoad: () => tick++,
		onSelect: () => tick++,
		onDrop: () => false,
		quotes: () => 'double'
	});
}

const said = (text: string) => paragraph(textNode(text));
const doc = () => editor.getJSON() as TakeDoc;
const texts = () => doc().content.map(docText);
const WALL = docOf([
	heading(1, 'Walls', 'top'),
	said('An opening.'),
	heading(2, 'Dig', 'dig'),
	said('The trench is dug first.'),
	heading(3, 'Tools'),
	said('A spade.'),
	heading(2, 'Build', 'build'),
	said('Lay each course level.')
]);

afterEach(() => {
	editor.destroy();
	document.body.replaceChildren();
});

describe('the outline of a manuscript', () => {
	const shown = () => {
		open(WALL);
		return render(OutlineBeside, { outline: new ManuscriptOutline(now) });
	};
	const rows = () => screen.getAllByRole('listitem').map((row) => row.textContent ?? '');

	it('says the words under each heading, and moves a section with all that is in it', async () => {
		shown();
		expect(rows()[1]).toMatch(/Dig\s*7/);
		expect((named('Move up: Dig') as HTMLButtonElement).disabled).toBe(true);
		await user.click(named('Move down: Dig'));
		expect(texts()).toEqual([
			'Walls',
			'An opening.',
			'Build',
			'Lay each course level.',
			'Dig',
			'The trench is dug first.',
			'Tools',
			'A spade.'
		]);
		expect(doc().content[4]).toMatchObject({ attrs: { section: 'dig' } });
		expect(document.activeElement?.textContent?.trim()).toBe('Dig');
		editor.commands.undo();
		expect(texts()[2]).toBe('Dig');
	});

	it('folds by key, leaves the document as it is, and opens where the cursor goes in', async () => {
		shown();
		named('Dig').focus();
		await user.keyboard('{ArrowLeft}');
		const hidden = () => editor.view.dom.querySelectorAll('.folded-away').length;
		expect(hidden()).toBe(3);
		expect(editor.view.dom.querySelector('.folded')?.getAttribute('data-folded')).toBe(
			'8 words folded'
		);
		expect(doc()).toEqual(WALL);
		editor.commands.insertContentAt(1, 'Dry ');
		expect(hidden()).toBe(3);
		const at = editor.state.doc.resolve(editor.state.doc.content.size - 60).pos;
		editor.commands.setTextSelection(Math.max(45, at - 10));
		flushSync();
		expect(hidden()).toBe(0);
	});

	it('folds and unfolds all sections, the title aside', async () => {
		shown();
		await user.click(named('Fold all'));
		expect(editor.view.dom.querySelectorAll('.folded')).toHaveLength(3);
		await user.click(named('Unfold all'));
		expect(editor.view.dom.querySelectorAll('.folded')).toHaveLength(0);
	});
});

describe('comments for the client', () => {
	it('are said about chosen words, changed, gone to and taken away, and part no text', async () => {
		open(docOf([said('The cope is heavy and costly.')]));
		const comments = new ClientComments(now);
		const onclose = vi.fn();
		const box = render(CommentBox, { comments, onclose });
		expect(screen.getByText(/^Choose the words/)).toBeTruthy();
		// what is typed goes to the box, whether words are chosen or not
		await user.keyboard('Is that your word?{Control>}{Enter}{/Control}');
		expect(onclose).not.toHaveBeenCalled();
		editor.commands.setTextSelection({ from: 5, to: 9 });
		flushSync();
		await user.click(named('Keep the comment'));
		expect(onclose).toHaveBeenCalledTimes(1);
		expect(commentsOf(doc())).toEqual([{ text: 'Is that your word?', words: 'cope', block: 0 }]);
		// bold in the middle of the words does not make two of it
		editor.chain().setTextSelection({ from: 6, to: 8 }).toggleBold().run();
		expect(commentsOf(doc())).toHaveLength(1);
		editor
			.chain()
			.setTextSelection({ from: 13, to: 18 })
			.setMark('comment', { text: 'Or dear?' })
			.run();
		flushSync();
		const list = within(screen.getByRole('list', { name: 'All comments' }));
		expect(list.getAllByRole('listitem').map(({ textContent }) => textContent.trim())).toEqual([
			'“cope” Is that your word?',
			'“heavy” Or dear?'
		]);
		await user.click(list.getByRole('button', { name: '“heavy”' }));
		expect(comments.atCursor).toBe('Or dear?');
		comments.say('');
		box.unmount();
		editor.commands.setTextSelection(1);
		expect(comments.next()).toBe(true);
		flushSync();
		expect(comments.atCursor).toBe('Is that your word?');
		comments.say('');
		expect(commentsOf(doc())).toEqual([]);
		expect(texts()).toEqual(['The cope is heavy and costly.']);
	});
});

describe('what the browser shows as chosen', () => {
	it('is taken over before something else takes the keys', () => {
		open(docOf([said('The cope is heavy and costly.')]));
		const words = editor.view.dom.querySelector('p')!.firstChild!;
		document.getSelection()!.setBaseAndExtent(words, 4, words, 8);
		readChosen(editor.view);
		expect(editor.state.selection).toMatchObject({ from: 5, to: 9 });
		// what is chosen elsewhere is none of the text's business
		const other = document.body.appendChild(document.createElement('p'));
		other.textContent = 'another text';
		document.getSelection()!.setBaseAndExtent(other.firstChild!, 0, other.firstChild!, 3);
		readChosen(editor.view);
		expect(editor.state.selection).toMatchObject({ from: 5, to: 9 });
	});

	it('is what the next key falls on, though the editor was not told of it yet', () => {
		open(docOf([said('The cope is heavy.'), said('It is costly.')]));
		editor.commands.focus();
		editor.commands.setTextSelection({ from: 5, to: 9 });
		const words = editor.view.dom.querySelectorAll('p')[1]!.firstChild!;
		document.getSelection()!.collapse(words, 2);
		fireEvent.keyDown(editor.view.dom, { key: 'Enter', keyCode: 13 });
		expect(texts()).toEqual(['The cope is heavy.', 'It', ' is costly.']);
	});

	it('is not set back a moment after something was said about other words', async () => {
		open(docOf([said('The cope is heavy.'), said('It is costly.')]));
		const comments = new ClientComments(now);
		editor.commands.setTextSelection({ from: 5, to: 9 });
		document.body.appendChild(document.createElement('input')).focus();
		comments.say('Is that your word?');
		expect(document.activeElement).toBe(editor.view.dom);
		const words = editor.view.dom.querySelectorAll('p')[1]!.firstChild!;
		document.getSelection()!.collapse(words, 2);
		await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
		expect(document.getSelection()!.anchorNode).toBe(words);
	});
});

describe('links', () => {
	const targets = [
		{ address: 'https://fellgate.example/cope', name: 'cope stones', where: 'Fellgate' },
		{ address: 'https://walls.example/a', name: 'How a wall is built', where: 'page A' }
	];

	it('offers pages that speak of the chosen words, and sets the one that is chosen', async () => {
		open(docOf([said('The cope is heavy.')]));
		editor.commands.setTextSelection({ from: 5, to: 9 });
		const onclose = vi.fn();
		render(LinkBox, { links: new TextLinks(now), targets, onclose });
		const list = screen.getByRole('list', { name: 'Pages that fit' });
		expect(list.textContent).toContain('cope stones');
		expect(list.textContent).not.toContain('How a wall');
		await user.click(named(/^cope stones/));
		expect(editor.getHTML()).toContain('href="https://fellgate.example/cope"');
		expect(onclose).toHaveBeenCalled();
	});

	it('finds by words of a name, takes a typed address, and says when it is none', async () => {
		open(docOf([said('The cope is heavy.')]));
		editor.commands.setTextSelection({ from: 5, to: 9 });
		render(LinkBox, { links: new TextLinks(now), targets, onclose: vi.fn() });
		const field = screen.getByRole('textbox', { name: /^Address/ });
		await user.type(field, 'how a wall');
		expect(named(/^How a wall is built/)).toBeTruthy();
		await user.click(named('Set the link'));
		expect(screen.getByRole('alert').textContent).toContain('no address');
		await user.clear(field);
		await user.type(field, 'walls.example/b{Enter}');
		expect(editor.getHTML()).toContain('href="https://walls.example/b"');
	});

	it.each([
		['https://a.example/x', 'https://a.example/x'],
		['a.example', 'https://a.example'],
		['/tools', '/tools'],
		['mailto:jo@a.example', 'mailto:jo@a.example'],
		['javascript:alert(1)', null],
		['two words', null],
		['cope', null]
	])('%s', (typed, address) => {
		expect(addressTyped(typed)).toBe(address);
	});
});

describe('typing', () => {
	const type = (text: string) => {
		for (const sign of text) {
			const { from, to } = editor.state.selection;
			const isTaken = editor.view.someProp('handleTextInput', (handle) =>
				handle(editor.view, from, to, sign, () => editor.state.tr.insertText(sign, from, to))
			);
			if (!isTaken) editor.commands.insertContent(sign);
		}
	};

	it('sets quotation marks as they are typed, and none in code', () => {
		open(docOf([paragraph()]));
		editor.commands.setTextSelection(1);
		type(`He said "don't".`);
		expect(texts()).toEqual(['He said “don’t”.']);
		editor.commands.setContent({ type: 'doc', content: [{ type: 'codeBlock' }] });
		editor.commands.setTextSelection(1);
		type('a = "b"');
		expect(texts()[0]).toBe('a = "b"');
	});

	it('sets those of a whole text in one step, formats and code kept', () => {
		open(
			docOf([
				paragraph(
					{ type: 'text', text: '"Heavy', marks: [{ type: 'bold' }] },
					textNode(`" it's `),
					{ type: 'text', text: '"x"', marks: [{ type: 'code' }] }
				)
			])
		);
		editor.view.dispatch(quoting(editor.state, 'double')!);
		expect(texts()).toEqual(['“Heavy” it’s "x"']);
		expect(doc().content[0]).toMatchObject({
			content: [{ text: '“Heavy', marks: [{ type: 'bold' }] }, {}, {}]
		});
		expect(quoting(editor.state, 'double')).toBeNull();
		editor.commands.undo();
		expect(texts()).toEqual([`"Heavy" it's "x"`]);
	});
});
