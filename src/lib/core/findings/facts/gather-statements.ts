import type { GroupRules } from '../edits';
import type { Fact } from './facts';
import type { Statement } from './statements';

/** Likeness of contexts from which two figures are of the same thing; set on the labelled subjects and the demo. */
const SAME_AT = 0.38;

/** Ratio from which two figures are of different things, whatever the words. */
const MOST_APART = 8;

interface Gathering {
	readonly members: Statement[];
	/** What its lengths measure; −1 while none says so. */
	extent: number;
	least: number;
	most: number;
}

/** Puts each statement into the group it is most like, on average over its members, or opens one. */
export function cluster(statements: readonly Statement[], rules: GroupRules): Statement[][] {
	const groups: Gathering[] = [];
	const sums: ContextSums = new Map();
	// by what is said and not by who says it: the ids of pages differ from one import to the next
	const ordered = [...statements].sort((a, b) =>
		a.fact.text < b.fact.text ? -1 : a.fact.text > b.fact.text ? 1 : a.at - b.at
	);
	for (const statement of ordered) {
		let group = byHand(statement, groups, rules) ?? mostAlike(statement, groups, sums, rules);
		if (!group) groups.push((group = { members: [], extent: -1, least: Infinity, most: 0 }));
		add(group, statement);
		const at = groups.indexOf(group);
		statement.stems.forEach((stem, i) => {
			const by = sums.get(stem) ?? new Map<number, number>();
			sums.set(stem, by.set(at, (by.get(at) ?? 0) + statement.weights[i]!));
		});
	}
	return groups.map(({ members }) => members);
}

function byHand(statement: Statement, groups: readonly Gathering[], rules: GroupRules) {
	const set = rules.setOf(statement.ref);
	if (set < 0) return undefined;
	return groups.find(({ members }) => members.some(({ ref }) => rules.setOf(ref) === set));
}

/** For each stem the groups it stands in, by position, with the sum of the members' weights. */
type ContextSums = Map<string, Map<number, number>>;

function mostAlike(
	statement: Statement,
	groups: readonly Gathering[],
	sums: ContextSums,
	rules: GroupRules
) {
	const dots = new Float64Array(groups.length);
	statement.stems.forEach((stem, i) => {
		const weight = statement.weights[i]!;
		if (weight > 0) sums.get(stem)?.forEach((sum, at) => (dots[at]! += weight * sum));
	});
	let best: Gathering | undefined;
	let most = SAME_AT;
	for (const [at, group] of groups.entries()) {
		const likeness = dots[at]! / group.members.length;
		if (likeness <= most) continue;
		if (group.extent >= 0 && statement.extent >= 0 && group.extent !== statement.extent) continue;
		if (isFarApart(group, statement)) continue;
		// one sentence never gives the same figure twice: "20 cm wider and 30 cm deep"
		if (group.members.some(({ fact }) => isBeside(fact, statement.fact))) continue;
		if (!group.members.every(({ ref }) => rules.mayMeet(ref, statement.ref))) continue;
		[best, most] = [group, likeness];
	}
	return best;
}

/** Of one sentence, or of two rows of a table. */
function isBeside(one: Fact, other: Fact): boolean {
	if (one === other) return true;
	return one.isRow && other.isRow && one.source === other.source && one.section === other.section;
}

function add(group: Gathering, statement: Statement): void {
	group.members.push(statement);
	if (statement.extent >= 0) group.extent = statement.extent;
	const size = Math.abs(statement.high);
	group.least = Math.min(group.least, size);
	group.most = Math.max(group.most, size);
}

/** The same words with a figure many times as large speak of something else. */
function isFarApart({ least, most }: Gathering, { high }: Statement): boolean {
	const size = Math.abs(high);
	const ratio = Math.max(most, size) / Math.max(1e-9, Math.min(least, size));
	return ratio > MOST_APART && Math.max(most, size) - Math.min(least, size) > 1e-9;
}
