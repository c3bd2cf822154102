<script lang="ts">
	import Write from '$lib/ui/write/Write.svelte';
</script>

<Write />
