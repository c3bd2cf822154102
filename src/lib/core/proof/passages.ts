import {
	contentStemsOf,
	RUN_WORDS,
	runHashesOf,
	sentencesOf,
	stemmedWordsOf,
	stemsInOrder
} from '../text';
import type { Passage, Stretch } from './mark';

/** A page or a note as others would hold a text against it. */
export interface ProofSource {
	readonly id: string;
	readonly isNote: boolean;
	/** What it says: sentences, entries of lists, rows of tables. */
	readonly statements: readonly string[];
	/** Names of people and what else is written there and is no statement. */
	readonly names: readonly string[];
}

/** A stretch of a text that a source has too. */
export interface CloseRun extends Stretch {
	readonly words: number;
	readonly beside: Passage;
}

/** A statement that is nearly a sentence, and the words of that sentence which it has too. */
export interface Near {
	readonly beside: Passage;
	readonly shared: readonly Stretch[];
}

interface Statement {
	readonly source: string;
	readonly text: string;
	readonly stems: readonly string[];
}

/** Content stems from which a sentence can be near to another; shorter ones meet by chance. */
const NEAR_STEMS = 6;
/** Share of the stems of both that two near sentences have in common (Dice), and of those the share that stands in one order. */
const NEAR_SHARE = 0.75;
const NEAR_ORDER = 0.8;
/** A stem of more statements than this finds no candidates: it is of the subject. */
const MOST_STATEMENTS = 60;

/**
 * Where a text stands close to pages: in runs of eight words and more, found by hashes of stemmed
 * words, and in sentences that keep most words in nearly the same order.
 */
export class PassageIndex {
	readonly #runs = new Map<number, { readonly source: number; readonly word: number }>();
	readonly #texts: {
		readonly id: string;
		readonly text: string;
		readonly words: { readonly stem: string; readonly start: number; readonly end: number }[];
	}[];
	readonly #statements: Statement[];
	readonly #byStem = new Map<string, number[]>();

	constructor(sources: readonly ProofSource[]) {
		this.#texts = sources.map(({ id, statements }) => {
			const text = statements.join('\n');
			return { id, text, words: stemmedWordsOf(text) };
		});
		this.#texts.forEach(({ words }, source) => {
			runHashesOf(words.map(({ stem }) => stem)).forEach((hash, word) => {
				if (!this.#runs.has(hash)) this.#runs.set(hash, { source, word });
			});
		});
		this.#statements = sources.flatMap(({ id, statements }) =>
			statements.map((text) => ({ source: id, text, stems: contentStemsOf(text) }))
		);
		this.#statements.forEach(({ stems }, at) => {
			for (const stem of new Set(stems)) {
				const known = this.#byStem.get(stem);
				if (known) known.push(at);
				else this.#byStem.set(stem, [at]);
			}
		});
	}

	/** Stretches that stand in runs of eight words a source has too, in order; none touch. */
	runsIn(text: string): CloseRun[] {
		const words = stemmedWordsOf(text);
		const hashes = runHashesOf(words.map(({ stem }) => stem));
		const found: { from: number; to: number; source: number; word: number }[] = [];
		hashes.forEach((hash, at) => {
			const place = this.#runs.get(hash);
			if (!place) return;
			const last = found.at(-1);
			if (last && at <= last.to) last.to = at + RUN_WORDS;
			else found.push({ from: at, to: at + RUN_WORDS, ...place });
		});
		return found.map(({ from, to, source, word }) => ({
			start: words[from]!.start,
			end: words[to - 1]!.end,
			words: to - from,
			beside: this.#passage(source, word, to - from)
		}));
	}

	/** The sentences of a source around a run, the run marked. */
	#passage(source: number, word: number, count: number): Passage {
		const { id, text, words } = this.#texts[source]!;
		const start = words[word]!.start;
		const end = words[Math.min(words.length, word + count) - 1]!.end;
		const lineStart = text.lastIndexOf('\n', start) + 1;
		const lineEnd = text.indexOf('\n', end) < 0 ? text.length : text.indexOf('\n', end);
		const around = sentencesOf(text.slice(lineStart, lineEnd)).filter(
			(sentence) => sentence.end + lineStart > start && sentence.start + lineStart < end
		);
		const from = lineStart + (around[0]?.start ?? 0);
		const to = lineStart + (around.at(-1)?.end ?? lineEnd - lineStart);
		return {
			source: id,
			text: text.slice(from, to),
			shared: [{ start: Math.max(0, start - from), end: Math.min(to, end) - from }]
		};
	}

	/** The statement that keeps most of a sentence's words in nearly the same order; null for none. */
	nearTo(stems: readonly string[], sentence: string): Near | null {
		if (stems.length < NEAR_STEMS) return null;
		const own = new Set(stems);
		const counts = new Map<number, number>();
		for (const stem of own) {
			const at = this.#byStem.get(stem) ?? [];
			if (at.length <= MOST_STATEMENTS)
				for (const statement of at) counts.set(statement, (counts.get(statement) ?? 0) + 1);
		}
		let best: { readonly statement: Statement; readonly share: number } | null = null;
		for (const [at, count] of counts) {
			if (count < 3) continue;
			const statement = this.#statements[at]!;
			if (statement.stems.length < NEAR_STEMS) continue;
			const shared = stemsInOrder(stems, statement.stems);
			const common = statement.stems.filter((stem) => own.has(stem)).length;
			const share = (2 * common) / (stems.length + statement.stems.length);
			if (share < NEAR_SHARE || shared < NEAR_ORDER * common) continue;
			if (!best || share > best.share) best = { statement, share };
		}
		if (!best) return null;
		const theirs = new Set(best.statement.stems);
		return {
			beside: passageWith(best.statement, own),
			shared: passageWith({ ...best.statement, text: sentence }, theirs).shared
		};
	}
}

/** A statement with the words marked whose stems are given. */
function passageWith({ source, text }: Statement, stems: ReadonlySet<string>): Passage {
	return {
		source,
		text,
		shared: stemmedWordsOf(text)
			.filter(({ stem }) => stems.has(stem))
			.map(({ start, end }) => ({ start, end }))
	};
}
