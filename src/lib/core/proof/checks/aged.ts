import type { BlockCheck, BlockFinding } from '../mark';
import { findingIn, sentencesIn } from '../places';

/** Years ago from which a year that was written as present looks old; what lies further back than a lifetime of articles is history. */
const OLD = { from: 2, to: 15 };
const YEAR = /(?<![\p{L}\p{N}£$€.,-])(20\d\d)(?![\p{L}\p{N}%-])/gu;
/** A year that names when something began or was found stays true. */
const STAYS =
	/\b(?:since|founded|built|opened|born|until|after|before|from|during|between|survey of|study of|report of|act|regulations?)\s+(?:the\s+)?(?:\p{L}+\s+)?$/iu;
const DATED =
	/\b(?:this year|last year|next year|this (?:spring|summer|autumn|fall|winter)|last (?:spring|summer|autumn|fall|winter)|at the time of writing|as of (?:now|today)|recently released|brand[- ]new|the latest (?:model|version|figures?|prices?|rules?))\b/gi;

/** Marks years that look old, and words that will soon be wrong. */
export function agedCheck(thisYear: number): BlockCheck {
	return {
		id: 'aged',
		reads: 'aged',
		look: (block) =>
			// a year in a table names a model or a season more often than a state of things
			block.kind === 'gap' || block.kind === 'table'
				? []
				: sentencesIn(block).flatMap((sentence) => [
						...[...sentence.text.matchAll(YEAR)].flatMap(({ 0: year, index }): BlockFinding[] => {
							const ago = thisYear - Number(year);
							if (ago < OLD.from || ago > OLD.to || STAYS.test(sentence.text.slice(0, index)))
								return [];
							return [
								findingIn(
									sentence,
									{ about: year, reason: `${year} is ${ago} years ago: does it still hold?` },
									{ start: index, end: index + year.length }
								)
							];
						}),
						...[...sentence.text.matchAll(DATED)].map(({ 0: words, index }) =>
							findingIn(
								sentence,
								{
									about: words.toLowerCase(),
									reason: `“${words}” will mean another time to whoever reads it later`
								},
								{ start: index, end: index + words.length }
							)
						)
					])
	};
}
