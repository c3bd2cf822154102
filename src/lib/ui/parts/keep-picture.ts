import { nameWords } from '$lib/core/text';
import type { Picture } from '$lib/data/db';
import { addPicture } from '$lib/data/pictures';
import type { ReadPicture } from './read-picture';

/** Keeps a picture with the words of its file's name as what it shows. */
export function keepPicture(assignment: string, read: ReadPicture): Promise<Picture> {
	return addPicture({
		...read,
		alt: altFrom(read.name),
		caption: '',
		credit: '',
		licence: '',
		source: '',
		assignment
	});
}

/** What a picture might be called for who cannot see it: the words of its file's name. */
function altFrom(name: string): string {
	const words = nameWords(name);
	return words === '' ? '' : words[0]!.toUpperCase() + words.slice(1);
}
