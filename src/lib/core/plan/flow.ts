/** An edge of a flow network; costs may be negative. */
interface Edge {
	readonly to: number;
	capacity: number;
	readonly cost: number;
}

/**
 * A network for minimum-cost flow by successive shortest paths (Ahuja, Magnanti and Orlin 1993,
 * ch. 9). Exact for whole capacities. Paths are found by a queue-based Bellman–Ford, since
 * costs are negative here and networks are small (200 terms × 25 sections: some 5,000 edges).
 */
export class FlowNetwork {
	readonly #edges: Edge[] = [];
	readonly #from: number[][];

	constructor(nodes: number) {
		this.#from = Array.from({ length: nodes }, () => []);
	}

	/** Adds an edge and gives its number, for `flowOn`. */
	connect(from: number, to: number, capacity: number, cost: number): number {
		const id = this.#edges.length;
		this.#edges.push({ to, capacity, cost }, { to: from, capacity: 0, cost: -cost });
		this.#from[from]!.push(id);
		this.#from[to]!.push(id + 1);
		return id;
	}

	flowOn(edge: number): number {
		return this.#edges[edge + 1]!.capacity;
	}

	/** Sends flow along ever dearer paths for as long as a path lowers the cost; returns the total cost. */
	minimise(source: number, sink: number): number {
		const nodes = this.#from.length;
		let total = 0;
		for (;;) {
			const distance = new Float64Array(nodes).fill(Infinity);
			const by = new Int32Array(nodes).fill(-1);
			const queued = new Uint8Array(nodes);
			const queue = [source];
			distance[source] = 0;
			for (let head = 0; head < queue.length; head++) {
				const node = queue[head]!;
				queued[node] = 0;
				for (const id of this.#from[node]!) {
					const { to, capacity, cost } = this.#edges[id]!;
					const next = distance[node]! + cost;
					if (capacity <= 0 || next >= distance[to]! - 1e-9) continue;
					distance[to] = next;
					by[to] = id;
					if (!queued[to]) {
						queued[to] = 1;
						queue.push(to);
					}
				}
			}
			if (distance[sink]! >= -1e-9) return total;
			let amount = Infinity;
			for (let node = sink; node !== source; node = this.#edges[by[node]! ^ 1]!.to) {
				amount = Math.min(amount, this.#edges[by[node]!]!.capacity);
			}
			for (let node = sink; node !== source; node = this.#edges[by[node]! ^ 1]!.to) {
				this.#edges[by[node]!]!.capacity -= amount;
				this.#edges[by[node]! ^ 1]!.capacity += amount;
			}
			total += amount * distance[sink]!;
		}
	}
}
