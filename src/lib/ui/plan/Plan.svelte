<!-- Plan: the pool of evidence at the left, the outline with everything in its place at the right. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { dragHandleZone } from 'svelte-dnd-action';
	import { toast } from 'svelte-sonner';
	import { EMPTY_BRIEF } from '$lib/core/brief';
	import {
		fitToTarget,
		indentSection,
		moveSection,
		newSection,
		placeSection,
		plannedWords,
		removeSection,
		warningsOf,
		withBriefTitles,
		type Plan,
		type PlanSection
	} from '$lib/core/plan';
	import { analysis } from '$lib/workers/client';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import PlanStrip from './PlanStrip.svelte';
	import Pool from './Pool.svelte';
	import SectionRow from './SectionRow.svelte';

	const session = useSession();
	let chosen = $state<string | null>(null);
	let isWorking = $state(false);
	let showsWarnings = $state(false);

	const plan = $derived(session.plan);
	const findings = $derived(session.findings);
	const words = $derived(plan ? plannedWords(plan.sections) : 0);
	const warnings = $derived(plan && findings ? warningsOf(plan, findings) : []);
	/** Rows as drag and drop holds them; its own order stands only while something is dragged. */
	let dragged = $state.raw<PlanSection[] | null>(null);
	const rows = $derived(dragged ?? [...(plan?.sections ?? [])]);
	const numbers = $derived(numbersOf(rows));

	$effect(() =>
		actions.offer(() =>
			findings
				? [
						{
							label: plan ? 'Propose the plan again' : 'Propose a plan',
							run: () => void propose()
						},
						...(plan
							? [
									{ label: 'Place the rest', also: 'terms', run: () => void placeOpen() },
									{ label: 'Add a section', run: addSection },
									{ label: 'Fit the budgets to the target', run: fit }
								]
							: [])
					]
				: []
		)
	);

	async function propose() {
		if (!findings) return;
		isWorking = true;
		try {
			const proposed = withBriefTitles(
				await analysis.propose(findings),
				session.assignment?.brief ?? EMPTY_BRIEF
			);
			await session.changePlan(plan ? 'Proposed the plan again' : 'Proposed a plan', proposed, {
				quiet: plan === null
			});
		} catch (error) {
			toast.error(
				`No plan could be made: ${error instanceof Error ? error.message : String(error)}`
			);
		} finally {
			isWorking = false;
		}
	}

	async function placeOpen() {
		if (!findings || !plan) return;
		isWorking = true;
		try {
			await session.changePlan(
				'Placed the rest',
				await analysis.placeRest($state.snapshot(plan) as Plan, findings),
				{ quiet: false }
			);
		} finally {
			isWorking = false;
		}
	}

	function change(label: string, sections: readonly PlanSection[]) {
		if (!plan || sections === plan.sections) return;
		void session.changePlan(label, { ...plan, sections });
	}

	function changeSection(id: string, label: string, values: Partial<PlanSection>) {
		if (!plan) return;
		change(
			label,
			plan.sections.map((section) => (section.id === id ? { ...section, ...values } : section))
		);
	}

	function addSection() {
		if (!plan) return;
		const section = newSection(`section:${crypto.randomUUID()}`, 'A new section', 100);
		const at = plan.sections.findIndex(({ id }) => id === chosen);
		const sections = [...plan.sections];
		sections.splice(at < 0 ? sections.length : at + 1, 0, section);
		change('Added a section', sections);
		chosen = section.id;
	}

	function fit() {
		if (plan && findings)
			change('Fitted the budgets to the target', fitToTarget(plan.sections, findings.targetWords));
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
		change(
			'Moved a section',
			placeSection(plan.sections, id, before.filter((other) => !own.has(other)).length)
		);
	}

	function onkeydown(event: KeyboardEvent) {
		if (!event.altKey || !plan || chosen === null) return;
		const done: Record<string, () => void> = {
			ArrowUp: () => change('Moved a section up', moveSection(plan.sections, chosen!, -1)),
			ArrowDown: () => change('Moved a section down', moveSection(plan.sections, chosen!, 1)),
			ArrowRight: () => change('Made a sub-section', indentSection(plan.sections, chosen!, 3)),
			ArrowLeft: () => change('Brought a section out', indentSection(plan.sections, chosen!, 2))
		};
		const act = done[event.key];
		if (!act) return;
		event.preventDefault();
		act();
	}

	/** "1", "2", "2.1" …; the opening has none. */
	function numbersOf(sections: readonly PlanSection[]): string[] {
		let [top, inner] = [0, 0];
		return sections.map(({ level }) => {
			if (level === 1) return '';
			if (level === 2) {
				top++;
				inner = 0;
				return String(top);
			}
			inner++;
			return `${top}.${inner}`;
		});
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
		<p class="mt-4">
			<button class="act chief" onclick={() => void propose()} disabled={isWorking}
				>Propose a plan</button
			>
		</p>
	</div>
{:else}
	<div
		class="grid h-full grid-cols-[312px_minmax(0,1fr)] max-lg:grid-cols-1 max-lg:overflow-y-auto"
	>
		<Pool
			{plan}
			{findings}
			letters={session.letters}
			onadd={(section) =>
				change('Took a topic into the outline', [
					...plan.sections.slice(0, -1),
					section,
					...plan.sections.slice(-1)
				])}
			onopen={(id) => (chosen = id)}
		/>
		<section
			class="flex min-h-0 min-w-0 flex-col border-l border-rule bg-sheet px-6 pt-4 max-sm:px-3"
			aria-label="Outline"
		>
			<div class="flex items-baseline gap-4">
				<input
					class="min-w-0 flex-1 bg-transparent font-serif text-xl font-semibold"
					value={plan.title}
					aria-label="Title of the article"
					onchange={(event) =>
						void session.changePlan('Changed the title', {
							...plan,
							title: event.currentTarget.value
						})}
				/>
				<p class="whitespace-nowrap text-ink-2">
					{words.toLocaleString('en')} of {findings.targetWords.toLocaleString('en')} words
				</p>
			</div>
			<PlanStrip {plan} {findings} {numbers} {chosen} onchoose={(id) => (chosen = id)} />
			<div class="flex flex-wrap items-center gap-2 py-3">
				<button class="act chief" onclick={() => void placeOpen()} disabled={isWorking}
					>Place the rest</button
				>
				<button class="act" onclick={() => void propose()} disabled={isWorking}
					>Propose again</button
				>
				<button class="act" onclick={addSection}>Add a section</button>
				{#if words !== findings.targetWords}<button class="act" onclick={fit}
						>Fit to {findings.targetWords.toLocaleString('en')}</button
					>{/if}
				<a class="act" href={resolve('/a/[id]/write', { id: session.id })}>Write</a>
				{#if warnings.length > 0}
					<button
						class="ml-auto text-plum hover:underline"
						aria-expanded={showsWarnings}
						onclick={() => (showsWarnings = !showsWarnings)}
						>{warnings.length === 1 ? '1 warning' : `${warnings.length} warnings`}</button
					>
				{/if}
			</div>
			{#if showsWarnings && warnings.length > 0}
				<ul class="mb-2 border-l-2 border-plum pl-3">
					{#each warnings as warning, i (i)}
						<li>
							{#if warning.section}<button
									class="hover:underline"
									onclick={() => (chosen = warning.section)}>{warning.text}</button
								>{:else}{warning.text}{/if}
						</li>
					{/each}
				</ul>
			{/if}
			<ol
				class="min-h-0 flex-1 overflow-y-auto pb-24"
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
					<SectionRow
						{section}
						number={numbers[i] ?? ''}
						{findings}
						{plan}
						letters={session.letters}
						isChosen={section.id === chosen}
						onchoose={() => (chosen = section.id)}
						onchange={(label, values) => changeSection(section.id, label, values)}
						onmove={(by) => change('Moved a section', moveSection(plan.sections, section.id, by))}
						onlevel={(level) =>
							change(
								level === 3 ? 'Made a sub-section' : 'Brought a section out',
								indentSection(plan.sections, section.id, level)
							)}
						onremove={() =>
							void session.changePlan(
								`Took “${section.heading}” out of the outline`,
								{ ...plan, sections: removeSection(plan.sections, section.id) },
								{ quiet: false }
							)}
						onsections={(label, sections) => change(label, sections)}
					/>
				{/each}
			</ol>
		</section>
	</div>
{/if}
