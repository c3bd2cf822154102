import { blocksOfUnits, unitsOfNote, type ReadNoteUnits } from '../notes';
import { keptBlocksOf } from '../pages';
import { runsIn, textOfBlocks, type TextRuns } from '../measure';
import { workOnPage, type PageWork } from '../reading';
import type { ScoredPage } from '../standing';
import type { Tagger } from '../text';
import { contentSign } from '../text';
import type { DraftNote } from '../writers';
import type { EvidenceNote, EvidencePage } from './evidence';

/** A page with all that is worked out from it alone. */
export interface ReadPage extends ScoredPage {
	readonly name: string;
}

/** A note with all that is worked out from it alone. */
export interface ReadNote {
	readonly work: PageWork;
	readonly title: string;
	readonly units: ReadNoteUnits;
}

/** Pages and notes whose work is kept; a writer has far fewer in one assignment. */
const MOST_KEPT = 400;

/**
 * The work on single pages and notes, done once for as long as they say the same. What is not asked
 * for any more gives way to what is.
 */
export class WorkStore {
	readonly #tag: Tagger;
	readonly #pages = new Map<string, { readonly sign: string; readonly read: ReadPage }>();
	readonly #notes = new Map<string, { readonly sign: string; readonly read: ReadNote }>();

	constructor(tag: Tagger) {
		this.#tag = tag;
	}

	readPage(page: EvidencePage): ReadPage {
		return readOnce(this.#pages, page.id, signOfPage(page), () => this.#workOnPage(page));
	}

	readNote(note: EvidenceNote): ReadNote {
		return readOnce(this.#notes, note.id, signOfNote(note), () => this.#workOnNote(note));
	}

	/** Takes in a page and what was worked out from it elsewhere, in place of doing it again. */
	adoptPage(page: EvidencePage, read: ReadPage): void {
		readOnce(this.#pages, page.id, signOfPage(page), () => read);
	}

	/** As `adoptPage`, for a note. */
	adoptNote(note: EvidenceNote, read: ReadNote): void {
		readOnce(this.#notes, note.id, signOfNote(note), () => read);
	}

	#workOnPage(page: EvidencePage): ReadPage {
		const { id, article, struck } = page;
		const { title, description, siteName, links, modified, published } = article;
		const work = workOnPage(
			{
				id,
				title,
				description,
				siteNames: [siteName],
				blocks: keptBlocksOf(article, struck),
				links: links.length,
				date: modified || published
			},
			this.#tag
		);
		return readPageOf(page, work);
	}

	#workOnNote(note: EvidenceNote): ReadNote {
		const units = unitsOfNote(note);
		const title = units.title || note.name;
		const work = workOnPage(
			{
				id: note.id,
				title,
				description: '',
				siteNames: [],
				blocks: blocksOfUnits(units).map(({ block }) => block),
				links: 0,
				isNote: true
			},
			this.#tag
		);
		return { work, title, units };
	}
}

function signOfPage({ sign, struck, name }: EvidencePage): string {
	return JSON.stringify([sign, struck, name]);
}

function signOfNote({ kind, name, text, unitEdits }: EvidenceNote): string {
	return JSON.stringify([kind, name, contentSign(text), unitEdits]);
}

/** A page with the work on it. */
export function readPageOf({ name, article, struck }: EvidencePage, work: PageWork): ReadPage {
	const blocks = keptBlocksOf(article, struck);
	let runs: TextRuns | undefined;
	return {
		work,
		name,
		blocks,
		titleTag: article.title,
		description: article.description,
		get runs() {
			return (runs ??= runsIn(textOfBlocks(blocks)));
		}
	};
}

function readOnce<T>(
	known: Map<string, { readonly sign: string; readonly read: T }>,
	id: string,
	sign: string,
	make: () => T
): T {
	const found = known.get(id);
	const read = found?.sign === sign ? found.read : make();
	// what was asked for last stands last
	known.delete(id);
	known.set(id, { sign, read });
	if (known.size > MOST_KEPT) known.delete(known.keys().next().value!);
	return read;
}

/** A note as the drafter takes it, signed n1, n2 … in the order of the evidence. */
export function draftNotesOf(notes: readonly ReadNote[]): DraftNote[] {
	return notes.map(({ work, title, units }, i) => ({
		id: work.id,
		label: `n${i + 1}`,
		title,
		units
	}));
}
