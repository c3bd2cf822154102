<!-- Write: the manuscript with its margin. -->
<script lang="ts">
	import { resolve } from '$app/paths';
	import { toast } from 'svelte-sonner';
	import { docOf, docOfHeadings, heading, type TakeDoc } from '$lib/core/manuscript';
	import { headingOf, type Plan } from '$lib/core/plan';
	import { docOfVersions, type ReplySection } from '$lib/core/writers';
	import { deleteTake, putTake, renameTake } from '$lib/data/takes';
	import { addTakeAsStep } from '../assignment/add-take';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import { history } from '../frame/history.svelte';
	import ProgressLine from '../parts/ProgressLine.svelte';
	import BringBack from './BringBack.svelte';
	import type { Part } from './reply-match.svelte';
	import Manuscript from './Manuscript.svelte';
	import { Writing, type RunEnd } from './writing.svelte';

	const session = useSession();
	const writing = new Writing(session);
	let chosen = $state<string | null>(null);
	/** Sections to be written as soon as the take that was made for them is open. */
	let pending = $state.raw<readonly string[]>([]);
	/** A draft is written and not yet on screen. */
	let isArriving = $state(false);
	/** An article that exists is brought in, before there is any take. */
	let isBringing = $state(false);

	const take = $derived(session.takes.find(({ id }) => id === chosen) ?? session.takes.at(-1));
	const plan = $derived(session.plan);
	const run = $derived(writing.run);

	// what nobody waits for any more is stopped
	$effect(() => writing.open());
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

	async function addAsStep(label: string, name: string, doc: TakeDoc) {
		chosen = await addTakeAsStep(
			session.id,
			{ label, name, doc },
			{ quiet: session.takes.length === 0 }
		);
	}

	/** A new take: whole at once from the notes, or section by section from an endpoint. */
	async function draftAll() {
		const now = $state.snapshot(plan) as Plan | null;
		if (!now || run) return;
		const sections = now.sections.map(({ id }) => id);
		if (writing.endpoint) {
			pending = sections;
			await addAsStep(`Started a take by ${writing.endpoint.name}`, '', docOfHeadings(now));
			return;
		}
		const requests = writing.requestsFor(sections, 'draft', () => []);
		isArriving = true;
		try {
			await takeDraft(now, sections, await writing.write(requests, '', () => {}));
		} finally {
			isArriving = false;
		}
	}

	async function takeDraft(now: Plan, sections: readonly string[], end: RunEnd | null) {
		if (!end) return;
		if (end.versions.length > 0)
			await addAsStep(
				end.versions.length === sections.length
					? 'Drafted a new take'
					: `Drafted a new take as far as section ${end.versions.length}`,
				'',
				docOfVersions(now, end.versions)
			);
		else if (end.reason !== 'stopped') toast.error(`Nothing was drafted: ${end.reason}`);
	}

	async function startWithHeadings() {
		if (plan) await addAsStep('Started a take with the headings', '', docOfHeadings(plan));
	}

	async function copyTake() {
		if (take) await addAsStep(`Copied “${take.name}”`, `${take.name} (copy)`, take.doc);
	}

	/** A take of what was brought back: its parts under the plan's headings, the rest behind them. */
	async function takeReply(parts: readonly Part[], rest: readonly ReplySection[]) {
		const now = plan;
		if (!now) return;
		const bySection = new Map(parts.map(({ section, blocks }) => [section, blocks]));
		const blocks = now.sections.flatMap((section) => {
			const came = bySection.get(section.id);
			return came ? [heading(section.level, headingOf(now, section), section.id), ...came] : [];
		});
		const extra = rest.flatMap((part) => [
			...(part.heading === '' ? [] : [heading(2, part.heading)]),
			...part.blocks
		]);
		await addAsStep('Brought in a take', '', docOf([...blocks, ...extra]));
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

	/** What the built-in drafter has to work with, by the number of notes. */
	function draftedFrom(notes: number): string {
		if (notes === 0)
			return 'The built-in drafter writes from your notes. You have brought none yet, so that every section would be a gap.';
		const [from, silent] =
			notes === 1 ? ['your one note', 'it is'] : [`your ${notes} notes`, 'they are'];
		return `The built-in drafter writes from ${from}, marks every sentence with its origin, and leaves a visible gap where ${silent} silent.`;
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
{:else if !take && isBringing}
	<BringBack
		{plan}
		asked={plan.sections.map(({ id }) => id)}
		signs={writing.signs}
		onoffer={(parts) => void takeReply(parts, [])}
		ontake={(parts, extra) => void takeReply(parts, extra)}
		onrequest={() => void startWithHeadings()}
		onclose={() => (isBringing = false)}
	/>
{:else if !take}
	<div class="max-w-xl p-8">
		<h1 class="font-serif text-xl">{plan.title}</h1>
		<p class="mt-2 text-ink-2">{draftedFrom(session.noteSigns.size)}</p>
		{#if run}
			<div class="mt-4">
				<ProgressLine
					label="Drafting section"
					done={run.done}
					all={run.all}
					oncancel={() => writing.stop()}
				/>
			</div>
		{:else if isArriving}
			<p class="mt-4 text-ink-2" role="status">The draft is laid out …</p>
		{:else}
			<p class="mt-4 flex flex-wrap gap-2">
				<button class="act chief" onclick={() => void draftAll()} disabled={!session.analysed}
					>Draft the article</button
				>
				<button class="act" onclick={() => void startWithHeadings()}>Start with the headings</button
				>
				<button class="act" onclick={() => (isBringing = true)}>Bring an article in</button>
			</p>
			<p class="mt-4 flex flex-wrap items-baseline gap-2 text-ink-2">
				<label for="first-writer">Drafted by</label>
				<select
					id="first-writer"
					class="field w-auto!"
					value={writing.writer === 'by hand' ? 'built-in' : writing.writer}
					onchange={(event) => writing.choose(event.currentTarget.value)}
				>
					<option value="built-in">the built-in drafter</option>
					{#each writing.endpoints as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</select>
			</p>
			<p class="mt-2 text-ink-2">
				Other writers are set up in the <a class="linkish" href={resolve('/settings')}>settings</a>.
				With an assistant of yours in another window, start with the headings and copy it a request.
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
			{writing}
			{pending}
			onpending={() => (pending = [])}
			ontakereply={(parts, extra) => void takeReply(parts, extra)}
			onchoose={(id) => (chosen = id)}
			ondraftall={() => void draftAll()}
			onheadings={() => void startWithHeadings()}
			oncopy={() => void copyTake()}
			onremove={removeTake}
			onrename={(name) => void renameTake(take.id, name)}
		/>
	{/key}
{/if}
