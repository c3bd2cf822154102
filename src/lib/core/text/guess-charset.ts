/**
 * Guesses the charset of a text that nobody named, for the scripts whose bytes are mostly above
 * 0x7F: Japanese, Korean, Chinese and Cyrillic. Each is decoded, and the letters must be those that
 * its language uses most: kana, Hangul syllables, Han of the first level, small Cyrillic letters.
 *
 * @returns a label of the Encoding Standard; null where the bytes look Western
 */
export function guessCharset(sample: Uint8Array): string | null {
	if (shareInRuns(sample) < LEAST_RUNS) return null;
	for (const { label, looksRight } of CANDIDATES) {
		const text = decoded(sample, label);
		const beyond = text === null ? [] : [...text].filter((sign) => sign > '\u007f');
		if (beyond.length > 0 && looksRight(beyond)) return label;
	}
	return null;
}

/** Bytes above 0x7F that have such a neighbour; in Western text most stand alone among ASCII letters. */
const LEAST_RUNS = 0.7;

function shareInRuns(sample: Uint8Array): number {
	let high = 0;
	let inRuns = 0;
	for (let i = 0; i < sample.length; i++) {
		if (sample[i]! < 0x80) continue;
		high++;
		if ((sample[i - 1] ?? 0) >= 0x80 || (sample[i + 1] ?? 0) >= 0x80) inRuns++;
	}
	return high < 4 ? 0 : inRuns / high;
}

/** Strict, but for the end, where the sample may cut a sign in two. */
function decoded(sample: Uint8Array, label: string): string | null {
	for (let cut = 0; cut < 4; cut++) {
		try {
			return new TextDecoder(label, { fatal: true }).decode(
				sample.subarray(0, sample.length - cut)
			);
		} catch {
			continue;
		}
	}
	return null;
}

interface Candidate {
	readonly label: string;
	/** @param signs those beyond ASCII, one at least */
	readonly looksRight: (signs: readonly string[]) => boolean;
}

const share = (signs: readonly string[], kind: RegExp): number =>
	signs.filter((sign) => kind.test(sign)).length / signs.length;

const KANA = /[\u3041-\u30fe]/u;
const HANGUL = /[\uac00-\ud7a3]/u;
const HAN = /[\u4e00-\u9fff\u3001-\u3011\uff01-\uff5e“”‘’…—]/u;
const SMALL_CYRILLIC = /[а-яё]/u;
const CYRILLIC = /[А-Яа-яЁё«»—–№“”„…]/u;
/** The most frequent letters of Russian, Bulgarian and Ukrainian texts. */
const FREQUENT_CYRILLIC = /[оеаинтсрвл]/u;

/** The thousand or so Han that make up most of any Chinese text, in part: the particles and the commonest nouns. */
const FREQUENT_HAN =
	/[的一是不了在人有我他这個个上们們来來到时時大地为為子中你说說生国國年着就那和要她出也得里后自以会會家可下而过過天去能对對小多然于心学學么之都好看起发發当當没成只如事把还用第样道想作种開开美手石水土木工方法使最高分]/u;

const isChinese = (signs: readonly string[]) =>
	share(signs, HAN) >= 0.9 && share(signs, FREQUENT_HAN) >= 0.1;
const isCyrillic = (signs: readonly string[]) =>
	share(signs, CYRILLIC) >= 0.9 &&
	share(signs, SMALL_CYRILLIC) >= 0.6 &&
	share(signs, FREQUENT_CYRILLIC) >= 0.45;

const CANDIDATES: readonly Candidate[] = [
	{ label: 'shift_jis', looksRight: (signs) => share(signs, KANA) >= 0.25 },
	{ label: 'euc-jp', looksRight: (signs) => share(signs, KANA) >= 0.25 },
	{ label: 'euc-kr', looksRight: (signs) => share(signs, HANGUL) >= 0.6 },
	{ label: 'gb18030', looksRight: isChinese },
	{ label: 'big5', looksRight: isChinese },
	{ label: 'koi8-r', looksRight: isCyrillic },
	{ label: 'windows-1251', looksRight: isCyrillic }
];
