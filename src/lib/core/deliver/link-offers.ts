import type { Link } from '../clients';
import {
	docText,
	LINE_HOLDERS,
	textRunsOf,
	type BlockNode,
	type DocNode,
	type TakeDoc
} from '../manuscript';
import { plainWord, singularOf, wordsOf, type Word } from '../text';

/** A link that could be set: a place in a block's text (see `docText`) and where it would lead. */
export interface LinkOffer {
	readonly address: string;
	readonly block: number;
	readonly start: number;
	readonly end: number;
	/** The words that would lead there, and what stands around them. */
	readonly words: string;
	readonly before: string;
	readonly after: string;
	/** Heading of the section; empty above the first. */
	readonly heading: string;
}

/** A link that stands in a take. */
export interface StandingLink {
	readonly address: string;
	readonly words: string;
	readonly heading: string;
	readonly block: number;
}

interface TrieNode {
	readonly next: Map<string, TrieNode>;
	/** Position of the first row that ends here; −1: none does. */
	row: number;
}

interface Match {
	readonly row: number;
	readonly from: number;
	readonly to: number;
	readonly length: number;
}

const AROUND = 34;
const tries = new WeakMap<readonly Link[], TrieNode>();

/**
 * Links that fit a take, by phrase: one to each address, at its first fitting place, at most one in a
 * paragraph. None stands in a heading, in a quotation, in another link, inside a longer name, or leads
 * to the article itself. Time is linear in rows and in words.
 *
 * @param own address or path of the article itself
 * @param unwanted addresses that nothing is proposed to
 */
export function linkOffersOf(
	doc: TakeDoc,
	links: readonly Link[],
	own: string,
	unwanted: ReadonlySet<string> = new Set()
): LinkOffer[] {
	const trie = trieOf(links);
	const taken = new Set(standingLinksOf(doc).map(({ address }) => placeOf(address)));
	if (own !== '') taken.add(placeOf(own));
	for (const address of unwanted) taken.add(placeOf(address));
	const offers: LinkOffer[] = [];
	let heading = '';
	doc.content.forEach((node, block) => {
		if (node.type === 'heading') heading = docText(node);
		if (!takesLinks(node) || hasLink(node)) return;
		const text = docText(node);
		const words = wordsOf(text);
		const best = matchesIn(words, text, trie)
			.filter(({ row }) => !taken.has(placeOf(links[row]!.address)))
			.sort((a, b) => b.length - a.length || a.row - b.row)[0];
		if (!best) return;
		const start = words[best.from]!.start;
		const end = words[best.to]!.end;
		taken.add(placeOf(links[best.row]!.address));
		offers.push({
			address: links[best.row]!.address,
			block,
			start,
			end,
			words: text.slice(start, end),
			before: lineAround(text.slice(Math.max(0, start - AROUND), start), start > AROUND, 'before'),
			after: lineAround(text.slice(end, end + AROUND), end + AROUND < text.length, 'after'),
			heading
		});
	});
	return offers;
}

/** The links that stand in a take, in reading order. */
export function standingLinksOf(doc: TakeDoc): StandingLink[] {
	let heading = '';
	return doc.content.flatMap((node, block): StandingLink[] => {
		if (node.type === 'heading') heading = docText(node);
		const found: { address: string; words: string; end: number }[] = [];
		for (const { text, start, end, marks } of textRunsOf(node)) {
			const link = marks.find(({ type }) => type === 'link');
			if (link?.type !== 'link') continue;
			const last = found.at(-1);
			// bold words in the middle of a link do not make it three
			if (last && last.address === link.attrs.href && last.end === start) {
				last.words += text;
				last.end = end;
			} else found.push({ address: link.attrs.href, words: text, end });
		}
		return found.map(({ address, words }) => ({ address, words, heading, block }));
	});
}

/** A take with a link set on a stretch of a block's text. */
export function withLink(
	doc: TakeDoc,
	{ block, start, end }: Pick<LinkOffer, 'block' | 'start' | 'end'>,
	href: string
): TakeDoc {
	const node = doc.content[block];
	if (!node) return doc;
	const content = [...doc.content];
	content[block] = linked(node, start, end, href, { at: 0 })[0] as BlockNode;
	return { ...doc, content };
}

/** A take in which nothing leads to an address any more; the words stay. */
export function withoutLinksTo(doc: TakeDoc, address: string): TakeDoc {
	const clear = (node: DocNode): DocNode => {
		if (node.type === 'text') {
			const marks = (node.marks ?? []).filter(
				(mark) => mark.type !== 'link' || mark.attrs.href !== address
			);
			if (marks.length === (node.marks ?? []).length) return node;
			const { marks: _, ...bare } = node;
			return marks.length === 0 ? bare : { ...bare, marks };
		}
		if (!('content' in node) || !node.content) return node;
		const content = (node.content as readonly DocNode[]).map(clear);
		const isSame = content.every((child, i) => child === node.content![i]);
		return isSame ? node : ({ ...node, content } as DocNode);
	};
	return { ...doc, content: doc.content.map((node) => clear(node) as BlockNode) };
}

function linked(
	node: DocNode,
	start: number,
	end: number,
	href: string,
	place: { at: number }
): DocNode[] {
	if (node.type === 'text') {
		const from = place.at;
		place.at += node.text.length;
		const a = Math.max(0, start - from);
		const b = Math.min(node.text.length, end - from);
		if (a >= b) return [node];
		const cut = (text: string) => (text === '' ? [] : [{ ...node, text }]);
		const others = (node.marks ?? []).filter(({ type }) => type !== 'link');
		return [
			...cut(node.text.slice(0, a)),
			{
				...node,
				text: node.text.slice(a, b),
				marks: [...others, { type: 'link', attrs: { href } }]
			},
			...cut(node.text.slice(b))
		];
	}
	if (node.type === 'hardBreak') {
		place.at++;
		return [node];
	}
	if (!('content' in node) || !node.content) return [node];
	const content = (node.content as readonly DocNode[]).flatMap((child, i) => {
		if (i > 0 && LINE_HOLDERS.has(node.type)) place.at++;
		return linked(child, start, end, href, place);
	});
	return [{ ...node, content } as DocNode];
}

function trieOf(links: readonly Link[]): TrieNode {
	const known = tries.get(links);
	if (known) return known;
	const root: TrieNode = { next: new Map(), row: -1 };
	links.forEach(({ phrase }, row) => {
		let node = root;
		const words = wordsOf(phrase);
		for (const [i, { text }] of words.entries()) {
			const key = keyOf(text, i === words.length - 1);
			let next = node.next.get(key);
			if (!next) node.next.set(key, (next = { next: new Map(), row: -1 }));
			node = next;
		}
		if (words.length > 0 && node.row < 0) node.row = row;
	});
	tries.set(links, root);
	return root;
}

/** The last word of a phrase may stand in the plural. */
function keyOf(word: string, isLast: boolean): string {
	const plain = plainWord(word);
	return isLast ? `${singularOf(plain)}.` : plain;
}

/** The longest match at each word, none across the end of a sentence or a line. */
function matchesIn(words: readonly Word[], text: string, trie: TrieNode): Match[] {
	const found: Match[] = [];
	for (let from = 0; from < words.length; from++) {
		let node: TrieNode | undefined = trie;
		let best: Match | null = null;
		for (let at = from; at < words.length && node; at++) {
			if (at > from && !isJoined(text, words[at - 1]!, words[at]!)) break;
			const ends: TrieNode | undefined = node.next.get(keyOf(words[at]!.text, true));
			if (ends && ends.row >= 0) best = { row: ends.row, from, to: at, length: at - from + 1 };
			node = node.next.get(keyOf(words[at]!.text, false));
		}
		if (!best || isPartOfName(words, best, text)) continue;
		found.push(best);
		from = best.to;
	}
	return found;
}

/** Whether two words stand in one phrase: nothing but a space or a hyphen between them. */
function isJoined(text: string, a: Word, b: Word): boolean {
	return /^[ \u00a0-]+$/.test(text.slice(a.end, b.start));
}

const isCapital = (word: Word | undefined) => word !== undefined && /^\p{Lu}/u.test(word.text);

/** Whether a match that is written like a name goes on before or behind: "Fellgate" in "Fellgate Tools". */
function isPartOfName(words: readonly Word[], { from, to }: Match, text: string): boolean {
	const before = words[from - 1];
	const behind = words[to + 1];
	const opensSentence = (at: number) =>
		at === 0 || /[.!?:\n]["”’)\]]*\s*$/.test(text.slice(0, words[at]!.start));
	if (isCapital(words[from]) && before && isJoined(text, before, words[from]!))
		if (isCapital(before) && !opensSentence(from - 1)) return true;
	return (
		isCapital(words[to]) &&
		behind !== undefined &&
		isCapital(behind) &&
		isJoined(text, words[to]!, behind)
	);
}

function takesLinks({ type }: BlockNode): boolean {
	return type === 'paragraph' || type === 'bulletList' || type === 'orderedList';
}

function hasLink(node: BlockNode): boolean {
	return textRunsOf(node).some(({ marks }) => marks.some(({ type }) => type === 'link'));
}

/** An address without what does not tell places apart: scheme, "www.", a last slash, a fragment. */
function placeOf(address: string): string {
	return address
		.trim()
		.toLowerCase()
		.replace(/^https?:\/\/(?:www\.)?/, '')
		.replace(/#.*$/, '')
		.replace(/\/+$/, '');
}

function lineAround(text: string, isCut: boolean, side: 'before' | 'after'): string {
	const line = text.replace(/\s*\n\s*/g, ' · ').replace(/\s+/g, ' ');
	if (!isCut) return line;
	return side === 'before' ? `…${line.replace(/^\S*\s/, '')}` : `${line.replace(/\s\S*$/, '')}…`;
}
