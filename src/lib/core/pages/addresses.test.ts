import { describe, expect, it } from 'vitest';
import { addressKeyOf, readAddresses } from './addresses';
import { pageReplySchema } from '../services';

describe('addressKeyOf', () => {
	it('gives spellings of one page one key', () => {
		const key = addressKeyOf('https://walls.example/how');
		for (const address of [
			'http://walls.example/how',
			'https://www.walls.example/how/',
			'https://WALLS.example/how#tools',
			'https://walls.example/how?utm_source=letter&fbclid=1',
			'https://walls.example/how/index.html'
		])
			expect(addressKeyOf(address), address).toBe(key);
	});

	it('keeps different pages apart', () => {
		const keys = ['/how', '/How', '/how?page=2', '/how/two', '/'].map((path) =>
			addressKeyOf(`https://walls.example${path}`)
		);
		expect(new Set(keys).size).toBe(keys.length);
	});

	it('has none for what is no address', () => {
		expect(addressKeyOf('walls')).toBe('');
		expect(addressKeyOf('')).toBe('');
	});
});

describe('readAddresses', () => {
	it('finds addresses on lines, in tables and in sentences, once each', () => {
		expect(
			readAddresses(
				'1\thttps://walls.example/how\t38\nwalls.example/how/\nSee (https://stone.example/a?b=1), and “moor.example”.\n<https://walls.example/how#x>'
			)
		).toEqual({
			addresses: ['https://walls.example/how', 'https://stone.example/a?b=1'].concat(
				'https://moor.example'
			),
			rejected: []
		});
	});

	it('tells what looks like an address and cannot be fetched', () => {
		expect(readAddresses('ftp://files.example/x and https:// and plain words, 1.5 m')).toEqual({
			addresses: [],
			rejected: ['ftp://files.example/x', 'https://']
		});
	});
});

describe('the answer of a page service', () => {
	it('is checked on arrival', () => {
		expect(pageReplySchema.safeParse({ kind: 'fetched', address: 'x' }).success).toBe(false);
		expect(
			pageReplySchema.safeParse({ kind: 'refused', reason: 'no', canRetry: false }).success
		).toBe(true);
	});
});
