import type { Findings, Topic } from '../../findings';
import type { PlanSection } from './outline';
import { perFindings } from './per-findings';

/** Topics by their id, and those that have a heading by its name. */
const known = perFindings(({ topics }: Findings) => {
	const byRef = new Map<string, Topic[]>();
	for (const topic of topics)
		for (const { ref } of topic.headings) byRef.set(ref, [...(byRef.get(ref) ?? []), topic]);
	return { byId: new Map(topics.map((topic) => [topic.id, topic])), byRef };
});

/**
 * The topics of the findings that a section treats: by their ids, and where the evidence has
 * changed by the headings pages gave them. The one it is named after comes first.
 */
export function topicsOf(
	section: Pick<PlanSection, 'topics' | 'headings'>,
	findings: Findings
): Topic[] {
	const { byId, byRef } = known(findings);
	const found = new Set(section.topics.flatMap((id) => byId.get(id) ?? []));
	if (found.size === 0) {
		const refs = new Set(section.headings);
		for (const topic of section.headings.flatMap((ref) => byRef.get(ref) ?? []))
			if (topic.headings.filter(({ ref }) => refs.has(ref)).length * 2 >= topic.headings.length)
				found.add(topic);
	}
	return [...found];
}

/** Names of the headings of topics, by which a section finds them again. */
export function headingRefsOf(topics: readonly Topic[]): string[] {
	return topics.flatMap(({ headings }) => headings.map(({ ref }) => ref));
}

/** Several topics as one: all their headings, the rest as the first has it; null for none. */
export function joinedTopic(topics: readonly Topic[]): Topic | null {
	const [first, ...more] = topics;
	if (!first || more.length === 0) return first ?? null;
	const headings = topics.flatMap((topic) => topic.headings);
	return { ...first, headings, pages: [...new Set(topics.flatMap(({ pages }) => pages))] };
}
