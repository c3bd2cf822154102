<!-- An article that exists comes in, to be held against the evidence: pasted, as a file, or from its address. -->
<script lang="ts">
	import { docFromMarkdown, type TakeDoc } from '$lib/core/manuscript';
	import { docOfBlocks } from '$lib/core/measure';
	import { keptBlocksOf, readAddresses } from '$lib/core/pages';
	import { messageOf } from '$lib/data/trouble';
	import { fetchPage } from '$lib/services/pages';
	import { analysis, type Incoming } from '$lib/workers/client';
	import { pastedMarkup } from '../parts/pasted-markup';

	interface Props {
		keyword: string;
		onbring: (doc: TakeDoc) => void;
	}
	let { keyword, onbring }: Props = $props();

	let text = $state('');
	let html = $state('');
	let trouble = $state('');
	let isReading = $state(false);
	let address = $state('');
	/** Stops the fetch that is under way. */
	let fetching = $state.raw<AbortController | null>(null);

	$effect(() => () => fetching?.abort());

	function paste(event: ClipboardEvent) {
		const markup = pastedMarkup(event);
		if (markup === '') return;
		event.preventDefault();
		html = markup;
		text = event.clipboardData?.getData('text/plain') ?? '';
	}

	async function bring(event: SubmitEvent) {
		event.preventDefault();
		if (text.trim() === '') return;
		take(html === '' ? text : await analysis.readRichText($state.snapshot(html)));
	}

	function take(markdown: string) {
		const doc = docFromMarkdown(markdown);
		if (doc.content.length === 0) trouble = 'There is no text in it.';
		else onbring(doc);
	}

	async function takePage(incoming: Incoming, name: string) {
		const cleaned = await analysis.clean(incoming, keyword);
		if (cleaned.kind === 'cleaned') onbring(docOfBlocks(keptBlocksOf(cleaned.article, [])));
		else trouble = `“${name}” was not read: ${cleaned.reason}.`;
	}

	async function fetchArticle(event: SubmitEvent) {
		event.preventDefault();
		const [wanted] = readAddresses(address).addresses;
		if (!wanted) {
			trouble = `“${address.trim()}” is no address. Give it whole, as in https://fellgate.example/guide.`;
			return;
		}
		trouble = '';
		fetching = new AbortController();
		try {
			const reply = await fetchPage(wanted, fetching.signal);
			if (reply.kind === 'refused')
				trouble = `“${wanted}” was not read: ${reply.reason}. Save the page from your browser and choose the file.`;
			else
				await takePage(
					{
						name: wanted,
						origin: 'address',
						bytes: null,
						text: reply.html,
						address: reply.address
					},
					wanted
				);
		} catch (error) {
			trouble = `“${wanted}” was not read: ${messageOf(error)}`;
		} finally {
			fetching = null;
		}
	}

	async function readFile(file: File | undefined) {
		if (!file) return;
		trouble = '';
		isReading = true;
		try {
			const bytes = new Uint8Array(await file.arrayBuffer());
			const [first] = await analysis.readFile(file.name, bytes, 'any');
			if (first?.kind === 'page') await takePage(first.incoming, file.name);
			else if (first?.kind === 'note') take(first.text);
			else
				trouble = `“${file.name}” was not read: ${
					first && 'reason' in first ? first.reason : 'it holds no article'
				}. Bring the article as Markdown, HTML, DOCX or plain text.`;
		} catch (error) {
			trouble = `“${file.name}” was not read: ${messageOf(error)}`;
		} finally {
			isReading = false;
		}
	}
</script>

<form class="mt-4" onsubmit={(event) => void bring(event)}>
	<label class="block">
		<span class="font-semibold">An article that exists</span>
		<textarea
			class="field mt-1 h-40"
			bind:value={text}
			oninput={() => (html = '')}
			onpaste={paste}
			placeholder="Paste it here, with its headings"></textarea>
	</label>
	<p class="mt-2 flex flex-wrap items-baseline gap-3">
		<button class="act chief" disabled={text.trim() === ''}>Read it</button>
		<label class="linkish cursor-pointer"
			>or choose a file<input
				type="file"
				class="sr-only"
				aria-label="File of the article"
				accept=".md,.markdown,.txt,.html,.htm,.docx"
				onchange={(event) => void readFile(event.currentTarget.files?.[0])}
			/></label
		>
		{#if isReading}<span class="text-ink-2" role="status">Reading the file …</span>{/if}
	</p>
</form>
<form
	class="mt-5 flex flex-wrap items-end gap-3"
	onsubmit={(event) => void fetchArticle(event)}
	novalidate
>
	<label class="min-w-0 flex-1">
		<span class="font-semibold">or its address</span>
		<input
			class="field mt-1"
			inputmode="url"
			bind:value={address}
			placeholder="https://"
			disabled={fetching !== null}
		/>
	</label>
	{#if fetching}<button class="act" type="button" onclick={() => fetching?.abort()}>Stop</button>
		<span class="text-ink-2" role="status">Fetching it …</span>
	{:else}<button class="act" disabled={address.trim() === ''}>Fetch it</button>{/if}
</form>
{#if trouble}<p class="mt-2 text-error" role="alert">{trouble}</p>{/if}
