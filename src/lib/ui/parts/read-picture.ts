/** A picture as it is kept: upright, no wider than pages show it, without what a camera adds. */
export interface ReadPicture {
	readonly name: string;
	readonly type: 'image/jpeg' | 'image/png';
	readonly bytes: Uint8Array;
	readonly width: number;
	readonly height: number;
}

const LIMITS = { bytes: 60_000_000, side: 1600, drawn: 1200 } as const;
const QUALITY = 0.86;

/**
 * Reads a picture of any form the browser knows, turns it upright, makes it smaller where it is large, and
 * writes it anew: places, names of cameras and thumbnails stay behind.
 *
 * @throws Error in words, naming the file and the remedy
 */
export async function readPicture(file: File): Promise<ReadPicture> {
	if (file.size > LIMITS.bytes)
		throw new Error(`${file.name} is larger than 60 MB; save it smaller and bring that in.`);
	const isDrawn = file.type === 'image/svg+xml' || /\.svg$/i.test(file.name);
	const source = await (isDrawn ? drawing(file) : photograph(file));
	const scale = Math.min(1, LIMITS.side / Math.max(source.width, source.height));
	const width = Math.max(1, Math.round(source.width * scale));
	const height = Math.max(1, Math.round(source.height * scale));
	const canvas = document.createElement('canvas');
	canvas.width = width;
	canvas.height = height;
	const context = canvas.getContext('2d');
	if (!context) throw new Error(`${file.name} cannot be drawn by this browser.`);
	context.drawImage(source.image, 0, 0, width, height);
	source.close();
	const keepsSigns = isDrawn || /^image\/(?:png|gif|webp)$/.test(file.type);
	const type =
		keepsSigns && (isDrawn || isSeeThrough(context, width, height)) ? 'image/png' : 'image/jpeg';
	const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, type, QUALITY));
	// a browser that cannot write a form writes another one
	if (blob?.type !== type) throw new Error(`${file.name} cannot be written by this browser.`);
	return {
		name: file.name || 'picture',
		type,
		bytes: new Uint8Array(await blob.arrayBuffer()),
		width,
		height
	};
}

interface Source {
	readonly image: CanvasImageSource;
	readonly width: number;
	readonly height: number;
	close(): void;
}

async function photograph(file: File): Promise<Source> {
	try {
		const image = await createImageBitmap(file, { imageOrientation: 'from-image' });
		return { image, width: image.width, height: image.height, close: () => image.close() };
	} catch {
		throw new Error(
			`${file.name} is no picture that this browser can read; save it as JPEG or PNG and bring that in.`
		);
	}
}

/** A drawing is shown as a picture, which runs no script of it and fetches nothing. */
function drawing(file: File): Promise<Source> {
	const address = URL.createObjectURL(new Blob([file], { type: 'image/svg+xml' }));
	return new Promise((done, fail) => {
		const image = new Image();
		image.onload = () => {
			const [width, height] = [
				image.naturalWidth || LIMITS.drawn,
				image.naturalHeight || LIMITS.drawn
			];
			const scale = Math.max(1, LIMITS.drawn / Math.max(width, height));
			done({
				image,
				width: Math.round(width * scale),
				height: Math.round(height * scale),
				close: () => URL.revokeObjectURL(address)
			});
		};
		image.onerror = () => {
			URL.revokeObjectURL(address);
			fail(new Error(`${file.name} is no drawing that this browser can read; save it as PNG.`));
		};
		image.src = address;
	});
}

const LOOKED_AT = 160;

/** Whether some of a picture is see-through, looked at in small. */
function isSeeThrough(context: CanvasRenderingContext2D, width: number, height: number): boolean {
	const small = document.createElement('canvas');
	small.width = small.height = LOOKED_AT;
	const look = small.getContext('2d');
	if (!look) return false;
	look.drawImage(context.canvas, 0, 0, width, height, 0, 0, LOOKED_AT, LOOKED_AT);
	const { data } = look.getImageData(0, 0, LOOKED_AT, LOOKED_AT);
	for (let i = 3; i < data.length; i += 4) if (data[i]! < 250) return true;
	return false;
}
