<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useSession } from '$lib/ui/assignment/session.svelte';
	import Later from '$lib/ui/frame/Later.svelte';
	import { LATER } from '$lib/ui/frame/parts-later';

	const session = useSession();
	const scope = $derived(session.client?.id ?? '');
</script>

<main class="h-full">
	<h1 class="sr-only">Scout</h1>
	{#key scope}
		<Later
			load={LATER.scout}
			props={{
				scope,
				keyword: session.assignment?.keyword,
				onkeyword: (keyword: string) =>
					void session.change(`“${keyword}” is now the keyword`, { keyword }, { quiet: false }),
				onassignment: (id: string) => void goto(resolve('/a/[id]/brief', { id }))
			}}
		/>
	{/key}
</main>
