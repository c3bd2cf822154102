import type { Plan } from '../plan';
import type { Evidence } from './evidence';
import { scoreState } from './standing';
import type { ArticleState } from './state';

/** One step that would raise the standing, with what it was found to gain. */
export interface Move {
	readonly kind: 'use' | 'cut' | 'topic' | 'question' | 'keyword';
	/** In deeds: “use ‘hearting’ once more in Building up”. */
	readonly text: string;
	/** Section it is to be done in, or null. */
	readonly section: string | null;
	/** Points of standing, by scoring the changed state. */
	readonly gain: number;
}

/** All single steps that gain anything, best first. */
export function nextBestMoves(state: ArticleState, evidence: Evidence, plan: Plan | null): Move[] {
	const now = scoreState(state, evidence).standing;
	const moves: Move[] = [];
	const tryState = (changed: Partial<ArticleState>, move: Omit<Move, 'gain'>) => {
		const gain = scoreState({ ...state, ...changed }, evidence).standing - now;
		if (gain > 0.005) moves.push({ ...move, gain });
	};
	const topicIds = new Map(evidence.topics.map(({ id }, t) => [id, t]));
	evidence.terms.forEach(({ key, phrase, min, max }, t) => {
		const used = state.uses[t] ?? 0;
		if (used < min) {
			const section = plan?.sections.find(({ terms }) => terms.some(({ term }) => term === key));
			const topics = section?.topics.flatMap((id) => topicIds.get(id) ?? []) ?? [];
			const atHome = state.atHome.map(
				(is, h) =>
					is ||
					(evidence.homes[h]!.term === t &&
						topics.includes(evidence.homes[h]!.topic) &&
						state.covered[evidence.homes[h]!.topic] === true)
			);
			const where =
				section && section.kind !== 'opening'
					? ` in ${section.heading}`
					: section
						? ' in the opening'
						: '';
			tryState(
				{ uses: withUses(state.uses, t, used + 1), atHome },
				{
					kind: 'use',
					text: `use “${phrase}” ${used === 0 ? 'once' : 'once more'}${where}`,
					section: section?.id ?? null
				}
			);
		} else if (used > max) {
			tryState(
				{ uses: withUses(state.uses, t, used - 1) },
				{ kind: 'cut', text: `cut one “${phrase}”`, section: null }
			);
		}
	});
	evidence.topics.forEach(({ id }, t) => {
		if (state.covered[t]) return;
		const section = plan?.sections.find(({ topics }) => topics.includes(id));
		if (!section) return;
		tryState(
			{ covered: state.covered.map((is, i) => is || i === t) },
			{ kind: 'topic', text: `write ${section.heading}`, section: section.id }
		);
	});
	evidence.questions.forEach(({ id, text }, q) => {
		if (state.answered[q]) return;
		const section = plan?.sections.find(({ questions }) =>
			questions.some(({ question }) => question === id)
		);
		tryState(
			{ answered: state.answered.map((is, i) => is || i === q) },
			{ kind: 'question', text: `answer “${text}”`, section: section?.id ?? null }
		);
	});
	const places = {
		titleTag: 'title tag',
		h1: 'H1',
		opening: 'first 100 words',
		h2: 'an H2',
		description: 'description'
	} as const;
	for (const place of evidence.keywordPlaces) {
		const name = places[place];
		if (state.keywordPlaces[place]) continue;
		tryState(
			{ keywordPlaces: { ...state.keywordPlaces, [place]: true } },
			{
				kind: 'keyword',
				text: `put the exact keyword into the ${name}`.replace('the an', 'an'),
				section: null
			}
		);
	}
	return moves.sort((a, b) => b.gain - a.gain || (a.text < b.text ? -1 : 1));
}

function withUses(uses: ArrayLike<number>, term: number, count: number): number[] {
	const changed = Array.from(uses);
	changed[term] = count;
	return changed;
}
