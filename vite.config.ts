import { sveltekit } from '@sveltejs/kit/vite';
import { svelteTesting } from '@testing-library/svelte/vite';
import tailwindcss from '@tailwindcss/vite';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** `file?bytes` gives a file's bytes in base 64: lists of planners come in many encodings. */
function fileBytes(): Plugin {
	return {
		name: 'file-bytes',
		enforce: 'pre',
		load(id) {
			if (!id.endsWith('?bytes')) return null;
			const bytes = readFileSync(id.slice(0, -'?bytes'.length));
			return `export default ${JSON.stringify(bytes.toString('base64'))};`;
		}
	};
}

/** Screens that are tested have no worker: what takes its place answers as a test says. */
function analystStandIn(): Plugin {
	return {
		name: 'analyst-stand-in',
		enforce: 'pre',
		resolveId: (id) =>
			// what `$lib` stands for is put in before
			/(?:\$lib|\/lib)\/workers\/client$/.test(id)
				? fileURLToPath(new URL('./tests/support/analyst.ts', import.meta.url))
				: null
	};
}

export default defineConfig({
	plugins: [fileBytes(), tailwindcss(), sveltekit()],
	worker: { format: 'es' },
	resolve: {
		alias: {
			// its browser build decodes with a DOM element, which workers do not have
			'decode-named-character-reference': fileURLToPath(
				new URL('./node_modules/decode-named-character-reference/index.js', import.meta.url)
			)
		}
	},
	optimizeDeps: {
		// found only at run time (workers, dynamic imports): without this `vite dev` reloads the page
		include: [
			'comlink',
			'dexie',
			'zod',
			'fflate',
			'linkedom/worker',
			'@mozilla/readability',
			'echarts/core',
			'echarts/charts',
			'echarts/components',
			'echarts/renderers',
			'@tiptap/core',
			'@tiptap/starter-kit',
			'@tiptap/extension-table',
			'@tiptap/extensions',
			'@tiptap/pm/state',
			'@tiptap/pm/view',
			'wink-nlp',
			'wink-eng-lite-web-model'
		]
	},
	test: {
		// whole findings are made in tests, and machines differ; a test that hangs is still found
		testTimeout: 30_000,
		hookTimeout: 60_000,
		// both cores of a small machine
		maxWorkers: 2,
		projects: [
			{
				// the core, storage, services and what stands behind the screens: each worker loads them once
				extends: true,
				test: {
					name: 'plain',
					environment: 'node',
					isolate: false,
					include: ['src/**/*.test.ts', 'scripts/**/*.test.ts', 'tests/support/**/*.test.ts'],
					exclude: ['src/**/*.svelte.test.ts']
				}
			},
			{
				// components and the state behind them, as a browser would run them
				extends: true,
				plugins: [svelteTesting(), analystStandIn()],
				test: {
					name: 'screens',
					environment: 'jsdom',
					isolate: false,
					include: ['src/**/*.svelte.test.ts'],
					setupFiles: ['tests/support/screens.ts']
				}
			}
		]
	}
});
