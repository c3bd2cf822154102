import { describe, expect, it } from 'vitest';
import { noiseOfLine } from './noise';

describe('noiseOfLine', () => {
	it.each([
		'Tried this loaf? Mention @millrace or tag #millraceloaf!',
		'If you make this recipe, please leave a star rating below.',
		'Did you make this? Tag me, I love to see it.',
		'* Percent Daily Values are based on a 2000 calorie diet.',
		'This recipe was first published in March 2016 and has new photos.',
		'Follow us on Fieldgram for more.',
		'This post contains affiliate links.',
		'{"title":"Walls","path":"/walls","kind":["page"],"tags":[]}'
	])('takes “%s” for no part of the article', (line) => {
		expect(noiseOfLine(line)).not.toBeNull();
	});

	it.each([
		'If you try this with lime mortar, the wall cannot breathe.',
		'Made one of these in 2019 and it still stands.',
		'Daily values of humidity are noted in the table.',
		'This article of the law was repealed.',
		'Follow me on the path round the wall.',
		'Like us on the fells, most wallers buy stone in spring.'
	])('leaves “%s” in the text', (line) => {
		expect(noiseOfLine(line)).toBeNull();
	});
});
