<script lang="ts">
	import Proof from '$lib/ui/proof/Proof.svelte';
</script>

<Proof />
