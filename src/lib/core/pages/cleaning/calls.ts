import { sentencesOf } from '../../text';

/** What a sentence says that asks readers to rate, share, follow or subscribe, or owns up to being paid. */
const CALLS: readonly RegExp[] = [
	/\b(?:leav(?:e|ing)|drop|post|write)\b.{0,30}\b(?:comment|review|rating|feedback)s?\b/i,
	/\b(?:rate|review)\b.{0,15}\b(?:this|the|my|our|these)\b.{0,25}\b(?:recipes?|posts?|articles?|guides?|tutorials?|patterns?)\b/i,
	/\bgive (?:this|it|the|my|our|me|us)\b.{0,60}\b(?:stars?|ratings?|reviews?|thumbs up)\b/i,
	/\b(?:tag|tagging|mention|follow|connect with|stay in touch with|find)\b.{0,25}(?:\b(?:me|us)\b|@\w)[^.!?]{0,60}(?:@\w|#\w|\b(?:instagram|facebook|pinterest|twitter|tiktok|youtube|social media)\b)/i,
	/\b(?:share|snap|post|pin|tag|upload|see you)\b.{0,60}\b(?:on|to|over on) (?:\w+ (?:or|and) )?(?:instagram|facebook|pinterest|twitter|tiktok|social media)\b/i,
	/\b(?:subscribe|sign ?up|join)\b.{0,50}\b(?:newsletter|mailing list|e-?mails?|channel|inbox|updates|weekly)\b/i,
	/\baffiliate (?:links?|disclosure|partner)|\bearns? .{0,30}\bcommission\b|\bas an? \p{Lu}\w+ associate\b/u,
	/\b(?:love|like|happy) to (?:hear|see|know)\b.{0,60}\b(?:comments?|below|how (?:it|yours|they)|what you (?:think|made|cook)|your (?:experience|thoughts|results|version))/i,
	/\b(?:comments? (?:section )?(?:below|further down)|in the comments)\b/i,
	/\btag\b.{0,15}#\p{L}/iu,
	/\b(?:use|using|with|add) the (?:hash)?tag\b|\bhashtag(?:ged)? (?:it|us|with)\b/i
];

/** Whether any word of a call stands in a text, to spare the rest. */
const MAY_CALL =
	/comment|review|rat(?:e|ing)|tag|@|instagram|facebook|pinterest|twitter|tiktok|social media|subscribe|sign ?up|newsletter|affiliate|commission|associate|love to|like to/i;

/** A page about these has sentences on them. */
const ABOUT_CALLS =
	/\b(?:instagram|facebook|pinterest|tiktok|twitter|youtube|social media|hashtags?|newsletters?|e-?mails?|affiliates?|marketing|reviews?|blog\w*|followers|subscribers)\b/i;

/** Share of its sentences from which a paragraph is a call. */
const MOSTLY = 0.5;
/** In characters; what is longer tells of something, whatever it asks for on the way. */
const LONGEST_CALL = 700;

/** Whether a paragraph asks its readers for a rating, a picture or their address, and says little else. */
export function isCall(text: string, title: string): boolean {
	if (text.length > LONGEST_CALL || !MAY_CALL.test(text) || ABOUT_CALLS.test(title)) return false;
	const sentences = sentencesOf(text);
	const calls = sentences.filter((sentence) => CALLS.some((call) => call.test(sentence.text)));
	return calls.length > 0 && calls.length >= MOSTLY * sentences.length;
}
