import { quantitiesOf, type Findings, type Question, type Term } from '../findings';
import type { Plan, PlanSection } from '../plan';
import {
	closeWordsOf,
	docText,
	gap,
	heading,
	list,
	paragraph,
	textNode,
	type DocNode,
	type RunIndex,
	type TakeDoc
} from '../takes';
import {
	contentStemsOf,
	countWords,
	findTerms,
	indexTerms,
	termKeyOf,
	type TermIndex
} from '../text';
import { isOrder, Narrator, passagesOf, type DraftNote, type Passage } from './note-material';

/** What the built-in drafter works from. */
export interface DraftRequest {
	readonly plan: Plan;
	readonly findings: Findings;
	readonly notes: readonly DraftNote[];
	/** Runs of the counted pages; a sentence that stands in one is not used. */
	readonly runs: RunIndex;
	/** Names of pages for gaps, by id. */
	readonly pageNames: Readonly<Record<string, string>>;
	/** Phrases no sentence may hold: a passage with one is left out. */
	readonly mustNotSay?: readonly string[];
	/** What the closing asks of the reader, in the brief's own words. */
	readonly callToAction?: string;
}

/** Stands for the brief where a passage names its origin. */
export const BRIEF_ORIGIN = { source: 'brief', label: 'brief' } as const;

export interface SectionDraft {
	readonly section: string;
	/** Blocks under the heading, without it. */
	readonly blocks: readonly DocNode[];
	readonly words: number;
	/** Ids of the notes it drew on. */
	readonly sources: readonly string[];
}

/**
 * Drafts a whole article: every planned section gets its heading, the passages of the notes
 * that fit it best, and a marked gap where the notes are silent. Nothing is written that no
 * note says.
 */
export function draftArticle(request: DraftRequest): TakeDoc {
	const drafts = new Map(draftSections(request).map((draft) => [draft.section, draft]));
	const content: DocNode[] = [];
	for (const section of request.plan.sections) {
		if (section.level === 1) content.push(heading(1, request.plan.title, section.id));
		else content.push(heading(section.level, section.heading, section.id));
		content.push(...(drafts.get(section.id)?.blocks ?? []));
	}
	return { type: 'doc', content };
}

interface Fitted {
	readonly passage: Passage;
	readonly fit: number;
	readonly terms: ReadonlySet<string>;
}

/** Words beyond a budget that a section may take rather than cut a thought short. */
const OVERRUN = 1.2;
/** What it adds to the fit of a passage that the plan has placed in the section. */
const PLACED = 2;
/** Fit under which a passage says nothing to the section; set on the demo's notes. */
const LEAST_FIT = 0.9;

/** Drafts sections one by one; a passage is used once in the whole article. */
export function draftSections(request: DraftRequest, only?: ReadonlySet<string>): SectionDraft[] {
	const { plan, findings } = request;
	const index = indexTerms(findings.terms);
	const forbidden = indexTerms(
		(request.mustNotSay ?? [])
			.filter((phrase) => termKeyOf(phrase) !== '')
			.map((phrase) => ({ phrase, verbs: [] }))
	);
	const passages = passagesOf(request.notes).filter(({ sentences }) => {
		const text = sentences.join(' ');
		return closeWordsOf(text, request.runs) === 0 && findTerms(forbidden, text).length === 0;
	});
	const placed = placedIn(plan.sections, passages, findings);
	const fits = fitAll(plan.sections, passages, findings, { index, placed });
	const homes = new Map([...homesOf(plan.sections, fits), ...placed]);
	const taken = new Set<Passage>();
	const chosen = new Map<string, Passage[]>();
	const wanted = plan.sections.filter(({ id }) => !only || only.has(id));

	// answers to placed questions come first, wherever they stand, then each section's own best
	const answers = new Map<string, Passage>();
	for (const section of wanted) {
		for (const { question } of section.questions) {
			const asked = findings.questions.find(({ id }) => id === question);
			const answer =
				asked &&
				bestAnswer(
					asked,
					passages.filter((passage) => !taken.has(passage)),
					findings.keyword
				);
			if (!answer) continue;
			answers.set(question, answer);
			taken.add(answer);
		}
	}
	for (const round of ['own', 'any'] as const) {
		for (const section of wanted) {
			if (section.kind === 'faq') continue;
			const mine = chosen.get(section.id) ?? [];
			chosen.set(section.id, mine);
			const used = mine.reduce((sum, { words }) => sum + words, 0);
			const answered = section.questions.reduce(
				(sum, { question }) => sum + (answers.get(question)?.words ?? 0),
				0
			);
			const candidates = fits
				.get(section.id)!
				.filter(({ passage }) => round === 'any' || homes.get(passage) === section.id);
			choose(section, candidates, taken, mine, used + answered);
		}
	}
	return wanted.map((section) => {
		const blocks =
			section.kind === 'faq'
				? writeFaq(section, answers, request)
				: writeSection(section, chosen.get(section.id) ?? [], answers, request, index);
		const sources = [
			...(chosen.get(section.id) ?? []),
			...section.questions.flatMap(({ question }) => answers.get(question) ?? [])
		];
		return {
			section: section.id,
			blocks,
			words: blocks.reduce(
				(sum, block) => sum + (block.type === 'gap' ? 0 : countWords(docText(block))),
				0
			),
			sources: [...new Set(sources.map(({ note }) => note))]
		};
	});
}

function fitAll(
	sections: readonly PlanSection[],
	passages: readonly Passage[],
	findings: Findings,
	{ index, placed }: { index: TermIndex; placed: ReadonlyMap<Passage, string> }
): Map<string, Fitted[]> {
	const topics = new Map(findings.topics.map((topic) => [topic.id, topic]));
	const common = new Set(contentStemsOf(findings.keyword));
	const spread = new Map<string, number>();
	for (const { stems } of passages)
		for (const stem of new Set(stems)) spread.set(stem, (spread.get(stem) ?? 0) + 1);
	const rarity = (stem: string) =>
		common.has(stem) ? 0.2 : Math.log(1 + passages.length / (1 + (spread.get(stem) ?? 0))) / 2;
	const termsIn = passages.map(
		({ sentences }) =>
			new Set(findTerms(index, sentences.join(' ')).map(({ term }) => findings.terms[term]!.key))
	);
	const byKey = new Map(findings.terms.map((term) => [term.key, term]));
	return new Map(
		sections.map((section) => {
			const own = new Set(contentStemsOf(section.heading).filter((stem) => !common.has(stem)));
			const around = new Set(
				section.topics
					.flatMap((id) => topics.get(id)?.headings ?? [])
					.flatMap(({ text }) => contentStemsOf(text))
			);
			const wanted = new Map(section.terms.map((placement) => [placement.term, placement]));
			const fitted = passages.map((passage, p): Fitted => {
				let fit = 0;
				for (const key of termsIn[p]!) {
					const placement = wanted.get(key);
					if (placement) fit += placement.affinity * weightOf(byKey.get(key));
				}
				for (const stem of new Set(passage.stems)) {
					if (own.has(stem)) fit += 0.5 * rarity(stem);
					else if (around.has(stem)) fit += 0.2 * rarity(stem);
				}
				// the note's own heading says best what a passage is about
				const named = passage.headingStems.filter(
					(stem) => own.has(stem) || (around.has(stem) && !common.has(stem))
				).length;
				if (named > 0) fit += 1 + (1.5 * named) / passage.headingStems.length;
				if (section.kind === 'opening') fit = openingFit(passage, fit);
				if (placed.get(passage) === section.id) fit += PLACED;
				return { passage, fit, terms: termsIn[p]! };
			});
			return [section.id, fitted];
		})
	);
}

/** What is said where the plan wants it, by the passage: the section that has it as a note or as a fact. */
function placedIn(
	sections: readonly PlanSection[],
	passages: readonly Passage[],
	findings: Findings
): Map<Passage, string> {
	const notes = new Map(findings.notePassages.map((note) => [note.id, note]));
	const facts = new Map(findings.facts.map((fact) => [fact.id, fact]));
	const found = new Map<Passage, string>();
	for (const section of sections) {
		const wanted = [
			...section.notes.flatMap(({ note }) => notes.get(note) ?? []),
			...section.facts.flatMap(({ fact }) => facts.get(fact) ?? [])
		];
		for (const { source, text } of wanted) {
			const plain = spaced(text);
			for (const passage of passages) {
				if (passage.note !== source || found.has(passage)) continue;
				// a note is a paragraph with several passages, a fact one sentence of a passage
				const isPart = passage.sentences.some(
					(sentence) => plain.includes(spaced(sentence)) || spaced(sentence).includes(plain)
				);
				if (isPart) found.set(passage, section.id);
			}
		}
	}
	return found;
}

function spaced(text: string): string {
	return text.replace(/\s+/g, ' ').trim();
}

/** The section each passage fits best; in the first round no other may take it. */
function homesOf(
	sections: readonly PlanSection[],
	fits: ReadonlyMap<string, readonly Fitted[]>
): Map<Passage, string> {
	const best = new Map<Passage, { section: string; fit: number }>();
	for (const { id, kind } of sections) {
		if (kind === 'faq') continue;
		for (const { passage, fit } of fits.get(id) ?? []) {
			if (fit > (best.get(passage)?.fit ?? 0)) best.set(passage, { section: id, fit });
		}
	}
	return new Map([...best].map(([passage, { section }]) => [passage, section]));
}

function weightOf(term: Term | undefined): number {
	return term?.weight === 'must' ? 1 : term?.weight === 'should' ? 0.8 : 0.6;
}

/** An opening says what the thing is: early passages that define, never prices or single days. */
function openingFit(passage: Passage, fit: number): number {
	if (passage.voice.kind === 'visit') return 0;
	const defines =
		/\b(?:is|are|means)\b/.test(passage.sentences[0]!) &&
		/^(?:a|an|the)\s/i.test(passage.sentences[0]!);
	const isAboutIt = /\b(?:what|about|introduction|overview)\b/i.test(passage.heading);
	return fit * 0.5 + (defines && isAboutIt ? 4 : isAboutIt ? 2.2 : 0);
}

/**
 * Takes passages by fit, less what they repeat (maximal marginal relevance, Carbonell and
 * Goldstein 1998), until the budget is spent. In the first round only those that fit no other
 * section better.
 */
function choose(
	section: PlanSection,
	fitted: readonly Fitted[],
	taken: Set<Passage>,
	mine: Passage[],
	used: number
): void {
	let words = used;
	const candidates = fitted.filter(({ fit, passage }) => fit >= LEAST_FIT && !taken.has(passage));
	const have = new Set<string>();
	for (;;) {
		let best: Fitted | null = null;
		let most = LEAST_FIT * 0.8;
		for (const candidate of candidates) {
			if (
				taken.has(candidate.passage) ||
				words + candidate.passage.words > section.budget * OVERRUN
			)
				continue;
			const fresh = [...candidate.terms].filter((term) => !have.has(term)).length;
			const repeat =
				mine.length === 0 ? 0 : Math.max(...mine.map((other) => overlap(other, candidate.passage)));
			const near = mine.some(
				(other) =>
					other.note === candidate.passage.note && other.paragraph === candidate.passage.paragraph
			)
				? 0.35
				: 0;
			const value = candidate.fit + 0.15 * fresh + near - 2.5 * repeat;
			if (value > most) [best, most] = [candidate, value];
		}
		if (!best) return;
		taken.add(best.passage);
		mine.push(best.passage);
		for (const term of best.terms) have.add(term);
		words += best.passage.words;
		if (words >= section.budget) return;
	}
}

function overlap(a: Passage, b: Passage): number {
	const mine = new Set(a.stems);
	const shared = new Set(b.stems.filter((stem) => mine.has(stem))).size;
	return shared / Math.max(1, Math.min(mine.size, new Set(b.stems).size));
}

/** Words of measure that an answer replaces by its figure. */
const MEASURE_WORDS = new Set(
	contentStemsOf('far apart deep high wide thick long much many big large tall heavy strong often')
);

/**
 * The passage that answers a question, or null. A question after a figure wants one of its
 * kind; one told apart by a single word only counts as answered under a heading of that word.
 * No answer is better than a wrong one.
 */
function bestAnswer(
	question: Question,
	passages: readonly Passage[],
	keyword: string
): Passage | null {
	const common = new Set(contentStemsOf(keyword));
	const asked = [...new Set(contentStemsOf(question.text))].filter(
		(stem) => !common.has(stem) && !MEASURE_WORDS.has(stem)
	);
	const figure = figureWanted(question);
	if (asked.length === 0 && figure === null) return null;
	let best: Passage | null = null;
	let most = 0.6;
	for (const passage of passages) {
		const text = passage.sentences.join(' ');
		if (figure !== null && !quantitiesOf(text).some(({ kind }) => figure.includes(kind))) continue;
		const inText = asked.filter((stem) => passage.stems.includes(stem)).length;
		const inHeading = asked.filter(
			(stem) => !passage.stems.includes(stem) && passage.headingStems.includes(stem)
		).length;
		const named = asked.some((stem) => passage.headingStems.includes(stem));
		if (asked.length > 0 && inText === 0) continue;
		if (figure === null && inText < 2 && !named) continue;
		const about =
			[...common].filter((stem) => passage.stems.includes(stem)).length / Math.max(1, common.size);
		const value =
			(asked.length === 0 ? 0.5 : (inText + 0.7 * inHeading) / asked.length) +
			0.15 * about +
			(named ? 0.2 : 0) +
			(passage.voice.kind === 'visit' ? -0.15 : 0);
		if (value > most) [best, most] = [passage, value];
	}
	return best;
}

function figureWanted({ kind, text }: Question): readonly string[] | null {
	if (kind === 'cost') return ['money'];
	if (kind === 'time') return ['time'];
	if (/\bhow (?:much|many)\b/i.test(text)) return ['measure', 'count', 'share', 'ratio'];
	if (/\bhow (?:deep|high|wide|far|thick|tall|big|large|heavy)\b/i.test(text))
		return ['measure', 'ratio'];
	return null;
}

function writeSection(
	section: PlanSection,
	mine: readonly Passage[],
	answers: ReadonlyMap<string, Passage>,
	request: DraftRequest,
	index: TermIndex
): DocNode[] {
	const first = section.questions.flatMap(({ question }) => answers.get(question) ?? []);
	const rest = [...mine].sort((a, b) => a.at - b.at);
	const narrator = new Narrator();
	const blocks: DocNode[] = [];
	const steps =
		section.kind === 'steps' ? rest.filter(({ sentences }) => isOrder(sentences[0]!)) : [];
	const asList = steps.length >= 3 ? steps : [];
	blocks.push(
		...paragraphs(
			[...first, ...rest.filter((passage) => !asList.includes(passage))],
			section,
			narrator
		)
	);
	if (asList.length > 0) {
		blocks.push(
			list(
				true,
				asList.map((passage) =>
					narrator.speak(passage).flatMap((text, i) => sentenceNodes(text, passage, i))
				)
			)
		);
	}
	if (section.kind === 'opening') blocks.splice(1, 0, paragraph(textNode(whatFollows(request))));
	const asks = request.callToAction?.trim() ?? '';
	if (section.kind === 'closing' && asks !== '')
		blocks.push(paragraph(textNode(asks.replace(/\s+/g, ' '), BRIEF_ORIGIN)));
	const missing = gapFor(section, blocks, answers, request, index);
	if (missing !== null) blocks.push(gap(missing));
	return blocks;
}

/** The exact keyword and the order of the article, in one sentence near its start. */
function whatFollows({ plan, findings }: DraftRequest): string {
	const keyword = findings.keyword.trim();
	const parts = plan.sections
		.filter(({ level, kind }) => level === 2 && kind !== 'faq' && kind !== 'closing')
		.map(({ heading }) => heading)
		.filter((heading) => !heading.toLowerCase().includes(keyword.toLowerCase()))
		.map((heading) => heading[0]!.toLowerCase() + heading.slice(1));
	const opens = keyword[0]!.toUpperCase() + keyword.slice(1);
	return parts.length === 0 ? `${opens}, in order.` : `${opens}, in order: ${joinNames(parts)}.`;
}

/** Passages as paragraphs: those of one note paragraph stay together, short neighbours are joined. */
function paragraphs(
	passages: readonly Passage[],
	section: PlanSection,
	narrator: Narrator
): DocNode[] {
	// the exact keyword follows the first paragraph of an opening and must stand in the first 100 words
	const most = section.kind === 'opening' ? 60 : 95;
	const blocks: DocNode[] = [];
	let run: DocNode[] = [];
	let words = 0;
	let last: Passage | null = null;
	let listed = false;
	const flush = () => {
		if (run.length > 0) blocks.push(paragraph(...joinRuns(run)));
		run = [];
		words = 0;
	};
	for (const passage of passages) {
		const joins =
			last !== null &&
			last.note === passage.note &&
			last.heading === passage.heading &&
			words + passage.words <= most;
		const mayJoin = last !== null && last.note === passage.note && words < 30;
		if (!joins && !mayJoin) flush();
		const sentences = narrator.speak(passage);
		const items = section.kind === 'list' && !listed ? itemsOf(sentences[0]!) : null;
		if (items) {
			flush();
			blocks.push(paragraph(textNode(`${items.lead}:`, originOf(passage))));
			blocks.push(
				list(
					false,
					items.items.map((item) => [textNode(item, originOf(passage))])
				)
			);
			listed = true;
			sentences.shift();
		}
		for (const sentence of sentences) {
			run.push(...sentenceNodes(sentence, passage, run.length));
			words += countWords(sentence);
		}
		last = passage;
	}
	flush();
	return blocks;
}

/** Neighbouring sentences of one origin as one run, so that its sign stands once behind them. */
function joinRuns(nodes: readonly DocNode[]): DocNode[] {
	const joined: DocNode[] = [];
	for (const node of nodes) {
		const last = joined.at(-1);
		const isSpace = node.text === ' ' && !node.marks;
		if (last && (isSpace || sourceOf(last) === sourceOf(node)))
			joined[joined.length - 1] = { ...last, text: `${last.text}${node.text}` };
		else joined.push(node);
	}
	return joined;
}

function sourceOf({ marks }: DocNode): unknown {
	return marks?.find(({ type }) => type === 'origin')?.attrs?.source;
}

function sentenceNodes(text: string, passage: Passage, before: number): DocNode[] {
	const node = textNode(text, originOf(passage));
	return before === 0 ? [node] : [textNode(' '), node];
}

function originOf({ note, label }: Passage): { source: string; label: string } {
	return { source: note, label };
}

/** "You need a hammer, two frames, a spade and a bucket." → what stands before the list, and its items. */
function itemsOf(sentence: string): { lead: string; items: string[] } | null {
	const match = /^(.{3,60}?\b(?:need|needs|include|includes|are|bring|buy|have))\s+(.+?)[.]$/.exec(
		sentence
	);
	if (!match) return null;
	const items = match[2]!
		.split(/,\s+(?:and\s+)?|\s+and\s+(?=(?:a|an|two|three|four|some)\s)/)
		.map((item) => item.trim());
	return items.length >= 4 && items.every((item) => countWords(item) <= 8)
		? { lead: match[1]!, items }
		: null;
}

function writeFaq(
	section: PlanSection,
	answers: ReadonlyMap<string, Passage>,
	{ findings, pageNames }: DraftRequest
): DocNode[] {
	return section.questions.flatMap(({ question }): DocNode[] => {
		const asked = findings.questions.find(({ id }) => id === question);
		if (!asked) return [];
		const answer = answers.get(question);
		const head = heading(3, asked.text);
		if (answer)
			return [
				head,
				paragraph(
					...joinRuns(
						new Narrator().speak(answer).flatMap((text, i) => sentenceNodes(text, answer, i))
					)
				)
			];
		return [head, gap(`None of your notes answers this. ${whoAnswers(asked, pageNames)}`.trim())];
	});
}

function whoAnswers({ answers }: Question, pageNames: Readonly<Record<string, string>>): string {
	const names = [...new Set(answers.flatMap(({ source }) => pageNames[source] ?? []))];
	return names.length === 0
		? 'No page answers it either: you would be the first.'
		: `${joinNames(names)} ${names.length === 1 ? 'has' : 'have'} an answer to check and cite.`;
}

/** What a section still lacks, in words, or null when its budget is nearly met and all is answered. */
function gapFor(
	section: PlanSection,
	blocks: readonly DocNode[],
	answers: ReadonlyMap<string, Passage>,
	{ findings, pageNames }: DraftRequest,
	index: TermIndex
): string | null {
	const text = blocks.map(docText).join('\n');
	const words = countWords(text);
	const said: string[] = [];
	for (const { question } of section.questions) {
		const asked = findings.questions.find(({ id }) => id === question);
		if (asked && !answers.has(question))
			said.push(`${asked.text} None of your notes says. ${whoAnswers(asked, pageNames)}`);
	}
	if (section.kind === 'closing' && words === 0) {
		said.push(
			'Say in two or three sentences what the reader should do first; the notes hold nothing to close with.'
		);
	} else if (words < 0.6 * section.budget) {
		const used = new Set(
			text
				.split('\n')
				.flatMap((line) => findTerms(index, line))
				.map(({ term }) => findings.terms[term]!.key)
		);
		const absent = section.terms
			.filter(({ term }) => !used.has(term))
			.map(({ term }) => findings.terms.find(({ key }) => key === term)?.phrase ?? term);
		const missing = Math.max(0, section.budget - words);
		const about =
			absent.length > 0 ? `Find out about ${joinNames(absent.slice(0, 4))}` : `Find out more`;
		said.push(`${about}: your notes fall about ${Math.ceil(missing / 10) * 10} words short here.`);
		const page = section.facts
			.flatMap(
				({ fact }) =>
					findings.facts.find(
						({ id, origin, quantities }) =>
							id === fact && origin === 'page' && quantities.length > 0
					) ?? []
			)
			.slice(0, 2)
			.map((fact) => `${pageNames[fact.source] ?? 'a page'} gives ${fact.quantities[0]!.text}`);
		if (page.length > 0) said.push(`To check: ${page.join('; ')}.`);
	}
	return said.length === 0 ? null : said.join(' ');
}

function joinNames(names: readonly string[]): string {
	return names.length < 2
		? (names[0] ?? '')
		: `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
