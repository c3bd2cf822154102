<script lang="ts">
	import '../app.css';
	import { dev } from '$app/environment';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { toast, Toaster } from 'svelte-sonner';
	import { isStorageFull } from '$lib/data/trouble';
	import { actions } from '$lib/ui/frame/actions.svelte';
	import { refuseStrayFiles } from '$lib/ui/frame/dropped-files';
	import { history } from '$lib/ui/frame/history.svelte';
	import { settleFieldsOnLeave } from '$lib/ui/frame/settle-fields';
	import { theme } from '$lib/ui/frame/theme.svelte';
	import '$lib/ui/frame/type-size.svelte';
	import { updates } from '$lib/ui/frame/updates.svelte';

	let { children } = $props();
	let isFinding = $state(false);
	let isShowingKeys = $state(false);

	$effect(() => settleFieldsOnLeave());
	$effect(() =>
		refuseStrayFiles(() =>
			toast('Nothing here takes files. Drop pages and notes at Gather, and an archive at the list.')
		)
	);
	$effect(() => (dev ? undefined : updates.follow()));
	$effect(() =>
		actions.offer(() => [
			{ label: 'Go to the assignments', run: () => void goto(resolve('/')) },
			{
				label: 'Go to the settings',
				also: 'theme dark light',
				run: () => void goto(resolve('/settings'))
			},
			{
				label: 'Show the keys',
				also: 'shortcuts help keyboard',
				keys: '?',
				run: () => (isShowingKeys = true)
			},
			{
				label: theme.isNight ? 'Use the paper theme' : 'Use the night theme',
				also: 'dark light colour',
				run: () => (theme.mode = theme.isNight ? 'paper' : 'night')
			},
			...(history.last
				? [{ label: `Undo: ${history.last.label}`, keys: 'Ctrl+Z', run: () => void history.undo() }]
				: []),
			...(history.next
				? [
						{
							label: `Do again: ${history.next.label}`,
							keys: 'Ctrl+Shift+Z',
							run: () => void history.redo()
						}
					]
				: [])
		])
	);

	/** A full browser is said wherever a screen has no words of its own for it. */
	function onunhandledrejection(event: PromiseRejectionEvent) {
		if (!isStorageFull(event.reason)) return;
		event.preventDefault();
		toast.error(
			'This browser has no room left: the last step was not stored. Deliver an archive of an old assignment and delete it, then do the step again.',
			{ duration: 15_000 }
		);
	}

	function isTypedInto(target: HTMLElement | null): boolean {
		return (
			target?.isContentEditable === true ||
			target?.matches?.(
				'input:not([type=checkbox], [type=radio], [type=range], [type=file], [type=date], [type=color]), textarea'
			) === true
		);
	}

	function onkeydown(event: KeyboardEvent) {
		const isCommand = event.ctrlKey || event.metaKey;
		const isTyping = isTypedInto(event.target as HTMLElement | null);
		if (event.key === '?' && !isCommand && !isTyping) {
			event.preventDefault();
			isShowingKeys = true;
			return;
		}
		if (!isCommand) return;
		const key = event.key.toLowerCase();
		if (key === 'k') {
			event.preventDefault();
			isFinding = !isFinding;
			return;
		}
		// what is typed into has a history of its own; what is chosen has not
		if (isTyping) return;
		if (key === 'z' || key === 'y') {
			event.preventDefault();
			void (key === 'y' || event.shiftKey ? history.redo() : history.undo());
		}
	}
</script>

<svelte:window {onkeydown} {onunhandledrejection} />

{#if updates.isReady}
	<div
		class="no-print flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-wash px-5 py-1.5"
		role="status"
	>
		<p>A newer version of Corvan is ready. What you have typed stays.</p>
		<button class="act" onclick={() => updates.take()}>Start it now</button>
		<button class="linkish" onclick={() => updates.leave()}>Later</button>
	</div>
{/if}
{@render children()}
<!-- sheets come when they are asked for -->
{#if isFinding}
	{#await import('$lib/ui/frame/ActionFinder.svelte') then { default: ActionFinder }}
		<ActionFinder bind:open={isFinding} />
	{/await}
{/if}
{#if isShowingKeys}
	{#await import('$lib/ui/frame/KeysSheet.svelte') then { default: KeysSheet }}
		<KeysSheet bind:open={isShowingKeys} />
	{/await}
{/if}
<!-- over the line at the top, one at a time: notices lie over nothing that is read -->
<Toaster
	position="top-center"
	offset="4px"
	mobileOffset="4px"
	visibleToasts={1}
	theme={theme.isNight ? 'dark' : 'light'}
	toastOptions={{
		actionButtonStyle:
			'background: var(--color-primary); color: var(--color-primary-content); border-radius: 3px;',
		style:
			'background: var(--color-base-100); color: var(--ink); border: 1px solid var(--ink); border-radius: 3px; box-shadow: none; font: 13px/1.4 var(--font-sans); padding: 7px 14px;'
	}}
/>
