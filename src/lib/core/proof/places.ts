import type { ArticleReading, BlockReading } from '../measure';
import type { ArticleFinding, BlockFinding, Fix, Passage, Stretch } from './mark';

/** A sentence as it stands, with its place in its block. */
export interface PlacedSentence {
	readonly text: string;
	readonly start: number;
	readonly words: number;
	readonly stems: readonly string[];
}

export function sentencesIn({ text, sentences }: BlockReading): PlacedSentence[] {
	return sentences.map(({ start, end, words, stems }) => ({
		text: text.slice(start, end),
		start,
		words,
		stems
	}));
}

/** What a finding says, beside its place. */
export interface Said {
	readonly about: string;
	readonly reason: string;
	readonly fixes?: readonly Fix[];
	readonly gain?: number | null;
	readonly beside?: readonly Passage[];
	readonly shared?: readonly Stretch[];
}

/** A finding in a sentence; without a stretch, all of the sentence. Places are in the sentence. */
export function findingIn(
	sentence: Pick<PlacedSentence, 'text' | 'start'>,
	said: Said,
	{ start, end }: { readonly start: number; readonly end: number } = {
		start: 0,
		end: sentence.text.length
	}
): BlockFinding {
	return {
		fixes: [],
		gain: null,
		...said,
		quote: sentence.text.slice(start, end),
		sentence: sentence.text,
		start: sentence.start + start,
		end: sentence.start + end
	};
}

/** A finding of a check that has seen the whole article, at a place in one of its blocks. */
export function placedIn(block: number, finding: BlockFinding): ArticleFinding {
	const { start, end, ...rest } = finding;
	return { ...rest, place: { block, start, end } };
}

/** A finding that concerns the whole article. */
export function ofArticle(said: Said): ArticleFinding {
	return { fixes: [], gain: null, ...said, quote: '', sentence: '' };
}

/** Blocks of running text, by position: paragraphs and quotations, lists where asked. */
export function runningText(
	{ blocks }: ArticleReading,
	isWithLists = false
): { readonly block: BlockReading; readonly at: number }[] {
	return blocks.flatMap((block, at) =>
		block.kind === 'paragraph' ||
		block.kind === 'blockquote' ||
		(isWithLists && (block.kind === 'bulletList' || block.kind === 'orderedList'))
			? [{ block, at }]
			: []
	);
}
