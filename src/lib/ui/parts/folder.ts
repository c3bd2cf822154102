/** A folder that the writer has chosen, as far as it is used here. */
export interface Folder {
	readonly name: string;
	getDirectoryHandle(name: string, options: { create: boolean }): Promise<Folder>;
	getFileHandle(
		name: string,
		options: { create: boolean }
	): Promise<{
		createWritable(): Promise<WritableStream & { write(data: unknown): Promise<void> }>;
	}>;
	queryPermission?(options: { mode: 'readwrite' }): Promise<PermissionState>;
	requestPermission?(options: { mode: 'readwrite' }): Promise<PermissionState>;
}

/** Whether this browser can write into a folder that the writer chooses. */
export function canSaveFolder(): boolean {
	return 'showDirectoryPicker' in window;
}

/** Asks for a folder; null: none was chosen. */
export async function chooseFolder(): Promise<Folder | null> {
	const pick = (
		window as unknown as {
			showDirectoryPicker(options: { mode: 'readwrite' }): Promise<Folder>;
		}
	).showDirectoryPicker;
	try {
		return await pick.call(window, { mode: 'readwrite' });
	} catch (error) {
		if (error instanceof DOMException && error.name === 'AbortError') return null;
		throw error;
	}
}

/** Writes a file into a folder, anew where there is one of its name; folders in its name are made. */
export async function writeInto(
	root: Folder,
	name: string,
	content: string | Uint8Array
): Promise<void> {
	const parts = name.split('/');
	let folder = root;
	for (const part of parts.slice(0, -1))
		folder = await folder.getDirectoryHandle(part, { create: true });
	const handle = await folder.getFileHandle(parts.at(-1)!, { create: true });
	const stream = await handle.createWritable();
	await stream.write(content);
	await stream.close();
}
