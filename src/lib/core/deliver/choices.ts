import { z } from 'zod';

/** How sources are told to the reader. */
export const REFERENCE_STYLES = ['none', 'footnotes', 'list', 'in the text'] as const;
export type ReferenceStyle = (typeof REFERENCE_STYLES)[number];

/** Kinds of structured data that a page can carry. */
export const DATA_KINDS = ['article', 'faq', 'howto'] as const;
export type DataKind = (typeof DATA_KINDS)[number];

/** What a client report can hold, in its order. */
export const REPORT_PARTS = [
	'standing',
	'pages',
	'answers',
	'placement',
	'sources',
	'open',
	'history'
] as const;
export type ReportPart = (typeof REPORT_PARTS)[number];

/** Words a minute that a script is read at. */
export const SPEED = { least: 90, usual: 150, most: 220 } as const;

/** One thing that went to the client. */
const handOverSchema = z.strictObject({
	/** Milliseconds since 1970. */
	at: z.number(),
	/** In which form: "DOCX", "published as a draft". */
	form: z.string().min(1).max(200),
	take: z.string(),
	takeName: z.string().max(300),
	words: z.number().int().min(0),
	/** What was open when it went, in words. */
	open: z.array(z.string().max(300)).max(100),
	/** Where it can be found; empty: it was saved as a file. */
	address: z.string().max(2000)
});
export type HandOver = z.infer<typeof handOverSchema>;

/** One query that a page was found for. */
export const foundQuerySchema = z.strictObject({
	query: z.string().min(1).max(300),
	clicks: z.number().min(0).nullable(),
	impressions: z.number().min(0).nullable(),
	/** Mean position, from 1; null: not known. */
	position: z.number().min(0).nullable()
});
export type FoundQuery = z.infer<typeof foundQuerySchema>;

/** Where an article was published, so that it is brought up to date and not posted again. */
const publishedSchema = z.strictObject({
	site: z.string().max(2000),
	/** Empty: it was sent, and no answer came. */
	address: z.string().max(2000),
	/** Our own name for the post, by which it is found again where an answer was lost. */
	uid: z.string().max(200),
	take: z.string(),
	/** Milliseconds since 1970. */
	at: z.number(),
	isDraft: z.boolean()
});

const line = z.string().max(500);

/** What the writer decided about handing an article over. */
export const deliveryChoicesSchema = z.strictObject({
	/** Said under the title; empty: nothing. */
	standfirst: line,
	author: z.string().max(200),
	/** Address under which it will stand, its own last part left out; empty: not known. */
	site: z.string().max(2000),
	/** YYYY-MM-DD or empty. */
	publishedOn: z.string().regex(/^(?:\d{4}-\d{2}-\d{2})?$/, 'A day is written YYYY-MM-DD.'),
	/** Deepest heading level in the table of contents; 0: no contents. */
	contentsTo: z.union([z.literal(0), z.literal(2), z.literal(3), z.literal(4)]),
	hasTakeaways: z.boolean(),
	/** As the writer worded them; null: as they are proposed. */
	takeaways: z.array(z.string().min(1).max(600)).max(12).nullable(),
	data: z.array(z.enum(DATA_KINDS)),
	references: z.enum(REFERENCE_STYLES),
	/** Sources that are not told, by id. */
	untold: z.array(z.string()),
	/** Pages that are named for further reading, by id. */
	furtherReading: z.array(z.string()),
	/** Addresses that links tell search engines not to follow. */
	nofollow: z.array(z.string().max(2000)).max(2000),
	/** Addresses that no link is proposed to. */
	unlinked: z.array(z.string().max(2000)).max(5000),
	/** Whether gaps go along, marked. */
	withGaps: z.boolean(),
	reportParts: z.array(z.enum(REPORT_PARTS)),
	/** Words a minute of the spoken script. */
	speed: z.number().int().min(SPEED.least).max(SPEED.most),
	handedOver: z.array(handOverSchema).max(1000),
	published: z.array(publishedSchema).max(100),
	/** What the delivered page is found for, once that is known. */
	found: z.array(foundQuerySchema).max(5000)
});

export type DeliveryChoices = z.infer<typeof deliveryChoicesSchema>;

export const NO_DELIVERY_CHOICES: DeliveryChoices = {
	standfirst: '',
	author: '',
	site: '',
	publishedOn: '',
	contentsTo: 2,
	hasTakeaways: false,
	takeaways: null,
	data: ['article', 'faq', 'howto'],
	references: 'none',
	untold: [],
	furtherReading: [],
	nofollow: [],
	unlinked: [],
	withGaps: false,
	reportParts: [...REPORT_PARTS],
	speed: SPEED.usual,
	handedOver: [],
	published: [],
	found: []
};
