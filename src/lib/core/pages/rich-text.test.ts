import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blocksOfRichText, markdownOfBlocks } from './rich-text';
import { keptBlocksOf } from './article';
import { readText } from './read-text';

describe('blocksOfRichText', () => {
	it('reads what an office suite puts on the clipboard', () => {
		const html = `<html xmlns:o="urn:x"><head><style>p{}</style><!--[if gte mso 9]><xml>x</xml><![endif]--></head><body><!--StartFragment--><p class=MsoTitle>Site visit</p><h2>Tools<o:p></o:p></h2><p class=MsoNormal>We had <b>three</b> hammers.<o:p></o:p></p><p class=MsoListParagraphCxSpFirst style='mso-list:l0 level1 lfo1'><![if !supportLists]><span style='mso-list:Ignore'>·<span>&nbsp;&nbsp; </span></span><![endif]>one for dressing<o:p></o:p></p><p class=MsoListParagraphCxSpLast style='mso-list:l0 level1 lfo1'><![if !supportLists]>·<span>&nbsp; </span><![endif]>two for breaking</p><p class=MsoListParagraph style='mso-list:l1 level1 lfo2'>1.<span>&nbsp;</span>first</p><!--EndFragment--></body></html>`;
		expect(blocksOfRichText(html)).toEqual([
			{ kind: 'heading', level: 1, text: 'Site visit' },
			{ kind: 'heading', level: 2, text: 'Tools' },
			{ kind: 'paragraph', text: 'We had three hammers.' },
			{ kind: 'list', ordered: false, items: ['one for dressing', 'two for breaking'] },
			{ kind: 'list', ordered: true, items: ['first'] }
		]);
	});

	it('reads what a web editor puts there, and takes bold lines for headings', () => {
		const html = `<meta charset="utf-8"><b style="font-weight:normal" id="guid-1"><p dir="ltr"><span style="font-weight:700">The footing</span></p><p><span style="font-weight:400">It is thirty centimetres deep and as wide as the base of the wall needs.</span></p><ul><li dir="ltr"><p>flat stones</p></li></ul></b>`;
		expect(blocksOfRichText(html)).toEqual([
			{ kind: 'heading', level: 2, text: 'The footing' },
			{
				kind: 'paragraph',
				text: 'It is thirty centimetres deep and as wide as the base of the wall needs.'
			},
			{ kind: 'list', ordered: false, items: ['flat stones'] }
		]);
	});

	it('keeps short and linked lines, which the writer copied on purpose', () => {
		expect(
			blocksOfRichText('<p>30 cm</p><p><a href="/x">Fellgate Tools</a></p><p>Share</p>')
		).toHaveLength(3);
	});
});

describe('markdownOfBlocks', () => {
	it('gives Markdown that reads back as the same blocks', () => {
		const blocks = blocksOfRichText(
			`<h1>Walls</h1><p>1. is not a list here.</p><p># nor this a heading</p><ol><li>dig</li><li>lay</li></ol><table><tr><th>a|b</th><th>c</th></tr><tr><td>1</td><td>2</td></tr></table><blockquote>Said once.</blockquote><pre>code here</pre>`
		);
		expect(keptBlocksOf(readText(markdownOfBlocks(blocks)))).toEqual(blocks);
	});

	it('loses no words, whatever stands in a paragraph', () => {
		const word = fc.stringMatching(/^[A-Za-z0-9.,()-]{1,8}$/);
		fc.assert(
			fc.property(fc.array(word, { minLength: 1, maxLength: 12 }), (words) => {
				const text = words.join(' ').trim();
				fc.pre(!/^[-=\s.]*$/.test(text) && /[A-Za-z]{2}/.test(text));
				const read = keptBlocksOf(
					readText(`# Title\n\n${markdownOfBlocks([{ kind: 'paragraph', text }])}`)
				);
				expect(read[1]).toEqual({ kind: 'paragraph', text });
			}),
			{ numRuns: 200 }
		);
	});
});
