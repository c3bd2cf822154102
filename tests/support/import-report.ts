import type { ImportReport } from '../../src/lib/ui/gather/import-report';

/** The report of an import that brought nothing. */
export const NOTHING_CAME: ImportReport = {
	pages: [],
	notes: [],
	awaited: [],
	replaced: [],
	others: [],
	failed: [],
	skipped: [],
	remarks: [],
	isCancelled: false
};
