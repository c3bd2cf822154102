import { Setting } from './setting.svelte';

export const TYPE_SIZES = ['usual', 'larger', 'largest'] as const;
export type TypeSize = (typeof TYPE_SIZES)[number];

const SCALES: Readonly<Record<TypeSize, number>> = { usual: 1, larger: 1.15, largest: 1.32 };

/** How large manuscripts are set; the rest of the app keeps to the browser's own size. */
class TypeSetting {
	readonly #setting = new Setting<TypeSize>('corvan-type-size', TYPE_SIZES);

	constructor() {
		this.#apply();
	}

	get size(): TypeSize {
		return this.#setting.chosen;
	}

	set size(size: TypeSize) {
		this.#setting.chosen = size;
		this.#apply();
	}

	#apply(): void {
		document.documentElement.style.setProperty('--type-scale', String(SCALES[this.size]));
	}
}

export const typeSetting = new TypeSetting();
