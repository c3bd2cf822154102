import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { demoFile, goTo, makeAssignment, watchErrors } from './support';

const DEMO = new URL('../../demo/', import.meta.url);
const listFile = (name: string) => ({
	name,
	mimeType: 'text/csv',
	buffer: readFileSync(new URL(`keywords/${name}`, DEMO))
});
const rowOf = (page: Page, phrase: string) =>
	page.getByRole('row').filter({ has: page.getByRole('button', { name: phrase, exact: true }) });
const paneOf = (page: Page) => page.getByRole('complementary', { name: 'The phrase in hand' });

async function bringIn(page: Page, ...names: string[]): Promise<void> {
	await page.getByLabel('Keyword list files').setInputFiles(names.map(listFile));
	await page.getByRole('button', { name: /^Bring in \d/ }).click();
	await expect(page.getByRole('region', { name: 'Phrases' })).toBeVisible({ timeout: 90_000 });
}

test('from two lists to a keyword, an assignment and an agreed brief', async ({ page }) => {
	const errors = watchErrors(page);
	await page.goto('/');
	await page.getByRole('link', { name: 'Scout' }).click();
	await expect(page.getByText('Bring the keyword lists of no client.')).toBeVisible();

	await test.step('two lists of different planners come in, with a look at them first', async () => {
		await page
			.getByLabel('Keyword list files')
			.setInputFiles([listFile('walling-phrases.csv'), listFile('garden-walls-planner.tsv')]);
		const panel = page.getByRole('region', { name: 'Lists on their way in' });
		await expect(panel).toContainText('188 phrases, utf-8, commas, header on line 4');
		await expect(panel).toContainText('172 phrases, utf-16le, tabs, header on line 3');
		await expect(panel.getByLabel('Meaning of Pages with it in their title')).toHaveValue(
			'titleMatches'
		);
		await panel.getByRole('button', { name: 'Bring in 360 phrases' }).click();
		await expect(page.getByText(/^356 phrases\s+in \d+ clusters/)).toBeVisible({ timeout: 90_000 });
	});

	await test.step('an import is one step that can be taken back', async () => {
		await page.keyboard.press('Control+z');
		await expect(page.getByText('Bring the keyword lists of no client.')).toBeVisible();
		await page.keyboard.press('Control+Shift+z');
		await expect(page.getByText(/^356 phrases/)).toBeVisible();
	});

	await test.step('filter: a range passes while some figure inside it does', async () => {
		await page.getByRole('button', { name: 'Add a filter' }).click();
		await page.getByRole('textbox', { name: 'Words of the phrase' }).fill('dry stone cost');
		await page.keyboard.press('Enter');
		await expect(page.getByText(/^6 of 356 phrases/)).toBeVisible();
		await page.getByRole('button', { name: 'Add a filter' }).click();
		await page.getByRole('textbox', { name: 'Bound' }).fill('250');
		await page.keyboard.press('Enter');
		await expect(page.getByText(/^4 of 356 phrases/)).toBeVisible();
		await page.getByRole('button', { name: 'Kept filters' }).click();
		await page.getByLabel('Name of the filter').fill('small costs');
		await page.keyboard.press('Enter');
		await page.keyboard.press('Escape');
		await page.getByRole('button', { name: /^Volume ≤ 250/ }).click();
		await expect(page.getByText(/^6 of 356 phrases/)).toBeVisible();
		await page.getByRole('button', { name: /^“dry stone cost”/ }).click();
		await expect(page.getByText(/^356 phrases/)).toBeVisible();
	});

	await test.step('sort, and walk the rows by keyboard', async () => {
		await page.getByRole('button', { name: 'Volume', exact: true }).click();
		await expect(page.getByRole('columnheader', { name: /Volume/ })).toHaveAttribute(
			'aria-sort',
			'descending'
		);
		await page.getByRole('row').nth(1).getByRole('button').click();
		await page.keyboard.press('End');
		await expect(paneOf(page).getByRole('heading', { level: 2 })).toHaveText(
			'dry stone wall safety near children'
		);
		await page.keyboard.press(' ');
		await expect(page.getByText('1 ticked')).toBeVisible();
		await page.getByRole('button', { name: 'Untick' }).click();
		await page.getByRole('button', { name: /^Opening/ }).click();
	});

	await test.step('ask for title matches and who ranks; the sum opens', async () => {
		await page.getByRole('button', { name: 'Add a filter' }).click();
		await page.getByRole('textbox', { name: 'Words of the phrase' }).fill('foundations');
		await page.keyboard.press('Enter');
		const row = rowOf(page, 'how deep should dry stone wall foundations be');
		await row.getByRole('button').click();
		await expect(paneOf(page).getByText('Nobody has looked who ranks.')).toBeVisible();
		await expect(paneOf(page).getByText(/Not known: who ranks/)).toBeVisible();
		await page.getByLabel('Tick all phrases shown').click();
		await page.getByRole('button', { name: 'Ask who ranks (sample)' }).click();
		await expect(paneOf(page).getByText(/from the sample service: invented figures/)).toBeVisible();
		await expect(paneOf(page).getByText('4 titles ÷ 90 searches a month = 0.04:')).toBeVisible();
		await expect(paneOf(page).getByText('worth writing')).toBeVisible();
		await expect(paneOf(page).getByText(/Not known/)).toBeHidden();
		const points = await paneOf(page)
			.getByRole('region', { name: 'Opening' })
			.locator('dd.font-semibold')
			.allInnerTexts();
		const said = Number(/Opening (\d+)/.exec(await paneOf(page).innerText())![1]);
		expect(points).toHaveLength(4);
		// each part is rounded for itself
		expect(Math.abs(points.reduce((sum, n) => sum + Number(n), 0) - said)).toBeLessThanOrEqual(2);
		await page.getByRole('button', { name: 'Untick' }).click();
		await page.getByRole('button', { name: /^“foundations”/ }).click();
	});

	await test.step('type a count of titles, and take it back', async () => {
		const field = paneOf(page).getByLabel(/^Title matches of/);
		await field.fill('90');
		await field.press('Tab');
		await expect(paneOf(page).getByText('You gave the count.')).toBeVisible();
		await expect(paneOf(page).getByText('workable')).toBeVisible();
		await page.keyboard.press('Control+z');
		await expect(field).toHaveValue('4');
	});

	await test.step('a passed year becomes this year’s', async () => {
		const year = new Date().getFullYear();
		await page.getByRole('button', { name: `make them ${year}` }).click();
		await expect(page.getByText(/passed year/)).toBeHidden();
		await page.getByRole('button', { name: 'Add a filter' }).click();
		await page.getByRole('textbox', { name: 'Words of the phrase' }).fill('walling hammer 20');
		await page.keyboard.press('Enter');
		await rowOf(page, `best walling hammer ${year}`).getByRole('button').click();
		await expect(
			paneOf(page).getByText('The figures are those of “best walling hammer 2023”.')
		).toBeVisible();
		await page.getByRole('button', { name: /^“walling hammer 20”/ }).click();
	});

	await test.step('clusters can be renamed and cut by hand', async () => {
		await page.getByRole('button', { name: 'Phrase', exact: true }).click();
		await page.getByRole('button', { name: 'Add a filter' }).click();
		await page.getByRole('textbox', { name: 'Words of the phrase' }).fill('batter');
		await page.keyboard.press('Enter');
		await rowOf(page, 'batter frame').getByRole('button').click();
		const name = paneOf(page).getByLabel('Name of the cluster');
		await expect(name).toHaveValue('batter', { timeout: 90_000 });
		await name.fill('the lean');
		await name.press('Tab');
		await expect(rowOf(page, 'dry stone wall batter')).toContainText('the lean');
		await paneOf(page).getByRole('button', { name: 'Take this phrase out' }).click();
		await expect(name).toHaveValue('batter frame');
		await expect(rowOf(page, 'dry stone wall batter')).toContainText('the lean');
		await page.getByRole('button', { name: /^“batter”/ }).click();
	});

	await test.step('what goes on from a phrase can be added', async () => {
		await page.getByRole('button', { name: 'Add a filter' }).click();
		await page.getByRole('textbox', { name: 'Words of the phrase' }).fill('hearting');
		await page.keyboard.press('Enter');
		await rowOf(page, 'dry stone wall hearting').getByRole('button').click();
		await paneOf(page).getByRole('button', { name: 'Complete it' }).click();
		await paneOf(page).getByRole('button', { name: 'Add dry stone wall hearting size' }).click();
		await expect(rowOf(page, 'dry stone wall hearting size')).toBeVisible();
		await page.getByRole('button', { name: /^“hearting”/ }).click();
	});

	await test.step('make the assignment: its cluster and its questions come along', async () => {
		await page.getByRole('button', { name: 'Add a filter' }).click();
		await page
			.getByRole('textbox', { name: 'Words of the phrase' })
			.fill('how deep should dry stone');
		await page.keyboard.press('Enter');
		await rowOf(page, 'how deep should dry stone wall foundations be').getByRole('button').click();
		await expect(paneOf(page).getByLabel('Name of the cluster')).not.toHaveValue('', {
			timeout: 90_000
		});
		await paneOf(page).getByRole('button', { name: 'Make an assignment' }).click();
		await expect(page).toHaveURL(/\/brief$/);
		await expect(page.getByLabel('Exact keyword')).toHaveValue(
			'how deep should dry stone wall foundations be'
		);
		await expect(page.getByLabel('Search intent')).toHaveValue('informational');
		await expect(page.getByLabel('Working title')).toHaveValue(/^How deep should/);
		await expect(
			page.getByLabel('do dry stone walls need foundations is required')
		).not.toBeChecked();
	});

	const sheet = page.getByRole('region', { name: 'The brief on one page' });
	await test.step('fill the brief; the page beside it follows, and nothing is lost', async () => {
		await page.getByLabel('Reader').fill('People with a spade');
		await page.getByLabel('Must not be said').fill('easy\nin no time');
		await page.getByLabel('do dry stone walls need foundations is required').check();
		await page.getByLabel('Effort').selectOption('supporting');
		await page.getByLabel('Length in words').fill('12');
		await expect(page.getByText('Give a number from 100 to 50,000')).toBeVisible();
		await page.getByLabel('Length in words').fill('900');
		await expect(sheet).toContainText('900 words');
		await expect(sheet).toContainText('People with a spade');
		await expect(sheet.getByRole('listitem').filter({ hasText: 'in no time' })).toBeVisible();
		await expect(sheet).toContainText('Required: do dry stone walls need foundations');
		// the last field was not left, and its words are kept all the same
		await page.getByLabel('Tone', { exact: true }).pressSequentially('dry');
		await page.waitForTimeout(700);
		await page.reload();
		await expect(page.getByLabel('Tone', { exact: true })).toHaveValue('dry');
		await expect(page.getByLabel('Length in words')).toHaveValue('900');
	});

	await test.step('a client who is new gets a profile', async () => {
		page.once('dialog', (dialog) => void dialog.accept('Fellgate Tools'));
		await page.getByLabel('Client', { exact: true }).selectOption('new');
		await expect(sheet).toContainText('Brief for Fellgate Tools');
	});

	await test.step('agreed, and printed as one page', async () => {
		await page.getByRole('button', { name: 'Agreed with the client' }).click();
		await expect(page.getByRole('link', { name: 'Brief agreed' })).toBeVisible();
		await page.emulateMedia({ media: 'print' });
		await expect(page.getByLabel('Exact keyword')).toBeHidden();
		await expect(page.getByRole('navigation', { name: 'Stages' })).toBeHidden();
		await expect(sheet).toBeVisible();
		await page.emulateMedia({ media: 'screen' });
	});

	await test.step('Markdown out and in again; a file that is no brief is refused by name', async () => {
		const coming = page.waitForEvent('download');
		await page.getByRole('button', { name: 'Markdown' }).click();
		await page.getByRole('button', { name: 'Export it' }).click();
		const markdown = readFileSync((await (await coming).path())!, 'utf8');
		expect(markdown).toContain('## Must not be said\n\n- easy\n- in no time');
		const file = (text: string) => ({
			name: 'brief.md',
			mimeType: 'text/markdown',
			buffer: Buffer.from(text)
		});
		await page.getByLabel('Brief file').setInputFiles(file('# Shopping\n\n- eggs'));
		await expect(page.getByText(/brief\.md was not brought in: it names no keyword/)).toBeVisible();
		await page
			.getByLabel('Brief file')
			.setInputFiles(file(markdown.replace('People with a spade', 'Gardeners')));
		await expect(page.getByLabel('Reader')).toHaveValue('Gardeners');
		await page.getByRole('heading', { name: 'Brief', level: 1 }).click();
		await page.keyboard.press('Control+z');
		await expect(page.getByLabel('Reader')).toHaveValue('People with a spade');
	});

	await test.step('the questions of the cluster wait in Gather; Scout shows the keyword among its neighbours', async () => {
		await page.keyboard.press('Alt+3');
		await page.getByRole('tab', { name: 'Questions 1' }).click();
		await expect(page.getByLabel('Text of Questions of the cluster')).toHaveValue(
			/Do dry stone walls need foundations\?/
		);
	});
	expect(errors).toEqual([]);
});

test('a client’s profile says what a change reaches before it applies', async ({ page }) => {
	await page.goto('/clients');
	await page.getByLabel('Client profile file').setInputFiles({
		name: 'fellgate-tools.json',
		mimeType: 'application/json',
		buffer: Buffer.from(demoFile('clients/fellgate-tools.json'))
	});
	await expect(page.getByRole('heading', { name: 'Fellgate Tools', level: 1 })).toBeVisible();

	await test.step('the voice is measured, and each figure opens to its sentences', async () => {
		const voice = page.getByRole('region', { name: 'Voice' });
		await voice.getByRole('button', { name: /^6 \(/ }).first().click();
		await expect(voice.getByRole('list', { name: 'Counted in these sentences' })).toContainText(
			'We make the hammer.'
		);
	});

	await test.step('links come in from a file, those that cannot be read are named', async () => {
		await page.getByLabel('Link map file').setInputFiles({
			name: 'links.csv',
			mimeType: 'text/csv',
			buffer: Buffer.from(`${demoFile('links/fellgate-links.csv')}nothing here\n`)
		});
		await expect(page.getByText('Line 22: no address in it')).toBeVisible();
		await expect(page.getByRole('region', { name: 'Link map' })).toContainText(
			'/shop/batter-frame'
		);
		await expect(page.getByRole('heading', { name: 'Links 20' })).toBeVisible();
	});

	await test.step('while nobody shares it, a change applies at once', async () => {
		await page.getByLabel('Phrases to avoid').fill('effortless');
		await page.getByRole('button', { name: 'Apply' }).click();
		await expect(page.getByText('Not applied yet:')).toBeHidden();
	});

	await page.goto('/');
	await page.getByRole('button', { name: 'New assignment' }).click();
	await page.getByLabel('Exact keyword').fill('dry stone wall');
	await page.getByLabel('Client').fill('fellgate tools');
	await page.getByRole('button', { name: 'Make the assignment' }).click();
	await expect(page.getByRole('tab', { name: 'Notes 1' })).toBeVisible();

	await test.step('shared, it asks first; what was typed is still there after closing', async () => {
		await page.goto('/clients');
		await page.getByRole('link', { name: 'Fellgate Tools' }).click();
		await page.getByLabel('Facts that may be stated').fill('The forge stands at High Fold.');
		await expect(page.getByText('1 fact added, 6 taken out')).toBeVisible();
		await page.waitForTimeout(700);
		await page.reload();
		await expect(page.getByLabel('Facts that may be stated')).toHaveValue(
			'The forge stands at High Fold.'
		);
		await page.getByRole('button', { name: 'Apply' }).click();
		const dialog = page.getByRole('dialog', { name: 'One assignment shares this profile' });
		await expect(dialog).toContainText('Dry stone wall');
		await expect(dialog).toContainText('reaches findings, plans and drafts');
		await dialog.getByRole('button', { name: 'Apply to all of them' }).click();
		await expect(page.getByText('Not applied yet:')).toBeHidden();
	});

	await test.step('the assignment reads the new facts, and Undo takes them back', async () => {
		await page.getByRole('link', { name: 'Corvan, all assignments' }).click();
		await page.getByRole('link', { name: 'Dry stone wall' }).click();
		await page.getByRole('tab', { name: 'Notes 1' }).click();
		await page.getByRole('tab', { name: 'As text' }).click();
		await expect(page.getByLabel('Text of Facts of Fellgate Tools')).toHaveValue(/High Fold/);
		await page.keyboard.press('Control+z');
		await expect(page.getByLabel('Text of Facts of Fellgate Tools')).toHaveValue(/since 1962/);
	});
});

test('lists that are bad, huge or stopped lose nothing', async ({ page }) => {
	await page.goto('/scout');
	const picker = page.getByLabel('Keyword list files');
	const file = (name: string, content: string | Uint8Array) => ({
		name,
		mimeType: 'text/csv',
		buffer: Buffer.from(content)
	});

	await test.step('what cannot be read is named with its line and reason', async () => {
		await picker.setInputFiles([
			file('planner.csv', 'Keyword,Volume\nwall,10\nhedge,many\n"path,3\n'),
			file('book.xlsx', Uint8Array.from([0x50, 0x4b, 3, 4, 1, 2])),
			file('empty.csv', '')
		]);
		const panel = page.getByRole('region', { name: 'Lists on their way in' });
		await expect(panel).toContainText('Line 3: “many” in Volume is not a number.');
		await expect(panel).toContainText('Line 4: a quotation mark is opened and not closed.');
		await expect(panel).toContainText('It was not read: it looks like a zip or office file');
		await expect(panel).toContainText('It was not read: there is nothing in it.');
		await panel.getByLabel('Meaning of Volume').selectOption('titleMatches');
		await panel.getByRole('button', { name: 'Bring in 1 phrase' }).click();
		await expect(page.getByRole('button', { name: 'wall', exact: true })).toBeVisible();
		await expect(paneOf(page).getByLabel('Title matches of wall')).toHaveValue('10');
	});

	const rows = Array.from(
		{ length: 50_000 },
		(_, i) => `stone wall ${i % 500} kind ${i},${i % 900}`
	);
	const huge = file('huge.csv', `Keyword,Volume\n${rows.join('\n')}`);

	await test.step('fifty thousand rows can be stopped on their way in', async () => {
		await picker.setInputFiles(huge);
		await page.getByRole('button', { name: 'Cancel' }).click();
		await expect(page.getByText(/^Reading huge/)).toBeHidden();
		await expect(page.getByText(/^1 phrase/)).toBeVisible();
	});

	await test.step('or come in, scroll and filter', async () => {
		await picker.setInputFiles(huge);
		await page.getByRole('button', { name: 'Bring in 50,000 phrases' }).click({ timeout: 60_000 });
		await expect(page.getByText(/^50,001 phrases/)).toBeVisible({ timeout: 60_000 });
		const region = page.getByRole('region', { name: 'Phrases' });
		await region.evaluate((element) => (element.scrollTop = element.scrollHeight / 2));
		await expect(page.getByRole('row').nth(10)).toBeVisible();
		expect(await page.getByRole('row').count()).toBeLessThan(80);
		await page.getByRole('button', { name: 'Add a filter' }).click();
		await page.getByRole('textbox', { name: 'Words of the phrase' }).fill('kind 49999');
		await page.keyboard.press('Enter');
		await expect(page.getByText(/^1 of 50,001 phrases/)).toBeVisible();
	});
});

/** Makes the browser refuse to store anything, or takes that back. */
async function fillStorage(page: Page, isFull: boolean): Promise<void> {
	await page.evaluate((full) => {
		const store = IDBObjectStore.prototype as unknown as Record<string, unknown>;
		store['kept'] ??= store['put'];
		store['put'] = full
			? () => {
					throw new DOMException('no room', 'QuotaExceededError');
				}
			: store['kept'];
	}, isFull);
}

test('a full browser says so and loses nothing that is typed', async ({ page }) => {
	await makeAssignment(page, 'dry stone wall', '900');
	await goTo(page, 'Brief');
	await fillStorage(page, true);
	await page.getByLabel('Tone', { exact: true }).fill('dry');
	await page.getByLabel('Tone', { exact: true }).press('Tab');
	await expect(page.getByRole('alert')).toContainText('no room left');
	await expect(page.getByLabel('Tone', { exact: true })).toHaveValue('dry');
	await fillStorage(page, false);
	await page.getByLabel('Purpose').fill('To be trusted');
	await page.getByLabel('Purpose').press('Tab');
	await expect(page.getByRole('alert')).toBeHidden();
	await page.reload();
	await expect(page.getByLabel('Tone', { exact: true })).toHaveValue('dry');
	await expect(page.getByLabel('Purpose')).toHaveValue('To be trusted');
});

test('counts of titles can be pasted as a list', async ({ page }) => {
	await page.goto('/scout');
	await bringIn(page, 'walling-phrases.csv');
	await page.getByRole('button', { name: 'Bring in a list' }).click();
	await page.getByRole('button', { name: 'Paste counts of titles' }).click();
	await page
		.getByLabel('Paste phrases with the number of pages')
		.fill('dry stone wall coping\t1,050\nhearting stones\t2');
	await page.getByRole('button', { name: 'Read it' }).click();
	await page.getByRole('button', { name: 'Bring in 2 phrases' }).click();
	await page.getByRole('button', { name: 'Add a filter' }).click();
	await page.getByRole('textbox', { name: 'Words of the phrase' }).fill('hearting stones');
	await page.keyboard.press('Enter');
	await rowOf(page, 'hearting stones').getByRole('button').click();
	await expect(paneOf(page).getByText('2 titles ÷ 40 searches a month = 0.05:')).toBeVisible();

	await fillStorage(page, true);
	const count = paneOf(page).getByLabel('Title matches of hearting stones');
	await count.fill('8');
	await count.press('Tab');
	await expect(page.getByText('the last step was not stored')).toBeVisible();
	await fillStorage(page, false);
	await count.fill('9');
	await count.press('Tab');
	await expect(paneOf(page).getByText('9 titles ÷ 40 searches a month')).toBeVisible();
});

test('the demo’s lists stand ready for its client', async ({ page }) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'Look at the sample' }).click();
	await expect(page.getByText('Cleaning pages')).toBeHidden({ timeout: 90_000 });
	await page.getByRole('link', { name: /How to build a dry stone wall/ }).click();
	await goTo(page, 'Scout');
	await expect(
		paneOf(page).getByText('The keyword of this assignment, among its neighbours.')
	).toBeVisible();
	await expect(page.getByText(/^356 phrases/)).toBeVisible();
	await bringIn(page, 'walling-phrases.csv');
	await expect(page.getByText(/^356 phrases/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Lists 3' })).toBeVisible();
});
