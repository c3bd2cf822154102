<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useSession } from '$lib/ui/assignment/session.svelte';
	import Scout from '$lib/ui/scout/Scout.svelte';

	const session = useSession();
	const scope = $derived(session.client?.id ?? '');
</script>

<main class="h-full">
	<h1 class="sr-only">Scout</h1>
	{#key scope}
		<Scout
			{scope}
			keyword={session.assignment?.keyword}
			onkeyword={(keyword) =>
				void session.change(`“${keyword}” is now the keyword`, { keyword }, { quiet: false })}
			onassignment={(id) => void goto(resolve('/a/[id]/brief', { id }))}
		/>
	{/key}
</main>
