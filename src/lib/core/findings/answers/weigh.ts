import { closenessOf, dotOf, type StemVectors } from '../../text';
import type { Asked, Pool } from './asked';
import { echoIn, type Echo } from './echo';
import { heldBy, meaningOf, type Said } from './said';

/** How well a statement answers a question, feature by feature, each 0–1. */
export interface Features {
	/** Share of what is asked in the statement itself, and in its headings alone. */
	readonly text: number;
	readonly heading: number;
	/** Share of what is asked in its label: "Washing: by hand". */
	readonly label: number;
	/** Share of the question's own parts that stand in it or its headings. */
	readonly own: number;
	/** Its heading is about the cost, the care, the time of year that is asked for. */
	readonly purpose: number;
	/** It holds a price, a duration, a size that is wanted, or lacks it. */
	readonly holds: number;
	readonly lacks: number;
	/** It is worded as an answer of the wanted kind is. */
	readonly worded: number;
	/** A row of a table, where no figure is wanted. */
	readonly row: number;
	/** Likeness to what pages answer to it. */
	readonly echo: number;
	readonly brief: number;
	/** Likeness in meaning: of the whole, and part by part; 0 without vectors. */
	readonly cosine: number;
	readonly soft: number;
}

/*
 * Weights of the features, by a softmax over the statements of a note, fitted on six jobs; see
 * docs/METHODS.md. A claim is made by the first alone, so that vectors never decide.
 */
export const BY_WORDS: Readonly<Record<keyof Features, number>> = {
	text: 1.46,
	heading: 0.97,
	label: 1.71,
	own: 2.05,
	purpose: 0.34,
	holds: 1.42,
	lacks: -1.42,
	worded: 1.01,
	row: -0.87,
	echo: 2.82,
	brief: -0.53,
	cosine: 0,
	soft: 0
};

export const BY_MEANING: Readonly<Record<keyof Features, number>> = {
	text: 0.82,
	heading: 0.53,
	label: 1.52,
	own: 1.25,
	purpose: 0.02,
	holds: 1.42,
	lacks: -1.39,
	worded: 0.9,
	row: -0.81,
	echo: 2.5,
	brief: -0.4,
	cosine: 1.74,
	soft: 1.69
};

/** Words of a statement at which `brief` is a half. */
const BRIEF_WORDS = 12;
/** Closeness of two words under which they have nothing to do with each other. */
const SOFT_FROM = 0.2;

export function featuresOf(asked: Asked, said: Said, echo: Echo, pool: Pool): Features {
	let [text, heading, label] = [0, 0, 0];
	for (const [stem, weight] of asked.parts) {
		const inText = said.stems.has(stem);
		if (inText) text += weight;
		else if (said.headingStems.has(stem) || said.before.has(stem)) heading += weight;
		if (said.label.has(stem)) label += weight;
	}
	const { own, wanted, weight } = asked;
	const standing = own.filter(
		(stem) => said.stems.has(stem) || said.headingStems.has(stem) || said.before.has(stem)
	);
	const holds = heldBy(said, wanted);
	return {
		text: text / weight,
		heading: heading / weight,
		label: label / weight,
		own: own.length === 0 ? 0 : standing.length / own.length,
		purpose: said.purposes.some((purpose) => asked.purposes.includes(purpose)) ? 1 : 0,
		holds: wanted.isStrict ? holds : 0,
		lacks: wanted.isStrict && holds === 0 ? 1 : 0,
		worded: wanted.isStrict ? 0 : holds,
		row: said.statement.form === 'row' && !wanted.isStrict ? 1 : 0,
		echo: echoIn(echo, said),
		brief: 1 / (1 + said.stems.size / BRIEF_WORDS),
		...likenessOf(asked, said, pool.vectors)
	};
}

export function weigh(
	features: Features,
	weights: Readonly<Record<keyof Features, number>>
): number {
	let value = 0;
	for (const feature of Object.keys(weights) as (keyof Features)[])
		value += weights[feature] * features[feature];
	return value;
}

function likenessOf(
	asked: Asked,
	said: Said,
	vectors: StemVectors | null
): Pick<Features, 'cosine' | 'soft'> {
	if (!vectors || !asked.vector) return { cosine: 0, soft: 0 };
	const { rows, vector } = meaningOf(said, vectors);
	let soft = 0;
	for (const [stem, weight] of asked.parts) {
		if (said.stems.has(stem) || said.headingStems.has(stem) || said.before.has(stem)) {
			soft += weight;
			continue;
		}
		const row = asked.rows.get(stem)!;
		let best = 0;
		for (const other of rows) best = Math.max(best, closenessOf(vectors, row, other));
		soft += weight * Math.max(0, (best - SOFT_FROM) / (1 - SOFT_FROM));
	}
	return { cosine: Math.max(0, dotOf(asked.vector, vector)), soft: soft / asked.weight };
}
