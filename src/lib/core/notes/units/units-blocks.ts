import type { Block, PageBlock } from '../../pages';
import { isPrintable, type NoteUnit, type ReadNoteUnits } from './unit';

/**
 * What of a note can be drawn on, as blocks: headings, paragraphs, whole lists and tables,
 * quotations. A question that is answered below it becomes the heading of its answer. What is
 * never printed is left out.
 */
export function blocksOfUnits({ units, headings, columns }: ReadNoteUnits): PageBlock[] {
	const blocks: Block[] = [];
	let open: NoteUnit[] = [];
	const close = () => {
		if (open.length > 0) blocks.push(...blocksOf(open, columns));
		open = [];
	};
	let next = 0;
	units.forEach((unit, i) => {
		for (; next < headings.length && headings[next]!.before <= i; next++) {
			close();
			// the names of a table's columns stand in the table
			const { text, level } = headings[next]!;
			if (!isColumns(text, columns)) blocks.push({ kind: 'heading', level, text });
		}
		if (unit.kind === 'question') {
			close();
			blocks.push({ kind: 'heading', level: 3, text: unit.text });
		} else if (isPrintable(unit)) {
			if (open.length > 0 && !isTogether(open.at(-1)!, unit)) close();
			open.push(unit);
		} else close();
	});
	close();
	return withoutEmptyHeadings(blocks).map((block) => ({ block, dropped: null }));
}

function isColumns(text: string, columns: ReadNoteUnits['columns']): boolean {
	return [...columns.values()].some(
		(names) => names.filter((name) => name !== '').join(' | ') === text
	);
}

function isTogether(one: NoteUnit, other: NoteUnit): boolean {
	if (one.kind === 'quote' || other.kind === 'quote') return false;
	if (one.kind === 'row' || other.kind === 'row')
		return one.kind === other.kind && one.table === other.table;
	if (one.list >= 0 || other.list >= 0)
		return one.list === other.list && (one.kind === 'step') === (other.kind === 'step');
	return one.paragraph === other.paragraph;
}

function blocksOf(units: readonly NoteUnit[], columns: ReadNoteUnits['columns']): Block[] {
	const [first] = units;
	if (first!.kind === 'quote') return units.map(({ text }) => ({ kind: 'quote', text }));
	if (first!.kind === 'row') {
		const head = columns.get(first!.table);
		const rows = units.map(({ cells, text }) => (cells.length > 0 ? cells : [text]));
		return [{ kind: 'table', header: head !== undefined, rows: head ? [head, ...rows] : rows }];
	}
	if (first!.list >= 0) {
		const items: string[] = [];
		let at = -1;
		for (const { position, text } of units) {
			if (position === at) items[items.length - 1] = joined(items.at(-1)!, text);
			else items.push(text);
			at = position;
		}
		return [{ kind: 'list', ordered: first!.kind === 'step', items }];
	}
	return [{ kind: 'paragraph', text: units.map(({ text }) => text).reduce(joined) }];
}

/** Jottings end without a stop: a line break keeps two of them from being read as one sentence. */
function joined(one: string, other: string): string {
	return `${one}${/[.!?…]["”’)\]]*$/.test(one) ? ' ' : '\n'}${other}`;
}

/** A heading all of whose text is never printed says nothing; a title stays. */
function withoutEmptyHeadings(blocks: readonly Block[]): Block[] {
	return blocks.filter((block, i) => {
		if (block.kind !== 'heading' || block.level === 1 || i === 0) return true;
		const next = blocks[i + 1];
		if (next === undefined) return false;
		return next.kind !== 'heading' || next.level > block.level;
	});
}
