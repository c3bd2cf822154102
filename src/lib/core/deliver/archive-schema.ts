import { z } from 'zod';
import { briefSchema, EMPTY_BRIEF, SECTION_KINDS } from '../brief';
import { clientProfileSchema, EMPTY_CLIENT, linkSchema } from '../clients';
import { findingEditsSchema, NO_EDITS } from '../findings';
import { TOPIC_INTENTS } from '../reading';
import { NOTE_KINDS, NO_UNIT_EDITS, unitEditsSchema } from '../notes';
import { PAGE_KINDS } from '../pages';
import { planOfToday, type StoredShape } from '../plan';
import { NO_PROOF_CHOICES, proofChoicesSchema } from '../proof';
import { NODE_TYPES, type TakeDoc } from '../manuscript';
import { MOVES } from '../writers';
import { deliveryChoicesSchema, NO_DELIVERY_CHOICES } from './choices';

/** Version of the archive's format; raised when a reader of the last one would misread it. */
export const ARCHIVE_VERSION = 13;

const section = z.strictObject({
	id: z.string().min(1),
	level: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]),
	heading: z.string(),
	kind: z.enum(SECTION_KINDS),
	budget: z.number().min(0),
	topics: z.array(z.string()),
	headings: z.array(z.string()),
	intent: z.enum(TOPIC_INTENTS),
	position: z.number().nullable(),
	terms: z.array(
		z.strictObject({
			term: z.string(),
			uses: z.number().int().min(1),
			affinity: z.number(),
			parts: z.strictObject({
				topic: z.number(),
				company: z.number(),
				heading: z.number(),
				level: z.number(),
				position: z.number()
			}),
			reason: z.string(),
			locked: z.boolean()
		})
	),
	questions: z.array(
		z.strictObject({ question: z.string(), reason: z.string(), locked: z.boolean() })
	),
	facts: z.array(z.strictObject({ fact: z.string(), reason: z.string(), locked: z.boolean() })),
	notes: z.array(z.strictObject({ note: z.string(), reason: z.string(), locked: z.boolean() })),
	refused: z.array(z.string()),
	locked: z.boolean()
});

const remedy = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('words'), section: z.string(), words: z.number() }),
	z.strictObject({ kind: z.literal('section'), topic: z.string() })
]);

/** A plan as it is stored. */
export const planSchema = z.strictObject({
	title: z.string(),
	titleTag: z.string(),
	description: z.string(),
	slug: z.string(),
	sections: z.array(section),
	value: z.number(),
	bound: z.number(),
	unplaced: z.array(
		z.strictObject({
			term: z.string(),
			placed: z.number().int().min(0),
			wanted: z.number().int().min(0),
			reason: z.string(),
			remedies: z.array(remedy)
		})
	),
	confined: z.record(z.string(), z.array(z.string())),
	dismissed: z.record(z.string(), z.string()),
	basis: z.strictObject({
		terms: z.array(z.string()),
		headings: z.array(z.string()),
		questions: z.array(z.string())
	})
});

/** A node as it is stored; its type says which of our nodes it is. */
const storedNode = z.strictObject({
	type: z.enum(NODE_TYPES),
	attrs: z.record(z.string(), z.unknown()).optional(),
	get content() {
		return z.array(storedNode).optional();
	},
	marks: z
		.array(
			z.strictObject({
				type: z.string(),
				attrs: z.record(z.string(), z.unknown()).optional()
			})
		)
		.optional(),
	text: z.string().optional()
});

const topNode = storedNode.refine(
	({ type, attrs }) => type !== 'heading' || typeof attrs?.level === 'number',
	'a heading needs a level'
);
// what is checked is what cutting and reading rely on; the editor drops other misfits when it loads
const takeDocSchema = z.strictObject({
	type: z.literal('doc'),
	content: z.array(topNode)
}) as unknown as z.ZodType<TakeDoc>;

const versionSchema = z.strictObject({
	id: z.string().min(1),
	take: z.string().min(1),
	section: z.string(),
	heading: z.string(),
	/** Id and name of the writer. */
	writer: z.string(),
	writerName: z.string(),
	move: z.enum(MOVES),
	blocks: z.array(topNode) as unknown as z.ZodType<TakeDoc['content']>,
	words: z.number().int().min(0),
	sources: z.array(z.string()),
	outcome: z.discriminatedUnion('kind', [
		z.strictObject({ kind: z.enum(['done', 'cut off', 'cancelled']) }),
		z.strictObject({ kind: z.literal('refused'), reason: z.string() })
	]),
	left: z.array(z.strictObject({ text: z.string(), reason: z.string() })).optional(),
	/** Texts of the blocks that it stands in place of; missing: the whole section. */
	over: z.array(z.string()).optional(),
	madeAt: z.number(),
	state: z.enum(['offered', 'kept', 'taken', 'left'])
});

const resultPlace = z.strictObject({
	position: z.number().int().min(1),
	strength: z.number().min(0).max(100).nullable(),
	kind: z.string()
});

/** The data of one assignment, as it stands in `assignment.json`. */
export const manifestSchema = z.strictObject({
	format: z.literal('corvan-assignment'),
	version: z.literal(ARCHIVE_VERSION),
	assignment: z.strictObject({
		id: z.string().min(1),
		/** Milliseconds since 1970. */
		createdAt: z.number(),
		title: z.string(),
		keyword: z.string().min(1),
		/** Null: as the evidence says. */
		targetWords: z.number().int().min(100).max(50_000).nullable(),
		brief: briefSchema,
		/** Blocks to strike out on every page of a site. */
		strikeRules: z.array(
			z.strictObject({ site: z.string().min(1), where: z.string(), text: z.string() })
		),
		/** What was changed about the findings by hand. */
		edits: findingEditsSchema,
		/** What was decided while proofreading. */
		proof: proofChoicesSchema.default(NO_PROOF_CHOICES),
		/** What was decided about handing it over. */
		delivery: deliveryChoicesSchema.default(NO_DELIVERY_CHOICES),
		/** What the client's keyword lists say about the keyword; the findings read it. */
		listed: z
			.array(z.strictObject({ phrase: z.string().min(1), volume: z.number().min(0).nullable() }))
			.default([])
	}),
	/** Who it is for, with all links; null: nobody named. */
	client: z
		.strictObject({
			id: z.string().min(1),
			profile: clientProfileSchema,
			links: z.array(linkSchema)
		})
		.nullable(),
	pages: z.array(
		z.strictObject({
			id: z.string().min(1),
			/** Path inside the archive. */
			file: z.string().regex(/^pages\/[\w.-]+$/),
			name: z.string(),
			address: z.string(),
			origin: z.enum(['file', 'paste', 'text', 'address']),
			counted: z.boolean(),
			/** Where it stood in the list of results it was picked from. */
			result: resultPlace.nullable(),
			/** Positions of blocks where the writer decided against the cleaning. */
			struck: z.array(z.number().int().min(0)),
			judgement: z.strictObject({
				kind: z.enum(PAGE_KINDS),
				fit: z.number().min(0).max(100),
				reasons: z.array(z.string()),
				proposeAside: z.boolean()
			})
		})
	),
	notes: z.array(
		z.strictObject({
			id: z.string().min(1),
			kind: z.enum(NOTE_KINDS),
			name: z.string(),
			text: z.string(),
			unitEdits: unitEditsSchema
		})
	),
	/** Pages asked for by address that have not come in. */
	awaited: z.array(
		z.strictObject({
			address: z.string().min(1),
			title: z.string(),
			reason: z.string(),
			result: resultPlace.nullable()
		})
	),
	plan: planSchema.nullable(),
	takes: z.array(
		z.strictObject({
			id: z.string().min(1),
			name: z.string(),
			doc: takeDocSchema,
			/** How far it was at some moments, the oldest first. */
			points: z
				.array(
					z.strictObject({
						/** Milliseconds since 1970. */
						at: z.number(),
						words: z.number().int().min(0),
						standing: z.number().min(0).max(100),
						placed: z.number().int().min(0),
						gaps: z.number().int().min(0)
					})
				)
				.default([])
		})
	),
	/** Versions of sections, beside the takes they were made for. */
	versions: z.array(versionSchema).default([]),
	pictures: z
		.array(
			z.strictObject({
				id: z.string().min(1),
				/** Path inside the archive. */
				file: z.string().regex(/^pictures\/[\w.-]+$/),
				name: z.string(),
				type: z.enum(['image/jpeg', 'image/png']),
				width: z.number().int().min(1),
				height: z.number().int().min(1),
				alt: z.string(),
				caption: z.string(),
				credit: z.string(),
				licence: z.string(),
				source: z.string()
			})
		)
		.default([])
});

export type ArchiveManifest = z.infer<typeof manifestSchema>;

/** Brings the data of an older archive to today's form; what is not an older archive stays as it is. */
export function upgradedManifest(data: unknown): unknown {
	const given = z.looseObject({ version: z.number() }).safeParse(data);
	if (!given.success) return data;
	switch (given.data.version) {
		case 1:
			return withoutUnits(withEarlierPlan(withoutEdits(withoutResults(withClient(data)))));
		case 2:
			return withoutUnits(withEarlierPlan(withoutEdits(withoutResults(data))));
		case 3:
			return withoutUnits(withEarlierPlan(withoutEdits(data)));
		case 4:
		case 5:
			// clients of the fifth format had no forms, which the schema fills in
			return withoutUnits(withEarlierPlan(data));
		case 6:
			return withoutUnits(data);
		case 7:
		case 8:
		case 9:
		case 10:
		case 11:
		case 12:
			// they knew no phrases of keyword lists, no answers confirmed or refused, no sections and questions in the brief, nothing decided
			// while proofreading or handing over, no pictures and no points of takes, which the schema fills in
			return { ...given.data, version: ARCHIVE_VERSION };
		default:
			return data;
	}
}

/** In the first format a client was a name on the assignment. */
function withClient(data: unknown): unknown {
	const first = z
		.looseObject({ assignment: z.looseObject({ id: z.string(), client: z.string() }) })
		.safeParse(data);
	if (!first.success) return data;
	const { client: name, ...assignment } = first.data.assignment;
	return {
		...first.data,
		assignment: { ...assignment, brief: EMPTY_BRIEF },
		client:
			name.trim() === ''
				? null
				: {
						id: `client-${assignment.id}`,
						profile: { ...EMPTY_CLIENT, name: name.trim().slice(0, 120) },
						links: []
					}
	};
}

/** The second format knew no lists of results behind pages, and no rules for striking out. */
function withoutResults(data: unknown): unknown {
	const second = z
		.looseObject({ assignment: z.looseObject({}), pages: z.array(z.looseObject({})) })
		.safeParse(data);
	if (!second.success) return data;
	return {
		...second.data,
		assignment: { ...second.data.assignment, strikeRules: [] },
		pages: second.data.pages.map((page) => ({ ...page, result: null })),
		awaited: []
	};
}

/** The third format knew no changes of the findings by hand. */
function withoutEdits(data: unknown): unknown {
	const third = z.looseObject({ assignment: z.looseObject({}) }).safeParse(data);
	if (!third.success) return data;
	return {
		...third.data,
		assignment: { ...third.data.assignment, edits: NO_EDITS }
	};
}

/** The sixth format knew notes as text alone. */
function withoutUnits(data: unknown): unknown {
	const sixth = z.looseObject({ notes: z.array(z.looseObject({})) }).safeParse(data);
	if (!sixth.success) return data;
	return {
		...sixth.data,
		version: ARCHIVE_VERSION,
		notes: sixth.data.notes.map((note) => ({ ...note, unitEdits: NO_UNIT_EDITS }))
	};
}

const earlierPlan = z.looseObject({
	sections: z.array(
		z.looseObject({ terms: z.array(z.looseObject({ term: z.string(), parts: z.looseObject({}) })) })
	),
	unplaced: z.array(z.looseObject({ term: z.string() }))
});

/**
 * Plans of the fourth format knew no notes in sections, no refused terms and no remedies, those of the
 * fifth locked no questions, facts and notes.
 */
function withEarlierPlan(data: unknown): unknown {
	const fourth = z.looseObject({ plan: earlierPlan.nullable() }).safeParse(data);
	if (!fourth.success) return data;
	const { plan } = fourth.data;
	return {
		...fourth.data,
		version: ARCHIVE_VERSION,
		// what the schema wants of a plan is looked at after this
		plan: plan === null ? null : planOfToday(plan as unknown as StoredShape)
	};
}
