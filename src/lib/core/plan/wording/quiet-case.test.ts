import { describe, expect, it } from 'vitest';
import type { Findings } from '../../findings';
import { quietCase } from './quiet-case';

const findings = {
	terms: ['Fellgate walls', 'cope stones', 'TPU midsole', 'salt'].map((phrase) => ({ phrase })),
	facts: [{ text: 'One engine lifts 40 kg over the wall that Brindle built.' }]
} as unknown as Findings;

describe('quietCase', () => {
	it.each([
		['Rinse the Salt Off the Frame', 'Rinse the salt off the frame'],
		['Blend Dressing Ingredients', 'Blend dressing ingredients'],
		['What It Takes: Time and Money', 'What it takes: time and money'],
		['Laying Cope Stones', 'Laying cope stones'],
		['Spread Salt', 'Spread salt'],
		['Lifting Engine', 'Lifting engine'],
		['Frost Proofing', 'Frost proofing'],
		['Slow-Rise Bread for Beginners', 'Slow-Rise bread for beginners']
	])('says %s as %s', (heading, said) => expect(quietCase(heading, findings)).toBe(said));

	it.each([
		'A Wall Round Fellgate',
		'Visit Brindle',
		'Why DIY pays',
		'When I Do It',
		'Dig the trench',
		'Walls',
		''
	])('changes no name in %s', (heading) => {
		const said = quietCase(heading, findings);
		for (const name of ['Fellgate', 'Brindle', 'DIY', ' I '])
			expect(said.includes(name)).toBe(heading.includes(name));
		expect(said.toLowerCase()).toBe(heading.toLowerCase());
	});

	it('keeps days, countries and short forms', () => {
		expect(quietCase('Walling in Wales Before Monday With SSL', findings)).toBe(
			'Walling in Wales before Monday with SSL'
		);
	});
});
