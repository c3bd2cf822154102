<!-- A plan from an outline of other origin: pasted, a file, a counted page, or a form of the client. -->
<script lang="ts">
	import {
		planInForm,
		planOfOutline,
		readOutline,
		type OutlineHeading,
		type Plan
	} from '$lib/core/plan';
	import { type PlanForm } from '$lib/core/clients';
	import { keptBlocksOf, type Block } from '$lib/core/pages';
	import { analysis } from '$lib/workers/client';
	import { usePlanEditor } from './plan-editor.svelte';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		onclose: () => void;
	}
	let { onclose }: Props = $props();
	const editor = usePlanEditor();
	const { session } = editor;

	let text = $state('');
	let page = $state('');
	let headings = $state.raw<readonly OutlineHeading[]>([]);
	let trouble = $state('');
	let origin = $state('an outline');
	let form = $state.raw<PlanForm | null>(null);
	/** What would come of the form, for showing its headings. */
	const formed = $derived<Plan | null>(
		form && editor.findings ? planInForm(form, editor.findings) : null
	);
	const shown = $derived<readonly OutlineHeading[]>(
		formed
			? formed.sections.slice(1).map(({ level, heading }) => ({ level, text: heading }))
			: headings
	);

	/** Nothing but what is chosen next stays chosen. */
	function clear() {
		text = '';
		page = '';
		form = null;
		trouble = '';
		headings = [];
	}

	function read(given: string) {
		clear();
		text = given;
		origin = 'a pasted outline';
		headings = readOutline(given);
	}

	const headingsOf = (blocks: readonly Block[]): OutlineHeading[] =>
		blocks.flatMap((block) =>
			block.kind === 'heading' ? [{ level: block.level, text: block.text }] : []
		);

	function takePage(id: string) {
		clear();
		page = id;
		const found = session.pages.find((one) => one.id === id);
		if (!found) return;
		origin = `the outline of ${session.letters.get(id) ?? 'a page'}`;
		headings = headingsOf(keptBlocksOf(found.article, found.struck));
	}

	function takeForm(name: string) {
		clear();
		form = session.client?.forms.find((one) => one.name === name) ?? null;
		origin = `the form “${name}”`;
	}

	async function takeFile(event: Event & { currentTarget: HTMLInputElement }) {
		const file = event.currentTarget.files?.[0];
		event.currentTarget.value = '';
		if (!file) return;
		clear();
		origin = file.name;
		try {
			const reads = await analysis.readFile(
				file.name,
				new Uint8Array(await file.arrayBuffer()),
				'any'
			);
			const [found] = reads;
			if (found?.kind === 'note') {
				text = found.text;
				headings = readOutline(found.text);
			} else if (found?.kind === 'page') {
				const cleaned = await analysis.clean(found.incoming, session.assignment?.keyword ?? '');
				if (cleaned.kind === 'failed') trouble = `${file.name}: ${cleaned.reason}.`;
				else headings = headingsOf(keptBlocksOf(cleaned.article));
			} else if (found?.kind === 'failed') trouble = `${file.name} was not read: ${found.reason}.`;
			else
				trouble = `${file.name} holds no outline. Bring Markdown, a text, a DOCX or an HTML page with headings.`;
			if (trouble === '' && headings.length === 0)
				trouble = `${file.name} has no headings. Mark them with # in Markdown, or as headings in the document.`;
		} catch {
			trouble = `${file.name} could not be opened.`;
		}
	}

	async function start() {
		const { findings } = editor;
		if (!findings || shown.length === 0) return;
		await editor.startFrom(`Started from ${origin}`, formed ?? planOfOutline(headings, findings));
		onclose();
	}
</script>

<section class="max-w-3xl py-3" aria-label="Start from an outline">
	<div class="flex flex-wrap items-end gap-3">
		<label class="flex flex-col gap-1"
			>The outline of a counted page
			<select
				class="field w-80"
				value={page}
				onchange={(event) => takePage(event.currentTarget.value)}
			>
				<option value="">choose a page …</option>
				{#each session.counted as { id, article } (id)}<option value={id}
						>{session.letters.get(id)} · {article.title}</option
					>{/each}
			</select></label
		>
		{#if session.client && session.client.forms.length > 0}
			<label class="flex flex-col gap-1"
				>A form of {session.client.name}
				<select
					class="field w-56"
					value={form?.name ?? ''}
					onchange={(event) => takeForm(event.currentTarget.value)}
				>
					<option value="">choose a form …</option>
					{#each withRowKeys(session.client.forms, ({ name }) => name) as { rowKey, item: { name } } (rowKey)}<option
							value={name}>{name}</option
						>{/each}
				</select></label
			>
		{/if}
		<label class="act cursor-pointer"
			>Bring in a file<input
				class="sr-only"
				type="file"
				accept=".md,.markdown,.txt,.docx,.html,.htm"
				aria-label="Outline file"
				onchange={(event) => void takeFile(event)}
			/></label
		>
	</div>
	<label class="mt-3 flex flex-col gap-1"
		>Or paste one: Markdown headings, an indented or a numbered list
		<textarea
			class="field min-h-28 font-serif"
			value={text}
			oninput={(event) => read(event.currentTarget.value)}
			aria-label="Pasted outline"></textarea></label
	>
	{#if trouble !== ''}<p class="mt-2 text-error" role="alert">{trouble}</p>{/if}
	{#if shown.length > 0}
		<p class="mt-3 font-semibold">{shown.length} headings</p>
		<ul class="max-h-56 overflow-y-auto" aria-label="Headings that were read">
			{#each shown as { level, text: heading }, i (i)}
				<li style:padding-left="{Math.max(0, level - 1) * 20}px">
					<span class="text-xs text-ink-2">H{level}</span> <span class="font-serif">{heading}</span>
				</li>
			{/each}
		</ul>
	{/if}
	<p class="mt-3 flex gap-2">
		<button
			class="act chief"
			disabled={shown.length === 0 || editor.isWorking || !session.isCurrent}
			onclick={() => void start()}>Start from it and place the evidence</button
		>
		<button class="act" onclick={onclose}>Cancel</button>
	</p>
	{#if page !== ''}<p class="mt-2 text-xs text-ink-2">
			Headings of a page are somebody’s own: Corvan warns of each until you have worded it yourself.
		</p>{/if}
</section>
