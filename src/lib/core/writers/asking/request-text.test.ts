import { beforeAll, describe, expect, it } from 'vitest';
import { jobAnalysis } from '../../../../../tests/support/job-analysis';
import type { Analysis } from '../../assignment';
import { paragraph, textNode } from '../../manuscript';
import { proposePlan, type Plan } from '../../plan';
import { composeStandIn, STAND_IN_SAYS } from '../endpoint';
import { readReply } from '../reply';
import type { SectionRequest } from '../writer';
import { sectionRequestOf } from './request';
import { requestText, type RequestSetting } from './request-text';
import { materialSignsOf, originsBySign } from './signs';
import { REQUEST_FIELDS, REQUEST_WORDING, wordingTroubles, wordRequest } from './wording';

let analysis: Analysis;
let plan: Plan;
let setting: RequestSetting;
let requests: SectionRequest[];
let signs: Map<string, string>;

beforeAll(() => {
	analysis = jobAnalysis('moss-lawn');
	plan = proposePlan(analysis.findings);
	signs = new Map([
		...analysis.notes.map(({ work }, i): [string, string] => [work.id, `n${i + 1}`]),
		...analysis.pages.map(({ work }, i): [string, string] => [work.id, String.fromCharCode(65 + i)])
	]);
	setting = {
		plan,
		keyword: analysis.findings.keyword,
		words: 1400,
		brief: {
			reader: 'People with a lawn',
			purpose: '',
			form: 'guide',
			person: 'you',
			tone: 'calm',
			grade: 8,
			callToAction: 'Book a visit.',
			mustSay: ['never in frost']
		},
		audience: '',
		voice: '',
		sample: '',
		mustNotSay: ['kills moss for ever'],
		signs: materialSignsOf(analysis.findings, signs),
		wording: ''
	} as RequestSetting;
	requests = plan.sections.map((section) => sectionRequestOf(section, plan, analysis.findings));
}, 60_000);

describe('requestText', () => {
	it('holds heading, words, terms, questions and material with signs of every section asked for', () => {
		const text = requestText(requests, setting);
		for (const { heading, budget, terms, questions, material } of requests) {
			expect(text).toContain(heading);
			expect(text).toContain(`About ${budget} words`);
			for (const { phrase, uses } of terms) expect(text).toContain(`${phrase} ×${uses}`);
			for (const question of questions) expect(text).toContain(question.text);
			for (const { id } of material) expect(text).toContain(`[${setting.signs.get(id)!}]`);
		}
		expect(text).toContain('never in frost');
		expect(text).toContain('kills moss for ever');
		expect(text).not.toMatch(/\{\w+\}/);
	});

	it('never holds what was told off the record, what is not to be said, wishes and things to do', () => {
		const text = requestText(requests, { ...setting, mustNotSay: [] }).replace(/\s+/g, ' ');
		const kept = analysis.notes.flatMap(({ units }) =>
			units.units.filter(({ kind }) => ['off-record', 'do-not-say', 'brief', 'todo'].includes(kind))
		);
		expect(kept.length).toBeGreaterThan(8);
		for (const { text: unit } of kept)
			if (unit.split(' ').length > 3) expect(text).not.toContain(unit.replace(/\s+/g, ' '));
	});

	it('says nothing of what the brief leaves open, and asks for the action in a closing alone', () => {
		const one = requestText([requests[2]!], setting);
		expect(one).not.toContain('Purpose:');
		expect(one).not.toContain('This is how the client sounds');
		expect(one).not.toContain('Book a visit.');
		expect(one).toContain('Write one section');
		expect(requestText([requests.at(-1)!], setting)).toContain('Book a visit.');
	});

	it('shows what stands there for a move that needs it', () => {
		const stands = [paragraph(textNode('The lawn stands under water in March.'))];
		const of = (move: 'draft' | 'shorten') =>
			requestText(
				[sectionRequestOf(plan.sections[2]!, plan, analysis.findings, { move, stands })],
				setting
			);
		expect(of('shorten')).toContain('> The lawn stands under water in March.');
		expect(of('draft')).not.toContain('stands under water');
	});

	it('is answered by the stand-in with what fits the plan wholly, every sentence traced', () => {
		const { text, isCutOff } = composeStandIn(
			[{ role: 'user', content: requestText(requests, setting) }],
			'stand-in'
		);
		expect(isCutOff).toBe(false);
		expect(text).toContain(STAND_IN_SAYS);
		const reply = readReply(text, plan, { originOf: originsBySign(signs) });
		expect(reply.missing).toEqual([]);
		expect(reply.sections.every(({ section }) => section !== null)).toBe(true);
		expect(reply.dropped).toHaveLength(1);
	});

	it('is answered in parts by the stand-in that cuts off, which put together are the whole', () => {
		const ask = { role: 'user' as const, content: requestText(requests.slice(1, 4), setting) };
		const whole = composeStandIn([ask], 'stand-in').text;
		let text = '';
		for (let i = 0; i < 40; i++) {
			const part = composeStandIn(
				text === '' ? [ask] : [ask, { role: 'assistant', content: text }],
				'stand-in-cuts-off'
			);
			text += part.text;
			if (!part.isCutOff) break;
		}
		expect(text).toBe(whole);
	});
});

describe('the wording of a request', () => {
	it('of ours names known fields only, and all of them', () => {
		expect(wordingTroubles(REQUEST_WORDING)).toEqual([]);
		for (const field of Object.keys(REQUEST_FIELDS))
			expect(REQUEST_WORDING).toContain(`{${field}}`);
	});

	it('says which field there is none of, and that the sections are missing', () => {
		expect(wordingTroubles('Write {titel}.')).toEqual([
			'there is no field {titel}',
			'{sections} is missing, and with it what is to be written'
		]);
	});

	it('leaves out lines whose fields are empty, with the line that led to them', () => {
		expect(
			wordRequest('A {title}\n- R: {reader}\n\nSample:\n\n{sample}\n\nEnd {x}', { title: 'T' })
		).toBe('A T\n\nEnd {x}\n');
	});

	it('of a client takes the place of ours', () => {
		const text = requestText([requests[1]!], { ...setting, wording: 'Bitte: {sections}' });
		expect(text.startsWith('Bitte: ')).toBe(true);
		expect(text).toContain(requests[1]!.heading);
	});
});

describe('signs', () => {
	it('lead back to note or page, whatever their case, and to nothing for others', () => {
		const origins = originsBySign(signs);
		expect(origins('N1')?.label).toBe('n1');
		expect(origins('c')?.label).toBe('C');
		expect(origins('zz')).toBeNull();
		expect(new Set(setting.signs.values()).size).toBe(setting.signs.size);
	});
});
