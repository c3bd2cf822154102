// npm test: installs what is missing, then types, lint, unit tests, build and browser tests.
import { ensureChromium, ensurePackages, run, runBeside } from './install.mjs';

ensurePackages();
const chromium = ensureChromium();
const env = { ...process.env, CORVAN_CHROMIUM: chromium };
// each of these two keeps one core busy
await runBeside(['types', 'lint'], env);
for (const step of ['unit', 'build', 'first-load', 'e2e']) {
	console.log(`\n— ${step} —`);
	run('npm', ['run', '--silent', step], { env });
}
