import type { SpokenParagraph } from './subtitles';

/**
 * A transcript is kept as text that can be read and mended: paragraphs, each opened by the time
 * and the speaker in square brackets, as in `[12:03 Edda] We begin with the footing.`
 */
const OPENING = /^\[(?:(\d{1,3}):)?(\d{1,2}):(\d{2})(?: ([^\]\n]{1,60}))?\][ \t]*/;

export function transcriptText(paragraphs: readonly SpokenParagraph[], head = ''): string {
	const said = paragraphs.map(
		({ startMs, speaker, text }) => `[${timeOf(startMs)}${speaker ? ` ${speaker}` : ''}] ${text}`
	);
	return [...(head === '' ? [] : [head]), ...said].join('\n\n');
}

/** What stands before the first time; empty where none does, or where nothing has a time. */
export function headOfTranscript(text: string): string {
	const plain = text.replace(/\r\n?/g, '\n');
	const first = new RegExp(OPENING.source, 'm').exec(plain);
	return first ? plain.slice(0, first.index).trim() : '';
}

/** A time as minutes and seconds, with hours when there are any. */
export function timeOf(ms: number): string {
	const seconds = Math.floor(ms / 1000);
	const two = (n: number) => String(n).padStart(2, '0');
	const hours = Math.floor(seconds / 3600);
	const rest = `${two(Math.floor((seconds % 3600) / 60))}:${two(seconds % 60)}`;
	return hours > 0 ? `${hours}:${rest}` : rest;
}

/** The paragraphs of a transcript's text, without its head; a paragraph without a time keeps the last one. */
export function spokenParagraphsOf(text: string): SpokenParagraph[] {
	const found: SpokenParagraph[] = [];
	const head = headOfTranscript(text);
	for (const part of text
		.replace(/\r\n?/g, '\n')
		.replace(/^\s+/, '')
		.slice(head.length)
		.split(/\n\s*\n/)) {
		const opening = OPENING.exec(part.trim());
		const said = part
			.trim()
			.slice(opening?.[0].length ?? 0)
			.trim();
		if (said === '') continue;
		const startMs = opening
			? (Number(opening[1] ?? 0) * 3600 + Number(opening[2]) * 60 + Number(opening[3])) * 1000
			: (found.at(-1)?.startMs ?? 0);
		found.push({ startMs, speaker: opening?.[4] ?? '', text: said });
	}
	return found;
}

/** The text alone, for counting and quoting: times and speakers are not words that were said. */
export function saidIn(text: string): string {
	return spokenParagraphsOf(text)
		.map(({ text: said }) => said)
		.join('\n\n');
}

/** When a sentence of a transcript was said, and by whom; null when it does not stand there. */
export function momentOf(text: string, sentence: string): SpokenParagraph | null {
	const plain = (value: string) => value.replace(/\s+/g, ' ').trim().toLowerCase();
	const wanted = plain(sentence);
	if (wanted === '') return null;
	return spokenParagraphsOf(text).find(({ text: said }) => plain(said).includes(wanted)) ?? null;
}
