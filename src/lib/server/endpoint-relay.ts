import { Readable } from 'node:stream';
import { guardedSend, sendTroubleOf, urlOf } from './guarded-send';
import { checkAddress } from './public-address';

/** Why an endpoint was not asked; worded by the app. */
export type RelayTrouble =
	| 'other page'
	| 'bad address'
	| 'private'
	| 'not found'
	| 'no server'
	| 'redirect'
	| 'too slow'
	| 'not secure';

export interface RelayCall {
	/** The whole address, "/chat/completions" included. */
	readonly address: string;
	/** Sent as a bearer; empty: none. */
	readonly key: string;
	readonly body: Record<string, unknown>;
}

/** Bounds of a call. */
const LIMITS = { firstByteMs: 120_000, allowed: 8 } as const;

/**
 * Hands calls on to servers that write, for the app's own pages. Public servers may be asked by anybody
 * who may ask this one; a server of this machine or network only when its origin stands on a short list
 * that the app's own pages keep. Redirects are never followed, so that no address leads to another.
 */
export class EndpointRelay {
	readonly #allowed = new Set<string>();

	constructor(allowed: readonly string[] = []) {
		for (const origin of allowed) this.allow(origin);
	}

	/** Origins of private servers that may be asked, such as "http://127.0.0.1:8080". */
	get allowed(): readonly string[] {
		return [...this.#allowed];
	}

	/** @returns why an origin cannot be put on the list, or null when it stands on it now */
	allow(address: string): string | null {
		const url = urlOf(address);
		if (!url) return 'it is no address that opens with http:// or https://';
		if (!this.#allowed.has(url.origin) && this.#allowed.size >= LIMITS.allowed)
			return `the list holds ${LIMITS.allowed} already; take one off first`;
		this.#allowed.add(url.origin);
		return null;
	}

	forbid(address: string): void {
		const url = urlOf(address);
		if (url) this.#allowed.delete(url.origin);
	}

	/** The server's own answer, its body as it streams, or why it was not asked. */
	async ask(
		{ address, key, body }: RelayCall,
		signal: AbortSignal
	): Promise<Response | { readonly trouble: RelayTrouble }> {
		const url = urlOf(address);
		if (!url) return { trouble: 'bad address' };
		const isAllowed = this.#allowed.has(url.origin);
		if (!isAllowed && checkAddress(url.href).kind === 'refused') return { trouble: 'private' };
		// a key goes over the open net encrypted or not at all
		if (!isAllowed && key !== '' && url.protocol === 'http:') return { trouble: 'not secure' };
		const limit = new AbortController();
		const timer = setTimeout(() => limit.abort(), LIMITS.firstByteMs);
		const stop = AbortSignal.any([signal, limit.signal]);
		try {
			const answer = await guardedSend(
				url,
				{
					method: 'POST',
					headers: {
						'content-type': 'application/json',
						accept: 'text/event-stream, application/json',
						...(key === '' ? {} : { authorization: `Bearer ${key}` })
					},
					body: JSON.stringify(body)
				},
				isAllowed,
				stop
			);
			const status = answer.statusCode ?? 502;
			if (status >= 300 && status < 400) {
				answer.destroy();
				return { trouble: 'redirect' };
			}
			const headers = new Headers({
				'content-type': answer.headers['content-type'] ?? 'text/plain',
				'cache-control': 'no-store'
			});
			const wait = answer.headers['retry-after'];
			if (wait) headers.set('retry-after', wait);
			return new Response(Readable.toWeb(answer) as ReadableStream, { status, headers });
		} catch (error) {
			if (limit.signal.aborted) return { trouble: 'too slow' };
			const trouble = sendTroubleOf(error);
			return { trouble: trouble === 'lost' ? 'no server' : trouble };
		} finally {
			clearTimeout(timer);
		}
	}
}

/**
 * Whether a request comes from a page of this app: a browser says so in headers that a page cannot
 * forge, and what is no browser has to know the origin.
 */
export function isOwnPage(request: Request, origin: string): boolean {
	const site = request.headers.get('sec-fetch-site');
	const from = request.headers.get('origin') ?? '';
	return isSameOrigin(from, origin) && (site === null || site === 'same-origin');
}

/** Names of this machine, under any of which the app may have been opened. */
const THIS_MACHINE = new Set(['localhost', '127.0.0.1', '[::1]']);

function isSameOrigin(from: string, own: string): boolean {
	if (from === own) return true;
	if (!URL.canParse(from) || !URL.canParse(own)) return false;
	const [a, b] = [new URL(from), new URL(own)];
	const areHere = THIS_MACHINE.has(a.hostname) && THIS_MACHINE.has(b.hostname);
	return areHere && a.port === b.port && a.protocol === b.protocol;
}
