import type { Editor, JSONContent } from '@tiptap/core';
import type { Node as ProseNode } from '@tiptap/pm/model';
import {
	emptyParagraph,
	heading,
	textNode,
	type BlockNode,
	type Origin,
	type SectionCut,
	type TakeDoc
} from '$lib/core/manuscript';
import { headingOf, type Plan } from '$lib/core/plan';
import type { Mark } from '$lib/core/proof';
import type { QuoteStyle } from '$lib/core/text';
import { stretchOf } from '$lib/core/writers';
import { chainInText, quoting, replacing } from './edits';
import { placeOfMark } from './marks-plugin';
import { blockStart, extentIn } from './text-places';

/** The open manuscript, as far as its changes need it. */
export interface ManuscriptInHand {
	readonly editor: Editor | undefined;
	readonly plan: Plan;
	/** Position of the block that the cursor stands in. */
	readonly block: number;
	/** Where the planned sections stand, by id. */
	cuts(): ReadonlyMap<string, SectionCut>;
	/** A command of the editor with the cursor in it. */
	command(run: (chain: ReturnType<Editor['chain']>) => ReturnType<Editor['chain']>): void;
	/** Puts the cursor into a block and shows it. */
	showBlock(block: number): void;
	/** The first block under a heading in which a stretch is found. */
	findBelow(
		headingBlock: number,
		spanIn: (node: ProseNode) => { readonly start: number; readonly end: number } | null
	): { readonly block: number; readonly node: ProseNode; readonly start: number } | null;
}

/** What is put into a manuscript and changed in it, each a step of the editor's own history. */
export class ManuscriptChanges {
	readonly #hand: ManuscriptInHand;
	/** What is being dragged towards the manuscript, as it would stand in it. */
	dragged: readonly BlockNode[] | null = null;

	constructor(hand: ManuscriptInHand) {
		this.#hand = hand;
	}

	/** Puts blocks into a section in place of its text, or below it. */
	put(section: string, blocks: readonly BlockNode[], how: 'replace' | 'below'): void {
		const cut = this.#hand.cuts().get(section);
		const editor = this.#hand.editor;
		if (!cut || !editor || blocks.length === 0) return;
		const extent = extentIn(editor.state.doc, cut);
		const range = how === 'replace' ? extent : { from: extent.to, to: extent.to };
		this.#hand.command((chain) => chain.insertContentAt(range, blocks as JSONContent[]));
	}

	/** Puts blocks behind a block; behind the cursor's without one. */
	putBehind(block: number | null, blocks: readonly BlockNode[]): void {
		const editor = this.#hand.editor;
		if (!editor) return;
		const place = Math.min((block ?? this.#hand.block) + 1, editor.state.doc.childCount);
		const at = blockStart(editor.state.doc, place);
		this.#hand.command((chain) => chain.insertContentAt(at, blocks as JSONContent[]));
		this.#hand.showBlock(place);
	}

	/** Puts blocks at the end of a section, before what is still missing there; behind the cursor's block without a section. */
	bringBlocks(section: string | null, blocks: readonly BlockNode[]): void {
		const editor = this.#hand.editor;
		if (!editor || blocks.length === 0) return;
		const { doc } = editor.state;
		const cut = section === null ? undefined : this.#hand.cuts().get(section);
		let end = cut?.to ?? this.#hand.block + 1;
		while (cut && end > cut.from + 1 && doc.child(end - 1).type.name === 'gap') end--;
		const isBlank =
			cut !== undefined && end === cut.from + 2 && doc.child(end - 1).content.size === 0;
		const to = blockStart(doc, end);
		const range = { from: isBlank ? blockStart(doc, end - 1) : to, to };
		this.#hand.command((chain) => chain.insertContentAt(range, blocks as JSONContent[]));
		this.#hand.showBlock(isBlank ? end - 1 : end);
	}

	/** Puts blocks in place of the gap under a heading that holds these words. */
	replaceGap(headingBlock: number, words: string, blocks: readonly BlockNode[]): void {
		const found = this.#hand.findBelow(headingBlock, (node) =>
			node.type.name === 'gap' ? stretchOf(node.textContent, words) : null
		);
		if (!found || blocks.length === 0) return;
		const { start, node, block } = found;
		const range = { from: start, to: start + node.nodeSize };
		this.#hand.command((chain) => chain.insertContentAt(range, blocks as JSONContent[]));
		this.#hand.showBlock(block);
	}

	/** Puts the heading of a planned section that the manuscript lacks where the plan has it. */
	putHeading(section: string): void {
		const { plan } = this.#hand;
		const planned = plan.sections.find(({ id }) => id === section);
		const editor = this.#hand.editor;
		if (!planned || !editor) return;
		const order = plan.sections.map(({ id }) => id);
		const cuts = this.#hand.cuts();
		const before = order.slice(0, order.indexOf(section)).findLast((id) => cuts.has(id));
		const at = before ? extentIn(editor.state.doc, cuts.get(before)!).to : 0;
		const blocks = [heading(planned.level, headingOf(plan, planned), section), emptyParagraph()];
		editor
			.chain()
			.insertContentAt(at, blocks as JSONContent[])
			.run();
	}

	/** Puts a sentence in at the cursor, marked with its origin. */
	bringIn(text: string, origin: Origin | null): void {
		const nodes = [textNode(text, origin), textNode(' ')];
		this.#hand.command((chain) => chain.insertContent(nodes as JSONContent[]));
	}

	/** Puts dragged blocks behind the block that they are dropped on. */
	drop(at: number): boolean {
		const editor = this.#hand.editor;
		const blocks = this.dragged;
		this.dragged = null;
		if (!editor || !blocks) return false;
		const block = editor.state.doc.resolve(at).index(0);
		const behind = blockStart(editor.state.doc, block + 1);
		this.#hand.command((chain) => chain.insertContentAt(behind, blocks as JSONContent[]));
		return true;
	}

	/** Puts a pasted document in at the cursor; its title is a heading of a section where there is one already. */
	pasteDoc(doc: TakeDoc): boolean {
		const editor = this.#hand.editor;
		if (!editor) return false;
		const isTitle = (block: BlockNode | undefined) =>
			block?.type === 'heading' && block.attrs.level === 1;
		const goesDown = isTitle(editor.state.doc.firstChild?.toJSON()) && doc.content.some(isTitle);
		const blocks = doc.content.map((block) =>
			goesDown && block.type === 'heading'
				? { ...block, attrs: { ...block.attrs, level: Math.min(4, block.attrs.level + 1) } }
				: block
		);
		return chainInText(editor)
			.insertContent(blocks as JSONContent[])
			.scrollIntoView()
			.run();
	}

	/** Puts other words in place of those of a mark, with their formats; nothing else changes. */
	mend(mark: Mark, replacement: string): boolean {
		const editor = this.#hand.editor;
		const found = editor && placeOfMark(editor.state.doc, mark);
		if (!editor || !found) return false;
		if (editor.state.doc.textBetween(found.from, found.to, '\n', ' ') !== mark.quote) return false;
		editor.view.dispatch(replacing(editor.state, found, replacement));
		return true;
	}

	/** Leaves a gap behind the block of a mark. */
	leaveGap({ place }: Pick<Mark, 'place'>, text: string): void {
		const editor = this.#hand.editor;
		if (!editor || !place) return;
		const at = blockStart(editor.state.doc, place.block + 1);
		const blocks = [{ type: 'gap', content: [{ type: 'text', text }] }];
		editor
			.chain()
			.insertContentAt(at, blocks as JSONContent[])
			.run();
	}

	/** Sets the quotation marks of the whole text in a style, as one step; false where all are set. */
	setQuotes(style: QuoteStyle): boolean {
		const editor = this.#hand.editor;
		const step = editor && quoting(editor.state, style);
		if (!editor || !step) return false;
		editor.view.dispatch(step);
		return true;
	}

	/** Says what the picture in hand shows, for who cannot see it. */
	setAlt(alt: string): void {
		this.#hand.editor?.chain().updateAttributes('figure', { alt }).run();
	}
}
