<!-- Links that would fit, those that stand, and pages for further reading. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import {
		readLinkMap,
		readSitemap,
		sitemapAddresses,
		sitemapKindOf,
		type Link
	} from '$lib/core/clients';
	import { withLink, withoutLinksTo, type LinkOffer } from '$lib/core/deliver';
	import { putLinks } from '$lib/data/clients';
	import { andList } from '$lib/core/text';
	import { changeTakeAsStep } from '../assignment/change-take';
	import { history } from '../frame/history.svelte';
	import { countOf } from '../parts/count-of';
	import { withRowKeys } from '../parts/row-keys';
	import { readTextFile } from '../parts/read-text-file';
	import type { Delivery } from './delivery.svelte';

	let { delivery }: { delivery: Delivery } = $props();

	let picker = $state<HTMLInputElement>();
	const session = $derived(delivery.session);
	const offers = $derived(delivery.offers);
	const addresses = $derived(new Set(delivery.links.map(({ address }) => address)).size);
	const reading = $derived(session.counted.filter(({ address }) => address !== ''));

	function pathOf(address: string): string {
		return URL.canParse(address) ? new URL(address).pathname : address;
	}

	function take(wanted: readonly LinkOffer[]) {
		const id = delivery.take?.id;
		if (!id || wanted.length === 0) return;
		return changeTakeAsStep(
			id,
			wanted.length === 1 ? `Linked “${wanted[0]!.words}”` : `Set ${wanted.length} links`,
			(doc) => wanted.reduce((now, offer) => withLink(now, offer, offer.address), doc)
		);
	}

	function unlink(address: string) {
		const id = delivery.take?.id;
		if (id) return changeTakeAsStep(id, 'Took a link out', (doc) => withoutLinksTo(doc, address));
	}

	function toggle<T>(list: readonly T[], one: T): T[] {
		return list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
	}

	/** Sitemaps and lists, several at once; one that only lists other sitemaps says which to bring. */
	async function bring(files: readonly File[]) {
		if (picker) picker.value = '';
		const client = session.assignment?.client;
		if (files.length === 0 || !client) return;
		const read: Link[] = [];
		const empty: string[] = [];
		const others: string[] = [];
		for (const file of files) {
			const text = await readTextFile(file, 'bring a sitemap or a CSV list');
			if (text === null) continue;
			const kind = sitemapKindOf(text);
			if (kind === 'sitemaps') {
				others.push(...sitemapAddresses(text));
				continue;
			}
			const links = kind === 'pages' ? readSitemap(text) : readLinkMap(text).links;
			if (links.length === 0) empty.push(file.name);
			read.push(...links);
		}
		if (others.length > 0)
			toast(
				`A sitemap here only lists ${countOf(others.length, 'other sitemap')}; save and bring in the files it names, several at once: ${others.slice(0, 3).join(', ')}${others.length > 3 ? ' …' : ''}`
			);
		if (empty.length > 0)
			toast(
				`No address was found in ${andList(empty)}; bring a sitemap, or a list of phrases and addresses.`
			);
		const before = [...delivery.links];
		const signOf = ({ phrase, address }: Link) => `${phrase}\n${address}`;
		const known = new Set(before.map(signOf));
		const fresh = read.filter((link) => {
			const isNew = !known.has(signOf(link));
			known.add(signOf(link));
			return isNew;
		});
		if (fresh.length === 0) {
			if (read.length > 0) toast('All of these addresses are here already.');
			return;
		}
		await history.run({
			label: `Brought in ${countOf(fresh.length, 'address', 'addresses')}`,
			redo: () => putLinks(client, [...before, ...fresh]),
			undo: () => putLinks(client, before)
		});
	}
</script>

<section class="mt-8" aria-labelledby="links-heading">
	<h2 id="links-heading">
		Links <span class="font-sans text-[12.5px] font-normal text-ink-2"
			>{addresses === 0
				? 'the client’s link map is empty'
				: `${offers.length} of ${countOf(addresses, 'address', 'addresses')} fit; at most one in a paragraph`}</span
		>
	</h2>
	<ul class="mt-2 border-t border-rule">
		{#each offers as offer (offer.address)}
			<li class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-b border-rule py-2">
				<p>
					<span class="text-ink-2">{offer.before}</span><u
						class="decoration-secondary underline-offset-2">{offer.words}</u
					><span class="text-ink-2">{offer.after}</span>
				</p>
				<p class="whitespace-nowrap">
					<button class="linkish" onclick={() => void take([offer])}
						>Take<span class="sr-only"> the link “{offer.words}”</span></button
					>
					·
					<button
						class="linkish"
						onclick={() =>
							void delivery.decide('Left a link out', {
								unlinked: [...delivery.choices.unlinked, offer.address]
							})}>Leave<span class="sr-only"> the link “{offer.words}”</span></button
					>
				</p>
				<p class="text-[11.5px] text-ink-2">{offer.heading} · {pathOf(offer.address)}</p>
			</li>
		{/each}
	</ul>
	<div class="mt-2 flex flex-wrap items-baseline gap-3">
		{#if offers.length > 1}<button class="act" onclick={() => void take(offers)}
				>Take all {offers.length}</button
			>{/if}
		{#if session.assignment?.client}
			<button class="linkish" onclick={() => picker?.click()}>Bring in a sitemap or a list</button>
			<input
				bind:this={picker}
				type="file"
				class="hidden"
				accept=".csv,.tsv,.txt,.xml"
				aria-label="A sitemap or a list of addresses"
				multiple
				onchange={(event) => void bring([...(event.currentTarget.files ?? [])])}
			/>
		{:else}
			<span class="text-ink-2">Name a client in the brief to keep a link map.</span>
		{/if}
		{#if delivery.choices.unlinked.length > 0}
			<button
				class="linkish"
				onclick={() => void delivery.decide('Brought links back', { unlinked: [] })}
				>Bring back {delivery.choices.unlinked.length} left out</button
			>
		{/if}
	</div>

	{#if delivery.standingLinks.length > 0}
		<h3 class="mt-5 font-sans text-[12.5px] font-bold">
			{countOf(delivery.standingLinks.length, 'link')} in the text
		</h3>
		<table class="grid-table mt-1">
			<thead
				><tr
					><th scope="col">Words</th><th scope="col">Leads to</th><th scope="col">Not followed</th
					><th scope="col"><span class="sr-only">Take out</span></th></tr
				></thead
			>
			<tbody>
				{#each withRowKeys(delivery.standingLinks, ({ block, address }) => `${block} ${address}`) as { rowKey, item } (rowKey)}
					<tr>
						<td>{item.words}<span class="block text-[11.5px] text-ink-2">{item.heading}</span></td>
						<td class="break-all">{item.address}</td>
						<td
							><input
								type="checkbox"
								class="checkbox checkbox-xs"
								aria-label="Search engines are told not to follow {item.words}"
								checked={delivery.nofollow.has(item.address)}
								onchange={() =>
									void delivery.decide('Changed whether a link is followed', {
										nofollow: toggle(delivery.choices.nofollow, item.address)
									})}
							/></td
						>
						<td
							><button class="linkish" onclick={() => void unlink(item.address)}
								>Take out<span class="sr-only"> the link {item.words}</span></button
							></td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}

	{#if reading.length > 0}
		<p class="mt-5">
			<span class="font-semibold">Further reading</span>
			<span class="text-ink-2">at the end of the text:</span>
			{#each reading as { id } (id)}
				{@const isIn = delivery.choices.furtherReading.includes(id)}
				<button
					class="ml-2 {isIn ? 'font-bold text-secondary' : 'text-ink-2'}"
					aria-pressed={isIn}
					title={session.nameOf(id)}
					onclick={() =>
						void delivery.decide(isIn ? 'Took a page out' : 'Named a page for further reading', {
							furtherReading: toggle(delivery.choices.furtherReading, id)
						})}>{session.letters.get(id)}{isIn ? ' ✓' : ''}</button
				>
			{/each}
		</p>
	{/if}
</section>
