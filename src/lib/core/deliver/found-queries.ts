import type { Findings } from '../findings';
import { delimiterOf, plainCell, plainLines, readRecords, type RejectedLine } from '../keywords';
import { contentStemsOf } from '../text';
import type { FoundQuery } from './choices';

export interface FoundQueriesRead {
	readonly queries: readonly FoundQuery[];
	readonly rejected: readonly RejectedLine[];
}

const NAMES: Readonly<Record<keyof FoundQuery, RegExp>> = {
	query: /^(?:top )?(?:search )?(?:quer(?:y|ies)|keywords?|phrases?|terms?|search terms?)$/,
	clicks: /^clicks?$/,
	impressions: /^(?:impressions?|views|shown)$/,
	position: /^(?:(?:avg|average|mean)\.? )?(?:position|rank)$/
};

const nameOf = (cell: string) => plainCell(cell).trim().toLowerCase();
const heads = (cells: readonly string[]) => cells.some((cell) => NAMES.query.test(nameOf(cell)));

/** Reads a list of queries with clicks and positions, whatever its columns are and in which order. */
export function readFoundQueries(text: string): FoundQueriesRead {
	const plain = plainLines(text);
	const delimiter = delimiterOf(plain, heads);
	const { records, rejected } = readRecords(plain, delimiter);
	// where cells are parted by semicolons, commas stand in numbers
	const number = (cell: string | undefined) => numberIn(cell, delimiter === ';');
	const head = records.findIndex(({ cells }) => heads(cells));
	const names = head < 0 ? [] : records[head]!.cells.map(nameOf);
	const columnOf = (key: keyof FoundQuery) => names.findIndex((name) => NAMES[key].test(name));
	const at = { query: head < 0 ? 0 : columnOf('query') };
	const [clicks, impressions, position] = [
		columnOf('clicks'),
		columnOf('impressions'),
		columnOf('position')
	];
	const seen = new Map<string, FoundQuery>();
	const refused = [...rejected];
	for (const { cells, line } of records.slice(head + 1)) {
		const query = plainCell(cells[at.query] ?? '')
			.replace(/\s+/g, ' ')
			.trim();
		if (query === '' || query.length > 300) {
			refused.push({
				line,
				reason: query === '' ? 'no query in it' : 'the query is too long',
				text: cells.join(', ').slice(0, 200)
			});
			continue;
		}
		const key = query.toLowerCase();
		if (seen.has(key)) continue;
		seen.set(key, {
			query,
			clicks: number(cells[clicks]),
			impressions: number(cells[impressions]),
			position: number(cells[position])
		});
	}
	return { queries: [...seen.values()], rejected: refused };
}

function numberIn(cell: string | undefined, hasDecimalComma: boolean): number | null {
	const plain = plainCell(cell ?? '').replace(/[%\s\u00a0]/g, '');
	if (!/^\d/.test(plain)) return null;
	const [group, point] = hasDecimalComma ? ['.', ','] : [',', '.'];
	const isGrouped = new RegExp(`^\\d{1,3}(?:\\${group}\\d{3})+(?:\\${point}\\d+)?$`).test(plain);
	const whole = isGrouped ? plain.replaceAll(group, '') : plain;
	const value = Number(whole.replace(',', '.'));
	return Number.isFinite(value) && value >= 0 ? value : null;
}

/** What a delivered page is found for, held against what was placed. */
export interface FoundFor {
	/** Terms of the plan with the queries that hold them, most clicked first. */
	readonly terms: readonly { readonly phrase: string; readonly queries: readonly FoundQuery[] }[];
	readonly missingTerms: readonly string[];
	readonly questions: readonly { readonly text: string; readonly queries: readonly FoundQuery[] }[];
	readonly missingQuestions: readonly string[];
	/** Queries that say something the article does not. */
	readonly beyond: readonly FoundQuery[];
}

/** Words of a question that a query shares at least. */
const ASKED = 0.75;

/**
 * @param text of the article that was delivered
 */
export function foundForOf(
	queries: readonly FoundQuery[],
	findings: Pick<Findings, 'terms' | 'questions'>,
	text: string
): FoundFor {
	const read = [...queries]
		.sort((a, b) => (b.clicks ?? 0) - (a.clicks ?? 0) || (a.query < b.query ? -1 : 1))
		.map((query) => ({ query, stems: new Set(contentStemsOf(query.query)) }));
	const holding = (phrase: string, share: number) => {
		const stems = [...new Set(contentStemsOf(phrase))];
		if (stems.length === 0) return [];
		return read
			.filter(
				({ stems: own }) => stems.filter((stem) => own.has(stem)).length >= stems.length * share
			)
			.map(({ query }) => query);
	};
	const terms = findings.terms.map(({ phrase }) => ({ phrase, queries: holding(phrase, 1) }));
	const questions = findings.questions.map(({ text: asked }) => ({
		text: asked,
		queries: holding(asked, ASKED)
	}));
	const said = new Set(contentStemsOf(text));
	return {
		terms: terms.filter((term) => term.queries.length > 0),
		missingTerms: terms.filter((term) => term.queries.length === 0).map(({ phrase }) => phrase),
		questions: questions.filter((question) => question.queries.length > 0),
		missingQuestions: questions.filter((one) => one.queries.length === 0).map((one) => one.text),
		beyond: read
			.filter(({ stems }) => [...stems].some((stem) => !said.has(stem)))
			.map(({ query }) => query)
	};
}
