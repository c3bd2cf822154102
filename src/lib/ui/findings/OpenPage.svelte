<!-- A page's letter and section; following it opens the page in Gather where it says a sentence. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { useSession } from '../assignment/session.svelte';

	interface Props {
		page: string;
		/** The sentence to open the page at. */
		says: string;
		label: string;
	}
	let { page, says, label }: Props = $props();
	const session = useSession();
	const query = $derived(new URLSearchParams({ page, says: says.slice(0, 160) }).toString());
</script>

<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved, with a query behind it -->
<a
	class="linkish"
	href="{resolve('/a/[id]/gather', { id: session.id })}?{query}"
	title="Open the page there">{label}</a
>
