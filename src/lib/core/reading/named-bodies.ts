const BODY =
	'Act|Agency|Association|Authority|Board|Bureau|Centre|Center|Charity|College|Commission|Committee|Council|Department|Federation|Foundation|Guild|Institute|Institution|Ministry|Office|Order|Organisation|Organization|Regulations|Society|Standard|Standards|Survey|Trust|Union|University';
const CAPITAL = String.raw`\p{Lu}[\p{L}'’-]+`;

/** `the Walling Guild of Fellgate`, `University of Ravensholme`, `Health Act 1990` */
const NAMED = new RegExp(
	String.raw`(?<![\p{L}\p{N}])(?:(?:${CAPITAL}\s(?:(?:of|for|and|the|on)\s){0,2}){1,5}(?:${BODY})|(?:${BODY})\s(?:of|for)\s(?:the\s)?${CAPITAL})(?:\s(?:of|for)\s(?:the\s)?${CAPITAL}(?:\s${CAPITAL})*)?(?:\s\d{4})?(?![\p{L}\p{N}])`,
	'gu'
);

/** Bodies, laws and standards that a sentence names; whoever checks facts will want to look them up. */
export function namedBodiesIn(sentence: string): string[] {
	if (!ANY_BODY.test(sentence)) return [];
	return [...sentence.matchAll(NAMED)]
		.map(([name]) => name.replace(/^(?:(?:The|A|An|In|By|At|From|Under|Ask|See|the|an?)\s)+/, ''))
		.filter((name) => name.includes(' '));
}

const ANY_BODY = new RegExp(String.raw`\b(?:${BODY})\b`, 'u');
