import { briefStateOf } from '$lib/core/brief';
import { plannedWords } from '$lib/core/plan';
import { docText } from '$lib/core/manuscript';
import { countWords } from '$lib/core/text';
import { countOf } from '../parts/count-of';
import type { Session } from './session.svelte';

/** A stage of the work as the top line shows it. */
export interface Stage {
	readonly id: string;
	/** Its place among all eight, for Alt+number. */
	readonly number: number;
	readonly name: string;
	/** How far it is, in a word. */
	readonly state: string;
}

/** The stages, each with how far it is. */
export function stagesOf(session: Session): Stage[] {
	const { pages, counted, findings, plan, takes } = session;
	const take = takes.at(-1);
	const words = take
		? take.doc.content.reduce(
				(sum, node) => sum + (node.type === 'gap' ? 0 : countWords(docText(node))),
				0
			)
		: 0;
	const brief = session.assignment ? briefStateOf(session.assignment.brief) : 'open';
	return [
		{ id: 'scout', number: 1, name: 'Scout', state: 'chosen' },
		{ id: 'brief', number: 2, name: 'Brief', state: brief },
		{
			id: 'gather',
			number: 3,
			name: 'Gather',
			state: pages.length === 0 ? 'empty' : `${counted.length} of ${pages.length}`
		},
		{
			id: 'findings',
			number: 4,
			name: 'Findings',
			state: session.progress
				? 'reading …'
				: findings && counted.length > 0
					? `${findings.terms.length} terms`
					: '–'
		},
		{
			id: 'plan',
			number: 5,
			name: 'Plan',
			state: plan ? `${plannedWords(plan.sections).toLocaleString('en')} words` : '–'
		},
		{
			id: 'write',
			number: 6,
			name: 'Write',
			state: take ? `${words.toLocaleString('en')} words` : '–'
		},
		{
			id: 'proof',
			number: 7,
			name: 'Proof',
			state: session.openMarks === null ? '–' : countOf(session.openMarks, 'mark')
		},
		{ id: 'deliver', number: 8, name: 'Deliver', state: take ? deliverState(session) : '–' }
	];
}

function deliverState({ openPoints, delivery }: Session): string {
	if (openPoints !== null) return openPoints === 0 ? 'nothing open' : `${openPoints} to see to`;
	return delivery.handedOver.length > 0 ? 'handed over' : 'ready';
}
