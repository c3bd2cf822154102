<!-- What was handed over, when, in which form and which take. -->
<script lang="ts">
	import { countOf } from '../parts/count-of';
	import type { Delivery } from './delivery.svelte';

	let { delivery }: { delivery: Delivery } = $props();

	const MOST = 6;
	let isWhole = $state(false);
	const all = $derived(delivery.choices.handedOver.toReversed());
	const shown = $derived(isWhole ? all : all.slice(0, MOST));
	const when = new Intl.DateTimeFormat('en-GB', {
		day: 'numeric',
		month: 'short',
		hour: '2-digit',
		minute: '2-digit'
	});
</script>

{#if all.length > 0}
	<section class="mt-6" aria-labelledby="handed-over">
		<h2 id="handed-over">Handed over</h2>
		<ul class="mt-1">
			{#each shown as { at, form, takeName, words, open, address }, i (i)}
				<li class="border-b border-rule py-1.5 leading-snug">
					<span class="text-ink-2">{when.format(at)}</span>
					{#if address}<a class="linkish" href={address} rel="external noreferrer">{form}</a
						>{:else}{form}{/if}
					<p class="text-[11.5px] text-ink-2">
						{takeName}, {words.toLocaleString('en')} words{open.length > 0
							? `, ${countOf(open.length, 'point')} open`
							: ''}
					</p>
				</li>
			{/each}
		</ul>
		{#if all.length > MOST}<button class="linkish mt-1" onclick={() => (isWhole = !isWhole)}
				>{isWhole ? 'The last ones' : `All ${all.length}`}</button
			>{/if}
	</section>
{/if}
