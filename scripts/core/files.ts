// Files as the app's importers read them.
import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { articleSign, type EvidenceNote, type EvidencePage } from '../../src/lib/core/assignment';
import { fileKindOf, readMhtml, unpackPages } from '../../src/lib/core/files';
import { readKeywordList, runThrough } from '../../src/lib/core/keywords';
import { noteTextOf, readTranscript, timeOf } from '../../src/lib/core/notes';
import { cleanPage, readText, type Article } from '../../src/lib/core/pages';
import { countWords, decodeBytes } from '../../src/lib/core/text';

export interface ReadArticle {
	readonly file: string;
	readonly article: Article;
}

export interface Unreadable {
	readonly file: string;
	readonly error: string;
}

/** Reads files, and keeps why some could not be read. */
export class FileReader {
	readonly failed: Unreadable[] = [];

	/** Text of a file in any encoding; null when it cannot be read, which `failed` says. */
	text(file: string): string | null {
		return this.#decode(file, this.#bytes(file))?.text ?? null;
	}

	/** Pages of files as the app takes them: HTML in any encoding, web archives, zips of both, text. */
	articles(files: readonly string[]): ReadArticle[] {
		return files.flatMap((file) => {
			const bytes = this.#bytes(file);
			return bytes ? this.#articlesIn(file, bytes) : [];
		});
	}

	/** Pages as evidence, named by their files. */
	pages(files: readonly string[]): EvidencePage[] {
		return this.articles(files).map(({ file, article }) => ({
			id: file,
			name: article.title || file,
			sign: articleSign(article),
			struck: [],
			article
		}));
	}

	/** Notes and transcripts as evidence. */
	notes(files: readonly string[]): EvidenceNote[] {
		return files.flatMap((file) => {
			const text = this.text(file);
			if (text === null) return [];
			const read = noteTextOf(text);
			return [{ id: file, kind: read.noteKind, name: basename(file), text: read.text }];
		});
	}

	/** Lists of questions as evidence. */
	questions(files: readonly string[]): EvidenceNote[] {
		return files.flatMap((file) => {
			const text = this.text(file);
			return text === null ? [] : [{ id: file, kind: 'questions', name: basename(file), text }];
		});
	}

	/** What the importer reads in a keyword list. */
	keywordList(file: string): object[] {
		const decoded = this.#decode(file, this.#bytes(file));
		if (decoded === null) return [];
		const read = runThrough(readKeywordList(decoded.text));
		if (read.kind === 'unreadable') return this.#fail(file, read.reason);
		const { delimiter, headerLine, above, columns, rows, rejected, merged } = read.list;
		return [
			{
				file,
				encoding: decoded.encoding,
				delimiter,
				headerLine,
				above,
				columns: columns.map(({ name, meaning }) => ({ name, meaning })),
				rows: rows.map((row) => ({ ...row, other: Object.fromEntries(row.other) })),
				rejected,
				merged
			}
		];
	}

	/** Cues and paragraphs of a transcript. */
	transcript(file: string): object[] {
		const text = this.text(file);
		if (text === null) return [];
		const read = readTranscript(text);
		if (read.kind === 'not-timed') return this.#fail(file, read.reason);
		const { format, title, cues, paragraphs, remarks } = read.transcript;
		const said = paragraphs.map((paragraph) => paragraph.text).join('\n\n');
		return [
			{
				file,
				format,
				title,
				cues: cues.map(({ startMs, endMs, speaker, text: words }) => ({
					start: startMs / 1000,
					end: endMs === null ? null : endMs / 1000,
					speaker,
					text: words
				})),
				paragraphs: paragraphs.map(({ startMs, speaker, text: words }) => ({
					start: startMs / 1000,
					time: timeOf(startMs),
					speaker,
					text: words
				})),
				words: countWords(said),
				text: said,
				remarks
			}
		];
	}

	#fail(file: string, error: string): [] {
		this.failed.push({ file, error });
		return [];
	}

	#bytes(file: string): Uint8Array | null {
		try {
			return readFileSync(file);
		} catch {
			this.#fail(file, 'cannot be opened');
			return null;
		}
	}

	#decode(file: string, bytes: Uint8Array | null): { text: string; encoding: string } | null {
		if (!bytes) return null;
		const decoded = decodeBytes(bytes);
		if (decoded.kind === 'text') return decoded;
		this.#fail(file, `looks like ${decoded.looksLike}, not text`);
		return null;
	}

	#articlesIn(file: string, bytes: Uint8Array): ReadArticle[] {
		switch (fileKindOf(bytes, file).kind) {
			case 'zip': {
				const unpacked = unpackPages(bytes);
				return unpacked.kind === 'refused'
					? this.#fail(file, unpacked.reason)
					: unpacked.files.flatMap((each) => this.#articlesIn(`${file}/${each.name}`, each.bytes));
			}
			case 'web archive': {
				const read = readMhtml(bytes);
				return read.kind === 'refused'
					? this.#fail(file, read.reason)
					: this.#clean(file, read.html, read.address);
			}
			default: {
				const decoded = this.#decode(file, bytes);
				if (!decoded) return [];
				return /\.(?:md|markdown|txt)$/i.test(file)
					? [{ file, article: readText(decoded.text, basename(file)) }]
					: this.#clean(file, decoded.text, '');
			}
		}
	}

	#clean(file: string, html: string, address: string): ReadArticle[] {
		try {
			const result = cleanPage(html, address);
			return result.kind === 'cleaned'
				? [{ file, article: result.article }]
				: this.#fail(file, result.reason);
		} catch (error) {
			if (error instanceof RangeError) return this.#fail(file, error.message);
			throw error;
		}
	}
}
