/*
 * Jottings as sentences, with their sense left alone: short forms are written out, signs become
 * words, a capital stands first and a full stop last. What is a sentence already stays as it is.
 */

/** Short forms of notes and what they are in full; figures stand before those of measure. */
const WRITTEN_OUT: readonly (readonly [RegExp, string])[] = [
	[/\s*(?:→|⇒|->|=>)+\s*/g, ': '],
	[/\bw\/out\b|\bw\/o\b/gi, 'without'],
	[/\b[Ww]\/\s?|\b[Ww]\.\s(?=\p{Ll})|(?<=\s)w\s(?=[\p{Ll}\d])/gu, 'with '],
	[/([£$€]?\d[\d.,]*(?:\s?(?:kg|g|cm|mm|m|km|p|h|l|ml|%))?)[\s-]?ish\b/g, 'about $1'],
	[/\b(?:yr|Yr)\s?(?=\d{1,2}\b)/g, 'year '],
	[/\b(?:wk|Wk)\s?(?=\d{1,2}\b)/g, 'week '],
	[/\b(?:approx|ca|abt)\b\.?(?=\s|$)/gi, 'about'],
	[/\bc\.\s?(?=\d)/gi, 'about '],
	[/[~≈]\s?(?=[\d£$€])/g, 'about '],
	[/\bbtw\b(?=\s\d)/gi, 'between'],
	[/\b(?:bc|cos|cuz)\b/gi, 'because'],
	[/\bppl\b/gi, 'people'],
	[/\bthru\b/gi, 'through'],
	[/\bincl\b\.?/gi, 'including'],
	[/\bexcl\b\.?/gi, 'excluding'],
	[/\besp\b\.?/gi, 'especially'],
	[/\be\.?g\.?\s(?=\p{L}|\d)/giu, 'for example '],
	[/\b(\d[\d.,½¼¾–-]*)\s?yrs?\b\.?/gi, '$1 years'],
	[/\b(\d[\d.,½¼¾–-]*)\s?hrs?\b\.?/gi, '$1 hours'],
	[/\b(\d[\d.,½¼¾–-]*)\s?wks?\b\.?/gi, '$1 weeks'],
	[/\b(\d[\d.,½¼¾–-]*)\s?mins?\b\.?(?!\p{L})/giu, '$1 minutes'],
	[/\byr\b/gi, 'year'],
	[/\bwk\b/gi, 'week'],
	[/\b1st\b/g, 'first'],
	[/\b2nd\b/g, 'second'],
	[/\b3rd\b/g, 'third'],
	[/(?<=\p{L})\s?&\s?(?=\p{L}{2})/gu, ' and '],
	[/(?<=\p{L}{2}|°|%)\s\+\s(?=\p{L}|\d)/gu, ' and '],
	[/\s@\s/g, ' at '],
	[/!{2,}/g, '!'],
	[/\s+(?:lol|haha|:\))(?=\W|$)/gi, '']
];

/** One year is no years: "1 years" comes of a rule above. */
const ONE = /\b1 (year|hour|week|minute)s\b/g;

/** What a client asks to be said, without the asking: "Please say 30 g per square metre". */
const SAID_TO_WRITER = /^please (?:say|write|mention|put|use) (?!that\b)/i;
/** Where the note says to look: "see call", "→ see sheet". */
const POINTS_AWAY =
	/\s*(?:[→:;,–-]|->)?\s*\(?\bsee (?:the )?(?:call|mail|e-?mail|sheet|notes?|above|below|interview|photo|pic)\b\)?\.?$/i;
/** A reminder to the writer in brackets: "(check w. accountant)", "(ask Ines)", "(tbc)". */
const REMINDER =
	/\s*[([](?:(?:ask|confirm|verify|tbc|tbd|source\?)\b[^()[\]]*|check (?:with|w\/|w\.|if|whether|dates?|figures?|numbers?|sources?|spelling)(?!\p{L})[^()[\]]*|check \p{L}+)[)\]](?=[\s.]|$)/giu;
/** A word that ties a sentence to the one before it, where a whole sentence follows. */
const OPENS_LOOSE =
	/^(?:so|and|but|also|anyway|oh(?: and)?|ok(?:ay)?(?: so)?|well|plus),? (?=(?:the|a|an|it|they|there|this|that|we|you|he|she|in|if|never|always|\d)\b)/i;

/** A reckoning, which keeps its signs. */
const SUM = /[\d%]\)?\s*=|=\s*(?:[£$€~]?\s?\d|half|a (?:third|quarter)|one|two)|\s=\s.*\s=\s/i;

/** A sentence of a note as it can stand in an article. */
export function smoothed(text: string, isDefinition = false): string {
	let said = text
		.trim()
		.replace(SAID_TO_WRITER, '')
		.replace(POINTS_AWAY, '')
		.replace(REMINDER, '')
		.replace(OPENS_LOOSE, '');
	for (const [pattern, full] of WRITTEN_OUT) said = said.replace(pattern, full);
	said = said.replace(ONE, '1 $1');
	// "x = y" is a definition of x; a sum keeps its sign
	if (isDefinition && !/\s=\s(?:no|not|never)\b/i.test(said))
		said = said.replace(/(?<=\p{L}|\))\s=\s(?=\p{L}|["“])/gu, ' is ');
	// "rake = spring tine", "5° or more = out": what is on the other side is said of it, and is no sum
	else if (!SUM.test(said)) said = said.replace(/(?<=[\p{L})])\s=\s(?=\p{L})/u, ': ');
	said = said.replace(/\s{2,}/g, ' ').replace(/\s+([,.;:!?])/g, '$1');
	// jotted sentences go on with a small letter
	said = said.replace(/(?<=[\p{L}\p{N})]{3}[.!?]\s)\p{Ll}/gu, (letter) => letter.toUpperCase());
	return ended(capital(said));
}

const MONTHS_AND_DAYS =
	/\b(?:january|february|april|june|july|august|september|october|november|december|monday|tuesday|wednesday|thursday|friday|saturday|sunday)\b/g;

/** Somebody's words that were jotted down in small letters, with the capitals that print has. */
export function withCapitals(said: string): string {
	return said
		.replace(/(?<=^|[\p{L}\p{N})]{2}[.!?]\s)\p{Ll}(?=\p{Ll}|\s)/gu, (letter) =>
			letter.toUpperCase()
		)
		.replace(/(?<![\p{L}\p{N}.'’])i(?=\s|['’](?:m|d|ll|ve)\b)/gu, 'I')
		.replace(MONTHS_AND_DAYS, (name) => name[0]!.toUpperCase() + name.slice(1));
}

function capital(text: string): string {
	// a unit or a name written small keeps its letter: "pH", "eBay", "kWh"
	return /^\p{Ll}\p{Ll}/u.test(text) || /^a\s/.test(text)
		? text[0]!.toUpperCase() + text.slice(1)
		: text;
}

function ended(text: string): string {
	if (/[.!?…]["”’)\]]*$/.test(text)) return text;
	return `${text.replace(/[,;:–—-]+$/, '').trimEnd()}.`;
}

/** An entry of a list: written out, with a capital, as it ended. */
export function smoothedEntry(text: string): string {
	const said = smoothed(text);
	return /[.!?…]["”’)\]]*$/.test(text.trim()) ? said : said.replace(/\.$/, '');
}

/** A cell of a table: only the short forms are written out. */
export function smoothedCell(text: string): string {
	const cell = smoothedEntry(text).replace(/!+$/, '');
	return cell === '' || cell === '.' ? '' : cell[0]!.toUpperCase() + cell.slice(1);
}
