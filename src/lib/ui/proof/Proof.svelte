<!-- Proof: the take as others will read it. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import type { TakeDoc } from '$lib/core/manuscript';
	import { NO_PLAN } from '$lib/core/plan';
	import { addTakeAsStep } from '../assignment/add-take';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import BringArticle from './BringArticle.svelte';
	import ProofDesk from './ProofDesk.svelte';

	const session = useSession();
	let chosen = $state<string | null>(null);
	let isBringing = $state(false);
	const take = $derived(session.takes.find(({ id }) => id === chosen) ?? session.takes.at(-1));

	$effect(() => {
		if (session.analysed) void session.findRuns();
	});
	$effect(() =>
		actions.offer(() => [
			{
				label: 'Bring in an article that exists',
				also: 'audit existing',
				run: () => (isBringing = true)
			}
		])
	);

	async function bring(doc: TakeDoc) {
		isBringing = false;
		chosen = await addTakeAsStep(session.id, {
			label: 'Brought in an article',
			name: '',
			doc
		});
	}
</script>

{#if !take || isBringing}
	<main class="max-w-2xl p-8">
		<h1 class="text-xl">
			{take ? 'Bring in an article that exists' : 'There is nothing to read yet'}
		</h1>
		<p class="mt-2 text-ink-2">
			{#if session.plan}<a class="linkish" href={resolve('/a/[id]/write', { id: session.id })}
					>Write a take</a
				>, or{:else}<a class="linkish" href={resolve('/a/[id]/plan', { id: session.id })}
					>Propose a plan</a
				> and write a take, or{/if} bring an article in: it is read as others will, and held against the
			pages and notes you gathered.
		</p>
		<BringArticle keyword={session.assignment?.keyword ?? ''} onbring={(doc) => void bring(doc)} />
		{#if take}<button class="act mt-3" onclick={() => (isBringing = false)}
				>Back to {take.name}</button
			>{/if}
	</main>
{:else}
	{#key take.id}
		<ProofDesk
			{take}
			plan={session.plan ?? NO_PLAN}
			isPlanned={session.plan !== null && session.plan !== undefined}
			onchoose={(id) => (chosen = id)}
			onplan={(doc) => void session.planArticle(take, doc)}
		/>
	{/key}
{/if}
