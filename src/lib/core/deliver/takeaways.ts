import { placedQuantitiesOf } from '../reading';
import { contentStemsOf, countWords, keywordStemsOf, sentencesOf } from '../text';
import { standsAlone } from './alone';
import { partsOf, plainOfInlines, textOfBlock, type ArticleBlock } from './article';

const MOST = 5;
const WORDS = { least: 6, most: 30 } as const;
/** A sentence of the text that can stand for its section. */
interface Candidate {
	readonly text: string;
	readonly part: number;
	readonly worth: number;
}

/**
 * Key takeaways made of the article alone: of each section the sentence that says most of its heading,
 * a figure before none and an early one before a late one; the best of those, in reading order.
 */
export function takeawaysOf(
	blocks: readonly ArticleBlock[],
	keyword: string,
	most: number = MOST
): string[] {
	const common = keywordStemsOf(keyword);
	const best = partsOf(blocks).flatMap(({ heading, blocks: under }, part): Candidate[] => {
		if (!heading || heading.level < 2) return [];
		const title = plainOfInlines(heading.inlines);
		const about = new Set(contentStemsOf(title).filter((stem) => !common.has(stem)));
		const sentences = under
			.filter(({ kind }) => kind === 'paragraph')
			.flatMap((block) => sentencesOf(textOfBlock(block)).map(({ text }) => text));
		const candidates = sentences
			.map((text, at) => ({ text, part, worth: worthOf(text, at, about, keyword) }))
			.filter(({ worth }) => worth > 0)
			.sort((a, b) => b.worth - a.worth || (a.text < b.text ? -1 : 1));
		return candidates.slice(0, 1);
	});
	return best
		.sort((a, b) => b.worth - a.worth || a.part - b.part)
		.slice(0, most)
		.sort((a, b) => a.part - b.part)
		.map(({ text }) => text);
}

function worthOf(text: string, at: number, about: ReadonlySet<string>, keyword: string): number {
	const common = keywordStemsOf(keyword);
	const words = countWords(text);
	if (words < WORDS.least || words > WORDS.most) return 0;
	if (!standsAlone(text, keyword)) return 0;
	const stems = new Set(contentStemsOf(text));
	const shared = [...about].filter((stem) => stems.has(stem)).length;
	const named = [...stems].some((stem) => common.has(stem)) ? 0.4 : 0;
	const figure = placedQuantitiesOf(text).length > 0 ? 0.8 : 0;
	return 0.2 + shared + named + figure + 0.5 / (1 + at);
}
