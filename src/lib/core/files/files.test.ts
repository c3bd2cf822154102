import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { fileKindOf, unpackPages } from './file-kind';
import { isMhtml, readMhtml } from './mhtml';
import { unpackZip } from './unzip';

const archive = (parts: string, type = 'multipart/related; type="text/html"; boundary="--b1"') =>
	strToU8(
		`From: <Saved by a browser>\r\nSnapshot-Content-Location: https://walls.example/how\r\nSubject: Walls\r\nMIME-Version: 1.0\r\nContent-Type: ${type}\r\n\r\n\r\n${parts}`
	);
const PART =
	'----b1\r\nContent-Type: text/html\r\nContent-ID: <frame-1@page>\r\nContent-Transfer-Encoding: quoted-printable\r\nContent-Location: https://walls.example/how\r\n\r\n<h1>Caf=C3=A9 walls</h1><p class=3D"a">A line that is bro=\r\nken.</p>\r\n';

describe('readMhtml', () => {
	it('takes the first page, decoded, with its address', () => {
		const bytes = archive(
			`${PART}----b1\r\nContent-Type: text/html\r\nContent-ID: <frame-2@page>\r\n\r\n<p>An advertisement in a frame</p>\r\n----b1\r\nContent-Type: image/png\r\nContent-Transfer-Encoding: base64\r\n\r\niVBORw0KGgo=\r\n----b1--\r\n`
		);
		expect(isMhtml(bytes)).toBe(true);
		const read = readMhtml(bytes);
		expect(read).toMatchObject({ kind: 'read', address: 'https://walls.example/how' });
		expect(read.kind === 'read' && read.html.trim()).toBe(
			'<h1>Café walls</h1><p class="a">A line that is broken.</p>'
		);
	});

	it('reads base 64 and the charset of the part', () => {
		const bytes = archive(
			`----b1\r\nContent-Type: text/html; charset="windows-1252"\r\nContent-Transfer-Encoding: base64\r\n\r\nPHA+Y2Fm6Twv\r\ncD4=\r\n----b1--`
		);
		expect(readMhtml(bytes)).toMatchObject({ kind: 'read', html: '<p>café</p>' });
	});

	it('finds the page inside nested parts, and the one that is named as the start', () => {
		const nested = archive(
			`----b1\r\nContent-Type: multipart/alternative; boundary=in\r\n\r\n--in\r\nContent-Type: text/plain\r\n\r\nplain\r\n--in\r\nContent-Type: text/html\r\n\r\n<p>rich</p>\r\n--in--\r\n----b1--`
		);
		expect(readMhtml(nested)).toMatchObject({ kind: 'read', html: '<p>rich</p>\r\n' });
		const started = archive(
			`----b1\r\nContent-Type: text/html\r\nContent-ID: <f1>\r\n\r\n<p>frame</p>\r\n----b1\r\nContent-Type: text/html\r\nContent-ID: <main>\r\n\r\n<p>page</p>\r\n----b1--`,
			'multipart/related; start="<main>"; boundary="--b1"'
		);
		expect(readMhtml(started)).toMatchObject({ kind: 'read', html: '<p>page</p>\r\n' });
	});

	it('says what is wrong with an archive without a page, and never throws', () => {
		expect(readMhtml(archive('----b1\r\nContent-Type: text/css\r\n\r\np{}\r\n----b1--')).kind).toBe(
			'refused'
		);
		fc.assert(fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => void readMhtml(bytes)));
		fc.assert(
			fc.property(fc.nat(PART.length), (cut) => {
				expect(['read', 'refused']).toContain(readMhtml(archive(PART.slice(0, cut))).kind);
			})
		);
	});
});

describe('fileKindOf', () => {
	const zip = (names: readonly string[]) =>
		zipSync(Object.fromEntries(names.map((name) => [name, strToU8('x')])));

	it.each([
		['page.html', strToU8('<p>Hello</p>'), 'page'],
		['saved', strToU8('<!doctype html><title>x</title>'), 'page'],
		['page.txt', strToU8('<!DOCTYPE html><html>'), 'page'],
		['notes.md', strToU8('# Notes\n\n<div>markup is allowed</div>'), 'text'],
		['talk.srt', strToU8('1\n00:00:01,000 --> 00:00:02,000\nHi'), 'text'],
		['saved.mht', archive(PART), 'web archive'],
		['saved.html', archive(PART), 'web archive'],
		['sheet.pdf', strToU8('%PDF-1.7 …'), 'PDF'],
		['links.csv', strToU8('address,title'), 'table'],
		['client.json', strToU8('{}'), 'data'],
		['note.docx', zip(['[Content_Types].xml', 'word/document.xml']), 'DOCX'],
		['wall.corvan.zip', zip(['assignment.json']), 'assignment'],
		['pages.zip', zip(['a.html', 'b.html']), 'zip']
	])('takes %s for what it is', (name, bytes, kind) => {
		expect(fileKindOf(bytes, name)).toEqual({ kind, reason: '' });
	});

	it.each([
		['empty.html', new Uint8Array(), /empty/],
		['cells.xlsx', zip(['xl/workbook.xml']), /CSV/],
		['slides.pptx', zip(['ppt/presentation.xml']), /slides/],
		['text.odt', zip(['mimetype', 'content.xml']), /DOCX/],
		['photo.html', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 1, 2]), /PNG/],
		['old.doc', new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 1]), /DOCX/],
		['rich.rtf', strToU8('{\\rtf1 hello}'), /RTF/]
	])('says what to do with %s', (name, bytes, reason) => {
		const found = fileKindOf(bytes, name);
		expect(found.kind).toBe('unknown');
		expect(found.reason).toMatch(reason);
	});
});

describe('zips', () => {
	it('brings the pages out and counts what only accompanies them', () => {
		const bytes = zipSync({
			'saved/How to.html': strToU8('<p>x</p>'),
			'saved/How to_files/frame.html': strToU8('<p>ad</p>'),
			'saved/How to_files/a.css': strToU8('p{}'),
			'__MACOSX/._How to.html': strToU8('x'),
			'../../etc/note.txt': strToU8('a note')
		});
		const unpacked = unpackPages(bytes);
		expect(unpacked).toMatchObject({ kind: 'unpacked', skipped: 3 });
		expect(unpacked.kind === 'unpacked' && unpacked.files.map(({ name }) => name)).toEqual([
			'How to.html',
			'note.txt'
		]);
	});

	it('stops at the limit, whatever size the zip claims', () => {
		const bomb = zipSync({ 'a.html': new Uint8Array(3_000_000) }, { level: 9 });
		// the sizes in both headers are made to lie
		for (let at = 0; at + 4 < bomb.length; at++) {
			const isLocal = bomb[at] === 0x50 && bomb[at + 1] === 0x4b && bomb[at + 2] === 3;
			const isCentral = bomb[at] === 0x50 && bomb[at + 1] === 0x4b && bomb[at + 2] === 1;
			if (isLocal) bomb.set([10, 0, 0, 0], at + 22);
			if (isCentral) bomb.set([10, 0, 0, 0], at + 24);
		}
		expect(unpackZip(bomb, { files: 10, bytes: 1_000_000 })).toEqual({
			kind: 'refused',
			reason: 'it unpacks to more than 1 MB'
		});
		const many = zipSync(
			Object.fromEntries(Array.from({ length: 30 }, (_, i) => [`${i}`, strToU8('x')]))
		);
		expect(unpackZip(many, { files: 20, bytes: 1_000_000 })).toMatchObject({
			reason: 'it holds more than 20 files'
		});
	});

	it('never throws on damaged zips', () => {
		const good = zipSync({ 'a.html': strToU8('<p>some words</p>'.repeat(50)) });
		fc.assert(
			fc.property(fc.nat(good.length - 1), fc.nat(255), (at, value) => {
				const bad = good.slice();
				bad[at] = value;
				unpackPages(bad);
				unpackPages(good.subarray(0, at));
			})
		);
	});
});
