import { delimiterOf, plainCell, plainLines, readRecords } from '../keywords';

/** What a list says of a picture. */
export interface ListedPicture {
	/** Name of its file. */
	readonly file: string;
	readonly alt: string;
	readonly caption: string;
	readonly credit: string;
	readonly licence: string;
	readonly source: string;
}

const NAMES: Readonly<Record<keyof ListedPicture, RegExp>> = {
	file: /^(?:file(?: ?name)?|picture|image|name)$/,
	alt: /^alt(?:ernative)?(?: text)?$/,
	caption: /^(?:caption|legend)$/,
	credit: /^(?:credits?|by|author|photographer|artist)$/,
	licence: /^licen[cs]e$/,
	source: /^(?:source|from|where it is from)$/
};

/** Reads a list of pictures with what is to be said of each; a list without a header is none. */
export function readPictureList(text: string): ListedPicture[] {
	const plain = plainLines(text);
	const nameOf = (cell: string) => plainCell(cell).trim().toLowerCase();
	const heads = (cells: readonly string[]) => cells.some((cell) => NAMES.file.test(nameOf(cell)));
	const { records } = readRecords(plain, delimiterOf(plain, heads));
	const [head, ...rows] = records;
	if (!head || !heads(head.cells)) return [];
	const names = head.cells.map(nameOf);
	const keys = Object.keys(NAMES) as (keyof ListedPicture)[];
	const columns = new Map(
		keys.map((key) => [key, names.findIndex((name) => NAMES[key].test(name))])
	);
	return rows.flatMap(({ cells }) => {
		const at = (key: keyof ListedPicture) => plainCell(cells[columns.get(key)!] ?? '').trim();
		const file = at('file');
		return file === ''
			? []
			: [
					{
						file,
						alt: at('alt'),
						caption: at('caption'),
						credit: at('credit'),
						licence: at('licence'),
						source: at('source')
					}
				];
	});
}
