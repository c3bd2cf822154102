import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, type Browser, type Page } from '@playwright/test';

const DEMO = new URL('../../demo/', import.meta.url);

export const ARTICLES = [
	'hillfoot-walling',
	'greenplot',
	'stonecraft-journal',
	'the-steady-spade',
	'moorland-notes'
];

export function demoFile(path: string): string {
	return readFileSync(new URL(path, DEMO), 'utf8');
}

/** Fails the test on any uncaught error of the page. */
export function watchErrors(page: Page): string[] {
	const errors: string[] = [];
	page.on('pageerror', (error) => errors.push(error.message));
	page.on('console', (message) => {
		if (message.type() === 'error') errors.push(message.text());
	});
	return errors;
}

export async function makeAssignment(page: Page, keyword: string, words: string): Promise<void> {
	await page.goto('/');
	await page
		.getByRole('button', { name: /Make the first assignment|New assignment/ })
		.first()
		.click();
	await page.getByLabel('Exact keyword').fill(keyword);
	await page.getByLabel('Length in words').fill(words);
	await page.getByRole('button', { name: 'Make the assignment' }).click();
	await expect(page.getByRole('tab', { name: /Pages 0/ })).toBeVisible();
}

/** Drops files anywhere in the window, as from a file manager. */
export async function dropFiles(
	page: Page,
	files: readonly { name: string; text: string }[]
): Promise<void> {
	// nobody takes what is dropped before the stage is there
	await expect(page.getByLabel('Page files')).toBeAttached();
	await page.evaluate(
		(given) => {
			const transfer = new DataTransfer();
			for (const { name, text } of given) transfer.items.add(new File([text], name));
			window.dispatchEvent(
				new DragEvent('dragover', { dataTransfer: transfer, bubbles: true, cancelable: true })
			);
			window.dispatchEvent(
				new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true })
			);
		},
		files as { name: string; text: string }[]
	);
}

/** The sample assignment, from the empty list; every other test takes it as prepared. */
export async function bringInSample(page: Page): Promise<void> {
	await page.goto('/');
	await page.getByRole('button', { name: 'Look at the sample' }).click();
	await expect(page.getByText('Cleaning pages')).toBeHidden({ timeout: 90_000 });
	await page.getByRole('link', { name: /How to build a dry stone wall/ }).click();
	await expect(page.getByRole('tab', { name: 'Notes 4' })).toBeVisible();
}

/** Where what was prepared is kept; see prepare.ts. */
export type State = 'gathered' | 'planned' | 'drafted';

export function stateFile(state: State): string {
	return fileURLToPath(new URL(`../../test-results/states/${state}.json`, import.meta.url));
}

/** Where the id of the prepared assignment is kept. */
export function assignmentFile(): string {
	return fileURLToPath(new URL('../../test-results/states/assignment.txt', import.meta.url));
}

/** The sample assignment as it comes, on screen at its pages. */
export async function openSample(page: Page): Promise<void> {
	await openPrepared(page, 'gathered', 'gather');
	await expect(page.getByRole('tab', { name: 'Notes 4' })).toBeVisible();
}

/** The sample assignment with a proposed plan, on screen at the plan. */
export async function openPlanned(page: Page): Promise<void> {
	await openPrepared(page, 'planned', 'plan');
	await expect(page.getByRole('button', { name: 'Place the rest' })).toBeVisible({
		timeout: 90_000
	});
}

/** The sample assignment with plan and draft, on screen at the manuscript. */
export async function openDrafted(page: Page): Promise<void> {
	await openPrepared(page, 'drafted', 'write');
	await expect(page.getByRole('textbox', { name: 'Manuscript' })).toBeVisible({ timeout: 90_000 });
}

async function openPrepared(page: Page, state: State, stage: string): Promise<void> {
	await page.context().setStorageState(stateFile(state));
	await page.goto(`/a/${readFileSync(assignmentFile(), 'utf8')}/${stage}`);
	await expect(page.getByRole('navigation', { name: 'Stages' })).toBeVisible();
}

export async function goTo(
	page: Page,
	stage: 'Scout' | 'Brief' | 'Gather' | 'Findings' | 'Plan' | 'Write' | 'Proof' | 'Deliver'
): Promise<void> {
	const link = page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: stage });
	await link.click();
	// the stage before stays on screen until the next one is there
	await expect(link).toHaveAttribute('aria-current', 'page');
}

export async function proposePlan(page: Page): Promise<void> {
	await goTo(page, 'Plan');
	await page.getByRole('button', { name: 'Propose a plan' }).click({ timeout: 90_000 });
	await expect(page.getByRole('button', { name: 'Place the rest' })).toBeVisible({
		timeout: 90_000
	});
}

export async function draftArticle(page: Page): Promise<void> {
	await goTo(page, 'Write');
	await page.getByRole('button', { name: 'Draft the article' }).click();
	await expect(page.getByRole('textbox', { name: 'Manuscript' })).toBeVisible({ timeout: 90_000 });
}

/** Downloads the assignment as an archive and opens it in a browser that knows nothing; close its context. */
export async function openArchiveElsewhere(
	page: Page,
	browser: Browser,
	title: RegExp
): Promise<Page> {
	await goTo(page, 'Deliver');
	const download = page.waitForEvent('download');
	await page.getByRole('button', { name: 'Save the archive' }).click();
	const path = await (await download).path();
	const other = await (await browser.newContext()).newPage();
	await other.goto('/');
	await other.getByLabel('Archive to bring in').setInputFiles({
		name: 'archive.zip',
		mimeType: 'application/zip',
		buffer: readFileSync(path)
	});
	await other.getByRole('link', { name: title }).click({ timeout: 90_000 });
	return other;
}

/** How many rows each table of a database holds. */
export function countsOf(page: Page, database: string, tables: readonly string[]) {
	return page.evaluate(
		([name, names]) =>
			new Promise<number[]>((resolve) => {
				const open = indexedDB.open(name);
				open.onsuccess = () => {
					const change = open.result.transaction([...names], 'readonly');
					const asked = names.map((name) => change.objectStore(name).count());
					change.oncomplete = () => {
						open.result.close();
						resolve(asked.map(({ result }) => result));
					};
				};
			}),
		[database, tables] as const
	);
}
