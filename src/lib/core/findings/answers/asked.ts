import { isQuestionWord, purposesBeside, QUESTION_CARRIERS, type Purpose } from '../../reading';
import {
	contentStemsOf,
	isStopWord,
	plainWord,
	rarityOf,
	stemOf,
	textVectorOf,
	wordsOf,
	type StemVectors
} from '../../text';
import type { Said } from './said';
import { wantedBy, type Wanted } from './wanted';

/** All that may answer, with how often words stand in it. */
export interface Pool {
	/** What each source says, by its id; notes and pages. */
	readonly bySource: ReadonlyMap<string, readonly Said[]>;
	readonly notes: readonly string[];
	readonly pages: readonly string[];
	/** What pages say that has a stem in its text or headings. */
	readonly onPages: ReadonlyMap<string, readonly Said[]>;
	/** Number of statements that have a stem. */
	readonly spread: ReadonlyMap<string, number>;
	readonly count: number;
	readonly keyword: ReadonlySet<string>;
	/** Null: by words alone. */
	readonly vectors: StemVectors | null;
}

/** A question, ready to be held against what sources say. */
export interface Asked {
	/** Stems of what it asks about, with the weight of each. */
	readonly parts: ReadonlyMap<string, number>;
	/** Sum of the weights. */
	readonly weight: number;
	/** The parts that tell this question from others: without keyword and carriers. */
	readonly own: readonly string[];
	readonly wanted: Wanted;
	readonly purposes: readonly Purpose[];
	/** Vector rows of the parts, and the vector of the whole; null without vectors. */
	readonly rows: ReadonlyMap<string, number>;
	readonly vector: Float32Array | null;
}

/** Words that carry a question, and some that tell no answer from another. */
const CARRIERS: ReadonlySet<string> = new Set([
	...QUESTION_CARRIERS,
	...contentStemsOf('difference worth rid time tell')
]);

/** Weight of a word of the keyword, and of a carrier, beside 1 for any other. */
const OF_KEYWORD = 0.25;
const OF_CARRIER = 0.2;

/** Purposes by which an answer is known; those of steps and reasons are everywhere. */
const TELLING: ReadonlySet<Purpose> = new Set<Purpose>([
	'cost',
	'mistakes',
	'care',
	'rules',
	'time',
	'food',
	'health',
	'safety',
	'comparison',
	'alternatives',
	'place',
	'season',
	'storage',
	'hire',
	'sound',
	'lifespan',
	'space'
]);

/** Reads a question. Words that stand in few statements say most (inverse document frequency, Spärck Jones 1972). */
export function askedOf(question: string, { spread, count, keyword, vectors }: Pool): Asked {
	const parts = new Map<string, number>();
	for (const { text } of wordsOf(question)) {
		for (const plain of plainWord(text).split('-')) {
			if (plain.length < 2 || /^\d/.test(plain) || isStopWord(plain)) continue;
			if (isQuestionWord(plain)) continue;
			const stem = stemOf(plain);
			const rare = Math.log((1 + count) / (1 + (spread.get(stem) ?? 0))) / Math.log(1 + count);
			const weight = keyword.has(stem) ? OF_KEYWORD : CARRIERS.has(stem) ? OF_CARRIER : 1;
			parts.set(stem, weight * (0.4 + 0.6 * rare));
		}
	}
	const rows = new Map<string, number>();
	if (vectors) for (const stem of parts.keys()) rows.set(stem, vectors.rowOf(stem));
	const told = (stem: string) => !CARRIERS.has(stem);
	const beside = [...parts.keys()].filter((stem) => told(stem) && !keyword.has(stem));
	return {
		parts,
		weight: [...parts.values()].reduce((sum, weight) => sum + weight, 0) || 1,
		// a question about the subject itself has no words but the keyword's
		own: beside.length > 0 ? beside : [...parts.keys()].filter(told),
		wanted: wantedBy(question),
		purposes: purposesBeside(question, keyword).filter((purpose) => TELLING.has(purpose)),
		rows,
		vector: vectors && questionVector(parts, rows, vectors)
	};
}

function questionVector(
	parts: ReadonlyMap<string, number>,
	rows: ReadonlyMap<string, number>,
	vectors: StemVectors
): Float32Array {
	return textVectorOf(
		vectors,
		[...parts].map(([stem, weight]) => {
			const row = rows.get(stem)!;
			return [row, weight * rarityOf(vectors, row)] as const;
		})
	);
}

/** Statements, and their share, that hold the other word by which the subject is called. */
const LEAST_NAMING = 12;
const SUBJECT_SHARE = 0.12;

/** Gathers what notes and pages say, to be asked. */
export function poolOf(
	notes: readonly (readonly Said[])[],
	pages: readonly (readonly Said[])[],
	keyword: ReadonlySet<string>,
	vectors: StemVectors | null
): Pool {
	const spread = new Map<string, number>();
	const onPages = new Map<string, Said[]>();
	let count = 0;
	for (const source of [...notes, ...pages]) {
		count += source.length;
		for (const { stems } of source)
			for (const stem of stems) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	}
	const named = new Set([
		...keyword,
		...[...spread]
			.filter(([stem, n]) => !keyword.has(stem) && n >= LEAST_NAMING && n > SUBJECT_SHARE * count)
			.sort((a, b) => b[1] - a[1])
			.slice(0, 1)
			.map(([stem]) => stem)
	]);
	for (const said of pages.flat()) {
		for (const stem of new Set([...said.stems, ...said.headingStems])) {
			const list = onPages.get(stem);
			if (list) list.push(said);
			else onPages.set(stem, [said]);
		}
	}
	const idsOf = (sources: readonly (readonly Said[])[]) =>
		sources.flatMap(([first]) => first?.source ?? []);
	return {
		bySource: new Map(
			[...notes, ...pages].flatMap((said) => (said[0] ? [[said[0].source, said] as const] : []))
		),
		notes: idsOf(notes),
		pages: idsOf(pages),
		onPages,
		spread,
		count,
		keyword: named,
		vectors
	};
}

/** What pages say with one of the question's own words in its text or headings. */
export function onPagesOf({ own }: Asked, { onPages }: Pool): ReadonlySet<Said> {
	return new Set(own.flatMap((stem) => onPages.get(stem) ?? []));
}
