import { describe, expect, it } from 'vitest';
import { isFromElsewhere, isOwnHost, namesIn, Turnstile } from './gate';

describe('isOwnHost', () => {
	it('is a number or a name of the machine, with any port', () => {
		for (const host of [
			'localhost',
			'localhost:5173',
			'corvan.localhost:80',
			'127.0.0.1:4173',
			'192.168.1.20:3000',
			'[::1]:3000',
			'LOCALHOST.:80'
		])
			expect(isOwnHost(host, []), host).toBe(true);
	});

	it('is no name that somebody else can make point here, unless it was given', () => {
		for (const host of ['rebind.example', '127.0.0.1.rebind.example:80', 'localhost.example', ''])
			expect(isOwnHost(host, []), host).toBe(false);
		expect(isOwnHost(null, [])).toBe(false);
		const named = namesIn('https://desk.example:8443, corvan.example');
		expect(isOwnHost('desk.example:8443', named)).toBe(true);
		expect(isOwnHost('corvan.example', named)).toBe(true);
		expect(isOwnHost('other.example', named)).toBe(false);
	});
});

describe('isFromElsewhere', () => {
	const from = (headers: Record<string, string>) =>
		isFromElsewhere(new Headers({ host: 'localhost:3000', ...headers }));
	it('tells pages of other origins from our own and from no page', () => {
		expect(from({})).toBe(false);
		expect(from({ origin: 'http://localhost:3000', 'sec-fetch-site': 'same-origin' })).toBe(false);
		expect(from({ 'sec-fetch-site': 'none' })).toBe(false);
		expect(from({ origin: 'https://elsewhere.example' })).toBe(true);
		expect(from({ origin: 'http://localhost:3001' })).toBe(true);
		expect(from({ origin: 'null' })).toBe(true);
		expect(from({ 'sec-fetch-site': 'cross-site' })).toBe(true);
		expect(from({ 'sec-fetch-site': 'same-site' })).toBe(true);
	});
});

describe('Turnstile', () => {
	it('lets a sender wait who asks too often, and nobody else', () => {
		const turnstile = new Turnstile();
		const waits = Array.from({ length: 601 }, () => turnstile.waitOf('a', 1_000));
		expect(waits.slice(0, 600).every((wait) => wait === 0)).toBe(true);
		expect(waits.at(-1)).toBe(10);
		expect(turnstile.waitOf('b', 1_000)).toBe(0);
		expect(turnstile.waitOf('a', 11_000)).toBe(0);
	});
});
