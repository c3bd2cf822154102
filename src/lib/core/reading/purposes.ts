import { contentStemsOf, wordsOf } from '../text';

/** What a topic is for, told from its headings; decides the kind of section proposed. */
export const TOPIC_INTENTS = [
	'definition',
	'need',
	'steps',
	'cost',
	'mistakes',
	'reasons',
	'choice',
	'care',
	'rules',
	'time',
	'plain'
] as const;

export type TopicIntent = (typeof TOPIC_INTENTS)[number];

/** What a heading is about besides its subject: an intent, or a matter that articles share. */
export type Purpose =
	| Exclude<TopicIntent, 'plain'>
	| 'space'
	| 'food'
	| 'health'
	| 'safety'
	| 'workings'
	| 'comparison'
	| 'alternatives'
	| 'place'
	| 'season'
	| 'storage'
	| 'history'
	| 'advice'
	| 'hire'
	| 'sound'
	| 'lifespan'
	| 'signs'
	| 'prevention'
	| 'proof';

/**
 * Wordings of one purpose. Two headings that share one are likelier to mean the same, though
 * they have no word in common ("Kit list", "What to wear"). The first that fits names the intent.
 */
const PURPOSES: readonly (readonly [Purpose, RegExp])[] = [
	[
		'cost',
		/\b(?:costs?|prices?|budget\w*|expens\w+|cheap\w*|money|pay|paid|pounds|dollars|euros|fees?|how much (?:does|do|will|is|should)|spend\w*|second[- ]?hand|rent(?:ing|al)?|cost(?:ing)?)\b/i
	],
	[
		'mistakes',
		/\b(?:mistakes?|errors?|problems?|wrong|avoid\w*|pitfalls?|fail\w*|faults?|troubles?|troubleshoot\w*|regrets?|not to do|would not do|differently|wish i|collapse)\b/i
	],
	[
		'rules',
		/\b(?:permission|planning|regulations?|legal\w*|laws?|rules?|permits?|allowed|licen[cs]\w+|register\w*)\b/i
	],
	[
		'need',
		/\b(?:tools?|equipment|kit|materials?|supplies|(?<!how (?:much|many) .{0,30})(?:you(?:'|’)?ll need|(?:will )?you (?:will )?need)|what (?:do )?(?:i|you) need|gear|shopping list|ingredients|wear|cloth(?:es|ing)|outfit)\b/i
	],
	[
		'definition',
		/\bwhat .{2,40}\b(?:is|are|means?)\W*$|\b(?:what is|what are|what exactly|meaning|definition|defined|in a nutshell|explained|anatomy|parts of)\b/i
	],
	['reasons', /\b(?:why|benefits?|advantages?|reasons?|pros|worth)\b/i],
	[
		'choice',
		/\b(?:choos\w+|choice|select\w*|sort\w*|which|types? of|kinds? of|best|buy\w*|sourcing|pick\w*|suitab\w+)\b/i
	],
	[
		'care',
		/\b(?:repair\w*|maint\w+|care|caring|fix\w*|mend\w*|look(?:ing)? after|upkeep|clean\w*|wash(?:ing|ed)?(?![- ]up)|laundering|servic(?:e|ing))\b/i
	],
	[
		'time',
		/\b(?:how long(?!.*\b(?:lasts?|lives?|stands?|keeps?|survives?)\b)|how many (?:days|weeks|hours)|time (?:it takes|needed|and)|duration|schedule|timeline)\b/i
	],
	[
		'steps',
		/\b(?:step|steps|how to|how do|method|process|build\w*|lay\w*|dig\w*|plac\w+|set\w*|start\w*|fill\w*|finish\w*|put\w*|mak\w+|prepar\w+|mark\w*)\b/i
	],
	['space', /\b(?:space|room|size|sizing|big enough|how big|how small|dimensions?|area)\b/i],
	[
		'food',
		/\b(?:eat\w*|food|feed\w*|fuel\w*|diet|drink\w*|nutrition|hydrat\w+|meals?|water(?:ing)?)\b/i
	],
	[
		'health',
		/\b(?:health\w*|injur\w+|ill|illness\w*|sick\w*|disease\w*|pain|parasites?|pests?|symptoms?|hurt\w*)\b/i
	],
	['safety', /\b(?:safe\w*|danger\w*|risks?|hazards?|protect\w*)\b/i],
	['workings', /\b(?:how (?:.{0,40})works?|physics|principles?|science|mechanism|stands up)\b/i],
	['comparison', /\b(?:vs\.?|versus|differences?|compar\w+)\b/i],
	['alternatives', /\b(?:alternatives?|instead of|other (?:ways|options))\b/i],
	['place', /\b(?:where to|location|position\w*|site|siting|placement)\b/i],
	['season', /\b(?:winter|summer|spring|autumn|fall|seasons?|seasonal|weather|frost)\b/i],
	['storage', /\b(?:stor(?:e|ing|age)|shelf life|freez\w+|fresh)\b/i],
	['history', /\b(?:history|origins?|tradition\w*)\b/i],
	['advice', /\b(?:tips?|advice|hacks|tricks|i would tell)\b/i],
	['hire', /\b(?:hir(?:e|ing)|professionals?|installers?|contractors?|tradesm[ae]n|experts?)\b/i],
	[
		'lifespan',
		/\b(?:lifespan|lifetime|life expectancy|how long .*\b(?:lasts?|lives?|stands?|keeps?|survives?))\b/i
	],
	[
		'signs',
		/\b(?:signs?|symptoms?|tell(?:tale)?|how (?:to|do you|can you) (?:know|tell|spot)|(?:you|it) needs? (?:a )?new|warning)\b/i
	],
	[
		'prevention',
		/\b(?:prevent\w*|keep(?:ing)? .{1,30} (?:away|out|off)|stop .{1,40} (?:coming|returning|back)|com(?:e|es|ing) back|return(?:s|ing)?)\b/i
	],
	[
		'proof',
		/\b(?:evidence|proof|prov(?:e|es|ing)|studies|study|research|tested|how we test\w*)\b/i
	],
	['sound', /\b(?:nois[ey]\w*|sound\w*|loud\w*|quiet\w*)\b/i]
];

const INTENTS = new Set<string>(TOPIC_INTENTS);

export function purposesOf(heading: string): Purpose[] {
	return PURPOSES.filter(([, pattern]) => pattern.test(heading)).map(([purpose]) => purpose);
}

/**
 * What a heading is about beside the keyword: words of the keyword are taken as "it", for in articles
 * about seasoning a pan every heading with "season" would be about the time of year. Steps are
 * left out too, all headings of instructions being steps.
 */
export function purposesBeside(heading: string, keywordStems: ReadonlySet<string>): Purpose[] {
	const found = purposesOf(heading).filter((purpose) => purpose !== 'steps');
	if (found.length === 0) return found;
	const rest = wordsOf(heading).reduceRight((text, word) => {
		const isOfKeyword = contentStemsOf(word.text).some((stem) => keywordStems.has(stem));
		return isOfKeyword ? `${text.slice(0, word.start)}it${text.slice(word.end)}` : text;
	}, heading);
	if (rest === heading) return found;
	return purposesOf(rest).filter((purpose) => purpose !== 'steps');
}

/** The intent among a heading's purposes, if there is one. */
export function intentAmong(purposes: readonly Purpose[]): TopicIntent | null {
	return (purposes.find((purpose) => INTENTS.has(purpose)) as TopicIntent | undefined) ?? null;
}
