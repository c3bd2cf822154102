import { isQuestion } from '../../reading';
import { sectionsOf, textOf, type Block } from '../../pages';
import { contentStemsOf, countWords, sentencesOf } from '../../text';

/** A note as the drafter reads it. */
export interface DraftNote {
	readonly id: string;
	/** Short sign shown beside the text, such as "n1". */
	readonly label: string;
	readonly title: string;
	readonly blocks: readonly Block[];
}

/**
 * A stretch of a note that can be used alone: a sentence, together with those after it that
 * lean on it ("It…", "That…").
 */
export interface Passage {
	readonly note: string;
	readonly label: string;
	/** Position among all passages, for keeping their order. */
	readonly at: number;
	/** Heading it stands under. */
	readonly heading: string;
	readonly sentences: readonly string[];
	readonly words: number;
	readonly stems: readonly string[];
	readonly headingStems: readonly string[];
	/** How it must be introduced: the speaker of an interview, or the occasion of a visit. */
	readonly voice: Voice;
	/** Whether its first word can lose its capital behind an introduction. */
	readonly opensPlain: boolean;
	/** Number of the paragraph it comes from, for keeping neighbours together. */
	readonly paragraph: number;
}

type Voice =
	| { readonly kind: 'plain' }
	| { readonly kind: 'speaker'; readonly name: string }
	| { readonly kind: 'visit'; readonly place: string };

const LEANS =
	/^(?:it|its|they|their|them|this|that|these|those|she|he|her|his|such|so|then|otherwise|instead|here|there it|the same|also|but|and|or|yet|none of them|all of them|each of them|both|one of them|afterwards|at that)\b/i;
const FIRST_PERSON = /\b(?:I|I'm|I’m|I've|I’ve|my|mine|myself)\b/;

/** Sentences, and words, that one passage may join. */
const PASSAGE_SENTENCES = 4;
const PASSAGE_WORDS = 80;

/** A pronoun near the start that points back: "On the sites she works that is…". */
const POINTS_BACK = /^(?:\S+\s+){1,5}(?:she|he|it|they|them|this|that is|that was)\b/;

/** All passages of the notes, in order. Questions, what stands above the first heading of an interview or visit, and sentences in the first person without a known speaker, are left out. */
export function passagesOf(notes: readonly DraftNote[]): Passage[] {
	const passages: Passage[] = [];
	const lower = lowerWordsOf(notes);
	for (const note of notes) {
		const voice = voiceOf(note.title);
		let paragraph = 0;
		for (const section of sectionsOf(note.blocks)) {
			const heading = section.heading && section.heading.level > 1 ? section.heading.text : '';
			const headingStems = contentStemsOf(heading);
			// above the first heading stand date, place and company, not the matter
			if (heading === '' && voice.kind !== 'plain') continue;
			for (const block of section.blocks) {
				paragraph++;
				for (const sentences of unitsOf(block)) {
					if (
						sentences.some(
							(s) => isQuestion(s) || (FIRST_PERSON.test(s) && voice.kind !== 'speaker')
						)
					)
						continue;
					const text = sentences.join(' ');
					passages.push({
						note: note.id,
						label: note.label,
						at: passages.length,
						heading,
						sentences,
						words: countWords(text),
						stems: contentStemsOf(text),
						headingStems,
						voice,
						opensPlain: lower.has(/^[\p{L}'’-]+/u.exec(text)?.[0].toLowerCase() ?? ''),
						paragraph
					});
				}
			}
		}
	}
	return passages;
}

function unitsOf(block: Block): string[][] {
	const texts =
		block.kind === 'list'
			? block.items
			: block.kind === 'paragraph' || block.kind === 'quote'
				? [block.text]
				: [];
	const units: string[][] = [];
	for (const text of texts) {
		let fresh = true;
		for (const sentence of sentencesOf(text)) {
			// a front matter line or a label is no sentence
			if (!/[.!?…]["”’)]*$/.test(sentence.text) && countWords(sentence.text) < 6) continue;
			const open = units.at(-1);
			const leans = LEANS.test(sentence.text) || POINTS_BACK.test(sentence.text);
			const hasRoom =
				open !== undefined &&
				open.length < PASSAGE_SENTENCES &&
				countWords(open.join(' ')) < PASSAGE_WORDS;
			if (!fresh && open && leans && hasRoom) open.push(sentence.text);
			else units.push([sentence.text]);
			fresh = false;
		}
	}
	return units;
}

function voiceOf(title: string): Voice {
	const speaker =
		/\b(?:[Ii]nterview|[Cc]onversation|[Tt]alk|[Cc]all) with ((?:\p{Lu}[\p{L}'’-]+\s?){1,3})/u.exec(
			title
		);
	if (speaker) return { kind: 'speaker', name: speaker[1]!.trim() };
	const visit =
		/\b(?:[Ss]ite visit|[Vv]isit|[Ff]ield notes?|[Ss]ite notes?)\b(?:\s*(?::|to|at|–|-)\s*(?:the\s+)?((?:\p{Lu}[\p{L}'’-]+\s?){1,3}))?/u.exec(
			title
		);
	if (visit) return { kind: 'visit', place: visit[1]?.trim() ?? '' };
	return { kind: 'plain' };
}

/** Words that stand in small letters somewhere in the notes, and so are no names. */
function lowerWordsOf(notes: readonly DraftNote[]): Set<string> {
	const words = new Set<string>([
		'the',
		'a',
		'an',
		'at',
		'by',
		'on',
		'in',
		'there',
		'each',
		'all',
		'both'
	]);
	for (const { blocks } of notes) {
		for (const block of blocks)
			for (const [word] of textOf(block).matchAll(/\b\p{Ll}[\p{L}'’-]*/gu)) words.add(word);
	}
	return words;
}

/** Keeps who was named and where we were while a section is written. */
export class Narrator {
	#named = new Set<string>();
	#at: string | null = null;

	/**
	 * The sentences of a passage as they can stand in an article: the speaker is named where a
	 * pronoun would hang in the air, and what was seen on a visit says where.
	 */
	speak({ sentences, voice, note, opensPlain }: Passage): string[] {
		const before = this.#at;
		this.#at = voice.kind === 'visit' ? note : null;
		if (voice.kind === 'speaker')
			return sentences.map((sentence) => this.#name(sentence, voice.name));
		const [first, ...rest] = sentences;
		if (voice.kind !== 'visit' || before === note || !isPast(first!)) return [...sentences];
		const where = voice.place === '' ? 'On the site visited' : `At ${voice.place}`;
		return [
			`${where}, ${opensPlain ? first![0]!.toLowerCase() + first!.slice(1) : first!}`,
			...rest
		];
	}

	#name(sentence: string, name: string): string {
		if (sentence.includes(name)) {
			this.#named.add(name);
			return sentence;
		}
		if (this.#named.has(name)) return sentence;
		const given = name.split(/\s+/)[0]!;
		const named = sentence
			.replace(new RegExp(`\\b(?:she|he|${given})\\b`, 'i'), name)
			.replace(/^(?:Her|His)\b/, `${name}’s`);
		if (named !== sentence) this.#named.add(name);
		return named;
	}
}

function isPast(sentence: string): boolean {
	if (isOrder(sentence)) return false;
	return /\b(?:was|were|had|went|came|took|stood|held|found|made|weighed|used|laid|set|sent|cost)\b|\b\p{L}{3,}ed\b/iu.test(
		sentence
	);
}

const ORDERS =
	/^(?:set|lay|put|place|build|dig|take|use|keep|make|start|finish|mark|sort|fill|pack|test|check|step|stand|lean|drive|work|choose|pick|pull|walk|strip|run|stretch|level|cut|add|mix|leave|let|wait|remove|clean|open|close|turn|hold|press|wash|dry|cover|plant|water|pour|apply|sand|drill|screw|tie|wear|measure|buy|ask|look|move|bring|repeat|store|label|heat|stir|fold)\b/i;

/** Whether a sentence tells the reader to do something. */
export function isOrder(sentence: string): boolean {
	return ORDERS.test(sentence);
}
