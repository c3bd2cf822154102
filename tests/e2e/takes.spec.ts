import { expect, test } from '@playwright/test';
import { openDrafted, watchErrors } from './support';

test('takes are compared, words found and replaced, gaps and slips gone to by key', async ({
	page
}) => {
	const errors = watchErrors(page);
	await openDrafted(page);
	const manuscript = page.getByRole('textbox', { name: 'Manuscript' });

	await test.step('all places of a word are replaced in one step, and undone in one', async () => {
		await manuscript.click();
		await page.keyboard.press('Control+f');
		const bar = page.getByRole('search', { name: 'Find and replace' });
		await bar.getByRole('textbox', { name: 'Find' }).fill('batter frame');
		await expect(bar.getByRole('status')).toHaveText(/^[1-9]\d* places?$/);
		const before = await manuscript.innerText();
		await bar.getByRole('textbox', { name: 'Replace with' }).fill('wooden profile');
		await bar.getByRole('button', { name: 'Replace all' }).click();
		await expect(manuscript).toContainText('wooden profile');
		await expect(manuscript).not.toContainText('batter frame');
		await bar.getByRole('button', { name: 'Close' }).click();
		await manuscript.press('Control+z');
		expect(await manuscript.innerText()).toBe(before);
	});

	await test.step('a key goes to the next gap, another to the next open slip', async () => {
		await manuscript.getByRole('heading').first().click();
		await page.keyboard.press('Alt+g');
		const inGap = () =>
			page.evaluate(
				() => getSelection()?.anchorNode?.parentElement?.closest('[data-gap]') !== null
			);
		expect(await inGap()).toBe(true);
		await expect(page.getByRole('region', { name: /^Slip of/ }).first()).toBeVisible();
		await manuscript.getByRole('heading').first().click();
		await page.keyboard.press('Alt+j');
		expect(
			await page.evaluate(
				() => getSelection()?.anchorNode?.parentElement?.closest('h2')?.textContent
			)
		).toBeTruthy();
	});

	await test.step('quiet leaves the text and one slip', async () => {
		await page.keyboard.press('Alt+q');
		await expect(page.getByRole('img', { name: /^Standing/ })).toBeHidden();
		await expect(
			page.getByRole('region', { name: /^Slip of/ }).filter({ visible: true })
		).toHaveCount(1);
		await page.keyboard.press('Alt+q');
		await expect(page.getByRole('img', { name: /^Standing/ })).toBeVisible();
	});

	await test.step('a copy that was changed is set beside the first, and a section taken over', async () => {
		await page.getByRole('button', { name: 'Take 1, takes' }).click();
		await page.getByRole('menuitem', { name: 'Copy this take' }).click();
		await expect(page.getByRole('button', { name: /copy\), takes$/ })).toBeVisible();
		const heading = manuscript.getByRole('heading', { name: 'Lay the footings' });
		await heading.click();
		await page.keyboard.press('End');
		await page.keyboard.press('Enter');
		await page.keyboard.type('A sentence of the copy alone.');
		await expect(page.getByText('saved', { exact: true })).toBeVisible();
		await page.getByRole('button', { name: /copy\), takes$/ }).click();
		await page.getByRole('menuitem', { name: 'Take 1', exact: true }).click();
		await expect(manuscript).not.toContainText('A sentence of the copy alone.');
		await page.getByRole('button', { name: 'Take 1, takes' }).click();
		await page.getByRole('menuitem', { name: 'Compare with another take' }).click();
		const compared = page.getByRole('region', { name: 'Takes compared' });
		await expect(compared.getByRole('heading', { level: 3 })).toHaveCount(1);
		await expect(compared.getByRole('table')).toContainText('Standing');
		await compared.getByRole('button', { name: 'Take over: Lay the footings' }).click();
		await expect(compared.getByText('Both takes say the same')).toBeVisible();
		await compared.getByRole('button', { name: 'Back to the manuscript' }).click();
		await expect(manuscript).toContainText('A sentence of the copy alone.');
	});
	expect(errors).toEqual([]);
});
