import type { Element } from 'hast';
import { countWords } from '../../text';
import { stringOf } from '../html-tree';
import { hasTag, textIn } from './element-text';
import { splitAtBreaks } from './lines';

/** Words of a cell from which it can hold a text of its own. */
const WORDS_OF_TEXT = 60;

const CELL = /^(?:cell|gridcell|columnheader|rowheader)$/;

/** Rows and their cells, of a table or of what is made to be one by roles. */
export function rowsOf(table: Element): { rows: Element[]; cells: Element[][] } {
	const rows: Element[] = [];
	const isMade = isMadeTable(table);
	if (isMade) collectMadeRows(table, rows);
	else collectRows(table, rows);
	const isCell = (element: Element) =>
		isMade ? CELL.test(roleOf(element)) : /^t[dh]$/.test(element.tagName);
	const cells = rows.map((row) =>
		row.children.filter((n): n is Element => n.type === 'element' && isCell(n))
	);
	return { rows, cells };
}

/** Whether an element that is no table is one by its roles, with rows of two cells or more. */
export function isMadeTable(element: Element): boolean {
	if (
		element.properties.role === undefined ||
		element.tagName === 'table' ||
		!/^(?:table|grid)$/.test(roleOf(element))
	)
		return false;
	const rows: Element[] = [];
	collectMadeRows(element, rows);
	return rows.some(
		({ children }) =>
			children.filter((child) => child.type === 'element' && CELL.test(roleOf(child))).length >= 2
	);
}

export function isHeaderCell(cell: Element): boolean {
	return cell.tagName === 'th' || roleOf(cell) === 'columnheader';
}

/** Whether a cell holds a text in parts, and no entry of a table. */
export function holdsText(cell: Element): boolean {
	if (countWords(textIn(cell)) <= WORDS_OF_TEXT) return false;
	return hasTag(cell, /^(?:table|h[1-6]|article|p)$/) || splitAtBreaks(cell.children).length > 2;
}

function roleOf({ properties }: Element): string {
	return stringOf(properties.role).toLowerCase();
}

function collectRows(element: Element, rows: Element[]): void {
	for (const child of element.children) {
		if (child.type !== 'element') continue;
		if (child.tagName === 'tr') {
			if (element.tagName === 'thead') child.properties.dataHead = true;
			rows.push(child);
		} else if (/^(?:thead|tbody|tfoot)$/.test(child.tagName)) collectRows(child, rows);
	}
}

function collectMadeRows(element: Element, rows: Element[]): void {
	for (const child of element.children) {
		if (child.type !== 'element') continue;
		if (roleOf(child) === 'row') rows.push(child);
		else if (!CELL.test(roleOf(child))) collectMadeRows(child, rows);
	}
}
