import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeBytes } from '../text';
import { blankKeyword, COMPETITION_LEVELS, INTENTS, type Keyword } from './keyword';
import { readKeywordList, runThrough, type KeywordList } from './read-keywords';
import { writeKeywords } from './write-keywords';

function read(text: string, meanings = {}): KeywordList {
	const result = runThrough(readKeywordList(text, { meanings }));
	if (result.kind !== 'read') throw new Error(result.reason);
	return result.list;
}
const phrasesOf = (list: KeywordList) => list.rows.map(({ phrase }) => phrase);
const meaningsOf = (list: KeywordList) => list.columns.map(({ meaning }) => meaning);

function fromBytes(bytes: Uint8Array): { list: KeywordList; encoding: string } {
	const decoded = decodeBytes(bytes);
	if (decoded.kind !== 'text') throw new Error(decoded.looksLike);
	return { list: read(decoded.text), encoding: decoded.encoding };
}
function utf16(text: string, isLittle: boolean, hasMark = true): Uint8Array {
	const units = [...((hasMark ? '\ufeff' : '') + text)].map((letter) => letter.charCodeAt(0));
	return Uint8Array.from(units.flatMap((n) => (isLittle ? [n & 255, n >> 8] : [n >> 8, n & 255])));
}

const PLANNER = [
	'Keyword export',
	'"1 October 2025 – 30 September 2026"',
	'',
	'Keyword,Currency,Avg. monthly searches,Three month change,YoY change,Competition,Competition (indexed value),Notes',
	'how to prune apple trees,GBP,"1,300",+22%,"-12 %",Low,3,seen twice',
	'"apple tree\npruning",GBP,1K – 10K,∞,–,High,100,',
	'best saw 2023,GBP,100–1000,+900%,0%,Medium,45,'
].join('\n');

describe('readKeywordList', () => {
	it('finds the header under titles and notes, and keeps what it cannot name', () => {
		const list = read(PLANNER);
		expect(list.headerLine).toBe(4);
		expect(list.above).toEqual(['Keyword export', '1 October 2025 – 30 September 2026']);
		expect(meaningsOf(list)).toEqual([
			'phrase',
			'currency',
			'volume',
			'change3m',
			'changeYear',
			'competition',
			'competitionIndex',
			'other'
		]);
		expect(list.rows[0]).toEqual({
			...blankKeyword('how to prune apple trees'),
			volume: 1300,
			volumeMin: 1300,
			volumeMax: 1300,
			change3m: 22,
			changeYear: -12,
			competition: 'low',
			competitionIndex: 3,
			currency: 'GBP',
			other: [['Notes', 'seen twice']]
		});
	});

	it('keeps quoted line breaks in one phrase, ranges as ranges, and rises from nothing', () => {
		const [, pruning] = read(PLANNER).rows;
		expect(pruning).toMatchObject({
			phrase: 'apple tree pruning',
			volume: null,
			volumeMin: 1000,
			volumeMax: 10_000,
			change3m: Infinity,
			changeYear: null
		});
	});

	it('reads every encoding planners write', () => {
		const text = 'Keyword\tVolume\ncafé wall\t1,300\n';
		const latin = Uint8Array.from([...text].map((letter) => letter.charCodeAt(0)));
		const cases: [Uint8Array, string][] = [
			[new TextEncoder().encode(text), 'utf-8'],
			[new TextEncoder().encode(`\ufeff${text}`), 'utf-8'],
			[utf16(text, true), 'utf-16le'],
			[utf16(text, false), 'utf-16be'],
			[utf16(text, true, false), 'utf-16le'],
			[latin, 'windows-1252']
		];
		for (const [bytes, encoding] of cases) {
			const made = fromBytes(bytes);
			expect(made.encoding).toBe(encoding);
			expect(made.list.rows[0]).toMatchObject({ phrase: 'café wall', volume: 1300 });
		}
	});

	it('reads semicolons with decimal commas, and the euro of the old encoding', () => {
		const { list } = fromBytes(
			Uint8Array.from(
				[...'Keyword;Searches;Change 3 months;CPC\r\nmauer;1.300;12,5 %;1,20 ']
					.map((letter) => letter.charCodeAt(0))
					.concat(0x80)
			)
		);
		expect(list.delimiter).toBe(';');
		expect(list.rows[0]).toMatchObject({
			volume: 1300,
			change3m: 12.5,
			bidHigh: 1.2,
			currency: '€'
		});
	});

	it('says which line it cannot read and why, and takes the rest', () => {
		const list = read(
			[
				'Keyword,Volume',
				'good one,10',
				'bad one,abc',
				'"never closed,20',
				'good two,30',
				'a, b, c,40',
				',50',
				'???,60',
				`${'long '.repeat(50)},70`
			].join('\n')
		);
		expect(phrasesOf(list)).toEqual(['good one', 'good two']);
		expect(list.rejected.map(({ line, reason }) => [line, reason])).toEqual([
			[3, '“abc” in Volume is not a number'],
			[4, 'a quotation mark is opened and not closed'],
			[6, 'it has 4 values for 2 columns: put text that holds the separator into quotation marks'],
			[7, 'it names no phrase'],
			[8, 'its phrase holds no word'],
			[9, 'its phrase is longer than 200 characters']
		]);
	});

	it('merges a phrase that stands twice, filling what the first leaves open', () => {
		const list = read('Keyword,Volume,Competition\nStone Wall,,Low\nstone wall?,90,High\n');
		expect(list.merged).toBe(1);
		expect(list.rows).toHaveLength(1);
		expect(list.rows[0]).toMatchObject({ phrase: 'Stone Wall', volume: 90, competition: 'low' });
	});

	it('takes plain lines, also with commas inside, and cells pasted from a spreadsheet', () => {
		expect(phrasesOf(read('how to build a wall\nwalls, and gates\nwall cost'))).toEqual([
			'how to build a wall',
			'walls, and gates',
			'wall cost'
		]);
		const pasted = read('wall cost\t1 300\nwalls\t10K+\n');
		expect(pasted.headerLine).toBeNull();
		expect(pasted.rows[1]).toMatchObject({ phrase: 'walls', volumeMin: 10_000, volumeMax: null });
		expect(phrasesOf(read('Keyword\nkeyword research\nwall'))).toEqual([
			'keyword research',
			'wall'
		]);
	});

	it('lets the writer say what a column means', () => {
		const text = 'Phrase,A,B\nwall,12,30\n';
		expect(meaningsOf(read(text))).toEqual(['phrase', 'other', 'other']);
		const list = read(text, { 1: 'titleMatches', 2: 'volume' });
		expect(list.rows[0]).toMatchObject({ titleMatches: 12, volume: 30, other: [] });
	});

	it('reads shares as percent only where nothing says otherwise', () => {
		const shares = read('Keyword,YoY change\na wall,0.22\nb wall,-0.5\n');
		expect(shares.rows.map(({ changeYear }) => changeYear)).toEqual([22, -50]);
		const percent = read('Keyword,YoY change %\na wall,0.22\nb wall,-0.5\n');
		expect(percent.rows.map(({ changeYear }) => changeYear)).toEqual([0.22, -0.5]);
	});

	it('joins two columns for the ends of a range', () => {
		const list = read('Keyword,Min search volume,Max search volume\nwall,100,1000\npath,50,50\n');
		expect(
			list.rows.map(({ volume, volumeMin, volumeMax }) => [volume, volumeMin, volumeMax])
		).toEqual([
			[null, 100, 1000],
			[50, 50, 50]
		]);
	});

	it('says why nothing can be read', () => {
		const reasonOf = (text: string) => {
			const result = runThrough(readKeywordList(text));
			return result.kind === 'read' ? 'read' : result.reason;
		};
		expect(reasonOf('')).toBe('there is nothing in it');
		expect(reasonOf('12;30\n13;40\n')).toBe('no column of it holds phrases');
		expect(reasonOf('Keyword,Volume\n,12\n')).toMatch(/no row of it could be read; line 2/);
	});

	it('works in steps that can be shown and stopped', () => {
		const text = `Keyword\n${Array.from({ length: 5000 }, (_, i) => `wall ${i}`).join('\n')}`;
		const steps = readKeywordList(text);
		expect(steps.next().value).toEqual({ done: 0, all: 5000 });
		expect(steps.next().value).toEqual({ done: 2000, all: 5000 });
	});
});

const phrase = fc
	.array(
		fc.constantFrom(
			'wall',
			'stone',
			'=cmd',
			'+1',
			'-x',
			'@home',
			"'=a",
			'a,b',
			'a;b',
			'say "hi"',
			'größe',
			'石',
			'tab'
		),
		{
			minLength: 1,
			maxLength: 5
		}
	)
	.map((words) => words.join(' '))
	.filter((text) => /[\p{L}\p{N}]/u.test(text));
const volume = fc.oneof(
	fc.constant({ volume: null, volumeMin: null, volumeMax: null }),
	fc.nat(10_000_000).map((n) => ({ volume: n, volumeMin: n, volumeMax: n })),
	fc.nat(1_000_000).map((n) => ({ volume: null, volumeMin: n, volumeMax: null })),
	fc
		.tuple(fc.nat(100_000), fc.integer({ min: 1, max: 100_000 }))
		.map(([from, by]) => ({ volume: null, volumeMin: from, volumeMax: from + by }))
);
const change = fc.option(
	fc.oneof(
		fc.integer({ min: -100, max: 900 }),
		fc.constant(Number.POSITIVE_INFINITY),
		fc.constant(12.5)
	)
);
const keyword: fc.Arbitrary<Keyword> = fc
	.record({
		phrase,
		volume,
		change3m: change,
		changeYear: change,
		competition: fc.option(fc.constantFrom(...COMPETITION_LEVELS)),
		competitionIndex: fc.option(fc.nat(100)),
		bid: fc.option(fc.nat(900).map((n) => n / 100)),
		titleMatches: fc.option(fc.nat(1_000_000)),
		intent: fc.option(fc.constantFrom(...INTENTS)),
		cluster: fc.constantFrom('', 'cost', 'how to, build'),
		note: fc.option(fc.constantFrom('=SUM(A1)', 'plain', 'two\nlines', '+44 1234'))
	})
	.map(({ volume: size, bid, note, ...rest }) => ({
		...blankKeyword(''),
		...rest,
		...size,
		bidLow: bid,
		bidHigh: bid,
		currency: bid === null ? '' : 'GBP',
		other: note === null ? [] : [['Remark', note] as const]
	}));

describe('writeKeywords', () => {
	it('comes back with the same rows', () => {
		fc.assert(
			fc.property(
				fc.uniqueArray(keyword, {
					minLength: 1,
					maxLength: 12,
					selector: (row) => row.phrase.toLowerCase()
				}),
				(rows) => {
					const list = read(writeKeywords(rows));
					expect(list.rejected).toEqual([]);
					expect(list.rows).toEqual(rows);
				}
			),
			{ numRuns: 300 }
		);
	});

	it('leaves no cell that a spreadsheet would take for a formula', () => {
		const csv = writeKeywords([
			{ ...blankKeyword('=HYPERLINK("http://bad.example")'), change3m: -12, cluster: '@now' }
		]);
		const cells = csv.split('\r\n')[1]!.split(',');
		expect(cells[0]).toMatch(/^"'=HYPER/);
		expect(cells).toContain("'@now");
		// a plain negative number stays a number
		expect(cells).toContain('-12%');
	});
});

describe('importers', () => {
	it('neither crash nor take long on whatever comes', () => {
		const odd = fc.array(
			fc.constantFrom(
				'"',
				',',
				';',
				'\t',
				'\n',
				'\r',
				'|',
				'wall',
				'1K',
				'–',
				'%',
				'Keyword',
				'Volume',
				'\0',
				'\ufeff',
				'=',
				'{}',
				'\u2028'
			),
			{ maxLength: 400 }
		);
		fc.assert(
			fc.property(
				fc.oneof(
					odd.map((parts) => parts.join('')),
					fc.string({ unit: 'binary', maxLength: 2000 })
				),
				(text) => {
					expect(['read', 'unreadable']).toContain(runThrough(readKeywordList(text)).kind);
				}
			),
			{ numRuns: 400 }
		);
	});

	it.each([
		['stray quotation marks', '"a,b\n'],
		['delimiters alone', ',,,,;;;;\t\t\n'],
		['numbers', '1,300;2.400\t99\n'],
		['one line', 'wall '],
		['brackets', '([{"\'='],
		['spaces in a number', '1          x,']
	])('stay linear: a megabyte of %s', (_, piece) => {
		const text = `Keyword,Volume\n${piece.repeat(Math.ceil(1_000_000 / piece.length))}`;
		const start = performance.now();
		runThrough(readKeywordList(text));
		// the bound of the importers is 2 s for each megabyte; a quadratic reader needs minutes
		expect(performance.now() - start).toBeLessThan(10_000);
	});
});
