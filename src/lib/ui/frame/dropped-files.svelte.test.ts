import { render } from '@testing-library/svelte';
import { flushSync } from 'svelte';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import DropZone from '../parts/DropZone.svelte';
import { refuseStrayFiles } from './dropped-files';

const refused = vi.fn();
let stop: () => void;
beforeEach(() => {
	refused.mockReset();
	stop = refuseStrayFiles(refused);
});
afterEach(() => {
	stop();
	document.body.replaceChildren();
});

/** Lets something go over an element; whether the browser would still do what it does with it. */
function drop(target: Element, types: readonly string[] = ['Files']): boolean {
	const event = new Event('drop', { bubbles: true, cancelable: true });
	const files = types.includes('Files') ? [new File(['a'], 'page.html')] : [];
	Object.assign(event, { dataTransfer: { types, files } });
	return target.dispatchEvent(event);
}

it('keeps the browser from opening a file that nothing takes, and says so', () => {
	expect(drop(document.body)).toBe(false);
	expect(refused).toHaveBeenCalledTimes(1);
});

it('leaves text, fields for files and what is taken already alone', () => {
	expect(drop(document.body, ['text/plain'])).toBe(true);
	const field = document.body.appendChild(document.createElement('input'));
	field.type = 'file';
	expect(drop(field)).toBe(true);
	const editor = document.body.appendChild(document.createElement('div'));
	editor.addEventListener('drop', (event) => event.preventDefault());
	drop(editor);
	expect(refused).not.toHaveBeenCalled();
});

it('says nothing where a stage takes them, for as long as it is there', () => {
	const onfiles = vi.fn();
	const zone = render(DropZone, { label: 'Let go', onfiles });
	flushSync();
	drop(document.body);
	expect(onfiles).toHaveBeenCalledTimes(1);
	expect(refused).not.toHaveBeenCalled();
	zone.unmount();
	drop(document.body);
	expect(onfiles).toHaveBeenCalledTimes(1);
	expect(refused).toHaveBeenCalledTimes(1);
});
