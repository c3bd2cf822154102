import { briefStateOf } from '$lib/core/brief';
import type { Assignment } from '$lib/data/db';
import type { Stock } from '$lib/data/glances';

/** How far an assignment is: the stage that has the next thing to do, or that it has left the desk. */
export const STEPS = [
	'brief',
	'gather',
	'plan',
	'write',
	'proof',
	'deliver',
	'handed over'
] as const;
export type Step = (typeof STEPS)[number];

/** An assignment as its row in the list shows it. */
export interface ListRow {
	readonly assignment: Assignment;
	/** Empty: nobody named. */
	readonly client: string;
	readonly step: Step;
	readonly stock: Stock;
	/** Days until it is due, below 0 when it is late; null: no date. */
	readonly daysLeft: number | null;
}

const NOTHING: Stock = { pages: 0, notes: 0, hasPlan: false, takes: 0, glance: null };
/** Part of its length from which a text is read and no longer written. */
const WRITTEN_AT = 0.8;

/** Assignments as rows. */
export function rowsOf(
	assignments: readonly Assignment[],
	clients: ReadonlyMap<string, string>,
	stocks: ReadonlyMap<string, Stock>,
	today: Date
): ListRow[] {
	return assignments.map((assignment) => {
		const stock = stocks.get(assignment.id) ?? NOTHING;
		return {
			assignment,
			client: (assignment.client && clients.get(assignment.client)) || '',
			step: stepOf(assignment, stock),
			stock,
			daysLeft: daysUntil(assignment.brief.deadline, today)
		};
	});
}

function stepOf({ brief, delivery, targetWords }: Assignment, stock: Stock): Step {
	const { pages, notes, hasPlan, takes, glance } = stock;
	if (delivery.handedOver.length > 0) return 'handed over';
	if (takes === 0) {
		if (hasPlan) return 'write';
		if (pages > 0) return 'plan';
		return notes === 0 && briefStateOf(brief) === 'open' ? 'brief' : 'gather';
	}
	if (!glance || glance.gaps > 0 || glance.words < WRITTEN_AT * (targetWords ?? 0)) return 'write';
	return glance.openMarks === 0 ? 'deliver' : 'proof';
}

function daysUntil(deadline: string | null, today: Date): number | null {
	if (!deadline) return null;
	const [year = 0, month = 1, day = 1] = deadline.split('-').map(Number);
	const midnight = Date.UTC(today.getFullYear(), today.getMonth(), today.getDate());
	return Math.round((Date.UTC(year, month - 1, day) - midnight) / 86_400_000);
}

export const ORDERS = {
	worked: 'worked on last',
	due: 'due first',
	title: 'title',
	client: 'client',
	step: 'how far it is',
	standing: 'standing'
} as const;
export type Order = keyof typeof ORDERS;

const byText = (a: string, b: string) => a.localeCompare(b, 'en', { sensitivity: 'base' });
/** Nothing known goes last. */
const known = (value: number | null | undefined) => value ?? Infinity;
const COMPARE: Readonly<Record<Order, (a: ListRow, b: ListRow) => number>> = {
	worked: (a, b) => b.assignment.updatedAt - a.assignment.updatedAt,
	due: (a, b) => before(known(a.daysLeft), known(b.daysLeft)),
	title: (a, b) => byText(a.assignment.title, b.assignment.title),
	client: (a, b) => Number(a.client === '') - Number(b.client === '') || byText(a.client, b.client),
	step: (a, b) => STEPS.indexOf(a.step) - STEPS.indexOf(b.step),
	standing: (a, b) => before(-(a.stock.glance?.standing ?? -1), -(b.stock.glance?.standing ?? -1))
};

/** Two infinities are equal. */
function before(a: number, b: number): number {
	return a === b ? 0 : a - b;
}

/** What is looked for in the list. */
export interface Wanted {
	/** Words of title, keyword or client, in any order. */
	readonly text: string;
	/** Name of a client; empty: of all. */
	readonly client: string;
	readonly order: Order;
}

/** The rows that are wanted, in their order; where that says nothing, the one worked on last first. */
export function wantedRows(rows: readonly ListRow[], { text, client, order }: Wanted): ListRow[] {
	const words = text.toLowerCase().split(/\s+/).filter(Boolean);
	return rows
		.filter((row) => client === '' || row.client === client)
		.filter(({ assignment: { title, keyword }, client: name }) => {
			const all = `${title} ${keyword} ${name}`.toLowerCase();
			return words.every((word) => all.includes(word));
		})
		.sort((a, b) => COMPARE[order](a, b) || COMPARE.worked(a, b));
}

/** When it is due, in words. */
export function dueIn(days: number): string {
	if (days < -1) return `${-days} days late`;
	if (days === -1) return 'a day late';
	if (days === 0) return 'due today';
	if (days === 1) return 'due tomorrow';
	return days <= 14 ? `due in ${days} days` : '';
}
