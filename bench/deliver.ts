// Times proofreading and handing over on 10,000 words: an article of tests/fixtures/jobs, repeated with its paragraphs changed.
import { proofEvidenceIn, runIndexOf } from '../src/lib/core/assignment';
import {
	articleMarkdown,
	htmlPageOf,
	linkOffersOf,
	makeArticle,
	NO_DELIVERY_CHOICES,
	NO_REFERENCES,
	scriptOf
} from '../src/lib/core/deliver';
import {
	docOf,
	docText,
	heading,
	paragraph,
	textNode,
	type BlockNode
} from '../src/lib/core/manuscript';
import { ArticleReader } from '../src/lib/core/measure';
import { checksOf, Proofreader } from '../src/lib/core/proof';
import { proposePlan } from '../src/lib/core/plan';
import { termIndexOf } from '../src/lib/core/standing';
import { countWords, wordsOf } from '../src/lib/core/text';
import { draftArticle } from '../src/lib/core/writers';
import { draftMaterialOf } from '../src/lib/core/assignment';
import { jobAnalysis } from '../tests/support/job-analysis';
import { add, at, printRows, shown, times } from './timing';

const analysis = jobAnalysis('sleeping-bag');
const plan = proposePlan(analysis.findings);
const draft = draftArticle(draftMaterialOf(analysis, plan));
const blocks: BlockNode[] = [];
for (let round = 0, words = 0; words < 10_000; round++)
	for (const node of draft.content) {
		if (node.type === 'gap' || words >= 10_000) continue;
		const text = docText(node);
		// no paragraph is the same as another one
		blocks.push(
			node.type === 'heading'
				? heading(node.attrs.level, `${text} ${round}`)
				: paragraph(textNode(`${text} Round ${round} was done.`))
		);
		words += countWords(text);
	}
const doc = docOf(blocks);
const text = doc.content.map(docText).join('\n');
const median = (run: () => void, rounds = 7) => at(times(run, rounds), 0.5);

{
	const evidence = proofEvidenceIn(analysis, plan, null, (source) => source);
	const rules = {
		mustSay: [],
		mustNotSay: [],
		brands: [],
		titleTag: plan.titleTag,
		description: plan.description,
		callToAction: '',
		required: [],
		off: [],
		thisYear: 2026
	};
	const open = () => {
		const checks = checksOf(evidence, rules);
		return {
			reader: new ArticleReader({
				terms: termIndexOf(evidence.yardstick),
				runs: runIndexOf(analysis)
			}),
			proofreader: new Proofreader(checks)
		};
	};
	const counting = median(() => wordsOf(text));
	const cold = median(() => {
		const { reader, proofreader } = open();
		proofreader.read(reader.readDoc(doc));
	}, 3);
	const words = countWords(text).toLocaleString('en');
	add(
		`all checks on ${words} words, cold`,
		`${shown(cold)} ms`,
		`cutting its words ${shown(counting)} ms`,
		cold / counting,
		'≤ 1.5 s'
	);
	const { reader, proofreader } = open();
	proofreader.read(reader.readDoc(doc));
	let round = 0;
	const changed = median(() => {
		const content = [...doc.content];
		content[9] = paragraph(textNode(`A paragraph that is typed, for the ${round++}th time.`));
		proofreader.read(reader.readDoc(docOf(content)));
	});
	add(
		'all checks after one paragraph has changed',
		`${shown(changed)} ms`,
		`cold ${shown(cold)} ms`,
		changed / cold,
		'≤ 150 ms'
	);
}

{
	const own = [...new Set(wordsOf(text).map((word) => word.text.toLowerCase()))];
	const links = Array.from({ length: 20_000 }, (_, i) => ({
		phrase: `${own[i % own.length]!} ${own[(i * 7 + 3) % own.length]!}${i % 3 === 0 ? ` ${own[(i * 13) % own.length]!}` : ''}`,
		address: `https://shop.example/${i}`
	}));
	const looking = median(() => {
		const lower = text.toLowerCase();
		for (const { phrase } of links.slice(0, 2000)) lower.indexOf(phrase);
	}, 3);
	const offering = median(() => linkOffersOf(doc, [...links], ''), 5);
	add(
		'links out of 20,000 rows for 10,000 words',
		`${shown(offering)} ms`,
		`looking for 2,000 of the phrases one by one ${shown(looking)} ms`,
		offering / looking,
		'≤ 100 ms'
	);
}

{
	const make = () =>
		makeArticle(doc, {
			head: {
				title: plan.title,
				titleTag: plan.titleTag,
				description: plan.description,
				slug: plan.slug,
				keyword: analysis.findings.keyword,
				language: 'en-GB',
				author: '',
				publisher: '',
				publishedOn: '',
				changedOn: '',
				address: ''
			},
			choices: NO_DELIVERY_CHOICES,
			takeaways: [],
			references: NO_REFERENCES,
			remarks: [],
			furtherReading: [],
			pictures: new Map()
		});
	const article = make();
	const making = median(() => make());
	for (const [name, run] of [
		['the page', () => void htmlPageOf(article)],
		['Markdown', () => void articleMarkdown(article)],
		['the script', () => void scriptOf(article, 150)]
	] as const) {
		const ms = median(run);
		add(
			`10,000 words as ${name}`,
			`${shown(ms)} ms`,
			`making the document ${shown(making)} ms`,
			ms / making,
			'–'
		);
	}
}
printRows();
