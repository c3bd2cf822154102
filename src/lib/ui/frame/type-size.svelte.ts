import { StoredChoice } from './stored-choice';

export const TYPE_SIZES = ['usual', 'larger', 'largest'] as const;
export type TypeSize = (typeof TYPE_SIZES)[number];

const SCALES: Readonly<Record<TypeSize, number>> = { usual: 1, larger: 1.15, largest: 1.32 };
const stored = new StoredChoice<TypeSize>('corvan-type-size', TYPE_SIZES);

/** How large manuscripts are set; the rest of the app keeps to the browser's own size. */
class TypeSetting {
	#size = $state<TypeSize>(stored.read());

	constructor() {
		this.#apply();
	}

	get size(): TypeSize {
		return this.#size;
	}

	set size(size: TypeSize) {
		this.#size = size;
		stored.keep(size);
		this.#apply();
	}

	#apply(): void {
		document.documentElement.style.setProperty('--type-scale', String(SCALES[this.#size]));
	}
}

export const typeSetting = new TypeSetting();
