import { describe, expect, it } from 'vitest';
import { readQuestions } from './read-questions';

describe('readQuestions', () => {
	it('takes off numbers, bullets and arrows, and leaves out repeats and stray lines', () => {
		expect(
			readQuestions(
				'People also ask\n1. How wide should it be? About 70 cm, most say.\n2. How deep should it be? ▾\n• how deep should it be?\n- What is hearting\nFeedback\nSee more results'
			)
		).toEqual(['How wide should it be?', 'How deep should it be?', 'What is hearting?']);
	});

	it('leaves out answers that were copied along', () => {
		expect(
			readQuestions(
				'Do you need planning permission for a wall?\nNo, unless it stands beside a road.\nWhat you need is a hammer and a line\nWhich is why most wallers work in pairs\nIt takes a day a metre\nHow long does a wall last\n12 Mar 2025 · plot-talk.example\nSearch for: how long a wall lasts'
			)
		).toEqual(['Do you need planning permission for a wall?', 'How long does a wall last?']);
	});

	it('finds several questions on one line, and questions in a planner’s export', () => {
		expect(readQuestions('How deep is it? How wide is it? As wide as your arm.')).toEqual([
			'How deep is it?',
			'How wide is it?'
		]);
		expect(
			readQuestions(
				'Question,Volume\n"how much stone is needed, per metre?",210\nis it legal\t90\n'
			)
		).toEqual(['How much stone is needed, per metre?', 'Is it legal?']);
	});

	it('takes marks of other lists off: Q1, check boxes, bold, arrows', () => {
		expect(
			readQuestions(
				'Q1: Is mortar needed?\n[ ] Can I do it alone?\n**Why does it bulge?**\n→ Who owns a wall?'
			)
		).toEqual([
			'Is mortar needed?',
			'Can I do it alone?',
			'Why does it bulge?',
			'Who owns a wall?'
		]);
	});

	it('takes what people search as a question: a noun first, or two things to choose from', () => {
		expect(
			readQuestions(
				'what temperature rating sleeping bag do i need\nwhat goes in a first night box\nwhich funders give to village halls\ncompressor or desiccant for laundry'
			)
		).toEqual([
			'What temperature rating sleeping bag do i need?',
			'What goes in a first night box?',
			'Which funders give to village halls?',
			'Compressor or desiccant for laundry?'
		]);
		expect(
			readQuestions('what you need is a hammer\nwhich is why it fell\nstones and mortar')
		).toEqual([]);
	});

	it('gives nothing for empty text', () => {
		expect(readQuestions(' \n\n')).toEqual([]);
	});
});
