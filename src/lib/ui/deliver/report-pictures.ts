import {
	drawingFile,
	drawingsOf,
	type ArticleBlock,
	type Report,
	type ReportDrawing
} from '$lib/core/deliver';
import { readPicture } from '../parts/read-picture';

/** A picture that a word processor can show, with its bytes. */
export interface PictureInText {
	readonly block: Extract<ArticleBlock, { kind: 'figure' }>;
	readonly bytes: Uint8Array;
}

/** Widths in pixels at which they stand in a text. */
const LOGO_WIDTH = 150;
const DRAWN_WIDTH = 600;

/** The client's logo; null where there is none, or this browser cannot draw it. */
export async function logoOf({ logo, clientName }: Report): Promise<PictureInText | null> {
	const [, type, base64] = /^data:(image\/[a-z+]+);base64,(.+)$/.exec(logo) ?? [];
	if (!type || !base64) return null;
	const given = Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
	const name = type === 'image/svg+xml' ? 'logo.svg' : 'logo';
	return inText(new File([given], name, { type }), 'logo', clientName, LOGO_WIDTH);
}

/** The report's drawings as pictures; one that this browser cannot draw is left to its table. */
export async function drawnOf(report: Report): Promise<Map<ReportDrawing, PictureInText>> {
	const drawn = new Map<ReportDrawing, PictureInText>();
	for (const [i, drawing] of drawingsOf(report).entries()) {
		const { svg, alt } = drawingFile(drawing, report);
		const file = `drawing-${i + 1}`;
		const source = new File([svg], `${file}.svg`, { type: 'image/svg+xml' });
		const picture = await inText(source, file, alt, DRAWN_WIDTH);
		if (picture) drawn.set(drawing, picture);
	}
	return drawn;
}

async function inText(
	source: File,
	file: string,
	alt: string,
	width: number
): Promise<PictureInText | null> {
	const read = await readPicture(source).catch(() => null);
	if (!read) return null;
	const height = Math.max(1, Math.round((width * read.height) / read.width));
	const { type, bytes } = read;
	const picture = { id: file, file, type, width, height, alt, credit: '', licence: '', source: '' };
	return { block: { kind: 'figure', picture, caption: [] }, bytes };
}
