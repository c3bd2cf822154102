import slugify, { slugifyWithCounter } from '@sindresorhus/slugify';
import {
	docText,
	LINE_HOLDERS,
	type BlockNode,
	type CellNode,
	type InlineNode,
	type ListItemNode,
	type RowNode,
	type TakeDoc
} from '../manuscript';
import { countWords, minutesOf } from '../text';
import {
	plainOfInlines,
	questionsIn,
	textOfBlock,
	type ArticleBlock,
	type ArticleHead,
	type CellOf,
	type ContentsEntry,
	type DeliveredArticle,
	type DeliveredPicture,
	type Inline,
	type Reference,
	type Words
} from './article';
import type { DeliveryChoices } from './choices';
import type { FoundReferences } from './references';

/** Everything that goes into the one document besides the manuscript. */
export interface DeliveryInput {
	/** Its title is used where the text has no heading of level 1. */
	readonly head: ArticleHead;
	readonly choices: Pick<
		DeliveryChoices,
		'standfirst' | 'contentsTo' | 'references' | 'withGaps' | 'hasTakeaways'
	>;
	/** Said in the box of key takeaways. */
	readonly takeaways: readonly string[];
	readonly references: FoundReferences;
	/** What is said to the client beside the text; only forms that have comments show it. */
	readonly remarks: readonly PlacedRemark[];
	readonly furtherReading: readonly { readonly name: string; readonly address: string }[];
	/** By id; a figure whose picture is not here is left out. */
	readonly pictures: ReadonlyMap<string, DeliveredPicture>;
}

/** Something said to the client at a place in a block's text (see `docText`). */
export interface PlacedRemark {
	readonly block: number;
	readonly at: number;
	readonly text: string;
}

/** What is put into a block's text at a place. */
interface Insert {
	readonly at: number;
	readonly numbers: readonly number[];
	readonly remark: string;
}

/** Ids that are not for headings of the text. */
const OWN_IDS = ['contents', 'key-takeaways', 'references', 'further-reading'];

const LEADS = /^(?:https?:|mailto:|\/|#)/i;

/** An address that a link may lead to, or null: scripts and data lead nowhere. */
export function leadOf(href: unknown): string | null {
	if (typeof href !== 'string') return null;
	// browsers pass over these in an address, so that they can hide a scheme
	const plain = [...href]
		.filter((letter) => letter > '\u001f' && letter !== '\u007f')
		.join('')
		.trim();
	return LEADS.test(plain) ? plain : null;
}

/** Makes the one document that all outputs are made of. */
export function makeArticle(doc: TakeDoc, input: DeliveryInput): DeliveredArticle {
	const { choices, references } = input;
	const style = choices.references;
	const idOf = headingIds();
	const text = doc.content.flatMap((node, at): ArticleBlock[] => {
		const places = references.places.get(at) ?? [];
		const inserts: Insert[] = [
			...(style === 'footnotes' || style === 'in the text'
				? places.map((place) => ({ ...place, remark: '' }))
				: []),
			...input.remarks
				.filter(({ block }) => block === at)
				.map((remark) => ({ at: remark.at, numbers: [], remark: remark.text }))
		];
		return new Walk(
			input,
			inserts.sort((a, b) => a.at - b.at),
			idOf
		).blocksOf(node);
	});
	const titled = withTitle(text, input.head.title, idOf);
	const words = titled.reduce((sum, block) => sum + countWords(textOfBlock(block)), 0);
	const blocks = withEnd(withBoxes(titled, input), input);
	return {
		head: { ...input.head, title: titleOf(titled) ?? input.head.title },
		blocks,
		references: style === 'none' ? [] : references.references,
		hasFootnotes: style === 'footnotes' && references.references.length > 0,
		pictures: picturesIn(blocks),
		questions: questionsIn(blocks),
		words,
		minutes: minutesOf(words)
	};
}

/** Ids for headings: their words joined by hyphens, a number behind the second of two alike. */
function headingIds(): (text: string) => string {
	const count = slugifyWithCounter();
	OWN_IDS.forEach((id) => count(id));
	return (text) =>
		count(slugify(text, { decamelize: false }) === '' ? 'section' : text, { decamelize: false });
}

function titleOf(blocks: readonly ArticleBlock[]): string | null {
	const first = blocks.find((block) => block.kind === 'heading' && block.level === 1);
	return first?.kind === 'heading' ? plainOfInlines(first.inlines) : null;
}

function withTitle(
	blocks: readonly ArticleBlock[],
	title: string,
	idOf: (text: string) => string
): readonly ArticleBlock[] {
	if (title.trim() === '' || titleOf(blocks) !== null) return blocks;
	return [
		{ kind: 'heading', level: 1, id: idOf(title), section: null, inlines: [words(title)] },
		...blocks
	];
}

/** Standfirst under the title, takeaways and contents before the first section. */
function withBoxes(
	blocks: readonly ArticleBlock[],
	{ choices, takeaways }: DeliveryInput
): readonly ArticleBlock[] {
	const isTitle = (block: ArticleBlock) => block.kind === 'heading' && block.level === 1;
	const isSection = (block: ArticleBlock) => block.kind === 'heading' && block.level > 1;
	const under = blocks.findIndex(isTitle) + 1;
	const standfirst: ArticleBlock[] =
		choices.standfirst.trim() === ''
			? []
			: [{ kind: 'standfirst', inlines: [words(choices.standfirst.trim())] }];
	const entries = blocks.flatMap((block): ContentsEntry[] =>
		block.kind === 'heading' && block.level > 1 && block.level <= choices.contentsTo
			? [{ id: block.id, level: block.level, text: plainOfInlines(block.inlines) }]
			: []
	);
	const boxes: ArticleBlock[] = [
		...(choices.hasTakeaways && takeaways.length > 0
			? [{ kind: 'takeaways' as const, items: takeaways }]
			: []),
		...(entries.length > 1 ? [{ kind: 'contents' as const, entries }] : [])
	];
	const first = blocks.findIndex(isSection);
	const before = first < 0 ? blocks.length : Math.max(first, under);
	return [
		...blocks.slice(0, under),
		...standfirst,
		...blocks.slice(under, before),
		...boxes,
		...blocks.slice(before)
	];
}

/** References and further reading behind the text. */
function withEnd(
	blocks: readonly ArticleBlock[],
	{ choices, references, furtherReading }: DeliveryInput
): readonly ArticleBlock[] {
	const listed = choices.references === 'footnotes' || choices.references === 'list';
	return [
		...blocks,
		...(listed && references.references.length > 0
			? [{ kind: 'references' as const, entries: references.references }]
			: []),
		...(furtherReading.length > 0 ? furtherBlocks(furtherReading) : [])
	];
}

function furtherBlocks(pages: DeliveryInput['furtherReading']): ArticleBlock[] {
	return [
		{
			kind: 'heading',
			level: 2,
			id: 'further-reading',
			section: null,
			inlines: [words('Further reading')]
		},
		{
			kind: 'list',
			isOrdered: false,
			items: pages.map(({ name, address }): ArticleBlock[] => [
				{ kind: 'paragraph', inlines: [words(name, leadOf(address))] }
			])
		}
	];
}

function picturesIn(blocks: readonly ArticleBlock[]): DeliveredPicture[] {
	const seen = new Map<string, DeliveredPicture>();
	const look = (block: ArticleBlock): void => {
		if (block.kind === 'figure') seen.set(block.picture.id, block.picture);
		else if (block.kind === 'quote') block.blocks.forEach(look);
		else if (block.kind === 'list') block.items.forEach((item) => item.forEach(look));
	};
	blocks.forEach(look);
	return [...seen.values()];
}

function words(text: string, href: string | null = null, formats: Words['formats'] = []): Words {
	return { kind: 'words', text, formats, href };
}

/** Turns one block of a manuscript into blocks of the article, minding places in its text. */
class Walk {
	/** Place in the block's text, counted as `docText` has it. */
	#at = 0;
	readonly #places: Insert[];

	constructor(
		private readonly input: DeliveryInput,
		places: readonly Insert[],
		private readonly idOf: (text: string) => string
	) {
		this.#places = [...places];
	}

	blocksOf(node: BlockNode): ArticleBlock[] {
		switch (node.type) {
			case 'heading': {
				const inlines = this.#inlines(node.content);
				const text = plainOfInlines(inlines).trim();
				const level = Math.min(6, Math.max(1, node.attrs.level));
				return text === ''
					? []
					: [
							{
								kind: 'heading',
								level,
								id: this.idOf(text),
								section: node.attrs.section || null,
								inlines
							}
						];
			}
			case 'paragraph': {
				const inlines = this.#inlines(node.content);
				return plainOfInlines(inlines).trim() === '' ? [] : [{ kind: 'paragraph', inlines }];
			}
			case 'gap': {
				const text = docText(node);
				return this.input.choices.withGaps && text.trim() !== '' ? [{ kind: 'gap', text }] : [];
			}
			case 'bulletList':
			case 'orderedList': {
				const items = this.#each(node.type, node.content ?? [], (item: ListItemNode) =>
					this.#each(item.type, item.content ?? [], (inner) => this.blocksOf(inner)).flat()
				).filter((item) => item.length > 0);
				const isOrdered = node.type === 'orderedList';
				return items.length === 0 ? [] : [{ kind: 'list', isOrdered, items }];
			}
			case 'blockquote': {
				const blocks = this.#each(node.type, node.content ?? [], (inner) =>
					this.blocksOf(inner)
				).flat();
				return blocks.length === 0 ? [] : [{ kind: 'quote', blocks }];
			}
			case 'codeBlock': {
				const text = (node.content ?? []).map(docText).join('');
				this.#at += text.length;
				return text === '' ? [] : [{ kind: 'code', text }];
			}
			case 'horizontalRule':
				return [{ kind: 'rule' }];
			case 'table': {
				const rows = this.#each(node.type, node.content ?? [], (row: RowNode) =>
					this.#each(row.type, row.content ?? [], (cell: CellNode): CellOf => {
						const inner = this.#each(cell.type, cell.content ?? [], (block) =>
							this.blocksOf(block)
						).flat();
						return {
							isHeader: cell.type === 'tableHeader',
							columns: spanOf(cell.attrs?.colspan),
							rows: spanOf(cell.attrs?.rowspan),
							inlines: inlinesOfBlocks(inner)
						};
					})
				).filter((row) => row.length > 0);
				return rows.length === 0 ? [] : [{ kind: 'table', rows }];
			}
			case 'figure': {
				const caption = this.#inlines(node.content);
				const picture = this.input.pictures.get(String(node.attrs?.picture ?? ''));
				if (!picture)
					return plainOfInlines(caption).trim() === ''
						? []
						: [{ kind: 'paragraph', inlines: caption }];
				const alt = typeof node.attrs?.alt === 'string' ? node.attrs.alt : picture.alt;
				return [{ kind: 'figure', picture: { ...picture, alt }, caption }];
			}
		}
	}

	/** Children one after the other; between those on lines of their own a sign is passed. */
	#each<Node, Out>(holder: string, children: readonly Node[], make: (child: Node) => Out): Out[] {
		return children.map((child, i) => {
			if (i > 0 && LINE_HOLDERS.has(holder)) this.#at++;
			return make(child);
		});
	}

	#inlines(nodes: readonly InlineNode[] | undefined): Inline[] {
		return (nodes ?? []).flatMap((node): Inline[] => {
			if (node.type === 'hardBreak') {
				this.#at++;
				return [...this.#citesHere(), { kind: 'break' }];
			}
			const formats = ['bold', 'italic', 'strike', 'code'] as const;
			const href = node.marks?.find(({ type }) => type === 'link');
			const comment = node.marks?.find(({ type }) => type === 'comment');
			const said = comment?.type === 'comment' ? comment.attrs.text.trim() : '';
			const made = (text: string): Inline[] =>
				text === ''
					? []
					: [
							{
								...words(
									text,
									href?.type === 'link' ? leadOf(href.attrs.href) : null,
									formats.filter((format) => node.marks?.some(({ type }) => type === format))
								),
								...(said === '' ? {} : { comment: said })
							}
						];
			const out: Inline[] = [];
			let rest = node.text;
			while (this.#places.length > 0 && this.#places[0]!.at <= this.#at + rest.length) {
				const place = this.#places.shift()!;
				const isNamed = place.remark === '' && this.input.choices.references === 'in the text';
				const end = Math.max(0, place.at - this.#at);
				const before = rest.slice(0, end);
				// a name in brackets belongs to the sentence, a number stands behind its stop
				const stop = isNamed ? (/[.!?…]+[”’"')\]]*$/.exec(before)?.[0].length ?? 0) : 0;
				out.push(...made(before.slice(0, before.length - stop)), ...this.#told(place));
				out.push(...made(before.slice(before.length - stop)));
				this.#at += end;
				rest = rest.slice(end);
			}
			this.#at += rest.length;
			return [...out, ...made(rest)];
		});
	}

	#citesHere(): Inline[] {
		const out: Inline[] = [];
		while (this.#places.length > 0 && this.#places[0]!.at < this.#at)
			out.push(...this.#told(this.#places.shift()!));
		return out;
	}

	#told({ numbers, remark }: Insert): Inline[] {
		if (remark !== '') return [{ kind: 'remark', text: remark }];
		if (this.input.choices.references === 'footnotes') return [{ kind: 'cite', numbers }];
		const names = numbers.flatMap((number) => {
			const found: Reference | undefined = this.input.references.references[number - 1];
			return found ? [found.name] : [];
		});
		return names.length === 0 ? [] : [words(` (${names.join('; ')})`)];
	}
}

function spanOf(value: unknown): number {
	return typeof value === 'number' && Number.isInteger(value) && value > 1 ? value : 1;
}

/** Cells hold lines: paragraphs as they are, of everything else the text. */
function inlinesOfBlocks(blocks: readonly ArticleBlock[]): Inline[] {
	return blocks.flatMap((block, i): Inline[] => {
		const inlines =
			block.kind === 'paragraph' || block.kind === 'heading'
				? block.inlines
				: textOfBlock(block) === ''
					? []
					: [words(textOfBlock(block).replace(/\n/g, ' '))];
		return i > 0 && inlines.length > 0 ? [{ kind: 'break' }, ...inlines] : [...inlines];
	});
}
