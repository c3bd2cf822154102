/** Formatting of a run of text. `origin` names the note or page a sentence comes from. */
export interface DocMark {
	readonly type: string;
	readonly attrs?: Readonly<Record<string, unknown>>;
}

/** A node of a manuscript; the editor's own JSON, so that nothing is translated on every save. */
export interface DocNode {
	readonly type: string;
	readonly attrs?: Readonly<Record<string, unknown>>;
	readonly content?: readonly DocNode[];
	readonly marks?: readonly DocMark[];
	readonly text?: string;
}

/** A whole manuscript: `{ type: 'doc', content: blocks }`. */
export interface TakeDoc {
	readonly type: 'doc';
	readonly content: readonly DocNode[];
}

/** Where a drafted sentence comes from. */
export interface Origin {
	/** Id of the note or page. */
	readonly source: string;
	/** Short sign shown beside the text, such as "n1". */
	readonly label: string;
}

export function textNode(text: string, origin?: Origin | null): DocNode {
	return origin
		? { type: 'text', text, marks: [{ type: 'origin', attrs: { ...origin } }] }
		: { type: 'text', text };
}

export function heading(level: number, text: string, section: string | null = null): DocNode {
	return {
		type: 'heading',
		attrs: { level, section },
		content: text === '' ? [] : [textNode(text)]
	};
}

export function paragraph(...content: readonly DocNode[]): DocNode {
	return { type: 'paragraph', content: content.filter((node) => node.text !== '') };
}

export function list(ordered: boolean, items: readonly (readonly DocNode[])[]): DocNode {
	return {
		type: ordered ? 'orderedList' : 'bulletList',
		content: items.map((content) => ({ type: 'listItem', content: [paragraph(...content)] }))
	};
}

/** A place where material is missing, saying what to find out. It is no part of the article. */
export function gap(text: string): DocNode {
	return { type: 'gap', content: [textNode(text)] };
}

/** Plain text of a node; blocks inside it stand on lines of their own. */
export function docText(node: DocNode): string {
	if (node.text !== undefined) return node.text;
	if (node.type === 'hardBreak') return ' ';
	const apart =
		/^(?:bulletList|orderedList|listItem|table|tableRow|tableCell|tableHeader|blockquote|doc)$/.test(
			node.type
		);
	return (node.content ?? []).map(docText).join(apart ? '\n' : '');
}

/** Positions of the marked gaps in a manuscript's text, in order. */
export function gapsOf(doc: TakeDoc): string[] {
	return doc.content.filter(({ type }) => type === 'gap').map(docText);
}
