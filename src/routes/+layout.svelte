<script lang="ts">
	import '../app.css';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { toast, Toaster } from 'svelte-sonner';
	import { isStorageFull } from '$lib/data/trouble';
	import ActionFinder from '$lib/ui/frame/ActionFinder.svelte';
	import { actions } from '$lib/ui/frame/actions.svelte';
	import { history } from '$lib/ui/frame/history.svelte';
	import { settleFieldsOnLeave } from '$lib/ui/frame/settle-fields';
	import { theme } from '$lib/ui/frame/theme.svelte';

	let { children } = $props();
	let isFinding = $state(false);

	$effect(() => settleFieldsOnLeave());
	$effect(() =>
		actions.offer(() => [
			{ label: 'Go to the assignments', run: () => void goto(resolve('/')) },
			{
				label: 'Go to the settings',
				also: 'theme dark light',
				run: () => void goto(resolve('/settings'))
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

	function onkeydown(event: KeyboardEvent) {
		const isCommand = event.ctrlKey || event.metaKey;
		if (!isCommand) return;
		const key = event.key.toLowerCase();
		if (key === 'k') {
			event.preventDefault();
			isFinding = !isFinding;
			return;
		}
		// what is typed into has a history of its own; what is chosen has not
		const target = event.target as HTMLElement | null;
		if (
			target?.isContentEditable ||
			target?.matches?.(
				'input:not([type=checkbox], [type=radio], [type=range], [type=file], [type=date], [type=color]), textarea'
			)
		)
			return;
		if (key === 'z' || key === 'y') {
			event.preventDefault();
			void (key === 'y' || event.shiftKey ? history.redo() : history.undo());
		}
	}
</script>

<svelte:window {onkeydown} {onunhandledrejection} />

{@render children()}
<ActionFinder bind:open={isFinding} />
<Toaster
	position="bottom-left"
	theme={theme.isNight ? 'dark' : 'light'}
	toastOptions={{
		style:
			'background: var(--color-base-100); color: var(--ink); border: 1px solid var(--ink); border-radius: 3px; box-shadow: none; font: 13px/1.4 var(--font-sans);'
	}}
/>
