export const THEME_MODES = ['system', 'paper', 'night'] as const;
export type ThemeMode = (typeof THEME_MODES)[number];

const KEY = 'corvan-theme';

/** The chosen theme; also read by static/theme.js before the first paint. */
class Theme {
	#mode = $state<ThemeMode>(readMode());
	#systemIsDark = $state(matchMedia('(prefers-color-scheme: dark)').matches);

	constructor() {
		matchMedia('(prefers-color-scheme: dark)').addEventListener('change', ({ matches }) => {
			this.#systemIsDark = matches;
			this.#apply();
		});
	}

	get mode(): ThemeMode {
		return this.#mode;
	}

	set mode(mode: ThemeMode) {
		this.#mode = mode;
		try {
			localStorage.setItem(KEY, mode);
		} catch {
			// private windows may forbid it; the choice then lasts until the page closes
		}
		this.#apply();
	}

	get isNight(): boolean {
		return this.#mode === 'night' || (this.#mode === 'system' && this.#systemIsDark);
	}

	#apply(): void {
		document.documentElement.dataset.theme = this.isNight ? 'corvan-night' : 'corvan-paper';
	}
}

function readMode(): ThemeMode {
	try {
		const stored = localStorage.getItem(KEY);
		return THEME_MODES.find((mode) => mode === stored) ?? 'system';
	} catch {
		return 'system';
	}
}

export const theme = new Theme();
