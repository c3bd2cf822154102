import { verbFormsOf } from './inflect';
import { MOSTLY_VERBS } from './verb-data';

const ORDERS =
	/^(?:(?:then|and|now|first|next|always|never|please|just|do not|don['’]t)\s+)?(?:set|lay|put|place|build|dig|take|use|keep|make|start|finish|mark|sort|fill|pack|test|check|step|stand|lean|drive|work|choose|pick|pull|walk|strip|run|stretch|level|cut|add|mix|leave|let|wait|remove|clean|open|close|turn|hold|press|wash|dry|cover|plant|water|pour|apply|sand|drill|screw|tie|wear|measure|buy|ask|look|move|bring|repeat|store|label|heat|stir|fold|book|call|write|tell|read|send|find|get|go|give|rake|mow|feed|sow|spread|empty|count|count|weigh|try|avoid|stop|say|show|name|ring|plan|note|watch|expect|remember|allow|aim|replace|rotate|switch|change|carry|number|photograph|unplug|defrost|hang|spin|shake|air|rinse|soak|roll|bend|twist|flip)\b/i;

/** Whether a sentence tells the reader to do something. */
export function isOrder(sentence: string): boolean {
	return ORDERS.test(sentence);
}

const FINITE =
	/\b(?:is|are|was|were|am|be|been|has|have|had|do|does|did|can|cannot|could|will|would|shall|should|may|might|must|needs?|makes?|made|takes?|took|gets?|got|goes|go|went|comes?|came|says?|said|keeps?|kept|gives?|gave|wants?|knows?|knew|uses?|works?|costs?|holds?|held|lasts?|stands?|stood|stays?|becomes?|became|runs?|ran|puts?|lets?|means?|meant|helps?|finds?|found|thinks?|thought|loses?|lost|saves?|looks?|feels?|felt|seems?|shows?|tells?|told|asks?|pays?|paid|buys?|bought|sells?|sold|brings?|brought|leaves?|left|breaks?|broke|grows?|grew|dries|dry|wears?|wore|falls?|fell|rises?|rose|fits?|matters?|depends?|happens?|starts?|begins?|began|ends?|stops?|drinks?|blames?|reckons?|tolerates?|includes?|covers?|contains?|weighs?|counts?|adds?|beats?|hurts?|turns?|killed|cancels?|lent|built|sent|led|drew|threw|rang|sank|chose|wrote|shut|split|spread)\b|n['’]t\b|['’](?:re|ll|ve|m|d)\b|\b(?:it|that|there|here|he|she|what|who|which)['’]s\b|\b\p{Ll}{3,}ed\b|\s=\s/iu;

/** Whether a jotting holds a verb that could make a sentence of it. Long ones are taken to. */
export function hasVerb(text: string): boolean {
	return (
		FINITE.test(text) ||
		isOrder(text) ||
		OPENS_SENTENCE.test(text) ||
		opensAsOrder(text) ||
		// "Above all, cut the grass higher"
		isOrder(text.replace(/^(?:\S+ ){0,4}\S+, /, '')) ||
		text.split(/\s+/).length > MOST_FRAGMENT ||
		(text.match(/\b\p{Ll}{3,}\b/gu) ?? []).some((word) => finiteForms().has(word)) ||
		// "machines leak": several do what one verb says
		[...text.matchAll(/\p{Ll}{2,}s (\p{Ll}{3,})\b/gu)].some(([, verb]) => baseForms().has(verb!))
	);
}

/**
 * Whether a sentence begins with what somebody does or did and does not say who: "Reckons one in six …",
 * "Took the form …". An order is none.
 */
export function lacksSubject(text: string): boolean {
	const [, first = '', behind = ''] =
		/^["“'(]*(\p{L}+(?:n['’]t)?)\s+(\p{L}+|[\d£$€~])?/u.exec(text) ?? [];
	const word = first.toLowerCase().replace(/n['’]t$/, '');
	// "Handles cost £11": what ends in s is what does it
	if (behind === '' || isOrder(text) || FINITE.test(behind)) return false;
	if (/\?["”’)]*$/.test(text)) return false;
	if (DOES_OR_DID.test(word)) return true;
	if (word.endsWith('s'))
		return thirdPersons().has(word) && (HARDLY_NOUNS.test(word) || OPENS_OBJECT.test(behind));
	return OPENS_OBJECT.test(behind) && finiteForms().has(word);
}

/** Verbs in their plain past or present that no noun is written like. */
const DOES_OR_DID =
	/^(?:took|did|went|saw|got|had|gave|knew|came|thought|wrote|chose|tried|does|has|wo)$/;
const HARDLY_NOUNS =
	/^(?:wants|loses|takes|gets|goes|comes|keeps|reckons|says|thinks|tells|makes|gives|puts|seems|becomes|begins)$/;
const OPENS_OBJECT =
	/^(?:the|an?|it|them|her|him|his|my|our|this|that|these|those|both|all|some|two|three|four|five|like|\d|[£$€~])$/i;

let finite: Set<string> | undefined;

/** Forms that are finite verbs by their look: third persons, and pasts of verbs that are seldom nouns. */
function finiteForms(): Set<string> {
	finite ??= new Set(
		MOSTLY_VERBS.split(' ').flatMap((verb) =>
			verbFormsOf(verb).filter((form) => form !== verb && !form.endsWith('ing'))
		)
	);
	return finite;
}

let thirds: Set<string> | undefined;

function thirdPersons(): Set<string> {
	thirds ??= new Set(
		MOSTLY_VERBS.split(' ').flatMap((verb) =>
			verbFormsOf(verb).filter((form) => form.endsWith('s') && form !== verb)
		)
	);
	return thirds;
}

let mostly: Set<string> | undefined;

/** Whether a word in its base form is a verb more often than a noun: "weigh", "spend". */
export function isMostlyVerb(word: string): boolean {
	mostly ??= new Set(MOSTLY_VERBS.split(' '));
	return mostly.has(word);
}

/** A person as subject, or a clause with a condition, has its verb behind it. */
const OPENS_SENTENCE =
	/^["“(]*(?:i|we|you|she|he|they|who|if|when|once|unless|until|(?:no|every|some|any)(?:one|body)|nobody|nothing|everything|something)\b/i;

/** A verb as it stands alone, before what it is done to: "Sweep the paths". */
function opensAsOrder(text: string): boolean {
	const word = /^["“(]*(\p{L}+) (?:the|an?|your|it|them|any|all|every)\b/iu.exec(text)?.[1];
	return word !== undefined && baseForms().has(word.toLowerCase());
}

let bases: Set<string> | undefined;

function baseForms(): Set<string> {
	bases ??= new Set([
		...MOSTLY_VERBS.split(' '),
		...'grind sweep lift ring order pack plug'.split(' ')
	]);
	return bases;
}

/** Words from which a jotting is hardly without a verb. */
const MOST_FRAGMENT = 16;
