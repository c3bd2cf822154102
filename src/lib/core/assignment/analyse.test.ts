import { beforeAll, describe, expect, it } from 'vitest';
import {
	demoEvidence,
	demoFindings,
	demoStore,
	demoTagger,
	type DemoEvidence
} from '../../../../tests/support/demo';
import { mergeTerms } from '../findings';
import { runThrough } from '../keywords';
import { docOfBlocks, indexRuns, readArticle, textOfBlocks } from '../measure';
import { keptBlocksOf } from '../pages';
import { proposePlan } from '../plan';
import { standingOfPage, termIndexOf, yardstickOf } from '../standing';
import { draftArticle } from '../writers';
import {
	analyse,
	draftMaterialOf,
	findOptionsOf,
	runIndexOf,
	standingsOf,
	type Analysis
} from './analyse';
import { articleSign, pagesRevisionOf, revisionOf, type Evidence } from './evidence';
import { WorkStore } from './work-store';

let demo: DemoEvidence;
let evidence: Evidence;

beforeAll(() => {
	demo = demoFindings();
	({ evidence } = demo.analysis);
}, 60_000);

const analysed = (of: Evidence, store = demoStore()): Analysis => runThrough(analyse(of, store));

/** A page with one word of its article changed, under the same id, title and number of blocks. */
function reworded(of: Evidence, from: string, to: string): Evidence {
	const pages = of.pages.map((page) => {
		const text = JSON.stringify(page.article);
		const article = JSON.parse(text.replace(new RegExp(from, 'gi'), to)) as typeof page.article;
		return { ...page, article, sign: articleSign(article) };
	});
	return { ...of, pages };
}

describe('revisionOf', () => {
	it('is the same for equal evidence and another for any change of it', () => {
		expect(revisionOf(structuredClone(evidence))).toBe(revisionOf(evidence));
		const [first, ...rest] = evidence.pages;
		const changes: Evidence[] = [
			{ ...evidence, keyword: 'walls' },
			{ ...evidence, targetWords: 900 },
			{ ...evidence, required: ['cope'] },
			{ ...evidence, pages: rest },
			{ ...evidence, pages: [...rest, first!] },
			{ ...evidence, pages: [{ ...first!, struck: [1] }, ...rest] },
			reworded(evidence, 'hearting', 'fillings'),
			{ ...evidence, notes: evidence.notes.slice(1) },
			{
				...evidence,
				notes: evidence.notes.map((note) => ({
					...note,
					text: note.text.replace('stone', 'brick')
				}))
			},
			{ ...evidence, edits: mergeTerms(evidence.edits, COPE, [WALL]) }
		];
		const revisions = [evidence, ...changes].map(revisionOf);
		expect(new Set(revisions).size).toBe(revisions.length);
	});

	it('of the pages alone stays while notes, keyword and edits change', () => {
		expect(pagesRevisionOf({ ...evidence, keyword: 'x', notes: [] } as Evidence)).toBe(
			pagesRevisionOf(evidence)
		);
		expect(pagesRevisionOf(reworded(evidence, 'hearting', 'fillings'))).not.toBe(
			pagesRevisionOf(evidence)
		);
	});
});

const COPE = { key: 'cope', phrase: 'cope' };
const WALL = { key: 'stone wall', phrase: 'stone wall' };

describe('analyse', () => {
	it('finds what a page says now, though it keeps its id, title and number of blocks', () => {
		const changed = analysed(reworded(evidence, 'hearting', 'ballast'));
		const phrases = changed.findings.terms.map(({ phrase }) => phrase);
		expect(demo.findings.terms.map(({ phrase }) => phrase)).toContain('hearting');
		expect(phrases).not.toContain('hearting');
		expect(phrases).toContain('ballast');
		expect([...runIndexOf(changed)]).not.toEqual([...runIndexOf(demo.analysis)]);
	});

	it('gives the same from kept work as from scratch', () => {
		const fresh = analysed(demoEvidence({ pages: 4 }), new WorkStore(demoTagger()));
		expect(analysed(demoEvidence({ pages: 4 })).findings).toEqual(fresh.findings);
	}, 30_000);

	it('works on a page again only when it has changed', () => {
		const store = new WorkStore(demoTagger());
		const few = demoEvidence({ pages: 3 });
		const before = few.pages.map((page) => store.readPage(page));
		const after = [{ ...few.pages[0]!, struck: [2] }, ...few.pages.slice(1)].map((page) =>
			store.readPage(page)
		);
		expect(after.map((page, i) => page === before[i])).toEqual([false, true, true]);
		expect(after[0]!.blocks).toEqual(keptBlocksOf(few.pages[0]!.article, [2]));
	}, 30_000);

	it('tells how far it is and can be left in the middle', () => {
		const steps = analyse(demoEvidence({ pages: 3 }), demoStore());
		expect(steps.next().value).toEqual({ done: 1, all: 6 });
		expect(steps.return(undefined as never).done).toBe(true);
	});

	it('counts merged terms in a take as it counts them in findings', () => {
		const merged = analysed({ ...evidence, edits: mergeTerms(evidence.edits, COPE, [WALL]) });
		const cope = merged.findings.terms.findIndex(({ key }) => key === 'cope');
		const { variants, uses } = merged.findings.terms[cope]!;
		expect(variants).toEqual(['stone wall']);
		const terms = termIndexOf(yardstickOf(merged.findings, null));
		for (const { work, blocks } of merged.pages) {
			const article = readArticle(docOfBlocks(blocks), { terms, runs: new Float64Array() });
			const found = uses.find(({ page }) => page === work.id)?.count ?? 0;
			expect(article.uses[cope], work.id).toBe(found);
		}
	});
});

describe('standingsOf', () => {
	it('scores each page as if its article had been read for it alone', () => {
		const few = analysed(demoEvidence({ pages: 4 }));
		const standings = runThrough(standingsOf(few));
		expect(standings.map(({ page }) => page)).toEqual(few.pages.map(({ work }) => work.id));
		const [page, ...others] = few.pages;
		const alone = standingOfPage(
			{ ...page!, runs: indexRuns([textOfBlocks(page!.blocks)]) },
			[page!, ...others],
			few.notes.map(({ work }) => work),
			findOptionsOf(few.evidence)
		);
		expect(alone).toEqual(standings[0]);
	}, 30_000);
});

describe('draftMaterialOf', () => {
	it('drafts what the brief allows, from notes signed in their order', () => {
		const plan = proposePlan(demo.findings);
		const material = draftMaterialOf(demo.analysis, plan, {
			mustNotSay: ['hearting'],
			callToAction: 'Order the set.'
		});
		expect(material.notes.map(({ label }) => label)).toEqual(['n1', 'n2', 'n3']);
		const text = JSON.stringify(
			draftArticle(material).content.filter(({ type }) => type === 'paragraph')
		);
		expect(text).not.toMatch(/hearting/i);
		expect(text).toContain('Order the set.');
	});
});
