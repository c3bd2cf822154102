import type { Findings } from '../findings';
import { planOfOutline, type Plan } from '../plan';
import { docText, type BlockNode, type TakeDoc } from './node';

/**
 * A plan from an article that exists: its own headings are the sections, in their order, with the
 * evidence to be placed in them. Gives the article as well, word for word, whose headings belong to
 * their sections from now on.
 */
export function planOfArticle(
	doc: TakeDoc,
	findings: Findings
): { readonly plan: Plan; readonly doc: TakeDoc } {
	const headings = doc.content.flatMap((node) => {
		const text = node.type === 'heading' ? docText(node).trim() : '';
		return node.type === 'heading' && text !== '' ? [{ level: node.attrs.level, text }] : [];
	});
	const plan = planOfOutline(headings, findings);
	const [opening, ...sections] = plan.sections;
	let next = 0;
	const content = doc.content.map((node): BlockNode => {
		if (node.type !== 'heading') return node;
		const text = docText(node).trim();
		if (opening && node.attrs.level === 1 && text === plan.title)
			return { ...node, attrs: { ...node.attrs, section: opening.id } };
		const section = sections[next];
		if (!section || section.heading !== text) return node;
		next++;
		return { ...node, attrs: { ...node.attrs, section: section.id } };
	});
	return { plan, doc: { ...doc, content } };
}
