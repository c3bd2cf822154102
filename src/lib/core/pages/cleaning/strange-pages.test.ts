import { describe, expect, it } from 'vitest';
import { keptBlocksOf, textOf, type Block } from '../article';
import { parseHtml } from '../html-tree';
import { articleRootOf } from './article-root';
import { cleanPage } from './clean-page';
import { rawBlocksOf } from './raw-blocks';

const prose = (say: string) =>
	`${say} The cope locks the wall and keeps the courses below from moving through a long winter of frost.`;
const article = (inner: string, around = '') =>
	`<html><head><title>How to build a wall</title></head><body><main><h1>How to build a wall</h1>
	<p>${prose('Dig the trench first.')}</p>${inner}<p>${prose('Clear up at last.')}</p></main>${around}</body></html>`;

function kept(html: string): Block[] {
	const cleaned = cleanPage(html);
	if (cleaned.kind !== 'cleaned') throw new Error(cleaned.reason);
	return keptBlocksOf(cleaned.article);
}
const textsOf = (html: string) => kept(html).map(textOf);
const headingsOf = (html: string) =>
	kept(html).flatMap((block) => (block.kind === 'heading' ? [block.text] : []));
const said = (html: string) => textsOf(html).join('\n');

describe('names in the markup', () => {
	it('keeps what a noisy name holds when it is most of the page, and drops what is noisy inside', () => {
		const html = `<body><div class="newsletter-layout"><h1>Walls</h1>
			${`<p>${prose('Sort the stone.')}</p>`.repeat(4)}
			<div class="comments"><p>${prose('Nice one, I did this in May.')}</p></div>
			<div class="modal"><p>Join us today for a free kit.</p></div></div></body>`;
		expect(said(html)).toContain('Sort the stone.');
		expect(said(html)).not.toMatch(/Nice one|Join us/);
	});

	it.each([
		['tag-newsletter category-comments post', 'what a theme files a post under'],
		['elementor-widget elementor-widget-container', 'the boxes of a builder'],
		['has-sidebar no-comments', 'what a page has or lacks']
	])('reads through %s: %s', (names) => {
		expect(
			said(article(`<div class="${names}"><p>${prose('Set the frames.')}</p></div>`))
		).toContain('Set the frames.');
	});

	it('judges the part of a builder by what is left of its name', () => {
		const html = article(
			`<div class="wp-block-comments"><p>${prose('I never used frames.')}</p></div>`
		);
		expect(said(html)).not.toContain('I never used frames.');
	});

	it('judges custom elements by their tag', () => {
		const html = article(`<x-promo><h2>Ready to start?</h2><p>Our kit is here.</p></x-promo>`);
		expect(said(html)).not.toMatch(/Ready to start|Our kit/);
	});

	it.each([
		['Functional Cookies', prose('Nothing of this'), 'a dialog that was saved with the page'],
		['Manage consent preferences', prose('Nothing of this'), 'the same'],
		['More wall recipes to try', 'Nothing of this, with leeks.', 'a list of other posts'],
		['Want more recipes?', 'Nothing of this, with leeks.', 'the same, asked']
	])('drops what stands under “%s”', (heading, text) => {
		const html = article(
			`<h2>Set the frames</h2><p>${prose('Two frames stand at the ends.')}</p>
			<h2>${heading}</h2><p>${text}</p><h2>Clear up</h2>`
		);
		expect(said(html)).toContain('Two frames stand');
		expect(said(html)).not.toContain('Nothing of this');
		expect(headingsOf(html)).not.toContain(heading);
	});

	it('keeps headings about cookies on a page about them', () => {
		const html = article(
			`<h2>Functional cookies</h2><p>${prose('They remember what was chosen.')}</p>`
		).replaceAll('How to build a wall', 'Kinds of cookies');
		expect(headingsOf(html)).toContain('Functional cookies');
		expect(said(html)).toContain('They remember');
	});

	it('does not take the address of a heading for a name', () => {
		const html = article(
			`<div id="share-a-wall"><h2>Share a wall</h2><p>${prose('A day with a waller teaches most.')}</p></div>`
		);
		expect(headingsOf(html)).toContain('Share a wall');
	});
});

describe('what opens on a click', () => {
	const answer = 'No, a wall stands by its own weight and by the friction of its stones.';

	it.each([
		[
			'a button before a hidden panel',
			`<div><button aria-expanded="false">Mortar in the middle</button><div hidden><p>${answer}</p></div></div>`
		],
		[
			'a heading with a button that names its panel',
			`<h3><button aria-controls="p1">Mortar in the middle</button></h3><div id="p1" style="display:none"><p>${answer}</p></div>`
		],
		[
			'a link that toggles a collapsed panel',
			`<div class="panel"><a href="#c1" data-toggle="collapse">Mortar in the middle</a><div id="c1" class="collapse">${answer}</div></div>`
		],
		[
			'tabs',
			`<div role="tablist"><a role="tab" href="#t1">Mortar</a></div><div role="tabpanel" id="t1" aria-hidden="true"><h3>Mortar in the middle</h3><p>${answer}</p></div>`
		],
		['details', `<details><summary>Mortar in the middle</summary><p>${answer}</p></details>`]
	])('keeps %s', (_, markup) => {
		const html = article(`<h2>Questions</h2>${markup}`);
		expect(said(html)).toContain(answer);
		expect(headingsOf(html)).toContain('Mortar in the middle');
	});

	it('makes no heading of the button of a menu', () => {
		const html = article(
			'',
			'<button aria-controls="m">All our pages</button><div id="m" hidden><a href="/a">Tools and gloves</a> <a href="/b">Stone by the ton here</a></div>'
		);
		expect(said(html)).not.toContain('All our pages');
	});
});

describe('furniture of strangers', () => {
	it.each([
		[
			'a trust box',
			'<p><b>Why you can trust Yardwise</b> Our team builds every wall it writes about.</p>'
		],
		[
			'a deal',
			'<div><p>DEAL Hammer 3, now £49 at two shops <a href="/x">Check price</a></p></div>'
		],
		[
			'an author of any box',
			'<div class="k9"><p><b>Milo Trench</b> Milo runs the yard and the odd race. <a href="/m">See all articles</a></p></div>'
		],
		[
			'one teaser in the text',
			'<ul><li><a href="/news">The sandwich that split a council</a></li></ul>'
		],
		['a plea to share', '<p><em>Did you like this post? Share it with a friend!</em></p>'],
		['a jump line', '<p>On this page: <a href="#a">Trench</a> · <a href="#b">Cope</a></p>'],
		['testimonials', '<div class="testimonial"><p>They were on time. Five stars!</p></div>'],
		['labels said again and again', '<div><label>Mark as done</label></div>'.repeat(4)],
		[
			'a film',
			'<figure class="x"><img src="a.jpg"><figcaption>Watch: a wall in one day</figcaption></figure>'
		]
	])('leaves %s out', (_, markup) => {
		const texts = said(article(markup));
		expect(texts).not.toMatch(
			/trust Yardwise|Hammer 3|Milo|sandwich|like this post|On this page|Five stars|Mark as done|Watch:/
		);
		expect(texts).toContain('Clear up at last.');
	});

	it('keeps lines that only begin like furniture', () => {
		const lines = [
			'Sponsored walls stand in every park of the county.',
			'Ad hoc repairs cost more than a good cope.',
			'Follow the string and not the ground.',
			'Related costs are the digger and the skip.',
			'The hall runs on donations and the bar.',
			'Why you can trust a wall that has stood for ninety years is no riddle.'
		];
		const html = article(lines.map((line) => `<p>${line}</p>`).join(''));
		expect(textsOf(html)).toEqual(expect.arrayContaining(lines));
	});

	it('leaves the guest book of an old page out, which nothing but a bold line opens', () => {
		const html = article('').replace(
			'</main>',
			'<p><b>Guestbook (2 entries)</b><p><b>Ted</b> wrote: Please put the chairs back.</main>'
		);
		expect(said(html)).toContain('Clear up at last.');
		expect(said(html)).not.toMatch(/chairs|Guestbook/);
	});

	it('keeps captions as captions, whatever they stand in', () => {
		const html = article('<p class="wp-caption-text">The gap after the storm</p>');
		expect(kept(html)).toContainEqual({
			kind: 'figure',
			src: '',
			alt: '',
			caption: 'The gap after the storm'
		});
	});

	it('takes typed bullets for a list, also at the end of a page', () => {
		const bullets = ['Dry socks', 'A hat', 'Thick gloves'];
		const html = article('').replace(
			'</main>',
			`<p><strong>What I wear</strong></p>${bullets.map((item) => `<p>· ${item}</p>`).join('')}</main>`
		);
		expect(kept(html).at(-1)).toEqual({ kind: 'list', ordered: false, items: bullets });
	});

	it('says the title once, and clears headings of marks', () => {
		const html = article(
			`<h2>How to build a wall</h2><h2>**Cope** ¶</h2><p>${prose('Set it dry.')}</p>`
		);
		expect(headingsOf(html)).toEqual(['How to build a wall', 'Cope']);
	});
});

describe('what the data of a page name', () => {
	const recipe = {
		'@type': 'Recipe',
		recipeIngredient: ['2 barrows of lime', '6 barrows of sharp sand', '1 bucket of water'],
		recipeInstructions: [
			{ '@type': 'HowToStep', text: 'Turn lime and sand over three times while they are dry.' },
			{ '@type': 'HowToStep', text: 'Add the water slowly and turn until it holds together.' }
		]
	};
	const data = `<script type="application/ld+json">${JSON.stringify(recipe)}</script>`;
	const lists = `<aside class="sidebar"><h2>You need</h2><ul>${recipe.recipeIngredient.map((one) => `<li>${one}</li>`).join('')}</ul></aside>`;

	it('comes back from a side column, with its heading', () => {
		const html = article('', `${lists}${data}`);
		expect(said(html)).toContain('6 barrows of sharp sand');
		expect(said(article('', lists))).not.toContain('6 barrows');
	});

	it('is taken from the data where the page shows none of it, once', () => {
		const texts = textsOf(article('', data));
		expect(texts.filter((text) => text.includes('6 barrows of sharp sand'))).toHaveLength(1);
		expect(texts.at(-1)).toContain('Add the water slowly');
	});

	it('is the article where nothing else is', () => {
		const body = `${prose('Walls need stone.')}\n${prose('Stone needs time.')}`;
		const html = `<body><div id="app"></div><script type="application/ld+json">${JSON.stringify({ '@type': 'Article', headline: 'Walls', articleBody: body })}</script></body>`;
		expect(textsOf(html)).toHaveLength(2);
	});
});

describe('where the text was found', () => {
	const from = (html: string) => {
		const cleaned = cleanPage(html);
		return cleaned.kind === 'cleaned' ? cleaned.article.textFrom : null;
	};

	it('is said: by the library, the page’s own mark, its prose, or its data', () => {
		expect(from(article(`<p>${prose('Sort the stone.')}</p>`.repeat(4)))).toBe('library');
		const body = `${prose('Walls need stone.')}\n${prose('Stone needs time.')}`;
		expect(
			from(
				`<body><p>Loading</p><script type="application/ld+json">${JSON.stringify({ '@type': 'Article', headline: 'Walls', articleBody: body })}</script></body>`
			)
		).toBe('data');
		// where the library finds nothing
		const without = (html: string) => {
			const raw = rawBlocksOf(parseHtml(html).body);
			return articleRootOf(
				raw,
				raw.map(() => null),
				new Set()
			).from;
		};
		expect(without(`<body><main><p>${prose('Dig.')}</p></main></body>`)).toBe('marked');
		expect(without(`<body><div><p>${prose('Dig.')}</p></div></body>`)).toBe('prose');
	});
});

describe('hostile markup', () => {
	it('reads a page whose title was never closed', () => {
		const html = `<html><head><title>Walls\n<body><h1>Walls by hand</h1><p>${prose('Dig.')}</p>`;
		expect(headingsOf(html)).toEqual(['Walls by hand']);
		expect(said(html)).toContain('Dig.');
	});

	it('reads what stands in noscript when it is most of the page, and else not', () => {
		const shell = (outside: string) =>
			`<body>${outside}<noscript><h1>Walls</h1><p>${prose('Dig.')}</p></noscript></body>`;
		expect(said(shell('<div id="app"></div>'))).toContain('Dig.');
		expect(said(shell(`<p>${prose('Sort.')}</p>`.repeat(4)))).not.toContain('Dig.');
	});

	it('keeps headings and paragraphs where nothing is closed', () => {
		const html = `<h1>Walls<h2>Trench<p>${prose('Dig.')}<h2>Cope<p>${prose('Top it.')}`;
		expect(headingsOf(html)).toEqual(['Walls', 'Trench', 'Cope']);
		expect(said(html)).toContain('Top it.');
	});

	it('keeps the text of tables nested three hundred deep', () => {
		const html = `<h1>Walls</h1>${'<table><tr><td>'.repeat(300)}<p>${prose('Dig.')}</p>${'</td></tr></table>'.repeat(300)}`;
		expect(said(html)).toContain('Dig.');
	});
});
