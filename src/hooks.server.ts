import type { Handle } from '@sveltejs/kit';

/** Headers that SvelteKit's own policy cannot set from a page. */
export const handle: Handle = async ({ event, resolve }) => {
	const response = await resolve(event);
	response.headers.set('X-Content-Type-Options', 'nosniff');
	response.headers.set('X-Frame-Options', 'DENY');
	response.headers.set('Referrer-Policy', 'no-referrer');
	response.headers.set('Permissions-Policy', 'camera=(), geolocation=(), microphone=()');
	return response;
};
