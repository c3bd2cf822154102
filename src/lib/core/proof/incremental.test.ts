import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { JOBS } from '../../../../tests/support/job-analysis';
import { marksOf, proofJob, rulesFor } from '../../../../tests/support/planted';
import { docOf, docText, heading, list, paragraph, textNode, type BlockNode } from '../manuscript';
import { ArticleReader, readArticle } from '../measure';
import { checksOf } from './all-checks';
import { Proofreader } from './run-checks';

const job = proofJob('sleeping-bag');
const WORDS =
	'the bag is warm and a bag of down costs £240, which is definately more than 900 g of foam; in conclusion it’s loft matters. '.split(
		' '
	);
const said = fc
	.array(fc.constantFrom(...WORDS), { minLength: 3, maxLength: 24 })
	.map((words) => `${words.join(' ').trim()}.`);
const block: fc.Arbitrary<BlockNode> = fc.oneof(
	said.map((text) => paragraph(textNode(text))),
	said.map((text) => heading(2, text.slice(0, 40))),
	fc.array(said, { minLength: 1, maxLength: 3 }).map((items) =>
		list(
			false,
			items.map((text) => [textNode(text)])
		)
	),
	fc.constantFrom(...job.article.content)
);
const edit = fc.record({
	at: fc.nat(60),
	gone: fc.nat(2),
	come: fc.array(block, { maxLength: 2 })
});

describe('proofreading while a text changes', () => {
	it('finds what a full run finds, after any edits', () => {
		fc.assert(
			fc.property(fc.array(edit, { minLength: 1, maxLength: 6 }), (edits) => {
				const reader = new ArticleReader(job.ruler);
				const proofreader = new Proofreader(checksOf(job.evidence, rulesFor(job)));
				let content = job.article.content;
				let marks = proofreader.read(reader.readDoc(docOf(content)));
				for (const { at, gone, come } of edits) {
					content = content.toSpliced(at % content.length, gone, ...come);
					marks = proofreader.read(reader.readDoc(docOf(content)));
				}
				const whole = new Proofreader(checksOf(job.evidence, rulesFor(job))).read(
					readArticle(docOf(content), job.ruler)
				);
				expect(marks).toEqual(whole);
			}),
			{ numRuns: 12 }
		);
	});
});

describe('every mark', () => {
	it.each(JOBS)('stands on its own words, and a fix touches no others: %s', (name) => {
		const own = name === 'sleeping-bag' ? job : proofJob(name);
		const marks = marksOf(own, own.article);
		const ids = new Set<string>();
		for (const { id, place, quote, sentence, fixes, check } of marks) {
			expect(ids.has(id), id).toBe(false);
			ids.add(id);
			if (!place) continue;
			const text = docText(own.article.content[place.block]!);
			expect(text.slice(place.start, place.end), check).toBe(quote);
			if (sentence !== '') expect(text, check).toContain(sentence.split('\n')[0]);
			for (const { replacement } of fixes) expect(replacement, check).not.toBe(quote);
		}
	});
});
