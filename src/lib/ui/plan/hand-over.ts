import { EMPTY_BRIEF } from '$lib/core/brief';
import type { Findings } from '$lib/core/findings';
import {
	briefDocument,
	documentMarkdown,
	planCsv,
	planDocument,
	type DocumentPart,
	type Plan
} from '$lib/core/plan';
import type { Session } from '../assignment/session.svelte';
import { download } from '../parts/download';

/** The forms in which a plan leaves Corvan, as menus name them. */
export const HAND_OVERS = [
	['Export as Markdown', 'plan', 'md'],
	['Export as DOCX', 'plan', 'docx'],
	['Export as CSV', 'plan', 'csv'],
	['Brief for another writer, Markdown', 'brief', 'md'],
	['Brief for another writer, DOCX', 'brief', 'docx']
] as const;
export type HandOver = (typeof HAND_OVERS)[number];

const DOCX_TYPE = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';

/** The plan as Markdown. */
export function planText(session: Session, plan: Plan, findings: Findings): string {
	return documentMarkdown(planDocument(plan, findings, (id) => nameOf(session, id)));
}

/** Makes the file and hands it to the writer's downloads. */
export async function handOver(
	session: Session,
	plan: Plan,
	findings: Findings,
	[, what, form]: HandOver
): Promise<void> {
	const name = `${plan.slug || 'article'}-${what}.${form}`;
	if (form === 'csv') {
		download(
			name,
			planCsv(plan, findings, (id) => nameOf(session, id)),
			'text/csv'
		);
		return;
	}
	const parts = partsOf(session, plan, findings, what);
	if (form === 'md') download(name, documentMarkdown(parts), 'text/markdown');
	else {
		const { writePartsDocx } = await import('$lib/core/deliver/docx');
		download(name, await writePartsDocx(parts, plan.title), DOCX_TYPE);
	}
}

function partsOf(
	session: Session,
	plan: Plan,
	findings: Findings,
	what: 'plan' | 'brief'
): DocumentPart[] {
	if (what === 'plan') return planDocument(plan, findings, (id) => nameOf(session, id));
	const { reader, tone } = session.assignment?.brief ?? EMPTY_BRIEF;
	const rules = { reader, tone, mustNotSay: session.mustNotSay };
	return briefDocument(plan, findings, (id) => nameOf(session, id), rules);
}

function nameOf(session: Session, id: string): string {
	const letter = session.letters.get(id);
	return letter ? `${letter}, ${session.nameOf(id)}` : session.nameOf(id);
}
