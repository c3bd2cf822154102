import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanPage } from './clean-page';
import { fitPartsOf, judgePage } from '../page-kind';
import { keptBlocksOf, sectionsOf, textOf, type Article } from '../article';
import { readText } from '../read-text';

const LONG =
	'A wall of this kind stands because every stone rests on two below it, and because both faces lean inwards, and so the weight has nowhere to go but down into the ground.';

function clean(html: string): Article {
	const result = cleanPage(html);
	if (result.kind !== 'cleaned') throw new Error(`not cleaned: ${result.reason}`);
	return result.article;
}
const kept = (html: string) => keptBlocksOf(clean(html)).map(textOf);
const page = (body: string, head = '<title>Walls</title>') =>
	`<!doctype html><html lang="en"><head>${head}</head><body>${body}</body></html>`;
const article = (inner: string) =>
	page(
		`<nav><a href="/">Home</a><a href="/b">Blog</a></nav><main><article><h1>Walls</h1>${inner}<p>${LONG}</p><p>${LONG}</p></article></main>`
	);

describe('cleanPage', () => {
	it('keeps the introduction, every heading, lists, tables and captions', () => {
		const found = kept(
			article(
				`<p class="lead">An introduction before the first heading.</p><h2>Tools</h2><ul><li>a hammer</li><li>a line</li></ul><h3>Costs</h3><table><tr><th>Thing</th><th>Price</th></tr><tr><td>Stone</td><td>£95</td></tr></table><figure><img src="a.jpg" alt="A wall"><figcaption>The wall in May.</figcaption></figure>`
			)
		);
		expect(found.slice(0, 7)).toEqual([
			'Walls',
			'An introduction before the first heading.',
			'Tools',
			'a hammer\na line',
			'Costs',
			'Thing\nPrice\nStone\n£95',
			'The wall in May.'
		]);
	});

	it('drops menus, notices, promotions, related links, share bars and comments, and says why', () => {
		const { blocks } = clean(
			page(
				`<div class="cookie-banner">We use cookies to measure.</div><nav>Menu</nav><article><h1>Walls</h1><p>${LONG}</p><div class="promo-box"><p>Hammers now 20% off. <a href="/s">Shop now</a></p></div><p>${LONG}</p><div class="share-buttons">Share this</div></article><section class="related-posts"><h2>You may also like</h2><ul><li><a href="/x">Hedges</a></li></ul></section><section id="comments"><h2>2 comments</h2><p>${LONG} I wrote this as a reader.</p></section><footer>© Walls</footer>`
			)
		);
		expect(
			blocks.filter(({ dropped }) => dropped === null).map(({ block }) => textOf(block))
		).toEqual(['Walls', LONG, LONG]);
		expect(new Set(blocks.flatMap(({ dropped }) => dropped ?? []))).toEqual(
			new Set([
				'cookie notice',
				'menu',
				'advertisement',
				'share bar',
				'related links',
				'comments',
				'footer'
			])
		);
	});

	it('drops what a heading such as "Related articles" opens, even without telling names', () => {
		const found = kept(
			article(`<p>${LONG}</p><div><h3>Related articles</h3><p><a href="/a">Hedges</a></p></div>`)
		);
		expect(found).not.toContain('Related articles');
		expect(found).not.toContain('Hedges');
	});

	it('keeps accordions: details, hidden panels behind buttons, and questions only in structured data', () => {
		const faq = JSON.stringify({
			'@type': 'FAQPage',
			mainEntity: [
				{
					'@type': 'Question',
					name: 'Does it need mortar?',
					acceptedAnswer: { text: '<p>No mortar.</p>' }
				}
			]
		});
		const result = clean(
			page(
				`<article><h1>Walls</h1><p>${LONG}</p><p>${LONG}</p><h2>FAQ</h2><details><summary>How deep?</summary><p>Thirty centimetres.</p></details><div class="faq"><button>How wide? +</button><div hidden><p>Seventy centimetres.</p></div></div></article>`,
				`<title>Walls</title><script type="application/ld+json">${faq}</script>`
			)
		);
		const blocks = keptBlocksOf(result);
		expect(blocks).toContainEqual({
			kind: 'answer',
			question: 'How deep?',
			text: 'Thirty centimetres.'
		});
		expect(blocks).toContainEqual({ kind: 'heading', level: 3, text: 'How wide?' });
		expect(blocks).toContainEqual({ kind: 'paragraph', text: 'Seventy centimetres.' });
		expect(blocks).toContainEqual({
			kind: 'answer',
			question: 'Does it need mortar?',
			text: 'No mortar.'
		});
	});

	it('keeps an article that is split over several containers', () => {
		const parts = ['One', 'Two', 'Three'].map(
			(name) => `<section><div class="inner"><h2>${name}</h2><p>${LONG}</p></div></section>`
		);
		expect(
			kept(
				page(
					`<div class="wrap"><h1>Walls</h1>${parts.join('')}</div><div class="sidebar"><p>${LONG}</p></div>`
				)
			)
		).toEqual(['Walls', 'One', LONG, 'Two', LONG, 'Three', LONG]);
	});

	it('reads title, description, author, dates, language and address', () => {
		const data = '{"@type":"Article","author":{"name":"Edda Rawlin"},"datePublished":"2022-09-03"}';
		expect(
			clean(
				page(
					`<article><h1>Walls</h1><p>${LONG}</p><p>${LONG}</p></article>`,
					`<title>Walls that stand | Stonecraft</title><meta property="og:site_name" content="Stonecraft"><meta name="description" content="On walls."><link rel="canonical" href="https://stonecraft.example/walls"><script type="application/ld+json">${data}</script>`
				)
			)
		).toMatchObject({
			title: 'Walls that stand',
			description: 'On walls.',
			author: 'Edda Rawlin',
			published: '2022-09-03',
			language: 'en',
			address: 'https://stonecraft.example/walls'
		});
	});

	it('treats hostile markup as data', () => {
		const found = kept(
			article(
				`<script>alert(1)</script><style>p{}</style><p onclick="x()">A <b>bold</b> word.</p><iframe src="//evil.example"></iframe><svg><script>2</script></svg>`
			)
		);
		expect(found.join(' ')).not.toMatch(/alert|evil|p\{\}/);
		expect(found).toContain('A bold word.');
	});

	it.each([
		[
			'10,000 nested tags',
			page('<div>'.repeat(10_000) + `<p>${LONG}</p>` + '</div>'.repeat(10_000))
		],
		['5 MB in one line', page(`<article><p>${'stone wall '.repeat(450_000)}</p></article>`)],
		['attributes without end', page(`<p ${'a=1 '.repeat(50_000)}>${LONG}</p>`)],
		['never closed formatting', page(`${'<b><i>'.repeat(3_000)}${LONG}`)],
		[
			'broken structured data',
			page(`<p>${LONG}</p>`, '<script type="application/ld+json">{"@graph":[</script>')
		]
	])(
		'survives %s',
		(_, html) => {
			expect(cleanPage(html).kind).toBe('cleaned');
		},
		20_000
	);

	it('says why when there is no article', () => {
		expect(cleanPage('')).toEqual({ kind: 'no-article', reason: 'the file is empty' });
		expect(cleanPage('<html><body><nav>Menu</nav></body></html>').kind).toBe('no-article');
	});

	it('never throws on malformed markup', () => {
		const piece = fc.constantFrom(
			'<p>',
			'</p>',
			'<div class="nav">',
			'</div>',
			'<table>',
			'<tr><td>',
			'<li>',
			'<ul>',
			'<h2>',
			'</h3>',
			'<a href="#">',
			'<!--',
			'-->',
			'<script>',
			'stone wall. ',
			'&amp',
			'\u0000',
			'<svg>',
			'<details><summary>',
			'"',
			'<b'
		);
		fc.assert(
			fc.property(fc.array(piece, { maxLength: 60 }), (pieces) => {
				expect(['cleaned', 'no-article']).toContain(cleanPage(pieces.join('')).kind);
			}),
			{ numRuns: 150 }
		);
	}, 60_000);
});

describe('judgePage', () => {
	const judged = (article: Partial<Article>, text: string) =>
		judgePage({ ...readText(text), ...article }, 'dry stone wall');

	it('takes a page with prices and a basket for a shop, and proposes to set it aside', () => {
		const shop = judged(
			{ structured: ['Product'] },
			'# Walling stone\n\nStone £145. Hearting £62. Cope £38. Throughs £24. Add to basket.'
		);
		expect(shop).toMatchObject({ kind: 'shop', proposeAside: true });
		expect(shop.reasons.length).toBeGreaterThan(0);
	});

	it('counts a full article on the subject', () => {
		const text = `# Dry stone wall\n\n${Array.from({ length: 12 }, () => `A dry stone wall is built well. ${LONG}`).join('\n\n')}`;
		expect(judged({}, text)).toMatchObject({ kind: 'article', proposeAside: false });
	});

	it('finds a long page about something else unfit', () => {
		const text = `# Keeping bees\n\n${Array.from({ length: 30 }, () => 'Bees need flowers and water and a quiet corner out of the wind all year round.').join('\n\n')}`;
		expect(judged({}, text).fit).toBeLessThan(35);
	});
});

describe('fitPartsOf', () => {
	it('adds up to the fit, each part with what was found', () => {
		const article = readText(
			`# Dry stone wall\n\n${`A dry stone wall is built well. ${LONG}\n\n`.repeat(6)}`
		);
		const parts = fitPartsOf(article, 'dry stone wall');
		const sum = Math.round(parts.reduce((total, { points }) => total + points, 0));
		expect(sum).toBe(judgePage(article, 'dry stone wall').fit);
		expect(parts.map(({ most }) => most)).toEqual([35, 20, 25, 20]);
		expect(parts[0]!.said).toBe('the title has 3 of 3 words of the keyword');
		expect(fitPartsOf(article, 'the of')).toEqual([]);
	});

	it('weighs rare words of the keyword more than common ones', () => {
		const fit = (title: string) =>
			judgePage({ ...readText(`# ${title}\n\n${LONG}`), title }, 'keep bees').fit;
		expect(fit('All about bees')).toBeGreaterThan(fit('All you can keep') + 10);
	});
});

describe('readText', () => {
	it('reads Markdown with headings, lists and tables', () => {
		expect(
			keptBlocksOf(readText('# Walls\n\nText.\n\n- one\n- two\n\n| a | b |\n| - | - |\n| c | d |'))
		).toEqual([
			{ kind: 'heading', level: 1, text: 'Walls' },
			{ kind: 'paragraph', text: 'Text.' },
			{ kind: 'list', ordered: false, items: ['one', 'two'] },
			{
				kind: 'table',
				header: true,
				rows: [
					['a', 'b'],
					['c', 'd']
				]
			}
		]);
	});

	it('takes short lines between blank lines for headings in plain text', () => {
		const blocks = keptBlocksOf(
			readText('Walls\n\nA wall is made of stone.\n\nTools\n\nBring a hammer, and a friend.')
		);
		expect(blocks.filter(({ kind }) => kind === 'heading').map(textOf)).toEqual(['Walls', 'Tools']);
	});
});

describe('sectionsOf', () => {
	it('cuts at headings and gives every answer a section of its own', () => {
		const sections = sectionsOf([
			{ kind: 'paragraph', text: 'Before.' },
			{ kind: 'heading', level: 2, text: 'FAQ' },
			{ kind: 'answer', question: 'How deep?', text: 'Deep.' },
			{ kind: 'paragraph', text: 'After.' }
		]);
		expect(sections.map(({ heading }) => heading?.text ?? null)).toEqual([
			null,
			'FAQ',
			'How deep?',
			'FAQ'
		]);
	});
});
describe('cleanPage on pages in a cell of a table', () => {
	const cell = (inner: string) =>
		page(
			`<table><tr><td><a href="/">Home</a><br><a href="/a">All</a></td><td>${inner}</td></tr></table>`
		);

	it('reads breaks as paragraphs and bold lines as headings', () => {
		const html = cell(
			`<font size="5"><b>Walls</b></font><br><br>${LONG}<br><br><b>Dig the trench</b><br>${LONG}<br><br><b>Lay the stones</b><br>${LONG}`
		);
		const sections = sectionsOf(keptBlocksOf(clean(html))).map(({ heading }) => heading?.text);
		expect(sections).toEqual(expect.arrayContaining(['Dig the trench', 'Lay the stones']));
		expect(kept(html)).toEqual(['Walls', LONG, 'Dig the trench', LONG, 'Lay the stones', LONG]);
	});

	it('leaves a table of figures a table', () => {
		const html = page(
			`<h1>Walls</h1><p>${LONG}</p><table><tr><th>Stone</th><th>Weight</th></tr><tr><td>Lime<br>(grey)</td><td>20 kg</td></tr></table><p>${LONG}</p>`
		);
		expect(kept(html).join(' ')).toContain('20 kg');
	});
});
describe('cleanPage on names that mislead', () => {
	it.each([
		'menu-open page',
		'cookies-enabled wrapper',
		'promo-theme',
		'sidebar-right',
		'footer-fixed'
	])('keeps an article inside class "%s"', (name) => {
		const html = page(
			`<div class="${name}"><h1>Walls</h1><p>${LONG}</p><p>${LONG}</p><p>${LONG}</p></div>`
		);
		expect(kept(html)).toEqual(['Walls', LONG, LONG, LONG]);
	});

	it('still drops comments that are longer than the article', () => {
		const html = page(
			`<article><h1>Walls</h1><p>${LONG}</p><p>${LONG}</p></article><div id="comments">${`<p>${LONG} So I say.</p>`.repeat(9)}</div>`
		);
		expect(kept(html)).toEqual(['Walls', LONG, LONG]);
	});
});
