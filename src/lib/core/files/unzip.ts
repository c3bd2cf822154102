import { Unzip, UnzipInflate } from 'fflate';

export interface ZipLimits {
	readonly files: number;
	/** Bytes of all files together once unpacked. */
	readonly bytes: number;
}

export type Unpacked =
	| { readonly kind: 'unpacked'; readonly files: ReadonlyMap<string, Uint8Array> }
	| { readonly kind: 'refused'; readonly reason: string };

/**
 * Unpacks chunk by chunk and stops as soon as more comes out than the limits, whatever sizes
 * the zip claims. Names are given as they stand in it: they are labels, never paths to write to.
 */
export function unpackZip(bytes: Uint8Array, limits: ZipLimits): Unpacked {
	const files = new Map<string, Uint8Array>();
	let total = 0;
	let trouble: string | null = null;
	const unzip = new Unzip((file) => {
		if (trouble !== null || files.size >= limits.files) {
			trouble ??= `it holds more than ${limits.files} files`;
			return;
		}
		if (file.name.endsWith('/')) return;
		const chunks: Uint8Array[] = [];
		file.ondata = (error, chunk, final) => {
			if (error) {
				trouble ??= DAMAGED;
				return;
			}
			total += chunk.length;
			if (total > limits.bytes) {
				trouble ??= `it unpacks to more than ${Math.round(limits.bytes / 1_000_000)} MB`;
				file.terminate();
				return;
			}
			chunks.push(chunk);
			if (final) files.set(file.name, concat(chunks));
		};
		file.start();
	});
	unzip.register(UnzipInflate);
	try {
		const step = 65_536;
		for (let at = 0; at < bytes.length && trouble === null; at += step) {
			unzip.push(bytes.subarray(at, at + step), at + step >= bytes.length);
		}
	} catch {
		trouble ??= DAMAGED;
	}
	return trouble === null ? { kind: 'unpacked', files } : { kind: 'refused', reason: trouble };
}

const DAMAGED = 'it is damaged and cannot be unpacked';

function concat(chunks: readonly Uint8Array[]): Uint8Array {
	const whole = new Uint8Array(chunks.reduce((sum, chunk) => sum + chunk.length, 0));
	let at = 0;
	for (const chunk of chunks) {
		whole.set(chunk, at);
		at += chunk.length;
	}
	return whole;
}
