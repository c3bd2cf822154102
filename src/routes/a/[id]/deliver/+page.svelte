<script lang="ts">
	import Deliver from '$lib/ui/deliver/Deliver.svelte';
</script>

<Deliver />
