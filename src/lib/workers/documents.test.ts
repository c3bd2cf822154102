import { strToU8 } from 'fflate';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { docx, docxParagraph as para } from '../../../tests/support/docx';
import { readDocx, readPdf } from './documents';

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
