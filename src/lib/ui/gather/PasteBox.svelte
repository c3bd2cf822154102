<!-- Takes what was copied elsewhere: a page with its headings, or plain text. -->
<script lang="ts">
	import type { Incoming } from '$lib/workers/client';

	interface Props {
		kind: 'pages' | 'notes' | 'questions';
		onpage: (incoming: Incoming) => void;
		ontext: (name: string, text: string) => void;
		oncancel: () => void;
	}
	let { kind, onpage, ontext, oncancel }: Props = $props();
	let text = $state('');
	let name = $state('');
	let html = $state('');
	let box = $state<HTMLTextAreaElement>();

	$effect(() => box?.focus());

	function onpaste(event: ClipboardEvent) {
		if (kind !== 'pages') return;
		const markup = event.clipboardData?.getData('text/html') ?? '';
		// the markup keeps headings and lists; plain text has lost them
		if (!/<(?:h[1-6]|p|li|div|td|article)\b/i.test(markup)) return;
		event.preventDefault();
		html = markup;
		text = event.clipboardData?.getData('text/plain') ?? '';
	}

	function bring(event: SubmitEvent) {
		event.preventDefault();
		if (text.trim() === '' && html === '') return;
		if (kind !== 'pages')
			ontext(name.trim() || (kind === 'notes' ? 'Pasted note' : 'Pasted questions'), text);
		else if (html !== '')
			onpage({
				name: name.trim() || 'Pasted page',
				origin: 'paste',
				bytes: null,
				text: titled(html)
			});
		else onpage({ name: name.trim() || 'Pasted text', origin: 'text', bytes: null, text });
	}

	/** A copied page has no title of its own, so the writer's name for it serves. */
	function titled(markup: string): string {
		const title = name.trim();
		return title === '' || /<title/i.test(markup)
			? markup
			: `<title>${title.replace(/[&<]/g, (c) => (c === '&' ? '&amp;' : '&lt;'))}</title>${markup}`;
	}
</script>

<form class="border-b border-rule py-3" onsubmit={bring}>
	<label class="block">
		<span class="font-semibold"
			>{kind === 'pages'
				? 'Paste the copied page'
				: kind === 'notes'
					? 'Paste the note'
					: 'Paste the questions'}</span
		>
		<textarea
			bind:this={box}
			bind:value={text}
			class="field mt-1 h-32"
			{onpaste}
			oninput={() => (html = '')}></textarea>
	</label>
	{#if html}<p class="mt-1 text-secondary">
			Came with its markup: headings and lists are kept.
		</p>{/if}
	<div class="mt-2 flex gap-2">
		<input
			class="field max-w-xs"
			bind:value={name}
			placeholder={kind === 'pages' ? 'Site or title, if you like' : 'Name'}
			aria-label="Name"
		/>
		<button class="act chief" disabled={text.trim() === '' && html === ''}>Bring it in</button>
		<button type="button" class="act" onclick={oncancel}>Cancel</button>
	</div>
</form>
