import { bareHeading } from './bare-heading';

/** Headings that every page of a kind has: they say what stands there, not what it is about. */
const OF_THE_PAGE =
	/^(?:(?:the )?(?:ingredients?|instructions?|directions|method|recipes?)(?: list)?|(?:step[- ]by[- ]step )?(?:instructions|directions)|nutrition(?:al)?(?: (?:info(?:rmation)?|facts|values?))?(?: (?:&|and) .*)?|info(?:rmation)?|(?:photo |picture )?gallery|(?:serve(?: (?:&|and) )?)?enjoy(?: your .{1,20}| this .{1,20})?|(?:save|add)(?: this)? to (?:my|your)\b.*|save(?: it| this)? for later|(?:don['’]t forget to )pin(?: it| this.*)?|be the first to .*|(?:e-?mail|text|send|shop) (?:(?:me |us )?(?:the |these |your )?)(?:ingredients|recipe|list)|close|explore|(?:like|love) what you see.*|%? ?daily values?\W*|featured (?:recipe|post|article|video)s?|(?:prep(?:aration)?|cook(?:ing)?|total|active|hands-on|chill(?:ing)?|rest(?:ing)?|bak(?:e|ing)) time(?:\s*[:–-].*|\s*\d.*)?|(?:yields?|serves|servings?)(?:\s*[:–-].*|\s*\d.*)?|(?:watch )?(?:the )?(?:video|how[- ]to video)(?: tutorial)?|(?:product )?(?:description|details|specifications?|specs)|(?:.{1,20}['’]s )?(?:recipe|cook['’]?s|chef['’]?s|nutrition) (?:notes?|card|video|tips|rundown|details|summary|faqs?|info(?:rmation)?)|notes?|print(?: recipe)?|share(?: (?:this|on|it|via|with friends|the love)(?: .*)?)?|keep reading|read (?:more|next|on)|related(?: (?:posts?|articles?|reading|stories|guides|recipes|products|links|pages|topics|questions))?|you (?:may|might) (?:also )?(?:like|enjoy|be interested)(?: .*)?|more (?:recipes|articles|posts|guides|stories|like this)(?: .*)?|(?:\d+ )?(?:comments?|reviews?|ratings?|votes|likes|shares|repl(?:y|ies)|responses?)(?: and (?:comments|reviews|ratings))?|leave a (?:comment|reply|review|rating)|rate this .*|(?:did|have) you (?:make|made|try|tried) (?:this|it|our|my|these)(?:\W.*)?|learn more|(?:calculate|scale|convert|adjust|copy|add all) (?:the )?ingredients|cook(?:ing)? mode|jump to .*|contact(?: us)?|get in touch|get (?:a|your) (?:free )?(?:quote|estimate)|(?:buy|shop|order|book|call|apply|start|download|subscribe|sign up|join)(?: (?:now|today|here|us|online|for free))?|(?:shop|join|subscribe to|sign up (?:for|to)|download) our .*|ready to .*\?|need (?:help|more help|a hand)\??|disclaimer|disclosure)[.:!]?$/i;

/** Parts that articles of every subject have. */
const OF_ARTICLES =
	/^(?:introduction|intro|overview|(?:(?:pro|top|quick|handy|expert|our|my|more|some|helpful) )?(?:tips?|hints?)(?: (?:&|and) (?:notes?|hints?|tricks|variations|faqs?))?|note|warning|caution|important|remember|see also|conclusions?|summary|in summary|final (?:thoughts|words?)|to sum up|wrapping up|in (?:short|closing|conclusion)|key takeaways?|takeaways|the bottom line|last words?|references|sources|further reading|notes|faqs?|frequently asked.*|(?:your |our |common |more )?questions?(?: (?:answered|and answers|people ask|we are asked|we get))?|q\s?&\s?a|(?:the )?(?:key|quick|main) (?:facts|points|figures|answer)|(?:the )?short (?:version|answer)|(?:the )?highlights|at a glance|in brief|tl;?dr|(?:.{1,30} )?(?:by the|in) numbers|(?:project |quick )?overview|in this (?:article|guide|post|checklist|series)|what['’]s in (?:this|the) .*|table of contents|(?:a |our |pro |top |quick |expert )*tips? from .*|about.*author|credits?)[.:!]?$/i;

/** "June 2016", "May 2021": when a page was put there. */
const MONTH_ALONE =
	/^(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]{0,6}\.? (?:19|20)\d\d$/i;

/** Buttons in a heading that multiply the amounts under it: "1x2x3x". */
const MULTIPLIERS = /\s*(?:\d(?:[./]\d)?x\s*){2,}$/i;

/** What is said in brackets behind it. */
const ASIDE = /\s*\([^)]*\)\s*$/;

/** Whether a heading belongs to a page and not to its subject: "Instructions", "Print", "Related posts". */
export function isHeadingOfPage(heading: string): boolean {
	const bare = bareHeading(heading.replace(MULTIPLIERS, '').replace(ASIDE, ''));
	return (
		MONTH_ALONE.test(bare) ||
		OF_THE_PAGE.test(bare) ||
		OF_ARTICLES.test(heading) ||
		OF_ARTICLES.test(bare)
	);
}
