import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { MOST_ASKED } from '$lib/core/services';
import { sampleSearch } from '$lib/server/sample-search';
import type { RequestHandler } from './$types';

const askedSchema = z.object({
	phrases: z.array(z.string().min(1).max(200)).min(1).max(MOST_ASKED)
});

/** Who ranks for phrases, and how many pages have them in their title. */
export const POST: RequestHandler = async ({ request }) => {
	const asked = askedSchema.safeParse(await request.json().catch(() => null));
	if (!asked.success)
		error(400, `Give “phrases”: 1 to ${MOST_ASKED} texts of at most 200 characters.`);
	return json(await sampleSearch.lookUp(asked.data.phrases));
};
