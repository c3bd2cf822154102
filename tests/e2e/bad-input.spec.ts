import { expect, test } from '@playwright/test';
import { demoFile, makeAssignment, watchErrors } from './support';

const NESTED =
	'<div>'.repeat(10_000) +
	'<p>Deep down there is one line of text about a wall.</p>' +
	'</div>'.repeat(10_000);

test('files that cannot be read are named with the reason, and the rest comes in', async ({
	page
}) => {
	const errors = watchErrors(page);
	await makeAssignment(page, 'dry stone wall', '');
	const file = (name: string, content: string | Buffer) => ({
		name,
		mimeType: 'text/html',
		buffer: Buffer.from(content as string)
	});
	await page
		.getByLabel('Page files')
		.setInputFiles([
			file('empty.html', ''),
			file('picture.html', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 1, 2, 3])),
			file('nested.html', NESTED),
			file(
				'huge.html',
				`<html><title>Huge</title><body><article><h1>Huge</h1><p>${'stone wall '.repeat(480_000)}</p></article></body></html>`
			),
			file('good.html', demoFile('pages/greenplot.html'))
		]);
	const report = page.getByRole('alert');
	await expect(report).toContainText('empty.html was not brought in: the file is empty', {
		timeout: 60_000
	});
	await expect(report).toContainText(
		'picture.html was not brought in: it is a PNG picture; only text can be read'
	);
	await expect(
		page.getByRole('button', { name: 'Dry stone walls: a beginner’s weekend', exact: true })
	).toBeVisible();
	await expect(page.getByRole('tab', { name: 'Pages 3' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Huge', exact: true })).toBeVisible();
	expect(errors).toEqual([]);
});

test('an import can be cancelled half-way and taken back', async ({ page }) => {
	await makeAssignment(page, 'dry stone wall', '');
	const html = demoFile('pages/stonecraft-journal.html');
	await page.getByLabel('Page files').setInputFiles(
		Array.from({ length: 60 }, (_, i) => ({
			name: `page-${i}.html`,
			mimeType: 'text/html',
			buffer: Buffer.from(html.replace('step by step', `part ${i}`))
		}))
	);
	await expect(page.getByRole('status').filter({ hasText: /[2-9] of 60/ })).toBeVisible({
		timeout: 90_000
	});
	await page.getByRole('button', { name: 'Cancel' }).click();
	await expect(page.getByRole('alert')).toContainText(/Stopped\. Came in: \d+ pages?/, {
		timeout: 90_000
	});
	const count = Number(
		/Pages (\d+)/.exec(await page.getByRole('tab', { name: /^Pages/ }).innerText())![1]
	);
	expect(count).toBeLessThan(60);
	await page.keyboard.press('Control+z');
	await expect(page.getByRole('tab', { name: 'Pages 0' })).toBeVisible();
});

test('a zip that is not ours is refused by name, and nothing else is lost', async ({ page }) => {
	await makeAssignment(page, 'dry stone wall', '');
	await page.goto('/');
	await page.getByLabel('Archive to bring in').setInputFiles({
		name: 'holiday.zip',
		mimeType: 'application/zip',
		buffer: Buffer.from('PK\u0003\u0004 not a zip')
	});
	await expect(page.getByText(/holiday\.zip was not brought in: it/)).toBeVisible();
	await expect(page.getByRole('link', { name: 'Dry stone wall' })).toBeVisible();
});

test('a keyword or length that cannot be is explained beside its field', async ({ page }) => {
	await page.goto('/');
	await page.getByRole('button', { name: 'Make the first assignment' }).click();
	await page.getByLabel('Length in words').fill('12');
	await page.getByRole('button', { name: 'Make the assignment' }).click();
	await expect(page.getByText('Give the exact keyword, as people type it.')).toBeVisible();
	await expect(page.getByText('Give a number of words from 100 to 50,000')).toBeVisible();
});

test('a binned and a deleted assignment come back with undo', async ({ page }) => {
	await makeAssignment(page, 'dry stone wall', '');
	await page.goto('/');
	await page.getByRole('button', { name: /Put “Dry stone wall” in the bin/ }).click();
	await page.getByText('In the bin: 1').click();
	await page.getByRole('button', { name: 'Delete' }).click();
	await expect(page.getByText('In the bin: 1')).toBeHidden();
	await page.keyboard.press('Control+z');
	await page.keyboard.press('Control+z');
	await expect(page.getByRole('link', { name: 'Dry stone wall' })).toBeVisible();
});

/** A text as bytes of a charset of one byte a sign. */
function bytesIn(charset: string, text: string): Buffer {
	const decoder = new TextDecoder(charset);
	const bytes = new Map(
		Array.from({ length: 256 }, (_, byte) => [decoder.decode(Uint8Array.of(byte)), byte])
	);
	return Buffer.from([...text].map((sign) => bytes.get(sign)!));
}

test('a page that names the wrong charset is read otherwise, and that is a step', async ({
	page
}) => {
	await makeAssignment(page, 'dry stone wall', '');
	const says = 'Стену сухой кладки начинают с самых больших камней, а щели заполняют мелкими.';
	await page.getByLabel('Page files').setInputFiles({
		name: 'wall.html',
		mimeType: 'text/html',
		buffer: bytesIn(
			'koi8-r',
			`<html><head><meta charset="windows-1252"><title>Wall</title></head><body><article><h1>Wall</h1>${`<p>${says}</p>`.repeat(4)}</article></body></html>`
		)
	});
	const pane = page.getByRole('region', { name: 'Reading pane' });
	await page.getByRole('row', { name: /Wall/ }).first().click();
	await expect(pane).toContainText('The letters of this page look wrong.');
	await expect(pane).not.toContainText(says);
	await pane.getByRole('button', { name: 'Read it otherwise' }).click();
	await pane
		.getByRole('list', { name: 'How the page would read' })
		.getByRole('button', { name: /KOI8.*сухой кладки/ })
		.click();
	await expect(pane).toContainText(says);
	await expect(pane).not.toContainText('look wrong');
	await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
	await expect(pane).toContainText('The letters of this page look wrong.');
});
