import type { TermUse } from './term';

/** For each term the others it shares sections with, by Dice's coefficient; at most five. */
export function companyOf(uses: readonly (readonly TermUse[])[]): number[][] {
	const numbers = new Map<string, Map<number, number>>();
	const termsIn: number[][] = [];
	const sectionsOfTerm = uses.map((of, term) => {
		const sections: number[] = [];
		for (const use of of) {
			let onPage = numbers.get(use.page);
			if (!onPage) numbers.set(use.page, (onPage = new Map()));
			for (const [s] of use.sections) {
				let section = onPage.get(s);
				if (section === undefined) onPage.set(s, (section = termsIn.length));
				sections.push(section);
				(termsIn[section] ??= []).push(term);
			}
		}
		return sections;
	});
	const shared = new Int32Array(uses.length);
	return sectionsOfTerm.map((mine, i) => {
		shared.fill(0);
		for (const section of mine) for (const term of termsIn[section]!) shared[term]!++;
		const scored: [number, number][] = [];
		sectionsOfTerm.forEach((theirs, j) => {
			if (i === j || shared[j]! < 2) return;
			const dice = (2 * shared[j]!) / (mine.length + theirs.length);
			if (dice > 0.2) scored.push([j, dice]);
		});
		return scored
			.sort((a, b) => b[1] - a[1] || a[0] - b[0])
			.slice(0, 5)
			.map(([j]) => j);
	});
}
