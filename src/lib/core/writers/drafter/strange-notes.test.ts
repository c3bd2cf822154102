import { beforeAll, describe, expect, it } from 'vitest';
import { assignmentAnalysis } from '../../../../../tests/support/job-analysis';
import { draftMaterialOf } from '../../assignment';
import { markdownOf } from '../../manuscript';
import { proposePlan } from '../../plan';
import { draftArticle } from './built-in';

let said = '';
let markdown = '';
beforeAll(() => {
	const analysis = assignmentAnalysis('hens');
	const plan = proposePlan(analysis.findings);
	const doc = draftArticle(draftMaterialOf(analysis, plan));
	markdown = markdownOf(doc);
	// what a gap shows is told to the writer alone
	said = markdown
		.split('\n')
		.filter((line) => !line.startsWith('>'))
		.join('\n');
	expect(markdown.length).toBeGreaterThan(500);
}, 60_000);

/* A talk in small letters, a mail with numbered answers, a list of costs, and the wishes of a client. */
describe('a draft from notes as they are kept', () => {
	it.each([
		['what was held back afterwards', /nine in one night|nine hens/i],
		['what is asked not to be printed', /practice/i],
		['what the client forbids, as an order', /don't say|cheap eggs/i],
		['what the client wishes', /terraced house|no hype|coop planner/i],
		['who speaks, as a label', /\b(?:me|B):/],
		['what was asked', /how much run then|can I quote/i],
		['how a mail leads in', /In order:|Happy to help/],
		['a label of the writer’s own', /intro idea|TODO/i]
	])('prints nothing of %s', (_, words) => {
		expect(said).not.toMatch(words);
	});

	it('names who speaks, with what the note says of her', () => {
		expect(said).toMatch(/Brenda Oakshott, allotment secretary/);
		expect(said).toMatch(/“Now I['’]ve an automatic door[^”]*December/);
	});

	it('keeps costs together as a table, and does not call them missing', () => {
		expect(said).toMatch(/\| Coop \(plastic, second hand\) +\| £220 +\|/);
		expect(said).toMatch(/\| Hens +\| 3 at £22 +\|/);
		expect(markdown).not.toMatch(/How much does it cost[^.]*\? None of your notes/);
	});

	it('offers no answer for naming the subject alone: “hens” where the keyword says “chickens”', () => {
		expect(markdown).not.toMatch(/What do hens eat\?[^?]*three things I see most/);
		expect(markdown).not.toMatch(/Are you allowed to keep hens\? Perhaps/);
	});

	it('puts an answer where its question belongs', () => {
		const wrong = markdown.split(/^## /m).find((section) => /^Where .* goes wrong/.test(section));
		expect(wrong).toMatch(/Asked what beginners get wrong most, [^“]*“They buy the coop first/);
	});
});
