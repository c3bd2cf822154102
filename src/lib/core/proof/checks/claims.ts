import type { ArticleReading } from '../../measure';
import type { Claim, ClaimChecker } from '../claims';
import type { ArticleCheck, ArticleFinding, Fix } from '../mark';

/** Marks claims that nothing gathered backs, and those that it says otherwise. */
export function claimsCheck(
	claimsOf: (article: ArticleReading) => readonly Claim[],
	nameOf: (source: string) => string
): ArticleCheck {
	return {
		id: 'claim',
		reads: 'claims',
		look: (article) =>
			claimsOf(article)
				.filter(({ backing }) => backing !== 'backed')
				.map((claim) => findingOf(claim, nameOf))
	};
}

/** The claims of an article, worked out once for as long as it is the same reading. */
export function claimsBy(checker: ClaimChecker): (article: ArticleReading) => readonly Claim[] {
	const known = new WeakMap<ArticleReading, readonly Claim[]>();
	return (article) => {
		let claims = known.get(article);
		if (!claims) known.set(article, (claims = checker.claimsIn(article)));
		return claims;
	};
}

function findingOf(
	{ place, quote, sentence, backing, other }: Claim,
	nameOf: (source: string) => string
): ArticleFinding {
	const values = new Map(
		other.filter(({ value }) => value !== '').map(({ value, source }) => [value, source])
	);
	const fixes = [...values].map(([value]): Fix => ({
		label: `Write “${value}”`,
		replacement: value
	}));
	return {
		about: backing,
		quote,
		sentence,
		reason:
			backing === 'differs'
				? [...values].map(([value, source]) => `${nameOf(source)}: ${value}`).join('; ') +
					' stands in what you gathered'
				: 'Nothing that you gathered says so',
		fixes,
		gain: null,
		beside: other.map(({ source, text, value }) => {
			const start = value === '' ? -1 : text.indexOf(value);
			return {
				source,
				text,
				shared: start < 0 ? [] : [{ start, end: start + value.length }]
			};
		}),
		place
	};
}
