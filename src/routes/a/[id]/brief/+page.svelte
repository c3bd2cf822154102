<script lang="ts">
	import Brief from '$lib/ui/brief/Brief.svelte';
</script>

<main class="h-full">
	<Brief />
</main>
