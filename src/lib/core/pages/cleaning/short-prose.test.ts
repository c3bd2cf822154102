import { describe, expect, it } from 'vitest';
import { keptBlocksOf, textOf } from '../article';
import { cleanPage } from './clean-page';

/** Pages on which lists say most and prose little, as recipes and parts lists do. */
function kept(html: string): string {
	const cleaned = cleanPage(html);
	if (cleaned.kind !== 'cleaned') throw new Error(cleaned.reason);
	return keptBlocksOf(cleaned.article).map(textOf).join('\n');
}

const teaser = (of: string) =>
	`Find out how our readers mix ${of} for every kind of weather, with hints from people who have done it for years and photographs of each.`;
const recipe = `<div class="page"><div class="top"><h1>Lime mortar</h1></div>
	<div class="needs"><h2>Materials</h2><ul><li>3 kg sand</li><li>1 kg lime putty</li><li>200 ml water</li></ul></div>
	<div class="work"><div class="steps"><h2>Method</h2><ol>
	<li>Sieve the sand twice until nothing coarse is left in it, and spread it on a clean board.</li>
	<li>Beat the putty with a stick until it is soft, then work the sand into it in four parts.</li>
	<li>Leave the heap under a wet sack overnight and knock it up again before it is used.</li></ol></div></div></div>`;
const page = (inner: string) =>
	`<html><head><title>Lime mortar</title></head><body>${inner}</body></html>`;

describe('calls to readers', () => {
	const about = (title: string, line: string) =>
		kept(`<html><head><title>${title}</title></head><body><h1>${title}</h1>
			<p>${teaser('mortar')}</p><p>${line}</p><p>${teaser('render')}</p></body></html>`);

	it.each([
		'If you try this mortar, be sure to leave a comment below and give it a star rating!',
		'Took a picture? Share it on Instagram and tag us @limeworks with #limemortar so that we see it.',
		'I would love to hear how it turned out for you! Please rate this guide and follow me on Pinterest.',
		'This post contains affiliate links, and I may earn a small commission when you buy through them, at no cost to you at all, which helps to keep these pages going.',
		'Never run out of sand: sign up for our weekly newsletter.'
	])('leaves out “%s”', (line) => {
		expect(about('Lime mortar', line)).not.toContain(line);
	});

	it.each([
		'Leave the mortar alone for a day and rate its strength with a nail.',
		'We posted the sample to a laboratory, which commented on the lime alone.',
		'The tag on the sack says how old the lime is.'
	])('keeps “%s”', (line) => {
		expect(about('Lime mortar', line)).toContain(line);
	});

	it('keeps what a page on such calls says of them', () => {
		const line = 'Ask people to tag you on Instagram and to leave a comment below the picture.';
		expect(about('Social media for stone masons', line)).toContain(line);
	});
});

describe('pages of little prose', () => {
	it('leave out the teasers of a menu, however much they read as prose', () => {
		const entry = (of: string) =>
			`<li><h4><a href="/${of}">Mixing ${of}</a></h4><span>${teaser(of)}</span></li>
			${['sand', 'hair', 'putty', 'slate', 'ash'].map((part) => `<li><a href="/${of}/${part}">All recipes for ${of} with ${part}</a></li>`).join('')}`;
		const nav = `<header><nav><ul>${['plaster', 'render', 'grout'].map(entry).join('')}</ul></nav></header>`;
		const text = kept(page(nav + recipe));
		expect(text).not.toMatch(/our readers mix|Mixing/);
		expect(text).toContain('Sieve the sand');
	});

	it('leave out a long notice on cookies, in any language', () => {
		const notice = `<div class="cookies-popup"><h2>Vi bruker cookies</h2>
			${`<p>Informasjonskapsler er små tekstfiler som plasseres på datamaskinen når du besøker et nettsted, og du kan slå av disse i nettleseren din.</p>`.repeat(8)}</div>`;
		const text = kept(page(notice + recipe));
		expect(text).not.toContain('tekstfiler');
		expect(text).toContain('Beat the putty');
	});

	it('keep an article about biscuits that is named after cookies', () => {
		const html = page(`<div class="cookies-post"><h1>Lime cookies</h1>
			${'<p>These cookies keep for a week in a tin, and the dough of the cookies may rest overnight in the cold.</p>'.repeat(6)}</div>`);
		expect(kept(html)).toContain('keep for a week');
	});

	it('leave out cards that are one link each, picture, heading and all', () => {
		const card = (of: string) =>
			`<a class="card" href="/${of}"><img src="/${of}.jpg" alt=""><div><h3>A bowl of ${of} with sand</h3></div></a>`;
		const html = page(
			recipe.replace(
				/<\/div>$/,
				`<div class="row">${['render', 'grout', 'plaster'].map(card).join('')}</div></div>`
			)
		);
		expect(kept(html)).not.toContain('A bowl of');
		expect(kept(html)).toContain('knock it up');
	});

	it('keep the text of a page whose link was never closed', () => {
		const html = page(
			`<h1>Walls</h1><a href="/x"><div>${`<p>${teaser('mortar')}</p>`.repeat(5)}</div>`
		);
		expect(kept(html)).toContain('our readers mix mortar');
	});

	it('keep what is needed beside the steps, where the title stands over both', () => {
		const text = kept(page(recipe));
		expect(text).toMatch(/3 kg sand[\s\S]*Sieve the sand/);
		expect(text).toContain('Lime mortar');
	});

	it('keep lines of amounts under a heading, short as they are', () => {
		const lines = ['85g lime', '1 tbsp oil', 'Clean water', '80g hair', '500ml water'];
		const html = page(`<h1>Lime mortar</h1><h3>Materials</h3>
			${lines.map((line) => `<div class="item">${line}</div>`).join('')}
			<h3>Method</h3><p>${teaser('mortar')}</p><p>${teaser('render')}</p>`);
		for (const line of lines) expect(kept(html)).toContain(line);
	});

	it('keep amounts that breaks alone set below one another as a list', () => {
		const html = page(`<h1>Lime mortar</h1><p>${teaser('mortar')}</p>
			<p><strong>Mix</strong><br>2 cups sand<br>1 1/2 cups lime<br>Pinch of hair<br>½ cup (120 ml) water</p>
			<p>${teaser('render')}</p>`);
		const cleaned = cleanPage(html);
		if (cleaned.kind !== 'cleaned') throw new Error(cleaned.reason);
		expect(keptBlocksOf(cleaned.article)).toContainEqual({
			kind: 'list',
			ordered: false,
			items: ['2 cups sand', '1 1/2 cups lime', 'Pinch of hair', '½ cup (120 ml) water']
		});
	});

	it('drop lines that only look like them', () => {
		const html = page(`<h1>Lime mortar</h1><p>${teaser('mortar')}</p><h3>Method</h3>
			<div class="item">12 Shares</div><div class="item">3 Likes</div><div class="item">40 Views</div>
			<p>${teaser('render')}</p>`);
		expect(kept(html)).not.toMatch(/12 Shares|3 Likes|40 Views/);
	});

	it('read the signs that data name by their names', () => {
		const data = {
			'@type': 'Recipe',
			recipeInstructions: 'Skjær l&oslash;ken &amp; la den hvile. R&oslash;r om p&aring; nytt.'
		};
		const html = page(
			`<script type="application/ld+json">${JSON.stringify(data)}</script><h1>Løk</h1><p>${teaser('mortar')}</p>`
		);
		expect(kept(html)).toContain('Skjær løken & la den hvile.');
	});
});
