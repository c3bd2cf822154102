import { tick, untrack } from 'svelte';
import { toast } from 'svelte-sonner';
import { docText, type BlockNode } from '$lib/core/manuscript';
import { passageAt, sourcesIn, wordsOfBlocks, type Move, type Version } from '$lib/core/writers';
import type { StoredVersion, Take, VersionState } from '$lib/data/db';
import { messageOf } from '$lib/data/trouble';
import { addVersions, setVersionState } from '$lib/data/versions';
import type { Session } from '../assignment/session.svelte';
import type { Part } from './reply-match.svelte';
import type { ManuscriptEditor } from './manuscript-editor.svelte';
import type { Passage } from './text-in-hand.svelte';
import type { Writing } from './writing.svelte';

/** Sections that a run did not get to, what was asked of them, and why it ended. */
export interface Unfinished {
	readonly sections: readonly string[];
	readonly move: Move;
	readonly reason: string;
}

/** A version as it shows in the margin. */
export interface VersionSign {
	readonly id: string;
	readonly section: string;
	readonly by: string;
	readonly when: string;
	readonly isOpen: boolean;
}

export const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** The versions that are kept beside a take: asking for them, one of them open, what becomes of it. */
export class TakeVersions {
	readonly #session: Session;
	readonly #take: Take;
	readonly #editor: ManuscriptEditor;
	readonly #writing: Writing;
	/** The version that is open beside the text: one that is kept, or one without a word, which is not. */
	#opened = $state<string | null>(null);
	#empty = $state.raw<Version | null>(null);
	unfinished = $state.raw<Unfinished | null>(null);

	readonly #own: readonly StoredVersion[] = $derived.by(() =>
		this.#session.versions.filter((one) => one.take === this.#take.id)
	);
	readonly stored = $derived(this.#own.find(({ id }) => id === this.#opened) ?? null);
	readonly open: Version | null = $derived(this.stored ?? this.#empty);
	readonly offered = $derived(this.#own.filter(({ state }) => state === 'offered'));
	readonly signs: readonly VersionSign[] = $derived(
		this.#own
			.filter(({ state }) => state !== 'left')
			.map(({ id, section, writerName, madeAt, state }) => ({
				id,
				section,
				by: writerName,
				when: clock.format(madeAt),
				isOpen: state === 'offered' || state === 'kept'
			}))
	);
	/** What stands in the section of the version that is open, as typing rested last. */
	readonly standing: readonly BlockNode[] = $derived.by(() => {
		void this.#editor.reading;
		const { open } = this;
		return open ? untrack(() => this.#placeOf(open).stands) : [];
	});
	/** Whether the passage that the open version was made for has been changed since. */
	readonly isGone: boolean = $derived.by(() => {
		void this.#editor.reading;
		const { open } = this;
		return open?.over !== undefined && untrack(() => this.#placeOf(open).at) < 0;
	});

	/** What a version stands in place of: a passage, or all that stands under its heading. */
	#placeOf({ section, over }: Version): {
		readonly at: number;
		readonly stands: readonly BlockNode[];
		readonly all: readonly BlockNode[];
	} {
		const all = this.#editor.blocksOf(section);
		if (!over) return { at: 0, stands: all, all };
		const at = passageAt(all, over);
		return { at, stands: at < 0 ? [] : all.slice(at, at + over.length), all };
	}

	/** The blocks of a section with those of a version in their place; below all of it where that has changed. */
	#sectionWith(version: Version, blocks: readonly BlockNode[]): readonly BlockNode[] {
		const { at, stands, all } = this.#placeOf(version);
		if (!version.over) return blocks;
		if (at < 0) return [...all, ...blocks];
		return [...all.slice(0, at), ...blocks, ...all.slice(at + stands.length)];
	}

	constructor(session: Session, take: Take, editor: ManuscriptEditor, writing: Writing) {
		this.#session = session;
		this.#take = take;
		this.#editor = editor;
		this.#writing = writing;
	}

	/**
	 * Has sections written. A draft of a section without text goes into the text at once, as one step of
	 * its history; everything else is offered beside it.
	 *
	 * @param passage what of the one section is asked for; null: all of it
	 */
	async ask(
		sections: readonly string[],
		asked: Move,
		passage: Passage | null = null
	): Promise<void> {
		const editor = this.#editor;
		const requests = this.#writing.requestsFor(
			sections,
			asked,
			(id) => passage?.blocks ?? editor.blocksOf(id),
			passage !== null
		);
		this.unfinished = null;
		this.#empty = null;
		const made: Version[] = [];
		const saves: Promise<void>[] = [];
		const end = await this.#writing.write(
			requests,
			editor.textBeside(...sections),
			(version) => {
				made.push(version);
				saves.push(this.#receive(version, asked, sections.length === 1));
			},
			editor.doc
		);
		await Promise.all(saves);
		if (!end) return;
		if (end.open.length > 0 && sections.length > 1)
			this.unfinished = { sections: end.open, move: asked, reason: end.reason };
		else if (end.versions.length === 0 && end.reason !== '' && end.reason !== 'stopped')
			toast.error(`Nothing was written: ${end.reason}`);
		const alone = made.at(-1);
		if (sections.length === 1 && alone?.blocks.length === 0) this.#empty = alone;
	}

	async #receive(made: Version, asked: Move, isAlone: boolean): Promise<void> {
		const editor = this.#editor;
		const isDirect = asked === 'draft' && editor.isEmpty(made.section) && made.blocks.length > 0;
		if (isDirect) editor.changes.put(made.section, made.blocks, 'replace');
		try {
			const [kept] = await addVersions(this.#session.id, this.#take.id, this.#writing.writerName, [
				made
			]);
			if (!kept) return;
			if (isDirect) await setVersionState(kept.id, 'taken');
			else if (isAlone) await this.show(kept);
		} catch (error) {
			toast.error(`The version is not kept: ${messageOf(error)}`);
		}
	}

	/** Opens a version beside the text. */
	async show({ id, section }: Pick<StoredVersion, 'id' | 'section'>): Promise<void> {
		this.#opened = id;
		this.#empty = null;
		// the page has another width then
		await tick();
		this.#editor.goTo(section);
	}

	put(blocks: readonly BlockNode[], how: 'replace' | 'below'): void {
		if (!this.open) return;
		const { section } = this.open;
		if (this.open.over && how === 'replace')
			this.#editor.changes.put(section, this.#sectionWith(this.open, blocks), 'replace');
		else this.#editor.changes.put(section, blocks, how);
		this.close('taken');
	}

	/** Closes the version that is open, and notes what became of it. */
	close(state: VersionState): void {
		const { stored } = this;
		if (stored && (state !== 'left' || stored.state === 'offered'))
			void setVersionState(stored.id, state);
		const next = this.offered.find(
			({ id, section }) => id !== this.#opened && section === stored?.section
		);
		this.#opened = state === 'taken' ? null : (next?.id ?? null);
		this.#empty = null;
	}

	/** What a section would come to with other blocks in it; null while the evidence is read. */
	measure(blocks: readonly BlockNode[]) {
		const { open } = this;
		const section = open?.section;
		const read = open
			? this.#editor.readingWith(open.section, this.#sectionWith(open, blocks))
			: null;
		const slip = read?.slips.find((one) => one.section === section);
		if (!read || !slip) return null;
		return {
			standing: read.standing.standing,
			words: slip.words,
			placed: slip.terms.filter(({ state }) => state === 'placed').length,
			terms: slip.terms.length,
			states: slip.terms.map(({ phrase, state }) => ({ phrase, state })),
			gaps: slip.gaps,
			answered: slip.questions.filter(({ isAnswered }) => isAnswered).length,
			questions: slip.questions.length
		};
	}

	/** Keeps parts of a reply as versions of their sections and opens the first; tells whether that went well. */
	async offerReply(
		parts: readonly Part[],
		{ move = 'draft', passage = null }: { move?: Move; passage?: Passage | null } = {}
	): Promise<boolean> {
		const slips = this.#editor.reading?.slips;
		const made = parts.map(({ section, blocks, isCutOff }): Version => {
			const slip = slips?.find((one) => one.section === section);
			return {
				section,
				heading: slip?.heading ?? '',
				writer: 'by hand',
				move,
				blocks,
				words: wordsOfBlocks(blocks),
				sources: sourcesIn(blocks),
				outcome: isCutOff ? { kind: 'cut off' } : { kind: 'done' },
				...(passage?.section === section ? { over: passage.blocks.map(docText) } : {})
			};
		});
		try {
			const [first] = await addVersions(this.#session.id, this.#take.id, 'brought back', made);
			if (first) await this.show(first);
			return true;
		} catch (error) {
			toast.error(`The versions are not kept: ${messageOf(error)}`);
			return false;
		}
	}

	/** Opens a version by its id. */
	showById(id: string): void {
		const one = this.#own.find((each) => each.id === id);
		if (one) void this.show(one);
	}
}
