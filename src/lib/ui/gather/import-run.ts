import { phraseKeyOf, type RankedResult } from '$lib/core/keywords';
import { alikePagesOf, isSamePage, speaksAsOthers, textOf } from '$lib/core/pages';
import { FETCH_LIMITS } from '$lib/core/services';
import { andList } from '$lib/core/text';
import type { Assignment, AwaitedPage, Note, Page, PageSource } from '$lib/data/db';
import { notesFor } from '$lib/data/keywords';
import { changeEvidence, listNotes, listPages, nextOrder, readEvidence } from '$lib/data/pages';
import { fetchPage } from '$lib/services/pages';
import { analysis, type FileAim, type FileRead, type Incoming } from '$lib/workers/client';
import { history, type Step } from '../frame/history.svelte';
import { countOf } from '../parts/count-of';
import type {
	Delivery,
	ImportOptions,
	ImportReport,
	NamedBytes,
	NamedReason,
	NewNote,
	Repeat,
	WantedAddress
} from './import-report';
import {
	takeClientFile,
	takeKeywords,
	takeLinks,
	takeResults,
	type OtherRead
} from './other-files';
import { placeOf, plainName, struckByAll, titleOf } from './page-place';

/** A share of words from which a second page only repeats the first, and is proposed aside. */
const REPEATS_FROM = 0.8;

/**
 * Brings evidence in as one step that can be taken back. What cannot be read is reported with its
 * name and reason; the rest comes in. When it is cancelled, what has come so far stays.
 */
export async function importEvidence(
	assignment: Assignment,
	delivery: Delivery,
	options: ImportOptions = {}
): Promise<ImportReport> {
	const [here, notes] = await Promise.all([listPages(assignment.id), listNotes(assignment.id)]);
	const [ranked] = await notesFor(assignment.client ?? '', [phraseKeyOf(assignment.keyword)]);
	const run = new ImportRun(
		assignment,
		{ here, texts: new Set(notes.map(({ text }) => text)), ranked: ranked?.results?.list ?? [] },
		await nextOrder(assignment.id),
		options
	);
	await run.takeFiles(delivery.files ?? [], delivery.aim ?? 'any');
	run.takeNotes(delivery.notes ?? []);
	await run.takePages(delivery.pages ?? []);
	await run.takeAddresses(delivery.addresses ?? []);
	return run.finish();
}

/** What an import is compared with. */
interface Known {
	readonly here: readonly Page[];
	/** Texts of the notes that are here. */
	readonly texts: ReadonlySet<string>;
	/** Who ranks for the keyword. */
	readonly ranked: readonly RankedResult[];
}

/** One import while it is under way. */
class ImportRun {
	readonly #sources = new Map<string, PageSource>();
	readonly #pages: Page[] = [];
	readonly #notes: Note[] = [];
	readonly #awaited: AwaitedPage[] = [];
	/** Rows that are answered by a page that came in. */
	readonly #answered: string[] = [];
	readonly #failed: NamedReason[] = [];
	readonly #skipped: NamedReason[] = [];
	readonly #remarks: NamedReason[] = [];
	readonly #others: { said: string; step: Pick<Step, 'undo' | 'redo'> }[] = [];
	#isCancelled = false;

	constructor(
		readonly assignment: Assignment,
		readonly known: Known,
		private order: number,
		readonly options: ImportOptions
	) {}

	/** Reads and cleans file by file, so that what was reached stays when it is stopped. */
	async takeFiles(files: readonly (File | NamedBytes)[], aim: FileAim): Promise<void> {
		for (const [i, file] of files.entries()) {
			if (this.#stops()) return;
			this.options.onProgress?.({ done: i, all: files.length, name: file.name });
			let read: readonly FileRead[];
			try {
				const bytes = 'arrayBuffer' in file ? new Uint8Array(await file.arrayBuffer()) : file.bytes;
				read = await analysis.readFile(file.name, bytes, aim);
			} catch {
				// a folder, or a file that went away while it was dragged
				this.#failed.push({ name: file.name, reason: 'it could not be opened' });
				continue;
			}
			for (const one of read) {
				if (this.#stops()) return;
				await this.#takeRead(one);
			}
		}
	}

	async #takeRead(read: FileRead): Promise<void> {
		switch (read.kind) {
			case 'page':
				await this.#takePage(read.incoming);
				return;
			case 'note':
				this.takeNotes([{ name: read.name, kind: read.noteKind, text: read.text }]);
				for (const reason of read.remarks) this.#remarks.push({ name: read.name, reason });
				return;
			case 'failed':
				this.#failed.push({ name: read.name, reason: read.reason });
				return;
			case 'skipped':
				this.#skipped.push({ name: read.name, reason: read.reason });
				return;
			case 'links':
				return this.#takeOther(read.name, await takeLinks(this.assignment, read.text));
			case 'client':
				return this.#takeOther(read.name, await takeClientFile(this.assignment, read.text));
			case 'results':
				return this.#takeOther(read.name, await takeResults(this.assignment, read.text));
			case 'keywords':
				return this.#takeOther(read.name, await takeKeywords(this.assignment, read));
		}
	}

	#takeOther(name: string, read: OtherRead): void {
		for (const reason of read.remarks) this.#remarks.push({ name, reason });
		if (read.kind === 'taken') this.#others.push({ said: read.said, step: read.step });
		else
			(read.kind === 'failed' ? this.#failed : this.#skipped).push({ name, reason: read.reason });
	}

	takeNotes(notes: readonly NewNote[]): void {
		for (const { name, kind, text } of notes) {
			if (text.trim() === '') {
				this.#failed.push({ name, reason: 'there is no text in it' });
				continue;
			}
			if (this.known.texts.has(text)) {
				this.#skipped.push({ name, reason: 'a note with the same text is here already' });
				continue;
			}
			this.#notes.push({
				id: crypto.randomUUID(),
				assignment: this.assignment.id,
				kind,
				name: kind === 'note' ? titleOf(text, name) : plainName(name),
				text,
				order: this.order++
			});
		}
	}

	async takePages(incoming: readonly Incoming[]): Promise<void> {
		for (const [i, item] of incoming.entries()) {
			if (this.#stops()) return;
			this.options.onProgress?.({ done: i, all: incoming.length, name: item.name });
			await this.#takePage(item);
		}
	}

	/** Cleans one page; whether it came in. */
	async #takePage(item: Incoming): Promise<boolean> {
		const cleaned = await analysis.clean(item, this.assignment.keyword);
		if (cleaned.kind === 'failed') {
			this.#failed.push({ name: item.name, reason: cleaned.reason });
			return false;
		}
		const id = crypto.randomUUID();
		const { article, sign, judgement, source, sketch } = cleaned;
		this.#pages.push({
			id,
			assignment: this.assignment.id,
			name: item.name,
			address: article.address || (item.address ?? ''),
			origin: item.origin,
			order: this.order++,
			article,
			sign,
			judgement,
			counted: !judgement.proposeAside,
			struck: struckByAll(this.assignment.strikeRules, article),
			result: item.result ?? placeOf(article, this.known.ranked),
			sketch
		});
		this.#sources.set(id, { id, assignment: this.assignment.id, source });
		return true;
	}

	/** Fetches several at a time; an address that does not come in keeps a row with the reason. */
	async takeAddresses(wanted: readonly WantedAddress[]): Promise<void> {
		let done = 0;
		const missing = (item: WantedAddress, reason: string) =>
			this.#awaited.push({
				id: item.awaited ?? crypto.randomUUID(),
				assignment: this.assignment.id,
				address: item.address,
				title: item.title,
				reason,
				result: item.result,
				order: this.order++
			});
		const queue = wanted.map((item, i) => ({ item, i }));
		const arrived: { i: number; item: WantedAddress; incoming: Incoming }[] = [];
		const work = async () => {
			for (let next = queue.shift(); next; next = queue.shift()) {
				const { item, i } = next;
				if (this.#stops()) {
					missing(item, 'it was not fetched, for you stopped before');
					continue;
				}
				this.options.onProgress?.({ done, all: wanted.length, name: item.title || item.address });
				const reply = await fetchPage(item.address, this.options.signal);
				done++;
				if (reply.kind === 'refused') missing(item, reply.reason);
				else
					arrived.push({
						i,
						item,
						incoming: {
							name: item.title || item.address,
							origin: 'address',
							bytes: null,
							text: reply.html,
							address: reply.address,
							result: item.result
						}
					});
			}
		};
		await Promise.all(Array.from({ length: FETCH_LIMITS.atOnce }, work));
		// in the order they were asked for, whichever was quickest
		for (const { item, incoming } of arrived.sort((a, b) => a.i - b.i)) {
			const failures = this.#failed.length;
			if (await this.#takePage(incoming)) {
				if (item.awaited) this.#answered.push(item.awaited);
			} else {
				const [failure] = this.#failed.splice(failures);
				missing(item, failure!.reason);
			}
		}
	}

	async finish(): Promise<ImportReport> {
		const replaced = await this.#settleRepeats();
		this.#countThoseThatSpeakAsOthers();
		this.#setRepeatsAside();
		const before = await readEvidence({
			pages: this.#pages.map(({ id }) => id),
			awaited: [...this.#answered, ...this.#awaited.map(({ id }) => id)]
		});
		const sources = this.#pages.map(({ id }) => this.#sources.get(id)!);
		const put = { pages: this.#pages, sources, notes: this.#notes, awaited: this.#awaited };
		const hasEvidence = this.#pages.length + this.#notes.length + this.#awaited.length > 0;
		if (hasEvidence || this.#others.length > 0) {
			await history.run(
				{
					label: this.#label(),
					redo: async () => {
						await changeEvidence(put, { awaited: this.#answered });
						for (const { step } of this.#others) await step.redo();
					},
					undo: async () => {
						for (const { step } of [...this.#others].reverse()) await step.undo();
						await changeEvidence(before, {
							pages: this.#pages.map(({ id }) => id),
							notes: this.#notes.map(({ id }) => id),
							awaited: this.#awaited.map(({ id }) => id)
						});
					}
				},
				{ quiet: this.options.isQuiet }
			);
		}
		return {
			pages: this.#pages,
			notes: this.#notes,
			awaited: this.#awaited,
			replaced,
			others: this.#others.map(({ said }) => said),
			failed: this.#failed,
			skipped: this.#skipped,
			remarks: this.#remarks,
			isCancelled: this.#isCancelled
		};
	}

	/** Asks what to do with pages that are here already, and does it. Titles of those replaced. */
	async #settleRepeats(): Promise<string[]> {
		const repeats: Repeat[] = [];
		const taken = new Set<string>();
		for (const page of this.#pages) {
			const same = this.known.here.find((other) => !taken.has(other.id) && isSamePage(page, other));
			if (!same) continue;
			taken.add(same.id);
			repeats.push({ incoming: page, here: same });
		}
		if (repeats.length === 0 || !this.options.onRepeats) return [];
		const choices = await this.options.onRepeats(repeats);
		const replaced: string[] = [];
		repeats.forEach(({ incoming, here }, i) => {
			const choice = choices[i] ?? 'leave';
			const at = this.#pages.indexOf(incoming);
			if (choice === 'leave') {
				this.#pages.splice(at, 1);
				this.#skipped.push({ name: incoming.name, reason: 'it is here already' });
			} else if (choice === 'replace') {
				this.#pages[at] = this.#inPlaceOf(incoming, here);
				replaced.push(incoming.article.title);
			}
		});
		return replaced;
	}

	/** The new page with the id, the place and the decisions of the old one. */
	#inPlaceOf(incoming: Page, here: Page): Page {
		this.#sources.set(here.id, { ...this.#sources.get(incoming.id)!, id: here.id });
		const isSameText =
			incoming.article.blocks.length === here.article.blocks.length &&
			incoming.article.blocks.every(
				({ block }, i) => textOf(block) === textOf(here.article.blocks[i]!.block)
			);
		return {
			...incoming,
			id: here.id,
			order: here.order,
			counted: here.counted,
			result: incoming.result ?? here.result,
			struck: isSameText ? here.struck : incoming.struck
		};
	}

	/** A page that is proposed aside for its words alone counts when it speaks of what the others speak of. */
	#countThoseThatSpeakAsOthers(): void {
		const isInDoubt = ({ judgement }: Page) =>
			judgement.kind === 'article' && judgement.proposeAside;
		if (!this.#pages.some(isInDoubt)) return;
		const isNew = new Set(this.#pages.map(({ id }) => id));
		const counted = [
			...this.known.here.filter((page) => page.counted && !isNew.has(page.id)),
			...this.#pages.filter((page) => page.counted)
		].map(({ article }) => article);
		for (const page of this.#pages.filter(isInDoubt)) {
			if (!speaksAsOthers(page.article, counted)) continue;
			page.counted = true;
			page.judgement = { ...page.judgement, proposeAside: false, reasons: [] };
		}
	}

	/** A page that only repeats one that counts is proposed aside. */
	#setRepeatsAside(): void {
		const isNew = new Set(this.#pages.map(({ id }) => id));
		const others = this.known.here.filter((page) => page.counted && !isNew.has(page.id));
		const alike = alikePagesOf([...others, ...this.#pages.filter(({ counted }) => counted)]);
		for (const page of this.#pages) {
			const other = alike.get(page.id);
			const isKept = this.known.here.some(({ id }) => id === page.id);
			if (other && other.likeness >= REPEATS_FROM && !isKept) page.counted = false;
		}
	}

	#label(): string {
		const said = [
			this.#pages.length > 0 ? countOf(this.#pages.length, 'page') : '',
			this.#notes.length > 0 ? countOf(this.#notes.length, 'note') : '',
			...this.#others.map(({ said: other }) => other)
		].filter(Boolean);
		if (said.length === 0)
			return `Kept ${countOf(this.#awaited.length, 'address', 'addresses')} to try again`;
		return `Brought in ${andList(said)}`;
	}

	#stops(): boolean {
		if (this.options.signal?.aborted) this.#isCancelled = true;
		return this.#isCancelled;
	}
}
