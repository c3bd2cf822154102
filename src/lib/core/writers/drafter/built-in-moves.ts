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
import { rewordBlocks } from '../rewording';
import { stretchOf, type NoteFate } from './note-fates';
import { asList, asSteps, asTable, shortened } from './reshape';

/** Moves that add what notes, findings and text have. */
const ADDING = ['lengthen', 'answer', 'faq', 'takeaways'] as const satisfies Move[];
/** Moves that say what stands there in another way or shape; a passage can be asked for them too. */
const RESHAPING = [
	'another version',
	'shorten',
	'list',
	'table',
	'steps',
	'work in terms'
] as const satisfies Move[];

type AddingMove = (typeof ADDING)[number];
type ReshapingMove = (typeof RESHAPING)[number];

/** Whether the built-in drafter makes a move out of what is there, without anybody's words being made up. */
export function isMaterialMove(move: Move, isPassage = false): boolean {
	// a whole section is drafted anew from the notes
	if (move === 'another version') return isPassage;
	// a passage is too little to see what a section wants
	if (move === 'work in terms') return !isPassage;
	return isReshaping(move) || (!isPassage && isAdding(move));
}

function isAdding(move: Move): move is AddingMove {
	return (ADDING as readonly Move[]).includes(move);
}

function isReshaping(move: Move): move is ReshapingMove {
	return (RESHAPING as readonly Move[]).includes(move);
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
	/** What a section would be with the terms it wants said in full; null where it is not known. */
	readonly workIn?: (section: string) => readonly BlockNode[] | null;
}

const NONE: Readonly<Record<AddingMove | ReshapingMove, string>> = {
	lengthen: 'your notes hold nothing more that suits this section',
	answer: 'your notes answer none of its open questions for sure',
	faq: 'your notes answer none of its open questions for sure',
	takeaways: 'the article has no sentence yet that stands for a section',
	'another version': 'none of these sentences can be said otherwise by rule',
	shorten:
		'nothing in it can go by rule: what is left opens a paragraph, or holds a figure or a term',
	list: 'there are not three things in it to list',
	table: 'there are not three lines in it that say one thing each, alike',
	steps: 'there are not three sentences in it that tell to do something',
	'work in terms':
		'no noun stands alone in it that a wanted term would say in full without saying something else'
};

/**
 * Versions by a move out of what is there: what the move adds behind what stands, each sentence with its
 * origin, or what stands in another way or shape. "Another version" gives up to three, each by other rules.
 * Where there is nothing to make, the only version is refused, with why.
 *
 * @param isContracting whether the client writes "don't" rather than "do not"
 */
export function versionsByMaterial(
	request: SectionRequest,
	material: MoveMaterial,
	isContracting = false
): Version[] {
	const { move, stands } = request;
	const made: (readonly BlockNode[])[] = [];
	if (isAdding(move)) {
		const added = ADDED[move](request, material);
		if (added.length > 0) made.push([...written(stands), ...added]);
	} else if (isReshaping(move)) {
		const known = new Set([textsOf(stands)]);
		for (const blocks of reshaped(move, request, material, isContracting)) {
			if (!blocks || known.has(textsOf(blocks))) continue;
			known.add(textsOf(blocks));
			made.push(blocks);
		}
	}
	const none: Version['outcome'] = {
		kind: 'refused',
		reason: NONE[move as AddingMove | ReshapingMove]
	};
	return (made.length === 0 ? [[]] : made).map((blocks) => ({
		section: request.section,
		heading: request.heading,
		writer: 'built-in',
		move,
		blocks,
		words: wordsOfBlocks(blocks),
		sources: sourcesIn(blocks),
		outcome: made.length === 0 ? none : { kind: 'done' },
		...(request.isPassage ? { over: stands.map(docText) } : {})
	}));
}

/** Blocks with their kinds, so that a list is another thing than the same words in a paragraph. */
function textsOf(blocks: readonly BlockNode[]): string {
	return JSON.stringify(blocks.map((block) => [block.type, docText(block)]));
}

function reshaped(
	move: ReshapingMove,
	{ section, stands, budget, terms, isPassage = false }: SectionRequest,
	{ workIn }: MoveMaterial,
	isContracting: boolean
): (readonly BlockNode[] | null)[] {
	switch (move) {
		case 'another version':
			return [
				rewordBlocks(stands, ['shorter', 'split']),
				rewordBlocks(stands, ['active', 'turned']),
				rewordBlocks(stands, [isContracting ? 'contracted' : 'in full'])
			];
		case 'shorten':
			return [
				shortened(
					stands,
					budget,
					terms.map(({ phrase }) => phrase),
					isPassage
				)
			];
		case 'list':
			return [asList(stands)];
		case 'table':
			return [asTable(stands)];
		case 'steps':
			return [asSteps(stands)];
		case 'work in terms':
			return [workIn?.(section) ?? null];
	}
}

/** A paragraph to write into is nothing to keep. */
function written(stands: readonly BlockNode[]): BlockNode[] {
	return stands.filter((block) => docText(block).trim() !== '' || block.type === 'figure');
}

const ADDED: Readonly<
	Record<AddingMove, (request: SectionRequest, material: MoveMaterial) => BlockNode[]>
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
