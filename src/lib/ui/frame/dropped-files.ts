/** Places that take dropped files now. */
let takers = 0;

/** Says that dropped files are taken for as long as an element is there. */
export function takesFiles(): () => void {
	takers++;
	return () => void takers--;
}

/**
 * Keeps a dropped file from taking the app's place in the window, which a browser does where nothing
 * takes it.
 *
 * @param onrefused told when files were let go where nothing takes them
 */
export function refuseStrayFiles(onrefused: () => void): () => void {
	const refuse = (event: DragEvent) => {
		if (event.defaultPrevented || !event.dataTransfer?.types.includes('Files')) return;
		// a field for files takes them by itself
		if (event.target instanceof HTMLInputElement && event.target.type === 'file') return;
		event.preventDefault();
		if (event.type === 'drop' && takers === 0) onrefused();
	};
	window.addEventListener('dragover', refuse);
	window.addEventListener('drop', refuse);
	return () => {
		window.removeEventListener('dragover', refuse);
		window.removeEventListener('drop', refuse);
	};
}
