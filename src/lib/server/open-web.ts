import { lookup as lookUp, type LookupAddress } from 'node:dns';
import { request as requestHttp, type IncomingMessage, type RequestOptions } from 'node:http';
import { request as requestHttps } from 'node:https';
import type { LookupFunction } from 'node:net';
import { pipeline, Writable } from 'node:stream';
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib';
import { FETCH_LIMITS, type PageReply, type PageService } from '$lib/core/services';
import { decodeBytes } from '$lib/core/text';
import { checkAddress, isPublicIp, type CheckedAddress } from './public-address';

export type Resolve = (
	name: string,
	done: (error: Error | null, addresses: readonly LookupAddress[]) => void
) => void;

export interface OpenWebOptions {
	/** Finds the addresses of a name; the system's resolver unless a test gives another. */
	readonly resolve?: Resolve;
	readonly check?: (address: string) => CheckedAddress;
	readonly isPublic?: (ip: string) => boolean;
	readonly timeoutMs?: number;
}

/** A refusal that is meant for the writer. */
class Refusal extends Error {
	constructor(
		reason: string,
		readonly canRetry = false
	) {
		super(reason);
	}
}

const systemResolve: Resolve = (name, done) => lookUp(name, { all: true }, done);

/**
 * Fetches pages of the public web as a browser would: redirects, compression, charsets. The
 * address that is connected to is the one that was checked, since the check happens inside the
 * look-up that the connection itself makes; each redirect is checked like a new address.
 */
export function makeOpenWeb({
	resolve = systemResolve,
	check = checkAddress,
	isPublic = isPublicIp,
	timeoutMs = FETCH_LIMITS.timeoutMs
}: OpenWebOptions = {}): PageService {
	const lookup: LookupFunction = (name, options, done) => {
		resolve(name, (error, addresses) => {
			if (error) return done(error, []);
			if (addresses.length === 0) return done(new Error(`no address for ${name}`), []);
			// one private address among them is enough: the connection might pick that one
			if (!addresses.every(({ address }) => isPublic(address)))
				return done(new Refusal(PRIVATE_REASON), []);
			if (options.all) return done(null, [...addresses]);
			done(null, addresses[0]!.address, addresses[0]!.family);
		});
	};

	async function fetchPage(address: string, signal?: AbortSignal): Promise<PageReply> {
		const limit = AbortSignal.timeout(timeoutMs);
		const stop = signal ? AbortSignal.any([signal, limit]) : limit;
		try {
			return await follow(address, stop);
		} catch (error) {
			if (error instanceof Refusal) return refused(error.message, error.canRetry);
			const cause = error instanceof Error && error.cause instanceof Refusal ? error.cause : null;
			if (cause) return refused(cause.message, cause.canRetry);
			if (limit.aborted)
				return refused(`the site did not answer within ${timeoutMs / 1000} seconds`, true);
			if (signal?.aborted) return refused('it was cancelled', true);
			return refused(troubleOf(error), true);
		}
	}

	async function follow(address: string, signal: AbortSignal): Promise<PageReply> {
		let next = address;
		for (let hop = 0; hop <= FETCH_LIMITS.redirects; hop++) {
			const checked = check(next);
			if (checked.kind === 'refused')
				throw new Refusal(
					hop === 0 ? checked.reason : `it redirects to ${next}; ${checked.reason}`
				);
			const response = await ask(checked.url, signal);
			const status = response.statusCode ?? 0;
			const location = response.headers.location;
			if (status >= 300 && status < 400 && location) {
				response.destroy();
				next = new URL(location, checked.url).href;
				continue;
			}
			if (status < 200 || status >= 300) {
				response.destroy();
				throw new Refusal(statusReason(status), status >= 500 || status === 429);
			}
			return await read(response, checked.url.href);
		}
		throw new Refusal(`it redirects more than ${FETCH_LIMITS.redirects} times`);
	}

	function ask(url: URL, signal: AbortSignal): Promise<IncomingMessage> {
		const options: RequestOptions = {
			signal,
			lookup,
			agent: false,
			headers: {
				'user-agent': 'Mozilla/5.0 (compatible; Corvan)',
				accept: 'text/html,application/xhtml+xml;q=0.9,*/*;q=0.1',
				'accept-language': 'en-GB,en;q=0.8,*;q=0.5',
				'accept-encoding': 'gzip, deflate, br'
			}
		};
		return new Promise((done, fail) => {
			const request = (url.protocol === 'https:' ? requestHttps : requestHttp)(url, options, done);
			// looked at once more where it cannot lie any longer
			request.on('socket', (socket) =>
				socket.once('connect', () => {
					if (!isPublic(socket.remoteAddress ?? '')) request.destroy(new Refusal(PRIVATE_REASON));
				})
			);
			request.on('error', fail);
			request.end();
		});
	}

	return { fetchPage };
}

const PRIVATE_REASON = 'it leads into a private network, and only public pages are fetched';

async function read(response: IncomingMessage, address: string): Promise<PageReply> {
	const type = response.headers['content-type'] ?? '';
	const media = type.split(';')[0]!.trim().toLowerCase();
	if (media !== '' && !/^(?:text\/html|application\/xhtml\+xml|text\/plain)$/.test(media)) {
		response.destroy();
		throw new Refusal(
			media === 'application/pdf'
				? 'it is a PDF; save it and bring it in as a note'
				: `it is no page but ${media}`
		);
	}
	if (Number(response.headers['content-length'] ?? 0) > FETCH_LIMITS.bytes) {
		response.destroy();
		throw new Refusal(TOO_LARGE);
	}
	const bytes = await unpacked(response);
	const charset = /charset\s*=\s*["']?([\w-]+)/i.exec(type)?.[1] ?? '';
	const decoded = decodeBytes(bytes, charset);
	if (decoded.kind === 'binary') throw new Refusal(`it is no page but ${decoded.looksLike}`);
	if (decoded.text.trim() === '') throw new Refusal('the page is empty');
	return { kind: 'fetched', address, html: decoded.text, isSample: false };
}

const TOO_LARGE = `it is larger than ${FETCH_LIMITS.bytes / 1_000_000} MB`;

/** The body, unpacked and bounded: what arrives and what it unpacks to are both counted. */
function unpacked(response: IncomingMessage): Promise<Uint8Array> {
	const encoding = (response.headers['content-encoding'] ?? '').toLowerCase();
	const unpacker =
		encoding === 'gzip' || encoding === 'x-gzip'
			? createGunzip()
			: encoding === 'br'
				? createBrotliDecompress()
				: encoding === 'deflate'
					? createInflate()
					: null;
	const chunks: Uint8Array[] = [];
	let size = 0;
	let arrived = 0;
	response.on('data', (chunk: Uint8Array) => {
		arrived += chunk.length;
		if (arrived > FETCH_LIMITS.bytes) response.destroy(new Refusal(TOO_LARGE));
	});
	const sink = new Writable({
		write(chunk: Uint8Array, _, done) {
			size += chunk.length;
			if (size > FETCH_LIMITS.bytes) return done(new Refusal(TOO_LARGE));
			chunks.push(chunk);
			done();
		}
	});
	return new Promise((resolve, reject) => {
		const end = (error: Error | null | undefined) =>
			error ? reject(error) : resolve(Buffer.concat(chunks));
		if (unpacker) pipeline(response, unpacker, sink, end);
		else pipeline(response, sink, end);
	});
}

function statusReason(status: number): string {
	const advice = 'open it in the browser, save it as HTML and bring the file';
	if (status === 404 || status === 410)
		return `there is no such page (the site answered ${status})`;
	if (status === 401 || status === 403 || status === 451)
		return `the site turns programs away (it answered ${status}); ${advice}`;
	if (status === 429) return 'the site asks for patience (it answered 429); try again later';
	return `the site answered ${status}`;
}

function troubleOf(error: unknown): string {
	const code = error instanceof Error && 'code' in error ? String(error.code) : '';
	if (code === 'ENOTFOUND' || code === 'EAI_AGAIN')
		return 'no site of that name was found; without a network only sample addresses answer';
	if (code === 'ECONNREFUSED' || code === 'ECONNRESET' || code === 'EPIPE')
		return 'the site broke the connection off';
	if (/^(?:ENETUNREACH|EHOSTUNREACH|ENETDOWN)$/.test(code)) return 'there is no way to the network';
	if (/^Z_|^ERR_BROTLI/.test(code)) return 'what the site sent is damaged';
	if (/CERT|SSL|TLS/i.test(code))
		return 'the site cannot prove that it is who it says (certificate)';
	return 'the site could not be read';
}

function refused(reason: string, canRetry: boolean): PageReply {
	return { kind: 'refused', reason, canRetry };
}
