import { readResultsList } from '$lib/core/keywords';
import { addressKeyOf } from '$lib/core/pages';
import { type PageReply, type PageService } from '$lib/core/services';

/*
 * Stands in for the web where there is none: it answers addresses under `.example` from the pages
 * of the demo, through the interface of the open web. A page's file is named after its site; its
 * address stands in the list of who ranks.
 */
const files = import.meta.glob('/demo/pages/*.html', {
	query: '?raw',
	import: 'default'
}) as Record<string, () => Promise<string>>;
const lists = import.meta.glob('/demo/results/who-ranks.csv', {
	query: '?raw',
	import: 'default'
}) as Record<string, () => Promise<string>>;

interface SamplePage {
	readonly address: string;
	readonly html: string;
}

let known: Promise<ReadonlyMap<string, SamplePage>> | null = null;

async function read(): Promise<ReadonlyMap<string, SamplePage>> {
	const pages = new Map<string, SamplePage>();
	const ranked = readResultsList(await lists['/demo/results/who-ranks.csv']!());
	if (ranked.kind !== 'read') throw new Error('The sample’s list of results cannot be read.');
	for (const { address } of ranked.lists[0]?.results ?? []) {
		const site = new URL(address).hostname.replace(/\.example$/, '');
		const load = files[`/demo/pages/${site}.html`];
		if (load) pages.set(addressKeyOf(address), { address, html: await load() });
	}
	return pages;
}

/** Whether an address belongs to the sample. */
export function isSampleAddress(address: string): boolean {
	try {
		return new URL(address).hostname.replace(/\.$/, '').endsWith('.example');
	} catch {
		return false;
	}
}

export const sampleWeb: PageService = {
	async fetchPage(address): Promise<PageReply> {
		const pages = await (known ??= read());
		const page = pages.get(addressKeyOf(address));
		if (page) return { kind: 'fetched', ...page, isSample: true };
		return {
			kind: 'refused',
			reason: 'the sample web has no page at this address',
			canRetry: false
		};
	}
};
