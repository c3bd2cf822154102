// The core from the command line: npm run --silent core -- VERB …; prints JSON, or Markdown for `draft`.
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { parseArgs } from 'node:util';
import model from 'wink-eng-lite-web-model';
import winkNLP from 'wink-nlp';
import { draftArticle } from '../src/lib/core/draft';
import {
	assembleFindings,
	workOnPage,
	type Findings,
	type PageWork
} from '../src/lib/core/findings';
import { readKeywordList, runThrough } from '../src/lib/core/keywords';
import { fileKindOf, readMhtml, unpackPages } from '../src/lib/core/files';
import {
	noteArticleOf,
	noteTextOf,
	readQuestions,
	readTranscript,
	timeOf
} from '../src/lib/core/notes';
import {
	cleanPage,
	judgePage,
	keptBlocksOf,
	readText,
	textOf,
	type Article
} from '../src/lib/core/pages';
import { conflictsIn, proposePlan } from '../src/lib/core/plan';
import {
	evidenceOf,
	nextBestMoves,
	scoreState,
	standingOfPage,
	stateOf,
	termIndexOf,
	textOfBlocks,
	type ScoredPage
} from '../src/lib/core/standing';
import { docFromMarkdown, indexRuns, markdownOf, measureDoc } from '../src/lib/core/takes';
import { countWords, decodeBytes, makeTagger } from '../src/lib/core/text';

const USAGE = `Usage:
  core clean FILE…
  core keywords FILE…
  core subtitles FILE…
  core findings --keyword K [--words N] [--notes FILE]… [--questions FILE]… FILE…
  core plan     --keyword K [--words N] [--notes FILE]… [--questions FILE]… FILE…
  core draft    --keyword K [--words N] [--notes FILE]… [--questions FILE]… FILE…
  core standing --keyword K --draft D.md [--words N] [--notes FILE]… FILE…`;

interface Failed {
	readonly file: string;
	readonly error: string;
}
interface Read {
	readonly file: string;
	readonly article: Article;
}

const VERBS = ['clean', 'keywords', 'subtitles', 'findings', 'plan', 'draft', 'standing'];
const failed: Failed[] = [];
const tag = makeTagger(winkNLP as never, model);

function main(): void {
	const { values, positionals } = parseArgs({
		allowPositionals: true,
		options: {
			keyword: { type: 'string' },
			words: { type: 'string' },
			notes: { type: 'string', multiple: true },
			questions: { type: 'string', multiple: true },
			draft: { type: 'string' }
		}
	});
	const [verb, ...files] = positionals;
	if (!verb || !VERBS.includes(verb)) stop(USAGE);
	if (files.length === 0) stop(`No files given.\n${USAGE}`);
	if (verb === 'clean') {
		print([...readPages(files).map((page) => cleaned(page, values.keyword ?? '')), ...failed]);
		return;
	}
	if (verb === 'keywords') {
		print([...files.flatMap(keywordsOf), ...failed]);
		return;
	}
	if (verb === 'subtitles') {
		print([...files.flatMap(transcriptOf), ...failed]);
		return;
	}
	const keyword = values.keyword?.trim();
	if (!keyword) stop(`--keyword is missing.\n${USAGE}`);
	const words = values.words === undefined ? null : Number(values.words);
	if (words !== null && !(Number.isInteger(words) && words >= 100 && words <= 50_000))
		stop('--words takes a whole number from 100 to 50000.');

	const pages = readPages(files).map(scored);
	const notes = readNotes(values.notes ?? []);
	const asked = (values.questions ?? []).flatMap((file) =>
		readQuestions(readFile(file) ?? '').map((text) => ({ text, source: file }))
	);
	const options = { keyword, targetWords: words, asked };
	const findings = assembleFindings(
		pages.map(({ work }) => work),
		notes.map(({ work }) => work),
		options
	);
	const pageNames = Object.fromEntries(pages.map(({ work }) => [work.id, work.title || work.id]));
	const runs = indexRuns(pages.map(({ blocks }) => textOfBlocks(blocks)));

	if (verb === 'findings') print({ ...shownFindings(findings), ...errors() });
	if (verb === 'plan') print({ ...shownPlan(findings), ...errors() });
	if (verb === 'draft') {
		const plan = proposePlan(findings);
		const drafts = notes.map(({ work, article }, i) => ({
			id: work.id,
			label: `n${i + 1}`,
			title: article.title,
			blocks: keptBlocksOf(article)
		}));
		process.stdout.write(
			markdownOf(draftArticle({ plan, findings, notes: drafts, runs, pageNames }))
		);
		for (const { file, error } of failed) console.error(`${file}: ${error}`);
	}
	if (verb === 'standing') {
		if (!values.draft) stop(`--draft is missing.\n${USAGE}`);
		const markdown = readFile(values.draft);
		if (markdown === null) return finish();
		const doc = docFromMarkdown(markdown);
		const plan = proposePlan(findings);
		const evidence = evidenceOf(findings, plan);
		const title =
			doc.content
				.find((node) => node.type === 'heading')
				?.content?.map(({ text }) => text ?? '')
				.join('') ?? '';
		const state = stateOf(
			measureDoc(doc, termIndexOf(evidence), runs),
			{ titleTag: title, description: '' },
			evidence
		);
		const standings = pages.map((page) =>
			standingOfPage(
				page,
				pages,
				notes.map(({ work }) => work),
				options
			)
		);
		print({
			...rounded(scoreState(state, evidence)),
			words: state.words,
			pages: standings.map(({ page, standing, parts }) => ({
				file: page,
				...rounded({ standing, parts })
			})),
			moves: nextBestMoves(state, evidence, plan)
				.slice(0, 20)
				.map((move) => ({ ...move, gain: round(move.gain) })),
			...errors()
		});
	}
}

function cleaned({ file, article }: Read, keyword: string): unknown {
	const blocks = keptBlocksOf(article);
	const text = blocks.map(textOf).join('\n\n');
	const judged = judgePage(article, keyword);
	return {
		file,
		kind: 'cleaned',
		title: article.title,
		description: article.description,
		author: article.author,
		published: article.published,
		language: article.language,
		address: article.address,
		words: countWords(text),
		text,
		headings: blocks.flatMap((block) =>
			block.kind === 'heading' ? [{ level: block.level, text: block.text }] : []
		),
		lists: blocks.flatMap((block) =>
			block.kind === 'list' ? [{ ordered: block.ordered, items: block.items }] : []
		),
		tables: blocks.flatMap((block) =>
			block.kind === 'table' ? [{ header: block.header, rows: block.rows }] : []
		),
		figures: blocks.flatMap((block) =>
			block.kind === 'figure' ? [{ src: block.src, alt: block.alt, caption: block.caption }] : []
		),
		links: article.links,
		questions: blocks.flatMap((block) =>
			block.kind === 'answer' ? [{ question: block.question, answer: block.text }] : []
		),
		pageKind: judged.kind,
		fit: judged.fit,
		reasons: judged.reasons
	};
}

/** What the importer reads in a keyword list. */
function keywordsOf(file: string): unknown[] {
	const decoded = decodeFile(file);
	if (decoded === null) return [];
	const read = runThrough(readKeywordList(decoded.text));
	if (read.kind === 'unreadable') {
		failed.push({ file, error: read.reason });
		return [];
	}
	const { delimiter, headerLine, above, columns, rows, rejected, merged } = read.list;
	return [
		{
			file,
			encoding: decoded.encoding,
			delimiter,
			headerLine,
			above,
			columns: columns.map(({ name, meaning }) => ({ name, meaning })),
			rows: rows.map((row) => ({ ...row, other: Object.fromEntries(row.other) })),
			rejected,
			merged
		}
	];
}

function shownFindings(findings: Findings): Record<string, unknown> {
	return {
		targetWords: findings.targetWords,
		terms: findings.terms.map(
			({ phrase, weight, uses, min, max, places, position, company, score }) => ({
				term: phrase,
				weight,
				pages: uses.length,
				min,
				max,
				places,
				position: round(position),
				company,
				score: round(score),
				uses: uses.map(({ page, count, rate }) => ({ file: page, count, rate: round(rate) }))
			})
		),
		topics: findings.topics.map(({ label, pages, headings, level, position, words, parent }) => ({
			label,
			pages,
			level,
			position: round(position),
			words,
			parent: findings.topics.find(({ id }) => id === parent)?.label ?? null,
			headings: headings.map(({ page, level, text }) => ({ file: page, level, text }))
		})),
		questions: findings.questions.map(({ text, kind, pages, lists, wordings, answers }) => ({
			question: text,
			kind,
			pages,
			lists,
			wordings,
			answers
		})),
		facts: findings.facts.map(({ text, source, origin, quantities, terms }) => ({
			text,
			source,
			origin,
			quantities,
			terms
		})),
		figures: findings.figures
			.filter(({ values }) => values.length > 1)
			.map(({ label, unit, per, low, high, agreement, values }) => ({
				label,
				unit,
				per,
				low: round(low),
				high: round(high),
				agreement,
				values: values.map(({ source, origin, low: from, high: to }) => ({
					source,
					origin,
					low: round(from),
					high: round(to)
				}))
			})),
		noteTerms: findings.noteTerms.map(({ phrase }) => phrase),
		ownTopics: findings.ownTopics.map(({ label, at }) => ({
			label,
			sources: at.map(({ source }) => source)
		})),
		followUps: findings.followUps.map(({ text, kind, answers }) => ({
			question: text,
			kind,
			answers
		})),
		habits: findings.habits,
		shape: findings.shape
	};
}

function shownPlan(findings: Findings): Record<string, unknown> {
	const plan = proposePlan(findings);
	const terms = new Map(findings.terms.map((term) => [term.key, term]));
	return {
		title: plan.title,
		titleTag: plan.titleTag,
		description: plan.description,
		slug: plan.slug,
		sections: plan.sections.map((section) => ({
			level: section.level,
			heading: section.level === 1 ? plan.title : section.heading,
			kind: section.kind,
			budget: section.budget,
			terms: section.terms.map(({ term, uses, reason }) => ({
				term: terms.get(term)?.phrase ?? term,
				min: uses,
				max: Math.max(uses, terms.get(term)?.max ?? uses),
				reason
			})),
			questions: section.questions.map(
				({ question }) => findings.questions.find(({ id }) => id === question)?.text ?? question
			),
			facts: section.facts.map(
				({ fact }) => findings.facts.find(({ id }) => id === fact)?.text ?? fact
			),
			notes: section.notes.map(
				({ note }) => findings.notePassages.find(({ id }) => id === note)?.text ?? note
			),
			conflicts: conflictsIn(section, findings).map(({ figure }) => ({
				figure: figure.label,
				low: figure.low,
				high: figure.high,
				unit: figure.unit
			}))
		})),
		unplaced: plan.unplaced.map(({ term, remedies, ...entry }) => ({
			term: terms.get(term)?.phrase ?? term,
			...entry,
			remedies: remedies.map((remedy) =>
				remedy.kind === 'words'
					? {
							...remedy,
							section:
								plan.sections.find(({ id }) => id === remedy.section)?.heading ?? remedy.section
						}
					: {
							...remedy,
							topic: findings.topics.find(({ id }) => id === remedy.topic)?.label ?? remedy.topic
						}
			)
		})),
		bound: round(plan.bound),
		value: round(plan.value)
	};
}

function readFile(file: string): string | null {
	return decodeFile(file)?.text ?? null;
}

function readBytes(file: string): Uint8Array | null {
	try {
		return readFileSync(file);
	} catch {
		failed.push({ file, error: 'cannot be opened' });
		return null;
	}
}

function decodeFile(
	file: string,
	bytes: Uint8Array | null = readBytes(file)
): { text: string; encoding: string } | null {
	if (!bytes) return null;
	const decoded = decodeBytes(bytes);
	if (decoded.kind === 'text') return decoded;
	failed.push({ file, error: `looks like ${decoded.looksLike}, not text` });
	return null;
}

/** Pages of files as the app takes them: HTML in any encoding, web archives, zips of both, text. */
function readPages(files: readonly string[]): Read[] {
	return files.flatMap((file) => {
		const bytes = readBytes(file);
		return bytes ? pagesIn(file, bytes) : [];
	});
}

function pagesIn(file: string, bytes: Uint8Array): Read[] {
	const fail = (error: string): Read[] => {
		failed.push({ file, error });
		return [];
	};
	switch (fileKindOf(bytes, file).kind) {
		case 'zip': {
			const unpacked = unpackPages(bytes);
			return unpacked.kind === 'refused'
				? fail(unpacked.reason)
				: unpacked.files.flatMap((each) => pagesIn(`${file}/${each.name}`, each.bytes));
		}
		case 'web archive': {
			const read = readMhtml(bytes);
			return read.kind === 'refused' ? fail(read.reason) : cleanInto(file, read.html, read.address);
		}
		default: {
			const decoded = decodeFile(file, bytes);
			if (!decoded) return [];
			return /\.(?:md|markdown|txt)$/i.test(file)
				? [{ file, article: readText(decoded.text, basename(file)) }]
				: cleanInto(file, decoded.text, '');
		}
	}
}

function cleanInto(file: string, html: string, address: string): Read[] {
	try {
		const result = cleanPage(html, address);
		if (result.kind === 'cleaned') return [{ file, article: result.article }];
		failed.push({ file, error: result.reason });
	} catch (error) {
		if (!(error instanceof RangeError)) throw error;
		failed.push({ file, error: error.message });
	}
	return [];
}

function transcriptOf(file: string): object[] {
	const text = readFile(file);
	if (text === null) return [];
	const read = readTranscript(text);
	if (read.kind === 'not-timed') {
		failed.push({ file, error: read.reason });
		return [];
	}
	const { format, title, cues, paragraphs, remarks } = read.transcript;
	const said = paragraphs.map((paragraph) => paragraph.text).join('\n\n');
	return [
		{
			file,
			format,
			title,
			cues: cues.map(({ startMs, endMs, speaker, text: words }) => ({
				start: startMs / 1000,
				end: endMs === null ? null : endMs / 1000,
				speaker,
				text: words
			})),
			paragraphs: paragraphs.map(({ startMs, speaker, text: words }) => ({
				start: startMs / 1000,
				time: timeOf(startMs),
				speaker,
				text: words
			})),
			words: countWords(said),
			text: said,
			remarks
		}
	];
}

function scored({ file, article }: Read): ScoredPage {
	const blocks = keptBlocksOf(article);
	const { title, description, siteName } = article;
	const source = {
		id: file,
		title,
		description,
		siteNames: [siteName],
		blocks,
		links: article.links.length,
		date: article.modified || article.published
	};
	return { work: workOnPage(source, tag), blocks, titleTag: title, description };
}

function readNotes(files: readonly string[]): { work: PageWork; article: Article }[] {
	return files.flatMap((file) => {
		const text = readFile(file);
		if (text === null) return [];
		const read = noteTextOf(text);
		const article = noteArticleOf({ kind: read.noteKind, name: basename(file), text: read.text });
		const work = workOnPage(
			{
				id: file,
				title: article.title,
				description: '',
				siteNames: [],
				blocks: keptBlocksOf(article),
				links: 0,
				isNote: true
			},
			tag
		);
		return [{ work, article }];
	});
}

function rounded({ standing, parts }: { standing: number; parts: object }): object {
	return {
		standing: round(standing),
		parts: Object.fromEntries(
			Object.entries(parts).map(([part, value]) => [part, round(value as number)])
		)
	};
}

function round(value: number): number {
	return Math.round(value * 1000) / 1000;
}

function errors(): { errors?: Failed[] } {
	return failed.length === 0 ? {} : { errors: failed };
}

function print(value: unknown): void {
	// JSON has no infinity: a volume that rose from nothing is written as planners write it
	const text = JSON.stringify(value, (_, each: unknown) => (each === Infinity ? '∞' : each), 2);
	process.stdout.write(`${text}\n`);
}

function stop(message: string): never {
	console.error(message);
	process.exit(2);
}

function finish(): void {
	for (const { file, error } of failed) console.error(`${file}: ${error}`);
}

main();
if (failed.length > 0) process.exitCode = 1;
