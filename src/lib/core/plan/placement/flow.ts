/** Costs nearer than this are the same. */
const SAME = 1e-9;

/** The edges of a network, those out of one node side by side. */
interface Packed {
	/** Where the edges of a node begin; one entry more than nodes. */
	readonly first: Int32Array;
	readonly to: Int32Array;
	readonly cost: Float64Array;
	/** What an edge can still carry. */
	readonly left: Int32Array;
	/** The same edge in the other direction. */
	readonly back: Int32Array;
}

/**
 * A network for minimum-cost flow by successive shortest paths (Ahuja, Magnanti and Orlin 1993,
 * ch. 9). Exact for whole capacities. Costs are negative at first, so the first distances come from
 * a queue-based Bellman–Ford; from then on they serve as potentials that make every reduced cost
 * positive (Edmonds and Karp 1972), and paths are found by Dijkstra without a heap, networks being
 * dense and small (300 terms × 60 sections: 362 nodes, 100,000 edges).
 */
export class FlowNetwork {
	readonly #edges: { from: number; to: number; capacity: number; cost: number }[] = [];
	/** What each edge carries, once the flow is found. */
	#flows = new Int32Array(0);

	constructor(readonly nodes: number) {}

	/** Adds an edge and gives its number, for `flowOn`. Capacities are whole. */
	connect(from: number, to: number, capacity: number, cost: number): number {
		return this.#edges.push({ from, to, capacity, cost }) - 1;
	}

	flowOn(edge: number): number {
		return this.#flows[edge] ?? 0;
	}

	/** Sends flow along ever dearer paths for as long as a path lowers the cost; returns the total cost. */
	minimise(source: number, sink: number): number {
		const { packed, place } = this.#pack();
		const { to, left, back } = packed;
		const potential = distancesFrom(source, packed);
		let total = 0;
		for (;;) {
			const by = nearest(source, sink, packed, potential);
			const cost = potential[sink]! - potential[source]!;
			if (by === null || cost >= -SAME) break;
			let amount = Infinity;
			for (let node = sink; node !== source; node = to[back[by[node]!]!]!)
				amount = Math.min(amount, left[by[node]!]!);
			for (let node = sink; node !== source; node = to[back[by[node]!]!]!) {
				left[by[node]!]! -= amount;
				left[back[by[node]!]!]! += amount;
			}
			total += amount * cost;
		}
		this.#flows = Int32Array.from(place, (at) => left[back[at]!]!);
		return total;
	}

	/** The edges side by side, and where each one has gone. */
	#pack(): { packed: Packed; place: Int32Array } {
		const edges = this.#edges;
		const first = new Int32Array(this.nodes + 1);
		for (const { from, to } of edges) {
			first[from + 1]!++;
			first[to + 1]!++;
		}
		for (let node = 0; node < this.nodes; node++) first[node + 1]! += first[node]!;
		const next = first.slice(0, this.nodes);
		const packed: Packed = {
			first,
			to: new Int32Array(2 * edges.length),
			cost: new Float64Array(2 * edges.length),
			left: new Int32Array(2 * edges.length),
			back: new Int32Array(2 * edges.length)
		};
		const put = (from: number, to: number, left: number, cost: number) => {
			const at = next[from]!++;
			packed.to[at] = to;
			packed.cost[at] = cost;
			packed.left[at] = left;
			return at;
		};
		const place = Int32Array.from(edges, ({ from, to, capacity, cost }) => {
			const there = put(from, to, capacity, cost);
			const back = put(to, from, 0, -cost);
			packed.back[there] = back;
			packed.back[back] = there;
			return there;
		});
		return { packed, place };
	}
}

/** Least cost from the source to every node; `Infinity` where no edge leads. */
function distancesFrom(source: number, { first, to, cost, left }: Packed): Float64Array {
	const nodes = first.length - 1;
	const distance = new Float64Array(nodes).fill(Infinity);
	const queued = new Uint8Array(nodes);
	const queue = [source];
	distance[source] = 0;
	for (let head = 0; head < queue.length; head++) {
		const node = queue[head]!;
		queued[node] = 0;
		for (let edge = first[node]!; edge < first[node + 1]!; edge++) {
			const other = to[edge]!;
			const next = distance[node]! + cost[edge]!;
			if (left[edge] === 0 || next >= distance[other]! - SAME) continue;
			distance[other] = next;
			if (queued[other]) continue;
			queued[other] = 1;
			queue.push(other);
		}
	}
	return distance;
}

/**
 * The edge by which the cheapest way to each node comes in, as far as the sink; null when no way
 * leads there. Brings the potentials up to date.
 */
function nearest(
	source: number,
	sink: number,
	{ first, to, cost, left }: Packed,
	potential: Float64Array
): Int32Array | null {
	const nodes = first.length - 1;
	const distance = new Float64Array(nodes).fill(Infinity);
	const by = new Int32Array(nodes).fill(-1);
	const done = new Uint8Array(nodes);
	distance[source] = 0;
	for (;;) {
		let node = -1;
		let least = Infinity;
		for (let i = 0; i < nodes; i++)
			if (done[i] === 0 && distance[i]! < least) [node, least] = [i, distance[i]!];
		if (node < 0) return null;
		done[node] = 1;
		if (node === sink) break;
		const height = potential[node]!;
		for (let edge = first[node]!; edge < first[node + 1]!; edge++) {
			if (left[edge] === 0) continue;
			const other = to[edge]!;
			if (done[other] === 1) continue;
			// rounding may leave a reduced cost a hair under zero
			const next = least + Math.max(0, cost[edge]! + height - potential[other]!);
			if (next >= distance[other]!) continue;
			distance[other] = next;
			by[other] = edge;
		}
	}
	const most = distance[sink]!;
	for (let i = 0; i < nodes; i++) potential[i]! += Math.min(distance[i]!, most);
	return by;
}
