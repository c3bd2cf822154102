import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import type { DocumentPart } from '../../plan';
import { writePartsDocx } from './write-docx';

const parts: readonly DocumentPart[] = [
	{ kind: 'heading', level: 1, text: 'Walls' },
	{ kind: 'list', entries: ['Title tag: Walls', 'Words: 900'] },
	{ kind: 'heading', level: 2, text: 'Lay the footings' },
	{ kind: 'aside', text: 'steps, 120 words' },
	{ kind: 'paragraph', text: 'Terms: a < b & c \u0007 d' },
	{ kind: 'heading', level: 3, text: 'Hearting' },
	{ kind: 'rule' },
	{ kind: 'list', entries: ['Packed from the first course.'] }
];

describe('a document as DOCX', () => {
	it('has headings and lists of its own, and holds what XML cannot', async () => {
		const blob = await writePartsDocx(parts, 'Walls');
		const files = unzipSync(new Uint8Array(await blob.arrayBuffer()));
		const xml = strFromU8(files['word/document.xml']!);
		const count = (text: string) => xml.split(text).length - 1;
		expect([1, 2, 3, 4].map((level) => count(`w:val="Heading${level}"`))).toEqual([1, 1, 1, 0]);
		expect(count('<w:numPr>')).toBe(3);
		expect(xml).toContain('Terms: a &lt; b &amp; c d');
		expect(strFromU8(files['docProps/core.xml']!)).toContain('<dc:title>Walls</dc:title>');
	});
});
