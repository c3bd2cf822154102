<!-- Plan: the pool of evidence at the left, the outline with everything in its place at the right. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { dragHandleZone } from 'svelte-dnd-action';
	import { toast } from 'svelte-sonner';
	import { placeSection, titleOptionsOf, type PlanSection } from '$lib/core/plan';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import MenuItems from '../parts/MenuItems.svelte';
	import Popup from '../parts/Popup.svelte';
	import ComparePage from './ComparePage.svelte';
	import { providePlanDesk } from './desk.svelte';
	import EvidenceChanges from './EvidenceChanges.svelte';
	import SaveForm from './SaveForm.svelte';
	import PlanStrip from './PlanStrip.svelte';
	import PlanWarnings from './PlanWarnings.svelte';
	import { HAND_OVERS, handOver, planText, type HandOver } from './hand-over';
	import Pool from './Pool.svelte';
	import SectionRow from './SectionRow.svelte';
	import StartFrom from './StartFrom.svelte';

	const session = useSession();
	const desk = providePlanDesk(session);
	let showsWarnings = $state(false);
	let showsStart = $state(false);
	let savesForm = $state(false);
	let compared = $state<string | null>(null);

	const plan = $derived(desk.plan);
	const findings = $derived(desk.findings);
	/** A plan is made from the evidence as it stands, so it waits until all of that is read. */
	const isBusy = $derived(desk.isWorking || !session.isCurrent);
	/** Rows as drag and drop holds them; its own order stands only while something is dragged. */
	let dragged = $state.raw<PlanSection[] | null>(null);
	const rows = $derived(dragged ?? [...(plan?.sections ?? [])]);
	const difference = $derived(desk.words - (findings?.targetWords ?? 0));

	$effect(() =>
		actions.offer(() =>
			findings
				? [
						{
							label: plan ? 'Propose the plan again' : 'Propose a plan',
							run: () => void desk.propose()
						},
						{
							label: 'Start from an outline',
							also: 'import paste headings',
							run: () => (showsStart = true)
						},
						...(plan
							? [
									{ label: 'Place the rest', also: 'terms', run: () => void desk.placeRest() },
									{ label: 'Add a section', run: () => desk.addSection() },
									{ label: 'Fit the budgets to the target', run: () => desk.fit() },
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
			toast.error(
				`The file could not be made: ${error instanceof Error ? error.message : String(error)}`
			);
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
		desk.change(
			'Moved a section',
			placeSection(plan.sections, id, before.filter((other) => !own.has(other)).length)
		);
	}

	function onkeydown(event: KeyboardEvent) {
		const { chosen } = desk;
		if (!event.altKey || !plan || chosen === null || compared) return;
		const done: Record<string, () => void> = {
			ArrowUp: () => desk.move(chosen, -1),
			ArrowDown: () => desk.move(chosen, 1),
			ArrowRight: () => desk.indent(chosen, 1),
			ArrowLeft: () => desk.indent(chosen, -1),
			m: () => desk.merge(chosen),
			s: () => desk.split(chosen),
			d: () => desk.duplicate(chosen),
			l: () => desk.toggleLock(chosen),
			Delete: () => desk.remove(chosen)
		};
		const act = done[event.key];
		if (!act) return;
		event.preventDefault();
		act();
	}
</script>

<svelte:window {onkeydown} />

{#if !findings || session.counted.length === 0}
	<div class="max-w-lg p-8">
		<h1 class="text-xl">A plan needs evidence</h1>
		<p class="mt-2 text-ink-2">
			{#if session.counted.length === 0}No page is counted yet. <a
					class="linkish"
					href={resolve('/a/[id]/gather', { id: session.id })}>Gather pages first</a
				>.{:else}The pages are still being read …{/if}
		</p>
	</div>
{:else if !plan}
	<div class="max-w-xl p-8">
		<h1 class="text-xl">Every keyword, heading and question in its place</h1>
		<p class="mt-2 text-ink-2">
			Corvan proposes an outline for {findings.targetWords.toLocaleString('en')} words from {findings.topics.filter(
				({ pages }) => pages.length > 1
			).length} shared topics, and gives {findings.terms.length} terms and {findings.questions
				.length} questions the section where the evidence puts them.
		</p>
		<p class="mt-4 flex gap-2">
			<button class="act chief" onclick={() => void desk.propose()} disabled={isBusy}
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
{:else}
	<div
		class="grid h-full grid-cols-[324px_minmax(0,1fr)] max-lg:grid-cols-1 max-lg:overflow-y-auto"
	>
		<Pool {plan} {findings} />
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
						void desk.save('Changed the title', { ...plan, title: event.currentTarget.value })}
				/>
				<Popup label="Other titles" button="linkish text-xs whitespace-nowrap" width="460px">
					{#snippet children(close: () => void)}
						{@const options = titleOptionsOf(findings, plan.sections)}
						<p class="pb-1 text-xs text-ink-2">For the article</p>
						<MenuItems
							onclose={close}
							items={options.titles.map(
								(title) =>
									[title, () => void desk.save('Changed the title', { ...plan, title })] as const
							)}
						/>
						<p class="pt-2 pb-1 text-xs text-ink-2">For the results page: “{plan.titleTag}”</p>
						<MenuItems
							onclose={close}
							items={options.titleTags.map(
								(titleTag) =>
									[
										titleTag,
										() => void desk.save('Changed the title tag', { ...plan, titleTag })
									] as const
							)}
						/>
					{/snippet}
				</Popup>
				<p class="whitespace-nowrap text-ink-2">
					{desk.words.toLocaleString('en')} of {findings.targetWords.toLocaleString('en')} words{difference ===
					0
						? ''
						: `, ${Math.abs(difference)} ${difference > 0 ? 'over' : 'short'}`}
				</p>
			</div>
			<PlanStrip {plan} {findings} />
			<div class="flex flex-wrap items-center gap-2 py-3">
				<button class="act chief" onclick={() => void desk.placeRest()} disabled={isBusy}
					>Place the rest</button
				>
				<button class="act" onclick={() => void desk.propose()} disabled={isBusy}
					>Propose again</button
				>
				<button class="act" onclick={() => desk.addSection()}>Add a section</button>
				{#if difference !== 0}<button class="act" onclick={() => desk.fit()}
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
				{#if desk.isWorking}<span class="text-ink-2" role="status">Placing the evidence …</span
					>{/if}
				{#if desk.warnings.length + desk.dismissed.length > 0}
					<button
						class="ml-auto text-plum hover:underline"
						aria-expanded={showsWarnings}
						onclick={() => (showsWarnings = !showsWarnings)}
						>{desk.warnings.length === 0
							? 'warnings set aside'
							: desk.warnings.length === 1
								? '1 warning'
								: `${desk.warnings.length} warnings`}</button
					>
				{/if}
			</div>
			{#if showsStart}<StartFrom onclose={() => (showsStart = false)} />{/if}
			{#if savesForm && session.client}<SaveForm
					{plan}
					client={session.client}
					keyword={findings.keyword}
					onclose={() => (savesForm = false)}
				/>{/if}
			{#if showsWarnings && desk.warnings.length + desk.dismissed.length > 0}<PlanWarnings />{/if}
			{#if desk.changes.length > 0}<EvidenceChanges />{/if}
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
