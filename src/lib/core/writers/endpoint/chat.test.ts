import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EventReader, readChatJson, refusalOf, waitOf } from './chat';
import { callAddressOf, chatBodyOf, endpointSchema } from './settings';

describe('EventReader', () => {
	it('gives the same events, however the stream is cut', () => {
		const stream =
			'data: {"a":1}\n\n: a remark\r\n\r\ndata: two\n\ndata:three\n\nevent: x\ndata: [DONE]';
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 40 }),
				(sizes) => {
					const reader = new EventReader();
					const found: string[] = [];
					let at = 0;
					for (const size of sizes) {
						found.push(...reader.push(stream.slice(at, at + size)));
						at += size;
					}
					found.push(...reader.push(stream.slice(at)), ...reader.end());
					expect(found.filter(Boolean)).toEqual(['{"a":1}', 'two', 'three', '[DONE]']);
				}
			)
		);
	});
});

describe('readChatJson', () => {
	it.each([
		[
			'{"choices":[{"delta":{"content":"a"},"finish_reason":null}]}',
			{ text: 'a', finish: null, trouble: '' }
		],
		[
			'{"choices":[{"message":{"content":"b"},"finish_reason":"length"}]}',
			{ text: 'b', finish: 'length', trouble: '' }
		],
		['{"choices":[{"text":"c"}]}', { text: 'c', finish: null, trouble: '' }],
		['{"error":{"message":"no"}}', { text: '', finish: null, trouble: 'no' }],
		['{"error":"no"}', { text: '', finish: null, trouble: 'no' }],
		['{"choices":[]}', { text: '', finish: null, trouble: '' }]
	])('%s', (text, piece) => {
		expect(readChatJson(text)).toEqual(piece);
	});

	it('is null for what is no answer', () => {
		for (const text of ['', 'hello', '[1]', '{"choices":4}'])
			expect(readChatJson(text), text).toBeNull();
	});
});

describe('waitOf', () => {
	const now = Date.parse('2027-03-01T10:00:00Z');
	it.each([
		['7', 7000],
		['0.5', 500],
		['Mon, 01 Mar 2027 10:00:20 GMT', 20_000],
		['Mon, 01 Mar 2027 09:00:00 GMT', 0],
		['99999', 120_000],
		['soon', 5000],
		[null, 5000]
	])('%s: %d ms', (said, ms) => {
		expect(waitOf(said, now)).toBe(ms);
	});
});

describe('refusalOf', () => {
	it.each([
		[401, 'bad key', /refused the key/],
		[404, 'The model `x` does not exist', /knows no model “larch”/],
		[404, '', /nothing answers at this address/],
		[400, 'too long', /did not take the request.*too long/],
		[503, '', /in trouble/]
	])('%d %s', (status, said, reason) => {
		expect(refusalOf(status, said, 'larch')).toMatch(reason);
	});
});

describe('settings', () => {
	it('call the address once, whatever stands at its end', () => {
		for (const address of [
			'https://a.example/v1',
			'https://a.example/v1/',
			'https://a.example/v1/chat/completions'
		])
			expect(callAddressOf(address)).toBe('https://a.example/v1/chat/completions');
	});

	it('send nothing that was left empty, and never the key in the body', () => {
		const endpoint = endpointSchema.parse({
			id: 'e',
			name: 'Larch',
			address: 'https://a.example/v1',
			model: '',
			key: 'secret',
			temperature: null,
			longestReply: 400
		});
		const body = chatBodyOf(endpoint, [{ role: 'user', content: 'x' }], true);
		expect(body).toEqual({
			messages: [{ role: 'user', content: 'x' }],
			stream: true,
			max_tokens: 400
		});
	});
});
