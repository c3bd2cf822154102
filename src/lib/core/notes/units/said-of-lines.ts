/*
 * How people say what a line of their notes is for, as lists of ways to say it: of any trade, and of no
 * subject. Each is narrow enough not to catch advice to readers ("keep it under 10 °C", "ask them first").
 */

/** Any of some patterns, as one. */
function anyOf(...ways: readonly RegExp[]): RegExp {
	return new RegExp(ways.map(({ source }) => source).join('|'), 'iu');
}

const THIS = '(?:this|that|it|any of (?:this|that|it)|the (?:next|last) (?:bit|part|line))';

/** It is told so that the writer knows, and nobody else. */
export const IN_CONFIDENCE = /* @__PURE__ */ anyOf(
	/* @__PURE__ */ new RegExp(
		`\\b(?:don['’]?t|do not|never|not to) (?:put|write|be put) ${THIS} in(?:to)?(?:[.,;)!]|$| (?:the (?:piece|article|text|post|blog|copy)|print)\\b)`
	),
	/\b(?:for your (?:ears|eyes|information|info)|fyi|for you) only\b|\bonly for your (?:ears|eyes)\b/iu,
	/\bbetween (?:the two of us|you and I|these (?:four )?walls)\b|\bstrictly between\b/iu,
	/* @__PURE__ */ new RegExp(
		`\\b(?:don['’]?t|do not|please never) (?:repeat|pass on|share|spread) ${THIS}\\b|\\b(?:don['’]?t|do not) (?:pass ${THIS} on|tell anyone|breathe a word)\\b`
	),
	/* @__PURE__ */ new RegExp(
		`\\b${THIS} (?:goes|is to go|should go|must go) no further\\b|\\b${THIS} (?:stays|must stay|has to stay) (?:between us|in this room|with (?:you|us))\\b`
	),
	/\b(?:on background only|unattributable|not attributable|non-attributable)\b/iu,
	/\b(?:(?:that|this|the) (?:last )?(?:bit|part|line|sentence|thing)[,:]? (?:please )?(?:leave|take|cut|keep|strike) (?:that |it |this )?out|(?:leave|cut|take|strike) (?:that|this)(?: last)?(?: bit| part| line| one)? out)(?=[.,;!]|$)/iu,
	/\bi(?:['’]m| am|['’]ll| will)? not (?:use|using|going to use|gonna use|print|printing|repeat|repeating|publish|publishing) (?:that|this|it|any of (?:that|this|it))\b/iu,
	/\byou (?:didn['’]?t|did not) (?:hear|get|have) (?:this|that|it) from me\b/iu,
	/\bdon['’]?t quote (?:me|her|him|them|us)\b/iu,
	/\b(?:under embargo|embargoed|hush[- ]hush|top secret)\b|\b(?:is ?n['’]?t|is not|not) (?:yet )?(?:public|announced)\b|\bnot (?:out|official) yet\b|\bnobody (?:is to|should|must) know\b/iu,
	/\bjust so (?:that )?you (?:know|understand)\b|\bif (?:it|this|that) (?:ever )?(?:got|gets|came|comes|leaks?|leaked) out\b|\b(?:does|do|did)(?:n['’]?t| not) want (?:that|this|it|any of (?:this|that|it)) (?:in|out|known|written|printed|published|public)\b|\b(?:is ?n['’]?t|is not|nothing) (?:something |anything )?(?:we|i|they|she|he) wants? (?:written|printed|public|published|out)\b/iu,
	/\b(?:nobody|no ?one|not? a soul) (?:else )?(?:knew|knows|is to know|should know|must know|needs to know|has to know|may know|will know)\b|\b(?:rather|prefer(?:s|red)?) (?:that )?(?:nobody|no ?one)\b|\b(?:for|only for|meant for) (?:my|your|our) ears\b|\b(?:must|should|can|may|is) ?(?:not|n['’]?t) (?:to )?(?:go|get) (?:anywhere|any further|beyond|around|out)\b|^(?:quite )?(?:unofficially|privately|in private|off the books|whispered)\b|\bas a friend\b(?=[,:;])|\btold (?:me|us) (?:this |that |it )?(?:in private|as a friend|in trust|privately|on the quiet)\b|\btreat\b[^.]{1,50}\bas (?:private|confidential|secret)\b|\b(?:is|are|stays?|remains?|keep (?:it|this|that)) (?:strictly )?(?:private|secret|confidential)(?=[.,;:!)]|$| (?:until|till|between|for now|please)\b)|^(?:please )?keep (?:her|his|their|my) (?:\p{L}+ ){1,3}out(?=[.,;!)]|$)|\bunder wraps\b|\bsworn to secrecy\b/iu,
	/\b(?:don['’]?t|do not|never) put (?:the |that |this )?(?:bit|part|story|thing|line|stuff) (?:about|on|with|of) [^.]{1,40} in\b/iu,
	/\bnot (?:on stage|on tape|on camera|in public)\b/iu,
	/\b(?:that|this|it) (?:obviously |of course )?stays out\b|\bkeep (?:quiet|mum) about\b|\bkeep (?:this|that) (?:quiet|private)\b|\bunder your hat\b/iu
);

const TELLS =
	'(?:give|tell|reveal|say|call|claim|write|mention|name|quote|promise|print|publish|refer to|bring up|link to)';
const WHOSE = '(?:the|her|his|their|our|my|any|all)';

/** What must not stand in the text, as a wish or an order. */
export const KEEP_OUT = /* @__PURE__ */ anyOf(
	/\b(?:don['’]?t|do not|never) put (?:my|our|her|his|their) (?:\p{L}+ )?(?:sur|last |first )?(?:names?|address|photo|picture|number|face) (?:in|on|to|down)\b|\b(?:don['’]?t|do not|never) put (?:(?:the|any) )?(?:\p{L}+ )?(?:sur|last |first )?(?:names?|address(?:es)?|photos?|pictures?|numbers?|faces?|prices?|brands?)(?: of (?:\p{L}+ ){1,3}?)? ?(?:in|on|to|down)(?=[.,;!)]|$| (?:it|(?:the|this) (?:piece|text|article|post|page|story))\b)|\bwants?\b[^.;]{0,60}\bleft out\b/iu,
	/\b(?:grateful|glad|kind|appreciate it) if (?:you|we|it) (?:did ?n['’]?t|did not|would ?n['’]?t|would not|could (?:leave|avoid|not)|do not|don['’]?t)\b/iu,
	/* @__PURE__ */ new RegExp(
		`\\b(?:asks?|asked|begs?|begged|wants?|wanted|(?:would|['’]d) (?:like|prefer)|prefers?|requested?) (?:that )?(?:us|we|you|me|it|them)? ?(?:should )?(?:not to|to not|not) ${TELLS}\\b`
	),
	/* @__PURE__ */ new RegExp(
		`\\b(?:asks?|asked|wants?|wanted|would like|prefers?)\\b[^.;]{0,20}\\bleave(?:s)? out\\b|\\bleave (?:my|our|her|his|their) (?:\\p{L}+ ){1,2}out(?: of (?:it|this|that|the (?:piece|article|text|post|story)))?(?=[.,;:!)]|$| [:;])|\\bleave out ${WHOSE} (?:\\p{L}+ )?(?:names?|story|price|figure|part about|bit about)\\b|\\b(?:leave|keep) ${WHOSE} (?:\\p{L}+ )?names? out\\b`
	),
	/\b(?:piece|article|text|post|we|you) (?:can['’]?t|cannot|must ?n['’]?t|must not|should ?n['’]?t|should not|may not) (?:claim|say|call|promise|imply|suggest)\b|\b(?:legal|lawyers?|compliance|management|head office)\b[^.;]{0,12}\b(?:won['’]?t|will not|do(?:es)?n['’]?t|does not) (?:have|allow|like|want|let)\b|\bhates? to (?:see|read|hear)\b|\bcomparisons?\b[^.;]{0,40}\b(?:are|is) (?:out|off|taboo)\b/iu,
	/\b(?:please|pls),? (?:don['’]?t|do not|never) (?:tell|advise|encourage|recommend|suggest|show|give away|quote)\b|\b(?:please|pls),? (?:steer clear of|stay (?:away from|off)|leave (?:it|that|them|this) (?:alone|out)|keep off)\b/iu,
	/\((?:and )?(?:please |pls )?(?:don['’]?t|do not|never) (?:print|publish|quote|use|give|state|mention|name|say|put)\b[^)]*\)/iu,
	/\blet['’]?s not (?:get into|go into|go there|mention|talk about|bring up|name)\b|\bwithout naming\b|\bnot to be named\b|\bno names\b|\bno \p{L}+ names?,? (?:pls|please)\b/iu,
	/(?:^|[:;,–-]\s*)(?:and |but )?no (?:mention|photos?|pictures?|pics?|quotes?|jokes?|brands?|adverts?|competitors?|competition|rivals?|jargon|slang|emojis?|latin|politics|superlatives?|clich[eé]s?)\b[^.]{0,40}\b(?:pls|please)\b/iu,
	/\b(?:hates?|loathes?|dislikes?|bans?|can['’]?t stand) ["“‘'][^"”’']+["”’']/iu,
	/\bsteer clear of (?:the (?:word|name|phrase|topic|subject|story)|["“‘'])|^(?:and |but |also )?nothing (?:on|about) (?:the|their|her|his|our)\b|^(?:and |but |also )?no (?:comparisons?|superlatives?|promises|guarantees|brand names|jargon|mention)(?: (?:with|of|to|about|on)\b|[.,;!]|$)/iu,
	/\b(?:lawyers?|legal|management|clients?|boss|owners?|founder|they|she|he)\b[^.]{0,24}\b(?:would|will|wo|do|does|did)(?: not|n['’]?t) (?:like|want|have|allow|accept|wear|stand for|let us (?:say|write|use)) ["“‘']/iu,
	/\b(?:prefers?|rather|better|happier|happy|grateful|glad)\b[^.]{0,15}\bif (?:we|you|it|I)\b[^.]{0,20}\b(?:left (?:out|off)|kept (?:out|off|quiet)|skip(?:ped)?|avoid(?:ed)?|dropped|did ?n['’]?t|did not|stayed (?:off|away))\b/iu,
	/^["“‘'][^"”’']{2,30}["”’'] (?:is|are) (?:a red rag|taboo|banned|out|off|forbidden|not (?:ok|okay|allowed|wanted)|a no)\b|\b(?:is|are) not to be (?:given|printed|said|stated|named|shown|quoted|mentioned|published|told|used in)\b|\b(?:don['’]?t|do not|never) (?:go|be|start) (?:promising|saying|claiming|naming|calling|quoting|printing|mentioning|writing|telling)\b|\bleave\b[^.]{1,40}\b(?:unnamed|unsaid|unmentioned|nameless|anonymous|out of it)\b|\b(?:stays?|remains?|to be|kept?|wants? to (?:be|stay|remain)) (?:her |him |them )?(?:anonymous|nameless|unnamed)\b/iu,
	/^(?:and |but |so )*please,? nothing (?:on|about)\b|^(?:and |but |please )*not the (?:word|name|phrase|term)\b|\bleave (?:that|it|this|him|her|them) be\b|\btake (?:out|back) (?:what|the (?:bit|part|line|sentence|passage))\b|\b(?:would|do|does|did)(?:n['’]t| not) want\b[^.]{1,50}\b(?:in (?:an? |the )?(?:news)?papers?|in print|printed|published|online)\b/iu,
	/^(?:and |but |also )?not to (?:(?:name|print|call|quote)|(?:mention|say) (?:the|her|his|their|our|that|any)|use the (?:word|name))\b|^(?:and |but |also |please )*avoid ?:? ?["“‘']/iu,
	/\b(?:please|pls),? no (?:\p{L}+ ){0,2}?(?:names?|brands?|prices?|links?|photos?|jokes?|jargon|competitors?|rivals?|politics)\b/iu,
	/\b(?:must|should) ?(?:not|n['’]?t) be (?:named|mentioned|printed|quoted)\b|\bmust not appear\b/iu,
	/\b(?:hates?|loathes?|can['’]?t stand|dislikes?|objects? to) (?:the (?:word|phrase|term|expression|name)|being called|it when (?:we|you|people|writers) (?:say|call|write))\b|\bnever the words?\b|\b(?:word|phrase|term|name) is (?:banned|taboo|off limits)\b/iu
);

const SOURCE =
	'(?:leaflet|sources?|stud(?:y|ies)|report|figures|photos?|pics?|pictures?|links?|citation|paper|survey|statistics|stats)';

/** What the writer has still to do, ask or find. */
export const STILL_TO_DO = /* @__PURE__ */ anyOf(
	/^(?:please )?(?:remember|don['’]?t forget|must not forget|reminder) to (?:get|ask|check|find|send|ring|call|phone|email|photograph|bring|look up|write to|thank) (?:(?:the|her|his|their|a|that) (?:\p{L}+ )?(?:links?|sources?|figures?|names?|numbers?|address|photos?|pictures?|quotes?|spelling|leaflet|report)|with|whether|if|how|who)\b/u,
	/^(?:next (?:week|time|month|visit|call)|tomorrow|later|this (?:week|weekend|afternoon)|on (?:mon|tues|wednes|thurs|fri|satur|sun)day)\s*[:–—-]\s*(?:photograph|ask|ring|call|get|buy|take|bring|send|check|measure|visit|write|find|go|look|test|try|order|weigh|count)\b/iu,
	/^(?:photograph|(?:take|get|need) (?:an?|some|more|the)? ?(?:\p{L}+ )?(?:photos?|pictures?|pics?|shots?)(?: of)?)\b(?![^.]*\b(?:you|your|to see)\b)/iu,
	/^actions?(?: (?:points?|items?))?\s*[:–-]\s/iu,
	/(?:^|[.;,?!–—-] ?)(?:must |need to |will |i['’]ll |let me |to |and |so )*(?:(?:ask|ring|phone|call|email|e-mail|message|mail|remind) (?:her|him)|(?:text|nudge|chase|ping) (?:her|him|them))\b/iu,
	/* @__PURE__ */ new RegExp(
		`^(?:and |also |must |need to |still to |to |then )*(?:find|dig (?:out|up)|track down|get hold of|fetch|look up|hunt (?:down|for)) (?:that|the|a|her|his|their|some|me)? ?(?:\\p{L}+ ){0,2}${SOURCE}\\b`
	),
	/\bdid (?:she|he|they) mean\b|^(?:is|was) (?:that|this) (?:right|correct|still true)\?|^(?:really|sure|source|where from|says who|since when)\?$/iu,
	/\bneeds? (?:a (?:source|ref|reference|citation)|confirming|verifying)\b|\bdouble[- ]check (?:this|that|with|her|his|the (?:figures?|numbers?|dates?|names?|spelling)|figures|numbers|spelling)\b|\bto (?:be )?confirm(?:ed)?[.!]?$/iu,
	/\bnot sure (?:about|of) (?:this|that) (?:one|figure|number|name|date|spelling)\b|\bwhere did i (?:read|hear|get|see)\b/iu,
	/^who (?:took|owns|made|shot|has|holds) the (?:\p{L}+ )?(?:photo|picture|pic|image|rights|copyright|drawing|illustration)s?\b/iu,
	/\bneed (?:her|his|their) (?:ok|okay|permission|consent|sign-?off|release)\b|\bwaiting (?:for|on) (?:her|him|\p{Lu}\p{L}+) (?:to|for|re|about)\b/iu,
	/^(?:get|need|ask for|chase) \p{Lu}\p{L}+['’]s (?:ok|okay|permission|consent|blessing|sign-?off)\b|\b(?:asked|asks|wants) me to (?:send|show|let|ring|call|check)\b|\bi forgot\b|\bforgot to (?:ask|check|measure|note|write)\b|\b(?:still )?have(?:n['’]?t| not) (?:got|asked|heard|found|checked|seen) (?:back |yet )?(?:the|her|his|their|from|about|back)\b|\bor was it \S+\?|\bnot got (?:the|her|his|their) \p{L}+ yet\b/iu,
	/^who (?:can|could|might) (?:confirm|tell|check|say|help|know)\b|^(?:figures?|numbers?|dates?|sources?|years?|prices?|names?|quotes?|photos?|stats?|proof|example)s? (?:for|of|from|on|to)\b[^?.]*\?$|^(?:dig|look|root) (?:out|up)\b[^.]{0,30}\b(?:survey|notes?|photos?|report|figures?|interview|numbers?|file|mail|paper)\b|\bstill (?:waiting|missing|no (?:word|reply|answer|numbers?|news))\b|\bwaiting (?:for|on) \p{Lu}\p{L}+(?:['’]s)?\b|^(?:please )?don['’]?t forget to (?:credit|thank|invoice|check|ask|attach|link|tag|send)\b|^(?:must|need to|have to|should|to) (?:call|ring|phone|e-?mail|ask|chase|text) (?:the|her|him|them|\p{Lu})|^see (?:if|whether) (?:there|any|some|we|I|the \p{L}+(?: \p{L}+)? (?:publish\p{L}*|has|have|knows?|keeps?|can|sells?))\b(?!.*\byour?\b)|^have (?:someone|somebody|an? \p{L}+) (?:\p{L}+ )?(?:read|check|look|proof)|^(?:this )?needs? (?:an?|some|more|another|one more) (?:better |good |stronger |short )?(?:examples?|sources?|quotes?|pictures?|photos?|figures?|intro|ending|numbers?|stats?|headline)\b|^double[- ]?check\b/iu,
	/^\p{Lu}\p{L}* to (?:say|tell|confirm|check|send|find out|decide|clear up|ask|let (?:me|us)) (?:which|whether|if|who|what|when|how|me|us|the)\b|\bneeds? (?:correcting|changing|updating|checking|redoing)\b|\bpermission for (?:the|her|his|their|this|that)\b/iu,
	/\bremind me (?:if|when|to|about|on)\b|^i(?:['’]ll| will) (?:send|forward|share|e-?mail) (?:you )?(?:the|some|an?|my|our|more)\b|^(?:bring|buy|take|order|print|prepare|book|try)\b[^.]{0,40}\bnext (?:week|time|class|session|month|visit)\b|^(?:spelling|date|year|name|price|source|address|title) of\b[^.]*\?$/iu,
	/^fact[- ]?check\b|\bi (?:still |also )?(?:need|have|ought) to (?:check|find out|look (?:up|for)|verify|confirm|ask|ring|e-?mail)\b/iu,
	/\bwill send\b[^.]*\b(?:chase|nudge|remind)\b/iu
);

/** What somebody who is named, with a capital, has promised to do, or is to be asked. */
export const OF_SOMEBODY_NAMED =
	/^(?!(?:It|This|That|There|How|What|When|Where|Why|Who|They|We|You|He|She|I|Water|Time)\b)\p{Lu}\p{Ll}+(?: \p{Lu}\p{L}+)? (?:will|is going to|promised to|is sending|to) (?:send|e-?mail|mail|share|forward|look (?:up|for|into)|find out|ask|get back|let (?:us|me))\b|^(?:[Rr]emember|[Dd]on['’]?t forget) to (?:ask|send|ring|call|phone|email|thank|check with) \p{Lu}\p{L}+/u;

/** What is wanted of the text: its length, its parts, its words. */
export const WANTED_OF_TEXT = /* @__PURE__ */ anyOf(
	/^(?:the |our |my |your )?readers (?:are|own|have|know|want|live|rent|tend|will|don['’]?t|can|like|hate|expect|need)\b|\b(?:i|we)(?:['’]d| would)? need (?:it|this|the (?:text|piece|draft|copy)) (?:by|on|before)\b|^(?:the |this )?(?:piece|article|text|post|issue|newsletter) (?:goes|comes) (?:out|live|up|to print)\b/iu,
	/\b(?:want|need|have|get|send|file|hand)\b[^.]{0,12}\b(?:it|copy|the draft|the text|the piece)\b[^.]{0,12}\bby (?:the )?(?:\d|mon|tue|wed|thu|fri|end of)|\b(?:paper|magazine|issue|site|newsletter|piece|article) (?:runs|publishes|prints)\b[^.]{0,8}\b(?:it|on|this)\b|^length\b[^.]{0,30}\d|\b(?:the|this|an?) (?:piece|article|text|draft|post) (?:of|at|around|about) \d[,.]?\d{3}\b/iu,
	/^(?:start|open|begin|end|close|finish|lead) (?:it )?(?:with|on) (?:her|his|their|\p{L}+['’]s) (?!own\b)\p{L}+(?: \p{L}+)?(?:[.,;]|$)|\b(?:one|two|three|no|\d) (?:lists?|boxes|box|tables?|sub-?heads?|sub-?headings?|headings?|pull quotes?|bullets?)\b(?: (?:at (?:the )?most|max(?:imum)?|only)\b|,? (?:please|pls)\b)|\bthey (?:hate|love|like|dislike)s? (?:lists|tables|boxes|bullets?|bullet points|quotes)\b|^(?:written|meant|aimed|pitched|intended) (?:for|at) (?:people|readers|beginners|owners|parents|anyone|those|first|those|the)\b/iu,
	/\b(?:good|nice|great|possible|could be (?:the|our|an?)) (?:ending|opening|intro|headline|hook|closing|opener|pull quote)\b|^if there(?:['’]s| is) (?:room|space) for (?:it|that|this)\b|\bif (?:space|room) allows\b/iu,
	/^(?:please )?do (?:mention|include|link|name|cover)\b/iu,
	/^open on (?:the|a|her|his)\b|^(?:editor|client|boss|ed|desk|marketing)\s*[:–-]\s*(?:keep|make|no|not|max|min|at (?:most|least)|use|add|more|less|wants?|please|pls)\b/iu,
	/\b(?:no more than|not more than|at most|at least|max(?:imum)?|min(?:imum)?) (?:\d[\d,]*|one|two|three|four|five|six|ten) (?:sub-?heads?|sub-?headings?|headings?|paragraphs?|words|photos?|pics?)\b/iu,
	/\bkeep (?:it|the (?:piece|article|text|post)|this) (?:under|below|to|within|around|at) (?:\d{3,}|\d,\d{3}|a page)(?:[.,;]?$|[,;] | words?\b)/iu,
	/\b(?:could|can|would|should) (?:the|this|your) (?:piece|article|post|text|blog|copy) (?:also |please )?(?:carry|mention|link|say|explain|include)\b/iu,
	/\b(?:they|she|he|we|client|ed|editor|boss|desk)(?:['’]d)? (?:wants?|would (?:like|love)|love|like|need|needs)s? (?:an?|one|two|three|some|more|their|our|her|his) (?:\p{L}+ ){0,2}(?:box(?:es)?|checklists?|glossary|summary|maps?|timelines?|faqs?|recipes?|sidebars?|side ?bar|tables?|diagrams?|pics?|photos?|pictures?|links?|mentions?|quotes?|headings?|subheads?|sections?|paragraphs?|intro|byline|caption|logo)\b/iu,
	/\bnames? (?:and \S+(?: \S+)? )?in (?:the )?(?:first|full|every|each) (?:mention|line|paragraph|sentence)\b|["”’'] throughout\b|, throughout[.!]?$|\bthe (?:word|term|spelling) is ["“']/iu,
	/^(?:an? |the )?(?:links?|byline|credit|logo|price list) (?:to |of |for |with )?[^.?!]{0,40}\b(?:at|near|towards?) the (?:end|bottom|top|start|beginning)\b/iu,
	/\b(?:we|they|she|he|client)(?:['’]d| would)? (?:also )?(?:want|like|need)s? to (?:approve|sign off|see a (?:draft|proof)|read it first)\b/iu
);

/** How a note came about, said at its head or in a few words. */
export const HOW_NOTED = /* @__PURE__ */ anyOf(
	/^(?:saw|met|visited|rang|phoned|called|emailed|spoke (?:to|with)|talked (?:to|with)|sat down with|caught) (?:with )?\p{Lu}\p{L}+/iu,
	/^(?:the )?(?:panel|talk|session|call|meeting|interview|workshop|visit|we|it) (?:ran over|overran|ran late|started late|ended early|finished early|was cut short)\b|^[([](?:audience|phone|door|pause|break|tape|people|everybody|crowd)\b[^)\]]{0,40}[)\]]$/iu,
	/^next (?:meeting|call|session|class|date|visit)\b[^.]{0,40}\d/iu,
	/^(?:went|walked|was (?:shown|taken)|got shown) (?:round|around|along|over) (?:it |the \p{L}+ )?(?:with|by)\b|^(?:tagged along|rode|sat in) with\b|\bforgot (?:my |the )?(?:gloves|phone|notebook|pen|coat|camera|recorder|umbrella)\b/iu,
	/^\d+ (?:photos?|pics?|pictures?|images?|films?|clips?)\b|\bno (?:phone|recorder|tape|dictaphone|mic) on\b|\bnotes? (?:are )?(?:from memory|patchy|incomplete)\b|\b(?:has|have) (?:read|seen|checked) (?:these|my|the) notes\b|\bno release (?:needed|form)\b/iu
);

/** Chat that stands beside what is told. */
export const CHATTER = /* @__PURE__ */ anyOf(
	/^\p{Lu}\p{L}+\s*[,–—-]\s*(?:just )?(?:an? )?(?:few|couple|some|quick)\b[^.!?\d]{0,40}[.!:]?$/u,
	/^(?:shout|holler|ping me|call me|ring me|give me a (?:shout|call|ring)|let me know|get in touch) (?:if|when|any time)\b[^?]{0,60}$|^\p{Lu}\p{L}+ x{1,3}$/iu,
	/\b(?:say|says|said to say|sends?) (?:hi|hello|(?:her|his|their) (?:love|regards|best))\b[^.]{0,20}[.!]?$/iu,
	/^(?:great|good|lovely|nice|delighted|pleased) to (?:have|meet|hear|see|talk|chat|speak|be)\b[^.]{0,50}[.!]?$/iu,
	/^(?:ha|heh|hehe|phew|ugh|argh|blimey|gosh|wow|oops)\b[,!. ]/iu,
	/^(?:um+|uh+|er+m?|ok(?:ay)? so|right so|let me (?:think|see)|what else|anyway|and so on)\b[^.?!\d]{0,20}[.?!]*$/iu,
	/^see also\b[^.]{0,80}[.]?$/iu,
	/^see (?:my )?(?:comments|answers|replies|notes|remarks) (?:below|inline|above|in (?:caps|red|blue|bold|green))\b|\bsorry about the (?:caps|typos|spelling|mess|rush)\b/iu,
	/^(?:good )?(?:morning|afternoon|evening)[,!.]?$|^(?:have a|enjoy (?:the|your)) (?:(?:good|nice|great|lovely) )?(?:weekend|day|evening|week|holiday)\b/iu
);

/** Words of people who make a text, each of which a subject has seldom. */
const OF_WRITING: readonly RegExp[] = [
	/\b(?:headlines?|sub-?heads?|sub-?headings?|standfirsts?|bylines?|captions?|pull ?quotes?|word count|house style|(?:our|their) style|tone of voice|exclamation marks?|superlatives?|adjectives?|call to action|hashtags?)\b/iu,
	/\bthe desk (?:would|wants?|likes?|asks?|says?|needs?)\b|\b(?:sub-?editor|copy ?editor|(?:our|the) (?:editor|legal team|press office|marketing))\b/iu,
	/\b(?:photo credits?|product shots?|press (?:photos?|shots?|pictures?|kit)|stock photos?|shared folder|attached (?:photos?|pictures?|logo))\b/iu,
	/\b(?:is|are|gets?|be) (?:spelled|spelt|hyphenated|capitali[sz]ed|written (?:with|as|in))\b|\b(?:metric|imperial|celsius|fahrenheit|feet|inches|pounds) (?:first|in brackets)\b|\bin brackets\b/iu,
	/\b(?:drop|put|slip|squeeze|work) in (?:a |an |one )?(?:line|word|sentence|mention|paragraph)\b|\b(?:drawing|diagram|picture|photo|map|table|box) (?:\p{L}+ ){0,4}would (?:help|be (?:good|nice|great))\b/iu,
	/\b(?:\d,)?\d{3} words\b|\bwords by (?:the )?\d|\bby (?:the )?\d+(?:st|nd|rd|th)?,? (?:please|pls)\b|\bfrom you (?:is|are|we|i)\b/iu,
	/\bthe words? ["“']|\b(?:as|in) numerals\b|\b(?:word|page) limit\b|\bjargon\b|\b(?:first|second|third|last|opening|closing) (?:paragraph|para)\b/iu,
	/\b(?:this|the|your) (?:article|write-?up|blog|blog ?post|copy|draft)\b|\bfor the piece\b|\bin (?:the|this|your) (?:piece|text|post)\b/iu,
	/\bprinted?(?= (?:that|this|it|anything|the name|her|his|with|without)\b)|\b(?:to|you|we|before (?:you|they)|when (?:you|they)) publish\b|\bquot(?:ed|able) (?:as|by name)\b/iu
];

/** Lines of a note, and their share, from which writing is its subject. */
const WRITING_LINES = 6;
const WRITING_SHARE = 0.2;

/** Whether a note is about texts, so that words of writing say nothing of what its lines are for. */
export function isOfWriting(lines: readonly string[]): boolean {
	const count = lines.filter(speaksOfText).length;
	return count >= WRITING_LINES && count > WRITING_SHARE * lines.length;
}

/** Whether a line speaks of the text that is to be made of it, and so may not be meant for readers. */
export function speaksOfText(text: string): boolean {
	return OF_WRITING.some((words) => words.test(text));
}
