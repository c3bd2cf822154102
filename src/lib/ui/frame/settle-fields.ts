/**
 * Has the field in hand take what is typed when the page is hidden or left, as if the writer had left
 * the field: headings, names and figures are taken when their field is left. Returns what ends it.
 */
export function settleFieldsOnLeave(): () => void {
	const settle = () => {
		const field = document.activeElement;
		if (field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement)
			field.dispatchEvent(new Event('change', { bubbles: true }));
	};
	const hide = () => {
		if (document.visibilityState === 'hidden') settle();
	};
	window.addEventListener('pagehide', settle);
	document.addEventListener('visibilitychange', hide);
	return () => {
		window.removeEventListener('pagehide', settle);
		document.removeEventListener('visibilitychange', hide);
	};
}
