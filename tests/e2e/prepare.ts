import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { expect, test } from '@playwright/test';
import {
	assignmentFile,
	bringInSample,
	countsOf,
	draftArticle,
	proposePlan,
	stateFile,
	type State
} from './support';

// What many tests start from is done once, by hand as they would: each then finds it stored.
test('the sample is opened, planned and drafted', async ({ page, context }) => {
	const keep = async (state: State, rows: Readonly<Record<string, number>>) => {
		// what shows is on its way into storage
		await expect
			.poll(() => countsOf(page, 'corvan', Object.keys(rows)))
			.toEqual(Object.values(rows));
		const stored = await context.storageState({ indexedDB: true });
		// without the white space, which is four fifths of what every test would read
		writeFileSync(stateFile(state), JSON.stringify(stored));
	};
	await bringInSample(page);
	// who has been here before sees no first-time hints
	await page.getByRole('button', { name: 'No more of these' }).click();
	mkdirSync(dirname(assignmentFile()), { recursive: true });
	writeFileSync(assignmentFile(), /\/a\/([^/]+)/.exec(page.url())![1]!);
	await expect(page.getByText(/^9 pages counted.*Findings: /)).toBeVisible();
	await keep('gathered', { assignments: 2, takes: 1 });
	await proposePlan(page);
	await keep('planned', { plans: 1 });
	await draftArticle(page);
	await expect.poll(() => countsOf(page, 'corvan-worked-out', ['standings'])).toEqual([1]);
	await keep('drafted', { plans: 1, takes: 2 });
});
