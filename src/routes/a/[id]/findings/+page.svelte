<script lang="ts">
	import Findings from '$lib/ui/findings/Findings.svelte';
</script>

<Findings />
