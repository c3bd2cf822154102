import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { dropFiles, goTo, makeAssignment, proposePlan, watchErrors } from './support';

const MOSS = ['lawnsmith', 'old-plot', 'dale-courier', 'yardproject', 'mossy-path', 'thistle-turf'];
const DRYING = ['specsense', 'hearthwiki', 'small-flat-living', 'warm-and-dry', 'larkspur-energy'];

const pageFile = (job: string, name: string) => ({
	name: `${name}.html`,
	text: readFileSync(new URL(`../fixtures/jobs/${job}/pages/${name}.html`, import.meta.url), 'utf8')
});

/** Opens every row of the list that is shown, one after the other, down to the last. */
async function openEveryRow(page: Page): Promise<number> {
	const rows = page.getByRole('region', { name: 'Findings' }).locator('li [aria-expanded]');
	await expect(rows.first()).toBeVisible();
	const count = await rows.count();
	for (let i = 0; i < count; i++) {
		const row = rows.nth(i);
		if ((await row.getAttribute('aria-expanded')) === 'true') continue;
		await row.click();
		await expect(row).toHaveAttribute('aria-expanded', 'true');
	}
	return count;
}

test('twelve pages as strangers make them go through every stage without an error', async ({
	page
}) => {
	const errors = watchErrors(page);
	await makeAssignment(page, 'how to get rid of moss in a lawn', '1400');
	await dropFiles(page, [
		...MOSS.map((name) => pageFile('moss-lawn', name)),
		pageFile('moss-lawn', 'gardenbarn-shop'),
		...DRYING.map((name) => pageFile('dehumidifier', name))
	]);
	await test.step('Gather counts those on the subject and sets the others aside with a reason', async () => {
		await expect(page.getByLabel('What came in')).toContainText(
			'12 pages, 6 of them proposed aside',
			{
				timeout: 60_000
			}
		);
		await expect(page.getByRole('region', { name: 'Evidence' })).toContainText(
			'6 pages counted, 6 set aside'
		);
		const pane = page.getByRole('region', { name: 'Reading pane' });
		for (const title of [/Mark as done|How to Remove Moss/, /Old Plot|Reg|moss/i]) {
			await page.getByRole('row', { name: title }).first().click();
			await expect(pane.getByRole('heading').first()).toBeVisible();
		}
	});
	await test.step('Findings open, every tab and every row', async () => {
		await goTo(page, 'Findings');
		await expect(page.getByRole('region', { name: 'Terms by page' })).toBeVisible({
			timeout: 60_000
		});
		await page
			.getByRole('region', { name: 'Terms by page' })
			.getByRole('button', { name: 'moss', exact: true })
			.click();
		for (let i = 0; i < 25; i++) await page.keyboard.press('ArrowDown');
		for (const tab of ['Topics', 'Questions', 'Facts']) {
			await page.getByRole('tab', { name: tab }).click();
			expect(await openEveryRow(page), tab).toBeGreaterThan(3);
		}
		for (const tab of ['Long phrases', 'Shape']) await page.getByRole('tab', { name: tab }).click();
		await page.getByRole('tab', { name: 'Topics' }).click();
		await expect(page.getByRole('region', { name: 'Findings' })).not.toContainText(
			/Guestbook|Mark as done|Keep reading/
		);
	});
	await test.step('a plan is made of them', async () => {
		await proposePlan(page);
		await expect(page.getByRole('textbox', { name: /heading/i }).first()).toBeVisible();
	});
	expect(errors).toEqual([]);
});
