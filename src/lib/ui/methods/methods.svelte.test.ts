import { readFileSync, readdirSync } from 'node:fs';
import { render, screen, within } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import Methods from './Methods.svelte';
import { headingsOf, idOf, readMethods } from './methods-text';

const SOURCE = readFileSync('docs/METHODS.md', 'utf8');

describe('how it is worked out', () => {
	it('draws the methods with a list of their sections, and no markup of theirs', () => {
		render(Methods);
		const sections = within(screen.getByRole('navigation', { name: 'Sections' }));
		expect(sections.getByRole('link', { name: 'Standing' }).getAttribute('href')).toBe('#standing');
		expect(screen.getByRole('heading', { name: 'Standing' }).id).toBe('standing');
		expect(screen.getAllByRole('table').length).toBeGreaterThan(3);
		expect(screen.getByRole('main').textContent).not.toMatch(/\*\*|\|\s*---/);
	});

	it('has a section for every link that leads to it', () => {
		const ids = new Set(headingsOf(readMethods(SOURCE)).map(({ id }) => id));
		const links = readdirSync('src/lib/ui', { recursive: true, encoding: 'utf8' })
			.filter((name) => name.endsWith('.svelte'))
			.flatMap((name) => [
				...readFileSync(`src/lib/ui/${name}`, 'utf8').matchAll(/<HowLink\s+to="([^"]+)"/g)
			])
			.map(([, to]) => to!);
		expect(links.length).toBeGreaterThan(4);
		for (const to of links) expect(ids, to).toContain(to);
		for (const to of ['terms', 'topics', 'questions', 'facts', 'shape']) expect(ids).toContain(to);
	});

	it('names a heading as an address does', () => {
		expect(idOf('Title competition, weak spots, opening')).toBe(
			'title-competition-weak-spots-opening'
		);
	});
});
