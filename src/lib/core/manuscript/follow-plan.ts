import { headingOf, newSection, type Plan, type PlanSection, type SectionLevel } from '../plan';
import { countWords } from '../text';
import { heading, paragraph, textNode } from './build';
import { docText, type BlockNode, type HeadingNode, type TakeDoc } from './node';
import { cutSections, headOf } from './sections';

/** A heading that belongs to a planned section, with everything up to the next of them. */
interface Chunk {
	readonly section: string;
	readonly nodes: readonly [HeadingNode, ...BlockNode[]];
}

function chunksOf(doc: TakeDoc): { before: readonly BlockNode[]; chunks: Chunk[] } {
	let before: readonly BlockNode[] = [];
	const chunks: Chunk[] = [];
	for (const { section, from, to } of cutSections(
		doc.content.map(headOf),
		(head) => head.section !== null
	)) {
		const [first, ...rest] = doc.content.slice(from, to);
		if (section !== null && first?.type === 'heading')
			chunks.push({ section, nodes: [first, ...rest] });
		else before = doc.content.slice(from, to);
	}
	return { before, chunks };
}

/**
 * A manuscript after its plan has changed: headings are renamed and change their level, sections
 * move, and new ones get a heading to write under. No text is lost: what stood under a section
 * that is gone stays where it was, and a heading that the writer worded otherwise keeps that. Where
 * the writer's order is not the plan's, nothing moves.
 */
export function followPlan(doc: TakeDoc, before: Plan, after: Plan): TakeDoc {
	const old = new Map(before.sections.map((section) => [section.id, section]));
	const now = new Map(after.sections.map((section) => [section.id, section]));
	const { before: untouched, chunks } = chunksOf(rebound(doc, before, after));
	if (chunks.length === 0) return doc;
	const renamed = chunks.map((chunk): Chunk => {
		const [was, is] = [old.get(chunk.section), now.get(chunk.section)];
		const [head, ...rest] = chunk.nodes;
		// the text of a section that is gone stays under a heading of the writer's own
		if (!is) return was ? { ...chunk, nodes: [opening(head, null), ...rest] } : chunk;
		if (!was) return chunk;
		const [from, to] = [headingOf(before, was), headingOf(after, is)];
		const isReworded = from !== to && docText(head).trim() === from.trim();
		const level = was.level === is.level ? head.attrs.level : is.level;
		if (!isReworded && level === head.attrs.level) return chunk;
		const content = isReworded ? (to === '' ? [] : [textNode(to)]) : (head.content ?? []);
		return { ...chunk, nodes: [{ ...head, attrs: { ...head.attrs, level }, content }, ...rest] };
	});
	const moved = inPlanOrder(renamed, before, after);
	const added = after.sections.filter(
		({ id }) => !old.has(id) && !chunks.some(({ section }) => section === id)
	);
	let placed = moved;
	for (const section of added) {
		const order = after.sections.map(({ id }) => id);
		const own = order.indexOf(section.id);
		const at = placed.findLastIndex((chunk) => {
			const other = order.indexOf(chunk.section);
			return other >= 0 && other < own;
		});
		const chunk: Chunk = {
			section: section.id,
			nodes: [heading(section.level, headingOf(after, section), section.id), paragraph()]
		};
		placed = placed.toSpliced(at + 1, 0, chunk);
	}
	const content = [...untouched, ...placed.flatMap(({ nodes }) => nodes)];
	const isSame =
		content.length === doc.content.length && content.every((node, i) => node === doc.content[i]);
	return isSame ? doc : { ...doc, content };
}

/** Headings of sections that have come back belong to them again. */
function rebound(doc: TakeDoc, before: Plan, after: Plan): TakeDoc {
	const known = new Set(before.sections.map(({ id }) => id));
	const back = new Map(
		after.sections
			.filter(({ id }) => !known.has(id))
			.map((section) => [headingOf(after, section).trim(), section.id])
	);
	if (back.size === 0 || !doc.content.some((node) => headOf(node).section !== null)) return doc;
	return {
		...doc,
		content: doc.content.map((node) => {
			if (node.type !== 'heading' || headOf(node).section !== null) return node;
			const section = back.get(docText(node).trim());
			if (section === undefined) return node;
			back.delete(docText(node).trim());
			return opening(node, section);
		})
	};
}

/** A heading that opens another section than before, or (null) none. */
function opening(node: HeadingNode, section: string | null): HeadingNode {
	return { ...node, attrs: { ...node.attrs, section } };
}

/** Chunks in the order of the plan, when they stood in its order before; others follow what they followed. */
function inPlanOrder(chunks: readonly Chunk[], before: Plan, after: Plan): readonly Chunk[] {
	const was = new Map(before.sections.map(({ id }, i) => [id, i]));
	const is = new Map(after.sections.map(({ id }, i) => [id, i]));
	const planned = chunks.filter(({ section }) => was.has(section) && is.has(section));
	const isOrdered = planned.every(
		({ section }, i) => i === 0 || was.get(planned[i - 1]!.section)! <= was.get(section)!
	);
	if (!isOrdered || planned.length < 2) return chunks;
	// what is not planned any more, or not yet, travels with the chunk before it
	const groups: { readonly at: number; readonly chunks: Chunk[] }[] = [];
	const loose: Chunk[] = [];
	for (const chunk of chunks) {
		const at = was.has(chunk.section) ? is.get(chunk.section) : undefined;
		if (at !== undefined) groups.push({ at, chunks: [chunk] });
		else (groups.at(-1)?.chunks ?? loose).push(chunk);
	}
	const ordered = groups
		.map((group, i) => ({ ...group, i }))
		.sort((a, b) => a.at - b.at || a.i - b.i);
	return [...loose, ...ordered.flatMap((group) => group.chunks)];
}

/** How the headings of a manuscript differ from its plan. */
export interface OutlineDifference {
	readonly renamed: readonly {
		readonly section: string;
		readonly from: string;
		readonly to: string;
	}[];
	/** Headings of H2 and below that belong to no planned section. */
	readonly added: readonly { readonly level: number; readonly text: string }[];
	/** Whether planned sections stand in another order. */
	readonly isMoved: boolean;
}

/** What the writer changed about the outline while writing; headings without words do not count. */
export function outlineDifference(doc: TakeDoc, plan: Plan): OutlineDifference {
	const planned = new Map(plan.sections.map((section, i) => [section.id, { section, i }]));
	const renamed: { section: string; from: string; to: string }[] = [];
	const added: { level: number; text: string }[] = [];
	const order: number[] = [];
	for (const node of doc.content) {
		if (node.type !== 'heading') continue;
		const text = docText(node).trim();
		const { level, section } = headOf(node);
		const entry = planned.get(section ?? '');
		if (entry) {
			order.push(entry.i);
			const from = headingOf(plan, entry.section);
			if (text !== '' && text !== from.trim())
				renamed.push({ section: entry.section.id, from, to: text });
		} else if (text !== '' && level > 1) added.push({ level, text });
	}
	return { renamed, added, isMoved: order.some((at, i) => i > 0 && at < order[i - 1]!) };
}

/**
 * The plan in the words and order of a manuscript: its headings are renamed, its sections moved and
 * new headings become sections of as many words as stand under them. Planned sections that the
 * manuscript lacks stay after the one they followed. Gives the manuscript as well, whose new
 * headings belong to their sections from now on.
 *
 * @param newId makes an id for a new section
 */
export function planFromTake(
	doc: TakeDoc,
	plan: Plan,
	newId: () => string
): { readonly plan: Plan; readonly doc: TakeDoc } {
	const planned = new Map(plan.sections.map((section) => [section.id, section]));
	let title = plan.title;
	const sections: PlanSection[] = [];
	const content = doc.content.map((node, at): BlockNode => {
		if (node.type !== 'heading') return node;
		const text = docText(node).trim();
		const { level, section } = headOf(node);
		const known = planned.get(section ?? '');
		if (known) {
			if (known.level === 1 && text !== '') title = text;
			if (!sections.some(({ id }) => id === known.id))
				sections.push(
					known.level === 1 || text === ''
						? known
						: { ...known, heading: text, level: sectionLevel(level, known.level) }
				);
			return node;
		}
		if (text === '' || level < 2) return node;
		const id = newId();
		const words = wordsUnder(doc, at);
		sections.push(
			newSection(id, text, Math.max(50, Math.round(words / 5) * 5), sectionLevel(level, 2))
		);
		return opening(node, id);
	});
	const all = [...sections];
	plan.sections.forEach((section, i) => {
		if (all.some(({ id }) => id === section.id)) return;
		const previous = plan.sections
			.slice(0, i)
			.findLast(({ id }) => all.some((one) => one.id === id));
		const at = previous ? all.findIndex(({ id }) => id === previous.id) + 1 : 0;
		all.splice(at, 0, section);
	});
	return { plan: { ...plan, title, sections: all }, doc: { ...doc, content } };
}

/** Words from a heading to the next. */
function wordsUnder(doc: TakeDoc, heading: number): number {
	const under = doc.content.slice(heading + 1);
	const end = under.findIndex(({ type }) => type === 'heading');
	return under
		.slice(0, end < 0 ? under.length : end)
		.reduce((sum, node) => sum + countWords(docText(node)), 0);
}

function sectionLevel<L extends SectionLevel>(
	level: number,
	otherwise: L
): L | Exclude<SectionLevel, 1> {
	return level === 2 || level === 3 || level === 4 ? level : otherwise;
}
