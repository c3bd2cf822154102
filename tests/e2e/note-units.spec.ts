import { expect, test, type Page } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';
import { dropFiles, goTo, makeAssignment, openArchiveElsewhere, watchErrors } from './support';

const NOTES = new URL('../fixtures/jobs/sleeping-bag/notes/', import.meta.url);
const files = readdirSync(NOTES).map((name) => ({
	name,
	text: readFileSync(new URL(name, NOTES), 'utf8')
}));

const unit = (page: Page, said: RegExp) =>
	page.getByRole('list', { name: /^Units of/ }).getByRole('listitem', { name: said });

async function openNote(page: Page, name: RegExp): Promise<void> {
	await page.getByRole('tab', { name: 'Notes 3' }).click();
	await page.getByRole('button', { name }).click();
}

test('a stranger’s notes are read as units, told otherwise by key, and stay so through the archive', async ({
	page,
	browser
}) => {
	const errors = watchErrors(page);
	await makeAssignment(page, 'how to choose a sleeping bag', '');
	await dropFiles(page, files);
	await openNote(page, /bag article – own notes/);

	await test.step('each unit says what it is', async () => {
		await expect(unit(page, /^brief to me: deadline 4 dec/)).toBeVisible();
		await expect(unit(page, /^to do: vegan angle/)).toBeVisible();
		await expect(unit(page, /^row: 2 season/)).toBeVisible();
		await expect(unit(page, /^definition: mummy =/)).toBeVisible();
	});

	await test.step('a key changes the kind, and that is taken back', async () => {
		const mine = unit(page, /kids' bags not covered/);
		await mine.focus();
		await page.keyboard.press('o');
		await expect(unit(page, /^off record: kids' bags/)).toBeVisible();
		await page.keyboard.press('Control+z');
		await expect(unit(page, /^claim: kids' bags/)).toBeVisible();
		await unit(page, /^claim: kids' bags/).focus();
		await page.keyboard.press('x');
		await expect(unit(page, /^to do: kids' bags/)).toBeVisible();
		await page.keyboard.press('ArrowDown');
		await expect(unit(page, /if only one number/)).toBeFocused();
	});

	await test.step('units are parted and joined', async () => {
		await unit(page, /if only one number/).focus();
		await page.keyboard.press('p');
		await expect(unit(page, /: check sewn-in label$/)).toBeVisible();
		await unit(page, /: check sewn-in label$/).focus();
		await page.keyboard.press('j');
		await expect(unit(page, /if only one number.*check sewn-in label$/)).toBeVisible();
	});

	await test.step('a list changes it as well, and a wish goes to the brief', async () => {
		await page.getByLabel(/^Type of: vegan angle/).selectOption('question');
		await expect(unit(page, /^question: vegan angle/)).toBeVisible();
		await openNote(page, /Fernhollow: fact sheet/);
		await page.getByRole('button', { name: /^Add to must not say: Do not call/ }).click();
		await expect(page.getByRole('region', { name: 'For the brief' })).toContainText(
			'stands in the brief'
		);
	});

	await test.step('a speaker is called otherwise', async () => {
		await openNote(page, /Interview with Marit/);
		await page.getByLabel('Name of the speaker Marit Solheim').fill('M. Solheim');
		await page.keyboard.press('Enter');
		await expect(unit(page, /^quote: "Nine out of ten/)).toContainText('M. Solheim');
	});

	await test.step('all of it is there after a reload', async () => {
		await page.reload();
		await openNote(page, /bag article – own notes/);
		await expect(unit(page, /^to do: kids' bags/)).toBeVisible();
		await expect(unit(page, /^question: vegan angle/)).toBeVisible();
	});

	await test.step('and in an archive that another browser opens', async () => {
		const other = await openArchiveElsewhere(page, browser, /How to choose a sleeping bag/i);
		await goTo(other, 'Gather');
		await openNote(other, /bag article – own notes/);
		await expect(unit(other, /^to do: kids' bags/)).toBeVisible();
		await openNote(other, /Interview with Marit|Interview with/);
		await expect(other.getByLabel('Name of the speaker M. Solheim')).toBeVisible();
		await other.context().close();
	});
	expect(errors).toEqual([]);
});
