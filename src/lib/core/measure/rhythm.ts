import type { ArticleReading } from './article-reading';

/** How long the sentences of a section are, in reading order. */
export interface SectionRhythm {
	/** Empty for what stands before the first heading. */
	readonly heading: string;
	/** Place of its heading among the blocks, or of its first block. */
	readonly at: number;
	/** Words of each sentence of its running text. */
	readonly words: readonly number[];
}

/** The lengths of sentences, section by section; sections without running text are left out. */
export function rhythmOf({ blocks, sections }: ArticleReading): SectionRhythm[] {
	return sections
		.map(({ heading, from, to }) => ({
			heading,
			at: from,
			words: blocks
				.slice(from, to)
				.filter(({ kind }) => kind === 'paragraph' || kind === 'blockquote')
				.flatMap(({ sentences }) => sentences.map(({ words }) => words))
		}))
		.filter(({ words }) => words.length > 0);
}
