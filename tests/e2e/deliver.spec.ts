import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { strFromU8, unzipSync } from 'fflate';
import {
	goTo,
	openArchiveElsewhere,
	openDrafted,
	openSample,
	proposePlan,
	watchErrors
} from './support';

const right = (page: Page) => page.getByRole('complementary', { name: 'In the page' });
const left = (page: Page) => page.getByRole('complementary', { name: 'Hand over' });

/** A draft of the sample, ready to go; gives the errors of the page as they come. */
async function deliverDraft(page: Page): Promise<string[]> {
	const errors = watchErrors(page);
	await openDrafted(page);
	await goTo(page, 'Deliver');
	return errors;
}

async function saved(page: Page, name: string): Promise<{ file: string; bytes: Uint8Array }> {
	const coming = page.waitForEvent('download');
	await left(page).getByRole('button', { name }).click();
	const download = await coming;
	return {
		file: download.suggestedFilename(),
		bytes: new Uint8Array(readFileSync(await download.path()))
	};
}

test('a draft is handed over: title, links, pictures, every form, report, script, and published', async ({
	page,
	browser
}) => {
	const errors = await deliverDraft(page);

	await test.step('what is open leads to where it is seen to', async () => {
		await expect(page.getByRole('link', { name: /^Deliver \d+ to see to/ })).toBeVisible();
		await left(page)
			.getByRole('link', { name: /^See.*gap/ })
			.click();
		const manuscript = page.getByRole('textbox', { name: 'Manuscript' });
		await expect(manuscript).toBeVisible();
		// steps of the writer's own, which the page hands on as a how-to
		await manuscript.getByRole('heading', { name: 'Looking after it' }).click();
		await page.keyboard.press('End');
		await page.keyboard.press('Enter');
		await page.keyboard.type('1. Walk along the wall in spring.\n');
		await page.keyboard.type('Push each copestone.\nPut what has fallen back.');
		await expect(manuscript.locator('ol', { hasText: 'Push each copestone' })).toBeVisible();
		await goTo(page, 'Deliver');
	});

	await test.step('a proposed title and description are chosen, and taken back', async () => {
		const titles = page.getByRole('group', { name: 'Titles to choose from' });
		await expect(titles.getByRole('radio')).not.toHaveCount(1);
		const before = await page.getByLabel('Title tag', { exact: true }).inputValue();
		await titles.getByRole('radio').nth(1).check();
		await expect(page.getByLabel('Title tag', { exact: true })).not.toHaveValue(before);
		await page.keyboard.press('Control+z');
		await expect(page.getByLabel('Title tag', { exact: true })).toHaveValue(before);
		await page.getByLabel('Under which address').fill('https://fellgate-tools.example/journal');
		await page.keyboard.press('Enter');
		await expect(
			page.getByRole('group', { name: 'As a results page might show it' })
		).toContainText('fellgate-tools.example › journal › how-to-build');
	});

	await test.step('links of the client’s map are taken, and one is taken out again', async () => {
		const links = page.getByRole('region', { name: /^Links/ });
		await links
			.getByRole('button', { name: /^Take the link/ })
			.first()
			.click();
		await expect(links.getByRole('heading', { name: '1 link in the text' })).toBeVisible();
		await links.getByRole('button', { name: /^Take all/ }).click();
		const rows = links.getByRole('row');
		await expect(rows).not.toHaveCount(2);
		const all = await rows.count();
		await links
			.getByRole('button', { name: /^Take out the link/ })
			.first()
			.click();
		await expect(rows).toHaveCount(all - 1);
		await links.getByRole('checkbox').first().check();
	});

	await test.step('a picture of the client is placed, and its words are kept', async () => {
		await right(page)
			.getByRole('button', { name: 'Words and place of section-of-a-wall.svg' })
			.click();
		await right(page).getByLabel('Place').selectOption({ label: 'Dig the trench' });
		await expect(right(page).getByText(/Dig the trench · “Two faces, hearting/)).toBeVisible();
		await right(page).getByLabel('Caption').fill('A wall cut through');
		await page.keyboard.press('Enter');
		await expect(right(page).getByText(/“A wall cut through”/)).toBeVisible();
	});

	await test.step('contents lead to their headings, takeaways and references stand in the page', async () => {
		await right(page)
			.getByRole('checkbox', { name: /^Key takeaways/ })
			.check();
		await right(page).getByLabel('References').selectOption('footnotes');
		await page.getByRole('tab', { name: 'The page' }).click();
		const preview = page.getByRole('article', { name: 'Preview of the article' });
		await expect(preview.getByRole('heading', { name: 'Key takeaways' })).toBeVisible();
		await expect(preview.getByRole('heading', { name: 'References' })).toBeAttached();
		await expect(
			preview.getByRole('img', { name: /^A dry stone wall cut through/ })
		).toBeAttached();
		const entry = preview.getByRole('navigation').getByRole('link').last();
		const name = await entry.innerText();
		await entry.click();
		await expect(preview.getByRole('heading', { name, exact: true })).toBeInViewport();
	});

	await test.step('all of it is one zip, with a list of what is in it', async () => {
		const { file, bytes } = await saved(page, 'Save everything as a zip');
		expect(file).toBe('how-to-build-a-dry-stone-wall.zip');
		const files = unzipSync(bytes);
		const text = (name: string) => strFromU8(files[name]!);
		expect(Object.keys(files).sort()).toEqual(
			[
				'how-to-build-a-dry-stone-wall-chapters.vtt',
				'how-to-build-a-dry-stone-wall-report.docx',
				'how-to-build-a-dry-stone-wall-report.html',
				'how-to-build-a-dry-stone-wall-script.csv',
				'how-to-build-a-dry-stone-wall-script.srt',
				'how-to-build-a-dry-stone-wall-script.txt',
				'how-to-build-a-dry-stone-wall.body.html',
				'how-to-build-a-dry-stone-wall.docx',
				'how-to-build-a-dry-stone-wall.html',
				'how-to-build-a-dry-stone-wall.json',
				'how-to-build-a-dry-stone-wall.md',
				'how-to-build-a-dry-stone-wall.txt',
				'pictures/03-section-of-a-wall.png',
				'what-is-in-it.txt'
			].sort()
		);
		const html = text('how-to-build-a-dry-stone-wall.html');
		expect(html).toContain('src="pictures/03-section-of-a-wall.png"');
		expect(html).toContain('"@type":"HowTo"');
		expect(html).toContain('rel="nofollow"');
		expect(text('how-to-build-a-dry-stone-wall.md')).toMatch(/\[\^1\]: /);
		expect(text('how-to-build-a-dry-stone-wall-chapters.vtt')).toMatch(
			/^WEBVTT\n\n1\n00:00:00\.000 --> /
		);
		expect(text('what-is-in-it.txt')).toContain('Open when this was made:');
		// the client's logo, the standing among the pages, and the placement
		const inReport = unzipSync(files['how-to-build-a-dry-stone-wall-report.docx']!);
		expect(
			Object.keys(inReport).filter((name) => /^word\/media\/.*\.png$/.test(name))
		).toHaveLength(3);
		expect(files['pictures/03-section-of-a-wall.png']!.slice(1, 4)).toEqual(
			new TextEncoder().encode('PNG')
		);
	});

	await test.step('the report prints, in the client’s colours, without the rest of the screen', async () => {
		await page.getByRole('tab', { name: 'Client report' }).click();
		const report = page.getByRole('article', { name: 'Client report' });
		await expect(report.getByRole('heading', { name: 'Where it stands' })).toBeVisible();
		await expect(report.getByRole('img', { name: /^This article stands at \d+/ })).toBeVisible();
		await expect(report).toContainText('9 were counted, 5 set aside');
		await page.getByLabel('What was read').uncheck();
		await expect(report.getByRole('heading', { name: 'What was read' })).toBeHidden();
		await page.emulateMedia({ media: 'print' });
		await expect(left(page)).toBeHidden();
		const pdf = await page.pdf({ format: 'A4' });
		expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
		expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)!.length).toBeGreaterThan(1);
		await page.emulateMedia({ media: 'screen' });
	});

	await test.step('the script starts at 0:00, and a slower voice takes longer', async () => {
		await page.getByRole('tab', { name: 'Spoken script' }).click();
		const script = page.getByRole('table', { name: 'Script' });
		await expect(script.getByRole('row').nth(1)).toContainText('0:00');
		const length = page.getByText(/^\d+:\d\d, \d+ moments, \d+ words/);
		const before = await length.innerText();
		await page.getByLabel('Words a minute').fill('110');
		await expect(length).not.toHaveText(before);
	});

	await test.step('it is published once, brought up to date, and noted', async () => {
		await left(page).getByRole('button', { name: 'Publish', exact: true }).click();
		const sheet = page.getByRole('main');
		await sheet.getByLabel(/^Token/).fill('stand-in-cuts');
		await sheet.getByRole('button', { name: 'Find the site' }).click();
		await sheet.getByLabel('how-to').check();
		await sheet.getByRole('button', { name: 'Publish', exact: true }).click();
		const look = sheet.getByRole('link', { name: 'Look at it' });
		await expect(look).toBeVisible();
		const address = (await look.getAttribute('href'))!;
		await sheet.getByLabel('live').check();
		await sheet.getByRole('button', { name: 'Bring it up to date' }).click();
		await expect(page.getByText(/^It is up to date/)).toBeVisible();
		const site = await page.request.get(address);
		const html = await site.text();
		expect(html).toContain('class="p-name">How to build a dry stone wall');
		expect(html).toContain('<li class="p-category">how-to</li>');
		expect(html.match(/<h1/g)).toHaveLength(1);
		expect(html).toMatch(/src="http:\/\/127\.0\.0\.1:\d+\/stand-in-site\/media\//);
		const home = await (await page.request.get(`${address.split('/posts/')[0]!}`)).text();
		expect(home.match(/how-to-build-a-dry-stone-wall/g)).toHaveLength(1);
		await expect(
			left(page).getByRole('link', { name: /^Brought up to date live on/ })
		).toBeVisible();
	});

	await test.step('the archive takes pictures and history along, and no token', async () => {
		const other = await openArchiveElsewhere(page, browser, /How to build a dry stone wall/);
		await goTo(other, 'Deliver');
		await expect(right(other).getByText(/“A wall cut through”/)).toBeVisible({ timeout: 90_000 });
		await expect(
			left(other).getByRole('link', { name: /^Brought up to date live on/ })
		).toBeVisible();
		const coming = other.waitForEvent('download');
		await left(other).getByRole('button', { name: 'Save the archive' }).click();
		const bytes = readFileSync(await (await coming).path());
		const files = unzipSync(new Uint8Array(bytes));
		expect(strFromU8(files['assignment.json']!)).not.toContain('stand-in-cuts');
		await other.context().close();
	});
	expect(errors).toEqual([]);
});

test('a picture is pasted, said to show something else, and deleted with undo', async ({
	page
}) => {
	const errors = watchErrors(page);
	await openSample(page);
	await goTo(page, 'Deliver');
	await expect(
		page.getByRole('heading', { name: 'There is nothing to hand over yet' })
	).toBeVisible();
	await proposePlan(page);
	await goTo(page, 'Write');
	await page.getByRole('button', { name: 'Start with the headings' }).click();
	await expect(page.getByRole('textbox', { name: 'Manuscript' })).toBeVisible();
	await goTo(page, 'Deliver');
	// nobody takes what is pasted before the stage is there
	await expect(page.getByLabel('Picture files')).toBeAttached();
	await page.evaluate(async () => {
		const canvas = document.createElement('canvas');
		[canvas.width, canvas.height] = [2400, 1200];
		canvas.getContext('2d')!.fillRect(0, 0, 900, 900);
		const blob = await new Promise<Blob>((done) =>
			canvas.toBlob((made) => done(made!), 'image/jpeg')
		);
		const transfer = new DataTransfer();
		transfer.items.add(new File([blob], 'barn-roof_02.jpg', { type: 'image/jpeg' }));
		window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: transfer, bubbles: true }));
	});
	const panel = right(page);
	await panel.getByRole('button', { name: 'Words and place of barn-roof_02.jpg' }).click();
	await expect(panel.getByText('1600 × 800')).toBeVisible();
	await panel.getByLabel('Place').selectOption({ label: 'Dig the trench' });
	await expect(panel.getByText(/shows “Barn roof” by its words/)).toBeVisible();
	await expect(left(page).getByText('One picture without a credit')).toBeVisible();
	await panel.getByLabel('Credit').fill('Own photograph');
	await page.keyboard.press('Enter');
	await expect(left(page).getByText('One picture without a credit')).toBeHidden();
	await goTo(page, 'Write');
	await expect(
		page.getByRole('textbox', { name: 'Manuscript' }).getByRole('img', { name: 'Barn roof' })
	).toBeVisible();
	await goTo(page, 'Deliver');
	await panel.getByRole('button', { name: 'Words and place of barn-roof_02.jpg' }).click();
	await panel.getByRole('button', { name: 'Delete barn-roof_02.jpg' }).click();
	await expect(panel.getByText('barn-roof_02.jpg', { exact: true })).toBeHidden();
	await page.keyboard.press('Control+z');
	await expect(panel.getByText('Dig the trench', { exact: false }).first()).toBeVisible();
	await expect(panel.getByText('barn-roof_02.jpg', { exact: true })).toBeVisible();
	await page.getByLabel('Picture files').setInputFiles({
		name: 'notes.jpg',
		mimeType: 'image/jpeg',
		buffer: Buffer.from('no picture')
	});
	await expect(page.getByText(/notes\.jpg is no picture that this browser can read/)).toBeVisible();
	expect(errors).toEqual([]);
});

test('copies, a folder, a sitemap, queries that it is found for, and what a reader is told', async ({
	page
}) => {
	const errors = await deliverDraft(page);
	await expect(page.getByRole('link', { name: /^Deliver \d+ to see to/ })).toBeVisible();

	await test.step('formatted text is on the clipboard, for any editor', async () => {
		await left(page).getByRole('button', { name: 'Copy formatted text' }).click();
		await expect(page.getByText('The article is on the clipboard, formatted.')).toBeVisible();
		const html = await page.evaluate(async () => {
			const [item] = await navigator.clipboard.read();
			return (await item!.getType('text/html')).text();
		});
		expect(html).toContain('<h2');
		expect(html).not.toMatch(/data-|class=/);
	});

	await test.step('Markdown goes with its head, the page goes into a folder', async () => {
		await left(page).getByLabel('Before the Markdown').selectOption('yaml');
		const { bytes } = await saved(page, 'Save Markdown');
		expect(strFromU8(bytes)).toMatch(/^---\ntitle: "How to build/);
		// a folder of the browser's own stands for the one that a writer chooses
		await page.evaluate(() => {
			Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() });
		});
		await left(page)
			.getByRole('button', { name: /^Folder/ })
			.click();
		await expect(page.getByText(/^\d+ files are in the folder\./)).toBeVisible();
		const text = await page.evaluate(async () => {
			const folder = await navigator.storage.getDirectory();
			const file = await folder.getFileHandle('what-is-in-it.txt');
			return (await file.getFile()).text();
		});
		expect(text).toContain('how-to-build-a-dry-stone-wall.docx');
	});

	await test.step('a sitemap gives addresses that fit', async () => {
		const links = page.getByRole('region', { name: /^Links/ });
		await expect(links.getByText('/journal/hearting')).toBeHidden();
		await links.getByLabel('A sitemap or a list of addresses').setInputFiles({
			name: 'sitemap.xml',
			mimeType: 'application/xml',
			buffer: Buffer.from(
				'<?xml version="1.0"?><urlset><url><loc>https://fellgate-tools.example/journal/hearting</loc></url><url><loc>https://fellgate-tools.example/</loc></url></urlset>'
			)
		});
		await expect(page.getByText('Brought in 1 address')).toBeVisible();
		await expect(links.getByText(/\/journal\/hearting/)).toBeVisible();
		await links.getByLabel('A sitemap or a list of addresses').setInputFiles({
			name: 'empty.csv',
			mimeType: 'text/csv',
			buffer: Buffer.from('nothing here\n')
		});
		await expect(page.getByText(/No address was found in empty\.csv/)).toBeVisible();
	});

	await test.step('further reading and references stand in the page', async () => {
		await page.getByRole('button', { name: 'B', exact: true }).click();
		await right(page).getByLabel('References').selectOption('list');
		await right(page).getByLabel('Author').fill('Ada Fell');
		await page.keyboard.press('Tab');
		await page.getByRole('tab', { name: 'The page' }).click();
		const preview = page.getByRole('article', { name: 'Preview of the article' });
		await expect(preview.getByRole('heading', { name: 'Further reading' })).toBeAttached();
		await expect(preview.getByRole('heading', { name: 'References' })).toBeAttached();
		await page.getByRole('button', { name: 'Structured data', exact: true }).click();
		await expect(page.getByText('"name": "Ada Fell"')).toBeVisible();
	});

	await test.step('queries are held against terms and questions, and stay after a reload', async () => {
		await page.getByRole('tab', { name: 'Found for' }).click();
		await page.getByLabel('A list of queries').setInputFiles({
			name: 'queries.csv',
			mimeType: 'text/csv',
			buffer: Buffer.from(
				'Query,Clicks,Impressions,Position\nhow to build a dry stone wall,41,900,3.2\ndry stone wall insurance,3,80,11\n'
			)
		});
		await expect(page.getByRole('region', { name: 'Terms it is found for' })).toContainText(
			'41 clicks, position 3.2'
		);
		await expect(page.getByRole('region', { name: 'Queries beyond the article' })).toContainText(
			'dry stone wall insurance'
		);
		await page.reload();
		await page.getByRole('tab', { name: 'Found for' }).click();
		await expect(page.getByRole('region', { name: 'Terms it is found for' })).toContainText(
			'41 clicks'
		);
	});
	expect(errors).toEqual([]);
});
