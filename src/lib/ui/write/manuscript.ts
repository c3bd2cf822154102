import { Editor, Extension, Mark, mergeAttributes, Node, type JSONContent } from '@tiptap/core';
import { Plugin } from '@tiptap/pm/state';
import { Table, TableCell, TableHeader, TableRow } from '@tiptap/extension-table';
import { Placeholder } from '@tiptap/extensions';
import Heading from '@tiptap/extension-heading';
import StarterKit from '@tiptap/starter-kit';
import { docFromMarkdown, type TakeDoc } from '$lib/core/manuscript';
import { quoteSign, type QuoteStyle } from '$lib/core/text';
import { search } from 'prosemirror-search';
import { pictureAddress } from '../parts/picture-address';
import { Folds } from './folds';
import { ProofMarks } from './marks-plugin';
import { cleanedPaste, isMarkdown, isOwnMarkup } from './paste';
import { readChosen } from './text-places';

/** A heading that remembers which planned section it opens. */
const SectionHeading = Heading.extend({
	addAttributes() {
		return {
			...this.parent?.(),
			section: {
				default: null,
				keepOnSplit: false,
				parseHTML: (element) => element.getAttribute('data-section'),
				renderHTML: ({ section }: { section?: string | null }) =>
					section ? { 'data-section': section } : {}
			}
		};
	},
	addProseMirrorPlugins: () => [
		new Plugin({
			// a heading that is split or copied leaves the section with the first of the two
			appendTransaction: (transactions, _before, { doc, tr }) => {
				if (!transactions.some(({ docChanged }) => docChanged)) return null;
				const seen = new Set<string>();
				doc.forEach((node, position) => {
					const section = node.attrs.section as string | null | undefined;
					if (node.type.name !== 'heading' || !section) return;
					if (seen.has(section)) tr.setNodeAttribute(position, 'section', null);
					seen.add(section);
				});
				return tr.docChanged ? tr : null;
			}
		})
	]
}).configure({ levels: [1, 2, 3, 4] });

/** A marked place where material is missing. */
const Gap = Node.create({
	name: 'gap',
	group: 'block',
	content: 'text*',
	marks: '',
	defining: true,
	parseHTML: () => [{ tag: 'div[data-gap]' }],
	renderHTML: ({ HTMLAttributes }) => [
		'div',
		mergeAttributes(HTMLAttributes, { 'data-gap': '', class: 'gap', role: 'note' }),
		0
	]
});

/** A picture that is kept beside the text, with its caption, which is written in place. */
const Figure = Node.create({
	name: 'figure',
	group: 'block',
	content: 'text*',
	marks: '',
	draggable: true,
	isolating: true,
	addAttributes: () => ({ picture: { default: null }, alt: { default: '' } }),
	parseHTML: () => [{ tag: 'figure[data-picture]', contentElement: 'figcaption' }],
	renderHTML: ({ node }) => [
		'figure',
		{ 'data-picture': String(node.attrs.picture ?? '') },
		['figcaption', 0]
	],
	addNodeView: () => {
		return ({ node }) => {
			const dom = document.createElement('figure');
			const image = dom.appendChild(document.createElement('img'));
			const caption = dom.appendChild(document.createElement('figcaption'));
			image.alt = String(node.attrs.alt ?? '');
			image.draggable = false;
			void pictureAddress(String(node.attrs.picture ?? '')).then((address) => {
				if (address) image.src = address;
				else image.alt = `${image.alt} (this picture is not in this browser)`.trim();
			});
			return {
				dom,
				contentDOM: caption,
				// the picture comes later, and is nobody's typing
				ignoreMutation: (mutation) =>
					mutation.type !== 'selection' && !caption.contains(mutation.target)
			};
		};
	}
});

/** The note a sentence comes from; shown as a small sign behind it. */
const OriginMark = Mark.create({
	name: 'origin',
	inclusive: false,
	addAttributes: () => ({
		source: {
			default: '',
			parseHTML: (element) => element.getAttribute('data-source'),
			renderHTML: ({ source }) => ({ 'data-source': source as string })
		},
		label: {
			default: '',
			parseHTML: (element) => element.getAttribute('data-label'),
			renderHTML: ({ label }) => ({ 'data-label': label as string })
		}
	}),
	parseHTML: () => [{ tag: 'span[data-source]' }],
	renderHTML: ({ HTMLAttributes }) => [
		'span',
		mergeAttributes(HTMLAttributes, { class: 'origin' }),
		0
	]
});

/** Something said to the client about some words; it leaves with forms that have comments. */
const CommentMark = Mark.create({
	name: 'comment',
	inclusive: false,
	addAttributes: () => ({
		text: {
			default: '',
			parseHTML: (element) => element.getAttribute('data-comment'),
			renderHTML: ({ text }) => ({ 'data-comment': text as string, title: text as string })
		}
	}),
	parseHTML: () => [{ tag: 'span[data-comment]' }],
	renderHTML: ({ HTMLAttributes }) => [
		'span',
		mergeAttributes(HTMLAttributes, { class: 'comment' }),
		0
	]
});

/** Places that are looked for, shown in the text. */
const Search = Extension.create({ name: 'search', addProseMirrorPlugins: () => [search()] });

/** What a manuscript can hold, and what is shown in it. */
export const MANUSCRIPT_EXTENSIONS = [
	StarterKit.configure({
		heading: false,
		link: { openOnClick: false, autolink: false, protocols: ['http', 'https', 'mailto'] }
	}),
	SectionHeading,
	Gap,
	Figure,
	OriginMark,
	CommentMark,
	Folds,
	Table.configure({ resizable: false }),
	TableRow,
	TableHeader,
	TableCell,
	ProofMarks,
	Search,
	Placeholder.configure({
		includeChildren: false,
		placeholder: ({ node }) => (node.type.name === 'heading' ? 'A heading' : 'Write here')
	})
] as const;

/** Makes the editor of a manuscript inside an element. */
export function makeEditor(
	element: HTMLElement,
	doc: TakeDoc,
	handlers: {
		onUpdate: (editor: Editor) => void;
		onLoad: (editor: Editor) => void;
		onSelect: (editor: Editor) => void;
		/** Something of the app is dropped at a place of the document; false: it is not ours. */
		onDrop: (at: number) => boolean;
		/** Pictures are pasted or dropped at a place of the document; false: they are not taken. */
		onPictures?: (files: readonly File[], at: number) => boolean;
		/** Markdown is pasted; false: it comes in as text. */
		onMarkdown?: (doc: TakeDoc) => boolean;
		/** How quotation marks are set as they are typed; as they are where it is left out. */
		quotes?: () => QuoteStyle;
	}
): Editor {
	return new Editor({
		element,
		content: doc as JSONContent,
		extensions: [...MANUSCRIPT_EXTENSIONS],
		editorProps: {
			attributes: {
				'aria-label': 'Manuscript',
				role: 'textbox',
				'aria-multiline': 'true',
				spellcheck: 'true'
			},
			handleDOMEvents: {
				// a key that comes right behind a click falls on what is chosen now
				keydown: (view, event) => {
					if (!view.composing && !event.isComposing) readChosen(view);
					return false;
				}
			},
			handleTextInput: (view, from, to, typed) => {
				const style = handlers.quotes?.() ?? 'straight';
				if ((typed !== '"' && typed !== "'") || style === 'straight') return false;
				const place = view.state.doc.resolve(from);
				const isCode =
					place.parent.type.spec.code || place.marks().some((mark) => mark.type.spec.code);
				if (isCode) return false;
				const before = place.parent.textBetween(0, place.parentOffset, '\n', '\n');
				const set = quoteSign(typed, before, style);
				view.dispatch(view.state.tr.insertText(set, from, to));
				return true;
			},
			transformPastedHTML: (html, view) => {
				const first = view.state.doc.firstChild;
				const hasTitle = first?.type.name === 'heading' && first.attrs.level === 1;
				return isOwnMarkup(html) ? html : cleanedPaste(html, hasTitle);
			},
			handlePaste: (view, event) => {
				const data = event.clipboardData;
				// office programs send a picture of the text along
				if (data?.getData('text/html') === '' && imagesIn(data).length > 0)
					return handlers.onPictures?.(imagesIn(data), view.state.selection.from) ?? false;
				const text = data?.getData('text/plain') ?? '';
				// Markdown is pasted as text alone; inside code and with Shift it stays as it is
				if (!data || data.getData('text/html') !== '' || !isMarkdown(text)) return false;
				if (view.state.selection.$from.parent.type.spec.code) return false;
				return handlers.onMarkdown?.(docFromMarkdown(text)) ?? false;
			},
			handleDrop: (view, event) => {
				const at = view.posAtCoords({ left: event.clientX, top: event.clientY });
				if (at === null) return false;
				const images = imagesIn(event.dataTransfer);
				if (images.length > 0) return handlers.onPictures?.(images, at.pos) ?? false;
				return handlers.onDrop(at.pos);
			}
		},
		onTransaction: ({ editor, transaction }) => {
			// what is loaded from storage is nobody's typing: saving it again would have two tabs
			// answer each other for ever
			if (transaction.getMeta('preventUpdate')) handlers.onLoad(editor);
			else if (transaction.docChanged) handlers.onUpdate(editor);
			else if (transaction.selectionSet) handlers.onSelect(editor);
		}
	});
}

function imagesIn(data: DataTransfer | null): File[] {
	return [...(data?.files ?? [])].filter(({ type }) => type.startsWith('image/'));
}

/** Shows another state of the manuscript without counting it as typed; the caret stays where it was. */
export function loadDoc(editor: Editor, doc: TakeDoc): void {
	const { from } = editor.state.selection;
	editor.commands.setContent(doc as JSONContent, { emitUpdate: false });
	editor.commands.setTextSelection(Math.min(from, editor.state.doc.content.size));
}
