import type { Editor } from '@tiptap/core';
import type { Node as ProseNode } from '@tiptap/pm/model';
import type { Findings } from '$lib/core/findings';
import type { BlockNode, TakeDoc } from '$lib/core/manuscript';
import { ArticleReader, type ArticleReading, type RunIndex } from '$lib/core/measure';
import type { Plan } from '$lib/core/plan';
import {
	holdsOf,
	keywordLoadOf,
	nextBestMoves,
	scoreState,
	slipsOf,
	standingWithMoves,
	stateOf,
	termIndexOf,
	yardstickOf,
	type ArticleState,
	type Hold,
	type Move,
	type Slip,
	type Standing,
	type Yardstick
} from '$lib/core/standing';

/** What is shown of a manuscript while it is written. */
export interface Reading {
	readonly article: ArticleReading;
	readonly state: ArticleState;
	readonly standing: Standing;
	/** What holds the standing down, the dearest first. */
	readonly holds: readonly Hold[];
	/** Words of the keyword's subject per 100 words. */
	readonly keywordLoad: number;
	readonly slips: readonly Slip[];
}

/**
 * Reads a manuscript as it changes, against one plan and its findings. A block is read once for as
 * long as it stays the same node, so that a keystroke costs the paragraph it falls into.
 */
export class LiveReading {
	readonly #findings: Findings;
	readonly #plan: Plan;
	/** The plan, unless the article was not planned. */
	readonly #planned: Plan | null;
	readonly #yardstick: Yardstick;
	readonly #reader: ArticleReader;

	constructor(findings: Findings, plan: Plan, runs: RunIndex) {
		this.#findings = findings;
		this.#plan = plan;
		this.#planned = plan.sections.length > 0 ? plan : null;
		this.#yardstick = yardstickOf(findings, this.#planned);
		this.#reader = new ArticleReader({ terms: termIndexOf(this.#yardstick), runs });
	}

	read({ state: { doc } }: Pick<Editor, 'state'>): Reading {
		const nodes: ProseNode[] = [];
		doc.forEach((node) => nodes.push(node));
		return this.#read(nodes);
	}

	/** A manuscript that is in no editor. */
	readDoc({ content }: TakeDoc): Reading {
		return this.#read(content);
	}

	/** How it would read with other blocks from one place to another, `to` excluded. */
	readWith(
		{ state: { doc } }: Pick<Editor, 'state'>,
		{ from, to }: { readonly from: number; readonly to: number },
		blocks: readonly BlockNode[]
	): Reading {
		const nodes: (ProseNode | BlockNode)[] = [];
		doc.forEach((node) => nodes.push(node));
		const now = [...nodes];
		nodes.splice(from, to - from, ...blocks);
		const reading = this.#read(nodes);
		// the reader goes on from what stands
		this.#read(now);
		return reading;
	}

	/** How another manuscript reads against the same plan; `open` is read again after it. */
	readOther({ state: { doc } }: Pick<Editor, 'state'>, blocks: readonly BlockNode[]): Reading {
		const reading = this.#read(blocks);
		const now: ProseNode[] = [];
		doc.forEach((node) => now.push(node));
		this.#read(now);
		return reading;
	}

	#read(nodes: readonly (ProseNode | BlockNode)[]): Reading {
		const article = this.#reader.read(nodes, (node) =>
			'toJSON' in node ? (node.toJSON() as BlockNode) : node
		);
		const state = stateOf(article, this.#plan, this.#yardstick);
		const answered = new Set(
			this.#yardstick.questions.flatMap(({ id }, q) => (state.answered[q] ? [id] : []))
		);
		const standing = scoreState(state, this.#yardstick);
		return {
			article,
			state,
			standing,
			holds: holdsOf(standing, state, this.#yardstick),
			keywordLoad: keywordLoadOf(state, this.#yardstick),
			slips: slipsOf(this.#plan, this.#findings, article, answered)
		};
	}

	/** The standing that some moves come to together. */
	standingWith({ state }: Reading, moves: ReadonlySet<string>): number {
		return standingWithMoves(state, this.#yardstick, this.#planned, moves);
	}

	/** The steps that would gain most; scores every one, so it is called when typing pauses. */
	moves({ state }: Reading): Move[] {
		return nextBestMoves(state, this.#yardstick, this.#planned);
	}
}
