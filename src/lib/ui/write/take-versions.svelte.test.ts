import 'fake-indexeddb/auto';
import { flushSync } from 'svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { docText, paragraph, textNode, type BlockNode } from '$lib/core/manuscript';
import type { Version } from '$lib/core/writers';
import { db, type Take } from '$lib/data/db';
import { listVersions } from '$lib/data/versions';
import type { Session } from '../assignment/session.svelte';
import type { ManuscriptEditor } from './manuscript-editor.svelte';
import { TakeVersions } from './take-versions.svelte';
import type { RunEnd, Writing } from './writing.svelte';

const said = (text: string): BlockNode[] => [paragraph(textNode(text))];
const versionOf = (section: string, blocks: readonly BlockNode[]): Version => ({
	section,
	heading: section,
	writer: 'built-in',
	move: 'draft',
	blocks,
	words: blocks.length,
	sources: [],
	outcome: { kind: 'done' }
});

/** A take with a written section `full` and an empty one `bare`, and a writer that gives what it is told to. */
function setUp() {
	const text = new Map<string, readonly BlockNode[]>([
		['full', said('It stands.')],
		['bare', []]
	]);
	const session = $state({ id: 'a', versions: [] as readonly unknown[] });
	const editor = {
		reading: { slips: [{ section: 'full', heading: 'Full' }] },
		blocksOf: (id: string) => text.get(id) ?? [],
		isEmpty: (id: string) => text.get(id)?.length === 0,
		textBeside: () => '',
		goTo: vi.fn(),
		changes: {
			put: vi.fn((id: string, blocks: readonly BlockNode[]) => void text.set(id, blocks))
		}
	};
	const writing = {
		writerName: 'built-in',
		end: { versions: [], open: [], reason: '' } as RunEnd | null,
		gives: [] as Version[],
		requestsFor: (sections: readonly string[]) => sections,
		async write(_: unknown, __: string, take: (version: Version) => void) {
			this.gives.forEach(take);
			return this.end && { ...this.end, versions: this.gives };
		}
	};
	let versions!: TakeVersions;
	$effect.root(() => {
		versions = new TakeVersions(
			session as unknown as Session,
			{ id: 't' } as Take,
			editor as unknown as ManuscriptEditor,
			writing as unknown as Writing
		);
	});
	const follow = async () => {
		session.versions = await listVersions('a');
		flushSync();
	};
	return { versions, editor, writing, text, follow };
}

beforeEach(async () => {
	await db.versions.clear();
});

describe('TakeVersions', () => {
	it('puts the draft of an empty section straight into the text, and keeps it as taken', async () => {
		const { versions, writing, text, follow } = setUp();
		writing.gives = [versionOf('bare', said('Drafted.'))];
		await versions.ask(['bare'], 'draft');
		await follow();
		expect(text.get('bare')).toEqual(said('Drafted.'));
		expect((await listVersions('a')).map(({ state }) => state)).toEqual(['taken']);
		expect(versions.open).toBeNull();
	});

	it('never replaces what stands: a version is offered beside it until it is taken', async () => {
		const { versions, writing, text, editor, follow } = setUp();
		writing.gives = [versionOf('full', said('Another.'))];
		await versions.ask(['full'], 'draft');
		await follow();
		expect(text.get('full')).toEqual(said('It stands.'));
		expect(versions.open?.section).toBe('full');
		expect(versions.standing).toEqual(said('It stands.'));
		versions.put(versions.open!.blocks, 'replace');
		expect(editor.changes.put).toHaveBeenLastCalledWith('full', said('Another.'), 'replace');
		await vi.waitFor(async () => expect((await listVersions('a'))[0]?.state).toBe('taken'));
	});

	it('goes on to the next version of the section when one is left, and keeps what was kept', async () => {
		const { versions, writing, follow } = setUp();
		writing.gives = [versionOf('full', said('One.'))];
		await versions.ask(['full'], 'another version');
		writing.gives = [versionOf('full', said('Two.'))];
		await versions.ask(['full'], 'another version');
		await follow();
		expect(versions.open?.blocks).toEqual(said('Two.'));
		versions.close('kept');
		await vi.waitFor(async () =>
			expect((await listVersions('a')).map(({ state }) => state).sort()).toEqual([
				'kept',
				'offered'
			])
		);
		await follow();
		expect(versions.open?.blocks).toEqual(said('One.'));
		versions.close('left');
		await vi.waitFor(async () =>
			expect((await listVersions('a')).map(({ state }) => state)).toContain('left')
		);
		await follow();
		expect(versions.open).toBeNull();
		expect(versions.signs.map(({ isOpen }) => isOpen)).toEqual([true]);
	});

	it('says which sections a run did not get to, and asks for those alone again', async () => {
		const { versions, writing } = setUp();
		writing.end = { versions: [], open: ['bare'], reason: 'stopped' };
		await versions.ask(['full', 'bare'], 'lengthen');
		expect(versions.unfinished).toEqual({
			sections: ['bare'],
			move: 'lengthen',
			reason: 'stopped'
		});
		writing.end = { versions: [], open: [], reason: '' };
		await versions.ask(versions.unfinished!.sections, versions.unfinished!.move);
		expect(versions.unfinished).toBeNull();
	});

	it('shows a version without a word, and keeps none of it', async () => {
		const { versions, writing } = setUp();
		writing.gives = [versionOf('full', [])];
		await versions.ask(['full'], 'draft');
		expect(versions.open?.blocks).toEqual([]);
		expect(await listVersions('a')).toEqual([]);
		versions.close('left');
		expect(versions.open).toBeNull();
	});

	it('keeps parts of a reply as versions, a cut one as cut', async () => {
		const { versions, follow, editor } = setUp();
		const part = (section: string, isCutOff: boolean) => ({
			section,
			blocks: said(`For ${section}.`),
			isCutOff
		});
		expect(await versions.offerReply([part('full', false), part('bare', true)] as never)).toBe(
			true
		);
		await follow();
		expect(versions.offered.map(({ section, outcome }) => [section, outcome.kind])).toEqual([
			['bare', 'cut off'],
			['full', 'done']
		]);
		expect(editor.goTo).toHaveBeenLastCalledWith('full');
	});

	it('puts a version of a passage in its place, and says when that has been changed', async () => {
		const { versions, editor, writing, text, follow } = setUp();
		const blocks = [...said('One.'), ...said('Two.'), ...said('Three.')];
		text.set('full', blocks);
		writing.gives = [{ ...versionOf('full', said('Two, said better.')), over: ['Two.'] }];
		await versions.ask(['full'], 'shorten', { section: 'full', blocks: [blocks[1]!] });
		await follow();
		expect(versions.standing).toEqual([blocks[1]]);
		expect(versions.isGone).toBe(false);
		versions.put(versions.open!.blocks, 'replace');
		expect(editor.changes.put.mock.calls[0]![1].map(docText)).toEqual([
			'One.',
			'Two, said better.',
			'Three.'
		]);
		await follow();
		versions.showById((await listVersions('a'))[0]!.id);
		flushSync();
		expect(versions.isGone).toBe(true);
	});
});
