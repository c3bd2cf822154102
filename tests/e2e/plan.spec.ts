import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { expect, test, type Page } from '@playwright/test';
import { goTo, openDrafted, openPlanned, openSample, watchErrors } from './support';

const sections = (page: Page) => page.getByRole('list', { name: 'Sections' });
const heading = (page: Page, number: string) =>
	page.getByRole('textbox', { name: `Heading of section ${number}`, exact: true });
const headings = (page: Page) =>
	sections(page)
		.getByRole('textbox', { name: /^Heading of/ })
		.evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value));

/** Puts the focus where no text is typed: there Ctrl+Z takes back steps of the plan. */
const leaveField = (page: Page) => page.getByRole('button', { name: 'Add a section' }).focus();

test('a proposed plan is arranged by key and by hand, undone and kept', async ({ page }) => {
	const errors = watchErrors(page);
	await openPlanned(page);
	const first = await headings(page);
	await heading(page, '2').click();
	await page.keyboard.press('Alt+ArrowUp');
	await expect(heading(page, '1')).toHaveValue(first[2]!);
	await heading(page, '2').click();
	await page.keyboard.press('Alt+ArrowRight');
	await expect(heading(page, '1.1')).toHaveValue(first[1]!);
	await heading(page, '1.1').click();
	await page.keyboard.press('Alt+ArrowLeft');
	await expect(heading(page, '2')).toHaveValue(first[1]!);
	// split, duplicate and merge from the menu of the section
	await heading(page, '2').click();
	const menu = sections(page)
		.getByRole('listitem')
		.filter({ has: heading(page, '2') })
		.getByRole('button', { name: 'More', exact: true });
	await menu.click();
	await page.getByRole('button', { name: 'Split in two' }).click();
	await expect(heading(page, '3')).toHaveValue(`${first[1]!}, continued`);
	await heading(page, '3').click();
	await page.keyboard.press('Alt+m');
	await expect(heading(page, '3')).toHaveValue(first[3]!);
	await heading(page, '2').click();
	await menu.click();
	await page.getByRole('button', { name: 'Duplicate' }).click();
	await expect(heading(page, '3')).toHaveValue(`${first[1]!}, once more`);
	// everything goes back, step by step
	await leaveField(page);
	for (let i = 0; i < 6; i++) {
		await page.keyboard.press('Control+z');
		await page.waitForTimeout(150);
	}
	await expect.poll(() => headings(page)).toEqual(first);
	await heading(page, '3').click();
	await heading(page, '3').fill('Our own words for it');
	await heading(page, '3').press('Enter');
	await page.reload();
	await expect(heading(page, '3')).toHaveValue('Our own words for it');
	expect(errors).toEqual([]);
});

test('a placement says why, shows its sentences, is moved, locked and stays through placing again', async ({
	page
}) => {
	await openPlanned(page);
	const from = sections(page)
		.getByRole('listitem')
		.filter({ has: page.getByRole('button', { name: /^placed walling hammer/ }) })
		.first();
	await from.getByRole('button', { name: /^placed walling hammer/ }).click();
	const why = page.getByLabel('Why here?');
	await expect(why).toContainText('same topic');
	await expect(why).toContainText('in all');
	await why.getByRole('button', { name: 'See the sentences' }).click();
	await expect(why.getByRole('link').first()).toBeVisible();
	const into = await heading(page, '1').inputValue();
	await why.getByLabel('Move to a section').selectOption({ label: `1 ${into}` });
	const target = sections(page)
		.getByRole('listitem')
		.filter({ has: heading(page, '1') });
	await expect(target.getByRole('button', { name: /^placed walling hammer/ })).toBeVisible();
	await page.getByRole('button', { name: 'Place the rest' }).click();
	await expect(page.getByText('Placed the rest')).toBeVisible();
	await expect(target.getByRole('button', { name: /^placed walling hammer/ })).toBeVisible();
	// a section that does not take a term loses it and does not get it again
	await target.getByRole('button', { name: /^placed walling hammer/ }).click();
	await page.getByLabel('Why here?').getByRole('button', { name: 'Never here' }).click();
	await expect(target.getByRole('button', { name: /^placed walling hammer/ })).toBeHidden();
	await page.getByRole('button', { name: 'Place the rest' }).click();
	await expect(
		sections(page)
			.getByRole('button', { name: /^placed walling hammer/ })
			.first()
	).toBeVisible();
	await expect(target.getByRole('button', { name: /^placed walling hammer/ })).toBeHidden();
});

test('questions, facts and notes say why they stand there, and move', async ({ page }) => {
	await openPlanned(page);
	const named = async (text: string) => {
		const label = await sections(page)
			.getByRole('textbox', { name: /^Heading of/ })
			.evaluateAll(
				(fields, wanted) =>
					fields
						.find((field) => (field as HTMLInputElement).value === wanted)
						?.getAttribute('aria-label') ?? '',
				text
			);
		return page.getByRole('textbox', { name: label, exact: true });
	};
	const trench = await named('Dig the trench');
	await trench.click();
	const from = sections(page).getByRole('listitem').filter({ has: trench });
	const fact = from.getByRole('button', { name: /^= [A-Z] / }).first();
	const text = (await fact.textContent())!.replace(/^\s*= [A-Z]\s*/, '').trim();
	await fact.click();
	const why = page.getByLabel('Why here?');
	await expect(why).toContainText('It suits this section by');
	await expect(why).toContainText(text);
	await expect(why.getByRole('link').first()).toBeVisible();
	const stone = await named('Choosing the stone');
	await why.getByLabel('Move to a section').selectOption({
		label: `${(await stone.getAttribute('aria-label'))!.match(/[\d.]+$/)![0]} Choosing the stone`
	});
	await stone.click();
	const target = sections(page).getByRole('listitem').filter({ has: stone });
	await expect(target).toContainText(text);
	await expect(from).not.toContainText(text);
	await page.getByRole('button', { name: 'Place the rest' }).click();
	await expect(page.getByText('Placed the rest')).toBeVisible();
	await expect(target).toContainText(text);
	await trench.click();
	await expect(from).not.toContainText(text);
	await from.getByRole('button', { name: /^\? / }).first().click();
	await expect(why).toContainText('Asked by');
	await page.keyboard.press('Escape');
	await from.getByRole('button', { name: /^n\d / }).first().click();
	await expect(why).toContainText('It speaks of what stands here.');
});

test('things are ticked or dragged from the pool into a section', async ({ page }) => {
	await openPlanned(page);
	await page.getByRole('tab', { name: /^Facts/ }).click();
	await heading(page, '4').click();
	const pool = page.getByRole('region', { name: 'Pool' });
	const facts = pool.getByRole('checkbox');
	const before = await pool.getByRole('tab', { name: /^Facts/ }).textContent();
	await facts.nth(0).check();
	await facts.nth(1).check();
	await pool.getByRole('button', { name: 'Place them' }).click();
	await expect(pool.getByRole('tab', { name: /^Facts/ })).not.toHaveText(before!);
	await page.getByRole('tab', { name: /^Questions/ }).click();
	const open = pool.getByRole('listitem').first();
	const question = (await open.locator('label').textContent())!.trim();
	const sixth = sections(page)
		.getByRole('listitem')
		.filter({ has: heading(page, '6') });
	await open.dragTo(sixth);
	await expect(sixth).toContainText(question.slice(0, 40));
	await page.getByRole('tab', { name: /^Topics/ }).click();
	const count = (await headings(page)).length;
	await pool.getByRole('button', { name: 'Take it in' }).first().click();
	await expect.poll(async () => (await headings(page)).length).toBe(count + 1);
});

test('headings are checked while typing; warnings are mended or set aside with a reason', async ({
	page
}) => {
	await openPlanned(page);
	await heading(page, '3').fill('You won’t believe this trench');
	await expect(page.getByText(/teases: say what the reader will find/).first()).toBeVisible();
	await heading(page, '3').press('Enter');
	await page.getByRole('button', { name: '1 warning' }).click();
	const warnings = page.getByRole('list', { name: 'Warnings' });
	await warnings.getByRole('button', { name: 'Set aside' }).click();
	await warnings.getByLabel('Why it may stay').fill('the client wants it');
	await warnings.getByRole('button', { name: 'Set aside' }).click();
	await expect(page.getByRole('button', { name: 'warnings set aside' })).toBeVisible();
	await warnings.getByRole('button', { name: '1 set aside' }).click();
	await expect(warnings).toContainText('the client wants it');
	await warnings.getByRole('button', { name: 'Bring back' }).click();
	await warnings.getByRole('button', { name: /^Call it/ }).click();
	await expect(warnings).toBeHidden();
	// another wording of our own is one click away
	const old = await heading(page, '3').inputValue();
	await heading(page, '3').click();
	await page.getByRole('button', { name: 'Other wordings' }).click();
	await page
		.getByRole('dialog')
		.or(page.getByLabel('Other wordings'))
		.last()
		.getByRole('button')
		.first()
		.click();
	await expect(heading(page, '3')).not.toHaveValue(old);
});

test('a plan starts from a pasted outline or a page’s, is compared with a page and exported', async ({
	page
}) => {
	await openSample(page);
	await goTo(page, 'Plan');
	await page.getByRole('button', { name: 'Start from an outline' }).click();
	const start = page.getByRole('region', { name: 'Start from an outline' });
	await start
		.getByLabel('Pasted outline')
		.fill('# A wall of my own\n## Tools\n## Digging the trench\n### How deep\n## The cope\n## FAQ');
	await expect(start.getByRole('list', { name: 'Headings that were read' })).toContainText(
		'Digging the trench'
	);
	await start.getByRole('button', { name: /^Start from it/ }).click();
	await expect(heading(page, '2.1')).toHaveValue('How deep', { timeout: 90_000 });
	const trench = sections(page)
		.getByRole('listitem')
		.filter({ has: heading(page, '2') });
	await expect(trench.getByRole('button', { name: /trench/ }).first()).toBeVisible();
	await page.getByRole('button', { name: 'Compare with a page' }).click();
	await page.getByRole('button', { name: /^B · / }).click();
	await expect(page.getByRole('list', { name: 'Outline of B' })).toBeVisible();
	await expect(page.getByText(/headings have their counterpart in ours/)).toBeVisible();
	await page.getByRole('button', { name: 'Back to the plan' }).click();
	await page.getByRole('button', { name: 'More', exact: true }).first().click();
	const saved = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Export as Markdown' }).click();
	const file = await (await saved).path();
	expect(readFileSync(file, 'utf8')).toContain('### How deep');
	// an outline that is none says so and changes nothing
	await page.getByRole('button', { name: 'More', exact: true }).first().click();
	await page.getByRole('button', { name: 'Start from an outline' }).click();
	await start.getByLabel('Outline file').setInputFiles({
		name: 'photo.png',
		mimeType: 'image/png',
		buffer: Buffer.from([0x89, 0x50, 0x4e, 0x47, 1, 2, 3])
	});
	await expect(start.getByRole('alert')).toContainText('photo.png');
	await expect(heading(page, '2.1')).toHaveValue('How deep');
});

test('changed evidence proposes and never rearranges the plan', async ({ page }) => {
	await openPlanned(page);
	const before = await headings(page);
	await goTo(page, 'Gather');
	await page
		.getByRole('button', { name: 'Building in dry stone, step by step', exact: true })
		.focus();
	for (const key of [' ', 'ArrowDown', ' ', 'ArrowDown', ' ']) await page.keyboard.press(key);
	await expect(page.getByText(/^[5-7] pages counted/)).toBeVisible();
	await goTo(page, 'Plan');
	const changes = page.getByRole('region', { name: 'The evidence has changed' });
	await expect(changes).toBeVisible({ timeout: 60_000 });
	expect(await headings(page)).toEqual(before);
	await changes.getByRole('button', { name: 'Leave the plan as it is' }).click();
	await expect.poll(() => headings(page)).toEqual(before);
});

test('the manuscript follows the plan without losing text, and the plan takes the manuscript’s outline', async ({
	page
}) => {
	await openDrafted(page);
	const manuscript = page.getByRole('textbox', { name: 'Manuscript' });
	const textOf = async () =>
		(await manuscript.locator('p, li').allTextContents()).filter(Boolean).sort();
	const before = await textOf();
	const titles = manuscript.getByRole('heading', { level: 2 });
	const [, second] = await titles.allTextContents();
	await goTo(page, 'Plan');
	await heading(page, '1').fill('Our stone, and where it comes from');
	await heading(page, '1').press('Enter');
	await leaveField(page);
	await heading(page, '2').click();
	await page.keyboard.press('Alt+ArrowUp');
	await expect(heading(page, '1')).toHaveValue(second!);
	await goTo(page, 'Write');
	await expect(titles.nth(0)).toHaveText(second!);
	await expect(titles.nth(1)).toHaveText('Our stone, and where it comes from');
	expect(await textOf()).toEqual(before);
	// and the other way round
	await titles.nth(1).click();
	await page.keyboard.press('End');
	await page.keyboard.type(', in my words');
	await page.getByRole('button', { name: 'Take them into the plan' }).click();
	await expect(page.getByText(/Took the manuscript’s outline into the plan/)).toBeVisible();
	await goTo(page, 'Plan');
	await expect(heading(page, '2')).toHaveValue('Our stone, and where it comes from, in my words');
});

test('a plan is kept as a form for the client and starts another; it leaves as DOCX', async ({
	page
}) => {
	await openPlanned(page);
	const more = page.getByRole('button', { name: 'More', exact: true }).first();
	await more.click();
	await page.getByRole('button', { name: /^Save as a form for / }).click();
	const form = page.getByRole('form', { name: 'Save as a form' });
	await form.getByLabel('Name of the form').fill('Building guides');
	await expect(form).toContainText('What {a thing} costs');
	await form.getByRole('button', { name: 'Save the form' }).click();
	await expect(page.getByText(/Saved the form “Building guides” for/)).toBeVisible();
	// changed by hand, then started anew from the form
	const cost = (await headings(page)).indexOf('What a dry stone wall costs');
	await heading(page, String(cost)).fill('Money');
	await heading(page, String(cost)).press('Enter');
	await more.click();
	await page.getByRole('button', { name: 'Start from an outline' }).click();
	const start = page.getByRole('region', { name: 'Start from an outline' });
	await start.getByLabel(/^A form of /).selectOption('Building guides');
	await expect(start.getByRole('list', { name: 'Headings that were read' })).toContainText(
		'What a dry stone wall costs'
	);
	await start.getByRole('button', { name: /^Start from it/ }).click();
	await expect(start).toBeHidden({ timeout: 90_000 });
	expect(await headings(page)).toContain('What a dry stone wall costs');
	await more.click();
	const saved = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Export as DOCX' }).click();
	const file = await saved;
	expect(file.suggestedFilename()).toBe('how-to-build-a-dry-stone-wall-plan.docx');
	const entries = unzipSync(readFileSync(await file.path()));
	expect(strFromU8(entries['word/document.xml']!)).toContain('What a dry stone wall costs');
	// the form stands in the profile of the client, and goes from there
	await page.goto('/clients');
	await page.getByRole('link', { name: /Fellgate/ }).click();
	await page.getByRole('button', { name: 'Take the form Building guides off' }).click();
	await expect(page.getByRole('list', { name: 'Forms of plans' })).toContainText('None yet');
	await page.keyboard.press('Control+z');
	await expect(page.getByLabel('Name of the form Building guides')).toBeVisible();
});

test('quick changes build on one another, and two windows never undo each other’s work', async ({
	page,
	context
}) => {
	await openPlanned(page);
	const moved = await heading(page, '7').inputValue();
	const third = await heading(page, '2').inputValue();
	await heading(page, '7').click();
	for (let i = 0; i < 5; i++) await page.keyboard.press('Alt+ArrowUp', { delay: 0 });
	await expect(heading(page, '2')).toHaveValue(moved);
	const other = await context.newPage();
	await other.goto(page.url());
	await expect(heading(other, '2')).toHaveValue(moved, { timeout: 90_000 });
	await heading(other, '3').fill('Changed over there');
	await heading(other, '3').press('Enter');
	await expect(heading(page, '3')).toHaveValue('Changed over there');
	await leaveField(page);
	await page.keyboard.press('Control+z');
	await expect(page.getByText(/Not done, so that nothing is lost/)).toBeVisible();
	await expect(heading(page, '3')).toHaveValue('Changed over there');
	await other.getByRole('button', { name: 'Add a section' }).focus();
	await other.keyboard.press('Control+z');
	await expect(heading(page, '3')).toHaveValue(third);
	await page.keyboard.press('Control+z');
	await expect(heading(page, '3')).toHaveValue(moved);
});
