import { StoredChoice } from './stored-choice';

export const THEME_MODES = ['system', 'paper', 'night'] as const;
export type ThemeMode = (typeof THEME_MODES)[number];

const stored = new StoredChoice<ThemeMode>('corvan-theme', THEME_MODES);

/** The chosen theme; also read by static/theme.js before the first paint. */
class Theme {
	#mode = $state<ThemeMode>(stored.read());
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
		stored.keep(mode);
		this.#apply();
	}

	get isNight(): boolean {
		return this.#mode === 'night' || (this.#mode === 'system' && this.#systemIsDark);
	}

	#apply(): void {
		document.documentElement.dataset.theme = this.isNight ? 'corvan-night' : 'corvan-paper';
	}
}

export const theme = new Theme();
