import type { Findings, Term } from '$lib/core/findings';

interface Piece {
	readonly text: string;
	readonly strong?: boolean;
}

const NUMBERS = [
	'no',
	'one',
	'two',
	'three',
	'four',
	'five',
	'six',
	'seven',
	'eight',
	'nine',
	'ten',
	'eleven',
	'twelve'
];

function inWords(n: number): string {
	return NUMBERS[n] ?? String(n);
}

function capital(text: string): string {
	return text[0]!.toUpperCase() + text.slice(1);
}

/** The evidence in two sentences with figures. */
export function overviewOf({ pages, shape, terms, topics, keyword }: Findings): Piece[] {
	const words = shape.find(({ id }) => id === 'words');
	const pieces: Piece[] = [];
	if (words) {
		const range =
			words.min === words.max
				? `${words.min.toLocaleString('en')} words`
				: `${words.min.toLocaleString('en')} to ${words.max.toLocaleString('en')} words, ${Math.round(words.median).toLocaleString('en')} in the middle`;
		pieces.push({
			text: `${capital(inWords(pages.length))} ${pages.length === 1 ? 'page' : 'pages'} of ${range}. `
		});
	}
	const own = new Set(keyword.toLowerCase().split(/\s+/));
	const isOwn = ({ key }: Term) => key.split(' ').every((word) => own.has(word));
	const leading = terms.filter((term) => !isOwn(term)).slice(0, 2);
	if (leading.length === 2) {
		const [a, b] = leading as [Term, Term];
		pieces.push(
			{ text: capital(a.phrase), strong: true },
			{ text: ' and ' },
			{ text: b.phrase, strong: true }
		);
		pieces.push({
			text:
				a.uses.length === b.uses.length
					? ` are in ${a.uses.length === pages.length ? 'all' : inWords(a.uses.length)} of them; `
					: ` are in ${inWords(a.uses.length)} and ${inWords(b.uses.length)} of them; `
		});
	}
	const cost = topics.find(({ intent }) => intent === 'cost');
	const top = [...topics].sort((a, b) => b.pages.length - a.pages.length)[0];
	if (cost && cost.pages.length < pages.length) {
		pieces.push(
			{ text: `only ${inWords(cost.pages.length)} ${cost.pages.length === 1 ? 'gives' : 'give'} ` },
			{ text: 'what it costs', strong: true },
			{ text: ' a heading.' }
		);
	} else if (top) {
		pieces.push(
			{ text: `${inWords(top.pages.length)} have a heading like ` },
			{ text: `“${top.label}”`, strong: true },
			{ text: '.' }
		);
	}
	return pieces;
}
