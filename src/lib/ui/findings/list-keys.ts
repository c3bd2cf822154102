/** A set with a member put in, or taken out where it was. */
export function toggled(set: ReadonlySet<string>, member: string): ReadonlySet<string> {
	const next = new Set(set);
	if (!next.delete(member)) next.add(member);
	return next;
}

/** Keys of a list of findings: arrows go from entry to entry, space ticks, x strikes out. */
export function onListKey(
	event: KeyboardEvent,
	list: HTMLElement | undefined,
	at: number,
	{ tick, strike }: { readonly tick: () => void; readonly strike: () => void }
): void {
	if (event.altKey || event.ctrlKey || event.metaKey) return;
	const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
	if (step !== 0) list?.querySelectorAll<HTMLElement>('button.open')[at + step]?.focus();
	else if (event.key === ' ') tick();
	else if (event.key === 'x' || event.key === 'Delete') strike();
	else return;
	event.preventDefault();
}
