import type { Demo } from '$lib/services/demo';

/*
 * The demo is open files that go in through the ordinary importers; this only hands them over.
 * They are built in, so the app needs no folder beside it.
 */
const texts = import.meta.glob(
	['/demo/**/*.{html,md,txt,json,csv,srt,vtt,svg}', '!/demo/suggestions/**'],
	{
		query: '?raw',
		import: 'default'
	}
) as Record<string, () => Promise<string>>;
// lists come in whatever encoding a planner writes, so their bytes are handed over as they are
const lists = import.meta.glob('/demo/keywords/*', {
	query: '?bytes',
	import: 'default'
}) as Record<string, () => Promise<string>>;

type DemoFile = Demo['files'][number];

const KINDS: Readonly<Record<string, DemoFile['kind']>> = {
	pages: 'page',
	notes: 'note',
	transcripts: 'transcript',
	questions: 'questions',
	clients: 'client',
	links: 'links',
	results: 'results',
	pictures: 'picture',
	post: 'post'
};

/** Everything the two assignments of the demo are made of, in order of path. */
export async function readDemo(): Promise<Pick<Demo, 'files'>> {
	const found: DemoFile[] = [];
	for (const path of [...new Set([...Object.keys(texts), ...Object.keys(lists)])].sort()) {
		const parts = path.split('/');
		const name = parts.at(-1)!;
		const isSecond = parts[2] === 'second';
		const kind = name === 'brief.md' ? 'brief' : KINDS[parts.at(-2) ?? ''];
		if (lists[path]) {
			found.push({ name, kind: 'keywords', text: await lists[path](), isSecond });
		} else if (kind && name !== 'title-matches.csv') {
			found.push({ name, kind, text: await texts[path]!(), isSecond });
		}
	}
	return { files: found };
}
