import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import { HtmlValidate } from 'html-validate/node';
import mammoth from 'mammoth';
import { parse, type DefaultTreeAdapterMap } from 'parse5';
import { parse as parseToml } from 'smol-toml';
import { SaxesParser } from 'saxes';
import { describe, expect, it } from 'vitest';
import { HOSTILE } from '../../../../tests/support/hostile';
import {
	docFromMarkdown,
	docOf,
	docText,
	figure,
	gap,
	heading,
	list,
	listOfBlocks,
	markedText,
	paragraph,
	quote,
	table,
	textNode,
	type BlockNode,
	type InlineNode,
	type TakeDoc,
	type TextMark
} from '../manuscript';
import { blocksOfRichText, markdownOfBlocks } from '../pages';
import { wordsOf } from '../text';
import {
	textOfBlock,
	type ArticleHead,
	type DeliveredArticle,
	type DeliveredPicture
} from './article';
import { articleMarkdown } from './article-markdown';
import { NO_DELIVERY_CHOICES } from './choices';
import { writeArticleDocx } from './docx';
import { htmlBodyOf, htmlPageOf } from './html';
import { leadOf, makeArticle, type DeliveryInput } from './make-article';
import { plainTextOf } from './plain-text';
import { NO_REFERENCES } from './references';
import { scriptChapters, scriptOf, scriptSrt, scriptText } from './script';
import { structuredDataOf } from './structured-data';

const HEAD: ArticleHead = {
	title: 'Walls',
	titleTag: 'Walls that stand',
	description: 'How a wall is built.',
	slug: 'walls',
	keyword: 'dry stone wall',
	language: 'en-GB',
	author: 'Ada Fell',
	publisher: 'Fellgate Tools',
	publishedOn: '2026-11-29',
	changedOn: '2026-11-30',
	address: 'https://fellgate-tools.example/walls'
};
const PICTURE: DeliveredPicture = {
	id: 'pic',
	file: 'pictures/trench.png',
	type: 'image/png',
	width: 2,
	height: 1,
	alt: 'A trench',
	credit: 'Ada Fell',
	licence: 'CC BY 4.0',
	source: ''
};
/** The smallest PNG. */
const PNG = Uint8Array.from(
	atob(
		'iVBORw0KGgoAAAANSUhEUgAAAAIAAAABCAYAAAD0In+KAAAAC0lEQVR4nGNgAAIAAAUAAXpeqz8AAAAASUVORK5CYII='
	),
	(letter) => letter.charCodeAt(0)
);

const inputOf = (more: Partial<DeliveryInput> = {}): DeliveryInput => ({
	head: HEAD,
	choices: { ...NO_DELIVERY_CHOICES, contentsTo: 0 },
	takeaways: [],
	references: NO_REFERENCES,
	remarks: [],
	furtherReading: [],
	pictures: new Map([['pic', PICTURE]]),
	...more
});

const docxOf = async (article: DeliveredArticle): Promise<Uint8Array> =>
	new Uint8Array(
		await (
			await writeArticleDocx(article, {
				pictures: new Map([[PICTURE.file, PNG]]),
				withRemarks: true,
				date: new Date('2026-11-29')
			})
		).arrayBuffer()
	);

type Node = DefaultTreeAdapterMap['node'];
function* nodesIn(node: Node): Generator<Node> {
	yield node;
	if ('childNodes' in node) for (const child of node.childNodes) yield* nodesIn(child);
}
/** Text of a page as a reader sees it, elements apart. */
const textOfHtml = (html: string) =>
	[...nodesIn(parse(html))]
		.flatMap((node) =>
			node.nodeName === '#text' &&
			'value' in node &&
			!['style', 'script', 'title'].includes(node.parentNode?.nodeName ?? '')
				? [node.value]
				: []
		)
		.join(' ');
const wordsIn = (text: string) => wordsOf(text).map((word) => word.text);

const WORDS =
	'stone wall trench batter hearting course cope frost clay line frame sixty cm dry'.split(' ');
const said = fc
	.array(fc.constantFrom(...WORDS), { minLength: 1, maxLength: 9 })
	.map((words) => `${words.join(' ')}.`);
const formats = fc.constantFrom<readonly TextMark[]>(
	[],
	[],
	[{ type: 'bold' }],
	[{ type: 'italic' }, { type: 'bold' }],
	[{ type: 'link', attrs: { href: 'https://walls.example/a' } }],
	[{ type: 'origin', attrs: { source: 'n', label: 'n1' } }]
);
const inlines: fc.Arbitrary<InlineNode[]> = fc
	.array(fc.tuple(said, formats), { minLength: 1, maxLength: 3 })
	.map((runs) =>
		runs.flatMap(([text, marks], i): InlineNode[] => [
			...(i > 0 ? [textNode(' ')] : []),
			markedText(text, marks)
		])
	);
const block: fc.Arbitrary<BlockNode> = fc.oneof(
	inlines.map((content) => paragraph(...content)),
	fc.tuple(fc.integer({ min: 2, max: 4 }), said).map(([level, text]) => heading(level, text)),
	fc
		.tuple(fc.boolean(), fc.array(inlines, { minLength: 1, maxLength: 4 }))
		.map(([ordered, items]) => list(ordered, items)),
	fc
		.tuple(inlines, fc.array(inlines, { minLength: 1, maxLength: 3 }))
		.map(([lead, inner]) => listOfBlocks(false, [[paragraph(...lead), list(true, inner)]])),
	inlines.map((content) => quote(paragraph(...content))),
	fc.tuple(fc.boolean(), inlines, inlines).map(([hasHeader, a, b]) =>
		table(
			[
				[a, b],
				[b, a]
			],
			hasHeader
		)
	),
	said.map((caption) => figure('pic', 'A trench', caption)),
	fc.constant<BlockNode>({ type: 'horizontalRule' })
);
const manuscript: fc.Arbitrary<TakeDoc> = fc
	.array(block, { minLength: 1, maxLength: 8 })
	.map((blocks) => docOf([heading(1, 'Walls that stand'), ...blocks]));
const withoutPictures = (text: string) => text.replace(/Ada Fell,? ?|CC BY 4\.0/g, ' ');

describe('every output of one take', () => {
	it('holds the same words', async () => {
		await fc.assert(
			fc.asyncProperty(manuscript, async (doc) => {
				const article = makeArticle(doc, inputOf());
				const own = wordsIn(article.blocks.map(textOfBlock).join('\n'));
				expect(own).toEqual(wordsIn(doc.content.map(docText).join('\n')));
				expect(wordsIn(withoutPictures(textOfHtml(htmlBodyOf(article))))).toEqual(own);
				expect(
					wordsIn(
						withoutPictures(plainTextOf(article))
							.replace(/\[Picture: [^\]]*\]|<https?:[^>]*>|^={3,}$/gm, ' ')
							.replace(/^\s*(?:> )*\s*\d+\. /gm, ' ')
					)
				).toEqual(own);
				const { value } = await mammoth.extractRawText({
					buffer: Buffer.from(await docxOf(article))
				});
				expect(wordsIn(withoutPictures(value))).toEqual(own);
			}),
			{ numRuns: 30 }
		);
	}, 60_000);

	it('comes back from Markdown with the same words', () => {
		fc.assert(
			fc.property(manuscript, (doc) => {
				const article = makeArticle(doc, inputOf());
				const back = docFromMarkdown(articleMarkdown(article));
				const text = withoutPictures(back.content.map(docText).join('\n'));
				// a picture comes back as what it shows
				expect(wordsIn(text.replace(/^A trench$/gm, ''))).toEqual(
					wordsIn(article.blocks.map(textOfBlock).join('\n'))
				);
			}),
			{ numRuns: 100 }
		);
	});
});

describe('a body of HTML', () => {
	it('comes back through the app’s own reader of rich text with the same words', () => {
		fc.assert(
			fc.property(manuscript, (doc) => {
				const article = makeArticle(doc, inputOf());
				const back = docFromMarkdown(markdownOfBlocks(blocksOfRichText(htmlBodyOf(article))));
				const text = withoutPictures(back.content.map(docText).join('\n'));
				expect(wordsIn(text.replace(/^A trench$/gm, ''))).toEqual(
					wordsIn(article.blocks.map(textOfBlock).join('\n'))
				);
			}),
			{ numRuns: 60 }
		);
	});
});

describe('a page', () => {
	const validator = new HtmlValidate({ root: true, extends: ['html-validate:recommended'] });

	it('is valid by a checker that is not ours', async () => {
		const docs = fc.sample(manuscript, { numRuns: 30, seed: 7 });
		for (const doc of docs) {
			const article = makeArticle(
				doc,
				inputOf({
					choices: {
						...NO_DELIVERY_CHOICES,
						contentsTo: 4,
						references: 'footnotes',
						hasTakeaways: true,
						standfirst: 'In short.'
					},
					takeaways: ['One.', 'Two & three.'],
					furtherReading: [{ name: 'Hillfoot', address: 'https://hillfoot.example/' }],
					references: {
						references: [{ number: 1, source: 'n', name: 'An interview', address: '' }],
						places: new Map([[1, [{ at: 3, numbers: [1] }]]])
					}
				})
			);
			const html = htmlPageOf(article, {
				data: structuredDataOf(article, {
					kinds: ['article', 'faq', 'howto'],
					steps: [],
					addressOf: (file) => `https://fellgate-tools.example/${file}`
				})
			});
			const report = await validator.validateString(html);
			const told = report.results.flatMap(({ messages }) =>
				messages.map(({ ruleId, message, line }) => `${ruleId}: ${message} (${line})`)
			);
			expect(told, html).toEqual([]);
		}
	}, 60_000);

	it('leads from its contents to its headings, and to nothing that is not there', () => {
		const doc = docOf([
			heading(1, 'Walls'),
			paragraph(textNode('Opening.')),
			heading(2, 'Dig the trench'),
			paragraph(textNode('Dig.')),
			heading(3, 'Contents'),
			paragraph(textNode('More.')),
			heading(2, 'Dig the trench'),
			paragraph(textNode('Again.')),
			heading(2, '石'),
			paragraph(textNode('Stone.'))
		]);
		const article = makeArticle(
			doc,
			inputOf({ choices: { ...NO_DELIVERY_CHOICES, contentsTo: 3 } })
		);
		const html = htmlBodyOf(article);
		const ids = [...html.matchAll(/ id="([^"]+)"/g)].map((match) => match[1]);
		const leads = [...html.matchAll(/href="#([^"]+)"/g)].map((match) => match[1]);
		expect(new Set(ids).size).toBe(ids.length);
		expect(leads).toEqual(['dig-the-trench', 'contents-2', 'dig-the-trench-2', 'section']);
		expect(ids).toEqual(expect.arrayContaining(leads));
		const markdown = articleMarkdown(article);
		for (const id of leads) expect(markdown).toContain(`<a id="${id}"></a>`);
	});

	it('has no attribute of ours, no origin, and no gap unless it is wanted', () => {
		const doc = docOf([
			heading(1, 'Walls', 's1'),
			paragraph(textNode('A wall.', { source: 'n', label: 'n1' })),
			gap('Find out how deep.')
		]);
		const html = htmlBodyOf(makeArticle(doc, inputOf()));
		expect(html).not.toMatch(/data-|class=|n1|Find out/);
		expect(htmlBodyOf(makeArticle(doc, inputOf()), { withoutTitle: true })).toBe(
			html.replace('<h1 id="walls">Walls</h1>\n', '')
		);
		const withGaps = makeArticle(
			doc,
			inputOf({ choices: { ...NO_DELIVERY_CHOICES, withGaps: true } })
		);
		expect(htmlBodyOf(withGaps)).toContain('<mark>[Find out how deep.]</mark>');
		expect(plainTextOf(withGaps)).toContain('[Gap: Find out how deep.]');
	});

	it('follows links unless it is told not to', () => {
		const link = (href: string) =>
			docOf([paragraph(markedText('there', [{ type: 'link', attrs: { href } }]))]);
		const html = (href: string) =>
			htmlBodyOf(makeArticle(link(href), inputOf()), { nofollow: new Set(['https://a.example/']) });
		expect(html('https://a.example/')).toContain('rel="nofollow"');
		expect(html('https://b.example/')).not.toContain('rel=');
	});
});

describe('DOCX', () => {
	const article = makeArticle(
		docOf([
			heading(1, 'Walls'),
			paragraph(textNode('A wall stands 90 cm high.')),
			heading(2, 'Dig'),
			list(true, [[textNode('One.')], [textNode('Two.')]]),
			paragraph(
				textNode('See '),
				markedText('this', [{ type: 'link', attrs: { href: 'https://walls.example/a b?q=1&r=2' } }])
			),
			list(true, [[textNode('One again.')]]),
			table(
				[
					[[textNode('Tool')], [textNode('Use')]],
					[[textNode('Hammer')], [textNode('Hit')]]
				],
				true
			),
			figure('pic', 'A trench at dusk', 'The trench'),
			heading(2, 'Lay')
		]),
		inputOf({
			choices: { ...NO_DELIVERY_CHOICES, contentsTo: 2, references: 'footnotes' },
			references: {
				references: [
					{ number: 1, source: 'n', name: 'Interview', address: 'https://notes.example/i' }
				],
				places: new Map([[1, [{ at: 24, numbers: [1] }]]])
			},
			remarks: [{ block: 1, at: 24, text: 'Backed by the interview.' }]
		})
	);

	it('says what the writer says to the client about some words, once, and only in this form', async () => {
		const about = { type: 'comment' as const, attrs: { text: 'Is that <yours>?' } };
		const made = makeArticle(
			docOf([
				heading(1, 'Walls'),
				paragraph(
					textNode('The '),
					{ type: 'text', text: 'cope ', marks: [about] },
					{ type: 'text', text: 'stones', marks: [about, { type: 'bold' }] },
					textNode(' are heavy.')
				)
			]),
			inputOf({})
		);
		const files = unzipSync(new Uint8Array(await docxOf(made)));
		const comments = strFromU8(files['word/comments.xml']!);
		expect(comments.split('<w:comment ').length - 1).toBe(1);
		expect(comments).toContain('Is that &lt;yours&gt;?');
		const text = strFromU8(files['word/document.xml']!);
		const marked = /<w:commentRangeStart[^>]*>(.*)<w:commentRangeEnd/s.exec(text)?.[1] ?? '';
		expect(marked.replace(/<[^>]+>/g, '')).toBe('cope stones');
		expect(htmlBodyOf(made)).not.toContain('yours');
	});

	it('opens in another reader with headings, contents, lists, table, picture, link, footnote and comment', async () => {
		const { value } = await mammoth.convertToHtml(
			{ buffer: Buffer.from(await docxOf(article)) },
			{ styleMap: ['comment-reference => sup'] }
		);
		expect(value).toMatch(/<h1>(?:<a id="[^"]*"><\/a>)*Walls<\/h1>/);
		const led = [...value.matchAll(/href="#(h_[^"]+)"/g)].map((match) => match[1]);
		expect(led).toEqual(['h_dig', 'h_lay']);
		for (const id of led) expect(value).toContain(`<a id="${id}"></a>`);
		expect(value).toContain('<ol><li>One.</li><li>Two.</li></ol>');
		expect(value).toContain('<ol><li>One again.</li></ol>');
		expect(value).toContain('<th><p><strong>Tool</strong></p></th>');
		expect(value).toMatch(/<img alt="A trench at dusk" src="data:image\/png;base64,/);
		expect(value).toContain('href="https://walls.example/a%20b?q=1&amp;r=2"');
		expect(value).toMatch(/Interview<\/a>.*↑/);
		expect(value).toContain('Backed by the interview.');
	});

	it('is well-formed XML in all its parts, for thirty manuscripts', async () => {
		for (const doc of fc.sample(manuscript, { numRuns: 30, seed: 11 })) {
			const files = unzipSync(await docxOf(makeArticle(doc, inputOf())));
			for (const [name, bytes] of Object.entries(files))
				if (/\.(?:xml|rels)$/.test(name))
					expect(() => parseXml(strFromU8(bytes)), name).not.toThrow();
		}
	}, 60_000);
});

function parseXml(text: string): void {
	const parser = new SaxesParser({ xmlns: true });
	parser.on('error', (error) => {
		throw error;
	});
	parser.write(text).close();
}

describe('hostile texts', () => {
	const articleWith = (payload: string) =>
		makeArticle(
			docOf([
				heading(1, payload),
				paragraph(
					textNode(payload),
					markedText('led', [{ type: 'link', attrs: { href: payload } }])
				),
				heading(2, `${payload}?`),
				paragraph(textNode(`It is ${payload} and so it is.`)),
				list(false, [[textNode(payload)]]),
				table(
					[
						[[textNode(payload)], [textNode('b')]],
						[[textNode('c')], [textNode(payload)]]
					],
					true
				),
				figure('pic', payload, payload)
			]),
			inputOf({
				head: {
					...HEAD,
					title: payload,
					titleTag: payload,
					description: payload,
					author: payload,
					publisher: payload,
					keyword: payload
				},
				choices: {
					...NO_DELIVERY_CHOICES,
					contentsTo: 2,
					hasTakeaways: true,
					references: 'footnotes',
					standfirst: payload
				},
				takeaways: [payload],
				furtherReading: [{ name: payload, address: payload }],
				references: {
					references: [{ number: 1, source: 'x', name: payload, address: leadOf(payload) ?? '' }],
					places: new Map([[3, [{ at: 2, numbers: [1] }]]])
				},
				remarks: [{ block: 3, at: 2, text: payload }],
				pictures: new Map([['pic', { ...PICTURE, credit: payload, licence: payload }]])
			})
		);

	it('has 78 of them', () => expect(HOSTILE).toHaveLength(78));

	it.each(HOSTILE)('%j stays text in a page', (payload) => {
		const article = articleWith(payload);
		const data = structuredDataOf(article, {
			kinds: ['article', 'faq', 'howto'],
			steps: [{ name: payload, text: payload, id: '', picture: '' }],
			addressOf: (file) => file
		});
		const html = htmlPageOf(article, { data });
		for (const node of nodesIn(parse(html))) {
			if (!('tagName' in node)) continue;
			expect([
				'html',
				'head',
				'meta',
				'title',
				'link',
				'script',
				'style',
				'body',
				'main',
				'article',
				'h1',
				'h2',
				'p',
				'em',
				'nav',
				'ol',
				'ul',
				'li',
				'a',
				'aside',
				'table',
				'thead',
				'tbody',
				'tr',
				'th',
				'td',
				'figure',
				'img',
				'figcaption',
				'small',
				'sup',
				's',
				'code',
				'br'
			]).toContain(node.tagName);
			for (const { name, value } of node.attrs) {
				expect(name).not.toMatch(/^on|^style$|^srcdoc$/);
				if (name === 'href' || name === 'src')
					expect(value).toMatch(/^(?:https?:|mailto:|\/|#|pictures\/)/);
			}
			if (node.tagName === 'script') {
				expect(node.attrs).toEqual([{ name: 'type', value: 'application/ld+json' }]);
				const [child] = node.childNodes;
				const read: unknown = JSON.parse(child && 'value' in child ? child.value : '');
				expect(read).toHaveProperty('@context', 'https://schema.org');
			}
			if (node.tagName === 'style') {
				const [child] = node.childNodes;
				expect(child && 'value' in child ? child.value : '').toMatch(/^body\{[^<]*$/);
			}
		}
	});

	it.each(HOSTILE)('%j breaks no other form', async (payload) => {
		const article = articleWith(payload);
		const files = unzipSync(await docxOf(article));
		for (const [name, bytes] of Object.entries(files))
			if (/\.(?:xml|rels)$/.test(name))
				expect(() => parseXml(strFromU8(bytes)), name).not.toThrow();
		expect(strFromU8(files['word/_rels/document.xml.rels']!)).not.toMatch(
			/Target="\s*(?:javascript|data|vbscript)/i
		);
		const markdown = articleMarkdown(article, { frontMatter: 'yaml' });
		const [, front] = markdown.split(/^---$/m);
		for (const line of front!.trim().split('\n')) {
			const value = /^[a-z_]+: (.*)$/.exec(line)?.[1];
			expect(value, line).toBeDefined();
			if (value?.startsWith('"') || value?.startsWith('['))
				expect(() => JSON.parse(value)).not.toThrow();
		}
		const [, toml] = articleMarkdown(article, { frontMatter: 'toml' }).split(/^\+\+\+$/m);
		const wellFormed = (text: string) => Buffer.from(text).toString();
		expect(parseToml(toml!)).toMatchObject({
			title: wellFormed(article.head.title),
			keywords: [wellFormed(article.head.keyword)]
		});
		const json = articleMarkdown(article, { frontMatter: 'json' });
		expect(JSON.parse(json.slice(0, json.indexOf('\n}\n') + 2))).toMatchObject({
			title: article.head.title
		});
		expect(JSON.stringify(docFromMarkdown(markdown))).not.toMatch(
			/"href":"(?:javascript|data|vbscript)/i
		);
		const script = scriptOf(article, 150);
		const cues = scriptChapters(script)
			.split('\n')
			.filter((line) => line.includes('-->'));
		expect(cues).toHaveLength(script.moments.length);
		for (const cue of [
			...cues,
			...scriptSrt(script)
				.split('\n')
				.filter((line) => /^\d\d:.*-->/.test(line))
		])
			expect(cue).toMatch(
				/^\d\d:\d\d:\d\d[.,]\d{3} --> \d\d:\d\d:\d\d[.,]\d{3}$|^00:00:01\.000 --> /
			);
		expect(scriptText(script)).toContain('0:00');
	});
});
