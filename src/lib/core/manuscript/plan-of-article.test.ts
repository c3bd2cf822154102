import { describe, expect, it } from 'vitest';
import { demoFindings } from '../../../../tests/support/demo';
import { heading, paragraph, textNode } from './build';
import { docText, type TakeDoc } from './node';
import { planOfArticle } from './plan-of-article';
import { headOf, plannedCuts } from './sections';

const doc: TakeDoc = {
	type: 'doc',
	content: [
		heading(1, 'Walls without mortar'),
		paragraph(textNode('They last.')),
		heading(2, 'Lay the footings'),
		paragraph(textNode('Dig first.')),
		heading(3, 'How deep'),
		paragraph(textNode('To the subsoil.')),
		heading(2, ''),
		heading(2, 'Lay the footings'),
		paragraph(textNode('Once more.'))
	]
};

describe('planOfArticle', () => {
	const { findings } = demoFindings();
	const made = planOfArticle(doc, findings);

	it('takes the article’s own headings as sections, in their order and depth', () => {
		expect(made.plan.title).toBe('Walls without mortar');
		expect(made.plan.sections.map(({ level, heading }) => [level, heading])).toEqual([
			[1, 'Opening'],
			[2, 'Lay the footings'],
			[3, 'How deep'],
			[2, 'Lay the footings']
		]);
		expect(made.plan.sections[1]!.topics.length).toBeGreaterThan(0);
	});

	it('changes no word of it, and each heading belongs to a section of its own', () => {
		expect(made.doc.content.map(docText)).toEqual(doc.content.map(docText));
		const ids = made.plan.sections.map(({ id }) => id);
		const cuts = plannedCuts(made.doc.content.map(headOf), new Set(ids));
		expect([...cuts.keys()]).toEqual(ids);
	});
});
