// Times plan, draft, what became of the notes, replies and differences on an assignment of tests/fixtures/jobs.
import { draftMaterialOf } from '../src/lib/core/assignment';
import { docFromMarkdown, markdownOf } from '../src/lib/core/manuscript';
import { proposePlan } from '../src/lib/core/plan';
import { contentStemsOf, countWords } from '../src/lib/core/text';
import {
	blockChanges,
	draftArticle,
	noteFatesOf,
	readReply,
	wordChanges
} from '../src/lib/core/writers';
import { jobAnalysis, jobTexts } from '../tests/support/job-analysis';
import { add, at, printRows, shown, times } from './timing';

const analysis = jobAnalysis('sleeping-bag');
const { findings } = analysis;
const noteWords = findings.notePassages.reduce((sum, { words }) => sum + words, 0);

const plan = proposePlan(findings);
{
	const ours = at(
		times(() => proposePlan(findings), 5),
		0.5
	);
	const stems = at(
		times(
			() =>
				findings.topics.forEach(({ headings }) =>
					headings.forEach(({ text }) => contentStemsOf(text))
				),
			5
		),
		0.5
	);
	add(
		`plan of ${plan.sections.length} sections × ${findings.terms.length} terms`,
		`${shown(ours)} ms`,
		`stems of all headings ${shown(stems)} ms`,
		ours / stems,
		'≤ 1 s'
	);
}

const material = draftMaterialOf(analysis, plan);
const draft = draftArticle(material);
const text = markdownOf(draft);
{
	const reading = at(
		times(
			() =>
				countWords(
					material.notes
						.map(({ units }) => units.units.map(({ text: said }) => said).join(' '))
						.join(' ')
				),
			9
		),
		0.5
	);
	const drafting = at(
		times(() => draftArticle(material), 5),
		0.5
	);
	add(
		`draft of ${countWords(text)} words from ${noteWords} words of notes`,
		`${shown(drafting)} ms`,
		`counting the notes ${shown(reading)} ms`,
		drafting / reading,
		'2,000 from 6,000 ≤ 1.5 s'
	);
	const fates = at(
		times(() => noteFatesOf(draft, material), 5),
		0.5
	);
	add(
		'what became of every unit of the notes',
		`${shown(fates)} ms`,
		`drafting ${shown(drafting)} ms`,
		fates / drafting,
		'–'
	);
}
{
	const parsing = at(
		times(() => docFromMarkdown(text), 9),
		0.5
	);
	const reading = at(
		times(() => readReply(text, plan), 9),
		0.5
	);
	add(
		`a reply of ${countWords(text)} words matched to the plan`,
		`${shown(reading)} ms`,
		`parsing its Markdown ${shown(parsing)} ms`,
		reading / parsing,
		'–'
	);
}
{
	// pages of six subjects one after the other: a text that says itself again is none
	const long = ['sleeping-bag', 'moss-lawn', 'house-move', 'community-hall', 'dehumidifier']
		.flatMap((job) => jobTexts(job))
		.join(' ')
		.split(/\s+/)
		.slice(0, 10_000);
	const other = long.map((word, i) => (i % 11 === 0 ? `other${i % 7}` : word));
	const [a, b] = [long.join(' '), other.join(' ')];
	const counting = at(
		times(() => countWords(a) + countWords(b), 5),
		0.5
	);
	const words = at(
		times(() => wordChanges(a, b), 5),
		0.5
	);
	add(
		'word differences of two texts of 10,000 words, every eleventh another',
		`${shown(words)} ms`,
		`counting both ${shown(counting)} ms`,
		words / counting,
		'≤ 150 ms'
	);
	const turned = draft.content.toReversed();
	const blocks = at(
		times(() => blockChanges(draft.content, turned), 5),
		0.5
	);
	add(
		`differences of ${draft.content.length} blocks in another order`,
		`${shown(blocks)} ms`,
		`counting both ${shown(counting)} ms`,
		blocks / counting,
		'–'
	);
}
printRows();
