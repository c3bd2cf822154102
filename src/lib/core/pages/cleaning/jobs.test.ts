import { describe, expect, it } from 'vitest';
import { cleaningOf, readJobs } from '../../../../../tests/support/jobs';
import type { Article } from '../article';
import { judgePage } from '../page-kind';
import { speaksAsOthers } from '../subject-likeness';

const jobs = readJobs().map((job) => ({
	...job,
	pages: job.pages.map((page) => ({ ...page, match: cleaningOf(page) }))
}));

describe.each(jobs)('the pages of $name', ({ keyword, pages }) => {
	const articles = pages.filter(({ isAside }) => !isAside);

	it.each(articles)('$file keeps its words, and others stay out', ({ match }) => {
		expect(match.f1).toBeGreaterThanOrEqual(0.95);
		expect(match.strangeHeadings).toEqual([]);
	});

	it('reach 0.985 of words and of headings on average', () => {
		const sum = (of: (page: (typeof articles)[number]) => number) =>
			articles.reduce((all, page) => all + of(page), 0);
		expect(sum(({ match }) => match.f1) / articles.length).toBeGreaterThanOrEqual(0.985);
		const found = sum(({ match }) => match.found) / sum(({ match }) => match.wanted);
		expect(found).toBeGreaterThanOrEqual(0.985);
	});

	it('are counted or set aside as the expert did', () => {
		for (const { file, match, isAside } of pages) {
			const judged = judgePage(match.article!, keyword);
			expect([file, judged.proposeAside]).toEqual([file, isAside]);
			if (isAside) expect(judged.reasons.join()).not.toBe('');
		}
	});

	it('are set aside, most of them, for the keyword of another assignment', () => {
		const others = jobs.filter((job) => job.keyword !== keyword);
		const judged = others.flatMap((job) =>
			articles.map(({ match }) => judgePage(match.article!, job.keyword))
		);
		const aside = judged.filter(({ proposeAside }) => proposeAside).length;
		expect(aside / judged.length).toBeGreaterThan(0.8);
	});
});

describe('speaksAsOthers', () => {
	const articlesOf = (name: string) =>
		jobs
			.find((job) => job.name === name)!
			.pages.flatMap(({ match, isAside }) => (isAside ? [] : [match.article!]));

	it('tells a page of the same subject from one of another', () => {
		const moss = articlesOf('moss-lawn');
		expect(speaksAsOthers(moss[0]!, moss.slice(1))).toBe(true);
		for (const other of articlesOf('running-shoes-wear'))
			expect(speaksAsOthers(other, moss)).toBe(false);
	});

	it('says nothing of fewer than three others', () => {
		const [first, ...others] = articlesOf('moss-lawn') as [Article, ...Article[]];
		expect(speaksAsOthers(first, others.slice(0, 2))).toBe(false);
	});
});
