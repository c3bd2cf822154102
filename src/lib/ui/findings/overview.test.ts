import { beforeAll, describe, expect, it } from 'vitest';
import type { Findings } from '$lib/core/findings';
import { demoFindings } from '../../../../tests/support/demo';
import { inWords } from './in-words';
import { habitsShown, overviewOf } from './overview';

let findings: Findings;
beforeAll(() => {
	({ findings } = demoFindings());
}, 60_000);

const text = (given: Findings) =>
	overviewOf(given)
		.map((sentence) => sentence.map((piece) => piece.text).join(''))
		.join(' ');

describe('overviewOf', () => {
	it('says what matters in five sentences with figures', () => {
		const sentences = overviewOf(findings);
		expect(sentences).toHaveLength(5);
		expect(text(findings)).toMatch(
			/^Nine pages of 724 to 2,049 words, 893 in the middle\. Hearting and /
		);
		// what a sentence counts is what the findings hold
		const differing = findings.figures.filter(
			({ agreement, isCount }) => agreement === 'differs' && !isCount
		).length;
		expect(text(findings)).toContain(`Sources differ on ${inWords(differing)} of `);
		expect(text(findings)).toContain('none has “');
	});

	it('says what the pages have in common, with how many', () => {
		const [most, ...others] = habitsShown(findings);
		expect(most).toMatch(/^six of nine open with a definition/);
		expect(others.join('; ')).toContain('four use numbered steps');
		// what one page of nine does is no habit
		expect(others.join('; ')).not.toContain('key facts');
	});

	it('names terms and not the keyword’s own words', () => {
		const strong = overviewOf(findings)
			.flat()
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
