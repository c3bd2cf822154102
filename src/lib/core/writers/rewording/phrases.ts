/*
 * Set phrases of written English that say little, each with a plainer one where there is one; gathered
 * by hand for articles of advice. An empty string: the phrase can go.
 */
const LINES = `
in today's world|
in today's fast-paced world|
in this day and age|now
at the end of the day|
when all is said and done|
it goes without saying that|
needless to say|
it is worth noting that|
it's worth noting that|
it is important to note that|
it's important to note that|
it should be noted that|
it is important to remember that|
it's important to remember that|
it is essential to|
last but not least|
first and foremost|first
by and large|
for all intents and purposes|
the fact of the matter is|
the fact that|that
due to the fact that|because
in order to|to
in the event that|if
in the process of|
at this point in time|now
at the present time|now
on a regular basis|regularly
on a daily basis|daily
a wide range of|many
a wide variety of|many
a plethora of|many
a myriad of|many
a multitude of|many
a large number of|many
the vast majority of|most
in close proximity to|near
with regard to|about
with regards to|about
in terms of|
when it comes to|
plays a crucial role in|
plays a vital role in|
plays a key role in|
play a crucial role in|
play a vital role in|
is a testament to|shows
a testament to|
stands as a testament to|shows
the ever-evolving|
ever-changing landscape|
in the realm of|in
navigate the complexities of|
navigating the complexities of|
unlock the potential of|
unlock the power of|
unleash the power of|
harness the power of|use
dive deep into|
delve into|look into
delves into|looks into
let's dive in|
let us dive in|
take it to the next level|
take your|
game changer|
game-changer|
look no further|
whether you're a beginner or|
whether you are a beginner or|
rest assured|
it's no secret that|
it is no secret that|
the bottom line is|
all in all|
that being said|but
having said that|but
with that in mind|
with that said|
more often than not|often
each and every|every
tried and tested|
tried and true|
think outside the box|
a breath of fresh air|
the best of both worlds|
a match made in heaven|
look and feel|
state of the art|
state-of-the-art|
cutting-edge|
cutting edge|
seamlessly|
effortlessly|
a seamless|
one size fits all|
one-size-fits-all|
not only that, but|
it's not just about|
it is not just about|
more than just a|
a treasure trove of|
hidden gem|
a game of|
the possibilities are endless|
the sky is the limit|
only time will tell|
food for thought|
stand the test of time|last
stands the test of time|lasts
without further ado|
in a nutshell|
peace of mind|
`;

/** Phrases that say little, in lower case, with a plainer one; null: none is offered. */
export const STOCK_PHRASES: ReadonlyMap<string, string | null> = /* @__PURE__ */ new Map(
	LINES.trim()
		.split('\n')
		.map((line) => line.split('|') as [string, string])
		.filter(([phrase]) => phrase !== 'take your' && phrase !== 'a game of')
		.map(([phrase, plain]) => [phrase, plain === '' ? null : plain])
);

/** Words that take back what is said; several in one sentence leave nothing. */
export const HEDGES: ReadonlySet<string> = new Set(
	'may might could perhaps maybe possibly probably somewhat fairly rather seems seem seemingly appears apparently arguably generally typically usually often sometimes relatively potentially presumably'.split(
		' '
	)
);

/** Words that can go. */
export const FILLERS: ReadonlySet<string> = new Set(
	'very really actually basically literally simply totally absolutely extremely incredibly truly quite essentially'.split(
		' '
	)
);
