import type { Speller } from '$lib/core/proof';
import type { Dialect } from '$lib/core/text';

const made = new Map<Dialect, Promise<Speller | null>>();

/** The dictionary of a dialect, loaded when first asked for; null where it cannot be had. */
export function loadSpeller(dialect: Dialect): Promise<Speller | null> {
	let speller = made.get(dialect);
	if (!speller) {
		speller = load(dialect).catch(() => {
			// the next reading may have a network again
			made.delete(dialect);
			return null;
		});
		made.set(dialect, speller);
	}
	return speller;
}

// the packages offer a reader of files alone, so their two files are taken as text
async function load(dialect: Dialect): Promise<Speller> {
	const [{ default: nspell }, aff, dic] = await Promise.all([
		import('nspell'),
		dialect === 'british'
			? import('../../../node_modules/dictionary-en-gb/index.aff?raw')
			: import('../../../node_modules/dictionary-en/index.aff?raw'),
		dialect === 'british'
			? import('../../../node_modules/dictionary-en-gb/index.dic?raw')
			: import('../../../node_modules/dictionary-en/index.dic?raw')
	]);
	return nspell(aff.default, dic.default);
}
