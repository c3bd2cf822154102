/*
 * Who this server answers. It runs on a writer's machine and can reach what they can reach, so a page
 * elsewhere must not talk to it: neither by a name that it makes point here, nor across origins.
 */

/** Requests of one sender in `RATE_MS` from which it has to wait; an import of addresses asks for hundreds. */
const MOST_REQUESTS = 600;
const RATE_MS = 10_000;

/** Names that point to the machine itself whoever answers for names, and numbers, which are no names. */
const OWN_NAME = /^(?:localhost|[\w-]+\.localhost|\d{1,3}(?:\.\d{1,3}){3}|\[[0-9a-f:.]+\])$/i;

/**
 * Whether the server is called by a name that is its own.
 *
 * @param host the header `Host`, with or without a port; null: none was sent
 * @param named further names that it is given, with or without a port
 */
export function isOwnHost(host: string | null, named: readonly string[]): boolean {
	if (host === null) return false;
	const bare = withoutPort(host);
	return OWN_NAME.test(bare) || named.some((name) => withoutPort(name) === bare);
}

function withoutPort(host: string): string {
	return host.trim().toLowerCase().replace(/:\d+$/, '').replace(/\.$/, '');
}

/** Names that are given in a list, or as addresses: "corvan.example, https://desk.example:8443". */
export function namesIn(list: string): string[] {
	return list
		.split(/[\s,]+/)
		.filter((name) => name !== '')
		.map((name) => (URL.canParse(name) && name.includes('://') ? new URL(name).host : name));
}

/** Whether a request comes from a page of another origin. */
export function isFromElsewhere(headers: Headers): boolean {
	const site = headers.get('sec-fetch-site');
	if (site === 'cross-site' || site === 'same-site') return true;
	const origin = headers.get('origin');
	if (origin === null) return false;
	// a sandboxed page has none of its own and says "null"
	return !URL.canParse(origin) || new URL(origin).host !== headers.get('host');
}

/** Counts requests by sender in a window of time. */
export class Turnstile {
	readonly #seen = new Map<string, { from: number; count: number }>();

	/** Seconds a sender has to wait; 0: come in. */
	waitOf(sender: string, now = Date.now()): number {
		const known = this.#seen.get(sender);
		if (!known || now - known.from >= RATE_MS || now < known.from) {
			if (this.#seen.size > 1_000) this.#seen.clear();
			this.#seen.set(sender, { from: now, count: 1 });
			return 0;
		}
		known.count++;
		return known.count > MOST_REQUESTS ? Math.ceil((RATE_MS - (now - known.from)) / 1000) : 0;
	}
}
