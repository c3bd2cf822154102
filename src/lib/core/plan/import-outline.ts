import type { Findings } from '../findings';
import { withBudgets, newSection, type Plan, type PlanSection, headingRefsOf } from './outline';
import { topicMatcher } from './placement';
import { type SectionKind } from '../brief';
import { basisOf } from './propose';
import { titlesFor } from './wording';

/** A heading that was brought in; 1 is the title. */
export interface OutlineHeading {
	readonly level: number;
	readonly text: string;
}

/** Most headings that are taken; what comes after is no outline any more. */
const MOST_HEADINGS = 200;
const LONGEST = 300;

/**
 * Reads an outline from plain text: Markdown headings, or a list that is indented, numbered ("2.1")
 * or marked ("H2: …", "- …"). Lines that are neither are left out where there are headings; a text
 * without any mark gives one section for each line.
 */
export function readOutline(text: string): OutlineHeading[] {
	const lines = text
		.split(/\r?\n/)
		.map((line) => line.replace(/\t/g, '    ').trimEnd())
		.filter((line) => line.trim() !== '');
	const marked = lines.flatMap((line) => {
		const heading = /^ {0,3}(#{1,6})\s+(.+?)\s*#*$/.exec(line);
		if (heading) return [{ level: heading[1]!.length, text: heading[2]! }];
		const named = /^\s*(?:[-*•]\s*)?<?h([1-6])>?\s*[:.)\-–]?\s*(.+?)(?:<\/h[1-6]>)?$/i.exec(line);
		return named ? [{ level: Number(named[1]), text: named[2]! }] : [];
	});
	const found = marked.length > 0 ? marked : readList(lines);
	return found
		.map(({ level, text: raw }) => ({ level, text: plainText(raw).slice(0, LONGEST) }))
		.filter(({ text: plain }) => plain !== '')
		.slice(0, MOST_HEADINGS);
}

/** Entries of a list: depth by numbers such as "2.1", else by indentation. */
function readList(lines: readonly string[]): OutlineHeading[] {
	const depths = [...new Set(lines.map((line) => /^ */.exec(line)![0].length))].sort(
		(a, b) => a - b
	);
	return lines.map((line) => {
		const numbered = /^\s*((?:\d{1,2}\.)+\d{0,2}|\d{1,2}[.)])\s+/.exec(line);
		const parts = numbered ? numbered[1]!.split('.').filter((part) => /\d/.test(part)).length : 0;
		const depth = parts > 1 ? parts - 1 : depths.indexOf(/^ */.exec(line)![0].length);
		return {
			level: 2 + Math.max(0, depth),
			text: line.trim().replace(/^(?:[-*•+]|(?:\d{1,2}\.)+\d{0,2}|\d{1,2}[.)]|[a-z][.)])\s+/i, '')
		};
	});
}

/** Text without the marks of Markdown or HTML. */
function plainText(text: string): string {
	return text
		.replace(/<[^>]{1,200}>/g, '')
		.replace(/!?\[([^\]]*)\]\([^)]*\)/g, '$1')
		.replace(/(\*\*|__|`)/g, '')
		.replace(/(^|\s)[*_](\S[^*_]*)[*_](?=\s|$)/g, '$1$2')
		.replace(/\s+/g, ' ')
		.trim();
}

const FAQ =
	/^(?:faqs?\b|frequently asked|common questions|questions? (?:and|&) answers|q\s?&\s?a)/i;
const CLOSING =
	/^(?:conclusions?|summary|final (?:thoughts|words?)|wrapping up|where to start|next steps?)\b/i;
const TAKEAWAYS =
	/^(?:key (?:takeaways?|facts|points)|takeaways|at a glance|the main points|in brief)\b/i;

/**
 * A plan of the writer's own outline: its headings as they are, each with the topics it speaks of,
 * budgets from what pages spend on them, and nothing placed yet. A single H1 gives the title.
 */
export function planOfOutline(headings: readonly OutlineHeading[], findings: Findings): Plan {
	const h1 = headings.filter(({ level }) => level === 1);
	const title = h1.length === 1 ? h1[0]!.text : null;
	const rest = title === null ? headings : headings.filter(({ level }) => level > 1);
	// an outline of H1s alone, or one that begins at H3, is lifted to where sections begin
	const top = Math.min(...rest.map(({ level }) => level), 6);
	const match = topicMatcher(findings);
	const opening: PlanSection = {
		...newSection('section:1', 'Opening', 0),
		level: 1,
		kind: 'opening',
		position: 0
	};
	const sections = rest.map(({ level, text }, i): PlanSection => {
		const depth = Math.min(4, Math.max(2, level - top + 2)) as 2;
		const section = newSection(`section:${i + 2}`, text, 0, depth);
		const kind: SectionKind = FAQ.test(text)
			? 'faq'
			: CLOSING.test(text)
				? 'closing'
				: TAKEAWAYS.test(text)
					? 'takeaways'
					: 'explanation';
		if (kind !== 'explanation') return { ...section, kind };
		const best = match(text)[0];
		if (!best) return { ...section, kind: text.endsWith('?') ? 'question' : kind };
		const { topic } = best;
		return {
			...section,
			kind:
				topic.formats.steps >= 0.34
					? 'steps'
					: topic.formats.table >= 0.34
						? 'comparison'
						: text.endsWith('?')
							? 'question'
							: kind,
			topics: [topic.id],
			headings: headingRefsOf([topic]),
			intent: topic.intent,
			position: topic.position
		};
	});
	const budgeted = withBudgets([opening, ...sections], findings);
	return {
		...titlesFor(findings, budgeted),
		...(title === null ? {} : { title }),
		sections: budgeted,
		value: 0,
		bound: 0,
		unplaced: [],
		confined: {},
		dismissed: {},
		basis: basisOf(findings)
	};
}
