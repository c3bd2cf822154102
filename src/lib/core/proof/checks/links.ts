import type { ShapeSpread } from '../../findings';
import { shapeOfArticle } from '../../standing';
import type { ArticleCheck, ArticleFinding, BlockCheck } from '../mark';
import { findingIn, ofArticle, sentencesIn } from '../places';

const ADDRESS = /(?<![\w@])(?:https?:\/\/|www\.)[^\s<>()[\]“”"]+[^\s<>()[\]“”".,;:!?]/gi;

/** Marks addresses that are written out in the text. */
export const bareAddressCheck: BlockCheck = {
	id: 'bare address',
	reads: 'links',
	look: (block) =>
		block.kind === 'gap' || block.kind === 'codeBlock'
			? []
			: sentencesIn(block).flatMap((sentence) =>
					[...sentence.text.matchAll(ADDRESS)].map(({ 0: address, index }) =>
						findingIn(
							sentence,
							{ about: address, reason: 'A bare address: name where it leads' },
							{ start: index, end: index + address.length }
						)
					)
				)
};

/** Holds links, pictures, lists and tables against what pages have. */
export function richnessCheck(shape: readonly ShapeSpread[]): ArticleCheck {
	const NAMES = { links: 'link', figures: 'picture', lists: 'list', tables: 'table' } as const;
	return {
		id: 'fewer than pages',
		reads: 'links',
		look: (article): ArticleFinding[] => {
			const own = shapeOfArticle(article, { titleTag: '', description: '' });
			return shape.flatMap(({ id, lower, upper }): ArticleFinding[] => {
				if (!(id in NAMES)) return [];
				const name = NAMES[id as keyof typeof NAMES];
				const has = own[id];
				const least = Math.ceil(lower);
				const band = least === Math.round(upper) ? `${least}` : `${least} to ${Math.round(upper)}`;
				return has < least
					? [
							ofArticle({
								about: id,
								reason: `${has === 0 ? `No ${name}` : has === 1 ? `One ${name}` : `${has} ${name}s`}; most pages have ${band}`
							})
						]
					: [];
			});
		}
	};
}
