import { expect, test } from '@playwright/test';
import { goTo, openArchiveElsewhere, openDrafted, openSample, watchErrors } from './support';

const FAULTS =
	'The first course lies on firm subsoil and it’s weight holds it. Nobody lifts 7,412 kg alone. ' +
	'In the next section, we will look at the cope. The definately heavy stones go first. Masons honour it.';

test('a draft is proofread: marks are fixed, dismissed and undone, and stay so', async ({
	page,
	browser
}) => {
	const errors = watchErrors(page);
	await openDrafted(page);
	const manuscript = page.getByRole('textbox', { name: 'Manuscript' });
	const marks = page.getByRole('region', { name: 'Marks' });
	const card = (name: RegExp) => marks.getByRole('article', { name });

	await test.step('what was typed is marked in the worker, each with its reason', async () => {
		await manuscript.click();
		await page.keyboard.press('Control+End');
		await page.keyboard.type(FAULTS.slice(0, 20));
		await page.keyboard.insertText(FAULTS.slice(20));
		await goTo(page, 'Proof');
		for (const name of [/it’s/, /7,412 kg/, /In the next section/, /definately/])
			await expect(card(name)).toBeVisible();
		await expect(page.getByRole('link', { name: /Proof \d+ marks/ })).toBeVisible();
	});

	await test.step('a slip is mended by key, and taken back', async () => {
		await page.getByRole('button', { name: 'Spelling, grammar', exact: true }).click();
		await page.keyboard.press('j');
		await expect(card(/it’s/).getByRole('button', { name: 'Write “its”' })).toBeVisible();
		await page.keyboard.press('f');
		await expect(manuscript).toContainText('and its weight holds it');
		await expect(card(/it’s/)).toBeHidden();
		await manuscript.click();
		await page.keyboard.press('Control+z');
		await expect(manuscript).toContainText('and it’s weight holds it');
		await expect(card(/it’s/)).toBeVisible();
		await card(/definately/)
			.getByRole('button')
			.first()
			.click();
		await card(/definately/)
			.getByRole('button', { name: 'Write “definitely”' })
			.click();
		await expect(manuscript).toContainText('The definitely heavy stones');
	});

	await test.step('a claim is dismissed with a reason, which undo takes back', async () => {
		await page.getByRole('button', { name: 'Claims', exact: true }).click();
		await card(/7,412 kg/)
			.getByRole('button')
			.first()
			.click();
		await card(/7,412 kg/)
			.getByRole('button', { name: /Dismiss/ })
			.click();
		await page.getByLabel('Why it is dismissed').fill('weighed on the farm');
		await page.keyboard.press('Enter');
		await expect(card(/7,412 kg/)).toBeHidden();
		await expect(marks.getByText('1 mark dismissed')).toBeVisible();
		await page.getByRole('heading', { name: 'Read for' }).click();
		await page.keyboard.press('Control+z');
		await expect(card(/7,412 kg/)).toBeVisible();
		await page.keyboard.press('Control+Shift+z');
		await expect(card(/7,412 kg/)).toBeHidden();
	});

	await test.step('all claims stand in one list with their backing', async () => {
		await marks.getByRole('button', { name: 'All claims' }).click();
		await expect(marks.getByRole('region', { name: 'All claims' })).toContainText(/\d+ backed/);
		await marks.getByRole('button', { name: 'Back to the marks' }).click();
	});

	await test.step('moves that are ticked show where they lead together', async () => {
		const moves = page.getByRole('region', { name: 'Moves' });
		await moves.getByRole('checkbox').nth(0).click();
		await moves.getByRole('checkbox').nth(1).click();
		await expect(page.getByText(/\d+ with the 2 ticked/)).toBeVisible();
	});

	await test.step('spelling follows the dialect, and a rule is never marked again for the client', async () => {
		await page.getByRole('button', { name: 'all', exact: true }).click();
		await expect(card(/honour/)).toBeHidden();
		await page.getByRole('combobox', { name: /^Spelling/ }).selectOption('American');
		await card(/honour/)
			.getByRole('button')
			.first()
			.click();
		await card(/honour/)
			.getByRole('button', { name: 'Never for this client' })
			.click();
		await expect(card(/honour/)).toBeHidden();
		await expect(marks.getByText('1 rule not marked for Fellgate Tools')).toBeVisible();
		await page.getByRole('heading', { name: 'Read for' }).click();
		await page.keyboard.press('Control+z');
		await expect(card(/honour/)).toBeVisible();
		await page.getByRole('combobox', { name: /^Spelling/ }).selectOption('as in the notes');
		await expect(card(/honour/)).toBeHidden();
	});

	await test.step('a reading is switched off, and what was decided outlives reload and archive', async () => {
		await page.getByRole('button', { name: 'Do not read for Leftovers', exact: true }).focus();
		await page.keyboard.press('Enter');
		await expect(card(/In the next section/)).toBeHidden();
		await page.waitForTimeout(900);
		await page.reload();
		await expect(marks.getByText('1 mark dismissed')).toBeVisible();
		await expect(card(/In the next section/)).toBeHidden();
		const other = await openArchiveElsewhere(page, browser, /How to build a dry stone wall/);
		await goTo(other, 'Proof');
		await expect(
			other.getByRole('region', { name: 'Marks' }).getByText('1 mark dismissed')
		).toBeVisible();
		await other.context().close();
	});
	expect(errors).toEqual([]);
});

test('an article that exists is held against the evidence, planned from its headings and kept', async ({
	page
}) => {
	const errors = watchErrors(page);
	await openSample(page);
	await goTo(page, 'Proof');
	const marks = page.getByRole('region', { name: 'Marks' });
	await page
		.getByLabel('An article that exists')
		.fill(
			'# Walls without mortar\n\nA wall of this kind can stand for 870 years.\n\n## Lay the footings\n\nDig the the trench down to firm subsoil, and fill it with the largest stones.\n'
		);
	await page.getByRole('button', { name: 'Read it' }).click();
	await expect(marks.getByRole('article', { name: /870 years/ })).toBeVisible({ timeout: 60_000 });
	await expect(marks.getByRole('article', { name: /the the/ })).toBeVisible();
	await expect(page.getByRole('region', { name: 'Moves' })).toContainText('write about “');

	await page.getByRole('button', { name: 'plan it' }).click();
	await expect(page.getByRole('button', { name: 'plan it' })).toBeHidden();
	await goTo(page, 'Write');
	const manuscript = page.getByRole('textbox', { name: 'Manuscript' });
	await expect(manuscript).toContainText('Dig the the trench down to firm subsoil');
	await goTo(page, 'Plan');
	await expect(
		page.getByRole('textbox', { name: 'Heading of section 1', exact: true })
	).toHaveValue('Lay the footings');
	await page.keyboard.press('Control+z');
	await expect(page.getByRole('button', { name: 'Propose a plan' })).toBeVisible();
	await goTo(page, 'Proof');
	await expect(manuscript).toContainText('Dig the the trench down to firm subsoil');

	await page.keyboard.press('Control+k');
	await page.getByPlaceholder('What do you want to do?').fill('article that exists');
	await page.keyboard.press('Enter');
	const address = page.getByLabel('or its address');
	await address.fill('no address');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('alert')).toContainText('“no address” is no address');
	await address.fill('greenplot.example/dry-stone-walls');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('combobox', { name: 'The take that is read' })).toHaveCount(1);
	await page.getByLabel('Beside').selectOption({ label: 'Take 1' });
	await expect(page.getByLabel(/^\d+ beside it$/).first()).toBeVisible();
	expect(errors).toEqual([]);
});
