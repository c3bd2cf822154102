import { toast } from 'svelte-sonner';
import {
	phraseKeyOf,
	type ColumnMeaning,
	type FigureOrigin,
	type PhraseNote,
	type ScoutRow
} from '$lib/core/keywords';
import { isStorageFull, messageOf, NO_ROOM } from '$lib/data/trouble';
import { lookUp } from '$lib/services/search';
import { analysis } from '$lib/workers/client';
import { phrasesShown } from './format';
import { MOST_LIST_BYTES, toldApart, wholeListsOf, type ReadingList } from './incoming';
import type { ScoutLists } from './scout-lists.svelte';

/**
 * What comes into Scout: keyword lists that are read for a look before they are stored, typed phrases,
 * results lists, and what the search service says. One thing at a time; it can be stopped.
 */
export class ListImport {
	/** Lists that were read and wait to be brought in. */
	incoming = $state.raw<readonly ReadingList[]>([]);
	/** What is under way; null: nothing. */
	work = $state.raw<{ readonly label: string; readonly done: number; readonly all: number } | null>(
		null
	);
	readonly #scout: ScoutLists;
	#isCancelled = false;
	/** The last look at a list, under way or done: the next one, and bringing in, wait for it. */
	#looking: Promise<unknown> = Promise.resolve();

	constructor(scout: ScoutLists) {
		this.#scout = scout;
	}

	/** Reads files for a look, until it is stopped. */
	async readFiles(files: Iterable<File>) {
		for (const file of files) {
			if (file.size > MOST_LIST_BYTES) {
				this.incoming = [
					...this.incoming,
					unread(file.name, 'it is larger than 60 MB: export it in parts and bring those in')
				];
				continue;
			}
			const bytes = new Uint8Array(await file.arrayBuffer());
			if (!(await this.readOne({ name: file.name, origin: 'file', bytes, text: '' }))) break;
		}
	}

	/** Reads a list for a look, after those before it; false when the writer stopped it. */
	async readOne(
		list: Pick<ReadingList, 'name' | 'origin' | 'bytes' | 'text'>,
		meanings: Readonly<Record<number, ColumnMeaning>> = {}
	): Promise<boolean> {
		return this.#next(() => this.#read(list, meanings, crypto.randomUUID()));
	}

	#next<T>(look: () => Promise<T>): Promise<T> {
		const made = this.#looking.then(look);
		this.#looking = made;
		return made;
	}

	async #read(
		list: Pick<ReadingList, 'name' | 'origin' | 'bytes' | 'text'>,
		meanings: Readonly<Record<number, ColumnMeaning>>,
		id: string
	): Promise<boolean> {
		this.work = { label: `Reading ${list.name}`, done: 0, all: 1 };
		this.#isCancelled = false;
		try {
			const { bytes, text } = list;
			const read = await analysis.readKeywords({ bytes, text, meanings }, ({ done, all }) => {
				if (this.work) this.work = { label: `Reading ${list.name}`, done, all };
			});
			if (read.kind === 'cancelled') return false;
			const made: ReadingList = { ...list, id, read };
			this.incoming = this.incoming.some((other) => other.id === id)
				? this.incoming.map((other) => (other.id === id ? made : other))
				: [...this.incoming, made];
			return true;
		} catch (error) {
			this.incoming = [...this.incoming, unread(list.name, messageOf(error))];
			return true;
		} finally {
			this.work = null;
		}
	}

	/** Stops what is under way; what was reached stays. */
	stop() {
		this.#isCancelled = true;
		void analysis.stopReading();
	}

	/**
	 * Reads a list again with another meaning of a column. Changes that come quickly are taken one
	 * after the other, each on what the one before it made.
	 */
	async changeMeaning(id: string, column: number, meaning: ColumnMeaning) {
		await this.#next(() => this.#readAs(id, column, meaning));
	}

	async #readAs(id: string, column: number, meaning: ColumnMeaning) {
		const list = this.incoming.find((other) => other.id === id);
		if (list?.read.kind !== 'read') return;
		const meanings: Record<number, ColumnMeaning> = {};
		for (const { index, meaning: was } of list.read.list.columns)
			// one column has each meaning; the one that had it keeps its values under its name
			meanings[index] =
				index === column ? meaning : was === meaning && meaning !== 'other' ? 'other' : was;
		await this.#read(list, meanings, id);
	}

	/**
	 * Stores the lists that are shown, once the looks under way are done: with the meanings chosen
	 * until now. A list that comes in meanwhile waits for its own word.
	 */
	async bring() {
		const shown = new Set(this.incoming.map(({ id }) => id));
		await this.#looking;
		const brought = this.incoming.filter(({ id }) => shown.has(id));
		this.incoming = this.incoming.filter(({ id }) => !shown.has(id));
		const lists = toldApart(
			await wholeListsOf(brought, this.#scout.scope, Date.now()),
			this.#scout.lists.map(({ name }) => name)
		);
		const count = lists.reduce((sum, { list }) => sum + list.count, 0);
		if (count === 0) return;
		try {
			await this.#scout.addLists(`Brought in ${phrasesShown(count)}`, lists);
		} catch (error) {
			tellTrouble(error);
		}
	}

	/** Adds phrases without figures as a list of their own. */
	async addPhrases(phrases: readonly string[], name: string) {
		const text = phrases
			.map((phrase) => phrase.trim())
			.filter(Boolean)
			.join('\n');
		const read = await analysis.readKeywords(
			{ bytes: null, text, meanings: { 0: 'phrase' } },
			() => {}
		);
		if (read.kind === 'unreadable') toast.error(`Nothing was added: ${read.reason}.`);
		if (read.kind !== 'read') return;
		const list: ReadingList = {
			id: crypto.randomUUID(),
			name,
			origin: 'typed',
			bytes: null,
			text,
			read
		};
		const count = read.list.rows.length;
		await this.#scout.addLists(
			count === 1 ? `Added “${read.list.rows[0]!.phrase}”` : `Added ${count} phrases`,
			await wholeListsOf([list], this.#scout.scope, Date.now())
		);
		this.#scout.chosenKey = phraseKeyOf(read.list.rows[0]!.phrase);
	}

	/**
	 * Notes who ranks.
	 * @param phrase it belongs to where the list names none; else the chosen one
	 */
	async takeResults(
		source: { bytes: Uint8Array | null; text: string },
		origin: FigureOrigin,
		phrase = ''
	) {
		const read = await analysis.readResults({ ...source, meanings: {} });
		if (read.kind === 'unreadable') {
			toast.error(`The results list was not read: ${read.reason}.`, { duration: 12_000 });
			return;
		}
		const unnamed = read.lists.find(({ phrase: named }) => named === '');
		const own = phrase || this.#scout.chosen?.phrase || '';
		if (unnamed && own === '') {
			toast.error(
				'The list names no phrase. Choose the phrase it belongs to, and bring it in again.'
			);
			return;
		}
		const notes = read.lists.map(({ phrase: named, results }): PhraseNote => ({
			key: phraseKeyOf(named || own),
			results: { list: results, origin }
		}));
		const missing = read.lists
			.map(({ phrase: named }) => named || own)
			.filter((named) => !this.#scout.byKey.has(phraseKeyOf(named)));
		await this.#scout.note(
			notes.length === 1
				? `Brought in who ranks for “${read.lists[0]!.phrase || own}”`
				: `Brought in who ranks for ${notes.length} phrases`,
			notes
		);
		const said = [
			read.rejected.length > 0
				? `${read.rejected.length} lines stayed out, the first on line ${read.rejected[0]!.line}: ${read.rejected[0]!.reason}.`
				: '',
			missing.length > 0
				? `${missing.length} of the phrases stand in no list yet: ${missing[0]}.`
				: ''
		].filter(Boolean);
		if (said.length > 0) toast.warning(said.join(' '), { duration: 12_000 });
	}

	/** Asks the sample service about phrases: who ranks, and how many titles hold them. */
	async ask(rows: readonly ScoutRow[]) {
		this.#isCancelled = false;
		this.work = { label: 'Asking the sample service', done: 0, all: rows.length };
		const reply = await lookUp(
			rows.map(({ phrase }) => phrase),
			(done) => (this.work = { label: 'Asking the sample service', done, all: rows.length }),
			() => this.#isCancelled
		);
		this.work = null;
		if (reply.kind === 'unreachable') {
			toast.error(`Nothing was asked: ${reply.reason}. Check that Corvan’s server still runs.`);
			return;
		}
		const origin: FigureOrigin = reply.reply.isSample ? 'sample' : 'imported';
		const notes = reply.reply.answers.flatMap(({ phrase, titleMatches, results }): PhraseNote[] => {
			if (titleMatches === null && results === null) return [];
			return [
				{
					key: phraseKeyOf(phrase),
					...(titleMatches === null ? {} : { titleMatches: { count: titleMatches, origin } }),
					...(results === null ? {} : { results: { list: results, origin } })
				}
			];
		});
		const unknown = reply.reply.answers.length - notes.length;
		if (notes.length > 0)
			await this.#scout.note(
				notes.length === 1
					? `Asked about “${rows[0]!.phrase}”`
					: `Asked about ${notes.length} phrases`,
				notes
			);
		if (unknown > 0)
			toast(
				unknown === reply.reply.answers.length
					? 'The sample service knows none of these phrases: it only holds the demo’s.'
					: `The sample service does not know ${unknown} of them.`
			);
	}
}

function unread(name: string, reason: string): ReadingList {
	return {
		id: crypto.randomUUID(),
		name,
		origin: 'file',
		bytes: null,
		text: '',
		read: { kind: 'unreadable', reason }
	};
}

function tellTrouble(error: unknown) {
	toast.error(
		isStorageFull(error)
			? `Nothing was brought in. ${NO_ROOM}: take an old list out and try again.`
			: `Nothing was brought in: ${messageOf(error)}`,
		{ duration: 15_000 }
	);
}
