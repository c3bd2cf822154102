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
	'work in terms': 'work in the terms still wanted'
};

/** Which sections are asked for. */
export const SCOPES = [
	{ id: 'section', name: 'the section in hand' },
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
	lacked: readonly string[]
): string[] {
	const fits = (slip: Slip): boolean => {
		switch (scope) {
			case 'section':
				return slip.section === section;
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
