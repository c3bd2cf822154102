import { headingOf, labelOf, widerLabelOf, type Naming } from './figure-label';
import type { Statement } from './statements';

type Group = readonly Statement[];

/** What may tell a group from others that are called the same; empty where it says nothing. */
type WayApart = (
	group: Group,
	label: string,
	others: readonly Group[],
	naming: Naming
) => string | undefined;

/** In the order in which a person would use them. */
const WAYS_APART: readonly WayApart[] = [
	(group, label, _, naming) => widerLabelOf(group, label, naming),
	(group, label) => {
		const measure = MEASURES[group[0]!.dimension.split(' ')[0]!];
		return measure && !label.includes(measure) && !label.includes(':')
			? `${label}: ${measure}`
			: undefined;
	},
	(group, label, others, naming) => beside(label, ownTermOf(group, label, others, naming)),
	(group, label, _, naming) => beside(label, headingOf(group, naming))
];

/** What a figure of a dimension tells of a thing. */
const MEASURES: Readonly<Record<string, string>> = {
	length: 'length',
	area: 'area',
	volume: 'volume',
	mass: 'weight',
	temperature: 'temperature',
	fahrenheit: 'temperature',
	time: 'time',
	frequency: 'how often',
	money: 'cost',
	share: 'share'
};

function beside(label: string, further: string): string | undefined {
	if (further === '' || label.includes(further) || label.endsWith(')')) return undefined;
	return `${label} (${further})`;
}

/** The term that most of a group's sentences use and none of the others'; empty when there is none. */
function ownTermOf(group: Group, label: string, others: readonly Group[], naming: Naming): string {
	const theirs = new Set(others.flat().flatMap(({ fact }) => fact.terms));
	const uses = new Map<string, number>();
	for (const term of group.flatMap(({ fact }) => fact.terms)) {
		const names = naming.isNoun(term.split(/[ -]/).at(-1)!);
		if (names && !theirs.has(term) && !label.includes(term))
			uses.set(term, (uses.get(term) ?? 0) + 1);
	}
	const ordered = [...uses]
		.filter(([, count]) => count >= group.length / 2)
		.sort(
			([one, often], [other, seldom]) =>
				seldom - often || other.length - one.length || (one < other ? -1 : 1)
		);
	return ordered[0]?.[0] ?? '';
}

/**
 * What the figures of each group are figures of; empty for a group of one. Of several that would
 * be called the same, each says more in the first way that no other label is like.
 */
export function labelsOf(groups: readonly Group[], naming: Naming): readonly string[] {
	const labels = groups.map((group) => (group.length > 1 ? labelOf(group, naming) : ''));
	const taken = new Set(labels);
	for (const alike of alikeIn(labels)) {
		let left = alike;
		for (const way of WAYS_APART) {
			const told = left.map((at) =>
				way(
					groups[at]!,
					labels[at]!,
					alike.filter((other) => other !== at).map((other) => groups[other]!),
					naming
				)
			);
			const own = told.map(
				(label) => label !== undefined && label !== '' && !taken.has(label) && once(told, label)
			);
			left.forEach((at, i) => {
				if (!own[i]) return;
				labels[at] = told[i]!;
				taken.add(told[i]!);
			});
			left = left.filter((_, i) => !own[i]);
		}
		// nothing tells them apart: they are counted
		for (const label of new Set(left.map((at) => labels[at]!)))
			left
				.filter((at) => labels[at] === label)
				.slice(1)
				.forEach((at, i) => (labels[at] = `${label} (${i + 2})`));
	}
	return labels;
}

function once(labels: readonly (string | undefined)[], label: string): boolean {
	return labels.filter((other) => other === label).length === 1;
}

/** Positions of the labels that stand more than once, a list for each. */
function alikeIn(labels: readonly string[]): number[][] {
	const places = new Map<string, number[]>();
	labels.forEach((label, at) => {
		if (label !== '') places.set(label, [...(places.get(label) ?? []), at]);
	});
	return [...places.values()].filter((alike) => alike.length > 1);
}
