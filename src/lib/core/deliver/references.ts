import { docText, type TakeDoc } from '../manuscript';
import type { Claim } from '../proof';
import type { Reference } from './article';

/** A note or page, as the reader may be told of it. */
export interface ToldSource {
	readonly id: string;
	readonly name: string;
	/** Empty: it has none. */
	readonly address: string;
}

/** Where a reference is needed: a place in a block's text (see `docText`). */
export interface CitePlace {
	readonly at: number;
	readonly numbers: readonly number[];
}

export interface FoundReferences {
	readonly references: readonly Reference[];
	/** By position of the block in the manuscript, in reading order. */
	readonly places: ReadonlyMap<number, readonly CitePlace[]>;
}

export const NO_REFERENCES: FoundReferences = { references: [], places: new Map() };

/**
 * References out of the claims that are backed: each sentence with such a claim names the source that
 * backs it, once; a table names it once. Sources are numbered in the order they are first needed.
 *
 * @param sources those that may be told; a claim that only others back is left without a reference
 */
export function referencesOf(
	doc: TakeDoc,
	claims: readonly Claim[],
	sources: readonly ToldSource[]
): FoundReferences {
	const told = new Map(sources.map((source) => [source.id, source]));
	const references = new Map<string, Reference>();
	const found = new Map<number, Map<number, Set<number>>>();
	const inOrder = [...claims].sort(
		(a, b) => a.place.block - b.place.block || a.place.start - b.place.start
	);
	for (const { backing, same, place, sentence } of inOrder) {
		const block = doc.content[place.block];
		const source = same.map((voice) => told.get(voice.source)).find((one) => one !== undefined);
		if (backing !== 'backed' || !source || !block || block.type === 'heading') continue;
		const text = docText(block);
		const from = text.lastIndexOf(sentence, place.start);
		if (from < 0 || from + sentence.length < place.end) continue;
		const at = from + sentence.trimEnd().length;
		const reference = references.get(source.id) ?? {
			number: references.size + 1,
			source: source.id,
			name: source.name,
			address: source.address
		};
		references.set(source.id, reference);
		const places = found.get(place.block) ?? new Map<number, Set<number>>();
		found.set(place.block, places);
		// every cell of a table would say the same
		if (block.type === 'table') forget(places, reference.number);
		places.set(at, (places.get(at) ?? new Set()).add(reference.number));
	}
	return {
		references: [...references.values()],
		places: new Map(
			[...found].map(([block, places]) => [
				block,
				[...places]
					.map(([at, numbers]) => ({ at, numbers: [...numbers].sort((a, b) => a - b) }))
					.sort((a, b) => a.at - b.at)
			])
		)
	};
}

function forget(places: Map<number, Set<number>>, number: number): void {
	for (const [at, numbers] of places) {
		numbers.delete(number);
		if (numbers.size === 0) places.delete(at);
	}
}
