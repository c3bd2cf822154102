import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { writePartsDocx } from '$lib/core/deliver/docx';
import { readOutline } from '$lib/core/plan';
import { readGatheredFile } from './gathered-files';

const SRT = '1\n00:00:01,000 --> 00:00:02,000\nDig first.\n';
const read = (name: string, text: string | Uint8Array, aim: 'any' | 'pages' | 'notes' = 'any') =>
	readGatheredFile(name, typeof text === 'string' ? strToU8(text) : text, aim);

describe('readGatheredFile', () => {
	it('tells notes, transcripts and lists of questions apart', async () => {
		expect(await read('visit.md', '# Visit\n\nWe moved four tonnes.')).toMatchObject([
			{ kind: 'note', noteKind: 'note', name: 'visit.md' }
		]);
		expect(await read('talk.srt', SRT)).toMatchObject([
			{ kind: 'note', noteKind: 'transcript', text: '[00:01] Dig first.' }
		]);
		expect(await read('asked.txt', 'How deep is it?\nHow wide is it?\nFeedback')).toMatchObject([
			{ kind: 'note', noteKind: 'questions' }
		]);
		// one question in a note does not make it a list
		expect(
			await read('note.txt', 'Why does it bulge?\n\nBecause the hearting washed out.')
		).toMatchObject([{ noteKind: 'note' }]);
	});

	it('tells link maps from lists of who ranks, and profiles from other data', async () => {
		expect(await read('links.csv', 'phrase,address\nash handles,/shop/handles')).toMatchObject([
			{ kind: 'links' }
		]);
		expect(
			await read(
				'ranks.csv',
				'Position,Address\n1,https://walls.example/a\n2,https://stone.example/b'
			)
		).toMatchObject([{ kind: 'results' }]);
		expect(
			await read('planner.csv', 'Keyword;Volume;Difficulty\nhen house;2900;28\nhen run;880;17')
		).toMatchObject([{ kind: 'keywords', name: 'planner.csv' }]);
		expect(await read('numbers.csv', 'a,b\n1,2')).toMatchObject([
			{ kind: 'failed', reason: expect.stringContaining('neither a keyword list') as string }
		]);
		expect(await read('data.json', '{"__proto__": {"polluted": true}}')).toMatchObject([
			{ kind: 'failed', reason: expect.stringContaining('client') as string }
		]);
		expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
	});

	it('takes text for a page where pages were asked for', async () => {
		expect(await read('wall.md', '# Walls\n\nText.', 'pages')).toMatchObject([
			{ kind: 'page', incoming: { origin: 'text' } }
		]);
	});

	it('opens a zip, says what it left out, and opens no zip inside it', async () => {
		const inner = zipSync({ 'a.html': strToU8('<p>x</p>') });
		const found = await read(
			'saved.zip',
			zipSync({
				'a.html': strToU8('<p>Walls</p>'),
				'talk.srt': strToU8(SRT),
				'more.zip': inner,
				'a_files/x.css': strToU8('p{}')
			})
		);
		expect(found.map(({ kind }) => kind)).toEqual(['page', 'note', 'failed', 'skipped']);
		expect(found[2]).toMatchObject({ name: 'more.zip' });
	});

	it('names what it cannot read, with the remedy', async () => {
		const reasonOf = async (name: string, bytes: Uint8Array) => {
			const [first] = await readGatheredFile(name, bytes, 'any');
			return first?.kind === 'failed' ? first.reason : '';
		};
		expect(await reasonOf('big.html', new Uint8Array(10_000_001).fill(65))).toMatch(/10 MB/);
		expect(
			await reasonOf('whole.corvan.zip', zipSync({ 'assignment.json': strToU8('{}') }))
		).toMatch(/list of assignments/);
		expect(await reasonOf('blank.txt', strToU8(' \n '))).toBe('there is no text in it');
		expect(await reasonOf('bad.docx', zipSync({ 'word/document.xml': strToU8('<w') }))).toMatch(
			/save a copy/
		);
	});

	it('takes in again what Corvan writes as DOCX, as the outline it was', async () => {
		const blob = await writePartsDocx(
			[
				{ kind: 'heading', level: 1, text: 'Walls' },
				{ kind: 'list', entries: ['Words: 900'] },
				{ kind: 'heading', level: 2, text: 'Lay the footings' },
				{ kind: 'heading', level: 3, text: 'Hearting' }
			],
			'Walls'
		);
		const [given] = await read('walls.docx', new Uint8Array(await blob.arrayBuffer()));
		expect(given?.kind === 'note' && readOutline(given.text)).toEqual([
			{ level: 1, text: 'Walls' },
			{ level: 2, text: 'Lay the footings' },
			{ level: 3, text: 'Hearting' }
		]);
	});
});
