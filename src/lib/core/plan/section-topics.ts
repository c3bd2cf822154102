import type { Findings, Topic } from '../findings';
import type { PlanSection } from './outline';

/**
 * The topics of the findings that a section treats: by their ids, and where the evidence has
 * changed by the headings pages gave them.
 */
export function topicsOf(
	section: Pick<PlanSection, 'topics' | 'headings'>,
	{ topics }: Findings
): Topic[] {
	const wanted = new Set(section.topics);
	const found = topics.filter(({ id }) => wanted.has(id));
	if (found.length > 0 || section.headings.length === 0) return found;
	const refs = new Set(section.headings);
	return topics.filter(
		({ headings }) => headings.filter(({ ref }) => refs.has(ref)).length * 2 >= headings.length
	);
}

/** Names of the headings of topics, by which a section finds them again. */
export function headingRefsOf(topics: readonly Topic[]): string[] {
	return topics.flatMap(({ headings }) => headings.map(({ ref }) => ref));
}
