import { toast } from 'svelte-sonner';
import { keptBlocksOf, ruleFor, siteOf, struckBy } from '$lib/core/pages';
import type { UnitEdits } from '$lib/core/notes';
import type { Assignment, Note, Page } from '$lib/data/db';
import {
	changeEvidence,
	readEvidence,
	setCounted,
	setStruck,
	setStruckByRules,
	setUnitEdits,
	type Evidence
} from '$lib/data/pages';
import { analysis } from '$lib/workers/client';
import type { Session } from '../assignment/session.svelte';
import { addTakeAsStep } from '../assignment/add-take';
import { history } from '../frame/history.svelte';
import { countOf } from '../parts/count-of';
import { struckByAll } from './page-place';
import { withOffer, type BriefOffer } from './units/brief-offer';

/** Counts a page that is set aside, or sets it aside, as one step. */
export function toggleCounted(page: Page): Promise<void> {
	const counted = !page.counted;
	return history.run({
		label: counted ? `Counted “${page.article.title}”` : `Set “${page.article.title}” aside`,
		redo: () => setCounted(page.id, counted),
		undo: () => setCounted(page.id, !counted)
	});
}

/** Strikes out just these blocks of a page, by position, as one step. */
export function strikeBlocks(page: Page, struck: number[]): Promise<void> {
	const before = [...page.struck];
	return history.run(
		{
			label:
				struck.length > before.length ? 'Changed what counts of a page' : 'Changed a block back',
			redo: () => setStruck(page.id, struck),
			undo: () => setStruck(page.id, before)
		},
		{ quiet: true }
	);
}

/** Strikes out everything like a block on all pages of its site, those to come included, as one step. */
export async function strikeLike(
	assignment: Assignment,
	pages: readonly Page[],
	page: Page,
	at: number
): Promise<void> {
	const rule = ruleFor(page.article, at);
	if (!rule) {
		toast('This page does not say which site it is from, so only this block can be struck out.');
		return;
	}
	const changed = pages.flatMap(({ id, article, struck }) => {
		const all = [...new Set([...struck, ...struckBy(rule, article)])].sort((a, b) => a - b);
		return all.length > struck.length ? [{ id, before: [...struck], after: all }] : [];
	});
	const blocks = changed.reduce((sum, { before, after }) => sum + after.length - before.length, 0);
	const rules = [...assignment.strikeRules];
	await history.run({
		label: `Struck out ${countOf(blocks, 'block')} on ${siteOf(page.article)}`,
		redo: () =>
			setStruckByRules(
				assignment.id,
				[...rules, rule],
				changed.map(({ id, after }) => ({ id, struck: after }))
			),
		undo: () =>
			setStruckByRules(
				assignment.id,
				rules,
				changed.map(({ id, before }) => ({ id, struck: before }))
			)
	});
}

/**
 * Cleans a page again from its source as it reads now, as one step. What was struck out on it is
 * gone, but for the rules of its site: the blocks are others.
 *
 * @returns the reason where it gave no article; null where it did
 */
export async function readPageAgain(
	assignment: Assignment,
	page: Page,
	source: string
): Promise<string | null> {
	const cleaned = await analysis.clean(
		{
			name: page.name,
			origin: page.origin,
			address: page.address,
			result: page.result,
			bytes: null,
			text: source
		},
		assignment.keyword
	);
	if (cleaned.kind === 'failed') return cleaned.reason;
	const { article, sign, judgement, sketch } = cleaned;
	const before = await readEvidence({ pages: [page.id] });
	const struck = struckByAll(assignment.strikeRules, article);
	const after: Evidence = {
		...before,
		pages: before.pages.map((one) => ({ ...one, article, sign, judgement, sketch, struck })),
		sources: [{ id: page.id, assignment: assignment.id, source: cleaned.source }]
	};
	await history.run({
		label: `Read “${article.title || page.name}” otherwise`,
		redo: () => changeEvidence(after, {}),
		undo: () => changeEvidence(before, {})
	});
	return null;
}

/** Starts a take from what counts of a page, as one step: an article that exists is worked on. */
export async function takeFromPage(page: Page): Promise<void> {
	const { article, struck, assignment } = page;
	// the reader of Markdown is large, and this is done seldom
	const { docFromBlocks } = await import('./page-as-text');
	const title = article.title || page.name;
	await addTakeAsStep(assignment, {
		label: `Started a take from “${title}”`,
		name: title.slice(0, 60),
		doc: docFromBlocks(keptBlocksOf(article, struck), article.title)
	});
}

/** Changes what the writer said about the units of a note, as one step. */
export async function changeUnits(note: Note, edits: UnitEdits, label: string): Promise<void> {
	let before = note.unitEdits;
	await history.run(
		{
			label,
			redo: async () => {
				before = await setUnitEdits(note.id, edits);
			},
			undo: async () => {
				await setUnitEdits(note.id, before);
			}
		},
		{ quiet: true }
	);
}

/** Puts what a unit of a note offers into the brief, as one step. */
export async function takeOffer(session: Session, offer: BriefOffer): Promise<void> {
	const { assignment } = session;
	if (!assignment) return;
	const values =
		offer.field === 'targetWords'
			? { targetWords: Number(offer.value) }
			: { brief: withOffer(offer, assignment.brief) };
	await session.change(`Brief: ${offer.label.toLowerCase()}`, values, { quiet: false });
}

/** Takes evidence out as one step; taking that back brings it as it was. */
export async function takeOut(
	kind: 'pages' | 'notes' | 'awaited',
	ids: readonly string[],
	name: string
): Promise<void> {
	let taken: Evidence | null = null;
	await history.run({
		label: `Took ${name} out`,
		redo: async () => {
			taken = await readEvidence({ [kind]: ids });
			await changeEvidence({}, { [kind]: ids });
		},
		undo: async () => {
			if (taken) await changeEvidence(taken, {});
		}
	});
}
