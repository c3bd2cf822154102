/** Pages from which more than one has to say a thing before it counts as shared. */
const SHARED_FROM = 4;

/**
 * On how many pages a thing has to stand to be a finding: two, and one where there are hardly any.
 * @param share of the pages, 0–1, that has to have it besides
 */
export function leastPagesOf(pageCount: number, share = 0): number {
	return Math.max(pageCount < SHARED_FROM ? 1 : 2, Math.ceil(share * pageCount));
}
