import { gradeOf } from '../../text';
import type { BlockReading } from '../../measure';
import type { ArticleCheck, ArticleFinding, BlockCheck } from '../mark';
import { findingIn, ofArticle, placedIn, runningText, sentencesIn } from '../places';
import { rewordingsOf } from '../rewordings';

const LONG_SENTENCE = 35;
const LONG_PARAGRAPH = 150;
/** Words without a heading, list, table or picture from which a reader meets a wall. */
const WALL = 350;
const PASSIVES_IN_A_ROW = 3;
/** Grades above the brief's that are told; nobody complains of what reads easily. */
const GRADE_OFF = 2;
/** Words from which a grade says something. */
const GRADED_WORDS = 150;

/** Marks sentences and paragraphs that are too long to be read in one go. */
export const longCheck: BlockCheck = {
	id: 'too long',
	reads: 'reading',
	look: (block) => {
		if (block.level > 0 || block.kind === 'table') return [];
		const sentences = sentencesIn(block);
		const found = sentences
			.filter(({ words }) => words > LONG_SENTENCE)
			.map((sentence) =>
				findingIn(sentence, {
					about: 'sentence',
					reason: `A sentence of ${sentence.words} words`,
					fixes: rewordingsOf(sentence.text, ['split', 'shorter'])
				})
			);
		if (block.paragraphWords > LONG_PARAGRAPH && sentences[0])
			found.push(
				findingIn(sentences[0], {
					about: 'paragraph',
					reason: `A paragraph of ${block.paragraphWords} words starts here`
				})
			);
		return found;
	}
};

const PASSIVE =
	/\b(?:is|are|was|were|be|been|being)\s+(?:\p{L}+ly\s+|not\s+|also\s+|often\s+|never\s+|always\s+)?(?!(?:interested|tired|used|supposed|allowed|needed|red|good|even)\b)(?:\p{L}{2,}(?:ed|wn)|built|made|done|found|held|kept|laid|left|lost|paid|put|sold|sent|set|told|taken|given|written|driven|chosen|broken|cut|hung|bound|brought|bought|caught|taught|thought)\b/iu;

/** Marks three sentences in a row in which nobody does anything. */
export const passiveCheck: BlockCheck = {
	id: 'passive run',
	reads: 'reading',
	look: (block) => {
		if (block.kind !== 'paragraph') return [];
		const sentences = sentencesIn(block);
		let run = 0;
		return sentences.flatMap((sentence, at) => {
			run = PASSIVE.test(sentence.text) ? run + 1 : 0;
			if (run < PASSIVES_IN_A_ROW) return [];
			run = 0;
			const first = sentences[at - PASSIVES_IN_A_ROW + 1]!;
			return [
				findingIn(first, {
					about: 'passive',
					reason: 'From here three sentences in a row do not say who does it',
					fixes: rewordingsOf(first.text, ['active'])
				})
			];
		});
	}
};

/** Marks long stretches without anything for the eye, and a text that is harder than the brief asks. */
export function wholeReadingCheck(targetGrade: number): ArticleCheck {
	return {
		id: 'wall',
		reads: 'reading',
		look: (article) => {
			const found: ArticleFinding[] = [];
			let words = 0;
			let first: { block: BlockReading; at: number } | null = null;
			const close = () => {
				const sentence = first && sentencesIn(first.block)[0];
				if (first && sentence && words > WALL)
					found.push(
						placedIn(
							first.at,
							findingIn(sentence, {
								about: 'wall',
								reason: `${words} words follow without a heading, list, table or picture`
							})
						)
					);
				words = 0;
				first = null;
			};
			const running = new Set(runningText(article).map(({ at }) => at));
			article.blocks.forEach((block, at) => {
				if (!running.has(at)) return close();
				first ??= { block, at };
				words += block.words;
			});
			close();
			const grade = gradeOf(article.reading);
			if (article.words >= GRADED_WORDS && grade - targetGrade > GRADE_OFF)
				found.push(
					ofArticle({
						about: 'grade',
						reason: `It reads at grade ${grade.toFixed(1)}; the brief asks for ${targetGrade}`
					})
				);
			return found;
		}
	};
}
