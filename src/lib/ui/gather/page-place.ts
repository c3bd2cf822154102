import type { RankedResult } from '$lib/core/keywords';
import { addressKeyOf, struckBy, type ResultPlace, type StrikeRule } from '$lib/core/pages';
import type { Page } from '$lib/data/db';

/** All positions that rules strike on a page, in order. */
export function struckByAll(rules: readonly StrikeRule[], article: Page['article']): number[] {
	return [...new Set(rules.flatMap((rule) => struckBy(rule, article)))].sort((a, b) => a - b);
}

/** Where a page stands among those that rank: told by its address, else by its title. */
export function placeOf(
	article: Page['article'],
	ranked: readonly RankedResult[]
): ResultPlace | null {
	const plain = (text: string) =>
		text
			.toLowerCase()
			.replace(/[^\p{L}\p{N}]+/gu, ' ')
			.trim();
	const key = addressKeyOf(article.address);
	const title = plain(article.title);
	const found =
		key !== ''
			? ranked.find(({ address }) => addressKeyOf(address) === key)
			: ranked.find((result) => title !== '' && plain(result.title) === title);
	return found
		? { position: found.position, strength: found.strength, kind: found.kind ?? '' }
		: null;
}

/** A note is known by its own title where it has one. */
export function titleOf(text: string, name: string): string {
	const heading = /^#\s+(.{2,120})$/m.exec(text);
	return heading ? heading[1]!.trim() : plainName(name);
}

/** A file's name without its ending. */
export function plainName(name: string): string {
	return name.replace(/\.(?:md|markdown|txt|text|srt|vtt|sbv|docx|pdf)$/i, '');
}
