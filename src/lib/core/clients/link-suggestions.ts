import { contentStemsOf } from '../text';

/** Somewhere that a link could lead. */
export interface LinkTarget {
	readonly address: string;
	/** As it is named: the phrase of a link map, the title of a page. */
	readonly name: string;
	/** "your client" or the site's name, as it is shown. */
	readonly where: string;
}

/**
 * Addresses that suit some words best: the more of the rarer words they share, the better. What is
 * typed must stand in the name or the address as it is; without anything typed, nothing that shares no
 * word is given. Each address once.
 *
 * @param words the words that are to lead there
 * @param typed what was typed to look for; empty for nothing
 */
export function suggestLinks(
	words: string,
	typed: string,
	targets: readonly LinkTarget[],
	most = 7
): LinkTarget[] {
	const wanted = new Set(contentStemsOf(words));
	const sought = typed.trim().toLowerCase();
	const stems = targets.map(({ name }) => contentStemsOf(name));
	const uses = new Map<string, number>();
	for (const own of stems)
		for (const stem of new Set(own)) uses.set(stem, (uses.get(stem) ?? 0) + 1);
	const weight = (stem: string) => 1 / Math.sqrt(uses.get(stem) ?? 1);
	const seen = new Set<string>();
	return targets
		.map((target, at) => {
			const own = stems[at]!;
			const shared = own.filter((stem) => wanted.has(stem)).reduce((sum, s) => sum + weight(s), 0);
			// a name that says much else suits less
			return { target, at, value: shared / Math.sqrt(Math.max(1, own.length)) };
		})
		.filter(({ target: { name, address }, value }) =>
			sought === ''
				? value > 0
				: name.toLowerCase().includes(sought) || address.toLowerCase().includes(sought)
		)
		.sort((a, b) => b.value - a.value || a.at - b.at)
		.filter(({ target: { address } }) => !seen.has(address) && seen.add(address))
		.slice(0, most)
		.map(({ target }) => target);
}
