import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { docOf, heading, paragraph, textNode, type TakeDoc } from '../manuscript';
import { ArticleReader, readArticle, type Ruler } from '../measure';
import { indexTerms } from '../text';
import { brandCheck, forbiddenCheck, mustSayCheck, type WordingRules } from './checks';
import { decidedMarks, withDecision } from './decisions';
import { Proofreader, type Checks } from './run-checks';

const RULER: Ruler = { terms: indexTerms([]), runs: new Float64Array() };
const docWith = (...texts: readonly string[]): TakeDoc =>
	docOf(texts.map((text) => paragraph(textNode(text))));
const checksFor = (rules: Partial<WordingRules>): Checks => ({
	blocks: [forbiddenCheck(rules.mustNotSay ?? []), brandCheck(rules.brands ?? [])],
	article: [mustSayCheck(rules.mustSay ?? [])]
});
const marksIn = (doc: TakeDoc, rules: Partial<WordingRules>) =>
	new Proofreader(checksFor(rules)).read(readArticle(doc, RULER));
const told = (text: string, rules: Partial<WordingRules>) =>
	marksIn(docWith(...text.split('\n')), rules).map(({ check, quote, about }) => [
		check,
		quote || about
	]);

describe('wording', () => {
	it('misses what must be said unless most of it stands in one sentence', () => {
		const mustSay = ['A wall stands without mortar', 'Lift with two people'];
		expect(told('Walls of this kind stand without any mortar.\nLift slowly.', { mustSay })).toEqual(
			[['must be said', 'Lift with two people']]
		);
		expect(told('', { mustSay: ['Lift with two people'] })).toHaveLength(1);
	});

	it('marks what must not be said, in any inflection, and nothing else', () => {
		expect(
			told('It is a game-changer. Game changers bore us. The game changed.', {
				mustNotSay: ['game-changer', '…']
			})
		).toEqual([
			['must not be said', 'game-changer'],
			['must not be said', 'Game changers']
		]);
		expect(told('Uneasy lies the head.', { mustNotSay: ['easy'] })).toEqual([]);
	});

	it('marks other spellings of a name, offers the right one, and leaves its own alone', () => {
		const brands = [{ name: 'Fellgate Tools', wrong: ['Fellgates', 'Fellgate'] }];
		const text = 'Fellgate Tools makes it. fellgate tools, FellGate-Tools and Fellgates do not.';
		expect(told(text, { brands }).map(([, quote]) => quote)).toEqual([
			'fellgate tools',
			'FellGate-Tools',
			'Fellgates'
		]);
		expect(marksIn(docWith(text), { brands })[0]!.fixes).toEqual([
			{ label: 'Write “Fellgate Tools”', replacement: 'Fellgate Tools' }
		]);
	});

	it('takes names as text and never as a pattern', () => {
		expect(
			told('C++ (the tool) and C', { brands: [{ name: 'C++ (the tool)', wrong: ['C+'] }] })
		).toEqual([]);
	});
});

describe('Proofreader', () => {
	const rules = { mustNotSay: ['cheap'], mustSay: ['two people lift'] };

	it('gives every mark the place where its words stand', () => {
		fc.assert(
			fc.property(
				fc.array(fc.constantFrom('A cheap wall. ', 'Good. ', 'So cheap!\n', 'cheap'), {
					maxLength: 12
				}),
				(texts) => {
					const article = readArticle(docWith(...texts), RULER);
					const marks = new Proofreader(checksFor(rules)).read(article);
					for (const { place, quote, sentence } of marks) {
						if (!place) continue;
						const { text } = article.blocks[place.block]!;
						expect(text.slice(place.start, place.end)).toBe(quote);
						expect(sentence).toContain(quote);
					}
					const expected = texts.join(' ').match(/cheap/g)?.length ?? 0;
					expect(marks.filter(({ place }) => place)).toHaveLength(expected);
					expect(new Set(marks.map(({ id }) => id)).size).toBe(marks.length);
				}
			)
		);
	});

	it('finds the same after any edits as from scratch', () => {
		const block = fc.constantFrom('A cheap wall.', 'Two people lift it.', 'Good.', '');
		fc.assert(
			fc.property(fc.array(fc.array(block, { maxLength: 6 }), { maxLength: 6 }), (states) => {
				const nodes = new Map<string, ReturnType<typeof paragraph>>();
				const nodeOf = (text: string) => {
					if (!nodes.has(text)) nodes.set(text, paragraph(textNode(text)));
					return nodes.get(text)!;
				};
				const reader = new ArticleReader(RULER);
				const proof = new Proofreader(checksFor(rules));
				for (const texts of states) {
					const doc = docOf(texts.map(nodeOf));
					expect(proof.read(reader.readDoc(doc))).toEqual(
						new Proofreader(checksFor(rules)).read(readArticle(doc, RULER))
					);
				}
			})
		);
	});

	it('looks at a block again only when it has changed', () => {
		let looks = 0;
		const counting: Checks = {
			blocks: [{ id: 'count', reads: 'brief', look: () => (looks++, []) }],
			article: []
		};
		const first = paragraph(textNode('One.'));
		const second = paragraph(textNode('Two.'));
		const reader = new ArticleReader(RULER);
		const proof = new Proofreader(counting);
		proof.read(reader.readDoc(docOf([first, second])));
		proof.read(reader.readDoc(docOf([heading(2, 'New'), first, second])));
		expect(looks).toBe(3);
	});
});

describe('decisions', () => {
	const rules = { mustNotSay: ['cheap'] };

	it('hold while text around the sentence changes, and no longer when the sentence does', () => {
		const [mark] = marksIn(docWith('A cheap wall falls.'), rules);
		const decisions = withDecision([], { mark: mark!.id, reason: 'a quotation' });
		const open = (...texts: readonly string[]) =>
			decidedMarks(marksIn(docWith(...texts), rules), decisions).open.length;
		expect(open('New above.', 'Before it. A cheap wall falls. After it.')).toBe(0);
		expect(open('A cheap wall falls soon.')).toBe(1);
		expect(open('A cheap wall falls. A cheap wall falls.')).toBe(1);
	});

	it('keep the last reason given', () => {
		const [mark] = marksIn(docWith('A cheap wall.'), rules);
		const decisions = ['first', 'second'].reduce(
			(all, reason) => withDecision(all, { mark: mark!.id, reason }),
			[] as ReturnType<typeof withDecision>
		);
		expect(decidedMarks([mark!], decisions).dismissed.map(({ reason }) => reason)).toEqual([
			'second'
		]);
	});
});
