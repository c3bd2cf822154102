import { z } from 'zod';
import { clientProfileSchema, type ClientProfile, linkSchema, type Link } from './client';

const CLIENT_FORMAT_VERSION = 3;

const clientFileSchema = z.strictObject({
	format: z.literal('corvan-client'),
	version: z.number().int(),
	client: clientProfileSchema,
	links: z.array(linkSchema).max(200_000)
});

export type ClientFileRead =
	| { readonly kind: 'read'; readonly client: ClientProfile; readonly links: readonly Link[] }
	| { readonly kind: 'refused'; readonly reason: string };
/** A client with its links as a JSON file; equal clients give equal text. */
export function writeClientFile(client: ClientProfile, links: readonly Link[]): string {
	const file = clientFileSchema.parse({
		format: 'corvan-client',
		version: CLIENT_FORMAT_VERSION,
		client,
		links
	});
	return `${JSON.stringify(file, null, '\t')}\n`;
}

export function readClientFile(text: string): ClientFileRead {
	let data: unknown;
	try {
		data = JSON.parse(text.replace(/^\ufeff/, ''));
	} catch {
		return { kind: 'refused', reason: 'it is not valid JSON' };
	}
	const head = z
		.looseObject({ format: z.literal('corvan-client'), version: z.number() })
		.safeParse(data);
	if (!head.success) return { kind: 'refused', reason: 'it is not a client profile of Corvan' };
	if (head.data.version > CLIENT_FORMAT_VERSION)
		return {
			kind: 'refused',
			reason: `it was written by a newer Corvan (format ${head.data.version})`
		};
	const parsed = clientFileSchema.safeParse(data);
	if (!parsed.success) {
		const { path, message } = parsed.error.issues[0]!;
		return { kind: 'refused', reason: `it is damaged at “${path.join('.')}”: ${message}` };
	}
	return { kind: 'read', client: parsed.data.client, links: parsed.data.links };
}
