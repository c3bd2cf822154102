import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { draftArticle, goTo, openSample, proposePlan } from './support';

async function findingsOf(page: Page): Promise<string[]> {
	const { violations } = await new AxeBuilder({ page }).analyze();
	return violations
		.filter(({ impact }) => impact === 'serious' || impact === 'critical')
		.flatMap(({ id, nodes }) =>
			nodes.map(
				({ target, failureSummary }) => `${id}: ${target.join(' ')} ${failureSummary ?? ''}`
			)
		);
}

for (const theme of ['paper', 'night'] as const) {
	test(`no serious finding on any screen in the ${theme} theme`, async ({ page }) => {
		await page.addInitScript((mode) => localStorage.setItem('corvan-theme', mode), theme);
		await page.goto('/settings');
		await expect(page).toHaveTitle(/./);
		expect(await findingsOf(page), 'settings').toEqual([]);
		await page.goto('/');
		await page.getByRole('button', { name: 'New assignment' }).click();
		expect(await findingsOf(page), 'assignments').toEqual([]);
		await page.getByRole('button', { name: 'Cancel' }).click();

		await openSample(page);
		expect(await findingsOf(page), 'gather').toEqual([]);
		await goTo(page, 'Scout');
		await page.getByRole('checkbox', { name: 'Tick dry stone wall cost', exact: true }).click();
		expect(await findingsOf(page), 'scout').toEqual([]);
		await goTo(page, 'Brief');
		await expect(page.getByLabel('Exact keyword')).toBeVisible();
		expect(await findingsOf(page), 'brief').toEqual([]);
		await goTo(page, 'Findings');
		await expect(page.getByRole('button', { name: 'hearting', exact: true })).toBeVisible({
			timeout: 30_000
		});
		for (const tab of ['Terms', 'Long phrases', 'Topics', 'Questions', 'Facts', 'Shape']) {
			await page.getByRole('tab', { name: tab }).click();
			expect(await findingsOf(page), tab).toEqual([]);
		}
		await proposePlan(page);
		expect(await findingsOf(page), 'plan').toEqual([]);
		await draftArticle(page);
		await expect(page.getByRole('complementary', { name: 'Bench' })).toBeVisible();
		expect(await findingsOf(page), 'write').toEqual([]);
		await goTo(page, 'Deliver');
		await expect(page.getByRole('heading', { name: 'Hand it over' })).toBeVisible();
		expect(await findingsOf(page), 'deliver').toEqual([]);
		await page.goto('/clients');
		await page.getByRole('link', { name: 'Fellgate Tools' }).click();
		await expect(page.getByRole('heading', { name: 'Voice' })).toBeVisible();
		expect(await findingsOf(page), 'client').toEqual([]);
	});
}

test('every stage is reached by keyboard and actions are found by name', async ({ page }) => {
	await openSample(page);
	for (const [key, path] of [
		['1', 'scout'],
		['2', 'brief'],
		['4', 'findings'],
		['5', 'plan'],
		['6', 'write'],
		['8', 'deliver'],
		['3', 'gather']
	] as const) {
		await page.keyboard.press(`Alt+${key}`);
		await expect(page).toHaveURL(new RegExp(`/${path}$`));
	}
	await page.keyboard.press('Control+k');
	await page.getByPlaceholder('What do you want to do?').fill('night theme');
	await expect(page.getByRole('option', { name: 'Use the night theme' })).toHaveAttribute(
		'aria-selected',
		'true'
	);
	await page.keyboard.press('Enter');
	await expect(page.locator('html')).toHaveAttribute('data-theme', 'corvan-night');
});

test('the screens fit 1280 pixels and are readable at 390', async ({ page }) => {
	await openSample(page);
	await proposePlan(page);
	await draftArticle(page);
	for (const width of [1280, 390]) {
		await page.setViewportSize({ width, height: 800 });
		const stages = ['Scout', 'Brief', 'Gather', 'Findings', 'Plan', 'Write', 'Deliver'] as const;
		for (const stage of stages) {
			await goTo(page, stage);
			await page.waitForTimeout(200);
			const overflow = await page.evaluate(
				() => document.documentElement.scrollWidth - document.documentElement.clientWidth
			);
			expect(overflow, `${stage} at ${width}`).toBeLessThanOrEqual(0);
		}
	}
});
