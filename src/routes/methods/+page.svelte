<script lang="ts">
	import Later from '$lib/ui/frame/Later.svelte';
	import { LATER } from '$lib/ui/frame/parts-later';
	import TopLine from '$lib/ui/frame/TopLine.svelte';
</script>

<svelte:head><title>How it is worked out · Corvan</title></svelte:head>
<TopLine />
<Later load={LATER.methods} props={{}} />
