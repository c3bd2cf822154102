import type { PageBlock, TextFrom } from '../article';
import type { RawBlock } from './raw-block';
import { isIntroduction, whereOf } from './block-look';
import { boxNoise, ownNoise, zoneNoise } from './block-noise';
import { articleRootOf } from './article-root';
import type { LibraryText } from './main-text';
import { keepNamed } from './named-text';
import type { NamedText } from './page-meta';
import { keepByVote, keepHeadings } from './votes';
import {
	titleIn,
	dropLinesAroundTitle,
	dropOpeners,
	dropRepeatedLines,
	dropTitleAgain,
	dropStrayLines,
	dropTail,
	dropEmptyHeadings
} from './title-and-lines';
import { headingLevels } from './heading-lines';

const NOTHING_NAMED: NamedText = { ingredients: [], steps: [], body: '' };

/**
 * Decides for every block of a page whether it belongs to the article, in the order of reading.
 *
 * First the markup and the wording speak for each block, then its neighbours: boxes of links,
 * forms, lines that nothing follows. The container of the article comes from what the readability
 * library kept; what stands between the title and that container is an introduction.
 *
 * @param library what the readability library kept
 * @param named texts that the data of the page name as the article's
 */
export function decideBlocks(
	raw: readonly RawBlock[],
	library: LibraryText,
	titleTag: string,
	named: NamedText = NOTHING_NAMED
): { readonly blocks: PageBlock[]; readonly from: TextFrom } {
	const inZone = zoneNoise(raw, titleTag);
	const inBox = boxNoise(raw);
	const furniture = raw.map(
		(block, i) => block.noise ?? inZone[i] ?? inBox[i] ?? ownNoise(block, titleTag)
	);
	const noise = isPageOfLinks(raw, furniture)
		? furniture.map((reason, i) => (isLinksAlone(reason) ? (raw[i]!.noise ?? inZone[i]!) : reason))
		: furniture;
	const { root, from } = articleRootOf(raw, noise, library.kept);
	const inRoot = raw.map((block) => block.path.includes(root));
	const first = inRoot.findIndex((is, i) => is && noise[i] === null);
	const titleAt = titleIn(raw, noise, first, titleTag);
	const dropped = raw.map((block, i): string | null => {
		if (i === titleAt && i <= Math.max(first, 0)) return null;
		if (noise[i] !== null) return noise[i]!;
		if (inRoot[i]) return null;
		// an introduction between the title and the container of the article
		if (titleAt >= 0 && i > titleAt && i < first && isIntroduction(block)) return null;
		return 'outside the article';
	});
	keepByVote(raw, dropped, inZone, library);
	keepHeadings(raw, dropped);
	const before = [...dropped];
	dropLinesAroundTitle(raw, dropped, titleAt);
	dropTitleAgain(raw, dropped, titleAt);
	dropRepeatedLines(raw, dropped);
	dropOpeners(raw, dropped);
	dropStrayLines(raw, dropped);
	dropTail(raw, dropped);
	dropEmptyHeadings(raw, dropped, titleAt);
	// a page of nothing but short lines is what it is
	if (raw.every(({ block }, i) => dropped[i] !== null || block.kind === 'heading'))
		before.forEach((reason, i) => (dropped[i] = reason));
	keepNamed(raw, dropped, named);
	keepHeadings(raw, dropped);
	const levels = headingLevels(raw, dropped, titleAt);
	const blocks = raw.map(({ block, path }, i): PageBlock => {
		const level = levels.get(i);
		return {
			block:
				level !== undefined && (block.kind === 'paragraph' || block.kind === 'heading')
					? { kind: 'heading', level, text: block.text }
					: block,
			dropped: dropped[i]!,
			where: whereOf(path)
		};
	});
	return { blocks, from };
}

const isLinksAlone = (reason: string | null) => reason === 'links' || reason === 'list of links';

/**
 * An index or a map of a site: almost no prose, and many times as many words in lists of links. They
 * are what such a page has to say.
 */
function isPageOfLinks(raw: readonly RawBlock[], noise: readonly (string | null)[]): boolean {
	let prose = 0;
	let listed = 0;
	raw.forEach(({ block, words, noise: named }, i) => {
		if (block.kind === 'heading') return;
		if (noise[i] === null) prose += words;
		else if (named === null && isLinksAlone(noise[i]!)) listed += words;
	});
	return prose < 60 && listed >= 60 + 3 * prose;
}
