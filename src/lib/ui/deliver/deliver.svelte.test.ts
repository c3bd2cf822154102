import 'fake-indexeddb/auto';
import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { flushSync } from 'svelte';
import { Toaster } from 'svelte-sonner';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { lineOf, NO_DELIVERY_CHOICES, scriptOf } from '$lib/core/deliver';
import { docOf, docText, figure, heading } from '$lib/core/manuscript';
import { readLinks } from '$lib/data/clients';
import { addAssignment, noteHandOver } from '$lib/data/assignments';
import { db } from '$lib/data/db';
import { addPicture, listPictures } from '$lib/data/pictures';
import { addTake, changeTakeDoc, listTakes } from '$lib/data/takes';
import { deliveryOf, DOC, said, sessionOf } from '../../../../tests/support/delivery.svelte';
import { changeTakeAsStep } from '../assignment/change-take';
import { history } from '../frame/history.svelte';
import BeforeItGoes from './BeforeItGoes.svelte';
import FoundView from './FoundView.svelte';
import { makeAll, makeForm, makeScript, zipOf } from './hand-over';
import HandedOver from './HandedOver.svelte';
import HeadBench from './HeadBench.svelte';
import InThePage from './InThePage.svelte';
import LinksBench from './LinksBench.svelte';
import { addPictureAsStep, deletePictureAsStep } from './place-picture';
import ScriptView from './ScriptView.svelte';

const user = userEvent.setup();

beforeEach(async () => {
	await Promise.all([db.takes.clear(), db.pictures.clear(), db.assignments.clear()]);
});

describe('before it goes', () => {
	it('leads a gap to Write, and what is missing here to its place', async () => {
		const session = sessionOf();
		session.plan.description = '';
		const onshow = vi.fn();
		render(BeforeItGoes, { delivery: deliveryOf(session), onshow });
		expect(screen.getByRole('link', { name: /gap/ }).getAttribute('href')).toBe('/a/a/write');
		await user.click(screen.getByRole('button', { name: /No description/ }));
		expect(onshow).toHaveBeenCalledWith('description');
		expect(screen.getByRole('status').textContent).toContain('being proofread');
	});
});

describe('title and description', () => {
	it('tells what a title resembles, and keeps what is typed with the plan', async () => {
		const session = sessionOf();
		render(HeadBench, { delivery: deliveryOf(session) });
		expect(screen.getAllByText(/like A/)).toHaveLength(1);
		const field = screen.getByLabelText('Title tag');
		await user.clear(field);
		await user.type(field, 'Another title');
		await user.tab();
		expect(session.changePlan).toHaveBeenLastCalledWith(
			'Changed the title tag',
			expect.objectContaining({ titleTag: 'Another title' })
		);
		expect(lineOf('Another title', 'title', 'dry stone wall', []).keywordAt).toBe(-1);
		expect(screen.getByText(/without the keyword/)).toBeTruthy();
	});

	it('makes a slug of what is typed, in Latin letters', async () => {
		const session = sessionOf();
		render(HeadBench, { delivery: deliveryOf(session) });
		const slug = screen.getByLabelText('Slug');
		await user.clear(slug);
		await user.type(slug, 'Straße & Größe');
		await user.tab();
		expect(session.plan.slug).toBe('strasse-and-groesse');
	});
});

describe('links', () => {
	it('are listed with where they lead, and told not to be followed', async () => {
		const session = sessionOf();
		render(LinksBench, { delivery: deliveryOf(session) });
		const row = screen.getByRole('row', { name: /this page/ });
		expect(within(row).getByText('https://a.example/')).toBeTruthy();
		await user.click(within(row).getByRole('checkbox'));
		expect(session.delivery.nofollow).toEqual(['https://a.example/']);
		await user.click(screen.getByRole('button', { name: 'A' }));
		expect(session.delivery.furtherReading).toEqual(['p1']);
	});

	it('come from sitemaps and lists at once; a list of sitemaps says which to bring', async () => {
		render(Toaster);
		render(LinksBench, { delivery: deliveryOf() });
		const file = (name: string, text: string) => new File([text], name);
		await user.upload(screen.getByLabelText('A sitemap or a list of addresses'), [
			file('posts.xml', '<urlset><url><loc>https://f.example/walling-hammer</loc></url></urlset>'),
			file('links.csv', 'phrase,address\nhearting,/hearting\nwalling hammer,/tools/hammer\n'),
			file('index.xml', '<sitemapindex><sitemap><loc>https://f.example/a.xml</loc></sitemap>'),
			file('empty.csv', 'nothing here\n')
		]);
		expect(await screen.findByText(/only lists 1 other sitemap.*f\.example\/a\.xml/)).toBeTruthy();
		expect(screen.getByText(/No address was found in empty\.csv/)).toBeTruthy();
		await vi.waitFor(async () =>
			expect((await readLinks('c')).map(({ address }) => address)).toEqual([
				'https://f.example/walling-hammer',
				'/hearting',
				'/tools/hammer'
			])
		);
		await history.undo();
		expect(await readLinks('c')).toEqual([]);
	});
});

describe('in the page', () => {
	it('ticks no data of what the text has not', () => {
		const session = sessionOf(docOf([heading(1, 'Walls', 'top'), said('A wall stands.')]));
		session.assignment.keyword = 'how to build a dry stone wall';
		render(InThePage, { delivery: deliveryOf(session) });
		for (const name of [
			'FAQ data: the text has no questions',
			'How-to data: the text has no steps'
		])
			expect(screen.getByRole<HTMLInputElement>('checkbox', { name })).toMatchObject({
				checked: false,
				disabled: true
			});
		expect(session.delivery.data).toContain('faq');
	});

	it('chooses contents, data and references; takeaways are kept as they are worded', async () => {
		const session = sessionOf();
		const delivery = deliveryOf(session);
		render(InThePage, { delivery });
		await user.selectOptions(screen.getByLabelText('Contents'), '3');
		expect(session.delivery.contentsTo).toBe(3);
		await user.click(screen.getByRole('checkbox', { name: 'FAQ data, 1 question' }));
		expect(session.delivery.data).not.toContain('faq');
		await user.click(screen.getByRole('checkbox', { name: /^Key takeaways/ }));
		await user.click(screen.getByRole('button', { name: 'Word them' }));
		const field = screen.getByLabelText('Key takeaways, one on a line');
		expect((field as HTMLTextAreaElement).value).toBe('The trench is 30 cm deep on firm ground.');
		await user.clear(field);
		await user.type(field, '- One.{Enter}Two.');
		await user.tab();
		expect(session.delivery.takeaways).toEqual(['One.', 'Two.']);
		flushSync();
		expect(delivery.article.blocks.find(({ kind }) => kind === 'takeaways')).toEqual({
			kind: 'takeaways',
			items: ['One.', 'Two.']
		});
	});
});

describe('what was handed over', () => {
	it('is listed newest first, with what was open', async () => {
		const session = sessionOf();
		session.delivery = {
			...NO_DELIVERY_CHOICES,
			handedOver: [1, 2].map((at) => ({
				at,
				form: `Form ${at}`,
				take: 't',
				takeName: 'Take 1',
				words: 1200,
				open: at === 2 ? ['A gap'] : [],
				address: at === 2 ? 'https://a.example/walls' : ''
			}))
		};
		render(HandedOver, { delivery: deliveryOf(session) });
		const [first, second] = screen.getAllByRole('listitem');
		expect(first!.textContent).toMatch(/Form 2.*Take 1, 1,200 words, 1 point open/s);
		expect(within(first!).getByRole('link').getAttribute('href')).toBe('https://a.example/walls');
		expect(second!.textContent).not.toContain('open');
	});

	it('is noted beside what is decided meanwhile, and is no step to take back', async () => {
		const assignment = await addAssignment({
			title: 'W',
			keyword: 'w',
			client: null,
			targetWords: null
		});
		const entry = {
			at: 1,
			form: 'DOCX',
			take: 't',
			takeName: 'T',
			words: 1,
			open: [],
			address: ''
		};
		const before = history.last;
		await Promise.all([
			noteHandOver(assignment.id, entry),
			noteHandOver(assignment.id, { ...entry, at: 2 })
		]);
		const stored = await db.assignments.get(assignment.id);
		expect(stored?.delivery.handedOver.map(({ at }) => at).sort()).toEqual([1, 2]);
		expect(history.last).toBe(before);
	});
});

describe('the script', () => {
	it('is shown by moments, and is slower when it is asked to be', async () => {
		const session = sessionOf();
		const delivery = deliveryOf(session);
		render(ScriptView, { delivery });
		const rows = within(screen.getByRole('table', { name: 'Script' })).getAllByRole('row');
		expect(rows.slice(1).map((row) => row.textContent?.trim().slice(0, 4))).toEqual([
			'0:00',
			expect.any(String),
			expect.any(String)
		]);
		expect(scriptOf(delivery.article, 100).ms).toBeGreaterThan(delivery.script.ms);
		expect(makeScript(delivery).map(({ name }) => name)).toEqual([
			'walls-script.txt',
			'walls-script.csv',
			'walls-script.srt',
			'walls-chapters.vtt'
		]);
	});
});

describe('found for', () => {
	it('says what a list without a query lacks, and takes one that has', async () => {
		const session = sessionOf(DOC, { findings: { terms: [{ phrase: 'trench' }], questions: [] } });
		const { container } = render(FoundView, { delivery: deliveryOf(session) });
		const input = container.querySelector<HTMLInputElement>('input[type=file]')!;
		await user.upload(
			input,
			new File(['query,clicks\nhow deep is a trench,4\nwall paint,1\n'], 'q.csv')
		);
		await vi.waitFor(() => expect(session.delivery.found).toHaveLength(2));
		flushSync();
		expect(
			within(screen.getByRole('region', { name: 'Terms it is found for' })).getByText('trench')
		).toBeTruthy();
		expect(
			within(screen.getByRole('region', { name: 'Queries beyond the article' })).getByText(
				'wall paint'
			)
		).toBeTruthy();
	});
});

describe('files', () => {
	it('are whole: gaps stay behind, pictures go along, a list says what is in it', async () => {
		const doc = docOf([...DOC.content, figure('pic', 'A trench', 'Dug')]);
		const session = sessionOf(doc, {
			pictures: [
				{
					id: 'pic',
					name: 'trench.png',
					type: 'image/png',
					bytes: Uint8Array.of(1, 2),
					width: 2,
					height: 1,
					alt: '',
					caption: '',
					credit: 'Ada',
					licence: '',
					source: ''
				}
			]
		});
		const delivery = deliveryOf(session);
		const options = { frontMatter: 'none', withComments: true } as const;
		const files = await makeAll(delivery, null, options);
		const names = files.map(({ name }) => name);
		expect(names).toContain('pictures/01-trench.png');
		expect(names[0]).toBe('what-is-in-it.txt');
		for (const name of names.slice(1)) expect(String(files[0]!.content)).toContain(name);
		for (const { content } of files.slice(1))
			if (typeof content === 'string') expect(content).not.toContain('How wide?');
		expect(zipOf(files).slice(0, 2)).toEqual(Uint8Array.of(0x50, 0x4b));
		const page = await makeForm(delivery, 'page', options);
		expect(page.content).toContain('src="data:image/png;base64,AQI="');
	});
});

describe('pictures of an assignment', () => {
	const read = {
		name: 'barn-roof.jpg',
		type: 'image/jpeg',
		bytes: Uint8Array.of(1),
		width: 4,
		height: 3
	} as const;
	const texts = async () => (await listTakes('a'))[0]!.doc.content.map(({ type }) => type);

	it('come in with their place as one step, and go as one', async () => {
		const take = await addTake('a', '', DOC);
		const before = await texts();
		await addPictureAsStep('a', read, { take: take.id, section: 'dig' });
		const [picture] = await listPictures('a');
		expect(picture).toMatchObject({ name: 'barn-roof.jpg', alt: 'Barn roof' });
		expect((await texts())[4]).toBe('figure');
		await history.undo();
		expect(await texts()).toEqual(before);
		expect(await listPictures('a')).toEqual([]);
		await history.redo();
		expect((await texts())[4]).toBe('figure');
		await deletePictureAsStep((await listPictures('a'))[0]!, [take.id]);
		expect(await texts()).toEqual(before);
		await history.undo();
		expect((await texts())[4]).toBe('figure');
		expect(await listPictures('a')).toHaveLength(1);
	});

	it('stay in order', async () => {
		const values = {
			...read,
			assignment: 'a',
			alt: '',
			caption: '',
			credit: '',
			licence: '',
			source: ''
		};
		for (const name of ['b', 'a', 'c']) await addPicture({ ...values, name });
		expect((await listPictures('a')).map(({ name }) => name)).toEqual(['b', 'a', 'c']);
	});
});

describe('a change of a take outside its editor', () => {
	it('is taken back only while nobody has changed the text since', async () => {
		const take = await addTake('a', '', DOC);
		const text = async () => docText((await listTakes('a'))[0]!.doc.content[1]!);
		await changeTakeAsStep(take.id, 'Changed it', (doc) =>
			docOf([doc.content[0]!, said('Other.')])
		);
		expect(await text()).toBe('Other.');
		expect((await listTakes('a'))[0]!.revision).toBe(2);
		await history.undo();
		expect(await text()).toBe('A dry stone wall stands by its weight.');
		await history.redo();
		await changeTakeDoc(take.id, (doc) => docOf([doc.content[0]!, said('Typed since.')]));
		await history.undo();
		expect(await text()).toBe('Typed since.');
	});
});
