import { contentStemsOf, keywordStemsOf } from '../text';
import type { FactGroup, Fact } from './facts';
import type { PageWork, QuestionKind } from '../reading';
import type { Answer, Question } from './questions';
import type { Term } from './terms';

/** A question nobody asks though the evidence answers it. */
export interface FollowUp {
	readonly id: string;
	readonly text: string;
	readonly kind: QuestionKind;
	/** Pages and notes that answer it, by id. */
	readonly sources: readonly string[];
	readonly answers: readonly Answer[];
}

/** More would be a second list of questions. */
const MOST = 12;
const ANSWERS_SHOWN = 3;

/** How many of the strongest terms are worth a question of their own. */
const TERMS_ASKED = 60;

const EXTENTS: readonly (readonly [RegExp, string])[] = [
	[/\b(?:deep|depth)\b/i, 'How deep should'],
	[/\b(?:wide|width)\b/i, 'How wide should'],
	[/\b(?:high|height|tall)\b/i, 'How high should'],
	[/\b(?:apart|centres|centers|intervals|spaced)\b/i, 'How far apart should'],
	[/\b(?:thick|thickness)\b/i, 'How thick should']
];

/**
 * Questions that follow from what is answered and not asked: terms that pages or notes define,
 * and measures on which several sources speak. Those with most sources come first.
 */
export function findFollowUps(
	sources: readonly PageWork[],
	terms: readonly Term[],
	groups: readonly FactGroup[],
	facts: readonly Fact[],
	questions: readonly Question[],
	keyword: string
): FollowUp[] {
	const common = keywordStemsOf(keyword);
	const asked = questions.map(({ text }) => new Set(contentStemsOf(text)));
	const isAsked = (stems: readonly string[]) => {
		const rare = stems.filter((stem) => !common.has(stem));
		return rare.length === 0 || asked.some((other) => rare.every((stem) => other.has(stem)));
	};
	const found = [
		...askedOfTerms(sources, terms, isAsked),
		...askedOfMeasures(terms, groups, facts, isAsked)
	];
	const seen = new Set<string>();
	return found
		.sort((a, b) => b.sources.length - a.sources.length || (a.text < b.text ? -1 : 1))
		.filter(({ id }) => !seen.has(id) && seen.add(id))
		.slice(0, MOST);
}

function askedOfTerms(
	sources: readonly PageWork[],
	terms: readonly Term[],
	isAsked: (stems: readonly string[]) => boolean
): FollowUp[] {
	const wanted = new Map(terms.slice(0, TERMS_ASKED).map((term) => [term.key, term]));
	const byKey = new Map<string, { isPlural: boolean; name: string; answers: Answer[] }>();
	for (const source of sources) {
		for (const { key, name, isPlural, section, text } of source.definitions) {
			if (!wanted.has(key) || isAsked(contentStemsOf(name))) continue;
			const entry = byKey.get(key) ?? { isPlural, name, answers: [] };
			byKey.set(key, entry);
			if (!entry.answers.some((answer) => answer.source === source.id))
				entry.answers.push({ source: source.id, section, text, fit: 1, by: 'words' });
		}
	}
	return [...byKey.values()].map(({ isPlural, name, answers }) => {
		const article =
			isPlural || isMass(answers[0]!.text) ? '' : /^[aeiou]/.test(name) ? 'an ' : 'a ';
		return followUp(`What ${isPlural ? 'are' : 'is'} ${article}${name}?`, 'what', answers);
	});
}

/** "Hearting is the …" takes no article, "A batter frame is a …" does. */
function isMass(sentence: string): boolean {
	return !/^an?\s/i.test(sentence);
}

function askedOfMeasures(
	terms: readonly Term[],
	groups: readonly FactGroup[],
	facts: readonly Fact[],
	isAsked: (stems: readonly string[]) => boolean
): FollowUp[] {
	const factOf = new Map(facts.map((fact) => [fact.id, fact]));
	const termOf = new Map(terms.map((term) => [term.key, term]));
	return groups
		.filter(({ sources, isCount }) => sources.length >= 2 && !isCount)
		.flatMap(({ values }) => {
			const said = values.flatMap(({ fact }) => factOf.get(fact) ?? []);
			const extent = EXTENTS.find(([pattern]) =>
				said.every(({ text, heading }) => pattern.test(`${heading} ${text}`))
			);
			const key = sharedTerm(said, termOf);
			if (!extent || !key) return [];
			const [pattern, opens] = extent;
			const term = termOf.get(key)!;
			const word = /how (\w+)/i.exec(opens)![1]!;
			if (isAsked([...contentStemsOf(term.phrase), ...contentStemsOf(word)])) return [];
			const name =
				term.phrase.endsWith('s') && !term.key.endsWith('s') ? term.phrase : `the ${term.phrase}`;
			return [
				followUp(
					`${opens} ${name} be?`,
					'how',
					said
						.filter(({ text }) => pattern.test(text))
						.map(({ source, section, text }) => ({ source, section, text, fit: 1, by: 'words' }))
				)
			];
		})
		.filter(({ answers }) => answers.length > 0);
}

/** The strongest thing that all of the sentences name, the keyword's own words apart. */
function sharedTerm(said: readonly Fact[], termOf: ReadonlyMap<string, Term>): string | undefined {
	const [first, ...rest] = said;
	return first?.terms.find(
		(key) => termOf.get(key)?.kind === 'thing' && rest.every((fact) => fact.terms.includes(key))
	);
}

function followUp(text: string, kind: QuestionKind, answers: readonly Answer[]): FollowUp {
	return {
		id: `follow-up:${text.toLowerCase()}`,
		text,
		kind,
		sources: [...new Set(answers.map(({ source }) => source))],
		answers: answers.slice(0, ANSWERS_SHOWN)
	};
}
