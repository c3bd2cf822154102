import { senseOf, type Fault } from '../../measure';
import { plainWord, wordsOfSentence } from '../../text';
import type { ArticleCheck, ArticleFinding, BlockCheck, BlockFinding, Fix } from '../mark';
import { FILLERS, HEDGES, STOCK_PHRASES } from '../../writers';
import { findingIn, placedIn, sentencesIn } from '../places';
import { rewordingsOf } from '../rewordings';

const STOCK = new RegExp(
	`(?<![\\p{L}\\p{N}])(?:${[...STOCK_PHRASES.keys()]
		.sort((a, b) => b.length - a.length)
		.map((phrase) =>
			phrase
				.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
				.replace(/'/g, "['’]")
				.replace(/ /g, '\\s+')
		)
		.join('|')})(?![\\p{L}\\p{N}])`,
	'giu'
);

/** What stands before a whole clause and says nothing of it: what follows says the same alone. */
const OPENS_CLAUSE = /^(?:it(?:'s| is| goes| should)\b.* that|needless to say|rest assured)$/;

const sentenceCase = (words: string) => words[0]!.toUpperCase() + words.slice(1);

/** Marks set phrases that say little, with a plainer one where there is one. */
export const stockCheck: BlockCheck = {
	id: 'stock phrase',
	reads: 'sameness',
	look: (block) =>
		sentencesIn(block).flatMap((sentence) =>
			[...sentence.text.matchAll(STOCK)].map(({ 0: phrase, index }): BlockFinding => {
				const known = phrase.toLowerCase().replace(/’/g, "'").replace(/\s+/g, ' ');
				const plain = STOCK_PHRASES.get(known);
				const isFirst = index === 0;
				const next = OPENS_CLAUSE.test(known)
					? /^,?\s+[\p{L}\p{N}'’-]+/u.exec(sentence.text.slice(index + phrase.length))?.[0]
					: undefined;
				const fixes: Fix[] = [];
				if (plain)
					fixes.push({
						label: `Write “${plain}”`,
						replacement: isFirst ? sentenceCase(plain) : plain
					});
				else if (next) {
					const word = next.replace(/^,?\s+/, '');
					fixes.push({ label: 'Leave it out', replacement: isFirst ? sentenceCase(word) : word });
				}
				return findingIn(
					sentence,
					{
						about: phrase.toLowerCase(),
						reason: `“${phrase}” is a set phrase that says little`,
						fixes
					},
					{ start: index, end: index + phrase.length + (next?.length ?? 0) }
				);
			})
		)
};

const HEDGES_IN_ONE = 3;
const FILLERS_IN_ONE = 2;

/** Marks sentences that take back what they say, or are filled up. */
export const hedgeCheck: BlockCheck = {
	id: 'hedges',
	reads: 'sameness',
	look: (block) =>
		block.level > 0
			? []
			: sentencesIn(block).flatMap((sentence) => {
					const words = wordsOfSentence(sentence.text).map(({ text }) => plainWord(text));
					const hedges = words.filter((word) => HEDGES.has(word));
					const fillers = words.filter((word) => FILLERS.has(word));
					if (hedges.length >= HEDGES_IN_ONE)
						return [
							findingIn(sentence, {
								about: 'hedges',
								reason: `It takes itself back ${hedges.length} times: ${hedges.join(', ')}`,
								fixes: rewordingsOf(sentence.text, ['shorter'])
							})
						];
					if (fillers.length >= FILLERS_IN_ONE)
						return [
							findingIn(sentence, {
								about: 'fillers',
								reason: `Words that can go: ${fillers.join(', ')}`,
								fixes: rewordingsOf(sentence.text, ['shorter'])
							})
						];
					return [];
				})
};

const OPENINGS_IN_A_ROW = 3;
/** Sentences of a paragraph whose lengths can be called even, and how little they vary (standard deviation ÷ mean). */
const EVEN = { sentences: 5, variation: 0.15 };

/** Marks sentences that open alike one after the other, and paragraphs in which all are equally long. */
export const rhythmCheck: BlockCheck = {
	id: 'alike',
	reads: 'sameness',
	look: (block) => {
		if (block.kind !== 'paragraph') return [];
		const sentences = sentencesIn(block);
		const found: BlockFinding[] = [];
		let before = '';
		let run = 0;
		sentences.forEach((sentence) => {
			const first = plainWord(wordsOfSentence(sentence.text)[0]?.text ?? '');
			run = first !== '' && first === before ? run + 1 : 1;
			before = first;
			if (run === OPENINGS_IN_A_ROW)
				found.push(
					findingIn(sentence, {
						about: 'openings',
						reason: `The third sentence in a row that opens with “${wordsOfSentence(sentence.text)[0]!.text}”`,
						fixes: rewordingsOf(sentence.text, ['turned', 'active'])
					})
				);
		});
		const lengths = sentences.map(({ words }) => words);
		if (lengths.length >= EVEN.sentences && variationOf(lengths) < EVEN.variation)
			found.push(
				findingIn(sentences[0]!, {
					about: 'even',
					reason: `${lengths.length} sentences here are nearly equally long`
				})
			);
		return found;
	}
};

function variationOf(values: readonly number[]): number {
	const mean = values.reduce((sum, n) => sum + n, 0) / values.length;
	const variance = values.reduce((sum, n) => sum + (n - mean) ** 2, 0) / values.length;
	return mean === 0 ? 0 : Math.sqrt(variance) / mean;
}

const FAULTS: Readonly<Record<Exclude<Fault, 'not ended'>, string>> = {
	'no sense': 'The words of this paragraph make no sentence',
	'list of terms': 'This sentence is little more than a list of terms',
	'said before': 'This sentence stands further up already',
	'same frame': 'The same sentence stands further up with other terms in it'
};

/** Marks sentences that count as none for the standing: repeated ones, ones of one frame, lists of terms. */
export const senseCheck: ArticleCheck = {
	id: 'no sentence of its own',
	reads: 'sameness',
	look: (article) =>
		senseOf(article).faulty.flatMap(({ block, sentence, fault }): ArticleFinding[] => {
			if (fault === 'not ended') return [];
			const placed = sentencesIn(article.blocks[block]!)[sentence]!;
			return [
				placedIn(
					block,
					findingIn(placed, {
						about: fault,
						reason: FAULTS[fault],
						fixes: [{ label: 'Take it out', replacement: '' }]
					})
				)
			];
		})
};
