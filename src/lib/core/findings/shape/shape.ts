import { countWords, gradeOf } from '../../text';
import type { PageWork } from '../../reading';
import { spreadOf, type Spread } from '../spread';

/** What is measured of every article; the order is the order on screen. */
export const SHAPE_MEASURES = [
	{ id: 'words', label: 'words', decimals: 0 },
	{ id: 'h2', label: 'H2 headings', decimals: 0 },
	{ id: 'h3', label: 'H3 headings', decimals: 0 },
	{ id: 'paragraphs', label: 'paragraphs', decimals: 0 },
	{ id: 'paragraphWords', label: 'words in a paragraph', decimals: 0 },
	{ id: 'sentenceWords', label: 'words in a sentence', decimals: 1 },
	{ id: 'lists', label: 'lists', decimals: 0 },
	{ id: 'tables', label: 'tables', decimals: 0 },
	{ id: 'figures', label: 'images', decimals: 0 },
	{ id: 'links', label: 'links', decimals: 0 },
	{ id: 'faq', label: 'questions asked', decimals: 0 },
	{ id: 'openingWords', label: 'words before the first H2', decimals: 0 },
	{ id: 'grade', label: 'reading grade', decimals: 1 },
	{ id: 'titleChars', label: 'characters in the title', decimals: 0 },
	{ id: 'descriptionChars', label: 'characters in the description', decimals: 0 }
] as const;

export type ShapeMeasure = (typeof SHAPE_MEASURES)[number]['id'];

export type Shape = Readonly<Record<ShapeMeasure, number>>;

/** Spread of one measure over the counted pages, with each page's value. */
export interface ShapeSpread extends Spread {
	readonly id: ShapeMeasure;
	readonly pages: readonly { readonly page: string; readonly value: number }[];
}

/** The measurable make-up of one article. */
function shapeOf(work: PageWork): Shape {
	const { sections, paragraphWords, reading, counts } = work;
	const firstH2 = sections.findIndex(({ level }) => level === 2);
	const opening = firstH2 < 0 ? sections.slice(0, 1) : sections.slice(0, firstH2);
	return {
		words: work.words,
		h2: sections.filter(({ level }) => level === 2).length,
		h3: sections.filter(({ level }) => level >= 3).length,
		paragraphs: paragraphWords.length,
		paragraphWords: mean(paragraphWords),
		sentenceWords: reading.sentences === 0 ? 0 : reading.words / reading.sentences,
		lists: counts.lists,
		tables: counts.tables,
		figures: counts.figures,
		links: counts.links,
		faq: counts.faq,
		openingWords: opening.reduce((sum, { words, heading }) => sum + words - countWords(heading), 0),
		grade: gradeOf(reading),
		titleChars: work.title.length,
		descriptionChars: work.description.length
	};
}

/** Spreads of all measures over pages, in the order of `SHAPE_MEASURES`. */
export function findShape(pages: readonly PageWork[]): ShapeSpread[] {
	const shapes = pages.map((page) => ({ page: page.id, shape: shapeOf(page) }));
	return SHAPE_MEASURES.map(({ id }) => {
		const values = shapes.map(({ page, shape }) => ({ page, value: shape[id] }));
		return { id, ...spreadOf(values.map(({ value }) => value)), pages: values };
	});
}

function mean(values: readonly number[]): number {
	return values.length === 0 ? 0 : values.reduce((sum, n) => sum + n, 0) / values.length;
}
