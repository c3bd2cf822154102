import { answerAsStandIn } from '$lib/server/stand-in';
import type { RequestHandler } from './$types';

/** The stand-in for a server that writes; ships with the app and works without a network. */
export const POST: RequestHandler = ({ request }) => answerAsStandIn(request);
