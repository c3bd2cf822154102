import { env } from '$env/dynamic/private';
import { isFromElsewhere, isOwnHost, namesIn, Turnstile } from '$lib/server/gate';
import type { Handle } from '@sveltejs/kit';

/** Names under which it may be called beside the machine's own. */
const named = namesIn(`${env.CORVAN_HOSTS ?? ''} ${env.ORIGIN ?? ''}`);
const turnstile = new Turnstile();

const said = (status: number, text: string, headers: Record<string, string> = {}) =>
	new Response(text, {
		status,
		headers: { 'Content-Type': 'text/plain; charset=utf-8', ...headers }
	});

export const handle: Handle = async ({ event, resolve }) => {
	const { headers } = event.request;
	if (!isOwnHost(headers.get('host'), named))
		return said(
			421,
			'Corvan does not answer to this name. Open it as localhost, or start it with the name in CORVAN_HOSTS.\n'
		);
	if (event.url.pathname.startsWith('/api/')) {
		if (isFromElsewhere(headers)) return said(403, 'Only pages of Corvan itself may ask this.\n');
		const wait = turnstile.waitOf(event.getClientAddress());
		if (wait > 0)
			return said(429, `Too many requests at once: try again in ${wait} seconds.\n`, {
				'Retry-After': String(wait)
			});
	}
	const response = await resolve(event);
	// headers that SvelteKit's own policy cannot set from a page
	response.headers.set('X-Content-Type-Options', 'nosniff');
	response.headers.set('X-Frame-Options', 'DENY');
	response.headers.set('Referrer-Policy', 'no-referrer');
	response.headers.set('Permissions-Policy', 'camera=(), geolocation=(), microphone=()');
	return response;
};
