import { mf2 } from 'microformats-parser';
import { beforeEach, describe, expect, it } from 'vitest';
import {
	endpointIn,
	findSite,
	publish,
	updatePost,
	type Post,
	type SiteAnswer,
	type SiteCall,
	type SiteServer
} from '$lib/core/services';
import { HOSTILE } from '../../../tests/support/hostile';
import { ConnectionLost, StandInSite } from './stand-in-site';

const HOME = 'http://127.0.0.1:4173/stand-in-site';

/** A server that asks the stand-in, and counts what it was asked. */
class Wire implements SiteServer {
	readonly site = new StandInSite();
	readonly calls: SiteCall[] = [];

	async ask(call: SiteCall): Promise<SiteAnswer> {
		this.calls.push(call);
		const { method, address, token, body } = call;
		const headers = new Headers(token === '' ? {} : { authorization: `Bearer ${token}` });
		let sent: BodyInit | null = null;
		if (body && body.bytes instanceof Uint8Array) {
			sent = new FormData();
			sent.set(
				'file',
				new File([body.bytes as BlobPart], String(body.name).split('/').at(-1)!, {
					type: String(body.type)
				})
			);
		} else if (body) sent = JSON.stringify(body);
		try {
			const path = new URL(address).pathname.replace('/stand-in-site', '');
			const reply = await this.site.answer(
				new Request(address, { method, headers, body: sent }),
				path,
				HOME
			);
			return {
				kind: 'reply',
				reply: {
					status: reply.status,
					location: reply.headers.get('location') ?? '',
					link: reply.headers.get('link') ?? '',
					type: reply.headers.get('content-type') ?? '',
					text: await reply.text(),
					address
				}
			};
		} catch (error) {
			if (error instanceof ConnectionLost) return { kind: 'lost' };
			throw error;
		}
	}

	show = async (address: string) =>
		(
			await this.site.answer(
				new Request(address),
				new URL(address).pathname.replace('/stand-in-site', ''),
				HOME
			)
		).text();

	posts = async (): Promise<number> => {
		const answer = await this.ask({
			method: 'GET',
			address: `${HOME}/micropub?q=source`,
			token: 'stand-in',
			body: null
		});
		return answer.kind === 'reply'
			? (JSON.parse(answer.reply.text) as { items: unknown[] }).items.length
			: -1;
	};
}

let wire: Wire;
const post: Post = {
	uid: 'urn:uuid:1',
	title: 'Walls & more',
	summary: 'In short.',
	html: '<h2 id="dig">Dig</h2><figure><img src="pictures/01.png" alt="A trench"></figure><p>Down.</p>',
	slug: 'walls',
	categories: ['how-to', 'tools'],
	isDraft: true,
	pictures: [{ name: 'pictures/01.png', type: 'image/png', bytes: Uint8Array.of(137, 80, 78, 71) }]
};
const found = async (token = 'stand-in') => {
	const outcome = await findSite(wire, HOME, token);
	if (outcome.kind !== 'done') throw new Error(outcome.reason);
	return outcome.site;
};

beforeEach(() => {
	wire = new Wire();
});

describe('publishing', () => {
	it('finds the endpoint, what the site takes, and its categories', async () => {
		expect(await found()).toEqual({
			address: HOME,
			endpoint: `${HOME}/micropub`,
			media: `${HOME}/media`,
			categories: ['how-to', 'tools', 'weekends']
		});
		expect(wire.calls[0]).toMatchObject({ address: HOME, token: '' });
	});

	it('says so where there is no endpoint, or the token is not taken', async () => {
		expect(await findSite(wire, `${HOME}/posts/none`, 'stand-in')).toMatchObject({
			kind: 'refused',
			reason: expect.stringContaining('404')
		});
		expect(await findSite(wire, HOME, 'other')).toMatchObject({
			kind: 'refused',
			reason: expect.stringContaining('token')
		});
	});

	it('posts once, with its pictures, as an entry that other programs read', async () => {
		const outcome = await publish(wire, await found(), 'stand-in', post);
		expect(outcome).toEqual({ kind: 'done', address: `${HOME}/posts/walls`, isNew: true, left: 0 });
		const html = await wire.show(`${HOME}/posts/walls`);
		expect(html).toContain(`src="${HOME}/media/1-01.png"`);
		const { items } = mf2(html, { baseUrl: `${HOME}/posts/walls` });
		expect(items).toHaveLength(1);
		expect(items[0]).toMatchObject({
			type: ['h-entry'],
			properties: {
				name: ['Walls & more'],
				summary: ['In short.'],
				category: ['how-to', 'tools'],
				uid: ['urn:uuid:1'],
				url: [`${HOME}/posts/walls`],
				content: [{ value: expect.stringContaining('Down.') }]
			}
		});
		expect(html).toContain('<p>Draft</p>');
	});

	it('brings up to date what stands there, and posts nothing new', async () => {
		const site = await found();
		await publish(wire, site, 'stand-in', post);
		const address = `${HOME}/posts/walls`;
		const outcome = await updatePost(wire, site, 'stand-in', address, {
			...post,
			title: 'Walls, anew',
			isDraft: false
		});
		expect(outcome).toMatchObject({ kind: 'done', address });
		expect(await wire.posts()).toBe(1);
		const html = await wire.show(address);
		expect(html).toContain('Walls, anew');
		expect(html).not.toContain('Draft');
		expect(await updatePost(wire, site, 'stand-in', `${HOME}/posts/none`, post)).toMatchObject({
			kind: 'refused',
			reason: expect.stringContaining('no post')
		});
	});

	it('finds its post where the answer was lost, and posts nothing twice', async () => {
		const site = await found('stand-in-cuts');
		const outcome = await publish(wire, site, 'stand-in-cuts', post);
		expect(outcome).toMatchObject({ kind: 'done', address: `${HOME}/posts/walls` });
		const again = await publish(wire, site, 'stand-in-cuts', post, { wasSent: true });
		expect(again).toMatchObject({ kind: 'done', isNew: false });
		expect(await wire.posts()).toBe(1);
	});

	it('says that nothing stands there where the connection was lost before', async () => {
		const site = await found('stand-in-drops');
		expect(await publish(wire, site, 'stand-in-drops', post)).toMatchObject({
			kind: 'refused',
			reason: expect.stringContaining('does not have the post')
		});
		expect(await wire.posts()).toBe(0);
		// a try that was never answered is looked for first, and then made
		expect(await publish(wire, site, 'stand-in', post, { wasSent: true })).toMatchObject({
			kind: 'done',
			isNew: true
		});
	});

	it('does not try again where a site does not tell its posts', async () => {
		const site = await found();
		const silent: SiteServer = {
			ask: (call) =>
				call.method === 'POST' && call.address === site.endpoint
					? Promise.resolve({ kind: 'lost' })
					: call.address.includes('q=source')
						? Promise.resolve({
								kind: 'reply',
								reply: { status: 400, location: '', link: '', type: '', text: '', address: '' }
							})
						: wire.ask(call)
		};
		expect(await publish(silent, site, 'stand-in', post)).toMatchObject({ kind: 'unsure' });
		const before = wire.calls.length;
		expect(await publish(silent, site, 'stand-in', post, { wasSent: true })).toMatchObject({
			kind: 'unsure'
		});
		expect(wire.calls.slice(before).filter(({ method }) => method === 'POST')).toEqual([]);
	});

	it('tells a refusal in words, and what cannot go along', async () => {
		expect(
			await publish(wire, await found('stand-in-refuses'), 'stand-in-refuses', post)
		).toMatchObject({
			kind: 'refused',
			reason: expect.stringMatching(/not let this token/)
		});
		const outcome = await publish(wire, { ...(await found()), media: '' }, 'stand-in', post);
		expect(outcome).toMatchObject({ kind: 'done', left: 1 });
		expect(await wire.show(`${HOME}/posts/walls`)).not.toContain('<img');
	});

	it('waits for a site that answers late', async () => {
		const site = await found();
		const at = Date.now();
		expect(await publish(wire, { ...site, media: '' }, 'stand-in-late', post)).toMatchObject({
			kind: 'done'
		});
		expect(Date.now() - at).toBeGreaterThan(2000);
	});
});

describe('an endpoint that is named', () => {
	const reply = (text: string, link = '') => ({
		status: 200,
		location: '',
		link,
		type: 'text/html',
		text,
		address: 'https://a.example/b/'
	});

	it('is found in a header before elements, relative to the page', () => {
		expect(
			endpointIn(reply('<link rel=micropub href=/x>', '<../m?a=1>; rel="me micropub", </y>; rel=z'))
		).toBe('https://a.example/m?a=1');
		expect(endpointIn(reply('<p>x<a href="/in-text" rel="nofollow MICROPUB">m</a>'))).toBe(
			'https://a.example/in-text'
		);
		expect(
			endpointIn(
				reply(
					'<link rel="micropub-x" href="/x"><!-- <link rel="micropub" href="/y"> -->',
					'</x>; rel="notmicropub"'
				)
			)
		).toBeNull();
	});
});

describe('the stand-in site', () => {
	it('runs nothing of what is posted, and breaks on no title', async () => {
		const site = await found();
		for (const [i, text] of HOSTILE.entries()) {
			const outcome = await publish(wire, site, 'stand-in', {
				...post,
				uid: `u${i}`,
				title: text,
				summary: text,
				categories: [text],
				pictures: [],
				slug: text
			});
			expect(outcome.kind, text).toBe('done');
			const address = outcome.kind === 'done' ? outcome.address : '';
			expect(address).toMatch(/^http:\/\/127\.0\.0\.1:4173\/stand-in-site\/posts\/[a-z0-9-]+$/);
			const answer = await wire.site.answer(
				new Request(address),
				new URL(address).pathname.replace('/stand-in-site', ''),
				HOME
			);
			expect(answer.headers.get('content-security-policy')).toMatch(/default-src 'none';.*sandbox/);
			const html = await answer.text();
			expect(html).not.toMatch(/<script|<img src=x|<svg|<iframe/i);
		}
	});
});
