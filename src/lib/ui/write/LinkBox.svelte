<!-- A link for the chosen words: an address that is typed, or one of those that fit. -->
<script lang="ts">
	import { focused } from '../parts/focused';
	import { suggestLinks, type LinkTarget } from '$lib/core/clients';
	import { addressTyped, type TextLinks } from './text-links.svelte';
	import OverPage from './OverPage.svelte';

	interface Props {
		links: TextLinks;
		/** Where a link could lead: the client's own pages first, then those of the evidence. */
		targets: readonly LinkTarget[];
		onclose: () => void;
	}
	let { links, targets, onclose }: Props = $props();

	// svelte-ignore state_referenced_locally
	let typed = $state(links.address);
	let trouble = $state('');
	const isStanding = $derived(links.address !== '');
	const suggested = $derived(
		suggestLinks(links.words, addressTyped(typed) !== null ? '' : typed, targets)
	);

	function keep() {
		const address = addressTyped(typed);
		if (address === null) {
			trouble =
				suggested.length > 0
					? 'That is no address. Choose one of those below, or type a whole one.'
					: 'That is no address, and none of the known pages is called so. Type it as https://…';
			return;
		}
		set(address, '');
	}

	function set(address: string, name: string) {
		links.set(address, name);
		onclose();
	}
</script>

<OverPage label="Link" {onclose}>
	<form
		class="flex flex-wrap items-baseline gap-1.5"
		onsubmit={(event) => {
			event.preventDefault();
			keep();
		}}
	>
		<!-- the writer just asked to type here -->
		<input
			class="field min-w-40 flex-1"
			aria-label="Address, or words of a page's name"
			placeholder="Address, or words of a page’s name"
			bind:value={typed}
			oninput={() => (trouble = '')}
			{@attach focused}
		/>
		<button class="act chief">{isStanding ? 'Change it' : 'Set the link'}</button>
		{#if isStanding}<button
				type="button"
				class="act"
				onclick={() => {
					links.unset();
					onclose();
				}}>Take it off</button
			>{/if}
		<button type="button" class="act" onclick={onclose}>Close</button>
	</form>
	{#if trouble}<p role="alert">{trouble}</p>{/if}
	{#if suggested.length > 0}
		<ul aria-label="Pages that fit">
			{#each suggested as { address, name, where } (address)}
				<li>
					<button class="target" onclick={() => set(address, name)}
						><span class="name">{name}</span>
						<span class="text-ink-2">{where} · {address.replace(/^https?:\/\/(?:www\.)?/, '')}</span
						></button
					>
				</li>
			{/each}
		</ul>
	{:else if typed === ''}
		<p class="text-ink-2">No page of your client or of the evidence speaks of these words.</p>
	{/if}
</OverPage>

<style>
	li {
		border-bottom: 1px solid var(--rule);
	}
	.target {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		align-items: baseline;
		width: 100%;
		padding: 4px 0;
		text-align: left;
	}
	.target span {
		overflow-wrap: anywhere;
	}
	.name {
		font: 14px/1.35 var(--font-serif);
	}
	.target:hover .name,
	.target:focus-visible .name {
		color: var(--color-accent);
	}
</style>
