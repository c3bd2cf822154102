import type { BlockNode, HeadingNode, TakeDoc } from './node';

/** What cutting needs to know of a block, whether of a manuscript or of its reading. */
export interface Head {
	/** Heading level; 0 for every other block. */
	readonly level: number;
	/** Id of the planned section a heading opens, or null. */
	readonly section: string | null;
}

/** A stretch of blocks: `from` included, `to` excluded. */
export interface SectionCut extends Head {
	readonly from: number;
	readonly to: number;
}

/** Level and section of a block of a manuscript. */
export function headOf(node: BlockNode): Head {
	return node.type === 'heading'
		? { level: node.attrs.level, section: node.attrs.section || null }
		: { level: 0, section: null };
}

/**
 * Cuts blocks into sections, in order and without a block left over. What stands before the first
 * opening block is a section of level 0 without an id; there is none when nothing stands there.
 *
 * @param opens whether a block begins a section; every heading does unless it is given
 */
export function cutSections(
	blocks: readonly Head[],
	opens: (head: Head) => boolean = ({ level }) => level > 0
): SectionCut[] {
	const cuts: SectionCut[] = [];
	const starts = blocks.flatMap((head, at) => (opens(head) ? [at] : []));
	if (blocks.length > 0 && starts[0] !== 0)
		cuts.push({ level: 0, section: null, from: 0, to: starts[0] ?? blocks.length });
	starts.forEach((from, i) => {
		const { level, section } = blocks[from]!;
		cuts.push({ level, section, from, to: starts[i + 1] ?? blocks.length });
	});
	return cuts;
}

/**
 * Where the planned sections stand, by id: each reaches from its heading to the next heading the
 * plan knows. A section that stands twice is the first of them.
 */
export function plannedCuts(
	blocks: readonly Head[],
	planned: ReadonlySet<string>
): Map<string, SectionCut> {
	const seen = new Set<string>();
	const cuts = cutSections(blocks, ({ level, section }) => {
		if (level === 0 || section === null || !planned.has(section) || seen.has(section)) return false;
		seen.add(section);
		return true;
	});
	return new Map(cuts.flatMap((cut) => (cut.section === null ? [] : [[cut.section, cut]])));
}

/** A heading of a manuscript with everything under it, those of deeper levels included. */
export interface OutlinePart {
	readonly level: number;
	readonly section: string | null;
	/** Place of the heading, and of the first block behind the part. */
	readonly from: number;
	readonly to: number;
	/** Place of the first block that is not its own text: the next heading of any level. */
	readonly ownTo: number;
}

/** The headings of a manuscript as parts that lie in each other, in reading order. */
export function outlineOf(blocks: readonly Head[]): OutlinePart[] {
	return blocks.flatMap((head, from): OutlinePart[] => {
		if (head.level === 0) return [];
		const behind = (ends: (level: number) => boolean) => {
			for (let at = from + 1; at < blocks.length; at++)
				if (blocks[at]!.level > 0 && ends(blocks[at]!.level)) return at;
			return blocks.length;
		};
		return [
			{
				level: head.level,
				section: head.section,
				from,
				to: behind((level) => level <= head.level),
				ownTo: behind(() => true)
			}
		];
	});
}

/**
 * Where a part goes that is moved one step up or down among those of its level; null where it is the
 * first or the last of them. The title of an article moves nowhere.
 *
 * @param from place of its heading
 * @returns place of the block that it is to stand before
 */
export function stepOf(blocks: readonly Head[], from: number, step: -1 | 1): number | null {
	const parts = outlineOf(blocks);
	const part = parts.find((one) => one.from === from);
	if (!part || part.level === 1) return null;
	if (step === 1) {
		const next = parts.find((one) => one.from === part.to && one.level === part.level);
		return next ? next.to : null;
	}
	const before = parts.findLast((one) => one.to === part.from && one.level === part.level);
	return before ? before.from : null;
}

/**
 * A manuscript with other blocks in a section. One that it lacks comes behind the last section before it
 * in the order of the plan.
 *
 * @param opens heading of the section, with its id
 * @param order ids of all planned sections, in the plan's order
 */
export function withSection(
	doc: TakeDoc,
	opens: HeadingNode,
	blocks: readonly BlockNode[],
	order: readonly string[]
): TakeDoc {
	const cuts = plannedCuts(doc.content.map(headOf), new Set(order));
	const section = opens.attrs.section ?? '';
	const cut = cuts.get(section);
	if (cut)
		return {
			...doc,
			content: [...doc.content.slice(0, cut.from + 1), ...blocks, ...doc.content.slice(cut.to)]
		};
	const before = order.slice(0, order.indexOf(section)).findLast((id) => cuts.has(id));
	const at = before === undefined ? 0 : cuts.get(before)!.to;
	return {
		...doc,
		content: [...doc.content.slice(0, at), opens, ...blocks, ...doc.content.slice(at)]
	};
}
