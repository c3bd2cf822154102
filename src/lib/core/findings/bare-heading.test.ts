import { describe, expect, it } from 'vitest';
import { bareHeading } from './bare-heading';

describe('bareHeading', () => {
	it.each([
		['3. Dig the trench', 'Dig the trench'],
		['3) Dig', 'Dig'],
		['(3) Dig', 'Dig'],
		['1.Dig', 'Dig'],
		['11.3. Cope stones', 'Cope stones'],
		['11.2.1. Cope stones', 'Cope stones'],
		['11.3 Cope stones', 'Cope stones'],
		['II. Cope stones', 'Cope stones'],
		['Step 3: Dig', 'Dig'],
		['STEP 4 – Lay', 'Lay'],
		['step 3 dig it', 'dig it'],
		['Chapter 2 Walls', 'Walls'],
		['Table 1: Prices', 'Prices'],
		['#4 Cope', 'Cope'],
		['🔪 Instructions', 'Instructions'],
		['Why vinegar? 💭', 'Why vinegar?'],
		['👉 3. Dig', 'Dig']
	])('gives %s as %s', (heading, said) => expect(bareHeading(heading)).toBe(said));

	it.each([
		'2.5 tonnes of stone',
		'5-minute dough',
		'12-inch pans',
		'10–15 minutes',
		'10 - 15 mm',
		'7 Reasons to build',
		'Part 2 of the wall',
		'Day 1',
		'Mix. Then rest'
	])('leaves %s as it is', (heading) => expect(bareHeading(heading)).toBe(heading));
});
