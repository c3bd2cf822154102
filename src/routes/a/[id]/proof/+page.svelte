<script lang="ts">
	import Later from '$lib/ui/frame/Later.svelte';
	import { LATER } from '$lib/ui/frame/parts-later';
</script>

<Later load={LATER.proof} props={{}} />
