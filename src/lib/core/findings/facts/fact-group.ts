import type { Fact } from './facts';

/** One statement of a quantity, in the unit of its group. */
export interface FactValue {
	/** Id of the fact and position of the quantity in it. */
	readonly fact: string;
	readonly quantity: number;
	/** Name of the figure for decisions by hand. */
	readonly ref: string;
	readonly source: string;
	readonly origin: Fact['origin'];
	readonly low: number;
	readonly high: number;
}

/** Statements of several sentences about the same quantity. */
export interface FactGroup {
	readonly id: string;
	/** What it is a figure of: words the sentences share; empty for a single sentence. */
	readonly label: string;
	/** What is measured: figures of one dimension can be compared. */
	readonly dimension: string;
	/** Unit the values are given in: the one used most. */
	readonly unit: string;
	readonly per: string;
	readonly values: readonly FactValue[];
	readonly low: number;
	readonly high: number;
	/** Pages and notes that state it, by id. */
	readonly sources: readonly string[];
	/**
	 * Whether sources differ by more than a tenth, agree, or only one speaks; `mixed` when figures
	 * lie apart whose sentences have too little in common to say that they contradict each other.
	 */
	readonly agreement: 'differs' | 'agrees' | 'mixed' | 'alone';
	/** Whether things are counted and not measured. */
	readonly isCount: boolean;
	/** Whether no counted page has it. */
	readonly onlyNotes: boolean;
}

export interface FiguresFound {
	readonly figures: readonly FactGroup[];
	/** Groups struck out by hand. */
	readonly struck: readonly FactGroup[];
}
