// Makes src/lib/core/notes/units/line-weights.ts from labelled lines: run it after they change, with
//   npx tsx scripts/line-weights.ts          (about two minutes)
// and with --judge to see what each set of lines is told as by the weights of all others.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { LIKELY_KINDS, signsOf } from '../src/lib/core/notes';
import { sentencesOf } from '../src/lib/core/text';
import { JOBS } from '../tests/support/job-analysis';

interface Line {
	readonly from: string;
	readonly signs: readonly string[];
	/** 0 for anything else, else the place of its kind and one. */
	readonly kind: number;
	/** How much it counts. */
	readonly weight: number;
}

const root = new URL('../', import.meta.url);
const read = (path: string) => readFileSync(new URL(path, root), 'utf8');
const line = (from: string, text: string, kind: string): Line[] =>
	kind === 'heading' || kind === 'row'
		? []
		: [
				{
					from,
					signs: [...signsOf(text)],
					kind: LIKELY_KINDS.findIndex((likely) => likely === kind) + 1,
					weight: 1
				}
			];

type Gold = readonly { readonly text: string; readonly kind: string }[];
/** What articles say is matter, in whole sentences; there are many of them, so that each counts less. */
const OF_ARTICLES = 0.3;
const sentencesOfArticles = (job: string): Line[] => {
	const folder = `tests/fixtures/jobs/${job}/pages/`;
	return readdirSync(new URL(folder, root))
		.filter((name) => name.endsWith('.txt'))
		.flatMap((name) => read(`${folder}${name}`).split('\n'))
		.flatMap((row) => sentencesOf(row))
		.filter(({ text }) => text.split(' ').length > 3)
		.map(({ text }) => ({ from: job, signs: [...signsOf(text)], kind: 0, weight: OF_ARTICLES }));
};

const lines: readonly Line[] = [
	...JOBS.flatMap(sentencesOfArticles),
	...read('scripts/line-kinds/phrases.tsv')
		.trim()
		.split('\n')
		.flatMap((row) => {
			const [kind, text] = row.split('\t');
			return line('phrases', text!, kind!);
		}),
	...JOBS.flatMap((job) =>
		(JSON.parse(read(`tests/fixtures/jobs/${job}/gold-notelines.json`)) as Gold).flatMap(
			({ text, kind }) => line(job, text, kind)
		)
	),
	...Object.entries(
		JSON.parse(read('tests/fixtures/strangers/gold.json')) as Record<string, Gold>
	).flatMap(([name, gold]) =>
		gold.flatMap(({ text, kind }) => line(`strangers ${name}`, text, kind))
	)
];

/** A sign that tells less is left out. */
const LEAST_TENTHS = 3;
const KINDS = LIKELY_KINDS.length + 1;
const LEAST_LINES = 2;
const SHRINKS = 0.2;
const ROUNDS = 300;
const RATE = 0.05;

type Weights = ReadonlyMap<string, Float64Array>;

/** Softmax regression with an L2 penalty, by Adam (Kingma and Ba 2015) over all lines at once. */
function fitted(of: readonly Line[]): Weights {
	const count = new Map<string, number>();
	for (const { signs } of of) for (const sign of signs) count.set(sign, (count.get(sign) ?? 0) + 1);
	const kept = ['', ...[...count].filter(([, n]) => n >= LEAST_LINES).map(([sign]) => sign)];
	const placeOf = new Map(kept.map((sign, i) => [sign, i]));
	const rows = of.map(({ signs }) => [0, ...signs.flatMap((sign) => placeOf.get(sign) ?? [])]);
	const size = kept.length * KINDS;
	const [w, m, v] = [0, 1, 2].map(() => new Float64Array(size)) as [
		Float64Array,
		Float64Array,
		Float64Array
	];
	for (let round = 1; round <= ROUNDS; round++) {
		const slope = new Float64Array(size);
		rows.forEach((row, n) => {
			const p = sharesOf(row, w);
			for (let k = 0; k < KINDS; k++) {
				const error = (of[n]!.weight * (p[k]! - (of[n]!.kind === k ? 1 : 0))) / of.length;
				for (const at of row) slope[at * KINDS + k]! += error;
			}
		});
		for (let i = 0; i < size; i++) {
			const g = slope[i]! + (i < KINDS ? 0 : (SHRINKS / of.length) * w[i]!);
			m[i] = 0.9 * m[i]! + 0.1 * g;
			v[i] = 0.999 * v[i]! + 0.001 * g * g;
			w[i]! -=
				(RATE * (m[i]! / (1 - 0.9 ** round))) / (Math.sqrt(v[i]! / (1 - 0.999 ** round)) + 1e-8);
		}
	}
	return new Map(kept.map((sign, i) => [sign, w.slice(i * KINDS, (i + 1) * KINDS)]));
}

function sharesOf(row: readonly number[], w: Float64Array): Float64Array {
	const sums = new Float64Array(KINDS);
	for (const at of row) for (let k = 0; k < KINDS; k++) sums[k]! += w[at * KINDS + k]!;
	return softmax(sums);
}

function softmax(sums: Float64Array): Float64Array {
	const most = Math.max(...sums);
	const powers = sums.map((sum) => Math.exp(sum - most));
	const all = powers.reduce((sum, power) => sum + power, 0);
	return powers.map((power) => power / all);
}

/** What a set is told as by the weights of all others, at a few bounds. */
function judge(): void {
	const setOf = ({ from }: Line) => from;
	const groups = [...new Set(lines.map(setOf))];
	const strangers = groups.filter((name) => name.startsWith('strangers'));
	const folds = [
		...groups.filter((name) => !name.startsWith('strangers')).map((name) => [name]),
		strangers.slice(0, 22),
		strangers.slice(22, 30),
		strangers.slice(30)
	];
	for (const fold of folds) {
		const weights = fitted(lines.filter((one) => !fold.includes(one.from)));
		const held = lines.filter((one) => fold.includes(one.from) && one.weight === 1);
		const told = held.map(({ signs }) => {
			const sums = new Float64Array(KINDS);
			for (const sign of ['', ...signs])
				weights.get(sign)?.forEach((value, k) => (sums[k]! += value));
			return softmax(sums);
		});
		const meant = held.filter(({ kind }) => kind > 0).length;
		const at = [0.6, 0.75, 0.85].map((bound) => {
			const called = told.map((p) => {
				const best = p.indexOf(Math.max(...p));
				return best > 0 && p[best]! >= bound ? best : 0;
			});
			const right = called.filter((kind, i) => kind > 0 && kind === held[i]!.kind).length;
			const wrong = called.filter((kind, i) => kind > 0 && held[i]!.kind === 0).length;
			return `from ${bound}: ${right} of ${meant} found, ${wrong} of ${held.length - meant} others taken for one`;
		});
		console.log(
			`${fold.length > 1 ? `${fold.length} notes from ${fold[0]!}` : fold[0]!}\n  ${at.join('\n  ')}`
		);
	}
}

if (process.argv.includes('--judge')) judge();
else {
	const entries = [...fitted(lines)].flatMap(([sign, values]) => {
		// only differences to "anything else" count
		const tenths = [...values.slice(1)].map((value) => Math.round((value - values[0]!) * 10));
		return sign !== '' && tenths.every((tenth) => Math.abs(tenth) < LEAST_TENTHS)
			? []
			: [`${sign}~${tenths.join('~')}`];
	});
	writeFileSync(
		new URL('src/lib/core/notes/units/line-weights.ts', root),
		`/** Weights of signs, in tenths, for the kinds in their order. Made by scripts/line-weights.ts. */\nexport const LINE_WEIGHTS =\n\t${JSON.stringify(entries.join('|'))};\n`
	);
	console.log(`${lines.length} lines, ${entries.length} signs`);
}
