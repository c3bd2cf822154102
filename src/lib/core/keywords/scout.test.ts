import { describe, expect, it } from 'vitest';
import { titleCompetitionOf } from './competition';
import { filterRows, filterSchema, sortRows, type Filter } from './filter';
import { intentNamed, intentOf } from './intent';
import { blankKeyword, middleVolumeOf, type Keyword } from './keyword';
import { longTailOf, patternOf, subjectOfPhrase } from './long-tail';
import { openingOf, type OpeningEvidence } from './opening';
import { readResultsList, type RankedResult } from './results';
import { mergeLists, scoutRowsOf, type PhraseNote, type ScoutCache } from './scout';
import { isWeaklyHeld, weaknessOf, weakSpotsOf } from './weak-spots';
import { isAsked, workingTitleOf } from './working-title';
import { staleYearOf } from './years';
import { fitsResult } from '../text';

const TODAY = '2026-11-24';
const OPTIONS = { today: TODAY };
const figure = (volume: number) => ({ volume, volumeMin: volume, volumeMax: volume });
const span = (volumeMin: number, volumeMax: number | null) => ({
	volume: null,
	volumeMin,
	volumeMax
});
const row = (phrase: string, values: Partial<Keyword> = {}): Keyword => ({
	...blankKeyword(phrase),
	...values
});
const rowsOf = (keywords: readonly Keyword[], notes: readonly PhraseNote[] = []) =>
	scoutRowsOf(mergeLists([keywords]), notes, OPTIONS);
const result = (position: number, values: Partial<RankedResult> = {}): RankedResult => ({
	position,
	address: `https://site-${position}.example/`,
	title: 'Dry stone wall cost',
	strength: 50,
	kind: 'article',
	words: 1500,
	date: '2026-01-01',
	...values
});

describe('titleCompetitionOf', () => {
	it('is titles for each search, worth writing up to a quarter and 250 searches', () => {
		expect(titleCompetitionOf(figure(90), 4)).toMatchObject({ verdict: 'worth writing' });
		expect(titleCompetitionOf(figure(90), 4)!.ratioMax).toBeCloseTo(4 / 90);
		expect(titleCompetitionOf(figure(250), 62)!.verdict).toBe('worth writing');
		expect(titleCompetitionOf(figure(251), 62)!.verdict).toBe('workable');
		expect(titleCompetitionOf(figure(100), 100)!.verdict).toBe('workable');
		expect(titleCompetitionOf(figure(100), 101)!.verdict).toBe('contested');
	});

	it('has two ends for a range and promises only what its worse end holds', () => {
		expect(titleCompetitionOf(span(10, 100), 10)).toEqual({
			titleMatches: 10,
			ratioMin: 0.1,
			ratioMax: 1,
			verdict: 'workable'
		});
		expect(titleCompetitionOf(span(100, null), 10)).toMatchObject({ ratioMin: 0, ratioMax: 0.1 });
	});

	it('is nothing while a part is unknown, and infinite where nobody searches', () => {
		expect(titleCompetitionOf(figure(90), null)).toBeNull();
		expect(titleCompetitionOf({ volume: null, volumeMin: null, volumeMax: null }, 4)).toBeNull();
		expect(titleCompetitionOf(figure(0), 4)!.ratioMax).toBe(Infinity);
		expect(titleCompetitionOf(figure(0), 0)!.ratioMax).toBe(0);
	});
});

describe('weakSpotsOf', () => {
	const weak = (results: RankedResult[]) =>
		weakSpotsOf('dry stone wall cost', results, TODAY).map(({ position, weaknesses }) => [
			position,
			...weaknesses
		]);

	it('marks weak sites, forums, thin and old pages, and titles without the phrase', () => {
		expect(
			weak([
				result(1),
				result(2, { strength: 20 }),
				result(3, { strength: 21 }),
				result(4, { kind: 'forum' }),
				result(5, { words: 399 }),
				result(6, { date: '2023-11-23' }),
				result(7, { date: '2023' }),
				result(8, { title: 'Walls' }),
				result(11, { strength: 1 })
			])
		).toEqual([
			[2, 'weak site'],
			[4, 'forum'],
			[5, 'thin page'],
			[6, 'old page'],
			[8, 'title without the phrase']
		]);
	});

	it('does not hold what is unknown against a page, nor a short film for thin', () => {
		const unknown = { strength: null, kind: null, words: null, date: '', title: '' };
		expect(weak([result(1, unknown), result(2, { kind: 'video', words: 90 })])).toEqual([]);
	});

	it('values the highest weak position most', () => {
		const at = (position: number) =>
			weaknessOf(weakSpotsOf('dry stone wall cost', [result(position, { strength: 5 })], TODAY));
		expect(at(1)).toBeGreaterThan(at(5));
		expect(at(5)).toBeGreaterThan(at(10));
		expect(weaknessOf([])).toBe(0);
		const [titleOnly] = weakSpotsOf('dry stone wall cost', [result(1, { title: 'Walls' })], TODAY);
		expect(isWeaklyHeld(titleOnly!)).toBe(false);
	});
});

describe('openingOf', () => {
	const nothing: OpeningEvidence = {
		volume: null,
		volumeMin: null,
		volumeMax: null,
		change3m: null,
		changeYear: null,
		difficulty: null,
		titles: null,
		weakSpots: null
	};
	const full: OpeningEvidence = {
		...figure(90),
		change3m: 900,
		changeYear: null,
		difficulty: null,
		titles: titleCompetitionOf(figure(90), 4),
		weakSpots: weakSpotsOf('dry stone wall cost', [result(5, { strength: 11 })], TODAY)
	};

	it('is the sum of its parts, each at most its share', () => {
		const { value, points, most, missing } = openingOf(full);
		expect(missing).toEqual([]);
		const sum = Object.values(points).reduce((all, n) => all + n, 0);
		expect(value).toBeCloseTo(sum);
		expect(Object.values(most).reduce((all, n) => all + n, 0)).toBeCloseTo(100);
		expect(value).toBeGreaterThan(60);
	});

	it('names what is missing and never counts it as zero', () => {
		const known = openingOf({ ...full, titles: null, weakSpots: null });
		expect(known.missing).toEqual(['titles', 'weakSpots']);
		expect(known.points.titles).toBeUndefined();
		const asZero = (known.points.volume! + known.points.change!) * 0.45;
		expect(known.value).toBeGreaterThan(asZero + 1);
		expect(openingOf(nothing)).toEqual({
			value: null,
			points: {},
			most: {},
			missing: ['volume', 'change', 'titles', 'weakSpots']
		});
	});

	it('tells no weak spot from nobody having looked', () => {
		expect(openingOf({ ...nothing, difficulty: 100, weakSpots: [] })).toMatchObject({
			value: 0,
			missing: ['volume', 'change', 'titles']
		});
	});

	it('is not known by one part alone, which is named all the same', () => {
		const one = openingOf({ ...nothing, ...figure(5000) });
		expect(one.value).toBeNull();
		expect(one.points.volume).toBeCloseTo(100);
		expect(openingOf({ ...nothing, ...figure(5000), change3m: 0 }).value).toBeGreaterThan(50);
	});

	it('counts a difficulty as a part of its own where a planner gave one', () => {
		const at = (difficulty: number) => openingOf({ ...full, difficulty });
		expect(at(10).value!).toBeGreaterThan(at(90).value! + 10);
		expect(at(10).points.difficulty).toBeCloseTo(0.9 * at(10).most.difficulty!);
		expect(at(10).missing).toEqual([]);
		expect(openingOf(full).points.difficulty).toBeUndefined();
	});

	it('follows the weights, and leaves out a part of weight 0', () => {
		const only = openingOf(full, {
			volume: 0,
			change: 0,
			difficulty: 0,
			titles: 30,
			weakSpots: 0
		});
		expect(only.value).toBeCloseTo(only.points.titles!);
		expect(only.missing).toEqual([]);
	});
});

describe('intentOf', () => {
	it.each([
		['how to build a dry stone wall', 'informational'],
		['how deep should foundations be', 'informational'],
		['dry stone wall planning permission', 'informational'],
		['what is hearting', 'informational'],
		['best walling hammer', 'commercial'],
		['dry stone wall cost per metre', 'commercial'],
		['how much does a dry stone wall cost', 'commercial'],
		['how much stone for a dry stone wall', 'informational'],
		['dry stone vs mortar', 'commercial'],
		['buy walling stone', 'transactional'],
		['dry stone waller near me', 'transactional'],
		['dry stone walling course', 'transactional'],
		['fellgate tools contact number', 'navigational'],
		['fellgate hammer', 'navigational'],
		['dry stone wall', 'informational']
	])('reads “%s” as %s', (phrase, intent) => {
		expect(intentOf(phrase, ['fellgate']).intent).toBe(intent);
	});

	it('names the words that decided', () => {
		expect(intentOf('buy cheap walling stone near me').cues).toEqual(['buy', 'near me']);
		expect(intentOf('dry stone wall').cues).toEqual([]);
	});

	it('reads the names lists use', () => {
		expect(intentNamed('Commercial, Transactional')).toBe('commercial');
		expect(intentNamed('I')).toBe('informational');
		expect(intentNamed('?')).toBeNull();
	});
});

describe('staleYearOf', () => {
	it.each([
		['best walling hammer 2023', 'best walling hammer 2026'],
		['2024 wall ideas', '2026 wall ideas'],
		['calendar 2023/24', 'calendar 2025/26'],
		['prices 2022-2023', 'prices 2025-2026']
	])('offers “%s” as “%s”', (phrase, fresh) => {
		expect(staleYearOf(phrase, 2026)?.fresh).toBe(fresh);
	});

	it.each([
		'best hammer 2026',
		'best hammer 2027',
		'walls since 2019',
		'party wall act 1996',
		'bs 2023',
		'iso 9001:2015',
		'wall 2000 mm',
		'12023 walls'
	])('leaves “%s” alone', (phrase) => {
		if (phrase === 'wall 2000 mm') return expect(staleYearOf(phrase, 2026)).not.toBeNull();
		expect(staleYearOf(phrase, 2026)).toBeNull();
	});
});

describe('scoutRowsOf', () => {
	it('joins lists by phrase: the newer figure counts, and what it leaves open is filled', () => {
		const merged = mergeLists([
			[row('Stone wall', { ...figure(90), competition: 'low' })],
			[row('stone wall', figure(110)), row('path')]
		]);
		expect(
			[...merged.values()].map(({ phrase, volume, competition }) => [phrase, volume, competition])
		).toEqual([
			['Stone wall', 110, 'low'],
			['path', null, null]
		]);
	});

	it('keeps a figure before a range that says no more', () => {
		const volumeOf = (...lists: Keyword[]) =>
			[...mergeLists(lists.map((each) => [each])).values()].map(
				({ volume, volumeMin, volumeMax }) => [volume, volumeMin, volumeMax]
			)[0];
		const [exact, range] = [row('wall', figure(210)), row('wall', span(100, 1000))];
		expect(volumeOf(exact, range)).toEqual([210, 210, 210]);
		expect(volumeOf(range, exact)).toEqual([210, 210, 210]);
		// a range elsewhere is news
		expect(volumeOf(exact, row('wall', span(1000, 10_000)))).toEqual([null, 1000, 10_000]);
	});

	it('adds what was found out, and says where it comes from', () => {
		const [made] = rowsOf(
			[row('dry stone wall cost', { ...figure(100), titleMatches: 50 })],
			[
				{
					key: 'dry stone wall cost',
					titleMatches: { count: 10, origin: 'typed' },
					results: { list: [result(3, { kind: 'forum' })], origin: 'sample' }
				}
			]
		);
		expect(made).toMatchObject({ titleMatches: 10, titleOrigin: 'typed', resultsOrigin: 'sample' });
		expect(made!.titles!.ratioMax).toBeCloseTo(0.1);
		expect(made!.weakSpots!.map(({ position }) => position)).toEqual([3]);
		expect(made!.opening.missing).toEqual(['change']);
	});

	it('shows a phrase under this year, with the figures and the name of the old one, and once only', () => {
		const keywords = [row('best hammer 2023', { ...figure(90), titleMatches: 4 }), row('path')];
		const note: PhraseNote = { key: 'best hammer 2023', fresh: 'best hammer 2026' };
		const [made] = rowsOf(keywords, [note]);
		expect(made).toMatchObject({
			key: 'best hammer 2026',
			phrase: 'best hammer 2026',
			was: 'best hammer 2023',
			volume: 90,
			stale: null,
			// titles were counted for another phrase
			titleMatches: null
		});
		const both = rowsOf([...keywords, row('best hammer 2026', figure(10))], [note]);
		expect(both.map(({ key }) => key)).toEqual(['path', 'best hammer 2026']);
	});

	it('leaves struck phrases out', () => {
		expect(
			rowsOf([row('a wall'), row('b wall')], [{ key: 'a wall', isStruck: true }]).map(
				({ key }) => key
			)
		).toEqual(['b wall']);
	});

	it('takes rows again from the cache until something about them changes', () => {
		const merged = mergeLists([[row('a wall'), row('b wall')]]);
		const cache: ScoutCache = new WeakMap();
		const first = scoutRowsOf(merged, [], OPTIONS, cache);
		const second = scoutRowsOf(merged, [{ key: 'b wall', intent: 'commercial' }], OPTIONS, cache);
		expect(second[0]).toBe(first[0]);
		expect(second[1]).not.toBe(first[1]);
		expect(second[1]!.searchIntent).toBe('commercial');
	});
});

describe('filterRows and sortRows', () => {
	const rows = rowsOf([
		row('dry stone wall cost', { ...figure(200), titleMatches: 20, change3m: 40 }),
		row('how to build a wall', { ...span(100, 1000), competition: 'high' }),
		row('best hammer 2023', figure(90)),
		row('unknown')
	]);
	const clusterOf = new Map([['dry stone wall cost', 'cost']]);
	const kept = (...filters: Filter[]) =>
		filterRows(
			rows,
			filters.map((filter) => filterSchema.parse(filter)),
			clusterOf
		).map(({ key }) => key);

	it('takes a range in when some figure inside it meets the bound, and never what is unknown', () => {
		expect(kept({ kind: 'number', field: 'volume', bound: 'most', value: 250 })).toEqual([
			'dry stone wall cost',
			'how to build a wall',
			'best hammer 2023'
		]);
		expect(kept({ kind: 'number', field: 'volume', bound: 'least', value: 500 })).toEqual([
			'how to build a wall'
		]);
		expect(kept({ kind: 'number', field: 'ratio', bound: 'most', value: 0.25 })).toEqual([
			'dry stone wall cost'
		]);
	});

	it('asks that all conditions hold', () => {
		expect(
			kept(
				{ kind: 'text', text: 'wall', isWithout: false },
				{ kind: 'text', text: 'build', isWithout: true }
			)
		).toEqual(['dry stone wall cost']);
		expect(kept({ kind: 'stale' })).toEqual(['best hammer 2023']);
		expect(kept({ kind: 'question' })).toEqual(['how to build a wall']);
		expect(kept({ kind: 'cluster', names: ['cost'] })).toEqual(['dry stone wall cost']);
		expect(kept({ kind: 'competition', levels: ['high'] })).toEqual(['how to build a wall']);
		expect(kept({ kind: 'intent', intents: ['commercial'] })).toEqual([
			'dry stone wall cost',
			'best hammer 2023'
		]);
	});

	it('puts what is not known last, whichever way it sorts', () => {
		const order = (isDescending: boolean) =>
			sortRows(rows, { field: 'volume', isDescending }, clusterOf).map(
				({ volume, volumeMin }) => volume ?? volumeMin
			);
		expect(order(false)).toEqual([90, 200, 100, null]);
		expect(order(true)).toEqual([100, 200, 90, null]);
		expect(middleVolumeOf(span(100, 1000))).toBeCloseTo(316.2, 1);
	});
});

describe('longTailOf', () => {
	it.each([
		['how much does a dry stone wall cost', 'dry stone wall'],
		['how to build a dry stone wall', 'dry stone wall'],
		['best walling hammer', 'walling hammer'],
		['garden wall cost per metre', 'garden wall'],
		['stone wall repair near me', 'stone wall']
	])('knows what “%s” is about', (phrase, subject) => {
		expect(subjectOfPhrase(phrase)).toBe(subject);
	});

	it('knows the pattern of a phrase', () => {
		expect(
			[
				'stone wall cost',
				'stone wall vs brick',
				'wall without mortar',
				'walls for beginners',
				'stone wall'
			].map(patternOf)
		).toEqual(['cost', 'comparison', 'without', 'for', null]);
	});

	it('finds what lists ask about a subject, and words what they only ask of others', () => {
		const of = (subject: string) => [
			`${subject}`,
			`${subject} cost`,
			`how to build a ${subject}`,
			`${subject} ideas`
		];
		const { found, made } = longTailOf('dry stone wall', [
			...of('garden wall'),
			...of('gabion wall'),
			'dry stone wall cost'
		]);
		expect(found).toEqual([{ pattern: 'cost', phrases: ['dry stone wall cost'] }]);
		expect(made.map(({ phrase }) => phrase)).toEqual([
			'dry stone wall ideas',
			'how to build a dry stone wall'
		]);
		expect(made[0]!.after).toEqual(['garden wall ideas', 'gabion wall ideas']);
	});

	it('takes no wording from a single subject', () => {
		expect(
			longTailOf('path', ['garden wall', 'garden wall cost', 'garden wall ideas']).made
		).toEqual([]);
	});
});

describe('workingTitleOf', () => {
	it('asks what is asked, and adds only what the cluster asks for', () => {
		const { title, description } = workingTitleOf(
			'how deep should dry stone wall foundations be',
			[
				'how deep should dry stone wall foundations be',
				'dry stone wall foundations width',
				'do dry stone walls need foundations'
			],
			'informational'
		);
		expect(title).toBe('How deep should dry stone wall foundations be? Width explained');
		expect(description).toContain('Do dry stone walls need foundations?');
		expect(isAsked('how to build a wall')).toBe(false);
	});

	it('puts no single word behind a colon', () => {
		const { title } = workingTitleOf(
			'folding kayak repair',
			['folding kayak repair', 'folding kayak repair patch'],
			'informational'
		);
		expect(title).toBe('Folding kayak repair, explained');
	});

	it('fits a results page, however long the phrase is', () => {
		for (const phrase of [
			'wall',
			'how to build a very long dry stone wall along the lane '.repeat(3),
			'x'.repeat(180),
			'石'.repeat(150)
		]) {
			const { title, description } = workingTitleOf(
				phrase,
				[phrase, `${phrase} cost`],
				'commercial'
			);
			expect(fitsResult(title, 'title')).toBe(true);
			expect(fitsResult(description, 'description')).toBe(true);
			expect(title.length).toBeGreaterThan(3);
		}
	});
});

describe('readResultsList', () => {
	it('reads columns in any order, for one phrase or many', () => {
		const read = readResultsList(
			'Title,URL,Position,Keyword,Authority,Type,Word count,Updated\nCost of walls,yardwise.example/cost,2,wall cost,52,Blog post,"1,200",2024-05\nWalls,https://plot-talk.example/t,1,wall cost,19/100,Forum,,\nWall,https://a.example,1,wall,–,,,\n'
		);
		expect(
			read.kind === 'read' && read.lists.map(({ phrase, results }) => [phrase, results.length])
		).toEqual([
			['wall cost', 2],
			['wall', 1]
		]);
		expect(read.kind === 'read' && read.lists[0]!.results[1]).toEqual({
			position: 2,
			address: 'https://yardwise.example/cost',
			title: 'Cost of walls',
			strength: 52,
			kind: 'article',
			words: 1200,
			date: '2024-05'
		});
	});

	it('takes pasted addresses in order of rank, and lists what it cannot read', () => {
		const read = readResultsList('https://a.example/x\nno address\nb.example/y\n');
		expect(read).toMatchObject({
			kind: 'read',
			lists: [
				{ phrase: '', results: [{ position: 1 }, { position: 2, address: 'https://b.example/y' }] }
			],
			rejected: [{ line: 2, reason: '“no address” is not a web address' }]
		});
		expect(readResultsList('walls\npaths\n').kind).toBe('unreadable');
	});

	it('refuses strengths and positions that cannot be', () => {
		const read = readResultsList(
			'Position,Address,Strength\n1,a.example,120\n0,b.example,5\n1,c.example,5\n1,d.example,6\n'
		);
		expect(read.kind === 'read' && read.rejected.map(({ reason }) => reason)).toEqual([
			'“120” is no strength',
			'positions begin with 1',
			'position 1 is taken already'
		]);
	});
});
