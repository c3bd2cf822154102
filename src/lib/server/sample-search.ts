import { phraseKeyOf, readKeywordList, readResultsList, runThrough } from '$lib/core/keywords';
import {
	type CompletionsReply,
	type ResultsReply,
	type ResultsService,
	type SuggestionService
} from '$lib/core/services';

/*
 * Stands in for a search engine: it answers for the phrases of the demo from open files, through
 * the readers that a writer's own files go through, and says that its figures are a sample.
 */
const files = import.meta.glob(['/demo/results/*.csv', '/demo/suggestions/*.txt'], {
	query: '?raw',
	import: 'default'
}) as Record<string, () => Promise<string>>;

interface Known {
	readonly titles: ReadonlyMap<string, number>;
	readonly results: ReadonlyMap<string, NonNullable<ResultsReply['answers'][number]['results']>>;
	readonly phrases: readonly string[];
}
let known: Promise<Known> | null = null;

async function read(): Promise<Known> {
	const text = (path: string) => files[path]!();
	const results = readResultsList(await text('/demo/results/who-ranks.csv'));
	const titles = runThrough(readKeywordList(await text('/demo/results/title-matches.csv')));
	const completions = runThrough(
		readKeywordList(await text('/demo/suggestions/walling-completions.txt'))
	);
	if (results.kind !== 'read' || titles.kind !== 'read' || completions.kind !== 'read')
		throw new Error('The sample of the search service cannot be read.');
	return {
		titles: new Map(
			titles.list.rows.flatMap(({ phrase, titleMatches }) =>
				titleMatches === null ? [] : [[phraseKeyOf(phrase), titleMatches] as const]
			)
		),
		results: new Map(
			results.lists.map(({ phrase, results: list }) => [phraseKeyOf(phrase), [...list]])
		),
		phrases: [...titles.list.rows, ...completions.list.rows].map(({ phrase }) => phrase)
	};
}

const MOST_COMPLETIONS = 20;

export const sampleSearch: ResultsService & SuggestionService = {
	async lookUp(phrases): Promise<ResultsReply> {
		const { titles, results } = await (known ??= read());
		return {
			isSample: true,
			answers: phrases.map((phrase) => {
				const key = phraseKeyOf(phrase);
				return { phrase, titleMatches: titles.get(key) ?? null, results: results.get(key) ?? null };
			})
		};
	},

	/** Phrases that begin with what is typed, then those that hold all its words. */
	async complete(phrase): Promise<CompletionsReply> {
		const { phrases } = await (known ??= read());
		const typed = phraseKeyOf(phrase);
		const words = typed.split(' ').filter(Boolean);
		const keys = [...new Set(phrases.map(phraseKeyOf))].filter((key) => key !== typed);
		const opening = keys.filter((key) => key.startsWith(typed));
		const holding = keys.filter(
			(key) => !key.startsWith(typed) && words.every((word) => ` ${key}`.includes(` ${word}`))
		);
		return {
			isSample: true,
			completions: words.length === 0 ? [] : [...opening, ...holding].slice(0, MOST_COMPLETIONS)
		};
	}
};
