import {
	docText,
	list,
	markedText,
	paragraph,
	table,
	textNode,
	textRunsOf,
	type BlockNode,
	type InlineNode,
	type ParagraphNode
} from '../../manuscript';
import { capital, countWords, isOrder, sentencesOf } from '../../text';
import { mapSentences, rewordBlocks } from '../rewording';
import { wordsOfBlocks } from '../version';

/** Share of a passage's words that a shorter one has. */
const SHORTER_PASSAGE = 0.7;
/** Things from which there is something to list. */
const LEAST_ENTRIES = 3;

/**
 * Fewer words for the same: wordy phrases first; then, while there are more words than are wanted, whole
 * sentences go that hold no figure, no wanted term and do not open their paragraph, the last first.
 */
export function shortened(
	stands: readonly BlockNode[],
	budget: number,
	terms: readonly string[],
	isPassage: boolean
): readonly BlockNode[] {
	const said = rewordBlocks(stands, ['shorter']);
	const most = isPassage ? Math.round(SHORTER_PASSAGE * wordsOfBlocks(stands)) : budget;
	let over = wordsOfBlocks(said) - most;
	if (over <= 0) return said;
	const spare: { readonly nth: number; readonly words: number }[] = [];
	const wanted = terms.map((term) => term.toLowerCase());
	let nth = 0;
	mapSentences(said, ({ text, isFirst, node }) => {
		const low = text.toLowerCase();
		const isHeld =
			isFirst ||
			/\d|["“”]/.test(text) ||
			wanted.some((term) => low.includes(term)) ||
			node.marks?.some(({ type }) => type === 'link' || type === 'comment');
		if (!isHeld) spare.push({ nth, words: countWords(text) });
		nth++;
		return text;
	});
	const out = new Set<number>();
	for (const { nth: at, words } of spare.reverse()) {
		if (over <= 0) break;
		out.add(at);
		over -= words;
	}
	nth = 0;
	return mapSentences(said, ({ text }) => (out.has(nth++) ? '' : text));
}

/** A sentence with the marks of its runs. */
type Sentence = readonly InlineNode[];

/** The sentences of a paragraph, each with the formatting and origin of its words. */
function sentencesOfParagraph(block: ParagraphNode): Sentence[] {
	const text = docText(block);
	const runs = textRunsOf(block);
	return sentencesOf(text).map(({ start, end }) =>
		runs.flatMap((run): InlineNode[] => {
			const from = Math.max(start, run.start);
			const to = Math.min(end, run.end);
			return from < to ? [markedText(text.slice(from, to), run.marks)] : [];
		})
	);
}

/** Sentences as running text. */
function joined(sentences: readonly Sentence[]): InlineNode[] {
	return sentences.flatMap((sentence, i) => (i > 0 ? [textNode(' '), ...sentence] : [...sentence]));
}

const textOf = (sentence: Sentence) =>
	sentence.map((node) => (node.type === 'text' ? node.text : ' ')).join('');

/**
 * A list of what stands in running text: the things that a sentence names behind a colon, else each
 * paragraph where there are several, else each sentence. Null where there are not three of them.
 */
export function asList(stands: readonly BlockNode[]): readonly BlockNode[] | null {
	for (const [at, block] of stands.entries()) {
		const named = block.type === 'paragraph' ? namedIn(block) : null;
		if (named) return [...stands.slice(0, at), ...named, ...stands.slice(at + 1)];
	}
	const { before, text, behind } = runningPart(stands);
	if (text.length >= LEAST_ENTRIES)
		return [
			...before,
			list(
				false,
				text.map(({ content = [] }) => content)
			),
			...behind
		];
	const sentences = text.flatMap(sentencesOfParagraph);
	const [lead, ...rest] = sentences;
	if (!lead || rest.length < LEAST_ENTRIES) return null;
	return [...before, paragraph(...lead), list(false, rest), ...behind];
}

/** The longest run of paragraphs of a section, what stands before it and behind. */
function runningPart(stands: readonly BlockNode[]) {
	let best = { from: 0, to: 0 };
	let from = 0;
	stands.forEach((block, at) => {
		if (block.type !== 'paragraph') from = at + 1;
		else if (at + 1 - from > best.to - best.from) best = { from, to: at + 1 };
	});
	return {
		before: stands.slice(0, best.from),
		text: stands.slice(best.from, best.to) as ParagraphNode[],
		behind: stands.slice(best.to)
	};
}

/** "Three tools do most of it: a hammer, a line and a bar." as a line over a list of them. */
function namedIn(block: ParagraphNode): BlockNode[] | null {
	const sentences = sentencesOfParagraph(block);
	const at = sentences.findIndex((sentence) => {
		const named = /^[^:]{8,}: ([^:;.!?"“”()]+)\.$/.exec(textOf(sentence))?.[1];
		return named !== undefined && entriesOf(named).length >= LEAST_ENTRIES && sentence.length === 1;
	});
	const found = sentences[at];
	const node = found?.[0];
	if (!found || node?.type !== 'text') return null;
	const cut = node.text.indexOf(': ');
	const marked = (text: string) => [markedText(text, node.marks ?? [])];
	const lead = [...sentences.slice(0, at), marked(node.text.slice(0, cut + 1))];
	const rest = sentences.slice(at + 1);
	return [
		paragraph(...joined(lead)),
		list(
			false,
			entriesOf(node.text.slice(cut + 2, -1)).map((entry) => marked(capital(entry)))
		),
		...(rest.length > 0 ? [paragraph(...joined(rest))] : [])
	];
}

/** "a hammer, a line and a bar" as three; what has a clause in it is no thing of a list. */
function entriesOf(text: string): string[] {
	const entries = text
		.split(/,\s+(?:and |or )?|\s+(?:and|or)\s+(?=[^,]*$)/)
		.map((entry) => entry.trim())
		.filter((entry) => entry !== '');
	return text.includes(',') && entries.every((entry) => countWords(entry) <= 9) ? entries : [];
}

const SEQUENCE =
	/^(?:first(?:ly)?|second(?:ly)?|third(?:ly)?|next|then|after that|finally|lastly|now|and then)\b,?\s+/i;

/** Numbered steps of the sentences that tell to do something, each with what is said behind it; null under three of them. */
export function asSteps(stands: readonly BlockNode[]): readonly BlockNode[] | null {
	const { before, text, behind } = runningPart(stands);
	const lead: Sentence[] = [];
	const steps: Sentence[][] = [];
	for (const sentence of text.flatMap(sentencesOfParagraph)) {
		const said = textOf(sentence).replace(SEQUENCE, '');
		if (isOrder(said)) steps.push([withoutSequence(sentence)]);
		else if (steps.length > 0) steps.at(-1)!.push(sentence);
		else lead.push(sentence);
	}
	if (steps.length < LEAST_ENTRIES) return null;
	return [
		...before,
		...(lead.length > 0 ? [paragraph(...joined(lead))] : []),
		list(true, steps.map(joined)),
		...behind
	];
}

/** A step is told by its number. */
function withoutSequence(sentence: Sentence): Sentence {
	const [first, ...rest] = sentence;
	if (first?.type !== 'text') return sentence;
	const said = first.text.replace(SEQUENCE, '');
	return said === first.text ? sentence : [{ ...first, text: capital(said) }, ...rest];
}

/** Verbs that say one figure of a thing, and what a column of them is called. */
const COLUMNS: readonly (readonly [RegExp, string])[] = [
	[/ costs? /i, 'Cost'],
	[/ weighs? /i, 'Weight'],
	[/ takes? /i, 'Time'],
	[/ lasts? /i, 'Lasts'],
	[/ needs? /i, 'Needs'],
	[/ holds? /i, 'Holds'],
	[/ (?:is|are) /i, 'Figure']
];

/**
 * A table of lines that say one thing each of several: entries such as "Cope: the top course", or sentences
 * with one verb ("A hammer costs £40."). Null where three of them do not say it alike.
 */
export function asTable(stands: readonly BlockNode[]): readonly BlockNode[] | null {
	for (const [at, block] of stands.entries()) {
		if (block.type !== 'bulletList') continue;
		const rows = (block.content ?? []).map((item) => {
			const [first, ...more] = item.content ?? [];
			return first?.type === 'paragraph' && more.length === 0 ? labelled(first) : null;
		});
		if (rows.length < LEAST_ENTRIES || rows.some((row) => row === null)) continue;
		const found = rows as Row[];
		const column = found.every(({ said }) => /\d/.test(textOf(said))) ? 'Figure' : 'What it is';
		return [...stands.slice(0, at), tableOf(found, column), ...stands.slice(at + 1)];
	}
	const { before, text, behind } = runningPart(stands);
	const sentences = text.flatMap(sentencesOfParagraph);
	for (const [verb, column] of COLUMNS) {
		const rows = sentences.map((sentence) => figureRow(sentence, verb));
		if (rows.filter((row) => row !== null).length < LEAST_ENTRIES) continue;
		const rest = sentences.filter((_, i) => rows[i] === null);
		return [
			...before,
			...(rest.length > 0 ? [paragraph(...joined(rest))] : []),
			tableOf(
				rows.filter((row) => row !== null),
				column
			),
			...behind
		];
	}
	return null;
}

interface Row {
	readonly name: Sentence;
	readonly said: Sentence;
}

function tableOf(rows: readonly Row[], column: string): BlockNode {
	return table(
		[[[textNode('What')], [textNode(column)]], ...rows.map(({ name, said }) => [name, said])],
		true
	);
}

/** "Cope: the top course" as its two sides. */
function labelled(block: ParagraphNode): Row | null {
	const [node, ...more] = block.content ?? [];
	if (node?.type !== 'text' || more.length > 0) return null;
	const found = /^([^:–—]{2,40}?)(?:: | [–—] )(.+?)\.?$/.exec(node.text);
	if (!found) return null;
	const marks = node.marks ?? [];
	return {
		name: [markedText(found[1]!, marks)],
		said: [markedText(capital(found[2]!), marks)]
	};
}

/** "A hammer costs £40." as what, and how much; null where the sentence says more. */
function figureRow(sentence: Sentence, verb: RegExp): Row | null {
	const [node, ...more] = sentence;
	if (node?.type !== 'text' || more.length > 0) return null;
	const at = verb.exec(node.text);
	if (!at) return null;
	const name = node.text.slice(0, at.index).replace(/^(?:an?|the) /i, '');
	const said = node.text.slice(at.index + at[0].length).replace(/\.$/, '');
	if (countWords(name) > 6 || countWords(said) > 9 || !/\d/.test(said) || /[,;:]/.test(name + said))
		return null;
	if (/\b(?:it|they|this|that|which|who|if|when|but|not)\b/i.test(`${name} ${said}`)) return null;
	const marks = node.marks ?? [];
	return { name: [markedText(capital(name), marks)], said: [markedText(capital(said), marks)] };
}
