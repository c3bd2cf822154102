import {
	DIFF_DELETE,
	DIFF_EQUAL,
	DIFF_INSERT,
	diffCleanupSemantic,
	diffMain
} from 'diff-match-patch-es';
import { docText, type BlockNode } from '../manuscript';

/** A run of words that both texts have, or one of them. */
export interface WordRun {
	readonly kind: 'same' | 'new' | 'gone';
	readonly text: string;
}

/** A block of a version beside what it would stand in place of. */
export interface BlockChange {
	/** Place of the block among those of the version; −1: it is gone. */
	readonly block: number;
	/** Place of the block that it would stand in place of, or that is gone; −1: it is new. */
	readonly stands: number;
	readonly runs: readonly WordRun[];
}

/** Words and what is between them, each with the space behind it. */
const PIECE = /\s*(?:[\p{L}\p{M}\p{N}]+(?:['’.,-][\p{L}\p{M}\p{N}]+)*|[^\s\p{L}\p{N}]+)/gu;

/**
 * The words that two texts share and those that one of them has, in order; runs of a kind stand
 * together. Put together, `same` and `gone` give the first text, `same` and `new` the second, spaces
 * aside. Myers' algorithm (1986) on whole words, tidied so that a reader can follow it.
 */
export function wordChanges(before: string, after: string): WordRun[] {
	const codes = new Map<string, string>();
	const pieces: string[] = [];
	const coded = (text: string) =>
		(text.match(PIECE) ?? [])
			.map((piece) => {
				const word = piece.trim();
				let code = codes.get(word);
				if (code === undefined) {
					code = codeOf(pieces.length);
					codes.set(word, code);
					pieces.push(word);
				}
				return code;
			})
			.join('');
	const first = coded(before);
	const second = coded(after);
	const diffs = compared(first, second);
	diffCleanupSemantic(diffs);
	// each text is walked along, so that its own spaces stand between its words
	const ofFirst = before.match(PIECE) ?? [];
	const ofSecond = after.match(PIECE) ?? [];
	let a = 0;
	let b = 0;
	return diffs.map(([kind, run]): WordRun => {
		const length = run.length;
		if (kind === DIFF_DELETE) {
			const text = ofFirst.slice(a, (a += length)).join('');
			return { kind: 'gone', text };
		}
		const text = ofSecond.slice(b, (b += length)).join('');
		if (kind === DIFF_INSERT) return { kind: 'new', text };
		a += length;
		return { kind: 'same', text };
	});
}

type Diffs = ReturnType<typeof diffMain>;

/** Words in a row that, standing once in either text, are taken for the same place. */
const ANCHOR = 4;
/** Texts of fewer words are compared as they are. */
const LEAST_ANCHORED = 300;

/**
 * Long texts are cut where four words in a row stand once in both, in the same order (as patience
 * comparison cuts at lines), and compared piece by piece: the time grows with the length and no longer
 * with length times changes.
 */
function compared(first: string, second: string): Diffs {
	if (Math.min(first.length, second.length) < LEAST_ANCHORED)
		return diffMain(first, second, { diffTimeout: TIMEOUT_S });
	const diffs: Diffs = [];
	const add = (kind: Diffs[number][0], run: string) => {
		if (run === '') return;
		const last = diffs.at(-1);
		if (last?.[0] === kind) last[1] += run;
		else diffs.push([kind, run]);
	};
	let a = 0;
	let b = 0;
	for (const [at, to] of [...anchorsOf(first, second), [first.length, second.length] as const]) {
		const [one, two] = [first.slice(a, at), second.slice(b, to)];
		if (one === two) add(DIFF_EQUAL, one);
		else for (const [kind, run] of diffMain(one, two, { diffTimeout: TIMEOUT_S })) add(kind, run);
		[a, b] = [at, to];
	}
	return diffs;
}

/** Places in both texts that are the same, ascending in both. */
function anchorsOf(first: string, second: string): (readonly [number, number])[] {
	const once = (text: string) => {
		const places = new Map<string, number>();
		for (let at = 0; at + ANCHOR <= text.length; at++) {
			const key = text.slice(at, at + ANCHOR);
			places.set(key, places.has(key) ? -1 : at);
		}
		return places;
	};
	const there = once(second);
	const pairs: { at: number; to: number; before: number }[] = [];
	for (const [key, at] of once(first)) {
		const to = there.get(key) ?? -1;
		if (at >= 0 && to >= 0) pairs.push({ at, to, before: -1 });
	}
	pairs.sort((x, y) => x.at - y.at);
	// the longest run of pairs that ascends in both (Fredman 1975)
	const ends: number[] = [];
	pairs.forEach((pair, i) => {
		let low = 0;
		let high = ends.length;
		while (low < high) {
			const mid = (low + high) >> 1;
			if (pairs[ends[mid]!]!.to < pair.to) low = mid + 1;
			else high = mid;
		}
		pair.before = low > 0 ? ends[low - 1]! : -1;
		ends[low] = i;
	});
	const found: (readonly [number, number])[] = [];
	for (let i = ends.at(-1) ?? -1; i >= 0; i = pairs[i]!.before)
		found.push([pairs[i]!.at, pairs[i]!.to]);
	return found.reverse();
}

/** Past this a comparison is given as it is, coarser but right. */
const TIMEOUT_S = 0.4;

/** One UTF-16 unit for each word, surrogates left out: the comparison works on those. */
function codeOf(index: number): string {
	const code = index + 1;
	return String.fromCharCode(code < 0xd800 ? code : (code % 0x1ffe) + 0xe000);
}

/** Likeness from which a block stands in place of another. */
const INSTEAD_AT = 0.35;

/**
 * What a version would change: its blocks in order, each with the words that are new and gone against
 * the block that is likest to it, and between them the blocks that it does not have.
 */
export function blockChanges(
	stands: readonly BlockNode[],
	version: readonly BlockNode[]
): BlockChange[] {
	const old = stands.map(docText);
	const made = version.map(docText);
	const pairs = pairsOf(old, made);
	const changes: BlockChange[] = [];
	let next = 0;
	made.forEach((text, block) => {
		const from = pairs.get(block);
		if (from !== undefined) {
			for (; next < from; next++) changes.push(goneBlock(old[next]!, next));
			next = from + 1;
		}
		const runs =
			from === undefined ? [{ kind: 'new' as const, text }] : wordChanges(old[from]!, text);
		changes.push({ block, stands: from ?? -1, runs });
	});
	for (; next < old.length; next++) changes.push(goneBlock(old[next]!, next));
	return changes.filter(
		({ block, runs }) => block >= 0 || runs.some(({ text }) => text.trim() !== '')
	);
}

function goneBlock(text: string, stands: number): BlockChange {
	return { block: -1, stands, runs: [{ kind: 'gone', text }] };
}

/** Which block of the first list each of the second stands in place of; both lists keep their order. */
function pairsOf(old: readonly string[], made: readonly string[]): Map<number, number> {
	const words = (text: string) => new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []);
	const oldWords = old.map(words);
	const madeWords = made.map(words);
	const likeness = (m: number, o: number) => {
		if (made[m] === old[o]) return 1;
		const shared = [...madeWords[m]!].filter((word) => oldWords[o]!.has(word)).length;
		const all = madeWords[m]!.size + oldWords[o]!.size;
		return all === 0 ? 0 : (2 * shared) / all;
	};
	// the heaviest pairing in order, as for a longest common subsequence
	const best = Array.from({ length: made.length + 1 }, () => new Float64Array(old.length + 1));
	for (let m = made.length - 1; m >= 0; m--)
		for (let o = old.length - 1; o >= 0; o--) {
			const like = likeness(m, o);
			const paired = like >= INSTEAD_AT ? like + best[m + 1]![o + 1]! : 0;
			best[m]![o] = Math.max(best[m + 1]![o]!, best[m]![o + 1]!, paired);
		}
	const pairs = new Map<number, number>();
	let m = 0;
	let o = 0;
	while (m < made.length && o < old.length) {
		const here = best[m]![o]!;
		if (here === best[m + 1]![o]!) m++;
		else if (here === best[m]![o + 1]!) o++;
		else pairs.set(m++, o++);
	}
	return pairs;
}

/**
 * What stands in a section once some of the changes are taken: where one is not, what stood there stays
 * and what is new stays out.
 */
export function blocksTaken(
	stands: readonly BlockNode[],
	version: readonly BlockNode[],
	changes: readonly BlockChange[],
	isTaken: (change: BlockChange) => boolean
): BlockNode[] {
	return changes.flatMap((change) => {
		const block = isTaken(change) ? version[change.block] : stands[change.stands];
		return block ? [block] : [];
	});
}
