import { writeCsv } from './delimited';
import type { Keyword, Volume } from './keyword';

/** A keyword with what Scout adds for the table that leaves. */
export interface WrittenKeyword extends Keyword {
	readonly ratio?: string;
	readonly opening?: number | null;
}

/** Rows as CSV that this and other tools read back; unknown columns keep their names. */
export function writeKeywords(rows: readonly WrittenKeyword[]): string {
	const extra = [...new Set(rows.flatMap(({ other }) => other.map(([name]) => name)))];
	const hasFigures = rows.some(
		({ ratio, opening }) => ratio !== undefined || opening !== undefined
	);
	return writeCsv([
		[
			'Keyword',
			'Monthly searches',
			'Three month change',
			'Yearly change',
			'Competition',
			'Competition index',
			'Difficulty',
			'Bid low',
			'Bid high',
			'Currency',
			'Title matches',
			'Intent',
			'Cluster',
			...(hasFigures ? ['Title ratio', 'Opening'] : []),
			...extra
		],
		...rows.map((row) => {
			const other = new Map(row.other);
			return [
				row.phrase,
				volumeText(row),
				changeText(row.change3m),
				changeText(row.changeYear),
				row.competition ?? '',
				numberText(row.competitionIndex),
				numberText(row.difficulty ?? null),
				numberText(row.bidLow),
				numberText(row.bidHigh),
				row.currency,
				numberText(row.titleMatches),
				row.intent ?? '',
				row.cluster,
				...(hasFigures ? [row.ratio ?? '', numberText(row.opening ?? null)] : []),
				...extra.map((name) => other.get(name) ?? '')
			];
		})
	]);
}

/** "1300", "1000–10000", "10000+", "<10": a form that `readVolume` reads back the same. */
export function volumeText({ volume, volumeMin, volumeMax }: Volume): string {
	if (volume !== null) return String(volume);
	if (volumeMin === null && volumeMax === null) return '';
	if (volumeMax === null) return `${volumeMin}+`;
	return volumeMin === null || volumeMin === 0 ? `<${volumeMax}` : `${volumeMin}–${volumeMax}`;
}

function changeText(change: number | null): string {
	if (change === null) return '';
	return change === Number.POSITIVE_INFINITY ? '∞' : `${change}%`;
}

function numberText(value: number | null): string {
	return value === null ? '' : String(value);
}
