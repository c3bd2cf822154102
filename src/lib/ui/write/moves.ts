import type { Slip } from '$lib/core/standing';
import type { Move } from '$lib/core/writers';

/** What each move does, as it is offered. */
export const MOVE_NAMES: Readonly<Record<Move, string>> = {
	draft: 'draft it',
	'another version': 'say it another way',
	lengthen: 'lengthen it to its words',
	continue: 'continue it',
	shorten: 'shorten it to its words',
	answer: 'answer its questions',
	list: 'make a list, each entry explained',
	table: 'make a table',
	steps: 'make numbered steps',
	opening: 'write an opening',
	closing: 'write a closing',
	takeaways: 'give the takeaways',
	faq: 'answer the questions of the FAQ',
	'work in terms': 'work in the terms still wanted',
	titles: 'give titles, descriptions and headlines'
};

/** What can be asked for a passage: what changes words that stand there. */
export const PASSAGE_MOVES: readonly Move[] = [
	'another version',
	'shorten',
	'lengthen',
	'list',
	'table',
	'steps',
	'work in terms'
];

/** Which sections are asked for. */
export const SCOPES = [
	{ id: 'section', name: 'the section in hand' },
	{ id: 'passage', name: 'the chosen passage' },
	{ id: 'ticked', name: 'sections that I tick' },
	{ id: 'all', name: 'the whole plan' },
	{ id: 'empty', name: 'sections without text' },
	{ id: 'half', name: 'sections under half their words' },
	{ id: 'gaps', name: 'sections with gaps' },
	{ id: 'unanswered', name: 'sections with an open question' },
	{ id: 'terms', name: 'sections that want terms' },
	{ id: 'lacked', name: 'what the last reply lacked' }
] as const;

export type Scope = (typeof SCOPES)[number]['id'];

/** Ids of the sections that a scope names, in the plan's order. */
export function sectionsIn(
	scope: Scope,
	slips: readonly Slip[],
	section: string | null,
	lacked: readonly string[],
	{
		ticked = [],
		passage = null
	}: {
		/** Ids of the sections that are ticked. */
		readonly ticked?: readonly string[];
		/** Id of the section that the chosen passage stands in; null: none is chosen. */
		readonly passage?: string | null;
	} = {}
): string[] {
	const fits = (slip: Slip): boolean => {
		switch (scope) {
			case 'section':
				return slip.section === section;
			case 'passage':
				return slip.section === passage;
			case 'ticked':
				return ticked.includes(slip.section);
			case 'all':
				return true;
			case 'empty':
				return slip.words === 0;
			case 'half':
				return slip.words < slip.budget / 2;
			case 'gaps':
				return slip.gaps > 0;
			case 'unanswered':
				return slip.questions.some(({ isAnswered }) => !isAnswered);
			case 'terms':
				return slip.terms.some(({ state }) => state === 'absent' || state === 'thin');
			case 'lacked':
				return lacked.includes(slip.section);
		}
	};
	return slips.filter(fits).map((slip) => slip.section);
}
