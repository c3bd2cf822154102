import type { Element, ElementContent } from 'hast';
import { countWords } from '../../text';
import type { Block, HeadingLevel } from '../article';
import { rawTextOf, stringOf, tidyText } from '../html-tree';
import {
	isBold,
	isInline,
	isToggle,
	headingText,
	textIn,
	hasBlockInside,
	hasTag,
	findTag,
	imagesIn,
	linksIn,
	linkWordsIn
} from './element-text';
import { type BlockContext, PROMOTION, contextOf } from './block-context';
import { markPanels, opensPanel } from './folding';
import { withLinkedBoxes } from './linked-boxes';
import { holding, isBreak, isOfficeItem, isOfficeTitle, linesIn, splitAtBreaks } from './lines';
import { withTrustedNoise } from './trusted-marks';
import { holdsText, isHeaderCell, isMadeTable, rowsOf } from './table-cells';
import { typedListAt, withTypedLists } from './typed-lists';
import type { Mark, RawBlock } from './raw-block';

/** All blocks of a page in reading order, with what the markup says about them. */
export function rawBlocksOf(body: Element): RawBlock[] {
	const found: RawBlock[] = [];
	markPanels(body);
	walk(
		body,
		{
			marks: [],
			path: [body],
			folds: false,
			inArticle: false,
			pageWords: once(() => countWords(textIn(body))),
			last: { level: 1 }
		},
		found
	);
	return withTrustedNoise(withTypedLists(withLinkedBoxes(found)));
}

/** What takes long and is seldom asked for, worked out when it first is. */
function once(work: () => number): () => number {
	let known: number | undefined;
	return () => (known ??= work());
}

function walk(parent: Element, context: BlockContext, found: RawBlock[]): void {
	let run: ElementContent[] = [];
	const flush = () => {
		if (run.length > 0) addRun(run, context, found);
		run = [];
	};
	for (const child of parent.children) {
		if (child.type === 'text' || (child.type === 'element' && isInline(child))) {
			run.push(child);
		} else if (child.type === 'element') {
			flush();
			addElement(child, context, found);
		}
	}
	flush();
}

function addElement(element: Element, outer: BlockContext, found: RawBlock[]): void {
	const context = contextOf(element, outer);
	const tag = element.tagName;
	if (stringOf(element.properties.role).toLowerCase() === 'heading') {
		const level = Math.min(4, Number(element.properties.ariaLevel) || 2) as HeadingLevel;
		context.last.level = level;
		add({ kind: 'heading', level, text: headingText(element) }, element, context, found);
		return;
	}
	if (isMadeTable(element)) {
		addTable(element, context, found);
		return;
	}
	switch (tag) {
		case 'h1':
		case 'h2':
		case 'h3':
		case 'h4':
		case 'h5':
		case 'h6': {
			const level = Math.min(4, Number(tag[1])) as HeadingLevel;
			context.last.level = level;
			const body = bodyInHeading(element);
			const head = body < 0 ? element : { ...element, children: element.children.slice(0, body) };
			add({ kind: 'heading', level, text: headingText(head) }, element, context, found);
			if (body >= 0) walk({ ...element, children: element.children.slice(body) }, context, found);
			return;
		}
		case 'p':
			if (isOfficeItem(element)) addOfficeItem(element, context, found);
			else if (isOfficeTitle(element, found))
				add({ kind: 'heading', level: 1, text: textIn(element) }, element, context, found);
			// in old markup tables stand inside of paragraphs
			else if (
				hasBlockInside(element) &&
				hasTag(element, /^(?:table|ul|ol|dl|pre|blockquote|h[1-6])$/)
			)
				break;
			else addRun(element.children, context, found);
			return;
		case 'ul':
		case 'ol':
			addList(element, context, found);
			return;
		case 'dl':
			addDefinitions(element, context, found);
			return;
		case 'table':
			addTable(element, context, found);
			return;
		case 'blockquote':
			if (hasTag(element, /^(?:h[1-6]|table)$/)) break;
			add({ kind: 'quote', text: textIn(element) }, element, context, found);
			return;
		case 'figure':
			if (hasTag(element, /^(?:table|pre|blockquote|ul|ol|p)$/) && !hasTag(element, /^img$/)) break;
			addFigure(element, context, found);
			return;
		case 'pre':
			add({ kind: 'code', text: rawTextOf(element).trim() }, element, context, found);
			return;
		case 'details':
			addDetails(element, context, found);
			return;
		case 'hr':
			return;
	}
	walk(element, context, found);
}

/** Where the text begins that a heading swallowed because it was never closed; -1 where it did not. */
function bodyInHeading({ children }: Element): number {
	const first = children.findIndex(
		(child) =>
			child.type === 'element' && /^(?:p|ul|ol|table|dl|h[1-6]|blockquote)$/.test(child.tagName)
	);
	const hasHead =
		textIn({
			type: 'element',
			tagName: 'span',
			properties: {},
			children: children.slice(0, Math.max(0, first))
		}) !== '';
	return hasHead ? first : -1;
}

/** A paragraph from inline content; two line breaks in a row start a new one, and one below a bold line. */
function addRun(run: readonly ElementContent[], context: BlockContext, found: RawBlock[]): void {
	const some = run.filter(
		(n) => n.type === 'element' || (n.type === 'text' && n.value.trim() !== '')
	);
	// beside the words of a button a picture can stand
	const only =
		some.length > 3 || some.length === 1
			? some
			: some.filter(
					(n) => n.type !== 'element' || textIn(n) !== '' || hasTag(holding([n]), /^img$/)
				);
	if (only.length === 1 && only[0]!.type === 'element' && isToggle(only[0]!)) {
		// the question of a home-made accordion is a button; other buttons are furniture
		const text = textIn(only[0]!);
		if (!/\?\s*[+\-–▾▼›]?$/.test(text) && !context.folds && !opensPanel(only[0]!)) return;
		const level = Math.min(4, context.last.level + 1) as HeadingLevel;
		add(
			{ kind: 'heading', level, text: text.replace(/\s*[+\-–▾▼›]$/, '') },
			only[0]!,
			context,
			found
		);
		return;
	}
	for (const part of splitAtBreaks(run)) {
		addLines(part, context, found);
		for (const image of imagesIn(holding(part))) addImage(image, context, found);
	}
}

/** A paragraph; lines of it that were typed as a list are one. */
function addLines(part: readonly ElementContent[], context: BlockContext, found: RawBlock[]): void {
	const lines = part.some(isBreak) ? linesIn(part) : [part];
	const texts = lines.length > 1 ? lines.map((line) => textIn(holding(line))) : [];
	let from = 0;
	const addText = (to: number) => {
		const nodes = from === 0 && to === lines.length ? part : joinedLines(lines.slice(from, to));
		const holder = holding(nodes);
		const text = textIn(holder);
		if (text === '') return;
		const asked = ASKED_AND_ANSWERED.exec(text);
		if (asked) {
			add({ kind: 'answer', question: asked[1]!, text: asked[2]! }, holder, context, found);
			return;
		}
		const own = nodes.find((n): n is Element => n.type === 'element');
		add({ kind: 'paragraph', text }, holder, context, found, own);
	};
	for (let i = 0; i < texts.length; i++) {
		const list = typedListAt(texts, i);
		if (!list) continue;
		if (i > from) addText(i);
		from = i + list.lines;
		const holder = holding(lines.slice(i, from).flat());
		const { ordered, items } = list;
		add({ kind: 'list', ordered, items }, holder, context, found);
		i = from - 1;
	}
	if (from < lines.length) addText(lines.length);
}

/** "Q: … A: …" in one paragraph. */
const ASKED_AND_ANSWERED =
	/^(?:q|question)\s*\d{0,2}\s*[.:)]\s*([^?]{5,200}\?)\s*(?:a|answer)\s*\d{0,2}\s*[.:)]\s*(\S.*)$/i;

function joinedLines(lines: readonly (readonly ElementContent[])[]): ElementContent[] {
	return lines.flatMap((line, i): ElementContent[] =>
		i === 0 ? [...line] : [{ type: 'text', value: ' ' }, ...line]
	);
}

function addList(element: Element, context: BlockContext, found: RawBlock[]): void {
	const items = element.children.filter(
		(n): n is Element => n.type === 'element' && n.tagName === 'li'
	);
	// cards and long list entries with headings of their own read better as running blocks
	if (
		items.length === 0 ||
		items.some((item) => hasTag(item, /^(?:h[1-6]|table|pre|figure|details|article)$/))
	) {
		for (const child of element.children) {
			if (child.type === 'element') walk(child, { ...contextOf(child, context) }, found);
		}
		return;
	}
	const texts = items.map(textIn).filter((text) => text !== '');
	if (texts.length === 0) return;
	add({ kind: 'list', ordered: element.tagName === 'ol', items: texts }, element, context, found);
}

const OFFICE_MARK = /^(?:[·•▪■□◦o§Øü*–-]|\(?(\d{1,3}|[a-z]|[ivx]{1,4})[.)])\s+/;

function addOfficeItem(element: Element, context: BlockContext, found: RawBlock[]): void {
	const text = textIn(element);
	const item = text.replace(OFFICE_MARK, '');
	if (item === '') return;
	const ordered = OFFICE_MARK.exec(text)?.[1] !== undefined;
	const last = found.at(-1);
	const holder = last?.path.at(-1);
	if (last?.block.kind === 'list' && holder?.tagName === 'p' && last.block.ordered === ordered) {
		found.pop();
		add({ kind: 'list', ordered, items: [...last.block.items, item] }, element, context, found);
	} else add({ kind: 'list', ordered, items: [item] }, element, context, found);
}

function addDefinitions(element: Element, context: BlockContext, found: RawBlock[]): void {
	// definitions with headed parts of their own are read as running blocks
	if (hasTag(element, /^h[1-6]$/)) {
		walk(element, context, found);
		return;
	}
	const pairs: { term: string; text: string }[] = [];
	const stack = [...element.children];
	while (stack.length > 0) {
		const child = stack.shift()!;
		if (child.type !== 'element') continue;
		if (child.tagName === 'div') stack.unshift(...child.children);
		else if (child.tagName === 'dt') pairs.push({ term: textIn(child), text: '' });
		else if (child.tagName === 'dd') {
			const pair = pairs.at(-1) ?? { term: '', text: '' };
			if (pairs.length === 0) pairs.push(pair);
			pair.text = `${pair.text} ${textIn(child)}`.trim();
		}
	}
	const asks = pairs.filter(({ term }) => term.endsWith('?')).length;
	if (asks > 0 && asks >= pairs.length / 2) {
		for (const { term, text } of pairs)
			add({ kind: 'answer', question: term, text }, element, context, found);
		return;
	}
	const items = pairs
		.map(({ term, text }) => (term && text ? `${term.replace(/:$/, '')}: ${text}` : term || text))
		.filter(Boolean);
	if (items.length > 0) add({ kind: 'list', ordered: false, items }, element, context, found);
}

function addTable(element: Element, context: BlockContext, found: RawBlock[]): void {
	const { rows, cells } = rowsOf(element);
	const widest = Math.max(0, ...cells.map((row) => row.length));
	const isLayout =
		widest < 2 ||
		cells.every((row) => row.filter((cell) => textIn(cell) !== '').length < 2) ||
		cells.some((row) => row.some(holdsText));
	// what stands in a row and in no cell, as text cut off at the greatest depth does
	if (widest > 0)
		for (const row of rows)
			addRun(
				row.children.filter((child) => child.type === 'text'),
				context,
				found
			);
	if (isLayout) {
		for (const row of cells) for (const cell of row) walk(cell, contextOf(cell, context), found);
		if (widest === 0)
			for (const part of rows.length > 0 ? rows : [element]) walk(part, context, found);
		return;
	}
	const caption = element.children.find(
		(n): n is Element => n.type === 'element' && n.tagName === 'caption'
	);
	if (caption) add({ kind: 'paragraph', text: textIn(caption) }, caption, context, found);
	const header = cells[0]!.every(isHeaderCell) || rows[0]!.properties.dataHead === true;
	const texts = cells
		.map((row) => row.map(textIn))
		.filter((row) => row.some((text) => text !== ''));
	if (texts.length > 0) add({ kind: 'table', header, rows: texts }, element, context, found);
}

function addFigure(element: Element, context: BlockContext, found: RawBlock[]): void {
	const caption = findTag(element, 'figcaption');
	const image = imagesIn(element)[0];
	const block: Block = {
		kind: 'figure',
		src: image ? sourceOf(image) : '',
		alt: image ? tidyText(stringOf(image.properties.alt)) : '',
		caption: caption ? textIn(caption) : ''
	};
	if (block.src || block.caption) add(block, element, context, found);
}

function addImage(image: Element, context: BlockContext, found: RawBlock[]): void {
	const alt = tidyText(stringOf(image.properties.alt));
	const src = sourceOf(image);
	const tiny = Number(image.properties.width) > 0 && Number(image.properties.width) < 60;
	if (src === '' || tiny || /pixel|spacer|avatar|logo|icon|tracking/i.test(src)) return;
	if (/avatar|rounded-full|author|byline|logo/i.test(stringOf(image.properties.className))) return;
	add({ kind: 'figure', src, alt, caption: '' }, image, context, found);
}

function sourceOf(image: Element): string {
	const { src, dataSrc, dataLazySrc } = image.properties;
	return stringOf(dataSrc) || stringOf(dataLazySrc) || stringOf(src);
}

/** `details` whose summary asks and whose body is plain text is a question with its answer. */
function addDetails(element: Element, context: BlockContext, found: RawBlock[]): void {
	const summary = findTag(element, 'summary');
	const title = summary ? textIn(summary) : '';
	const rest: Element = {
		...element,
		tagName: 'div',
		children: element.children.filter((child) => child !== summary)
	};
	if (title === '') {
		walk(rest, context, found);
	} else if (title.endsWith('?') && !hasTag(rest, /^(?:h[1-6]|table|pre|figure)$/)) {
		const inner: RawBlock[] = [];
		walk(rest, context, inner);
		const text = inner
			.map(({ block }) =>
				block.kind === 'list'
					? block.items.map(endSentence).join(' ')
					: 'text' in block
						? block.text
						: ''
			)
			.join(' ')
			.trim();
		add({ kind: 'answer', question: title, text }, element, context, found);
	} else {
		const level = Math.min(4, context.last.level + 1) as HeadingLevel;
		add({ kind: 'heading', level, text: title }, summary!, context, found);
		walk(rest, context, found);
	}
}

function endSentence(text: string): string {
	return /[.!?:;]$/.test(text) ? text : `${text}.`;
}

function add(
	block: Block,
	element: Element,
	context: BlockContext,
	found: RawBlock[],
	own?: Element
): void {
	const text = textOfBlock(block);
	if (text === '' && block.kind !== 'figure') return;
	// signs that stand for a picture
	if (block.kind === 'paragraph' && !/[\p{L}\p{N}]/u.test(text)) return;
	const words = countWords(text);
	const linkWords = linkWordsIn(element);
	const isPromotion =
		block.kind !== 'heading' && words < 60 && linkWords > 0 && PROMOTION.test(text);
	const marks: readonly Mark[] = isPromotion
		? [...context.marks, { reason: 'advertisement', element, by: 'content' }]
		: context.marks;
	found.push({
		block: isCaption(block, words, context.path) ? captionOf(block) : block,
		words,
		linkWords,
		marks,
		noise: marks[0]?.reason ?? null,
		bold: block.kind === 'paragraph' && words <= 14 && isBold(element),
		path: element === context.path.at(-1) ? context.path : [...context.path, own ?? element],
		links: linksIn(element)
	});
}

function textOfBlock(block: Block): string {
	switch (block.kind) {
		case 'list':
			return block.items.join(' ');
		case 'table':
			return block.rows.flat().join(' ');
		case 'figure':
			return block.caption;
		case 'answer':
			return `${block.question} ${block.text}`;
		default:
			return block.text;
	}
}

const CAPTION_NAME =
	/(?:^|[-_])(?:\w*caption|media-?cap|(?:photo|image|img|picture)-?credits?)(?:$|[-_])/i;

/** A line under a picture, in whatever element: told by the name of the element or of the one around it. */
function isCaption(block: Block, words: number, path: readonly Element[]): boolean {
	return (
		block.kind === 'paragraph' &&
		words <= 40 &&
		path.slice(-2).some(({ properties }) =>
			stringOf(properties.className)
				.split(/\s+/)
				.some((name) => CAPTION_NAME.test(name))
		)
	);
}

function captionOf(block: Block): Block {
	return { kind: 'figure', src: '', alt: '', caption: 'text' in block ? block.text : '' };
}
