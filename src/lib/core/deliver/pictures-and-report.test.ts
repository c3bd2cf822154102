import { HtmlValidate } from 'html-validate/node';
import { describe, expect, it } from 'vitest';
import { planOf } from '../../../../tests/support/plans';
import { readSitemap, sitemapAddresses, sitemapKindOf } from '../clients';
import type { Findings } from '../findings';
import { docOf, figure, heading, paragraph, textNode, type TakeDoc } from '../manuscript';
import { EMPTY_ARTICLE, type Block } from '../pages';
import { newSection } from '../plan';
import type { Slip, Standing, TermState } from '../standing';
import { nameWords } from '../text';
import { standsAlone } from './alone';
import { textOfBlock } from './article';
import { REPORT_PARTS } from './choices';
import { readPictureList } from './picture-list';
import {
	picturePlacesOf,
	standingPicturesOf,
	withoutPicture,
	withPicture,
	withPictureWords
} from './picture-places';
import {
	drawingFile,
	drawingsOf,
	plainReport,
	reportHtml,
	reportOf,
	REPORT_NAMES,
	type ReportInput
} from './report';

const said = (text: string) => paragraph(textNode(text));
const DOC = docOf([
	heading(1, 'Walls', 'top'),
	said('A wall stands.'),
	heading(2, 'Dig the trench', 'dig'),
	said('Dig down to firm ground.'),
	said('Then rest.'),
	heading(2, 'Lay the cope', 'cope'),
	said('The cope holds both faces.')
]);
const types = (doc: TakeDoc) => doc.content.map(({ type }) => type);

describe('places for pictures', () => {
	const section = (id: string, topic: string) => ({ ...newSection(id, id, 50), topics: [topic] });
	const plan = planOf(section('dig', 'trench'), section('cope', 'cope'), section('gone', 'cope'));
	const shown = (id: string, ...under: string[]) => ({
		id,
		struck: [],
		article: {
			...EMPTY_ARTICLE,
			blocks: ['The trench', 'The cope', 'Elsewhere'].flatMap((text) =>
				[
					{ kind: 'heading', level: 2, text } as Block,
					...(under.includes(text)
						? [{ kind: 'figure', src: '', alt: '', caption: '' } as Block]
						: [])
				].map((block) => ({ block, dropped: null }))
			)
		}
	});
	const findingsWith = (median: number) =>
		({
			shape: [{ id: 'figures', median }],
			topics: [
				{
					id: 'trench',
					headings: [
						{ page: 'a', text: 'The trench' },
						{ page: 'b', text: 'The trench' }
					]
				},
				{ id: 'cope', headings: [{ page: 'a', text: 'The cope' }] }
			]
		}) as unknown as Findings;
	const pages = [shown('a', 'The trench', 'The cope', 'Elsewhere'), shown('b', 'The trench')];

	it('are sections in which pages show something, as many as pages have in the middle', () => {
		expect(picturePlacesOf(DOC, plan, findingsWith(2), pages)).toEqual([
			{ section: 'dig', heading: 'Dig the trench', pages: 2 },
			{ section: 'cope', heading: 'Lay the cope', pages: 1 }
		]);
		expect(
			picturePlacesOf(DOC, plan, findingsWith(1), pages).map((place) => place.section)
		).toEqual(['dig']);
		expect(picturePlacesOf(DOC, plan, findingsWith(0), pages)).toEqual([]);
	});

	it('count what stands already, and leave a section alone that has one', () => {
		const placed = withPicture(DOC, 'dig', { id: 'x', alt: '', caption: '' });
		expect(
			picturePlacesOf(placed, plan, findingsWith(2), pages).map((place) => place.section)
		).toEqual(['cope']);
	});
});

describe('a picture in a take', () => {
	const picture = { id: 'x', alt: 'A trench', caption: 'Dug' };

	it('stands behind the first paragraph of its section, else at the end', () => {
		const placed = withPicture(DOC, 'dig', picture);
		expect(types(placed).indexOf('figure')).toBe(4);
		expect(types(withPicture(DOC, 'gone', picture)).at(-1)).toBe('figure');
		expect(types(withPicture(DOC, null, picture)).at(-1)).toBe('figure');
		expect(withoutPicture(placed, 'x')).toEqual(DOC);
		expect(withoutPicture(placed, 'y')).toEqual(placed);
	});

	it('changes its words and nothing else', () => {
		const placed = withPicture(DOC, 'dig', picture);
		const changed = withPictureWords(placed, 'x', { alt: 'Firm ground', caption: '' });
		expect(changed.content[4]).toEqual(figure('x', 'Firm ground', ''));
		expect(changed.content.toSpliced(4, 1)).toEqual(placed.content.toSpliced(4, 1));
	});

	it('is strange when nothing of its words stands in its section', () => {
		const look = (name: string, alt: string, caption: string) =>
			standingPicturesOf(
				withPicture(DOC, 'dig', { id: 'x', alt, caption }),
				new Map([['x', name]]),
				'dry stone wall'
			)[0]!;
		expect(look('barn-roof_02.JPG', '', '')).toMatchObject({
			heading: 'Dig the trench',
			strange: 'barn roof'
		});
		expect(look('IMG_2041.jpg', '', '').strange).toBe('');
		expect(look('IMG_2041.jpg', 'The trench at dusk', '').strange).toBe('');
		expect(look('barn-roof.jpg', '', 'Firm ground at last').strange).toBe('');
		expect(look('dry-stone-wall.jpg', '', '').strange).toBe('');
	});

	it.each([
		['barn-roof_02.JPG', 'barn roof'],
		['DSC00412.jpeg', ''],
		['firstCourse-final copy.png', 'first Course']
	])('says by its name %s: %j', (name, words) => expect(nameWords(name)).toBe(words));
});

describe('a list of pictures', () => {
	it('is read by its header, in any order', () => {
		expect(readPictureList('Licence;Caption;File name;Credit\nCC0;Dug;a.jpg;Ada\n;;;\n')).toEqual([
			{ file: 'a.jpg', alt: '', caption: 'Dug', credit: 'Ada', licence: 'CC0', source: '' }
		]);
		expect(readPictureList('a.jpg,b,c\n')).toEqual([]);
		expect(readPictureList('')).toEqual([]);
	});
});

describe('a sitemap', () => {
	it('gives each address with the words of its last part, cut off or not', () => {
		const xml =
			'<urlset><url><loc>https://a.example/tools/walling-hammer.html</loc></url><url><loc> <![CDATA[https://a.example/caf%C3%A9_wall?x=1&y=2]]> </loc></url><loc>https://a.example/a?b=1&amp;c=wall</loc><loc>https://a.example/</loc><loc>https://a.example/tools/walling-hammer.html</loc><loc>javascript:alert(1)</loc><loc>https://a.example/blog/</loc><loc>https://a.example/cut';
		expect(readSitemap(xml)).toEqual([
			{ phrase: 'walling hammer', address: 'https://a.example/tools/walling-hammer.html' },
			{ phrase: 'café wall', address: 'https://a.example/caf%C3%A9_wall?x=1&y=2' }
		]);
	});
});

describe('a list of sitemaps', () => {
	it('is told from a sitemap, and names the sitemaps and no page', () => {
		const index =
			'<?xml version="1.0"?><sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><sitemap><loc>https://a.example/sitemap-posts.xml</loc></sitemap><sitemap><loc>https://a.example/sitemap-posts.xml</loc></sitemap></sitemapindex>';
		expect(sitemapKindOf(index)).toBe('sitemaps');
		expect(sitemapAddresses(index)).toEqual(['https://a.example/sitemap-posts.xml']);
		expect(sitemapKindOf('<s:urlset><s:url><s:loc>https://a.example/wall</s:loc>')).toBe('pages');
		expect(readSitemap('<s:urlset><s:loc>https://a.example/dry-wall</s:loc>')).toEqual([
			{ phrase: 'dry wall', address: 'https://a.example/dry-wall' }
		]);
		expect(sitemapKindOf('phrase,address\nwall,/wall')).toBeNull();
	});
});

describe('a sentence that stands alone', () => {
	it.each([
		'The trench is 30 cm deep on firm ground.',
		'Race shoes with a plate last 150 to 200 miles.',
		'$5 an hour for each mover is nice, and $10 if there are stairs.'
	])('%s', (text) => expect(standsAlone(text, 'dry stone wall')).toBe(true));

	it.each([
		'It is hard work for two people.',
		'But the trench is deep enough by then.',
		'Lease: five years left for small grants.',
		'Movers $1,085 for 6h15, 3 guys, + tip $120.',
		'Tried it on one square metre of lawn.',
		'Vinegar 1:1 – killed both, bare patch till June.',
		'Replacing it with a £560 heat pump dryer saves 70p a load.',
		'The heat pump dryer of the notes: saves 70p a load.',
		'Cheap closed-cell foam mats are sold, £15.',
		'Pain came on slowly and stayed on that route: shoe.',
		'A dryer with a timer stops, yes; the other never does.',
		'Non-binding is a guess, can go 10% over on delivery day.',
		'Outgrow them first and check the width every three months.',
		'“There is no trick to it at all.',
		'This is how to build a dry stone wall.',
		'Books in small boxes.',
		'The trench is 30 cm deep on firm'
	])('not: %s', (text) => expect(standsAlone(text, 'dry stone wall')).toBe(false));
});

describe('the report for the client', () => {
	const standing: Standing = {
		standing: 71.4,
		parts: { coverage: 0.7, placement: 0.8, shape: 0.74, clarity: 0.86 },
		held: { ownWords: 1, sense: 1, crowding: 1, length: 1, whole: 0.94 }
	};
	const term = (phrase: string, state: TermState) => ({
		key: phrase,
		phrase,
		state,
		deed: '',
		uses: 1,
		wanted: 1
	});
	const slip: Slip = {
		section: 'dig',
		heading: 'Dig <the> trench',
		kind: 'steps',
		budget: 80,
		words: 60,
		terms: [
			term('trench', 'placed'),
			term('spade', 'thin'),
			term('peg', 'absent'),
			term('line', 'crowded')
		],
		questions: [{ id: 'q', text: 'How deep?', isAnswered: true }],
		facts: [],
		gaps: 0,
		at: 3
	};
	const input: ReportInput = {
		parts: [...REPORT_PARTS],
		clientName: 'Fellgate & Sons',
		colours: ['#ffe08a', '#234463'],
		logo: '',
		title: 'Walls',
		keyword: 'dry stone wall',
		date: '29 November 2026',
		takeName: 'Take 1',
		words: 1200,
		targetWords: 1800,
		standing,
		holds: ['3 gaps'],
		pages: [
			{
				letter: 'A',
				title: 'Hillfoot',
				address: 'https://hillfoot.example/',
				reason: '',
				standing: 62
			},
			{ letter: 'B', title: 'Yardwise', address: '', reason: '', standing: 75 },
			{ letter: '', title: 'A forum', address: '', reason: 'many short posts', standing: null }
		],
		notes: ['Interview'],
		ownTopics: ['What a lorry needs'],
		questions: [
			{ text: 'How deep?', pages: 2, isAnswered: true },
			{ text: 'Which gloves?', pages: 0, isAnswered: true },
			{ text: 'Who owns it?', pages: 1, isAnswered: false }
		],
		slips: [slip],
		sources: [{ name: 'Interview', claims: 4 }],
		claims: { backed: 4, all: 5 },
		open: [{ id: 'gaps', text: 'A gap in “Dig the trench”', at: 'write', deed: 'See' }],
		history: [
			{ at: 0, form: 'DOCX', take: 't', takeName: 'Take 1', words: 1100, open: [], address: '' }
		],
		dayOf: () => '1 January 1970'
	};
	const text = (given: ReportInput) => plainReport(reportOf(given)).map(textOfBlock).join('\n');

	it('counts what it says, and promises no rank', () => {
		const all = text(input);
		for (const line of [
			'71 of 100, measured on the text alone by the same measures as the pages; 1 of the 2 counted pages stand below it. It says what the text holds, and promises no rank.',
			'3 pages that answer the keyword were gathered: 2 were counted, 1 set aside. Own material: Interview.',
			'2 of the 3 questions found are answered; 1 of them by no counted page.',
			'Which gloves?',
			'1 term stands where the plan has it, 1 thin, 1 absent, 1 crowded.',
			'● trench, ◐ spade, ○ peg, ◉ line',
			'4 of 5 figures, dates and named bodies in the text are backed by a source.',
			'Held down by: 3 gaps.',
			'A gap in “Dig the trench”'
		])
			expect(all).toContain(line);
	});

	it.each(REPORT_PARTS)('leaves out %s when it is not chosen', (part) => {
		const without = text({ ...input, parts: REPORT_PARTS.filter((one) => one !== part) });
		expect(without).not.toContain(REPORT_NAMES[part]);
		expect(text({ ...input, parts: [part] })).toContain(REPORT_NAMES[part]);
	});

	it('gives each drawing as a file of its own, which stands before its table where it can be drawn', () => {
		const report = reportOf(input);
		const drawings = drawingsOf(report);
		expect(drawings).toHaveLength(2);
		const { svg, alt } = drawingFile(drawings[0]!, report);
		expect(alt).toMatch(/^This article stands at 71 of 100; pages: /);
		expect(svg).toContain('xmlns="http://www.w3.org/2000/svg"');
		expect(svg).toMatch(/width="700" height="76"/);
		expect(svg).toContain(`.own{fill:${report.colour}}`);
		const tables = plainReport(report);
		const withOne = plainReport(report, (drawing) =>
			drawing === drawings[1] ? { kind: 'rule' } : undefined
		);
		expect(withOne).toHaveLength(tables.length + 1);
		const at = withOne.findIndex(({ kind }) => kind === 'rule');
		expect(withOne[at + 1]).toBe(tables[at]);
		expect(tables[at]!.kind).toBe('table');
	});

	it('takes the first of the client’s colours that can be read on paper', () => {
		expect(reportOf(input).colour).toBe('#234463');
		expect(reportOf({ ...input, colours: ['#ffe08a'] }).colour).toBe('#1c2530');
	});

	it('is a valid page with its drawings named, whatever it is called', async () => {
		const html = reportHtml(reportOf({ ...input, title: '</style><script>alert(1)</script>' }));
		const validator = new HtmlValidate({ root: true, extends: ['html-validate:recommended'] });
		const { results } = await validator.validateString(html);
		expect(results.flatMap(({ messages }) => messages.map(({ message }) => message))).toEqual([]);
		expect(html).not.toContain('<script');
		expect(html).toContain('aria-label="This article stands at 71 of 100; pages: A 62, B 75"');
		expect(html).toContain('1 of 4 terms, 1 of 1 questions');
	});

	it('says less where less is known', () => {
		const bare = text({ ...input, standing: null, claims: null, slips: [], open: [], history: [] });
		expect(bare).toContain('Nothing is known to be open.');
		for (const part of ['standing', 'placement', 'sources', 'history'] as const)
			expect(bare).not.toContain(REPORT_NAMES[part]);
	});
});
