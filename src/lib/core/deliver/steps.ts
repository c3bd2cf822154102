import type { Plan } from '../plan';
import { isOrder, wordsOf } from '../text';
import { partsOf, plainOfInlines, textOfBlock, type ArticleBlock } from './article';

/** One step of doing what an article tells. */
export interface Step {
	readonly name: string;
	readonly text: string;
	/** Id of its heading; empty: it is an entry of a list. */
	readonly id: string;
	/** File of the picture that shows it; empty: none does. */
	readonly picture: string;
}

const LEAST = { headings: 2, entries: 3 } as const;
const NAME_WORDS = 8;

/**
 * The steps that an article is made of: headings that the plan calls steps, each with text under it;
 * where there are not two of those, the longest numbered list whose entries open with something to do.
 */
export function stepsOf(
	blocks: readonly ArticleBlock[],
	plan: Pick<Plan, 'sections'> | null
): Step[] {
	const planned = new Set(
		(plan?.sections ?? [])
			.filter(({ kind, level }) => kind === 'steps' && level > 1)
			.map(({ id }) => id)
	);
	const found = partsOf(blocks).flatMap(({ heading, blocks: under }): Step[] => {
		if (!heading?.section || !planned.has(heading.section)) return [];
		const text = under.map(textOfBlock).filter(Boolean).join('\n').trim();
		const figure = under.find((block) => block.kind === 'figure');
		const picture = figure?.kind === 'figure' ? figure.picture.file : '';
		const name = plainOfInlines(heading.inlines).trim();
		return text === '' ? [] : [{ name, text, id: heading.id, picture }];
	});
	return found.length >= LEAST.headings ? found : stepsOfList(blocks);
}

/** Share of entries that open with something to do, from which a numbered list is one of steps. */
const DEEDS = 0.6;

function areDeeds(items: readonly (readonly ArticleBlock[])[]): boolean {
	const deeds = items.filter((item) => {
		const first = wordsOf(item.map(textOfBlock).join(' '))[0];
		return first !== undefined && isOrder(first.text);
	});
	return deeds.length >= items.length * DEEDS;
}

function stepsOfList(blocks: readonly ArticleBlock[]): Step[] {
	let longest: readonly (readonly ArticleBlock[])[] = [];
	for (const block of blocks)
		if (
			block.kind === 'list' &&
			block.isOrdered &&
			block.items.length > longest.length &&
			areDeeds(block.items)
		)
			longest = block.items;
	if (longest.length < LEAST.entries) return [];
	return longest.map((item) => {
		const text = item.map(textOfBlock).filter(Boolean).join('\n').trim();
		const lead = text.split(/(?<=[.:!?])\s/)[0]!.replace(/[.:!?]$/, '');
		const words = lead.split(/\s+/);
		const name = words.length > NAME_WORDS ? `${words.slice(0, NAME_WORDS).join(' ')} …` : lead;
		return { name, text, id: '', picture: '' };
	});
}
