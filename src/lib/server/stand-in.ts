import { z } from 'zod';
import { composeStandIn, isStandInModel, STAND_IN_MODELS } from '$lib/core/writers';

const calledSchema = z.looseObject({
	model: z.string().optional(),
	stream: z.boolean().optional(),
	messages: z
		.array(
			z.looseObject({
				role: z.enum(['system', 'user', 'assistant']),
				content: z.string().max(2_000_000)
			})
		)
		.min(1)
		.max(50)
});

/** Words in one piece of a stream, and what the slow one waits between two. */
const PIECE_WORDS = 6;
const PAUSE_MS = 4;
const SLOW_MS = 180;
/** Part of a reply after which the one that breaks does. */
const BREAKS_AT = 0.5;

/** Calls that the busy one has turned away, by their words. */
const turnedAway = new Set<string>();

/** Answers as a server of the chat-completions form does, from the request's own words alone. */
export async function answerAsStandIn(request: Request): Promise<Response> {
	const called = calledSchema.safeParse(await request.json().catch(() => null));
	if (!called.success) return trouble(400, 'the body is no call of the chat-completions form');
	const { model = 'stand-in', messages, stream = false } = called.data;
	if (!isStandInModel(model))
		return trouble(
			404,
			`The model “${model}” does not exist; there are ${Object.keys(STAND_IN_MODELS).join(', ')}.`
		);
	if (model === 'stand-in-busy') {
		const words = messages.map(({ content }) => content).join('\n');
		if (!turnedAway.delete(words)) {
			turnedAway.add(words);
			return trouble(429, 'busy', { 'retry-after': '1' });
		}
	}
	const { text, isCutOff } = composeStandIn(messages, model);
	const finish = isCutOff ? 'length' : 'stop';
	if (!stream || model === 'stand-in-whole')
		return Response.json({
			id: 'stand-in',
			object: 'chat.completion',
			model,
			choices: [{ index: 0, message: { role: 'assistant', content: text }, finish_reason: finish }]
		});
	const pieces = text.match(new RegExp(`(?:\\s*\\S+){1,${PIECE_WORDS}}\\s*`, 'g')) ?? [];
	const last = model === 'stand-in-breaks' ? Math.ceil(pieces.length * BREAKS_AT) : pieces.length;
	const encoder = new TextEncoder();
	const event = (delta: object, reason: string | null) =>
		encoder.encode(
			`data: ${JSON.stringify({ id: 'stand-in', object: 'chat.completion.chunk', model, choices: [{ index: 0, delta, finish_reason: reason }] })}\n\n`
		);
	let at = 0;
	return new Response(
		new ReadableStream<Uint8Array>({
			async pull(controller) {
				await new Promise((done) =>
					setTimeout(done, model === 'stand-in-slow' ? SLOW_MS : PAUSE_MS)
				);
				if (at < last) {
					controller.enqueue(event({ content: pieces[at++]! }, null));
				} else if (model === 'stand-in-breaks') {
					controller.close();
				} else {
					controller.enqueue(event({}, finish));
					controller.enqueue(encoder.encode('data: [DONE]\n\n'));
					controller.close();
				}
			}
		}),
		{ headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } }
	);
}

function trouble(status: number, message: string, headers: Record<string, string> = {}): Response {
	return Response.json({ error: { message } }, { status, headers });
}
