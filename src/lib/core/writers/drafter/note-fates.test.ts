import { beforeAll, describe, expect, it } from 'vitest';
import { jobAnalysis } from '../../../../../tests/support/job-analysis';
import { draftMaterialOf } from '../../assignment';
import { docOf, docText, gap, heading, paragraph, textNode, type TakeDoc } from '../../manuscript';
import { proposePlan } from '../../plan';
import { draftArticle } from './built-in';
import type { DraftMaterial } from './draft-material';
import { noteFatesOf, stretchOf, type NoteFate } from './note-fates';

let material: DraftMaterial;
let draft: TakeDoc;
let fates: NoteFate[];

beforeAll(() => {
	const analysis = jobAnalysis('moss-lawn');
	material = draftMaterialOf(analysis, proposePlan(analysis.findings));
	draft = draftArticle(material);
	fates = noteFatesOf(draft, material);
}, 60_000);

const squeezed = (text: string) =>
	text
		.toLowerCase()
		.match(/[\p{L}\p{N}]+/gu)
		?.join(' ') ?? '';
const textUnder = (doc: TakeDoc, from: number) => {
	const blocks = doc.content.slice(from + 1);
	const next = blocks.findIndex(({ type }) => type === 'heading');
	return squeezed(
		blocks
			.slice(0, next < 0 ? undefined : next)
			.map(docText)
			.join('\n')
	);
};

describe('noteFatesOf', () => {
	it('says of every unit of every note what became of it, once', () => {
		for (const { id, units } of material.notes) {
			const told = fates.filter(({ note }) => note === id).flatMap((one) => one.units);
			expect([...told].sort()).toEqual(units.units.map(({ key }) => key).sort());
		}
	});

	it('finds the last words of what is used under the heading it names', () => {
		const used = fates.filter(({ fate }) => fate.kind === 'used');
		expect(used.length).toBeGreaterThan(40);
		const found = used.filter(({ text, fate }) => {
			const under = textUnder(draft, fate.kind === 'used' ? fate.block : -1);
			return under.includes(squeezed(text).split(' ').slice(-3).join(' '));
		});
		// abbreviations are written out in print, so that not all end as in the note
		expect(found.length / used.length).toBeGreaterThan(0.88);
	});

	it('never says that what stays in the notes is used, and offers none of it', () => {
		const kinds = new Set(['off-record', 'do-not-say', 'brief', 'todo']);
		const kept = fates.filter(({ kind }) => kinds.has(kind));
		expect(kept.length).toBeGreaterThan(10);
		for (const { fate } of kept) expect(fate.kind).toBe('kept back');
		const printed = squeezed(draft.content.map(docText).join('\n'));
		for (const { text } of kept) {
			const words = squeezed(text);
			if (words.split(' ').length > 3) expect(printed).not.toContain(words);
		}
	});

	it('offers what is left out in a form in which it is then found as used', () => {
		const empty = docOf(
			material.plan.sections.map(({ level, heading: text, id }) => heading(level, text, id))
		);
		const open = noteFatesOf(empty, material).filter(({ fate }) => fate.kind === 'left out');
		expect(open.length).toBeGreaterThan(60);
		for (const one of open.slice(0, 40)) {
			if (one.fate.kind !== 'left out' || one.fate.blocks.length === 0) continue;
			const at = empty.content.length - 1;
			const brought = docOf([...empty.content, ...one.fate.blocks]);
			const again = noteFatesOf(brought, material).find(
				({ note, units }) => note === one.note && units[0] === one.units[0]
			);
			const { fate } = again!;
			// a question or where it was noted has no words of its own in the article
			if (fate.kind === 'left out' && ['question', 'background', 'aside'].includes(fate.reason))
				continue;
			expect(fate, one.text).toMatchObject({ kind: 'used', block: at });
		}
	});

	it('finds a jotting in the gap that asks to work it in, and gives a sentence for it', () => {
		const jotting = fates.find(({ fate }) => fate.kind === 'to work in');
		expect(jotting).toBeDefined();
		const { fate } = jotting!;
		if (fate.kind !== 'to work in') throw new Error('expected a jotting');
		expect(fate.blocks.map(docText).join('')).toMatch(/[.!?]$/);
	});

	it('names the sections that suit it best, where it was left out for want of room', () => {
		const full = {
			...material.plan,
			sections: material.plan.sections.map((one) => ({ ...one, budget: 10 }))
		};
		const small = { ...material, plan: full };
		const left = noteFatesOf(draftArticle(small), small).flatMap(({ fate }) =>
			fate.kind === 'left out' && fate.reason === 'no room' ? [fate] : []
		);
		expect(left.length).toBeGreaterThan(0);
		const ids = new Set(full.sections.map(({ id }) => id));
		for (const { nearest } of left) {
			expect(nearest.length).toBeGreaterThan(0);
			for (const id of nearest) expect(ids.has(id)).toBe(true);
		}
	});

	it('keeps back what holds a phrase that must not be said', () => {
		const unit = fates.find(
			({ fate, text }) => fate.kind === 'used' && text.split(' ').length > 8
		)!;
		const phrase = unit.text
			.split(' ')
			.slice(2, 5)
			.join(' ')
			.replace(/[.,;:]/g, '');
		const strict = { ...material, mustNotSay: [phrase] };
		const now = noteFatesOf(draftArticle(strict), strict).find(
			({ note, units }) => note === unit.note && units[0] === unit.units[0]
		);
		expect(now!.fate).toEqual({ kind: 'kept back', reason: 'forbidden phrase' });
	});

	it('counts a text that the writer typed over as used while its end stands', () => {
		const note = material.notes[0]!;
		const unit = note.units.units.find(
			({ kind, text }) => kind === 'claim' && text.split(' ').length > 9
		)!;
		const doc = docOf([
			heading(2, 'Mine'),
			paragraph(textNode(`Now it begins otherwise, ${unit.text.split(' ').slice(2).join(' ')}`)),
			gap('Something is missing.')
		]);
		const fate = noteFatesOf(doc, material).find(({ units }) => units.includes(unit.key))!.fate;
		expect(fate).toEqual({ kind: 'used', block: 0, heading: 'Mine' });
	});
});

describe('stretchOf', () => {
	it('reaches from the first words of a unit to its last', () => {
		const text = 'At High Fold, the turf was stripped and kept. It was dry by noon.';
		const found = stretchOf(text, 'The turf was stripped and kept.')!;
		expect(text.slice(found.start, found.end)).toBe('the turf was stripped and kept');
	});

	it('takes the last words alone where the start was changed, and is null where they are gone', () => {
		const text = 'Then they went and laid the long stones flat across the wall.';
		const found = stretchOf(text, 'She laid the long stones flat across the wall')!;
		expect(text.slice(found.start, found.end)).toBe('long stones flat across the wall');
		expect(stretchOf(text, 'nothing of this')).toBeNull();
		expect(stretchOf('', 'a')).toBeNull();
	});
});
