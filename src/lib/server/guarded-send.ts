import { lookup as lookUp } from 'node:dns';
import { request as requestHttp, type IncomingMessage } from 'node:http';
import { request as requestHttps } from 'node:https';
import type { LookupFunction } from 'node:net';
import { isPublicIp } from './public-address';

/** Why a server was not asked; worded by the app. */
export type SendTrouble = 'private' | 'not found' | 'no server' | 'lost';

/** What is sent. */
export interface Sent {
	readonly method: 'GET' | 'POST';
	readonly headers: Readonly<Record<string, string>>;
	readonly body: string | Uint8Array | null;
}

class Forbidden extends Error {}

/** An address of the web without a name or password in it, or null. */
export function urlOf(address: string): URL | null {
	if (!URL.canParse(address)) return null;
	const url = new URL(address);
	const isHttp = url.protocol === 'http:' || url.protocol === 'https:';
	return isHttp && url.username === '' && url.password === '' ? url : null;
}

/**
 * Sends a request to a server of the public net; one of this machine or network is asked only where that is
 * allowed. The address that is connected to is the one that was checked. No redirect is followed.
 */
export function guardedSend(
	url: URL,
	{ method, headers, body }: Sent,
	isAllowed: boolean,
	signal: AbortSignal
): Promise<IncomingMessage> {
	const isOpen = (ip: string) => isAllowed || isPublicIp(ip);
	const lookup: LookupFunction = (name, options, done) => {
		lookUp(name, { all: true }, (error, addresses) => {
			if (error) return done(error, []);
			if (!addresses.every(({ address }) => isOpen(address))) return done(new Forbidden(name), []);
			if (options.all) return done(null, [...addresses]);
			done(null, addresses[0]!.address, addresses[0]!.family);
		});
	};
	return new Promise((done, fail) => {
		const request = (url.protocol === 'https:' ? requestHttps : requestHttp)(
			url,
			{
				method,
				signal,
				lookup,
				agent: false,
				headers: {
					...headers,
					...(body === null ? {} : { 'content-length': String(Buffer.byteLength(body)) })
				}
			},
			done
		);
		request.on('socket', (socket) =>
			socket.once('connect', () => {
				if (!isOpen(socket.remoteAddress ?? '')) request.destroy(new Forbidden(url.host));
			})
		);
		request.on('error', fail);
		request.end(body ?? undefined);
	});
}

/** Why sending failed. */
export function sendTroubleOf(error: unknown): SendTrouble {
	if (error instanceof Forbidden) return 'private';
	if (error instanceof Error && error.cause instanceof Forbidden) return 'private';
	const code = error instanceof Error && 'code' in error ? String(error.code) : '';
	if (code === 'ENOTFOUND' || code === 'EAI_AGAIN') return 'not found';
	// the connection stood, and ended before an answer came
	return code === 'ECONNRESET' || code === 'EPIPE' ? 'lost' : 'no server';
}
