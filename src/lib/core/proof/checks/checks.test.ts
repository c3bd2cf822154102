import { describe, expect, it } from 'vitest';
import { demoFindings } from '../../../../../tests/support/demo';
import { docOf, heading, paragraph, textNode, type BlockNode } from '../../manuscript';
import { readArticle } from '../../measure';
import { indexTerms, patternOf } from '../../text';
import { ClaimChecker } from '../claims';
import type { ArticleCheck, BlockCheck } from '../mark';
import { PassageIndex, type ProofSource } from '../passages';
import { Proofreader } from '../run-checks';
import { agedCheck } from './aged';
import { callToActionCheck, requiredCheck } from './brief';
import { claimsBy, claimsCheck } from './claims';
import { closenessCheck } from './closeness';
import { grammarCheck } from './grammar';
import { headingsCheck } from './headings';
import { leftoverCheck, wholenessCheck } from './leftovers';
import { bareAddressCheck } from './links';
import { longCheck, passiveCheck, wholeReadingCheck } from './reading';
import { hedgeCheck, rhythmCheck, senseCheck, stockCheck } from './sameness';
import { spellingCheck } from './spelling';

const say = (text: string) => paragraph(textNode(text));
const read = (blocks: readonly BlockNode[], terms: readonly string[] = []) =>
	readArticle(docOf(blocks), {
		terms: indexTerms(terms.map(patternOf)),
		runs: new Float64Array()
	});
const marksOf = (
	check: BlockCheck | ArticleCheck,
	kind: 'blocks' | 'article',
	blocks: readonly BlockNode[],
	terms: readonly string[] = []
) => new Proofreader({ blocks: [], article: [], [kind]: [check] }).read(read(blocks, terms));
/** Quotations a check of blocks marks in a text. */
const quotes = (check: BlockCheck, text: string) =>
	marksOf(check, 'blocks', [say(text)]).map(({ quote }) => quote);
/** What a check of blocks offers for the first mark of a text. */
const fixes = (check: BlockCheck, text: string) =>
	marksOf(check, 'blocks', [say(text)])[0]?.fixes.map(({ replacement }) => replacement) ?? null;
const about = (check: ArticleCheck, ...blocks: BlockNode[]) =>
	marksOf(check, 'article', blocks).map((mark) => mark.about);

const page = (id: string, ...statements: string[]): ProofSource => ({
	id,
	isNote: false,
	statements,
	names: []
});
const note = (id: string, ...statements: string[]): ProofSource => ({
	id,
	isNote: true,
	statements,
	names: []
});

describe('closeness', () => {
	const index = new PassageIndex([
		page(
			'A',
			'Nothing of it.',
			'The cope is the row of heavy stones that runs along the top of the wall and holds it together.'
		),
		page('B', 'Choose flat heavy stones for the lowest course and bed them firmly in the trench.')
	]);
	const check = closenessCheck(index, (id) => id);

	it('shows a run of eight words and more beside the sentence of the page that has it', () => {
		const [mark] = marksOf(check, 'blocks', [
			say('Here the row of heavy stones that runs along the top lies loose.')
		]);
		expect(mark).toMatchObject({
			reads: 'close',
			quote: 'the row of heavy stones that runs along the top',
			reason: '10 words in a row stand in A'
		});
		const { text, shared } = mark!.beside[0]!;
		expect(text.slice(shared[0]!.start, shared[0]!.end)).toBe(
			'the row of heavy stones that runs along the top'
		);
	});

	it('finds a sentence with three words changed, and leaves one that only shares the subject', () => {
		const near = marksOf(check, 'blocks', [
			say('Pick flat heavy stones for the bottom course and bed them firmly in a trench.')
		]);
		expect(near[0]!.beside[0]!.source).toBe('B');
		expect(quotes(check, 'The trench holds heavy stones, and the cope lies on the wall.')).toEqual(
			[]
		);
	});

	it('takes a quotation with who said it for none', () => {
		const said = '“The row of heavy stones that runs along the top of the wall and holds it,”';
		expect(quotes(check, `${said} says Edda Rawlin.`)).toEqual([]);
		expect(quotes(check, `${said} as it were.`)).toHaveLength(1);
	});
});

describe('claims', () => {
	const checker = new ClaimChecker(
		[
			note('n1', 'A sound wall lasts 150 years on firm ground.', 'the pins: 45 cm each'),
			page('A', 'A sound wall on firm ground stands for 200 years.', 'Dig the trench 30 cm deep.')
		],
		'dry stone wall'
	);
	const claims = (text: string) =>
		checker
			.claimsIn(read([say(text)]))
			.map(({ quote, backing, same, other }) => [
				quote,
				backing,
				[...same, ...other].map(({ source }) => source).join()
			]);

	it('tells backed ones with their sentences, notes first', () => {
		expect(claims('On firm ground it lasts 150 years.')).toEqual([['150 years', 'backed', 'n1']]);
		expect(claims('Dig a trench of 12 inches.')).toEqual([['12 inches', 'backed', 'A']]);
	});

	it('tells another value for the same thing, and what nobody speaks of', () => {
		expect(claims('On firm ground a sound wall lasts 90 years.')).toEqual([
			['90 years', 'differs', 'n1,A']
		]);
		expect(claims('A gate costs £870.')).toEqual([['£870', 'no backing', '']]);
		expect(claims('Studies show that walls outlive hedges.')[0]![1]).toBe('no backing');
	});

	it('leaves small counts alone, and marks only what is not backed', () => {
		expect(claims('Two people lift three stones.')).toEqual([]);
		const check = claimsCheck(claimsBy(checker), (id) => id);
		const marks = marksOf(check, 'article', [
			say('On firm ground it lasts 150 years. On firm ground a sound wall lasts 90 years.')
		]);
		expect(
			marks.map(({ quote, fixes: offered }) => [quote, offered.map((f) => f.replacement)])
		).toEqual([['90 years', ['150 years', '200 years']]]);
	});
});

describe('leftovers', () => {
	it.each([
		['Sure! Here is the section.', 'Sure!'],
		['I hope this helps you.', 'I hope this helps you.'],
		['In the next section, we look at the cope.', 'In the next section'],
		['[Insert a quote here] and go on.', '[Insert a quote here]'],
		['As an AI language model, I have no hands.', 'As an AI language model, I have no hands.'],
		['This is **bold** of you.', '**bold'],
		['Word count: 1,200', 'Word count: 1,200'],
		['In conclusion, walls last.', 'In conclusion,']
	])('finds “%s”', (text, quote) => {
		expect(quotes(leftoverCheck, text)).toContain(quote);
	});

	it('leaves sentences of the subject alone', () => {
		const text =
			'Sure footing matters. In the next field stands a sheepfold. I hope it stays dry. Note: lift with two people. [sic] is right.';
		expect(quotes(leftoverCheck, text)).toEqual([]);
	});

	it('tells what breaks off, stands empty or ends twice', () => {
		expect(
			about(
				wholenessCheck,
				heading(2, 'Footings'),
				heading(2, 'Conclusion'),
				say('It stands for ages and then'),
				heading(2, 'Final thoughts'),
				say('It stands.')
			)
		).toEqual(['empty section', 'breaks off', 'doubled ending']);
	});
});

describe('grammar and spelling', () => {
	it.each([
		['You could of seen it.', 'could have'],
		['It is heavier then the other.', 'heavier than'],
		['They was late.', 'They were'],
		['Take an hammer.', 'a'],
		['Lay a even course.', 'an'],
		['Set the the cope.', 'the'],
		['Your going to need it.', 'You’re'],
		['The wall and it’s weight.', 'its'],
		['Their is no mortar.', 'There'],
		['You may loose your grip.', 'may lose'],
		['It ends here .', '']
	])('mends “%s”', (text, replacement) => {
		expect(fixes(grammarCheck, text)).toEqual([replacement]);
	});

	it('says nothing of what is right', () => {
		const text =
			'An hour before a European union, a one-off, an MP and a UK firm met. It had had that effect, more then than now. Does it have any? People who use it are glad. Its weight is what it is because it’s heavy. If she do well… He said that that was so.';
		expect(quotes(grammarCheck, text)).toEqual([]);
	});

	it('knows words of notes and pages, names in capitals and parts of hyphened words', () => {
		const speller = {
			correct: (word: string) => /^(?:the|wall|stone|heavy|is|and|built)$/.test(word),
			suggest: () => ['heavy', 'wall']
		};
		const check = spellingCheck(speller, new Set(['throughstone', 'hearting']));
		expect(
			quotes(check, 'The throughstones and hearting, NFU and heavy-built wall is haevy.')
		).toEqual(['haevy']);
		expect(fixes(check, 'The wall is haevy.')).toEqual(['heavy', 'wall']);
	});
});

describe('reading and sameness', () => {
	const long = `${'so that the stone lies well and '.repeat(7)}holds.`;

	it('marks long sentences and paragraphs, passive runs and walls of text', () => {
		expect(quotes(longCheck, `It ${long}`)).toHaveLength(1);
		expect(
			quotes(
				passiveCheck,
				'It was built in May. It was found in June. It was sold in July. He left.'
			)
		).toEqual(['It was built in May.']);
		const wall = Array.from({ length: 12 }, () =>
			say(`${'The stones lie on the two below. '.repeat(6)}`)
		);
		expect(about(wholeReadingCheck(8), ...wall)).toEqual(['wall']);
		expect(
			about(wholeReadingCheck(8), ...wall.flatMap((block) => [heading(2, 'Next'), block]))
		).toEqual([]);
	});

	it('offers a plainer phrase, and marks what takes itself back', () => {
		expect(fixes(stockCheck, 'In order to build it, dig.')).toEqual(['To']);
		expect(quotes(stockCheck, 'A wide range of stone will do.')).toEqual(['A wide range of']);
		expect(fixes(stockCheck, 'It is important to note that granite splits badly.')).toEqual([
			'Granite'
		]);
		expect(fixes(stockCheck, 'It is hard, and it’s worth noting that granite splits.')).toEqual([
			'granite'
		]);
		expect(quotes(stockCheck, 'Needless to say, a wall moves.')).toEqual(['Needless to say, a']);
		expect(fixes(stockCheck, 'The bottom line is the cope.')).toEqual([]);
		expect(quotes(hedgeCheck, 'It may perhaps possibly hold.')).toHaveLength(1);
		expect(quotes(hedgeCheck, 'It may hold.')).toEqual([]);
	});

	it('marks openings that repeat and lengths that never vary', () => {
		expect(quotes(rhythmCheck, 'It lies. It holds well. It stays there.')).toEqual([
			'It stays there.'
		]);
		expect(
			quotes(
				rhythmCheck,
				'The stones lie flat here. A wall needs good feet. No one builds them fast. Each face leans to it. Both sides meet up there.'
			)
		).toHaveLength(1);
	});

	it('marks sentences said before, of one frame, and of nothing but terms', () => {
		const marks = marksOf(
			senseCheck,
			'article',
			[
				say('The cope holds the wall together. The cope holds the wall together.'),
				say('The best hammer for a good wall is the one with a cope.'),
				say('The best trench for a good wall is the one with a batter.')
			],
			['cope', 'hammer', 'trench', 'batter']
		);
		expect(marks.map((mark) => mark.about)).toEqual(['said before', 'same frame']);
	});
});

describe('headings, age, links and brief', () => {
	it('holds headings against the text below and title and description against results', () => {
		const { findings } = demoFindings();
		const check = headingsCheck(findings, { titleTag: 'Walls', description: '' });
		expect(
			about(
				check,
				heading(1, 'Walls'),
				heading(2, 'How high can it be?'),
				say('High.'),
				heading(2, 'Below ground'),
				heading(4, 'Deep down'),
				say('It goes on for a while here, and says what it has to say.')
			)
		).toEqual(['unanswered', 'level', 'title tag', 'description']);
	});

	it('marks years that look old, and leaves history and ranges alone', () => {
		const check = agedCheck(2026);
		expect(
			quotes(check, 'In 2021 it cost £9. Built in 1854, sold since 2019. This year it costs more.')
		).toEqual(['2021', 'This year']);
	});

	it('marks bare addresses', () => {
		expect(quotes(bareAddressCheck, 'See https://walls.example/cope, or ask.')).toEqual([
			'https://walls.example/cope'
		]);
	});

	it('misses the call to action and required phrases', () => {
		expect(
			about(callToActionCheck('Visit the forge shop at High Fold'), say('Lift it.'))
		).toHaveLength(1);
		expect(
			about(
				callToActionCheck('Visit the forge shop at High Fold'),
				say('Visit our forge at High Fold.')
			)
		).toEqual([]);
		expect(about(requiredCheck(['garden wall', 'cope']), say('Garden walls have copes.'))).toEqual(
			[]
		);
		expect(about(requiredCheck(['garden wall']), say('A wall.'))).toEqual(['garden wall']);
	});
});
