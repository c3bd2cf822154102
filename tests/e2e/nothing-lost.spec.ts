import { expect, test, type Page } from '@playwright/test';
import {
	demoFile,
	draftArticle,
	dropFiles,
	goTo,
	makeAssignment,
	openDrafted,
	openPlanned,
	proposePlan,
	watchErrors
} from './support';

/** Types letter after letter without a pause in which anything could be saved. */
async function typeSteadily(page: Page, text: string): Promise<void> {
	for (const letter of text) {
		await page.keyboard.press(letter === ' ' ? 'Space' : letter);
		await page.waitForTimeout(70);
	}
}

const TYPED = 'the cope goes on last and holds it';

/** How much of a text's start stands in another. */
function keptOf(text: string, all: string): number {
	let length = text.length;
	while (length > 0 && !all.includes(text.slice(0, length))) length--;
	return length / text.length;
}

test('what is typed steadily outlives a page that is killed', async ({ page, context }) => {
	await openDrafted(page);
	const list = page.url();

	await test.step('in the brief', async () => {
		await goTo(page, 'Brief');
		const purpose = page.getByLabel('Purpose', { exact: true });
		await purpose.fill('');
		await purpose.click();
		await typeSteadily(page, TYPED);
		await page.close();
		page = await context.newPage();
		await page.goto(list);
		await goTo(page, 'Brief');
		const kept = await page.getByLabel('Purpose', { exact: true }).inputValue();
		expect(keptOf(TYPED, kept)).toBeGreaterThan(0.6);
	});

	await test.step('in a note', async () => {
		await goTo(page, 'Gather');
		await page.getByRole('tab', { name: /^Notes/ }).click();
		await page.getByRole('tab', { name: 'As text' }).click();
		const text = page.getByRole('textbox', { name: /^Text of/ });
		await text.click();
		await page.keyboard.press('Control+End');
		await typeSteadily(page, TYPED);
		await page.close();
		page = await context.newPage();
		await page.goto(list);
		await goTo(page, 'Gather');
		await page.getByRole('tab', { name: /^Notes/ }).click();
		await page.getByRole('tab', { name: 'As text' }).click();
		const kept = await page.getByRole('textbox', { name: /^Text of/ }).inputValue();
		expect(keptOf(TYPED, kept)).toBeGreaterThan(0.6);
	});

	await test.step('in the manuscript', async () => {
		await goTo(page, 'Write');
		const manuscript = page.getByRole('textbox', { name: 'Manuscript' });
		await manuscript.getByRole('heading', { level: 1 }).click();
		await page.keyboard.press('End');
		await page.keyboard.press('Enter');
		await typeSteadily(page, TYPED);
		await page.close();
		page = await context.newPage();
		await page.goto(list);
		await goTo(page, 'Write');
		await expect(page.getByRole('textbox', { name: 'Manuscript' })).toContainText('the cope goes', {
			timeout: 60_000
		});
		const kept = await page.getByRole('textbox', { name: 'Manuscript' }).innerText();
		expect(keptOf(TYPED, kept)).toBeGreaterThan(0.6);
	});

	await test.step('and whole when the page is left at once', async () => {
		const heading = () =>
			page.getByRole('textbox', { name: 'Manuscript' }).getByRole('heading', { level: 2 }).first();
		await heading().click();
		await page.keyboard.press('End');
		await page.keyboard.type(' to the last letter');
		await page.goto('/');
		await page.goto(list);
		await goTo(page, 'Write');
		await expect(heading()).toContainText('to the last letter', { timeout: 60_000 });
	});
});

/** Keeps storage busy from another window, as a slow disk would, for so long. */
async function holdStorage(window: Page, ms: number): Promise<void> {
	await window.evaluate(
		(time) =>
			new Promise<void>((held) => {
				const open = indexedDB.open('corvan');
				open.onsuccess = () => {
					const store = open.result
						.transaction(['plans', 'assignments'], 'readwrite')
						.objectStore('plans');
					const until = Date.now() + time;
					const go = () => {
						const ask = store.count();
						ask.onsuccess = () => (Date.now() < until ? go() : open.result.close());
					};
					go();
					held();
				};
			}),
		ms
	);
}

test('a change of the plan outlives a page that is left before storage has taken it', async ({
	page,
	context
}) => {
	const errors = watchErrors(page);
	await openPlanned(page);
	const heading = page.getByRole('textbox', { name: 'Heading of section 2', exact: true });
	const other = await context.newPage();
	await other.goto('/settings');
	await holdStorage(other, 4000);
	await heading.fill('Worded while storage was busy');
	await heading.press('Enter');
	await page.reload();
	await expect(heading).toHaveValue('Worded while storage was busy');
	expect(errors).toEqual([]);
});

test('the stored plan and manuscript show before anything is worked out', async ({ page }) => {
	await openPlanned(page);
	const heading = page.getByRole('textbox', { name: 'Heading of section 2', exact: true });
	const planned = await heading.inputValue();
	await draftArticle(page);
	// without its worker the app can work out nothing at all
	await page.route(/worker/, (route) => route.abort());
	await page.reload();
	await expect(page.getByRole('textbox', { name: 'Manuscript' })).toContainText(planned);
	await goTo(page, 'Plan');
	await expect(heading).toHaveValue(planned);
	await heading.fill('Worded while the evidence is read');
	await heading.press('Enter');
	await goTo(page, 'Write');
	await expect(page.getByRole('textbox', { name: 'Manuscript' })).toContainText(
		'Worded while the evidence is read'
	);
});

/** A long enough page about one thing, in sentences of its own. */
const article = (title: string, word: string) => `<!doctype html><title>${title}</title>
<link rel="canonical" href="https://walls.example/${title.toLowerCase().replaceAll(' ', '-')}">
<article><h1>${title}</h1>
${['Why', 'Where', 'When', 'With what', 'By whom', 'For how long']
	.map(
		(asks, n) => `<h2>${asks} the ${word} matters</h2>
<p>${title}: the ${word} is packed by hand from the middle outwards, course ${n + 1} before course ${n + 2}, and the ${word} carries the load of a dry stone wall.</p>
<p>A good ${word} lasts ${40 + n} years on firm ground. A poor ${word} bulges within ${5 + n} years, and a wall that bulges comes down in the ${n + 2}nd hard winter after that.</p>`
	)
	.join('\n')}
</article>`;

test('a page that takes the place of another changes the findings at once', async ({ page }) => {
	await makeAssignment(page, 'dry stone wall', '1200');
	const title = 'The middle of a dry stone wall';
	await dropFiles(page, [
		...['greenplot', 'moorland-notes'].map((name) => ({
			name: `${name}.html`,
			text: demoFile(`pages/${name}.html`)
		})),
		{ name: 'middle.html', text: article(title, 'gravel') }
	]);
	await expect(page.getByText(/^3 pages counted.*Findings: /)).toBeVisible({ timeout: 90_000 });
	await goTo(page, 'Findings');
	const term = (phrase: string) =>
		page
			.getByRole('region', { name: 'Terms by page' })
			.getByRole('button', { name: phrase, exact: true });
	await expect(term('gravel')).toBeVisible({ timeout: 90_000 });
	await goTo(page, 'Gather');
	// the same title and the same number of blocks, in other words
	await dropFiles(page, [{ name: 'middle.html', text: article(title, 'ballast') }]);
	await page.getByLabel(/^What to do with/).selectOption('replace');
	await page.getByRole('button', { name: 'Go on' }).click();
	await goTo(page, 'Findings');
	await expect(term('ballast')).toBeVisible({ timeout: 90_000 });
	await expect(term('gravel')).toBeHidden();
});

test('evidence that says everything twice opens on every screen', async ({ page }) => {
	const errors = watchErrors(page);
	await makeAssignment(page, 'dry stone wall', '1200');
	const twice = (text: string) =>
		text.replace(/<article>([\s\S]*)<\/article>/, '<article>$1$1</article>');
	await dropFiles(
		page,
		['One', 'Two', 'Three', 'Four'].map((name) => ({
			name: `${name}.html`,
			text: twice(article(`${name} on the dry stone wall`, 'hearting'))
		}))
	);
	const note =
		'The trench was 30 cm deep.\n\nThe trench was 30 cm deep.\n\nHow deep is the trench?';
	await expect(page.getByText(/^\d pages? counted/)).toBeVisible({ timeout: 90_000 });
	await dropFiles(page, [
		{ name: 'visit.md', text: `# Visit\n\n${note}\n\n${note}` },
		{
			name: 'asked.txt',
			text: 'How deep is the trench?\nHow deep is the trench?\nWhat does it cost?'
		}
	]);
	await goTo(page, 'Findings');
	for (const tab of ['Terms', 'Long phrases', 'Topics', 'Questions', 'Facts', 'Shape']) {
		await page.getByRole('tab', { name: tab, exact: true }).click();
		await expect(page.getByRole('tab', { name: tab, exact: true })).toHaveAttribute(
			'aria-selected',
			'true'
		);
		const rows = page.locator('button.open');
		for (let i = 0; i < Math.min(6, await rows.count()); i++) {
			await rows.nth(i).click();
			await page.waitForTimeout(100);
		}
	}
	await page.getByRole('tab', { name: 'Facts', exact: true }).click();
	for (const shown of ['shared', 'differs', 'once', 'notes', 'named', 'struck'])
		await page.getByLabel('Facts shown').selectOption(shown);
	await proposePlan(page);
	await draftArticle(page);
	await expect(page.getByRole('complementary', { name: 'Bench' })).toBeVisible();
	expect(errors).toEqual([]);
});
