/*
 * Wordy phrases of written English with fewer words for the same; gathered by hand. Each stands for the
 * other wherever it stands, so that no sentence has to be understood.
 */
const LINES = `
at this moment in time|now
at this point in time|now
at the present time|now
for the purpose of|for
with the exception of|except
in spite of the fact that|although
despite the fact that|although
due to the fact that|because
on account of the fact that|because
owing to the fact that|because
until such time as|until
in the near future|soon
in many cases|often
in some cases|sometimes
in most cases|mostly
a majority of|most
the vast majority of|most
a large number of|many
a wide range of|many
a wide variety of|many
has the ability to|can
have the ability to|can
has the capacity to|can
have the capacity to|can
is able to|can
are able to|can
prior to|before
subsequent to|after
in the vicinity of|near
in close proximity to|near
make use of|use
makes use of|uses
made use of|used
making use of|using
make a decision|decide
makes a decision|decides
made a decision|decided
carry out an inspection of|inspect
give consideration to|consider
gives consideration to|considers
come to the conclusion|conclude
comes to the conclusion|concludes
is in need of|needs
are in need of|need
for the most part|mostly
during the course of|during
in the course of|during
by means of|by
in excess of|more than
whether or not|whether
end result|result
final outcome|outcome
advance planning|planning
past experience|experience
each and every|every
in order to|to
in the event that|if
in the process of|while
on a regular basis|regularly
on a daily basis|daily
with regard to|about
with regards to|about
with respect to|about
at a later date|later
in a timely manner|in time
as a result of|because of
a great deal of|much
`;

/** Wordy phrases in lower case, the longest first, each with what says the same. */
export const WORDY: readonly (readonly [string, string])[] = /* @__PURE__ */ LINES.trim()
	.split('\n')
	.map((line) => line.split('|') as [string, string])
	.sort(([a], [b]) => b.length - a.length);

/** What opens a sentence and can go: the clause behind it stands alone. */
export const EMPTY_OPENINGS =
	/^(?:(?:it is|it['’]s) (?:(?:also )?(?:important|worth|essential|vital|good|useful|crucial) (?:to (?:note|remember|know|mention|keep in mind|bear in mind|point out)|noting|mentioning|remembering|knowing) that|clear that|obvious that|no secret that|true (?:to say )?that|safe to say that)|it should be (?:noted|said|remembered) that|it goes without saying that|needless to say,?|there is no (?:doubt|denying) that|as a matter of fact,|in actual fact,|the fact of the matter is that|(?:please )?(?:note|remember|keep in mind|bear in mind) that) /i;
