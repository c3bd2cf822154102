import { expect, test, type Page } from '@playwright/test';
import axe from 'axe-core';
import { goTo, openDrafted, openSample } from './support';

/** Of many alike rows the first are looked at: the others are made of the same elements. */
const MORE_OF_THE_SAME = ['tr', 'li', '[role="row"]', '[role="option"]'].map(
	(row) => `${row}:nth-child(n+7)`
);

/** Serious findings in the paper theme, and those of contrast, the rule a theme decides, by night. */
async function findingsOf(page: Page): Promise<string[]> {
	// once for a document: putting it in costs more than a look
	if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
	return page.evaluate(async (alike) => {
		const found: string[] = [];
		for (const theme of ['corvan-night', 'corvan-paper']) {
			document.documentElement.dataset.theme = theme;
			const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(
				{ exclude: alike.map((row) => [row]) },
				{
					resultTypes: ['violations'],
					...(theme === 'corvan-night' ? { runOnly: ['color-contrast'] } : {})
				}
			);
			for (const { id, impact, nodes } of violations)
				if (impact === 'serious' || impact === 'critical')
					for (const { target, failureSummary } of nodes)
						found.push(`${theme}, ${id}: ${target.join(' ')} ${failureSummary ?? ''}`);
		}
		return found;
	}, MORE_OF_THE_SAME);
}

test('no serious finding on any screen in either theme', async ({ page }) => {
	await page.goto('/settings');
	await expect(page).toHaveTitle(/./);
	await page.evaluate(() => {
		document
			.querySelector('main, body')!
			.insertAdjacentHTML('beforeend', '<p id="faint">faint</p>');
		document.getElementById('faint')!.style.color = 'rgb(128 128 128 / 0.4)';
	});
	expect((await findingsOf(page)).join(), 'what is too faint is found').toMatch(
		/corvan-night, color-contrast: #faint.*corvan-paper, color-contrast: #faint/s
	);
	await page.evaluate(() => document.getElementById('faint')!.remove());
	expect(await findingsOf(page), 'settings').toEqual([]);
	await page.goto('/');
	await page.getByRole('button', { name: 'New assignment' }).click();
	expect(await findingsOf(page), 'assignments').toEqual([]);
	await page.getByRole('button', { name: 'Cancel' }).click();

	await openDrafted(page);
	await expect(page.getByRole('complementary', { name: 'Bench' })).toBeVisible();
	expect(await findingsOf(page), 'write').toEqual([]);
	await goTo(page, 'Gather');
	await expect(page.getByRole('tab', { name: 'Notes 4' })).toBeVisible();
	expect(await findingsOf(page), 'gather').toEqual([]);
	await goTo(page, 'Scout');
	await page.getByRole('checkbox', { name: 'Tick dry stone wall cost', exact: true }).click();
	expect(await findingsOf(page), 'scout').toEqual([]);
	await goTo(page, 'Brief');
	await expect(page.getByLabel('Exact keyword')).toBeVisible();
	expect(await findingsOf(page), 'brief').toEqual([]);
	await goTo(page, 'Findings');
	await expect(page.getByRole('button', { name: 'hearting', exact: true })).toBeVisible({
		timeout: 90_000
	});
	for (const tab of ['Terms', 'Long phrases', 'Topics', 'Questions', 'Facts', 'Shape']) {
		await page.getByRole('tab', { name: tab }).click();
		expect(await findingsOf(page), tab).toEqual([]);
	}
	await goTo(page, 'Plan');
	await expect(page.getByRole('button', { name: 'Place the rest' })).toBeVisible();
	expect(await findingsOf(page), 'plan').toEqual([]);
	await goTo(page, 'Proof');
	await expect(
		page.getByRole('region', { name: 'Marks' }).getByRole('article').first()
	).toBeVisible({
		timeout: 90_000
	});
	await page.keyboard.press('j');
	expect(await findingsOf(page), 'proof').toEqual([]);
	await goTo(page, 'Deliver');
	await expect(page.getByRole('heading', { name: 'Before it goes' })).toBeVisible();
	expect(await findingsOf(page), 'deliver').toEqual([]);
	await page.goto('/clients');
	await page.getByRole('link', { name: 'Fellgate Tools' }).click();
	await expect(page.getByRole('heading', { name: 'Voice' })).toBeVisible();
	expect(await findingsOf(page), 'client').toEqual([]);
});

test('every stage is reached by keyboard and actions are found by name', async ({ page }) => {
	await openSample(page);
	for (const [key, path] of [
		['1', 'scout'],
		['2', 'brief'],
		['4', 'findings'],
		['5', 'plan'],
		['6', 'write'],
		['7', 'proof'],
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
	await openDrafted(page);
	for (const width of [1280, 390]) {
		await page.setViewportSize({ width, height: 800 });
		const stages = [
			'Scout',
			'Brief',
			'Gather',
			'Findings',
			'Plan',
			'Write',
			'Proof',
			'Deliver'
		] as const;
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
