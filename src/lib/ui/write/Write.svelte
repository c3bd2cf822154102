<!-- Write: the manuscript with its margin. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { toast } from 'svelte-sonner';
	import { docOfHeadings, type TakeDoc } from '$lib/core/manuscript';
	import type { Plan } from '$lib/core/plan';
	import { docOfVersions, type Version } from '$lib/core/writers';
	import type { Take } from '$lib/data/db';
	import { addTake, deleteTake, putTake, renameTake } from '$lib/data/takes';
	import { messageOf } from '$lib/data/trouble';
	import { analysis, type Progress } from '$lib/workers/client';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import { history } from '../frame/history.svelte';
	import ProgressLine from '../parts/ProgressLine.svelte';
	import Manuscript from './Manuscript.svelte';

	const session = useSession();
	let chosen = $state<string | null>(null);
	/** Sections drafted of a whole article; null: no draft is under way. */
	let drafted = $state.raw<Progress | null>(null);

	const take = $derived(session.takes.find(({ id }) => id === chosen) ?? session.takes.at(-1));
	const plan = $derived(session.plan);
	const drafting = $derived(drafted ? `${drafted.done} of ${drafted.all} sections` : null);

	$effect(() => {
		if (session.analysed) void session.findRuns();
	});
	$effect(() => {
		if (session.isCurrent) void session.findStandings();
	});
	$effect(() =>
		actions.offer(() =>
			plan
				? [
						...(session.analysed
							? [
									{
										label: 'Draft the whole article as a new take',
										also: 'write generate',
										run: () => void draftAll()
									}
								]
							: []),
						{ label: 'New take with the plan’s headings', run: () => void startWithHeadings() },
						...(take ? [{ label: 'Copy this take', run: () => void copyTake() }] : [])
					]
				: []
		)
	);
	// a draft that nobody waits for any more is stopped
	$effect(() => () => {
		if (drafted) void analysis.stopDrafting();
	});

	async function addAsStep(label: string, name: string, doc: TakeDoc) {
		let made: Take | null = null;
		await history.run(
			{
				label,
				redo: async () => {
					if (made) await putTake(made);
					else made = await addTake(session.id, name, doc);
				},
				undo: async () => {
					if (made) made = (await deleteTake(made.id)) ?? made;
				}
			},
			{ quiet: session.takes.length === 0 }
		);
		chosen = (made as Take | null)?.id ?? null;
	}

	/** Versions of sections by the built-in drafter, as they come. */
	async function draft(
		sections: readonly string[] | null,
		elsewhere: string,
		onProgress: (progress: Progress) => void
	): Promise<{ readonly versions: Version[]; readonly plan: Plan; readonly isWhole: boolean }> {
		const { analysed } = session;
		const now = $state.snapshot(plan) as Plan | null;
		if (!analysed || !now) throw new Error('the evidence is still being read');
		const versions: Version[] = [];
		const end = await analysis.draft(
			analysed.evidence,
			now,
			{
				mustNotSay: session.mustNotSay,
				callToAction: session.assignment?.brief.callToAction ?? ''
			},
			{ sections, elsewhere },
			(version, progress) => {
				versions.push(version);
				onProgress(progress);
			}
		);
		return { versions, plan: now, isWhole: end === 'done' };
	}

	async function draftAll() {
		if (!plan || drafted) return;
		drafted = { done: 0, all: plan.sections.length };
		try {
			const made = await draft(null, '', (progress) => (drafted = progress));
			if (made.versions.length > 0)
				await addAsStep(
					made.isWhole
						? 'Drafted a new take'
						: `Drafted a new take as far as section ${made.versions.length}`,
					'',
					docOfVersions(made.plan, made.versions)
				);
		} catch (error) {
			toast.error(`Nothing was drafted: ${messageOf(error)}`);
		} finally {
			drafted = null;
		}
	}

	async function draftSection(section: string, elsewhere: string): Promise<Version | null> {
		try {
			return (await draft([section], elsewhere, () => {})).versions[0] ?? null;
		} catch (error) {
			toast.error(`Nothing was drafted: ${messageOf(error)}`);
			return null;
		}
	}

	async function startWithHeadings() {
		if (plan) await addAsStep('Started a take with the headings', '', docOfHeadings(plan));
	}

	async function copyTake() {
		if (take) await addAsStep(`Copied “${take.name}”`, `${take.name} (copy)`, take.doc);
	}

	function removeTake() {
		if (!take) return;
		let gone = take;
		void history.run({
			label: `Took “${take.name}” away`,
			redo: async () => {
				gone = (await deleteTake(gone.id)) ?? gone;
			},
			undo: () => putTake(gone)
		});
		chosen = null;
	}
</script>

{#if !plan}
	<div class="max-w-lg p-8">
		<h1 class="text-xl">The manuscript follows the plan</h1>
		<p class="mt-2 text-ink-2">
			<a class="linkish" href={resolve('/a/[id]/plan', { id: session.id })}>Propose a plan</a> first;
			then it can be drafted from your notes, or written by hand with the slips beside it.
		</p>
	</div>
{:else if !take}
	<div class="max-w-xl p-8">
		<h1 class="font-serif text-xl">{plan.title}</h1>
		<p class="mt-2 text-ink-2">
			The built-in drafter writes from {session.noteSigns.size === 0
				? 'your notes, and you have brought none yet: it would leave a gap in every section'
				: session.noteSigns.size === 1
					? 'your one note'
					: `your ${session.noteSigns.size} notes`}, marks every sentence with its origin, and
			leaves a visible gap where {session.noteSigns.size === 1 ? 'it is' : 'they are'} silent.
		</p>
		{#if drafted}
			<div class="mt-4">
				<ProgressLine
					label="Drafting section"
					done={drafted.done}
					all={drafted.all}
					oncancel={() => void analysis.stopDrafting()}
				/>
			</div>
		{:else}
			<p class="mt-4 flex flex-wrap gap-2">
				<button class="act chief" onclick={() => void draftAll()} disabled={!session.analysed}
					>Draft the article</button
				>
				<button class="act" onclick={() => void startWithHeadings()}>Start with the headings</button
				>
			</p>
			{#if !session.analysed}<p class="mt-2 text-ink-2" role="status">
					The evidence is still being read …
				</p>{/if}
		{/if}
	</div>
{:else}
	{#key take.id}
		<Manuscript
			{take}
			{plan}
			{drafting}
			onstopdraft={() => void analysis.stopDrafting()}
			onchoose={(id) => (chosen = id)}
			ondraftall={() => void draftAll()}
			onheadings={() => void startWithHeadings()}
			oncopy={() => void copyTake()}
			onremove={removeTake}
			onrename={(name) => void renameTake(take.id, name)}
			{draftSection}
		/>
	{/key}
{/if}
