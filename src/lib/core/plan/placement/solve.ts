import { FlowNetwork } from './flow';

/** Uses of terms to be put into sections. All tables are [term][section]. */
export interface PlacementProblem {
	/** Value of the first use of a term in a section; at most 0 where it may not stand. */
	readonly gains: readonly (readonly number[])[];
	/** Uses wanted of each term, whole and not below 0. */
	readonly needs: readonly number[];
	/** Uses each section carries, whole and not below 0. */
	readonly room: readonly number[];
	/** Value of a term's being placed at all, on top of its first use's. */
	readonly firstUse: readonly number[];
	/** Uses of a term that one section takes at most. */
	readonly mostHere: readonly number[];
	/** Uses of one term that a section takes at most. */
	readonly mostOfOne: readonly number[];
	/** Sections a term may be spread over. */
	readonly spread: readonly number[];
	/** What a further use in one section is worth of the one before it, 0–1. */
	readonly repeat: number;
}

export interface Placements {
	/** Uses placed: [term][section]. */
	readonly uses: readonly (readonly number[])[];
	readonly value: number;
	/** No placement is worth more. */
	readonly bound: number;
	/** Whether `value` is the best there is. */
	readonly isOptimal: boolean;
}

/**
 * Work done before the gap is shown instead of closed: flows times terms times sections. A writer
 * waits for about a second of it.
 */
const MOST_WORK = 50_000;

/** Values nearer than this are the same. */
const SAME = 1e-7;

/**
 * Places terms in sections at the highest value. Without the limit on sections per term this is a
 * minimum-cost flow, which is exact; where its answer spreads a term too far, branch and bound
 * forbids that term one of its sections at a time (Land and Doig 1960), best bound first.
 */
export function solvePlacement(problem: PlacementProblem): Placements {
	const root = relaxed(problem, new Set());
	let best = [
		repaired(problem, root.uses),
		fillGreedily(
			problem,
			problem.gains.map((row) => row.map(() => 0))
		)
	].reduce((a, b) => (b.value > a.value + SAME ? b : a));
	let left = MOST_WORK;
	const open: { forbidden: ReadonlySet<number>; bound: number; uses: number[][] }[] = [
		{ forbidden: new Set(), bound: root.value, uses: root.uses }
	];
	while (open.length > 0 && left > 0) {
		const node = open.shift()!;
		if (node.bound <= best.value + SAME) {
			open.length = 0;
			break;
		}
		const term = node.uses.findIndex((row, t) => spreadOf(row) > problem.spread[t]!);
		if (term < 0) {
			best = { uses: node.uses, value: node.bound };
			continue;
		}
		for (const [section, uses] of node.uses[term]!.entries()) {
			if (uses === 0) continue;
			left -= problem.needs.length * problem.room.length;
			const forbidden = new Set(node.forbidden).add(pairOf(problem, term, section));
			const { uses: next, value } = relaxed(problem, forbidden);
			if (value <= best.value + SAME) continue;
			const candidate = repaired(problem, next);
			if (candidate.value > best.value + SAME) best = candidate;
			open.push({ forbidden, bound: value, uses: next });
		}
		open.sort((a, b) => b.bound - a.bound);
	}
	const bound = Math.max(best.value, ...open.map((node) => node.bound));
	return { ...best, bound, isOptimal: bound <= best.value + SAME };
}

const pairOf = ({ room }: PlacementProblem, term: number, section: number) =>
	term * room.length + section;
const spreadOf = (row: readonly number[]) => row.filter((uses) => uses > 0).length;

/** Value of a placement. */
export function valueOf(
	{ gains, firstUse, repeat }: PlacementProblem,
	uses: readonly (readonly number[])[]
): number {
	let value = 0;
	uses.forEach((row, t) => {
		let placed = 0;
		row.forEach((count, s) => {
			for (let use = 0; use < count; use++) value += gains[t]![s]! * repeat ** use;
			placed += count;
		});
		if (placed > 0) value += firstUse[t]!;
	});
	return value;
}

/** The best placement when a term may stand in any number of sections. */
function relaxed(
	problem: PlacementProblem,
	forbidden: ReadonlySet<number>
): { uses: number[][]; value: number } {
	const { gains, needs, room, firstUse, mostHere, mostOfOne, repeat } = problem;
	const sink = 1 + gains.length + room.length;
	const network = new FlowNetwork(sink + 1);
	const edges: { id: number; t: number; s: number }[] = [];
	gains.forEach((row, t) => {
		if (needs[t]! <= 0) return;
		network.connect(0, 1 + t, 1, -firstUse[t]!);
		if (needs[t]! > 1) network.connect(0, 1 + t, needs[t]! - 1, 0);
		row.forEach((gain, s) => {
			if (gain <= 0 || room[s]! <= 0 || forbidden.has(pairOf(problem, t, s))) return;
			const most = Math.min(mostHere[t]!, mostOfOne[s]!, needs[t]!, room[s]!);
			for (let use = 0; use < most; use++) {
				const id = network.connect(1 + t, 1 + gains.length + s, 1, -gain * repeat ** use);
				edges.push({ id, t, s });
			}
		});
	});
	room.forEach((free, s) => network.connect(1 + gains.length + s, sink, Math.max(0, free), 0));
	network.minimise(0, sink);
	const uses = gains.map((row) => row.map(() => 0));
	for (const { id, t, s } of edges) uses[t]![s]! += network.flowOn(id);
	return { uses, value: valueOf(problem, uses) };
}

/** A placement in which no term is spread too far: its weakest sections give way, and what is free is filled again. */
function repaired(
	problem: PlacementProblem,
	found: readonly (readonly number[])[]
): { uses: number[][]; value: number } {
	const uses = found.map((row, t) => {
		const kept = row
			.map((count, s) => ({ s, worth: count === 0 ? 0 : problem.gains[t]![s]! }))
			.filter(({ worth }) => worth > 0)
			.sort((a, b) => b.worth - a.worth || a.s - b.s)
			.slice(0, problem.spread[t]!)
			.map(({ s }) => s);
		return row.map((count, s) => (kept.includes(s) ? count : 0));
	});
	return fillGreedily(problem, uses);
}

/** Adds the use that is worth most until none fits; from nothing, the plain baseline. */
export function fillGreedily(
	problem: PlacementProblem,
	from: readonly (readonly number[])[]
): { uses: number[][]; value: number } {
	const { gains, needs, room, firstUse, mostHere, mostOfOne, spread, repeat } = problem;
	const uses = from.map((row) => [...row]);
	const placed = uses.map((row) => row.reduce((sum, n) => sum + n, 0));
	const free = room.map((most, s) => most - uses.reduce((sum, row) => sum + row[s]!, 0));
	for (;;) {
		let best = { t: -1, s: -1, worth: 0 };
		for (let t = 0; t < gains.length; t++) {
			if (placed[t]! >= needs[t]!) continue;
			const isFull = spreadOf(uses[t]!) >= spread[t]!;
			for (let s = 0; s < room.length; s++) {
				const here = uses[t]![s]!;
				const most = Math.min(mostHere[t]!, mostOfOne[s]!);
				if (free[s]! <= 0 || gains[t]![s]! <= 0 || here >= most || (here === 0 && isFull)) continue;
				const worth = gains[t]![s]! * repeat ** here + (placed[t] === 0 ? firstUse[t]! : 0);
				if (worth > best.worth) best = { t, s, worth };
			}
		}
		if (best.t < 0) return { uses, value: valueOf(problem, uses) };
		uses[best.t]![best.s]!++;
		placed[best.t]!++;
		free[best.s]!--;
	}
}
