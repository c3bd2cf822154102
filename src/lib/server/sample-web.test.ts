import { describe, expect, it } from 'vitest';
import { cleanPage } from '$lib/core/pages';
import { POST } from '../../routes/api/page/+server';
import { isSampleAddress, sampleWeb } from './sample-web';

const post = async (body: unknown) => {
	const request = new Request('http://app/api/page', {
		method: 'POST',
		body: typeof body === 'string' ? body : JSON.stringify(body)
	});
	return POST({ request } as Parameters<typeof POST>[0]);
};

describe('the sample web', () => {
	it('answers an address of the results list with the page, whatever its spelling', async () => {
		for (const address of [
			'https://greenplot.example/dry-stone-walls',
			'http://www.greenplot.example/dry-stone-walls/?utm_source=x#top'
		]) {
			const reply = await sampleWeb.fetchPage(address);
			if (reply.kind !== 'fetched') throw new Error(reply.reason);
			expect(reply).toMatchObject({
				address: 'https://greenplot.example/dry-stone-walls',
				isSample: true
			});
			expect(cleanPage(reply.html).kind).toBe('cleaned');
		}
	});

	it('says when it has no such page', async () => {
		expect(await sampleWeb.fetchPage('https://greenplot.example/elsewhere')).toMatchObject({
			kind: 'refused',
			canRetry: false
		});
	});

	it('is asked for `.example` and nothing else', () => {
		expect(isSampleAddress('https://a.example/')).toBe(true);
		expect(isSampleAddress('https://example.org/')).toBe(false);
		expect(isSampleAddress('https://walls.example.org/')).toBe(false);
		expect(isSampleAddress('not an address')).toBe(false);
	});
});

describe('the route for pages', () => {
	it('gives a page of the sample web', async () => {
		const response = await post({
			address: 'https://hillfoot-walling.example/how-to-build-a-dry-stone-wall'
		});
		expect(await response.json()).toMatchObject({ kind: 'fetched', isSample: true });
	});

	it('refuses what is not public, with the reason', async () => {
		const response = await post({ address: 'http://2130706433/' });
		expect(response.status).toBe(200);
		expect(await response.json()).toMatchObject({ kind: 'refused', canRetry: false });
	});

	it.each(['not json', {}, { address: '' }, { address: 'x'.repeat(3000) }, { address: 7 }])(
		'answers 400 to %j',
		async (body) => {
			await expect(post(body)).rejects.toMatchObject({ status: 400 });
		}
	);
});
