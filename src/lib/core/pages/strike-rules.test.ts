import { describe, expect, it } from 'vitest';
import { cleanPage } from './cleaning';
import { keptBlocksOf, textOf, type Article } from './article';
import { ruleFor, siteOf, struckBy } from './strike-rules';

const LONG =
	'A wall of this kind stands because every stone rests on two below it, and both faces lean inwards.';

function page(path: string, tip: string, host = 'walls.example'): Article {
	const result = cleanPage(
		`<link rel="canonical" href="https://${host}/${path}"><title>Walls</title><article><h1>Walls ${path}</h1><p>${LONG}</p><p>${LONG}</p><div class="shop-tip"><p>${tip}</p></div><p>${LONG}</p><p>Thank you for reading to the very end.</p></article>`
	);
	if (result.kind !== 'cleaned') throw new Error(result.reason);
	return result.article;
}
const at = (article: Article, text: string) =>
	article.blocks.findIndex(({ block }) => textOf(block) === text);

describe('striking everything like a block on a site', () => {
	const [first, second] = [
		page('a', 'Our hammers are made in the next valley.'),
		page('b', 'Ask for the catalogue of walling tools.')
	];

	it('goes by the box a block stands in', () => {
		const rule = ruleFor(first, at(first, 'Our hammers are made in the next valley.'))!;
		expect(struckBy(rule, second)).toEqual([at(second, 'Ask for the catalogue of walling tools.')]);
	});

	it('goes by the text where the place is that of every paragraph', () => {
		const line = 'Thank you for reading to the very end.';
		const rule = ruleFor(first, at(first, line))!;
		expect(rule).toMatchObject({ where: '', text: line.toLowerCase() });
		expect(struckBy(rule, second)).toEqual([at(second, line)]);
	});

	it('leaves other sites alone, and pages whose site is not known', () => {
		const other = page('a', 'Our hammers are made in the next valley.', 'moor.example');
		const rule = ruleFor(first, 3)!;
		expect(struckBy(rule, other)).toEqual([]);
		expect(siteOf({ address: '', siteName: '' })).toBe('');
		expect(ruleFor({ ...first, address: '', siteName: '' }, 3)).toBeNull();
	});

	it('is part of what is counted: kept blocks go, and dropped ones can come back', () => {
		const struck = [at(first, LONG)];
		expect(keptBlocksOf(first, struck)).toHaveLength(keptBlocksOf(first).length - 1);
		const withMenu = cleanPage(
			`<nav><ul><li><a href="/">Home page</a></li><li><a href="/b">All walls</a></li></ul></nav><article><h1>Walls</h1><p>${LONG}</p><p>${LONG}</p></article>`
		);
		if (withMenu.kind !== 'cleaned') throw new Error(withMenu.reason);
		expect(keptBlocksOf(withMenu.article, [0]).map(textOf)[0]).toContain('Home page');
	});
});
