import { textOf, type Section } from '../pages';
import { countWords } from '../text';
import { isQuestion } from './question-form';

const FAQ_HEADING =
	/^(?:faqs?\b|frequently asked|common questions|questions? (?:and|&) answers|q\s?&\s?a|your questions)/i;

/** Whether a section opens a part of questions and answers, stands in one, or neither. */
export type FaqPlace = 'opens' | 'inside' | 'outside';

/** Where each section stands to a part of questions and answers. */
export function faqPlaces(sections: readonly Section[]): FaqPlace[] {
	let faqLevel = 0;
	return sections.map(({ heading }, index) => {
		const level = heading?.level ?? 0;
		if (faqLevel > 0 && level > 0 && level <= faqLevel) faqLevel = 0;
		const isInside = faqLevel > 0;
		if (FAQ_HEADING.test(heading?.text ?? '') || opensQuestions(sections, index)) faqLevel = level;
		return isInside ? 'inside' : faqLevel > 0 ? 'opens' : 'outside';
	});
}

/** Whether little stands under a heading but at least two sub-headings, all of them questions. */
function opensQuestions(sections: readonly Section[], index: number): boolean {
	const { heading, blocks } = sections[index]!;
	if (!heading || heading.level < 2) return false;
	let inside = 0;
	for (let i = index + 1; i < sections.length; i++) {
		const next = sections[i]!.heading;
		if (!next || next.level <= heading.level) break;
		if (!isQuestion(next.text)) return false;
		inside++;
	}
	if (inside < 2) return false;
	return blocks.reduce((sum, block) => sum + countWords(textOf(block)), 0) <= 40;
}
