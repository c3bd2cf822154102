import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { beforeAll, describe, expect, it } from 'vitest';
import { run } from './run';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const PAGES = readdirSync(join(ROOT, 'demo/pages'))
	.filter((file) => !/rockmart|plot-talk|wallfacts|borderland|reel-yard/.test(file))
	.map((file) => join(ROOT, 'demo/pages', file));
const NOTES = readdirSync(join(ROOT, 'demo/notes')).flatMap((file) => [
	'--notes',
	join(ROOT, 'demo/notes', file)
]);
const KEYWORD = ['--keyword', 'how to build a dry stone wall', '--words', '1800'];

let folder: string;

beforeAll(() => {
	folder = mkdtempSync(join(tmpdir(), 'corvan-'));
});

function core(...args: string[]): { status: number; out: string; err: string } {
	const { code, out, err } = run(args);
	return { status: code, out, err };
}

function file(name: string, content: string | Uint8Array): string {
	const path = join(folder, name);
	writeFileSync(path, content);
	return path;
}

describe('core clean', () => {
	it('gives the article of each page, and an error for what cannot be read, with exit code 1', () => {
		const picture = file('picture.html', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 1]));
		const empty = file('empty.html', '');
		const { status, out } = core('clean', picture, PAGES[0]!, empty, join(folder, 'missing.html'));
		expect(status).toBe(1);
		const found = JSON.parse(out) as Record<string, unknown>[];
		expect(found[0]).toMatchObject({
			file: PAGES[0],
			title: 'Dry stone walls: a beginner’s weekend',
			words: 739,
			pageKind: 'article',
			headings: expect.arrayContaining([{ level: 2, text: 'Cope it' }])
		});
		expect(found.slice(1)).toEqual([
			{ file: picture, error: 'looks like a PNG picture, not text' },
			{ file: empty, error: 'the file is empty' },
			{ file: join(folder, 'missing.html'), error: 'cannot be opened' }
		]);
	}, 30_000);
});

describe('core reply', () => {
	const plan = JSON.stringify({
		title: 'Walls',
		sections: [
			{ level: 1, heading: 'Walls', kind: 'opening', budget: 60 },
			{ level: 2, heading: 'Dig the trench', kind: 'steps', budget: 120 },
			{ level: 2, heading: 'Lay the cope', kind: 'explanation', budget: 100 }
		]
	});

	it('says where each part of a reply belongs, and what is missing, extra and left out', () => {
		const reply = file(
			'reply.md',
			'Sure!\n\n## Digging the trench\n\nDig.\n\n## Moles\n\nThey dig.\n\n## Worms\n\nThey too.\n'
		);
		const { status, out } = core('reply', '--plan', file('plan.json', plan), reply);
		expect(status).toBe(0);
		expect(JSON.parse(out)).toMatchObject({
			sections: [
				{ heading: 'Digging the trench', section: 'Dig the trench', words: 1, state: 'renamed' }
			],
			missing: ['Walls', 'Lay the cope'],
			extra: [
				{ heading: 'Moles', words: 2 },
				{ heading: 'Worms', words: 2 }
			],
			dropped: [{ text: 'Sure!', reason: 'chatter' }]
		});
	});

	it('says when plan or reply cannot be read', () => {
		const reply = file('reply.md', 'Dig.');
		expect(core('reply', reply).status).toBe(2);
		expect(core('reply', '--plan', file('no-plan.json', '{}'), reply)).toMatchObject({ status: 1 });
		expect(core('reply', '--plan', file('plan.json', plan), join(folder, 'gone.md')).out).toContain(
			'cannot be opened'
		);
	});
});

describe('core subtitles', () => {
	it('gives cues and paragraphs with their times, in any encoding, and what is no transcript', () => {
		const wide = file(
			'wide.srt',
			Buffer.from('\ufeff1\r\n00:00:01,500 --> 00:00:02,000\r\n<i>Grüße</i>\r\n', 'utf16le')
		);
		const plain = file('plain.txt', 'No times here.');
		const { status, out } = core('subtitles', wide, plain);
		expect(status).toBe(1);
		expect(JSON.parse(out)).toEqual([
			{
				file: wide,
				format: 'SRT',
				title: '',
				cues: [{ start: 1.5, end: 2, speaker: '', text: 'Grüße' }],
				paragraphs: [{ start: 1.5, time: '00:01', speaker: '', text: 'Grüße' }],
				words: 1,
				text: 'Grüße',
				remarks: []
			},
			{ file: plain, error: 'no times were found in it' }
		]);
	}, 30_000);
});

describe('core clean on what browsers save', () => {
	it('reads web archives and pages in the charset they name', () => {
		const html = `<meta charset="shift_jis"><title>x</title><article><h1>Walls</h1><p>${'A dry stone wall stands by weight and by friction alone. '.repeat(4)}`;
		const japanese = file(
			'japanese.html',
			Buffer.concat([Buffer.from(html), Buffer.from([0x90, 0xce, 0x8a, 0x5f])])
		);
		const saved = file(
			'saved.mht',
			`MIME-Version: 1.0\r\nContent-Type: multipart/related; boundary="b"\r\n\r\n--b\r\nContent-Type: text/html\r\nContent-Location: https://walls.example/a\r\nContent-Transfer-Encoding: quoted-printable\r\n\r\n${html.replace('shift_jis', 'utf-8').replace(/=/g, '=3D')}\r\n--b--`
		);
		const { status, out } = core('clean', japanese, saved);
		expect(status).toBe(0);
		const found = JSON.parse(out) as { text: string; headings: unknown[] }[];
		expect(found[0]!.text).toContain('石垣');
		expect(found.map(({ headings }) => headings)).toEqual([
			[{ level: 1, text: 'Walls' }],
			[{ level: 1, text: 'Walls' }]
		]);
	}, 30_000);
});

describe('core answers', () => {
	it('says who answers each question of a list: notes first, then the pages behind --', () => {
		const list = file('asked.txt', 'How long does a dry stone wall last?\nCan a wall fly?\n');
		const notes = NOTES.filter((word) => word.endsWith('.md'));
		const { status, out } = core('answers', '--questions', list, ...notes, '--', ...PAGES);
		expect(status).toBe(0);
		const [fly, last] = (
			JSON.parse(out) as {
				question: string;
				answers: { file: string; text: string; sure: boolean }[];
			}[]
		).sort((a, b) => (a.question < b.question ? -1 : 1));
		expect(last!.question).toBe('How long does a dry stone wall last?');
		expect(last!.answers[0]).toMatchObject({ file: notes[0], sure: true });
		expect(last!.answers[0]!.text).toContain('150 years');
		expect(last!.answers.some((answer) => PAGES.includes(answer.file))).toBe(true);
		expect(fly!.answers.filter(({ sure }) => sure)).toEqual([]);
		expect(core('answers', ...notes)).toMatchObject({
			status: 2,
			err: expect.stringMatching(/--questions/)
		});
	}, 60_000);
});

describe('core findings', () => {
	it('gives terms with weights, ranges and places, topics with their headings, questions, facts and shape', () => {
		const { status, out } = core('findings', ...KEYWORD, ...NOTES, ...PAGES);
		expect(status).toBe(0);
		const found = JSON.parse(out) as {
			terms: {
				term: string;
				weight: string;
				pages: number;
				min: number;
				max: number;
				places: object;
			}[];
			topics: {
				label: string;
				pages: string[];
				headings: { file: string; level: number; text: string }[];
			}[];
			questions: object[];
			facts: { origin: string }[];
			shape: object[];
		};
		const hearting = found.terms.find(({ term }) => term === 'hearting')!;
		expect(hearting).toMatchObject({ weight: 'must', pages: 9 });
		expect(hearting.min).toBeLessThanOrEqual(hearting.max);
		expect(Object.keys(hearting.places)).toEqual(['title', 'h1', 'h2', 'h3', 'opening', 'faq']);
		expect(found.topics.some(({ headings }) => headings.length > 3)).toBe(true);
		expect(found.questions.length).toBeGreaterThan(5);
		expect(new Set(found.facts.map(({ origin }) => origin))).toEqual(new Set(['note', 'page']));
		expect(found.shape).toHaveLength(15);
	}, 30_000);

	it('says how it is called when the keyword or the length is missing or wrong', () => {
		expect(core('findings', PAGES[0]!)).toMatchObject({
			status: 2,
			err: expect.stringContaining('--keyword is missing')
		});
		expect(core('findings', '--keyword', 'x', '--words', 'ten', PAGES[0]!)).toMatchObject({
			status: 2,
			err: expect.stringContaining('--words takes')
		});
		expect(core('sing')).toMatchObject({ status: 2, err: expect.stringContaining('Usage') });
	}, 60_000);
});

describe('core plan, draft and standing', () => {
	it('go from pages and notes to a draft and to where it stands', () => {
		const plan = JSON.parse(core('plan', ...KEYWORD, ...NOTES, ...PAGES).out) as {
			title: string;
			bound: number;
			value: number;
			sections: {
				heading: string;
				budget: number;
				terms: { term: string; min: number; max: number; reason: string }[];
			}[];
		};
		expect(plan.sections.reduce((sum, { budget }) => sum + budget, 0)).toBe(1800);
		expect(plan.value).toBeLessThanOrEqual(plan.bound);
		for (const { terms } of plan.sections)
			for (const { min, max, reason } of terms) expect(min <= max && reason !== '').toBe(true);

		const { out: markdown } = core('draft', ...KEYWORD, ...NOTES, ...PAGES);
		for (const { heading } of plan.sections) expect(markdown).toContain(heading);

		const standing = JSON.parse(
			core('standing', ...KEYWORD, '--draft', file('draft.md', markdown), ...NOTES, ...PAGES).out
		) as {
			standing: number;
			held: { ownWords: number };
			pages: { standing: number }[];
			moves: { gain: number }[];
		};
		const others = standing.pages.map((page) => page.standing).sort((a, b) => a - b);
		expect(others).toHaveLength(9);
		expect(standing.standing).toBeGreaterThan((others[2]! + others[3]!) / 2);
		expect(standing.held.ownWords).toBeGreaterThanOrEqual(0.95);
		expect(standing.moves[0]!.gain).toBeGreaterThan(0);
	}, 90_000);

	it('proofread a draft against pages and notes', () => {
		const text =
			'# Walls\n\n## How long it lasts\n\nNobody lifts 7,412 kg alone. In the next section, we look on. Lay the the first course.\n';
		const { marks, claims } = JSON.parse(
			core('proof', ...KEYWORD, '--draft', file('proof.md', text), ...NOTES, ...PAGES).out
		) as {
			marks: { check: string; quote: string; section: string }[];
			claims: { quote: string; backing: string }[];
		};
		const found = marks.map(({ check, quote, section }) => [check, quote, section]);
		for (const mark of [
			['claims', '7,412 kg', 'How long it lasts'],
			['leftovers', 'In the next section', 'How long it lasts'],
			['spelling', 'the the', 'How long it lasts']
		])
			expect(found).toContainEqual(mark);
		expect(claims).toEqual([expect.objectContaining({ backing: 'no backing' })]);
	}, 90_000);

	it('tell what of a draft stands in a page, and how hard a text reads', () => {
		const page =
			'<html><body><article><h1>Copes</h1><p>The cope is the row of heavy stones that runs along the top of the wall and holds everything below it in place.</p></article></body></html>';
		const draft = file(
			'close.md',
			'As we know, the row of heavy stones that runs along the top holds.\n\nIt is short.\n'
		);
		const close = JSON.parse(core('closeness', '--draft', draft, file('cope.html', page)).out) as {
			ownWords: number;
			passages: { words: number; file: string; kind: string }[];
		};
		expect(close.passages).toEqual([
			expect.objectContaining({
				words: 10,
				kind: 'run',
				file: expect.stringMatching(/cope\.html$/)
			})
		]);
		expect(close.ownWords).toBeCloseTo(1 - 10 / 17, 2);
		const [read] = JSON.parse(
			core('readability', file('plain.md', 'The cat sat on the mat. The dog ran to the door.\n'))
				.out
		) as { words: number; sentences: number; fleschEase: number; grade: number }[];
		expect(read).toMatchObject({ words: 12, sentences: 2 });
		// 206.835 − 1.015 × 6 − 84.6 × 1, and 0.39 × 6 + 11.8 × 1 − 15.59
		expect(read!.fleschEase).toBeCloseTo(116.15, 1);
		expect(read!.grade).toBeCloseTo(-1.45, 1);
	}, 30_000);
});

describe('core keywords', () => {
	it('prints what the importers read, whatever the encoding, and goes on after what they cannot', () => {
		const wide = join(ROOT, 'demo/keywords/garden-walls-planner.tsv');
		const list = file(
			'list.csv',
			'Keyword;Volume;YoY change;Mood\nstone wall;1.300;∞;glad\nhedge;many;;\n'
		);
		const picture = file('list.png', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 1]));
		const { status, out } = core('keywords', wide, picture, list);
		expect(status).toBe(1);
		const [first, second, failed] = JSON.parse(out) as Record<string, unknown>[];
		expect(first).toMatchObject({ encoding: 'utf-16le', delimiter: '\t', headerLine: 3 });
		expect(second).toMatchObject({
			file: list,
			encoding: 'utf-8',
			delimiter: ';',
			columns: [
				{ name: 'Keyword', meaning: 'phrase' },
				{ name: 'Volume', meaning: 'volume' },
				{ name: 'YoY change', meaning: 'changeYear' },
				{ name: 'Mood', meaning: 'other' }
			],
			rows: [{ phrase: 'stone wall', volume: 1300, changeYear: '∞', other: { Mood: 'glad' } }],
			rejected: [{ line: 3, reason: '“many” in Volume is not a number' }]
		});
		expect(failed).toMatchObject({ file: picture, error: 'looks like a PNG picture, not text' });
	}, 30_000);
});

describe('the command itself', () => {
	it('prints what run gives, and ends with its code', () => {
		const picture = file('shown.html', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 1]));
		const done = spawnSync(
			process.execPath,
			['--import', 'tsx', join(ROOT, 'scripts/core-cli.ts'), 'clean', picture],
			{ encoding: 'utf8', cwd: ROOT }
		);
		const { out, code } = run(['clean', picture]);
		expect([done.stdout, done.status]).toEqual([out, code]);
	}, 30_000);
});
