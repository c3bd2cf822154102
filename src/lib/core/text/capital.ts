/** A text with a capital at its start. */
export function capital(text: string): string {
	return text.slice(0, 1).toUpperCase() + text.slice(1);
}
