/** The markup of what is pasted, which keeps headings and lists; empty where it has none worth keeping. */
export function pastedMarkup({ clipboardData }: ClipboardEvent): string {
	const markup = clipboardData?.getData('text/html') ?? '';
	return /<(?:h[1-6]|p|li|div|td|article)\b/i.test(markup) ? markup : '';
}
