import { purposesOf, type Purpose } from '../../reading';
import type { Topic } from '../../findings';
import {
	isOneThing,
	isPlural,
	shortName,
	thingOf,
	withArticle,
	withThe,
	deedOfKeyword
} from './phrases';

/** What a topic and the article are about, in words that headings are made of. */
export interface Named {
	readonly keyword: string;
	/** What the topic is about beside the keyword, if that has a name. */
	readonly phrase: string | undefined;
}

/** Laws and permission; a "rule of thumb" is none. */
const OF_LAW =
	/\b(?:permission|permits?|regulations?|legal\w*|laws?|licen[cs]\w+|allowed|planning|the rules)\b/i;

/** Set wordings for what articles of every subject speak of, the best first. */
export function* setWordings(topic: Topic, { keyword, phrase }: Named): Generator<string> {
	const thing = thingOf(keyword);
	const object = thing === null ? null : withArticle(thing);
	const bare = thing === null ? null : shortName(withArticle(thing));
	const half = (pattern: RegExp) => mostly(topic, pattern);
	if (half(/\bsuit\w*|\bright for\b/i)) {
		if (bare) yield `where ${bare} ${verb(bare, 'suit')}`;
		yield 'whom it suits';
	}
	if (half(/\bhow .*works?\b|\bphysics\b|\bprinciples?\b/i)) {
		if (bare) yield* [`how ${bare} ${verb(bare, 'work')}`, `the workings of ${bare}`];
		yield 'how it works';
	}
	if (half(/\bcauses?\b|\bwhy (?:is there|are there|do (?:i|you|we) (?:get|have)|does it)\b/i))
		yield* ['what causes it', 'why it happens'];
	const purposes = topic.headings.map(({ text }) => purposesOf(text));
	const speaksOf = (purpose: Purpose) =>
		purposes.filter((of) => of.includes(purpose)).length * 2 >= purposes.length;
	if (
		half(
			/\bsigns (?:of|that|it|they|you|your|to)\b|\bhow (?:to|do you|can you|i) (?:know|knew|tell|spot)\b|\btell when\b|^\W*\d* signs\b/i
		)
	)
		yield* ['the signs to look for', 'how to tell'];
	if (speaksOf('lifespan')) {
		if (bare) yield `how long ${bare} ${verb(bare, 'last')}`;
		yield 'how long it lasts';
	}
	if (speaksOf('prevention')) {
		if (half(/\bback\b|\breturn/i)) yield 'keeping it from coming back';
		yield 'preventing it';
	}
	switch (topic.intent) {
		case 'need':
			if (speaksOf('signs')) break;
			yield `what to have ready`;
			yield `tools and materials to have ready`;
			if (phrase) yield `what to have ready: ${phrase}`;
			break;
		case 'cost':
			// a topic on one part of the cost is named by it: "running costs"
			if (phrase && /\bcosts$/i.test(phrase)) yield phrase;
			// the cost of what the keyword names, or of something that the pages speak of beside it
			if (object && half(sayingIt(object))) yield `what ${object} ${verb(object, 'cost')}`;
			if (half(/\bbudget/i)) yield 'the budget';
			else if (topic.headings.some(({ text }) => /\bbudget/i.test(text))) yield 'costs and budget';
			yield* ['what it costs', 'the cost, added up'];
			break;
		case 'mistakes':
			yield* half(/\bdo(?:es)? ?n[o']t|\bnot to\b|\bavoid/i)
				? ['mistakes to avoid', 'where it goes wrong']
				: ['where the work goes wrong', 'faults to look for'];
			if (phrase) yield `what goes wrong with ${withThe(phrase)}`;
			break;
		case 'definition':
			if (phrase)
				yield isOneThing(phrase) && !/\s/.test(phrase)
					? `what ${withArticle(phrase)} is`
					: `what ${phrase} ${verb(phrase, 'mean')}`;
			else if (object) yield `what ${object} ${isPlural(object) ? 'are' : 'is'}`;
			if (phrase ?? object) yield `${phrase ?? object} in short`;
			break;
		case 'reasons': {
			const deed = deedOfKeyword(keyword);
			if (half(/\bmatters?\b/i)) yield 'why it matters';
			if (half(/\bwhy (?:do|does|is|are|did|we|i)\b/i) || half(/\bcauses?\b/i)) break;
			if (deed) yield `reasons to ${deed}`;
			else if (object) yield `reasons for ${object}`;
			if (phrase) yield `reasons for ${phrase}`;
			if (half(/\bworth\b/i)) yield 'whether it is worth it';
			break;
		}
		case 'choice':
			if (phrase && /ing$/.test(phrase)) yield `choosing a way of ${phrase}`;
			else if (phrase && isPlural(phrase)) yield `choosing ${phrase}`;
			else if (phrase && half(sayingIt(phrase))) yield `choosing ${withThe(phrase)}`;
			yield* ['which one to choose', 'choosing what suits'];
			break;
		case 'care':
			if (half(/\bwash|\bclean|\blaunder/i)) yield 'washing and care';
			if (half(/\bcar(?:e|ing)\b|\blook(?:ing)? after|\bmaint/i))
				yield* ['looking after it', 'care and upkeep'];
			if (half(/\brepair|\bmend|\bfix/i)) yield* ['repairs', 'mending it'];
			break;
		case 'rules':
			if (half(OF_LAW)) yield* [`rules and permission`, `what the rules say`];
			break;
		case 'time':
			yield* [`how long the work takes`, `the time it takes`];
			break;
	}
	if (half(/^(?:when|(?:the )?best time)\b/i)) yield* ['when to do it', 'the best time for it'];
	if (half(/\bspace\b|\broom (?:it|they|you|for)\b|\bhow (?:big|much room)\b/i))
		yield `the room it takes`;
	if (speaksOf('place')) yield bare ? `where to put ${bare}` : 'where to put it';
	if (speaksOf('hire') && phrase && !isPlural(phrase)) yield `finding a good ${phrase}`;
	if (speaksOf('sound')) yield `noise and sound`;
	if (speaksOf('season')) yield `through the seasons`;
	if (speaksOf('safety')) yield* [`staying safe`, `working safely`];
	if (speaksOf('comparison')) yield `the differences, side by side`;
	if (speaksOf('alternatives')) yield `other ways to do it`;
	if (speaksOf('storage')) yield* [`keeping and storing`, `how to store it`];
	if (speaksOf('history')) yield `where it comes from`;
	if (speaksOf('proof')) yield `what the tests say`;
}

/** Whether half of a topic's headings are worded so. */
function mostly({ headings }: Topic, pattern: RegExp): boolean {
	return headings.filter(({ text }) => pattern.test(text)).length * 2 >= headings.length;
}

/** What says a name by its last word, or "it". */
function sayingIt(name: string): RegExp {
	const head = shortName(name)
		.split(/\s+/)
		.at(-1)!
		.replace(/[^\p{L}\p{N}]/gu, '');
	return new RegExp(`\\b(?:${head.replace(/s$/, '')}s?|it|they|them)\\b`, 'i');
}

/** A verb as it goes with a name: "it costs", "they cost". */
function verb(name: string, plain: string): string {
	return isPlural(name) ? plain : `${plain}s`;
}
