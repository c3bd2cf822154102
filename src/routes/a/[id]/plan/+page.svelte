<script lang="ts">
	import Plan from '$lib/ui/plan/Plan.svelte';
</script>

<Plan />
