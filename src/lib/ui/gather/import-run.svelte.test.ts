import { render, screen } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { articleSign } from '$lib/core/assignment';
import { judgePage, readText, sketchOf } from '$lib/core/pages';
import { readKeywordList, runThrough } from '$lib/core/keywords';
import { addAssignment } from '$lib/data/assignments';
import { db, type Assignment } from '$lib/data/db';
import { readLists } from '$lib/data/keywords';
import { listNotes, listPages } from '$lib/data/pages';
import type { Cleaned, FileRead, Incoming } from '$lib/workers/client';
import { history } from '../frame/history.svelte';
import { NOTHING_CAME } from '../../../../tests/support/import-report';
import { importEvidence } from './import-run';
import ImportSummary from './ImportSummary.svelte';
import { answering } from '../../../../tests/support/analyst';

const decode = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

// the worker's part, done here: files are pages unless their names say otherwise
answering({
	readFile: async (name: string, bytes: Uint8Array): Promise<FileRead[]> => {
		const text = decode(bytes);
		if (name.endsWith('.note'))
			return [{ kind: 'note', name, noteKind: 'note', text, remarks: ['one line left out'] }];
		if (name.endsWith('.bad')) return [{ kind: 'failed', name, reason: 'it is damaged' }];
		if (name.endsWith('.links')) return [{ kind: 'links', name, text }];
		if (name.endsWith('.keys')) return [{ kind: 'keywords', name, text }];
		return [{ kind: 'page', incoming: { name, origin: 'text', bytes: null, text } }];
	},
	readKeywords: async ({ text }: { text: string }) => ({
		...runThrough(readKeywordList(text)),
		encoding: 'utf-8'
	}),
	clean: async (incoming: Incoming, keyword: string): Promise<Cleaned> => {
		const article = readText(incoming.text, incoming.name);
		if (article.blocks.length === 0) return { kind: 'failed', reason: 'there is no text in it' };
		return {
			kind: 'cleaned',
			article,
			sign: articleSign(article),
			judgement: judgePage(article, keyword),
			source: incoming.text,
			sketch: sketchOf(article)
		};
	}
});

let assignment: Assignment;
const file = (name: string, text: string) => ({ name, bytes: new TextEncoder().encode(text) });
const wall = (word: string) =>
	`# How to build a dry stone wall of ${word}\n\n${Array.from({ length: 40 }, (_, i) => `The ${word} of course ${i} is laid level and packed from the middle by hand.`).join(' ')}`;

beforeEach(async () => {
	await Promise.all(db.tables.map((table) => table.clear()));
	assignment = await addAssignment({
		title: 'Walls',
		keyword: 'how to build a dry stone wall',
		client: null,
		targetWords: null
	});
});

describe('importEvidence', () => {
	it('brings in what can be read as one step, and says of the rest why', async () => {
		const report = await importEvidence(assignment, {
			files: [
				file('granite.md', wall('granite')),
				file('visit.note', 'We moved four tonnes.'),
				file('broken.bad', ''),
				file('empty.md', ' '),
				file('map.links', 'phrase,address')
			]
		});
		expect(report.pages.map(({ name }) => name)).toEqual(['granite.md']);
		expect(report.notes.map(({ name }) => name)).toEqual(['visit.note']);
		expect(report.failed.map(({ name }) => name)).toEqual(['broken.bad', 'empty.md', 'map.links']);
		expect(report.remarks).toEqual([{ name: 'visit.note', reason: 'one line left out' }]);
		const [page] = await listPages(assignment.id);
		expect(page!.sign).toBe(articleSign(page!.article));
		await history.undo();
		expect(await listPages(assignment.id)).toEqual([]);
		expect(await listNotes(assignment.id)).toEqual([]);
		await history.redo();
		expect(await listPages(assignment.id)).toHaveLength(1);
	});

	it('hands a keyword list on to Scout, under a name of its own, and takes it back', async () => {
		const list = file('planner.keys', 'Keyword;Volume\nhen house;2900\nhen run;880');
		const report = await importEvidence(assignment, { files: [list] });
		expect(report.others).toEqual(['2 keywords for Scout']);
		await importEvidence(assignment, { files: [list] });
		expect((await readLists('')).map(({ name, count }) => [name, count])).toEqual([
			['planner.keys', 2],
			['planner.keys (2)', 2]
		]);
		await history.undo();
		await history.undo();
		expect(await readLists('')).toEqual([]);
	});

	it('puts a page in the place of the same one: same id and letter, another sign', async () => {
		await importEvidence(assignment, { files: [file('granite.md', wall('granite'))] });
		const [before] = await listPages(assignment.id);
		const again = file('granite.md', wall('granite').replace('course 3', 'row 3'));
		const report = await importEvidence(
			assignment,
			{ files: [again] },
			{ onRepeats: async (repeats) => repeats.map(() => 'replace') }
		);
		expect(report.replaced).toHaveLength(1);
		const [after, ...others] = await listPages(assignment.id);
		expect(others).toEqual([]);
		expect([after!.id, after!.order]).toEqual([before!.id, before!.order]);
		expect(after!.sign).not.toBe(before!.sign);
		await history.undo();
		expect((await listPages(assignment.id))[0]!.sign).toBe(before!.sign);
	});

	it('keeps what came before it was stopped, and a second note of the same text out', async () => {
		const stop = new AbortController();
		const report = await importEvidence(
			assignment,
			{ files: [file('a.note', 'One.'), file('b.note', 'Two.'), file('c.note', 'Three.')] },
			{ signal: stop.signal, onProgress: ({ done }) => done === 1 && stop.abort() }
		);
		expect(report.isCancelled).toBe(true);
		expect(report.notes.map(({ text }) => text)).toEqual(['One.']);
		const again = await importEvidence(assignment, { files: [file('d.note', 'One.')] });
		expect(again.skipped[0]).toMatchObject({ name: 'd.note' });
	});
});

describe('ImportSummary', () => {
	const handlers = () => ({ onopen: vi.fn(), onpages: vi.fn(), onclose: vi.fn() });

	it('is an alert where something did not come in, and names each with its reason', () => {
		const reason = 'it is damaged';
		render(ImportSummary, {
			report: {
				...NOTHING_CAME,
				others: ['12 links for Fellgate Tools'],
				failed: [
					{ name: 'broken.html', reason },
					{ name: 'broken.html', reason }
				]
			},
			...handlers()
		});
		const summary = screen.getByRole('alert', { name: 'What came in' });
		expect(summary.textContent).toContain('Came in: 12 links for Fellgate Tools.');
		expect(screen.getAllByText('broken.html')).toHaveLength(2);
	});

	it('offers to count texts as pages, and closes', async () => {
		await importEvidence(assignment, { files: [file('a.note', 'One.')] });
		const notes = await listNotes(assignment.id);
		const handles = handlers();
		render(ImportSummary, { report: { ...NOTHING_CAME, notes }, ...handles });
		const user = userEvent.setup();
		await user.click(screen.getByRole('button', { name: 'It is a page to count' }));
		expect(handles.onpages).toHaveBeenCalledWith(notes);
		await user.click(screen.getByRole('button', { name: 'Close' }));
		expect(handles.onclose).toHaveBeenCalledTimes(1);
	});
});
