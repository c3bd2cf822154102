import type { ArticleReading } from '../../measure';
import { scoreState, stateOf, type ArticleMeta, type Yardstick } from '../../standing';
import type { ArticleCheck, ArticleFinding } from '../mark';
import { findingIn, ofArticle, placedIn, sentencesIn } from '../places';

/** Uses past the upper bound that the slips tell alone. */
const TOLD_FROM = 1;
/** Terms that are told as absent or thin at most; the slips tell all. */
const MOST_WANTED = 8;

/** Marks uses past what a term bears, and tells the weightiest terms that are still wanted. */
export function termsCheck(yardstick: Yardstick, meta: ArticleMeta): ArticleCheck {
	return {
		id: 'term',
		reads: 'terms',
		look: (article) => [
			...crowdedIn(article, yardstick, meta),
			...wantedIn(article, yardstick, meta)
		]
	};
}

function crowdedIn(
	article: ArticleReading,
	yardstick: Yardstick,
	meta: ArticleMeta
): ArticleFinding[] {
	const state = stateOf(article, meta, yardstick);
	const now = scoreState(state, yardstick).standing;
	const crowded = yardstick.terms.flatMap(({ phrase, max }, t) => {
		const uses = state.uses[t] ?? 0;
		return uses > max + TOLD_FROM ? [{ phrase, max, t, uses }] : [];
	});
	/** Whether a term stands too often only because a longer one that holds it does. */
	const isInLonger = ({ phrase, max, uses }: (typeof crowded)[number]) =>
		crowded.some(
			(other) =>
				other.phrase !== phrase &&
				` ${other.phrase} `.includes(` ${phrase} `) &&
				uses - other.uses <= max
		);
	return crowded.flatMap((one): ArticleFinding[] => {
		const { phrase, max, t, uses } = one;
		if (isInLonger(one)) return [];
		const cut = Array.from(state.uses);
		cut[t] = max;
		const earned = Array.from(state.earned);
		earned[t] = Math.min(earned[t]!, max);
		const gain = scoreState({ ...state, uses: cut, earned }, yardstick).standing - now;
		// the block that has most of them is where a few can go
		const at = article.blocks.reduce(
			(best, block, b) =>
				block.level === 0 &&
				(block.counts.all.get(t) ?? 0) > (article.blocks[best]?.counts.all.get(t) ?? 0)
					? b
					: best,
			-1
		);
		const block = article.blocks[at];
		const match = block?.matches.findLast(({ term }) => term === t);
		const sentence =
			match &&
			sentencesIn(block!).find(
				({ start, text }) => start <= match.start && match.end <= start + text.length
			);
		const many = `“${phrase}” stands ${uses} times, ${uses - max} too many`;
		if (!match || !sentence) return [ofArticle({ about: phrase, reason: many, gain })];
		const own = block!.counts.all.get(t)!;
		return [
			placedIn(
				at,
				findingIn(
					sentence,
					{
						about: phrase,
						reason: own > 1 ? `${many}; ${own} of them in this paragraph` : many,
						gain
					},
					{ start: match.start - sentence.start, end: match.end - sentence.start }
				)
			)
		];
	});
}

function wantedIn(
	article: ArticleReading,
	yardstick: Yardstick,
	meta: ArticleMeta
): ArticleFinding[] {
	const state = stateOf(article, meta, yardstick);
	const now = scoreState(state, yardstick).standing;
	return yardstick.terms
		.flatMap(({ phrase, min, weight }, t) => {
			const earned = state.earned[t] ?? 0;
			if (earned >= min || weight === 'could') return [];
			const lacks = min - earned;
			const more = (counts: ArrayLike<number>) => {
				const list = Array.from(counts);
				list[t] = (list[t] ?? 0) + lacks;
				return list;
			};
			const changed = { ...state, uses: more(state.uses), earned: more(state.earned) };
			return [
				ofArticle({
					about: phrase,
					reason:
						earned === 0
							? `“${phrase}” does not stand in it; pages of this kind have it ${times(min)}`
							: `“${phrase}” wants ${lacks} more`,
					gain: scoreState(changed, yardstick).standing - now
				})
			];
		})
		.sort((a, b) => (b.gain ?? 0) - (a.gain ?? 0) || (a.about < b.about ? -1 : 1))
		.slice(0, MOST_WANTED);
}

function times(n: number): string {
	return n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`;
}
