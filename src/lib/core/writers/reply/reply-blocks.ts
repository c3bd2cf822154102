import { blocksOfRichText, guessHeadings, isMarkdown, markdownOfBlocks } from '../../pages';
import { docFromMarkdown, docText, type BlockNode } from '../../manuscript';

/** Something of a reply that is no part of the article, with why. */
export interface Dropped {
	readonly text: string;
	readonly reason: DroppedReason;
}

export type DroppedReason =
	/** Said to whoever asked: a greeting, an offer, a remark about the task. */
	| 'chatter'
	/** Names what comes next. */
	| 'teaser'
	/** A list of keywords, or a count of words. */
	| 'account'
	/** A sign of being continued, or words said again where it goes on. */
	| 'seam'
	/** Marks of a code block around the text, or markup that says nothing. */
	| 'wrapping';

const FENCE = /^\s*(```+|~~~+)\s*([\w-]*)\s*$/;
const PROSE_FENCES = new Set(['', 'markdown', 'md', 'text', 'txt', 'html', 'plaintext']);

/**
 * The blocks of a reply in Markdown, HTML or plain text, in order. Code blocks that hold prose are
 * opened; headings that are typed as bold lines or stand on lines of their own are headings.
 *
 * @param headings headings that were asked for, by which lines without marks are known
 */
export function blocksOfReply(text: string, headings: readonly string[]): BlockNode[] {
	const opened = withoutFences(text.replace(/^\ufeff/, '').replace(/\r\n?/g, '\n'));
	const markdown = isHtml(opened)
		? markdownOfBlocks(blocksOfRichText(opened))
		: marked(withoutRawHtml(opened), headings);
	return docFromMarkdown(markdown)
		.content.filter((block) => docText(block).trim() !== '' || block.type === 'horizontalRule')
		.map(asHeading);
}

/** Lines that were asked for to choose from: the lists of a reply with the headings over them. */
export function linesOfReply(text: string): BlockNode[] {
	const blocks = blocksOfReply(text, []);
	return blocks.filter(({ type }, i) => {
		if (type === 'bulletList' || type === 'orderedList') return true;
		const next = blocks[i + 1]?.type;
		return type === 'heading' && (next === 'bulletList' || next === 'orderedList');
	});
}

/** Marks of code blocks around prose go; what stands in them stays. */
function withoutFences(text: string): string {
	const lines = text.split('\n');
	const kept: string[] = [];
	let open: string | null = null;
	for (const line of lines) {
		const fence = FENCE.exec(line);
		const isProse = fence !== null && PROSE_FENCES.has(fence[2]!.toLowerCase());
		if (fence && open === null && isProse) open = fence[1]!;
		else if (fence && open !== null && isProse && fence[1]![0] === open[0])
			open = fence[2] === '' ? null : open;
		else kept.push(line);
	}
	return kept.join('\n');
}

function isHtml(text: string): boolean {
	const start = text.trimStart();
	if (
		!/^<(?:!doctype|html|body|article|section|div|h[1-6]|p|ul|ol|table|meta|span|b)\b/i.test(start)
	)
		return false;
	return (text.match(/<\/(?:p|h[1-6]|li|div|td|article|span|b)>/gi) ?? []).length >= 1;
}

/** Pieces of markup inside Markdown as the text that they hold. */
function withoutRawHtml(markdown: string): string {
	return markdown
		.replace(/<!--[\s\S]*?-->/g, '')
		.replace(/<br\s*\/?>/gi, '\n')
		.replace(/<h([1-6])\b[^>]*>/gi, (_, level: string) => `\n\n${'#'.repeat(Number(level))} `)
		.replace(/<li\b[^>]*>/gi, '\n- ')
		.replace(/<\/?(?:p|div|section|article|h[1-6]|ul|ol|li|table|tr)\b[^>]*>/gi, '\n\n')
		.replace(
			/<\/?(?:span|u|b|i|em|strong|small|center|details|summary|a|tbody|thead|td|th)\b[^>]*>/gi,
			' '
		)
		.replace(/^\[\^?[^\]]+\]:\s*/gm, '');
}

/** Plain text with its headings marked: those that were asked for, and those that look like it. */
function marked(text: string, headings: readonly string[]): string {
	const known = new Map(headings.map((heading) => [plainLine(heading), heading]));
	const hasMarks = isMarkdown(text) && /^#{1,6}\s/m.test(text);
	const guessed = new Map(
		hasMarks ? [] : guessHeadings(text).map(({ line, level }) => [line, level])
	);
	return text
		.split('\n')
		.map((line, i) => {
			if (/^\s*(?:#{1,6}\s|[-*+>|]|\d+[.)]\s)/.test(line) && !known.has(plainLine(line)))
				return line;
			if (/^#{1,6}\s/.test(line)) return line;
			const plain = plainLine(line);
			if (plain !== '' && known.has(plain)) return `\n## ${line.trim().replace(/^[-*+]\s+/, '')}\n`;
			const level = guessed.get(i);
			return level ? `\n${'#'.repeat(level)} ${line.trim()}\n` : line;
		})
		.join('\n');
}

/** A heading without numbers, marks and case, for comparing. */
export function plainLine(text: string): string {
	return text
		.replace(/^[\s#*_>-]+/, '')
		.replace(/^(?:h[1-6]|section|part|step)\s*\d*\s*[:.)–-]\s*/i, '')
		.replace(/^(?:\d+|[ivx]+)(?:\.\d+)*[.):]\s*/i, '')
		.replace(/[*_`:]+\s*$/g, '')
		.replace(/[^\p{L}\p{N}]+/gu, ' ')
		.trim()
		.toLowerCase();
}

/** A paragraph that is one bold line is a heading. */
function asHeading(block: BlockNode): BlockNode {
	if (block.type !== 'paragraph' || block.content?.length !== 1) return block;
	const [run] = block.content;
	const isBold = run?.type === 'text' && run.marks?.some(({ type }) => type === 'bold');
	const text = docText(block).trim();
	if (!isBold || text.length > MOST_HEADING || /[.!,;]$/.test(text)) return block;
	return {
		type: 'heading',
		attrs: { level: 3, section: null },
		content: [{ type: 'text', text: text.replace(/:$/, '') }]
	};
}

const MOST_HEADING = 90;
