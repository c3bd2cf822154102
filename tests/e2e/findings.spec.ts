import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { goTo, openSample, watchErrors } from './support';

async function openFindings(page: Page): Promise<void> {
	await openSample(page);
	await expect(page.getByText(/^9 pages counted.*Findings: /)).toBeVisible({ timeout: 90_000 });
	await goTo(page, 'Findings');
	await expect(term(page, 'hearting')).toBeVisible({ timeout: 90_000 });
}

const term = (page: Page, phrase: string) =>
	page.getByRole('region', { name: 'Terms by page' }).getByRole('button', {
		name: phrase,
		exact: true
	});
const contextOf = (page: Page) => page.getByRole('complementary', { name: 'Uses in context' });

test('terms are changed by hand, and that outlives reloading and other pages', async ({ page }) => {
	const errors = watchErrors(page);
	await openFindings(page);
	const context = contextOf(page);

	await test.step('by key: strike out, pin, weigh', async () => {
		await term(page, 'cope').click();
		await expect(context.getByRole('heading', { name: 'cope', exact: true })).toBeVisible();
		await term(page, 'cope').press('1');
		await expect(context.getByLabel('Weight of cope')).toHaveValue('must');
		await term(page, 'cope').press('p');
		await expect(page.getByRole('row', { name: /^.*cope pinned must/ })).toBeVisible();
		await term(page, 'hearting').click();
		await term(page, 'hearting').press('x');
		// the step is said at once; the findings follow
		await expect(page.getByText(/^Struck out “hearting”/)).toBeVisible();
		await expect(term(page, 'hearting')).toBeHidden();
	});

	await test.step('merge two, add one, set a range', async () => {
		await page.getByLabel('Tick walling hammer', { exact: true }).click();
		await page.getByLabel('Tick batter frames', { exact: true }).click();
		await page.getByRole('button', { name: 'Count as “walling hammer”' }).click();
		await expect(term(page, 'batter frames')).toBeHidden();
		await expect(context.getByText('Counts as well: batter frames.')).toBeVisible();
		await page.getByRole('button', { name: 'Add', exact: true }).click();
		await page.getByLabel('A term of your own').fill('Sheep creep');
		await page.keyboard.press('Enter');
		await expect(context.getByRole('heading', { name: 'sheep creep', exact: true })).toBeVisible();
		await context.getByLabel('Most uses').fill('4');
		await context.getByLabel('Most uses').press('Enter');
		await expect(
			page.getByRole('row', { name: /sheep creep yours should set by hand 1–4/ })
		).toBeVisible();
	});

	await test.step('it holds after reloading, and with a page set aside', async () => {
		await page.reload();
		await page.getByLabel('Show', { exact: true }).selectOption('hand');
		const rows = page.getByRole('region', { name: 'Terms by page' }).getByRole('row');
		await expect(rows.filter({ hasText: /cope|walling hammer|sheep creep/ })).toHaveCount(3);
		await goTo(page, 'Gather');
		await page
			.getByRole('button', { name: /Dry stone walls: a beginner’s weekend: counted/ })
			.click();
		await goTo(page, 'Findings');
		await expect(page.getByText('8 pages counted')).toBeVisible({ timeout: 90_000 });
		await expect(term(page, 'hearting')).toBeHidden();
		await page.getByLabel('Show', { exact: true }).selectOption('hand');
		await expect(rows.filter({ hasText: /cope|walling hammer|sheep creep/ })).toHaveCount(3);
	});

	await test.step('what was struck out comes back, and every step is taken back', async () => {
		await page.getByLabel('Show', { exact: true }).selectOption('struck');
		await term(page, 'hearting').click();
		await context.getByRole('button', { name: 'Bring back' }).click();
		await expect(page.getByText('No term fits the filter.')).toBeVisible();
		await page.keyboard.press('Control+z');
		await expect(term(page, 'hearting')).toBeVisible();
		await page.keyboard.press('Control+z');
		await expect(page.getByText('9 pages counted')).toBeVisible({ timeout: 90_000 });
	});
	expect(errors).toEqual([]);
});

test('the grid sorts, filters, counts what it shows, and opens the page at a sentence', async ({
	page
}) => {
	await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
	await openFindings(page);
	const grid = page.getByRole('region', { name: 'Terms by page' });
	const context = contextOf(page);

	await test.step('counts of a row are the marks of its sentences', async () => {
		for (const phrase of ['hearting', 'batter frames', 'stone wall']) {
			await term(page, phrase).click();
			await expect(context.getByRole('heading', { name: phrase, exact: true })).toBeVisible();
			const said = context.getByRole('heading', { name: /^\d+ uses in \d+ sentences?$/ });
			await expect(said).toBeVisible();
			const uses = Number(/^(\d+) /.exec(await said.innerText())![1]);
			expect(await context.locator('mark').count()).toBe(uses);
			const row = grid
				.getByRole('row')
				.filter({ has: page.getByRole('button', { name: phrase, exact: true }) });
			const cells = await row.locator('td.cell').allTextContents();
			expect(cells.reduce((sum, cell) => sum + Number(cell), 0)).toBe(uses);
		}
	});

	await test.step('only the rows in sight are drawn', async () => {
		await expect(grid.getByRole('row')).not.toHaveCount(0);
		expect(await grid.getByRole('row').count()).toBeLessThan(60);
		await term(page, 'hearting').focus();
		await page.keyboard.press('End');
		await expect(grid.getByText('only notes').last()).toBeVisible();
		await page.keyboard.press('Home');
		await expect(term(page, 'how to build a dry stone wall')).toBeFocused();
	});

	await test.step('filter and sort', async () => {
		await page.getByLabel('Place', { exact: true }).selectOption('heading');
		await page.getByLabel('Words', { exact: true }).selectOption('2');
		await expect(term(page, 'running joints')).toBeVisible();
		await expect(term(page, 'hearting')).toBeHidden();
		await page.getByRole('button', { name: 'Term', exact: true }).click();
		const names = await grid.locator('button.open').allInnerTexts();
		expect(names).toEqual([...names].sort());
		await page.getByRole('button', { name: 'Copy', exact: true }).click();
		await page.getByRole('button', { name: 'with commas' }).click();
		expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('running joints');
		await page.getByRole('button', { name: 'Reset' }).click();
		await page.getByRole('button', { name: 'Term ↓' }).click();
		await expect(term(page, 'hearting')).toBeVisible();
	});

	await test.step('export', async () => {
		const waiting = page.waitForEvent('download');
		await page.getByRole('button', { name: 'Copy', exact: true }).click();
		await page.getByRole('button', { name: 'Export as CSV' }).click();
		const text = readFileSync(await (await waiting).path(), 'utf8');
		expect(text.split('\n')[0]).toMatch(
			/^\uFEFFterm,variants,kind,weight,min,max,pages,.*,from,uses on A,uses on B,.*,uses on I\s*$/
		);
	});

	await test.step('a sentence opens its page in Gather', async () => {
		await term(page, 'hearting').click();
		await context.getByRole('link', { name: 'B · Pack the hearting' }).first().click();
		await expect(
			page.getByRole('heading', { name: 'How to build a dry stone wall' })
		).toBeVisible();
		await expect(page.locator('.said')).toContainText('hearting');
		await expect(page.locator('.said')).toBeInViewport();
	});
});

test('topics are merged, split, named and struck out by hand', async ({ page }) => {
	await openFindings(page);
	await page.getByRole('tab', { name: 'Topics' }).click();
	const topics = page.getByRole('list', { name: 'Topics in their usual order' });
	const count = await topics.getByRole('listitem').count();

	await page.getByRole('checkbox', { name: 'Tick Hearting', exact: true }).click();
	await page.getByRole('checkbox', { name: 'Tick Batter and line', exact: true }).click();
	await page.getByRole('button', { name: /^Merge into “/ }).click();
	await expect(topics.getByRole('listitem')).toHaveCount(count - 1);
	await page.keyboard.press('Control+z');
	await expect(topics.getByRole('listitem')).toHaveCount(count);

	const footings = topics.getByRole('button', { name: 'Lay the footings', exact: true });
	await footings.click();
	await expect(topics.getByText('Terms', { exact: true })).toBeVisible();
	const parts = topics.getByRole('checkbox', { name: /^Tick heading/ });
	const partCount = await parts.count();
	await parts.first().click();
	await topics.getByRole('button', { name: 'Split off 1' }).click();
	await expect(page.getByText(/^Split “Lay the footings”/)).toBeVisible();
	// findings follow a moment later; what is typed meanwhile belongs to the topic as it was
	await expect(parts).toHaveCount(partCount - 1);
	await page.keyboard.press('Control+z');
	await expect(parts).toHaveCount(partCount);

	await topics.getByLabel('Name of the topic Lay the footings').fill('Footings first');
	await topics.getByRole('button', { name: 'Rename' }).click();
	await expect(topics.getByRole('button', { name: 'Footings first', exact: true })).toBeVisible();
	await topics.getByRole('button', { name: 'Footings first', exact: true }).press('x');
	await expect(topics.getByRole('button', { name: 'Footings first', exact: true })).toBeHidden();
	await page.getByRole('button', { name: '1 struck out' }).click();
	await page.getByRole('button', { name: 'Bring back' }).click();
	await expect(topics.getByRole('button', { name: 'Footings first', exact: true })).toBeVisible();
	await expect(page.getByRole('heading', { name: 'Nobody covers it' })).toBeVisible();
});

test('questions and facts show who asks, who answers and where sources differ', async ({
	page
}) => {
	await openFindings(page);
	await page.getByRole('tab', { name: 'Questions' }).click();
	const questions = page.getByRole('list', { name: 'Questions, those asked most first' });

	await test.step('questions', async () => {
		await page.getByLabel('Kind of question').selectOption('cost');
		const cost = questions.getByRole('button', { name: 'What does a dry stone wall cost?' });
		await cost.click();
		await expect(questions.getByText('480 a month')).toBeVisible();
		await expect(questions.getByRole('link', { name: 'C', exact: true })).toBeVisible();
		await page.getByLabel('Kind of question').selectOption('any');
		await page.getByLabel('Answered').selectOption('open');
		await expect(questions.getByText(/no answer|only your notes/).first()).toBeVisible();
		await page.getByLabel('Answered').selectOption('any');
		// what follows from the answers is taken in as a question of one's own
		const before = await questions.getByRole('listitem').count();
		await page.getByRole('button', { name: 'Take it in' }).first().click();
		await expect.poll(() => questions.getByRole('listitem').count()).toBeGreaterThan(before);
	});

	await test.step('facts', async () => {
		await page.getByRole('tab', { name: 'Facts' }).click();
		const figures = page.getByRole('list', { name: 'Figures, those of most sources first' });
		await page.getByLabel('Facts shown').selectOption('differs');
		await page.getByLabel('Find a fact').fill('beginners can build');
		const row = figures.getByRole('listitem').filter({ hasText: '1.5–2 m²' });
		await expect(row.getByText('they differ')).toBeVisible();
		await row.getByRole('button').first().click();
		await expect(row.getByText('1.5 square metres', { exact: true })).toBeVisible();
		await row.getByRole('button', { name: 'Strike out' }).click();
		await expect(figures.getByText('1.5–2 m²')).toBeHidden();
		await page.getByLabel('Facts shown').selectOption('struck');
		await expect(figures.getByText('1.5–2 m²')).toBeVisible();
		await page.keyboard.press('Control+z');
		await expect(figures.getByText('No figure fits the filter.')).toBeVisible();
	});

	await test.step('long phrases come with their searches', async () => {
		await page.getByRole('tab', { name: 'Long phrases' }).click();
		await expect(page.getByText('how to build a dry stone wall on a slope')).toBeVisible();
		await page
			.getByRole('button', {
				name: 'Take in as a term: how to build a dry stone wall on a slope'
			})
			.click();
		await expect(page.getByText('Added “how to build a dry stone wall on a slope”')).toBeVisible();
	});
});
