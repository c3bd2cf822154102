import type { ArticleReading } from '../measure';
import {
	baseOf,
	DIGITS,
	namedBodiesIn,
	numberOf,
	placedQuantitiesOf,
	type BaseQuantity,
	WORDS,
	type PlacedQuantity
} from '../reading';
import { contentStemsOf, keywordStemsOf } from '../text';
import type { MarkPlace } from './mark';
import type { ProofSource } from './passages';

/** How a claim stands to what was gathered. */
export type Backing = 'backed' | 'differs' | 'no backing';

/** What a note or page says about a claim. */
export interface Voice {
	readonly source: string;
	readonly text: string;
	/** The figure it has in place of the claim's; empty where it says the same, or none. */
	readonly value: string;
}

/** A figure, date or named body in a text, with what was gathered about it. */
export interface Claim {
	readonly place: MarkPlace;
	/** The figure or name. */
	readonly quote: string;
	readonly sentence: string;
	readonly backing: Backing;
	/** Who says the same, notes first. */
	readonly same: readonly Voice[];
	/** Who says otherwise. */
	readonly other: readonly Voice[];
}

interface Said {
	readonly source: string;
	readonly isNote: boolean;
	readonly text: string;
	readonly stems: ReadonlySet<string>;
	readonly figures: readonly { readonly base: BaseQuantity; readonly text: string }[];
	/** Every number in it, whatever it measures: notes leave units out, or write them in their own way. */
	readonly numbers: ReadonlySet<number>;
}

/** Stems, the keyword's own left out, that a claim and a statement with its figure share at least; figures meet by chance. */
const SAME_STEMS = 1;
/** Stems that a note with the bare number shares with the claim's paragraph; see `isTelling`. */
const BARE_STEMS = 2;
/** Stems and share of the claim's stems from which another figure speaks of the same thing. */
const OTHER = { stems: 3, share: 0.5 };
/** Share of the stems of a sentence about a body that a statement about it holds. */
const BODY_SHARE = 0.3;
/** Figures this near are one: they were converted or rounded. */
const TOLERANCE = 0.02;
const MOST_VOICES = 4;
/** What is claimed of nobody in particular. */
const NOBODY =
	/\b(?:(?:recent |many |several |some |most )?(?:studies|research|surveys|experts|scientists|statistics)\s+(?:shows?|suggests?|says?|said|agree|find|found|have (?:shown|found)|has (?:shown|found)|proves?|recommends?|indicates?)|it is (?:scientifically )?proven|(?:is|are|has been) (?:clinically|scientifically) proven)\b/i;

/** Holds claims against what was gathered. */
export class ClaimChecker {
	readonly #said: Said[];
	readonly #byDimension = new Map<string, Said[]>();
	readonly #common: ReadonlySet<string>;

	constructor(sources: readonly ProofSource[], keyword: string) {
		this.#common = keywordStemsOf(keyword);
		this.#said = sources.flatMap(({ id, isNote, statements }) =>
			statements.map((text) => ({
				source: id,
				isNote,
				text,
				stems: this.#stemsOf(text),
				numbers: numbersIn(text),
				figures: placedQuantitiesOf(text).map((quantity) => ({
					base: baseOf(quantity),
					text: quantity.text
				}))
			}))
		);
		for (const said of this.#said)
			for (const dimension of new Set(said.figures.map(({ base }) => base.dimension))) {
				const known = this.#byDimension.get(dimension);
				if (known) known.push(said);
				else this.#byDimension.set(dimension, [said]);
			}
	}

	/** All claims of an article, in order; none where nothing was gathered. */
	claimsIn({ blocks }: ArticleReading): Claim[] {
		// held against nothing, every figure would look made up
		if (this.#said.length === 0) return [];
		return blocks.flatMap((block, at) => {
			if (block.level > 0 || block.kind === 'gap') return [];
			const paragraph = this.#stemsOf(block.text);
			return block.sentences.flatMap((span): Claim[] => {
				const sentence = block.text.slice(span.start, span.end);
				const stems = this.#stemsOf(sentence);
				// a row of a table or a short entry is about what stands above it
				const around = stems.size >= 4 ? stems : paragraph;
				const place = (start: number, end: number): MarkPlace => ({ block: at, start, end });
				const figures = block.quantities
					.filter(({ start, end }) => start >= span.start && end <= span.end)
					.filter(isClaim)
					.map((quantity): Claim => ({
						place: place(quantity.start, quantity.end),
						quote: block.text.slice(quantity.start, quantity.end),
						sentence,
						...this.#figure(quantity, around, paragraph)
					}));
				const names = namedBodiesIn(sentence).flatMap((name): Claim[] => {
					const start = span.start + sentence.indexOf(name);
					return [
						{
							place: place(start, start + name.length),
							quote: name,
							sentence,
							...this.#body(name, stems)
						}
					];
				});
				const nobody = NOBODY.exec(sentence);
				const vague: Claim[] = nobody
					? [
							{
								place: place(
									span.start + nobody.index,
									span.start + nobody.index + nobody[0].length
								),
								quote: nobody[0],
								sentence,
								backing: 'no backing',
								same: [],
								other: []
							}
						]
					: [];
				return [...figures, ...names, ...vague];
			});
		});
	}

	#stemsOf(text: string): ReadonlySet<string> {
		return new Set(
			contentStemsOf(text).filter((stem) => !this.#common.has(stem) && !/\d/.test(stem))
		);
	}

	#figure(
		quantity: PlacedQuantity,
		stems: ReadonlySet<string>,
		paragraph: ReadonlySet<string>
	): Pick<Claim, 'backing' | 'same' | 'other'> {
		const base = baseOf(quantity);
		const met = (this.#byDimension.get(base.dimension) ?? []).map((said) => {
			const shared = sharedOf(stems, said.stems);
			return {
				said,
				shared,
				share: stems.size === 0 ? 0 : shared / stems.size,
				isSame: said.figures.some((figure) => isEqual(figure.base, base))
			};
		});
		const same = met
			.filter(({ isSame, shared }) => isSame && (shared >= SAME_STEMS || stems.size === 0))
			.sort(nearer);
		if (same.length > 0)
			return { backing: 'backed', same: same.slice(0, MOST_VOICES).map(voiceOf('')), other: [] };
		const bare = this.#bareNumber(quantity, paragraph);
		if (bare.length > 0)
			return { backing: 'backed', same: bare.slice(0, MOST_VOICES).map(voiceOf('')), other: [] };
		const other = met
			.filter(
				({ isSame, shared, share }) => !isSame && shared >= OTHER.stems && share >= OTHER.share
			)
			.sort(nearer);
		return {
			backing: other.length > 0 ? 'differs' : 'no backing',
			same: [],
			other: other
				.slice(0, MOST_VOICES)
				.map(({ said }) =>
					voiceOf(
						said.figures.find((figure) => figure.base.dimension === base.dimension)?.text ?? ''
					)({ said })
				)
		};
	}

	/** Notes with the bare number and words of the claim's paragraph. */
	#bareNumber({ value, upTo }: PlacedQuantity, stems: ReadonlySet<string>): Met[] {
		const least = isTelling(value) ? 1 : BARE_STEMS;
		return this.#said
			.filter(({ isNote, numbers }) => isNote && numbers.has(value) && numbers.has(upTo))
			.map((said) => ({ said, shared: sharedOf(stems, said.stems) }))
			.filter(({ shared }) => shared >= Math.min(least, stems.size))
			.sort(nearer);
	}

	#body(name: string, stems: ReadonlySet<string>): Pick<Claim, 'backing' | 'same' | 'other'> {
		const wanted = name.toLowerCase();
		const same = this.#said
			.filter(({ text }) => text.toLowerCase().includes(wanted))
			.map((said) => ({
				said,
				shared: sharedOf(stems, said.stems),
				share: sharedOf(stems, said.stems) / Math.max(1, stems.size)
			}))
			.filter(({ share }) => share >= BODY_SHARE)
			.sort(nearer);
		return {
			backing: same.length > 0 ? 'backed' : 'no backing',
			same: same.slice(0, MOST_VOICES).map(voiceOf('')),
			other: []
		};
	}
}

/** Ordinary small counts claim nothing: "two people", "three steps". */
function isClaim({ kind, value, unit }: PlacedQuantity): boolean {
	return kind !== 'count' || value > 12 || unit === 'time';
}

/** A number of three figures and more is met by chance only rarely. */
function isTelling(value: number): boolean {
	return String(value).replace(/[^1-9]/g, '').length >= 3 || !Number.isInteger(value);
}

const NUMBERS = new RegExp(`${DIGITS}|(?<![\\p{L}])${WORDS}(?![\\p{L}])`, 'giu');

function numbersIn(text: string): Set<number> {
	const found = new Set<number>();
	for (const [number] of text.matchAll(NUMBERS)) found.add(numberOf(number));
	return found;
}

function isEqual(a: BaseQuantity, b: BaseQuantity): boolean {
	const near = (x: number, y: number) =>
		Math.abs(x - y) <= TOLERANCE * Math.max(Math.abs(x), Math.abs(y));
	if (/^year/.test(a.dimension)) return a.value === b.value;
	return (
		(near(a.value, b.value) && near(a.upTo, b.upTo)) ||
		// one end of a range is said by whoever names the range
		(b.value === b.upTo && (near(a.value, b.value) || near(a.upTo, b.upTo)))
	);
}

function sharedOf(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
	let shared = 0;
	for (const stem of a) if (b.has(stem)) shared++;
	return shared;
}

interface Met {
	readonly said: Said;
	readonly shared: number;
}

function nearer(a: Met, b: Met): number {
	return Number(b.said.isNote) - Number(a.said.isNote) || b.shared - a.shared;
}

function voiceOf(value: string): (met: { readonly said: Said }) => Voice {
	return ({ said: { source, text } }) => ({ source, text, value });
}
