import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	duplicateSection,
	indentSection,
	mergeSection,
	moveSection,
	placeSection,
	removeSection,
	splitSection,
	tidyLevels
} from './arrange';
import {
	newSection,
	plannedWords,
	type PlanSection,
	type SectionLevel,
	type TermPlacement
} from './outline';

const parts = { topic: 0, company: 0, heading: 0, level: 0, position: 0 };
const placed = (term: string, uses = 1): TermPlacement => ({
	term,
	uses,
	affinity: 0.5,
	parts,
	reason: '',
	locked: false
});
const outline = (levels: readonly SectionLevel[]): PlanSection[] =>
	levels.map((level, i) => ({ ...newSection(`s${i}`, `Section ${i}`, 100), level }));
const ids = (sections: readonly PlanSection[]) =>
	sections.map(({ id, level }) => `${id}:${level}`).join(' ');

describe('merging, splitting and duplicating', () => {
	const [opening, a, b] = outline([1, 2, 2]) as [PlanSection, PlanSection, PlanSection];
	const sections = [
		opening,
		{ ...a, topics: ['t1'], terms: [placed('hearting', 2), placed('cope')] },
		{
			...b,
			topics: ['t2'],
			terms: [placed('hearting'), placed('batter')],
			questions: [{ question: 'q', reason: '', locked: false }],
			refused: ['mortar']
		}
	];

	it('merges a section into the one above with all its words, terms and questions', () => {
		const [, merged, ...rest] = mergeSection(sections, 's2');
		expect(rest).toEqual([]);
		expect(merged).toMatchObject({ id: 's1', budget: 200, topics: ['t1', 't2'] });
		expect(merged!.terms.map(({ term, uses }) => `${term} ${uses}`)).toEqual([
			'hearting 3',
			'cope 1',
			'batter 1'
		]);
		expect(merged!.questions).toHaveLength(1);
		// what only one of them refused may stand in both
		expect(merged!.refused).toEqual([]);
		expect(mergeSection(sections, 's1')).toBe(sections);
	});

	it('splits a section into halves that lose nothing between them', () => {
		const split = splitSection(sections, 's1', 'new');
		expect(ids(split)).toBe('s0:1 s1:2 new:2 s2:2');
		expect(plannedWords(split)).toBe(plannedWords(sections));
		expect([...split[1]!.terms, ...split[2]!.terms]).toEqual(sections[1]!.terms);
	});

	it('duplicates the frame of a section after all that stands inside it', () => {
		const inner = [...sections.slice(0, 2), { ...b, id: 'in', level: 3 as const }, sections[2]!];
		const twice = duplicateSection(inner, 's1', 'new');
		expect(ids(twice)).toBe('s0:1 s1:2 in:3 new:2 s2:2');
		expect(twice[3]).toMatchObject({ budget: 100, topics: ['t1'], terms: [] });
	});
});

describe('levels', () => {
	it('takes what is inside along when a section goes in or out', () => {
		expect(ids(indentSection(outline([1, 2, 2, 3]), 's2', 1))).toBe('s0:1 s1:2 s2:3 s3:4');
		expect(ids(indentSection(outline([1, 2, 3, 4]), 's2', -1))).toBe('s0:1 s1:2 s2:2 s3:3');
	});

	it('goes no deeper than there are levels, and never below nothing', () => {
		const deep = outline([1, 2, 3, 4, 4]);
		expect(indentSection(deep, 's4', 1)).toBe(deep);
		const first = outline([1, 2]);
		expect(indentSection(first, 's1', 1)).toBe(first);
	});

	it('mends a skipped level and leaves the rest', () => {
		const sections = outline([1, 2, 4, 2]);
		const tidy = tidyLevels(sections);
		expect(ids(tidy)).toBe('s0:1 s1:2 s2:3 s3:2');
		expect(tidy[1]).toBe(sections[1]);
	});
});

describe('any row of changes', () => {
	type Step = readonly [section: number, how: string, to: number];
	const step: fc.Arbitrary<Step> = fc.tuple(
		fc.integer({ min: 0, max: 7 }),
		fc.constantFrom('up', 'down', 'in', 'out', 'drop', 'merge', 'split', 'twice', 'remove'),
		fc.integer({ min: 0, max: 8 })
	);
	function changed(
		sections: readonly PlanSection[],
		[n, how, to]: Step,
		fresh: string
	): readonly PlanSection[] {
		const id = sections[n % sections.length]!.id;
		switch (how) {
			case 'up':
				return moveSection(sections, id, -1);
			case 'down':
				return moveSection(sections, id, 1);
			case 'in':
				return indentSection(sections, id, 1);
			case 'out':
				return indentSection(sections, id, -1);
			case 'drop':
				return placeSection(sections, id, to);
			case 'merge':
				return mergeSection(sections, id);
			case 'split':
				return splitSection(sections, id, fresh);
			case 'twice':
				return duplicateSection(sections, id, fresh);
			default:
				return removeSection(sections, id);
		}
	}

	it('keeps the opening first, ids apart and no level skipped, and changes no list it was given', () => {
		fc.assert(
			fc.property(fc.array(step, { maxLength: 25 }), (steps) => {
				let sections: readonly PlanSection[] = outline([1, 2, 3, 4, 2, 2, 3, 2]);
				const states = [JSON.stringify(sections)];
				const kept = [sections];
				steps.forEach((one, i) => {
					sections = changed(sections, one, `new${i}`);
					states.push(JSON.stringify(sections));
					kept.push(sections);
				});
				// going back one state after another is what undoing does
				expect(kept.map((state) => JSON.stringify(state))).toEqual(states);
				expect(sections[0]!.id).toBe('s0');
				expect(new Set(sections.map(({ id }) => id)).size).toBe(sections.length);
				sections.forEach(({ level }, i) => {
					if (i > 0) expect(level).toBeLessThanOrEqual(sections[i - 1]!.level + 1);
				});
			})
		);
	});

	it('loses no words and no terms by merging, splitting and moving', () => {
		const keeping = step.filter(([, how]) => how !== 'twice' && how !== 'remove');
		fc.assert(
			fc.property(fc.array(keeping, { maxLength: 25 }), (steps) => {
				let sections: readonly PlanSection[] = outline([1, 2, 3, 2, 2, 3]).map((section, i) => ({
					...section,
					terms: [placed(`term ${i}`)]
				}));
				const all = plannedWords(sections);
				steps.forEach((one, i) => (sections = changed(sections, one, `new${i}`)));
				expect(plannedWords(sections)).toBe(all);
				expect(sections.flatMap(({ terms }) => terms.map(({ term }) => term)).sort()).toEqual(
					Array.from({ length: 6 }, (_, i) => `term ${i}`)
				);
			})
		);
	});
});
