import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { ARTICLES, demoFile, goTo, openArchiveElsewhere, openDrafted } from './support';

/** How often the page is killed; `CORVAN_KILLS=300 npx playwright test kills` for the long run. */
const KILLS = Number(process.env.CORVAN_KILLS ?? 4);
/** What was done so long before the page died must be there, in milliseconds of the page's own time. */
const KEPT_AFTER_MS = 1_500;

/** Numbers from 0 to 1 that are the same in every run. */
function* chances(seed: number): Generator<number, never> {
	for (let state = seed; ;) {
		state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
		yield state / 2_147_483_648;
	}
}

/** A page that tells when it lived last and what it has seen typed, so that a slow machine loses nothing here. */
async function openWatched(context: BrowserContext, address: string) {
	const page = await context.newPage();
	const life = { last: 0, typed: [] as { word: string; at: number }[] };
	page.on('console', (message) => {
		const said = /^(alive|typed) (\d+)(?: (\S+))?$/.exec(message.text());
		if (!said) return;
		const at = Number(said[2]);
		life.last = Math.max(life.last, at);
		if (said[3]) life.typed.push({ word: said[3], at });
	});
	await page.addInitScript(() => {
		setInterval(() => console.log(`alive ${Math.round(performance.now())}`), 50);
		document.addEventListener('input', ({ target }) => {
			const text = (target as HTMLElement).innerText ?? (target as HTMLInputElement).value ?? '';
			const word = text.match(/mark\d+x\d+(?=\W)/g)?.at(-1);
			if (word) console.log(`typed ${Math.round(performance.now())} ${word}`);
		});
	});
	await page.goto(address);
	return { page, life };
}

/** Ends the page's process at once: no event is told, nothing can be tidied up. */
async function kill(page: Page): Promise<void> {
	const died = page.waitForEvent('crash');
	const session = await page.context().newCDPSession(page);
	void session.send('Page.crash').catch(() => undefined);
	await died;
	await page.close();
}

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

test(`killed ${KILLS} times while it works, nothing older than a second is gone or half there`, async ({
	page: first,
	context,
	browser
}) => {
	test.setTimeout(600_000 + KILLS * 30_000);
	await openDrafted(first);
	const write = first.url();
	const plan = write.replace(/write$/, 'plan');
	const gather = write.replace(/write$/, '');
	await first.close();
	const chance = chances(7);
	const manuscriptOf = (page: Page) => page.getByRole('textbox', { name: 'Manuscript' });

	for (let round = 0; round < KILLS; round++) {
		const deed = ['typing', 'planning', 'versions', 'importing'][round % 4]!;
		const moment = 200 + chance.next().value * 2_600;
		if (deed === 'typing') {
			const { page, life } = await openWatched(context, write);
			await manuscriptOf(page).getByRole('heading').first().click();
			await page.keyboard.press('End');
			await page.keyboard.press('Enter');
			const end = Date.now() + 2_000 + moment;
			const dueOf = () => life.typed.filter(({ at }) => at < life.last - KEPT_AFTER_MS);
			// on a slow machine it takes longer until a word is due
			for (let i = 0; Date.now() < end || dueOf().length === 0; i++)
				await page.keyboard.type(`mark${round}x${i} `, { delay: 15 });
			await kill(page);
			const due = dueOf();
			const again = await openWatched(context, write);
			const text = await manuscriptOf(again.page).innerText();
			for (const { word } of due) expect(text, `${word}, round ${round}`).toContain(word);
			await again.page.close();
		} else if (deed === 'planning') {
			const { page, life } = await openWatched(context, plan);
			const heading = page.getByRole('textbox', { name: 'Heading of section 3', exact: true });
			const before = await heading.inputValue();
			await heading.fill(`A part mark${round}x1 .`);
			await heading.press('Enter');
			await wait(moment);
			const isDue = life.typed.some(({ at }) => at < life.last - KEPT_AFTER_MS);
			await kill(page);
			const again = await openWatched(context, plan);
			const now = again.page.getByRole('textbox', { name: 'Heading of section 3', exact: true });
			await expect(now).toHaveValue(
				isDue
					? `A part mark${round}x1 .`
					: new RegExp(`^A part mark${round}x1 .$|^${escaped(before)}$`)
			);
			await again.page.close();
		} else if (deed === 'versions') {
			const { page } = await openWatched(context, write);
			const manuscript = manuscriptOf(page);
			await manuscript.getByRole('heading', { name: 'Dig the trench' }).click();
			const before = await manuscript.innerText();
			await page.getByRole('button', { name: 'Another version' }).first().click();
			const offer = page.getByRole('region', { name: 'Version of Dig the trench' });
			await offer
				.getByRole('button', { name: /^(?:Put it below|Leave it)$/ })
				.first()
				.click();
			const after = await manuscript.innerText();
			await wait(moment);
			await kill(page);
			const again = await openWatched(context, write);
			const text = await manuscriptOf(again.page).innerText();
			expect([before.trim(), after.trim()]).toContain(text.trim());
			await again.page.close();
		} else {
			const { page } = await openWatched(context, gather);
			const tab = page.getByRole('tab', { name: /^Pages \d+$/ });
			const count = async (of: Page) =>
				Number(/\d+/.exec(await of.getByRole('tab', { name: /^Pages \d+$/ }).innerText())![0]);
			await expect(tab).not.toHaveText('Pages 0');
			const pagesHere = await count(page);
			await page.getByLabel('Page files').setInputFiles(
				ARTICLES.slice(0, 3).map((name, i) => ({
					name: `again-${round}-${i}.html`,
					mimeType: 'text/html',
					buffer: Buffer.from(
						demoFile(`pages/${name}.html`)
							.replace(/stone/g, `slab${round}`)
							.replace(/https:\/\//g, `https://x${round}-`)
					)
				}))
			);
			await wait(moment);
			await kill(page);
			const again = await openWatched(context, gather);
			await expect(again.page.getByRole('tab', { name: /^Pages [1-9]\d*$/ })).toBeVisible();
			// an import is one step: all of it or nothing
			expect([pagesHere, pagesHere + 3]).toContain(await count(again.page));
			await again.page.close();
		}
	}

	const last = await context.newPage();
	await last.goto(write);
	const elsewhere = await openArchiveElsewhere(last, browser, /How to build a dry stone wall/);
	await goTo(elsewhere, 'Write');
	await expect(manuscriptOf(elsewhere)).toContainText('mark0x0');
	await elsewhere.context().close();
});

function escaped(text: string): string {
	return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
