// What the core found, as the command line prints it.
import type { Findings, Question } from '../../src/lib/core/findings';
import type { EvidenceNote } from '../../src/lib/core/assignment';
import type { Reply } from '../../src/lib/core/writers';
import { readNoteUnits } from '../../src/lib/core/notes';
import { keptBlocksOf, judgePage, textOf, type Article } from '../../src/lib/core/pages';
import { conflictsIn, headingOf, proposePlan } from '../../src/lib/core/plan';
import { countWords } from '../../src/lib/core/text';

/** A page as it was cleaned. */
export function shownArticle(file: string, article: Article, keyword: string): object {
	const blocks = keptBlocksOf(article);
	const text = blocks.map(textOf).join('\n\n');
	const judged = judgePage(article, keyword);
	return {
		file,
		kind: 'cleaned',
		title: article.title,
		description: article.description,
		author: article.author,
		published: article.published,
		language: article.language,
		address: article.address,
		words: countWords(text),
		text,
		headings: blocks.flatMap((block) =>
			block.kind === 'heading' ? [{ level: block.level, text: block.text }] : []
		),
		lists: blocks.flatMap((block) =>
			block.kind === 'list' ? [{ ordered: block.ordered, items: block.items }] : []
		),
		tables: blocks.flatMap((block) =>
			block.kind === 'table' ? [{ header: block.header, rows: block.rows }] : []
		),
		figures: blocks.flatMap((block) =>
			block.kind === 'figure' ? [{ src: block.src, alt: block.alt, caption: block.caption }] : []
		),
		links: article.links,
		questions: blocks.flatMap((block) =>
			block.kind === 'answer' ? [{ question: block.question, answer: block.text }] : []
		),
		pageKind: judged.kind,
		fit: judged.fit,
		reasons: judged.reasons
	};
}

/** Findings with pages and notes named by their files. */
export function shownFindings(findings: Findings): Record<string, unknown> {
	return {
		targetWords: findings.targetWords,
		terms: findings.terms.map(
			({ phrase, weight, uses, min, max, places, position, company, score }) => ({
				term: phrase,
				weight,
				pages: uses.length,
				min,
				max,
				places,
				position: round(position),
				company,
				score: round(score),
				uses: uses.map(({ page, count, rate }) => ({ file: page, count, rate: round(rate) }))
			})
		),
		topics: findings.topics.map(({ label, pages, headings, level, position, words, parent }) => ({
			label,
			pages,
			level,
			position: round(position),
			words,
			parent: findings.topics.find(({ id }) => id === parent)?.label ?? null,
			headings: headings.map(({ page, level, text }) => ({ file: page, level, text }))
		})),
		questions: findings.questions.map(
			({ text, kind, pages, lists, wordings, answers, mayAnswer }) => ({
				question: text,
				kind,
				pages,
				lists,
				wordings,
				answers,
				mayAnswer
			})
		),
		facts: findings.facts.map(({ text, source, origin, quantities, terms }) => ({
			text,
			source,
			origin,
			quantities,
			terms
		})),
		figures: findings.figures
			.filter(({ values }) => values.length > 1)
			.map(({ label, unit, per, low, high, agreement, values }) => ({
				label,
				unit,
				per,
				low: round(low),
				high: round(high),
				agreement,
				values: values.map(({ source, origin, low: from, high: to }) => ({
					source,
					origin,
					low: round(from),
					high: round(to)
				}))
			})),
		noteTerms: findings.noteTerms.map(({ phrase }) => phrase),
		ownTopics: findings.ownTopics.map(({ label, at }) => ({
			label,
			sources: at.map(({ source }) => source)
		})),
		followUps: findings.followUps.map(({ text, kind, answers }) => ({
			question: text,
			kind,
			answers
		})),
		habits: findings.habits,
		shape: findings.shape
	};
}

/** A proposed plan with everything in its place, by its words. */
export function shownPlan(findings: Findings): Record<string, unknown> {
	const plan = proposePlan(findings);
	const terms = new Map(findings.terms.map((term) => [term.key, term]));
	return {
		title: plan.title,
		titleTag: plan.titleTag,
		description: plan.description,
		slug: plan.slug,
		sections: plan.sections.map((section) => ({
			level: section.level,
			heading: headingOf(plan, section),
			kind: section.kind,
			budget: section.budget,
			terms: section.terms.map(({ term, uses, reason }) => ({
				term: terms.get(term)?.phrase ?? term,
				min: uses,
				max: Math.max(uses, terms.get(term)?.max ?? uses),
				reason
			})),
			questions: section.questions.map(
				({ question }) => findings.questions.find(({ id }) => id === question)?.text ?? question
			),
			facts: section.facts.map(
				({ fact }) => findings.facts.find(({ id }) => id === fact)?.text ?? fact
			),
			notes: section.notes.map(
				({ note }) => findings.notePassages.find(({ id }) => id === note)?.text ?? note
			),
			conflicts: conflictsIn(section, findings).map(({ figure }) => ({
				figure: figure.label,
				low: figure.low,
				high: figure.high,
				unit: figure.unit
			}))
		})),
		unplaced: plan.unplaced.map(({ term, remedies, ...entry }) => ({
			term: terms.get(term)?.phrase ?? term,
			...entry,
			remedies: remedies.map((remedy) =>
				remedy.kind === 'words'
					? {
							...remedy,
							section:
								plan.sections.find(({ id }) => id === remedy.section)?.heading ?? remedy.section
						}
					: {
							...remedy,
							topic: findings.topics.find(({ id }) => id === remedy.topic)?.label ?? remedy.topic
						}
			)
		})),
		bound: round(plan.bound),
		value: round(plan.value)
	};
}

/** A question with what answers it, and what may. */
export function shownAnswers({ text, kind, answers, mayAnswer }: Question): object {
	return {
		question: text,
		kind,
		answers: [
			...answers.map((answer) => ({ file: answer.source, text: answer.text, sure: true })),
			...mayAnswer.map((answer) => ({ file: answer.source, text: answer.text, sure: false }))
		]
	};
}

/** To three decimals. */
export function round(value: number): number {
	return Math.round(value * 1000) / 1000;
}

/** A note as its headings and units, in its own order. */
export function shownNote(note: EvidenceNote) {
	const { title, speakers, units, headings } = readNoteUnits(note);
	const lines: {
		text: string;
		kind: string;
		speaker: string;
		heading: string;
		list: number | null;
		position: number | null;
		table: number | null;
	}[] = [];
	let next = 0;
	const addHeadings = (before: number) => {
		for (; next < headings.length && headings[next]!.before <= before; next++)
			lines.push({
				text: headings[next]!.text,
				kind: 'heading',
				speaker: '',
				heading: '',
				list: null,
				position: null,
				table: null
			});
	};
	units.forEach(({ text, kind, speaker, heading, list, position, table }, i) => {
		addHeadings(i);
		lines.push({
			text,
			kind,
			speaker,
			heading,
			list: list < 0 ? null : list,
			position: position === 0 ? null : position,
			table: table < 0 ? null : table
		});
	});
	addHeadings(units.length);
	return { file: note.id, title, speakers, lines };
}

/** A reply as it fits a plan. */
export function shownReply({ sections, missing, dropped }: Reply): Record<string, unknown> {
	const stateOf = ({ isCutOff, sure, also }: Reply['sections'][number]) =>
		isCutOff ? 'cut off' : also.length > 0 ? 'merged' : sure === 'same' ? 'whole' : 'renamed';
	return {
		sections: sections
			.filter(({ section }) => section !== null)
			.map((part) => ({
				heading: part.heading,
				section: part.section,
				words: part.words,
				state: stateOf(part),
				sure: part.sure,
				also: part.also,
				unbacked: part.unbacked
			})),
		missing,
		extra: sections
			.filter(({ section }) => section === null)
			.map(({ heading, words }) => ({ heading, words })),
		dropped
	};
}
