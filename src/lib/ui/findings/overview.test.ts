import { beforeAll, describe, expect, it } from 'vitest';
import type { Findings } from '$lib/core/findings';
import { demoFindings } from '../../../../tests/support/demo';
import { overviewOf } from './overview';

let findings: Findings;
beforeAll(() => {
	({ findings } = demoFindings());
}, 60_000);

const text = (given: Findings) =>
	overviewOf(given)
		.map((piece) => piece.text)
		.join('');

describe('overviewOf', () => {
	it('says what matters in sentences with figures', () => {
		expect(text(findings)).toBe(
			'Nine pages of 724 to 2,049 words, 893 in the middle. Hearting and throughstones are in all of them; only one gives what it costs a heading.'
		);
	});

	it('names terms and not the keyword’s own words', () => {
		const strong = overviewOf(findings)
			.filter((piece) => piece.strong)
			.map((piece) => piece.text.toLowerCase());
		expect(strong).not.toContain('stone');
		expect(strong).not.toContain('dry stone wall');
	});

	it('speaks of one page as of one', () => {
		const { findings: one } = demoFindings({ pages: 1 });
		expect(text(one)).toMatch(/^One page of 739 words\./);
	});
});
