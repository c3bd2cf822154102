import { describe, expect, it } from 'vitest';
import { LIKELY_KINDS, likelyKind, signsOf } from './line-signs';
import { LINE_WEIGHTS } from './line-weights';

describe('signsOf', () => {
	it('gives words, pairs, how a line opens and ends, and classes of words', () => {
		const signs = signsOf('Don’t name the 2 rivals');
		for (const sign of ["don't", "don't name", "^don't", 'rivals$', '<not named>', '#'])
			expect([...signs]).toContain(sign);
	});

	it('reads any text, and an empty one', () => {
		expect(signsOf('').size).toBe(1);
		expect(likelyKind('')).toBeNull();
		expect(likelyKind('???')).toBeNull();
	});
});

describe('likelyKind', () => {
	// none of these lines is among those that the weights were made of
	it.each([
		['off-record', 'this is only for you to know, not for the readers'],
		['off-record', 'he asked that it stays private until the launch'],
		['do-not-say', 'please leave out the name of the supplier'],
		['do-not-say', 'we never use the word "luxury"'],
		['todo', 'ask the office for the exact number'],
		['todo', 'still missing: a photo of the gate'],
		['brief', 'the editor would like a short summary at the end'],
		['brief', 'please keep the paragraphs short']
	])('takes for %s: %s', (kind, line) => expect(likelyKind(line)).toBe(kind));

	it.each([
		'Ask the neighbour to hold the other end.',
		'Never use a short ladder on a slope.',
		'The short ones dry at the end of May.',
		'A photo of the gate hangs in the hall.',
		'keep the words of the song in mind while you row',
		'the supplier takes it back for 40 pounds'
	])('leaves as matter: %s', (line) => expect(likelyKind(line)).toBeNull());
});

it('has a weight of every kind for every sign', () => {
	for (const entry of LINE_WEIGHTS.split('|'))
		expect(entry.split('~')).toHaveLength(1 + LIKELY_KINDS.length);
});
