import {
	contentStemsOf,
	everydayRateOfForm,
	isStopWord,
	plainWord,
	singularOf,
	wordsOfSentence
} from '../../text';
import { unitOf } from '../../reading';
import { type Statement, EXTENTS } from './statements';

/** Uses in a million everyday words from which a word that is no term names nothing. */
const TOO_COMMON = 700;

/**
 * Up to three words that most of the sentences share, in the order of the first; before them what
 * a length measures. Words of terms name things; of the others those that everybody uses all day
 * ("come", "take", "keep") do not. Empty when nothing is left.
 */
export function labelOf(group: readonly Statement[]): string {
	const spread = new Map<string, number>();
	const members = new Map<string, number>();
	for (const { stems, weights } of group) {
		stems.forEach((stem, i) => {
			if (weights[i] === 0) return;
			spread.set(stem, (spread.get(stem) ?? 0) + weights[i]!);
			members.set(stem, (members.get(stem) ?? 0) + 1);
		});
	}
	const [first] = group;
	const names = [...new Set(group.map(({ extent }) => extent))].filter((extent) => extent >= 0);
	const words = new Map<string, string>();
	const least = Math.max(2, group.length / 2);
	const ofTerms = new Set(
		group.flatMap(({ fact }) => fact.terms).flatMap((key) => key.split(/[ -]/))
	);
	for (const text of [first!.fact.heading, first!.fact.text]) {
		for (const { text: word } of wordsOfSentence(text)) {
			const stem = contentStemsOf(word)[0];
			if (stem === undefined || (members.get(stem) ?? 0) < least || words.has(stem)) continue;
			const plain = singularOf(plainWord(word));
			const isMeasure =
				unitOf(plain) !== undefined || EXTENTS.some(([, extent]) => extent.test(plain));
			if (isStopWord(plain) || isMeasure || /ly$/.test(plain)) continue;
			if (ofTerms.has(plain) || everydayRateOfForm(plain) < TOO_COMMON) words.set(stem, plain);
		}
	}
	const order = [...words.keys()];
	const said = [...words]
		.sort((a, b) => spread.get(b[0])! - spread.get(a[0])! || (a[0] < b[0] ? -1 : 1))
		.slice(0, 3)
		.sort((a, b) => order.indexOf(a[0]) - order.indexOf(b[0]))
		.map(([, word]) => word)
		.join(', ');
	if (names.length !== 1) return said;
	const extent = EXTENTS[names[0]!]![0];
	return said === '' ? extent : `${extent}: ${said}`;
}
