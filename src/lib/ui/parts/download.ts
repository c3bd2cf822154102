/** Hands a file to the writer's downloads. */
export function download(name: string, content: string | Uint8Array | Blob, type: string): void {
	const url = URL.createObjectURL(new Blob([content as BlobPart], { type }));
	const link = document.createElement('a');
	link.href = url;
	link.download = name;
	link.click();
	setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
