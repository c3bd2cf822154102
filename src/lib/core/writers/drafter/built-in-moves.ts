import type { Findings } from '../../findings';
import {
	docText,
	heading,
	list,
	paragraph,
	textNode,
	type BlockNode,
	type Origin
} from '../../manuscript';
import { sourcesIn, wordsOfBlocks, type Version } from '../version';
import type { Move, SectionRequest } from '../writer';
import { stretchOf, type NoteFate } from './note-fates';

/** Moves that the notes, the findings and the text itself allow without anybody's words being made up. */
export const MATERIAL_MOVES = ['lengthen', 'answer', 'faq', 'takeaways'] as const satisfies Move[];

export type MaterialMove = (typeof MATERIAL_MOVES)[number];

export function isMaterialMove(move: Move): move is MaterialMove {
	return (MATERIAL_MOVES as readonly Move[]).includes(move);
}

/** What a move can be made of. */
export interface MoveMaterial {
	readonly findings: Pick<Findings, 'questions'>;
	/** Sign of each note, by id. */
	readonly noteSigns: ReadonlyMap<string, string>;
	/** What became of the units of the notes in the take. */
	readonly fates: readonly NoteFate[];
	/** Sentences of the article that say most, in reading order. */
	readonly takeaways: readonly string[];
}

const NONE: Readonly<Record<MaterialMove, string>> = {
	lengthen: 'your notes hold nothing more that suits this section',
	answer: 'your notes answer none of its open questions for sure',
	faq: 'your notes answer none of its open questions for sure',
	takeaways: 'the article has no sentence yet that stands for a section'
};

/**
 * A version made by a move out of what is there: what stands in the section, and behind it what the move
 * adds, each sentence with its origin. Without anything to add it is refused, with why.
 */
export function versionByMaterial(request: SectionRequest, material: MoveMaterial): Version {
	const move = request.move as MaterialMove;
	const added = ADDED[move](request, material);
	const blocks = added.length === 0 ? [] : [...written(request.stands), ...added];
	return {
		section: request.section,
		heading: request.heading,
		writer: 'built-in',
		move,
		blocks,
		words: wordsOfBlocks(blocks),
		sources: sourcesIn(blocks),
		outcome: added.length === 0 ? { kind: 'refused', reason: NONE[move] } : { kind: 'done' }
	};
}

/** A paragraph to write into is nothing to keep. */
function written(stands: readonly BlockNode[]): BlockNode[] {
	return stands.filter((block) => docText(block).trim() !== '' || block.type === 'figure');
}

const ADDED: Readonly<
	Record<MaterialMove, (request: SectionRequest, material: MoveMaterial) => BlockNode[]>
> = {
	lengthen: ({ section, stands, budget }, { fates }) => {
		const added: BlockNode[] = [];
		for (const { fate } of fates) {
			if (fate.kind !== 'left out' || fate.nearest[0] !== section) continue;
			// what is said already, or stands on a page, is nothing more
			if (fate.reason !== 'open' && fate.reason !== 'no room') continue;
			if (wordsOfBlocks([...stands, ...added]) >= budget) break;
			added.push(...fate.blocks);
		}
		return added;
	},
	answer: (request, material) =>
		answersIn(request, material).map(({ text, origin }) => paragraph(textNode(text, origin))),
	faq: (request, material) =>
		answersIn(request, material).flatMap(({ question, text, origin }) => [
			heading(Math.min(4, request.level + 1), question),
			paragraph(textNode(text, origin))
		]),
	takeaways: (_, { takeaways }) =>
		takeaways.length === 0
			? []
			: [
					list(
						false,
						takeaways.map((text) => [textNode(text)])
					)
				]
};

interface OwnAnswer {
	readonly question: string;
	readonly text: string;
	readonly origin: Origin;
}

/** What the notes say to the questions of a section, for sure, each once and not where it stands already. */
function answersIn(
	{ questions, stands }: SectionRequest,
	{ findings, noteSigns }: MoveMaterial
): OwnAnswer[] {
	const text = stands.map(docText).join('\n');
	return questions.flatMap(({ id, text: question }): OwnAnswer[] => {
		const known = findings.questions.find((one) => one.id === id);
		const answer = known?.answers.find(({ source }) => noteSigns.has(source));
		if (!answer || stretchOf(text, answer.text)) return [];
		return [
			{
				question,
				text: answer.text,
				origin: { source: answer.source, label: noteSigns.get(answer.source)! }
			}
		];
	});
}
