import type { Findings } from '../../findings';
import type { ArticleReading } from '../../measure';
import { headingChecker } from '../../plan';
import type { ArticleMeta } from '../../standing';
import { pixelWidthOf, RESULT_ROOM, RESULT_TYPE } from '../../text';
import type { ArticleCheck, ArticleFinding } from '../mark';
import { findingIn, ofArticle, placedIn } from '../places';

/** Words under a question from which it can be answered. */
const ANSWER_WORDS = 8;
const SHORT_DESCRIPTION = 400;

/** Holds headings, title tag and description against the rules a plan is checked by, and against the text below. */
export function headingsCheck(findings: Findings, meta: ArticleMeta): ArticleCheck {
	const wordingOf = headingChecker(findings);
	return {
		id: 'heading',
		reads: 'headings',
		look: (article) => [...headingsIn(article, wordingOf), ...tagsOf(meta, findings.keyword)]
	};
}

function headingsIn(
	{ sections, blocks }: ArticleReading,
	wordingOf: ReturnType<typeof headingChecker>
): ArticleFinding[] {
	const headed = sections.filter(({ level, heading }) => level > 0 && heading.trim() !== '');
	const firstOnes = headed.filter(({ level }) => level === 1);
	let before = 1;
	return headed.flatMap((section, at): ArticleFinding[] => {
		const { heading, from, level, words } = section;
		const add = (about: string, reason: string) =>
			placedIn(from, findingIn({ text: heading, start: 0 }, { about, reason }));
		const found: ArticleFinding[] = [];
		if (level > 1) {
			const others = headed.flatMap((other, o) =>
				o === at || other.level === 1 ? [] : [other.heading]
			);
			for (const { kind, text } of wordingOf(heading, others))
				// what stands twice is told once; a question is asked in the words everybody asks it in
				if (heading.trim().endsWith('?') && (kind === 'close' || kind === 'negative')) continue;
				else if (kind !== 'repeated' || headed.findIndex((one) => one.heading === heading) < at)
					found.push(add(kind, text.replace(/\.$/, '')));
		}
		if (level > before + 1)
			found.push(add('level', `A heading of level ${level} stands under one of level ${before}`));
		before = level;
		if (level === 1 && firstOnes.length > 1 && section !== firstOnes[0])
			found.push(add('second title', 'An article has one heading of level 1'));
		const below = blocks[section.to];
		const hasSubheading = below !== undefined && below.level > level;
		if (heading.trim().endsWith('?') && level > 1 && words < ANSWER_WORDS && !hasSubheading)
			found.push(
				add(
					'unanswered',
					words === 0 ? 'Nothing below answers it' : `${words} words below can hardly answer it`
				)
			);
		return found;
	});
}

function tagsOf({ titleTag, description }: ArticleMeta, keyword: string): ArticleFinding[] {
	const found: ArticleFinding[] = [];
	const has = (text: string) => plain(text).includes(plain(keyword));
	const over = (text: string, part: 'title' | 'description', name: string) => {
		const width = Math.round(pixelWidthOf(text, RESULT_TYPE[part]));
		if (width > RESULT_ROOM[part])
			found.push(
				ofArticle({
					about: `${name} too long`,
					reason: `The ${name} is ${width} pixels wide; results show ${RESULT_ROOM[part]}`
				})
			);
	};
	over(titleTag, 'title', 'title tag');
	over(description, 'description', 'description');
	if (titleTag.trim() === '')
		found.push(ofArticle({ about: 'title tag', reason: 'The title tag is empty' }));
	else if (!has(titleTag))
		found.push(ofArticle({ about: 'title tag', reason: `The title tag lacks “${keyword}”` }));
	if (description.trim() === '')
		found.push(ofArticle({ about: 'description', reason: 'The description is empty' }));
	else {
		if (!has(description))
			found.push(ofArticle({ about: 'description', reason: `The description lacks “${keyword}”` }));
		const width = Math.round(pixelWidthOf(description, RESULT_TYPE.description));
		if (width < SHORT_DESCRIPTION)
			found.push(
				ofArticle({
					about: 'description too short',
					reason: `The description fills ${width} of ${RESULT_ROOM.description} pixels`
				})
			);
	}
	return found;
}

function plain(text: string): string {
	return text.toLowerCase().replace(/[-‐]/g, ' ');
}
