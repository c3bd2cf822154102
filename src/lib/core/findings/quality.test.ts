import { describe, expect, it } from 'vitest';
import { demoFindings } from '../../../../tests/support/demo';
import {
	factQuality,
	figuresByPattern,
	foundTerms,
	frequentRuns,
	headingsAlone,
	questionQuality,
	questionsByStems,
	termQuality,
	topicQuality,
	topicsByStems
} from '../../../../tests/support/quality';
import { readDemoTopics, readSubjects } from '../../../../tests/support/subjects';
import { quantitiesOf } from '../reading';

const subjects = readSubjects();
const mean = (values: readonly number[]) =>
	values.reduce((sum, value) => sum + value, 0) / values.length;
const figures = (sentence: string) => quantitiesOf(sentence).map(({ text }) => text);

// the goals are for subjects nobody has seen, so the labelled ones have to be above them
describe.each(subjects)('findings on $name, held against labels', (subject) => {
	it('find terms of which five in six are useful, and more than frequency finds', () => {
		const { share } = termQuality(foundTerms(subject), subject);
		expect(share).toBeGreaterThanOrEqual(0.83);
		expect(share).toBeGreaterThan(termQuality(frequentRuns(subject), subject).share);
	});

	it('merge headings as people do, and better than shared words', () => {
		const ours = topicQuality(subject, subject.works).bCubed.f1;
		expect(ours).toBeGreaterThanOrEqual(0.8);
		expect(ours).toBeGreaterThan(topicsByStems(subject).bCubed.f1);
	});

	it('merge questions better than shared words', () => {
		const ours = questionQuality(subject).bCubed.f1;
		expect(ours).toBeGreaterThanOrEqual(0.8);
		expect(ours).toBeGreaterThan(questionsByStems(subject).bCubed.f1);
	});

	it('find figures with precision 0.9 at recall 0.8, and more than a pattern finds', () => {
		const { precision, recall, f1 } = factQuality(subject, figures);
		expect(precision).toBeGreaterThanOrEqual(0.9);
		expect(recall).toBeGreaterThanOrEqual(0.8);
		expect(f1).toBeGreaterThan(factQuality(subject, figuresByPattern).f1);
	});
});

describe('findings on all subjects', () => {
	it('merge headings without the text under them well enough', () => {
		const values = subjects.map(
			(subject) => topicQuality(subject, headingsAlone(subject)).bCubed.f1
		);
		expect(mean(values)).toBeGreaterThanOrEqual(0.74);
	});

	it('merge the demo’s headings as people do', () => {
		const topics = readDemoTopics();
		expect(topics.size).toBeGreaterThan(70);
		const works = demoFindings().pages.map(({ work }) => work);
		const found = topicQuality({ keyword: 'how to build a dry stone wall', topics }, works);
		expect(found.bCubed.f1).toBeGreaterThanOrEqual(0.8);
	});
});
