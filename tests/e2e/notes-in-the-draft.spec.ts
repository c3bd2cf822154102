import { expect, test } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';
import { draftArticle, dropFiles, goTo, makeAssignment, proposePlan, watchErrors } from './support';

const JOB = new URL('../fixtures/jobs/moss-lawn/', import.meta.url);
const filesIn = (folder: string, fits: RegExp) =>
	readdirSync(new URL(folder, JOB))
		.filter((name) => fits.test(name))
		.map((name) => ({ name, text: readFileSync(new URL(`${folder}${name}`, JOB), 'utf8') }));

test('what became of every unit of the notes is seen, and what was left out is brought in', async ({
	page
}) => {
	const errors = watchErrors(page);
	await makeAssignment(page, 'how to get rid of moss in a lawn', '1400');
	await dropFiles(page, [...filesIn('pages/', /\.html$/), ...filesIn('notes/', /./)]);
	await expect(page.getByRole('tab', { name: /^Notes [1-9]/ })).toBeVisible({ timeout: 90_000 });
	await proposePlan(page);

	await test.step('a note without a place goes to the section that suits it, with a click', async () => {
		await page.getByRole('tab', { name: /^Notes \d+$/ }).click();
		const list = page.getByRole('list', { name: 'Not yet placed first' });
		await expect(list.getByRole('listitem').first()).toBeVisible();
		const homeless = list.getByRole('listitem').filter({ hasText: 'place it in' });
		const count = await homeless.count();
		if (count > 0) {
			await homeless.first().getByRole('button').first().click();
			await expect(homeless).toHaveCount(count - 1);
		}
	});

	await draftArticle(page);
	const manuscript = page.getByRole('textbox', { name: 'Manuscript' });
	await page.getByRole('tab', { name: 'Notes', exact: true }).click();
	const bench = page.getByRole('complementary', { name: 'Bench' });
	const units = bench.getByRole('listitem');
	const kinds = page.getByRole('group', { name: 'What became of the notes' });
	const kind = (name: string) => kinds.getByRole('button', { name: new RegExp(`^${name} \\d`) });
	const countOf = async (name: string) =>
		Number(/\d+/.exec((await kind(name).textContent()) ?? '')?.[0]);

	await test.step('a unit leads to its words in the text, and the text back to its unit', async () => {
		await kind('In the text').click();
		const unit = units.filter({ hasText: 'paracetamol' }).first();
		await unit.getByRole('button', { name: /^in / }).click();
		expect(await page.evaluate(() => getSelection()?.toString().length ?? 0)).toBeGreaterThan(10);
		await expect(page.getByLabel('Made of')).toContainText(/paracetamol/i);
	});

	await test.step('what must stay in the notes is listed with its reason and cannot be brought in', async () => {
		await kind('Kept out').click();
		const kept = units.filter({ hasText: 'off the record' }).first();
		await expect(kept).toBeVisible();
		await expect(kept.getByRole('button')).toHaveCount(0);
	});

	await test.step('a marked jotting becomes a sentence in place of its gap', async () => {
		await kind('To work in').click();
		const before = await countOf('To work in');
		expect(before).toBeGreaterThan(0);
		await bench.getByRole('button', { name: 'Make it a sentence' }).first().click();
		await expect(kind('To work in')).toHaveText(`To work in ${before - 1}`);
	});

	await test.step('what was left out is brought in with a click, and undone', async () => {
		await kind('Left out').click();
		const before = await countOf('Left out');
		expect(before).toBeGreaterThan(0);
		await bench.getByRole('button', { name: 'Bring in' }).first().click();
		await expect(kind('Left out')).toHaveText(`Left out ${before - 1}`);
		await manuscript.press('Control+z');
		await expect(kind('Left out')).toHaveText(`Left out ${before}`);
	});

	await test.step('and by drag, to the place where it is dropped', async () => {
		const before = await countOf('Left out');
		const unit = units.filter({ hasText: 'Bring in' }).first();
		await unit.dragTo(manuscript.getByRole('heading').nth(1));
		await expect(kind('Left out')).toHaveText(`Left out ${before - 1}`);
	});

	await test.step('one section is drafted again alone and offered beside the text', async () => {
		await manuscript.getByRole('heading').nth(2).click();
		await page.getByRole('button', { name: 'Another version' }).first().click();
		const offer = page.getByRole('region', { name: /^Version of/ });
		await expect(offer).toBeVisible({ timeout: 60_000 });
		await offer.getByRole('button', { name: 'Leave it' }).click();
		await expect(offer).toHaveCount(0);
	});

	await goTo(page, 'Plan');
	await goTo(page, 'Write');
	await expect(manuscript).toContainText('moss');
	expect(errors).toEqual([]);
});
