<!-- Takes what was copied elsewhere: a page with its headings, rich text, or plain text. -->
<script lang="ts">
	import { markdownWithHeadings, type HeadingGuess } from '$lib/core/pages';
	import { analysis } from '$lib/workers/client';
	import { pastedMarkup } from '../parts/pasted-markup';
	import type { Delivery } from './import-report';
	import type { Pasted } from './pasted';

	interface Props {
		kind: 'pages' | 'notes' | 'transcripts' | 'questions';
		/** What was pasted before the box stood. */
		first: Pasted | null;
		onbring: (delivery: Delivery) => void;
		oncancel: () => void;
	}
	let { kind, first, onbring, oncancel }: Props = $props();
	// made anew whenever it is opened
	// svelte-ignore state_referenced_locally
	let text = $state(first?.text ?? '');
	// svelte-ignore state_referenced_locally
	let html = $state(first?.html ?? '');
	let name = $state('');
	let guesses = $state.raw<readonly HeadingGuess[]>([]);
	let levels = $state<Record<number, HeadingGuess['level']>>({});
	let box = $state<HTMLTextAreaElement>();
	let asked = 0;

	const LABELS = {
		pages: 'Paste the copied page',
		notes: 'Paste the note',
		transcripts: 'Paste the transcript, with its times',
		questions: 'Paste the questions'
	} as const;
	const NAMES = {
		pages: 'Pasted text',
		notes: 'Pasted note',
		transcripts: 'Pasted transcript',
		questions: 'Pasted questions'
	} as const;

	$effect(() => box?.focus());
	// headings of plain text are guessed, and shown before they count
	$effect(() => {
		const given = text;
		if (kind !== 'pages' || html !== '' || given.trim() === '') {
			guesses = [];
			return;
		}
		const mine = ++asked;
		const timer = setTimeout(() => {
			void analysis.guessHeadings(given).then((found) => {
				if (mine !== asked) return;
				guesses = found;
				levels = Object.fromEntries(found.map(({ line, level }) => [line, level]));
			});
		}, 250);
		return () => clearTimeout(timer);
	});

	function onpaste(event: ClipboardEvent) {
		if (kind !== 'pages' && kind !== 'notes') return;
		const markup = pastedMarkup(event);
		if (markup === '') return;
		event.preventDefault();
		html = markup;
		text = event.clipboardData?.getData('text/plain') ?? '';
	}

	async function bring(event: SubmitEvent) {
		event.preventDefault();
		if (text.trim() === '' && html === '') return;
		const given = name.trim();
		if (kind === 'pages') {
			onbring({
				pages: [
					html === ''
						? {
								name: given || NAMES.pages,
								origin: 'text',
								bytes: null,
								text: titledText(
									markdownWithHeadings(
										text,
										guesses.map((guess) => ({ ...guess, level: levels[guess.line] ?? guess.level }))
									),
									given
								)
							}
						: { name: given || 'Pasted page', origin: 'paste', bytes: null, text: titled(html) }
				]
			});
			return;
		}
		if (kind === 'notes' && html !== '') {
			const markdown = await analysis.readRichText($state.snapshot(html));
			onbring({
				notes: [{ name: given || NAMES.notes, kind: 'note', text: titledText(markdown, given) }]
			});
			return;
		}
		if (kind === 'questions')
			onbring({ notes: [{ name: given || NAMES.questions, kind: 'questions', text }] });
		else
			onbring({
				// read as a file would be, so that times are found
				files: [{ name: `${given || NAMES[kind]}.txt`, bytes: new TextEncoder().encode(text) }],
				aim: 'notes'
			});
	}

	function titledText(markdown: string, title: string): string {
		return title === '' || /^#\s/m.test(markdown) ? markdown : `# ${title}\n\n${markdown}`;
	}

	/** A copied page has no title of its own, so the writer's name for it serves. */
	function titled(markup: string): string {
		const title = name.trim();
		return title === '' || /<title/i.test(markup)
			? markup
			: `<title>${title.replace(/[&<]/g, (c) => (c === '&' ? '&amp;' : '&lt;'))}</title>${markup}`;
	}
</script>

<form class="border-b border-rule py-3" onsubmit={(event) => void bring(event)}>
	<label class="block">
		<span class="font-semibold">{LABELS[kind]}</span>
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
	{#if guesses.length > 0}
		<fieldset class="mt-2 max-h-44 overflow-y-auto border-l-2 border-rule pl-3">
			<legend class="sr-only">Lines taken for headings</legend>
			<p class="text-xs text-ink-2">
				These lines look like headings. Change what is wrong before it comes in.
			</p>
			{#each guesses as { line, text: heading, reason } (line)}
				<label class="flex items-center gap-2 py-0.5">
					<select
						class="field w-24"
						bind:value={levels[line]}
						aria-label="Level of “{heading}”"
						title={reason}
					>
						<option value={0}>text</option>
						{#each [1, 2, 3, 4] as level (level)}<option value={level}>H{level}</option>{/each}
					</select>
					<span
						class="min-w-0 truncate {levels[line] ? 'font-serif font-medium' : 'text-ink-2'}"
						style:padding-left="{Math.max(0, (levels[line] ?? 0) - 1) * 12}px">{heading}</span
					>
				</label>
			{/each}
		</fieldset>
	{/if}
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
