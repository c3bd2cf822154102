const AND = new Intl.ListFormat('en-GB', { style: 'long', type: 'conjunction' });

/** "a, b and c"; empty for no items. */
export function andList(items: readonly string[]): string {
	return AND.format(items);
}
