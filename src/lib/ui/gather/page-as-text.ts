import { docFromMarkdown as read, heading, type TakeDoc } from '$lib/core/manuscript';
import { markdownOfBlocks, type Block } from '$lib/core/pages';

/** The blocks of a page as a manuscript, its title over it. */
export function docFromBlocks(blocks: readonly Block[], title: string): TakeDoc {
	const doc = read(markdownOfBlocks(blocks));
	const first = doc.content[0];
	if (title === '' || (first?.type === 'heading' && first.attrs.level === 1)) return doc;
	return { ...doc, content: [heading(1, title), ...doc.content] };
}
