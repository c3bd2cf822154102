import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { momentOf, saidIn, spokenParagraphsOf, transcriptText } from './transcript-text';
import { readTranscript } from './subtitles';

function read(text: string) {
	const result = readTranscript(text);
	if (result.kind !== 'read') throw new Error(result.reason);
	return result.transcript;
}
const said = (text: string) => read(text).paragraphs.map(({ text: words }) => words);

describe('readTranscript', () => {
	it('reads SRT with byte order mark, mixed line ends, tags and positions', () => {
		const srt =
			'\ufeff1\r\n00:00:01,000 --> 00:00:03,500\r\n<i>We begin with</i>\r\nthe footing.\r\n\r\n2\n00:00:03,600 --> 00:00:05,000 X1:40 X2:600\n{\\an8}It is 30 cm deep.\n\n';
		expect(read(srt)).toMatchObject({
			format: 'SRT',
			cues: [
				{ startMs: 1000, endMs: 3500, text: 'We begin with the footing.' },
				{ startMs: 3600, endMs: 5000, text: 'It is 30 cm deep.' }
			],
			paragraphs: [{ startMs: 1000, text: 'We begin with the footing. It is 30 cm deep.' }],
			remarks: []
		});
	});

	it('reads WebVTT with header, notes, styles, cue names, settings, voices and entities', () => {
		const vtt =
			'WEBVTT - Walls\nKind: captions\n\nSTYLE\n::cue { color: red }\n\nNOTE a remark\nover two lines\n\nopening\n00:01.000 --> 00:04.000 align:start position:0%\n<v Edda Rawlin>Stone &amp; <c.yellow>hearting</c>,</v>\n\n00:04.000 --> 00:06.000\n<v Tom>nothing <00:05.000>else.</v>\n';
		expect(read(vtt)).toMatchObject({
			format: 'WebVTT',
			title: 'Walls',
			paragraphs: [
				{ startMs: 1000, speaker: 'Edda Rawlin', text: 'Stone & hearting,' },
				{ startMs: 4000, speaker: 'Tom', text: 'nothing else.' }
			]
		});
	});

	it('takes off what rolling and growing captions repeat', () => {
		const rolling =
			'WEBVTT\n\n00:00.000 --> 00:02.000\nso the wall has\n\n00:02.000 --> 00:04.000\nso the wall has\ntwo faces and\n\n00:04.000 --> 00:04.010\ntwo faces and\n\n00:04.010 --> 00:06.000\ntwo faces and\nthe middle is packed.';
		expect(said(rolling)).toEqual(['so the wall has two faces and the middle is packed.']);
		const growing =
			'1\n00:00:00,000 --> 00:00:01,000\nlay the\n\n2\n00:00:01,000 --> 00:00:02,000\nlay the long stones\n\n3\n00:00:02,000 --> 00:00:03,000\nlay the long stones inwards.';
		expect(said(growing)).toEqual(['lay the long stones inwards.']);
	});

	it('keeps what is really said twice', () => {
		const twice =
			'1\n00:00:00,000 --> 00:00:01,000\nNo.\n\n2\n00:00:04,000 --> 00:00:05,000\nNo.\n';
		expect(said(twice).join(' ')).toBe('No. No.');
	});

	it('sorts cues that stand out of order, and says so', () => {
		const wrong =
			'2\n00:00:10,000 --> 00:00:11,000\nSecond.\n\n1\n00:00:01,000 --> 00:00:02,000\nFirst.\n';
		const { cues, remarks } = read(wrong);
		expect(cues.map(({ text }) => text)).toEqual(['First.', 'Second.']);
		expect(remarks.join()).toContain('out of order');
	});

	it('keeps what came before the cut of a file, and says so', () => {
		const cut = '1\n00:00:01,000 --> 00:00:02,000\nAll of this.\n\n2\n00:00:03,000 --> ';
		expect(said(cut)).toEqual(['All of this.']);
		expect(read(cut).remarks.join()).toContain('cut off');
	});

	it('reads files without blank lines or numbers, and text that goes on after a blank line', () => {
		expect(
			said('00:00:01,000 --> 00:00:02,000\nOne.\n00:00:02,000 --> 00:00:03,000\nTwo.')
		).toEqual(['One. Two.']);
		expect(
			said(
				'1\n00:00:01,000 --> 00:00:02,000\nThe first\n\nhas a gap.\n\n2\n00:00:02,000 --> 00:00:03,000\nThe second.'
			)
		).toEqual(['The first has a gap. The second.']);
	});

	it('keeps a line of figures that is text and not the name of a cue', () => {
		expect(
			said(
				'1\n00:00:01,000 --> 00:00:02,000\nIt was built in\n1871\n\n2\n00:00:02,000 --> 00:00:03,000\nor so.'
			)
		).toEqual(['It was built in 1871 or so.']);
	});

	it.each([
		['0:00 We start here.\n0:05 Then we go on.\n1:02:10 And end.', [0, 5000, 3_730_000]],
		['[00:12] We start here.\n[00:15] Then on.', [12_000, 15_000]],
		['0:00\nWe start here.\n0:05\nThen we go on.', [0, 5000]],
		['(01:05) EDDA: We start here.\n(01:09) TOM: Then on.', [65_000, 69_000]]
	])('reads timed text %j', (text, starts) => {
		const transcript = read(text);
		expect(transcript.format).toBe('timed text');
		expect(transcript.cues.map(({ startMs }) => startMs)).toEqual(starts);
		expect(transcript.cues.every((cue) => !/\d:\d\d/.test(cue.text))).toBe(true);
	});

	it('takes sounds out and speakers off, and starts a paragraph for each speaker', () => {
		const srt =
			'1\n00:00:01,000 --> 00:00:02,000\n[Music]\n\n2\n00:00:02,000 --> 00:00:03,000\n>> EDDA: Ask me.\n\n3\n00:00:03,000 --> 00:00:04,000\nGo on.\n\n4\n00:00:04,000 --> 00:00:05,000\nTOM: How deep?';
		const { paragraphs, remarks } = read(srt);
		expect(paragraphs).toEqual([
			{ startMs: 2000, speaker: 'EDDA', text: 'Ask me. Go on.' },
			{ startMs: 4000, speaker: 'TOM', text: 'How deep?' }
		]);
		expect(remarks).toEqual(['1 cue without words left out']);
	});

	it('breaks long speech into paragraphs at the end of a sentence', () => {
		const cue = (i: number) =>
			`${i}\n00:00:${String(i).padStart(2, '0')},000 --> 00:00:${String(i + 1).padStart(2, '0')},000\nSentence number ${i} of them has eight words.\n`;
		const paragraphs = said(Array.from({ length: 40 }, (_, i) => cue(i)).join('\n'));
		expect(paragraphs.length).toBeGreaterThan(2);
		for (const text of paragraphs) expect(text).toMatch(/^Sentence .*words\.$/);
	});

	it('says why a text is no transcript', () => {
		expect(readTranscript('A plain note.\nAt 10:30 we met.').kind).toBe('not-timed');
		expect(readTranscript('WEBVTT\n\nNOTE nothing').kind).toBe('not-timed');
		expect(readTranscript('').kind).toBe('not-timed');
	});

	it('never throws, and keeps every word of tidy cues in order', () => {
		fc.assert(fc.property(fc.string({ maxLength: 400 }), (text) => void readTranscript(text)));
		const piece = fc.constantFrom(
			'00:00:01,000 --> 00:00:02,000',
			'-->',
			'WEBVTT',
			'1',
			'',
			'words here',
			'NOTE',
			'<v Edda>',
			'00:10',
			'\ufeff'
		);
		fc.assert(
			fc.property(
				fc.array(piece, { maxLength: 30 }),
				(pieces) => void readTranscript(pieces.join('\n'))
			)
		);
		fc.assert(
			fc.property(
				fc.array(fc.stringMatching(/^[a-z]{3,9}$/), { minLength: 1, maxLength: 40 }),
				(words) => {
					const srt = words.map(
						(word, i) =>
							`${i + 1}\n00:${String(Math.floor(i / 6)).padStart(2, '0')}:${String((i % 6) * 10).padStart(2, '0')},000 --> 00:${String(Math.floor(i / 6)).padStart(2, '0')}:${String((i % 6) * 10 + 2).padStart(2, '0')},000\n${word}.`
					);
					expect(said(srt.join('\n\n')).join(' ')).toBe(words.map((word) => `${word}.`).join(' '));
				}
			),
			{ numRuns: 40 }
		);
	});
});

describe('the text a transcript is kept as', () => {
	const paragraphs = [
		{ startMs: 3_000, speaker: '', text: 'We begin with the footing.' },
		{ startMs: 3_723_000, speaker: 'Edda', text: 'A cubic metre weighs two tonnes.' }
	];

	it('comes back as it went', () => {
		const text = transcriptText(paragraphs);
		expect(text).toBe(
			'[00:03] We begin with the footing.\n\n[1:02:03 Edda] A cubic metre weighs two tonnes.'
		);
		expect(spokenParagraphsOf(text)).toEqual(paragraphs);
		expect(saidIn(text)).toBe('We begin with the footing.\n\nA cubic metre weighs two tonnes.');
	});

	it('tells when a sentence was said', () => {
		const text = transcriptText(paragraphs);
		expect(momentOf(text, 'A cubic metre weighs two tonnes.')).toMatchObject({
			startMs: 3_723_000,
			speaker: 'Edda'
		});
		expect(momentOf(text, 'Nobody said this.')).toBeNull();
	});

	it('stays readable when the writer mends it by hand', () => {
		expect(spokenParagraphsOf('[00:10] One.\n\nA paragraph without a time.\n\n\n')).toEqual([
			{ startMs: 10_000, speaker: '', text: 'One.' },
			{ startMs: 10_000, speaker: '', text: 'A paragraph without a time.' }
		]);
	});
});

describe('careless timings', () => {
	it('keep words right behind the end time, and the cue after them', () => {
		const read = readTranscript(
			'1\n01:30:28,100 --> 01:30:30,958some words\nand more\n\n2\n01:30:31,000 --> 01:30:33,000\nnext one\n'
		);
		expect(read.kind === 'read' && read.transcript.cues.map(({ text }) => text)).toEqual([
			'some words and more',
			'next one'
		]);
	});

	it('leave no repeats of a line that comes again with a time on each word', () => {
		const read = readTranscript(
			'WEBVTT\n\n00:01.000 --> 00:03.000\nthe cope<00:01.500><c> goes</c><00:02.000><c> on</c>\n\n00:03.000 --> 00:03.010\nthe cope goes on\n\n00:03.010 --> 00:05.000\nthe cope goes on\nlast<00:04.000><c> of all</c>\n'
		);
		expect(read.kind === 'read' && read.transcript.cues.map(({ text }) => text).join(' ')).toBe(
			'the cope goes on last of all'
		);
	});
});
