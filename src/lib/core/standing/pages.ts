import { assembleFindings, type FindOptions, type PageWork } from '../findings';
import { textOf, type Block } from '../pages';
import {
	indexRuns,
	measureDoc,
	type DocNode,
	type TakeDoc,
	heading,
	list,
	paragraph,
	textNode
} from '../takes';
import { evidenceOf, termIndexOf } from './evidence';
import { scoreState, type Standing } from './standing';
import { keywordLoadOf, stateOf } from './state';

/** A counted page with its article, ready to be scored like a take. */
export interface ScoredPage {
	readonly work: PageWork;
	readonly blocks: readonly Block[];
	readonly titleTag: string;
	readonly description: string;
}

export interface PageStanding extends Standing {
	readonly page: string;
	/** Words of the keyword's subject per 100 words. */
	readonly keywordLoad: number;
}

/** The article of a page as a manuscript, so that both are measured by the same code. */
export function docOfBlocks(blocks: readonly Block[]): TakeDoc {
	return { type: 'doc', content: blocks.flatMap(nodesOf) };
}

function nodesOf(block: Block): DocNode[] {
	switch (block.kind) {
		case 'heading':
			return [heading(block.level, block.text)];
		case 'paragraph':
			return [paragraph(textNode(block.text))];
		case 'quote':
			return [{ type: 'blockquote', content: [paragraph(textNode(block.text))] }];
		case 'list':
			return [
				list(
					block.ordered,
					block.items.map((item) => [textNode(item)])
				)
			];
		case 'table':
			return [
				{
					type: 'table',
					content: block.rows.map((row, r) => ({
						type: 'tableRow',
						content: row.map((cell) => ({
							type: block.header && r === 0 ? 'tableHeader' : 'tableCell',
							content: [paragraph(textNode(cell))]
						}))
					}))
				}
			];
		case 'figure':
			return block.caption === '' ? [] : [{ type: 'figure', content: [textNode(block.caption)] }];
		case 'answer':
			return [
				heading(3, block.question),
				...(block.text === '' ? [] : [paragraph(textNode(block.text))])
			];
		case 'code':
			return [{ type: 'codeBlock', content: [textNode(block.text)] }];
	}
}

/**
 * The standing of one counted page, with that page left out of the evidence it is held
 * against. Its links are those counted on the page.
 */
export function standingOfPage(
	page: ScoredPage,
	all: readonly ScoredPage[],
	notes: readonly PageWork[],
	options: FindOptions
): PageStanding {
	const others = all.filter(({ work }) => work.id !== page.work.id);
	const findings = assembleFindings(
		others.map(({ work }) => work),
		notes,
		options
	);
	const evidence = evidenceOf(findings, null);
	const runs = indexRuns(others.map(({ blocks }) => textOfBlocks(blocks)));
	const blocks = measureDoc(docOfBlocks(page.blocks), termIndexOf(evidence), runs);
	const measured = stateOf(blocks, page, evidence);
	const { links, figures } = page.work.counts;
	const state = { ...measured, shape: { ...measured.shape, links, figures } };
	return {
		page: page.work.id,
		...scoreState(state, evidence),
		keywordLoad: keywordLoadOf(state, evidence)
	};
}

/** All text of blocks, one piece a line. */
export function textOfBlocks(blocks: readonly Block[]): string {
	return blocks.map(textOf).join('\n');
}
