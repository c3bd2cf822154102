// The analysis worker as tests of screens have it: a test says what it answers. It takes the place of
// `$lib/workers/client`, for there are no workers here.

type Call = (...given: never[]) => unknown;

const calls: Record<string, Call> = {};

/** What screens and their states call. */
export const analysis: Readonly<Record<string, Call>> = calls;

/** From now on the worker has these calls and no others; a call that is missing is an error. */
export function answering(given: Readonly<Record<string, Call>>): void {
	for (const name of Object.keys(calls)) delete calls[name];
	Object.assign(calls, given);
}
