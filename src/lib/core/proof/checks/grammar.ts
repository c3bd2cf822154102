import type { BlockCheck, BlockFinding } from '../mark';
import { findingIn, sentencesIn, type PlacedSentence } from '../places';

interface Rule {
	readonly about: string;
	readonly pattern: RegExp;
	readonly reason: (match: RegExpMatchArray) => string;
	/** What stands in place of the match; null: none is offered. */
	readonly mend: (match: RegExpMatchArray) => string | null;
	readonly unless?: RegExp;
}

const COMPARED =
	'more|less|better|worse|rather|larger|smaller|higher|lower|longer|shorter|cheaper|heavier|lighter|bigger|faster|slower|older|younger|stronger|weaker|thicker|thinner|deeper|wider|easier|harder|warmer|colder|fewer|greater|other';
/** Words with a consonant sound though they are written with a vowel, and the other way. */
const SOUNDS_CONSONANT =
	/^(?:uni(?!n|m)|use|usa|usu|uti|ubi|uk\b|ufo|eu(?!k)|ewe|one\b|once\b|one-|ouija|u-|u\b)/i;
const SOUNDS_VOWEL =
	/^(?:hour|honest|honou?r|heir|mba|mri|mp\b|x-ray|fm\b|nhs|ngo|html|sms|rv\b|lcd|led\b.{0}$)/i;
/** Some say “an” before these. */
const UNSTRESSED_H = /^(?:hist|hotel|habit|hero|horr|heredi|hypo|harass|hilar)/i;
const LETTERS = /^[A-Z]{2,}/;

/** Rules that hardly ever speak of a right sentence; what only a parser could tell is left alone. */
const RULES: readonly Rule[] = [
	{
		about: 'doubled word',
		pattern: /(?<![\p{L}\p{N}'’-])(\p{L}+)\s+\1(?![\p{L}\p{N}'’-])/giu,
		unless:
			/^(?:had|that|is|so|very|no|ha|bye|now|really|far|many|much|do|who|what|her|you|it|in|on|blah|chop|more|night|knock|pom|tom|ding)\s/i,
		reason: ([, word]) => `“${word}” stands twice`,
		mend: ([, word]) => word!
	},
	{
		about: 'doubled word',
		pattern: /\b(?:it it|in in|on on|you you)\b(?=\s+\p{Ll})/giu,
		reason: ([match]) => `“${match.split(' ')[0]}” stands twice`,
		mend: ([match]) => match.split(/\s/)[0]!
	},
	{
		about: 'its or it’s',
		pattern:
			/\bit['’]s(?=\s+(?:own|weight|length|width|height|size|shape|surface|colour|color|name|place|edge|edges|base|top|sides?|strength|best|worst|way|roots?|leaves|owner|owners|price|value|use|uses|purpose|users?|makers?|neighbou?rs?|members?|share|average|range|limit|limits)\b(?!\s+(?:is|are|was|were|that|to)\b))/giu,
		reason: () => '“Its” is meant: the one that belongs to it',
		mend: ([match]) => (match[0] === 'I' ? 'Its' : 'its')
	},
	{
		about: 'its or it’s',
		pattern:
			/\bits(?=\s+(?:a|an|the|not|been|very|too|important|easy|hard|difficult|possible|impossible|likely|unlikely|worth|better|best to|because|why|what|how|just|only|always|never|going|no longer|more|less)\s)/giu,
		unless: /\b(?:of|in|on|with|for|from|to|at|by|and|has|had|have|into|than)\s+its$/i,
		reason: () => '“It’s” is meant: it is, or it has',
		mend: ([match]) => (match[0] === 'I' ? 'It’s' : 'it’s')
	},
	{
		about: 'your or you’re',
		pattern:
			/\byour(?=\s+(?:a|an|the|not|welcome|going to|doing|using|trying|looking|getting|making|able|unable|sure|ready|likely|right to|done|planning|working|wondering|about to)\s)/giu,
		reason: () => '“You’re” is meant: you are',
		mend: ([match]) => (match[0] === 'Y' ? 'You’re' : 'you’re')
	},
	{
		about: 'your or you’re',
		pattern:
			/\byou['’]re(?=\s+(?:own|house|home|garden|wall|budget|money|time|family|local|doctor|hands?|feet|body|name|address|car|kitchen|friends?|neighbou?rs?|landlord|client|clients|first|next|new)\b(?!\s+(?:to|at|in|here)\b))/giu,
		reason: () => '“Your” is meant: the one that is yours',
		mend: ([match]) => (match[0] === 'Y' ? 'Your' : 'your')
	},
	{
		about: 'then or than',
		pattern: new RegExp(
			String.raw`\b((?:${COMPARED})(?:\s+\p{L}+)?)\s+then(?=\s+(?:a|an|the|it|you|one|two|this|that|any|half|what|we|they|most|\d|£|$))`,
			'giu'
		),
		unless: /(?:,|\band)\s+then$/i,
		reason: () => '“Than” is meant: it compares',
		mend: ([, before]) => `${before} than`
	},
	{
		about: 'have or of',
		pattern: /\b(could|should|would|might|must|may)(n['’]t)?\s+of\b(?!\s+course)/giu,
		reason: () => '“Have” is meant',
		mend: ([, helper, not = '']) => `${helper}${not} have`
	},
	{
		about: 'lose or loose',
		pattern:
			/\b(to|will|can|may|might|not|you|you['’]ll|they|and|don['’]t|would|could|never)\s+loose(?=\s+(?:your|the|a|an|its|their|any|some|heat|weight|water|moisture|money|time|it|them|more|all|much|one|interest|track|grip|strength)\b)/giu,
		reason: () => '“Lose” is meant: to have no longer',
		mend: ([, before]) => `${before} lose`
	},
	{
		about: 'there or their',
		pattern:
			/\btheir(?=\s+(?:is|are|was|were|will be|has been|have been|isn['’]t|aren['’]t|may be|can be)\b)/giu,
		reason: () => '“There” is meant',
		mend: ([match]) => (match[0] === 'T' ? 'There' : 'there')
	},
	{
		about: 'there or their',
		pattern: /\b(?:there|they['’]re)(?=\s+own\b)/giu,
		reason: () => '“Their” is meant: the one that is theirs',
		mend: ([match]) => (match[0] === 'T' ? 'Their' : 'their')
	},
	{
		about: 'who’s or whose',
		pattern: /\bwho['’]s(?=\s+(?:own|name|house|job|turn|fault|idea|garden|work)\b)/giu,
		reason: () => '“Whose” is meant',
		mend: ([match]) => (match[0] === 'W' ? 'Whose' : 'whose')
	},
	{
		about: 'verb',
		pattern:
			/(?<=^|[,;:(“"]\s?|\b(?:and|but|because|that|when|so|since|while|where)\s)(he|she|it)\s+(have|do|don['’]t|are|need|want)\b/giu,
		unless: /\b(?:does|did|do|will|would|can|could|should|may|might|must|if)\b[^,.;]*$/i,
		reason: ([, who, verb]) => `“${who} ${verb}”: the verb does not fit`,
		mend: ([, who, verb]) => `${who} ${singular(verb!)}`
	},
	{
		about: 'verb',
		pattern:
			/(?<!\b(?:of|for|with|by|to|than|between|like|at|and|about)\s)\b(they|we)\s+(was|is|has|does|doesn['’]t|wasn['’]t|isn['’]t|hasn['’]t)\b/giu,
		reason: ([, who, verb]) => `“${who} ${verb}”: the verb does not fit`,
		mend: ([, who, verb]) => `${who} ${plural(verb!)}`
	},
	{
		about: 'comma',
		pattern: /\s+(?=[,;](?:\s|$))|\s+(?=\.(?:\s|$)(?!\.))/gu,
		unless: /\.\.\s*$/,
		reason: () => 'A space stands before the mark',
		mend: () => ''
	}
];

function singular(verb: string): string {
	const known: Record<string, string> = {
		have: 'has',
		do: 'does',
		are: 'is',
		were: 'was',
		go: 'goes'
	};
	if (/^don/i.test(verb)) return verb.replace(/^don/i, 'doesn');
	return known[verb.toLowerCase()] ?? `${verb}s`;
}

function plural(verb: string): string {
	const known: Record<string, string> = { was: 'were', is: 'are', has: 'have', does: 'do' };
	const not = /n['’]t$/i.exec(verb)?.[0] ?? '';
	const bare = verb.slice(0, verb.length - not.length).toLowerCase();
	return `${known[bare] ?? bare}${not}`;
}

/** Marks slips of grammar that a rule can tell for sure, each with what is meant. */
export const grammarCheck: BlockCheck = {
	id: 'grammar',
	reads: 'spelling',
	look: (block) =>
		block.kind === 'gap' || block.kind === 'codeBlock' || block.kind === 'table'
			? []
			: sentencesIn(block).flatMap((sentence) => [
					...RULES.flatMap((rule) => slipsOf(rule, sentence)),
					...articlesIn(sentence)
				])
};

function slipsOf({ about, pattern, reason, mend, unless }: Rule, sentence: PlacedSentence) {
	return [...sentence.text.matchAll(pattern)].flatMap((match): BlockFinding[] => {
		const end = match.index + match[0].length;
		// what excuses it are its own words, or those that lead to it
		const led = sentence.text.slice(Math.max(0, match.index - 40), end);
		if (unless && (unless.test(match[0]) || unless.test(led))) return [];
		const mended = mend(match);
		return [
			findingIn(
				sentence,
				{
					about,
					reason: reason(match),
					fixes:
						mended === null
							? []
							: [
									{
										label: mended === '' ? 'Take the space out' : `Write “${mended}”`,
										replacement: mended
									}
								]
				},
				{ start: match.index, end }
			)
		];
	});
}

const ARTICLE = /(?<![\p{L}\p{N}'’.-])(an?)\s+(["“‘(]?)([\p{L}][\p{L}'’-]*)/giu;

/** "A" before a vowel sound and "an" before a consonant; letters that are read out are left alone. */
function articlesIn(sentence: PlacedSentence): BlockFinding[] {
	return [...sentence.text.matchAll(ARTICLE)].flatMap((match): BlockFinding[] => {
		const [, article, , word] = match as unknown as [string, string, string, string];
		// a capital inside a sentence is a name of its own: "from A to B"
		if (
			article === 'A' &&
			match.index > 0 &&
			!/["“‘(]\s*$/.test(sentence.text.slice(0, match.index))
		)
			return [];
		if (LETTERS.test(word) || word.length < 2) return [];
		const isVowel =
			SOUNDS_VOWEL.test(word) || (/^[aeiou]/i.test(word) && !SOUNDS_CONSONANT.test(word));
		const isAn = article.length === 2;
		if (isAn === isVowel || (isAn && UNSTRESSED_H.test(word))) return [];
		const right = isVowel ? `${article[0]}n` : article[0]!;
		return [
			findingIn(
				sentence,
				{
					about: 'a or an',
					reason: `“${right}” stands before “${word}”`,
					fixes: [{ label: `Write “${right}”`, replacement: right }]
				},
				{ start: match.index, end: match.index + article.length }
			)
		];
	});
}
