import { beforeEach, describe, expect, it, vi } from 'vitest';
import { toast } from 'svelte-sonner';
import type { Assignment } from '$lib/data/db';
import { NOTHING_CAME } from '../../../../tests/support/import-report';
import { EvidenceImport } from './evidence-import.svelte';
import * as importRun from './import-run';
import type { ImportOptions, ImportReport, Repeat, RepeatChoice } from './import-report';

const run = { importEvidence: vi.spyOn(importRun, 'importEvidence') };
const told = { error: vi.spyOn(toast, 'error') };

const report = NOTHING_CAME;
const assignment = { id: 'walls' } as Assignment;
const onreport = vi.fn();
let incoming: EvidenceImport;
/** Options that the import under way was called with. */
const options = () => run.importEvidence.mock.lastCall![2] as Required<ImportOptions>;

beforeEach(() => {
	vi.clearAllMocks();
	incoming = new EvidenceImport(() => assignment, onreport);
});

describe('EvidenceImport', () => {
	it('says how far it is, hands its report on, and is free again', async () => {
		let end: (report: ImportReport) => void = () => {};
		run.importEvidence.mockReturnValue(new Promise((resolve) => (end = resolve)));
		const done = incoming.bring({ addresses: [] });
		options().onProgress({ done: 2, all: 5, name: 'a.example' });
		expect(incoming.work).toEqual({ label: 'Fetching a.example,', done: 2, all: 5 });
		await incoming.bring({ notes: [] });
		expect(run.importEvidence).toHaveBeenCalledTimes(1);
		end(report);
		await done;
		expect(incoming.work).toBeNull();
		expect(incoming.report).toStrictEqual(report);
		expect(onreport).toHaveBeenCalledWith(report);
	});

	it('waits for an answer about pages that are here, and keeps both when it is left', async () => {
		const repeats = [{}, {}] as Repeat[];
		const answers: (readonly RepeatChoice[])[] = [];
		run.importEvidence.mockImplementation(async (_a, _d, options) => {
			answers.push(await options!.onRepeats!(repeats));
			return report;
		});
		const first = incoming.bring({ pages: [] });
		expect(incoming.repeats).toBe(repeats);
		incoming.choose(['replace', 'leave']);
		await first;
		expect(incoming.repeats).toBeNull();
		const second = incoming.bring({ pages: [] });
		const { signal } = options();
		incoming.leave();
		await second;
		expect(signal.aborted).toBe(true);
		expect(answers).toEqual([
			['replace', 'leave'],
			['keep', 'keep']
		]);
	});

	it('says why nothing came in, and what to do when the storage is full', async () => {
		run.importEvidence.mockRejectedValueOnce(new DOMException('full', 'QuotaExceededError'));
		await incoming.bring({ files: [] });
		expect(told.error.mock.lastCall![0]).toMatch(/^Nothing was brought in\. .*then try again\.$/);
		run.importEvidence.mockRejectedValueOnce(new Error('the worker ended'));
		await incoming.bring({ files: [] });
		expect(told.error.mock.lastCall![0]).toBe('Nothing was brought in. the worker ended');
		expect([incoming.work, incoming.report]).toEqual([null, null]);
	});

	it('does nothing before the assignment is read', async () => {
		await new EvidenceImport(() => undefined, onreport).bring({ files: [] });
		expect(run.importEvidence).not.toHaveBeenCalled();
	});
});
