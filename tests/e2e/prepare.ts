import { expect, test, type Page } from '@playwright/test';
import { bringInSample, draftArticle, proposePlan, stateFile, type State } from './support';

// What many tests start from is done once, by hand as they would: each then finds it stored.
test('the sample is opened, planned and drafted', async ({ page, context }) => {
	const keep = async (state: State, tables: readonly string[]) => {
		// what shows is on its way into storage
		await expect.poll(() => countsOf(page, tables)).toEqual(tables.map(() => 1));
		await context.storageState({ path: stateFile(state), indexedDB: true });
	};
	await bringInSample(page);
	await expect(page.getByText(/^9 pages counted.*Findings: /)).toBeVisible();
	await keep('gathered', ['assignments']);
	await proposePlan(page);
	await keep('planned', ['plans']);
	await draftArticle(page);
	await keep('drafted', ['plans', 'takes']);
});

/** How many rows each table holds. */
function countsOf(page: Page, tables: readonly string[]) {
	return page.evaluate(
		(names) =>
			new Promise<number[]>((resolve) => {
				const open = indexedDB.open('corvan');
				open.onsuccess = () => {
					const change = open.result.transaction([...names], 'readonly');
					const asked = names.map((name) => change.objectStore(name).count());
					change.oncomplete = () => {
						open.result.close();
						resolve(asked.map(({ result }) => result));
					};
				};
			}),
		tables
	);
}
