import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import { beforeEach, describe, expect, it } from 'vitest';
import { readArchive, writeArchive } from '$lib/core/deliver';
import { paragraph, textNode, type TakeDoc } from '$lib/core/manuscript';
import { archiveOf, wholeFrom } from './archive';
import {
	addAssignment,
	binAssignment,
	deleteAssignment,
	listAssignments,
	listBinned,
	putWhole,
	readWhole
} from './assignments';
import { db, type Assignment, type Page } from './db';
import {
	changeEvidence,
	listAwaited,
	listNotes,
	listPages,
	nextOrder,
	readEvidence,
	setStruckByRules
} from './pages';
import {
	addClient,
	assignmentsOf,
	clientNamed,
	listClients,
	putBackClient,
	readLinks,
	takeClient
} from './clients';
import {
	addLists,
	notePhrases,
	notesFor,
	putBackNotes,
	readLists,
	readPhraseNotes,
	readRows,
	takeLists
} from './keywords';
import { addTake, listTakes, saveTake } from './takes';
import { EMPTY_BRIEF } from '$lib/core/brief';
import { NO_EDITS } from '$lib/core/findings';
import { EMPTY_CLIENT } from '$lib/core/clients';
import { blankKeyword } from '$lib/core/keywords';
import { storedPage } from '../../../tests/support/stored-page';

const doc = (text: string): TakeDoc => ({
	type: 'doc',
	content: [{ type: 'paragraph', content: [{ type: 'text', text }] }]
});
let assignment: Assignment;

beforeEach(async () => {
	await Promise.all(db.tables.map((table) => table.clear()));
	assignment = await addAssignment({
		title: 'Walls',
		keyword: 'dry stone wall',
		client: null,
		targetWords: null
	});
});

const pageOf = (id: string, order: number) => storedPage(assignment, id, order);

describe('takes', () => {
	it('saves on top of the revision it was opened at', async () => {
		const take = await addTake(assignment.id, '', doc('one'));
		expect(await saveTake(take.id, doc('two'), take.revision)).toEqual({
			kind: 'saved',
			revision: 2
		});
		expect((await listTakes(assignment.id))[0]!.doc).toEqual(doc('two'));
	});

	it('does not overwrite what another tab has saved meanwhile, and gives it back', async () => {
		const take = await addTake(assignment.id, '', doc('one'));
		await saveTake(take.id, doc('theirs'), 1);
		expect(await saveTake(take.id, doc('mine'), 1)).toMatchObject({
			kind: 'changed-elsewhere',
			take: { doc: doc('theirs'), revision: 2 }
		});
		expect((await listTakes(assignment.id))[0]!.doc).toEqual(doc('theirs'));
	});

	it('lets only one of two saves at once through', async () => {
		const take = await addTake(assignment.id, '', doc('one'));
		const kinds = (
			await Promise.all([saveTake(take.id, doc('a'), 1), saveTake(take.id, doc('b'), 1)])
		).map(({ kind }) => kind);
		expect(kinds.sort()).toEqual(['changed-elsewhere', 'saved']);
	});

	it('says when a take is gone, and numbers new ones', async () => {
		expect(await saveTake('nowhere', doc(''), 1)).toEqual({ kind: 'gone' });
		expect([
			(await addTake(assignment.id, '', doc(''))).name,
			(await addTake(assignment.id, '', doc(''))).name
		]).toEqual(['Take 1', 'Take 2']);
	});
});

describe('evidence', () => {
	it('is taken away and put back whole', async () => {
		const note = {
			id: 'n',
			assignment: assignment.id,
			kind: 'note' as const,
			name: 'Note',
			text: 'Words.',
			order: 2
		};
		const row = {
			id: 'w',
			assignment: assignment.id,
			address: 'https://walls.example/a',
			title: '',
			reason: 'the site answered 500',
			result: { position: 3, strength: null, kind: '' },
			order: 3
		};
		await changeEvidence({ ...only(pageOf('p', 1)), notes: [note], awaited: [row] }, {});
		expect(await nextOrder(assignment.id)).toBe(4);
		const before = await readWhole(assignment.id);
		const ids = { pages: ['p'], notes: ['n'], awaited: ['w'] };
		const taken = await readEvidence(ids);
		await changeEvidence({}, ids);
		expect([
			await listPages(assignment.id),
			await listNotes(assignment.id),
			await listAwaited(assignment.id)
		]).toEqual([[], [], []]);
		await changeEvidence(taken, {});
		expect(await readWhole(assignment.id)).toEqual(before);
	});

	it('replaces what stands under the same id, and takes rows away in the same step', async () => {
		await changeEvidence(only(pageOf('p', 1)), {});
		const newer = { ...pageOf('p', 1), name: 'newer.md' };
		await changeEvidence(only(newer), { pages: ['p'] });
		expect((await listPages(assignment.id)).map(({ name }) => name)).toEqual(['newer.md']);
	});

	it('is struck by a rule on several pages, which stays with the assignment', async () => {
		await changeEvidence({ pages: [pageOf('p', 1), pageOf('q', 2)] }, {});
		const rule = { site: 'walls.example', where: '', text: 'a wall' };
		await setStruckByRules(
			assignment.id,
			[rule],
			[
				{ id: 'p', struck: [1] },
				{ id: 'q', struck: [0, 1] }
			]
		);
		expect((await listPages(assignment.id)).map(({ struck }) => struck)).toEqual([[1], [0, 1]]);
		expect((await db.assignments.get(assignment.id))!.strikeRules).toEqual([rule]);
	});
});

/** A page with its source and nothing else. */
function only(page: Page) {
	return {
		pages: [page],
		sources: [{ id: page.id, assignment: assignment.id, source: '# Walls' }]
	};
}

describe('assignments', () => {
	it('are binned, deleted with all they own, and put back as they were', async () => {
		await changeEvidence(only(pageOf('p', 1)), {});
		await addTake(assignment.id, '', doc('one'));
		await binAssignment(assignment.id);
		expect([(await listAssignments()).length, (await listBinned()).length]).toEqual([0, 1]);
		const whole = (await deleteAssignment(assignment.id))!;
		expect(await db.pages.count()).toBe(0);
		expect(await db.takes.count()).toBe(0);
		await putWhole(whole);
		expect(await readWhole(assignment.id)).toEqual(whole);
	});
});

describe('archive', () => {
	it('comes back with the same ids, or as a copy with ties moved along', async () => {
		await changeEvidence(only(pageOf('page-one', 1)), {});
		await addTake(assignment.id, '', {
			type: 'doc',
			content: [paragraph(textNode('x', { source: 'page-one', label: 'n1' }))]
		});
		const read = readArchive(writeArchive(archiveOf((await readWhole(assignment.id))!)));
		if (read.kind !== 'read') throw new Error(read.reason);
		const { article, sign, judgement } = pageOf('page-one', 1);
		let count = 0;
		const back = (isCopy: boolean) =>
			wholeFrom(read.archive, [{ id: 'page-one', article, sign, judgement }], {
				now: 5,
				isCopy,
				newId: () => `new-${++count}`
			});

		const same = back(false);
		expect(same.assignment).toMatchObject({
			id: assignment.id,
			createdAt: assignment.createdAt,
			keyword: 'dry stone wall'
		});
		expect(writeArchive(archiveOf(same))).toEqual(writeArchive(read.archive));

		const copy = back(true);
		expect(copy.assignment.id).not.toBe(assignment.id);
		expect(copy.pages[0]!.id).not.toBe('page-one');
		expect(JSON.stringify(copy.takes[0]!.doc)).toContain(copy.pages[0]!.id);
		expect(JSON.stringify(copy)).not.toContain('page-one"');
	});

	it('takes along what keyword lists say of its keyword, which another computer has not', async () => {
		const said = [
			{ phrase: 'dry stone wall cost', volume: 480 },
			{ phrase: 'dry stone wall repair', volume: null }
		];
		const bring = (id: string, phrases: typeof said) =>
			addLists([
				{
					...listOf(id, ''),
					rows: phrases.map(({ phrase, volume }) => ({ ...blankKeyword(phrase), volume }))
				}
			]);
		await bring('here', said);
		const read = readArchive(writeArchive(archiveOf((await readWhole(assignment.id))!)));
		if (read.kind !== 'read') throw new Error(read.reason);
		expect(read.archive.manifest.assignment.listed).toEqual(said);

		await takeLists(['here']);
		await deleteAssignment(assignment.id);
		await putWhole(wholeFrom(read.archive, [], { now: 5, isCopy: false, newId: () => 'new' }));
		const elsewhere = (await readWhole(assignment.id))!;
		expect(elsewhere.listed).toEqual(said);
		expect(writeArchive(archiveOf(elsewhere))).toEqual(writeArchive(read.archive));
		// lists that are here as well say more, and never less
		await bring('there', [
			{ phrase: 'dry stone wall cost', volume: 90 },
			{ phrase: 'dry stone wall tools', volume: 70 }
		]);
		expect((await readWhole(assignment.id))!.listed).toEqual([
			said[0],
			{ phrase: 'dry stone wall tools', volume: 70 },
			said[1]
		]);
		// they are about the keyword they were found for
		await db.assignments.update(assignment.id, { keyword: 'hedge laying' });
		expect((await readWhole(assignment.id))!.listed).toEqual([]);
	});
});

describe('clients', () => {
	it('are shared by name, and their assignments are known', async () => {
		const client = await clientNamed(' Fellgate Tools ');
		expect((await clientNamed('fellgate tools'))!.id).toBe(client!.id);
		expect(await clientNamed('  ')).toBeNull();
		await db.assignments.update(assignment.id, { client: client!.id });
		expect((await assignmentsOf(client!.id)).map(({ id }) => id)).toEqual([assignment.id]);
	});

	it('are taken away with their ties, lose no list, and come back as they were', async () => {
		const client = await addClient({ ...EMPTY_CLIENT, name: 'A' }, [
			{ phrase: 'p', address: '/p' }
		]);
		await db.assignments.update(assignment.id, { client: client.id });
		await addLists([listOf('l', client.id)]);
		await notePhrases(client.id, [
			{ key: 'wall', cluster: 'mine' },
			{ key: 'path', cluster: 'mine' }
		]);
		await notePhrases('', [{ key: 'path', cluster: 'theirs' }]);
		const before = await everything();
		const taken = (await takeClient(client.id))!;
		expect(await listClients()).toEqual([]);
		expect((await db.assignments.get(assignment.id))!.client).toBeNull();
		expect((await readLists('')).map(({ id }) => id)).toEqual(['l']);
		expect((await readPhraseNotes('')).map(({ key, cluster }) => [key, cluster])).toEqual([
			['path', 'theirs'],
			['wall', 'mine']
		]);
		await putBackClient(taken);
		expect(await readLinks(client.id)).toEqual([{ phrase: 'p', address: '/p' }]);
		expect(await everything()).toEqual(before);
	});
});

describe('keyword lists', () => {
	it('are taken away and put back whole', async () => {
		await addLists([listOf('a', ''), listOf('b', '')]);
		const taken = await takeLists(['a']);
		expect((await readLists('')).map(({ id }) => id)).toEqual(['b']);
		expect(await readRows('a')).toEqual([]);
		await addLists(taken);
		expect(await readRows('a')).toEqual([blankKeyword('wall a')]);
	});

	it('keep what was found out apart from them, and take it back to what it was', async () => {
		await notePhrases('', [{ key: 'wall', cluster: 'mine' }]);
		const before = await notesFor('', ['wall', 'path']);
		await notePhrases('', [
			{ key: 'wall', titleMatches: { count: 4, origin: 'typed' } },
			{ key: 'path', isStruck: true }
		]);
		expect((await notesFor('', ['wall']))[0]).toMatchObject({
			cluster: 'mine',
			titleMatches: { count: 4 }
		});
		await putBackNotes('', ['wall', 'path'], before);
		expect(await readPhraseNotes('')).toEqual([{ scope: '', key: 'wall', cluster: 'mine' }]);
		expect(await readPhraseNotes('other')).toEqual([]);
	});
});

describe('the third version of the database', () => {
	it('gives pages their sketch and assignments an empty list of rules', async () => {
		const { result: _, sketch, sign, ...older } = pageOf('p', 1);
		db.close();
		await Dexie.delete('corvan');
		const old = new Dexie('corvan');
		old.version(2).stores({
			assignments: 'id, updatedAt, client',
			pages: 'id, assignment',
			pageSources: 'id, assignment',
			notes: 'id, assignment',
			plans: 'assignment',
			takes: 'id, assignment',
			settings: 'key',
			clients: 'id, name',
			linkMaps: 'client',
			keywordLists: 'id, scope',
			keywordRows: 'list',
			phraseNotes: '[scope+key], scope'
		});
		const { strikeRules: __, edits: ___, ...bare } = assignment;
		await old.table('assignments').add(bare);
		await old.table('pages').add(older);
		old.close();
		await db.open();
		expect(await db.pages.get('p')).toEqual({ ...older, result: null, sketch, sign });
		expect(await db.assignments.get(assignment.id)).toMatchObject({
			strikeRules: [],
			edits: NO_EDITS
		});
		expect(await listAwaited(assignment.id)).toEqual([]);
	});
});

describe('the second version of the database', () => {
	it('makes one shared profile of the client names that stood on assignments', async () => {
		db.close();
		await Dexie.delete('corvan');
		const old = new Dexie('corvan');
		old.version(1).stores({
			assignments: 'id, updatedAt',
			pages: 'id, assignment',
			pageSources: 'id, assignment',
			notes: 'id, assignment',
			plans: 'assignment',
			takes: 'id, assignment',
			settings: 'key'
		});
		const before = {
			title: 'T',
			keyword: 'k',
			targetWords: null,
			createdAt: 1,
			updatedAt: 2,
			binnedAt: null
		};
		await old.table('assignments').bulkAdd([
			{ ...before, id: 'one', client: 'Fellgate Tools' },
			{ ...before, id: 'two', client: ' Fellgate Tools' },
			{ ...before, id: 'three', client: '' }
		]);
		old.close();
		await db.open();
		const [client, ...others] = await listClients();
		expect([client!.name, others]).toEqual(['Fellgate Tools', []]);
		const clients = (await db.assignments.bulkGet(['one', 'two', 'three'])).map((each) => [
			each!.client,
			each!.brief
		]);
		expect(clients).toEqual([
			[client!.id, EMPTY_BRIEF],
			[client!.id, EMPTY_BRIEF],
			[null, EMPTY_BRIEF]
		]);
	});
});

function listOf(id: string, scope: string) {
	const list = {
		id,
		scope,
		name: id,
		origin: 'file' as const,
		order: 1,
		addedAt: 1,
		count: 1,
		rejected: [],
		isHidden: false
	};
	return { list, rows: [blankKeyword(`wall ${id}`)] };
}

async function everything() {
	return Promise.all(db.tables.map(async (table) => [table.name, await table.toArray()]));
}
