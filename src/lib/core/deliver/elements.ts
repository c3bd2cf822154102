import type { Element, ElementContent } from 'hast';

type Value = string | number | boolean | readonly string[];

/** An element of HTML or of a drawing inside it; properties are named as hast names them. */
export function el(
	tagName: string,
	properties: Readonly<Record<string, Value>>,
	children: readonly ElementContent[] = []
): Element {
	return {
		type: 'element',
		tagName,
		properties: properties as Element['properties'],
		children: [...children]
	};
}

/** Text inside an element; it is escaped when it is written. */
export function text(value: string): ElementContent {
	return { type: 'text', value };
}
