// npm run demo: installs what is missing, builds, and serves the app with the demo on 127.0.0.1.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { ensurePackages, ROOT, run } from './install.mjs';

ensurePackages();
run('npm', ['run', '--silent', 'build']);

const port = await freePort(Number(process.env.PORT) || 4173);
const address = `http://127.0.0.1:${port}`;
const server = spawn(process.execPath, [join(ROOT, 'build', 'index.js')], {
	stdio: ['ignore', 'inherit', 'inherit'],
	env: { ...process.env, HOST: '127.0.0.1', PORT: String(port), ORIGIN: address, CORVAN_DEMO: '1' }
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

for (let i = 0; i < 100; i++) {
	const answers = await fetch(address).then(
		(reply) => reply.ok,
		() => false
	);
	if (answers) break;
	await new Promise((resolve) => setTimeout(resolve, 100));
}
console.log(`\nCorvan runs at ${address} with the demo assignment. Stop it with Ctrl+C.`);

/** The wanted port, or the next one that is free. */
async function freePort(wanted) {
	for (let port = wanted; port < wanted + 50; port++) {
		const isFree = await new Promise((resolve) => {
			const probe = createServer()
				.once('error', () => resolve(false))
				.once('listening', () => probe.close(() => resolve(true)))
				.listen(port, '127.0.0.1');
		});
		if (isFree) return port;
	}
	throw new Error(`No free port from ${wanted} to ${wanted + 49}.`);
}
