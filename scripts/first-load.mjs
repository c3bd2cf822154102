// What a browser loads of script before each first screen shows, compressed; fails above the goal.
// Run after a build: node scripts/first-load.mjs
import { readdirSync, readFileSync } from 'node:fs';
import { brotliCompressSync } from 'node:zlib';

const MOST_KB = 150;
const SERVER = new URL('../.svelte-kit/output/server/', import.meta.url);
const CLIENT = new URL('../.svelte-kit/output/client/', import.meta.url);

const sizes = new Map();
function sizeOf(file) {
	if (!sizes.has(file))
		sizes.set(file, brotliCompressSync(readFileSync(new URL(file, CLIENT))).length);
	return sizes.get(file);
}

const { manifest } = await import(new URL('manifest.js', SERVER));
const { client, routes, nodes } = manifest._;
const shell = client.imports ?? [];
const names = readdirSync(new URL('nodes/', SERVER)).map((file) => file.replace('.js', ''));
let worst = 0;
for (const { id, page } of routes) {
	if (!page) continue;
	const needed = [...(page.layouts ?? []), page.leaf].filter((n) => n !== undefined && n !== null);
	const files = new Set(shell);
	for (const n of needed) {
		const node = await nodes[n]();
		for (const file of node.imports ?? []) files.add(file);
	}
	const kB =
		[...files].filter((file) => file.endsWith('.js')).reduce((sum, file) => sum + sizeOf(file), 0) /
		1000;
	worst = Math.max(worst, kB);
	console.log(`${kB.toFixed(0).padStart(4)} kB  ${id}`);
}
console.log(
	`${worst.toFixed(0).padStart(4)} kB at most, ${MOST_KB} allowed, ${names.length} parts`
);
if (worst > MOST_KB) process.exitCode = 1;
