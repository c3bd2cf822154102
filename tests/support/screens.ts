// What jsdom lacks and components ask for, for every test of a screen.
import 'fake-indexeddb/auto';
import { configure } from '@testing-library/svelte';
import { afterAll, vi } from 'vitest';

// how soon something comes is no matter of a test: machines do other work
configure({ asyncUtilTimeout: 15_000 });

class QuietObserver {
	observe() {}
	unobserve() {}
	disconnect() {}
}

vi.stubGlobal('ResizeObserver', QuietObserver);
vi.stubGlobal('matchMedia', () => ({
	matches: false,
	addEventListener() {},
	removeEventListener() {}
}));
vi.stubGlobal('CSS', { escape: (name: string) => name.replace(/[^\w-]/g, '\\$&') });
Object.defineProperty(document, 'fonts', {
	value: { ready: Promise.resolve() },
	configurable: true
});
Element.prototype.scrollIntoView = () => {};
Element.prototype.animate ??= (() => ({ cancel() {}, finished: Promise.resolve() })) as never;

// the editor asks where a range stands when it scrolls to it
Range.prototype.getClientRects ??= () => [] as unknown as DOMRectList;
Range.prototype.getBoundingClientRect ??= () => new DOMRect();

// the modules of one file are the next one's too
afterAll(() => {
	vi.restoreAllMocks();
});
