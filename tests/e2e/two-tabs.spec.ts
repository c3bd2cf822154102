import { expect, test } from '@playwright/test';
import { openDrafted } from './support';

test('two tabs on one take never overwrite each other silently', async ({ page, context }) => {
	await openDrafted(page);
	const other = await context.newPage();
	await other.goto(page.url());
	const here = page.getByRole('textbox', { name: 'Manuscript' });
	const there = other.getByRole('textbox', { name: 'Manuscript' });
	await expect(there).toBeVisible({ timeout: 90_000 });

	await test.step('a tab with nothing unsaved follows the other', async () => {
		await here.getByRole('heading', { level: 1 }).click();
		await page.keyboard.press('End');
		await page.keyboard.type(' once');
		await expect(there.getByRole('heading', { level: 1 })).toContainText('once', {
			timeout: 10_000
		});
	});

	await test.step('two quiet tabs do not go on saving each other’s text', async () => {
		const revision = () =>
			page.evaluate(
				() =>
					new Promise<number>((resolve) => {
						const open = indexedDB.open('corvan');
						open.onsuccess = () => {
							const all = open.result.transaction('takes').objectStore('takes').getAll();
							all.onsuccess = () => resolve((all.result as { revision: number }[])[0]!.revision);
						};
					})
			);
		const before = await revision();
		await page.waitForTimeout(2_000);
		expect(await revision()).toBe(before);
	});

	await test.step('a tab that has typed meanwhile is asked', async () => {
		// both type before either save can reach the other
		await there.getByRole('heading', { level: 1 }).click();
		await other.keyboard.press('End');
		await here.getByRole('heading', { level: 1 }).click();
		await page.keyboard.press('End');
		await Promise.all([page.keyboard.type(' here'), other.keyboard.type(' there')]);
		await expect(async () =>
			expect(
				(await page.getByRole('alert').count()) + (await other.getByRole('alert').count())
			).toBe(1)
		).toPass({ timeout: 10_000 });
		const loser = (await page.getByRole('alert').count()) === 1 ? page : other;
		await loser.getByRole('button', { name: 'Keep mine as a take of its own' }).click();
		await expect(loser.getByRole('button', { name: /this tab/ })).toBeVisible();
		await expect(
			loser.getByRole('textbox', { name: 'Manuscript' }).getByRole('heading', { level: 1 })
		).toContainText(loser === page ? 'here' : 'there');
	});
});
