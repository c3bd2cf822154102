import nspell from 'nspell';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Speller } from '../../src/lib/core/proof';

const require = createRequire(import.meta.url);

/** The dictionary of a dialect, from the packages. */
export function spellerOf(dialect: 'british' | 'american'): Speller {
	const name = dialect === 'british' ? 'dictionary-en-gb' : 'dictionary-en';
	const folder = require.resolve(name).replace(/index\.js$/, '');
	const read = (file: string) => readFileSync(`${folder}${file}`, 'utf8');
	return nspell(read('index.aff'), read('index.dic'));
}
