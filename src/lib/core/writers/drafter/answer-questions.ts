import { quantitiesOf } from '../../reading';
import type { Question } from '../../findings';
import { contentStemsOf, keywordStemsOf } from '../../text';
import type { Passage } from './note-material';

/** Words of measure that an answer replaces by its figure. */
const MEASURE_WORDS = new Set(
	contentStemsOf('far apart deep high wide thick long much many big large tall heavy strong often')
);

/**
 * The passage that answers a question, or null. A question after a figure wants one of its
 * kind; one told apart by a single word only counts as answered under a heading of that word.
 * No answer is better than a wrong one.
 */
export function bestAnswer(
	question: Question,
	passages: readonly Passage[],
	keyword: string
): Passage | null {
	const common = keywordStemsOf(keyword);
	const asked = [...new Set(contentStemsOf(question.text))].filter(
		(stem) => !common.has(stem) && !MEASURE_WORDS.has(stem)
	);
	const figure = figureWanted(question);
	if (asked.length === 0 && figure === null) return null;
	let best: Passage | null = null;
	let most = 0.6;
	for (const passage of passages) {
		const text = passage.sentences.join(' ');
		if (figure !== null && !quantitiesOf(text).some(({ kind }) => figure.includes(kind))) continue;
		const inText = asked.filter((stem) => passage.stems.includes(stem)).length;
		const inHeading = asked.filter(
			(stem) => !passage.stems.includes(stem) && passage.headingStems.includes(stem)
		).length;
		const named = asked.some((stem) => passage.headingStems.includes(stem));
		if (asked.length > 0 && inText === 0) continue;
		if (figure === null && inText < 2 && !named) continue;
		const about =
			[...common].filter((stem) => passage.stems.includes(stem)).length / Math.max(1, common.size);
		const value =
			(asked.length === 0 ? 0.5 : (inText + 0.7 * inHeading) / asked.length) +
			0.15 * about +
			(named ? 0.2 : 0) +
			(passage.voice.kind === 'visit' ? -0.15 : 0);
		if (value > most) [best, most] = [passage, value];
	}
	return best;
}

function figureWanted({ kind, text }: Question): readonly string[] | null {
	if (kind === 'cost') return ['money'];
	if (kind === 'time') return ['time'];
	if (/\bhow (?:much|many)\b/i.test(text)) return ['measure', 'count', 'share', 'ratio'];
	if (/\bhow (?:deep|high|wide|far|thick|tall|big|large|heavy)\b/i.test(text))
		return ['measure', 'ratio'];
	return null;
}
