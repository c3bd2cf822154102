import { Document, HeadingLevel, Packer, Paragraph, TextRun } from 'docx';
import type { DocumentPart } from '../../plan';

const HEADINGS = {
	1: HeadingLevel.HEADING_1,
	2: HeadingLevel.HEADING_2,
	3: HeadingLevel.HEADING_3,
	4: HeadingLevel.HEADING_4
} as const;

/** Spaces of all kinds, and characters that XML 1.0 cannot hold; pages now and then bring them. */
const BLANK = /[\s\p{Cc}\ufffe\uffff]+/gu;

/**
 * A document as DOCX (Office Open XML), with real heading styles and lists, so that word
 * processors show its outline. Loaded when it is first asked for: the writer of the format is large.
 */
export async function writeDocx(parts: readonly DocumentPart[], title: string): Promise<Blob> {
	return Packer.toBlob(
		new Document({
			title: plain(title),
			creator: 'Corvan',
			sections: [{ children: parts.flatMap(paragraphsOf) }]
		})
	);
}

function paragraphsOf(part: DocumentPart): Paragraph[] {
	switch (part.kind) {
		case 'heading':
			return [new Paragraph({ text: plain(part.text), heading: HEADINGS[part.level] })];
		case 'aside':
			return [
				new Paragraph({ children: [new TextRun({ text: plain(part.text), italics: true })] })
			];
		case 'paragraph':
			return [new Paragraph({ text: plain(part.text), spacing: { before: 80, after: 80 } })];
		case 'rule':
			return [new Paragraph({ thematicBreak: true })];
		case 'list':
			return part.entries.map(
				(entry) => new Paragraph({ text: plain(entry), bullet: { level: 0 } })
			);
	}
}

function plain(text: string): string {
	return text.replace(BLANK, ' ').trim();
}
