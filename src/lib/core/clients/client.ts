import { z } from 'zod';
import { MOST_FORMS, planFormSchema } from '../plan';

const short = z.string().max(300);

export const brandSchema = z.strictObject({
	/** The exact spelling. */
	name: z.string().min(1).max(120),
	/** Spellings that are wrong, beside other case and spacing of the name. */
	wrong: z.array(z.string().min(1).max(120)).max(50),
	/** How to speak of it. */
	how: z.string().max(1000)
});
export type Brand = z.infer<typeof brandSchema>;

/** A passage that shows how the client sounds. */
export const voiceSampleSchema = z.strictObject({
	name: z.string().max(200),
	text: z.string().min(1).max(200_000)
});
export type VoiceSample = z.infer<typeof voiceSampleSchema>;

/** Who pays, and what all their assignments share; links are kept apart, for there can be many. */
export const clientProfileSchema = z.strictObject({
	name: z.string().trim().min(1, 'A client needs a name.').max(120),
	audience: z.string().max(20_000),
	voice: z.array(voiceSampleSchema).max(50),
	/** Sentences that may be stated as they are. */
	facts: z.array(z.string().min(1).max(2000)).max(2000),
	avoid: z.array(z.string().min(1).max(300)).max(1000),
	brands: z.array(brandSchema).max(200),
	/** Hex colours for the report, the strongest first. */
	colours: z.array(z.string().regex(/^#[0-9a-f]{6}$/i, 'A colour is written #rrggbb.')).max(6),
	/** Picture as a data address; empty: none. */
	logo: z
		.string()
		.max(800_000)
		.regex(/^(?:data:image\/(?:png|jpeg|webp|svg\+xml);base64,[A-Za-z0-9+/=]+)?$/),
	/** Outlines to start plans from; profiles of before had none. */
	forms: z.array(planFormSchema).max(MOST_FORMS).default([])
});
export type ClientProfile = z.infer<typeof clientProfileSchema>;

export const EMPTY_CLIENT: ClientProfile = {
	name: '',
	audience: '',
	voice: [],
	facts: [],
	avoid: [],
	brands: [],
	colours: [],
	logo: '',
	forms: []
};

/** A phrase and the address it should lead to. */
export const linkSchema = z.strictObject({
	phrase: short.min(1),
	address: z.string().min(1).max(2000)
});
export type Link = z.infer<typeof linkSchema>;

export const CLIENT_FORMAT_VERSION = 2;
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

/** The client's facts as a note, the form in which findings and drafts read them; empty without facts. */
export function factsNoteOf({ name, facts }: ClientProfile): string {
	return facts.length === 0
		? ''
		: `# Facts of ${name}\n\n${facts.map((fact) => fact.trim()).join('\n\n')}\n`;
}

/** A part of a profile that has changed, and what it reaches in the assignments that share it. */
export interface ProfileChange {
	readonly part:
		| 'name'
		| 'audience'
		| 'voice'
		| 'facts'
		| 'avoid'
		| 'brands'
		| 'colours'
		| 'logo'
		| 'forms'
		| 'links';
	readonly summary: string;
	/** Where it is used. */
	readonly reaches: string;
}

const REACHES: Readonly<Record<ProfileChange['part'], string>> = {
	name: 'the list of assignments and every brief',
	audience: 'every brief that names no reader of its own',
	voice: 'the voice shown beside every brief',
	facts: 'findings, plans and drafts: facts are read as a note of the client',
	avoid: 'what Write marks as not to be said, and what the drafter leaves out',
	brands: 'the spelling that Write checks, and which searches count as looking for the client',
	colours: 'the head of every printed brief',
	logo: 'the head of every printed brief',
	forms: 'the outlines a plan can start from; plans that exist stay as they are',
	links: 'the links kept for Deliver'
};

/** What differs between two states of a profile, part by part. */
export function profileChangesOf(before: ClientProfile, after: ClientProfile): ProfileChange[] {
	const changes: ProfileChange[] = [];
	const add = (part: ProfileChange['part'], summary: string) =>
		changes.push({ part, summary, reaches: REACHES[part] });
	if (before.name !== after.name) add('name', `name: “${before.name}” becomes “${after.name}”`);
	if (before.audience !== after.audience) add('audience', 'audience reworded');
	const parts = [
		['facts', 'fact', before.facts, after.facts],
		['avoid', 'phrase to avoid', before.avoid, after.avoid],
		['voice', 'voice sample', before.voice.map(signOf), after.voice.map(signOf)],
		['brands', 'brand', before.brands.map(signOf), after.brands.map(signOf)]
	] as const;
	for (const [part, thing, was, is] of parts) {
		const added = is.filter((each) => !was.includes(each)).length;
		const gone = was.filter((each) => !is.includes(each)).length;
		const said = [
			added > 0 ? `${added} ${thing}${added === 1 ? '' : 's'} added` : '',
			gone > 0 ? `${gone} taken out` : ''
		].filter(Boolean);
		if (said.length > 0) add(part, said.join(', '));
		else if (signOf(was) !== signOf(is)) add(part, `${thing}s in another order`);
	}
	if (signOf(before.colours) !== signOf(after.colours)) add('colours', 'other colours');
	if (before.logo !== after.logo)
		add('logo', after.logo === '' ? 'logo taken out' : 'another logo');
	if (signOf(before.forms) !== signOf(after.forms)) add('forms', 'other forms of plans');
	return changes;
}

function signOf(value: unknown): string {
	return JSON.stringify(value);
}
