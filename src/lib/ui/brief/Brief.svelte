<!-- Brief: what the article is to be, beside the page that the client reads. -->
<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { liveQuery } from 'dexie';
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import {
		BRIEF_FORMS,
		briefMarkdown,
		briefSchema,
		EFFORT_RULES,
		EFFORTS,
		PERSONS,
		readBriefMarkdown,
		type Brief,
		type Effort
	} from '$lib/core/brief';
	import { INTENTS } from '$lib/core/keywords';
	import { slugOf } from '$lib/core/plan';
	import { fitsResult, pixelWidthOf, RESULT_ROOM, RESULT_TYPE } from '$lib/core/text';
	import { changeAssignment } from '$lib/data/assignments';
	import { clientNamed, listClients } from '$lib/data/clients';
	import type { Assignment, Client } from '$lib/data/db';
	import { isStorageFull } from '$lib/data/trouble';
	import { actions } from '../frame/actions.svelte';
	import { history } from '../frame/history.svelte';
	import { useSession } from '../assignment/session.svelte';
	import { download } from '../parts/download';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { localDay } from '../parts/local-day';
	import { messageOf } from '$lib/data/trouble';
	import { volumeShown } from '../scout/format';
	import BriefSheet from './BriefSheet.svelte';
	import Field from './Field.svelte';
	import { voiceLineOf } from './voice-line';
	import { keyed } from '../parts/keyed';

	const session = useSession();

	type Stored = Pick<Assignment, 'keyword' | 'title' | 'targetWords' | 'client' | 'brief'>;
	function storedOf({ keyword, title, targetWords, client, brief }: Assignment): Stored {
		return { keyword, title, targetWords, client, brief };
	}

	// the screen is shown only once the assignment has been read
	const first = storedOf(session.assignment!);
	let draft = $state<Stored>(structuredClone(first));
	/** Length, grade and lists as typed, since not everything that is typed is a value yet. */
	let typed = $state(typedOf(first));
	/** The state last written or read, and the one the next step goes back to. */
	let saved = JSON.stringify(first);
	/** States on their way into storage: one that comes back late is no change from elsewhere. */
	const written: string[] = [];
	let committed = saved;
	let errors = $state<Partial<Record<'keyword' | 'words' | 'grade', string>>>({});
	let clients = $state.raw<readonly Client[]>([]);
	let picker = $state<HTMLInputElement>();
	let newPhrase = $state('');
	/** Why the last changes could not be stored. */
	let trouble = $state('');
	let timer: ReturnType<typeof setTimeout> | undefined;

	function typedOf({ targetWords, brief }: Stored) {
		return {
			words: targetWords?.toString() ?? '',
			grade: brief.grade?.toString() ?? '',
			mustSay: brief.mustSay.join('\n'),
			mustNotSay: brief.mustNotSay.join('\n')
		};
	}

	$effect(() => {
		const known = liveQuery(listClients).subscribe((value) => (clients = value));
		return () => known.unsubscribe();
	});
	// an undo, or another tab, has changed what is stored
	$effect(() => {
		if (!session.assignment) return;
		const now = JSON.stringify(storedOf(session.assignment));
		untrack(() => {
			const at = written.lastIndexOf(now);
			if (at >= 0) written.splice(0, at + 1);
			if (at >= 0 || now === saved) return;
			saved = now;
			committed = now;
			draft = JSON.parse(now) as Stored;
			typed = typedOf(draft);
			errors = {};
		});
	});
	$effect(() => {
		const leave = () => void save();
		window.addEventListener('pagehide', leave);
		return () => {
			window.removeEventListener('pagehide', leave);
			clearTimeout(timer);
			void commit();
		};
	});
	$effect(() =>
		actions.offer(() => [
			{ label: 'Print the brief', run: () => window.print() },
			{ label: 'Export the brief as Markdown', run: exportMarkdown },
			{ label: 'Bring in a brief', also: 'import markdown', run: () => picker?.click() }
		])
	);

	const client = $derived(clients.find(({ id }) => id === draft.client) ?? null);
	const voice = $derived(voiceLineOf(client));
	const evidenceWords = $derived(
		draft.targetWords === null && session.findings && session.counted.length > 0
			? session.findings.targetWords
			: null
	);

	/** Takes over what is typed where it is a value; what is not is said beside its field. */
	function takeTyped() {
		errors = {};
		const words = typed.words.replace(/[,.\s]/g, '');
		if (words === '') draft.targetWords = null;
		else if (/^\d+$/.test(words) && Number(words) >= 100 && Number(words) <= 50_000)
			draft.targetWords = Number(words);
		else errors.words = 'Give a number from 100 to 50,000, or leave it empty.';
		const grade = typed.grade.trim().replace(',', '.');
		if (grade === '') draft.brief.grade = null;
		else if (Number(grade) >= 1 && Number(grade) <= 18) draft.brief.grade = Number(grade);
		else errors.grade = 'Give a grade from 1 to 18, or leave it empty.';
		if (draft.keyword.trim().length < 2)
			errors.keyword = 'Give the exact keyword, as people type it.';
		draft.brief.mustSay = linesOf(typed.mustSay);
		draft.brief.mustNotSay = linesOf(typed.mustNotSay);
	}

	function forget(text: string) {
		const at = written.lastIndexOf(text);
		if (at >= 0) written.splice(at, 1);
	}

	function linesOf(text: string): string[] {
		return text
			.split('\n')
			.map((line) => line.trim().slice(0, 500))
			.filter(Boolean);
	}

	function changed() {
		takeTyped();
		clearTimeout(timer);
		timer = setTimeout(() => void save(), 400);
	}

	/** What can be stored: a keyword that is being retyped keeps its last state. */
	function storable(): Stored {
		const now = $state.snapshot(draft) as Stored;
		return errors.keyword
			? { ...now, keyword: (JSON.parse(saved) as Stored).keyword }
			: { ...now, keyword: now.keyword.trim() };
	}

	async function save(): Promise<void> {
		clearTimeout(timer);
		const now = storable();
		const text = JSON.stringify(now);
		if (text === saved) return;
		const last = saved;
		saved = text;
		written.push(text);
		try {
			await changeAssignment(session.id, now);
			trouble = '';
		} catch (error) {
			forget(text);
			// it is tried again with the next change, and what is typed stays on the screen
			saved = last;
			trouble = whyNotStored(error);
		}
	}

	/** Makes what was changed since the last step one step of the history. */
	async function commit(label = 'Changed the brief') {
		clearTimeout(timer);
		const before = committed;
		const now = storable();
		const text = JSON.stringify(now);
		if (text === before) return;
		const last = saved;
		committed = text;
		saved = text;
		written.push(text);
		try {
			await history.run(
				{
					label,
					redo: () => changeAssignment(session.id, now),
					undo: () => changeAssignment(session.id, JSON.parse(before) as Stored)
				},
				{ quiet: true }
			);
			trouble = '';
		} catch (error) {
			forget(text);
			committed = before;
			saved = last;
			trouble = whyNotStored(error);
		}
	}

	function whyNotStored(error: unknown): string {
		return isStorageFull(error)
			? 'This browser has no room left, so the last changes are not stored. Copy the brief as Markdown, then delete an old assignment.'
			: `The last changes are not stored: ${messageOf(error)}`;
	}

	function settle() {
		takeTyped();
		void commit();
	}

	async function chooseClient(value: string) {
		if (value === 'new') {
			const name = prompt('Name of the client')?.trim();
			if (!name) {
				draft.client = draft.client ?? null;
				return;
			}
			draft.client = (await clientNamed(name))?.id ?? null;
		} else draft.client = value === '' ? null : value;
		await commit('Changed the client');
	}

	function addPhrase(event: SubmitEvent) {
		event.preventDefault();
		const phrase = newPhrase.trim();
		if (phrase === '') return;
		newPhrase = '';
		if (draft.brief.secondary.some((other) => other.phrase.toLowerCase() === phrase.toLowerCase()))
			return;
		draft.brief.secondary.push({ phrase, volumeMin: null, volumeMax: null, isRequired: true });
		void commit('Added a secondary keyword');
	}

	function removePhrase(at: number) {
		const [gone] = draft.brief.secondary.splice(at, 1);
		void commit(`Took “${gone?.phrase}” off the brief`);
	}

	function wholeBrief() {
		const { keyword, targetWords, brief } = $state.snapshot(draft) as Stored;
		return briefMarkdown({ keyword, client: client?.name ?? '', targetWords, brief });
	}

	function exportMarkdown() {
		download(
			`brief-${slugOf(draft.keyword) || 'article'}.md`,
			wholeBrief(),
			'text/markdown;charset=utf-8'
		);
	}

	async function copyMarkdown() {
		await navigator.clipboard.writeText(wholeBrief());
		toast('Copied the brief as Markdown.');
	}

	async function bringIn(files: FileList | null) {
		const file = files?.[0];
		if (!file) return;
		const read = readBriefMarkdown(await file.text());
		if (picker) picker.value = '';
		if (read.kind === 'unreadable') {
			toast.error(`${file.name} was not brought in: ${read.reason}.`, { duration: 12_000 });
			return;
		}
		const { keyword, targetWords, brief, client: name } = read.whole;
		const named = name === '' ? null : ((await clientNamed(name))?.id ?? null);
		await commit();
		draft = {
			...draft,
			keyword,
			targetWords,
			brief: brief as Brief,
			client: named ?? draft.client
		};
		typed = typedOf(draft);
		await commit(`Brought in ${file.name}`);
		toast.success(`Brought in ${file.name}.`, {
			description:
				read.skipped.length > 0
					? `No place for: ${read.skipped.slice(0, 6).join(' · ')}`
					: undefined,
			duration: read.skipped.length > 0 ? 15_000 : 4000,
			action: { label: 'Undo', onClick: () => void history.undo() }
		});
	}

	function asks(effort: Effort): string {
		const {
			wordsPerSection,
			mostSections,
			questionsInFaq,
			questionsCounted,
			keywordPlaces,
			topicShare
		} = EFFORT_RULES[effort];
		return [
			`a section for every ${wordsPerSection} words, ${mostSections} at most`,
			topicShare > 0
				? `topics of at least ${100 * topicShare}% of the pages`
				: 'topics of two pages and more',
			`${questionsInFaq} questions in the FAQ, ${questionsCounted} counted in the standing`,
			keywordPlaces.includes('h2') ? 'the keyword in an H2' : 'no keyword in an H2'
		].join('; ');
	}

	function px(text: string, part: 'title' | 'description'): string {
		return `${Math.round(pixelWidthOf(text, RESULT_TYPE[part]))} of ${RESULT_ROOM[part]} px`;
	}
</script>

<input
	bind:this={picker}
	type="file"
	accept=".md,.markdown,.txt"
	class="hidden"
	aria-label="Brief file"
	onchange={(event) => void bringIn(event.currentTarget.files)}
/>

<div
	class="grid h-full grid-cols-[minmax(0,1fr)_minmax(0,470px)] max-lg:block max-lg:overflow-y-auto print:block print:h-auto"
>
	<!-- every field saves while it is typed into; leaving it makes a step that can be taken back -->
	<section
		class="no-print min-h-0 overflow-y-auto px-5 pt-3 pb-10 max-lg:overflow-visible max-sm:px-3"
		aria-label="What the article is to be"
		oninput={changed}
		onchange={settle}
	>
		<div class="flex flex-wrap items-center gap-2 pb-3">
			<h1 class="text-xl">Brief</h1>
			<div class="ml-auto flex flex-wrap gap-2">
				<Popup label="Markdown" width="14rem">
					{#snippet children(close)}
						<MenuItems
							items={[
								['Copy it', () => void copyMarkdown()],
								['Export it', exportMarkdown],
								['Bring one in', () => picker?.click()]
							]}
							onclose={close}
						/>
					{/snippet}
				</Popup>
				<button class="act" onclick={() => window.print()}>Print</button>
				{#if draft.brief.agreedOn === ''}
					<button
						class="act chief"
						onclick={() => {
							draft.brief.agreedOn = localDay(new Date());
							void commit('Marked the brief as agreed');
						}}>Agreed with the client</button
					>
				{:else}
					<button
						class="act"
						onclick={() => {
							draft.brief.agreedOn = '';
							void commit('Opened the brief again');
						}}>Open it again</button
					>
				{/if}
			</div>
		</div>
		{#if trouble}<p class="pb-3 text-error" role="alert">{trouble}</p>{/if}

		<Field
			label="Exact keyword"
			help="Held in the title, the first 100 words, the description and the slug, and for a pillar in one H2; Findings and Plan start from it. It is not the title."
			error={errors.keyword}
		>
			<input class="field font-serif text-base" bind:value={draft.keyword} />
		</Field>
		<div class="pair">
			<Field
				label="Client"
				help="Brings facts as a note, phrases to avoid and names to spell; heads the printed brief."
			>
				<select
					class="field"
					value={draft.client ?? ''}
					onchange={(event) => {
						event.stopPropagation();
						void chooseClient(event.currentTarget.value);
					}}
				>
					<option value="">none</option>
					{#each clients as { id, name } (id)}<option value={id}>{name}</option>{/each}
					<option value="new">a new client …</option>
				</select>
				{#snippet action()}
					{#if client}<button
							type="button"
							class="linkish"
							onclick={() => void goto(resolve('/clients/[id]', { id: client.id }))}
							>Open the profile</button
						>{/if}
				{/snippet}
			</Field>
			<Field
				label="Length in words"
				help={evidenceWords !== null
					? `Empty: as the evidence says, ${evidenceWords.toLocaleString('en')} now. Sets ranges and budgets.`
					: 'Empty: as the evidence says. Sets every range and budget.'}
				error={errors.words}
			>
				<input
					class="field"
					bind:value={typed.words}
					inputmode="numeric"
					placeholder="as the evidence says"
				/>
			</Field>
		</div>
		<Field
			label="Working title"
			help="A plan that is proposed takes it as title; {px(
				draft.brief.workingTitle,
				'title'
			)} on a results page."
			warn={draft.brief.workingTitle !== '' && !fitsResult(draft.brief.workingTitle, 'title')}
		>
			<input class="field font-serif" bind:value={draft.brief.workingTitle} maxlength="300" />
		</Field>
		<Field
			label="Description"
			help="A plan that is proposed takes it as meta description; {px(
				draft.brief.description,
				'description'
			)}."
			warn={draft.brief.description !== '' && !fitsResult(draft.brief.description, 'description')}
		>
			<textarea class="field" rows="2" bind:value={draft.brief.description} maxlength="1000"
			></textarea>
		</Field>

		<Field
			label="Effort"
			help="{draft.brief.effort === 'pillar'
				? 'The main piece on its subject'
				: 'Answers one thing and sends the reader on'}: {asks(draft.brief.effort)}."
		>
			<select class="field w-auto!" bind:value={draft.brief.effort}>
				{#each EFFORTS as effort (effort)}<option value={effort}>{effort}</option>{/each}
			</select>
		</Field>
		<div class="triple">
			<Field label="Search intent" help="Printed in the brief. Scout reads it from the words.">
				<select class="field" bind:value={draft.brief.intent}>
					<option value={null}>not settled</option>
					{#each INTENTS as intent (intent)}<option value={intent}>{intent}</option>{/each}
				</select>
			</Field>
			<Field label="Form" help="Printed in the brief.">
				<select class="field" bind:value={draft.brief.form}>
					<option value={null}>not settled</option>
					{#each BRIEF_FORMS as form (form)}<option value={form}>{form}</option>{/each}
				</select>
			</Field>
			<Field label="Point of view" help="Printed in the brief, beside the client’s voice.">
				<select class="field" bind:value={draft.brief.person}>
					<option value={null}>not settled</option>
					{#each PERSONS as person (person)}<option value={person}>{person}</option>{/each}
				</select>
			</Field>
		</div>
		<div class="pair">
			<Field
				label="Tone"
				help="Printed in the brief{voice ? `. The client’s voice: ${voice}` : ''}."
			>
				<input class="field" bind:value={draft.brief.tone} maxlength="300" />
			</Field>
			<Field
				label="Reading grade"
				help="Every standing holds clarity against it; empty is 8, plain prose."
				error={errors.grade}
			>
				<input class="field" bind:value={typed.grade} inputmode="decimal" placeholder="8" />
			</Field>
		</div>

		<Field
			label="Reader"
			help={client?.audience
				? 'Printed in the brief. Empty: the client’s audience.'
				: 'Printed in the brief.'}
		>
			<textarea
				class="field"
				rows="3"
				bind:value={draft.brief.reader}
				placeholder={client?.audience ?? ''}></textarea>
		</Field>
		<Field label="Purpose" help="Printed in the brief.">
			<textarea class="field" rows="2" bind:value={draft.brief.purpose}></textarea>
		</Field>
		<Field label="Call to action" help="Closes the drafted article, word for word.">
			<textarea class="field" rows="2" bind:value={draft.brief.callToAction}></textarea>
		</Field>
		<div class="pair">
			<Field label="Must be said" help="One on a line. Write says what is not said yet.">
				<textarea class="field" rows="4" bind:value={typed.mustSay}></textarea>
			</Field>
			<Field
				label="Must not be said"
				help="One on a line. The drafter leaves such sentences out; Write marks every use{client &&
				client.avoid.length > 0
					? `, and of ${client.avoid.length} phrases the client avoids`
					: ''}."
			>
				<textarea class="field" rows="4" bind:value={typed.mustNotSay}></textarea>
			</Field>
		</div>

		<div class="mb-4">
			<h2 class="font-sans text-[13px] font-semibold">Secondary keywords</h2>
			<p class="text-ink-2">
				A required one is a must term in Findings, Plan and Write; the others are terms where a page
				uses them.
			</p>
			{#if draft.brief.secondary.length > 0}
				<ul class="mt-1 max-h-72 overflow-y-auto border-y border-rule">
					{#each keyed(draft.brief.secondary, (secondary) => secondary.phrase) as { rowKey, item: secondary }, i (rowKey)}
						<li class="flex items-center gap-3 border-b border-rule px-1 py-1 last:border-0">
							<label class="flex min-w-0 flex-1 items-center gap-2">
								<input
									type="checkbox"
									class="checkbox checkbox-xs"
									bind:checked={secondary.isRequired}
									aria-label="{secondary.phrase} is required"
								/>
								<span class="truncate font-serif">{secondary.phrase}</span>
							</label>
							<span class="text-ink-2"
								>{volumeShown({
									volume: secondary.volumeMin === secondary.volumeMax ? secondary.volumeMin : null,
									volumeMin: secondary.volumeMin,
									volumeMax: secondary.volumeMax
								})}</span
							>
							<button
								class="linkish"
								aria-label="Take {secondary.phrase} off"
								onclick={() => removePhrase(i)}>Take off</button
							>
						</li>
					{/each}
				</ul>
			{/if}
			<form class="mt-2 flex max-w-md gap-2" onsubmit={addPhrase}>
				<input
					class="field"
					bind:value={newPhrase}
					placeholder="Another phrase"
					aria-label="Another secondary keyword"
					oninput={(event) => event.stopPropagation()}
					onchange={(event) => event.stopPropagation()}
				/>
				<button class="act">Add</button>
			</form>
		</div>

		<div class="triple">
			<Field label="Deadline" help="Shown in the list of assignments.">
				<input type="date" class="field" bind:value={draft.brief.deadline} />
			</Field>
			<Field label="Fee" help="Printed in the brief.">
				<input class="field" bind:value={draft.brief.fee} maxlength="300" />
			</Field>
			<Field label="Agreed on" help="Shown under Brief in the top line.">
				<input type="date" class="field" bind:value={draft.brief.agreedOn} />
			</Field>
		</div>
	</section>

	<!-- a scrolling region must be reachable by keyboard -->
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<section
		class="min-h-0 overflow-y-auto border-l border-rule bg-sheet px-8 py-6 max-lg:overflow-visible max-lg:border-t max-lg:border-l-0 max-sm:px-4 print:overflow-visible print:border-0 print:bg-white print:p-0"
		tabindex="0"
		aria-label="The brief on one page"
	>
		<BriefSheet
			keyword={draft.keyword}
			targetWords={draft.targetWords}
			{evidenceWords}
			brief={briefSchema.safeParse(draft.brief).success ? draft.brief : session.assignment!.brief}
			{client}
			{voice}
		/>
	</section>
</div>

<style>
	.pair,
	.triple {
		display: grid;
		gap: 0 16px;
	}
	.pair {
		grid-template-columns: repeat(2, minmax(0, 1fr));
	}
	.triple {
		grid-template-columns: repeat(3, minmax(0, 1fr));
	}
	@media (max-width: 40rem) {
		.pair,
		.triple {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
