// WordNet's dictionary, as far as the meaning of single words is concerned.
import { readFileSync } from 'node:fs';
import { verbFormsOf } from '../../src/lib/core/text';

const PARTS = { noun: 'n', verb: 'v', adj: 'a', adv: 'r' } as const;

/** Words of one meaning, with what they point to. */
export interface Meaning {
	readonly words: readonly string[];
	/** Sign of the relation and id of the other meaning. */
	readonly pointers: readonly (readonly [relation: string, meaning: string])[];
	/** The definition, without its examples. */
	readonly gloss: string;
}

/** Meanings of a word that are looked at, the most usual first. */
const MEANINGS_KEPT = 4;

/** Endings that are taken off to find a word in the dictionary, with what is put in their place. */
const ENDINGS: readonly (readonly [string, string])[] = [
	['ies', 'y'],
	['s', ''],
	['es', ''],
	['es', 'e'],
	['ed', ''],
	['ed', 'e'],
	['ing', ''],
	['ing', 'e'],
	['er', ''],
	['er', 'e'],
	['est', ''],
	['est', 'e'],
	['ier', 'y'],
	['iest', 'y']
];

export class WordNet {
	readonly meanings = new Map<string, Meaning>();
	/** Ids of the meanings of a word. */
	readonly meaningsOf = new Map<string, readonly string[]>();
	/** Words that are written with a small letter somewhere, and those written as names. */
	readonly #small = new Set<string>();
	readonly #names = new Set<string>();
	/** "took" → "take". */
	readonly #bases = new Map<string, string>();

	/** @param folder with the files data.noun, index.noun and so on */
	constructor(folder: string) {
		for (const [file, part] of Object.entries(PARTS)) {
			this.#readData(readFileSync(`${folder}/data.${file}`, 'latin1'), part);
			this.#readIndex(readFileSync(`${folder}/index.${file}`, 'latin1'), part);
		}
		for (const [word, ids] of this.meaningsOf)
			if (/^[a-z]+$/.test(word) && ids.some((id) => id.startsWith('v')))
				for (const form of verbFormsOf(word))
					if (!this.#bases.has(form)) this.#bases.set(form, word);
	}

	/** The dictionary's forms of a word as it is written; empty where it has none. */
	lemmasOf(word: string): string[] {
		const found: string[] = [];
		if (this.meaningsOf.has(word)) found.push(word);
		const base = this.#bases.get(word);
		if (base) found.push(base);
		for (const [ending, instead] of ENDINGS) {
			if (!word.endsWith(ending) || word.length - ending.length <= 1) continue;
			const lemma = word.slice(0, word.length - ending.length) + instead;
			if (this.meaningsOf.has(lemma)) found.push(lemma);
			const isDoubled = instead === '' && lemma.length > 2 && lemma.at(-1) === lemma.at(-2);
			if (isDoubled && this.meaningsOf.has(lemma.slice(0, -1))) found.push(lemma.slice(0, -1));
		}
		return [...new Set(found)];
	}

	/** Whether a word is a name and nothing else. */
	isNameAlone(word: string): boolean {
		return this.lemmasOf(word).every((lemma) => this.#names.has(lemma) && !this.#small.has(lemma));
	}

	#readData(text: string, part: string): void {
		for (const line of text.split('\n')) {
			if (line.startsWith('  ') || line === '') continue;
			const [head, ...rest] = line.split(' | ');
			const fields = head!.trim().split(/\s+/);
			const count = parseInt(fields[3]!, 16);
			const words: string[] = [];
			for (let i = 0; i < count; i++) {
				const word = fields[4 + 2 * i]!.split('(')[0]!;
				(word === word.toLowerCase() ? this.#small : this.#names).add(word.toLowerCase());
				words.push(word.toLowerCase());
			}
			const at = 4 + 2 * count;
			const pointers = Array.from({ length: Number(fields[at]) }, (_, i) => {
				const [relation, offset, to] = fields.slice(at + 1 + 4 * i, at + 4 + 4 * i);
				return [relation!, (to === 's' ? 'a' : to!) + offset!] as const;
			});
			const gloss = rest.join(' | ').split('"')[0]!;
			this.meanings.set(part + fields[0]!, { words, pointers, gloss });
		}
	}

	#readIndex(text: string, part: string): void {
		for (const line of text.split('\n')) {
			if (line.startsWith('  ') || line === '') continue;
			const fields = line.trim().split(/\s+/);
			const ids = fields
				.slice(6 + Number(fields[3]))
				.map((offset) => part + offset)
				.slice(0, MEANINGS_KEPT);
			this.meaningsOf.set(fields[0]!, [...(this.meaningsOf.get(fields[0]!) ?? []), ...ids]);
		}
	}
}
