import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { bringInSample, goTo, makeAssignment, openDrafted, watchErrors } from './support';

test.describe('without a network', () => {
	test.use({ serviceWorkers: 'allow' });

	test('the app opens at any of its pages after one visit, and works', async ({
		page,
		context
	}) => {
		await openDrafted(page);
		const address = page.url();
		// the first visit keeps the app; the next one is its
		await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
		await page.reload();
		await expect(page.getByRole('textbox', { name: 'Manuscript' })).toBeVisible();
		await context.setOffline(true);
		await page.goto(address);
		const heading = page.getByRole('textbox', { name: 'Manuscript' }).getByRole('heading').first();
		await heading.click();
		await page.keyboard.press('End');
		await page.keyboard.type(', typed on a train');
		await goTo(page, 'Plan');
		await expect(page.getByRole('button', { name: 'Place the rest' })).toBeEnabled({
			timeout: 90_000
		});
		await goTo(page, 'Write');
		await expect(heading).toContainText('typed on a train');
		await page.goto('/settings');
		await expect(page.getByRole('heading', { name: 'Settings' })).toBeVisible();
		await page.goto('/');
		await expect(page.getByRole('link', { name: /How to build a dry stone wall/ })).toBeVisible();
		await context.setOffline(false);
	});
});

test('the list says how each assignment stands, finds, sorts and copies', async ({ page }) => {
	const errors = watchErrors(page);
	await openDrafted(page);
	await expect(page.getByRole('img', { name: /^Standing/ })).toBeVisible({ timeout: 90_000 });
	// what was read reaches the list once it rests
	await page.waitForTimeout(2_500);
	await makeAssignment(page, 'keeping bees', '800');
	await page.goto('/');
	const list = page.getByRole('list', { name: 'Assignments' });
	const walls = list.getByRole('listitem').filter({ hasText: 'How to build' });
	await expect(walls).toContainText('being written');
	await expect(walls).toContainText(/[\d,]+\sof 1,800 words/);
	await expect(walls).toContainText(/\d+\sopen slips/);
	await expect(walls).toContainText(/\d+\sstanding/);
	const bees = list.getByRole('listitem').filter({ hasText: 'keeping bees' });
	await expect(bees).toContainText('to be agreed');

	await page.getByLabel('in order of').selectOption('standing');
	await expect(list.getByRole('listitem').first()).toContainText('How to build');
	await page.getByLabel('Find an assignment').fill('bees');
	await expect(list.getByRole('listitem')).toHaveCount(1);
	await page.getByLabel('Find an assignment').fill('wasps');
	await page.getByRole('button', { name: 'Show all' }).click();
	await expect(list.getByRole('listitem')).toHaveCount(3);

	await page.getByRole('button', { name: /^Copy “How to build/ }).click();
	await expect(page.getByRole('link', { name: /\(copy\)$/ })).toBeVisible({ timeout: 90_000 });
	// it opens where it was worked on last
	await walls.getByRole('link').first().click();
	await expect(page.getByRole('textbox', { name: 'Manuscript' })).toBeVisible();
	expect(errors).toEqual([]);
});

test('all assignments are saved as one file, and those that are chosen come back', async ({
	page,
	browser
}) => {
	await makeAssignment(page, 'keeping bees', '800');
	await makeAssignment(page, 'dry stone wall', '900');
	await page.goto('/');
	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save a copy of all assignments' }).click();
	const file = await download;
	expect(file.suggestedFilename()).toMatch(/^corvan-\d{4}-\d\d-\d\d\.zip$/);
	const buffer = readFileSync(await file.path());

	const other = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
	await makeAssignment(other, 'apple trees', '');
	await other.goto('/');
	const bringIn = () =>
		other
			.getByLabel('Archive to bring in')
			.setInputFiles({ name: file.suggestedFilename(), mimeType: 'application/zip', buffer });
	await bringIn();
	const choice = other.getByRole('region', { name: /^Assignments of corvan-/ });
	await choice.getByRole('checkbox', { name: /Keeping bees/ }).uncheck();
	await choice.getByRole('button', { name: 'Bring in 1' }).click();
	await expect(other.getByRole('link', { name: 'Dry stone wall', exact: true })).toBeVisible();
	await expect(other.getByRole('link', { name: 'Keeping bees' })).toHaveCount(0);
	// what is here already is not ticked, and comes in beside it where it is
	await bringIn();
	await expect(choice.getByRole('checkbox', { name: /Dry stone wall/ })).not.toBeChecked();
	await expect(choice).toContainText('here already');
	await choice.getByRole('button', { name: 'Leave them' }).click();
	await other.context().close();
});

test('a copy of all goes into a folder every day', async ({ page }) => {
	await page.addInitScript(() => {
		Object.assign(window, {
			showDirectoryPicker: async () =>
				(await navigator.storage.getDirectory()).getDirectoryHandle('copies', { create: true })
		});
	});
	await makeAssignment(page, 'keeping bees', '800');
	await page.goto('/');
	await page.getByRole('button', { name: 'Keep one in a folder every day' }).click();
	await expect(page.getByText('Today’s copy is in “copies”.')).toBeVisible();
	const files = () =>
		page.evaluate(async () => {
			const root = await (await navigator.storage.getDirectory()).getDirectoryHandle('copies');
			const names: string[] = [];
			for await (const name of (root as unknown as { keys(): AsyncIterable<string> }).keys())
				names.push(name);
			return names;
		});
	expect(await files()).toEqual([expect.stringMatching(/^corvan-\d{4}-\d\d-\d\d\.zip$/)]);
	// two days later, the next visit writes the next one
	await page.clock.install({ time: Date.now() + 2 * 86_400_000 });
	await page.goto('/');
	await expect.poll(files).toHaveLength(2);
	await page.getByRole('button', { name: 'No longer' }).click();
	await expect(page.getByRole('button', { name: 'Keep one in a folder every day' })).toBeVisible();
});

test('the keys stand on one sheet, and the server answers to its own names only', async ({
	page,
	request,
	baseURL
}) => {
	await page.goto('/');
	await expect(page.getByRole('heading', { name: 'Assignments' })).toBeVisible();
	await page.keyboard.press('?');
	const sheet = page.getByRole('dialog', { name: 'Keys' });
	await expect(sheet).toContainText('find any action by its name');
	await page.keyboard.press('Escape');
	await expect(sheet).toHaveCount(0);
	await makeAssignment(page, 'keeping bees', '800');
	await goTo(page, 'Brief');
	await page.getByLabel('Purpose', { exact: true }).fill('Why?');
	await page.getByLabel('Purpose', { exact: true }).press('?');
	await expect(sheet).toHaveCount(0);

	const rebound = await request.get(baseURL!, { headers: { host: 'rebind.example' } });
	expect(rebound.status()).toBe(421);
	const foreign = await request.get(`${baseURL}/api/demo`, {
		headers: { origin: 'https://elsewhere.example' }
	});
	expect(foreign.status()).toBe(403);
	expect((await request.get(`${baseURL}/api/demo`)).status()).toBe(200);
});

test('hints come the first time only; English and measures are chosen once for all', async ({
	page
}) => {
	await bringInSample(page);
	const hint = page.getByRole('complementary', { name: 'First time here' });
	await expect(hint).toContainText('Drop pages, notes, subtitles');
	await hint.getByRole('button', { name: 'Got it' }).click();
	await expect(hint).toBeHidden();
	await goTo(page, 'Findings');
	await expect(hint).toContainText('counted in the pages that count');
	await goTo(page, 'Gather');
	await expect(hint).toBeHidden();
	await goTo(page, 'Plan');
	await hint.getByRole('button', { name: 'No more of these' }).click();
	await page.reload();
	await expect(page.getByRole('button', { name: 'Propose a plan' })).toBeVisible();
	await goTo(page, 'Brief');
	await expect(hint).toBeHidden();

	await page.goto('/settings');
	await page
		.getByRole('group', { name: 'Measures' })
		.getByRole('radio', { name: 'Also in imperial' })
		.check();
	await page
		.getByRole('group', { name: 'English' })
		.getByRole('radio', { name: 'American' })
		.check();
	await page.goBack();
	await goTo(page, 'Findings');
	await page.getByRole('tab', { name: /Facts/ }).click();
	await expect(page.getByText(/≈ [\d.–]+ inch/).first()).toBeVisible();
	await page.goto('/settings');
	await page.getByRole('button', { name: 'Show the first-time hints again' }).click();
	await page.goBack();
	await expect(hint).toBeVisible();
});
