import { readFileSync } from 'node:fs';
import { readStemVectors, type StemVectors } from '../../src/lib/core/text';

let vectors: StemVectors | null = null;

/** The table of stem vectors that ships with the app. */
export function stemVectors(): StemVectors {
	vectors ??= readStemVectors(
		readFileSync(new URL('../../src/lib/workers/stem-vectors.bin', import.meta.url))
	);
	return vectors;
}
