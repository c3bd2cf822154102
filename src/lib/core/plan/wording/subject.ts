import { type Findings, type Term, type Topic } from '../../findings';
import { contentStemsOf, keysOf, termKeyOf } from '../../text';
import { perFindings } from '../outline';
import { objectOf } from './phrases';

/**
 * What the sections of a topic are about: its strongest term that stands in its headings, apart
 * from the keyword's own words; null when its headings share none.
 */
export function subjectOf(topic: Topic, findings: Findings): Term | null {
	const known = subjectsIn(findings);
	let subject = known.get(topic.id);
	if (subject === undefined) known.set(topic.id, (subject = findSubject(topic, findings)));
	return subject;
}

/** Subjects of topics, by findings and topic; headings ask for those of all other topics. */
const subjectsIn = perFindings(() => new Map<string, Term | null>());

/** How a search begins that asks. */
const ASKS = /^(?:how|what|why|when|where|which|who|can|do|does|is|are|should)\s/i;

function findSubject(topic: Topic, findings: Findings): Term | null {
	// "Choosing the stone", "What seasoning means": that is often the keyword's own matter
	const apartFrom =
		topic.intent === 'choice'
			? ''
			: topic.intent === 'definition'
				? objectOf(findings.keyword)
				: findings.keyword;
	const own = new Set(contentStemsOf(apartFrom));
	const keyword = termKeyOf(findings.keyword);
	const keys = topic.headings.map(
		({ text }) =>
			` ${keysOf(text)
				.map(({ key }) => key)
				.join(' ')} `
	);
	let best: { term: Term; value: number } | null = null;
	for (const term of findings.terms) {
		if (contentStemsOf(term.phrase).every((stem) => own.has(stem))) continue;
		// whole searches name no thing: "how to build a dry stone wall step by step"
		if (ASKS.test(term.phrase) || ` ${term.key} `.includes(` ${keyword} `)) continue;
		const on = keys.filter((heading) => heading.includes(` ${term.key} `)).length;
		if (on === 0) continue;
		const value = on * (1 + 0.15 * (term.key.split(' ').length - 1)) * Math.log(1 + term.score);
		if (!best || value > best.value) best = { term, value };
	}
	return best?.term ?? null;
}
