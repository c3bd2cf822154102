import 'fake-indexeddb/auto';
import { flushSync } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Findings } from '$lib/core/findings';
import { newSection } from '$lib/core/plan';
import type { Version } from '$lib/core/writers';
import { db } from '$lib/data/db';
import { listEndpoints, putEndpoint, STAND_IN } from '$lib/data/endpoints';
import { addVersions, listVersions, setVersionState } from '$lib/data/versions';
import { answerAsStandIn } from '$lib/server/stand-in';
import { planOf } from '../../../../tests/support/plans';
import type { Session } from '../assignment/session.svelte';
import { Writing } from './writing.svelte';
import { answering } from '../../../../tests/support/analyst';

const drafted = {
	draft: vi.fn(),
	stopDrafting: vi.fn(() => Promise.resolve())
};
answering(drafted);

const plan = planOf(newSection('a', 'Dig the trench', 60), newSection('b', 'Lay the cope', 60));
const findings = {
	keyword: 'walls',
	targetWords: 500,
	terms: [],
	questions: [],
	facts: [],
	notePassages: []
} as unknown as Findings;
const session = {
	plan,
	findings,
	analysed: { evidence: {}, findings },
	assignment: {
		brief: {
			callToAction: '',
			reader: '',
			purpose: '',
			form: null,
			person: null,
			tone: '',
			grade: null,
			mustSay: []
		}
	},
	client: null,
	mustNotSay: [],
	noteSigns: new Map(),
	letters: new Map()
} as unknown as Session;

const versionOf = (section: string): Version => ({
	section,
	heading: section,
	writer: 'built-in',
	move: 'draft',
	blocks: [{ type: 'paragraph', content: [{ type: 'text', text: 'Words.' }] }],
	words: 1,
	sources: [],
	outcome: { kind: 'done' }
});

/** The app's own route to endpoints, as far as the stand-in goes. */
function route(): void {
	vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
		const { body } = JSON.parse(String(init.body)) as { body: unknown };
		return answerAsStandIn(
			new Request('http://127.0.0.1/', { method: 'POST', body: JSON.stringify(body) })
		);
	});
}

async function writingBy(writer: string): Promise<{ writing: Writing; end: () => void }> {
	let writing!: Writing;
	let close!: () => void;
	const root = $effect.root(() => {
		writing = new Writing(session);
		close = writing.open();
	});
	await vi.waitFor(() => expect(writing.endpoints.length).toBeGreaterThan(0));
	writing.choose(writer);
	flushSync();
	return {
		writing,
		end: () => {
			close();
			root();
		}
	};
}

beforeEach(async () => {
	vi.unstubAllGlobals();
	drafted.draft.mockReset();
	await db.endpoints.clear();
	await db.versions.clear();
	await db.settings.clear();
});

describe('Writing', () => {
	it('has the built-in drafter word nothing anew, and says so', async () => {
		const { writing, end } = await writingBy('built-in');
		expect(writing.cannot('draft')).toBe('');
		expect(writing.cannot('continue')).toMatch(/Ask an endpoint, or copy the request/);
		expect(writing.cannot('draft', true)).toMatch(/words nothing anew in a passage/);
		expect(writing.cannot('another version', true)).toBe('');
		drafted.draft.mockImplementation((...given: unknown[]) => {
			const take = given[4] as (version: Version) => void;
			take(versionOf('a'));
			return Promise.resolve('done');
		});
		const made: Version[] = [];
		const run = await writing.write(
			writing.requestsFor(['a', 'b'], 'draft', () => []),
			'elsewhere',
			(version) => made.push(version)
		);
		expect(drafted.draft.mock.calls[0]![3]).toEqual({
			sections: ['a', 'b'],
			elsewhere: 'elsewhere'
		});
		expect(made).toHaveLength(1);
		expect(run!.open).toEqual(['b']);
		expect(writing.run).toBeNull();
		end();
	});

	it('has an endpoint write section by section, with progress, and does nothing else meanwhile', async () => {
		route();
		const { writing, end } = await writingBy(STAND_IN.id);
		expect(writing.writerName).toBe('Stand-in');
		const headings: string[] = [];
		const requests = writing.requestsFor(['a', 'b'], 'draft', () => []);
		const going = writing.write(requests, '', ({ heading }) => headings.push(heading));
		expect(writing.run).toMatchObject({ done: 0, all: 2, heading: 'Dig the trench' });
		expect(await writing.write(requests, '', () => {})).toBeNull();
		const run = await going;
		expect(headings).toEqual(['Dig the trench', 'Lay the cope']);
		expect(run).toMatchObject({ open: [], reason: '' });
		end();
	});

	it('keeps what came before a stop, and says which sections are open', async () => {
		route();
		await putEndpoint({ ...STAND_IN, model: 'stand-in-slow' });
		const { writing, end } = await writingBy(STAND_IN.id);
		await vi.waitFor(() => expect(writing.endpoint?.model).toBe('stand-in-slow'));
		const going = writing.write(
			writing.requestsFor(['a', 'b'], 'draft', () => []),
			'',
			() => {}
		);
		await vi.waitFor(() => expect(writing.run?.words).toBeGreaterThan(0), { timeout: 5000 });
		writing.stop();
		const run = await going;
		expect(run!.reason).toBe('stopped');
		expect(run!.open).toContain('b');
		end();
	});

	it('asks no further section when the first is refused, and words why', async () => {
		vi.stubGlobal('fetch', () =>
			Promise.resolve(new Response('{"error":{"message":"no"}}', { status: 401 }))
		);
		const { writing, end } = await writingBy(STAND_IN.id);
		const run = await writing.write(
			writing.requestsFor(['a', 'b'], 'draft', () => []),
			'',
			() => {}
		);
		expect(run!.versions).toHaveLength(1);
		expect(run!.open).toEqual(['a', 'b']);
		expect(run!.reason).toMatch(/refused the key/);
		end();
	});

	it('falls back to the built-in drafter when the chosen endpoint is gone', async () => {
		const { writing, end } = await writingBy('gone');
		expect(writing.writer).toBe('built-in');
		end();
	});

	it('words a request for the sections asked, in a wording of its own where one is kept', async () => {
		const { writing, end } = await writingBy('by hand');
		const requests = writing.requestsFor(['b'], 'draft', () => []);
		expect(writing.textOf(requests)).toContain('## Lay the cope');
		expect(writing.textOf(requests)).not.toContain('## Dig the trench\n\nWrite it');
		writing.setWording('Please: {sections}');
		expect(writing.textOf(requests).startsWith('Please: ')).toBe(true);
		end();
	});
});

describe('endpoints and versions in storage', () => {
	it('has the stand-in without storing it, behind the others by name', async () => {
		expect((await listEndpoints()).map(({ name }) => name)).toEqual(['Stand-in']);
		await putEndpoint({ ...STAND_IN, id: 'x', name: 'Yew', address: 'https://a.example/v1' });
		expect((await listEndpoints()).map(({ name }) => name)).toEqual(['Yew', 'Stand-in']);
		await expect(putEndpoint({ ...STAND_IN, id: 'x', temperature: 9 })).rejects.toThrow();
	});

	it('keeps versions newest first, without those that hold nothing, and what became of them', async () => {
		const kept = await addVersions('x', 'take', 'Larch', [
			versionOf('a'),
			{ ...versionOf('b'), blocks: [] },
			versionOf('b')
		]);
		expect(kept.map(({ section }) => section)).toEqual(['a', 'b']);
		await setVersionState(kept[0]!.id, 'taken');
		const all = await listVersions('x');
		expect(all.map(({ section, state, writerName }) => [section, state, writerName])).toEqual([
			['b', 'offered', 'Larch'],
			['a', 'taken', 'Larch']
		]);
	});
});
