import { readFileSync } from 'node:fs';
import {
	proofEvidenceIn,
	proofSourcesOf,
	runIndexOf,
	type Analysis
} from '../../src/lib/core/assignment';
import {
	docFromMarkdown,
	docText,
	paragraph,
	textNode,
	type BlockNode,
	type TakeDoc
} from '../../src/lib/core/manuscript';
import { readArticle, type Ruler } from '../../src/lib/core/measure';
import {
	checksOf,
	Proofreader,
	type Mark,
	type ProofEvidence,
	type ProofRules,
	type ReadFor
} from '../../src/lib/core/proof';
import { quantitiesOf } from '../../src/lib/core/reading';
import { termIndexOf } from '../../src/lib/core/standing';
import { spellerOf } from '../../scripts/core/speller';
import { jobAnalysis } from './job-analysis';

const AMERICAN = new Set(['house-move', 'running-shoes-wear']);

/** An article with what it is proofread against. */
export interface ProofJob {
	readonly analysis: Analysis;
	readonly evidence: ProofEvidence;
	readonly ruler: Ruler;
	readonly article: TakeDoc;
}

export function proofJob(name: string): ProofJob {
	const analysis = jobAnalysis(name);
	const evidence = proofEvidenceIn(
		analysis,
		null,
		spellerOf(AMERICAN.has(name) ? 'american' : 'british')
	);
	const file = new URL(`../fixtures/jobs/${name}/standing/article.md`, import.meta.url);
	return {
		analysis,
		evidence,
		ruler: { terms: termIndexOf(evidence.yardstick), runs: runIndexOf(analysis) },
		article: docFromMarkdown(readFileSync(file, 'utf8'))
	};
}

/** What a text is asked to be where brief and client ask for nothing. */
export function rulesFor({ evidence }: ProofJob): ProofRules {
	const { keyword } = evidence.findings;
	return {
		mustSay: [],
		mustNotSay: [],
		brands: [],
		titleTag: keyword,
		description: `${keyword}, told by people who have done it more often than they can count, with what it costs.`,
		callToAction: '',
		required: [],
		off: [],
		thisYear: 2026
	};
}

/** Marks of a text as it would be handed in, title tag and description left aside. */
export function marksOf(job: ProofJob, doc: TakeDoc): Mark[] {
	const checks = checksOf(job.evidence, rulesFor(job));
	return new Proofreader(checks).read(readArticle(doc, job.ruler));
}

/** A fault that was planted: its kind, the block it stands in, what reads for it, and the words. */
export interface Planted {
	readonly kind: string;
	readonly reads: ReadFor;
	readonly block: number;
	readonly words: string;
}

const CLAIMS = [
	'A survey by the Council of Northmere found that 83% of owners would do it again.',
	'It costs £7,340 more in the long run.',
	'Studies show that most people give up within 19 days.'
];
const LEFTOVERS = [
	'Sure! Here is the next section of your article.',
	'In the next section, we will look at what comes after it.',
	'[Insert a customer story here]',
	'I hope this helps you with your project.',
	'In conclusion, it is a matter of patience.',
	'## And this is where it begins to matter.',
	'As an AI language model, I cannot try this out.'
];
const GRAMMAR = [
	'You could of seen it from the road.',
	'It is heavier then the one before it.',
	'They was in no hurry to come.',
	'Take an hammer to it.',
	'Keep it it in a dry place.',
	'Your going to need more time.'
];

/**
 * Plants twenty faults of seven kinds into an article, each in a paragraph of its own choosing; the same
 * seed plants the same.
 */
export function plant(job: ProofJob, seed: number): { doc: TakeDoc; planted: Planted[] } {
	let state = seed;
	const random = (n: number) => {
		state = (Math.imul(state, 1103515245) + 12345) & 0x7fffffff;
		return (state >>> 8) % n;
	};
	const pick = <T>(list: readonly T[]): T => list[random(list.length)]!;
	const blocks: BlockNode[] = [...job.article.content];
	const planted: Planted[] = [];
	const paragraphs = blocks.flatMap((block, at) =>
		block.type === 'paragraph' && docText(block).length > 60 ? [at] : []
	);
	/** Paragraphs without a fault, while there are some. */
	const prose = () => {
		const free = paragraphs.filter((at) => !planted.some(({ block }) => block === at));
		return free.length > 0 ? free : paragraphs;
	};
	const put = (kind: string, reads: ReadFor, at: number, text: string, words: string) => {
		blocks[at] = paragraph(textNode(text));
		planted.push({ kind, reads, block: at, words });
	};
	const behind = (kind: string, reads: ReadFor, added: string) => {
		const at = pick(prose());
		put(kind, reads, at, `${docText(blocks[at]!)} ${added}`, added);
	};

	for (let i = 0; i < 4; i++) {
		const places = prose().filter((at) => figureIn(docText(blocks[at]!)) !== null);
		if (places.length === 0) break;
		const at = pick(places);
		const text = docText(blocks[at]!);
		const figure = figureIn(text)!;
		const changed = figure.replace(/\d+/, (n) => String(Number(n) * 3 + 17));
		put('figure changed', 'claims', at, text.replace(figure, changed), changed);
	}
	for (let i = 0; i < 3; i++) behind('claim added', 'claims', CLAIMS[i]!);
	const said = proofSourcesOf(job.analysis)
		.filter(({ isNote }) => !isNote)
		.flatMap(({ statements }) => statements)
		.filter((text) => text.split(' ').length >= 18 && text.split(' ').length <= 32);
	for (let i = 0; i < 3; i++)
		behind('passage copied', 'close', withThreeChanged(pick(said), random));
	for (let i = 0; i < 2; i++) {
		const term = job.evidence.findings.terms[i * 3]!.phrase;
		const words = Array.from(
			{ length: 12 },
			(_, n) => `${['With', 'No', 'Every', 'More'][n % 4]!} ${term} counts.`
		);
		behind('term stuffed', i === 0 ? 'terms' : 'terms', words.join(' '));
	}
	for (let i = 0; i < 3; i++)
		behind('leftover', 'leftovers', LEFTOVERS[(seed + 2 * i) % LEFTOVERS.length]!);
	for (let i = 0; i < 3; i++) {
		const at = pick(prose());
		const text = docText(blocks[at]!);
		const word = pick(text.match(/(?<![\p{L}'-])\p{Ll}{7,12}(?![\p{L}'-])/gu) ?? ['']);
		if (word === '') continue;
		const slip = `${word.slice(0, 3)}${word[4]}${word[3]}${word.slice(5)}`;
		put('slip of spelling', 'spelling', at, text.replace(word, slip), slip === word ? '' : slip);
	}
	for (let i = 0; i < 2; i++)
		behind('slip of grammar', 'spelling', GRAMMAR[(seed + 3 * i) % GRAMMAR.length]!);
	return {
		doc: { ...job.article, content: blocks },
		planted: planted.filter(({ words }) => words !== '')
	};
}

/** The first figure in digits that can be changed. */
function figureIn(text: string): string | null {
	const figure = quantitiesOf(text).find(
		({ kind, text: shown, value }) => kind !== 'year' && /^[£$€]?\d+\D*$/.test(shown) && value > 1
	);
	return figure?.text ?? null;
}

function withThreeChanged(text: string, random: (n: number) => number): string {
	const words = text.split(' ');
	const others = ['gently', 'splendid', 'harbour'];
	for (const other of others) words[Math.floor((random(90) / 90) * words.length)] = other;
	return words.join(' ');
}

/** Whether a mark speaks of a planted fault. */
export function isFound({ reads, block, words }: Planted, marks: readonly Mark[]): boolean {
	return marks.some(
		(mark) =>
			mark.reads === reads &&
			mark.place?.block === block &&
			(words.includes(mark.quote) || mark.quote.includes(words) || mark.sentence.includes(words))
	);
}
