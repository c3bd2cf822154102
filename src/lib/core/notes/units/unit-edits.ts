import { z } from 'zod';
import { UNIT_KINDS, type NoteUnit, type ReadNoteUnits } from './unit';

/**
 * What the writer said about the units of a note, by their keys. A change outlives edits of the
 * text elsewhere; where the unit's own words change, it lapses.
 */
export const unitEditsSchema = z.strictObject({
	/** What a unit is for. */
	kinds: z.record(z.string(), z.enum(UNIT_KINDS)),
	/** Who says it. */
	speakers: z.record(z.string(), z.string().max(120)),
	/** How somebody is called, by the name the note gives. */
	names: z.record(z.string(), z.string().max(120)),
	/** Units that go with the one before them. */
	joined: z.array(z.string()),
	/** Places in a unit's text, in UTF-16 units, where it is two. */
	parted: z.record(z.string(), z.array(z.number().int().min(1)))
});

export type UnitEdits = z.infer<typeof unitEditsSchema>;

export const NO_UNIT_EDITS: UnitEdits = {
	kinds: {},
	speakers: {},
	names: {},
	joined: [],
	parted: {}
};

/** The units of a note as the writer left them: parted, told what they are, joined, in this order. */
export function withUnitEdits(read: ReadNoteUnits, edits: UnitEdits): ReadNoteUnits {
	const named = (name: string) => edits.names[name] ?? name;
	const parts = read.units.map((unit) => partsOf(unit, edits.parted[unit.key] ?? []));
	// headings count the units before them
	const before: number[] = [0];
	const units: NoteUnit[] = [];
	for (const of of parts) {
		for (const unit of of) {
			const kind = edits.kinds[unit.key] ?? unit.kind;
			const speaker = edits.speakers[unit.key] ?? named(unit.speaker);
			const last = units.at(-1);
			if (last && edits.joined.includes(unit.key)) {
				units[units.length - 1] = { ...last, text: `${last.text} ${unit.text}`, end: unit.end };
			} else units.push({ ...unit, kind, speaker });
		}
		before.push(units.length);
	}
	return {
		...read,
		speakers: [
			...new Map(
				read.speakers.map(({ name, role }) => [named(name), { name: named(name), role }])
			).values()
		],
		units,
		headings: read.headings.map((heading) => ({ ...heading, before: before[heading.before]! }))
	};
}

function partsOf(unit: NoteUnit, places: readonly number[]): NoteUnit[] {
	const cuts = [0, ...places.filter((at) => at < unit.text.length).sort((a, b) => a - b)];
	if (cuts.length === 1) return [unit];
	return cuts.map((from, i) => {
		const text = unit.text.slice(from, cuts[i + 1] ?? unit.text.length).trim();
		return {
			...unit,
			text,
			key: i === 0 ? unit.key : `${unit.key}/${i}`,
			leans: i > 0 || unit.leans
		};
	});
}

/** As `edits`, with what is the same as not said left out. */
export function changedUnit(
	edits: UnitEdits,
	key: string,
	change: Partial<Pick<NoteUnit, 'kind' | 'speaker'>>
): UnitEdits {
	const { kind, speaker } = change;
	return {
		...edits,
		kinds: kind === undefined ? edits.kinds : { ...edits.kinds, [key]: kind },
		speakers: speaker === undefined ? edits.speakers : { ...edits.speakers, [key]: speaker }
	};
}

/** Puts a unit to the one before it, or takes it from there. */
export function toggledJoin(edits: UnitEdits, key: string): UnitEdits {
	const joined = edits.joined.includes(key)
		? edits.joined.filter((other) => other !== key)
		: [...edits.joined, key];
	return { ...edits, joined };
}

/** Makes two of a unit at a place in its text; at a place where it is two already, one again. */
export function partedAt(edits: UnitEdits, key: string, at: number): UnitEdits {
	const places = edits.parted[key] ?? [];
	const after = places.includes(at) ? places.filter((place) => place !== at) : [...places, at];
	return { ...edits, parted: { ...edits.parted, [key]: after } };
}
