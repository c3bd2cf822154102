import type { Editor } from '@tiptap/core';
import type { Node as ProseNode } from '@tiptap/pm/model';
import { untrack } from 'svelte';
import {
	docText,
	headOf,
	outlineDifference,
	plannedCuts,
	type BlockNode,
	type SectionCut,
	type TakeDoc
} from '$lib/core/manuscript';
import type { Plan } from '$lib/core/plan';
import { stretchOf } from '$lib/core/writers';
import {
	brandCheck,
	forbiddenCheck,
	mustSayCheck,
	Proofreader,
	type Mark,
	type WordingRules
} from '$lib/core/proof';
import type { Move, Slip } from '$lib/core/standing';
import type { Take } from '$lib/data/db';
import { isOpen } from '../assignment/note-glance';
import { ClientComments } from './client-comments.svelte';
import { LiveReading, type Reading } from './live-reading';
import { chainInText } from './edits';
import { loadDoc, makeEditor } from './manuscript';
import type { ManuscriptContext } from './manuscript-context';
import { ManuscriptChanges, type ManuscriptInHand } from './manuscript-changes';
import { ManuscriptOutline } from './manuscript-outline.svelte';
import { placeOfMark, showMarks } from './marks-plugin';
import { TakeKeeper } from './take-keeper.svelte';
import { TextFinder } from './text-finder.svelte';
import { TextInHand } from './text-in-hand.svelte';
import { TextLinks } from './text-links.svelte';
import { blockStart, positionsIn, readChosen } from './text-places';

/** Typing rests this long before moves, marks and differences of the outline are worked out. */
const PAUSE_MS = 350;

/**
 * The manuscript that is open in the editor: its reading, its marks, its saving, and everything that
 * is done to it. Each change is a step of the editor's own history.
 */
export class ManuscriptEditor {
	readonly keeper: TakeKeeper;
	readonly #context: ManuscriptContext;
	readonly #first: TakeDoc;
	#editor = $state.raw<Editor>();
	/** Rises with every transaction, for what asks the editor how it stands. */
	#tick = $state(0);
	#reading = $state.raw<Reading | null>(null);
	#moves = $state.raw<readonly Move[]>([]);
	#marks = $state.raw<readonly Mark[]>([]);
	#differences = $state.raw<readonly string[]>([]);
	#block = $state(0);
	#pause: ReturnType<typeof setTimeout> | undefined;
	#hasMarks = false;

	/** What is put into the text and changed in it. */
	readonly changes = new ManuscriptChanges(this.#inHand());
	/** What is looked for in the text. */
	readonly finder = new TextFinder(() => this.#followed());
	readonly outline = new ManuscriptOutline(() => this.#followed());
	readonly comments = new ClientComments(() => this.#followed());
	readonly links = new TextLinks(() => this.#followed());
	/** What is chosen in the text, and what the cursor stands in. */
	readonly inHand = new TextInHand(
		() => this.#followed(),
		() => this.#cuts()
	);
	readonly reading = $derived(this.#reading);
	/** The steps that would gain most, best first; as typing paused last. */
	readonly moves = $derived(this.#moves);
	readonly marks = $derived(this.#marks);
	/** What the manuscript's outline has that the plan has not, in words. */
	readonly differences = $derived(this.#differences);
	/** Id of the planned section the cursor stands in; null above the first. */
	readonly section: string | null = $derived.by(() => {
		let found: string | null = null;
		for (const { section, at } of this.#reading?.slips ?? [])
			if (at >= 0 && at <= this.#block) found = section;
		return found;
	});
	/** Planned sections that the manuscript lacks. */
	readonly lacking: readonly Slip[] = $derived(
		this.#reading?.slips.filter(({ at }) => at < 0) ?? []
	);
	readonly #live: LiveReading | null = $derived.by(() => {
		const { findings, plan, runs } = this.#context;
		return findings && runs ? new LiveReading(findings, plan, runs) : null;
	});
	readonly #rules = $derived.by(() => JSON.stringify(this.#context.wording));
	readonly #proof = $derived.by(() => {
		const rules = JSON.parse(this.#rules) as WordingRules | null;
		if (!rules) return null;
		const { mustSay, mustNotSay, brands } = rules;
		return new Proofreader({
			blocks: [forbiddenCheck(mustNotSay), brandCheck(brands)],
			article: [mustSayCheck(mustSay)]
		});
	});

	/**
	 * @param take the manuscript as it is stored; followed by `follow`
	 * @param context what it is read against
	 */
	constructor(take: Take, context: ManuscriptContext) {
		this.keeper = new TakeKeeper(take);
		this.#first = take.doc;
		this.#context = context;
	}

	/** The editor, for what follows every transaction of it. */
	#followed(): Editor | undefined {
		void this.#tick;
		return this.#editor;
	}

	#inHand(): ManuscriptInHand {
		const open = {
			editor: () => this.#editor,
			plan: () => this.#context.plan,
			block: () => this.#block
		};
		return {
			get editor() {
				return open.editor();
			},
			get plan() {
				return open.plan();
			},
			get block() {
				return open.block();
			},
			cuts: () => this.#cuts(),
			command: (run) => this.command(run),
			showBlock: (block) => this.#showBlock(block),
			findBelow: (headingBlock, spanIn) => this.#findBelow(headingBlock, spanIn)
		};
	}

	/** Puts the editor into an element; returns what takes it out, saving what is unsaved. */
	mount(element: HTMLElement): () => void {
		return untrack(() => {
			const editor = makeEditor(element, this.#first, {
				onUpdate: (open) => {
					this.#read(open);
					this.keeper.changed(() => open.getJSON() as TakeDoc);
				},
				onLoad: (open) => this.#read(open),
				onSelect: () => this.#moved(),
				onDrop: (at) => this.changes.drop(at),
				onMarkdown: (doc) => this.changes.pasteDoc(doc),
				onPictures: (files, at) => {
					this.#context.onpictures?.(files, editor.state.doc.resolve(at).index(0));
					return this.#context.onpictures !== undefined;
				},
				quotes: () => this.#context.quotes ?? 'straight'
			});
			this.#editor = editor;
			this.#read(editor);
			const unwatch = this.keeper.watch();
			return () => {
				clearTimeout(this.#pause);
				unwatch();
				editor.destroy();
				this.#editor = undefined;
			};
		});
	}

	/** Reads the manuscript anew when plan, evidence or rules have changed. Call from an effect. */
	reread(): void {
		void this.#live;
		void this.#proof;
		const editor = this.#editor;
		if (editor) untrack(() => this.#read(editor));
	}

	/** Shows what another tab has stored, unless something is unsaved here. Call from an effect. */
	follow(stored: Take): void {
		untrack(() => {
			if (this.#editor && this.keeper.follows(stored)) loadDoc(this.#editor, stored.doc);
		});
	}

	/** The manuscript as it stands; null before it is mounted. */
	get doc(): TakeDoc | null {
		return (this.#editor?.getJSON() as TakeDoc | undefined) ?? null;
	}

	/** Words of the manuscript, counted whether the evidence is read or not. */
	get words(): number | null {
		return this.#reading?.article.words ?? null;
	}

	#read(editor: Editor): void {
		this.#moved();
		const live = this.#live;
		this.#reading = live?.read(editor) ?? null;
		// at first at once: a line that came in later would push the page away from under the hand
		if (!this.#hasMarks) this.#readMarks(editor);
		clearTimeout(this.#pause);
		this.#pause = setTimeout(() => {
			const reading = this.#reading;
			if (live && reading) this.#moves = live.moves(reading);
			this.#readMarks(editor);
			this.#differences = differencesOf(editor.getJSON() as TakeDoc, this.#context.plan);
		}, PAUSE_MS);
	}

	#readMarks(editor: Editor): void {
		if (!this.#reading || !this.#proof) return;
		this.#hasMarks = true;
		this.#marks = this.#proof.read(this.#reading.article);
		showMarks(editor, this.#marks);
	}

	/** Shows marks that were found elsewhere, one of them as the one in hand. */
	showMarks(marks: readonly Mark[], inHand: string | null): void {
		const editor = this.#editor;
		if (editor) untrack(() => showMarks(editor, marks, inHand));
	}

	/** The mark whose words the cursor stands in. */
	markAtCursor(marks: readonly Mark[]): Mark | null {
		const state = this.#editor?.state;
		if (!state) return null;
		const { from, to } = state.selection;
		return (
			marks.find((mark) => {
				const place = placeOfMark(state.doc, mark);
				return place !== null && place.from <= from && to <= place.to;
			}) ?? null
		);
	}

	/** The standing that some moves come to together; null while the evidence is read. */
	standingWith(moves: ReadonlySet<string>): number | null {
		return this.#live && this.#reading ? this.#live.standingWith(this.#reading, moves) : null;
	}

	#moved(): void {
		this.#tick++;
		if (this.#editor) this.#block = this.#editor.state.selection.$from.index(0);
	}

	/** Takes over what the browser shows as chosen; for what takes the focus now. */
	readChosen(): void {
		if (this.#editor) readChosen(this.#editor.view);
	}

	/** Elements of the blocks with these places, for what stands beside them. */
	elementOf(block: number): HTMLElement | null {
		const editor = this.#editor;
		if (!editor || block < 0) return null;
		const element = editor.view.nodeDOM(blockStart(editor.state.doc, block));
		return element instanceof HTMLElement ? element : null;
	}

	isOn(name: string, attributes?: Record<string, unknown>): boolean {
		void this.#tick;
		return this.#editor?.isActive(name, attributes) ?? false;
	}

	/** A command of the editor with the cursor in it. */
	command(run: (chain: ReturnType<Editor['chain']>) => ReturnType<Editor['chain']>): void {
		if (this.#editor) run(chainInText(this.#editor)).run();
	}

	/** Shows the words of a mark, chosen. */
	showMark(mark: Mark): void {
		const found = this.#editor && placeOfMark(this.#editor.state.doc, mark);
		if (found) this.command((chain) => chain.setTextSelection(found).scrollIntoView());
	}

	/** Puts the cursor behind the heading of a section. */
	goTo(section: string): void {
		const cut = this.#cuts().get(section);
		const editor = this.#editor;
		if (!cut || !editor) return;
		const end = blockStart(editor.state.doc, cut.from + 1) - 1;
		this.command((chain) => chain.setTextSelection(end));
		this.elementOf(cut.from)?.scrollIntoView({ block: 'start' });
	}

	/** Chooses the stretch under a heading that some words of a note have become; the heading where they are changed too much. */
	showWords(headingBlock: number, words: string): void {
		const editor = this.#editor;
		const found = this.#findBelow(headingBlock, (node) =>
			stretchOf(docText(node.toJSON() as BlockNode), words)
		);
		if (!editor) return;
		if (!found) {
			this.#showBlock(Math.max(0, headingBlock));
			return;
		}
		const [from, to] = positionsIn(found.node, found.start, [found.span.start, found.span.end]);
		this.command((chain) => chain.setTextSelection({ from: from!, to: to! }).scrollIntoView());
	}

	/** The first block under a heading in which a stretch is found. */
	#findBelow(
		headingBlock: number,
		spanIn: (node: ProseNode) => { readonly start: number; readonly end: number } | null
	) {
		const doc = this.#editor?.state.doc;
		if (!doc) return null;
		for (let block = headingBlock + 1; block < doc.childCount; block++) {
			const node = doc.child(block);
			if (node.type.name === 'heading') return null;
			const span = spanIn(node);
			if (span) return { block, node, span, start: blockStart(doc, block) };
		}
		return null;
	}

	#showBlock(block: number): void {
		const editor = this.#editor;
		if (!editor) return;
		const at = blockStart(editor.state.doc, Math.min(block, editor.state.doc.childCount - 1));
		this.command((chain) => chain.setTextSelection(at + 1).scrollIntoView());
	}

	/** The blocks that stand under the heading of a section. */
	blocksOf(section: string): readonly BlockNode[] {
		const cut = this.#cuts().get(section);
		return cut ? (this.doc?.content.slice(cut.from + 1, cut.to) ?? []) : [];
	}

	/** How the take would read with other blocks in a section; null while the evidence is read. */
	readingWith(section: string, blocks: readonly BlockNode[]): Reading | null {
		const cut = this.#cuts().get(section);
		const editor = this.#editor;
		const live = this.#live;
		if (!cut || !editor || !live) return null;
		return live.readWith(editor, { from: cut.from + 1, to: cut.to }, blocks);
	}

	/** Text of everything but some sections: what new versions of them must not say again. */
	textBeside(...sections: readonly string[]): string {
		const doc = this.doc;
		const cuts = this.#cuts();
		const left = sections.flatMap((section) => cuts.get(section) ?? []);
		if (!doc) return '';
		return doc.content
			.filter(
				(node, at) => node.type !== 'gap' && !left.some(({ from, to }) => at >= from && at < to)
			)
			.map(docText)
			.join('\n');
	}

	/** Whether nothing but an empty paragraph stands under a section's heading. */
	isEmpty(section: string): boolean {
		const slip = this.#reading?.slips.find((one) => one.section === section);
		return slip !== undefined && slip.words === 0 && slip.gaps === 0;
	}

	/** How another manuscript reads against the same plan; null while the evidence is read. */
	readingOf(doc: TakeDoc): Reading | null {
		const editor = this.#editor;
		return editor && this.#live ? this.#live.readOther(editor, doc.content) : null;
	}

	/** Goes to the next gap behind the cursor, the first behind the last; false: there is none. */
	nextGap(): boolean {
		const doc = this.#editor?.state.doc;
		if (!doc) return false;
		const gaps: number[] = [];
		doc.forEach((node, _, at) => {
			if (node.type.name === 'gap') gaps.push(at);
		});
		const next = gaps.find((at) => at > this.#block) ?? gaps[0];
		if (next !== undefined) this.#showBlock(next);
		return next !== undefined;
	}

	/** Goes to the next section whose slip has something open, the first behind the last; false: there is none. */
	nextOpenSlip(): boolean {
		const open = (this.#reading?.slips ?? []).filter((slip) => slip.at >= 0 && isOpen(slip));
		const next = open.find(({ at }) => at > this.#block) ?? open[0];
		if (next) this.goTo(next.section);
		return next !== undefined;
	}

	/** Gives up what was typed here for what another tab has stored. */
	loadTheirs(): void {
		const theirs = this.keeper.takeTheirs();
		if (theirs && this.#editor) loadDoc(this.#editor, theirs.doc);
	}

	#cuts(): Map<string, SectionCut> {
		const { plan } = this.#context;
		const planned = new Set(plan.sections.map(({ id }) => id));
		return plannedCuts(this.#reading?.article.blocks ?? headsIn(this.doc), planned);
	}
}

function headsIn(doc: TakeDoc | null) {
	return (doc?.content ?? []).map(headOf);
}

function differencesOf(doc: TakeDoc, plan: Plan): string[] {
	const { renamed, added, isMoved } = outlineDifference(doc, plan);
	return [
		renamed.length > 0 ? `${renamed.length} worded otherwise` : '',
		added.length > 0 ? `${added.length} new` : '',
		isMoved ? 'in another order' : ''
	].filter(Boolean);
}
