import { countWords } from '../../text';
import { textOf, type Block, type PageBlock } from '../article';
import { parseHtml } from '../html-tree';
import { rawBlocksOf } from './raw-blocks';

/** Characters of state that are read; the largest seen on a page had 1.2 million. */
const MOST_CHARS = 6_000_000;
/** Strings that are looked at; more than this is a catalogue and no article. */
const MOST_STRINGS = 200_000;
/** Words from which a string of markup is an article of its own. */
const WHOLE_ARTICLE = 150;
/** Words of a string without markup from which it is prose. */
const LEAST_PROSE = 12;

const MARKUP = /<(?:p|h[1-6]|li|br|div)\b[^>]*>/i;

/**
 * The text of a page that a script draws, from the state it was sent with: the longest string of
 * markup where it is an article, else all strings that read as sentences, in their order. For pages
 * that hold no other text.
 *
 * @param states JSON as it stands in the page; what does not parse is passed over
 */
export function blocksOfState(states: readonly string[]): PageBlock[] {
	const strings = states.flatMap(stringsIn);
	const marked = strings.filter((text) => MARKUP.test(text)).sort((a, b) => b.length - a.length)[0];
	const article = marked === undefined ? [] : blocksOfMarkup(marked);
	if (wordsOf(article) >= WHOLE_ARTICLE) return article.map(kept);
	const seen = new Set<string>();
	return strings
		.flatMap((text): Block[] => (MARKUP.test(text) ? blocksOfMarkup(text) : proseOf(text)))
		.filter((block) => {
			const text = textOf(block);
			if (text === '' || seen.has(text)) return false;
			seen.add(text);
			return true;
		})
		.map(kept);
}

const kept = (block: Block): PageBlock => ({ block, dropped: null });
const wordsOf = (blocks: readonly Block[]) =>
	blocks.reduce((sum, block) => sum + countWords(textOf(block)), 0);

function blocksOfMarkup(markup: string): Block[] {
	return rawBlocksOf(parseHtml(markup).body).map(({ block }) => block);
}

function proseOf(text: string): Block[] {
	const said = text.replace(/\s+/g, ' ').trim();
	const isProse =
		/^["'“‘(]?\p{Lu}/u.test(said) &&
		/[.!?…]["'”’)]?$/.test(said) &&
		countWords(said) >= LEAST_PROSE;
	return isProse ? [{ kind: 'paragraph', text: said }] : [];
}

/** All strings of a JSON text, depth first, in the order in which they stand. */
function stringsIn(state: string): string[] {
	if (state.length > MOST_CHARS) return [];
	let parsed: unknown;
	try {
		parsed = JSON.parse(state);
	} catch {
		return [];
	}
	const found: string[] = [];
	const open: unknown[] = [parsed];
	while (open.length > 0 && found.length < MOST_STRINGS) {
		const value = open.pop();
		if (typeof value === 'string') found.push(value);
		else if (typeof value === 'object' && value !== null)
			open.push(...Object.values(value).reverse());
	}
	return found;
}
