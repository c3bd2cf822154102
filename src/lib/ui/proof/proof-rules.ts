import { measureVoice } from '$lib/core/clients';
import { docText, type TakeDoc } from '$lib/core/manuscript';
import type { Plan } from '$lib/core/plan';
import { unreadBy, type OwnArticle, type ProofRules } from '$lib/core/proof';
import type { Session } from '../assignment/session.svelte';

/**
 * What brief and client ask of a text.
 *
 * @param plan null: the text has none, and its first heading is its title
 * @param ownArticles what the client has already
 */
export function proofRulesOf(
	session: Session,
	plan: Plan | null,
	doc: TakeDoc,
	ownArticles: readonly OwnArticle[] = []
): ProofRules {
	const { assignment, client, mustNotSay, required, proof, pictures } = session;
	return {
		mustSay: assignment?.brief.mustSay ?? [],
		mustNotSay,
		brands: client?.brands ?? [],
		titleTag: plan ? plan.titleTag : titleOf(doc),
		description: plan?.description ?? '',
		callToAction: assignment?.brief.callToAction ?? '',
		required,
		off: [...new Set([...proof.off, ...unreadBy(client?.unmarked ?? [])])],
		thisYear: new Date().getFullYear(),
		pictures: pictures.map(({ id, name, credit, licence }) => ({ id, name, credit, licence })),
		ownArticles,
		voice: client && client.voice.length > 0 ? measureVoice(client.voice) : null
	};
}

function titleOf({ content }: TakeDoc): string {
	const first = content.find(({ type }) => type === 'heading');
	return first ? docText(first) : '';
}
