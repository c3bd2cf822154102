import { andList } from '$lib/core/text';
import { HABITS } from '$lib/core/reading';
import { type FactGroup, type Findings, type Term } from '$lib/core/findings';
import { rangeShown } from './figures';
import { capital } from '$lib/core/text';
import { inWords } from './in-words';

export interface Piece {
	readonly text: string;
	readonly strong?: boolean;
}
export type Sentence = readonly Piece[];

const piece = (text: string): Piece => ({ text });
const strong = (text: string): Piece => ({ text, strong: true });

/** What matters most in the evidence, in up to five sentences with figures. */
export function overviewOf(findings: Findings): Sentence[] {
	return [
		aboutPages(findings),
		aboutTerms(findings),
		aboutTopics(findings),
		aboutQuestions(findings),
		aboutFigures(findings)
	].filter((sentence) => sentence.length > 0);
}

function aboutPages({ pages, shape }: Findings): Sentence {
	const words = shape.find(({ id }) => id === 'words');
	if (!words || pages.length === 0) return [];
	const range =
		words.min === words.max
			? `${words.min.toLocaleString('en')} words`
			: `${words.min.toLocaleString('en')} to ${words.max.toLocaleString('en')} words, ${Math.round(words.median).toLocaleString('en')} in the middle`;
	return [
		piece(`${capital(inWords(pages.length))} ${pages.length === 1 ? 'page' : 'pages'} of ${range}.`)
	];
}

function aboutTerms({ pages, terms, keyword }: Findings): Sentence {
	const own = new Set(keyword.toLowerCase().split(/\s+/));
	const isOwn = ({ key }: Term) => key.split(' ').every((word) => own.has(word));
	const [a, b] = terms.filter((term) => !isOwn(term) && term.uses.length > 0);
	if (!a || !b) return [];
	const on = (term: Term) =>
		term.uses.length === pages.length ? 'all' : inWords(term.uses.length);
	return [
		strong(capital(a.phrase)),
		piece(' and '),
		strong(b.phrase),
		piece(
			a.uses.length === b.uses.length
				? ` are in ${on(a)} of them.`
				: ` are in ${on(a)} and ${on(b)} of them.`
		)
	];
}

function aboutTopics({ pages, topics, ownTopics }: Findings): Sentence {
	const top = [...topics].sort((a, b) => b.pages.length - a.pages.length)[0];
	if (!top || top.pages.length < 2) return [];
	const cost = topics.find(({ intent }) => intent === 'cost');
	const pieces = [
		piece(`${capital(inWords(top.pages.length))} have a heading like `),
		strong(`“${top.label}”`)
	];
	if (cost && cost !== top && cost.pages.length < pages.length)
		pieces.push(
			piece(
				`; only ${inWords(cost.pages.length)} ${cost.pages.length === 1 ? 'has' : 'have'} one on `
			),
			strong('what it costs')
		);
	const own = ownTopics.find(({ at }) => at.length > 0);
	if (own) pieces.push(piece('; none has '), strong(`“${own.label}”`), piece(' from your notes'));
	return [...pieces, piece('.')];
}

function aboutQuestions({ questions, pages }: Findings): Sentence {
	if (questions.length === 0) return [];
	const isPage = new Set(pages.map(({ id }) => id));
	const open = questions.filter(
		({ answers }) => !answers.some(({ source }) => isPage.has(source))
	).length;
	const often = questions.filter(({ pages: on, lists }) => on.length + lists.length > 1).length;
	return [
		piece(
			`${capital(inWords(questions.length))} ${questions.length === 1 ? 'question is' : 'questions are'} asked, ${inWords(often)} more than once; `
		),
		strong(open === 0 ? 'every one' : inWords(open)),
		piece(
			open === 0
				? ' is answered on a page.'
				: ` ${open === 1 ? 'has' : 'have'} no answer on a page.`
		)
	];
}

function aboutFigures({ figures }: Findings): Sentence {
	const differing = figures.filter(({ agreement, isCount }) => agreement === 'differs' && !isCount);
	const shared = figures.filter(({ sources }) => sources.length > 1).length;
	// the figure that says best what it is of: in plain words and not by its heading
	const isUnderHeading = ({ label }: FactGroup) => Number(/[,(]/.test(label));
	const most = differing.toSorted(
		(a, b) => isUnderHeading(a) - isUnderHeading(b) || b.sources.length - a.sources.length
	)[0];
	if (!most) {
		const agreeing = figures.filter(({ agreement }) => agreement === 'agrees').length;
		if (shared === 0) return [];
		return [
			piece(
				agreeing === shared
					? `Where several give a figure, they agree (${inWords(shared)}).`
					: `Of ${inWords(shared)} figures that several give, ${inWords(agreeing)} agree; none plainly contradict each other.`
			)
		];
	}
	return [
		piece(
			`Sources differ on ${inWords(differing.length)} of ${inWords(shared)} figures they share, as on `
		),
		strong(nameOfFigure(most)),
		piece(` (${rangeShown(most)}).`)
	];
}

function nameOfFigure({ label, unit }: FactGroup): string {
	return label || unit || 'one figure';
}

/**
 * What the counted pages have in common in the way they are made: "six of nine open with a
 * definition; four use numbered steps and have a table". What one page of many does is no habit.
 */
export function habitsShown({ habits, pages }: Findings): string[] {
	const counts = [...new Set(habits.map(({ pages: on }) => on.length))].filter(
		(count) => count > 1 || pages.length <= 3
	);
	return counts.map((count, i) => {
		const done = habits
			.filter(({ pages: on }) => on.length === count)
			.map(({ id }) => HABITS.find((habit) => habit.id === id)![count === 1 ? 'one' : 'many']);
		const who =
			count === pages.length && count > 1
				? 'all'
				: i === 0
					? `${inWords(count)} of ${inWords(pages.length)}`
					: inWords(count);
		return `${who} ${andList(done)}`;
	});
}
