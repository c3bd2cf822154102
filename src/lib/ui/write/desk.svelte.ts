import type { Editor } from '@tiptap/core';
import type { Node as ProseNode } from '@tiptap/pm/model';
import type { Findings } from '$lib/core/findings';
import type { Plan } from '$lib/core/plan';
import {
	evidenceOf,
	keywordLoadOf,
	nextBestMoves,
	scoreState,
	stateOf,
	termIndexOf,
	type Evidence,
	type Move,
	type Standing
} from '$lib/core/standing';
import {
	measureBlock,
	slipsOf,
	TakeTally,
	type BlockMeasure,
	type DocNode,
	type RunIndex,
	type Slip
} from '$lib/core/takes';
import type { TermIndex } from '$lib/core/text';

/** What is shown of a manuscript while it is written. */
export interface Reading {
	readonly words: number;
	readonly standing: Standing;
	readonly keywordLoad: number;
	readonly slips: readonly Slip[];
	/** Blocks as measured, in order; their headings tell where slips stand. */
	readonly blocks: readonly BlockMeasure[];
}

/**
 * Reads a manuscript block by block as it changes. A block is measured once for as long as it
 * stays the same node, so that a keystroke costs the paragraph it falls into.
 */
export class Desk {
	readonly evidence: Evidence;
	readonly #plan: Plan;
	readonly #findings: Findings;
	readonly #index: TermIndex;
	readonly #runs: RunIndex;
	readonly #measured = new WeakMap<ProseNode, BlockMeasure>();
	readonly #tally: TakeTally;

	constructor(findings: Findings, plan: Plan, runs: RunIndex) {
		this.#findings = findings;
		this.#plan = plan;
		this.#runs = runs;
		this.evidence = evidenceOf(findings, plan);
		this.#index = termIndexOf(this.evidence);
		this.#tally = new TakeTally(this.evidence.terms.length);
	}

	read(editor: Editor): Reading {
		const blocks: BlockMeasure[] = [];
		editor.state.doc.forEach((node) => {
			let measure = this.#measured.get(node);
			if (!measure)
				this.#measured.set(
					node,
					(measure = measureBlock(node.toJSON() as DocNode, this.#index, this.#runs))
				);
			blocks.push(measure);
		});
		this.#tally.update(blocks);
		const state = stateOf(blocks, this.#plan, this.evidence, this.#tally.uses);
		const answered = new Set(
			this.evidence.questions.flatMap(({ id }, q) => (state.answered[q] ? [id] : []))
		);
		return {
			words: state.words,
			standing: scoreState(state, this.evidence),
			keywordLoad: keywordLoadOf(state, this.evidence),
			slips: slipsOf(this.#plan, this.#findings, blocks, this.#tally.uses, answered),
			blocks
		};
	}

	/** The steps that would gain most; scores every one, so it is called when typing pauses. */
	moves(reading: Reading): Move[] {
		return nextBestMoves(
			stateOf(reading.blocks, this.#plan, this.evidence, this.#tally.uses),
			this.evidence,
			this.#plan
		);
	}
}
