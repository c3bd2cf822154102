import type { Element, ElementContent, Root } from 'hast';
import { toHtml } from 'hast-util-to-html';
import type { ArticleBlock, ContentsEntry, DeliveredArticle, Inline, Reference } from './article';
import { el, text } from './elements';

/** How outputs in HTML are made. */
export interface HtmlOptions {
	/** Address of a picture, by its file; as it is where this is left out. */
	readonly srcOf?: (file: string) => string;
	/** Addresses that links tell search engines not to follow. */
	readonly nofollow?: ReadonlySet<string>;
	/** Leaves the title out, where it is said beside the text. */
	readonly withoutTitle?: boolean;
	/** Written into the head of a page, one for each kind. */
	readonly data?: readonly object[];
}

const WORDS = {
	footnotes: 'References',
	contents: 'Contents',
	takeaways: 'Key takeaways'
} as const;

/** The article as clean HTML without attributes of ours; safe to paste into any site. */
export function htmlBodyOf(article: DeliveredArticle, options: HtmlOptions = {}): string {
	return toHtml(treeOf(article, options));
}

/** The article as a whole page: head, text, structured data. */
export function htmlPageOf(article: DeliveredArticle, options: HtmlOptions = {}): string {
	const { titleTag, title, description, language, author, address } = article.head;
	const head: Element[] = [
		el('meta', { charSet: 'utf-8' }),
		el('meta', { name: 'viewport', content: 'width=device-width, initial-scale=1' }),
		el('title', {}, [text(titleTag.trim() || title.trim() || 'Untitled')]),
		...(description === '' ? [] : [el('meta', { name: 'description', content: description })]),
		...(author === '' ? [] : [el('meta', { name: 'author', content: author })]),
		...(address === '' ? [] : [el('link', { rel: ['canonical'], href: address })]),
		...(options.data ?? []).map((data) =>
			el('script', { type: 'application/ld+json' }, [text(dataText(data))])
		),
		el('style', {}, [text(PAGE_STYLE)])
	];
	const page: Root = {
		type: 'root',
		children: [
			{ type: 'doctype' },
			el('html', { lang: language }, [
				el(
					'head',
					{},
					head.flatMap((element) => [text('\n'), element])
				),
				el('body', {}, [
					el('main', {}, [
						el('article', {}, [
							text('\n'),
							...(treeOf(article, options).children as ElementContent[])
						])
					])
				])
			])
		]
	};
	return `${toHtml(page, { upperDoctype: true })}\n`;
}

/** Structured data as it stands in a page: nothing in it can end the element it stands in. */
function dataText(data: object): string {
	return JSON.stringify(data).replace(/</g, '\\u003c');
}

const PAGE_STYLE =
	'body{margin:0;font:1.06rem/1.65 Georgia,serif;color:#1c2530;background:#fff}main{max-width:42rem;margin:0 auto;padding:2rem 1.25rem 4rem}h1,h2,h3,h4{line-height:1.25}img{max-width:100%;height:auto}figure{margin:1.5rem 0}figcaption{font-size:.88rem;color:#555}table{border-collapse:collapse}th,td{text-align:left;padding:.35rem .9rem .35rem 0;border-bottom:1px solid #ccc;vertical-align:top}blockquote{margin:1.2rem 0;padding-left:1rem;border-left:3px solid #bbb}aside,nav{margin:1.5rem 0;padding:.2rem 1.2rem;border:1px solid #ccc}';

function treeOf(article: DeliveredArticle, options: HtmlOptions): Root {
	const firstCites = new Set<number>();
	const make = new Maker(options, firstCites);
	return {
		type: 'root',
		children: shownBlocks(article, options).flatMap((block) => [...make.block(block), text('\n')])
	};
}

function shownBlocks({ blocks }: DeliveredArticle, { withoutTitle }: HtmlOptions) {
	const title = blocks.findIndex((block) => block.kind === 'heading' && block.level === 1);
	return withoutTitle && title >= 0 ? blocks.toSpliced(title, 1) : blocks;
}

/** One block as elements, without links back and other pictures' addresses. */
export function blockElements(block: ArticleBlock): ElementContent[] {
	return new Maker({}, new Set()).block(block);
}

class Maker {
	constructor(
		private readonly options: HtmlOptions,
		/** Numbers whose first mark stands already: that one is led back to. */
		private readonly cited: Set<number>
	) {}

	block(block: ArticleBlock): ElementContent[] {
		switch (block.kind) {
			case 'heading':
				return [
					el(
						`h${block.level}`,
						block.id === '' ? {} : { id: block.id },
						this.inlines(block.inlines)
					)
				];
			case 'standfirst':
				return [el('p', {}, [el('em', {}, this.inlines(block.inlines))])];
			case 'paragraph':
				return [el('p', {}, this.inlines(block.inlines))];
			case 'list':
				return [
					el(
						block.isOrdered ? 'ol' : 'ul',
						{},
						block.items.map((item) => el('li', {}, this.item(item)))
					)
				];
			case 'quote':
				return [
					el(
						'blockquote',
						{},
						block.blocks.flatMap((inner) => this.block(inner))
					)
				];
			case 'code':
				return [el('pre', {}, [el('code', {}, [text(block.text)])])];
			case 'rule':
				return [el('hr', {})];
			case 'table':
				return [this.table(block.rows)];
			case 'figure':
				return [this.figure(block)];
			case 'gap':
				return [el('p', {}, [el('mark', {}, [text(`[${block.text}]`)])])];
			case 'contents':
				return [
					el('nav', { ariaLabelledBy: 'contents' }, [
						el('h2', { id: 'contents' }, [text(WORDS.contents)]),
						nestedList(block.entries)
					])
				];
			case 'takeaways':
				return [
					el('aside', { ariaLabelledBy: 'key-takeaways' }, [
						el('h2', { id: 'key-takeaways' }, [text(WORDS.takeaways)]),
						el(
							'ul',
							{},
							block.items.map((item) => el('li', {}, [text(item)]))
						)
					])
				];
			case 'references':
				return [
					el('h2', { id: 'references' }, [text(WORDS.footnotes)]),
					el(
						'ol',
						{},
						block.entries.map((entry) => this.reference(entry))
					)
				];
		}
	}

	/** The one paragraph of an entry needs no element of its own. */
	private item(blocks: readonly ArticleBlock[]): ElementContent[] {
		const [first, ...rest] = blocks;
		if (first?.kind !== 'paragraph' || rest.some(({ kind }) => kind === 'paragraph'))
			return blocks.flatMap((block) => this.block(block));
		return [...this.inlines(first.inlines), ...rest.flatMap((block) => this.block(block))];
	}

	private table(rows: Extract<ArticleBlock, { kind: 'table' }>['rows']): Element {
		const isHead = rows.length > 1 && rows[0]!.every(({ isHeader }) => isHeader);
		const rowOf = (row: (typeof rows)[number], scope: 'col' | 'row') =>
			el(
				'tr',
				{},
				row.map(({ isHeader, columns, rows: deep, inlines }) =>
					el(
						isHeader ? 'th' : 'td',
						{
							...(isHeader ? { scope } : {}),
							...(columns > 1 ? { colSpan: columns } : {}),
							...(deep > 1 ? { rowSpan: deep } : {})
						},
						this.inlines(inlines)
					)
				)
			);
		const [first, ...rest] = rows;
		return el('table', {}, [
			...(isHead ? [el('thead', {}, [rowOf(first!, 'col')])] : []),
			el(
				'tbody',
				{},
				(isHead ? rest : rows).map((row) => rowOf(row, 'row'))
			)
		]);
	}

	private figure({ picture, caption }: Extract<ArticleBlock, { kind: 'figure' }>): Element {
		const { file, alt, width, height, credit, licence } = picture;
		const said = this.inlines(caption);
		const small = [credit, licence].filter(Boolean).join(', ');
		const isCaptioned = said.length > 0 || small !== '';
		return el('figure', {}, [
			el('img', {
				src: this.options.srcOf?.(file) ?? file,
				alt,
				width,
				height,
				loading: 'lazy'
			}),
			...(isCaptioned
				? [
						el('figcaption', {}, [
							...said,
							...(said.length > 0 && small !== '' ? [text(' ')] : []),
							...(small === '' ? [] : [el('small', {}, [text(small)])])
						])
					]
				: [])
		]);
	}

	private reference({ number, name, address }: Reference): Element {
		const isMarked = this.cited.has(number);
		return el('li', { id: `reference-${number}` }, [
			address === '' ? text(name) : el('a', this.link(address), [text(name)]),
			...(isMarked
				? [
						text(' '),
						el('a', { href: `#cited-${number}`, ariaLabel: `Back to where ${number} is cited` }, [
							text('↩')
						])
					]
				: [])
		]);
	}

	private link(href: string): Readonly<Record<string, string | string[]>> {
		return {
			href,
			...(this.options.nofollow?.has(href) ? { rel: ['nofollow'] } : {})
		};
	}

	private inlines(inlines: readonly Inline[]): ElementContent[] {
		return inlines.flatMap((inline): ElementContent[] => {
			if (inline.kind === 'remark') return [];
			if (inline.kind === 'break') return [el('br', {})];
			if (inline.kind === 'cite')
				return inline.numbers.map((number) => {
					const isFirst = !this.cited.has(number);
					this.cited.add(number);
					return el('sup', isFirst ? { id: `cited-${number}` } : {}, [
						el('a', { href: `#reference-${number}`, ariaLabel: `Reference ${number}` }, [
							text(`[${number}]`)
						])
					]);
				});
			const TAGS = { bold: 'strong', italic: 'em', strike: 's', code: 'code' } as const;
			let inner: ElementContent = text(inline.text);
			for (const format of [...inline.formats].reverse()) inner = el(TAGS[format], {}, [inner]);
			return [inline.href === null ? inner : el('a', this.link(inline.href), [inner])];
		});
	}
}

/** Contents as lists in lists; a level that is skipped opens none of its own. */
function nestedList(entries: readonly ContentsEntry[]): Element {
	const items: Element[] = [];
	for (let i = 0; i < entries.length;) {
		const { id, level, text: said } = entries[i]!;
		let end = i + 1;
		while (end < entries.length && entries[end]!.level > level) end++;
		const inner = entries.slice(i + 1, end);
		items.push(
			el('li', {}, [
				el('a', { href: `#${id}` }, [text(said)]),
				...(inner.length > 0 ? [nestedList(inner)] : [])
			])
		);
		i = end;
	}
	return el('ol', {}, items);
}
