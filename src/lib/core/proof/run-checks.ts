import type { ArticleReading, BlockReading } from '../measure';
import type { ArticleCheck, BlockCheck, BlockFinding, Finding, Mark, ReadFor } from './mark';

/** The checks of one reading; they are made for the rules they hold a text against. */
export interface Checks {
	readonly blocks: readonly BlockCheck[];
	readonly article: readonly ArticleCheck[];
}

interface Placed {
	readonly check: string;
	readonly reads: ReadFor;
	readonly finding: BlockFinding;
}

/**
 * Finds the marks of an article again and again as it changes. A block is checked once for as long
 * as its reading stays the same object. Other rules want another proofreader.
 */
export class Proofreader {
	readonly #checks: Checks;
	readonly #known = new WeakMap<BlockReading, readonly Placed[]>();

	constructor(checks: Checks) {
		this.#checks = checks;
	}

	/** All marks in reading order, then those of the whole article. */
	read(article: ArticleReading): Mark[] {
		const marks: Mark[] = [];
		const times = new Map<string, number>();
		const add = (
			{ check, reads }: { readonly check: string; readonly reads: ReadFor },
			finding: Finding,
			place: Mark['place']
		) => {
			const { about, quote, sentence, reason, fixes, gain, beside = [], shared = [] } = finding;
			const name = JSON.stringify([check, about, quote, sentence]);
			const nth = (times.get(name) ?? 0) + 1;
			times.set(name, nth);
			const id = nth === 1 ? name : `${name} (${nth})`;
			marks.push({
				id,
				check,
				reads,
				place,
				about,
				quote,
				sentence,
				reason,
				fixes,
				gain,
				beside,
				shared
			});
		};
		article.blocks.forEach((reading, block) => {
			for (const placed of this.#findingsIn(reading)) {
				const { start, end } = placed.finding;
				add(placed, placed.finding, { block, start, end });
			}
		});
		for (const { id: check, reads, look } of this.#checks.article)
			for (const finding of look(article)) add({ check, reads }, finding, finding.place ?? null);
		return inReadingOrder(marks);
	}

	#findingsIn(block: BlockReading): readonly Placed[] {
		let found = this.#known.get(block);
		if (!found) {
			found = this.#checks.blocks
				.flatMap(({ id: check, reads, look }) =>
					look(block).map((finding) => ({ check, reads, finding }))
				)
				.sort((a, b) => a.finding.start - b.finding.start || a.finding.end - b.finding.end);
			this.#known.set(block, found);
		}
		return found;
	}
}

/** Marks by place, those of the whole article last. */
function inReadingOrder(marks: readonly Mark[]): Mark[] {
	return marks.toSorted(({ place: a }, { place: b }) => {
		if (!a || !b) return Number(a === null) - Number(b === null);
		return a.block - b.block || a.start - b.start || a.end - b.end;
	});
}
