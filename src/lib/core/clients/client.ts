import { z } from 'zod';
import { QUOTE_STYLES } from '../text';
import { MOST_FORMS, planFormSchema } from './plan-form';

const short = z.string().max(300);

const brandSchema = z.strictObject({
	/** The exact spelling. */
	name: z.string().min(1).max(120),
	/** Spellings that are wrong, beside other case and spacing of the name. */
	wrong: z.array(z.string().min(1).max(120)).max(50),
	/** How to speak of it. */
	how: z.string().max(1000)
});

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
	forms: z.array(planFormSchema).max(MOST_FORMS).default([]),
	/** How requests to other writers are worded for this client; empty: as for everybody. */
	requestWording: z.string().max(20_000).default(''),
	/** What Proof does not mark for this client: readings and rules, by their names. */
	unmarked: z.array(z.string().min(1).max(500)).max(1000).default([]),
	/** How quotation marks are set. */
	quotes: z.enum(QUOTE_STYLES).default('double')
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
	forms: [],
	requestWording: '',
	unmarked: [],
	quotes: 'double'
};

/** A phrase and the address it should lead to. */
export const linkSchema = z.strictObject({
	phrase: short.min(1),
	address: z.string().min(1).max(2000)
});

export type Link = z.infer<typeof linkSchema>;

/** The client's facts as a note, the form in which findings and drafts read them; empty without facts. */
export function factsNoteOf({ name, facts }: ClientProfile): string {
	return facts.length === 0
		? ''
		: `# Facts of ${name}\n\n${facts.map((fact) => fact.trim()).join('\n\n')}\n`;
}
