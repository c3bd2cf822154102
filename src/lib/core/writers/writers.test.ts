import { beforeAll, describe, expect, it } from 'vitest';
import { demoFindings, type DemoEvidence } from '../../../../tests/support/demo';
import { draftMaterialOf } from '../assignment';
import { docText, headOf, paragraph, textNode, type TakeDoc } from '../manuscript';
import { proposePlan, type Plan } from '../plan';
import { BuiltInDrafter, draftArticle, type DraftMaterial } from './drafter';
import { sectionRequestOf } from './asking';
import { docOfVersions, versionOf, versionsOf, type Version } from './version';
import type { SectionRequest, Writer } from './writer';

let demo: DemoEvidence;
let plan: Plan;
let material: DraftMaterial;
let requests: SectionRequest[];

beforeAll(() => {
	demo = demoFindings();
	plan = proposePlan(demo.findings);
	material = draftMaterialOf(demo.analysis, plan);
	requests = plan.sections.map((section) => sectionRequestOf(section, plan, demo.findings));
}, 60_000);

const GO_ON = { aborted: false };

async function all(steps: AsyncGenerator<Version, void>): Promise<Version[]> {
	const versions: Version[] = [];
	for await (const version of steps) versions.push(version);
	return versions;
}

describe('sectionRequestOf', () => {
	it('says of a section what is placed in it, by its words, and what stands around it', () => {
		const section = plan.sections.find(
			({ terms, questions }) => terms.length > 1 && questions.length
		)!;
		const request = sectionRequestOf(section, plan, demo.findings, { mustNotSay: ['cheap'] });
		expect(request).toMatchObject({
			section: section.id,
			heading: section.heading,
			move: 'draft',
			budget: section.budget,
			mustNotSay: ['cheap']
		});
		expect(request.terms).toHaveLength(section.terms.length);
		expect(request.questions.map(({ id }) => id)).toEqual(
			section.questions.map(({ question }) => question)
		);
		const at = plan.sections.indexOf(section);
		expect(request.neighbours.after).toBe(plan.sections[at + 1]?.heading ?? null);
		expect(requests[0]!.heading).toBe(plan.title);
		expect(requests[0]!.neighbours.before).toBeNull();
		expect(structuredClone(request)).toEqual(request);
	});

	it('leaves out what the findings no longer hold', () => {
		const none = { ...demo.findings, terms: [], questions: [], facts: [], notePassages: [] };
		const [request] = plan.sections.map((section) => sectionRequestOf(section, plan, none));
		expect(request).toMatchObject({ terms: [], questions: [], facts: [], material: [] });
	});
});

describe('versions of the built-in drafter', () => {
	it('put together give the article it drafts in one go', async () => {
		const versions = await all(versionsOf(new BuiltInDrafter(material), requests, GO_ON));
		expect(docOfVersions(plan, versions)).toEqual(draftArticle(material));
		expect(versions.every(({ outcome }) => outcome.kind === 'done')).toBe(true);
		expect(versions.some(({ sources }) => sources.length > 0)).toBe(true);
	});

	it('end where they are stopped, and what came before is kept', async () => {
		const stop = { aborted: false };
		const versions: Version[] = [];
		for await (const version of versionsOf(new BuiltInDrafter(material), requests, stop)) {
			versions.push(version);
			stop.aborted = versions.length === 3;
		}
		expect(versions).toHaveLength(3);
		const doc = docOfVersions(plan, versions);
		const under = (id: string) => {
			const at = doc.content.findIndex((node) => headOf(node).section === id);
			return doc.content[at + 1]!;
		};
		expect(docText(under(plan.sections[1]!.id))).not.toBe('');
		expect(under(plan.sections.at(-1)!.id)).toEqual({ type: 'paragraph' });
	});

	it('of one section are drafted for it alone, without what stands elsewhere already', async () => {
		const whole = draftArticle(material);
		const section = plan.sections.find(
			({ id, kind }) => kind !== 'faq' && kind !== 'opening' && textUnder(whole, id).length > 200
		)!;
		const wanted = { sections: new Set([section.id]) };
		const request = sectionRequestOf(section, plan, demo.findings);
		const alone = await versionOf(new BuiltInDrafter(material, wanted), request, GO_ON);
		expect(alone.words).toBeGreaterThan(20);
		const said = alone.blocks
			.filter(({ type }) => type === 'paragraph')
			.map(docText)
			.join(' ');
		const again = await versionOf(
			new BuiltInDrafter(material, { ...wanted, elsewhere: said }),
			request,
			GO_ON
		);
		for (const sentence of said.split(/(?<=[.])\s+/).filter((one) => one.split(' ').length > 8))
			expect(again.blocks.map(docText).join(' ')).not.toContain(sentence);
	});

	it('are refused for moves it does not know, and for sections it was not made for', async () => {
		const drafter = new BuiltInDrafter(material, { sections: new Set() });
		const shorten = { ...requests[1]!, move: 'shorten' as const };
		expect(await versionOf(drafter, shorten, GO_ON)).toMatchObject({
			blocks: [],
			outcome: { kind: 'refused', reason: expect.stringContaining('only drafts') as string }
		});
		await expect(versionOf(drafter, requests[1]!, GO_ON)).rejects.toThrow(RangeError);
		expect(await versionOf(drafter, requests[1]!, { aborted: true })).toMatchObject({
			outcome: { kind: 'cancelled' }
		});
	});
});

describe('versionOf', () => {
	it('collects what a writer yields step by step, each source once', async () => {
		const writer: Writer = {
			id: 'steps',
			async *write() {
				yield { blocks: [paragraph(textNode('One two.'))], sources: ['a'] };
				yield { blocks: [paragraph(textNode('Three.'))], sources: ['a', 'b'] };
				return { kind: 'cut off' };
			}
		};
		expect(await versionOf(writer, requests[1]!, GO_ON)).toMatchObject({
			writer: 'steps',
			words: 3,
			sources: ['a', 'b'],
			outcome: { kind: 'cut off' }
		});
	});
});

function textUnder(doc: TakeDoc, id: string): string {
	const from = doc.content.findIndex((node) => headOf(node).section === id);
	const rest = doc.content.slice(from + 1);
	const to = rest.findIndex((node) => headOf(node).section !== null);
	return rest
		.slice(0, to < 0 ? rest.length : to)
		.map(docText)
		.join(' ');
}
