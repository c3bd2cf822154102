import { expect, test, type Page } from '@playwright/test';
import { goTo, openDrafted, openPlanned, watchErrors } from './support';

const manuscriptOf = (page: Page) => page.getByRole('textbox', { name: 'Manuscript' });
const headings = (page: Page) =>
	manuscriptOf(page).getByRole('heading', { level: 2 }).allInnerTexts();

/** Chooses the first words under a heading, by key. */
async function chooseUnder(page: Page, heading: string, words: number): Promise<void> {
	await manuscriptOf(page).getByRole('heading', { name: heading, exact: true }).click();
	await page.keyboard.press('End');
	await page.keyboard.press('ArrowRight');
	for (let i = 0; i < words; i++) await page.keyboard.press('Control+Shift+ArrowRight');
}

test('sections are folded and moved from the outline, words linked and spoken about, tables made', async ({
	page
}) => {
	const errors = watchErrors(page);
	await openDrafted(page);
	const manuscript = manuscriptOf(page);
	const bench = page.getByRole('complementary', { name: 'Bench' });

	await test.step('a section is moved by key, the plan is told, and that is undone', async () => {
		const before = await headings(page);
		await bench.getByRole('tab', { name: 'Outline' }).click();
		await bench.getByRole('button', { name: 'Dig the trench', exact: true }).focus();
		await page.keyboard.press('Alt+ArrowUp');
		const now = await headings(page);
		expect(now.indexOf('Dig the trench')).toBe(before.indexOf('Dig the trench') - 1);
		await expect(
			page.getByText(/The headings here are not the plan’s: .*another order/)
		).toBeVisible();
		await manuscript.press('Control+z');
		expect(await headings(page)).toEqual(before);
	});

	await test.step('all sections are folded, and the one that is gone to opens', async () => {
		const firstUnder = manuscript.locator('h2:has-text("Dig the trench") + *');
		await bench.getByRole('button', { name: 'Fold all' }).click();
		await expect(firstUnder).toBeHidden();
		await bench.getByRole('button', { name: 'Unfold: Dig the trench' }).click();
		await expect(firstUnder).toBeVisible();
		await bench.getByRole('button', { name: 'Unfold all' }).click();
	});

	await test.step('chosen words lead to a page of the client that speaks of them', async () => {
		await chooseUnder(page, 'Dig the trench', 3);
		await page.keyboard.press('Control+l');
		const box = page.getByRole('group', { name: 'Link' });
		await box.getByRole('list', { name: 'Pages that fit' }).getByRole('button').first().click();
		await expect(manuscript.getByRole('link')).toHaveCount(1);
		await expect(box).toHaveCount(0);
	});

	await test.step('something is said to the client about words, and changed', async () => {
		await chooseUnder(page, 'Choosing the stone', 2);
		await page.keyboard.press('Alt+c');
		const box = page.getByRole('group', { name: 'Comment for the client' });
		await page.keyboard.type('Is this how your crew says it?');
		await page.keyboard.press('Control+Enter');
		await expect(manuscript.locator('[data-comment]')).toHaveAttribute('data-comment', /your crew/);
		await page.keyboard.press('ArrowLeft');
		await page.keyboard.press('ArrowRight');
		await page.keyboard.press('Alt+c');
		await box.getByRole('textbox').fill('Please confirm.');
		await box.getByRole('button', { name: 'Keep the comment' }).click();
		await expect(manuscript.locator('[data-comment]')).toHaveAttribute(
			'data-comment',
			'Please confirm.'
		);
	});

	await test.step('a table gets a row and loses a column', async () => {
		await manuscript.getByRole('heading', { name: 'Looking after it' }).click();
		await page.keyboard.press('End');
		await page.keyboard.press('Enter');
		await page.getByRole('button', { name: 'More', exact: true }).click();
		await page.getByRole('button', { name: 'Table of three columns' }).click();
		await page.keyboard.type('Month');
		const table = manuscript.getByRole('table').filter({ hasText: 'Month' });
		const bar = page.getByRole('toolbar', { name: 'Table' });
		await bar.getByRole('button', { name: 'Row below' }).click();
		await expect(table.getByRole('row')).toHaveCount(4);
		await bar.getByRole('button', { name: 'Take the column out' }).click();
		await expect(table).toHaveCount(0);
		await manuscript.press('Control+z');
		await expect(table.getByRole('columnheader')).toHaveCount(3);
	});

	await test.step('a picture comes in behind the cursor, with what it shows and whose it is', async () => {
		await manuscript.getByRole('heading', { name: 'Lay the footings' }).click();
		await page.getByLabel('Picture files').setInputFiles({
			name: 'footing-stones.png',
			mimeType: 'image/png',
			buffer: Buffer.from(
				'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
				'base64'
			)
		});
		const figure = manuscript.getByRole('figure');
		await expect(figure.getByRole('img', { name: 'Footing stones' })).toBeVisible();
		await figure.getByRole('img').click();
		const bar = page.getByRole('group', { name: 'Picture' });
		await bar.getByLabel('What it shows').fill('Footing stones in two lines');
		await bar.getByLabel('Credit').fill('The writer');
		await bar.getByLabel('Credit').press('Tab');
		await expect(figure.getByRole('img', { name: 'Footing stones in two lines' })).toBeVisible();
	});

	await test.step('it is all there after a reload', async () => {
		await expect(page.getByText('saved', { exact: true })).toBeVisible();
		await page.reload();
		await expect(manuscript.locator('[data-comment]')).toHaveAttribute(
			'data-comment',
			'Please confirm.'
		);
		await expect(manuscript.getByRole('link')).toHaveCount(1);
		await expect(manuscript.getByRole('table').filter({ hasText: 'Month' })).toBeVisible();
	});
	expect(errors).toEqual([]);
});

test('a passage is said another way by an endpoint, and a title chosen', async ({ page }) => {
	const errors = watchErrors(page);
	await openDrafted(page);
	const manuscript = manuscriptOf(page);
	const ask = async () => {
		await page.getByRole('button', { name: /, takes$/ }).click();
		await page.getByRole('menuitem', { name: 'Ask a writer …' }).click();
	};
	const panel = page.getByRole('region', { name: 'Ask a writer' });

	await test.step('only the passage is replaced, and that is undone', async () => {
		const before = await manuscript.innerText();
		await chooseUnder(page, 'Dig the trench', 2);
		await ask();
		await panel
			.getByLabel('Writer', { exact: true })
			.selectOption({ label: 'Stand-in · stand-in' });
		await panel.getByLabel('For', { exact: true }).selectOption('passage');
		await panel.getByLabel('To', { exact: true }).selectOption('another version');
		await expect(panel).toContainText(/\d+ words of Dig the trench/);
		await panel.getByRole('button', { name: 'Ask', exact: true }).click();
		const offer = page.getByRole('region', { name: 'Version of Dig the trench' });
		await offer.getByRole('button', { name: 'Replace the passage' }).click();
		await expect(offer).toHaveCount(0);
		const after = await manuscript.innerText();
		expect(after).not.toBe(before);
		// what stands behind the passage in its section is still there
		expect(after).toContain('Lay the footings');
		expect(after).toContain(before.split('\n').findLast((line) => line.length > 40)!);
		await manuscript.press('Control+z');
		// the editor keeps an empty line behind a gap that ends the text
		expect((await manuscript.innerText()).trimEnd()).toBe(before.trimEnd());
	});

	await test.step('without an endpoint it is said otherwise by rule, or why it is not', async () => {
		await chooseUnder(page, 'Dig the trench', 2);
		await panel.getByLabel('Writer', { exact: true }).selectOption('built-in');
		await panel.getByLabel('For', { exact: true }).selectOption('passage');
		const offer = page.getByRole('region', { name: 'Version of Dig the trench' });
		await panel.getByLabel('To', { exact: true }).selectOption('list');
		await panel.getByRole('button', { name: 'Ask', exact: true }).click();
		await expect(offer).toContainText('there are not three things in it to list');
		await offer.getByRole('button', { name: 'Leave it' }).click();
		await panel.getByLabel('To', { exact: true }).selectOption('another version');
		await panel.getByRole('button', { name: 'Ask', exact: true }).click();
		await expect(offer.getByRole('button', { name: 'Replace the passage' })).toBeEnabled();
		await offer.getByRole('button', { name: 'Leave it' }).click();
		await expect(offer).toHaveCount(0);
	});

	await test.step('a title is made of the article and becomes the title tag', async () => {
		await panel.getByLabel('Writer', { exact: true }).selectOption('built-in');
		await panel.getByLabel('For', { exact: true }).selectOption('section');
		await panel.getByLabel('To', { exact: true }).selectOption('titles');
		await panel.getByRole('button', { name: 'Ask', exact: true }).click();
		const offer = page.getByRole('region', { name: 'Titles to choose from' });
		const first = offer.getByRole('list', { name: 'Titles' }).getByRole('listitem').nth(1);
		const title = (await first.innerText()).split('\n')[0]!;
		await first.getByRole('button').click();
		await expect(first).toContainText('is the title tag');
		await goTo(page, 'Deliver');
		await expect(page.getByRole('textbox', { name: 'Title tag' })).toHaveValue(title);
	});
	expect(errors).toEqual([]);
});

test('an article that exists comes in, grows to 10,000 words, and is kept', async ({ page }) => {
	const errors = watchErrors(page);
	await openPlanned(page);
	await goTo(page, 'Write');
	const manuscript = manuscriptOf(page);

	await test.step('it is matched to the plan and becomes a take', async () => {
		await page.getByRole('button', { name: 'Bring an article in' }).click();
		await page.getByLabel('File with the reply').setInputFiles({
			name: 'old.html',
			mimeType: 'text/html',
			buffer: Buffer.from(
				'<article><h1>Walls</h1><h2>Dig the trench</h2><p>The old text digs a trench to firm soil.</p><h2>Lay the footings</h2><p>The old text lays the largest stones.</p></article>'
			)
		});
		await page.getByRole('button', { name: 'Make it a take of its own' }).click();
		await expect(manuscript).toContainText('The old text digs a trench to firm soil.');
		await expect(page.getByRole('region', { name: /^Slip of/ }).first()).toBeVisible();
	});

	await test.step('10,000 words are typed, with the slips beside them', async () => {
		await manuscript.getByText('The old text digs').click();
		await page.keyboard.press('End');
		for (let i = 0; i < 99; i++) {
			await page.keyboard.press('Enter');
			await page.keyboard.insertText(
				Array.from({ length: 100 }, (_, w) =>
					w === 40 ? 'frost heave' : `stone${(i * 7 + w) % 260}`
				).join(' ') + '.'
			);
		}
		await page.keyboard.press('Enter');
		await page.keyboard.type('The last sentence was typed by hand.');
		await expect(page.getByText(/^(?:9|10),\d{3} of 1,800 words/)).toBeVisible();
		await expect(page.getByText('saved', { exact: true })).toBeVisible();
	});

	await test.step('it stands there after a reload, and its growth is kept', async () => {
		await page.reload();
		await expect(manuscript).toContainText('The last sentence was typed by hand.');
		await expect(page.getByText(/^(?:9|10),\d{3} of 1,800 words/)).toBeVisible();
		await page.getByRole('button', { name: /, takes$/ }).click();
		await page.getByRole('menuitem', { name: 'How this take grew' }).click();
		await expect(page.getByRole('region', { name: 'How this take grew' })).toBeVisible();
		await page.getByRole('button', { name: 'Back to the manuscript' }).click();
		await expect(manuscript).toBeVisible();
	});
	expect(errors).toEqual([]);
});
