import { toast } from 'svelte-sonner';
import type { Link, LinkTarget } from '$lib/core/clients';
import { readLinks } from '$lib/data/clients';
import { follow } from '$lib/data/follow';
import type { Session } from '../assignment/session.svelte';

/** Where links of an article could lead: the client's link map, and the pages that are counted. */
export class LinkTargets {
	readonly #session: Session;
	#own = $state.raw<readonly Link[]>([]);

	readonly all: readonly LinkTarget[] = $derived.by(() => {
		const session = this.#session;
		return [
			...this.#own.map(({ phrase, address }) => ({
				address,
				name: phrase,
				where: session.client?.name ?? 'your client'
			})),
			...session.counted.flatMap(({ id, address, article }) =>
				/^https?:/.test(address)
					? [
							{
								address,
								name: article.title || session.nameOf(id),
								where: `page ${session.letters.get(id) ?? ''}`.trim()
							}
						]
					: []
			)
		];
	});

	constructor(session: Session) {
		this.#session = session;
	}

	/** Follows the link map of the client; call from an effect, which ends it. */
	follow(): (() => void) | undefined {
		const client = this.#session.assignment?.client ?? null;
		this.#own = [];
		if (client === null) return undefined;
		return follow(
			() => readLinks(client),
			(links) => (this.#own = links),
			(message) => toast.error(message)
		);
	}
}
