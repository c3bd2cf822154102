import { endsWhole } from '../reply';
import type { ChatMessage } from './chat';

/** What the stand-in does, by the name of its model. */
export const STAND_IN_MODELS = {
	'stand-in': 'composes from the request’s material',
	'stand-in-cuts-off': 'stops in the middle of a sentence, and goes on when asked',
	'stand-in-chatters': 'greets, offers more and counts its words',
	'stand-in-slow': 'takes its time',
	'stand-in-refuses': 'declines',
	'stand-in-forgets': 'leaves out every second section and adds one of its own',
	'stand-in-stuffs': 'says the terms again and again',
	'stand-in-busy': 'asks for patience first',
	'stand-in-breaks': 'breaks the connection halfway',
	'stand-in-whole': 'answers in one piece though a stream was asked for'
} as const;

export type StandInModel = keyof typeof STAND_IN_MODELS;

export function isStandInModel(model: string): model is StandInModel {
	return model in STAND_IN_MODELS;
}

/** In every reply, so that nobody takes it for a writer. */
export const STAND_IN_SAYS =
	'Composed by the stand-in that ships with the app, from the material of the request alone.';

/** Words after which the cut-off model stops. */
const CUT_AT = 45;

interface AskedSection {
	readonly heading: string;
	readonly budget: number;
	readonly terms: readonly string[];
	readonly questions: readonly string[];
	readonly material: readonly string[];
}

/**
 * A reply made of nothing but the request: under each heading its material, with the signs it came
 * with, as far as the words go. Equal messages give an equal reply.
 *
 * @returns the text, and whether it stopped before its end
 */
export function composeStandIn(
	messages: readonly ChatMessage[],
	model: StandInModel
): { readonly text: string; readonly isCutOff: boolean } {
	const request = messages.find(({ role }) => role === 'user')?.content ?? '';
	const before = messages
		.filter(({ role }) => role === 'assistant')
		.map(({ content }) => content)
		.join('');
	if (model === 'stand-in-refuses')
		return { text: 'I’m sorry, but I can’t help with that request.', isCutOff: false };
	if (request.includes(LINES_ASKED))
		return { text: `*${STAND_IN_SAYS}*\n\n${linesFrom(request)}`, isCutOff: false };
	const sections = sectionsAsked(request);
	const written = sections
		.filter((_, i) => model !== 'stand-in-forgets' || sections.length === 1 || i % 2 === 0)
		.map((section) => sectionOf(section, model));
	if (model === 'stand-in-forgets')
		written.push('## A thought of my own\n\nThis section was not asked for.');
	const whole = [
		...(model === 'stand-in-chatters'
			? ['Sure! Here is the text you asked for.', `*${STAND_IN_SAYS}*`]
			: [`*${STAND_IN_SAYS}*`]),
		...(written.length > 0
			? written
			: ['The request names no section, so there is nothing to write.']),
		...(model === 'stand-in-chatters'
			? ['Word count: 120', 'Let me know if you would like me to change anything!']
			: [])
	].join('\n\n');
	if (model !== 'stand-in-cuts-off') return { text: whole, isCutOff: false };
	const from = before === '' ? 0 : whole.indexOf(before.slice(-40)) + Math.min(40, before.length);
	const rest = whole.slice(Math.max(0, from));
	const words = [...rest.matchAll(/\S+/g)];
	if (words.length <= CUT_AT) return { text: rest, isCutOff: false };
	const last = words[CUT_AT - 1]!;
	const stop = last.index + last[0].length;
	const cut = endsWhole(rest.slice(0, stop)) ? stop + 4 : stop;
	return { text: rest.slice(0, cut), isCutOff: true };
}

/** Names the headings that a request for titles asks for. */
const LINES_ASKED = '“Titles”';

/** Titles and the like made of what the request says: its title and the headings of its outline. */
function linesFrom(request: string): string {
	const headings = [...request.matchAll(/^(?:→|-) ##+ (.+)$/gm)].map(([, text]) => text!);
	const title = /^(?:→|-) # (.+)$/m.exec(request)?.[1] ?? headings[0] ?? 'The article';
	const list = (name: string, make: (heading: string) => string) =>
		[`### ${name}`, '', ...headings.slice(0, 5).map((heading) => `- ${make(heading)}`)].join('\n');
	return [
		list('Titles', (heading) => `${title}: ${heading}`),
		list('Descriptions', (heading) => `${title}. This article treats: ${heading}.`),
		list('Headlines', (heading) => heading),
		list('Lines under the headline', (heading) => `What there is to know: ${heading}.`)
	].join('\n\n');
}

function sectionsAsked(request: string): AskedSection[] {
	const from = request.search(/^# To be written\s*$/m);
	const end = request.search(/^# Rules\s*$/m);
	const part = request.slice(from < 0 ? 0 : from, end < 0 ? undefined : end);
	const pieces = part.split(/^(?=#{1,4} )/m).filter((piece) => /About \d+ words/.test(piece));
	return pieces.map((piece): AskedSection => {
		const lines = piece.split('\n');
		const under = (name: string) => {
			const at = lines.findIndex((line) => line.startsWith(name));
			if (at < 0) return [];
			const rest = lines.slice(at + 1);
			const stop = rest.findIndex((line) => !line.startsWith('- '));
			return rest.slice(0, stop < 0 ? undefined : stop).map((line) => line.slice(2));
		};
		return {
			heading: lines[0]!.trim(),
			budget: Number(/About (\d+) words/.exec(piece)?.[1] ?? 100),
			terms: under('Terms')
				.join(', ')
				.split(', ')
				.map((term) => term.replace(/ ×\d+$/, ''))
				.filter(Boolean),
			questions: under('Questions'),
			material: under('Material')
		};
	});
}

function sectionOf(
	{ heading, budget, terms, material }: AskedSection,
	model: StandInModel
): string {
	const sentences: string[] = [];
	let words = 0;
	for (const line of material) {
		if (words >= budget) break;
		const sign = /^\[[^\]]+\]/.exec(line)?.[0] ?? '';
		const said = line
			.slice(sign.length)
			.trim()
			.replace(/[.!?]$/, '');
		if (said === '') continue;
		sentences.push(`${said}${sign === '' ? '' : ` ${sign}`}.`);
		words += said.split(/\s+/).length;
	}
	if (sentences.length === 0)
		sentences.push('[missing: the request brought no material for this section]');
	if (model === 'stand-in-stuffs')
		for (let i = 0; i < 3; i++)
			sentences.push(`${terms.join(', ')} matter, and so do ${terms.join(' and ')}.`);
	const paragraphs: string[] = [];
	for (let i = 0; i < sentences.length; i += 3)
		paragraphs.push(sentences.slice(i, i + 3).join(' '));
	return [heading, ...paragraphs].join('\n\n');
}
