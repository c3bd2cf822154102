import { error, json } from '@sveltejs/kit';
import { sampleSearch } from '$lib/server/sample-search';
import type { RequestHandler } from './$types';

/** How a phrase goes on, by what people search for. */
export const GET: RequestHandler = async ({ url }) => {
	const phrase = url.searchParams.get('phrase')?.trim() ?? '';
	if (phrase === '' || phrase.length > 200) error(400, 'Give “phrase”: 1 to 200 characters.');
	return json(await sampleSearch.complete(phrase));
};
