import { describe, expect, it } from 'vitest';
import { isHeadingOfPage } from './page-headings';

describe('isHeadingOfPage', () => {
	it.each([
		'Ingredients',
		'🥘 Ingredients',
		'Ingredients 1x2x3x',
		'NUTRITION INFO (estimation only)',
		'Nutritional Information & Recipe',
		'7 Ratings',
		'12 Comments',
		'Leave a Reply',
		'Mara’s Recipe Rundown',
		'Recipe FAQs',
		'Calculate ingredients',
		'Cooking mode',
		'Learn more',
		'Print Recipe',
		'Save to My Recipes',
		'Have you tried this recipe?!',
		'Prep Time: 10 mins',
		'Yields: 4 servings',
		'Be the first to review!',
		'June 2016'
	])('is so for %s', (heading) => expect(isHeadingOfPage(heading)).toBe(true));

	it.each([
		'Choosing the ingredients',
		'How the stone is rated',
		'Close the gaps',
		'Explore the rye varieties',
		'Total time in the oven',
		'Save for later repairs of the wall',
		'What changed in June 2016',
		'Replies from the council',
		'What to learn first',
		'Cooking on a wood stove',
		'Method of the Dales (and why)'
	])('is not so for %s', (heading) => expect(isHeadingOfPage(heading)).toBe(false));
});
