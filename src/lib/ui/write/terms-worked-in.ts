import type { Findings } from '$lib/core/findings';
import { plannedCuts, type BlockNode, type TakeDoc } from '$lib/core/manuscript';
import { readArticle } from '$lib/core/measure';
import type { Plan } from '$lib/core/plan';
import { termsWorkedIn } from '$lib/core/proof';
import { termIndexOf, yardstickOf } from '$lib/core/standing';

/** What a section of a take would be with the terms it still wants said in full; null for a section that is not there. */
export function workerInOf(
	doc: TakeDoc,
	plan: Plan,
	findings: Findings
): (section: string) => readonly BlockNode[] | null {
	const yardstick = yardstickOf(findings, plan);
	const article = readArticle(doc, { terms: termIndexOf(yardstick), runs: new Float64Array() });
	const cuts = plannedCuts(article.blocks, new Set(plan.sections.map(({ id }) => id)));
	const meta = { titleTag: plan.titleTag, description: plan.description };
	return (section) => {
		const cut = cuts.get(section);
		if (!cut) return null;
		const blocks = doc.content.slice(cut.from + 1, cut.to);
		return termsWorkedIn(article, cut, blocks, yardstick, meta, findings, plan);
	};
}
