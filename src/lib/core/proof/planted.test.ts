import { afterAll, describe, expect, it } from 'vitest';
import { readArticle } from '../measure';
import { JOBS } from '../../../../tests/support/job-analysis';
import { isFound, marksOf, plant, proofJob } from '../../../../tests/support/planted';

/**
 * Readings whose marks are offers, or right on these articles as well: they do have runs of eight words
 * that stand in a page, and headings worded like a page's.
 */
const RIGHT_HERE = new Set(['terms', 'links', 'headings', 'close']);

describe('faults planted in finished articles', () => {
	const found = new Map<string, { planted: number; found: number }>();
	let words = 0;
	let marks = 0;

	it.each(JOBS)('are found in %s', (name) => {
		const job = proofJob(name);
		const clean = marksOf(job, job.article);
		words += readArticle(job.article, job.ruler).words;
		marks += clean.filter(({ reads, place }) => place !== null && !RIGHT_HERE.has(reads)).length;
		const known = new Set(clean.map(({ id }) => id));
		const { doc, planted } = plant(job, 7 + JOBS.indexOf(name));
		const fresh = marksOf(job, doc).filter(({ id }) => !known.has(id));
		for (const fault of planted) {
			const count = found.get(fault.kind) ?? { planted: 0, found: 0 };
			count.planted++;
			if (isFound(fault, fresh)) count.found++;
			else if (process.env.SHOW_MISSED) console.log(name, fault);
			found.set(fault.kind, count);
		}
		expect(planted.length).toBeGreaterThanOrEqual(17);
	});

	it('nine of ten at least, with at most one mark in 300 words on what is right', () => {
		const all = [...found.values()];
		const sum = (part: 'planted' | 'found') => all.reduce((n, each) => n + each[part], 0);
		expect(sum('found') / sum('planted')).toBeGreaterThanOrEqual(0.9);
		expect(marks / words).toBeLessThanOrEqual(1 / 300);
	});

	afterAll(() => {
		if (process.env.SHOW_MISSED) console.log(Object.fromEntries(found), { words, marks });
	});
});
