import type { UnitKind } from '../notes';
import type { Plan } from '../plan';
import { proofEvidenceOf, type ProofEvidence, type ProofSource, type Speller } from '../proof';
import { yardstickOf } from '../standing';
import type { Analysis } from './analyse';

/**
 * What a text is proofread against, from an analysis.
 *
 * @param nameOf what pages and notes are called where a mark speaks of them, by id
 */
export function proofEvidenceIn(
	analysis: Analysis,
	plan: Plan | null,
	speller: Speller | null,
	nameOf: (source: string) => string = namesOf(analysis)
): ProofEvidence {
	const { findings } = analysis;
	return proofEvidenceOf(
		proofSourcesOf(analysis),
		findings,
		yardstickOf(findings, plan),
		plan,
		speller,
		nameOf
	);
}

/** What is said in confidence backs no claim, nor does what asks, wishes or reminds: "And the 300 years?" */
const BACKS_NOTHING: ReadonlySet<UnitKind> = new Set([
	'off-record',
	'do-not-say',
	'question',
	'todo',
	'brief'
]);

/** What pages and notes say, as a text is held against it. */
export function proofSourcesOf({ pages, notes }: Analysis): ProofSource[] {
	return [
		...notes.map(({ work, title, units: { units, speakers, headings } }) => ({
			id: work.id,
			isNote: true,
			statements: units.flatMap(({ kind, text, heading }) =>
				BACKS_NOTHING.has(kind)
					? []
					: [heading === '' || kind !== 'row' ? text : `${heading}: ${text}`]
			),
			names: [
				title,
				...speakers.map(({ name }) => name),
				...headings.map(({ text }) => text),
				...units.map(({ text }) => text)
			]
		})),
		...pages.map(({ work }) => ({
			id: work.id,
			isNote: false,
			statements: work.statements.map(({ text }) => text),
			names: [work.title, ...work.siteNames]
		}))
	];
}

function namesOf({ pages, notes }: Analysis): (source: string) => string {
	const names = new Map([
		...pages.map(({ work, name }): [string, string] => [work.id, name]),
		...notes.map(({ work, title }): [string, string] => [work.id, title])
	]);
	return (source) => names.get(source) ?? source;
}
