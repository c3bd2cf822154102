import { countWords } from '../text';

/** A piece of text as a PDF sets it: position from the lower left corner and size, in points. */
export interface PdfPiece {
	readonly str: string;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly fontSize: number;
}

interface Line {
	text: string;
	readonly x: number;
	readonly y: number;
	right: number;
	readonly size: number;
}

/**
 * Puts the pieces of a PDF together as Markdown: lines to paragraphs by the gaps between them,
 * larger type to headings, marks to lists. Page numbers and lines that stand at the edge of most
 * pages go.
 *
 * @param pages pieces of each page, in the order the file draws them
 */
export function markdownOfPdf(pages: readonly (readonly PdfPiece[])[]): string {
	const lined = withoutRunningLines(pages.map(linesOf));
	const lines = lined.flat();
	if (lines.length === 0) return '';
	const body = bodySizeOf(lines);
	const sizes = [
		...new Set(lines.filter((line) => isHeading(line, body)).map(({ size }) => size))
	].sort((a, b) => b - a);
	const parts: { kind: string; text: string }[] = [];
	let last: Line | null = null;
	let gap = 1.2 * body;
	for (const page of lined) {
		const right = Math.max(0, ...page.map((line) => line.right));
		page.forEach((line, i) => {
			const kind = isHeading(line, body)
				? '#'.repeat(1 + Math.min(2, sizes.indexOf(line.size)))
				: MARKED.test(line.text)
					? '-'
					: '';
			const open = parts.at(-1);
			const drop = last && i > 0 ? last.y - line.y : null;
			const isShort = last !== null && last.right < 0.8 * right;
			const isSame =
				open !== undefined &&
				last !== null &&
				last.size === line.size &&
				kind !== '-' &&
				(kind === open.kind || (open.kind === '-' && kind === '')) &&
				// over a page break a paragraph goes on when its sentence does
				(drop === null
					? !/[.!?:]["”’)]*$/.test(open.text) && /^\p{Ll}/u.test(line.text)
					: drop > 0 &&
						drop < 1.45 * gap &&
						!(isShort && /^[\p{Lu}\p{N}]/u.test(line.text) && kind === ''));
			if (isSame) {
				open.text =
					/\p{L}-$/u.test(open.text) && /^\p{Ll}/u.test(line.text)
						? open.text.slice(0, -1) + line.text
						: `${open.text} ${line.text}`;
				if (drop !== null && drop > 0) gap = Math.min(gap, drop);
			} else {
				parts.push({ kind, text: kind === '-' ? line.text.replace(MARKED, '') : line.text });
				gap = 1.35 * line.size;
			}
			last = line;
		});
	}
	return parts
		.map(({ kind, text }, i) => {
			const isListOn = kind === '-' && parts[i + 1]?.kind === '-';
			return `${kind === '' ? '' : `${kind} `}${text}${isListOn ? '\n' : '\n\n'}`;
		})
		.join('')
		.trim();
}

const MARKED = /^(?:[•▪●◦‣·∙*]|[-–—])\s+/;

function linesOf(pieces: readonly PdfPiece[]): Line[] {
	const lines: Line[] = [];
	for (const { str, x, y, width, fontSize } of pieces) {
		if (str.trim() === '') {
			const open = lines.at(-1);
			if (open && str !== '' && !open.text.endsWith(' ')) open.text += ' ';
			continue;
		}
		const size = Math.round(fontSize * 2) / 2;
		const open = lines.at(-1);
		if (open && Math.abs(open.y - y) < 0.5 * Math.max(size, 1) && x >= open.right - 2 * size) {
			const isApart = x - open.right > 0.15 * size && !/\s$/.test(open.text) && !/^\s/.test(str);
			open.text += isApart ? ` ${str}` : str;
			open.right = Math.max(open.right, x + width);
		} else lines.push({ text: str, x, y, right: x + width, size });
	}
	for (const line of lines) line.text = line.text.replace(/\s+/g, ' ').trim();
	return lines.filter(({ text }) => text !== '');
}

/** Drops page numbers, and lines near the edge that most pages share but for their figures. */
function withoutRunningLines(pages: readonly Line[][]): Line[][] {
	const plain = (text: string) => text.replace(/\d+/g, '#');
	const seen = new Map<string, number>();
	const edgesOf = (page: readonly Line[]) => {
		const byHeight = [...page].sort((a, b) => b.y - a.y);
		return new Set([...byHeight.slice(0, 2), ...byHeight.slice(-2)]);
	};
	for (const page of pages)
		for (const text of new Set([...edgesOf(page)].map((line) => plain(line.text))))
			seen.set(text, (seen.get(text) ?? 0) + 1);
	return pages.map((page) => {
		const edges = edgesOf(page);
		return page.filter((line) => {
			if (!edges.has(line)) return true;
			if (pages.length > 1 && /^(?:page\s*)?\d{1,4}(?:\s*(?:of|\/)\s*\d{1,4})?$/i.test(line.text))
				return false;
			return !(pages.length >= 3 && seen.get(plain(line.text))! > pages.length / 2);
		});
	});
}

function bodySizeOf(lines: readonly Line[]): number {
	const letters = new Map<number, number>();
	for (const { size, text } of lines) letters.set(size, (letters.get(size) ?? 0) + text.length);
	return [...letters].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]![0];
}

function isHeading({ size, text }: Line, body: number): boolean {
	return size >= 1.12 * body && countWords(text) <= 16 && !/[.;,]$/.test(text);
}
