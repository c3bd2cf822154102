const AND = new Intl.ListFormat('en-GB', { style: 'long', type: 'conjunction' });

/** "a, b and c"; empty for no items. */
export function andList(items: readonly string[]): string {
	return AND.format(items);
}

/** "a, b or c". */
export function orList(items: readonly string[]): string {
	return OR.format(items);
}

const OR = new Intl.ListFormat('en-GB', { type: 'disjunction' });
