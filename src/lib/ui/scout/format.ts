import type { ScoutRow, TitleCompetition, Volume } from '$lib/core/keywords';

/** "one phrase" is "1 phrase", and no more. */
export function phrasesShown(n: number): string {
	return `${n.toLocaleString('en')} ${n === 1 ? 'phrase' : 'phrases'}`;
}

/** "2,400", "1K–10K", "10K+", "under 10", "–". */
export function volumeShown({ volume, volumeMin, volumeMax }: Volume): string {
	if (volume !== null) return volume.toLocaleString('en');
	if (volumeMin === null && volumeMax === null) return '–';
	if (volumeMax === null) return `${short(volumeMin ?? 0)}+`;
	return volumeMin === null || volumeMin === 0
		? `under ${short(volumeMax)}`
		: `${short(volumeMin)}–${short(volumeMax)}`;
}

function short(n: number): string {
	if (n >= 1e6 && n % 1e5 === 0) return `${n / 1e6}M`;
	return n >= 1e3 && n % 100 === 0 ? `${n / 1e3}K` : n.toLocaleString('en');
}

/** "+22%", "−12%", "∞", "–". */
export function changeShown(change: number | null): string {
	if (change === null) return '–';
	if (change === Number.POSITIVE_INFINITY) return '∞';
	const sign = change > 0 ? '+' : change < 0 ? '−' : '';
	return `${sign}${Math.abs(change).toLocaleString('en', { maximumFractionDigits: 1 })}%`;
}

/** "0.11", "0.02–0.2", "–". */
export function ratioShown(titles: TitleCompetition | null): string {
	if (!titles) return '–';
	const { ratioMin, ratioMax } = titles;
	return ratioMin === ratioMax ? figure(ratioMin) : `${figure(ratioMin)}–${figure(ratioMax)}`;
}

function figure(ratio: number): string {
	if (ratio === Number.POSITIVE_INFINITY) return '∞';
	return ratio >= 10 ? ratio.toFixed(0) : ratio.toFixed(2);
}

/** The sum behind a ratio: "4 titles ÷ 90 searches a month". */
export function ratioSum(row: ScoutRow): string {
	const titles = row.titles?.titleMatches ?? 0;
	return `${titles.toLocaleString('en')} ${titles === 1 ? 'title' : 'titles'} ÷ ${volumeShown(row)} searches a month`;
}
