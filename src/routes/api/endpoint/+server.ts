import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { callAddressOf, NOT_ASKED, STAND_IN_ADDRESS } from '$lib/core/writers';
import { isOwnPage, type RelayTrouble } from '$lib/server/endpoint-relay';
import { relay } from '$lib/server/relay';
import { answerAsStandIn } from '$lib/server/stand-in';
import type { RequestHandler } from './$types';

const askedSchema = z.object({
	address: z.string().min(1).max(500),
	key: z.string().max(2000),
	body: z.record(z.string(), z.unknown())
});

/** Hands a call on to a server that writes, and streams its answer back. The key is kept nowhere. */
export const POST: RequestHandler = async ({ request, url }) => {
	if (!isOwnPage(request, url.origin)) return notAsked('other page');
	const asked = askedSchema.safeParse(await request.json().catch(() => null));
	if (!asked.success) error(400, 'Give “address”, “key” and “body”.');
	const { address, key, body } = asked.data;
	if (address === callAddressOf(STAND_IN_ADDRESS))
		return answerAsStandIn(new Request(url, { method: 'POST', body: JSON.stringify(body) }));
	const answer = await relay.ask({ address, key, body }, request.signal);
	return answer instanceof Response ? answer : notAsked(answer.trouble);
};

/** Why it was not asked is an answer of this app, told apart from the server's own by a header. */
function notAsked(trouble: RelayTrouble): Response {
	return json({ trouble }, { headers: { [NOT_ASKED]: '1' } });
}
