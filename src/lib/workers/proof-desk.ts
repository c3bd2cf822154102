import { proofEvidenceIn, runIndexOf, type Analysis } from '$lib/core/assignment';
import type { BlockNode, TakeDoc } from '$lib/core/manuscript';
import { ArticleReader } from '$lib/core/measure';
import type { Plan } from '$lib/core/plan';
import {
	checksOf,
	Proofreader,
	type Claim,
	type Mark,
	type ProofRules,
	type Speller
} from '$lib/core/proof';
import { termIndexOf } from '$lib/core/standing';

/** What proofreading a text gives. */
export interface ProofRead {
	readonly marks: readonly Mark[];
	readonly claims: readonly Claim[];
}

interface Open {
	readonly sign: string;
	/** The dictionary it was opened with: another dialect opens it anew. */
	readonly speller: Speller | null;
	readonly reader: ArticleReader;
	readonly checks: ReturnType<typeof checksOf>;
	readonly proofreader: Proofreader;
	/** Blocks by what they hold, so that an unchanged one is the same object and is not read again. */
	nodes: Map<string, BlockNode>;
}

/**
 * Proofreads one text again and again: its evidence is indexed once, and only blocks that have changed
 * are read. Other evidence, plan or rules open it anew.
 */
export class ProofDesk {
	#open: Open | null = null;

	read(
		analysis: Analysis,
		plan: Plan | null,
		rules: ProofRules,
		names: ReadonlyMap<string, string>,
		speller: Speller | null,
		doc: TakeDoc
	): ProofRead {
		const open = this.#opened(analysis, plan, rules, names, speller);
		const nodes = new Map<string, BlockNode>();
		const content = doc.content.map((node) => {
			const sign = JSON.stringify(node);
			const known = nodes.get(sign) ?? open.nodes.get(sign) ?? node;
			nodes.set(sign, known);
			return known;
		});
		open.nodes = nodes;
		const article = open.reader.readDoc({ ...doc, content });
		return { marks: open.proofreader.read(article), claims: open.checks.claimsOf(article) };
	}

	#opened(
		analysis: Analysis,
		plan: Plan | null,
		rules: ProofRules,
		names: ReadonlyMap<string, string>,
		speller: Speller | null
	): Open {
		const sign = JSON.stringify([
			analysis.revision,
			plan?.sections.map(({ id, topics, terms }) => [id, topics, terms.map(({ term }) => term)]),
			rules,
			[...names]
		]);
		if (this.#open?.sign === sign && this.#open.speller === speller) return this.#open;
		const evidence = proofEvidenceIn(
			analysis,
			plan,
			speller,
			(source) => names.get(source) ?? 'another page'
		);
		const checks = checksOf(evidence, rules);
		this.#open = {
			sign,
			speller,
			checks,
			proofreader: new Proofreader(checks),
			reader: new ArticleReader({
				terms: termIndexOf(evidence.yardstick),
				runs: runIndexOf(analysis)
			}),
			nodes: new Map()
		};
		return this.#open;
	}
}
