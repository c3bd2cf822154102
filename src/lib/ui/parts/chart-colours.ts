/** The theme's colours for a chart, which cannot read variables of the style sheet. */
export function chartColours(element: Element) {
	const style = getComputedStyle(element);
	const colour = (name: string) => style.getPropertyValue(name).trim();
	return {
		paper: colour('--color-base-100'),
		ink: colour('--ink'),
		soft: colour('--ink-2'),
		rule: colour('--rule'),
		verdigris: colour('--color-secondary'),
		copper: colour('--color-accent'),
		fontFamily: style.fontFamily
	};
}
