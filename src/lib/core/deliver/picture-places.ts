import type { Findings } from '../findings';
import { docText, figure, headOf, plannedCuts, type TakeDoc } from '../manuscript';
import { keptBlocksOf, type Article } from '../pages';
import type { Plan } from '../plan';
import { contentStemsOf, keywordStemsOf, wordsOf, nameWords } from '../text';

/** A section in which pages have pictures and the text has none. */
export interface PicturePlace {
	readonly section: string;
	readonly heading: string;
	/** Counted pages that show something there. */
	readonly pages: number;
}

/** A counted page, for where its pictures stand. */
export interface PicturedPage {
	readonly id: string;
	readonly article: Article;
	readonly struck: readonly number[];
}

/** Most places that are offered when pages do not say how many. */
const MOST = 6;

/**
 * Places for pictures: planned sections without one, those first in which most pages have one, as many as
 * it takes to reach what pages have in the middle.
 */
export function picturePlacesOf(
	doc: TakeDoc,
	plan: Plan,
	findings: Findings,
	pages: readonly PicturedPage[]
): PicturePlace[] {
	const shownUnder = new Map(pages.map((page) => [page.id, headingsWithPictures(page)]));
	const topics = new Map(findings.topics.map((topic) => [topic.id, topic]));
	const cuts = plannedCuts(doc.content.map(headOf), new Set(plan.sections.map(({ id }) => id)));
	const standing = doc.content.filter(({ type }) => type === 'figure').length;
	const usual = Math.round(findings.shape.find(({ id }) => id === 'figures')?.median ?? 0);
	const places = plan.sections.flatMap((section): PicturePlace[] => {
		const cut = cuts.get(section.id);
		if (!cut) return [];
		const under = doc.content.slice(cut.from, cut.to);
		if (under.some(({ type }) => type === 'figure')) return [];
		const showing = new Set(
			section.topics.flatMap((id) =>
				(topics.get(id)?.headings ?? [])
					.filter(({ page, text }) => shownUnder.get(page)?.has(text.trim()))
					.map(({ page }) => page)
			)
		);
		return showing.size === 0
			? []
			: [{ section: section.id, heading: docText(under[0]!), pages: showing.size }];
	});
	return places
		.map((place, i) => ({ place, i }))
		.sort((a, b) => b.place.pages - a.place.pages || a.i - b.i)
		.slice(0, Math.max(0, Math.min(MOST, usual - standing)))
		.sort((a, b) => a.i - b.i)
		.map(({ place }) => place);
}

function headingsWithPictures({ article, struck }: PicturedPage): ReadonlySet<string> {
	const found = new Set<string>();
	let heading = '';
	for (const block of keptBlocksOf(article, struck)) {
		if (block.kind === 'heading') heading = block.text.trim();
		else if (block.kind === 'figure') found.add(heading);
	}
	return found;
}

/** A take with a picture behind the first paragraph of a section; at the end where there is no such section. */
export function withPicture(
	doc: TakeDoc,
	section: string | null,
	picture: { readonly id: string; readonly alt: string; readonly caption: string }
): TakeDoc {
	const cut = section
		? plannedCuts(doc.content.map(headOf), new Set([section])).get(section)
		: undefined;
	const paragraph = cut
		? doc.content.findIndex(({ type }, at) => type === 'paragraph' && at > cut.from && at < cut.to)
		: -1;
	const at = paragraph >= 0 ? paragraph + 1 : cut ? cut.from + 1 : doc.content.length;
	const content = [...doc.content];
	content.splice(at, 0, figure(picture.id, picture.alt, picture.caption));
	return { ...doc, content };
}

/** A take without a picture, wherever it stands. */
export function withoutPicture(doc: TakeDoc, picture: string): TakeDoc {
	return {
		...doc,
		content: doc.content.filter((node) => node.type !== 'figure' || node.attrs?.picture !== picture)
	};
}

/** A take in which a picture shows something else, or is captioned otherwise. */
export function withPictureWords(
	doc: TakeDoc,
	picture: string,
	words: { readonly alt: string; readonly caption: string }
): TakeDoc {
	return {
		...doc,
		content: doc.content.map((node) =>
			node.type === 'figure' && node.attrs?.picture === picture
				? figure(picture, words.alt, words.caption)
				: node
		)
	};
}

/** A picture that stands in a take. */
export interface StandingPicture {
	readonly picture: string;
	readonly alt: string;
	readonly caption: string;
	readonly heading: string;
	/** What it shows by its words, where its section speaks of nothing of it; empty: nothing is wrong. */
	readonly strange: string;
}

/**
 * The pictures of a take in reading order. Whether one shows what its section speaks of is told by its
 * words alone: file name, alt text, caption.
 *
 * @param names file names, by id of the picture
 */
export function standingPicturesOf(
	doc: TakeDoc,
	names: ReadonlyMap<string, string>,
	keyword: string
): StandingPicture[] {
	const common = keywordStemsOf(keyword);
	const parts: { heading: string; text: string[]; figures: number[] }[] = [
		{ heading: '', text: [], figures: [] }
	];
	doc.content.forEach((node, at) => {
		if (node.type === 'heading')
			parts.push({ heading: docText(node), text: [docText(node)], figures: [] });
		else if (node.type === 'figure') parts.at(-1)!.figures.push(at);
		else parts.at(-1)!.text.push(docText(node));
	});
	return parts.flatMap(({ heading, text, figures }) => {
		const spoken = new Set(contentStemsOf(text.join('\n')));
		return figures.flatMap((at): StandingPicture[] => {
			const node = doc.content[at];
			if (node?.type !== 'figure' || !node.attrs?.picture) return [];
			const { picture, alt = '' } = node.attrs;
			const caption = docText(node);
			const name = nameWords(names.get(picture) ?? '');
			const shown = [name, alt, caption].join(' ');
			const stems = contentStemsOf(shown).filter((stem) => !common.has(stem));
			const isKnown = stems.length === 0 || stems.some((stem) => spoken.has(stem));
			const says = wordsOf(alt || caption || name)
				.map((word) => word.text)
				.slice(0, 6)
				.join(' ');
			return [{ picture, alt, caption, heading, strange: isKnown ? '' : says }];
		});
	});
}
