import { describe, expect, it } from 'vitest';
import { cleanedPaste, isMarkdown } from './paste';

describe('what is pasted', () => {
	it('from an office program keeps lists, bold and links, and nothing of the look', () => {
		const html = `<html><head><style>p.MsoNormal{margin:0}</style></head><body><!--StartFragment-->
<p class="MsoNormal" style="font-size:11pt">Lay the <b style="mso-bidi-font-weight:normal">largest</b>&nbsp;stones<o:p></o:p></p>
<p class="MsoListParagraphCxSpFirst" style="text-indent:-18pt;mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·<span style="font:7pt">&nbsp;&nbsp;</span></span>Hammer</p>
<p class="MsoListParagraphCxSpMiddle" style="mso-list:l0 level2 lfo1"><span style="mso-list:Ignore">1.<span>&nbsp;</span></span>for edges</p>
<p class="MsoListParagraphCxSpLast" style="mso-list:l0 level1 lfo1"><span style="mso-list:Ignore">·</span>Line</p>
<p class="MsoNormal"><o:p>&nbsp;</o:p></p>
<p>See <a href="https://walls.example/" target="_blank" style="color:blue">walls</a>.</p></body></html>`;
		expect(cleanedPaste(html, false).replace(/\s*\n\s*/g, '')).toBe(
			'<p>Lay the <strong>largest</strong> stones</p>' +
				'<ul><li>Hammer<ol><li>for edges</li></ol></li><li>Line</li></ul>' +
				'<p>See <a href="https://walls.example/">walls</a>.</p>'
		);
	});

	it('from a web editor tells formats by elements, and opens the bold that is none', () => {
		const html =
			'<b style="font-weight:normal" id="docs-internal"><p dir="ltr"><span style="font-weight:700">Cope</span> and <span style="font-style:italic;font-weight:600">hearting</span></p><div>A line</div></b>';
		expect(cleanedPaste(html, false)).toBe(
			'<p><strong>Cope</strong> and <em><strong>hearting</strong></em></p><p>A line</p>'
		);
	});

	it('brings no second title, and loses no word', () => {
		const html =
			'<section><h1>Walls</h1><h2>Dig</h2><h6>Note</h6><p>Text <u>here</u></p></section>';
		expect(cleanedPaste(html, true)).toBe(
			'<h2>Walls</h2><h3>Dig</h3><h4>Note</h4><p>Text <u>here</u></p>'
		);
		expect(cleanedPaste(html, false)).toContain('<h1>Walls</h1>');
	});

	it.each([
		['# Walls\n\nText', true],
		['- one\n- two', true],
		['| a | b |\n| --- | --- |\n| 1 | 2 |', true],
		['See [walls](https://walls.example/).', true],
		['A **strong** word', true],
		['A line - with a dash\nand another', false],
		['1. only one', false],
		['2 * 3 * 4', false]
	])('is Markdown or not: %s', (text, is) => {
		expect(isMarkdown(text)).toBe(is);
	});
});
