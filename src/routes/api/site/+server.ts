import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { isOwnPage } from '$lib/server/endpoint-relay';
import { relay } from '$lib/server/relay';
import { askSite, type SiteTrouble } from '$lib/server/site-relay';
import { ConnectionLost, STAND_IN_SITE, standInSite } from '$lib/server/stand-in-site';
import type { RequestHandler } from './$types';

const askedSchema = z.object({
	method: z.enum(['GET', 'POST']),
	address: z.string().min(1).max(2000),
	token: z.string().max(5000),
	body: z.record(z.string(), z.unknown()).nullable(),
	/** A picture, its bytes in base 64. */
	file: z
		.object({
			name: z.string().min(1).max(300),
			type: z.enum(['image/png', 'image/jpeg']),
			base64: z.string().max(20_000_000)
		})
		.nullable()
});

/** Hands a call on to the site that an article is published to. The token is kept nowhere. */
export const POST: RequestHandler = async ({ request, url }) => {
	if (!isOwnPage(request, url.origin)) return trouble('other page');
	const asked = askedSchema.safeParse(await request.json().catch(() => null));
	if (!asked.success) error(400, 'Give “method”, “address”, “token”, “body” and “file”.');
	const { method, address, token, body, file } = asked.data;
	const sent = file
		? { name: file.name, type: file.type, bytes: Buffer.from(file.base64, 'base64') }
		: body;
	const home = `${url.origin}${STAND_IN_SITE}`;
	if (address === home || address.startsWith(`${home}/`) || address.startsWith(`${home}?`))
		return askStandIn(method, address, token, sent, home);
	const answer = await askSite(
		{ method, address, token, body: sent },
		(origin) => relay.allowed.includes(origin),
		request.signal
	);
	return 'trouble' in answer ? trouble(answer.trouble) : json(answer);
};

/** The stand-in is here: it is asked without a way over the net. */
async function askStandIn(
	method: 'GET' | 'POST',
	address: string,
	token: string,
	sent: Record<string, unknown> | { name: string; type: string; bytes: Buffer } | null,
	home: string
): Promise<Response> {
	const headers = new Headers(token === '' ? {} : { authorization: `Bearer ${token}` });
	let body: BodyInit | null = null;
	if (sent && sent.bytes instanceof Buffer) {
		const form = new FormData();
		const { name, type, bytes } = sent as { name: string; type: string; bytes: Buffer };
		form.set('file', new File([new Uint8Array(bytes)], name.split('/').at(-1)!, { type }));
		body = form;
	} else if (sent) {
		headers.set('content-type', 'application/json');
		body = JSON.stringify(sent);
	}
	const path = new URL(address).pathname.slice(STAND_IN_SITE.length);
	try {
		const answer = await standInSite.answer(
			new Request(address, { method, headers, body }),
			path,
			home
		);
		return json({
			status: answer.status,
			location: answer.headers.get('location') ?? '',
			link: answer.headers.get('link') ?? '',
			type: answer.headers.get('content-type') ?? '',
			text: await answer.text(),
			address
		});
	} catch (caught) {
		if (caught instanceof ConnectionLost) return trouble('lost');
		throw caught;
	}
}

function trouble(why: SiteTrouble): Response {
	return json({ trouble: why });
}
