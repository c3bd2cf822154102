import type { Findings } from '../findings';
import { writeCsv } from '../keywords';
import { plannedWords, type Plan, type PlanSection } from './outline';

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

/** A part of a document to hand over, in no file format yet. */
export type DocumentPart =
	| { readonly kind: 'heading'; readonly level: 1 | 2 | 3 | 4; readonly text: string }
	| { readonly kind: 'aside'; readonly text: string }
	| { readonly kind: 'paragraph'; readonly text: string }
	| { readonly kind: 'rule' }
	| { readonly kind: 'list'; readonly entries: readonly string[] };

/** The plan as a document: headings with budgets, kinds and what stands under each. */
export function planDocument(plan: Plan, findings: Findings, nameOf: NameOf): DocumentPart[] {
	return [
		{ kind: 'heading', level: 1, text: plan.title },
		{
			kind: 'list',
			entries: [
				`Title tag: ${plan.titleTag}`,
				`Description: ${plan.description}`,
				`Address: ${plan.slug}`,
				`Exact keyword: ${findings.keyword}`,
				`Words: ${plannedWords(plan.sections)}`
			]
		},
		...plan.sections.flatMap((section): DocumentPart[] => {
			const said = saidIn(section, findings, nameOf);
			const lists = [
				['Answer', said.questions],
				['Facts', said.facts],
				['From the notes', said.notes]
			] as const;
			return [
				...(section.level > 1
					? [{ kind: 'heading', level: section.level, text: section.heading } as const]
					: []),
				{ kind: 'aside', text: `${section.kind}, ${section.budget} words` },
				...(said.terms.length > 0
					? [{ kind: 'paragraph', text: `Terms: ${said.terms.join(', ')}` } as const]
					: []),
				...lists.flatMap(([name, entries]): DocumentPart[] =>
					entries.length === 0
						? []
						: [
								{ kind: 'paragraph', text: `${name}:` },
								{ kind: 'list', entries }
							]
				)
			];
		})
	];
}

/** What a brief for another writer says of the article as a whole. */
export interface BriefRules {
	readonly reader: string;
	readonly tone: string;
	readonly mustNotSay: readonly string[];
}

/**
 * The plan as a brief for another writer: what the article is, how it is laid out, and the rules
 * that hold for all of it, in the second person.
 */
export function briefDocument(
	plan: Plan,
	findings: Findings,
	nameOf: NameOf,
	{ reader, tone, mustNotSay }: BriefRules
): DocumentPart[] {
	const must = findings.terms
		.filter(({ weight }) => weight === 'must')
		.map(({ phrase, min, max }) => `${phrase} (${min === max ? min : `${min}–${max}`})`);
	return [
		{ kind: 'heading', level: 1, text: `Brief: ${plan.title}` },
		{
			kind: 'list',
			entries: [
				`Write about ${findings.targetWords} words. Each section says how many of them are its own.`,
				`“${findings.keyword}” stands in the title, in the first 100 words and in one H2.`,
				`Use every term of a section in that section; ×2 means twice. No term more often than it wants.`,
				'Figures come from the facts listed. Where two sources differ, say so or ask.',
				'Write in your own words: nothing is taken over from the pages.',
				...(reader.trim() === '' ? [] : [`For whom: ${reader.trim()}`]),
				...(tone.trim() === '' ? [] : [`Tone: ${tone.trim()}`]),
				...(mustNotSay.length === 0 ? [] : [`Never say: ${mustNotSay.join('; ')}`])
			]
		},
		{ kind: 'paragraph', text: `Terms that must stand somewhere: ${must.join(', ')}` },
		{ kind: 'rule' },
		...planDocument(plan, findings, nameOf)
	];
}

/** A document as Markdown. */
export function documentMarkdown(parts: readonly DocumentPart[]): string {
	const written = parts.map((part) => {
		switch (part.kind) {
			case 'heading':
				return `${'#'.repeat(part.level)} ${part.text}`;
			case 'aside':
				return `_${part.text}_`;
			case 'paragraph':
				return part.text;
			case 'rule':
				return '---';
			case 'list':
				return part.entries.map((entry) => `- ${entry}`).join('\n');
		}
	});
	return `${written.join('\n\n')}\n`;
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
