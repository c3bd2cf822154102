/// <reference types="@sveltejs/kit" />
/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />

/*
 * Keeps the app for when there is no network: all its files at the first visit, each page as the same shell,
 * which finds its way by the address. What asks the server is never kept. A new version waits until it is
 * asked for, so that nothing changes under what is being typed.
 */
import { build, files, version } from '$service-worker';

const worker = self as unknown as ServiceWorkerGlobalScope;
const PREFIX = 'corvan-';
const CACHE = `${PREFIX}${version}`;
const SHELL = '/';
const ASSETS = new Set([...build, ...files]);
/** How long a page may take before the kept shell is shown instead. */
const PATIENCE_MS = 4_000;

worker.addEventListener('install', (event) => event.waitUntil(fill()));

/** Files are named after their content: what an earlier version has is taken from there. */
async function fill(): Promise<void> {
	const cache = await caches.open(CACHE);
	await Promise.all(
		[...ASSETS, SHELL].map(async (path) => {
			const kept =
				path === SHELL || !path.includes('/immutable/') ? undefined : await caches.match(path);
			const reply = kept ?? (await fetch(path, { cache: 'no-cache' }));
			if (!reply.ok) throw new Error(`${path} answers ${reply.status}`);
			await cache.put(path, reply);
		})
	);
}

worker.addEventListener('activate', (event) => event.waitUntil(clear()));

/** Windows of the version before may still load parts of it: it is kept until the next one. */
async function clear(): Promise<void> {
	const old = (await caches.keys()).filter((key) => key.startsWith(PREFIX) && key !== CACHE);
	await Promise.all(old.slice(0, -1).map((key) => caches.delete(key)));
}

worker.addEventListener('message', (event) => {
	if (event.data === 'take over') void worker.skipWaiting();
});

worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const { origin, pathname } = new URL(request.url);
	if (request.method !== 'GET' || origin !== worker.location.origin) return;
	if (pathname.startsWith('/api/') || pathname.startsWith('/stand-in-site')) return;
	if (request.mode === 'navigate') event.respondWith(page(request));
	else if (ASSETS.has(pathname) || pathname.includes('/immutable/'))
		event.respondWith(asset(request, pathname));
});

async function asset(request: Request, pathname: string): Promise<Response> {
	const own = await caches.open(CACHE);
	return (await own.match(pathname)) ?? (await caches.match(pathname)) ?? fetch(request);
}

/** From the server where it answers soon and well, else the shell that was kept. */
async function page(request: Request): Promise<Response> {
	const kept = async () => (await (await caches.open(CACHE)).match(SHELL)) ?? Response.error();
	try {
		const late = new Promise<null>((resolve) => setTimeout(resolve, PATIENCE_MS, null));
		const reply = await Promise.race([fetch(request), late]);
		return reply && reply.status < 500 ? reply : await kept();
	} catch {
		return await kept();
	}
}
