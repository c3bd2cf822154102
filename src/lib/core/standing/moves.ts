import type { Plan, PlanSection } from '../plan';
import type { Yardstick } from './yardstick';
import { scoreState } from './score';
import type { ArticleState } from './state';

/** One step that would raise the standing, with what it was found to gain. */
export interface Move {
	/** Names the step for as long as it is one. */
	readonly id: string;
	readonly kind: 'use' | 'cut' | 'topic' | 'question' | 'keyword' | 'hold';
	/** In deeds: “use ‘hearting’ once more in Building up”. */
	readonly text: string;
	/** Section it is to be done in, or null. */
	readonly section: string | null;
	/** Points of standing, by scoring the changed state. */
	readonly gain: number;
}

/** A step with what it changes of a state. */
interface Step {
	readonly move: Omit<Move, 'gain' | 'id'>;
	readonly change: (state: ArticleState) => Partial<ArticleState>;
}

/** Gain below which a step is no move. */
const LEAST_GAIN = 0.005;

/** All single steps that gain anything, best first; each is judged by scoring the changed state. */
export function nextBestMoves(
	state: ArticleState,
	yardstick: Yardstick,
	plan: Plan | null
): Move[] {
	const now = scoreState(state, yardstick).standing;
	return stepsOf(state, yardstick, plan)
		.map(({ move, change }) => ({
			...move,
			id: idOf(move),
			gain: scoreState({ ...state, ...change(state) }, yardstick).standing - now
		}))
		.filter(({ gain }) => gain > LEAST_GAIN)
		.sort((a, b) => b.gain - a.gain || (a.text < b.text ? -1 : 1));
}

/** The standing that several moves come to together, which is not the sum of their gains. */
export function standingWithMoves(
	state: ArticleState,
	yardstick: Yardstick,
	plan: Plan | null,
	ids: ReadonlySet<string>
): number {
	const changed = stepsOf(state, yardstick, plan)
		.filter(({ move }) => ids.has(idOf(move)))
		.reduce((now, { change }) => ({ ...now, ...change(now) }), state);
	return scoreState(changed, yardstick).standing;
}

function idOf({ kind, text }: Pick<Move, 'kind' | 'text'>): string {
	return `${kind}: ${text}`;
}

function stepsOf(state: ArticleState, yardstick: Yardstick, plan: Plan | null): Step[] {
	return [
		...holdSteps(state),
		...termSteps(state, yardstick, plan),
		...topicSteps(state, yardstick, plan),
		...questionSteps(state, yardstick, plan),
		...keywordSteps(state, yardstick)
	];
}

/** What holds the whole down, each mended at once. */
function holdSteps({ closeWords, faultyWords, gaps }: ArticleState): Step[] {
	const steps: (Step | false)[] = [
		closeWords > 0 && {
			move: {
				kind: 'hold',
				text: `say ${closeWords.toLocaleString('en')} words in your own words`,
				section: null
			},
			change: () => ({ closeWords: 0 })
		},
		faultyWords > 0 && {
			move: {
				kind: 'hold',
				text: `mend or take out the sentences that are none`,
				section: null
			},
			change: () => ({ faultyWords: 0 })
		},
		gaps > 0 && {
			move: {
				kind: 'hold',
				text: gaps === 1 ? 'close the gap' : `close ${gaps} gaps`,
				section: null
			},
			change: () => ({ gaps: 0 })
		}
	];
	return steps.filter((step) => step !== false);
}

function termSteps(state: ArticleState, yardstick: Yardstick, plan: Plan | null): Step[] {
	return yardstick.terms.flatMap(({ key, phrase, min, max }, t): Step[] => {
		const used = state.uses[t] ?? 0;
		if (used > max)
			return [
				{
					move: { kind: 'cut', text: `cut one “${phrase}”`, section: null },
					change: (now) => oneUse(now, t, -1)
				}
			];
		if (used >= min) return [];
		const section = plan?.sections.find(({ terms }) => terms.some(({ term }) => term === key));
		const times = used === 0 ? 'once' : 'once more';
		return [
			{
				move: {
					kind: 'use',
					text: `use “${phrase}” ${times}${whereIn(section)}`,
					section: section?.id ?? null
				},
				change: (now) => ({
					...oneUse(now, t, 1),
					atHome: homesWith(t, section, now, yardstick)
				})
			}
		];
	});
}

function whereIn(section: PlanSection | undefined): string {
	if (!section) return '';
	return section.kind === 'opening' ? ' in the opening' : ` in ${section.heading}`;
}

/** Which terms stand in a section on their topic, once a term is used in its planned section. */
function homesWith(
	term: number,
	section: PlanSection | undefined,
	state: ArticleState,
	{ homes, topics }: Yardstick
): boolean[] {
	const treated = section?.topics ?? [];
	return state.atHome.map((is, h) => {
		const home = homes[h]!;
		return (
			is ||
			(home.term === term &&
				treated.includes(topics[home.topic]!.id) &&
				state.covered[home.topic] === true)
		);
	});
}

function topicSteps(state: ArticleState, { topics }: Yardstick, plan: Plan | null): Step[] {
	return topics.flatMap(({ id, label }, t): Step[] => {
		if (state.covered[t]) return [];
		const section = plan?.sections.find((one) => one.topics.includes(id));
		// what no section of the plan treats is left out on purpose
		if (!section && plan) return [];
		return [
			{
				move: {
					kind: 'topic',
					text: section ? `write ${section.heading}` : `write about “${label}”`,
					section: section?.id ?? null
				},
				change: ({ covered }) => ({ covered: covered.map((is, i) => is || i === t) })
			}
		];
	});
}

function questionSteps(state: ArticleState, { questions }: Yardstick, plan: Plan | null): Step[] {
	return questions.flatMap(({ id, text }, q): Step[] => {
		if (state.answered[q]) return [];
		const section = plan?.sections.find((one) =>
			one.questions.some(({ question }) => question === id)
		);
		return [
			{
				move: { kind: 'question', text: `answer “${text}”`, section: section?.id ?? null },
				change: ({ answered }) => ({ answered: answered.map((is, i) => is || i === q) })
			}
		];
	});
}

const PLACE_NAMES = {
	titleTag: 'the title tag',
	h1: 'the H1',
	opening: 'the first 100 words',
	h2: 'an H2',
	description: 'the description'
} as const;

function keywordSteps({ keywordPlaces }: ArticleState, yardstick: Yardstick): Step[] {
	return yardstick.keywordPlaces
		.filter((place) => !keywordPlaces[place])
		.map((place) => ({
			move: {
				kind: 'keyword',
				text: `put the exact keyword into ${PLACE_NAMES[place]}`,
				section: null
			},
			change: (now) => ({ keywordPlaces: { ...now.keywordPlaces, [place]: true } })
		}));
}

/** One use more or fewer, in a sentence. */
function oneUse({ uses, earned }: ArticleState, term: number, by: 1 | -1) {
	const changed = (counts: ArrayLike<number>) => {
		const list = Array.from(counts);
		list[term] = Math.max(0, (list[term] ?? 0) + by);
		return list;
	};
	return { uses: changed(uses), earned: changed(earned) };
}
