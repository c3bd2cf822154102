import { docText } from '../../manuscript';
import type { Plan } from '../../plan';
import { countWords } from '../../text';
import {
	endsWhole,
	joinContinued,
	linesOfReply,
	readReply,
	type DroppedReason,
	type OriginOfSign
} from '../reply';
import { sourcesIn } from '../version';
import type { LeftOver, SectionRequest, Stop, Writer, WriterOutcome, WriterStep } from '../writer';
import type { ChatMessage, ChatServer } from './chat';

export interface EndpointWriterOptions {
	/** Id of the writer, as it is stored with its versions. */
	readonly id: string;
	readonly server: ChatServer;
	readonly plan: Plan;
	/** The whole request of a section as text. */
	readonly textOf: (request: SectionRequest) => string;
	readonly originOf: OriginOfSign;
	/** Resolves after so many milliseconds, or as soon as a stop is asked for. */
	readonly wait: (ms: number, stop: Stop) => Promise<void>;
	/** Told how many words have come of a section, and whether the server is waited for. */
	readonly onProgress?: (words: number, waitingMs: number) => void;
}

/** Times that a reply is continued, a busy server waited for, and a broken connection made anew. */
const MOST_CONTINUED = 6;
const MOST_WAITED = 4;
const MOST_MENDED = 2;

const GO_ON =
	'Go on exactly where you stopped, in the middle of the sentence if need be. Repeat nothing and say nothing else.';

const LEFT: Readonly<Record<DroppedReason, string>> = {
	chatter: 'said around the text',
	teaser: 'a teaser of what comes next',
	account: 'an account of terms or words',
	seam: 'a sign of being continued',
	wrapping: 'markup'
};

/**
 * Has a section written by a server: asks with the whole request, goes on where it was cut off, waits
 * when it is asked to, keeps what came when the connection breaks, and leaves out what is no part of the
 * section.
 */
export class EndpointWriter implements Writer {
	readonly id: string;
	readonly #options: EndpointWriterOptions;

	constructor(options: EndpointWriterOptions) {
		this.id = options.id;
		this.#options = options;
	}

	async *write(request: SectionRequest, stop: Stop): AsyncGenerator<WriterStep, WriterOutcome> {
		const { text, again, outcome } = await this.#ask(request, stop);
		const step = this.#read(text, again, request);
		if (step.blocks.length > 0 || (step.left?.length ?? 0) > 0) yield step;
		if (outcome.kind === 'done' && step.blocks.length === 0)
			return { kind: 'refused', reason: 'the reply held nothing for this section' };
		return outcome;
	}

	async #ask(
		request: SectionRequest,
		stop: Stop
	): Promise<{ text: string; again: string; outcome: WriterOutcome }> {
		const { server, wait, onProgress, textOf } = this.#options;
		const first: ChatMessage = { role: 'user', content: textOf(request) };
		let text = '';
		let again = '';
		let continued = 0;
		let waited = 0;
		let mended = 0;
		for (;;) {
			const messages: ChatMessage[] =
				text === ''
					? [first]
					: [first, { role: 'assistant', content: text }, { role: 'user', content: GO_ON }];
			let piece = '';
			const answer = server.ask({ messages }, stop);
			let next = await answer.next();
			while (!next.done) {
				piece += next.value;
				onProgress?.(countWords(text) + countWords(piece), 0);
				next = await answer.next();
			}
			if (text === '') text = piece;
			else if (piece !== '') {
				const joined = joinContinued(text, piece);
				text = joined.text;
				if (joined.again !== '') again = `${again} ${joined.again}`.trim();
			}
			const end = next.value;
			const over = (outcome: WriterOutcome) => ({ text, again, outcome });
			if (stop.aborted || end.kind === 'cancelled') return over({ kind: 'cancelled' });
			switch (end.kind) {
				case 'whole':
					return over({ kind: 'done' });
				case 'refused':
					return over(text.trim() === '' ? end : { kind: 'cut off' });
				case 'busy':
					if (++waited > MOST_WAITED)
						return over(
							text.trim() === ''
								? { kind: 'refused', reason: 'the server is busy and stays so; try again later' }
								: { kind: 'cut off' }
						);
					onProgress?.(countWords(text), end.waitMs);
					await wait(end.waitMs, stop);
					if (stop.aborted) return over({ kind: 'cancelled' });
					break;
				case 'length':
					// one that brings nothing new would go on for ever
					if (++continued > MOST_CONTINUED || piece.trim() === '') return over({ kind: 'cut off' });
					break;
				case 'broken':
					if (text.trim() !== '' && endsWhole(text) && piece !== '')
						return over({ kind: 'cut off' });
					if (++mended > MOST_MENDED)
						return over(
							text.trim() === ''
								? { kind: 'refused', reason: 'the connection broke before anything came' }
								: { kind: 'cut off' }
						);
					await wait(1000 * mended, stop);
					if (stop.aborted) return over({ kind: 'cancelled' });
			}
		}
	}

	#read(text: string, again: string, request: SectionRequest): WriterStep {
		const { plan, originOf } = this.#options;
		if (request.move === 'titles') return { blocks: linesOfReply(text), sources: [] };
		const { sections, dropped } = readReply(text, plan, {
			asked: [request.section],
			originOf
		});
		const mine = sections.filter(({ section }) => section === request.section);
		const blocks = mine.flatMap((one) => one.blocks);
		const left: LeftOver[] = [
			...dropped.map(({ text: gone, reason }) => ({ text: gone, reason: LEFT[reason] })),
			...(again === '' ? [] : [{ text: again, reason: 'said twice at a seam' }]),
			...sections
				.filter(({ section }) => section !== request.section)
				.map(({ heading, blocks: extra }) => ({
					text: [heading, ...extra.map(docText)].filter(Boolean).join('\n'),
					reason: 'not asked for'
				}))
		];
		return { blocks, sources: sourcesIn(blocks), left };
	}
}
