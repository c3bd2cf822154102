import { z } from 'zod';
import { SECTION_KINDS } from '../brief';

/** An outline that is used again for a client: headings, kinds and shares of the words. */
export const planFormSchema = z.strictObject({
	name: z.string().trim().min(1, 'A form needs a name.').max(120),
	sections: z
		.array(
			z.strictObject({
				level: z.number().int().min(1).max(4),
				heading: z.string().max(300),
				kind: z.enum(SECTION_KINDS),
				/** Part of the article's words, 0–1. */
				share: z.number().min(0).max(1)
			})
		)
		.min(1)
		.max(300)
});

export type PlanForm = z.infer<typeof planFormSchema>;

/** Most forms a client can have. */
export const MOST_FORMS = 60;
