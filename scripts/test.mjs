// npm test: installs what is missing, then types, lint, unit tests, build and browser tests.
import { ensureChromium, ensurePackages, run } from './install.mjs';

ensurePackages();
const chromium = ensureChromium();
for (const step of ['types', 'lint', 'unit', 'build', 'e2e']) {
	console.log(`\n— ${step} —`);
	run('npm', ['run', '--silent', step], { env: { ...process.env, CORVAN_CHROMIUM: chromium } });
}
