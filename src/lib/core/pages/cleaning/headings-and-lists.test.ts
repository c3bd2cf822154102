import { describe, expect, it } from 'vitest';
import { keptBlocksOf, type Block } from '../article';
import { cleanPage } from './clean-page';

const prose = (say: string) =>
	`${say} The cope locks the wall and keeps the courses below from moving through a long winter of frost.`;
const page = (inner: string, title = 'How to build a wall - Stonehand') =>
	`<!doctype html><html><head><title>${title}</title></head><body><main><h1>How to build a wall</h1>
	<p>${prose('Dig the trench first.')}</p>${inner}</main></body></html>`;

function cleaned(html: string) {
	const result = cleanPage(html);
	if (result.kind !== 'cleaned') throw new Error(result.reason);
	return result.article;
}
const kept = (html: string): Block[] => keptBlocksOf(cleaned(html));
const lists = (html: string) =>
	kept(html).flatMap((block) => (block.kind === 'list' ? [block] : []));
const tables = (html: string) =>
	kept(html).flatMap((block) => (block.kind === 'table' ? [block.rows] : []));
const headings = (html: string) =>
	kept(html).flatMap((block) =>
		block.kind === 'heading' && block.level > 1 ? [`${block.level} ${block.text}`] : []
	);

describe('lists that nothing marks as such', () => {
	it.each([
		['bullets between breaks', '<p>You need:<br>• a hammer<br>• two frames</p>', false],
		['numbers between breaks', '<div>1. a hammer<br>2. two frames<br><br></div>', true],
		['numbers on paragraphs', '<p>1. a hammer</p><p>2) two frames</p>', true],
		[
			'signs in elements of their own',
			'<div class="c"><i class="k">✓</i><b>a hammer</b></div><div class="c"><i class="k">✓</i>two frames</div>',
			false
		],
		[
			'numbers on cards',
			'<div><div class="n">1</div><div>a hammer</div></div><div><div class="n">2</div><div>two frames</div></div>',
			true
		],
		[
			'bullets inside of what sets the letters',
			'<p><font size="2">- a hammer<br>- two frames</font></p>',
			false
		]
	])('%s are one', (_, html, ordered) => {
		const [list, ...others] = lists(page(`${html}<p>${prose('Set the frames.')}</p>`));
		expect(others).toEqual([]);
		expect(list).toMatchObject({ ordered, items: ['a hammer', 'two frames'] });
	});

	it('keeps the line that opens a list, and what stands behind it', () => {
		const texts = kept(
			page(`<p>You need:<br>• a hammer<br>• two frames<br>And time.</p><p>${prose('Fill.')}</p>`)
		).map((block) => ('text' in block ? block.text : block.kind));
		expect(texts.slice(-4, -1)).toEqual(['You need:', 'list', 'And time.']);
	});

	it.each([
		['a year', '<p>2019. A good year.</p><p>2020. A better one.</p>'],
		['numbers that do not count up', '<p>3. Third of all.</p><p>1. First of all.</p>'],
		[
			'long numbered parts',
			`<p>1. ${prose('Dig.').repeat(4)}</p><p>2. ${prose('Fill.').repeat(4)}</p>`
		]
	])('makes none of %s', (_, html) => {
		expect(lists(page(`${html}<p>${prose('Set the frames.')}</p>`))).toEqual([]);
	});
});

describe('tables that are no table', () => {
	it('are read by their roles', () => {
		const row = (role: string, ...cells: string[]) =>
			`<div role="row">${cells.map((cell) => `<div role="${role}">${cell}</div>`).join('')}</div>`;
		const html = `<div role="table"><div role="rowgroup">${row('columnheader', 'Stone', 'Tonnes')}</div>
			<div role="rowgroup">${row('cell', 'Slate', '2')}${row('cell', 'Flint', '3')}</div></div>`;
		expect(tables(page(html))).toEqual([
			[
				['Stone', 'Tonnes'],
				['Slate', '2'],
				['Flint', '3']
			]
		]);
	});

	it('stay tables inside of a paragraph, as markup without a type has them', () => {
		const html = page(
			`<p>${prose('Weigh it.')}<table><tr><th>Stone<th>Tonnes<tr><td>Slate<td>2</table>`
		).replace('<!doctype html>', '');
		expect(tables(html)).toEqual([
			[
				['Stone', 'Tonnes'],
				['Slate', '2']
			]
		]);
		expect(kept(html).some((block) => 'text' in block && block.text.startsWith('Weigh it.'))).toBe(
			true
		);
	});
});

describe('headings that are not marked as such', () => {
	const part = (line: string, say: string) => `${line}<p>${prose(say)}</p>`;

	it('are told by what their names call them, with their depth', () => {
		const html = page(
			`${part('<div class="subheading">The trench</div>', 'Dig.')}
			${part('<div class="subsubheading">In clay</div>', 'Dig deeper.')}
			${part('<div class="subsubheading">On rock</div>', 'Dig less.')}
			${part('<div class="subheading">The cope</div>', 'Top it.')}`
		);
		expect(headings(html)).toEqual(['2 The trench', '3 In clay', '3 On rock', '2 The cope']);
	});

	it('are bold lines below the headings of a page, where a section has several', () => {
		const html = page(
			`<h2>The trench</h2>${part('<p><b>In clay</b></p>', 'Dig deeper.')}${part('<p><b>On rock</b></p>', 'Dig less.')}
			<h2>The cope</h2>${part('<p><b>Mind your back</b></p>', 'Lift it.')}`
		);
		expect(headings(html)).toEqual(['2 The trench', '3 In clay', '3 On rock', '2 The cope']);
	});

	it('can be bold lines over bold lines: questions, or lines that are set otherwise', () => {
		const html = page(
			`<p><b>The trench</b></p>${part('<p><strong>In clay</strong></p>', 'Dig deeper.')}${part('<p><strong>On rock</strong></p>', 'Dig less.')}
			<p><b>Questions</b></p>${part('<p><b>Does it need mortar?</b></p>', 'No.')}${part('<p><b>Does it last?</b></p>', 'Yes.')}`
		);
		expect(headings(html)).toEqual([
			'2 The trench',
			'3 In clay',
			'3 On rock',
			'2 Questions',
			'3 Does it need mortar?',
			'3 Does it last?'
		]);
	});

	it('open what is shown behind them, whatever picture stands beside the words', () => {
		const item = (at: number, title: string) =>
			`<div class="title" role="button" aria-controls="a${at}"><span><svg></svg></span><a tabindex="0">${title}</a></div>
			<div id="a${at}" role="region"><p>${prose('So it is.')}</p></div>`;
		const html = page(item(1, 'Does it need mortar?') + item(2, 'Does it last?'));
		expect(headings(html).map((heading) => heading.slice(2))).toEqual([
			'Does it need mortar?',
			'Does it last?'
		]);
	});

	it('are none where question and answer share a paragraph that says which is which', () => {
		const html = page('<p><b>Q: Does it need mortar?</b><br>A: No, the stones hold it.</p>');
		expect(kept(html).at(-1)).toEqual({
			kind: 'answer',
			question: 'Does it need mortar?',
			text: 'No, the stones hold it.'
		});
	});
});

describe('the title of a page', () => {
	const post = `<p>${prose('Dig.')}</p><p>${prose('Fill.')}</p>`;

	it('is the heading that the title tag opens with, at whatever level it stands', () => {
		const html = `<html><head><title>How to build a wall - Stonehand</title></head><body>
			<h2>Sunday, 9 February</h2><h3>How to build a wall</h3>${post}</body></html>`;
		expect(cleaned(html).title).toBe('How to build a wall');
	});

	it('is no name that a program gave its file', () => {
		const html = `<html><head><title>wall-v3 final.docx</title></head><body>
			<p class="c4 title"><span>How to build a wall</span></p>${post}<h1>The cope</h1>${post}</body></html>`;
		expect(cleaned(html).title).toBe('How to build a wall');
	});
});

describe('text that is hidden from one reader or another', () => {
	it('is the page’s where it stands in a tree of its own that is shown', () => {
		const html = `<body><wall-post><template shadowrootmode="open"><h1>How to build a wall</h1>
			<p>${prose('Dig.')}</p></template></wall-post><template><p>${prose('Never shown.')}</p></template></body>`;
		const said = JSON.stringify(kept(html));
		expect(said).toContain('Dig.');
		expect(said).not.toContain('Never shown.');
	});

	it('is left out where it speaks of the text to who cannot see it', () => {
		const html = page(
			`<figure><img src="w.jpg"><figcaption><span class="visually-hidden">Image caption, </span>A wall in snow</figcaption></figure><p>${prose('Top it.')}</p>`
		);
		expect(kept(html)).toContainEqual(
			expect.objectContaining({ kind: 'figure', caption: 'A wall in snow' })
		);
	});

	it('is none where a sign stands for a picture', () => {
		const html = page(`<div>💡</div><p>${prose('Top it.')}</p>`);
		expect(JSON.stringify(kept(html))).not.toContain('💡');
	});
});
