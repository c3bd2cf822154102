/*
 * What on a page is not the article, told from names in the markup and from wording.
 * Both lists were set on the page layouts under tests/fixtures/layouts.
 */

/** Class, id and data names of parts that are never the article, with the reason shown. */
const NOISE_NAMES: readonly (readonly [RegExp, string])[] = [
	[/cookie|consent|gdpr|privacy-?(?:notice|banner)/, 'cookie notice'],
	[
		/newsletter|subscrib|subscription-?(?:form|box|banner)|sign-?up|mailing-?list|opt-?in|email-?(?:form|capture)/,
		'newsletter form'
	],
	[
		/(?:^|[\s_-])(?:ads?|ads?(?:by|sense|square|block|space|holder|zone)\w*|advert\w*|adslot|ad-?(?:box|unit|slot|wrap\w*|container|banner)|sponsor\w*|promo\w*|dfp|affiliate|werbung|anzeige|reklame|publicidad|publicite|pubblicita|cta|cta-?(?:card|box|banner)|(?:deal|price|vendor|merchant|offer)-?(?:bar|box|list|card)s?|announcement|ticker|donat\w*)(?:$|[\s_-])|product-?(?:carousel|slider|grid|cards?)|(?:text|link)?ads?-?(?:inner|outer)|amp-ad/,
		'advertisement'
	],
	[
		/(?:^|[\s_-])(?:share|sharing|teilen|partage|compartir|condividi|social|sharedaddy|addthis|follow-us)(?:$|[\s_-])|social-?(?:links|bar|icons|media)|share-?(?:bar|buttons|links|tools)/,
		'share bar'
	],
	[
		/related|recommend|(?:^|[\s_-])similar(?:$|[\s_-])|verwandt|recently-?viewed|outbrain|taboola|zergnet|you-?may|more-?(?:posts|articles|stories|from)|read-?(?:next|more)|also-?like|trending|popular|most-?read|up-?next/,
		'related links'
	],
	[
		/(?:^|[\s_-])(?:comments?|disqus|respond|replies|responses|comment-?(?:list|form|area|section)|discussion|kommentare|commentaires|comentarios)(?:$|[\s_-])/,
		'comments'
	],
	[
		/author-?(?:box|bio|card|info|profile)|about-?(?:the-)?author|(?:^|[\s_-])(?:bio|byline|post-?meta|entry-?meta|article-?meta|page-?meta|meta-?info|postmeta|co-?authors?\w*|(?:post|entry|article|gh|blog|story)-?authors?|autor|auteur|firma|fecha|bio-?card)(?:$|[\s_-])/,
		'author box'
	],
	[/breadcrumb|crumbs/, 'breadcrumb'],
	[/testimonial|(?:^|[\s_-])(?:customer-?|user-?)?reviews(?:$|[\s_-])|review-?list/, 'reviews'],
	[/(?:^|[\s_-])(?:references|reflist|footnotes|bibliography)(?:$|[\s_-])/, 'references'],
	[
		/(?:^|[\s_-])(?:carousel|slider|slick-\w+|swiper(?:-\w+)?|slide|slideshow)(?:$|[\s_-])/,
		'slider'
	],
	[/(?:^|[\s_-])(?:live-?(?:feed|flux|blog|list|ticker|updates))(?:$|[\s_-])/, 'live list'],
	[
		/(?:^|[\s_-])(?:nav|navbar|navigation|menu|topbar|masthead|site-?header|global-?header|mega-?menu|skip-?link|pagination|pager|prev-?next|post-?nav\w*)(?:$|[\s_-])/,
		'menu'
	],
	[
		/(?:^|[\s_-])(?:site-?footer|page-?footer|footer|colophon|legal|copyright)(?:$|[\s_-])/,
		'footer'
	],
	[
		/(?:^|[\s_-])(?:sidebar|side-?bar|widget(?:s|-area|-wrap)?|rail|aside)(?:$|[\s_-])/,
		'side column'
	],
	[
		/(?:^|[\s_-])(?:modal|popup|pop-?up|overlay|toast|lightbox|interstitial|paywall)(?:$|[\s_-])/,
		'pop-up'
	],
	[
		/(?:^|[\s_-])(?:toc|table-?of-?contents|contents-?list|on-?this-?page|jump-?(?:links|nav|menu|to))(?:$|[\s_-])/,
		'table of contents'
	],
	[
		/(?:^|[\s_-])(?:tags?|tag-?list|tag-?cloud|categories|post-?tags|rating|ratings|stars|print-?button|basket|cart|feedback|survey|uploader|toolbar|hatnote|navbox|catlinks|editsection|edit-?link|topics?-?list|[a-z]?mbox|site-?notice|last-?(?:edited|updated|modified))(?:$|[\s_-])/,
		'page furniture'
	]
];

/** Names that hold the article whatever else they say: "post-with-sidebar", "no-comments". */
const ARTICLE_NAMES =
	/(?:^|[\s_-])(?:article|article-?body|post-?(?:content|body)|entry-?content|main-?content|page-?content|story-?body|has-sidebar|with-sidebar|no-sidebar)(?:$|[\s_-])/;

/** Names that themes give by what a post is filed under or by its state: they say nothing of a part. */
const FILED_AS = /^(?:tag|category|type|format|status|has|is|no|not|with|js|postid|post-\d)[-_]/;

/** Prefixes that page builders put before the name of every part. */
const BUILDER = /^(?:elementor|et_pb|vc|wpb|fl|wp-block|brxe|bricks|uagb|kt|stk|ct|oxy)[-_]+/;

/** What builders call each of their boxes; it says nothing of what is inside. */
const BOX_NAMES = /(?:^|[-_])(?:widget|container|wrap(?:per)?|aside|rail|toggle|tabs?)(?:$|[-_])/;

/** Reason why a part with these names is not the article, or null. Each name is judged as a whole. */
export function noiseOfNames(names: readonly string[]): string | null {
	let found: string | null = null;
	for (const name of names) {
		const judged = judgedName(name);
		if (judged === 'article') return null;
		found ??= judged;
	}
	return found;
}

/** Names seen lately with what they say: a page has few of them and says each many times. */
const judgedNames = new Map<string, string | null>();
const MOST_NAMES = 5_000;

/** Reason, null, or `article` where the name holds the article whatever else it says. */
function judgedName(name: string): string | null {
	const known = judgedNames.get(name);
	if (known !== undefined) return known;
	const plain = name.replace(/([a-z])([A-Z])/g, '$1-$2').toLowerCase();
	const judged = ARTICLE_NAMES.test(plain) ? 'article' : noiseOfName(plain);
	if (judgedNames.size >= MOST_NAMES) judgedNames.clear();
	judgedNames.set(name, judged);
	return judged;
}

function noiseOfName(name: string): string | null {
	if (FILED_AS.test(name)) return null;
	const own = name.replace(BUILDER, '');
	if (own !== name && BOX_NAMES.test(own)) return null;
	for (const [pattern, reason] of NOISE_NAMES) if (pattern.test(own)) return reason;
	return null;
}

/** Headings that open a part which is not the article; it ends at the next heading of that level. */
const NOISE_HEADINGS: readonly (readonly [RegExp, string])[] = [
	[
		/^(?:you (?:may|might|could) (?:also )?(?:like|enjoy|be interested)|related (?:posts?|articles?|reading|stories|guides|products|links|pages)|more (?:from|in|like this|stories|posts|articles|guides)\b|(?:read|keep reading|up|what to read) next|keep reading$|similar (?:threads|posts|articles|topics)|recommended(?: for you| reading)?|popular (?:posts|articles|now)|most (?:read|popular)|latest (?:posts|articles|news)|other (?:articles|posts|guides)|trending|people also (?:bought|viewed)|customers also|see also$|external links$|further reading$|recently viewed|top stories|editor.?s picks?|das könnte (?:sie|dich|dir)|mehr zum thema|ähnliche (?:artikel|beiträge)|à lire aussi|articles (?:liés|similaires)|también te puede|artículos relacionados|leggi anche|lees ook|from (?:the|our) (?:blog|archive|shop)|(?:(?:want|looking for|try|see|find|still hungry for) )?(?:more|other|similar|related)\b.{0,40}\brecipes?\b.{0,30}$)/i,
		'related links'
	],
	[
		/^(?:\d+ comments?|comment$|comment (?:policy|guidelines)|(?:\d+ )?(?:kommentare?|commentaires?|comentarios|comments|replies|responses)|thoughts on|reader comments|join the (?:conversation|discussion)|guest ?book|leave a (?:reply|comment)|post a comment|have your say|discussion (?:about|of|on) this|discussion \(\d+\))(?:\b|$)/i,
		'comments'
	],
	[
		/^(?:about (?:the|this) (?:author|article|writer)|about (?:me|us)$|über (?:den autor|die autorin)|written by|meet the author|the author$|author$)/i,
		'author box'
	],
	[
		/^(?:subscribe|sign up|join (?:our|the|my) (?:newsletter|mailing list|list|club)|newsletter|get (?:our|the|my) (?:newsletter|free|updates)|stay in touch|stay up to date|never miss)/i,
		'newsletter form'
	],
	[
		/^(?:share (?:this|on|the)|share$|teilen$|partager$|compartir$|follow us|find us on|spread the word)/i,
		'share bar'
	],
	[
		/^(?:(?:customer |user |reader |product )?reviews?(?: \(\d+\))?$|testimonials?$|happy (?:customers|clients)$|what (?:our )?(?:customers|clients|people|readers) (?:say|are saying|think)(?: (?:of|about) us)?$)/i,
		'reviews'
	],
	[/^(?:references|footnotes|citations|bibliography|notes and references)$/i, 'references'],
	[
		/^why (?:you can|you should|should you|to) trust\b(?! (?:an?|the|th(?:is|ese)|your|it)\b)/i,
		'author box'
	],
	[/^(?:advertisement|sponsored|our sponsors?|a word from our)/i, 'advertisement'],
	[
		/^(?:(?:table of )?contents|in this (?:article|guide|post)|on this page|jump to)\s*:?$/i,
		'table of contents'
	],
	[
		/^(?:we (?:value|use|care about) (?:your privacy|cookies)|cookies?(?: (?:policy|notice|settings|preferences|consent))?$|th(?:is|e) (?:web)?site uses cookies|your privacy|privacy (?:settings|preferences))/i,
		'cookie notice'
	],
	[
		/^(?:search|menu|navigation|categories|archives?|tags|quick links|useful links|contact us|opening hours|site map)$/i,
		'menu'
	]
];

/** Headings of the dialog that asks for consent, which pages are saved with. */
const CONSENT_HEADING =
	/^(?:(?:(?:strictly|always) )?(?:necessary|essential|functional|performance|targeting|analytics?|marketing|advertising|social media|statistics?|preference) cookies?|manage (?:your )?(?:consent|cookie|privacy) (?:preferences|settings)|privacy preference cent(?:er|re)|cookie list)$/i;
const ABOUT_CONSENT = /\b(?:cookies?|consent|privacy|gdpr|data protection)\b/i;

/**
 * Reason why a heading with this wording opens something other than the article, or null.
 *
 * @param title of the page: one about cookies has headings about them
 */
export function noiseOfHeading(text: string, title: string): string | null {
	const plain = text.trim();
	if (plain.length > 80) return null;
	for (const [pattern, reason] of NOISE_HEADINGS) if (pattern.test(plain)) return reason;
	return CONSENT_HEADING.test(plain) && !ABOUT_CONSENT.test(title) ? 'cookie notice' : null;
}

/** "Home | About | Contact". */
const LINE_OF_CHOICES = /^(?:\p{L}+(?: \p{L}+)?\s*\|\s*){1,8}\p{L}+(?: \p{L}+)?$/u;

/** Short lines that are page furniture wherever they stand. */
const NOISE_LINES: readonly (readonly [RegExp, string])[] = [
	[
		/^(?:advertisement|sponsored(?: content| post)?|ad|(?:ad|sponsored|advertisement)\s?[·:|–—]\s.{0,120}|sponsor of this (?:page|site)\b.{0,120}|ads by .{0,20}|ad could not load|promoted|anzeige|werbung|publicité|publicidad|pubblicità|reklame|continue reading below.{0,40}|(?:this|our) (?:post|article|page|site) (?:may )?contains? affiliate links?.*)\.?$/i,
		'advertisement'
	],
	[
		/^(?:(?:did you (?:like|enjoy)|if you (?:liked|enjoyed)|enjoyed) this (?:post|article|page)\b.{0,100}|follow [^.]{2,40} (?:for more|on (?:facebook|instagram|twitter|x|threads))\b.{0,80}|have your say\b.{0,80}|share it with\b.{0,60}|share(?: this)?(?: on| via| with)?(?: facebook| twitter| email| pinterest)?|tweet|pin it|print|save|copy link|email this|like this:?.*)$/i,
		'share bar'
	],
	[
		/^(?:read (?:more|next|also|on)|keep reading|more on this|see also|related|you may also like|don't miss|watch|lire(?: aussi)?|à lire(?: aussi)?|lesen sie auch)\s*:.{0,120}$/i,
		'related links'
	],
	[
		/^(?:posted|published|filed|tagged|updated|last updated|last modified|by(?! the\b)|written by|words by|photos? by|reviewed by)\b[^.!?]{0,90}$/i,
		'author box'
	],
	[
		/^(?:\d+ (?:comments?|shares?|likes?|views?|replies|min(?:ute)?s? read)|(?:\d+[- ]min(?:ute)?s? read)|reading time.{0,20}|back to (?:top|blog|all).{0,20}|skip to .{0,25}|home(?: [/›»>] .*)?|log ?in|sign in|register|leave a reply|cancel reply)$/i,
		'page furniture'
	],
	[
		/^(?:subscribe|sign up|join) (?:to|for|our|the|my)\b.{0,140}(?:newsletter|list|updates|inbox|email|letter|club)\b.{0,60}$/i,
		'newsletter form'
	],
	[
		/\b(?:we use cookies|uses cookies|accept (?:all )?cookies|cookie (?:policy|preferences|settings))\b/i,
		'cookie notice'
	],
	[
		/^never miss\b.{0,80}\b(?:join|sign up|subscribe)\b|\b(?:unsubscribe|view (?:it|this \w+) in your browser|update your preferences)\b/i,
		'newsletter form'
	],
	[
		/^(?:was this (?:page|article|answer|post) (?:useful|helpful)|is this page useful|did this (?:help|answer)|ask a question|submit a tip|all tip submissions|\d+ characters left|you are visitor number|download article|(?:send|tell|show) us (?:your|what)\b.{0,120}|have you (?:seen|made|tried|been)\b.{0,80}\b(?:send|tell|show|let) us\b.{0,120}|this (?:article|page) has been viewed)\b.*$/i,
		'page furniture'
	],
	[/^.{0,40}\b\d{1,2}[- ]min(?:ute)?s? read$/i, 'page furniture'],
	[
		/^(?:did you find (?:what|this)|is there anything wrong with this page)\b.{0,100}/i,
		'page furniture'
	],
	[/\[(?:dismiss|close|hide)\]$/i, 'page furniture'],
	[/^\W*(?:percent )?daily values? (?:\(dv\) )?(?:are|is) based on\b/i, 'page furniture'],
	[
		/^(?:have you |did you |if you )?(?:made|make|tried|try) (?:this|it|our|my|one of)\b.{0,120}(?:[@#]\p{L}|\btag\b|\bmention\b|\b(?:star )?rat(?:e|ing)\b|\bcomments? below\b)/iu,
		'page furniture'
	],
	[
		/^(?:follow|find|tag|like) (?:me|us) on \p{Lu}.{0,100}$|^[Tt]his (?:post|recipe|article|page) (?:was )?(?:first |originally )(?:published|posted|appeared)\b.{0,120}$/u,
		'page furniture'
	],
	[/\b(?:contains?|are|includes?|use) affiliate links\b/i, 'page furniture'],
	[
		/^(?:on this page|in this (?:article|guide|post)|jump to|contents)\s*:.{0,200}$/i,
		'table of contents'
	],
	[
		/(?:see all (?:articles|posts|stories)|(?:more|all|other) (?:posts|articles|stories) (?:by|from) .{2,30}|view all posts)\s*[›»→.]?$/i,
		'author box'
	],
	[/^(?:your|this) browser (?:cannot|can’t|does not|doesn['’]t)\b/i, 'page furniture'],
	[LINE_OF_CHOICES, 'page furniture'],
	[/^(?:©|\(c\)|copyright)\s.{0,120}$|\ball rights reserved\b/i, 'footer']
];

/** A name, and what its bearer does: what stands in a box on the author, whatever it is called. */
const ABOUT_AUTHOR =
	/^(\p{Lu}[\p{L}'’-]+) (?:\p{Lu}[\p{L}'’.-]+ ?){1,2},? \1 (?:is|has|was|writes|runs|works|lives|covers|spends|loves)\b/u;

/** Reason of a block that is no text. */
export const MACHINE_DATA = 'data for machines';

/** "{"title":"Walls","path":…": the state of a page that a script draws, left in its text. */
function isMachineData(text: string): boolean {
	return /^[[{]\s*["[{]/.test(text) && (text.slice(0, 2000).match(/"\s*:/g)?.length ?? 0) >= 3;
}

/** Reason why a paragraph with this wording is not part of the article, or null. */
export function noiseOfLine(text: string): string | null {
	const plain = text.trim();
	if (isMachineData(plain)) return MACHINE_DATA;
	if (plain.length > 240) return null;
	if (
		ABOUT_AUTHOR.test(plain) ||
		/^why you can trust\b(?! (?:an?|the|th(?:is|ese)|your|it)\b)/i.test(plain)
	)
		return 'author box';
	for (const [pattern, reason] of NOISE_LINES) if (pattern.test(plain)) return reason;
	return null;
}

/** The same for a heading, which may well give a choice of names: "C | chain". */
export function noiseOfHeadLine(text: string): string | null {
	return LINE_OF_CHOICES.test(text.trim()) ? null : noiseOfLine(text);
}
