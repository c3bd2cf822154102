import { cutSections, type BlockNode, type SectionCut, type TakeDoc } from '../manuscript';
import { addReading, type ReadingSums } from '../text';
import { readBlock, type BlockReading, type Ruler } from './read-block';

/** A section of an article, from one heading to the next. */
export interface SectionReading extends SectionCut {
	/** Text of its heading; empty for what stands before the first. */
	readonly heading: string;
	/** Words under the heading, without it. */
	readonly words: number;
}

/** All that is read in an article; slips, standing, ladder and proof marks look at this alone. */
export interface ArticleReading {
	readonly blocks: readonly BlockReading[];
	readonly sections: readonly SectionReading[];
	readonly words: number;
	/** Uses by term position. */
	readonly uses: Int32Array;
	readonly closeWords: number;
	readonly reading: ReadingSums;
	/** Words of each paragraph and quotation, in order; empty ones left out. */
	readonly paragraphWords: readonly number[];
}

/**
 * Reads an article again and again as it changes. A block is read once for as long as it stays the
 * same object, and totals change by what changed, so that a keystroke costs the block it falls into.
 * Counts are whole numbers, so totals never drift from those of a full reading.
 */
export class ArticleReader {
	readonly ruler: Ruler;
	readonly #read = new WeakMap<object, BlockReading>();
	readonly #uses: Int32Array;
	#blocks: readonly BlockReading[] = [];
	#words = 0;
	#closeWords = 0;

	constructor(ruler: Ruler) {
		this.ruler = ruler;
		this.#uses = new Int32Array(ruler.terms.size);
	}

	/**
	 * Reads the blocks as they stand now.
	 *
	 * @param nodeOf gives the node of a block that is not read yet; blocks that are never changed in
	 *   place may be nodes of any editor
	 */
	read<T extends object>(blocks: readonly T[], nodeOf: (block: T) => BlockNode): ArticleReading {
		this.#update(
			blocks.map((block) => {
				let reading = this.#read.get(block);
				if (!reading) this.#read.set(block, (reading = readBlock(nodeOf(block), this.ruler)));
				return reading;
			})
		);
		return articleOf(this.#blocks, {
			words: this.#words,
			closeWords: this.#closeWords,
			uses: this.#uses.slice()
		});
	}

	readDoc(doc: TakeDoc): ArticleReading {
		return this.read(doc.content, (node) => node);
	}

	/** Takes off what is gone and adds what is new between the blocks both lists share at their ends. */
	#update(blocks: readonly BlockReading[]): void {
		const before = this.#blocks;
		let start = 0;
		while (start < before.length && start < blocks.length && before[start] === blocks[start])
			start++;
		let end = 0;
		while (
			end < before.length - start &&
			end < blocks.length - start &&
			before[before.length - 1 - end] === blocks[blocks.length - 1 - end]
		)
			end++;
		for (let i = start; i < before.length - end; i++) this.#add(before[i]!, -1);
		for (let i = start; i < blocks.length - end; i++) this.#add(blocks[i]!, 1);
		this.#blocks = blocks;
	}

	#add({ counts, words, closeWords }: BlockReading, sign: 1 | -1): void {
		this.#words += sign * words;
		this.#closeWords += sign * closeWords;
		for (const [term, n] of counts.all) this.#uses[term]! += sign * n;
	}
}

/** Reads an article once, from its start. */
export function readArticle(doc: TakeDoc, ruler: Ruler): ArticleReading {
	return new ArticleReader(ruler).readDoc(doc);
}

function articleOf(
	blocks: readonly BlockReading[],
	totals: Pick<ArticleReading, 'words' | 'uses' | 'closeWords'>
): ArticleReading {
	return {
		...totals,
		blocks,
		sections: cutSections(blocks).map((cut) => sectionReading(blocks, cut)),
		reading: addReading(blocks.map(({ reading }) => reading)),
		paragraphWords: blocks.flatMap(({ paragraphWords }) =>
			paragraphWords > 0 ? [paragraphWords] : []
		)
	};
}

function sectionReading(blocks: readonly BlockReading[], cut: SectionCut): SectionReading {
	const isHeaded = cut.level > 0;
	let words = 0;
	for (let i = isHeaded ? cut.from + 1 : cut.from; i < cut.to; i++) words += blocks[i]!.words;
	return { ...cut, heading: isHeaded ? blocks[cut.from]!.text : '', words };
}
