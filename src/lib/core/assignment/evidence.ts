import type { Effort } from '../brief';
import type { FindingEdits } from '../findings';
import type { PhraseAbout } from '../keywords';
import type { NoteKind, UnitEdits } from '../notes';
import type { Article } from '../pages';
import { contentSign } from '../text';

/** A counted page. */
export interface EvidencePage {
	readonly id: string;
	/** How the page is called where the writer is told of it. */
	readonly name: string;
	/** Sign of its article; see `articleSign`. */
	readonly sign: string;
	/** Positions of blocks where the writer decided against the cleaning. */
	readonly struck: readonly number[];
	readonly article: Article;
}

/** A note, a transcript or a list of questions. */
export interface EvidenceNote {
	readonly id: string;
	readonly kind: NoteKind;
	readonly name: string;
	readonly text: string;
	/** What the writer said about its units; left out: they are as they are read. */
	readonly unitEdits?: UnitEdits;
}

/** All that findings, plan and draft of an assignment are worked out from. Plain data. */
export interface Evidence {
	readonly keyword: string;
	/** Null: as the pages say. */
	readonly targetWords: number | null;
	readonly effort: Effort;
	/** Reading grade; null: that of plain prose. */
	readonly grade: number | null;
	/** Secondary keywords that have to stand in the article. */
	readonly required: readonly string[];
	/** Other secondary keywords of the brief, most searched first. */
	readonly secondary: readonly string[];
	readonly pages: readonly EvidencePage[];
	readonly notes: readonly EvidenceNote[];
	/** Phrases of the client's keyword lists that are about the keyword. */
	readonly listed: readonly PhraseAbout[];
	/** What the writer changed about the findings by hand. */
	readonly edits: FindingEdits;
}

/** Sign of a page's content; made once, when the page is cleaned, and kept with it. */
export function articleSign(article: Article): string {
	return contentSign(JSON.stringify(article));
}

/** Sign of what the counted pages say: equal for equal pages in equal order. */
export function pagesRevisionOf({ pages }: Pick<Evidence, 'pages'>): string {
	return contentSign(JSON.stringify(pages.map(({ id, sign, struck }) => [id, sign, struck])));
}

/**
 * The revision of some evidence: a sign of all its content. Whatever is worked out from evidence
 * belongs to its revision and is current for as long as that stays the same.
 */
export function revisionOf(evidence: Evidence): string {
	const { pages, notes, ...rest } = evidence;
	return contentSign(
		JSON.stringify([
			rest,
			pages.map(({ id, name, sign, struck }) => [id, name, sign, struck]),
			notes.map(({ id, kind, name, text, unitEdits }) => [
				id,
				kind,
				name,
				contentSign(text),
				unitEdits ?? null
			])
		])
	);
}
