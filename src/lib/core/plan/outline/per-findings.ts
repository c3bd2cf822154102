import type { Findings } from '../../findings';

/** What is read from findings once, for as long as they stay as they are. */
export function perFindings<T>(make: (findings: Findings) => T): (findings: Findings) => T {
	const made = new WeakMap<Findings, { readonly value: T }>();
	return (findings) => {
		let known = made.get(findings);
		if (!known) made.set(findings, (known = { value: make(findings) }));
		return known.value;
	};
}
