<!-- What an assignment needs to begin: keyword and length. -->
<script lang="ts">
	import { z } from 'zod';
	import type { Assignment } from '$lib/data/db';
	import { withRowKeys } from '../parts/row-keys';

	/** The client by name: it is found or made when the assignment is. */
	type Values = Pick<Assignment, 'title' | 'keyword' | 'targetWords'> & { client: string };
	interface Props {
		values?: Values;
		/** Names of the clients there are. */
		clients?: readonly string[];
		submit: string;
		onsubmit: (values: Values) => void;
		oncancel?: () => void;
	}
	let { values, clients = [], submit, onsubmit, oncancel }: Props = $props();

	const schema = z.object({
		keyword: z
			.string()
			.trim()
			.min(2, 'Give the exact keyword, as people type it.')
			.max(120, 'A keyword is shorter than 120 characters.'),
		title: z.string().trim().max(200),
		client: z.string().trim().max(120),
		words: z
			.string()
			.trim()
			.refine(
				(text) =>
					text === '' ||
					(/^\d[\d,. ]*$/.test(text) &&
						Number(text.replace(/\D/g, '')) >= 100 &&
						Number(text.replace(/\D/g, '')) <= 50_000),
				'Give a number of words from 100 to 50,000, or leave it empty.'
			)
	});
	// svelte-ignore state_referenced_locally
	const initial = values;
	let form = $state({
		keyword: initial?.keyword ?? '',
		title: initial?.title ?? '',
		client: initial?.client ?? '',
		words: initial?.targetWords?.toString() ?? ''
	});
	let errors = $state<Partial<Record<keyof typeof form, string>>>({});

	function submitForm(event: SubmitEvent) {
		event.preventDefault();
		const parsed = schema.safeParse(form);
		if (!parsed.success) {
			errors = Object.fromEntries(
				parsed.error.issues.map(({ path, message }) => [path[0], message])
			);
			return;
		}
		const { keyword, title, client, words } = parsed.data;
		onsubmit({
			keyword,
			client,
			title: title || keyword[0]!.toUpperCase() + keyword.slice(1),
			targetWords: words === '' ? null : Number(words.replace(/\D/g, ''))
		});
	}
</script>

<form onsubmit={submitForm} novalidate class="grid max-w-xl gap-3">
	<label>
		<span class="font-semibold">Exact keyword</span>
		<input
			class="field mt-1 font-serif text-base"
			bind:value={form.keyword}
			name="keyword"
			autocomplete="off"
			aria-invalid={!!errors.keyword}
			aria-describedby="keyword-help"
		/>
		<span id="keyword-help" class={errors.keyword ? 'text-error' : 'text-ink-2'}
			>{errors.keyword ??
				'Held in the title, the first 100 words, one H2, the description and the slug.'}</span
		>
	</label>
	<div class="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
		<label>
			<span class="font-semibold">Length in words</span>
			<input
				class="field mt-1"
				bind:value={form.words}
				name="words"
				inputmode="numeric"
				autocomplete="off"
				placeholder="as the evidence says"
				aria-invalid={!!errors.words}
				aria-describedby="words-help"
			/>
			<span id="words-help" class={errors.words ? 'text-error' : 'text-ink-2'}
				>{errors.words ?? 'Empty: what the counted pages take. Sets every range and budget.'}</span
			>
		</label>
		<label>
			<span class="font-semibold">Client</span>
			<input
				class="field mt-1"
				bind:value={form.client}
				name="client"
				autocomplete="off"
				list="known-clients"
			/>
			<datalist id="known-clients"
				>{#each withRowKeys(clients, (name) => name) as { rowKey, item: name } (rowKey)}<option
						value={name}
					></option>{/each}</datalist
			>
			<span class="text-ink-2">Brings voice, facts, phrases to avoid and links along.</span>
		</label>
	</div>
	<label>
		<span class="font-semibold">Working title</span>
		<input
			class="field mt-1"
			bind:value={form.title}
			name="title"
			autocomplete="off"
			placeholder="the keyword, for now"
		/>
		<span class="text-ink-2"
			>Your name for the assignment. The article’s title is made in the plan.</span
		>
	</label>
	<div class="flex gap-2">
		<button class="act chief">{submit}</button>
		{#if oncancel}<button type="button" class="act" onclick={oncancel}>Cancel</button>{/if}
	</div>
</form>
