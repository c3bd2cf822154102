import type { Brief } from '../../brief';
import { docOf, markdownOf } from '../../manuscript';
import { headingOf, type Plan } from '../../plan';
import type { Move, SectionRequest } from '../writer';
import type { MaterialSigns } from './signs';
import { REQUEST_WORDING, wordRequest } from './wording';

/** What a request tells of the article beside its sections. */
export interface RequestSetting {
	readonly plan: Plan;
	readonly keyword: string;
	readonly words: number;
	readonly brief: Pick<
		Brief,
		'reader' | 'purpose' | 'form' | 'person' | 'tone' | 'grade' | 'callToAction' | 'mustSay'
	>;
	/** Who reads, where the brief does not say. */
	readonly audience: string;
	/** How the client sounds, measured; empty where nothing was. */
	readonly voice: string;
	/** A passage of the client's own; empty for none. */
	readonly sample: string;
	/** Of brief and client. */
	readonly mustNotSay: readonly string[];
	readonly signs: MaterialSigns;
	/** The client's own wording; empty: ours. */
	readonly wording: string;
}

/** What is asked for, by move. */
const TASKS: Readonly<Record<Move, string>> = {
	draft: 'Write it.',
	'another version': 'What stands there now is below. Say it another way; keep what it states.',
	lengthen:
		'What stands there now is below. Lengthen it to its words with what the material has and it lacks; give the whole section.',
	continue: 'What stands there now is below. Give only what comes after it.',
	shorten:
		'What stands there now is below. Shorten it to its words without losing a figure, a source or an answer; give the whole section.',
	answer: 'Answer the questions, each directly and in two to four sentences.',
	list: 'Give a list; explain each entry in a sentence or two.',
	table: 'Give a table with a row for each thing that is compared, and one sentence before it.',
	steps: 'Give numbered steps in the order in which they are done, one deed in each.',
	opening:
		'Write an opening: answer the search in the first two sentences, define the thing where that is wanted, and do not list what follows.',
	closing: 'Write a closing of two or three sentences: what to do first, then the call to action.',
	takeaways:
		'Give three to five takeaways as a list, each a full sentence with its figure where there is one.',
	faq: 'Give each question as a heading of level 3 with its answer below, two to four sentences each.',
	titles:
		'Give five lines each, as lists under these headings of level 3: “Titles” of at most 60 characters with the keyword early; “Descriptions” of 120 to 155 characters; “Headlines” for the page; “Lines under the headline”, one sentence each. Promise only what the outline and the material hold.',
	'work in terms':
		'What stands there now is below. Work in the terms that are still wanted where they fit, and change nothing else; give the whole section.'
};

/** The moves that need what stands already. */
const ON_TEXT: ReadonlySet<Move> = new Set([
	'another version',
	'lengthen',
	'continue',
	'shorten',
	'work in terms',
	'list',
	'table',
	'steps'
]);

/** Words of a sample that show a voice. */
const SAMPLE_CHARS = 900;

/** A whole request as text, for whoever writes: an endpoint, or an assistant in another window. */
export function requestText(
	requests: readonly SectionRequest[],
	{ plan, keyword, words, brief, ...rest }: RequestSetting
): string {
	const { audience, voice, sample, mustNotSay, signs, wording } = rest;
	const asked = new Set(requests.map(({ section }) => section));
	const hasClosing = requests.some(({ kind }) => kind === 'closing');
	return wordRequest(wording.trim() === '' ? REQUEST_WORDING : wording, {
		what:
			asked.size === plan.sections.length
				? 'the whole text'
				: asked.size === 1
					? 'one section'
					: `${asked.size} sections`,
		title: plan.title,
		keyword,
		words: `${words}`,
		reader: oneLine(brief.reader) || oneLine(audience),
		purpose: oneLine(brief.purpose),
		form: brief.form ?? '',
		voice: [
			brief.person ? `speaks as “${brief.person}”` : '',
			oneLine(brief.tone),
			voice,
			brief.grade === null ? '' : `reading grade ${brief.grade}`
		]
			.filter(Boolean)
			.join('; '),
		sample: sample.trim() === '' ? '' : `> ${oneLine(sample).slice(0, SAMPLE_CHARS)}`,
		action: hasClosing ? oneLine(brief.callToAction) : '',
		mustSay: brief.mustSay.join('; '),
		mustNotSay: mustNotSay.join('; '),
		outline: plan.sections
			.map(
				(section) =>
					`${asked.has(section.id) ? '→' : '-'} ${'#'.repeat(section.level)} ${headingOf(plan, section)}`
			)
			.join('\n'),
		sections: requests.map((request) => sectionText(request, signs)).join('\n\n')
	});
}

function sectionText(request: SectionRequest, signs: MaterialSigns): string {
	const { heading, level, kind, budget, move, terms, questions, facts, material, stands } = request;
	const cited = ({ id, text }: { readonly id: string; readonly text: string }) =>
		`- ${signs.has(id) ? `[${signs.get(id)!}] ` : ''}${oneLine(text)}`;
	const list = (name: string, lines: readonly string[]) =>
		lines.length === 0 ? [] : [`${name}:`, ...lines];
	const { before, after } = request.neighbours;
	const around = [
		before ? `after “${before}”` : 'at the start',
		after ? `before “${after}”` : 'at the end'
	].join(', ');
	return [
		`${'#'.repeat(level)} ${heading}`,
		'',
		move === 'titles'
			? TASKS.titles
			: `${TASKS[move]} Kind: ${kind}. About ${budget} words. It stands ${around}.`,
		...(request.isPassage
			? [
					'Only the passage of this section that stands below is asked for. Give what takes its place, and nothing else of the section.'
				]
			: []),
		...list(
			'Terms, with how often each is wanted',
			terms.length === 0
				? []
				: [`- ${terms.map(({ phrase, uses }) => `${phrase} ×${uses}`).join(', ')}`]
		),
		...list(
			'Questions to answer',
			questions.map(({ text }) => `- ${oneLine(text)}`)
		),
		...list('Material', material.map(cited)),
		...list('Figures of pages, to be cited and not copied', facts.map(cited)),
		...(ON_TEXT.has(move) && stands.length > 0
			? ['What stands there now:', '', quoted(markdownOf(docOf(stands)))]
			: [])
	].join('\n');
}

function quoted(text: string): string {
	return text
		.trim()
		.split('\n')
		.map((line) => `> ${line}`.trimEnd())
		.join('\n');
}

function oneLine(text: string): string {
	return text.replace(/\s+/g, ' ').trim();
}
