import type { IncomingMessage } from 'node:http';
import type { SiteFile, SiteReply } from '$lib/core/services';
import { guardedSend, sendTroubleOf, urlOf, type SendTrouble } from './guarded-send';
import { checkAddress } from './public-address';

/** Why a site was not asked, or that it was and did not answer. */
export type SiteTrouble =
	'other page' | 'bad address' | 'redirect' | 'too slow' | 'not secure' | 'too large' | SendTrouble;

export interface SiteRelayCall {
	readonly method: 'GET' | 'POST';
	readonly address: string;
	readonly token: string;
	readonly body: Readonly<Record<string, unknown>> | SiteFile | null;
}

const LIMITS = { replyBytes: 3_000_000, wholeMs: 40_000, redirects: 4 } as const;

/** Whether a body is a file. */
function isFile(body: SiteRelayCall['body']): body is SiteFile {
	return body !== null && body.bytes instanceof Uint8Array;
}

/**
 * Hands calls on to sites that articles are published to, with the same guard as fetching: servers of this
 * machine or network only where their origin is allowed, a token over https alone, redirects followed for
 * what is only read, and every step of them checked.
 */
export async function askSite(
	{ method, address, token, body }: SiteRelayCall,
	isAllowed: (origin: string) => boolean,
	signal: AbortSignal
): Promise<SiteReply | { readonly trouble: SiteTrouble }> {
	const limit = AbortSignal.timeout(LIMITS.wholeMs);
	const stop = AbortSignal.any([signal, limit]);
	let url = urlOf(address);
	for (let hop = 0; hop <= LIMITS.redirects; hop++) {
		if (!url) return { trouble: 'bad address' };
		const isOwn = isAllowed(url.origin);
		if (!isOwn && checkAddress(url.href).kind === 'refused') return { trouble: 'private' };
		if (!isOwn && token !== '' && url.protocol === 'http:') return { trouble: 'not secure' };
		let answer: IncomingMessage;
		try {
			answer = await guardedSend(url, sentOf(method, token, body), isOwn, stop);
		} catch (error) {
			return { trouble: limit.aborted ? 'too slow' : sendTroubleOf(error) };
		}
		const status = answer.statusCode ?? 502;
		const location = answer.headers.location ?? '';
		if (status >= 300 && status < 400 && status !== 304) {
			answer.destroy();
			// a token goes to no other site, and a post is not sent on
			if (method === 'POST' || token !== '' || location === '') return { trouble: 'redirect' };
			url = URL.canParse(location, url) ? urlOf(new URL(location, url).href) : null;
			continue;
		}
		const text = await textOf(answer).catch(() => null);
		if (text === null) return { trouble: limit.aborted ? 'too slow' : 'lost' };
		if (text === 'too large') return { trouble: 'too large' };
		return {
			status,
			location,
			link: [answer.headers.link ?? []].flat().join(', '),
			type: answer.headers['content-type'] ?? '',
			text: text.text,
			address: url.href
		};
	}
	return { trouble: 'redirect' };
}

function sentOf(method: 'GET' | 'POST', token: string, body: SiteRelayCall['body']) {
	const headers = {
		accept: 'application/json, text/html;q=0.8',
		...(token === '' ? {} : { authorization: `Bearer ${token}` })
	};
	if (body === null) return { method, headers, body: null };
	if (!isFile(body))
		return {
			method,
			headers: { ...headers, 'content-type': 'application/json' },
			body: JSON.stringify(body)
		};
	const edge = `corvan-${crypto.randomUUID()}`;
	const name = body.name
		.split('/')
		.at(-1)!
		.replace(/[^\w.-]/g, '-');
	const start = `--${edge}\r\ncontent-disposition: form-data; name="file"; filename="${name}"\r\ncontent-type: ${body.type}\r\n\r\n`;
	return {
		method,
		headers: { ...headers, 'content-type': `multipart/form-data; boundary=${edge}` },
		body: Buffer.concat([Buffer.from(start), body.bytes, Buffer.from(`\r\n--${edge}--\r\n`)])
	};
}

async function textOf(answer: IncomingMessage): Promise<{ readonly text: string } | 'too large'> {
	const chunks: Buffer[] = [];
	let size = 0;
	for await (const chunk of answer as AsyncIterable<Buffer>) {
		size += chunk.length;
		if (size > LIMITS.replyBytes) {
			answer.destroy();
			return 'too large';
		}
		chunks.push(chunk);
	}
	return { text: Buffer.concat(chunks).toString('utf8') };
}
