import type { BlockContent, ListItem, PhrasingContent, Root, RootContent, TableRow } from 'mdast';
import remarkGfm from 'remark-gfm';
import remarkStringify from 'remark-stringify';
import { unified } from 'unified';
import type { ArticleBlock, ContentsEntry, DeliveredArticle, Inline } from './article';

/** What stands before the text: nothing, or the fields that static site generators read. */
export const FRONT_MATTERS = ['none', 'yaml', 'toml', 'json'] as const;
export type FrontMatter = (typeof FRONT_MATTERS)[number];

export interface MarkdownOptions {
	readonly frontMatter: FrontMatter;
}

/**
 * The article as Markdown (CommonMark with tables and footnotes). Headings that the contents lead to
 * carry an anchor of their own, since programs make ids in different ways.
 */
export function articleMarkdown(
	article: DeliveredArticle,
	{ frontMatter }: MarkdownOptions = { frontMatter: 'none' }
): string {
	const led = new Set(
		article.blocks.flatMap((block) =>
			block.kind === 'contents' ? block.entries.map(({ id }) => id) : []
		)
	);
	const tree: Root = {
		type: 'root',
		children: [
			...article.blocks.flatMap((block) => blockOf(block, led, article.hasFootnotes)),
			...(article.hasFootnotes ? footnotesOf(article) : [])
		]
	};
	const text = unified()
		.use(remarkGfm)
		.use(remarkStringify, { bullet: '-', emphasis: '_', rule: '-', listItemIndent: 'one' })
		.stringify(tree);
	return frontMatter === 'none' ? text : `${FRONTS[frontMatter](fieldsOf(article))}\n\n${text}`;
}

type Field = readonly [key: string, value: string | number | readonly string[]];

/** What generators of sites read before a text; fields that say nothing are left out. */
function fieldsOf({ head, pictures, references }: DeliveredArticle): Field[] {
	const fields: Field[] = [
		['title', head.title],
		['seo_title', head.titleTag === head.title ? '' : head.titleTag],
		['description', head.description],
		['slug', head.slug],
		['author', head.author],
		['date', head.publishedOn],
		['image', pictures[0]?.file ?? ''],
		['keywords', [head.keyword]],
		['sources', references.length === 0 ? '' : references.length]
	];
	return fields.filter(([, value]) => value !== '');
}

const FRONTS: Readonly<Record<Exclude<FrontMatter, 'none'>, (fields: readonly Field[]) => string>> =
	{
		yaml: (fields) =>
			['---', ...fields.map(([key, value]) => `${key}: ${valueOf(key, value)}`), '---'].join('\n'),
		toml: (fields) =>
			['+++', ...fields.map(([key, value]) => `${key} = ${valueOf(key, value)}`), '+++'].join('\n'),
		json: (fields) => JSON.stringify(Object.fromEntries(fields), null, 2)
	};

function valueOf(key: string, value: Field[1]): string {
	if (typeof value === 'number') return `${value}`;
	if (typeof value !== 'string') return `[${value.map(quoted).join(', ')}]`;
	// both know days without quotes
	return key === 'date' && /^\d{4}-\d\d-\d\d$/.test(value) ? value : quoted(value);
}

const LONE_HALVES = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/** A string as YAML and TOML have it: as JSON, and with the signs that JSON leaves as they are. */
function quoted(value: string): string {
	// halves of signs stand in no file of these forms
	const whole = value.replace(LONE_HALVES, '\ufffd');
	return JSON.stringify(whole).replace(
		/[\u007f-\u009f\u2028\u2029]/g,
		(sign) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`
	);
}

function blockOf(
	block: ArticleBlock,
	led: ReadonlySet<string>,
	hasFootnotes: boolean
): RootContent[] {
	const inner = (blocks: readonly ArticleBlock[]) =>
		blocks.flatMap((one) => blockOf(one, led, hasFootnotes)) as BlockContent[];
	switch (block.kind) {
		case 'heading':
			return [
				{
					type: 'heading',
					depth: Math.min(6, block.level) as 1,
					children: [...(led.has(block.id) ? [anchor(block.id)] : []), ...phrasing(block.inlines)]
				}
			];
		case 'standfirst':
			return [
				{ type: 'paragraph', children: [{ type: 'emphasis', children: phrasing(block.inlines) }] }
			];
		case 'paragraph':
			return [{ type: 'paragraph', children: phrasing(block.inlines) }];
		case 'list':
			return [
				{
					type: 'list',
					ordered: block.isOrdered,
					spread: false,
					children: block.items.map((item): ListItem => ({
						type: 'listItem',
						spread: false,
						children: inner(item)
					}))
				}
			];
		case 'quote':
			return [{ type: 'blockquote', children: inner(block.blocks) }];
		case 'code':
			return [{ type: 'code', value: block.text }];
		case 'rule':
			return [{ type: 'thematicBreak' }];
		case 'table':
			return [
				{
					type: 'table',
					children: withHeader(block.rows).map((row): TableRow => ({
						type: 'tableRow',
						children: row.map((cell) => ({
							type: 'tableCell',
							children: phrasing(cell).map((node) =>
								node.type === 'break' ? { type: 'text' as const, value: ' ' } : node
							)
						}))
					}))
				}
			];
		case 'figure': {
			const { file, alt, credit, licence } = block.picture;
			const small = [credit, licence].filter(Boolean).join(', ');
			const said: PhrasingContent[] = [
				...phrasing(block.caption),
				...(small === '' ? [] : [plain(block.caption.length > 0 ? ` ${small}` : small)])
			];
			return [
				{ type: 'paragraph', children: [{ type: 'image', url: file, alt }] },
				...(said.length === 0
					? []
					: [
							{
								type: 'paragraph' as const,
								children: [{ type: 'emphasis' as const, children: said }]
							}
						])
			];
		}
		case 'gap':
			return [
				{
					type: 'blockquote',
					children: [
						{
							type: 'paragraph',
							children: [{ type: 'strong', children: [plain('Gap.')] }, plain(` ${block.text}`)]
						}
					]
				}
			];
		case 'contents':
			return [head2('Contents'), contentsList(block.entries)];
		case 'takeaways':
			return [
				head2('Key takeaways'),
				{
					type: 'list',
					ordered: false,
					spread: false,
					children: block.items.map((item): ListItem => ({
						type: 'listItem',
						spread: false,
						children: [{ type: 'paragraph', children: [plain(item)] }]
					}))
				}
			];
		case 'references':
			// footnotes list themselves
			return hasFootnotes
				? []
				: [
						head2('References'),
						{
							type: 'list',
							ordered: true,
							spread: false,
							children: block.entries.map(({ name, address }): ListItem => ({
								type: 'listItem',
								spread: false,
								children: [{ type: 'paragraph', children: [sourceLink(name, address)] }]
							}))
						}
					];
	}
}

/** Tables of Markdown open with a header; one that has none gets an empty one, so that no row becomes it. */
function withHeader(
	rows: Extract<ArticleBlock, { kind: 'table' }>['rows']
): readonly (readonly (readonly Inline[])[])[] {
	const cells = rows.map((row) =>
		row.flatMap(({ inlines, columns }) => [inlines, ...Array<Inline[]>(columns - 1).fill([])])
	);
	const hasHeader = rows[0]?.some(({ isHeader }) => isHeader) ?? false;
	return hasHeader ? cells : [(cells[0] ?? []).map(() => []), ...cells];
}

function footnotesOf({ references }: DeliveredArticle): RootContent[] {
	return references.map(({ number, name, address }) => ({
		type: 'footnoteDefinition',
		identifier: String(number),
		label: String(number),
		children: [{ type: 'paragraph', children: [sourceLink(name, address)] }]
	}));
}

function contentsList(entries: readonly ContentsEntry[]): RootContent {
	const items: ListItem[] = [];
	for (let i = 0; i < entries.length;) {
		const { id, level, text } = entries[i]!;
		let end = i + 1;
		while (end < entries.length && entries[end]!.level > level) end++;
		const inner = entries.slice(i + 1, end);
		items.push({
			type: 'listItem',
			spread: false,
			children: [
				{ type: 'paragraph', children: [{ type: 'link', url: `#${id}`, children: [plain(text)] }] },
				...(inner.length > 0 ? [contentsList(inner) as BlockContent] : [])
			]
		});
		i = end;
	}
	return { type: 'list', ordered: false, spread: false, children: items };
}

function anchor(id: string): PhrasingContent {
	return { type: 'html', value: `<a id="${id}"></a>` };
}

function head2(text: string): RootContent {
	return { type: 'heading', depth: 2, children: [plain(text)] };
}

function plain(value: string): Extract<PhrasingContent, { type: 'text' }> {
	return { type: 'text', value };
}

function sourceLink(name: string, address: string): PhrasingContent {
	return address === '' ? plain(name) : { type: 'link', url: address, children: [plain(name)] };
}

function phrasing(inlines: readonly Inline[]): PhrasingContent[] {
	return inlines.flatMap((inline): PhrasingContent[] => {
		if (inline.kind === 'remark') return [];
		if (inline.kind === 'break') return [{ type: 'break' }];
		if (inline.kind === 'cite')
			return inline.numbers.map((number) => ({
				type: 'footnoteReference',
				identifier: String(number),
				label: String(number)
			}));
		let inner: PhrasingContent = inline.formats.includes('code')
			? { type: 'inlineCode', value: inline.text }
			: plain(inline.text);
		if (inline.formats.includes('strike')) inner = { type: 'delete', children: [inner] };
		if (inline.formats.includes('italic')) inner = { type: 'emphasis', children: [inner] };
		if (inline.formats.includes('bold')) inner = { type: 'strong', children: [inner] };
		return [
			inline.href === null ? inner : { type: 'link', url: inline.href, children: [inner as never] }
		];
	});
}
