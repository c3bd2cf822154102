<script lang="ts">
	import Later from '$lib/ui/frame/Later.svelte';
	import { LATER } from '$lib/ui/frame/parts-later';
</script>

<main class="h-full">
	<Later load={LATER.brief} props={{}} />
</main>
