import { volumeText, writeKeywords, type ScoutRow } from '$lib/core/keywords';
import { ratioShown } from './format';
import type { ScoutLists } from './scout-lists.svelte';

/** The phrases shown with their figures as CSV. */
export function shownCsv(scout: ScoutLists): string {
	return writeKeywords(
		scout.shown.map((row) => ({
			...row,
			intent: row.searchIntent,
			cluster: scout.clusterOf.get(row.key) ?? row.cluster,
			ratio: row.titles ? ratioShown(row.titles) : '',
			opening: row.opening.value === null ? null : Math.round(row.opening.value)
		}))
	);
}

/** Forms in which phrases are copied. */
export type CopyForm = 'lines' | 'commas' | 'table' | 'markdown';

/** Phrases as text for the clipboard. */
export function phrasesText(rows: readonly ScoutRow[], form: CopyForm): string {
	const phrases = rows.map(({ phrase }) => phrase);
	switch (form) {
		case 'lines':
			return phrases.join('\n');
		case 'commas':
			return phrases.join(', ');
		case 'table':
			return rows.map((row) => `${row.phrase}\t${volumeText(row)}`).join('\n');
		case 'markdown':
			return [
				'| phrase | searches a month | intent |',
				'| --- | ---: | --- |',
				...rows.map(
					(row) =>
						`| ${row.phrase.replace(/\|/g, '\\|')} | ${volumeText(row)} | ${row.searchIntent} |`
				)
			].join('\n');
	}
}
