// npm run screenshots: makes docs/screenshots from the demo, one picture for each main view.
import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureChromium, ensurePackages, ROOT, run } from './install.mjs';

ensurePackages();
const executablePath = ensureChromium();
run('npm', ['run', '--silent', 'build']);
const address = 'http://127.0.0.1:4187';
const server = spawn(process.execPath, [join(ROOT, 'build', 'index.js')], {
	env: { ...process.env, HOST: '127.0.0.1', PORT: '4187', ORIGIN: address }
});
process.on('exit', () => server.kill());
await new Promise((resolve) => setTimeout(resolve, 1500));

const folder = join(ROOT, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const browser = await chromium.launch({
	executablePath,
	args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking']
});

/** Imports as they end: with everything in, and with addresses that cannot be fetched. */
async function showImports(page, take) {
	await page.getByRole('button', { name: 'By address' }).click();
	await page
		.getByLabel('Addresses of pages, one on a line')
		.fill('http://127.0.0.1/router\nhttps://greenplot.example/old-page');
	await page.getByRole('button', { name: 'Fetch 2 pages' }).click();
	await page.getByLabel('What came in').waitFor();
	await take('gather-trouble');
	await page.keyboard.press('Control+z');
	await page
		.getByLabel('Note files')
		.setInputFiles([
			join(ROOT, 'tests/fixtures/documents/hammer-sheet.pdf'),
			join(ROOT, 'demo/transcripts/closing-a-gap.srt'),
			join(ROOT, 'demo/results/title-matches.csv')
		]);
	await page
		.getByLabel('What came in')
		.filter({ hasText: 'Came in: 1 note' })
		.waitFor({ timeout: 30_000 });
	await take('gather-came-in');
	await page.keyboard.press('Control+z');
}

/** Four more views of Deliver on one sheet: among results, as a script, published, and on the stand-in site. */
async function showDeliverViews(page) {
	const sheet = [];
	const main = page.getByRole('main');
	await page.getByRole('tab', { name: 'Title and links' }).click();
	await page
		.getByRole('group', { name: 'As a results page might show it' })
		.evaluate((place) => place.scrollIntoView({ block: 'start' }));
	sheet.push(await main.screenshot());
	await page.getByRole('tab', { name: 'Spoken script' }).click();
	await main.evaluate((place) => place.scrollTo(0, 0));
	sheet.push(await main.screenshot());
	await page.getByRole('tab', { name: 'Publish' }).click();
	await page.getByRole('button', { name: 'Find the site' }).click();
	await main.getByRole('button', { name: 'Publish', exact: true }).click();
	const look = page.getByRole('link', { name: 'Look at it' });
	await look.waitFor();
	await page.mouse.move(640, 400);
	await page.waitForTimeout(6000);
	sheet.push(await main.screenshot());
	const site = await page.context().newPage();
	await site.setViewportSize({ width: 670, height: 754 });
	await site.goto(await look.getAttribute('href'));
	sheet.push(await site.screenshot());
	await site.close();
	const four = await page.context().newPage();
	await four.setContent(
		`<style>body{margin:0;display:grid;grid-template-columns:1fr 1fr;gap:1px;background:#ddd2c0}img{width:100%;display:block}</style>${sheet
			.map((picture) => `<img src="data:image/png;base64,${picture.toString('base64')}">`)
			.join('')}`
	);
	await four.screenshot({ path: join(folder, 'deliver-views.png'), fullPage: true });
	await four.close();
}

/** The list with two assignments beside the sample: one is gathered for, one is to be agreed. */
async function showList(page, take) {
	for (const [keyword, words] of [
		['how to choose a sleeping bag', '1500'],
		['moving house checklist', '1800']
	]) {
		await page.goto(address);
		await page.getByRole('button', { name: 'New assignment' }).click();
		await page.getByLabel('Exact keyword').fill(keyword);
		await page.getByLabel('Length in words').fill(words);
		await page.getByRole('button', { name: 'Make the assignment' }).click();
		await page.getByRole('tab', { name: /Pages 0/ }).waitFor();
		await page.getByLabel('Note files').waitFor({ state: 'attached' });
	}
	await page.goto(address);
	await page.getByText('to be agreed').first().waitFor();
	await take('assignments');
}

async function walk(theme, names) {
	const page = await (
		await browser.newContext({ viewport: { width: 1280, height: 800 } })
	).newPage();
	await page.addInitScript((mode) => {
		localStorage.setItem('corvan-theme', mode);
		localStorage.setItem('corvan-hints', 'none');
	}, theme);
	const take = async (name) => {
		if (!names.includes(name)) return;
		await page.waitForTimeout(700);
		await page.screenshot({
			path: join(folder, `${name}${theme === 'night' ? '-night' : ''}.png`)
		});
	};
	const stage = (name) =>
		page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name }).click();
	await page.goto(address);
	await page.getByRole('button', { name: 'Look at the sample' }).click();
	await page.getByText('Cleaning pages').waitFor({ state: 'hidden' });
	await page.getByRole('link', { name: /How to build a dry stone wall/ }).waitFor();
	await page.getByRole('link', { name: /How to build a dry stone wall/ }).click();
	await page.getByRole('tab', { name: 'Notes 4' }).waitFor();
	await page.getByText(/^9 pages counted.*Findings: /).waitFor({ timeout: 60_000 });
	await take('gather');
	if (names.includes('gather-note')) {
		await page.getByRole('tab', { name: 'Notes 4' }).click();
		await page.getByRole('button', { name: /Interview with/ }).click();
		await page.getByRole('list', { name: /^Units of/ }).waitFor();
		await take('gather-note');
		await page.getByRole('tab', { name: /^Pages/ }).click();
	}
	if (names.includes('gather-came-in')) await showImports(page, take);
	await stage('Scout');
	await page.getByText('The keyword of this assignment').waitFor();
	await page
		.getByRole('button', { name: 'how deep should dry stone wall foundations be', exact: true })
		.click();
	await take('scout');
	await stage('Brief');
	await page.getByLabel('Exact keyword').waitFor();
	await take('brief');
	await stage('Findings');
	await page
		.getByRole('region', { name: 'Terms by page' })
		.getByRole('button', { name: 'hearting', exact: true })
		.click();
	await page.getByRole('heading', { name: /uses in \d+ sentences/ }).waitFor();
	await take('findings-terms');
	await page.getByRole('tab', { name: 'Long phrases' }).click();
	await take('findings-phrases');
	await page.getByRole('tab', { name: 'Topics' }).click();
	await page.getByRole('button', { name: 'Lay the footings', exact: true }).click();
	await take('findings-topics');
	await page.getByRole('tab', { name: 'Questions' }).click();
	await page.getByRole('button', { name: 'How long do dry stone walls last?' }).click();
	await take('findings-questions');
	await page.getByRole('tab', { name: 'Facts' }).click();
	await page.getByLabel('Facts shown').selectOption('differs');
	await page.getByRole('button', { name: 'professional waller' }).last().click();
	await take('findings-facts');
	await page.getByRole('tab', { name: 'Shape' }).click();
	await take('findings-shape');
	await stage('Plan');
	await page.getByRole('button', { name: 'Propose a plan' }).click();
	await page.getByRole('textbox', { name: 'Heading of section 3', exact: true }).click();
	await take('plan');
	await page.getByRole('textbox', { name: 'Heading of section 1', exact: true }).click();
	await page.getByRole('button', { name: 'Compare with a page' }).click();
	await page.getByRole('button', { name: /^B · / }).click();
	await take('plan-compare');
	await page.getByRole('button', { name: 'Back to the plan' }).click();
	await stage('Write');
	await page.getByRole('button', { name: 'Draft the article' }).click();
	await page.getByRole('img', { name: /Pages: [A-I] [0-9]/ }).waitFor({ timeout: 60_000 });
	await page
		.getByRole('textbox', { name: 'Manuscript' })
		.getByRole('heading', { name: 'Lay the footings' })
		.scrollIntoViewIfNeeded();
	await page
		.getByRole('textbox', { name: 'Manuscript' })
		.getByRole('heading', { name: 'Lay the footings' })
		.click();
	await page.getByRole('tab', { name: 'Outline' }).click();
	await take('write');
	await page.getByRole('tab', { name: 'Notes', exact: true }).click();
	await page.getByRole('group', { name: 'What became of the notes' }).waitFor();
	await take('write-notes');
	await page.getByRole('tab', { name: 'Section', exact: true }).click();
	await page.getByRole('button', { name: 'More moves' }).click();
	const ask = page.getByRole('region', { name: 'Ask a writer' });
	await ask.getByLabel('Writer', { exact: true }).selectOption({ label: 'Stand-in · stand-in' });
	await ask.getByLabel('To', { exact: true }).selectOption('another version');
	await ask.getByRole('button', { name: 'Ask', exact: true }).click();
	await page.getByRole('region', { name: /^Version of/ }).waitFor();
	await ask.getByRole('button', { name: 'Fold away' }).click();
	await take('write-version');
	await page.getByRole('button', { name: 'Leave it' }).click();
	await page
		.getByRole('textbox', { name: 'Manuscript' })
		.getByRole('paragraph')
		.filter({ hasText: 'no joint runs up' })
		.click();
	await page.keyboard.press('Control+Home');
	await page.keyboard.press('ArrowDown');
	await page.keyboard.press('ArrowDown');
	await page.keyboard.press('ArrowDown');
	await page.keyboard.press('ArrowDown');
	await page.keyboard.press('End');
	await page.keyboard.type(
		' The stones stay where they are by it’s weight, and a wall of 9,400 kg is no rarity. In the next section, we will look at the definately heavy ones.'
	);
	await stage('Proof');
	const marks = page.getByRole('region', { name: 'Marks' });
	await marks.getByRole('article', { name: /^Spelling: definately/ }).waitFor();
	await page.getByRole('checkbox', { name: /^Tick/ }).nth(0).click();
	await page.getByRole('checkbox', { name: /^Tick/ }).nth(1).click();
	await marks.getByRole('article', { name: /it’s/ }).getByRole('button').first().click();
	await take('proof');
	await stage('Deliver');
	const right = page.getByRole('complementary', { name: 'In the page' });
	for (const [name, section] of [
		['section-of-a-wall.svg', 'Dig the trench'],
		['courses-and-cope.svg', 'Choosing the stone']
	]) {
		await right.getByRole('button', { name: `Words and place of ${name}` }).click();
		await right.getByLabel('Place').selectOption({ label: section });
		await right.getByText(new RegExp(`${section} · “`)).waitFor();
		await right.getByRole('button', { name: `Close of ${name}` }).click();
	}
	await page.getByLabel('Under which address').fill('https://fellgate-tools.example/journal');
	await page.keyboard.press('Enter');
	await page.getByText('The text is being proofread').waitFor({ state: 'hidden', timeout: 60_000 });
	const notice = page.getByText('Placed courses-and-cope.svg');
	await notice.waitFor();
	await page.mouse.move(640, 400);
	await notice.waitFor({ state: 'hidden' });
	await page.getByRole('main').evaluate((main) => main.scrollTo(0, 0));
	await take('deliver');
	await page.getByRole('tab', { name: 'Client report' }).click();
	await page.getByRole('img', { name: /^This article stands at/ }).waitFor();
	await take('deliver-report');
	if (names.includes('deliver-views')) await showDeliverViews(page);
	await page.goto(`${address}/clients`);
	await page.getByRole('link', { name: 'Fellgate Tools' }).click();
	await page.getByRole('heading', { name: 'Voice' }).waitFor();
	await take('client');
	if (names.includes('assignments')) await showList(page, take);
	await page.context().close();
}

await walk('paper', [
	'scout',
	'brief',
	'client',
	'gather',
	'gather-note',
	'findings-terms',
	'findings-topics',
	'findings-questions',
	'findings-facts',
	'findings-shape',
	'plan',
	'write',
	'write-notes',
	'write-version',
	'proof',
	'deliver',
	'deliver-report',
	'deliver-views'
]);
await walk('night', ['assignments']);
await browser.close();
server.kill();
