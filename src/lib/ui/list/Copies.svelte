<!-- A copy of all assignments, by click or once a day. -->
<script lang="ts">
	import { formatDistanceToNow } from 'date-fns';
	import { toast } from 'svelte-sonner';
	import { download } from '../parts/download';
	import { dailyCopy } from './daily-copy.svelte';

	interface Props {
		onprogress: (work: { label: string; done: number; all: number } | null) => void;
	}
	let { onprogress }: Props = $props();

	async function saveAll() {
		const label = 'Packing all assignments';
		try {
			const { copyOfAll, nameOfCopy } = await import('./copies');
			const { bytes, count } = await copyOfAll((done, all) => onprogress({ label, done, all }));
			const name = nameOfCopy(new Date());
			download(name, bytes, 'application/zip');
			toast.success(
				`${name} holds ${count === 1 ? 'the assignment' : `all ${count} assignments`}.`
			);
		} catch (error) {
			toast.error(
				`The copy was not made: ${error instanceof Error ? error.message : String(error)}`
			);
		} finally {
			onprogress(null);
		}
	}

	async function choose() {
		if (await dailyCopy.choose()) toast.success(`Today’s copy is in “${dailyCopy.folder}”.`);
	}

	async function write() {
		if (await dailyCopy.write()) toast.success(`Today’s copy is in “${dailyCopy.folder}”.`);
	}
</script>

<section class="mt-10 border-t border-rule pt-3 text-ink-2" aria-label="Copies">
	<p class="flex flex-wrap gap-x-4 gap-y-1">
		<button class="linkish" onclick={() => void saveAll()}>Save a copy of all assignments</button>
		{#if dailyCopy.folder !== null}
			<span
				>A copy goes into “{dailyCopy.folder}” every day{#if dailyCopy.lastAt > 0}, the last {formatDistanceToNow(
						dailyCopy.lastAt,
						{ addSuffix: true }
					)}{/if}.</span
			>
			<button class="linkish" onclick={() => void dailyCopy.end()}>No longer</button>
		{:else if dailyCopy.isPossible}
			<button class="linkish" onclick={() => void choose()}>Keep one in a folder every day</button>
		{:else}
			<span
				>This browser cannot write into a folder by itself: save a copy now and then, since all of
				it is in this browser alone.</span
			>
		{/if}
	</p>
	{#if dailyCopy.isDue}<p class="mt-1" role="status">
			Today’s copy waits: this browser asks before it writes. <button
				class="linkish"
				onclick={() => void write()}>Write it now</button
			>
		</p>{/if}
	{#if dailyCopy.trouble}<p class="mt-1 text-error" role="alert">{dailyCopy.trouble}</p>{/if}
</section>
