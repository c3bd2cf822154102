import type { Block, Section } from '../pages';
import { countWords, sentencesOf } from '../text';
import { isQuestion } from './question-form';

/** What pages of one kind have in common in the way they are made, in the words of the screen. */
export const HABITS = [
	{ id: 'definition', one: 'opens with a definition', many: 'open with a definition' },
	{ id: 'asks', one: 'opens with a question', many: 'open with a question' },
	{ id: 'facts-first', one: 'puts key facts first', many: 'put key facts first' },
	{ id: 'steps', one: 'uses numbered steps', many: 'use numbered steps' },
	{ id: 'lists', one: 'uses bulleted lists', many: 'use bulleted lists' },
	{ id: 'table', one: 'has a table', many: 'have a table' },
	{
		id: 'faq',
		one: 'answers questions in a part of their own',
		many: 'answer questions in a part of their own'
	},
	{ id: 'asking-headings', one: 'asks in its headings', many: 'ask in their headings' },
	{ id: 'numbered-headings', one: 'numbers its headings', many: 'number their headings' },
	{ id: 'first-person', one: 'tells it in the first person', many: 'tell it in the first person' },
	{ id: 'images', one: 'shows at least one image', many: 'show at least one image' },
	{ id: 'closing', one: 'ends with a summary', many: 'end with a summary' }
] as const;

export type HabitId = (typeof HABITS)[number]['id'];

/** "An orchard is a …", "By hearting we mean …" */
const DEFINES =
	/^(?:(?:an?|the)\s)?[\p{L}'’ -]{2,60}\s(?:is|are|means?)\s(?:an?|the|any|where|when|what|simply|just|two|made|built)\b|^(?:by [\p{L} ]+ we mean|in short|put simply)\b/iu;
const SUMMARY =
	/^(?:conclusions?|summary|in summary|final (?:thoughts|words?)|to sum up|wrapping up|in (?:short|closing|conclusion)|key takeaways?|takeaways|the bottom line|last words?|over to you)\b/i;
const FACTS_FIRST =
	/^(?:key (?:facts|points|takeaways)|at a glance|in brief|quick (?:facts|answer)|the short (?:version|answer)|tl;?dr)\b/i;
/** The habits of one page. */
export function habitsOfPage(
	sections: readonly Section[],
	blocks: readonly Block[],
	{ hasFaq, figures }: { readonly hasFaq: boolean; readonly figures: number }
): HabitId[] {
	const habits = new Set<HabitId>();
	const paragraphs = blocks.flatMap((block) => (block.kind === 'paragraph' ? [block.text] : []));
	const opening = paragraphs.slice(0, 2).flatMap((text) => sentencesOf(text).map((s) => s.text));
	const headings = sections.flatMap(({ heading }) => (heading ? [heading] : []));
	const inner = headings.filter(({ level }) => level >= 2);
	if (opening.slice(0, 3).some((sentence) => DEFINES.test(sentence))) habits.add('definition');
	if (opening[0]?.endsWith('?')) habits.add('asks');
	if (inner[0] && FACTS_FIRST.test(inner[0].text)) habits.add('facts-first');
	const steps = inner.filter(({ text }) => /^step \d/i.test(text)).length;
	const numbered = inner.filter(({ text }) => /^\d{1,2}[.):]\s/.test(text)).length;
	if (steps >= 2 || blocks.some((block) => block.kind === 'list' && block.ordered))
		habits.add('steps');
	if (blocks.some((block) => block.kind === 'list' && !block.ordered)) habits.add('lists');
	if (blocks.some(({ kind }) => kind === 'table')) habits.add('table');
	if (hasFaq) habits.add('faq');
	if (inner.filter(({ text }) => isQuestion(text)).length * 3 >= inner.length && inner.length >= 3)
		habits.add('asking-headings');
	if (numbered * 2 >= inner.length && numbered >= 3) habits.add('numbered-headings');
	const text = paragraphs.join(' ');
	const told = text.match(/\b(?:I|we|my|our)\b/g)?.length ?? 0;
	if (told / Math.max(1, countWords(text)) > 0.012) habits.add('first-person');
	if (figures > 0) habits.add('images');
	const last = headings.at(-1);
	if (last && SUMMARY.test(last.text)) habits.add('closing');
	return [...habits];
}
