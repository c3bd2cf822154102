import type { ArticleReading, BlockReading } from '../measure';
import type { ArticleCheck, BlockCheck, BlockFinding, Finding, Mark } from './mark';

/** The checks of one reading; they are made for the rules they hold a text against. */
export interface Checks {
	readonly blocks: readonly BlockCheck[];
	readonly article: readonly ArticleCheck[];
}

interface Placed {
	readonly check: string;
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

	/** All marks: those of blocks in reading order, then those of the whole article. */
	read(article: ArticleReading): Mark[] {
		const marks: Mark[] = [];
		const times = new Map<string, number>();
		const add = (check: string, finding: Finding, place: Mark['place']) => {
			const { about, quote, sentence, reason, fixes, gain } = finding;
			const name = JSON.stringify([check, about, quote, sentence]);
			const nth = (times.get(name) ?? 0) + 1;
			times.set(name, nth);
			const id = nth === 1 ? name : `${name} (${nth})`;
			marks.push({ id, check, place, about, quote, sentence, reason, fixes, gain });
		};
		article.blocks.forEach((reading, block) => {
			for (const { check, finding } of this.#findingsIn(reading))
				add(check, finding, { block, start: finding.start, end: finding.end });
		});
		for (const check of this.#checks.article)
			for (const finding of check.look(article)) add(check.id, finding, null);
		return marks;
	}

	#findingsIn(block: BlockReading): readonly Placed[] {
		let found = this.#known.get(block);
		if (!found) {
			found = this.#checks.blocks
				.flatMap((check) => check.look(block).map((finding) => ({ check: check.id, finding })))
				.sort((a, b) => a.finding.start - b.finding.start || a.finding.end - b.finding.end);
			this.#known.set(block, found);
		}
		return found;
	}
}
