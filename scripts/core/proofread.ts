// What the command line says of a text that is proofread.
import {
	proofEvidenceIn,
	proofSourcesOf,
	runIndexOf,
	type Analysis
} from '../../src/lib/core/assignment';
import { docFromMarkdown, docText, type TakeDoc } from '../../src/lib/core/manuscript';
import { readArticle, type ArticleReading } from '../../src/lib/core/measure';
import {
	checksOf,
	closenessCheck,
	PassageIndex,
	Proofreader,
	type Claim,
	type Mark
} from '../../src/lib/core/proof';
import { termIndexOf } from '../../src/lib/core/standing';
import { dialectOf, easeOf, gradeOf, indexTerms, readingSumsOf } from '../../src/lib/core/text';
import { round } from './shown';
import { spellerOf } from './speller';

/** Marks and claims of a draft, as it is read against pages and notes. */
export function shownProof(analysis: Analysis, markdown: string): object {
	const doc = docFromMarkdown(markdown);
	const texts = analysis.evidence.notes.map(({ text }) => text).join('\n');
	const evidence = proofEvidenceIn(analysis, null, spellerOf(dialectOf(texts || markdown)));
	const checks = checksOf(evidence, {
		mustSay: [],
		mustNotSay: [],
		brands: [],
		titleTag: titleIn(doc),
		description: '',
		callToAction: '',
		required: [],
		off: [],
		thisYear: new Date().getFullYear()
	});
	const article = readArticle(doc, {
		terms: termIndexOf(evidence.yardstick),
		runs: runIndexOf(analysis)
	});
	const sectionOf = sectionsIn(article);
	return {
		marks: new Proofreader(checks).read(article).map((mark) => ({
			check: mark.reads,
			about: mark.about,
			quote: mark.quote,
			reason: mark.reason,
			section: sectionOf(mark),
			fixes: mark.fixes.map(({ replacement }) => replacement)
		})),
		claims: checks.claimsOf(article).map((claim) => shownClaim(claim, sectionOf(claim)))
	};
}

function shownClaim({ quote, sentence, backing, same, other }: Claim, section: string): object {
	return { quote, sentence, backing, section, same, other };
}

/** What of a draft stands in pages, word for word or nearly so. */
export function shownCloseness(analysis: Analysis, markdown: string): object {
	const article = readArticle(docFromMarkdown(markdown), {
		terms: indexTerms([]),
		runs: runIndexOf(analysis)
	});
	const names = new Map(analysis.pages.map(({ work }) => [work.id, work.id]));
	const index = new PassageIndex(proofSourcesOf(analysis).filter(({ isNote }) => !isNote));
	const check = closenessCheck(index, (page) => names.get(page) ?? page);
	const marks = new Proofreader({ blocks: [check], article: [] }).read(article);
	return {
		ownWords: round(article.words === 0 ? 1 : 1 - article.closeWords / article.words),
		passages: marks.map(({ quote, beside, reason }) => ({
			text: quote,
			words: quote.split(/\s+/).length,
			file: beside[0]?.source ?? '',
			pageText: beside[0]?.text ?? '',
			kind: reason.startsWith('Nearly') ? 'nearly' : 'run'
		}))
	};
}

/** How hard the running text of a file is to read. */
export function shownReadability(file: string, markdown: string): object {
	const text = docFromMarkdown(markdown)
		.content.filter(({ type }) => type !== 'heading' && type !== 'table')
		.map(docText)
		.join('\n');
	const sums = readingSumsOf(text);
	const { words, sentences, syllables } = sums;
	return {
		file,
		words,
		sentences,
		syllables,
		fleschEase: round(easeOf(sums)),
		grade: round(gradeOf(sums))
	};
}

function titleIn({ content }: TakeDoc): string {
	const first = content.find(({ type }) => type === 'heading');
	return first ? docText(first) : '';
}

/** Heading of the section that a mark or a claim stands in. */
function sectionsIn({
	sections
}: ArticleReading): (found: Pick<Mark, 'place'> | Pick<Claim, 'place'>) => string {
	return ({ place }) =>
		(place && sections.find(({ from, to }) => from <= place.block && place.block < to)?.heading) ??
		'';
}
