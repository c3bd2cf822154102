<!-- Questions from pages, notes and lists, with who asks and how it is answered; merged and parted by hand. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import {
		OWN_AS_SOURCE,
		questionRef,
		type Answer,
		type Findings,
		type Question
	} from '$lib/core/findings';
	import { QUESTION_KINDS } from '$lib/core/reading';
	import { writeCsv } from '$lib/core/keywords';
	import { useSession } from '../assignment/session.svelte';
	import { download } from '../parts/download';
	import Choice from '../parts/Choice.svelte';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import { GroupList } from './group-list.svelte';
	import GroupTools from './GroupTools.svelte';
	import StruckList from './StruckList.svelte';
	import TickedBar from './TickedBar.svelte';
	import AnswerLine from './AnswerLine.svelte';
	import {
		CONFIRM_KEY,
		judge,
		judgedByKey,
		REFUSE_KEY,
		refusedOf
	} from '../assignment/judge-answer';
	import { countOf } from '../parts/count-of';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		findings: Findings;
	}
	let { findings }: Props = $props();

	const session = useSession();
	const letters = $derived(session.letters);
	type Answered = 'any' | 'pages' | 'notes' | 'may' | 'open';
	let search = $state('');
	let kind = $state<Question['kind'] | 'any'>('any');
	let answered = $state<Answered>('any');
	let showsStruck = $state(false);
	let own = $state('');
	const refsOf = ({ wordings }: Question) => wordings.map(questionRef);
	const list = new GroupList<Question>({
		session,
		edits: 'questions',
		noun: 'questions',
		entries: () => findings.questions,
		refsOf,
		nameOf: ({ text }) => text
	});

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
							: answered === 'may'
								? question.mayAnswer.length > 0
								: !question.answers.some(isOnPage)))
		)
	);
	const kinds = $derived(
		QUESTION_KINDS.filter((id) => findings.questions.some((question) => question.kind === id))
	);
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

	/** Who answers: "your notes · A C", "A, no note", "perhaps". */
	function answerers({ answers, mayAnswer }: Question): string {
		const onPages = [...new Set(answers.filter(isOnPage).map(({ source }) => letters.get(source)!))]
			.sort()
			.join(' ');
		if (answers.some((one) => !isOnPage(one)))
			return onPages === '' ? 'only your notes' : `your notes · ${onPages}`;
		const may = mayAnswer.some((one) => !letters.has(one.source)) ? 'perhaps a note' : 'no note';
		if (onPages !== '') return `${may} · ${onPages}`;
		return mayAnswer.length > 0 ? (may === 'no note' ? 'perhaps a page' : may) : 'no answer';
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
		const whose = (source: string) => letters.get(source) ?? session.nameOf(source);
		const rows = shown.map(({ text, kind: of, pages, lists, volume, answers, mayAnswer }) => [
			text,
			of,
			String(pages.length),
			String(lists.length),
			volume === null ? '' : String(volume),
			answers[0]?.text ?? '',
			answers[0] ? whose(answers[0].source) : '',
			mayAnswer.map(({ source, text: said }) => `${whose(source)}: ${said}`).join(' | ')
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
					'answered by',
					'may be answered by'
				],
				...rows
			]),
			'text/csv'
		);
	}
</script>

<div class="flex flex-wrap items-center gap-2 py-2">
	{#if list.tickedEntries.length > 0}
		<TickedBar {list} />
	{:else}
		<input
			class="field w-44"
			type="search"
			placeholder="Find a question"
			aria-label="Find a question"
			bind:value={search}
		/>
		<Choice
			label="Kind of question"
			value={kind}
			options={[['any', 'every kind'], ...kinds.map((id) => [id, id] as const)]}
			onchange={(value) => (kind = value)}
		/>
		<Choice
			label="Answered"
			value={answered}
			options={[
				['any', 'answered or not'],
				['pages', 'answered on a page'],
				['notes', 'answered in your notes'],
				['may', 'may be answered'],
				['open', 'no page answers it']
			]}
			onchange={(value) => (answered = value)}
		/>
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
<div class="min-h-0 flex-1 overflow-y-auto pb-8">
	{#if showsStruck}
		<StruckList {list} entries={findings.struck.questions} />
	{/if}
	<ul bind:this={list.element} aria-label="Questions, those asked most first">
		{#each withRowKeys( shown, (question) => list.keyOf(question) ) as { rowKey, item: question }, at (rowKey)}
			{@const isOpen = list.isOpen(question)}
			<li class="border-b border-rule py-1.5">
				<div class="flex items-baseline gap-3">
					<input
						type="checkbox"
						class="checkbox self-center checkbox-xs"
						aria-label="Tick {question.text}"
						checked={list.isTicked(question)}
						onchange={() => list.tick(question)}
					/>
					<button
						class="open min-w-0 flex-1 text-left font-serif text-[15.5px] font-medium"
						aria-expanded={isOpen}
						onclick={() => list.toggleOpen(question)}
						onkeydown={(event) => {
							if (isOpen && judgedByKey(session, question, event)) event.preventDefault();
							else list.onkeydown(event, at, question);
						}}>{question.text}</button
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
					<span class="w-36 text-right text-xs text-ink-2">{answerers(question)}</span>
				</div>
				{#if isOpen}
					<div class="pt-1 pb-2 pl-7">
						{#if question.wordings.length > 1}
							<ul class="text-ink-2">
								{#each withRowKeys(question.wordings, (wording) => wording) as { rowKey, item: wording } (rowKey)}
									<li>
										{wording}
										<button
											class="linkish"
											onclick={() => list.part(question, [questionRef(wording)])}>Split off</button
										>
									</li>
								{/each}
							</ul>
						{/if}
						{#each withRowKeys(question.answers, (one) => `${one.source} ${one.text}`) as { rowKey, item: one } (rowKey)}
							<AnswerLine
								{one}
								said={one.by === 'writer' ? 'confirmed' : ''}
								onwrong={one.by === 'writer'
									? undefined
									: () => judge(session, question, one, false)}
								onback={one.by === 'writer' ? () => judge(session, question, one, null) : undefined}
							/>
						{:else}
							{#if question.mayAnswer.length === 0}<p class="mt-1 text-ink-2">
									Neither a counted page nor a note answers it. A gap to fill, or to leave out.
								</p>{/if}
						{/each}
						{#if question.mayAnswer.length > 0}
							<h3 class="mt-2 font-sans text-xs font-semibold">
								May be answered by
								<span class="font-normal text-ink-2"
									>(<kbd>{CONFIRM_KEY}</kbd> the first does, <kbd>{REFUSE_KEY}</kbd> it does not)</span
								>
							</h3>
							{#each withRowKeys(question.mayAnswer, (one) => `${one.source} ${one.text}`) as { rowKey, item: one } (rowKey)}
								<AnswerLine
									{one}
									onright={() => judge(session, question, one, true)}
									onwrong={() => judge(session, question, one, false)}
								/>
							{/each}
						{/if}
						{#if refusedOf(session, question).length > 0}
							<details class="mt-2 text-ink-2">
								<summary>{countOf(refusedOf(session, question).length, 'answer')} refused</summary>
								{#each withRowKeys(refusedOf(session, question), (one) => `${one.source} ${one.text}`) as { rowKey, item: one } (rowKey)}
									<AnswerLine
										{one}
										onback={() => judge(session, question, { ...one, section: 0, fit: 0 }, null)}
									/>
								{/each}
							</details>
						{/if}
						<GroupTools {list} entry={question} />
						{#if question.lists.includes(OWN_AS_SOURCE)}<button
								class="linkish"
								onclick={() => removeOwn(question)}>Take out your own</button
							>{/if}
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
			{#each withRowKeys(findings.followUps, (followUp) => followUp.id) as { rowKey, item: followUp } (rowKey)}
				<li class="border-b border-rule py-1.5">
					<span class="flex items-baseline gap-3">
						<span class="min-w-0 flex-1 font-serif text-[15px]">{followUp.text}</span>
						<button class="linkish" onclick={() => addOwn(followUp.text)}>Take it in</button>
					</span>
					{#each withRowKeys(followUp.answers.slice(0, 1), (one) => one.text) as { rowKey, item: one } (rowKey)}<AnswerLine
							{one}
						/>{/each}
				</li>
			{/each}
		</ul>
	{/if}
</div>
