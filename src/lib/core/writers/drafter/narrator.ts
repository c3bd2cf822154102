import { capital, isOrder } from '../../text';
import { isDeed } from './holds';
import type { Passage, Voice } from './note-material';

/** What a transcript calls somebody whom it does not name. */
const NO_NAME =
	/^(?:speaker|voice|host|guest|interviewee|caller|narrator|unknown|participant|presenter|q|a)(?: ?\d+| [a-z])?$/i;

/** Keeps who was named and where we were while a section is written. */
export class Narrator {
	#named = new Set<string>();
	#at: string | null = null;

	/**
	 * The sentences of a passage as they can stand in an article: the speaker is named where a
	 * pronoun would hang in the air, and what was seen on a visit says where.
	 */
	speak({ sentences, quoted, voice, note, opensPlain }: Passage, speaksAlready = false): string[] {
		const before = this.#at;
		this.#at = voice.kind === 'visit' ? note : null;
		if (voice.kind === 'speaker' || quoted.includes(true)) {
			// who goes on speaking is not named again
			let isSaid = speaksAlready;
			return sentences.map((sentence, i) => {
				if (!quoted[i])
					return voice.kind === 'speaker' ? this.#name(sentence, voice.name) : sentence;
				const said = isSaid ? inMarks(sentence) : this.#quote(sentence, voice);
				isSaid = true;
				return said;
			});
		}
		const [first, ...rest] = sentences;
		if (voice.kind !== 'visit' || before === note || !isPast(first!)) return [...sentences];
		const where = voice.place === '' ? 'On the site visited' : `At ${voice.place}`;
		return [
			`${where}, ${opensPlain ? first![0]!.toLowerCase() + first!.slice(1) : first!}`,
			...rest
		];
	}

	/**
	 * The sentences of an answer behind what was asked, in reported speech: "Asked about winter, Ines says:
	 * …", "How long it lasts: …". Null: nobody is named who says it.
	 */
	answer(passage: Passage, asked: string): string[] | null {
		const { sentences, quoted, voice, opensPlain } = passage;
		const [first = '', ...rest] = sentences;
		if (quoted[0] !== true) {
			if (quoted.includes(true)) return null;
			const said = opensPlain ? first[0]!.toLowerCase() + first.slice(1) : first;
			return [`${capital(asked.replace(/^about /, ''))}: ${said}`, ...rest];
		}
		if (voice.kind !== 'speaker' || NO_NAME.test(voice.name)) return null;
		const who = this.#introduced(voice);
		return [
			`Asked ${asked}, ${who} says: ${inMarks(first)}`,
			...this.speak({ ...passage, sentences: rest, quoted: quoted.slice(1) }, true)
		];
	}

	/** Somebody by name, with who they are where they are met first. */
	#introduced({ name, role }: Extract<Voice, { kind: 'speaker' }>): string {
		const who = this.#named.has(name) || role === '' ? name : `${name}, ${role},`;
		this.#named.add(name);
		return who;
	}

	/** A quotation with who says it, introduced where they are met first. */
	#quote(text: string, voice: Voice): string {
		const isMarked = /["“]/.test(text);
		if (voice.kind !== 'speaker') return isMarked ? ended(text) : `“${text}”`;
		const { name, role } = voice;
		if (NO_NAME.test(name)) return isMarked ? ended(text) : `“${text}”`;
		if (text.includes(name)) {
			this.#named.add(name);
			return ended(text);
		}
		// told about her already: "she says it is…"
		if (isMarked && !/^["“]/.test(text)) return this.#name(capital(ended(text)), name);
		const who = this.#named.has(name) || role === '' ? name : `${name}, ${role}`;
		this.#named.add(name);
		const words = text.replace(/^["“]|["”]\.?$/g, '').trim();
		if (/["“”]/.test(words)) return `${who}: ${ended(text)}`;
		const said = /[!?]$/.test(words) ? words : `${words.replace(/[.,]$/, '')},`;
		return `“${said}” says ${who}.`;
	}

	/** What stands before a list in which somebody tells of themselves; empty where nobody is named. */
	inTheWordsOf({ voice }: Passage): string {
		if (voice.kind !== 'speaker' || NO_NAME.test(voice.name)) return '';
		const { name, role } = voice;
		const who = this.#named.has(name) || role === '' ? name : `${name}, ${role}`;
		this.#named.add(name);
		return `In the words of ${who}:`;
	}

	#name(sentence: string, name: string): string {
		if (NO_NAME.test(name)) return sentence;
		if (sentence.includes(name)) {
			this.#named.add(name);
			return sentence;
		}
		// "Reckons one in six" is said of her
		const done = isDeed(sentence)
			? `${name} ${sentence[0]!.toLowerCase()}${sentence.slice(1)}`
			: sentence;
		if (done === sentence && this.#named.has(name)) return sentence;
		const given = name.split(/\s+/)[0]!;
		const named =
			done !== sentence
				? done
				: sentence
						.replace(
							new RegExp(`\\b(?:she|he|${given})\\b(['’](?:d|s|ll)(?= (\\p{Ll}+)))?`, 'iu'),
							(_, short?: string, next = '') =>
								short === undefined ? name : `${name} ${inFull(short.slice(1), next as string)}`
						)
						.replace(/^(?:Her|His)\b/, `${name}’s`);
		if (named !== sentence) this.#named.add(name);
		return named;
	}
}

function inMarks(text: string): string {
	const words = text.replace(/^["“]|["”]\.?$/g, '').trim();
	return /["“”]/.test(words) ? ended(text) : `“${ended(words)}”`;
}

/** "’d", "’s" and "’ll" behind a name, by the word that follows. */
function inFull(short: string, next: string): string {
	const isDone = /(?:ed|en|wn|ept|eft|ought|old|ost)$/.test(next);
	if (short === 'll') return 'will';
	if (short === 'd') return isDone ? 'had' : 'would';
	return isDone ? 'has' : 'is';
}

function ended(text: string): string {
	return /[.!?…]$/.test(text) || /[.!?…]["”’)]+$/.test(text) ? text : `${text}.`;
}

function isPast(sentence: string): boolean {
	if (isOrder(sentence)) return false;
	return /\b(?:was|were|had|went|came|took|stood|held|found|made|weighed|used|laid|set|sent|cost)\b|\b\p{L}{3,}ed\b/iu.test(
		sentence
	);
}
