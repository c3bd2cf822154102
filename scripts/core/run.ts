// The verbs of the command line: words in, what is printed and the exit code out.
import { parseArgs } from 'node:util';
import model from 'wink-eng-lite-web-model';
import winkNLP from 'wink-nlp';
import { z } from 'zod';
import {
	analyse,
	draftMaterialOf,
	runIndexOf,
	standingsOf,
	WorkStore,
	type Analysis
} from '../../src/lib/core/assignment';
import { SECTION_KINDS } from '../../src/lib/core/brief';
import { findQuestions, NO_EDITS } from '../../src/lib/core/findings';
import { runThrough } from '../../src/lib/core/keywords';
import { docFromMarkdown, docText, markdownOf } from '../../src/lib/core/manuscript';
import { readArticle } from '../../src/lib/core/measure';
import { readQuestions } from '../../src/lib/core/notes';
import { newSection, proposePlan } from '../../src/lib/core/plan';
import {
	holdsOf,
	nextBestMoves,
	scoreState,
	stateOf,
	termIndexOf,
	yardstickOf,
	type Standing
} from '../../src/lib/core/standing';
import { makeTagger } from '../../src/lib/core/text';
import { draftArticle, readReply } from '../../src/lib/core/writers';
import { FileReader } from './files';
import { stemVectors } from './meaning';
import { shownCloseness, shownProof, shownReadability } from './proofread';
import {
	round,
	shownAnswers,
	shownArticle,
	shownFindings,
	shownNote,
	shownPlan,
	shownReply
} from './shown';

const USAGE = `Usage:
  core clean FILE…
  core keywords FILE…
  core subtitles FILE…
  core notes FILE…
  core answers  --questions LIST… [--keyword K] NOTE… [-- PAGE…]
  core findings --keyword K [--words N] [--notes FILE]… [--questions FILE]… FILE…
  core plan     --keyword K [--words N] [--notes FILE]… [--questions FILE]… FILE…
  core draft    --keyword K [--words N] [--notes FILE]… [--questions FILE]… FILE…
  core reply    --plan PLAN.json REPLY
  core standing --keyword K --draft D.md [--words N] [--notes FILE]… FILE…
  core proof    --keyword K --draft D.md [--words N] [--notes FILE]… FILE…
  core closeness --draft D.md FILE…
  core readability FILE…`;

const OF_FILES = ['clean', 'keywords', 'subtitles', 'notes', 'readability'] as const;
const OF_EVIDENCE = ['findings', 'plan', 'draft', 'standing', 'proof', 'closeness'] as const;
type VerbOfFiles = (typeof OF_FILES)[number];
type VerbOfEvidence = (typeof OF_EVIDENCE)[number];

/** What a command prints, and the code it ends with: 0, 1 when a file could not be read, 2 when the words are off. */
export interface Printed {
	readonly out: string;
	readonly err: string;
	readonly code: 0 | 1 | 2;
}

let store: WorkStore | null = null;

function workStore(): WorkStore {
	store ??= new WorkStore(makeTagger(winkNLP as never, model));
	return store;
}

/** Runs one command: `['clean', 'page.html']`. Nothing is printed and the process goes on. */
export function run(argv: readonly string[]): Printed {
	let words: ReturnType<typeof wordsOf>;
	try {
		words = wordsOf(argv);
	} catch (error) {
		return refused(error instanceof Error ? error.message : String(error));
	}
	const { values, verb, files, pages: behind } = words;
	if (isOne(OF_FILES, verb)) {
		if (files.length === 0) return refused(`No files given.\n${USAGE}`);
		return ofFiles(verb, files, values.keyword ?? '');
	}
	if (verb === 'answers') {
		if (!values.questions) return refused(`--questions is missing.\n${USAGE}`);
		return answersIn(values.questions, files, behind, values.keyword ?? '');
	}
	if (verb === 'reply') {
		if (!values.plan) return refused(`--plan is missing.\n${USAGE}`);
		if (files.length === 0) return refused(`No files given.\n${USAGE}`);
		return replyTo(values.plan, files[0]!);
	}
	if (!isOne(OF_EVIDENCE, verb)) return refused(USAGE);
	if (files.length === 0 && behind.length === 0) return refused(`No files given.\n${USAGE}`);
	const keyword = values.keyword?.trim() || (verb === 'closeness' ? 'this' : '');
	if (!keyword) return refused(`--keyword is missing.\n${USAGE}`);
	const targetWords = values.words === undefined ? null : Number(values.words);
	if (
		targetWords !== null &&
		!(Number.isInteger(targetWords) && targetWords >= 100 && targetWords <= 50_000)
	)
		return refused('--words takes a whole number from 100 to 50000.');
	if ((verb === 'standing' || verb === 'proof' || verb === 'closeness') && !values.draft)
		return refused(`--draft is missing.\n${USAGE}`);

	const reader = new FileReader();
	const pages = reader.pages([...files, ...behind]);
	const notes = [...reader.notes(values.notes ?? []), ...reader.questions(values.questions ?? [])];
	const analysis = runThrough(
		analyse(
			{
				keyword,
				targetWords,
				effort: 'pillar',
				grade: null,
				required: [],
				secondary: [],
				pages,
				notes,
				listed: [],
				edits: NO_EDITS
			},
			workStore(),
			stemVectors()
		)
	);
	return ofEvidence(verb, analysis, reader, values.draft ?? '');
}

function wordsOf(argv: readonly string[]) {
	const split = argv.includes('--') ? argv.indexOf('--') : argv.length;
	const { values, positionals } = parseArgs({
		args: argv.slice(0, split),
		allowPositionals: true,
		options: {
			keyword: { type: 'string' },
			words: { type: 'string' },
			notes: { type: 'string', multiple: true },
			questions: { type: 'string', multiple: true },
			draft: { type: 'string' },
			plan: { type: 'string' }
		}
	});
	const [verb = '', ...files] = positionals;
	return { values, verb, files, pages: argv.slice(split + 1) };
}

function isOne<T extends string>(all: readonly T[], word: string): word is T {
	return (all as readonly string[]).includes(word);
}

function ofFiles(verb: VerbOfFiles, files: readonly string[], keyword: string): Printed {
	const reader = new FileReader();
	const found =
		verb === 'clean'
			? reader.articles(files).map(({ file, article }) => shownArticle(file, article, keyword))
			: verb === 'notes'
				? reader.notes(files).map(shownNote)
				: verb === 'readability'
					? files.flatMap((file) => {
							const text = reader.text(file);
							return text === null ? [] : [shownReadability(file, text)];
						})
					: files.flatMap((file) =>
							verb === 'keywords' ? reader.keywordList(file) : reader.transcript(file)
						);
	return { out: json([...found, ...reader.failed]), err: '', code: codeOf(reader) };
}

/** Which notes and pages answer the questions of some lists. */
function answersIn(
	lists: readonly string[],
	notes: readonly string[],
	pages: readonly string[],
	keyword: string
): Printed {
	const reader = new FileReader();
	const asked = reader
		.questions(lists)
		.flatMap(({ id, text }) =>
			readQuestions(text).map((question) => ({ text: question, source: id }))
		);
	const { questions } = findQuestions(
		reader.pages(pages).map((page) => workStore().readPage(page).work),
		reader.notes(notes).map((note) => workStore().readNote(note).work),
		asked,
		keyword,
		{ vectors: stemVectors() }
	);
	const found = questions.filter((question) => question.lists.some((list) => lists.includes(list)));
	return {
		out: json([...found.map(shownAnswers), ...reader.failed]),
		err: '',
		code: codeOf(reader)
	};
}

const planFile = z.object({
	title: z.string(),
	sections: z.array(
		z.object({
			level: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]),
			heading: z.string(),
			kind: z.enum(SECTION_KINDS),
			budget: z.number()
		})
	)
});

/** What came back, held against a plan as `core plan` prints it; sections are named by their headings. */
function replyTo(planPath: string, replyPath: string): Printed {
	const reader = new FileReader();
	const [planText, reply] = [reader.text(planPath), reader.text(replyPath)];
	if (planText === null || reply === null)
		return { out: json(reader.failed), err: '', code: codeOf(reader) };
	let read: z.infer<typeof planFile>;
	try {
		read = planFile.parse(JSON.parse(planText));
	} catch {
		return {
			out: json([{ file: planPath, error: 'is no plan as “core plan” prints it' }]),
			err: '',
			code: 1
		};
	}
	const plan = {
		title: read.title,
		sections: read.sections.map(({ level, heading, kind, budget }) => ({
			...newSection(heading, heading, budget),
			level,
			kind
		}))
	};
	return { out: json(shownReply(readReply(reply, plan))), err: '', code: 0 };
}

function ofEvidence(
	verb: VerbOfEvidence,
	analysis: Analysis,
	reader: FileReader,
	draft: string
): Printed {
	const printed = (value: object): Printed => ({
		out: json({ ...value, ...(reader.failed.length === 0 ? {} : { errors: reader.failed }) }),
		err: '',
		code: codeOf(reader)
	});
	const told = () => reader.failed.map(({ file, error }) => `${file}: ${error}\n`).join('');
	switch (verb) {
		case 'findings':
			return printed(shownFindings(analysis.findings));
		case 'plan':
			return printed(shownPlan(analysis.findings));
		case 'draft': {
			const plan = proposePlan(analysis.findings);
			const out = markdownOf(draftArticle(draftMaterialOf(analysis, plan)));
			return { out, err: told(), code: codeOf(reader) };
		}
		case 'standing': {
			const markdown = reader.text(draft);
			if (markdown === null) return { out: '', err: told(), code: 1 };
			return printed(standingOf(analysis, markdown));
		}
		case 'proof':
		case 'closeness': {
			const markdown = reader.text(draft);
			if (markdown === null) return { out: '', err: told(), code: 1 };
			return printed(
				verb === 'proof' ? shownProof(analysis, markdown) : shownCloseness(analysis, markdown)
			);
		}
	}
}

/** Where a draft stands among the pages, and the twenty steps that would gain most. */
function standingOf(analysis: Analysis, markdown: string): object {
	const doc = docFromMarkdown(markdown);
	const plan = proposePlan(analysis.findings);
	const yardstick = yardstickOf(analysis.findings, plan);
	const first = doc.content.find((node) => node.type === 'heading');
	const article = readArticle(doc, { terms: termIndexOf(yardstick), runs: runIndexOf(analysis) });
	const state = stateOf(
		article,
		{ titleTag: first ? docText(first) : '', description: '' },
		yardstick
	);
	const scored = scoreState(state, yardstick);
	return {
		...rounded(scored),
		heldBy: holdsOf(scored, state, yardstick).map(({ text, cost }) => ({
			text,
			cost: round(cost)
		})),
		words: state.words,
		pages: runThrough(standingsOf(analysis)).map((page) => ({ file: page.page, ...rounded(page) })),
		moves: nextBestMoves(state, yardstick, plan)
			.slice(0, 20)
			.map((move) => ({ ...move, gain: round(move.gain) }))
	};
}

function rounded({ standing, parts, held }: Standing): object {
	const each = (values: object) =>
		Object.fromEntries(
			Object.entries(values).map(([name, value]) => [name, round(value as number)])
		);
	return { standing: round(standing), parts: each(parts), held: each(held) };
}

function json(value: unknown): string {
	// JSON has no infinity: a volume that rose from nothing is written as planners write it
	return `${JSON.stringify(value, (_, each: unknown) => (each === Infinity ? '∞' : each), 2)}\n`;
}

function refused(message: string): Printed {
	return { out: '', err: `${message}\n`, code: 2 };
}

function codeOf({ failed }: FileReader): 0 | 1 {
	return failed.length > 0 ? 1 : 0;
}
