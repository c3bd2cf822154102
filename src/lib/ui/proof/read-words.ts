import type { ReadFor } from '$lib/core/proof';

/** What a take is read for, as it is shown: a name, and the line that stands under its words. */
export const READ_WORDS: Readonly<
	Record<ReadFor, { readonly name: string; readonly sign: string; readonly none: string }>
> = {
	close: { name: 'Close to a page', sign: '▬', none: 'none' },
	claims: { name: 'Claims', sign: '⋯', none: 'all backed' },
	terms: { name: 'Terms', sign: '╌', none: 'placed' },
	reading: { name: 'Reading', sign: '≈', none: 'easy' },
	sameness: { name: 'Sameness', sign: '‖', none: 'none' },
	leftovers: { name: 'Leftovers', sign: '⌫', none: 'none' },
	spelling: { name: 'Spelling, grammar', sign: '∿', none: 'none' },
	headings: { name: 'Headings, title', sign: '¶', none: 'fine' },
	aged: { name: 'Aged', sign: '◷', none: 'none' },
	links: { name: 'Links, images', sign: '↗', none: 'enough' },
	brief: { name: 'Brief', sign: '✓', none: 'met' }
};

/** What a card is called, by the check that speaks. */
export function titleOf({
	check,
	about
}: {
	readonly check: string;
	readonly about: string;
}): string {
	switch (check) {
		case 'claim':
			return about === 'differs' ? 'A claim that differs' : 'A claim without backing';
		case 'too long':
			return about === 'paragraph' ? 'A long paragraph' : 'A long sentence';
		case 'grammar':
			return about[0]!.toUpperCase() + about.slice(1);
		case 'term':
		case 'term edit':
			return about;
		case 'picture':
			return about.replace(/ \S+$/, '').replace(/^./, (letter) => letter.toUpperCase());
		default:
			return check[0]!.toUpperCase() + check.slice(1);
	}
}
