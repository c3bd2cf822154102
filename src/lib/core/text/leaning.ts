import { isOrder } from './verbs';

/** Whether a sentence says nothing without the one before it. */
export function needsBefore(text: string): boolean {
	const said = withoutOpening(text);
	if (EXPLETIVE.test(said)) return false;
	return (
		POINTS.test(said) ||
		THOSE_NAMED.test(said) ||
		// "You look along it. A belly …", "At that depth the subsoil …"
		/^(?:[\p{L}'’]+ ){1,4}(?:it|them|that)[.!](?= |$)/iu.test(said) ||
		/^(?:in|at|on|by|from|with|for|to|of) (?:that|those) (?!case\b)\p{L}/iu.test(said) ||
		/^(?:\S+ ){0,3}(?:those|these) (?:two|three|four|ones?)\b/i.test(said) ||
		(isOrder(said) && /^\p{L}+ (?:one|them|it|these|those)(?: \p{L}|[.,])/u.test(said))
	);
}

/** A pronoun near the start that points back: "On the sites she works that is …". */
export const POINTS_BACK = /^(?:\S+\s+){1,5}(?:she|he|it|they|them|this|that is|that was)\b/;

/** A sentence without quotation marks and without the "so" or "well" that ties it to the talk. */
export function withoutOpening(text: string): string {
	return text.replace(/^[\s"“”'([]+/, '').replace(OPENS_SOFTLY, '');
}

/** "It", "that" and their like, and words that go on from something. */
const POINTS =
	/^(?:(?:it|they|their|them|she|he|his|her|then|otherwise|instead|gone|nor|meaning|such|likewise|just not)\b|(?:it|that|she|he)['’](?:s|ll|d)\b|they['’](?:re|ve|ll|d)\b|(?:the )?same(?= for\b| with\b|[.,:]|$)|both(?= (?:are|were|of|have|need)\b)|each (?:one|of)\b|none(?: of\b|[.,])|half (?:of|between)\b|all (?:two|three|four|of (?:it|them|this|that))\b|not (?!(?:all|every|everyone|everybody|only|until|many)\b)|which(?! \p{L}+ (?:is|are|do|does|to)\b)|(?:below|above|beyond|besides|apart from|because of) (?:that|this|it|them)\b|(?:second|third|fourth|another)(?:ly)?(?: (?:question|thing|point|one))?[:,]|(?:one|two|three|four)[.:,](?= |$))/iu;

/** "This is", "those cost": a pronoun, and no article of what is named behind it. */
const THOSE_NAMED =
	/^(?:this|that|these|those|the (?:other|others|rest|latter|former|first|second|last)) (?:is|are|was|were|means|makes?|made|gives?|gave|takes?|took|can|will|would|has|have|had|does|did|do|should|must|may|might|costs?|saves?|works?|keeps?|helps?|goes|go|comes?|came|one|two|three|four|buys?|lasts?)\b/i;

/** "It is best to", "it takes a day to": nothing that was named. */
const EXPLETIVE =
	/^it(?:['’]s| is| was| will be| can be| may be| takes| took| pays| helps| makes sense| depends)\b(?! (?:who|what|how|when)\b)[^.]{0,40}\b(?:to|that|when|if|whether)\b/i;

/** What ties a spoken sentence to the talk and can stay or go. */
const OPENS_SOFTLY =
	/^(?:(?:so|and|but|well|oh|okay|ok|now|erm|um|yeah|you know|i mean),? (?=\p{L})|then (?=there|you|we|i|if|a|the)\b)/iu;
