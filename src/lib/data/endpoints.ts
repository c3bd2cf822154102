import { endpointSchema, STAND_IN_ADDRESS, type Endpoint } from '$lib/core/writers';
import { db } from './db';

/** The endpoint that ships with the app; there without being stored. */
export const STAND_IN: Endpoint = {
	id: 'stand-in',
	name: 'Stand-in',
	address: STAND_IN_ADDRESS,
	model: 'stand-in',
	key: '',
	temperature: null,
	longestReply: null
};

/** The endpoints of this browser, by name, and the stand-in behind them. */
export async function listEndpoints(): Promise<Endpoint[]> {
	const own = await db.endpoints.toArray();
	const sorted = own.sort((a, b) => a.name.localeCompare(b.name, 'en'));
	return sorted.some(({ id }) => id === STAND_IN.id) ? sorted : [...sorted, STAND_IN];
}

/** @throws ZodError when a value cannot be taken */
export async function putEndpoint(endpoint: Endpoint): Promise<void> {
	await db.endpoints.put(endpointSchema.parse(endpoint));
}

export async function deleteEndpoint(id: string): Promise<void> {
	await db.endpoints.delete(id);
}
