import { expect, test, type Page } from '@playwright/test';
import { draftArticle, openSample, proposePlan, stateFile } from './support';

// What many tests start from is done once, by hand as they would: each then finds it stored.
test('the sample is opened, planned and drafted', async ({ page, context }) => {
	const keep = async (state: 'planned' | 'drafted') => {
		// what shows is on its way into storage
		const tables = state === 'planned' ? ['plans'] : ['plans', 'takes'];
		await expect.poll(() => countsOf(page, 'corvan', tables)).toEqual(tables.map(() => 1));
		const analyses = () => countsOf(page, 'corvan-worked-out', ['analyses']);
		await expect.poll(analyses).not.toEqual([0]);
		await context.storageState({ path: stateFile(state), indexedDB: true });
	};
	await openSample(page);
	await proposePlan(page);
	await keep('planned');
	await draftArticle(page);
	await keep('drafted');
});

/** How many rows each table holds. */
function countsOf(page: Page, database: string, tables: readonly string[]) {
	return page.evaluate(
		([database, names]) =>
			new Promise<number[]>((resolve) => {
				const open = indexedDB.open(database);
				open.onsuccess = () => {
					const change = open.result.transaction([...names], 'readonly');
					const asked = names.map((name) => change.objectStore(name).count());
					change.oncomplete = () => {
						open.result.close();
						resolve(asked.map(({ result }) => result));
					};
				};
			}),
		[database, tables] as const
	);
}
