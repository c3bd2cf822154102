import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { EMPTY_CLIENT, factsNoteOf } from './client';
import { measureVoice } from './voice';
import { profileChangesOf } from './profile-changes';
import { readClientFile, writeClientFile } from './client-file';
import { readLinkMap, writeLinkMap } from './link-map';

const demoFile = (path: string) =>
	readFileSync(new URL(`../../../../demo/${path}`, import.meta.url), 'utf8');

describe('readLinkMap', () => {
	it.each([
		['commas with a header', 'Phrase,Address\nwalling hammer,https://shop.example/hammer\n'],
		['the address first', 'https://shop.example/hammer;walling hammer\n'],
		['arrows', 'walling hammer → https://shop.example/hammer'],
		['cells of a spreadsheet', 'walling hammer\thttps://shop.example/hammer\n']
	])('takes %s', (_, text) => {
		expect(readLinkMap(text)).toMatchObject({
			links: [{ phrase: 'walling hammer', address: 'https://shop.example/hammer' }],
			rejected: []
		});
	});

	it('says what it cannot read, and counts what repeats', () => {
		const read = readLinkMap(
			'hammer,/shop/hammer\nhammer,/shop/hammer\nHAMMER,/other\nno address\n,/alone\nhammer,ftp://x\n'
		);
		expect(read.links).toEqual([
			{ phrase: 'hammer', address: '/shop/hammer' },
			{ phrase: 'HAMMER', address: '/other' }
		]);
		expect(read.repeated).toBe(1);
		expect(read.rejected.map(({ line, reason }) => [line, reason])).toEqual([
			[4, 'no address in it: one begins with https:// or with /'],
			[5, 'no phrase in it'],
			[6, 'no address in it: one begins with https:// or with /']
		]);
	});

	it('comes back from its own export, tens of thousands of rows at once', () => {
		const phrase = fc
			.array(fc.constantFrom('wall', '=x', 'a,b', '"q"', '石'), { minLength: 1, maxLength: 3 })
			.map((words) => words.join(' '));
		fc.assert(
			fc.property(
				fc.uniqueArray(phrase, {
					minLength: 1,
					maxLength: 9,
					selector: (each) => each.toLowerCase()
				}),
				(phrases) => {
					const links = phrases.map((each, i) => ({
						phrase: each,
						address: `https://a.example/${i}`
					}));
					expect(readLinkMap(writeLinkMap(links))).toEqual({ links, rejected: [], repeated: 0 });
				}
			)
		);
		const many = Array.from({ length: 40_000 }, (_, i) => ({
			phrase: `phrase ${i}`,
			address: `/p/${i}`
		}));
		expect(readLinkMap(writeLinkMap(many)).links).toEqual(many);
	});

	it('reads the demo’s twenty links', () => {
		const read = readLinkMap(demoFile('links/fellgate-links.csv'));
		expect([read.links.length, read.rejected.length]).toEqual([20, 0]);
	});
});

describe('client files', () => {
	it('come back as they were', () => {
		const demo = readClientFile(demoFile('clients/fellgate-tools.json'));
		if (demo.kind !== 'read') throw new Error(demo.reason);
		const links = [{ phrase: 'a', address: '/a' }];
		expect(readClientFile(writeClientFile(demo.client, links))).toEqual({
			kind: 'read',
			client: demo.client,
			links
		});
	});

	it.each([
		['{', 'it is not valid JSON'],
		['{"format":"other"}', 'it is not a client profile of Corvan'],
		['{"format":"corvan-client","version":9}', 'it was written by a newer Corvan (format 9)'],
		[
			'{"format":"corvan-client","version":1,"client":{},"links":[]}',
			/it is damaged at “client\.\w+”/
		]
	])('say why %s is refused', (text, reason) => {
		const read = readClientFile(text);
		expect(read.kind === 'refused' && read.reason).toMatch(reason);
	});

	it('of the first format are read; they have no forms of plans', () => {
		const file = JSON.parse(writeClientFile({ ...EMPTY_CLIENT, name: 'A' }, [])) as {
			version: number;
			client: { forms?: unknown };
		};
		file.version = 1;
		delete file.client.forms;
		expect(readClientFile(JSON.stringify(file))).toMatchObject({
			kind: 'read',
			client: { name: 'A', forms: [] }
		});
	});

	it('take no picture that could be anything but one', () => {
		const file = JSON.parse(writeClientFile({ ...EMPTY_CLIENT, name: 'A' }, [])) as {
			client: { logo: string };
		};
		file.client.logo = 'data:text/html;base64,PHNjcmlwdD4=';
		expect(readClientFile(JSON.stringify(file)).kind).toBe('refused');
	});
});

describe('profileChangesOf', () => {
	it('counts what came and went, and says what it reaches', () => {
		const before = { ...EMPTY_CLIENT, name: 'A', facts: ['one', 'two'], avoid: ['x'] };
		const after = { ...before, name: 'B', facts: ['two', 'three', 'four'] };
		expect(profileChangesOf(before, after).map(({ part, summary }) => [part, summary])).toEqual([
			['name', 'name: “A” becomes “B”'],
			['facts', '2 facts added, 1 taken out']
		]);
		expect(profileChangesOf(before, after)[1]!.reaches).toMatch(/findings, plans and drafts/);
		expect(profileChangesOf(before, before)).toEqual([]);
	});

	it('hands facts over as a note', () => {
		expect(factsNoteOf({ ...EMPTY_CLIENT, name: 'A', facts: ['One.', ' Two. '] })).toBe(
			'# Facts of A\n\nOne.\n\nTwo.\n'
		);
		expect(factsNoteOf(EMPTY_CLIENT)).toBe('');
	});
});

describe('measureVoice', () => {
	const voice = (...texts: string[]) => measureVoice(texts.map((text) => ({ name: '', text })));

	it('counts persons, contractions and questions, each with its sentences', () => {
		const { persons, person, contractions, uncontracted, questions } = voice(
			'You don’t need much. We’ll lend you a hammer, and you are welcome. Is it heavy? It is not.'
		);
		expect(person).toBe('you');
		expect([persons.you.count, persons.we.count, persons.I.count]).toEqual([3, 1, 0]);
		expect(contractions.count).toBe(2);
		expect(uncontracted.sentences).toEqual([
			"We'll lend you a hammer, and you are welcome.",
			'It is not.'
		]);
		expect(questions).toEqual({ count: 1, sentences: ['Is it heavy?'] });
	});

	it('does not take a possessive for a contraction', () => {
		expect(voice("The waller's hammer is the reader's own.").contractions.count).toBe(0);
	});

	it('finds favourite words that stand in several samples, and never everyday ones', () => {
		const samples = [
			'Pack the hearting tight. The hearting holds. Hearting is stone.',
			'Good hearting takes time and people.'
		];
		expect(voice(...samples).favourites[0]).toMatchObject({ word: 'hearting', count: 4 });
		expect(voice(...samples).favourites.map(({ word }) => word)).not.toContain('time');
		expect(voice(samples[0]!, 'Nothing of it here.').favourites).toEqual([]);
	});

	it('measures sentences, and nothing of nothing', () => {
		const measured = voice('One two three. One two three four five. One.');
		expect(measured.sentenceWords).toEqual({ lower: 1, median: 3, upper: 5 });
		expect(voice()).toMatchObject({ words: 0, person: null, favourites: [] });
	});
});
