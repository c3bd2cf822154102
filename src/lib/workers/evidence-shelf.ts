import type { Evidence } from '$lib/core/assignment';
import type { Article } from '$lib/core/pages';
import type { EvidenceOutline, SignedArticle } from './protocol';

/** Revisions kept: the one in hand, and those that calls on their way may still name. */
const MOST_REVISIONS = 6;

/**
 * Evidence as it was handed to the worker, by revision, with each article once under its sign.
 * Articles that no kept revision names are dropped.
 */
export class EvidenceShelf {
	readonly #outlines = new Map<string, EvidenceOutline>();
	readonly #articles = new Map<string, Article>();

	/** Whether the evidence is here with all its articles. */
	has(revision: string): boolean {
		const outline = this.#outlines.get(revision);
		return outline !== undefined && this.#missing(outline).length === 0;
	}

	/** Takes evidence in; gives the signs of the articles that are not here, each once. */
	put(revision: string, outline: EvidenceOutline): string[] {
		this.#outlines.delete(revision);
		this.#outlines.set(revision, outline);
		if (this.#outlines.size > MOST_REVISIONS) {
			this.#outlines.delete(this.#outlines.keys().next().value!);
			this.#dropUnnamed();
		}
		return this.#missing(outline);
	}

	supply(articles: readonly SignedArticle[]): void {
		for (const { sign, article } of articles) this.#articles.set(sign, article);
	}

	/** @throws RangeError when the revision was never taken in, or an article of it is missing */
	evidenceOf(revision: string): Evidence {
		const outline = this.#outlines.get(revision);
		if (!outline) throw new RangeError(`No evidence of revision ${revision} is here`);
		return {
			...outline,
			pages: outline.pages.map((page) => {
				const article = this.#articles.get(page.sign);
				if (!article) throw new RangeError(`The article of page ${page.id} was not supplied`);
				return { ...page, article };
			})
		};
	}

	#missing({ pages }: EvidenceOutline): string[] {
		return [...new Set(pages.map(({ sign }) => sign))].filter((sign) => !this.#articles.has(sign));
	}

	#dropUnnamed(): void {
		const named = new Set(
			[...this.#outlines.values()].flatMap(({ pages }) => pages.map(({ sign }) => sign))
		);
		for (const sign of this.#articles.keys()) if (!named.has(sign)) this.#articles.delete(sign);
	}
}
