/*
 * Advance widths of a common sans-serif in thousandths of an em, from the published metrics of
 * the standard 14 PostScript fonts (Helvetica). Results pages set titles and descriptions in a
 * face of these widths.
 */
const WIDTHS: Readonly<Record<number, string>> = {
	191: "'",
	222: 'ijl‘’‚',
	260: '|',
	278: ' !,./:;I[\\]ft·\u00a0',
	333: '()-`r“”„',
	334: '{}',
	355: '"',
	389: '*',
	400: '°',
	469: '^',
	500: 'Jckqsvxyzç',
	556: '#$0123456789?L_abdeghnopuàáâãäåèéêëñòóôõöùúûü£€¢¥«»–ß',
	584: '+<=>~±×÷−',
	611: 'FTZ',
	667: '&ABEKPSVXYÀÁÂÃÄÅÈÉÊË',
	722: 'CDHNRUwÇÑÙÚÛÜ',
	778: 'GOQÒÓÔÕÖ',
	833: 'Mm',
	889: '%Æ',
	944: 'W',
	1000: '—…™',
	1015: '@'
};

const byLetter = new Map<string, number>(
	Object.entries(WIDTHS).flatMap(([width, letters]) =>
		[...letters].map((letter) => [letter, Number(width)] as const)
	)
);

/** Letters outside the table, such as Greek or Cyrillic, are mostly as wide as a capital. */
const OTHER = 667;

/** Sizes in which results pages set what a page says of itself, in pixels. */
export const RESULT_TYPE = { title: 20, description: 14 } as const;

/** Room for a title and a description on a results page, in pixels. */
export const RESULT_ROOM = { title: 580, description: 920 } as const;

/** Width of a line of text in pixels at a type size in pixels; no kerning, no line breaks. */
export function pixelWidthOf(text: string, size: number): number {
	let sum = 0;
	for (const letter of text.normalize('NFC')) sum += byLetter.get(letter) ?? OTHER;
	return (sum * size) / 1000;
}

/** Whether a title or description fits its room on a results page. */
export function fitsResult(text: string, part: keyof typeof RESULT_ROOM): boolean {
	return pixelWidthOf(text, RESULT_TYPE[part]) <= RESULT_ROOM[part];
}
