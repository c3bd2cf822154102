import { describe, expect, it } from 'vitest';
import { readQuestions } from '.';

describe('readQuestions', () => {
	it('takes off numbers, bullets and arrows, and leaves out repeats and stray lines', () => {
		expect(
			readQuestions(
				'People also ask\n1. How wide should it be? About 70 cm, most say.\n2. How deep should it be? ▾\n• how deep should it be?\n- What is hearting\nFeedback\nSee more results'
			)
		).toEqual(['How wide should it be?', 'How deep should it be?', 'What is hearting?']);
	});

	it('gives nothing for empty text', () => {
		expect(readQuestions(' \n\n')).toEqual([]);
	});
});
