import { describe, expect, it } from 'vitest';
import { markdownOfPdf, type PdfPiece } from './pdf-text';

/** Lines of a page from the top down, 13 points apart, unless a gap is asked for. */
function page(
	lines: readonly (readonly [text: string, size?: number, gap?: number])[]
): PdfPiece[] {
	let y = 780;
	return lines.map(([str, fontSize = 11, gap = 13]) => {
		y -= gap;
		return { str, x: 60, y, width: str.length * fontSize * 0.5, fontSize };
	});
}
const LINE = 'The hammer weighs 1.8 kg and has a head of forged steel with a square face, a';

describe('markdownOfPdf', () => {
	it('joins lines to paragraphs, closes broken words and tells headings by their size', () => {
		expect(
			markdownOfPdf([
				page([
					['Product sheet: Fellgate', 22, 30],
					['walling hammer', 22, 25],
					[LINE, 11, 30],
					['blade and a handle of ash which can be changed when it has worn out and is loo-'],
					['se, without tools.'],
					['Sizes', 15, 28],
					['Small: 1.2 kg.', 11, 24]
				])
			])
		).toBe(
			`# Product sheet: Fellgate walling hammer\n\n${LINE} blade and a handle of ash which can be changed when it has worn out and is loose, without tools.\n\n## Sizes\n\nSmall: 1.2 kg.`
		);
	});

	it('reads marks as lists and lines that end early as paragraphs of their own', () => {
		expect(
			markdownOfPdf([
				page([
					[LINE],
					['blade.'],
					['• one for dressing'],
					['• two for breaking'],
					['Oil the handle.'],
					['Keep it dry.']
				])
			])
		).toBe(
			`${LINE} blade.\n\n- one for dressing\n- two for breaking\n\nOil the handle.\n\nKeep it dry.`
		);
	});

	it('drops running lines and page numbers, and carries a sentence over the page break', () => {
		const pages = ['goes on', 'and on', 'and ends here.'].map((end, i) =>
			page([
				['Fellgate Tools, sheet 4'],
				[
					`${i === 0 ? 'The sentence' : end === 'and on' ? 'over one page' : 'over two pages'} ${LINE.toLowerCase()} ${end}`,
					11,
					30
				],
				[String(i + 1), 9, 400]
			])
		);
		const text = markdownOfPdf(pages);
		expect(text).not.toMatch(/sheet 4|\n\d\n/);
		expect(text.split('\n\n')).toHaveLength(1);
	});

	it('puts pieces of one line together with the spaces between them', () => {
		const pieces: PdfPiece[] = [
			{ str: 'Dry', x: 60, y: 700, width: 18, fontSize: 11 },
			{ str: 'stone', x: 81, y: 700, width: 26, fontSize: 11 },
			{ str: 'walls', x: 107, y: 700, width: 26, fontSize: 11 }
		];
		expect(markdownOfPdf([pieces])).toBe('Dry stonewalls');
	});

	it('gives nothing for pages without text', () => {
		expect(markdownOfPdf([[], []])).toBe('');
	});
});
