/** Closed-class English words and the filler verbs that carry no subject matter of their own. */
const STOP_WORDS = new Set(
	`a about above across after again against all almost along already also although always am among an and
another any anyone anything are around as at away back be became because become been before being below
between both but by came can cannot can't could couldn't did didn't do does doesn't doing don't done down
during each either else enough even ever every everyone everything few first for from get gets getting
give given go goes going gone got had hadn't has hasn't have haven't having he he'd he'll he's her here
hers herself him himself his how however i i'd i'll i'm i've if in instead into is isn't it it'd it'll
it's its itself just know least less let let's like likely ll made make makes many may maybe me might
mine more most much must my myself near need needs neither never next no nobody none nor not nothing now
of off often on once one ones only onto or other others otherwise our ours ourselves out over own per
perhaps put puts quite rather re really right said same say says see seen several shall she she'll she's
should shouldn't since so some someone something soon still such sure take taken takes than that that's
the their theirs them themselves then there there's these they they'd they'll they're they've thing things
this those though through thus till to together too toward towards two under until up upon us use used
uses using usually very want wants was wasn't way ways we we'd we'll we're we've well went were weren't
what what's when where whether which while who who's whom whose why will with within without won't would
wouldn't yes yet you you'd you'll you're you've your yours yourself three four five six seven eight nine
ten look looks looking lot lots good best better great kind sort bit`.split(/\s+/)
);

/** Whether a plain word (lower case) is one that carries no subject of its own. */
export function isStopWord(word: string): boolean {
	return STOP_WORDS.has(word);
}
