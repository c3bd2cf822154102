/** What the clipboard gave: plain text, and markup where there was some. */
export interface Pasted {
	readonly text: string;
	readonly html: string;
}

/** What was pasted while no field had the focus; null when it was meant for a field or is empty. */
export function pastedOutside(event: ClipboardEvent): Pasted | null {
	const target = event.target as HTMLElement | null;
	if (target?.closest('input, textarea, select, [contenteditable=true]')) return null;
	const text = event.clipboardData?.getData('text/plain') ?? '';
	const html = event.clipboardData?.getData('text/html') ?? '';
	return text.trim() === '' && html === '' ? null : { text, html };
}
