import { defineConfig } from '@playwright/test';

const port = 4179;

export default defineConfig({
	testDir: 'tests/e2e',
	// the sample is opened, planned and drafted once; what the tests do starts from there
	projects: [
		{ name: 'prepare', testMatch: /prepare\.ts$/ },
		{ name: 'journeys', dependencies: ['prepare'] }
	],
	workers: 3,
	// several tests share two cores, and the machine may do other work: how soon something comes is no
	// matter of these tests
	timeout: 600_000,
	expect: { timeout: 45_000 },
	reporter: 'list',
	use: {
		// requests can be held back only where the app's own store does not answer them
		serviceWorkers: 'block',
		baseURL: `http://127.0.0.1:${port}`,
		viewport: { width: 1280, height: 800 },
		// what never comes fails in its own words and not by the time of the whole test
		actionTimeout: 180_000,
		permissions: ['clipboard-read', 'clipboard-write'],
		launchOptions: {
			executablePath: process.env.CORVAN_CHROMIUM ?? '/usr/bin/chromium',
			args: [
				'--no-sandbox',
				'--disable-gpu',
				'--disable-quic',
				'--no-first-run',
				'--disable-background-networking',
				'--disable-component-update',
				'--disable-sync'
			]
		}
	},
	webServer: {
		command: 'node build',
		env: { PORT: String(port), HOST: '127.0.0.1', ORIGIN: `http://127.0.0.1:${port}` },
		url: `http://127.0.0.1:${port}`,
		reuseExistingServer: false,
		timeout: 60_000
	}
});
