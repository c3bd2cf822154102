import { EMPTY_BRIEF, type Secondary } from '$lib/core/brief';
import { isAsked, workingTitleOf, type ScoutRow } from '$lib/core/keywords';
import { addAssignment } from '$lib/data/assignments';
import type { Scope } from '$lib/data/db';
import { changeEvidence } from '$lib/data/pages';

/** How many secondary keywords a brief takes along; the rest of a large cluster stays in Scout. */
const MOST_SECONDARY = 60;

/**
 * Makes an assignment of a phrase: its cluster comes along as secondary keywords with their
 * volumes, questions among them as a list of questions, intent and working title in the brief.
 */
export async function makeAssignmentFrom(
	row: ScoutRow,
	cluster: readonly ScoutRow[],
	scope: Scope
): Promise<string> {
	const others = cluster.filter(({ key }) => key !== row.key);
	const { title, description } = workingTitleOf(
		row.phrase,
		[row.phrase, ...others.map(({ phrase }) => phrase)],
		row.searchIntent
	);
	const secondary = others
		.slice(0, MOST_SECONDARY)
		.map(({ phrase, volumeMin, volumeMax }): Secondary => ({
			phrase,
			volumeMin,
			volumeMax,
			isRequired: false
		}));
	const assignment = await addAssignment({
		title: row.phrase[0]!.toUpperCase() + row.phrase.slice(1),
		keyword: row.phrase,
		client: scope === '' ? null : scope,
		targetWords: null,
		brief: {
			...EMPTY_BRIEF,
			workingTitle: title,
			description,
			intent: row.searchIntent,
			secondary
		}
	});
	const questions = [row, ...others].filter(({ phrase }) => isAsked(phrase));
	if (questions.length > 0) {
		const text = questions
			.map(({ phrase }) => `${phrase[0]!.toUpperCase()}${phrase.slice(1).replace(/\?$/, '')}?`)
			.join('\n');
		const note = {
			id: crypto.randomUUID(),
			assignment: assignment.id,
			kind: 'questions' as const,
			name: 'Questions of the cluster',
			text,
			order: 1
		};
		await changeEvidence({ notes: [note] }, {});
	}
	return assignment.id;
}
