import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { docx, docxParagraph } from '../support/docx';
import { demoFile, dropFiles, goTo, makeAssignment, openSample, watchErrors } from './support';

const KEYWORD = 'how to build a dry stone wall';
const summary = (page: Page) => page.getByLabel('What came in');
const pane = (page: Page) => page.getByRole('region', { name: 'Reading pane' });
const row = (page: Page, title: RegExp) => page.getByRole('row', { name: title });

async function copy(page: Page, html: string, plain: string): Promise<void> {
	await page.evaluate(
		async ([markup, text]) => {
			const item = new ClipboardItem({
				'text/html': new Blob([markup!], { type: 'text/html' }),
				'text/plain': new Blob([text!], { type: 'text/plain' })
			});
			await navigator.clipboard.write([item]);
		},
		[html, plain]
	);
}

test('twelve files of every kind come in as one step, with a summary, and go as one', async ({
	page
}) => {
	const errors = watchErrors(page);
	await makeAssignment(page, KEYWORD, '');
	const pages = ['greenplot', 'stonecraft-journal', 'moorland-notes', 'rockmart', 'yardwise'];
	const mhtml = `From: <Saved>\r\nMIME-Version: 1.0\r\nContent-Type: multipart/related; boundary="b"\r\n\r\n--b\r\nContent-Type: text/html; charset=utf-8\r\nContent-Transfer-Encoding: 8bit\r\nContent-Location: https://thrifty-acre.example/cost-of-a-dry-stone-wall\r\n\r\n${demoFile('pages/thrifty-acre.html')}\r\n--b--`;
	await dropFiles(page, [
		...pages.map((name) => ({ name: `${name}.html`, text: demoFile(`pages/${name}.html`) })),
		{ name: 'saved.mht', text: mhtml },
		{ name: 'interview.md', text: demoFile('notes/interview-with-a-waller.md') },
		{ name: 'gap.srt', text: demoFile('transcripts/closing-a-gap.srt') },
		{ name: 'talk.vtt', text: demoFile('transcripts/workshop-hour-41.vtt') },
		{ name: 'asked.txt', text: demoFile('questions/questions-people-ask.txt') },
		{ name: 'fellgate.json', text: demoFile('clients/fellgate-tools.json') },
		{ name: 'broken.rtf', text: '{\\rtf1 no}' }
	]);
	await expect(summary(page)).toContainText('6 pages, 1 of them proposed aside', {
		timeout: 60_000
	});
	await expect(summary(page)).toContainText('1 note; 2 transcripts; 1 list of questions');
	await expect(summary(page)).toContainText('the profile of Fellgate Tools');
	await expect(summary(page)).toContainText('broken.rtf was not brought in: it is rich text (RTF)');
	await expect(summary(page)).toContainText(
		/Walling stone, by the tonne is proposed aside: its data/
	);
	for (const name of ['Pages 6', 'Transcripts 2', 'Questions 1'])
		await expect(page.getByRole('tab', { name })).toBeVisible();
	// the client’s facts stand among the notes
	await expect(page.getByRole('tab', { name: 'Notes 2' })).toBeVisible();
	await page.keyboard.press('Control+z');
	for (const name of ['Pages 0', 'Notes 0', 'Transcripts 0', 'Questions 0'])
		await expect(page.getByRole('tab', { name })).toBeVisible();
	await page.keyboard.press('Control+Shift+z');
	await expect(page.getByRole('tab', { name: 'Pages 6' })).toBeVisible();

	await dropFiles(page, [{ name: 'again.srt', text: demoFile('transcripts/closing-a-gap.srt') }]);
	await expect(summary(page)).toContainText('a note with the same text is here already');
	await expect(page.getByRole('tab', { name: 'Transcripts 2' })).toBeVisible();
	expect(errors).toEqual([]);
});

test('texts that were taken for notes become pages to count, and notes again', async ({ page }) => {
	await makeAssignment(page, KEYWORD, '');
	const text = (topic: string) =>
		`# ${topic}\n\n## What it takes\n\n${'A dry stone wall stands on its footings for a hundred years. '.repeat(6)}`;
	await dropFiles(page, [
		{ name: 'one.md', text: text('How to build a wall') },
		{ name: 'two.md', text: text('Dry stone walls for a slope') }
	]);
	await expect(summary(page)).toContainText('Came in: 2 notes');
	await summary(page).getByRole('button', { name: 'They are pages to count' }).click();
	await expect(page.getByRole('tab', { name: 'Pages 2' })).toBeVisible();
	await expect(page.getByRole('tab', { name: 'Notes 0' })).toBeVisible();
	await page.keyboard.press('Control+z');
	await page.keyboard.press('Control+z');
	await expect(page.getByRole('tab', { name: 'Pages 0' })).toBeVisible();
	await page.getByRole('tab', { name: 'Notes 2' }).click();
	await page.getByRole('button', { name: /n1 How to build/ }).click();
	await page.getByRole('button', { name: 'Count it as a page' }).click();
	await expect(page.getByRole('tab', { name: 'Pages 1' })).toBeVisible();
});

test('documents, zips and link maps find their place', async ({ page }) => {
	const errors = watchErrors(page);
	await openSample(page);
	const zip = zipSync({
		'saved/a page.html': strToU8(
			demoFile('pages/the-steady-spade.html').replace(
				/Stone walls without mortar/g,
				'Walls of stone alone'
			)
		),
		'saved/a page_files/style.css': strToU8('p{}')
	});
	await page.getByLabel('Page files').setInputFiles({
		name: 'saved.zip',
		mimeType: 'application/zip',
		buffer: Buffer.from(zip)
	});
	await expect(page.getByText('This page is here already.')).toBeVisible();
	await page.getByLabel(/^What to do with Stone walls/).selectOption('keep both');
	await page.getByRole('button', { name: 'Go on' }).click();
	await expect(page.getByRole('tab', { name: 'Pages 15' })).toBeVisible();
	await expect(summary(page)).toContainText('1 files in it are pictures, styles and the like');
	await expect(row(page, /Walls of stone alone/)).toContainText(
		/\d+ of 100 parts of it stand in [A-Z] too/
	);
	await page.getByLabel('Note files').setInputFiles([
		{
			name: 'visit.docx',
			mimeType: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
			buffer: Buffer.from(
				docx(docxParagraph('Visit to a quarry', 'Title') + docxParagraph('Slabs cost £61 a tonne.'))
			)
		},
		{
			name: 'hammer.pdf',
			mimeType: 'application/pdf',
			buffer: readFileSync(new URL('../fixtures/documents/hammer-sheet.pdf', import.meta.url))
		},
		{
			name: 'more-links.csv',
			mimeType: 'text/csv',
			buffer: Buffer.from('phrase,address\nash handles,/shop/ash-handles\n')
		}
	]);
	await expect(summary(page)).toContainText('2 notes; 1 link for Fellgate Tools', {
		timeout: 90_000
	});
	await page.getByRole('tab', { name: 'As text' }).click();
	await expect(page.getByRole('textbox', { name: 'Text of Visit to a quarry' })).toHaveValue(
		'# Visit to a quarry\n\nSlabs cost £61 a tonne.'
	);
	await page
		.getByRole('button', { name: /Product sheet: Fellgate walling hammer/ })
		.last()
		.click();
	await expect(
		page.getByRole('textbox', { name: 'Text of Product sheet: Fellgate walling hammer' })
	).toHaveValue(/## Sizes/);
	expect(errors).toEqual([]);
});

test('pages come from who ranks with rank and strength; failures keep a row and can be tried again', async ({
	page
}) => {
	const errors = watchErrors(page);
	await makeAssignment(page, KEYWORD, '');
	await page.getByRole('button', { name: 'See who ranks' }).click();
	const box = page.getByRole('form', { name: 'Pages that rank' });
	await expect(box.getByText('From the sample search service.')).toBeVisible();
	await box.getByRole('checkbox', { name: /Walling in ten minutes/ }).uncheck();
	await box.getByRole('button', { name: 'Fetch 13 pages' }).click();
	await expect(page.getByRole('tab', { name: 'Pages 13' })).toBeVisible({ timeout: 90_000 });
	await expect(row(page, /Dry stone walling guide with costs/)).toContainText('by address');
	await page.getByRole('button', { name: 'Sort by rank in the list of results' }).click();
	await expect(page.getByRole('row').nth(1)).toContainText('How to build a dry stone wall');
	await page.getByRole('button', { name: 'How to build a dry stone wall', exact: true }).click();
	await expect(pane(page)).toContainText('rank 1, strength 38');

	await test.step('addresses that cannot be fetched say why', async () => {
		await page.getByRole('button', { name: 'By address' }).click();
		await page
			.getByLabel('Addresses of pages, one on a line')
			.fill(
				'http://127.0.0.1:80/secret\nhttps://reel-yard.example/watch/walling-in-ten-minutes\nhttps://nobody.example/here'
			);
		await page.getByRole('button', { name: 'Fetch 3 pages' }).click();
		await expect(summary(page)).toContainText('it leads into a private network');
		await expect(summary(page)).toContainText('the sample web has no page at this address');
		await expect(page.getByRole('tab', { name: 'Pages 14' })).toBeVisible();
		await expect(row(page, /127\.0\.0\.1/)).toContainText('has not come in');
	});

	await test.step('their rows outlast a reload, and go and come back', async () => {
		await page.reload();
		await page.getByRole('button', { name: 'Try again: https://nobody.example/here' }).click();
		await expect(summary(page)).toContainText('has not come in');
		await page.getByRole('button', { name: 'Take out: http://127.0.0.1:80/secret' }).click();
		await expect(row(page, /127\.0\.0\.1/)).toBeHidden();
		await page.keyboard.press('Control+z');
		await expect(row(page, /127\.0\.0\.1/)).toBeVisible();
	});
	expect(errors).toEqual([]);
});

test('fetching can be cancelled midway: what came stays, the rest keeps its row', async ({
	page
}) => {
	await makeAssignment(page, KEYWORD, '');
	let answered = 0;
	await page.route('**/api/page', async (route) => {
		// the first few are quick, the others wait for the writer to lose patience
		if (++answered > 3) await new Promise((resolve) => setTimeout(resolve, 20_000));
		await route.continue().catch(() => undefined);
	});
	await page.getByRole('button', { name: 'See who ranks' }).click();
	await page.getByRole('button', { name: 'Fetch 14 pages' }).click();
	await expect(page.getByRole('status').filter({ hasText: /3 of 14/ })).toBeVisible({
		timeout: 15_000
	});
	await page.getByRole('button', { name: 'Cancel' }).click();
	await expect(summary(page)).toContainText('Stopped. Came in: 3 pages');
	await expect(page.getByRole('tab', { name: 'Pages 3' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Try all 11 again' })).toBeVisible();
	await page.unroute('**/api/page');
	await page.getByRole('button', { name: 'Try all 11 again' }).click();
	await expect(page.getByRole('tab', { name: 'Pages 14' })).toBeVisible({ timeout: 90_000 });
	await expect(page.getByRole('button', { name: /^Try again/ })).toHaveCount(0);
});

test('the same page again can take the place of the old one', async ({ page }) => {
	await makeAssignment(page, KEYWORD, '');
	const html = demoFile('pages/stonecraft-journal.html');
	await dropFiles(page, [{ name: 'old.html', text: html }]);
	await expect(page.getByRole('tab', { name: 'Pages 1' })).toBeVisible();
	await dropFiles(page, [
		{ name: 'new.html', text: html.replace(/Building in dry stone/g, 'Building anew in stone') }
	]);
	await expect(page.getByText('This page is here already.')).toBeVisible();
	await page.getByRole('button', { name: 'Go on' }).click();
	await expect(summary(page)).toContainText('Replaced: Building anew in stone');
	await expect(page.getByRole('tab', { name: 'Pages 1' })).toBeVisible();
	await page.keyboard.press('Control+z');
	await expect(row(page, /Building in dry stone, step by step/)).toBeVisible();
});

test('plain text shows the headings it guessed before they count; rich text keeps its own', async ({
	page
}) => {
	await makeAssignment(page, KEYWORD, '');
	const long =
		'A wall stands because every stone rests on two below it and both faces lean inwards.';
	await page.getByRole('button', { name: 'Paste a page' }).click();
	await page
		.getByLabel('Paste the copied page')
		.fill(`How walls stand\n\n${long}\n\n1. Tools\n${long}\n\nMy own aside\n\n${long}`);
	await expect(page.getByLabel('Level of “How walls stand”')).toHaveValue('1');
	await expect(page.getByLabel('Level of “Tools”')).toHaveValue('2');
	await page.getByLabel('Level of “My own aside”').selectOption('text');
	await page.getByRole('button', { name: 'Bring it in' }).click();
	await pane(page).getByRole('button', { name: 'Outline' }).click();
	await expect(pane(page).getByRole('list', { name: 'Outline' }).getByRole('listitem')).toHaveText([
		/H1\s+How walls stand/,
		/H2\s+Tools/
	]);

	await page.getByRole('tab', { name: 'Notes 0' }).click();
	await copy(
		page,
		`<html><body><p class=MsoTitle>Site visit</p><h2>Tools</h2><p class=MsoNormal>We had three hammers.</p><p class=MsoListParagraph style="mso-list:l0 level1 lfo1">·<span>&nbsp;</span>one for dressing</p></body></html>`,
		'Site visit Tools We had three hammers. one for dressing'
	);
	await page.getByRole('button', { name: 'Paste text' }).click();
	await page.getByLabel('Paste the note').focus();
	await page.keyboard.press('Control+v');
	await page.getByRole('button', { name: 'Bring it in' }).click();
	await page.getByRole('tab', { name: 'As text' }).click();
	await expect(page.getByRole('textbox', { name: 'Text of Site visit' })).toHaveValue(
		'# Site visit\n\n## Tools\n\nWe had three hammers.\n\n- one for dressing'
	);
});

test('blocks are struck by key, alike ones on the whole site, and dropped ones brought back', async ({
	page
}) => {
	const errors = watchErrors(page);
	await makeAssignment(page, KEYWORD, '');
	const long =
		'A dry stone wall stands because every stone rests on two below it and both faces lean inwards, so that the weight goes down into the ground.';
	const walls = (path: string, tip: string) => ({
		name: `${path}.html`,
		text: `<link rel="canonical" href="https://walls.example/${path}"><title>Wall ${path}</title><nav><ul><li><a href="/">Home page</a></li><li><a href="/b">All walls</a></li></ul></nav><article><h1>How to build dry stone wall ${path}</h1>${`<p>${long} ${path}</p>`.repeat(8)}<div class="shop-tip"><p>${tip}</p></div><p>${long}</p></article>`
	});
	await dropFiles(page, [
		walls('one', 'Our hammers are made in the next valley.'),
		walls('two', 'Ask for the catalogue of walling tools.')
	]);
	await expect(page.getByRole('tab', { name: 'Pages 2' })).toBeVisible();
	const blocks = pane(page).getByRole('listitem');
	const words = async () => Number(/(\d+) words kept/.exec(await pane(page).innerText())![1]);
	const before = await words();
	await blocks.filter({ hasText: 'next valley' }).focus();
	await page.keyboard.press('x');
	await expect.poll(words).toBe(before - 8);
	await page.getByRole('button', { name: 'Strike everything like this on this site' }).click();
	await expect(page.getByText('Struck out 1 block on walls.example')).toBeVisible();
	await page
		.getByRole('button', { name: 'How to build dry stone wall two', exact: true })
		.or(page.getByRole('button', { name: 'Wall two', exact: true }))
		.first()
		.click();
	await expect(
		pane(page).getByRole('button', { name: 'Bring back: Ask for the catalogue' })
	).toBeVisible();

	await test.step('pages of the site that come later follow the rule', async () => {
		await dropFiles(page, [walls('three', 'Handles of ash are in the shop again.')]);
		await expect(page.getByRole('tab', { name: 'Pages 3' })).toBeVisible();
		await expect(
			pane(page).getByRole('button', { name: 'Bring back: Handles of ash' })
		).toBeVisible();
	});

	await test.step('arrow keys move, and a dropped block can be brought back', async () => {
		await pane(page).getByRole('button', { name: 'Show what was dropped' }).click();
		await blocks.first().focus();
		await page.keyboard.press('ArrowDown');
		await page.keyboard.press('ArrowUp');
		await page.keyboard.press('x');
		await expect(pane(page).getByRole('button', { name: 'Strike out: Home page' })).toBeVisible();
		await page.keyboard.press('Control+z');
		await expect(pane(page).getByRole('button', { name: 'Bring back: Home page' })).toBeVisible();
	});
	expect(errors).toEqual([]);
});

test('setting a page aside changes the counts of findings at once, by key too', async ({
	page
}) => {
	await openSample(page);
	const counts = page.getByText(/Findings: \d+ terms/);
	await expect(counts).toBeVisible({ timeout: 60_000 });
	const before = await counts.innerText();
	await page
		.getByRole('button', { name: 'Building in dry stone, step by step', exact: true })
		.focus();
	await page.keyboard.press(' ');
	await expect(page.getByText('8 pages counted, 6 set aside')).toBeVisible();
	await expect(counts).toBeVisible({ timeout: 60_000 });
	expect(await counts.innerText()).not.toBe(before);
	await page.keyboard.press('Control+z');
	await expect(page.getByText('9 pages counted, 5 set aside')).toBeVisible();
	await expect(counts).toHaveText(before, { timeout: 60_000 });

	await test.step('a page shows its facts and questions, and a transcript its times', async () => {
		await pane(page).getByRole('button', { name: 'Facts and questions' }).click();
		await expect(pane(page).getByRole('heading', { name: /^Facts [1-9]/ })).toBeVisible({
			timeout: 90_000
		});
		await page.getByRole('tab', { name: 'Transcripts 2' }).click();
		await page.getByRole('button', { name: /The workshop hour, number 41/ }).click();
		await expect(
			pane(page)
				.getByRole('listitem', { name: /^quote: .*|You have mended walls/ })
				.first()
		).toContainText(/\d\d:\d\d/);
		await page.getByRole('tab', { name: 'As text' }).click();
		await expect(
			page.getByRole('textbox', { name: 'Text of The workshop hour, number 41' })
		).toHaveValue(/^\[00:12 Maud Ellery\] You have mended walls/);
		await goTo(page, 'Findings');
	});
});
