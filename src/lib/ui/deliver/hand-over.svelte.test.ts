import { render, screen, waitFor } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { docOf, docText, figure, heading } from '$lib/core/manuscript';
import { addAssignment } from '$lib/data/assignments';
import { db } from '$lib/data/db';
import { addPicture } from '$lib/data/pictures';
import { readSetting, saveSetting } from '$lib/data/settings';
import { addTake, listTakes } from '$lib/data/takes';
import { deliveryOf, DOC, said, sessionOf } from '../../../../tests/support/delivery.svelte';
import HandOverList from './HandOverList.svelte';
import PicturesPanel from './PicturesPanel.svelte';
import PublishView from './PublishView.svelte';

const user = userEvent.setup({ pointerEventsCheck: 0 });
/** What went to the downloads, by name. */
const saved = new Map<string, Blob>();

beforeEach(async () => {
	await Promise.all([db.takes.clear(), db.pictures.clear(), db.assignments.clear()]);
	await Promise.all([saveSetting('front-matter', 'none'), saveSetting('site-tokens', {})]);
	saved.clear();
	const made = new Map<string, Blob>();
	URL.createObjectURL = (blob) => {
		made.set(`blob:${made.size}`, blob as Blob);
		return `blob:${made.size - 1}`;
	};
	URL.revokeObjectURL = () => {};
	vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (
		this: HTMLAnchorElement
	) {
		saved.set(this.download, made.get(this.href)!);
	});
});
afterEach(() => {
	vi.restoreAllMocks();
	vi.unstubAllGlobals();
});

/** A session of a stored assignment, since what is handed over is noted there. */
async function storedSession(more: Record<string, unknown> = {}) {
	const { id } = await addAssignment({
		title: 'Walls',
		keyword: 'dry stone wall',
		client: null,
		targetWords: 0
	});
	return sessionOf(DOC, { id, ...more });
}
const textOf = async (name: string) => await saved.get(name)!.text();
/** Words for screen readers stand right behind those that are seen. */
const named = (name: string | RegExp) =>
	typeof name === 'string' ? new RegExp(`^${name.replaceAll(' ', ' ?')}$`) : name;
const press = (name: string | RegExp) =>
	user.click(screen.getByRole('button', { name: named(name) }));

describe('the list of forms', () => {
	it('saves the article in a form, and notes what was handed over', async () => {
		const session = await storedSession();
		render(HandOverList, { delivery: deliveryOf(session), onlook: vi.fn() });
		await user.selectOptions(screen.getByLabelText('Before the Markdown'), 'yaml');
		await press('Save Markdown');
		await waitFor(() => expect([...saved.keys()]).toEqual(['walls.md']));
		const markdown = await textOf('walls.md');
		expect(markdown).toMatch(/^---\n[^]*title: [^]*\n---\n/);
		expect(markdown).toContain('A walling hammer helps.');
		// gaps stay behind unless they are told to come
		expect(markdown).not.toContain('How wide?');
		expect(await readSetting('front-matter')).toBe('yaml');
		await waitFor(async () => {
			const stored = await db.assignments.get(session.id);
			expect(stored!.delivery.handedOver.map(({ form }) => form)).toEqual(['Markdown']);
		});
	});

	it('copies a form, and says so', async () => {
		const copied: string[] = [];
		vi.stubGlobal('navigator', {
			clipboard: { writeText: (text: string) => Promise.resolve(void copied.push(text)) }
		});
		render(HandOverList, { delivery: deliveryOf(await storedSession()), onlook: vi.fn() });
		await press('Copy Plain text');
		await waitFor(() => expect(copied).toHaveLength(1));
		expect(copied[0]).toContain('The trench is 30 cm deep on firm ground.');
	});

	it('lets the writer look before anything goes, and take the gaps along', async () => {
		const onlook = vi.fn();
		const session = await storedSession();
		render(HandOverList, { delivery: deliveryOf(session), onlook });
		await press('Look at the client report');
		await press('Look at the spoken script');
		await press('Publish');
		expect(onlook.mock.calls.flat()).toEqual(['report', 'script', 'publish']);
		await user.click(screen.getByRole('checkbox', { name: 'Gaps go along, marked' }));
		expect(session.delivery.withGaps).toBe(true);
		await press('Save Plain text');
		await waitFor(() => expect(saved.size).toBe(1));
		expect(await [...saved.values()][0]!.text()).toContain('How wide?');
	});
});

describe('publishing', () => {
	const reply = (status: number, more: object = {}) =>
		new Response(
			JSON.stringify({
				status,
				location: '',
				link: '',
				type: 'application/json',
				text: '{}',
				address: 'https://hill.example/',
				...more
			})
		);
	/** A site behind the app's own server, and what it was sent. */
	function siteThat(answer: (call: { method: string; address: string }) => Response) {
		const calls: { method: string; address: string; token: string }[] = [];
		vi.stubGlobal('fetch', (_: string, { body }: { body: string }) => {
			const call = JSON.parse(body) as (typeof calls)[number];
			calls.push(call);
			return Promise.resolve(answer(call));
		});
		return calls;
	}
	async function findHill() {
		const address = screen.getByLabelText('Address of the site');
		await user.clear(address);
		await user.type(address, 'https://hill.example/');
		await user.type(screen.getByLabelText(/^Token/), 'opensesame');
		await press('Find the site');
		// its token is kept first
		await waitFor(() => expect(screen.queryByRole('status')).toBeNull());
	}
	const isPage = ({ method, address }: { method: string; address: string }) =>
		method === 'GET' && address === 'https://hill.example/';

	it('finds the site, posts a draft once, and notes where it stands', async () => {
		const session = await storedSession();
		const calls = siteThat((call) =>
			isPage(call)
				? reply(200, { link: '<https://hill.example/micropub>; rel="micropub"' })
				: call.method === 'POST'
					? reply(201, { location: 'https://hill.example/2026/walls' })
					: reply(200)
		);
		render(PublishView, { delivery: deliveryOf(session) });
		await findHill();
		expect(await screen.findByText(/it takes no pictures, they stay behind/)).toBeTruthy();
		await press(/^Publish/);
		await waitFor(async () => {
			const stored = await db.assignments.get(session.id);
			expect(stored!.delivery.published).toMatchObject([
				{ site: 'https://hill.example/', address: 'https://hill.example/2026/walls', isDraft: true }
			]);
		});
		expect(calls.filter(({ method }) => method === 'POST')).toHaveLength(1);
		// the token goes to the site and to this browser's settings, and stands in no assignment
		expect(JSON.stringify(await db.assignments.toArray())).not.toContain('opensesame');
		expect(await readSetting('site-tokens')).toEqual({ 'https://hill.example/': 'opensesame' });
	});

	it('says what is wrong in words, and keeps no trace of what was refused', async () => {
		const session = await storedSession();
		siteThat((call) =>
			isPage(call)
				? reply(200, { link: '<https://hill.example/micropub>; rel="micropub"' })
				: call.method === 'POST'
					? reply(403)
					: reply(200)
		);
		render(PublishView, { delivery: deliveryOf(session) });
		await findHill();
		await screen.findByText(/^Found/);
		await press(/^Publish/);
		expect((await screen.findByRole('alert', {}, { timeout: 5000 })).textContent).toMatch(
			/token|refus|allow/i
		);
		expect((await db.assignments.get(session.id))!.delivery.published).toEqual([]);
	});
});

describe('the pictures', () => {
	async function pictured() {
		const { id } = await addAssignment({
			title: 'Walls',
			keyword: 'dry stone wall',
			client: null,
			targetWords: 0
		});
		const picture = await addPicture({
			assignment: id,
			name: 'footings.png',
			type: 'image/png',
			width: 4,
			height: 3,
			bytes: Uint8Array.of(1),
			alt: 'Footings',
			caption: '',
			credit: '',
			licence: '',
			source: ''
		});
		const doc = docOf([
			heading(1, 'Walls', 'top'),
			heading(2, 'Dig the trench', 'dig'),
			figure(picture.id, 'Footings', 'The trench'),
			heading(2, 'How long does it last?', 'last'),
			said('It lasts.')
		]);
		const take = await addTake(id, '', doc);
		const session = sessionOf(doc, { id, takes: [take], pictures: [picture] });
		render(PicturesPanel, { delivery: deliveryOf(session) });
		return { id, picture, docNow: async () => (await listTakes(id))[0]!.doc };
	}

	it('say where they stand, and are told whose they are', async () => {
		const { picture } = await pictured();
		expect(screen.getByText(/Dig the trench · “The trench”/)).toBeTruthy();
		await press('Words and place of footings.png');
		const credit = screen.getByLabelText('Credit');
		await user.type(credit, 'The writer');
		await user.tab();
		await waitFor(async () =>
			expect((await db.pictures.get(picture.id))!.credit).toBe('The writer')
		);
	});

	it('are described and moved to another section, as steps of the take', async () => {
		const { docNow } = await pictured();
		await press('Words and place of footings.png');
		const alt = screen.getByLabelText(/^Alt text/);
		await user.clear(alt);
		await user.type(alt, 'Two lines of footing stones');
		await user.tab();
		await waitFor(async () =>
			expect(JSON.stringify(await docNow())).toContain('Two lines of footing stones')
		);
		await user.selectOptions(screen.getByLabelText('Place'), 'How long?');
		await waitFor(async () => {
			const { content } = await docNow();
			const at = content.findIndex(({ type }) => type === 'figure');
			expect(content.slice(0, at).map(docText)).toContain('How long does it last?');
		});
	});

	it('wait outside the text when they are taken out of it', async () => {
		const { docNow } = await pictured();
		await press('Words and place of footings.png');
		await user.selectOptions(screen.getByLabelText('Place'), '');
		await waitFor(async () =>
			expect((await docNow()).content.some(({ type }) => type === 'figure')).toBe(false)
		);
		expect(screen.getAllByText('footings.png').length).toBeGreaterThan(0);
	});
});
