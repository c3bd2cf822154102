import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { EMPTY_BRIEF } from '../brief';
import { editTerm, NO_EDITS } from '../findings';
import { gap, heading, list, paragraph, textNode, type TakeDoc } from '../manuscript';
import { NO_UNIT_EDITS } from '../notes';
import { ARCHIVE_VERSION, type ArchiveManifest } from './archive-schema';
import { NO_DELIVERY_CHOICES } from './choices';
import { readArchive, writeArchive, type Archive } from './archive';

const TAKE: TakeDoc = {
	type: 'doc',
	content: [
		heading(1, 'Walls', 's1'),
		paragraph(textNode('A wall.', { source: 'n', label: 'n1' })),
		list(true, [[textNode('one')]]),
		gap('Find out.')
	]
};

const manifest: ArchiveManifest = {
	format: 'corvan-assignment',
	version: ARCHIVE_VERSION,
	assignment: {
		id: 'a',
		createdAt: 1,
		title: 'Walls',
		keyword: 'dry stone wall',
		targetWords: null,
		brief: EMPTY_BRIEF,
		strikeRules: [{ site: 'walls.example', where: 'div.tip>p', text: '' }],
		edits: editTerm(NO_EDITS, { key: 'wall', phrase: 'wall' }, { weight: 'could' }),
		listed: [{ phrase: 'dry stone wall cost', volume: null }],
		proof: {
			dismissed: [{ mark: '["claim","no backing","9 m","It is 9 m."]', reason: 'measured' }],
			off: ['aged'],
			dialect: 'british'
		},
		delivery: {
			...NO_DELIVERY_CHOICES,
			standfirst: 'In short.',
			takeaways: ['One.'],
			handedOver: [
				{
					at: 1,
					form: 'DOCX',
					take: 't',
					takeName: 'Take 1',
					words: 3,
					open: ['A gap'],
					address: ''
				}
			]
		}
	},
	client: null,
	pages: [
		{
			id: 'p1',
			file: 'pages/01.html',
			name: 'a.html',
			address: '',
			origin: 'file',
			counted: true,
			struck: [2],
			result: { position: 3, strength: 46, kind: 'article' },
			judgement: { kind: 'article', fit: 80, reasons: [], proposeAside: false }
		}
	],
	notes: [
		{ id: 'n', kind: 'note', name: 'Note', text: 'Grüße 石', unitEdits: NO_UNIT_EDITS },
		{ id: 'm', kind: 'transcript', name: 'Talk', text: '[00:03] Said.', unitEdits: NO_UNIT_EDITS }
	],
	awaited: [
		{ address: 'https://walls.example/b', title: '', reason: 'it answered 500', result: null }
	],
	plan: null,
	versions: [],
	pictures: [
		{
			id: 'pic',
			file: 'pictures/01.png',
			name: 'trench.png',
			type: 'image/png',
			width: 2,
			height: 1,
			alt: 'A trench',
			caption: '',
			credit: 'Ada Fell',
			licence: 'CC BY 4.0',
			source: ''
		}
	],
	takes: [
		{
			id: 't',
			name: 'Take 1',
			doc: JSON.parse(JSON.stringify(TAKE)) as ArchiveManifest['takes'][number]['doc'],
			points: [{ at: 5, words: 40, standing: 31, placed: 2, gaps: 1 }]
		}
	]
};
/** Pages as the formats before the third had them. */
const olderPages = manifest.pages.map((page) => {
	const { result: _, ...older } = page;
	return older;
});
const archive: Archive = {
	manifest,
	pageSources: { p1: '<h1>Walls</h1>' },
	pictureBytes: { pic: Uint8Array.of(137, 80, 78, 71) }
};
/** The data as formats before the eleventh had it. */
const { pictures: _, ...unpictured } = manifest;
const refusal = (bytes: Uint8Array) => {
	const result = readArchive(bytes);
	return result.kind === 'refused' ? result.reason : 'read';
};
const withManifest = (value: unknown) =>
	zipSync({ 'assignment.json': strToU8(JSON.stringify(value)) });

describe('archive', () => {
	it('comes back identical', () => {
		expect(readArchive(writeArchive(archive))).toEqual({ kind: 'read', archive });
	});

	it('gives equal bytes for equal data', () => {
		const { version, format, ...rest } = manifest;
		expect(writeArchive({ ...archive, manifest: { ...rest, version, format } })).toEqual(
			writeArchive(archive)
		);
	});

	it('says what is wrong with a file that is not one', () => {
		expect(refusal(strToU8('hello'))).toBe('it is not a zip file');
		expect(refusal(zipSync({ 'a.txt': strToU8('x') }))).toMatch(/holds no assignment\.json/);
		expect(refusal(withManifest({ ...manifest, version: 99 }))).toMatch(/newer Corvan/);
		expect(
			refusal(withManifest({ ...manifest, assignment: { ...manifest.assignment, keyword: 3 } }))
		).toMatch(/damaged at “assignment\.keyword”/);
		expect(refusal(withManifest(manifest))).toMatch(/pages\/01\.html is missing/);
		const withoutPicture = zipSync({
			'assignment.json': strToU8(JSON.stringify(manifest)),
			'pages/01.html': strToU8('<h1>Walls</h1>')
		});
		expect(refusal(withoutPicture)).toMatch(/pictures\/01\.png is missing/);
		expect(refusal(writeArchive(archive).slice(0, 200))).not.toBe('read');
	});

	it('refuses paths that lead elsewhere', () => {
		const evil = {
			...manifest,
			pages: [{ ...manifest.pages[0]!, file: 'pages/../../etc/passwd' }]
		};
		expect(refusal(withManifest(evil))).toMatch(/damaged at “pages\.0\.file”/);
	});

	it('does not let data reach prototypes', () => {
		const text = JSON.stringify(manifest).replace(
			'"format"',
			'"__proto__":{"polluted":true},"format"'
		);
		expect(refusal(zipSync({ 'assignment.json': strToU8(text) }))).not.toBe('read');
		expect(({} as Record<string, unknown>).polluted).toBeUndefined();
	});
});

describe('older archives', () => {
	const first = (client: string) => {
		const { brief: _, strikeRules: ___, edits: _____, ...assignment } = manifest.assignment;
		const { client: __, awaited: ____, ...rest } = unpictured;
		return zipSync({
			'assignment.json': strToU8(
				JSON.stringify({
					...rest,
					pages: olderPages,
					version: 1,
					assignment: { ...assignment, client }
				})
			),
			'pages/01.html': strToU8('<h1>Walls</h1>')
		});
	};

	it('are read: the client’s name becomes a profile, the brief is empty', () => {
		const read = readArchive(first('Fellgate Tools'));
		expect(read.kind === 'read' && read.archive.manifest).toMatchObject({
			version: ARCHIVE_VERSION,
			assignment: { keyword: 'dry stone wall', brief: EMPTY_BRIEF },
			client: { id: 'client-a', profile: { name: 'Fellgate Tools' }, links: [] }
		});
		const none = readArchive(first(''));
		expect(none.kind === 'read' && none.archive.manifest.client).toBeNull();
	});

	it('of the second format are read: pages have no rank, nothing is awaited or struck by rule', () => {
		const { strikeRules: _, edits: ___, ...assignment } = manifest.assignment;
		const { awaited: __, ...rest } = unpictured;
		const read = readArchive(
			zipSync({
				'assignment.json': strToU8(
					JSON.stringify({ ...rest, pages: olderPages, version: 2, assignment })
				),
				'pages/01.html': strToU8('<h1>Walls</h1>')
			})
		);
		expect(read.kind === 'read' && read.archive.manifest).toMatchObject({
			version: ARCHIVE_VERSION,
			assignment: { strikeRules: [] },
			pages: [{ id: 'p1', result: null }],
			awaited: []
		});
	});

	it('of the third format are read: nothing was changed about the findings', () => {
		const { edits: _, ...assignment } = manifest.assignment;
		const read = readArchive(
			zipSync({
				'assignment.json': strToU8(JSON.stringify({ ...unpictured, version: 3, assignment })),
				'pages/01.html': strToU8('<h1>Walls</h1>')
			})
		);
		expect(read.kind === 'read' && read.archive.manifest).toMatchObject({
			version: ARCHIVE_VERSION,
			assignment: { edits: NO_EDITS, strikeRules: manifest.assignment.strikeRules }
		});
	});

	it('of the twelfth format are read: no keyword list says anything', () => {
		const { listed: _, ...assignment } = manifest.assignment;
		const twelfth = { ...manifest, version: 12, assignment };
		const read = readArchive(
			zipSync({
				'assignment.json': strToU8(JSON.stringify(twelfth)),
				'pages/01.html': strToU8('<h1>Walls</h1>'),
				'pictures/01.png': Uint8Array.of(137)
			})
		);
		expect(read.kind === 'read' && read.archive.manifest).toEqual({
			...manifest,
			assignment: { ...manifest.assignment, listed: [] }
		});
	});

	it('of the fourth format are read: sections take notes and refuse nothing, terms have no level', () => {
		const parts = { topic: 0.5, company: 0, heading: 1, position: 0.2 };
		const plan = {
			title: 'Walls',
			titleTag: 'Walls',
			description: '',
			slug: 'walls',
			value: 1,
			bound: 1,
			unplaced: [{ term: 'mortar', reason: 'full' }],
			sections: [
				{
					id: 'section:1',
					level: 2,
					heading: 'The cope',
					kind: 'steps',
					budget: 100,
					topics: [],
					intent: 'plain',
					position: null,
					terms: [{ term: 'cope', uses: 1, affinity: 0.5, parts, reason: '', locked: false }],
					questions: [{ question: 'question:how deep', reason: '' }],
					facts: [],
					locked: false
				}
			]
		};
		const read = readArchive(
			zipSync({
				'assignment.json': strToU8(JSON.stringify({ ...unpictured, version: 4, plan })),
				'pages/01.html': strToU8('<h1>Walls</h1>')
			})
		);
		expect(read.kind === 'read' && read.archive.manifest.plan).toMatchObject({
			confined: {},
			dismissed: {},
			unplaced: [{ term: 'mortar', reason: 'full', placed: 0, remedies: [] }],
			sections: [
				{
					notes: [],
					refused: [],
					headings: [],
					questions: [{ locked: false }],
					terms: [{ parts: { level: 0 } }]
				}
			]
		});
	});
});
