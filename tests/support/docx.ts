import { strToU8, zipSync } from 'fflate';

/** A paragraph in the markup of a word processor, with the id of its style. */
export const docxParagraph = (text: string, style = ''): string =>
	`<w:p>${style ? `<w:pPr><w:pStyle w:val="${style}"/></w:pPr>` : ''}<w:r><w:t xml:space="preserve">${text}</w:t></w:r></w:p>`;

/** The smallest DOCX that a word processor would open. */
export function docx(body: string): Uint8Array {
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
