<!-- The way to how a figure is worked out; beside what is being done, in a window of its own. -->
<script lang="ts">
	import { resolve } from '$app/paths';

	interface Props {
		/** Section of docs/METHODS.md, as its heading reads in an address. */
		to: string;
		/** What is explained, for who cannot see where the link stands. */
		of: string;
	}
	let { to, of }: Props = $props();
</script>

<a
	class="how text-ink-2"
	href="{resolve('/methods')}#{to}"
	target="_blank"
	rel="noopener"
	aria-label="How {of} is worked out">how?</a
>

<style>
	.how {
		font-size: 11.5px;
		text-decoration: underline dotted;
		text-underline-offset: 2px;
	}
	.how:hover {
		text-decoration-style: solid;
	}
</style>
