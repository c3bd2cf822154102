// npm test: installs what is missing, then types and build beside lint, unit tests and browser tests.
import { ensureChromium, ensurePackages, run, runBeside } from './install.mjs';

ensurePackages();
const chromium = ensureChromium();
const env = { ...process.env, CORVAN_CHROMIUM: chromium };
// each row keeps one core busy; the build follows the types, which write what it reads
await runBeside([['types', 'build', 'first-load'], ['lint']], env);
for (const step of ['unit', 'e2e']) {
	console.log(`\n— ${step} —`);
	run('npm', ['run', '--silent', step], { env });
}
