import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanPage } from './clean-page';
import { keptBlocksOf, textOf, type Block } from '../article';
import {
	cleanedOf,
	headingRecall,
	readLayouts,
	wordMatch
} from '../../../../../tests/support/layouts';

const layouts = readLayouts();
const scored = layouts.map((layout) => {
	const { text, headings } = cleanedOf(layout);
	return { ...layout, found: headings, match: wordMatch(text, layout.expected) };
});

/** An article as the plainest page that holds it. */
function pageOf(blocks: readonly Block[]): string {
	const safe = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');
	const html = blocks.map((block) => {
		switch (block.kind) {
			case 'heading':
				return `<h${block.level}>${safe(block.text)}</h${block.level}>`;
			case 'list':
				return `<ul>${block.items.map((item) => `<li>${safe(item)}</li>`).join('')}</ul>`;
			case 'table':
				return `<table>${block.rows.map((row) => `<tr>${row.map((cell) => `<td>${safe(cell)}</td>`).join('')}</tr>`).join('')}</table>`;
			case 'quote':
				return `<blockquote>${safe(block.text)}</blockquote>`;
			case 'code':
				return `<pre>${safe(block.text)}</pre>`;
			case 'figure':
				return `<figure><img src="${safe(block.src)}"><figcaption>${safe(block.caption)}</figcaption></figure>`;
			case 'answer':
				return `<details><summary>${safe(block.question)}</summary><p>${safe(block.text)}</p></details>`;
			default:
				return `<p>${safe(block.text)}</p>`;
		}
	});
	return `<html><body><article>${html.join('\n')}</article></body></html>`;
}

describe('cleaning of the labelled layouts', () => {
	it('has at least fifteen of them, each with text and furniture', () => {
		expect(layouts.length).toBeGreaterThanOrEqual(15);
		for (const { expected, html } of layouts) {
			expect(expected.length).toBeGreaterThan(200);
			expect(html).not.toContain('<!--keep');
		}
	});

	it.each(scored)('$name: at least 0.85 of words, both ways together', ({ match }) => {
		expect(match.f1).toBeGreaterThanOrEqual(0.85);
	});

	it('reaches 0.97 on average, and 0.98 of the headings', () => {
		const mean = scored.reduce((sum, { match }) => sum + match.f1, 0) / scored.length;
		expect(mean).toBeGreaterThanOrEqual(0.97);
		const wanted = scored.reduce((sum, { headings }) => sum + headings.length, 0);
		const hits = scored.reduce(
			(sum, { headings, found }) => sum + headingRecall(found, headings) * headings.length,
			0
		);
		expect(hits / wanted).toBeGreaterThanOrEqual(0.98);
	});

	it.each(layouts)('$name: cleaning what was cleaned changes nothing', ({ html }) => {
		const first = cleanPage(html);
		if (first.kind !== 'cleaned') throw new Error(first.reason);
		const once = keptBlocksOf(first.article);
		const again = cleanPage(pageOf(once));
		if (again.kind !== 'cleaned') throw new Error(again.reason);
		expect(keptBlocksOf(again.article).map(textOf)).toEqual(once.map(textOf));
	});

	it('never throws on layouts that were cut, doubled or shuffled', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...layouts),
				fc.array(fc.tuple(fc.nat(), fc.nat(), fc.constantFrom('cut', 'double', 'close', 'open')), {
					minLength: 1,
					maxLength: 5
				}),
				(layout, changes) => {
					let html = layout.html;
					for (const [a, b, change] of changes) {
						const [from, to] = [a % html.length, b % html.length].sort((x, y) => x - y) as [
							number,
							number
						];
						const part = html.slice(from, Math.min(to, from + 3000));
						if (change === 'cut') html = html.slice(0, from) + html.slice(from + part.length);
						else if (change === 'double') html = html.slice(0, from) + part + html.slice(from);
						else
							html =
								html.slice(0, from) +
								(change === 'close' ? '</div></article>' : '<div class="nav"><table>') +
								html.slice(from);
						if (html.length < 10) return;
					}
					expect(['cleaned', 'no-article']).toContain(cleanPage(html).kind);
				}
			),
			{ numRuns: 60 }
		);
	}, 60_000);
});

describe('what a page shows of its author and dates', () => {
	const read = (credits: string) => {
		const long =
			'A wall of this kind stands because every stone rests on two below it, and both faces lean inwards.';
		const result = cleanPage(
			`<title>Walls that stand</title><main><h1>Walls that stand</h1>${credits}<p>${long}</p><p>${long}</p></main>`
		);
		if (result.kind !== 'cleaned') throw new Error(result.reason);
		return result.article;
	};

	it.each([
		['<p>By Edda Rawlin · 4 May 2025</p>', 'Edda Rawlin', '2025-05-04', ''],
		['<div>Words: Petra Linden</div><div>March 3rd, 2024</div>', 'Petra Linden', '2024-03-03', ''],
		['<p>Last updated on Jan 4, 2026</p>', '', '', '2026-01-04'],
		['<p>Published 4 January 2021. Updated 12 March 2026</p>', '', '2021-01-04', '2026-03-12'],
		[
			'<span><a rel="author" href="/m">Marta Quill</a> <time datetime="2025-02-11T08:00">11 Feb</time></span>',
			'Marta Quill',
			'2025-02-11',
			''
		]
	])('reads %s', (credits, author, published, modified) => {
		const article = read(credits);
		expect(article).toMatchObject({ author, published, modified });
		expect(keptBlocksOf(article)).toHaveLength(3);
	});

	it('leaves the site out of the title and keeps it as the site', () => {
		const long =
			'A wall of this kind stands because every stone rests on two below it, and both faces lean inwards.';
		const result = cleanPage(
			`<title>Walls that stand - Combe Journal</title><h1>Walls that stand</h1><p>${long}</p><p>${long}</p>`
		);
		expect(result).toMatchObject({
			kind: 'cleaned',
			article: { title: 'Walls that stand', siteName: 'Combe Journal' }
		});
	});
});

describe('headings that are no heading elements', () => {
	it('are told by their role', () => {
		const long =
			'A wall of this kind stands because every stone rests on two below it, and both faces lean inwards.';
		const result = cleanPage(
			`<main><div role="heading" aria-level="1">Walls</div><p>${long}</p><div role="heading" aria-level="3">Tools</div><p>${long}</p></main>`
		);
		expect(result.kind === 'cleaned' && keptBlocksOf(result.article)).toContainEqual({
			kind: 'heading',
			level: 3,
			text: 'Tools'
		});
	});
});

describe('blocks and where they stand', () => {
	it('gives blocks of the same box the same place in the markup', () => {
		const box = (text: string) => `<div class="tip-box js-3"><p>${text}</p></div>`;
		const long =
			'A wall of this kind stands because every stone rests on two below it, and both faces lean inwards.';
		const result = cleanPage(
			`<h1>Walls</h1><p>${long}</p>${box('Wear gloves when you lift, and boots with caps of steel.')}<p>${long}</p>${box('Ask before you take stone from a field that is not yours.')}`
		);
		if (result.kind !== 'cleaned') throw new Error(result.reason);
		const places = result.article.blocks.map(({ where }) => where);
		expect(places[2]).toBe(places[4]);
		expect(places[2]).toContain('div.tip-box');
		expect(places[1]).not.toBe(places[2]);
	});
});
