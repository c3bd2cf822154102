<!-- Plan: the pool of evidence at the left, the outline with everything in its place at the right. -->
<script lang="ts">
	import { messageOf } from '$lib/data/trouble';
	import { resolve } from '$app/paths';
	import { dragHandleZone } from 'svelte-dnd-action';
	import { toast } from 'svelte-sonner';
	import { placeSection, titleOptionsOf, type PlanSection } from '$lib/core/plan';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import MenuItems from '../parts/MenuItems.svelte';
	import ProgressLine from '../parts/ProgressLine.svelte';
	import Popup from '../parts/Popup.svelte';
	import ComparePage from './ComparePage.svelte';
	import { providePlanEditor } from './plan-editor.svelte';
	import EvidenceChanges from './EvidenceChanges.svelte';
	import SaveForm from './SaveForm.svelte';
	import PlanStrip from './PlanStrip.svelte';
	import PlanWarnings from './PlanWarnings.svelte';
	import { HAND_OVERS, handOver, planText, type HandOver } from './hand-over';
	import Pool from './Pool.svelte';
	import SectionRow from './SectionRow.svelte';
	import StartFrom from './StartFrom.svelte';

	const session = useSession();
	const editor = providePlanEditor(session);
	let showsWarnings = $state(false);
	let showsStart = $state(false);
	let savesForm = $state(false);
	let compared = $state<string | null>(null);

	const plan = $derived(editor.plan);
	const findings = $derived(editor.findings);
	/** A plan is made from the evidence as it stands, so it waits until all of that is read. */
	const isBusy = $derived(editor.isWorking || !session.isCurrent);
	/** Rows as drag and drop holds them; its own order stands only while something is dragged. */
	let dragged = $state.raw<PlanSection[] | null>(null);
	const rows = $derived(dragged ?? [...(plan?.sections ?? [])]);
	const difference = $derived(findings ? editor.words - findings.targetWords : 0);

	$effect(() =>
		actions.offer(() =>
			findings
				? [
						{
							label: plan ? 'Propose the plan again' : 'Propose a plan',
							run: () => void editor.propose()
						},
						{
							label: 'Start from an outline',
							also: 'import paste headings',
							run: () => (showsStart = true)
						},
						...(plan
							? [
									{ label: 'Place the rest', also: 'terms', run: () => void editor.placeRest() },
									{ label: 'Add a section', run: () => editor.addSection() },
									{ label: 'Fit the budgets to the target', run: () => editor.fit() },
									...HAND_OVERS.map((as) => ({
										label: as[0],
										also: 'plan file',
										run: () => void leave(as)
									}))
								]
							: [])
					]
				: []
		)
	);

	async function leave(as: HandOver) {
		if (!plan || !findings) return;
		try {
			await handOver(session, plan, findings, as);
		} catch (error) {
			toast.error(`The file could not be made: ${messageOf(error)}`);
		}
	}

	async function copyPlan() {
		if (!plan || !findings) return;
		await navigator.clipboard.writeText(planText(session, plan, findings));
		toast('Copied the plan.');
	}

	function dropAt(items: PlanSection[], id: string) {
		dragged = null;
		if (!plan) return;
		const at = items.findIndex((section) => section.id === id);
		// count what stands before it, less its own sub-sections, which travel along
		const before = items.slice(0, at).map((section) => section.id);
		const from = plan.sections.findIndex((section) => section.id === id);
		let to = from + 1;
		while (to < plan.sections.length && plan.sections[to]!.level > plan.sections[from]!.level) to++;
		const own = new Set(plan.sections.slice(from, to).map((section) => section.id));
		editor.change(
			'Moved a section',
			placeSection(plan.sections, id, before.filter((other) => !own.has(other)).length)
		);
	}

	function onkeydown(event: KeyboardEvent) {
		const { chosen } = editor;
		if (!event.altKey || !plan || chosen === null || compared) return;
		const done: Record<string, () => void> = {
			ArrowUp: () => editor.move(chosen, -1),
			ArrowDown: () => editor.move(chosen, 1),
			ArrowRight: () => editor.indent(chosen, 1),
			ArrowLeft: () => editor.indent(chosen, -1),
			m: () => editor.merge(chosen),
			s: () => editor.split(chosen),
			d: () => editor.duplicate(chosen),
			l: () => editor.toggleLock(chosen),
			Delete: () => editor.remove(chosen)
		};
		const act = done[event.key];
		if (!act) return;
		event.preventDefault();
		act();
	}
</script>

<svelte:window {onkeydown} />

{#if !plan && (!findings || session.counted.length === 0)}
	<div class="max-w-lg p-8">
		<h1 class="text-xl">A plan needs evidence</h1>
		<p class="mt-2 text-ink-2">
			{#if session.counted.length === 0}No page is counted yet. <a
					class="linkish"
					href={resolve('/a/[id]/gather', { id: session.id })}>Gather pages first</a
				>.{:else}The pages are still being read …{/if}
		</p>
	</div>
{:else if !plan && findings}
	<div class="max-w-xl p-8">
		<h1 class="text-xl">Every keyword, heading and question in its place</h1>
		<p class="mt-2 text-ink-2">
			Corvan proposes an outline for {findings.targetWords.toLocaleString('en')} words from {findings.topics.filter(
				({ pages }) => pages.length > 1
			).length} shared topics, and gives {findings.terms.length} terms and {findings.questions
				.length} questions the section where the evidence puts them.
		</p>
		<p class="mt-4 flex gap-2">
			<button class="act chief" onclick={() => void editor.propose()} disabled={isBusy}
				>Propose a plan</button
			>
			<button class="act" aria-expanded={showsStart} onclick={() => (showsStart = !showsStart)}
				>Start from an outline</button
			>
		</p>
		{#if !session.isCurrent}<p class="mt-2 text-ink-2" role="status">
				The pages are still being read …
			</p>{/if}
		{#if showsStart}<StartFrom onclose={() => (showsStart = false)} />{/if}
	</div>
{:else if plan}
	<div
		class="grid h-full grid-cols-[324px_minmax(0,1fr)] max-lg:grid-cols-1 max-lg:overflow-y-auto"
	>
		{#if findings}
			<Pool {plan} {findings} />
		{:else}
			<section class="px-5 py-4 text-ink-2" aria-label="Pool">
				{#if session.progress}
					<ProgressLine
						label="Reading the evidence,"
						done={session.progress.done}
						all={session.progress.all}
					/>
				{:else if session.counted.length === 0}
					<p>No page is counted, so there is nothing to place.</p>
				{:else}
					<p role="status">The evidence is still being read …</p>
				{/if}
			</section>
		{/if}
		<section
			class="flex min-h-0 min-w-0 flex-col border-l border-rule bg-sheet px-6 pt-4 max-sm:px-3"
			aria-label="Outline"
		>
			<div class="flex items-baseline gap-3 max-sm:flex-wrap">
				<input
					class="min-w-0 flex-1 bg-transparent font-serif text-xl font-semibold max-sm:basis-full"
					value={plan.title}
					aria-label="Title of the article"
					onchange={(event) =>
						void editor.save('Changed the title', { ...plan, title: event.currentTarget.value })}
				/>
				{#if findings}<Popup
						label="Other titles"
						button="linkish text-xs whitespace-nowrap"
						width="460px"
					>
						{#snippet children(close: () => void)}
							{@const options = titleOptionsOf(findings, plan.sections)}
							<p class="pb-1 text-xs text-ink-2">For the article</p>
							<MenuItems
								onclose={close}
								items={options.titles.map(
									(title) =>
										[
											title,
											() => void editor.save('Changed the title', { ...plan, title })
										] as const
								)}
							/>
							<p class="pt-2 pb-1 text-xs text-ink-2">For the results page: “{plan.titleTag}”</p>
							<MenuItems
								onclose={close}
								items={options.titleTags.map(
									(titleTag) =>
										[
											titleTag,
											() => void editor.save('Changed the title tag', { ...plan, titleTag })
										] as const
								)}
							/>
						{/snippet}
					</Popup>{/if}
				<p class="whitespace-nowrap text-ink-2">
					{editor.words.toLocaleString('en')}{findings
						? ` of ${findings.targetWords.toLocaleString('en')}`
						: ''} words{difference === 0
						? ''
						: `, ${Math.abs(difference)} ${difference > 0 ? 'over' : 'short'}`}
				</p>
			</div>
			{#if findings}<PlanStrip {plan} {findings} />{/if}
			<div class="flex flex-wrap items-center gap-2 py-3">
				<button class="act chief" onclick={() => void editor.placeRest()} disabled={isBusy}
					>Place the rest</button
				>
				<button class="act" onclick={() => void editor.propose()} disabled={isBusy}
					>Propose again</button
				>
				<button class="act" onclick={() => editor.addSection()}>Add a section</button>
				{#if difference !== 0 && findings}<button class="act" onclick={() => editor.fit()}
						>Fit to {findings.targetWords.toLocaleString('en')}</button
					>{/if}
				<Popup label="Compare with a page" width="320px">
					{#snippet children(close: () => void)}
						<MenuItems
							onclose={close}
							items={session.counted.map(
								({ id, article }) =>
									[`${session.letters.get(id)} · ${article.title}`, () => (compared = id)] as const
							)}
						/>
					{/snippet}
				</Popup>
				<Popup label="More" width="270px">
					{#snippet children(close: () => void)}
						<MenuItems
							onclose={close}
							items={[
								['Start from an outline', () => (showsStart = true)],
								session.client
									? [`Save as a form for ${session.client.name}`, () => (savesForm = true)]
									: [
											'Save as a form',
											() => toast('A form belongs to a client: name the client in the brief first.')
										],
								['Copy as Markdown', () => void copyPlan()],
								...HAND_OVERS.map((as) => [as[0], () => void leave(as)] as const)
							]}
						/>
					{/snippet}
				</Popup>
				<a class="act" href={resolve('/a/[id]/write', { id: session.id })}>Write</a>
				{#if editor.isWorking}<span class="text-ink-2" role="status">Placing the evidence …</span
					>{/if}
				{#if editor.warnings.length + editor.dismissed.length > 0}
					<button
						class="ml-auto text-plum hover:underline"
						aria-expanded={showsWarnings}
						onclick={() => (showsWarnings = !showsWarnings)}
						>{editor.warnings.length === 0
							? 'warnings set aside'
							: editor.warnings.length === 1
								? '1 warning'
								: `${editor.warnings.length} warnings`}</button
					>
				{/if}
			</div>
			{#if showsStart}<StartFrom onclose={() => (showsStart = false)} />{/if}
			{#if savesForm && session.client && session.assignment}<SaveForm
					{plan}
					client={session.client}
					keyword={session.assignment.keyword}
					onclose={() => (savesForm = false)}
				/>{/if}
			{#if showsWarnings && editor.warnings.length + editor.dismissed.length > 0}<PlanWarnings
				/>{/if}
			{#if editor.changes.length > 0}<EvidenceChanges />{/if}
			{#if compared}
				<ComparePage page={compared} onclose={() => (compared = null)} />
			{:else}
				<ol
					class="min-h-0 flex-1 overflow-y-auto pb-24"
					aria-label="Sections"
					use:dragHandleZone={{
						items: rows,
						flipDurationMs: 0,
						dropTargetStyle: {},
						zoneTabIndex: -1,
						zoneItemTabIndex: -1
					}}
					onconsider={(event: CustomEvent<{ items: PlanSection[] }>) =>
						(dragged = event.detail.items)}
					onfinalize={(event: CustomEvent<{ items: PlanSection[]; info: { id: string } }>) =>
						dropAt(event.detail.items, event.detail.info.id)}
				>
					{#each rows as section, i (section.id)}
						<SectionRow {section} isFirst={i <= 1} />
					{/each}
				</ol>
			{/if}
		</section>
	</div>
{/if}
