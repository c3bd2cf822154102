import { docText } from '$lib/core/manuscript';
import type { OwnArticle } from '$lib/core/proof';
import { assignmentsOf, readClient } from './clients';
import { listTakes } from './takes';

/** Articles that are held against a text at most, the newest first. */
const MOST_ARTICLES = 30;

/**
 * What a client has already: the last take of each of its other assignments, and the samples of its voice.
 *
 * @param besides id of the assignment whose own takes do not count
 */
export async function ownArticlesOf(client: string, besides: string): Promise<OwnArticle[]> {
	const [profile, assignments] = await Promise.all([readClient(client), assignmentsOf(client)]);
	const others = assignments
		.filter(({ id, binnedAt }) => id !== besides && binnedAt === null)
		.sort((a, b) => b.updatedAt - a.updatedAt)
		.slice(0, MOST_ARTICLES);
	const takes = await Promise.all(
		others.map(async ({ id, keyword }): Promise<OwnArticle[]> => {
			const last = (await listTakes(id)).at(-1);
			return last ? [{ name: keyword, text: last.doc.content.map(docText).join('\n') }] : [];
		})
	);
	const samples = (profile?.voice ?? []).map(({ name, text }) => ({ name, text }));
	return [...takes.flat(), ...samples].filter(({ text }) => text.trim() !== '');
}
