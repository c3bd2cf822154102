import { toast } from 'svelte-sonner';
import { decodeBytes } from '$lib/core/text';

/**
 * The text of a file that a writer has chosen; null, with words why, for one that holds none.
 *
 * @param remedy what to bring instead, as the end of a sentence
 */
export async function readTextFile(file: File, remedy: string): Promise<string | null> {
	const decoded = decodeBytes(new Uint8Array(await file.arrayBuffer()));
	if (decoded.kind !== 'binary') return decoded.text;
	toast.error(`${file.name} looks like ${decoded.looksLike}; ${remedy}.`);
	return null;
}
