import { quantitiesOf, type Quantity } from '../../reading';

/** What an answer to a question has to hold. */
export const ANSWER_KINDS = [
	'price',
	'duration',
	'frequency',
	'moment',
	'amount',
	'size',
	'reason',
	'place',
	'choice',
	'effort',
	'verdict',
	'definition',
	'way',
	'any'
] as const;
export type AnswerKind = (typeof ANSWER_KINDS)[number];

/** What is wanted of an answer, told from how a question is put. */
export interface Wanted {
	readonly kind: AnswerKind;
	/** A text without it is no answer: a price without money, a duration without time. */
	readonly isStrict: boolean;
	/** Name of all that is wanted alike. */
	readonly sign: string;
	/** What is counted, or defined, as it has to stand in the answer. */
	readonly names?: RegExp;
	/** Units, or dimensions, that a size is given in; empty for any. */
	readonly units: RegExp | null;
}

const want = (kind: AnswerKind, isStrict = false, units: RegExp | null = null): Wanted => ({
	kind,
	isStrict,
	sign: `${kind} ${units?.source ?? ''}`,
	units
});

const LENGTH = /^(?:mm|cm|m|km|inch|foot|yard|mile)$/;
const DEGREES = /^(?:°C|°F|degree)$/;
const MASS = /^(?:mg|g|kg|tonne|pound|ounce)$/;

/** The first form that fits says what is wanted. */
const FORMS: readonly (readonly [RegExp, Wanted])[] = [
	[/^what to (?:do|say|ask|write|put|take|pack|look|wear|use)\b/, want('way')],
	[
		/\bcosts?\b|\bprices?\b|\bspend\b|\bcheaper\b|\bhow (?:expensive|cheap)\b|\btip\b.*\bhow much\b|\bhow much (?:is|are|do|does|should|would|will|can|to)\b(?:.*\b(?:pay|charge|save|tip|budget|cost|spend)\b|$)/,
		want('price', true)
	],
	[/\bhow much (?:is|are) (?:it|a|an|the)\b/, want('price', true)],
	[/\bhow (?:often|frequently|regularly|many times)\b/, want('frequency', true)],
	[/\bhow (?:soon|early|far ahead|far in advance|late|old)\b/, want('duration', true)],
	[
		/\bhow (?:long|quickly|fast)\b|\bhow many (?:seconds|minutes|hours|days|nights|weeks|months|years)\b|\bhow much time\b/,
		want('duration', true)
	],
	[
		/^when\b|\bwhat (?:time|day|month|season)\b|\b(?:best|right|good|ideal|cheapest|\p{L}{3,}est) (?:time|month|season|day|week|moment|hour)\b|\bwhen (?:should|can|do|is)\b/u,
		want('moment', true)
	],
	[
		/\bhow (?:much|many)\b|\bwhat (?:percentage|proportion|share|number|amount|score)\b/,
		want('amount', true)
	],
	[
		/\bhow (?:deep|high|wide|thick|tall|far)\b|\bwhat (?:height|width|depth|thickness|distance)\b/,
		want('size', true, LENGTH)
	],
	[/\bwhat temperature\b|\bhow (?:hot|cold|warm)\b/, want('size', false, DEGREES)],
	[/\bhow heavy\b|\bwhat weight\b/, want('size', true, MASS)],
	[
		/\bhow (?:big|large|small|strong|powerful|loud|noisy)\b|\bwhat (?:size|capacity|length|width|speed|ratio|rating|power)\b/,
		want('size', true)
	],
	[/^why\b|\bwhat (?:causes?|makes?)\b/, want('reason')],
	[/^where\b/, want('place')],
	[
		/^which\b|^what (?:kind|sort|type)\b|^what(?: is| are|['’]s) the (?:best|worst|right|most|least|\p{L}{3,}est)\b|\bbetter\b.*\bor\b|\bor\b.*\bbetter\b|^(?!(?:is|are|do|does|can|should|will|would|how|why|what|when)\b).*\bor\b|\b(?:vs\.?|versus)\b|\bbetter than\b/u,
		want('choice')
	],
	// "what is needed to …" asks for more than what a thing is
	[/^what (?:is|are|does|do)\b(?!.*\bto \p{L}).{2,40}$/u, want('definition')],
	[
		/\bhow (?:hard|difficult|easy|tricky|tough)\b|^(?:is|are|was)\b.*\b(?:difficult|easy|tricky)\b|^(?:is|are|was)\b(?=.*(?:\bit\b|\p{L}ing\b|\bto \p{L})).*\b(?:hard|tough)(?: to\b|$)/u,
		want('effort', true)
	],
	[
		/^(?:can|could|do|does|did|is|are|was|were|should|will|would|may|must|has|have|am|need)\b/,
		want('verdict')
	],
	[/^how\b/, want('way')]
];

/** What an answer to a question has to hold. */
export function wantedBy(question: string): Wanted {
	const plain = question.trim().toLowerCase().replace(/\?+$/, '');
	const found = FORMS.find(([form]) => form.test(plain))?.[1] ?? want('any');
	const named = NAMES[found.kind]?.exec(plain)?.[1];
	if (!named) return found;
	const stem = named.replace(/(?:es|s)$/, '').replace(/[^\p{L}\p{N} '’-]/gu, '');
	const after =
		found.kind === 'definition'
			? String.raw`\p{L}*\s?(?:\([^)]*\)\s?)?(?:is|are|means?|refers|=|:|–|—)`
			: '';
	return {
		...found,
		sign: `${found.sign} ${stem}`,
		names: new RegExp(String.raw`(?<!\p{L})${stem}${after}`, 'iu')
	};
}

/** What is counted in "how many quotes", and what is defined in "what is a footing". */
const NAMES: Partial<Record<AnswerKind, RegExp>> = {
	amount: /\bhow many (\p{L}{3,})/u,
	definition:
		/^what (?:is|are|does)(?: an?| the)?(?: good)? (?:[\p{L}'’-]+ )*?([\p{L}'’-]{3,})(?: mean)?(?: (?:in|for|of|on|made|and|called)\b.*)?$/u
};

/** What a wording is worth that is not about the thing that is named. */
const OF_ANOTHER = 0.6;
const DEFINES_ANOTHER = 0.2;

const TIME_UNITS =
	'seconds?|secs?|minutes?|mins?|hours?|hrs?|days?|nights?|weekends?|weeks?|wks?|months?|mths?|seasons?|years?|yrs?|decades?';
const SPELLED_TIME = new RegExp(
	String.raw`\b(?:overnight|all (?:day|night|year)|for ?ever|instantly|at once|straight away|(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|twenty|few|couple of|several|half an?)[\s-](?:${TIME_UNITS})|\d+[\s-]?(?:${TIME_UNITS}|h|d))\b|\b\d+\s?h\s?\d{1,2}\b`,
	'i'
);
/** "Twice a year", "every two weeks": how often, and not how long. */
const HOW_OFTEN = new RegExp(
	String.raw`\b(?:once|twice|(?:\d+|two|three|four|five|six|several|few) times|every|each)(?: (?:an?|per|in|other|few))?(?: (?:\d+|one|two|three|four|five|six|twelve))?[\s-](?:${TIME_UNITS})\b`,
	'gi'
);

/** Whether a text says how long something lasts, with a figure of time in it or in words. */
function lasts(text: string, hasTime: boolean): boolean {
	const rest = text.replace(HOW_OFTEN, '');
	return SPELLED_TIME.test(rest) || (hasTime && rest === text);
}
const FREQUENCY =
	/\b(?:every|each|per|twice|once|weekly|monthly|yearly|annually|daily|never|seldom|rarely|always)\b|\b(?:times|\d+×|\d+x) (?:a|an|per|in)\b|\/\s?(?:day|week|wk|month|year|yr)\b/i;
const MOMENT =
	/\b(?:january|february|march|april|may|june|july|august|september|october|november|december|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|dec|spring|summer|autumn|winter|monday|tuesday|wednesday|thursday|friday|saturday|sunday|morning|noon|afternoon|evening|night|dawn|midnight|before|after|until|till|once|as soon as|when|while|during|late|early|first|last|week|weeks|days?|month|deadline|today|tomorrow)\b|\b\d{1,2}(?::\d\d)?\s?[ap]m\b/i;
const REASON =
	/\b(?:because|since|as|so|therefore|hence|due to|thanks to|causes?|caused|comes? from|down to|reason|why|otherwise|or else|leads? to|makes?|means?|lets?|stops?|keeps?|too|not|never|no|without|lack|killed|needs?|wants?|unless|if)\b|n['’]t\b|→|->|=/i;
const PLACE =
	/\b(?:in|on|at|under|over|near|beside|behind|above|below|next to|from|inside|outside|between|away|room|shop|site|online|office|council)\b/i;
const CHOICE =
	/\b(?:better|best|worse|worst|more|less|than|rather|instead|choose|pick|go for|get|buy|take|prefer|cheaper|faster|slower|warmer|lighter|heavier|wins?|beats?|unless|only if|for)\b|\p{L}er\b|[<>=]/iu;
const VERDICT =
	/\b(?:yes|no|not|never|don['’]t|doesn['’]t|isn['’]t|aren['’]t|can|can['’]t|cannot|could|may|must|mustn['’]t|should|shouldn['’]t|only|ok|okay|fine|safe|works?|worked|allowed|refused?|need|needs|unless|if|always|just|keep|avoid|myth|helps?|hardly|worth|better|good|bad|won['’]t|will|would|without|either|fails?|failed)\b|→|->|=|n['’]t\b/i;
/** How hard a deed is; "hard" by itself may be a thing that is. */
const EFFORT =
	/\b(?:difficult(?:y|ies)?|eas(?:y|ier|iest|ily)|simple|simpler|tricky|trickiest|struggled?|skills?|skilled|practi[cs]e|practised|patience|patient|beginners?|novices?|knack|straightforward|learn(?:s|ed|t|ing)?|courses?|strength|strong|effort|experienced?|anyone|anybody|hard(?:er|est)? (?:to|work|going|part|bit|thing|on|for)|hard(?:er|est) than|tir(?:ed|ing)|back-?breaking|slow work|heavy work)\b/i;
const DEFINES = /\b(?:is|are|means?|called|stands for|refers to|that is|i\.e)\b|=|:/i;

/** An order to the reader, or a step: how something is done. */
const WAY =
	/^(?:[-*•\d.)\s]*)(?:\p{L}+ing|set|lay|put|place|build|dig|take|use|keep|make|start|finish|mark|sort|fill|pack|test|check|cut|add|mix|leave|let|wait|remove|clean|turn|hold|press|wash|dry|cover|water|pour|apply|wear|measure|buy|ask|look|move|bring|store|heat|stir|write|say|show|give|get|run|go|do|don['’]t|never|always|first|then)\b|\b(?:by|with|should|must|need to|have to|step|first|then)\b|→|->/iu;

/**
 * How well a text holds what is wanted: 1 it does, 0 it says nothing of the kind.
 *
 * @param quantities figures of the text, where they are known already
 */
export function holdsWanted(
	{ kind, units, names }: Wanted,
	text: string,
	quantities: readonly Quantity[] = quantitiesOf(text)
): number {
	const hasFigure = (test: (quantity: Quantity) => boolean) => quantities.some(test);
	switch (kind) {
		case 'price':
			return hasFigure(({ kind: of }) => of === 'money') ||
				/[£$€]\s?\d|\b(?:free|quid|pence|\d+p)\b/i.test(text)
				? 1
				: 0;
		case 'duration':
			return lasts(
				text,
				hasFigure(({ kind: of }) => of === 'time')
			)
				? 1
				: 0;
		case 'frequency':
			return FREQUENCY.test(text) ? 1 : 0;
		case 'moment':
			return MOMENT.test(text) ? 1 : 0;
		case 'amount':
			if (
				quantities.length === 0 &&
				!/\d|\b(?:none|half|third|quarter|two|three|four|five)\b/i.test(text)
			)
				return 0;
			return !names || names.test(text) ? 1 : OF_ANOTHER;
		case 'size':
			if (units) return hasFigure(({ unit }) => units.test(unit)) ? 1 : 0;
			return hasFigure(({ kind: of }) => of === 'measure' || of === 'ratio') || /\d/.test(text)
				? 1
				: 0;
		case 'reason':
			return REASON.test(text) ? 1 : 0;
		case 'place':
			return PLACE.test(text) ? 1 : 0;
		case 'choice':
			return CHOICE.test(text) ? 1 : 0;
		case 'effort':
			return EFFORT.test(text) ? 1 : 0;
		case 'verdict':
			return VERDICT.test(text) ? 1 : 0;
		case 'definition':
			if (names) return names.test(text) ? 1 : DEFINES_ANOTHER;
			return DEFINES.test(text) ? 1 : 0;
		case 'way':
			return WAY.test(text) ? 1 : 0;
		case 'any':
			return 0.5;
	}
}
