import { cutSections, docText, headOf, type BlockNode, type HeadingNode } from '../../manuscript';
import { headingOf, type Plan, type PlanSection } from '../../plan';
import { wordsOfBlocks } from '../version';
import { withoutChatter } from './chatter';
import { withOrigins, type OriginOfSign } from './citations';
import { headingLikeness, matchHeadings, type Sureness } from './match-headings';
import { blocksOfReply, type Dropped } from './reply-blocks';
import { endsWhole } from './seams';

/** A stretch of a reply under one heading. */
export interface ReplySection {
	/** As the reply words it; empty for what stands before the first heading. */
	readonly heading: string;
	/** Id of the planned section it was matched to; null: it was not asked for. */
	readonly section: string | null;
	readonly sure: Sureness | 'only one asked' | null;
	/** Sections whose matter it treats as well, by its heading. */
	readonly also: readonly string[];
	/** What stands under the heading; sub-headings of its own included. */
	readonly blocks: readonly BlockNode[];
	/** Words of the blocks, gaps not counted. */
	readonly words: number;
	/** It ends in the middle of a sentence. */
	readonly isCutOff: boolean;
	/** Sentences that name no source. */
	readonly unbacked: number;
}

/** A reply as it fits a plan. No word of it is lost but what `dropped` lists, and signs of sources. */
export interface Reply {
	readonly sections: readonly ReplySection[];
	/** Ids of sections that were asked for and are not there, in the plan's order. */
	readonly missing: readonly string[];
	readonly dropped: readonly Dropped[];
}

/** What of a plan a reply is held against. */
type ReplyPlan = Pick<Plan, 'title' | 'sections'>;

export interface ReplyOptions {
	/** Ids of the sections that were asked for; all of the plan unless given. */
	readonly asked?: readonly string[];
	/** Where signs of sources lead; left out: they stay in the text. */
	readonly originOf?: OriginOfSign;
}

/**
 * Reads what an assistant or a colleague sent back for a plan: Markdown, HTML or plain text. Chatter
 * around it goes, headings are matched to sections, deeper headings stay in the section they stand in.
 */
export function readReply(text: string, plan: ReplyPlan, options: ReplyOptions = {}): Reply {
	const asked = new Set(options.asked ?? plan.sections.map(({ id }) => id));
	const wanted = plan.sections
		.filter(({ id }) => asked.has(id))
		.map((section) => ({ ...section, heading: headingOf(plan, section) }));
	const { blocks, dropped } = withoutChatter(
		blocksOfReply(text, [plan.title, ...plan.sections.map(({ heading }) => heading)])
	);
	const parts = partsOf(blocks, wanted, plan);
	const end = parts.at(-1);
	const sections = parts
		.filter(({ blocks: inside, heading }) => inside.length > 0 || heading !== '')
		.map((part): ReplySection => {
			let unbacked = 0;
			const marked = part.blocks.map((block) => {
				const read = withOrigins(block, options.originOf ?? (() => null));
				unbacked += read.unbacked;
				return read.block;
			});
			return {
				...part,
				blocks: marked,
				words: wordsOfBlocks(marked),
				isCutOff: isCutOff(part.blocks, part === end),
				unbacked
			};
		});
	const there = new Set(sections.flatMap(({ section }) => section ?? []));
	const missing = wanted.filter(({ id }) => !there.has(id)).map(({ id }) => id);
	return { sections, missing, dropped };
}

type Part = Pick<ReplySection, 'heading' | 'section' | 'sure' | 'also'> & {
	readonly blocks: readonly BlockNode[];
};

function partsOf(
	blocks: readonly BlockNode[],
	wanted: readonly Pick<PlanSection, 'id' | 'heading' | 'level' | 'kind'>[],
	plan: ReplyPlan
): Part[] {
	const heads = blocks.filter((block): block is HeadingNode => block.type === 'heading');
	const matches = matchHeadings(
		heads.map((head) => ({ text: docText(head), level: head.attrs.level })),
		wanted
	);
	const matchOf = new Map(heads.map((head, i) => [head, matches[i]!]));
	const isTitle = (head: HeadingNode) =>
		head === heads[0] && headingLikeness(docText(head), plan.title) === 1;
	// a heading that was not asked for and stands deeper than the section before it is a part of that
	let level = 0;
	const opens = new Set<BlockNode>();
	for (const head of heads) {
		const isMatched = matchOf.get(head)!.section !== null || isTitle(head);
		if (isMatched || level === 0 || head.attrs.level <= level) {
			opens.add(head);
			level = head.attrs.level;
		}
	}
	const only = wanted.length === 1 ? wanted[0]! : undefined;
	const opening = wanted.find((section) => section.level === 1);
	const cuts = cutSections(
		blocks.map((block) => (opens.has(block) ? headOf(block) : { level: 0, section: null }))
	);
	const seen = new Set<string>();
	return cuts.flatMap(({ from, to }): Part[] => {
		const head = blocks[from]!;
		const isOpened = opens.has(head);
		const inside = blocks.slice(isOpened ? from + 1 : from, to);
		const heading = isOpened ? docText(head).trim() : '';
		const match = isOpened ? matchOf.get(head as HeadingNode)! : undefined;
		const part = (section: string | null, sure: ReplySection['sure']): Part[] => {
			// the same section twice: the second stands by itself
			if (section !== null && seen.has(section))
				return [{ heading, section: null, sure: null, also: [], blocks: inside }];
			if (section !== null) seen.add(section);
			return [{ heading, section, sure, also: match?.also ?? [], blocks: inside }];
		};
		if (match?.section) return part(match.section, match.sure);
		if (isOpened && isTitle(head as HeadingNode) && opening) return part(opening.id, 'same');
		if (!isOpened && only && heads.every((one) => !opens.has(one)))
			return part(only.id, 'only one asked');
		if (!isOpened && opening && matches.every(({ section }) => section !== opening.id))
			return part(opening.id, 'by place');
		if (!isOpened && only && !matches.some(({ section }) => section))
			return part(only.id, 'only one asked');
		return part(null, null);
	});
}

/** The last block of a reply can end anywhere; in the middle only a heading without text says so. */
function isCutOff(blocks: readonly BlockNode[], isEnd: boolean): boolean {
	const last = blocks.at(-1);
	if (!last) return isEnd;
	if (last.type === 'heading') return true;
	if (last.type === 'table') return false;
	const text = docText(last).split('\n').at(-1) ?? '';
	const isList = last.type === 'bulletList' || last.type === 'orderedList';
	if (last.type === 'paragraph' || (isList && isEnd))
		return !endsWhole(isList ? `- ${text}` : text);
	return false;
}
