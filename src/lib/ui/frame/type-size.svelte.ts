export const TYPE_SIZES = ['usual', 'larger', 'largest'] as const;
export type TypeSize = (typeof TYPE_SIZES)[number];

const SCALES: Readonly<Record<TypeSize, number>> = { usual: 1, larger: 1.15, largest: 1.32 };
const KEY = 'corvan-type-size';

/** How large manuscripts are set; the rest of the app keeps to the browser's own size. */
class TypeSetting {
	#size = $state<TypeSize>(readSize());

	constructor() {
		this.#apply();
	}

	get size(): TypeSize {
		return this.#size;
	}

	set size(size: TypeSize) {
		this.#size = size;
		try {
			localStorage.setItem(KEY, size);
		} catch {
			// private windows may forbid it; the choice then lasts until the page closes
		}
		this.#apply();
	}

	#apply(): void {
		document.documentElement.style.setProperty('--type-scale', String(SCALES[this.#size]));
	}
}

function readSize(): TypeSize {
	try {
		const stored = localStorage.getItem(KEY);
		return TYPE_SIZES.find((size) => size === stored) ?? 'usual';
	} catch {
		return 'usual';
	}
}

export const typeSetting = new TypeSetting();
