import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { FETCH_LIMITS } from '$lib/core/services';
import { makeOpenWeb } from '$lib/server/open-web';
import { isSampleAddress, sampleWeb } from '$lib/server/sample-web';
import type { RequestHandler } from './$types';

const askedSchema = z.object({ address: z.string().min(1).max(FETCH_LIMITS.addressChars) });
const openWeb = makeOpenWeb();

/** One page by its address: from the sample web under `.example`, else from the public web. */
export const POST: RequestHandler = async ({ request }) => {
	const asked = askedSchema.safeParse(await request.json().catch(() => null));
	if (!asked.success)
		error(400, `Give “address”: a text of at most ${FETCH_LIMITS.addressChars} characters.`);
	const { address } = asked.data;
	const service = isSampleAddress(address) ? sampleWeb : openWeb;
	return json(await service.fetchPage(address, request.signal));
};
