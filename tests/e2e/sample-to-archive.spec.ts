import { readFileSync } from 'node:fs';
import { expect, test, type Download } from '@playwright/test';
import { bringInSample, countsOf, draftArticle, goTo, proposePlan, watchErrors } from './support';

async function textOf(download: Download): Promise<string> {
	return readFileSync((await download.path())!, 'utf8');
}

test('the sample goes from gathered pages to files and back from its archive', async ({
	page,
	browser
}) => {
	const errors = watchErrors(page);
	await bringInSample(page);

	await test.step('pages that are no articles are proposed aside, with a reason', async () => {
		for (const [title, kind] of [
			['Walling stone, by the tonne', 'shop'],
			['Boundary walls and permission', 'official'],
			['Anyone built one of these?', 'forum'],
			['Walling in ten minutes', 'video'],
			['How to Build a Dry Stone Wall in 5 Easy Steps!', 'thin']
		] as const) {
			const row = page.getByRole('row', { name: new RegExp(title.replace(/[?!()]/g, '\\$&')) });
			await expect(row).toContainText('set aside');
			await expect(row).toContainText(kind);
		}
		await expect(page.getByText('9 pages counted, 5 set aside')).toBeVisible();
	});

	await test.step('a struck block leaves the count, and comes back', async () => {
		await page
			.getByRole('button', { name: 'Dry stone walls: a beginner’s weekend', exact: true })
			.click();
		const pane = page.getByRole('region', { name: 'Reading pane' });
		await expect(pane.getByText('739 words kept')).toBeVisible();
		await pane.getByRole('button', { name: /Strike out: So you have a pile of rock/ }).click();
		await expect(pane.getByText('739 words kept')).toBeHidden();
		await pane.getByRole('button', { name: /Bring back/ }).click();
		await expect(pane.getByText('739 words kept')).toBeVisible();
		await pane.getByRole('button', { name: 'Show what was dropped' }).click();
		await expect(pane.getByText(/^Kneeling pads/)).toBeVisible();
		await expect(pane.getByText(/^advertisement, \d+ words$/).first()).toBeVisible();
	});

	await test.step('setting a page aside changes the findings', async () => {
		await goTo(page, 'Findings');
		await expect(page.getByText('for 1,800 words · 9 pages counted')).toBeVisible({
			timeout: 90_000
		});
		await goTo(page, 'Gather');
		await page
			.getByRole('button', { name: /Dry stone walls: a beginner’s weekend: counted/ })
			.click();
		await goTo(page, 'Findings');
		await expect(page.getByText('for 1,800 words · 8 pages counted')).toBeVisible();
		await expect(page.getByText(/^Eight pages/)).toBeVisible();
		await page.keyboard.press('Control+z');
		await expect(page.getByText(/^Nine pages/)).toBeVisible({ timeout: 90_000 });
	});

	await test.step('a placement says why it stands where it stands', async () => {
		await proposePlan(page);
		await page
			.getByRole('button', { name: 'placed foundation trench', exact: true })
			.first()
			.click();
		await expect(page.getByText('Pages use it under this topic')).toBeVisible();
		await page.getByRole('button', { name: 'Lock here' }).click();
		await page.keyboard.press('Escape');
	});

	await draftArticle(page);
	await expect(page.getByText('saved', { exact: true })).toBeVisible();
	const words = await page.getByText(/^[\d,]+ of 1,800 words/).innerText();
	// how far the take is gets noted once it rests, and goes along
	await expect.poll(() => countsOf(page, 'corvan', ['points'])).toEqual([1]);

	await goTo(page, 'Deliver');
	const wait = () => page.waitForEvent('download');
	const [markdown, html, archive] = await test.step('hand over', async () => {
		const files: Download[] = [];
		for (const name of ['Save Markdown', 'Save HTML page', 'Save the archive']) {
			const coming = wait();
			await page.getByRole('button', { name }).click();
			files.push(await coming);
		}
		return files as [Download, Download, Download];
	});
	expect(markdown.suggestedFilename()).toBe('how-to-build-a-dry-stone-wall.md');
	const text = await textOf(markdown);
	expect(text).toMatch(/^# How to build a dry stone wall/);
	expect(text).not.toContain('**Gap.**');
	const whole = await textOf(html);
	expect(whole).toMatch(/<title>How to build a dry stone wall/);
	expect(whole).toMatch(/<meta name="description" content="How to build/);
	expect(whole).not.toMatch(/data-|class=/);
	await page.getByLabel('Gaps go along, marked').check();
	await page.getByRole('tab', { name: 'The page' }).click();
	await page.getByRole('button', { name: 'Markdown', exact: true }).click();
	await expect(page.getByText('**Gap.**').first()).toBeVisible();

	await test.step('the archive opens in another browser, and leaves it the same', async () => {
		const other = await (await browser.newContext()).newPage();
		await other.goto('/');
		await other.getByLabel('Archive to bring in').setInputFiles({
			name: 'wall.corvan.zip',
			mimeType: 'application/zip',
			buffer: readFileSync((await archive.path())!)
		});
		await other
			.getByRole('link', { name: /How to build a dry stone wall/ })
			.click({ timeout: 90_000 });
		await expect(other.getByText('9 pages counted, 5 set aside')).toBeVisible();
		await goTo(other, 'Write');
		await expect(other.getByText(words)).toBeVisible({ timeout: 90_000 });
		// it reads there as it did here: at rest nothing new is noted of it
		await expect.poll(() => countsOf(other, 'corvan', ['glances'])).toEqual([1]);
		await goTo(other, 'Deliver');
		const coming = other.waitForEvent('download');
		await other.getByRole('button', { name: 'Save the archive' }).click();
		const again = await coming;
		expect(readFileSync((await again.path())!).equals(readFileSync((await archive.path())!))).toBe(
			true
		);
		await other.context().close();
	});
	expect(errors).toEqual([]);
});
