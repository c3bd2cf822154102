/** How quotation marks are set: English double and single, German low, French, or typed as they are. */
export const QUOTE_STYLES = ['double', 'single', 'low', 'guillemets', 'straight'] as const;

export type QuoteStyle = (typeof QUOTE_STYLES)[number];

interface Marks {
	/** Opening and closing marks, outside and inside others. */
	readonly outer: readonly [string, string];
	readonly inner: readonly [string, string];
}

const MARKS: Readonly<Record<Exclude<QuoteStyle, 'straight'>, Marks>> = {
	double: { outer: ['“', '”'], inner: ['‘', '’'] },
	single: { outer: ['‘', '’'], inner: ['“', '”'] },
	low: { outer: ['„', '“'], inner: ['‚', '‘'] },
	guillemets: { outer: ['«\u00a0', '\u00a0»'], inner: ['“', '”'] }
};

/** What a mark opens behind: nothing, a space, a bracket, a dash or another opening mark. */
const OPENS_BEHIND = /(?:^|[\s([{\u2013\u2014/«“‘„‚"'-])$/u;

/**
 * The sign for a straight mark, by what stands before it. A single mark behind a letter or a number is
 * an apostrophe, and so is one before a year's last two digits ("the '90s").
 *
 * @param before what stands before it in its block
 * @param after what stands behind it, where that is known
 */
export function quoteSign(mark: '"' | "'", before: string, style: QuoteStyle, after = ''): string {
	if (style === 'straight') return mark;
	const { outer, inner } = MARKS[style];
	// where singles stand outside, that is what a single mark is typed for
	const isOuter = style === 'single' ? mark === "'" : mark === '"';
	const [opens, closes] = isOuter ? outer : inner;
	if (mark === "'" && /[\p{L}\p{M}\p{N}]$/u.test(before))
		return hasOpen(before, opens, closes) && !/^\p{L}/u.test(after) ? closes : '’';
	if (mark === "'" && /^\d\ds?\b/.test(after)) return '’';
	// inches and feet behind a figure keep their straight marks
	if (mark === '"' && /\d$/.test(before) && !hasOpen(before, opens, closes)) return mark;
	const isBehindOpen = OPENS_BEHIND.test(before) && !endsClosed(before, inner[1]);
	return isBehindOpen ? opens : closes;
}

/** Whether a text ends in a mark that closes here, though it opens elsewhere. */
function endsClosed(before: string, closes: string): boolean {
	return /[‘“]$/.test(before) && before.endsWith(closes);
}

function hasOpen(text: string, opens: string, closes: string): boolean {
	return text.lastIndexOf(opens.trim()) > text.lastIndexOf(closes.trim());
}

/** A text with its straight marks set; what is set already stays, and so does its length but for « and ». */
export function withQuotes(text: string, style: QuoteStyle): string {
	if (style === 'straight') return text;
	let made = '';
	for (let at = 0; at < text.length; at++) {
		const sign = text[at]!;
		made +=
			sign === '"' || sign === "'"
				? quoteSign(sign, made, style, text.slice(at + 1, at + 4))
				: sign;
	}
	return made;
}
