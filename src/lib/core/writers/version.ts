import {
	docOf,
	docText,
	emptyParagraph,
	heading,
	type BlockNode,
	type TakeDoc
} from '../manuscript';
import { headingOf, type Plan } from '../plan';
import { countWords } from '../text';
import type { LeftOver, Move, SectionRequest, Stop, Writer, WriterOutcome } from './writer';

/** What a writer offers for a section. Plain data. */
export interface Version {
	/** Id of the planned section. */
	readonly section: string;
	readonly heading: string;
	/** Id of the writer. */
	readonly writer: string;
	readonly move: Move;
	/** Blocks under the heading, without it. */
	readonly blocks: readonly BlockNode[];
	/** Words of the blocks; gaps do not count. */
	readonly words: number;
	/** Ids of the notes and other sources it draws on, each once. */
	readonly sources: readonly string[];
	readonly outcome: WriterOutcome;
	/** What came along and was left out. */
	readonly left?: readonly LeftOver[];
	/** Texts of the blocks that it stands in place of, where it is a version of a passage alone. */
	readonly over?: readonly string[];
}

/**
 * Lets a writer answer a request to its end. What came before a stop or a failure is kept; when
 * nothing came and the writer throws, so does this.
 */
export async function versionOf(
	writer: Writer,
	request: SectionRequest,
	stop: Stop
): Promise<Version> {
	const blocks: BlockNode[] = [];
	const sources = new Set<string>();
	const left: LeftOver[] = [];
	const steps = writer.write(request, stop);
	let step = await steps.next();
	while (!step.done) {
		blocks.push(...step.value.blocks);
		for (const source of step.value.sources) sources.add(source);
		left.push(...(step.value.left ?? []));
		step = await steps.next();
	}
	return {
		section: request.section,
		heading: request.heading,
		writer: writer.id,
		move: request.move,
		blocks,
		words: wordsOfBlocks(blocks),
		sources: [...sources],
		outcome: step.value,
		...(left.length > 0 ? { left } : {}),
		...(request.isPassage ? { over: request.stands.map(docText) } : {})
	};
}

/** Where a passage begins among the blocks of its section; −1: it has been changed since. */
export function passageAt(blocks: readonly BlockNode[], over: readonly string[]): number {
	const texts = blocks.map(docText);
	return over.length === 0
		? -1
		: texts.findIndex((_, at) => over.every((text, i) => texts[at + i] === text));
}

/** Versions of sections, one after the other in the order asked for, until a stop. */
export async function* versionsOf(
	writer: Writer,
	requests: readonly SectionRequest[],
	stop: Stop
): AsyncGenerator<Version, void> {
	for (const request of requests) {
		if (stop.aborted) return;
		const version = await versionOf(writer, request, stop);
		yield version;
		if (version.outcome.kind === 'cancelled') return;
	}
}

/** Words of blocks; gaps are no part of the article. */
export function wordsOfBlocks(blocks: readonly BlockNode[]): number {
	return blocks.reduce(
		(sum, block) => sum + (block.type === 'gap' ? 0 : countWords(docText(block))),
		0
	);
}

/**
 * The headings of a plan with the versions under them. A section without a version, as after a
 * stop, gets its heading and a paragraph to write into.
 */
export function docOfVersions(plan: Plan, versions: readonly Version[]): TakeDoc {
	const bySection = new Map(versions.map((version) => [version.section, version.blocks]));
	return docOf(
		plan.sections.flatMap((section) => [
			heading(section.level, headingOf(plan, section), section.id),
			...(bySection.get(section.id) ?? [emptyParagraph()])
		])
	);
}

/** Ids of what blocks are marked as drawn from, each once. */
export function sourcesIn(blocks: readonly BlockNode[]): string[] {
	const found = new Set<string>();
	const read = (node: unknown): void => {
		const { marks, content } = node as {
			marks?: readonly { type: string; attrs?: { source?: string } }[];
			content?: readonly unknown[];
		};
		for (const mark of marks ?? [])
			if (mark.type === 'origin' && mark.attrs?.source) found.add(mark.attrs.source);
		content?.forEach(read);
	};
	blocks.forEach(read);
	return [...found];
}
