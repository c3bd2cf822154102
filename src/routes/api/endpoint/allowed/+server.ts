import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { isOwnPage } from '$lib/server/endpoint-relay';
import { relay } from '$lib/server/relay';
import type { RequestHandler } from './$types';

const changedSchema = z.object({ address: z.string().min(1).max(500), isAllowed: z.boolean() });

/** Servers of this machine or network that may be asked to write. */
export const GET: RequestHandler = () => json({ allowed: relay.allowed });

/** Puts one on the list or takes it off; only a page of this app can. */
export const PUT: RequestHandler = async ({ request, url }) => {
	if (!isOwnPage(request, url.origin)) error(403, 'Only pages of this app may change the list.');
	const changed = changedSchema.safeParse(await request.json().catch(() => null));
	if (!changed.success) error(400, 'Give “address” and “isAllowed”.');
	const { address, isAllowed } = changed.data;
	const trouble = isAllowed ? relay.allow(address) : (relay.forbid(address), null);
	return json({ allowed: relay.allowed, trouble }, { status: trouble ? 409 : 200 });
};
