import { withWordsReplaced, type BlockNode, type SectionCut } from '../manuscript';
import type { ArticleReading } from '../measure';
import type { Plan } from '../plan';
import type { ArticleMeta, Yardstick } from '../standing';
import type { Findings } from '../findings';
import { homesOf } from './all-checks';
import { termEditsCheck } from './checks';

/**
 * The blocks under a heading with the terms still wanted said in full where their noun stands alone, as
 * Proof offers it; the same blocks where no place suits.
 *
 * @param cut the section, its heading included
 * @param blocks what stands under its heading
 */
export function termsWorkedIn(
	article: ArticleReading,
	cut: Pick<SectionCut, 'from' | 'to'>,
	blocks: readonly BlockNode[],
	yardstick: Yardstick,
	meta: ArticleMeta,
	findings: Findings,
	plan: Pick<Plan, 'sections'>
): readonly BlockNode[] {
	const edits = termEditsCheck(yardstick, meta, homesOf(findings, plan))
		.look(article)
		.flatMap(({ place, fixes: [fix] }) =>
			place && fix && place.block > cut.from && place.block < cut.to
				? [{ ...place, words: fix.replacement }]
				: []
		)
		// from the end, so that places before stay what they are
		.sort((a, b) => b.start - a.start);
	if (edits.length === 0) return blocks;
	const changed = [...blocks];
	for (const { block, start, end, words } of edits) {
		const at = block - cut.from - 1;
		const replaced = changed[at] && withWordsReplaced(changed[at], start, end, words);
		if (replaced) changed[at] = replaced;
	}
	return changed;
}
