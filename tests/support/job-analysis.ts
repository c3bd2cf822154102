import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { FileReader } from '../../scripts/core/files';
import { analyse, type Analysis, type Evidence } from '../../src/lib/core/assignment';
import { NO_EDITS } from '../../src/lib/core/findings';
import { runThrough } from '../../src/lib/core/keywords';
import { keptBlocksOf, textOf } from '../../src/lib/core/pages';
import { demoStore } from './demo';

/** The assignments under tests/fixtures/jobs. */
export const JOBS = [
	'community-hall',
	'dehumidifier',
	'house-move',
	'moss-lawn',
	'running-shoes-wear',
	'sleeping-bag'
];

interface Manifest {
	readonly keyword: string;
	readonly words: number;
	readonly pages: readonly string[];
	readonly notes: readonly string[];
	readonly questions_file?: string;
	readonly irrelevant: string | readonly string[];
}

const made = new Map<string, Analysis>();

/** A whole assignment under tests/fixtures/jobs, read as the app reads it; the pages an expert set aside left out. */
export function jobAnalysis(name: string): Analysis {
	let analysis = made.get(name);
	if (!analysis) made.set(name, (analysis = analysed(name)));
	return analysis;
}

function analysed(name: string): Analysis {
	return runThrough(analyse(jobEvidence(name), demoStore()));
}

/** A whole assignment under tests/fixtures/assignments, which has no expert's answers. */
export function assignmentAnalysis(name: string): Analysis {
	return runThrough(analyse(evidenceIn(`assignments/${name}`), demoStore()));
}

/** What an assignment under tests/fixtures/jobs is worked out from. */
export function jobEvidence(name: string): Evidence {
	return evidenceIn(`jobs/${name}`);
}

function evidenceIn(path: string): Evidence {
	const folder = fileURLToPath(new URL(`../fixtures/${path}/`, import.meta.url));
	const { keyword, words, pages, notes, questions_file, irrelevant } = JSON.parse(
		readFileSync(`${folder}manifest.json`, 'utf8')
	) as Manifest;
	const aside = new Set([irrelevant].flat());
	const reader = new FileReader();
	return {
		keyword,
		targetWords: words,
		effort: 'pillar',
		grade: null,
		required: [],
		secondary: [],
		pages: reader.pages(pages.filter((page) => !aside.has(page)).map((page) => folder + page)),
		notes: [
			...reader.notes(notes.map((note) => folder + note)),
			...reader.questions(questions_file ? [folder + questions_file] : [])
		],
		listed: [],
		edits: NO_EDITS
	};
}

/** The texts of the pages of an assignment under tests/fixtures/jobs, as they are cleaned. */
export function jobTexts(name: string): string[] {
	const folder = fileURLToPath(new URL(`../fixtures/jobs/${name}/`, import.meta.url));
	const { pages } = JSON.parse(readFileSync(`${folder}manifest.json`, 'utf8')) as Manifest;
	return new FileReader()
		.pages(pages.map((page) => folder + page))
		.map(({ article }) => keptBlocksOf(article).map(textOf).join('\n'));
}
