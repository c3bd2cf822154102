import { readFileSync, readdirSync } from 'node:fs';
import model from 'wink-eng-lite-web-model';
import winkNLP from 'wink-nlp';
import type { DraftNote } from '../../src/lib/core/draft';
import {
	assembleFindings,
	workOnPage,
	type Findings,
	type PageWork
} from '../../src/lib/core/findings';
import { readQuestions } from '../../src/lib/core/notes';
import { cleanPage, judgePage, keptBlocksOf, readText } from '../../src/lib/core/pages';
import { textOfBlocks, type ScoredPage } from '../../src/lib/core/standing';
import { makeTagger, type Tagger } from '../../src/lib/core/text';

const DEMO = new URL('../../demo/', import.meta.url);
const KEYWORD = 'how to build a dry stone wall';

/** The demo assignment, read for tests the way the worker reads it: proposed pages set aside. */
export interface DemoEvidence {
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

export function demoFindings({
	pages: most = 99,
	keyword = KEYWORD,
	targetWords = 1800 as number | null
} = {}): DemoEvidence {
	const tag = demoTagger();
	const pages = read('pages').flatMap(({ name, text }): ScoredPage[] => {
		const cleaned = cleanPage(text);
		if (cleaned.kind !== 'cleaned' || judgePage(cleaned.article, KEYWORD).proposeAside) return [];
		const { title, description, siteName, links } = cleaned.article;
		const blocks = keptBlocksOf(cleaned.article);
		const work = workOnPage(
			{ id: name, title, description, siteNames: [siteName], blocks, links: links.length },
			tag
		);
		return [{ work, blocks, titleTag: title, description }];
	});
	const counted = pages.slice(0, most);
	const notes = read('notes').map(({ name, text }, i): DraftNote => {
		const article = readText(text, name);
		return { id: name, label: `n${i + 1}`, title: article.title, blocks: keptBlocksOf(article) };
	});
	const noteWorks = notes.map(({ id, title, blocks }) =>
		workOnPage({ id, title, description: '', siteNames: [], blocks, links: 0 }, tag)
	);
	const asked = read('questions').flatMap(({ name, text }) =>
		readQuestions(text).map((question) => ({ text: question, source: name }))
	);
	const findings = assembleFindings(
		counted.map(({ work }) => work),
		noteWorks,
		{ keyword, targetWords, asked }
	);
	return {
		findings,
		pages: counted,
		notes,
		noteWorks,
		texts: counted.map(({ blocks }) => textOfBlocks(blocks))
	};
}

function read(folder: string): { name: string; text: string }[] {
	const at = new URL(`${folder}/`, DEMO);
	return readdirSync(at)
		.sort()
		.map((name) => ({ name, text: readFileSync(new URL(name, at), 'utf8') }));
}
