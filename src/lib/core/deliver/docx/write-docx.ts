import {
	AlignmentType,
	Bookmark,
	CommentRangeEnd,
	CommentRangeStart,
	CommentReference,
	Document,
	ExternalHyperlink,
	FootnoteReferenceRun,
	HeadingLevel,
	ImageRun,
	InternalHyperlink,
	LevelFormat,
	Packer,
	Paragraph,
	Table,
	TableCell,
	TableRow,
	TextRun,
	WidthType,
	type FileChild,
	type ParagraphChild
} from 'docx';
import type { DocumentPart } from '../../plan';
import {
	type ArticleBlock,
	type DeliveredArticle,
	type Inline,
	type Reference,
	type Words
} from '../article';

const HEADINGS = [
	HeadingLevel.HEADING_1,
	HeadingLevel.HEADING_2,
	HeadingLevel.HEADING_3,
	HeadingLevel.HEADING_4,
	HeadingLevel.HEADING_5,
	HeadingLevel.HEADING_6
] as const;

/** Spaces of all kinds, and characters that XML 1.0 cannot hold; pages now and then bring them. */
const BLANK = /[\s\p{Cc}\ufffe\uffff]+/gu;

/** Widest picture on a page of text, in pixels at 96 to the inch. */
const MOST_WIDTH = 600;
const INDENT = 360;

export interface DocxInput {
	readonly title: string;
	readonly author: string;
	readonly description: string;
	readonly blocks: readonly ArticleBlock[];
	readonly references: readonly Reference[];
	readonly hasFootnotes: boolean;
	/** Bytes of the pictures, by file. */
	readonly pictures: ReadonlyMap<string, Uint8Array>;
	/** Whether remarks go along, as comments. */
	readonly withRemarks: boolean;
	/** Day that comments and the document carry. */
	readonly date: Date;
}

/**
 * Blocks as DOCX (Office Open XML): real headings with bookmarks that the contents lead to, lists,
 * tables, pictures with alt text, links, footnotes and comments. Loaded when it is first asked for: the
 * writer of the format is large.
 */
export async function writeDocx(input: DocxInput): Promise<Blob> {
	const maker = new DocxMaker(input);
	const children = input.blocks.flatMap((block) => maker.block(block));
	return Packer.toBlob(
		new Document({
			title: plain(input.title),
			description: plain(input.description),
			creator: plain(input.author) || 'Corvan',
			...(maker.comments.length > 0
				? {
						comments: {
							children: maker.comments.map((text, id) => ({
								id,
								author: plain(input.author) || 'Corvan',
								date: input.date,
								children: [new Paragraph({ text: plain(text) })]
							}))
						}
					}
				: {}),
			footnotes: Object.fromEntries(
				maker.footnotes.map(({ name, address }, i) => [
					i + 1,
					{ children: [new Paragraph({ children: [sourceLink(name, address)] })] }
				])
			),
			numbering: {
				config: maker.lists.map((isOrdered, i) => ({
					reference: `list-${i}`,
					levels: [0, 1, 2, 3, 4, 5].map((level) => ({
						level,
						format: isOrdered ? LevelFormat.DECIMAL : LevelFormat.BULLET,
						text: isOrdered ? `%${level + 1}.` : '•',
						alignment: AlignmentType.START,
						style: {
							paragraph: { indent: { left: INDENT * (level + 1) + 300, hanging: INDENT } }
						}
					}))
				}))
			},
			sections: [{ children }]
		})
	);
}

/** The article as DOCX. */
export function writeArticleDocx(
	article: DeliveredArticle,
	rest: Pick<DocxInput, 'pictures' | 'withRemarks' | 'date'>
): Promise<Blob> {
	const { head, blocks, references, hasFootnotes } = article;
	return writeDocx({
		title: head.title,
		author: head.author,
		description: head.description,
		blocks,
		references,
		hasFootnotes,
		...rest
	});
}

/** A plan or brief as DOCX. */
export function writePartsDocx(parts: readonly DocumentPart[], title: string): Promise<Blob> {
	return writeDocx({
		title,
		author: '',
		description: '',
		blocks: parts.map(blockOfPart),
		references: [],
		hasFootnotes: false,
		pictures: new Map(),
		withRemarks: false,
		date: new Date(0)
	});
}

function blockOfPart(part: DocumentPart): ArticleBlock {
	const words = (text: string, formats: Words['formats'] = []): Words => ({
		kind: 'words',
		text,
		formats,
		href: null
	});
	switch (part.kind) {
		case 'heading':
			return {
				kind: 'heading',
				level: part.level,
				id: '',
				section: null,
				inlines: [words(part.text)]
			};
		case 'aside':
			return { kind: 'paragraph', inlines: [words(part.text, ['italic'])] };
		case 'paragraph':
			return { kind: 'paragraph', inlines: [words(part.text)] };
		case 'rule':
			return { kind: 'rule' };
		case 'list':
			return {
				kind: 'list',
				isOrdered: false,
				items: part.entries.map((entry) => [{ kind: 'paragraph', inlines: [words(entry)] }])
			};
	}
}

interface Setting {
	readonly list?: { readonly reference: string; readonly level: number };
	readonly indent: number;
}

const PLAIN: Setting = { indent: 0 };

class DocxMaker {
	readonly comments: string[] = [];
	/** In order: whether a list is numbered. Each has a numbering of its own, so that it starts at 1. */
	readonly lists: boolean[] = [];
	/** References by footnote; the same source cited twice is two footnotes. */
	readonly footnotes: Reference[] = [];
	readonly #anchors: ReadonlySet<string>;

	constructor(private readonly input: DocxInput) {
		this.#anchors = new Set(
			input.blocks.flatMap((block) => (block.kind === 'heading' ? [block.id] : []))
		);
	}

	block(block: ArticleBlock, setting: Setting = PLAIN): FileChild[] {
		switch (block.kind) {
			case 'heading': {
				const children = this.#inlines(block.inlines);
				return [
					new Paragraph({
						heading: HEADINGS[Math.min(6, block.level) - 1]!,
						children:
							block.id === '' ? children : [new Bookmark({ id: markOf(block.id), children })]
					})
				];
			}
			case 'standfirst':
			case 'paragraph':
				return [
					this.#paragraph(this.#inlines(block.inlines, block.kind === 'standfirst'), setting)
				];
			case 'list':
				return this.#list(block, setting);
			case 'quote':
				return block.blocks.flatMap((inner) =>
					this.block(inner, { ...setting, indent: setting.indent + 2 * INDENT })
				);
			case 'code':
				return block.text
					.split('\n')
					.map((line) =>
						this.#paragraph([new TextRun({ text: visible(line), font: 'Courier New' })], setting)
					);
			case 'rule':
				return [new Paragraph({ thematicBreak: true })];
			case 'table':
				return [this.#table(block.rows), new Paragraph({})];
			case 'figure':
				return this.#figure(block);
			case 'gap':
				return [
					this.#paragraph(
						[new TextRun({ text: `[${plain(block.text)}]`, highlight: 'yellow' })],
						setting
					)
				];
			case 'contents':
				return [
					this.#title('Contents'),
					...block.entries.map(
						({ id, level, text }) =>
							new Paragraph({
								indent: { left: INDENT * (level - 2) },
								children: [
									new InternalHyperlink({
										anchor: markOf(id),
										children: [new TextRun({ text: plain(text), style: 'Hyperlink' })]
									})
								]
							})
					)
				];
			case 'takeaways':
				return [
					this.#title('Key takeaways'),
					...this.block({
						kind: 'list',
						isOrdered: false,
						items: block.items.map((text) => [
							{ kind: 'paragraph', inlines: [{ kind: 'words', text, formats: [], href: null }] }
						])
					})
				];
			case 'references':
				// footnotes list themselves at the foot of their pages
				return this.input.hasFootnotes
					? []
					: [
							this.#title('References', true),
							...block.entries.map(
								({ number, name, address }) =>
									new Paragraph({
										children: [new TextRun(`${number}. `), sourceLink(name, address)]
									})
							)
						];
		}
	}

	#title(text: string, isHeading = false): Paragraph {
		return isHeading
			? new Paragraph({ text, heading: HeadingLevel.HEADING_2 })
			: new Paragraph({ children: [new TextRun({ text, bold: true })], spacing: { before: 200 } });
	}

	#paragraph(children: readonly ParagraphChild[], { list, indent }: Setting): Paragraph {
		return new Paragraph({
			children,
			spacing: list ? { before: 20, after: 20 } : { before: 80, after: 80 },
			...(list ? { numbering: { reference: list.reference, level: list.level } } : {}),
			...(indent > 0 && !list ? { indent: { left: indent } } : {})
		});
	}

	#list({ isOrdered, items }: Extract<ArticleBlock, { kind: 'list' }>, setting: Setting) {
		const level = Math.min(5, (setting.list?.level ?? -1) + 1);
		const reference = `list-${this.lists.push(isOrdered) - 1}`;
		return items.flatMap((item): FileChild[] =>
			item.flatMap((inner, i) =>
				i === 0 && inner.kind === 'paragraph'
					? [
							this.#paragraph(this.#inlines(inner.inlines), {
								...setting,
								list: { reference, level }
							})
						]
					: this.block(inner, {
							indent: INDENT * (level + 1) + 300,
							...(inner.kind === 'list' ? { list: { reference, level } } : {})
						})
			)
		);
	}

	#table(rows: Extract<ArticleBlock, { kind: 'table' }>['rows']): Table {
		return new Table({
			width: { size: 100, type: WidthType.PERCENTAGE },
			rows: rows.map(
				(row, r) =>
					new TableRow({
						tableHeader: r === 0 && row.every(({ isHeader }) => isHeader),
						children: row.map(
							({ isHeader, columns, rows: deep, inlines }) =>
								new TableCell({
									...(columns > 1 ? { columnSpan: columns } : {}),
									...(deep > 1 ? { rowSpan: deep } : {}),
									children: [new Paragraph({ children: this.#inlines(inlines, false, isHeader) })]
								})
						)
					})
			)
		});
	}

	#figure({ picture, caption }: Extract<ArticleBlock, { kind: 'figure' }>): FileChild[] {
		const data = this.input.pictures.get(picture.file);
		const scale = Math.min(1, MOST_WIDTH / Math.max(1, picture.width));
		const small = [picture.credit, picture.licence].filter(Boolean).join(', ');
		const said: ParagraphChild[] = [
			...this.#inlines(caption, true),
			...(small === ''
				? []
				: [new TextRun({ text: `${caption.length > 0 ? ' ' : ''}${plain(small)}`, size: 18 })])
		];
		return [
			...(data
				? [
						new Paragraph({
							children: [
								new ImageRun({
									type: picture.type === 'image/png' ? 'png' : 'jpg',
									data,
									transformation: {
										width: Math.round(picture.width * scale),
										height: Math.round(picture.height * scale)
									},
									altText: {
										name: plain(picture.file),
										description: plain(picture.alt),
										title: ''
									}
								})
							]
						})
					]
				: []),
			...(said.length > 0 ? [new Paragraph({ children: said })] : [])
		];
	}

	#inlines(inlines: readonly Inline[], isItalic = false, isBold = false): ParagraphChild[] {
		let open: { readonly id: number; readonly text: string } | null = null;
		const close = (): ParagraphChild[] => {
			if (!open) return [];
			const { id } = open;
			open = null;
			return [new CommentRangeEnd(id), new TextRun({ children: [new CommentReference(id)] })];
		};
		const made = inlines.flatMap((inline): ParagraphChild[] => {
			// words under one comment may be parted by formats, links and numbers
			const comment = inline.kind === 'words' ? (inline.comment ?? '') : null;
			const ends = comment !== null && open !== null && open.text !== comment ? close() : [];
			if (comment && !open) {
				open = { id: this.comments.push(comment) - 1, text: comment };
				ends.push(new CommentRangeStart(open.id));
			}
			return [...ends, ...this.#inline(inline, isItalic, isBold)];
		});
		return [...made, ...close()];
	}

	#inline(inline: Inline, isItalic: boolean, isBold: boolean): ParagraphChild[] {
		if (inline.kind === 'break') return [new TextRun({ text: '', break: 1 })];
		if (inline.kind === 'remark') {
			if (!this.input.withRemarks) return [];
			const id = this.comments.push(inline.text) - 1;
			return [
				new CommentRangeStart(id),
				new CommentRangeEnd(id),
				new TextRun({ children: [new CommentReference(id)] })
			];
		}
		if (inline.kind === 'cite')
			return inline.numbers.flatMap((number) => {
				const reference = this.input.references[number - 1];
				if (!reference) return [];
				return [new FootnoteReferenceRun(this.footnotes.push(reference))];
			});
		const has = (format: Words['formats'][number]) => inline.formats.includes(format);
		const run = (style?: string) =>
			new TextRun({
				text: visible(inline.text),
				bold: isBold || has('bold'),
				italics: isItalic || has('italic'),
				strike: has('strike'),
				...(has('code') ? { font: 'Courier New' } : {}),
				...(style ? { style } : {})
			});
		const { href } = inline;
		if (href === null) return [run()];
		if (!href.startsWith('#'))
			return [new ExternalHyperlink({ link: linkOf(href), children: [run('Hyperlink')] })];
		return this.#anchors.has(href.slice(1))
			? [new InternalHyperlink({ anchor: markOf(href.slice(1)), children: [run('Hyperlink')] })]
			: [run()];
	}
}

function sourceLink(name: string, address: string): ParagraphChild {
	return address === ''
		? new TextRun(plain(name))
		: new ExternalHyperlink({
				link: linkOf(address),
				children: [new TextRun({ text: plain(name), style: 'Hyperlink' })]
			});
}

/** Addresses of relationships are URIs: what those cannot hold is percent-encoded. */
function linkOf(address: string): string {
	return encodeURI(address).replace(/%25([0-9A-F]{2})/gi, '%$1');
}

/** Bookmarks have short names of letters, digits and underscores that open with a letter. */
function markOf(id: string): string {
	return `h_${id.replace(/[^A-Za-z0-9]/g, '_')}`.slice(0, 40);
}

/** Spaces stay where they stand: a run is a part of a line. */
function visible(text: string): string {
	return text.replace(BLANK, ' ');
}

function plain(text: string): string {
	return visible(text).trim();
}
