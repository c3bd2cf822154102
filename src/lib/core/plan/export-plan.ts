import type { Findings } from '../findings';
import { writeCsv } from '../keywords';
import type { Plan, PlanSection } from './outline';

/** Names of pages and notes, by id. */
export type NameOf = (source: string) => string;

interface Said {
	readonly terms: string[];
	readonly questions: string[];
	readonly facts: string[];
	readonly notes: string[];
}

function saidIn(section: PlanSection, findings: Findings, nameOf: NameOf): Said {
	const terms = new Map(findings.terms.map((term) => [term.key, term]));
	const facts = new Map(findings.facts.map((fact) => [fact.id, fact]));
	const notes = new Map(findings.notePassages.map((passage) => [passage.id, passage]));
	const questions = new Map(findings.questions.map((question) => [question.id, question]));
	return {
		terms: section.terms.map(({ term, uses }) => {
			const phrase = terms.get(term)?.phrase ?? term;
			return uses > 1 ? `${phrase} ×${uses}` : phrase;
		}),
		questions: section.questions.map(({ question }) => questions.get(question)?.text ?? question),
		facts: section.facts.flatMap(({ fact }) => {
			const found = facts.get(fact);
			return found ? [`${found.text} (${nameOf(found.source)})`] : [];
		}),
		notes: section.notes.flatMap(({ note }) => {
			const found = notes.get(note);
			return found ? [`${found.text} (${nameOf(found.source)})`] : [];
		})
	};
}

/** The plan as Markdown: headings with budgets, kinds and what stands under each. */
export function planMarkdown(plan: Plan, findings: Findings, nameOf: NameOf): string {
	const lines = [
		`# ${plan.title}`,
		'',
		`- Title tag: ${plan.titleTag}`,
		`- Description: ${plan.description}`,
		`- Address: ${plan.slug}`,
		`- Exact keyword: ${findings.keyword}`,
		`- Words: ${plan.sections.reduce((sum, { budget }) => sum + budget, 0)}`
	];
	for (const section of plan.sections) {
		const said = saidIn(section, findings, nameOf);
		lines.push('');
		if (section.level > 1) lines.push(`${'#'.repeat(section.level)} ${section.heading}`, '');
		lines.push(`_${section.kind}, ${section.budget} words_`);
		if (said.terms.length > 0) lines.push('', `Terms: ${said.terms.join(', ')}`);
		for (const [name, entries] of [
			['Answer', said.questions],
			['Facts', said.facts],
			['From the notes', said.notes]
		] as const)
			if (entries.length > 0) lines.push('', `${name}:`, '', ...entries.map((text) => `- ${text}`));
	}
	return `${lines.join('\n')}\n`;
}

/**
 * The plan as a brief for another writer: what the article is, how it is laid out, and the rules
 * that hold for all of it, in the second person.
 */
export function writersBrief(
	plan: Plan,
	findings: Findings,
	nameOf: NameOf,
	{ reader, tone, mustNotSay }: { reader: string; tone: string; mustNotSay: readonly string[] }
): string {
	const must = findings.terms.filter(({ weight }) => weight === 'must');
	const rules = [
		`Write about ${findings.targetWords} words. Each section says how many of them are its own.`,
		`“${findings.keyword}” stands in the title, in the first 100 words and in one H2.`,
		`Use every term of a section in that section; ×2 means twice. No term more often than it wants.`,
		'Figures come from the facts listed. Where two sources differ, say so or ask.',
		'Write in your own words: nothing is taken over from the pages.',
		...(reader.trim() === '' ? [] : [`For whom: ${reader.trim()}`]),
		...(tone.trim() === '' ? [] : [`Tone: ${tone.trim()}`]),
		...(mustNotSay.length === 0 ? [] : [`Never say: ${mustNotSay.join('; ')}`])
	];
	return [
		`# Brief: ${plan.title}`,
		'',
		...rules.map((rule) => `- ${rule}`),
		'',
		`Terms that must stand somewhere: ${must.map(({ phrase, min, max }) => `${phrase} (${min === max ? min : `${min}–${max}`})`).join(', ')}`,
		'',
		'---',
		'',
		planMarkdown(plan, findings, nameOf)
	].join('\n');
}

/** One line for each placement: section, what is placed, how often, and why. */
export function planCsv(plan: Plan, findings: Findings, nameOf: NameOf): string {
	const terms = new Map(findings.terms.map((term) => [term.key, term]));
	const rows = plan.sections.flatMap((section, at) => {
		const row = (kind: string, text: string, uses: string, source: string, reason: string) => [
			String(at + 1),
			`H${section.level}`,
			section.level === 1 ? plan.title : section.heading,
			section.kind,
			String(section.budget),
			kind,
			text,
			uses,
			source,
			reason
		];
		const found = [
			...section.terms.map(({ term, uses, reason }) =>
				row('term', terms.get(term)?.phrase ?? term, String(uses), '', reason)
			),
			...section.questions.map(({ question, reason }) =>
				row(
					'question',
					findings.questions.find(({ id }) => id === question)?.text ?? question,
					'',
					'',
					reason
				)
			),
			...section.facts.map(({ fact, reason }) => {
				const of = findings.facts.find(({ id }) => id === fact);
				return row('fact', of?.text ?? fact, '', of ? nameOf(of.source) : '', reason);
			}),
			...section.notes.map(({ note, reason }) => {
				const of = findings.notePassages.find(({ id }) => id === note);
				return row('note', of?.text ?? note, '', of ? nameOf(of.source) : '', reason);
			})
		];
		return found.length > 0 ? found : [row('', '', '', '', '')];
	});
	return writeCsv([
		['number', 'level', 'heading', 'kind', 'words', 'placed', 'text', 'uses', 'source', 'reason'],
		...rows
	]);
}
