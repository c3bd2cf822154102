<!-- docs/METHODS.md inside the app: how every figure is worked out, and on whose material it was measured. -->
<script lang="ts">
	import source from '../../../../docs/METHODS.md?raw';
	import MethodsNode from './MethodsNode.svelte';
	import { headingsOf, readMethods } from './methods-text';

	const root = readMethods(source);
	const headings = headingsOf(root).filter(({ level }) => level === 2);

	// the address names a section before it is drawn
	$effect(() => {
		document.getElementById(decodeURIComponent(location.hash.slice(1)))?.scrollIntoView();
	});
</script>

<div class="grid grid-cols-[220px_minmax(0,720px)] gap-10 px-5 py-6 max-md:grid-cols-1">
	<nav aria-label="Sections" class="text-[13px] md:sticky md:top-6 md:self-start">
		<ul>
			{#each headings as { text, id } (id)}<li class="py-0.5">
					<a class="hover:underline" href="#{id}">{text}</a>
				</li>{/each}
		</ul>
	</nav>
	<main class="methods">
		<MethodsNode node={root} />
	</main>
</div>

<style>
	.methods {
		overflow-wrap: break-word;
	}
	.methods :global(:is(h1, h2, h3)) {
		font-family: var(--font-serif);
		scroll-margin-top: 12px;
	}
	.methods :global(h1) {
		font-size: 26px;
	}
	.methods :global(h2) {
		font-size: 20px;
		margin: 28px 0 8px;
		border-bottom: 1px solid var(--rule);
	}
	.methods :global(h3) {
		font-size: 16px;
		margin: 18px 0 6px;
	}
	.methods :global(p) {
		margin: 0 0 10px;
	}
	.methods :global(:is(ul, ol)) {
		margin: 0 0 10px;
		padding-left: 1.4em;
	}
	.methods :global(ul) {
		list-style: disc;
	}
	.methods :global(ol) {
		list-style: decimal;
	}
	.methods :global(code) {
		font-size: 0.92em;
		background: var(--color-base-200);
		padding: 0 3px;
	}
	.methods :global(table) {
		border-collapse: collapse;
		margin: 0 0 14px;
		font-size: 13px;
	}
	.methods :global(:is(th, td)) {
		border-bottom: 1px solid var(--rule);
		padding: 3px 12px 3px 0;
		text-align: left;
		vertical-align: top;
	}
</style>
