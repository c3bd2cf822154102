<!-- Proof: the take as others will read it. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { useSession } from '../assignment/session.svelte';
	import ProofDesk from './ProofDesk.svelte';

	const session = useSession();
	let chosen = $state<string | null>(null);
	const take = $derived(session.takes.find(({ id }) => id === chosen) ?? session.takes.at(-1));
	const plan = $derived(session.plan);

	$effect(() => {
		if (session.analysed) void session.findRuns();
	});
	$effect(() => {
		if (session.isCurrent) void session.findStandings();
	});
</script>

{#if !plan || !take}
	<div class="max-w-lg p-8">
		<h1 class="text-xl">There is nothing to read yet</h1>
		<p class="mt-2 text-ink-2">
			{#if plan}<a class="linkish" href={resolve('/a/[id]/write', { id: session.id })}
					>Write a take</a
				>, or bring an article in there that exists; then it is read here as others will: for
				passages close to a page, claims without backing, leftovers, spelling and all the rest.{:else}<a
					class="linkish"
					href={resolve('/a/[id]/plan', { id: session.id })}>Propose a plan</a
				> first; the take that follows it is read here as others will.{/if}
		</p>
	</div>
{:else}
	{#key take.id}
		<ProofDesk {take} {plan} onchoose={(id) => (chosen = id)} />
	{/key}
{/if}
