import { expect, test, type Page } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';
import { dropFiles, goTo, makeAssignment, openArchiveElsewhere, watchErrors } from './support';

const JOB = new URL('../fixtures/jobs/sleeping-bag/', import.meta.url);
const filesIn = (folder: string, fits: RegExp) =>
	readdirSync(new URL(folder, JOB))
		.filter((name) => fits.test(name))
		.map((name) => ({ name, text: readFileSync(new URL(`${folder}${name}`, JOB), 'utf8') }));
const files = [
	...filesIn('pages/', /\.html$/),
	...filesIn('notes/', /./),
	{ name: 'questions.txt', text: readFileSync(new URL('questions.txt', JOB), 'utf8') }
];

const QUESTION = 'Does a sleeping mat make a difference to warmth?';

async function openQuestion(page: Page, text: string) {
	await goTo(page, 'Findings');
	await page.getByRole('tab', { name: 'Questions', exact: true }).click();
	const question = page.getByRole('button', { name: text, exact: true });
	await question.click();
	await expect(question).toHaveAttribute('aria-expanded', 'true');
	return {
		question,
		row: page.getByRole('listitem').filter({ has: question })
	};
}

test('what may answer a question is confirmed and refused by key, and kept', async ({
	page,
	browser
}) => {
	const errors = watchErrors(page);
	await makeAssignment(page, 'how to choose a sleeping bag', '1500');
	await dropFiles(page, files);
	await expect(page.getByRole('tab', { name: 'Notes 3' })).toBeVisible();
	const { question, row } = await openQuestion(page, QUESTION);
	const offered = row.getByRole('button', { name: /^It does answer:/ });
	await expect(row.getByText('May be answered by')).toBeVisible();
	const first = (await offered.first().getAttribute('aria-label'))!.replace(/^[^:]+: /, '');

	await test.step('a key refuses the first, and undo brings it back', async () => {
		await question.focus();
		await page.keyboard.press('n');
		await expect(
			row.getByText('One answer refused').or(row.getByText('1 answer refused'))
		).toBeVisible();
		await expect(row.getByRole('button', { name: `It does answer: ${first}` })).toHaveCount(0);
		await page.keyboard.press('Control+z');
		await expect(row.getByRole('button', { name: `It does answer: ${first}` })).toBeVisible();
	});

	await test.step('a key confirms it, and it counts as an answer of the notes', async () => {
		await question.focus();
		await page.keyboard.press('y');
		await expect(row.getByText('confirmed')).toBeVisible();
		await expect(row.getByRole('button', { name: `Take back: ${first}` })).toBeVisible();
		await expect(row.getByText(/^(?:only )?your notes/)).toBeVisible();
	});

	await test.step('a note says which questions it may answer', async () => {
		await goTo(page, 'Gather');
		await page.getByRole('tab', { name: 'Notes 3' }).click();
		await page.getByRole('button', { name: /bag article – own notes/ }).click();
		const region = page.getByRole('region', { name: 'May answer' });
		await region
			.getByRole('button', {
				name: 'It does answer “Do I need a different sleeping bag for children?”'
			})
			.click();
		await expect(region.getByText('Do I need a different sleeping bag for children?')).toHaveCount(
			0
		);
	});

	await test.step('both are there after a reload, and in an archive elsewhere', async () => {
		await page.reload();
		const other = await openArchiveElsewhere(page, browser, /How to choose a sleeping bag/i);
		for (const each of [page, other]) {
			for (const text of [QUESTION, 'Do I need a different sleeping bag for children?']) {
				const { row: there } = await openQuestion(each, text);
				await expect(there.getByText('confirmed')).toBeVisible();
			}
		}
		await other.context().close();
	});
	expect(errors).toEqual([]);
});
