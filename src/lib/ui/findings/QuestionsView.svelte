<!-- Questions from pages, notes and lists, with who asks and how it is answered; merged and parted by hand. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import {
		joinGroups,
		OWN_AS_SOURCE,
		partGroup,
		questionRef,
		QUESTION_KINDS,
		strikeGroup,
		type Answer,
		type Findings,
		type GroupEdits,
		type Question
	} from '$lib/core/findings';
	import { writeCsv } from '$lib/core/keywords';
	import { useSession } from '../assignment/session.svelte';
	import { download } from '../parts/download';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { onListKey, toggled } from './list-keys';
	import OpenPage from './OpenPage.svelte';

	interface Props {
		findings: Findings;
	}
	let { findings }: Props = $props();

	const session = useSession();
	const letters = $derived(session.letters);
	type Answered = 'any' | 'pages' | 'notes' | 'open';
	let search = $state('');
	let kind = $state<Question['kind'] | 'any'>('any');
	let answered = $state<Answered>('any');
	let ticked = $state.raw<ReadonlySet<string>>(new Set());
	let open = $state<string | null>(null);
	let showsStruck = $state(false);
	let own = $state('');
	let list = $state<HTMLElement>();

	const isOnPage = ({ source }: Answer) => letters.has(source);
	const shown = $derived(
		findings.questions.filter(
			(question) =>
				(kind === 'any' || question.kind === kind) &&
				question.wordings.some((text) =>
					text.toLowerCase().includes(search.trim().toLowerCase())
				) &&
				(answered === 'any' ||
					(answered === 'pages'
						? question.answers.some(isOnPage)
						: answered === 'notes'
							? question.answers.some((answer) => !isOnPage(answer))
							: !question.answers.some(isOnPage)))
		)
	);
	const kinds = $derived(
		QUESTION_KINDS.filter((id) => findings.questions.some((question) => question.kind === id))
	);
	const tickedQuestions = $derived(findings.questions.filter(({ id }) => ticked.has(id)));
	const refsOf = ({ wordings }: Question) => wordings.map(questionRef);

	function edit(label: string, change: (questions: GroupEdits) => GroupEdits) {
		void session.edit(label, (edits) => ({ ...edits, questions: change(edits.questions) }));
		ticked = new Set();
	}

	function merge() {
		const [first, ...others] = tickedQuestions;
		if (!first || others.length === 0) return;
		const [main, sets] = [refsOf(first), others.map(refsOf)];
		edit(`Merged ${tickedQuestions.length} questions`, (questions) =>
			sets.reduce((changed, refs) => joinGroups(changed, main, refs), questions)
		);
	}

	function part(question: Question, wording: string) {
		const out = [questionRef(wording)];
		const rest = refsOf(question).filter((ref) => ref !== out[0]);
		edit(`Split off “${wording}”`, (questions) => partGroup(questions, out, rest));
	}

	function strike(question: Question, isStruck: boolean) {
		const refs = refsOf(question);
		edit(`${isStruck ? 'Struck out' : 'Brought back'} “${question.text}”`, (questions) =>
			strikeGroup(questions, refs, isStruck)
		);
	}

	function addOwn(text: string) {
		const plain = text.trim();
		if (plain.length < 3) return;
		void session.edit(`Added “${plain}”`, (edits) => ({
			...edits,
			ownQuestions: [...edits.ownQuestions.filter((other) => other !== plain), plain]
		}));
	}

	function removeOwn(question: Question) {
		const refs = new Set(refsOf(question));
		void session.edit(`Took out “${question.text}”`, (edits) => ({
			...edits,
			ownQuestions: edits.ownQuestions.filter((text) => !refs.has(questionRef(text)))
		}));
	}

	function askers({ pages, lists }: Question): string {
		const onPages = pages
			.map((id) => letters.get(id) ?? '')
			.sort()
			.join(' ');
		const names = [...new Set(lists.map((id) => session.nameOf(id)))];
		return [onPages, names.length > 2 ? `${names.length} lists and notes` : names.join(', ')]
			.filter(Boolean)
			.join(' · ');
	}

	async function copy(form: 'lines' | 'markdown') {
		const text =
			form === 'lines'
				? shown.map((question) => question.text).join('\n')
				: shown
						.map(({ text, answers }) =>
							[`### ${text}`, ...answers.slice(0, 1).map((answer) => answer.text)].join('\n\n')
						)
						.join('\n\n');
		await navigator.clipboard.writeText(text);
		toast(`Copied ${shown.length} questions.`);
	}

	function exportCsv() {
		const rows = shown.map(({ text, kind: of, pages, lists, volume, answers }) => [
			text,
			of,
			String(pages.length),
			String(lists.length),
			volume === null ? '' : String(volume),
			answers[0]?.text ?? '',
			answers[0] ? (letters.get(answers[0].source) ?? session.nameOf(answers[0].source)) : ''
		]);
		download(
			'questions.csv',
			writeCsv([
				[
					'question',
					'kind',
					'pages',
					'lists and notes',
					'searches a month',
					'answer',
					'answered by'
				],
				...rows
			]),
			'text/csv'
		);
	}
</script>

<div class="flex flex-wrap items-center gap-2 py-2">
	{#if ticked.size > 0}
		<strong>{ticked.size} ticked</strong>
		<button class="act" disabled={ticked.size < 2} onclick={merge}>Merge</button>
		<button class="linkish" onclick={() => (ticked = new Set())}>Untick</button>
	{:else}
		<input
			class="field w-44"
			type="search"
			placeholder="Find a question"
			aria-label="Find a question"
			bind:value={search}
		/>
		<select class="field w-auto" aria-label="Kind of question" bind:value={kind}>
			<option value="any">every kind</option>
			{#each kinds as id (id)}<option value={id}>{id}</option>{/each}
		</select>
		<select class="field w-auto" aria-label="Answered" bind:value={answered}>
			<option value="any">answered or not</option>
			<option value="pages">answered on a page</option>
			<option value="notes">answered in your notes</option>
			<option value="open">no page answers it</option>
		</select>
		{#if findings.struck.questions.length > 0}<button
				class="linkish"
				aria-expanded={showsStruck}
				onclick={() => (showsStruck = !showsStruck)}
				>{findings.struck.questions.length} struck out</button
			>{/if}
		<span class="ml-auto flex items-center gap-2">
			<span class="text-xs text-ink-2" role="status">{shown.length} questions</span>
			<Popup label="Add" width="320px">
				{#snippet children(close: () => void)}
					<form
						class="flex gap-2"
						onsubmit={(event) => {
							event.preventDefault();
							addOwn(own);
							own = '';
							close();
						}}
					>
						<input
							class="field min-w-0 flex-1"
							aria-label="A question of your own"
							placeholder="A question of your own"
							maxlength="300"
							bind:value={own}
						/><button class="act">Add</button>
					</form>
				{/snippet}
			</Popup>
			<Popup label="Copy" width="210px">
				{#snippet children(close: () => void)}
					<MenuItems
						onclose={close}
						items={[
							['as lines', () => void copy('lines')],
							['as Markdown, with answers', () => void copy('markdown')],
							['Export as CSV', exportCsv]
						]}
					/>
				{/snippet}
			</Popup>
		</span>
	{/if}
</div>
{#snippet answer(one: Answer)}
	<p class="mt-1">
		{#if letters.has(one.source)}<strong
				><OpenPage
					page={one.source}
					says={one.text}
					label={letters.get(one.source) ?? ''}
				/></strong
			>{:else}<span class="text-ink-2"
				>{session.nameOf(one.source)}{session.timeOf(one.source, one.text)
					? `, ${session.timeOf(one.source, one.text)}`
					: ''}</span
			>{/if}
		<span class="font-serif">{one.text}</span>
	</p>
{/snippet}
<div class="min-h-0 flex-1 overflow-y-auto pb-8">
	{#if showsStruck}
		<ul class="border-y border-rule py-2" aria-label="Struck out">
			{#each findings.struck.questions as question (question.id)}
				<li class="flex gap-3">
					<s class="font-serif">{question.text}</s>
					<button class="linkish" onclick={() => strike(question, false)}>Bring back</button>
				</li>
			{/each}
		</ul>
	{/if}
	<ul bind:this={list} aria-label="Questions, those asked most first">
		{#each shown as question, at (question.id)}
			{@const isOpen = open === question.id}
			{@const onPage = question.answers.some(isOnPage)}
			<li class="border-b border-rule py-1.5">
				<div class="flex items-baseline gap-3">
					<input
						type="checkbox"
						class="checkbox self-center checkbox-xs"
						aria-label="Tick {question.text}"
						checked={ticked.has(question.id)}
						onchange={() => (ticked = toggled(ticked, question.id))}
					/>
					<button
						class="open min-w-0 flex-1 text-left font-serif text-[15.5px] font-medium"
						aria-expanded={isOpen}
						onclick={() => (open = isOpen ? null : question.id)}
						onkeydown={(event) =>
							onListKey(event, list, at, {
								tick: () => (ticked = toggled(ticked, question.id)),
								strike: () => strike(question, true)
							})}>{question.text}</button
					>
					<span class="w-16 text-ink-2 max-sm:hidden">{question.kind}</span>
					<span class="w-56 truncate text-xs text-ink-2 max-md:hidden" title={askers(question)}
						>{askers(question)}</span
					>
					<span class="w-24 text-right text-xs text-ink-2 max-lg:hidden"
						>{question.volume === null
							? ''
							: `${question.volume.toLocaleString('en')} a month`}</span
					>
					<span class="w-28 text-right text-ink-2"
						>{question.answers.length === 0
							? 'no answer'
							: onPage
								? question.answers.length === 1
									? '1 answer'
									: `${question.answers.length} answers`
								: 'only your notes'}</span
					>
				</div>
				{#if isOpen}
					<div class="pt-1 pb-2 pl-7">
						{#if question.wordings.length > 1}
							<ul class="text-ink-2">
								{#each question.wordings as wording (wording)}
									<li>
										{wording}
										<button class="linkish" onclick={() => part(question, wording)}
											>Split off</button
										>
									</li>
								{/each}
							</ul>
						{/if}
						{#each question.answers as one, i (i)}{@render answer(one)}{:else}
							<p class="mt-1 text-ink-2">
								Neither a counted page nor a note answers it. A gap to fill, or to leave out.
							</p>
						{/each}
						<p class="mt-2 flex gap-4">
							<button class="linkish" onclick={() => strike(question, true)}>Strike out</button>
							{#if question.lists.includes(OWN_AS_SOURCE)}<button
									class="linkish"
									onclick={() => removeOwn(question)}>Take out your own</button
								>{/if}
						</p>
					</div>
				{/if}
			</li>
		{:else}
			<li class="py-3 text-ink-2">
				{findings.questions.length === 0
					? 'Nobody asks anything yet. Bring a list of questions in Gather.'
					: 'No question fits the filter.'}
			</li>
		{/each}
	</ul>
	{#if findings.followUps.length > 0}
		<h2 class="mt-5 border-b border-rule pb-1 text-base">Answered, and asked by nobody</h2>
		<ul>
			{#each findings.followUps as followUp (followUp.id)}
				<li class="border-b border-rule py-1.5">
					<span class="flex items-baseline gap-3">
						<span class="min-w-0 flex-1 font-serif text-[15px]">{followUp.text}</span>
						<button class="linkish" onclick={() => addOwn(followUp.text)}>Take it in</button>
					</span>
					{#each followUp.answers.slice(0, 1) as one (one.text)}{@render answer(one)}{/each}
				</li>
			{/each}
		</ul>
	{/if}
</div>
