import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { QUOTE_STYLES, withQuotes } from './quotes';

describe('quotation marks', () => {
	it('are set by the style, apostrophes in every one', () => {
		const text = `She said "don't lift it" and ('carefully') went on; it's the '90s.`;
		expect(withQuotes(text, 'double')).toBe(
			'She said “don’t lift it” and (‘carefully’) went on; it’s the ’90s.'
		);
		expect(withQuotes(text, 'single')).toBe(
			'She said “don’t lift it” and (‘carefully’) went on; it’s the ’90s.'
		);
		expect(withQuotes('Er sagte "ja, \'wohl\'".', 'low')).toBe('Er sagte „ja, ‚wohl‘“.');
		expect(withQuotes('Il dit "oui".', 'guillemets')).toBe('Il dit «\u00a0oui\u00a0».');
		expect(withQuotes(text, 'straight')).toBe(text);
	});

	it('leaves inches behind a figure, and closes a quotation that ends in one', () => {
		expect(withQuotes('A 9" wall.', 'double')).toBe('A 9" wall.');
		expect(withQuotes('It is "course 9".', 'double')).toBe('It is “course 9”.');
	});

	it('is the same again when it is set twice, and loses no other sign', () => {
		fc.assert(
			fc.property(
				fc.stringMatching(/^[a-z "'.(9-]{0,40}$/),
				fc.constantFrom(...QUOTE_STYLES),
				(text, style) => {
					const once = withQuotes(text, style);
					expect(withQuotes(once, style)).toBe(once);
					const bare = (of: string) => of.replace(/["'“”‘’„‚«»\u00a0]/g, '');
					expect(bare(once)).toBe(bare(text));
				}
			)
		);
	});
});
