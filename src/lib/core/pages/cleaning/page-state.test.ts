import { describe, expect, it } from 'vitest';
import { keptBlocksOf, textOf } from '../article';
import { cleanPage } from './clean-page';
import { blocksOfState } from './page-state';

const SAID = [
	'A dry stone wall stands by its weight and by the friction between its stones, and needs no mortar.',
	'Dig the trench down to firm subsoil, which is 15 to 30 cm on most ground, and lay the largest stones first.',
	'Short.',
	'walls/how-to/build-a-wall'
];
const pageWith = (inBody: string) =>
	cleanPage(
		`<html><head><title>Walls</title></head><body><div id="app"></div>${inBody}</body></html>`
	);
const textsOf = (page: ReturnType<typeof cleanPage>) =>
	page.kind === 'cleaned' ? keptBlocksOf(page.article).map(textOf) : page.reason;

describe('a page that a script draws', () => {
	it('gives the sentences of its state, in their order and once', () => {
		const state = { props: { title: 'Walls', parts: [...SAID, SAID[0]] }, path: '/walls' };
		const page = pageWith(`<script type="application/json">${JSON.stringify(state)}</script>`);
		expect(textsOf(page)).toEqual(SAID.slice(0, 2));
		expect(page).toMatchObject({ article: { textFrom: 'data' } });
	});

	it('gives the article that its state holds as markup, with its headings', () => {
		const body = `<h2>Dig the trench</h2>${`<p>${SAID[0]}</p><p>${SAID[1]}</p>`.repeat(5)}`;
		const state = { teaser: `<p>${SAID[1]}</p>`, content: body };
		const blocks = blocksOfState([JSON.stringify(state)]).map(({ block }) => block);
		expect(blocks[0]).toMatchObject({ kind: 'heading', text: 'Dig the trench' });
		expect(blocks).toHaveLength(11);
	});

	it('reads a state that stands in the text of the page, and shows it to nobody', () => {
		const state = JSON.stringify({ title: 'Walls', kind: 'page', path: '/walls', say: SAID });
		const texts = textsOf(pageWith(`<div>${state}</div>`));
		expect(texts).toEqual(SAID.slice(0, 2));
	});

	it('leaves the state alone where the page has its text', () => {
		const state = JSON.stringify({
			say: ['Another text that nobody is shown, of more than twelve words, is here.']
		});
		const article = `<article><h1>Walls</h1>${`<p>${SAID[0]}</p><p>${SAID[1]}</p>`.repeat(3)}</article>`;
		const texts = textsOf(pageWith(`${article}<script type="application/json">${state}</script>`));
		expect(String(texts)).not.toContain('nobody is shown');
	});

	it('passes over what is no JSON, and says when there is nothing', () => {
		expect(blocksOfState(['{"a": ', 'window.x = 1', '12', 'null'])).toEqual([]);
		expect(textsOf(pageWith('<script type="application/json">{"a":"b"}</script>'))).toBe(
			'no text of an article was found in it'
		);
	});
});
