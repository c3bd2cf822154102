import { ConnectionLost, STAND_IN_SITE, standInSite } from '$lib/server/stand-in-site';
import type { RequestHandler } from './$types';

/** The stand-in site as it stands on the web: pages to look at, and an endpoint for other programs. */
const answer: RequestHandler = async ({ request, params, url }) => {
	try {
		return await standInSite.answer(request, params.path ?? '', `${url.origin}${STAND_IN_SITE}`);
	} catch (error) {
		if (!(error instanceof ConnectionLost)) throw error;
		// an answer that never comes to its end
		return new Response(new ReadableStream({ start: (stream) => stream.error(error) }));
	}
};

export const GET = answer;
export const POST = answer;
