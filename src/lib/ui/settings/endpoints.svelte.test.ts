import { render, screen, within } from '@testing-library/svelte';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { db } from '$lib/data/db';
import { listEndpoints, putEndpoint, STAND_IN } from '$lib/data/endpoints';
import * as service from '$lib/services/endpoints';
import { history } from '../frame/history.svelte';
import Endpoints from './Endpoints.svelte';

const server = {
	readAllowed: vi.spyOn(service, 'readAllowed'),
	setAllowed: vi.spyOn(service, 'setAllowed'),
	testEndpoint: vi.spyOn(service, 'testEndpoint')
};

const user = userEvent.setup();
const form = () => within(screen.getByRole('form', { name: 'Endpoint' }));
const fill = async (label: string, text: string) => {
	const field = form().getByLabelText(label);
	await user.clear(field);
	if (text !== '') await user.type(field, text.replace(/[[{]/g, '$&$&'));
};
const keep = () => user.click(form().getByRole('button', { name: 'Keep it' }));
const own = async () => (await listEndpoints()).filter(({ id }) => id !== STAND_IN.id);
const OURS = {
	...STAND_IN,
	id: 'ours',
	name: 'House server',
	address: 'http://192.168.1.4:8080/v1',
	model: 'house-7'
};

beforeEach(async () => {
	vi.clearAllMocks();
	server.readAllowed.mockResolvedValue([]);
	await db.endpoints.clear();
});

describe('the endpoints', () => {
	it('always hold the one that ships with the app, which cannot be taken away', async () => {
		render(Endpoints);
		expect(await screen.findByText('Stand-in')).toBeTruthy();
		expect(screen.queryByRole('button', { name: 'Take Stand-in away' })).toBeNull();
		await user.click(screen.getByRole('button', { name: 'Change Stand-in' }));
		expect(form().getByLabelText<HTMLInputElement>('Address').disabled).toBe(true);
		expect(form().queryByLabelText('Key')).toBeNull();
	});

	it('are set up with numbers as they are written here, changed, and undone', async () => {
		render(Endpoints);
		await user.click(screen.getByRole('button', { name: 'Set up an endpoint' }));
		await fill('Name', 'Far away');
		await fill('Address', '  https://writes.example/v1 ');
		await fill('Temperature', '0,7');
		await keep();
		expect(await screen.findByText('Far away')).toBeTruthy();
		expect(await own()).toMatchObject([
			{
				name: 'Far away',
				address: 'https://writes.example/v1',
				temperature: 0.7,
				longestReply: null
			}
		]);
		await user.click(screen.getByRole('button', { name: 'Change Far away' }));
		await fill('Name', 'Nearer');
		await fill('Temperature', '');
		await keep();
		expect(await screen.findByText('Nearer')).toBeTruthy();
		expect(await own()).toMatchObject([{ name: 'Nearer', temperature: null }]);
		await history.undo();
		expect(await own()).toMatchObject([{ name: 'Far away', temperature: 0.7 }]);
		await history.undo();
		expect(await own()).toEqual([]);
	});

	it('say what cannot be kept in words, keep what is typed, and show no key', async () => {
		render(Endpoints);
		await user.click(screen.getByRole('button', { name: 'Set up an endpoint' }));
		await fill('Name', 'Far away');
		await fill('Address', 'https://writes.example/v1');
		await fill('Key', 'secret-key');
		await fill('Temperature', '9');
		await keep();
		const said = (await screen.findByRole('alert')).textContent!;
		expect(said).toMatch(/^It is not kept: /);
		expect(said).not.toMatch(/secret-key|[{[]/);
		expect(form().getByLabelText<HTMLInputElement>('Name').value).toBe('Far away');
		expect(await own()).toEqual([]);
		await user.click(form().getByRole('button', { name: 'Leave it' }));
		expect(screen.queryByRole('form', { name: 'Endpoint' })).toBeNull();
	});

	it('are tried, and the answer stands beside the one that gave it', async () => {
		await putEndpoint(OURS);
		render(Endpoints);
		const row = (name: string) => screen.getByText(name).closest('li')!;
		await screen.findByText('House server');
		server.testEndpoint.mockResolvedValueOnce({ kind: 'works', streams: false, said: '' });
		await user.click(screen.getByRole('button', { name: 'Try House server' }));
		expect(
			await within(row('House server')).findByText(/progress shows only at the end/)
		).toBeTruthy();
		server.testEndpoint.mockResolvedValueOnce({ kind: 'works', streams: true, said: '' });
		await user.click(screen.getByRole('button', { name: 'Try House server' }));
		expect(await within(row('House server')).findByText('It works, piece by piece.')).toBeTruthy();
		server.testEndpoint.mockRejectedValueOnce(new Error('nobody is there'));
		await user.click(screen.getByRole('button', { name: 'Try House server' }));
		expect(await screen.findByText('It does not work: nobody is there.')).toBeTruthy();
		expect(within(row('Stand-in')).queryByRole('status')).toBeNull();
	});

	it('on this network are asked only where that is allowed', async () => {
		await putEndpoint(OURS);
		server.setAllowed.mockImplementation(async (address, isAllowed) => ({
			allowed: isAllowed ? [new URL(address).origin] : [],
			trouble: ''
		}));
		render(Endpoints);
		await user.click(await screen.findByRole('button', { name: 'Allow http://192.168.1.4:8080' }));
		expect(server.setAllowed).toHaveBeenLastCalledWith(OURS.address, true);
		await user.click(await screen.findByRole('button', { name: 'No longer' }));
		expect(server.setAllowed).toHaveBeenLastCalledWith(OURS.address, false);
		expect(await screen.findByRole('button', { name: /^Allow / })).toBeTruthy();
	});

	it('say so when the app’s own server is gone', async () => {
		server.readAllowed.mockRejectedValue(new Error('gone'));
		render(Endpoints);
		expect((await screen.findByRole('alert')).textContent).toMatch(/is it still running/);
	});

	it('are taken away, and come back with undo', async () => {
		await putEndpoint({ ...OURS, address: 'https://writes.example/v1' });
		render(Endpoints);
		await user.click(await screen.findByRole('button', { name: 'Take House server away' }));
		await vi.waitFor(async () => expect(await own()).toEqual([]));
		await history.undo();
		expect(await own()).toHaveLength(1);
	});
});
