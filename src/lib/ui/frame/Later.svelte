<!-- A part of a screen that is loaded when it is first shown, so that the line above it stands at once. -->
<script lang="ts" generics="Props extends Record<string, unknown>">
	import type { Component } from 'svelte';

	interface Given {
		load: () => Promise<{ default: Component<Props> }>;
		props: Props;
	}
	let { load, props }: Given = $props();
</script>

{#await load()}
	<p class="opening px-5 py-4 text-ink-2" role="status">Opening …</p>
{:then { default: Part }}
	<Part {...props} />
{:catch}
	<p class="px-5 py-4" role="alert">
		This part of Corvan did not come: its server does not answer. Start it again, then <button
			class="linkish"
			onclick={() => location.reload()}>load the page anew</button
		>. Nothing that is stored is lost.
	</p>
{/await}

<style>
	/* what comes at once says nothing */
	.opening {
		animation: opening 0s 0.4s both;
	}
	@keyframes opening {
		from {
			visibility: hidden;
		}
	}
</style>
