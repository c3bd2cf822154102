import { EFFORT_RULES } from '../../brief';
import type { Findings } from '../../findings';
import { contentStemsOf, countWords, keywordStemsOf, stemsInOrder } from '../../text';
import { containsTerm } from './contains';
import { type PlanSection, perFindings } from '../outline';
import { plainOf } from './phrases';

/** What is questionable about the wording of a heading. */
export interface HeadingIssue {
	readonly kind:
		| 'empty'
		| 'close'
		| 'teasing'
		| 'negative'
		| 'vague'
		| 'long'
		| 'repeated'
		| 'level'
		| 'keyword';
	readonly text: string;
}

/** Words from which a heading is a sentence. */
const MOST_WORDS = 12;

/** Share of a page's heading that ours may repeat in the same order, from three words beside the keyword's on. */
const CLOSE_AT = 0.8;
const LEAST_OWN = 3;

const TEASING =
	/\b(?:you won['’]t believe|secrets?|shocking|must-know|what nobody tells you|no one tells you|this one (?:trick|thing)|will (?:amaze|surprise) you|the truth about|surprising|mind-blowing|game.?changer)\b|\.{3}$|…$|!$/i;
const NEGATIVE =
	/\b(?:never|don['’]t|do not|avoid (?:these|this)|worst|stop (?:doing|making)|fail(?:ing|ure)?s?|disasters?|ruin(?:s|ed|ing)?)\b/i;
const VAGUE =
	/^(?:introduction|intro|overview|more(?: information| details| on .*)?|other (?:things|points|information)|miscellaneous|general(?: information)?|things to (?:know|consider)|considerations|details|about .*|final thoughts|conclusion|part \d+|section \d+|a new section)$/i;

/** Checks the wording of a heading among those of the other sections. */
type HeadingCheck = (heading: string, others: readonly string[]) => HeadingIssue[];

/** Makes the check for one set of findings; headings of pages are read once. */
export const headingChecker = perFindings((findings): HeadingCheck => {
	// the keyword's words are everybody's
	const common = keywordStemsOf(findings.keyword);
	const ownStems = (text: string) => contentStemsOf(text).filter((stem) => !common.has(stem));
	const theirs = findings.topics.flatMap(({ headings }) =>
		headings.map(({ text }) => ({ text, plain: plainOf(text), stems: ownStems(text) }))
	);
	return (heading, others) => {
		const plain = plainOf(heading);
		if (plain === '') return [{ kind: 'empty', text: 'This section has no heading.' }];
		const issues: HeadingIssue[] = [];
		const add = (kind: HeadingIssue['kind'], text: string) => issues.push({ kind, text });
		const words = countWords(heading);
		const stems = ownStems(heading);
		const close =
			words <= 3
				? undefined
				: theirs.find(
						(other) =>
							other.plain === plain ||
							(other.stems.length >= LEAST_OWN &&
								stems.length >= LEAST_OWN &&
								stemsInOrder(stems, other.stems) >=
									CLOSE_AT * Math.max(stems.length, other.stems.length))
					);
		if (close) add('close', `“${heading}” is worded like a page’s “${close.text}”.`);
		if (TEASING.test(heading))
			add('teasing', `“${heading}” teases: say what the reader will find.`);
		if (NEGATIVE.test(heading))
			add('negative', `“${heading}” forbids or frightens: say what to do instead.`);
		if (VAGUE.test(heading.trim()))
			add('vague', `“${heading}” could stand over anything: name what the section is about.`);
		if (words > MOST_WORDS) add('long', `“${heading}” has ${words} words: a heading needs fewer.`);
		if (others.some((other) => plainOf(other) === plain))
			add('repeated', `“${heading}” stands twice.`);
		return issues;
	};
});

/** Why a heading stands too deep under the one above it; null when it does not. */
export function levelIssue(sections: readonly PlanSection[], at: number): HeadingIssue | null {
	const { level, heading } = sections[at]!;
	const above = sections[at - 1]?.level ?? 1;
	return level <= above + 1
		? null
		: { kind: 'level', text: `“${heading}” skips a level: an H${level} under an H${above}.` };
}

/**
 * What is questionable about a heading as it is being typed: its wording, its level, and whether
 * an H2 that held the exact keyword would be the last one to lose it.
 */
export function headingIssues(
	typed: string,
	{ id, sections }: { readonly id: string; readonly sections: readonly PlanSection[] },
	findings: Findings
): HeadingIssue[] {
	const at = sections.findIndex((section) => section.id === id);
	const section = sections[at];
	if (!section || section.level === 1) return [];
	const others = sections.filter((other) => other.id !== id && other.level > 1);
	const issues = headingChecker(findings)(
		typed,
		others.map(({ heading }) => heading)
	);
	const level = levelIssue(sections.with(at, { ...section, heading: typed }), at);
	if (level) issues.push(level);
	const { keyword, effort } = findings;
	const held = section.level === 2 && containsTerm(section.heading, keyword);
	const h2s = [typed, ...others.filter((other) => other.level === 2).map(({ heading }) => heading)];
	if (
		held &&
		EFFORT_RULES[effort].keywordPlaces.includes('h2') &&
		!h2s.some((text) => containsTerm(text, keyword))
	)
		issues.push({ kind: 'keyword', text: `No H2 would hold “${keyword}”.` });
	return issues;
}
