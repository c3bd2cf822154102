import type { Findings } from '../findings';
import { fitToTarget, type Plan } from './outline';
import { planOfOutline } from './import-outline';
import { objectOf, sentenceCase, withArticle } from './wording';
import type { PlanForm } from '../clients';

/** What stands in the headings of a form where an article's own words come, longest first. */
const STAND_INS: readonly (readonly [standIn: string, wordsOf: (keyword: string) => string])[] = [
	['{keyword}', (keyword) => keyword],
	['{a thing}', (keyword) => withArticle(objectOf(keyword))],
	['{thing}', objectOf]
];

/** The form of a plan; what belongs to its keyword alone stays behind. */
export function formOf(plan: Plan, name: string, keyword: string): PlanForm {
	const all = Math.max(
		1,
		plan.sections.reduce((sum, { budget }) => sum + budget, 0)
	);
	return {
		name,
		sections: plan.sections.map(({ level, heading, kind, budget }) => ({
			level,
			heading: STAND_INS.reduce(
				(text, [standIn, wordsOf]) =>
					wordsOf(keyword) === '' ? text : text.replace(pattern(wordsOf(keyword)), standIn),
				heading
			),
			kind,
			share: budget / all
		}))
	};
}

/** A plan in a client's form, for another keyword. */
export function planInForm(form: PlanForm, findings: Findings): Plan {
	const [opening, ...rest] = form.sections;
	const worded = (heading: string) =>
		sentenceCase(
			STAND_INS.reduce(
				(text, [standIn, wordsOf]) => text.replaceAll(standIn, wordsOf(findings.keyword)),
				heading
			)
		);
	const plan = planOfOutline(
		rest.map(({ level, heading }) => ({ level, text: worded(heading) })),
		findings
	);
	const shares = [opening, ...rest];
	const sections = plan.sections.map((section, i) => ({
		...section,
		level: (i === 0 ? 1 : Math.min(4, Math.max(2, shares[i]?.level ?? 2))) as 2,
		kind: shares[i]?.kind ?? section.kind,
		budget: Math.round(((shares[i]?.share ?? 0) * findings.targetWords) / 5) * 5
	}));
	return { ...plan, sections: fitToTarget(sections, findings.targetWords) };
}

/** Whole words in any case. */
function pattern(words: string): RegExp {
	return new RegExp(
		`(?<![\\p{L}\\p{N}])${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}])`,
		'giu'
	);
}
