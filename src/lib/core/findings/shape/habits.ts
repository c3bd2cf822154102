import { HABITS, type HabitId } from '../../reading';

/** Pages that share a habit. */
export interface Habit {
	readonly id: HabitId;
	readonly pages: readonly string[];
}

/** Habits of the counted pages, those of most pages first. */
export function findHabits(
	pages: readonly { readonly id: string; readonly habits: readonly HabitId[] }[]
): Habit[] {
	return HABITS.map(({ id }) => ({
		id,
		pages: pages.filter(({ habits }) => habits.includes(id)).map((page) => page.id)
	}))
		.filter(({ pages: on }) => on.length > 0)
		.sort((a, b) => b.pages.length - a.pages.length);
}
