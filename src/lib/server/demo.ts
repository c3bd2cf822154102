import { z } from 'zod';

/*
 * The demo is open files that go in through the ordinary importers; this only hands them over.
 * They are built in, so the app needs no folder beside it.
 */
const files = import.meta.glob('/demo/**/*.{html,md,txt,json}', {
	query: '?raw',
	import: 'default'
}) as Record<string, () => Promise<string>>;

export const demoAssignmentSchema = z.object({
	title: z.string(),
	keyword: z.string(),
	client: z.string(),
	targetWords: z.number(),
	description: z.string()
});

export interface DemoFile {
	readonly name: string;
	readonly kind: 'page' | 'note' | 'questions';
	readonly text: string;
}

/** Everything the demo assignment is made of. */
export async function readDemo(): Promise<{
	assignment: z.infer<typeof demoAssignmentSchema>;
	files: DemoFile[];
}> {
	const found: DemoFile[] = [];
	for (const path of Object.keys(files).sort()) {
		const kind = path.startsWith('/demo/pages/')
			? 'page'
			: path.startsWith('/demo/notes/')
				? 'note'
				: path.startsWith('/demo/questions/')
					? 'questions'
					: null;
		if (kind) found.push({ name: path.split('/').at(-1)!, kind, text: await files[path]!() });
	}
	const assignment = demoAssignmentSchema.parse(
		JSON.parse(await files['/demo/assignment.json']!())
	);
	return { assignment, files: found };
}
