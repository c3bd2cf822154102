// Installs what is missing before a command runs; plain Node, no dependencies.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));
const STAMP = join(ROOT, 'node_modules', '.corvan-lock');

/** Runs a command in the project and ends this process when it fails. */
export function run(command, args, options = {}) {
	const done = spawnSync(command, args, {
		cwd: ROOT,
		stdio: 'inherit',
		shell: process.platform === 'win32',
		...options
	});
	if (done.error) fail(`${command} could not be started: ${done.error.message}`);
	if (done.status !== 0) process.exit(done.status ?? 1);
}

/**
 * Runs scripts of package.json side by side, those of one row one after the other; each prints as a
 * whole when it is done. Ends this process when one fails, after the others have said theirs.
 *
 * @param {string[][]} rows
 */
export async function runBeside(rows, env) {
	const codes = await Promise.all(
		rows.map(async (scripts) => {
			for (const script of scripts) {
				const code = await runApart(script, env);
				if (code !== 0) return code;
			}
			return 0;
		})
	);
	if (codes.some((code) => code !== 0)) process.exit(1);
}

function runApart(script, env) {
	return new Promise((resolve) => {
		const shell = process.platform === 'win32';
		const child = spawn('npm', ['run', '--silent', script], { cwd: ROOT, env, shell });
		const printed = [];
		child.stdout.on('data', (part) => printed.push(part));
		child.stderr.on('data', (part) => printed.push(part));
		child.on('error', ({ message }) => printed.push(Buffer.from(message)));
		child.on('close', (code) => {
			console.log(`\n— ${script} —`);
			process.stdout.write(Buffer.concat(printed));
			resolve(code ?? 1);
		});
	});
}

export function fail(message) {
	console.error(message);
	process.exit(1);
}

/** Installs the locked packages unless that was done for this very lock file. */
export function ensurePackages(stdio = 'inherit') {
	checkNode();
	const lock = createHash('sha256')
		.update(readFileSync(join(ROOT, 'package-lock.json')))
		.digest('hex');
	if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
	console.error('Installing the packages of package-lock.json …');
	// not `npm ci`: it refuses a lock made where builds for other systems could not be looked up,
	// while `install` keeps to every locked version and adds the build for this system
	run('npm', ['install', '--no-save', '--no-audit', '--no-fund'], { stdio });
	writeFileSync(STAMP, lock);
}

function checkNode() {
	const [major, minor] = process.versions.node.split('.').map(Number);
	const fits = (major === 20 && minor >= 19) || (major === 22 && minor >= 12) || major > 22;
	if (!fits) fail(`Corvan needs Node 20.19 or 22.12 and later; this is ${process.versions.node}.`);
}

const BROWSERS = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** Path of a Chromium for the browser tests; installs Debian's as root where it is missing. */
export function ensureChromium() {
	const named = process.env.CORVAN_CHROMIUM;
	if (named && existsSync(named)) return named;
	const found = () => BROWSERS.find((path) => existsSync(path) && statSync(path).isFile());
	if (found()) return found();
	const isDebian = existsSync('/etc/debian_version') && existsSync('/usr/bin/apt-get');
	if (!isDebian || process.getuid?.() !== 0) {
		fail(
			'The browser tests need Chromium. Install it (on Debian: apt-get install chromium), or name one in CORVAN_CHROMIUM.'
		);
	}
	console.error('Installing Debian’s Chromium …');
	run('apt-get', ['update', '-qq']);
	run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
		env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
	});
	return found() ?? fail('Chromium was installed but is not at /usr/bin/chromium.');
}
