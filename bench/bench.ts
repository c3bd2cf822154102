// Times what users wait for, each beside a plain baseline in the same run: npm run bench
import { Readability } from '@mozilla/readability';
import { readFileSync, readdirSync } from 'node:fs';
import { parseHTML } from 'linkedom/worker';
import { parse, serialize } from 'parse5';
import { assembleFindings, NO_EDITS } from '../src/lib/core/findings';
import { workOnPage, type PageWork } from '../src/lib/core/reading';
import {
	clusterPhrases,
	filterRows,
	mergeLists,
	readKeywordList,
	runThrough,
	scoutRowsOf,
	sortRows,
	type Keyword,
	type ScoutCache
} from '../src/lib/core/keywords';
import { cleanPage, EMPTY_ARTICLE, type Block } from '../src/lib/core/pages';
import {
	fillGreedily,
	moveSection,
	placeTerms,
	proposePlan,
	solvePlacement,
	type Plan,
	type PlacementProblem
} from '../src/lib/core/plan';
import { yardstickOf, scoreState, stateOf, termIndexOf } from '../src/lib/core/standing';
import { closeWordsOf, indexRuns, readArticle, textOfBlocks } from '../src/lib/core/measure';
import { brandCheck, forbiddenCheck, mustSayCheck, Proofreader } from '../src/lib/core/proof';
import { LiveReading } from '../src/lib/ui/write/live-reading';
import { MANUSCRIPT_EXTENSIONS } from '../src/lib/ui/write/manuscript';
import {
	analyse,
	articleSign,
	standingsOf,
	WorkStore,
	type Evidence,
	type EvidencePage
} from '../src/lib/core/assignment';
import { getSchema } from '@tiptap/core';
import {
	docText,
	followPlan,
	paragraph,
	textNode,
	type BlockNode,
	type TakeDoc
} from '../src/lib/core/manuscript';
import { contentStemsOf, countWords } from '../src/lib/core/text';
import { demoFindings, demoTagger } from '../tests/support/demo';
import { add, at, printRows, shown, times, timesTogether } from './timing';
import {
	cleanedOf,
	headingRecall,
	plainTextOf,
	readLayouts,
	wordMatch,
	type Layout
} from '../tests/support/layouts';

const KEYWORD = 'how to build a dry stone wall';
const OPTIONS = { keyword: KEYWORD, targetWords: 1800, asked: [] };

/** Bytes on the heap that a result takes; needs node --expose-gc. */
function heapOf(make: () => unknown): number {
	const clean = (globalThis as { gc?: () => void }).gc ?? (() => {});
	clean();
	const before = process.memoryUsage().heapUsed;
	const made = make();
	clean();
	const after = process.memoryUsage().heapUsed;
	// the result has to be alive until it has been weighed
	return made === undefined ? 0 : after - before;
}

/** A made-up planner's export: subjects, purposes and a long tail of rare words. */
function keywordListText(rows: number): string {
	const subjects = ['stone wall', 'garden wall', 'gabion wall', 'gravel path', 'brick fence'];
	const purposes = ['cost', 'ideas', 'repair', 'height', 'drainage', 'tools', 'near me', 'kit'];
	const opens = ['how to build a', 'best', '', 'what is a', 'cheap'];
	const lines = ['Keyword,Avg. monthly searches,Three month change,YoY change,Competition'];
	for (let i = 0; i < rows; i++) {
		const words = [opens[i % 5], subjects[(i * 7) % 5], purposes[(i * 3) % 8], `kind ${i % 2000}`];
		lines.push(
			`${words.join(' ').trim()} ${i},"${1 + (i % 9)},${100 + (i % 900)}",+${i % 90}%,-${i % 40}%,Low`
		);
	}
	return lines.join('\n');
}

const demo = demoFindings();
const tag = demoTagger();
const stock = demo.pages.flatMap(({ blocks }) => blocks.filter(({ kind }) => kind === 'paragraph'));

/** Twenty pages of about 3,000 words: each demo page in turn, filled up with the others' paragraphs. */
const pages = Array.from({ length: 20 }, (_, i) => {
	const base = demo.pages[i % demo.pages.length]!;
	const blocks: Block[] = [];
	let words = 0;
	for (let k = i * 7; words < 3000; k++) {
		const own = base.blocks[blocks.length];
		const block = own ?? stock[k % stock.length]!;
		blocks.push(block);
		words += 'text' in block ? countWords(block.text) : 20;
	}
	return {
		id: `page-${i}`,
		title: base.titleTag,
		description: '',
		siteNames: [],
		blocks,
		links: 0
	};
});

{
	const files = readdirSync(new URL('../demo/pages/', import.meta.url)).map((name) =>
		readFileSync(new URL(`../demo/pages/${name}`, import.meta.url), 'utf8')
	);
	const clean = () => files.forEach((html) => cleanPage(html));
	const alone = () =>
		files.forEach((html) => new Readability(parseHTML(html).document as never).parse());
	// a browser's tree, as the library is meant to be given
	const conformant = () =>
		files.forEach((html) =>
			new Readability(parseHTML(serialize(parse(html))).document as never).parse()
		);
	const runs = [clean, alone, conformant];
	timesTogether(runs, 3);
	const [ours, theirs, whole] = timesTogether(runs, 15).map((ms) => at(ms, 0.5)) as [
		number,
		number,
		number
	];
	const megabytes = files.reduce((sum, html) => sum + html.length, 0) / 1e6;
	const pace = (ms: number) =>
		`${((1000 * files.length) / ms).toFixed(0)} pages/s, ${((1000 * megabytes) / ms).toFixed(2)} MB/s`;
	add(
		`clean ${files.length} demo pages`,
		`${shown(ours)} ms (${pace(ours)})`,
		`library alone ${shown(theirs)} ms (${pace(theirs)})`,
		ours / theirs,
		'≤ 2'
	);
	add(
		'the same',
		`${shown(ours)} ms`,
		`library after a conformant parse ${shown(whole)} ms`,
		ours / whole,
		'≤ 2'
	);
	const long = (n: number) =>
		`<article>${files[0]!.replace(/<\/?(?:html|head|body)[^>]*>/g, '').repeat(n)}</article>`;
	const [one, four] = [1, 4].map((n) =>
		at(
			times(() => cleanPage(long(4 * n)), 5),
			0.5
		)
	);
	add(
		'clean a page four times as long',
		`${shown(four!)} ms`,
		`the page ${shown(one!)} ms`,
		four! / one!,
		'≈ 4× (linear)'
	);
}

/** How well articles are told from what surrounds them, on the labelled layouts. */
const quality: Record<string, string>[] = [];
{
	const layouts = readLayouts();
	const aloneOf = (html: string) => {
		const { document } = parseHTML(html);
		return new Readability(document as never).parse()?.content ?? '';
	};
	const ways: readonly (readonly [string, (layout: Layout) => string])[] = [
		['cleaned', (layout) => cleanedOf(layout).text],
		['library alone', ({ html }) => plainTextOf(aloneOf(html))],
		['whole body', ({ html }) => plainTextOf(html)]
	];
	for (const [way, read] of ways) {
		const matches = layouts.map((layout) => wordMatch(read(layout), layout.expected));
		const mean = (part: 'precision' | 'recall' | 'f1') =>
			(matches.reduce((sum, match) => sum + match[part], 0) / matches.length).toFixed(4);
		const worst = matches.reduce((least, { f1 }, i) => (f1 < matches[least]!.f1 ? i : least), 0);
		quality.push({
			way,
			precision: mean('precision'),
			recall: mean('recall'),
			F1: mean('f1'),
			lowest: `${matches[worst]!.f1.toFixed(3)} ${layouts[worst]!.name}`
		});
	}
	const wanted = layouts.reduce((sum, { headings }) => sum + headings.length, 0);
	const hits = layouts.reduce(
		(sum, layout) =>
			sum + headingRecall(cleanedOf(layout).headings, layout.headings) * layout.headings.length,
		0
	);
	console.log(
		`Cleaning of ${layouts.length} labelled layouts; ${((100 * hits) / wanted).toFixed(1)}% of ${wanted} headings found`
	);
	console.table(quality);
}

const evidence: Evidence = {
	keyword: KEYWORD,
	targetWords: 1800,
	effort: 'pillar',
	grade: null,
	required: [],
	secondary: [],
	notes: [],
	listed: [],
	edits: NO_EDITS,
	pages: pages.map(({ id, title, blocks }): EvidencePage => {
		const article = {
			...EMPTY_ARTICLE,
			title,
			blocks: blocks.map((block) => ({ block, dropped: null }))
		};
		return { id, name: title, sign: articleSign(article), struck: [], article };
	})
};
let works: readonly PageWork[] = [];
{
	const analysed = (of: Evidence, store: WorkStore) => runThrough(analyse(of, store));
	const texts = pages.map(({ blocks }) => textOfBlocks(blocks));
	const tagging = at(
		times(() => texts.forEach((page) => tag(page)), 3),
		0.5
	);
	const cold = times(() => {
		works = analysed(evidence, new WorkStore(tag)).pages.map(({ work }) => work);
	}, 3);
	add(
		'findings, 20 pages of 3,000 words',
		`${shown(at(cold, 0.5))} ms`,
		`part-of-speech pass ${shown(tagging)} ms`,
		at(cold, 0.5) / tagging,
		'≤ 3000 ms'
	);
	const warm = times(() => analysed(evidence, new WorkStore(tag)), 4);
	add(
		'the same, warm',
		`${shown(at(warm, 0.5))} ms`,
		`part-of-speech pass ${shown(tagging)} ms`,
		at(warm, 0.5) / tagging,
		'≤ 1200 ms, ≤ 2×'
	);
	const store = new WorkStore(tag);
	analysed(evidence, store);
	const [first, ...others] = evidence.pages;
	let struck = 0;
	const changed = times(
		() => analysed({ ...evidence, pages: [{ ...first!, struck: [struck++] }, ...others] }, store),
		5
	);
	add(
		'one block struck out, all findings again',
		`${shown(at(changed, 0.5))} ms`,
		`all work again ${shown(at(cold, 0.5))} ms`,
		at(changed, 0.5) / at(cold, 0.5),
		'–'
	);
	// a first round fills what is kept for single pages
	analysed(evidence, store);
	const aside = times(() => analysed({ ...evidence, pages: others }, store), 9);
	add(
		'one page set aside, all findings again',
		`${shown(at(aside, 0.5))} ms`,
		`all work again ${shown(at(cold, 0.5))} ms`,
		at(aside, 0.5) / at(cold, 0.5),
		'≤ 150 ms'
	);
	const few = { ...evidence, pages: evidence.pages.slice(0, 6) };
	const scored = analysed(few, store);
	const standings = times(() => runThrough(standingsOf(scored)), 3);
	add(
		'standings of six of the pages, each with itself left out',
		`${shown(at(standings, 0.5))} ms`,
		`part-of-speech pass ${shown(tagging)} ms`,
		at(standings, 0.5) / tagging,
		'–'
	);
	const once = at(
		times(() => pages.forEach((page) => workOnPage(page, tag)), 3),
		0.5
	);
	const twice = at(
		times(
			() =>
				pages.forEach((page) =>
					workOnPage({ ...page, blocks: page.blocks.flatMap((block) => [block, block]) }, tag)
				),
			3
		),
		0.5
	);
	add(
		'work on pages twice as long',
		`${shown(twice)} ms`,
		`as they are ${shown(once)} ms`,
		twice / once,
		'≈ 2× (linear)'
	);
	const text = pages.reduce((sum, { blocks }) => sum + textOfBlocks(blocks).length, 0);
	const kept = heapOf(() => pages.map((page) => workOnPage(page, tag)));
	add(
		'memory of the work on 20 pages',
		`${(kept / 1e6).toFixed(0)} MB`,
		`their text ${((2 * text) / 1e6).toFixed(1)} MB`,
		kept / (2 * text),
		'–'
	);
}

{
	const findings = assembleFindings(works, [], { ...OPTIONS, targetWords: 5000 });
	const plan = proposePlan(findings);
	const place = times(() => placeTerms(findings, plan.sections), 5);
	const greedy = plan.sections.reduce((sum, { terms }) => sum + terms.length, 0);
	const propose = times(() => proposePlan(findings), 3);
	add(
		`plan, ${plan.sections.length} sections × ${findings.terms.length} terms, gap ${((100 * (plan.bound - plan.value)) / plan.bound).toFixed(2)}%`,
		`${shown(at(propose, 0.5))} ms`,
		`placement alone ${shown(at(place, 0.5))} ms (${greedy} placed)`,
		at(propose, 0.5) / at(place, 0.5),
		'≤ 1000 ms, ≤ 1%'
	);
}

{
	// made-up affinities, as scattered as those of real plans: one in three terms suits a section
	let state = 7;
	const random = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
	const posed = (terms: number, sections: number): PlacementProblem => ({
		gains: Array.from({ length: terms }, () =>
			Array.from({ length: sections }, () => (random() < 0.33 ? 3 * random() : 0))
		),
		needs: Array.from({ length: terms }, () => 1 + Math.floor(5 * random())),
		room: Array.from({ length: sections }, () => 4 + Math.floor(10 * random())),
		firstUse: Array.from({ length: terms }, () => 0.5 + random()),
		mostHere: Array.from({ length: terms }, () => 3),
		mostOfOne: Array.from({ length: sections }, () => 3),
		spread: Array.from({ length: terms }, () => 3),
		repeat: 0.9
	});
	for (const [terms, sections] of [
		[200, 25],
		[300, 60]
	] as const) {
		const problem = posed(terms, sections);
		const nothing = problem.gains.map((row) => row.map(() => 0));
		const exact = times(() => solvePlacement(problem), 3);
		const greed = times(() => fillGreedily(problem, nothing), 3);
		const { value, bound } = solvePlacement(problem);
		const gap = (100 * (bound - value)) / bound;
		const more = (100 * value) / fillGreedily(problem, nothing).value - 100;
		add(
			`placement, ${sections} sections × ${terms} terms, gap ${gap.toFixed(2)}%, ${more.toFixed(1)}% above greed`,
			`${shown(at(exact, 0.5))} ms`,
			`greed ${shown(at(greed, 0.5))} ms`,
			at(exact, 0.5) / at(greed, 0.5),
			terms === 200 ? '≤ 1000 ms, ≤ 1%' : '–'
		);
	}
}

{
	const findings = demo.findings;
	const plan = proposePlan(findings);
	const yardstick = yardstickOf(findings, plan);
	const index = termIndexOf(yardstick);
	const texts = pages.map(({ blocks }) => textOfBlocks(blocks));
	const build = times(() => indexRuns(texts), 3);
	const runs = indexRuns(texts);
	const content: BlockNode[] = [];
	let words = 0;
	for (let i = 0; words < 10_000; i++) {
		const block = stock[i % stock.length]!;
		const text = 'text' in block ? block.text : '';
		content.push(
			i % 6 === 0
				? {
						type: 'heading',
						attrs: { level: 2, section: plan.sections[(i / 6) % plan.sections.length]!.id },
						content: [textNode(`Part ${i}`)]
					}
				: paragraph(textNode(text.split(' ').reverse().join(' ')))
		);
		words += countWords(text);
	}
	const doc: TakeDoc = { type: 'doc', content };
	const whole = doc.content.map(docText).join('\n');
	const look = times(() => closeWordsOf(whole, runs), 5);
	add(
		'closeness of 10,000 words to 20 pages',
		`${shown(at(look, 0.5))} ms`,
		`index once ${shown(at(build, 0.5))} ms`,
		at(look, 0.5) / at(build, 0.5),
		'≤ 15 ms, index ≤ 200 ms'
	);

	const moved: Plan = { ...plan, sections: moveSection(plan.sections, plan.sections[3]!.id, 1) };
	const followed = times(() => followPlan(doc, plan, moved), 5);
	add(
		`a moved section followed by a manuscript of ${words.toLocaleString('en')} words`,
		`${shown(at(followed, 0.5))} ms`,
		`closeness ${shown(at(look, 0.5))} ms`,
		at(followed, 0.5) / at(look, 0.5),
		'–'
	);

	// the editor's own document, as a keystroke leaves it: one paragraph is another node
	const schema = getSchema([...MANUSCRIPT_EXTENSIONS]);
	const written = schema.nodeFromJSON(doc);
	const middle = Math.floor(written.childCount / 2);
	let typed = written.child(middle).textContent;
	const live = new LiveReading(findings, plan, runs);
	const shownIn = (document: typeof written) => ({ state: { doc: document } }) as never;
	live.read(shownIn(written));
	const full = times(
		() => scoreState(stateOf(readArticle(doc, { terms: index, runs }), plan, yardstick), yardstick),
		5
	);
	const keys = times(() => {
		typed += 'a';
		const paragraph = schema.nodes.paragraph!.create(null, schema.text(typed));
		live.read(shownIn(written.copy(written.content.replaceChild(middle, paragraph))));
	}, 200);
	add(
		`one keystroke in ${words.toLocaleString('en')} words, ${yardstick.terms.length} terms: the editor’s node, recount, standing and slips`,
		`${shown(at(keys, 0.5))} ms, p95 ${shown(at(keys, 0.95))} ms`,
		`full recount ${shown(at(full, 0.5))} ms`,
		at(keys, 0.5) / at(full, 0.5),
		'≤ 8 ms, p95 ≤ 16 ms, ≤ 0.05×'
	);
	const proof = new Proofreader({
		blocks: [forbiddenCheck(['game-changer', 'mortar bed']), brandCheck([])],
		article: [mustSayCheck(['a wall stands without mortar'])]
	});
	const first = times(() => proof.read(readArticle(doc, { terms: index, runs })), 3);
	const reading = live.read(shownIn(written)).article;
	proof.read(reading);
	const marking = times(() => proof.read(reading), 20);
	add(
		'marks of the same text, nothing changed since',
		`${shown(at(marking, 0.5))} ms`,
		`read and checked from scratch ${shown(at(first, 0.5))} ms`,
		at(marking, 0.5) / at(first, 0.5),
		'–'
	);
}

{
	const list = keywordListText(50_000);
	let read: readonly Keyword[] = [];
	const reading = times(() => {
		const result = runThrough(readKeywordList(list));
		if (result.kind === 'read') read = result.list.rows;
	}, 3);
	const plain = times(() => list.split('\n').map((line) => line.split(',')), 3);
	add(
		`keyword list, ${read.length.toLocaleString('en')} rows read and understood`,
		`${shown(at(reading, 0.5))} ms`,
		`splitting lines ${shown(at(plain, 0.5))} ms`,
		at(reading, 0.5) / at(plain, 0.5),
		'in a worker, with progress'
	);

	const options = { today: '2026-11-24' };
	const merged = mergeLists([read]);
	const cache: ScoutCache = new WeakMap();
	const first = times(() => scoutRowsOf(merged, [], options), 3);
	scoutRowsOf(merged, [], options, cache);
	const again = times(
		() => scoutRowsOf(merged, [{ key: 'stone wall 1 kind 1', isStruck: true }], options, cache),
		5
	);
	add(
		'one phrase of them changed: all rows again',
		`${shown(at(again, 0.5))} ms`,
		`every row anew ${shown(at(first, 0.5))} ms`,
		at(again, 0.5) / at(first, 0.5),
		'–'
	);

	const scouted = scoutRowsOf(merged, [], options, cache);
	const none = new Map<string, string>();
	const filtering = times(
		() =>
			sortRows(
				filterRows(
					scouted,
					[
						{ kind: 'number', field: 'volume', bound: 'most', value: 250 },
						{ kind: 'text', text: 'wall', isWithout: false }
					],
					none
				),
				{ field: 'opening', isDescending: true },
				none
			),
		7
	);
	const copying = times(() => [...scouted].sort((a, b) => (a.key < b.key ? -1 : 1)), 3);
	add(
		'filter and sort them',
		`${shown(at(filtering, 0.5))} ms`,
		`sort by name alone ${shown(at(copying, 0.5))} ms`,
		at(filtering, 0.5) / at(copying, 0.5),
		'smooth: under 100 ms'
	);

	for (const count of [5_000, 50_000]) {
		const input = scouted.slice(0, count).map((row) => ({
			...row,
			intent: row.searchIntent,
			addresses: null,
			given: ''
		}));
		let clusters = 0;
		const clustering = times(() => (clusters = runThrough(clusterPhrases(input)).length), 3);
		const stems = times(() => input.map(({ phrase }) => contentStemsOf(phrase)), 3);
		add(
			`${input.length.toLocaleString('en')} phrases put into ${clusters} clusters`,
			`${shown(at(clustering, 0.5))} ms`,
			`stemming them ${shown(at(stems, 0.5))} ms`,
			at(clustering, 0.5) / at(stems, 0.5),
			count === 5_000 ? '≤ 2 s' : 'in a worker, with progress'
		);
	}
}

printRows();
