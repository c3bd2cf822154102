import { z } from 'zod';

const demoSchema = z.object({
	atStart: z.boolean(),
	files: z.array(
		z.object({
			name: z.string(),
			kind: z.enum([
				'brief',
				'page',
				'note',
				'transcript',
				'questions',
				'client',
				'links',
				/** Its text is the file's bytes in base 64. */
				'keywords',
				'results',
				/** A drawing, or the list of what is said of them. */
				'picture',
				/** A text that exists already, as a take. */
				'post'
			]),
			/** Whether it belongs to the second assignment of the sample. */
			isSecond: z.boolean(),
			text: z.string()
		})
	)
});
export type Demo = z.infer<typeof demoSchema>;

export type DemoReply = { kind: 'demo'; demo: Demo } | { kind: 'unreachable' };

/** Asks the server for the files of the demo. */
export async function fetchDemo(): Promise<DemoReply> {
	try {
		const reply = await fetch('/api/demo');
		const { data } = demoSchema.safeParse(await reply.json());
		return reply.ok && data ? { kind: 'demo', demo: data } : { kind: 'unreachable' };
	} catch {
		return { kind: 'unreachable' };
	}
}
