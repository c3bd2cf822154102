import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { INTENTS } from '../keywords';
import { BRIEF_FORMS, briefStateOf, EMPTY_BRIEF, PERSONS } from './brief';
import { briefMarkdown, readBriefMarkdown, type WholeBrief } from './brief-markdown';
import { EFFORTS } from './effort';

const read = (markdown: string) => {
	const result = readBriefMarkdown(markdown);
	if (result.kind !== 'read') throw new Error(result.reason);
	return result;
};

const word = fc.constantFrom(
	'wall',
	'# stone',
	'- item',
	'1. first',
	'*bold*',
	'_x_',
	'|',
	'\\',
	'[a](b)',
	'<b>',
	'“so”',
	'石',
	'& co',
	'>',
	'`code`',
	'~~no~~',
	'https://a.example/x_y',
	'::',
	'Length: 9'
);
const line = fc.array(word, { minLength: 1, maxLength: 5 }).map((words) => words.join(' '));
const maybeLine = fc.oneof(fc.constant(''), line);
const text = fc.oneof(
	fc.constant(''),
	fc
		.array(fc.array(line, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 3 })
		.map((paragraphs) => paragraphs.map((lines) => lines.join('\n')).join('\n\n'))
);
const day = fc.constantFrom('', '2026-12-11', '2027-01-31');
const volume = fc.option(fc.tuple(fc.nat(9999), fc.nat(9999)));
const whole: fc.Arbitrary<WholeBrief> = fc.record({
	keyword: line,
	client: maybeLine,
	targetWords: fc.option(fc.integer({ min: 100, max: 50_000 })),
	brief: fc.record({
		workingTitle: maybeLine,
		description: maybeLine,
		secondary: fc.uniqueArray(
			fc.tuple(line, volume, fc.boolean()).map(([phrase, size, isRequired]) => ({
				phrase,
				volumeMin: size && Math.min(...size),
				volumeMax: size && Math.max(...size),
				isRequired
			})),
			{ maxLength: 5, selector: ({ phrase }) => phrase }
		),
		reader: text,
		purpose: text,
		intent: fc.option(fc.constantFrom(...INTENTS)),
		form: fc.option(fc.constantFrom(...BRIEF_FORMS)),
		person: fc.option(fc.constantFrom(...PERSONS)),
		tone: maybeLine,
		grade: fc.option(fc.constantFrom(1, 6.5, 8, 18)),
		sections: fc.option(fc.integer({ min: 1, max: 60 })),
		questions: fc.option(fc.integer({ min: 0, max: 20 })),
		effort: fc.constantFrom(...EFFORTS),
		callToAction: text,
		mustSay: fc.array(line, { maxLength: 4 }),
		mustNotSay: fc.array(line, { maxLength: 4 }),
		deadline: day,
		fee: maybeLine,
		agreedOn: day
	})
});

describe('briefMarkdown', () => {
	it('reads back as the same brief, whatever is written in it', () => {
		fc.assert(
			fc.property(whole, (brief) => {
				const back = read(briefMarkdown(brief));
				expect(back.whole).toEqual(brief);
				expect(back.skipped).toEqual([]);
			}),
			{ numRuns: 120 }
		);
	}, 30_000);

	it('reads by itself', () => {
		const markdown = briefMarkdown({
			keyword: 'stone wall',
			client: 'Fellgate Tools',
			targetWords: 1800,
			brief: {
				...EMPTY_BRIEF,
				mustSay: ['No mortar'],
				secondary: [{ phrase: 'wall cost', volumeMin: 100, volumeMax: 1000, isRequired: true }]
			}
		});
		expect(markdown).toContain('# Brief: stone wall');
		expect(markdown).toContain('- **Length:** 1800 words');
		expect(markdown).toContain('## Must be said\n\n- No mortar');
		expect(markdown).toMatch(/\| wall cost\s+\|\s+100–1000 \| required/);
	});
});

describe('readBriefMarkdown', () => {
	it('takes a brief that a client has edited, and says what has no place', () => {
		const { whole: got, skipped } = read(
			'# Brief for stone walls\n\nLength: about 1,500 words\nTone: dry\nMood: cheerful\nForm: poem\n\n### reader\n\nGardeners\n\n## Must be said\n\n1. No mortar\n2. Two people\n\n## Remarks\n\nnone\n'
		);
		expect(got).toMatchObject({ keyword: 'stone walls', targetWords: 1500 });
		expect(got.brief).toMatchObject({
			tone: 'dry',
			reader: 'Gardeners',
			mustSay: ['No mortar', 'Two people'],
			form: null
		});
		expect(skipped).toEqual(['Mood: cheerful', 'Remarks', 'none', 'Form: poem']);
	});

	it('refuses what names no keyword', () => {
		expect(readBriefMarkdown('## Reader\n\nGardeners')).toMatchObject({ kind: 'unreadable' });
		expect(readBriefMarkdown('')).toMatchObject({ kind: 'unreadable' });
	});

	it('reads the demo’s brief whole', () => {
		const demo = read(readFileSync(new URL('../../../../demo/brief.md', import.meta.url), 'utf8'));
		expect(demo.skipped).toEqual([]);
		expect(demo.whole).toMatchObject({
			keyword: 'how to build a dry stone wall',
			targetWords: 1800
		});
		expect(briefStateOf(demo.whole.brief)).toBe('agreed');
	});
});

describe('briefStateOf', () => {
	it('is open, begun or agreed', () => {
		expect(briefStateOf(EMPTY_BRIEF)).toBe('open');
		expect(briefStateOf({ ...EMPTY_BRIEF, effort: 'supporting' })).toBe('open');
		expect(briefStateOf({ ...EMPTY_BRIEF, tone: 'dry' })).toBe('begun');
		expect(briefStateOf({ ...EMPTY_BRIEF, agreedOn: '2026-11-16' })).toBe('agreed');
	});
});
