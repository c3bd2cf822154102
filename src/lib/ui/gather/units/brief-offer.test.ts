import { describe, expect, it } from 'vitest';
import { EMPTY_BRIEF } from '$lib/core/brief';
import { readNoteUnits } from '$lib/core/notes';
import { briefOfferOf, isInBrief, withOffer } from './brief-offer';

const offersOf = (text: string) =>
	readNoteUnits({ kind: 'note', name: 'note.md', text }).units.flatMap(
		(unit) => briefOfferOf(unit) ?? []
	);

describe('what a note offers to the brief', () => {
	it.each([
		['# Brief\n\nDo not call the bags "waterproof".', 'mustNotSay', 'waterproof'],
		[
			'# Brief\n\n## Must have\n\n- tone: calm, like a shop assistant',
			'tone',
			'calm, like a shop assistant'
		],
		['# Brief\n\n## Must have\n\n- Reader: families in flats', 'reader', 'families in flats'],
		['# Brief\n\n1,400 words for the Copperby blog', 'targetWords', '1400'],
		['# Brief\n\n## Must have\n\n- an honest answer', 'purpose', 'an honest answer']
	])('%s', (text, field, value) => {
		expect(offersOf(text)).toMatchObject([{ field, value }]);
	});

	it('is nothing where a note only holds matter', () => {
		expect(offersOf('# Walls\n\n## Trench\n\nDig to firm subsoil.')).toEqual([]);
	});

	it('stands in the brief once it was taken, beside what stood there', () => {
		const [offer] = offersOf('# Brief\n\nDo not call the bags "waterproof".');
		const before = { ...EMPTY_BRIEF, mustNotSay: ['ultimate'] };
		expect(isInBrief(offer!, before, null)).toBe(false);
		const after = withOffer(offer!, before);
		expect(after.mustNotSay).toEqual(['ultimate', 'waterproof']);
		expect(isInBrief(offer!, after, null)).toBe(true);
	});
});
