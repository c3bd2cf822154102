/** Puts the focus into a field as it comes, wherever it was; what stands in it is chosen. */
export function focused(element: HTMLInputElement | HTMLTextAreaElement): void {
	element.focus();
	element.select();
}
