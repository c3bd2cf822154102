import type { BlockReading } from '../../measure';
import type { BlockCheck, BlockFinding } from '../mark';
import type { PassageIndex } from '../passages';
import { findingIn, sentencesIn } from '../places';

/** A quotation with who said it is no copy. */
const ATTRIBUTED =
	/\b(?:says?|said|writes?|wrote|explains?|according to|tells?|told|adds?|recalls?|puts? it|warns?|asks?)\b/i;
const QUOTED = /[“"«][^”"»]{12,}[”"»]/g;

/** Marks what stands in a page as it is, or nearly so. `nameOf` gives the letter or name of a page. */
export function closenessCheck(index: PassageIndex, nameOf: (page: string) => string): BlockCheck {
	return {
		id: 'close to a page',
		reads: 'close',
		look: (block) => (block.level > 0 ? [] : closeIn(block, index, nameOf))
	};
}

function closeIn(
	block: BlockReading,
	index: PassageIndex,
	nameOf: (page: string) => string
): BlockFinding[] {
	const quotes = attributedQuotes(block.text);
	const isQuoted = (start: number, end: number) =>
		quotes.some((quote) => start >= quote.start - 1 && end <= quote.end + 1);
	const runs = index
		.runsIn(block.text)
		.filter(({ start, end }) => !isQuoted(start, end) && block.kind !== 'blockquote');
	const found = runs.map(({ start, end, words, beside }): BlockFinding => {
		const sentence = sentencesIn(block).find(
			(one) => one.start <= start && start < one.start + one.text.length
		);
		return {
			about: beside.source,
			quote: block.text.slice(start, end),
			sentence: sentence?.text ?? block.text.slice(start, end),
			reason: `${words} words in a row stand in ${nameOf(beside.source)}`,
			fixes: [],
			gain: null,
			beside: [beside],
			start,
			end
		};
	});
	for (const sentence of sentencesIn(block)) {
		const end = sentence.start + sentence.text.length;
		if (runs.some((run) => run.start < end && run.end > sentence.start)) continue;
		if (isQuoted(sentence.start, end) || ATTRIBUTED.test(sentence.text)) continue;
		const near = index.nearTo(sentence.stems, sentence.text);
		if (near)
			found.push(
				findingIn(sentence, {
					about: near.beside.source,
					reason: `Nearly the same words stand in ${nameOf(near.beside.source)}, in nearly the same order`,
					beside: [near.beside],
					shared: near.shared
				})
			);
	}
	return found;
}

function attributedQuotes(text: string): { readonly start: number; readonly end: number }[] {
	return [...text.matchAll(QUOTED)]
		.map(({ 0: quote, index }) => ({ start: index, end: index + quote.length }))
		.filter(({ start, end }) =>
			ATTRIBUTED.test(text.slice(Math.max(0, start - 80), start) + text.slice(end, end + 80))
		);
}
