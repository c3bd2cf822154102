import { FILE_LIMITS, unpackZip } from '$lib/core/files';
import { markdownOfPdf } from '$lib/core/notes';
import { blocksOfRichText, markdownOfBlocks } from '$lib/core/pages';

/** What came of reading a document: Markdown, or why there is none. */
export type DocumentRead =
	| { readonly kind: 'read'; readonly text: string; readonly remarks: readonly string[] }
	| { readonly kind: 'failed'; readonly reason: string };

/** Text of a DOCX with its headings, lists and tables. Its pictures stay behind. */
export async function readDocx(bytes: Uint8Array): Promise<DocumentRead> {
	// the library unpacks without a bound, so what comes out is measured first
	const unpacked = unpackZip(bytes, FILE_LIMITS.zip);
	if (unpacked.kind === 'refused') return { kind: 'failed', reason: unpacked.reason };
	try {
		const { default: mammoth } = await import('mammoth');
		const buffer = bytes.slice().buffer;
		// the library's build for Node takes one, that for browsers the other
		const input = { buffer, arrayBuffer: buffer } as unknown as { arrayBuffer: ArrayBuffer };
		const { value } = await mammoth.convertToHtml(input, {
			convertImage: mammoth.images.imgElement(async () => ({ src: '' })),
			ignoreEmptyParagraphs: true,
			styleMap: ["p[style-name='Title'] => h1:fresh", "p[style-name='Subtitle'] => p:fresh"]
		});
		const text = markdownOfBlocks(blocksOfRichText(value));
		return text === ''
			? { kind: 'failed', reason: 'there is no text in it' }
			: { kind: 'read', text, remarks: [] };
	} catch {
		return {
			kind: 'failed',
			reason: 'it is damaged or protected; open it, save a copy and bring that in'
		};
	}
}

/** Text of a PDF. Scanned pages hold pictures of text, which cannot be read. */
export async function readPdf(bytes: Uint8Array): Promise<DocumentRead> {
	try {
		const { extractTextItems } = await import('unpdf');
		// the library takes the bytes it is given for itself
		const { items, totalPages } = await extractTextItems(bytes.slice());
		const text = markdownOfPdf(items);
		if (text === '')
			return {
				kind: 'failed',
				reason: `its ${totalPages === 1 ? 'page is a picture' : `${totalPages} pages are pictures`} without text; have the text recognised first`
			};
		const empty = items.filter((page) => page.every(({ str }) => str.trim() === '')).length;
		const remarks =
			empty > 0 ? [`${empty} of ${totalPages} pages hold no text, only pictures`] : [];
		return { kind: 'read', text, remarks };
	} catch (error) {
		const isLocked = error instanceof Error && /password/i.test(`${error.name} ${error.message}`);
		return {
			kind: 'failed',
			reason: isLocked
				? 'it is locked with a password; save a copy without one'
				: 'it is damaged; open it, save or print a copy as PDF and bring that in'
		};
	}
}
