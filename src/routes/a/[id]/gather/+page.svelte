<script lang="ts">
	import Gather from '$lib/ui/gather/Gather.svelte';
</script>

<Gather />
