import { z } from 'zod';
import type { SiteAnswer, SiteCall, SiteServer } from '$lib/core/services';

const TROUBLES = {
	'other page':
		'this page was opened under another address than Corvan’s own; open it under the one it printed when it started',
	'bad address': 'the address is no web address; it should open with https://',
	private:
		'the site is on this machine or network, and this app may not ask it yet: allow its address in the settings',
	'not found': 'no site of that name is found',
	'no server': 'no server answers there',
	redirect: 'the site sends the call on to another address; give that address',
	'too slow': 'the site did not answer in time',
	'not secure':
		'a token is only sent over https, unless the site is one that you allowed in the settings',
	'too large': 'what the site answered is too large'
} as const;

const answerSchema = z.union([
	z.object({ trouble: z.enum([...(Object.keys(TROUBLES) as (keyof typeof TROUBLES)[]), 'lost']) }),
	z.object({
		status: z.number().int(),
		location: z.string(),
		link: z.string(),
		type: z.string(),
		text: z.string(),
		address: z.string()
	})
]);

type Fetch = (input: string, init: RequestInit) => Promise<Response>;

/** Asks sites through this app's own server, since pages may not ask others. */
export function siteServer(ask: Fetch = fetch): SiteServer {
	return {
		async ask({ method, address, token, body }: SiteCall, signal): Promise<SiteAnswer> {
			const file = body && body.bytes instanceof Uint8Array ? body : null;
			let reply: Response;
			try {
				reply = await ask('/api/site', {
					method: 'POST',
					...(signal ? { signal } : {}),
					headers: { 'content-type': 'application/json' },
					body: JSON.stringify({
						method,
						address,
						token,
						body: file ? null : body,
						file: file && {
							name: file.name,
							type: file.type,
							base64: base64Of(file.bytes as Uint8Array)
						}
					})
				});
			} catch {
				// what was on its way may have arrived
				return method === 'POST'
					? { kind: 'lost' }
					: {
							kind: 'not asked',
							reason: 'Corvan’s own server does not answer; is it still running?'
						};
			}
			const read = answerSchema.safeParse(await reply.json().catch(() => null));
			if (!reply.ok || !read.success)
				return { kind: 'not asked', reason: 'Corvan’s own server did not take the call.' };
			if (!('trouble' in read.data)) return { kind: 'reply', reply: read.data };
			const { trouble } = read.data;
			if (trouble === 'lost' || (trouble === 'too slow' && method === 'POST'))
				return { kind: 'lost' };
			return { kind: 'not asked', reason: `It was not sent: ${TROUBLES[trouble]}.` };
		}
	};
}

function base64Of(bytes: Uint8Array): string {
	let text = '';
	for (let i = 0; i < bytes.length; i += 8192)
		text += String.fromCharCode(...bytes.subarray(i, i + 8192));
	return btoa(text);
}
