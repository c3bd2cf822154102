import { expect, test } from '@playwright/test';
import {
	ARTICLES,
	demoFile,
	draftArticle,
	dropFiles,
	goTo,
	makeAssignment,
	proposePlan,
	watchErrors
} from './support';

test('from a keyword and dropped pages to a draft that is still there after closing', async ({
	page
}) => {
	const errors = watchErrors(page);
	await makeAssignment(page, 'how to build a dry stone wall', '1,500');

	await test.step('drop five pages', async () => {
		await dropFiles(
			page,
			ARTICLES.map((name) => ({ name: `${name}.html`, text: demoFile(`pages/${name}.html`) }))
		);
		await expect(page.getByRole('tab', { name: 'Pages 5' })).toBeVisible({ timeout: 90_000 });
		await expect(
			page.getByRole('row', { name: /Building in dry stone, step by step/ })
		).toContainText('counted');
	});

	await test.step('paste a page copied from a browser: its headings come along', async () => {
		const copied = /<div class="prose">([\s\S]*?)<\/div><div class="references">/.exec(
			demoFile('pages/lattice-and-lintel.html')
		)![1]!;
		await page.evaluate(async (html) => {
			const item = new ClipboardItem({
				'text/html': new Blob([html], { type: 'text/html' }),
				'text/plain': new Blob(['plain'], { type: 'text/plain' })
			});
			await navigator.clipboard.write([item]);
		}, copied);
		await page.getByRole('button', { name: 'Paste a page' }).click();
		await page.getByLabel('Paste the copied page').focus();
		await page.keyboard.press('Control+v');
		await expect(page.getByText('Came with its markup')).toBeVisible();
		await page.getByLabel('Name', { exact: true }).fill('How a wall stands up');
		await page.getByRole('button', { name: 'Bring it in' }).click();
		await expect(page.getByRole('tab', { name: 'Pages 6' })).toBeVisible();
		const pane = page.getByRole('region', { name: 'Reading pane' });
		await expect(pane.getByText('Batter: the lean that does the work')).toBeVisible();
	});

	await test.step('set one aside, and undo it', async () => {
		await page.getByRole('button', { name: /Stone walls without mortar: counted/ }).click();
		await expect(page.getByText('5 pages counted, 1 set aside')).toBeVisible();
		await page.keyboard.press('Control+z');
		await expect(page.getByText('6 pages counted.')).toBeVisible();
		await page.getByRole('button', { name: /Stone walls without mortar: counted/ }).click();
		await expect(page.getByText('5 pages counted, 1 set aside')).toBeVisible();
	});

	await test.step('bring notes', async () => {
		await dropFiles(page, [
			{ name: 'interview.md', text: demoFile('notes/interview-with-a-waller.md') },
			{ name: 'asked.txt', text: demoFile('questions/questions-people-ask.txt') }
		]);
		await expect(page.getByRole('tab', { name: 'Notes 1' })).toBeVisible();
		await expect(page.getByRole('tab', { name: 'Questions 1' })).toBeVisible();
	});

	await test.step('read the findings', async () => {
		await page.keyboard.press('Alt+4');
		await expect(page.getByRole('button', { name: 'hearting', exact: true })).toBeVisible({
			timeout: 90_000
		});
		await page
			.getByRole('region', { name: 'Terms by page' })
			.getByRole('button', { name: 'throughstones', exact: true })
			.click();
		const context = page.getByRole('complementary', { name: 'Uses in context' });
		await expect(context.getByRole('heading', { name: 'throughstones' })).toBeVisible();
		// the sentences come from the worker, all at once
		await expect(context.locator('mark').first()).toBeVisible();
		const shown = await context.locator('mark').count();
		await context.getByText('Where these numbers come from').click();
		const uses = await context.getByRole('row').allInnerTexts();
		const counted = uses.reduce((sum, row) => sum + Number(/(\d+) uses/.exec(row)![1]), 0);
		expect(shown).toBe(counted);
		await page.getByRole('tab', { name: 'Topics' }).click();
		await expect(page.getByText('Lay the footings').first()).toBeVisible();
		await page.getByRole('tab', { name: 'Questions' }).click();
		await expect(page.getByText('How long does a dry stone wall last?').first()).toBeVisible();
		await page.getByRole('tab', { name: 'Shape' }).click();
		await page.getByRole('button', { name: 'See as a table' }).click();
		await expect(page.getByRole('cell', { name: 'Words in a sentence' })).toBeVisible();
	});

	await test.step('plan: propose, rename, move by keyboard, undo', async () => {
		await proposePlan(page);
		await expect(page.getByText('1,500 of 1,500 words')).toBeVisible();
		const headings = page.getByRole('textbox', { name: /^Heading of section/ });
		const before = await headings.evaluateAll((inputs) =>
			inputs.map((input) => (input as HTMLInputElement).value)
		);
		await headings.nth(1).fill('Stone, sorted');
		await headings.nth(1).press('Tab');
		await headings.nth(1).focus();
		await page.keyboard.press('Alt+ArrowUp');
		await expect(headings.nth(0)).toHaveValue('Stone, sorted');
		await headings.nth(0).evaluate((input) => (input as HTMLInputElement).blur());
		await page.keyboard.press('Control+z');
		await expect(headings.nth(1)).toHaveValue('Stone, sorted');
		await page.keyboard.press('Control+z');
		await expect(headings.nth(1)).toHaveValue(before[1]!);
		await page.keyboard.press('Control+Shift+z');
		await expect(headings.nth(1)).toHaveValue('Stone, sorted');
	});

	await test.step('draft, and write on: slips and ladder follow every keystroke', async () => {
		await draftArticle(page);
		const manuscript = page.getByRole('textbox', { name: 'Manuscript' });
		await expect(manuscript.getByRole('heading', { name: 'Stone, sorted' })).toBeVisible();
		await expect(page.getByRole('img', { name: /Pages: [A-E] \d+/ })).toBeVisible({
			timeout: 60_000
		});

		const slip = page.getByRole('region', { name: /^Slip of Where the work goes wrong/ });
		await slip.getByRole('button').first().click();
		await expect(slip).toContainText(/wants|more/);
		const open = slip.getByTitle('See how others use it').first();
		const phrase = (await open.innerText()).trim();
		const rowOf = () =>
			slip.locator('.line', {
				has: page.getByTitle('See how others use it').getByText(phrase, { exact: true })
			});
		const wanted = Number(/(\d+)/.exec(await rowOf().innerText())![1]);
		const standing = async () =>
			Number(
				/Standing (\d+)/.exec(
					(await page.getByRole('img', { name: /^Standing/ }).getAttribute('aria-label'))!
				)![1]
			);
		expect(await standing()).toBeGreaterThan(10);
		await page.keyboard.press('End');
		await page.keyboard.press('Enter');
		await page.keyboard.type(
			Array.from({ length: wanted }, () => `Look at the ${phrase} again.`).join(' ')
		);
		await expect(
			slip.getByTitle('See how others use it').getByText(phrase, { exact: true })
		).toHaveCount(0);
		await expect(page.getByText('saved', { exact: true })).toBeVisible();
	});

	await test.step('slips stand beside their headings and never overlap', async () => {
		const boxes = await page
			.getByRole('region', { name: /^Slip of/ })
			.evaluateAll((slips) =>
				slips
					.map((slip) => slip.getBoundingClientRect())
					.map(({ top, bottom }) => ({ top, bottom }))
			);
		expect(boxes.length).toBeGreaterThan(5);
		for (let i = 1; i < boxes.length; i++)
			expect(boxes[i]!.top).toBeGreaterThanOrEqual(boxes[i - 1]!.bottom - 1);
	});

	await test.step('close in the middle and find everything again', async () => {
		const manuscript = page.getByRole('textbox', { name: 'Manuscript' });
		await manuscript.getByRole('heading', { level: 1 }).click();
		await page.keyboard.press('End');
		await page.keyboard.type(' kept');
		await expect(page.getByText('saved', { exact: true })).toBeVisible();
		await page.reload();
		await expect(manuscript.getByRole('heading', { level: 1 })).toContainText('kept', {
			timeout: 90_000
		});
		await goTo(page, 'Gather');
		await expect(page.getByText('5 pages counted, 1 set aside')).toBeVisible();
		await goTo(page, 'Plan');
		await expect(page.getByRole('textbox', { name: /^Heading of section/ }).nth(1)).toHaveValue(
			'Stone, sorted'
		);
	});
	expect(errors).toEqual([]);
});
