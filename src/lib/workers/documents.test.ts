import { strToU8, zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readDocx, readPdf } from './documents';

const para = (text: string, style = '') =>
	`<w:p>${style ? `<w:pPr><w:pStyle w:val="${style}"/></w:pPr>` : ''}<w:r><w:t xml:space="preserve">${text}</w:t></w:r></w:p>`;

/** The smallest DOCX that a word processor would open. */
function docx(body: string): Uint8Array {
	const xml = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
	const style = (id: string, name: string) =>
		`<w:style w:type="paragraph" w:styleId="${id}"><w:name w:val="${name}"/></w:style>`;
	return zipSync({
		'[Content_Types].xml': strToU8(
			`${xml}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/><Override PartName="/word/styles.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.styles+xml"/></Types>`
		),
		'_rels/.rels': strToU8(
			`${xml}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>`
		),
		'word/_rels/document.xml.rels': strToU8(
			`${xml}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/styles" Target="styles.xml"/></Relationships>`
		),
		'word/styles.xml': strToU8(
			`${xml}<w:styles xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main">${style('Title', 'Title')}${style('Heading2', 'heading 2')}</w:styles>`
		),
		'word/document.xml': strToU8(
			`${xml}<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${body}</w:body></w:document>`
		)
	});
}

describe('readDocx', () => {
	it('keeps title, headings, paragraphs and tables', async () => {
		const cell = (text: string) => `<w:tc>${para(text)}</w:tc>`;
		const read = await readDocx(
			docx(
				`${para('Site visit, High Fold', 'Title')}${para('Tools &amp; stone', 'Heading2')}${para('We moved four tonnes in a day.')}<w:tbl><w:tr>${cell('Thing')}${cell('Weight')}</w:tr><w:tr>${cell('Cope')}${cell('38 kg')}</w:tr></w:tbl>`
			)
		);
		expect(read).toEqual({
			kind: 'read',
			text: '# Site visit, High Fold\n\n## Tools & stone\n\nWe moved four tonnes in a day.\n\n| Thing | Weight |\n| --- | --- |\n| Cope | 38 kg |',
			remarks: []
		});
	});

	it('says what to do with a damaged or empty document', async () => {
		expect(await readDocx(strToU8('PK not really'))).toMatchObject({ kind: 'failed' });
		expect(await readDocx(docx(''))).toEqual({
			kind: 'failed',
			reason: 'there is no text in it'
		});
		expect(await readDocx(docx('<w:p>').subarray(0, 900))).toMatchObject({ kind: 'failed' });
	});
});

describe('readPdf', () => {
	const sheet = () =>
		new Uint8Array(
			readFileSync(new URL('../../../tests/fixtures/documents/hammer-sheet.pdf', import.meta.url))
		);

	it('keeps headings and paragraphs of a real file', async () => {
		const read = await readPdf(sheet());
		if (read.kind !== 'read') throw new Error(read.reason);
		expect(read.text).toContain(
			'# Product sheet: Fellgate walling hammer\n\nThe hammer weighs 1.8 kg'
		);
		expect(read.text).toContain('some years of use.\n\n## Sizes\n\n');
		expect(read.text).toMatch(/Large: 1\.8 kg, handle 38 cm\n\n## Care\n\nOil the handle/);
	});

	it('says what to do with a damaged one', async () => {
		expect(await readPdf(strToU8('%PDF-1.7 nothing'))).toMatchObject({
			kind: 'failed',
			reason: expect.stringContaining('damaged') as string
		});
	});
});
