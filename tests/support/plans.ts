import { newSection, type Plan, type PlanSection } from '../../src/lib/core/plan';

/** A plan with an opening and the sections given; nothing is placed in it. */
export function planOf(...sections: readonly PlanSection[]): Plan {
	return {
		title: 'Walls',
		titleTag: '',
		description: '',
		slug: '',
		sections: [{ ...newSection('top', 'Opening', 80), level: 1, kind: 'opening' }, ...sections],
		value: 0,
		bound: 0,
		unplaced: [],
		confined: {},
		dismissed: {},
		basis: { terms: [], headings: [], questions: [] }
	};
}
