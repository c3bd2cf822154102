import { expect, test, type Page } from '@playwright/test';
import { goTo, openArchiveElsewhere, openDrafted, openPlanned, watchErrors } from './support';

const manuscriptOf = (page: Page) => page.getByRole('textbox', { name: 'Manuscript' });

/** Chooses what the stand-in does. */
async function setStandIn(page: Page, model: string): Promise<void> {
	await page.goto('/settings');
	await page.getByRole('button', { name: 'Change Stand-in' }).click();
	await page.getByLabel('Model').selectOption(model);
	await page.getByRole('button', { name: 'Keep it' }).click();
	await expect(page.getByRole('form', { name: 'Endpoint' })).toHaveCount(0);
}

test('a plan is drafted by an endpoint, section by section, stopped and taken up again', async ({
	page
}) => {
	const errors = watchErrors(page);
	await openPlanned(page);
	const address = page.url().replace(/plan$/, 'write');

	await test.step('one that is set up wrongly says what is wrong, and its key is in no message', async () => {
		await page.goto('/settings');
		await page.getByRole('button', { name: 'Set up an endpoint' }).click();
		const form = page.getByRole('form', { name: 'Endpoint' });
		await form.getByLabel('Name').fill('Larch');
		await form.getByLabel('Address').fill('http://127.0.0.1:9/v1');
		await form.getByLabel('Key').fill('secret-key-of-mine');
		await form.getByLabel('Temperature').fill('7');
		await form.getByRole('button', { name: 'Keep it' }).click();
		await expect(form.getByRole('alert')).toContainText('not kept');
		await expect(form.getByRole('alert')).not.toContainText('secret');
		await form.getByLabel('Temperature').fill('0.4');
		await form.getByRole('button', { name: 'Keep it' }).click();
		await page.getByRole('button', { name: 'Try Larch' }).click();
		await expect(page.getByText(/allow it in the settings/)).toBeVisible();
		await page.getByRole('button', { name: 'Allow http://127.0.0.1:9' }).click();
		await page.getByRole('button', { name: 'Try Larch' }).click();
		await expect(page.getByText('It does not work: no server answers there.')).toBeVisible();
		await page.getByRole('button', { name: 'No longer' }).click();
	});

	await setStandIn(page, 'stand-in-slow');
	await page.goto(address);
	await page.getByLabel('Drafted by').selectOption({ label: 'Stand-in' });
	await page.getByRole('button', { name: 'Draft the article' }).click();
	const status = page.getByRole('status').filter({ hasText: 'Stand-in writes' });

	await test.step('it shows how far it is, and stops', async () => {
		await expect(status).toContainText(/\d+ words of this one/, { timeout: 90_000 });
		await expect(status).toContainText(/[1-9] of 1\d\s+sections/, { timeout: 60_000 });
		await page.getByRole('button', { name: 'Stop' }).click();
		await expect(page.getByText(/sections not written: stopped/)).toBeVisible({ timeout: 15_000 });
	});
	const filled = await manuscriptOf(page).innerText();

	await test.step('it goes on where it stopped, through replies that are cut off', async () => {
		await setStandIn(page, 'stand-in-cuts-off');
		await page.goto(address);
		await expect(manuscriptOf(page)).toContainText(
			filled.split('\n').filter(Boolean)[1]!.slice(0, 60)
		);
		await page.getByRole('button', { name: /, takes$/ }).click();
		await page.getByRole('menuitem', { name: 'Ask a writer …' }).click();
		const panel = page.getByRole('region', { name: 'Ask a writer' });
		await panel.getByLabel('For', { exact: true }).selectOption('empty');
		await panel.getByLabel('To', { exact: true }).selectOption('draft');
		await panel.getByRole('button', { name: 'Have it drafted' }).click();
		await expect(panel.getByRole('button', { name: 'Have it drafted' })).toBeDisabled();
		await expect(status).toHaveCount(0, { timeout: 90_000 });
		await expect(page.getByText(/sections? not written/)).toHaveCount(0);
		const headings = await manuscriptOf(page).getByRole('heading').count();
		expect(headings).toBeGreaterThan(10);
		await expect(manuscriptOf(page)).not.toContainText('Composed by the stand-in');
		await expect(manuscriptOf(page)).not.toContainText(/\[n\d/);
	});

	await test.step('the key is in no archive', async () => {
		await goTo(page, 'Deliver');
		const download = page.waitForEvent('download');
		await page.getByRole('button', { name: 'Save the archive' }).click();
		const stream = await (await download).createReadStream();
		const bytes: Buffer[] = [];
		for await (const chunk of stream) bytes.push(chunk as Buffer);
		expect(Buffer.concat(bytes).includes('secret-key-of-mine')).toBe(false);
	});
	expect(errors).toEqual([]);
});

test('a request is copied, a messy reply brought back, and its versions taken in part', async ({
	page,
	browser,
	context
}) => {
	const errors = watchErrors(page);
	await context.grantPermissions(['clipboard-read', 'clipboard-write']);
	await openDrafted(page);
	const manuscript = manuscriptOf(page);

	await test.step('the request of the whole plan is on the clipboard', async () => {
		await page.getByRole('button', { name: /, takes$/ }).click();
		await page.getByRole('menuitem', { name: 'Ask a writer …' }).click();
		const panel = page.getByRole('region', { name: 'Ask a writer' });
		await panel.getByLabel('Writer', { exact: true }).selectOption('by hand');
		await panel.getByLabel('For', { exact: true }).selectOption('all');
		await panel.getByLabel('To', { exact: true }).selectOption('draft');
		await panel.getByRole('button', { name: 'Copy request' }).click();
		await expect(page.getByText(/The request for \d+ sections is copied/)).toBeVisible();
		const text = await page.evaluate(() => navigator.clipboard.readText());
		expect(text).toContain('Dig the trench');
		expect(text).toContain('[n1.');
		await panel.getByRole('button', { name: 'Bring a reply back' }).click();
	});

	const reply = [
		'Sure! Here is the article you asked for.',
		'## Digging the trench\n\nDig until the ground is firm and yellow [n1.1]. This sentence is quite new.\n\nAnd this paragraph stands alone, without a source.',
		'Keywords used: trench, frost heave',
		'## Lay the footings\n\nThe largest stones go in first, says the reply [n2.2].',
		'## A history of walls\n\nNobody asked for this.',
		'Let me know if you want changes!'
	].join('\n\n');
	const back = page.getByRole('region', { name: 'What came back' });

	await test.step('it shows what was matched, missing, extra and left out', async () => {
		await back.getByRole('textbox', { name: 'The reply' }).fill(reply);
		await back.getByRole('button', { name: 'Read it' }).click();
		await expect(back.getByText(/2 came back, \d+ missing/)).toBeVisible();
		const parts = back.getByRole('list', { name: 'Parts of the reply' }).getByRole('listitem');
		await expect(parts).toHaveCount(3);
		await expect(parts.nth(0)).toContainText('worded otherwise');
		await expect(parts.nth(2)).toContainText('not asked for');
		await expect(back.getByText('Left out: 3')).toBeVisible();
		await parts.nth(2).focus();
		await page.keyboard.press('ArrowRight');
		await expect(parts.nth(2).getByRole('combobox')).not.toHaveValue('');
		await page.keyboard.press('ArrowLeft');
		await expect(parts.nth(2).getByRole('combobox')).toHaveValue('');
		await back.getByRole('button', { name: 'Offer 2 versions' }).click();
	});

	await test.step('one paragraph of a version is taken, and undone', async () => {
		const offer = page.getByRole('region', { name: 'Version of Dig the trench' });
		await expect(offer).toContainText('brought back');
		const before = await manuscript.innerText();
		for (const box of await offer.getByRole('checkbox').all())
			if (!(await box.getAttribute('aria-label'))?.includes('stands alone')) await box.uncheck();
		await offer.getByRole('button', { name: 'Take the ticked' }).click();
		await expect(manuscript).toContainText('And this paragraph stands alone');
		await expect(manuscript).not.toContainText('This sentence is quite new');
		await manuscript.press('Control+z');
		await expect(manuscript).not.toContainText('stands alone');
		expect(await manuscript.innerText()).toBe(before);
		await manuscript.press('Control+Shift+z');
	});

	await test.step('the other is taken whole; both stay in the history of their sections', async () => {
		await page.getByRole('button', { name: 'Bench' }).waitFor();
		await manuscript.getByRole('heading', { name: 'Lay the footings' }).click();
		await page.getByRole('button', { name: /^brought back \d\d:\d\d$/ }).click();
		const offer = page.getByRole('region', { name: 'Version of Lay the footings' });
		await offer.getByRole('button', { name: 'Replace the section' }).click();
		await expect(manuscript).toContainText('The largest stones go in first, says the reply.');
		await expect(offer).toHaveCount(0);
		await manuscript.getByRole('heading', { name: 'Dig the trench' }).click();
		await expect(page.getByRole('button', { name: /^brought back \d\d:\d\d$/ })).toBeVisible();
	});

	await test.step('they are in the archive', async () => {
		const other = await openArchiveElsewhere(page, browser, /How to build a dry stone wall/);
		await goTo(other, 'Write');
		await manuscriptOf(other).getByRole('heading', { name: 'Dig the trench' }).click();
		await expect(other.getByRole('button', { name: /^brought back \d\d:\d\d$/ })).toBeVisible();
		await other.context().close();
	});
	expect(errors).toEqual([]);
});
