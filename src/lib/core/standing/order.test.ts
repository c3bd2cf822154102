import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { jobAnalysis, JOBS } from '../../../../tests/support/job-analysis';
import { draftMaterialOf, runIndexOf, standingsOf } from '../assignment';
import { runThrough } from '../keywords';
import { docFromMarkdown, docText, type TakeDoc } from '../manuscript';
import { readArticle } from '../measure';
import { proposePlan } from '../plan';
import { draftArticle } from '../writers';
import { scoreState, type Standing } from './score';
import { stateOf } from './state';
import { termIndexOf, yardstickOf } from './yardstick';

const BAD = ['copied', 'salad', 'stuffed', 'stub'];

describe.each(JOBS)('the order of texts on %s', (job) => {
	const analysis = jobAnalysis(job);
	const plan = proposePlan(analysis.findings);
	const yardstick = yardstickOf(analysis.findings, plan);
	const ruler = { terms: termIndexOf(yardstick), runs: runIndexOf(analysis) };
	const standingOf = (doc: TakeDoc): Standing => {
		const title = doc.content.find(({ type }) => type === 'heading');
		const meta = { titleTag: title ? docText(title) : '', description: '' };
		return scoreState(stateOf(readArticle(doc, ruler), meta, yardstick), yardstick);
	};
	const stored = (name: string) => {
		const file = new URL(
			`../../../../tests/fixtures/jobs/${job}/standing/${name}.md`,
			import.meta.url
		);
		return docFromMarkdown(readFileSync(file, 'utf8'));
	};
	const article = standingOf(stored('article'));

	it.each(BAD)('holds a finished article five points and more above %s', (name) => {
		expect(article.standing - standingOf(stored(name)).standing).toBeGreaterThanOrEqual(5);
	});

	it('holds it as far above the raw draft, and not below the best page', () => {
		const draft = draftArticle(draftMaterialOf(analysis, plan));
		expect(article.standing - standingOf(draft).standing).toBeGreaterThanOrEqual(5);
		const pages = runThrough(standingsOf(analysis)).map(({ standing }) => standing);
		expect(article.standing).toBeGreaterThanOrEqual(Math.max(...pages));
	});

	it('says what is wrong with the bad ones, and nothing of the finished one', () => {
		expect(standingOf(stored('copied')).held.ownWords).toBeLessThan(0.2);
		expect(standingOf(stored('salad')).held.sense).toBeLessThan(0.6);
		expect(standingOf(stored('stuffed')).held.crowding).toBeLessThan(0.9);
		expect(standingOf(stored('stub')).held.length).toBeLessThan(0.7);
		expect(Math.min(...Object.values(article.held))).toBeGreaterThan(0.97);
	});
});
