import { describe, expect, it } from 'vitest';
import { reportedOf } from './with-question';

describe('what was asked, in reported speech', () => {
	it.each([
		['what about winter', 'about winter'],
		['Red mite', 'about red mite'],
		['What about unpacking, how long should it take', 'about unpacking'],
		['what do beginners get wrong most', 'what beginners get wrong most'],
		['How often should it be oiled', 'how often it should be oiled'],
		['why does it die', 'why it dies'],
		['What is the midsole', 'what the midsole is'],
		['does foam need a rest day', 'whether foam needs a rest day'],
		['Which tool tells you that it is level', 'which tool tells you that it is level'],
		['How do you know that a wall is level', 'how you know that a wall is level']
	])('%s?', (question, told) => expect(reportedOf(question)).toBe(told));

	it.each([
		'',
		'Can I quote you',
		'Do you unpack too',
		'How often do you wash yours',
		'And then',
		'does pace matter / surface',
		'If the form only has tiny boxes',
		'Tell me about it',
		'Did it rain in the year when the wall by the old mill fell down on the road again'
	])('%s? is not told', (question) => expect(reportedOf(question)).toBeNull());
});
