import type { ShapeSpread } from '../../findings';
import type { BlockReading, LinkSpan } from '../../measure';
import { shapeOfArticle } from '../../standing';
import type { ArticleCheck, ArticleFinding, BlockCheck } from '../mark';
import { findingIn, ofArticle, placedIn, sentencesIn } from '../places';

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

/** An address of the web with a host that can be one, a mail address, a path, or a place in the page. */
const LEADS =
	/^(?:https?:\/\/[^\s/.]+(?:\.[^\s/.]+)+(?:[/?#]\S*)?|mailto:[^\s@]+@[^\s@]+\.[^\s@]+|\/(?!\/)\S*|#\S+)$/i;
const NOWHERE = /^https?:\/\/(?:localhost|127\.|0\.0\.0\.0|example\.)/i;

function inLink(block: BlockReading, { start, end }: LinkSpan, about: string, reason: string) {
	return findingIn({ text: block.text.slice(start, end), start }, { about, reason });
}

/** Marks links that cannot lead anywhere by their form alone; nothing is asked for over a network. */
export const deadLinkCheck: BlockCheck = {
	id: 'a link that leads nowhere',
	reads: 'links',
	look: (block) =>
		block.leads.flatMap((link) =>
			LEADS.test(link.href.trim()) && !NOWHERE.test(link.href.trim())
				? []
				: [inLink(block, link, link.href, `“${link.href}” is no address that leads anywhere`)]
		)
};

/** Marks equal words that lead to two places. */
export const twoPlacesCheck: ArticleCheck = {
	id: 'same words, two places',
	reads: 'links',
	look: ({ blocks }) => {
		const first = new Map<string, string>();
		return blocks.flatMap((block, at) =>
			block.leads.flatMap((link): ArticleFinding[] => {
				const words = block.text.slice(link.start, link.end).trim().toLowerCase();
				const before = first.get(words);
				if (before === undefined) first.set(words, link.href);
				return before === undefined || before === link.href
					? []
					: [
							placedIn(
								at,
								inLink(
									block,
									link,
									words,
									`These words led to ${before} before, and lead to ${link.href} here`
								)
							)
						];
			})
		);
	}
};

/** What is kept of a picture beside the text. */
export interface KeptPicture {
	readonly id: string;
	readonly name: string;
	readonly credit: string;
	readonly licence: string;
}

/** Marks pictures without alt text, with nothing but the keyword for one, and without credit or licence. */
export function picturesCheck(kept: readonly KeptPicture[], keyword: string): ArticleCheck {
	const known = new Map(kept.map((picture) => [picture.id, picture]));
	const plain = (text: string) =>
		text
			.toLowerCase()
			.replace(/[^\p{L}\p{N}]+/gu, ' ')
			.trim();
	return {
		id: 'picture',
		reads: 'links',
		look: ({ blocks, sections }) =>
			blocks.flatMap(({ picture }, at): ArticleFinding[] => {
				if (!picture) return [];
				const heading = sections.find(({ from, to }) => at >= from && at < to)?.heading ?? '';
				const of = known.get(picture.id);
				const where = `The picture ${of ? `${of.name} ` : ''}${heading === '' ? 'above the first heading' : `in “${heading}”`}`;
				const add = (about: string, reason: string) =>
					ofArticle({ about: `${about} ${picture.id}`, reason });
				return [
					...(picture.alt.trim() === ''
						? [add('no alt text', `${where} has no alt text`)]
						: plain(picture.alt) === plain(keyword)
							? [
									add(
										'keyword as alt text',
										`${where} repeats the keyword as its alt text; say what it shows`
									)
								]
							: []),
					...(of && of.credit.trim() === '' ? [add('no credit', `${where} has no credit`)] : []),
					...(of && of.licence.trim() === '' ? [add('no licence', `${where} has no licence`)] : [])
				];
			})
	};
}

/** So many more than most pages have, and twice as many, are told. */
const FAR_MORE = 6;

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
				const most = Math.round(upper);
				if (has > Math.max(2 * most, most + FAR_MORE))
					return [
						ofArticle({
							about: `many ${id}`,
							reason: `${has} ${name}s; most pages have ${most === 0 ? 'none' : `up to ${most}`}`
						})
					];
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
