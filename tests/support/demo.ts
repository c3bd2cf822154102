import { readFileSync, readdirSync } from 'node:fs';
import { pathToFileURL, URL } from 'node:url';
import model from 'wink-eng-lite-web-model';
import winkNLP from 'wink-nlp';
import {
	analyse,
	articleSign,
	draftNotesOf,
	WorkStore,
	type Analysis,
	type Evidence,
	type EvidencePage
} from '../../src/lib/core/assignment';
import { NO_EDITS, type Findings } from '../../src/lib/core/findings';
import { runThrough } from '../../src/lib/core/keywords';
import { textOfBlocks } from '../../src/lib/core/measure';
import { cleanPage, judgePage } from '../../src/lib/core/pages';
import type { PageWork } from '../../src/lib/core/reading';
import type { ScoredPage } from '../../src/lib/core/standing';
import { makeTagger, type Tagger } from '../../src/lib/core/text';
import type { DraftNote } from '../../src/lib/core/writers';

const DEMO = pathToFileURL(`${import.meta.dirname}/../../demo/`);
const KEYWORD = 'how to build a dry stone wall';

/** The demo assignment as the app reads it: proposed pages set aside. */
export interface DemoEvidence {
	readonly analysis: Analysis;
	readonly findings: Findings;
	readonly pages: readonly ScoredPage[];
	readonly notes: readonly DraftNote[];
	readonly noteWorks: readonly PageWork[];
	readonly texts: readonly string[];
}

let tagger: Tagger | null = null;

export function demoTagger(): Tagger {
	tagger ??= makeTagger(winkNLP as never, model);
	return tagger;
}

let store: WorkStore | null = null;

/** The work on the demo's pages and notes, done once for all tests of a file. */
export function demoStore(): WorkStore {
	store ??= new WorkStore(demoTagger());
	return store;
}

/** The demo's pages, notes and questions, without its transcripts and keyword lists. */
export function demoEvidence({
	pages: most = 99,
	keyword = KEYWORD,
	targetWords = 1800 as number | null
} = {}): Evidence {
	const pages = read('pages').flatMap(({ name, text }): EvidencePage[] => {
		const cleaned = cleanPage(text);
		if (cleaned.kind !== 'cleaned' || judgePage(cleaned.article, KEYWORD).proposeAside) return [];
		const { article } = cleaned;
		return [
			{
				id: name,
				name: article.siteName || article.title,
				sign: articleSign(article),
				struck: [],
				article
			}
		];
	});
	return {
		keyword,
		targetWords,
		effort: 'pillar',
		grade: null,
		required: [],
		secondary: [],
		pages: pages.slice(0, most),
		notes: [
			...read('notes').map(({ name, text }) => ({ id: name, kind: 'note' as const, name, text })),
			...read('questions').map(({ name, text }) => ({
				id: name,
				kind: 'questions' as const,
				name,
				text
			}))
		],
		listed: [],
		edits: NO_EDITS
	};
}

/** The demo assignment, analysed the way the app does it. */
export function demoFindings(options: Parameters<typeof demoEvidence>[0] = {}): DemoEvidence {
	const analysis = runThrough(analyse(demoEvidence(options), demoStore()));
	const { findings, pages, notes } = analysis;
	return {
		analysis,
		findings,
		pages,
		notes: draftNotesOf(notes),
		noteWorks: notes.map(({ work }) => work),
		texts: pages.map(({ blocks }) => textOfBlocks(blocks))
	};
}

function read(folder: string): { name: string; text: string }[] {
	const at = new URL(`${folder}/`, DEMO);
	return readdirSync(at)
		.sort()
		.map((name) => ({ name, text: readFileSync(new URL(name, at), 'utf8') }));
}
