<!-- The forms in which the article goes out. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import {
		FRONT_MATTERS,
		htmlBodyOf,
		clockOf,
		plainTextOf,
		type FrontMatter
	} from '$lib/core/deliver';
	import { readSetting, saveSetting } from '$lib/data/settings';
	import { messageOf } from '$lib/data/trouble';
	import { countOf } from '../parts/count-of';
	import { download } from '../parts/download';
	import type { Delivery } from './delivery.svelte';
	import {
		FORM_NAMES,
		makeAll,
		makeArchive,
		makeForm,
		makeReport,
		makeScript,
		saveFolder,
		textOfForm,
		zipOf,
		type Form,
		type FormOptions,
		type MadeFile
	} from './hand-over';
	import { canSaveFolder } from '../parts/folder';
	import { reportFor } from './report-input';

	interface Props {
		delivery: Delivery;
		onlook: (view: 'report' | 'script' | 'publish') => void;
	}
	let { delivery, onlook }: Props = $props();

	let frontMatter = $state<FrontMatter>('none');
	let withComments = $state(true);
	let busy = $state('');
	const options: FormOptions = $derived({ frontMatter, withComments });
	const article = $derived(delivery.article);
	const about: Readonly<Record<Form, string>> = $derived({
		docx: [
			delivery.choices.contentsTo > 0 ? 'contents' : '',
			withComments ? countOf(delivery.remarks.length, 'comment') : '',
			article.pictures.length > 0 ? countOf(article.pictures.length, 'picture') : ''
		]
			.filter(Boolean)
			.join(', '),
		page: ['valid', ...delivery.data.map((one) => `${one['@type']} data`)].join(', '),
		body: 'clean, for any site',
		markdown: '',
		text: '',
		json: 'the article as data'
	});

	$effect(() => {
		void readSetting('front-matter').then((value) => {
			if (FRONT_MATTERS.some((one) => one === value)) frontMatter = value as FrontMatter;
		});
	});

	let turn: Promise<void> = Promise.resolve();
	const asked = new Set<string>();

	/** Does one thing after the other; what is asked for again while it waits is done once. */
	function run(what: string, act: () => Promise<void>): Promise<void> {
		if (asked.has(what)) return turn;
		asked.add(what);
		turn = turn.then(async () => {
			busy = what;
			try {
				await act();
			} catch (error) {
				toast.error(`${what} was not made: ${messageOf(error)}`);
			} finally {
				busy = '';
				asked.delete(what);
			}
		});
		return turn;
	}

	function save(what: string, make: () => Promise<MadeFile | null>) {
		return run(what, async () => {
			const made = await make();
			if (!made) throw new Error('there is nothing to make it of yet');
			download(made.name, made.content, made.type);
			await delivery.record(what);
		});
	}

	function copy(what: string, text: string) {
		return run(what, async () => {
			await navigator.clipboard.writeText(text);
			toast(`${what} is on the clipboard.`);
			await delivery.record(`${what}, copied`);
		});
	}

	/** As formatted text, for any editor that takes a paste. */
	function copyRich() {
		return run('Formatted text', async () => {
			const html = htmlBodyOf(article, { nofollow: delivery.nofollow });
			await navigator.clipboard.write([
				new ClipboardItem({
					'text/html': new Blob([html], { type: 'text/html' }),
					'text/plain': new Blob([plainTextOf(article)], { type: 'text/plain' })
				})
			]);
			toast('The article is on the clipboard, formatted.');
			await delivery.record('Formatted text, copied');
		});
	}

	function saveAll(into: 'zip' | 'folder') {
		return run('Everything', async () => {
			const files = await makeAll(delivery, reportFor(delivery), options);
			if (into === 'zip') {
				download(`${delivery.slug}.zip`, zipOf(files), 'application/zip');
				await delivery.record('Everything as a zip');
				return;
			}
			const written = await saveFolder(files);
			if (written === null) return;
			toast(`${written} files are in the folder.`);
			await delivery.record('Everything in a folder');
		});
	}

	function saveScript() {
		return run('Script', async () => {
			const files = makeScript(delivery);
			download(`${delivery.slug}-script.zip`, zipOf(files), 'application/zip');
			await delivery.record('Spoken script');
		});
	}

	const publishTo = $derived.by(() => {
		const last = delivery.choices.published.at(-1)?.site ?? '';
		if (!URL.canParse(last)) return 'Publish';
		return last.endsWith('/stand-in-site')
			? 'Publish to the stand-in site'
			: `Publish to ${new URL(last).host}`;
	});
	const clock = $derived(clockOf(delivery.script.ms));
</script>

{#snippet row(name: string, small: string, acts: import('svelte').Snippet)}
	<li class="border-b border-rule py-2">
		<div class="flex items-baseline gap-2">
			<span class="flex-1">{name}</span>
			<span class="flex gap-2 whitespace-nowrap">{@render acts()}</span>
		</div>
		{#if small}<p class="text-[11.5px] text-ink-2">{small}</p>{/if}
	</li>
{/snippet}
{#snippet formRow(form: Form)}
	{#snippet acts()}
		{#if form !== 'docx' && form !== 'json'}
			<button
				class="text-ink-2 hover:underline"
				onclick={() => void copy(FORM_NAMES[form], textOfForm(delivery, form, options))}
				>Copy<span class="sr-only"> {FORM_NAMES[form]}</span></button
			>
		{/if}
		<button
			class="font-semibold hover:underline"
			onclick={() => void save(FORM_NAMES[form], () => makeForm(delivery, form, options))}
			>Save<span class="sr-only"> {FORM_NAMES[form]}</span></button
		>
	{/snippet}
	{@render row(FORM_NAMES[form], about[form], acts)}
{/snippet}

<section class="mt-6" aria-labelledby="hand-over">
	<h2 id="hand-over">
		Hand over <span class="font-sans text-[12px] font-normal text-ink-2"
			>{article.words.toLocaleString('en')} words, {article.minutes} min to read</span
		>
	</h2>
	<ul class="mt-2 border-t border-rule">
		{@render formRow('docx')}
		{@render formRow('page')}
		{@render formRow('body')}
		{@render formRow('markdown')}
		{@render formRow('text')}
		{@render formRow('json')}
		{#snippet richActs()}<button class="text-ink-2 hover:underline" onclick={() => void copyRich()}
				>Copy<span class="sr-only"> formatted text</span></button
			>{/snippet}
		{@render row('Formatted text', 'for a paste into any editor', richActs)}
		{#snippet reportActs()}
			<button class="text-ink-2 hover:underline" onclick={() => onlook('report')}
				>Look<span class="sr-only"> at the client report</span></button
			>
			<button
				class="font-semibold hover:underline"
				onclick={() =>
					void save('Client report', async () => {
						const report = reportFor(delivery);
						return report && makeReport(delivery.slug, report, 'html');
					})}>Save<span class="sr-only"> the client report</span></button
			>
		{/snippet}
		{@render row(
			'Client report',
			delivery.session.client ? `in ${delivery.session.client.name}’s colours` : 'for print',
			reportActs
		)}
		{#snippet scriptActs()}
			<button class="text-ink-2 hover:underline" onclick={() => onlook('script')}
				>Look<span class="sr-only"> at the spoken script</span></button
			>
			<button class="font-semibold hover:underline" onclick={() => void saveScript()}
				>Save<span class="sr-only"> the spoken script</span></button
			>
		{/snippet}
		{@render row(
			'Spoken script',
			`${clock}, ${countOf(delivery.script.moments.length, 'moment')}`,
			scriptActs
		)}
		{#snippet allActs()}
			<button class="font-semibold hover:underline" onclick={() => void saveAll('zip')}
				>Save<span class="sr-only"> everything as a zip</span></button
			>
			{#if canSaveFolder()}<button
					class="font-semibold hover:underline"
					onclick={() => void saveAll('folder')}
					>Folder<span class="sr-only">: save everything into one</span></button
				>{/if}
		{/snippet}
		{@render row('All of it', 'with a list of what is in it', allActs)}
		{#snippet archiveActs()}<button
				class="font-semibold hover:underline"
				onclick={() => void save('Archive', () => makeArchive(delivery))}
				>Save<span class="sr-only"> the archive</span></button
			>{/snippet}
		{@render row('Archive', 'the whole assignment, to open again', archiveActs)}
	</ul>
	<p class="mt-2 min-h-[1.4em] text-ink-2" role="status">{busy ? `Making ${busy} …` : ''}</p>
	<div class="flex flex-col gap-1.5">
		<label class="flex items-center gap-2"
			><input type="checkbox" class="checkbox checkbox-xs" bind:checked={withComments} /> Sources of claims
			as comments in DOCX</label
		>
		<label class="flex items-center gap-2"
			>Before the Markdown
			<select
				class="field w-auto! min-w-0 flex-1"
				value={frontMatter}
				onchange={(event) => {
					frontMatter = event.currentTarget.value as FrontMatter;
					void saveSetting('front-matter', frontMatter);
				}}
			>
				<option value="none">nothing</option>
				<option value="yaml">title and description, YAML</option>
				<option value="toml">title and description, TOML</option>
				<option value="json">title and description, JSON</option>
			</select></label
		>
		<label class="flex items-center gap-2"
			><input
				type="checkbox"
				class="checkbox checkbox-xs"
				checked={delivery.choices.withGaps}
				onchange={(event) =>
					void delivery.decide(event.currentTarget.checked ? 'Gaps go along' : 'Gaps stay behind', {
						withGaps: event.currentTarget.checked
					})}
			/> Gaps go along, marked</label
		>
	</div>
	<p class="mt-4">
		<button class="act chief" onclick={() => onlook('publish')}>{publishTo}</button>
	</p>
</section>
