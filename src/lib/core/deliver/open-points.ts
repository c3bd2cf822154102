import { docText, gapsOf, type TakeDoc } from '../manuscript';
import type { Claim, Mark } from '../proof';
import { fitsResult } from '../text';
import { emptyHeadings, plainOfInlines, type DeliveredArticle } from './article';

/** Where an open point is seen to. */
export type OpenAt = 'write' | 'proof' | 'here';

/** Something that is open before an article goes, in words. */
export interface OpenPoint {
	readonly id: string;
	readonly text: string;
	readonly at: OpenAt;
	/** What there is to do there: "See", "Write it". */
	readonly deed: string;
}

/** What is looked at before an article goes. */
export interface OpenInput {
	readonly doc: TakeDoc;
	/** Null: the text was not proofread yet. */
	readonly marks: readonly Mark[] | null;
	readonly claims: readonly Claim[] | null;
	readonly head: { readonly titleTag: string; readonly description: string };
	/** The one document that the outputs are made of. */
	readonly article: Pick<DeliveredArticle, 'blocks' | 'pictures' | 'words'>;
	/** Words the brief asks for; 0: none. */
	readonly targetWords: number;
}

/** Shares of the wanted length below which a text is called short. */
const SHORT = 0.75;

/** What is open, the gravest first; an empty list means that nothing is known to be. */
export function openPointsOf(input: OpenInput): OpenPoint[] {
	const { doc, marks, claims, head, article, targetWords } = input;
	const { pictures, words } = article;
	const add = (id: string, text: string, at: OpenAt, deed = 'See') => [{ id, text, at, deed }];
	const gaps = gapsOf(doc);
	const empty = emptyHeadings(article.blocks).map(({ inlines }) => plainOfInlines(inlines).trim());
	const unbacked = (claims ?? []).filter(({ backing }) => backing === 'no backing').length;
	const differing = (claims ?? []).filter(({ backing }) => backing === 'differs').length;
	const close = (marks ?? []).filter(({ reads }) => reads === 'close').length;
	const others = (marks ?? []).filter(
		({ reads }) => reads !== 'close' && reads !== 'claims' && reads !== 'terms'
	).length;
	const silent = pictures.filter(({ alt }) => alt.trim() === '').length;
	const unnamed = pictures.filter(({ credit }) => credit.trim() === '').length;
	return [
		...(gaps.length > 0
			? add(
					'gaps',
					gaps.length === 1
						? `A gap in ${sectionOfGap(doc)}`
						: `${gaps.length} gaps, the first in ${sectionOfGap(doc)}`,
					'write'
				)
			: []),
		...(empty.length > 0
			? add(
					'empty',
					empty.length === 1
						? `Nothing under “${empty[0]!}”`
						: `Nothing under ${empty.length} headings, the first “${empty[0]!}”`,
					'write'
				)
			: []),
		...(unbacked > 0 ? add('claims', counted(unbacked, 'claim', 'without a source'), 'proof') : []),
		...(differing > 0
			? add('differing', counted(differing, 'claim', 'that a source tells otherwise'), 'proof')
			: []),
		...(close > 0 ? add('close', counted(close, 'passage', 'close to a page'), 'proof') : []),
		...(others > 0
			? add('marks', counted(others, 'mark', 'nobody has decided about'), 'proof')
			: []),
		...(marks === null ? add('unread', 'The text is not proofread yet', 'proof') : []),
		...(silent > 0
			? add('alt', counted(silent, 'picture', 'without alt text'), 'here', 'Write it')
			: []),
		...(unnamed > 0
			? add('credit', counted(unnamed, 'picture', 'without a credit'), 'here', 'Write it')
			: []),
		...(head.titleTag.trim() === ''
			? add('title', 'No title tag', 'here', 'Choose one')
			: fitsResult(head.titleTag, 'title')
				? []
				: add('title', 'The title tag is cut on a results page', 'here', 'Shorten it')),
		...(head.description.trim() === ''
			? add('description', 'No description', 'here', 'Choose one')
			: []),
		...(targetWords > 0 && words < targetWords * SHORT
			? add('short', `${words} words of the ${targetWords} agreed`, 'write')
			: [])
	];
}

function counted(count: number, thing: string, rest: string): string {
	return `${count === 1 ? `One ${thing}` : `${count} ${thing}s`} ${rest}`;
}

function sectionOfGap(doc: TakeDoc): string {
	let heading = '';
	for (const node of doc.content) {
		if (node.type === 'heading') heading = docText(node);
		if (node.type === 'gap') break;
	}
	return heading === '' ? 'the opening' : `“${heading}”`;
}
