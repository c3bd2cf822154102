import { describe, expect, it } from 'vitest';
import { measureVoice } from '../../clients';
import { docOf, heading, paragraph, textNode } from '../../manuscript';
import { readArticle, rhythmOf } from '../../measure';
import { indexTerms } from '../../text';
import { checksOf, type ProofEvidence, type ProofRules } from '../all-checks';
import { PassageIndex } from '../passages';
import { ClaimChecker } from '../claims';
import { Proofreader } from '../run-checks';
import { voiceCheck } from './voice';

const read = (...texts: string[]) =>
	readArticle(docOf([heading(2, 'Dig'), ...texts.map((text) => paragraph(textNode(text)))]), {
		terms: indexTerms([]),
		runs: new Float64Array()
	});
/** As many words as a voice needs. */
const long = (sentence: string) => Array.from({ length: 40 }, () => sentence).join(' ');
const voiceOf = (sentence: string) => measureVoice([{ name: 'a', text: long(sentence) }]);
const reasons = (client: string, text: string) =>
	voiceCheck(voiceOf(client))
		.look(read(text))
		.map(({ reason }) => reason);

describe('voiceCheck', () => {
	it('says where sentences, person and contractions are not those of the client', () => {
		const text = long(
			'The trench is dug down to firm soil before the first of the heavy footings is laid, and it is not filled again until the whole of the course has been set.'
		);
		const found = reasons("You'll dig it and you don't fill it.", text);
		expect(found[0]).toBe(
			'Half of its sentences have over 32 words; half of the client’s have 8 to 8'
		);
		expect(found[1]).toBe('It never says “you”; the client’s own texts do in 40 of 40 sentences');
		expect(found[2]).toBe('The client’s own texts contract 80 times out of 80');
		// one habit is not told of every sentence
		expect(found).toHaveLength(5);
	});

	it('offers the sentence in the client’s way', () => {
		const [mark] = voiceCheck(voiceOf('We do not fill the trench and it is not deep.')).look(
			read(long("We don't fill the trench and it isn't deep."))
		);
		expect(mark!.fixes[0]!.replacement).toBe('We do not fill the trench and it is not deep.');
	});

	it('is silent where the text sounds alike, and on few words', () => {
		const sentence = "You'll dig it and you don't fill it.";
		expect(reasons(sentence, long(sentence))).toEqual([]);
		expect(reasons(sentence, 'It is not deep. Nobody is asked.')).toEqual([]);
		const short = measureVoice([{ name: 'a', text: sentence }]);
		expect(voiceCheck(short).look(read(long('It is not deep.')))).toEqual([]);
	});
});

describe('other articles of the client', () => {
	it('are held against the text by name', () => {
		const evidence = {
			findings: { shape: {}, topics: [], terms: [], keyword: 'walls' },
			yardstick: { terms: [], targetGrade: 8 },
			homes: new Map(),
			passages: new PassageIndex([]),
			claims: new ClaimChecker([], 'walls'),
			knownWords: new Set(),
			speller: null,
			nameOf: () => ''
		} as unknown as ProofEvidence;
		const rules = {
			brands: [],
			mustNotSay: [],
			mustSay: [],
			required: [],
			callToAction: '',
			titleTag: '',
			description: '',
			off: [],
			thisYear: 2026,
			ownArticles: [
				{
					name: 'gabion walls',
					text: 'A note.\nFill the middle by hand as each course goes up, never at the end.'
				}
			]
		} as unknown as ProofRules;
		const { blocks } = checksOf(evidence, rules);
		const marks = new Proofreader({ blocks, article: [] }).read(
			read('Fill the middle by hand as each course goes up.')
		);
		expect(marks.find(({ check }) => check === 'close to an own article')).toMatchObject({
			reads: 'close',
			reason: '10 words in a row stand in “gabion walls”'
		});
	});
});

describe('rhythmOf', () => {
	it('gives the words of each sentence by section', () => {
		const article = readArticle(
			docOf([
				paragraph(textNode('Before it all.')),
				heading(2, 'Dig'),
				paragraph(textNode('Dig down. Then fill it by hand.')),
				heading(2, 'Rest')
			]),
			{ terms: indexTerms([]), runs: new Float64Array() }
		);
		expect(rhythmOf(article)).toEqual([
			{ heading: '', at: 0, words: [3] },
			{ heading: 'Dig', at: 1, words: [2, 5] }
		]);
	});
});
