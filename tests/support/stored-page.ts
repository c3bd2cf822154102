import { articleSign } from '../../src/lib/core/assignment';
import { judgePage, readText, sketchOf } from '../../src/lib/core/pages';
import type { Assignment, Page } from '../../src/lib/data/db';

/** A counted page as it is stored, read from a text; the address says which site it is from. */
export function storedPage(
	assignment: Assignment,
	id: string,
	order: number,
	text = `# Walls\n\nA wall named ${id}.`,
	address = ''
): Page {
	const article = { ...readText(text), address };
	return {
		id,
		assignment: assignment.id,
		name: `${id}.md`,
		address,
		origin: 'text',
		order,
		article,
		sign: articleSign(article),
		judgement: judgePage(article, assignment.keyword),
		counted: true,
		struck: [],
		result: null,
		sketch: sketchOf(article)
	};
}
