// How well findings agree with people's labels, each beside a plain baseline: npm run quality
import { quantitiesOf } from '../src/lib/core/reading';
import {
	factQuality,
	figuresByPattern,
	foundTerms,
	frequentRuns,
	headingsAlone,
	questionQuality,
	questionsByStems,
	termQuality,
	topicQuality,
	topicsByStems,
	type Grouping
} from '../tests/support/quality';
import { demoFindings } from '../tests/support/demo';
import { cleaningOf, readJobs } from '../tests/support/jobs';
import { cleanedOf, headingRecall, readLayouts, wordMatch } from '../tests/support/layouts';
import { hideEach, meanLanded } from '../tests/support/hide-one';
import { readDemoTopics, readSubjects, type Subject } from '../tests/support/subjects';

const isDetailed = process.argv.includes('--detail');
const subjects = readSubjects();

interface Way {
	readonly name: string;
	/** Figures of one subject, by column. */
	readonly of: (subject: Subject) => Readonly<Record<string, number>>;
}

/** Prints every way's figures, subject by subject and on average. */
function show(title: string, ways: readonly Way[]): void {
	console.log(title);
	console.table(
		ways.map(({ name, of }) => {
			const all = subjects.map(of);
			const row: Record<string, string> = { way: name };
			for (const column of Object.keys(all[0]!)) {
				const values = all.map((one) => one[column]!);
				subjects.forEach(({ name: subject }, i) => {
					row[`${subject} ${column}`] = values[i]!.toFixed(3);
				});
				row[`mean ${column}`] = (values.reduce((sum, n) => sum + n, 0) / values.length).toFixed(3);
			}
			return row;
		})
	);
}

const meanOf = (values: readonly number[]) =>
	values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

{
	console.log(
		'Cleaning: words (both ways together) and headings kept; rules were set on these pages'
	);
	const layouts = readLayouts().map((layout) => {
		const { text, headings } = cleanedOf(layout);
		return {
			f1: wordMatch(text, layout.expected).f1,
			headings: headingRecall(headings, layout.headings)
		};
	});
	const rows = readJobs().map(({ name, pages }) => {
		const matches = pages.filter(({ isAside }) => !isAside).map(cleaningOf);
		const [found, wanted] = [
			meanOf(matches.map((match) => match.found)),
			meanOf(matches.map((match) => match.wanted))
		];
		const f1 = matches.map((match) => match.f1);
		return { pages: name, mean: meanOf(f1), lowest: Math.min(...f1), headings: found / wanted };
	});
	const own = layouts.map(({ f1 }) => f1);
	rows.push({
		pages: `${layouts.length} layouts of our own`,
		mean: meanOf(own),
		lowest: Math.min(...own),
		headings: meanOf(layouts.map(({ headings }) => headings))
	});
	console.table(
		rows.map(({ pages, mean, lowest, headings }) => ({
			pages,
			words: mean.toFixed(3),
			lowest: lowest.toFixed(3),
			headings: headings.toFixed(3)
		}))
	);
}

const groups = ({ bCubed, pairs }: Grouping) => ({ 'B³': bCubed.f1, pairs: pairs.f1 });

show('Useful terms among the first thirty (goal 0.83)', [
	{ name: 'findings', of: (subject) => ({ '': termQuality(foundTerms(subject), subject).share }) },
	{
		name: 'frequent runs of words',
		of: (subject) => ({ '': termQuality(frequentRuns(subject), subject).share })
	}
]);
show('Headings merged into topics (goal B³ 0.80, headings alone 0.74)', [
	{ name: 'findings', of: (subject) => groups(topicQuality(subject, subject.works)) },
	{
		name: 'findings, headings alone',
		of: (subject) => groups(topicQuality(subject, headingsAlone(subject)))
	},
	{ name: 'half of the stems shared', of: (subject) => groups(topicsByStems(subject)) },
	{
		name: 'every heading alone',
		of: (subject) => groups(topicQuality(subject, []))
	}
]);
{
	const { pages } = demoFindings();
	const labelled = { keyword: 'how to build a dry stone wall', topics: readDemoTopics() };
	const works = pages.map(({ work }) => work);
	const row = (way: string, { bCubed, pairs }: Grouping) => ({
		way,
		'B³': bCubed.f1.toFixed(3),
		precision: bCubed.precision.toFixed(3),
		recall: bCubed.recall.toFixed(3),
		pairs: pairs.f1.toFixed(3)
	});
	console.log(`The same for the ${labelled.topics.size} headings of the demo`);
	console.table([
		row('findings', topicQuality(labelled, works)),
		row('half of the stems shared', topicsByStems(labelled))
	]);
}
show('Questions merged', [
	{ name: 'findings', of: (subject) => groups(questionQuality(subject)) },
	{ name: 'half of the stems shared', of: (subject) => groups(questionsByStems(subject)) }
]);
{
	const demo = {
		name: 'demo',
		keyword: 'how to build a dry stone wall',
		works: demoFindings().pages.map(({ work }) => work)
	};
	const landed = [...subjects, demo].map(({ name, works, keyword }) => ({
		name,
		...meanLanded(hideEach(works, keyword))
	}));
	const ways = [
		['placed', 'placed'],
		['greedy, same affinities', 'greedy'],
		['words of the heading', 'headings'],
		['the same without limits', 'freely'],
		['anywhere', 'random']
	] as const;
	console.log('Terms that land where a hidden page used them (goal 1.5 × words of the heading)');
	console.table(
		ways.map(([way, key]) => ({
			way,
			...Object.fromEntries(landed.map((one) => [one.name, one[key].toFixed(3)])),
			mean: (landed.reduce((sum, one) => sum + one[key], 0) / landed.length).toFixed(3)
		}))
	);
}
const figures = (sentence: string) => quantitiesOf(sentence).map(({ text }) => text);
const factRow = (of: (sentence: string) => readonly string[]) => (subject: Subject) => {
	const { precision, recall } = factQuality(subject, of);
	return { precision, recall };
};
show('Figures found (goal precision 0.9 at recall 0.8)', [
	{ name: 'findings', of: factRow(figures) },
	{ name: 'number and next word', of: factRow(figuresByPattern) }
]);

if (isDetailed) {
	for (const subject of subjects) {
		const { missed, invented } = factQuality(subject, figures);
		console.log(subject.name, {
			'strays among terms': termQuality(foundTerms(subject), subject).strays,
			'figures missed': missed,
			'figures invented': invented
		});
	}
}
