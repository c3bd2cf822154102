import type { UnitKind } from './unit';

/*
 * What lines of notes say of themselves. Each list speaks of what notes are for in any trade:
 * nothing in them is of a subject.
 */

/** Never to be printed, whatever else the line says. */
export const OFF_RECORD =
	/\boff[- ](?:the[- ])?rec(?:ord)?\b|\bOTR\b|\basked (?:me|us) to (?:forget|ignore|keep quiet about|keep) (?:it|that|this)\b|\bstays? out of (?:the|this|it|print|everything)\b|\b(?:do not|don['’]?t|never) publish\b(?! (?:your|a|an|on|under)\b)|^\(?(?:internal(?:ly)?(?: only)?|private)\b\s*[:,–-]|\bfor internal use\b|\b(?:not|won['’]t be|am not|I['’]m not) (?:printing|publishing|using|quoting|repeating) (?:this|that|it|him|her|them)\b|\b(?:staff|public|press|neighbou?rs|customers|members|nobody|tenants|parents|workers) (?:have |has |are |is |was |were )?(?:not (?:been )?told|(?:don['’]t|doesn['’]t) know)(?: yet)?\.?$|\bnot? (?:to be |for )(?:us(?:e|ed)|publication|publishing|print(?:ing|ed)?|quot(?:ing|ed)|attribution|the (?:piece|article|blog|post|page|text|story|book|readers|public))\b|(?<!\b(?:I|we|you|they|who|that) )\b(?:don['’]?t|do not|never|please don['’]?t) (?:print|publish|use|quote) (?:this|that|it|any of (?:this|that|it))\b(?! (?:on|in|with|for|as|near|to)\b)|\bbetween (?:ourselves|us|you and me)\b|\bin confidence\b|\bconfidential(?:ly)?\b|\bkeep (?:this|that|it) (?:out of (?:it|print|the)|to yourself)\b|\b(?:so|please) don['’]?t use (?:it|that)\b/i;

/** An order not to say something. The verbs are those of saying: "don't begin work" is advice. */
export const DO_NOT_SAY =
	/(?:^|[.;,:!?|–—-]\s*|\b(?:please|pls|but|so|and|also|kindly|we|they|legal|I['’]d)\s+)(?:don['’]?t|do not|never|must not|should not|can['’]?t|cannot|avoid|no need to)\s+(?:ever\s+|please\s+)?(?:say(?:ing)?|call(?:ing)?|claim(?:ing)?|writ(?:e|ing)|mention(?:ing)?|nam(?:e|ing)|us(?:e|ing) (?:the )?(?:words?|phrases?|terms?|names?|["“‘'])|quot(?:e|ing)|promis(?:e|ing)|describ(?:e|ing)|link(?:ing)?|refer(?:ring)?|prais(?:e|ing)|compar(?:e|ing) (?:us|it|them|our)|imply|implying|suggest(?:ing)?|go into)\b|\b(?:would|['’]d) (?:rather|prefer|like)(?: (?:you|it|that|this))? not (?:to )?(?:be )?(?:sa(?:y|id)|call(?:ed)?|claim(?:ed)?|mention(?:ed)?|nam(?:e|ed)|promis(?:e|ed)|print(?:ed)?|see)\b|^(?:please |so |and |but )*leave (?:it|that|this|them|those|that one|the \p{L}+) out[.,;]? (?:unless|until|if you|please|of (?:it|the (?:text|piece|article|post|copy)))\b|\b(?:rather|prefer(?: it)? if|sooner) (?:you|we|it|they) (?:did|do|was|were)(?:n['’]?t| not)\b|^(?:and |but |also )*(?:nothing about|(?:not a|no) word (?:about|on|of))\b(?! (?:it|this|that)\b)|^(?:please |and |but |also )*(?:steer clear of|stay away from|stay off|skip|drop) (?:the|any|all)? ?(?:subject|topic|word|phrase|claim|name|mention|story|bit about)s?\b|\bavoid (?:mentioning|saying|the (?:words?|names?|phrases?|topics?|subjects?|claims?))\b|\bdon['’]?t (?:bring up|raise the|play up)\b|\bno mention of\b|^(?:and |but |also )*no (?:links|names?|prices?|claims?|\p{L}+ names?)\b[^.]{0,60}\b(?:to|in|of|please|piece|article|text|here)\b|\bno \p{L}+ name in the (?:piece|article|text)\b|\b(?:wants?|want) ["“][^"”]+["”] out\b|\b(?:words?|phrases?) to avoid\b/iu;

/** What is still to be done by the writer. */
export const TO_DO =
	/^(?:[Tt]o-?[Dd]o|[Tt]o do|tbc|tbd|tk|[Ss]till(?: (?:to do|open|missing|needed|to come))?|[Oo]pen|[Hh]omework|[Tt]asks?|[Ff]or next time)\b\s*:|^\(?note to self\b|^(?:\?\?|!\?)|\?\?(?!\p{L})|\b(?:CHECK|TODO|TBC|TBD|FIXME)\b|^(?:(?:must|need to|have to|remember to|should|and|also)\s+)*(?:(?:ask|(?:ring|phone|call)(?! (?:the |an? )?\p{Ll}+ if\b)|email|e-mail|chase|find out|look up|look for|check with|check w\/|confirm with|send|get back to|follow up)\s+\S|(?:check|verify|confirm)\s+(?:if|whether|the|with|w\/|w\.|this|that|figures?|numbers?|source|quote|spelling|date))|^(?:photo|pic|picture|image|screenshot|source|sources|link|links|quote|illustration)\s*(?:of|for|with|from|\?)|\b(?:wants?|would like|asked) to (?:see|read|check|approve)\b[^.]{0,40}\b(?:before|first|it|them|quotes?)\b|\bbefore (?:it|this) (?:goes|runs|is published)\b|[→>]\s*ask\b|[–—-]\s*check[.!]?$|\bsend (?:her |him |them |the )?(?:questions?|quotes?|draft|copy)\b|\b(?:[Aa]sk|[Rr]ing|[Pp]hone|[Ee]-?mail|[Tt]ext|[Mm]essage|[Cc]hase|[Rr]emind|[Cc]heck with|[Cc]onfirm with|[Gg]et back to) [A-Z]\p{Ll}+ (?:re|about|for|when|if|whether|how|what|which|who|where)\b/u;

/** What the client or the editor wants of the text. */
export const BRIEF =
	/\b(?:deadline|due (?:on|by|date|mon|tue|wed|thu|fri|sat|sun|\d)|dead line)\b|(?<!\d\s?)\b(?:kw|keyword|key word|focus keyphrase|search term)s?\b|\b(?:tone|voice|house style|style guide|word count|target audience|audience|reader(?:ship)?|persona|call to action|cta|meta|snippet|byline|slug|h1)\s*(?:[:=–-]|\bis\b|\bbox\b)|\bplease (?:use|stick|keep|mention|include|link|put|write|add|make|avoid|don['’]?t forget|spell|quote|credit|refer|send|start|end|open|finish|stress|point out|say (?:so|that|when|where|how|what))\b|\b(?:could|can|would) you (?:please )?(?:also )?(?:work in|mention|add|include|say|call it|call (?:us|them|him|her)|spell|credit|refer|use|put|link|make|keep|write|start|give|cover)\b|\b(?:they|she|he|client|editor|boss) (?:wants?|would like|likes?|asked for|insists on) (?:a|an|the|it|one|two|three|us|more|less|short|boxes|to (?:have|open|start|end|keep))\b|^(?:it |the (?:piece|article|text|post) |this )?(?:must|should|has to|needs to|ought to) (?:link|mention|include|cover|name|carry)\b(?! \d)|\bI['’]d (?:print|put|open with|start with|write|end with)\b|\bI (?:should|could|might|will|want to) (?:open|start|begin|end|close|finish|lead) with (?:that|this|her|him|them)\b|^(?:angle|structure|order|format|outline|sections?|spelling|units|length|title|heading|headline|hook|lede|lead)\s*(?:\?+|[:=–-])|(?:^|,\s*|\bso )keep (?:it (?:\p{L}+ )?(?:short|brief|light|friendly|simple|plain|chatty|warm|fair|general|neutral|positive|practical|tight|snappy|conversational|formal|informal|fun|factual|honest|real|clear|concise|readable|jargon|under \d|below \d|to \d|to (?:a|one|two)|about|local|british|american)|the (?:tone|text|piece))\b|\b(?:have|include|put|add|with) (?:an?|one|two|\d) (?:\p{L}+ )?(?:paragraph|section|line|sentence|box|table|heading|sidebar|photo|picture)s?\b|\b(?:give|use|say|write|put|call|keep)\b[^.]*\bplease[.!]?$|\b(?:UK|US|British|American) (?:spelling|English)\b|\banswer (?:it )?(?:first|in the (?:first|1st))\b|\bfor (?:the )?\p{Lu}?\p{L}+ (?:blog|magazine|newsletter|website)\b|\b(?:for the|thought for the|about the) (?:structure|piece|article)\b|\bin a heading\b|^(?:and |also |then |if (?:you can|possible),? |ideally,? )*(?:link (?:to|back|it)|mention|name-?check|plug|spell|quote|cite|credit)\b|\b(?:needs?|wants?|include|add|put|have|open|start|end|close|finish) (?:with |on |in )?(?:an?|the|some|two|three)? ?(?:\p{L}+ )?(?:check ?lists?|sidebars?|intros?|introductions?|faqs?|summary|captions?|pull ?quotes?|headlines?|sub-?heads?|subheadings?|standfirsts?|bullet points?|takeaways?|info ?box(?:es)?)\b|\bfor (?:the|this|your) (?:piece|article|post|blog)\b/iu;

/** A length in words: "1500 w", "1,400 words"; watts have a capital. */
export const WORD_COUNT = /\b(?:\d{3,5}|\d{1,2},\d{3}|\d(?:\.\d)?k)\s?-?(?:w|wd|wds|words?)\b/;

/** How and when something was noted, and by whom. */
export const BACKGROUND =
	/^(?:w\/|with) \p{Lu}\p{Ll}+ \(|\bthis is (?:voice |my )?(?:memo|note|recording|tape|take)(?: number)? \S+|\bi(?: am|['’]m) (?:(?:sitting|sat|back|now|still) )?(?:in the (?:car|van|train|bus)|on the (?:train|bus|way)|outside the|walking (?:back|home))\b|\bi(?:['’]ve| have)? just (?:talked|spoke|spoken|met|rang|visited) (?:to|with|the|a|\p{Lu})|^(?:pics?|photos?|images?|pictures?)\s*:|^(?:phone|call(?! (?:the |an? )?\p{Ll}+ if\b)|zoom|video(?: call)?|visit|in person|face to face|chat|interview)\b[,.:–-]? (?=[^.]{0,40}\d)|\b(?:did ?n['’]?t|not|never|no) record(?:ed|ing|er)?\b|\b(?:written|typed|wrote (?:it|this)) (?:down |up )?(?:after|from memory)\b|^(?:context|background|recorded|recording|notes? (?:taken|from|by)|present|attended|met|spoke|place|date|time|who|source|status|set-?up|method)\b\s*[:–-]|\b(?:recorder|recording|recorded|dictaphone|transcri(?:bed|pt)|bad line|on speaker|speaker ?phone|by (?:phone|zoom|video|email))\b|^(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?\.?,?\s+\d|^\d{1,2}[./ -](?:\d{1,2}|jan|feb|mar|apr|may|june?|july?|aug|sept?|oct|nov|dec)\p{L}*\b[^.]{0,40}\b(?:min|mins|minutes|hour|hr|hrs|h)\b|\b(?:approx|about|c\.|ca\.?)?\s?\d+\s?(?:min|mins|minutes)\b[^.]{0,40}\b(?:call|phone|zoom|video|workshop|office|line)\b|\b(?:ok|okay|fine|happy) to (?:be )?quoted?\b|\bquotes? (?:ok|okay|fine|are fine|approved)\b|\b(?:everything|all) (?:is )?quotable\b|\b\d+ ?(?:yrs?|years) (?:at it|in the (?:job|trade|business)|there)\b|\bon \d{1,2} \p{L}+(?: \d{4})? you wrote\b|\bwrote:$|\byou (?:may|can) (?:use|quote|print) (?:all|any|every|this|what)\b|^(?:fee|invoice|payment(?: terms)?|rate)\b[^.]{0,60}\b(?:agreed|days?|per|paid|later|on delivery|invoice)\b|^(?:filled in by|who (?:fills|filled)|contact)\b|\bto me\b:?$/iu;

/** Talk that no reader needs. */
export const ASIDE =
	/^\([^()\d]{1,20}\)$|^(?:(?:always )?happy to (?:help|chat|answer)|glad to help|hope (?:this|that|it) helps|no problem|great question|good question|answers? (?:below|inline|in the thread)|(?:comments?|replies|answers?) (?:are )?(?:inline|below))\b[^.]{0,30}[.!]?$|^(?:hi|hiya|hello|hey|dear|cheers|thanks|thank you|ta|best|all (?:the )?best|best wishes|many thanks|take care|kind regards|regards|warm regards|yours|love|sincerely|sorry|sent from|have a|speak soon|talk soon|x+|ps)\b[^.]{0,50}[.,!:)]?$|^(?:hi|hello|hey|dear)\b|^sorry (?:for|about)\b|\bsorry (?:for|about) the (?:wait|delay|silence)\b|\b(?:lol|haha|hah|ha ha|rofl|:-?\)|not amused)\b|^(?:right|yes|yeah|no|ok|okay|so|well|hm+|mm+|erm|sure|exactly|indeed|true|good|great|nice|lovely|oh|ah|makes sense|shrugs?|laughs?|fair enough|never mind|we've had that|and then)(?:[,. ]+(?:right|yes|yeah|no|ok|okay|so|well))*[.!?]*$|\b(?:nice|good|great|lovely|fun) (?:point|line|quote|detail|story|one)\b(?!:)|^\[(?:laughs?|laughter|applause|music|pause|inaudible|crosstalk|coughs?)\]|\bkeep that[.!]?$|\bmust ring (?:the|my)\b|^(?:i(?:['’]ve| have)? )?(?:no idea|not sure|don['’]t know) (?:who|where|how|why|what) (?:wrote|said|put|got|came|started|made)\b[^.]{0,40}[.!?]?$/iu;

/** Thanks alone, whatever they are for. */
export const THANKS =
	/^(?:many thanks|thanks|thank you|cheers|ta)\b(?!.*\b(?:if|please|could|would)\b)[^.!?\d]{0,60}[.!,]?$/i;

/** Fields of a table of wishes. */
const BRIEF_FIELDS =
	/^(?:piece|article|title|working title|topic|length|words?|word count|readers?|audience|voice|tone|style|deadline|due|date|format|fee|rate|keywords?|key ?phrase|secondary keywords?|links?|link to|cta|call to action|spelling|language|images?|pictures?|mention|\p{L}+ to mention|purpose|goal|aim|angle|structure|competitors?|(?:must|should)\b.{0,30}|what['’]?s the (?:goal|aim|point|purpose|length|deadline|tone|angle)|who (?:reads|is (?:it|this) for|are (?:the|our) readers).{0,20}|how long.{0,20}|when is it due.{0,10})\??$/iu;
const CLIENT_FIELDS =
	/^(?:client|company|who (?:we|you) are|who|brand|about(?: us| you)?|contact|editor|business|site|website|filled in by)\??$/i;

/** Kind of a row of a table of wishes; null for other rows. */
export function kindOfField([first = '', ...rest]: readonly string[]): UnitKind | null {
	const forbids = /^(?:do not|don['’]?t) (?:say|use|mention)$|^(?:avoid|taboo|banned words?|not)$/i;
	if (forbids.test(first) || (rest.length === 1 && DO_NOT_SAY.test(rest[0]!))) return 'do-not-say';
	if (BRIEF_FIELDS.test(first)) return 'brief';
	return CLIENT_FIELDS.test(first) ? 'background' : null;
}

/** What all that stands under a heading is, unless it says otherwise itself. */
export function kindUnder(heading: string): UnitKind | null {
	const plain = heading
		.toLowerCase()
		.replace(/^[\d\s.)]+/, '')
		.trim();
	if (
		/\b(?:do not|don['’]?t|never) (?:say|use|call|mention|write|print|want me to say)\b|\bnot to (?:say|mention)\b|\b(?:words|phrases|things|terms) (?:to avoid|we (?:don['’]?t|never))\b|\bbanned\b|\btaboo\b|\bdon['’]?t want (?:me|us|you) to say\b|^please (?:don['’]?t|do not|avoid)$/.test(
			plain
		)
	)
		return 'do-not-say';
	if (
		/\boff[- ](?:the[- ])?record\b|\bnot for (?:use|print|publication|readers)\b|\bconfidential\b|^(?:just |strictly )?between (?:us|ourselves|you and me|the two of us)$|^(?:private|for your (?:ears|eyes) only)$/.test(
			plain
		)
	)
		return 'off-record';
	if (
		/^(?:to-?do|actions?(?: points?| items?)?$|next steps$|to check|to ask|check|checks|still to|still open|open|open (?:questions|points|ends)|loose ends|missing|questions? (?:for|to) |ask |follow[- ]?ups?|chase|tbc|pending)\b/.test(
			plain
		)
	)
		return 'todo';
	if (
		/^(?:(?:the |our |client |writer['’]?s? |content |article |writing )?brief(?:ing)?\b(?! (?:history|guide|intro|overview|look|summary|and|but))|assignment|must[- ]haves?|must have|must include|wishes|requirements?|wanted|house style|style|tone|format|deliverables?|admin|what (?:they|she|he|the client) wants?)\b/.test(
			plain
		)
	)
		return 'brief';
	if (
		/^(?:structure|outline|angle|sections?|headings?|running order|possible (?:structure|outline|headings?|order))(?: (?:ideas?|plan|so far|draft|suggestions?|i have in mind))?$|^(?:(?:notes? |points? |wishes )?(?:for|about|on) (?:the|this|your) (?:piece|article|post|text|blog|copy|draft|story)|what the (?:piece|article|post|text) (?:needs|wants)|(?:how )?(?:it|the (?:piece|article|post|text)) should (?:be|look|read|sound)|(?:house |style )?(?:rules|notes) (?:for|to) (?:the )?(?:writer|author)s?|the (?:piece|article|post|text))$/.test(
			plain
		)
	)
		return 'brief';
	if (/\?$/.test(plain)) return kindAskedFor(plain);
	if (/^(?:definitions?|glossary|terms|words|vocabulary|jargon)\b/.test(plain)) return 'definition';
	return null;
}

/** What a question of the writer's to a client asks for: "Who should read it?", "Anything to leave out?". */
function kindAskedFor(question: string): UnitKind | null {
	if (
		/\b(?:stay away from|steer clear of|leave out|avoid|not (?:to )?(?:say|mention|print)|(?:off[- ]limits|taboo))\b[^?]{0,20}\?$/.test(
			question
		) &&
		/\b(?:anything|what|which|things|words|topics|subjects|is there)\b/.test(question)
	)
		return 'do-not-say';
	return /^who (?:should|will|is going to|do you want to) (?:read|see)|^who (?:is|are) (?:it|this|the (?:text|piece|article|post)|the readers?|your readers?)\b|^how (?:long|many words) (?:should|is|will|must) (?:it|this|the (?:text|piece|article|post))|^(?:is there )?anything (?:else )?(?:you (?:want|would like)|we (?:should|must)|(?:it|the (?:text|piece|article)) (?:should|must)|to) (?:us to |me to )?(?:stress|include|mention|add|link|cover|know)|^what (?:should|must) (?:it|we|the (?:text|piece|article)) (?:say|cover|include|stress|sound)|^(?:what|which) (?:tone|length|style|keywords?|angle)|^(?:by )?when (?:do you need|is it due|should it be)|^what is (?:the )?(?:tone|length|deadline|angle|goal|aim)/.test(
		question
	)
		? 'brief'
		: null;
}

/** A heading over what is done one after the other. */
export const OF_STEPS =
	/^(?:how\b|steps?\b|method\b|procedure\b|process\b|instructions?\b|order\b|routine\b|the (?:method|steps|routine|order)\b)|\b(?:how to|how (?:he|she|they|we|i)\b|step by step|in (?:this )?order|\(order\)|in sequence|what (?:did|do|to do|we did|i did)\b.{0,30})|^what (?:he|she|they|we) d(?:o|id)/i;

/** The number of words a line asks for; null when it asks for none. */
export function lengthWishOf(text: string): number | null {
	const said = WORD_COUNT.exec(text)?.[0];
	if (said === undefined) return null;
	const number = Number(/[\d.,]+/.exec(said)![0].replace(/,/g, ''));
	const words = /k/i.test(said.replace(/words?/i, '')) ? number * 1000 : number;
	return words >= 100 && words <= 50_000 ? words : null;
}
