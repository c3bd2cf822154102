import { NO_EDITS, rulesOf, type GroupEdits } from '../edits';
import type { Fact } from './facts';
import { toBase, type PageWork } from '../../reading';
import type { FactValue, FactGroup, FiguresFound } from './fact-group';
import { type Statement, statementsOf } from './statements';
import { agreementOf } from './agreement';
import { namingOf } from './figure-label';
import { labelsOf } from './figure-labels';
import { cluster } from './gather-statements';

/**
 * Groups statements of the same quantity, those of several sources first, then by how far they
 * differ. Years are no quantity to compare. The keyword's own words say nothing here.
 *
 * @param works the pages and notes that the facts are from; their nouns may name figures
 */
export function groupFacts(
	facts: readonly Fact[],
	keyword: string,
	works: readonly PageWork[],
	edits: GroupEdits = NO_EDITS.figures
): FiguresFound {
	const rules = rulesOf(edits);
	const byDimension = new Map<string, Statement[]>();
	const statements = statementsOf(facts, keyword);
	for (const statement of statements) {
		const list = byDimension.get(statement.dimension);
		if (list) list.push(statement);
		else byDimension.set(statement.dimension, [statement]);
	}
	const clusters = [...byDimension.values()].flatMap((list) => cluster(list, rules));
	const labels = labelsOf(clusters, namingOf(works));
	const groups = clusters
		.map((cluster, i) => {
			const made = groupOf(cluster, labels[i]!);
			return { ...made, label: rules.nameOf(made.values.map(({ ref }) => ref)) ?? made.label };
		})
		.sort(
			(a, b) =>
				b.sources.length - a.sources.length ||
				Number(a.isCount) - Number(b.isCount) ||
				b.values.length - a.values.length
		);
	const isStruck = ({ values }: FactGroup) => rules.isStruck(values.map(({ ref }) => ref));
	return { figures: groups.filter((group) => !isStruck(group)), struck: groups.filter(isStruck) };
}

function groupOf(group: readonly Statement[], label: string): FactGroup {
	const units = new Map<string, number>();
	for (const { quantity } of group) units.set(quantity.unit, (units.get(quantity.unit) ?? 0) + 1);
	const unit = [...units].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]![0];
	const of = (value: number, own: string) => (own === unit ? value : inUnit(value, own, unit));
	const values = group
		.map(({ fact, quantity, at, ref }): FactValue => {
			const [low, high] = [of(quantity.value, quantity.unit), of(quantity.upTo, quantity.unit)];
			return {
				fact: fact.id,
				quantity: at,
				ref,
				source: fact.source,
				origin: fact.origin,
				low,
				high
			};
		})
		.sort((a, b) => a.low - b.low || a.high - b.high);
	const sources = [...new Set(values.map(({ source }) => source))];
	return {
		id: `figure:${group[0]!.fact.id}/${group[0]!.at}`,
		label,
		dimension: group[0]!.dimension,
		unit,
		per: group[0]!.quantity.per,
		values,
		low: Math.min(...values.map(({ low }) => low)),
		high: Math.max(...values.map(({ high }) => high)),
		sources,
		agreement: sources.length < 2 ? 'alone' : agreementOf(group),
		isCount: group[0]!.quantity.kind === 'count',
		onlyNotes: values.every(({ origin }) => origin === 'note')
	};
}

function inUnit(value: number, from: string, to: string): number {
	if (to === '°F') return (toBase(value, from).value * 9) / 5 + 32;
	return toBase(value, from).value / toBase(1, to).value;
}
