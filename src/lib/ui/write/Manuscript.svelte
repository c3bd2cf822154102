<!-- One take: ladder on top, slips in the left margin, the manuscript as a page, the bench when wanted. -->
<script lang="ts">
	import type { Plan } from '$lib/core/plan';
	import type { Version } from '$lib/core/writers';
	import type { Take } from '$lib/data/db';
	import { addTake } from '$lib/data/takes';
	import { useSession } from '../assignment/session.svelte';
	import Bench from './Bench.svelte';
	import FormatBar from './FormatBar.svelte';
	import Ladder from './Ladder.svelte';
	import { ManuscriptEditor } from './manuscript-editor.svelte';
	import ManuscriptPage from './ManuscriptPage.svelte';
	import Tabs from '../parts/Tabs.svelte';
	import NextMove from './NextMove.svelte';
	import NoteFates from './NoteFates.svelte';
	import OutlineNotes from './OutlineNotes.svelte';
	import Slips from './Slips.svelte';
	import TakeBar from './TakeBar.svelte';
	import VersionOffer from './VersionOffer.svelte';
	import WordingLine from './WordingLine.svelte';

	interface Props {
		take: Take;
		plan: Plan;
		/** How far a draft of the whole article is, in words; null: none under way. */
		drafting: string | null;
		onstopdraft: () => void;
		onchoose: (id: string) => void;
		ondraftall: () => void;
		onheadings: () => void;
		oncopy: () => void;
		onremove: () => void;
		onrename: (name: string) => void;
		/** A version of one section; null when none came. */
		draftSection: (section: string, elsewhere: string) => Promise<Version | null>;
	}
	let {
		take,
		plan,
		drafting,
		onstopdraft,
		onchoose,
		ondraftall,
		onheadings,
		oncopy,
		onremove,
		onrename,
		draftSection
	}: Props = $props();

	const session = useSession();
	// made anew for each take
	// svelte-ignore state_referenced_locally
	const editor = new ManuscriptEditor(take, {
		get plan() {
			return plan;
		},
		get findings() {
			return session.findings;
		},
		get runs() {
			return session.runs;
		},
		get wording() {
			return {
				mustSay: session.assignment?.brief.mustSay ?? [],
				mustNotSay: session.mustNotSay,
				brands: session.client?.brands ?? []
			};
		}
	});
	const keeper = editor.keeper;
	const reading = $derived(editor.reading);
	const slip = $derived(reading?.slips.find(({ section }) => section === editor.section) ?? null);
	let tops = $state.raw<ReadonlyMap<string, number>>(new Map());
	let margin = $state<HTMLElement>();
	/** Windows of this width have room for the bench beside the page. */
	let isBenchOpen = $state(matchMedia('(min-width: 1200px)').matches);
	type BenchTab = 'section' | 'notes';
	let benchTab = $state<BenchTab>('section');
	const BENCH_TABS: readonly { readonly id: BenchTab; readonly name: string }[] = [
		{ id: 'section', name: 'This section' },
		{ id: 'notes', name: 'Your notes' }
	];
	let benchTerm = $state<string | null>(null);
	let isDrafting = $state(false);
	let version = $state.raw<Version | null>(null);

	$effect(() => editor.reread());
	$effect(() => editor.follow(take));
	$effect(() => {
		void reading;
		const frame = requestAnimationFrame(layOut);
		return () => cancelAnimationFrame(frame);
	});

	/** Finds where the headings stand, for the slips beside them. */
	function layOut() {
		if (!margin || !reading) return;
		const origin = margin.getBoundingClientRect().top;
		tops = new Map(
			reading.slips.flatMap(({ section, at }): [string, number][] => {
				const element = editor.elementOf(at);
				return element ? [[section, element.getBoundingClientRect().top - origin + 3]] : [];
			})
		);
	}

	async function draft(section: string) {
		isDrafting = true;
		try {
			const made = await draftSection(section, editor.textBeside(section));
			if (!made) return;
			if (editor.isEmpty(section)) put(made, 'replace');
			else version = made;
		} finally {
			isDrafting = false;
		}
	}

	function put({ section, blocks }: Version, how: 'replace' | 'below') {
		version = null;
		editor.put(section, blocks, how);
	}

	async function takeOutline() {
		await keeper.flush();
		if (editor.doc) await session.planFromTake(take, editor.doc);
	}

	async function keepBoth() {
		if (!editor.doc) return;
		const made = await addTake(session.id, `${take.name} (this tab)`, editor.doc);
		keeper.letGo();
		onchoose(made.id);
	}
</script>

<div class="flex h-full flex-col">
	<div
		class="grid h-[72px] flex-none grid-cols-[168px_minmax(0,1fr)_250px] items-center gap-4 border-b border-rule px-5 max-md:h-auto max-md:grid-cols-1 max-md:gap-1 max-md:px-3 max-md:py-2"
	>
		<TakeBar
			{take}
			takes={session.takes}
			said={drafting ?? keeper.said}
			words={editor.words}
			targetWords={session.findings?.targetWords ?? null}
			isDrafting={drafting !== null}
			{onchoose}
			{ondraftall}
			{onheadings}
			{oncopy}
			{onremove}
			{onrename}
		/>
		{#if reading}
			<Ladder
				pages={session.standings}
				letters={session.letters}
				standing={reading.standing}
				keywordLoad={reading.keywordLoad}
				progress={session.standingProgress}
			/>
			<NextMove
				standing={reading.standing.standing}
				pages={session.standings}
				letters={session.letters}
				moves={editor.moves}
				ongo={(section) => editor.goTo(section)}
			/>
		{:else}
			<p class="text-ink-2" role="status">The evidence is still being read …</p>
		{/if}
	</div>

	<WordingLine marks={editor.marks} onshow={(mark) => editor.showMark(mark)} />

	{#if drafting}
		<p class="flex items-baseline gap-3 border-b border-rule px-5 py-1.5">
			<span>A new take is being drafted: {drafting}</span>
			<button class="linkish" onclick={onstopdraft}>Stop</button>
		</p>
	{/if}
	{#if keeper.conflict}
		<div class="flex flex-wrap items-baseline gap-3 border-b border-warning px-5 py-2" role="alert">
			<p>
				<strong>This take was changed in another tab.</strong> What you typed here since is still here
				and not saved over it.
			</p>
			<button class="act" onclick={() => editor.loadTheirs()}>Load the other tab’s</button>
			<button class="act chief" onclick={() => void keepBoth()}
				>Keep mine as a take of its own</button
			>
		</div>
	{/if}

	<div class="min-h-0 flex-1 overflow-y-auto">
		<div class="desk">
			<div class="margin" bind:this={margin}>
				{#if reading}
					<Slips
						slips={reading.slips}
						{tops}
						active={editor.section}
						{isDrafting}
						onopen={(section) => editor.goTo(section)}
						ondraft={(section) => void draft(section)}
						onterm={(key) => {
							benchTerm = key;
							benchTab = 'section';
							isBenchOpen = true;
						}}
					/>
				{/if}
			</div>
			<div class="sheet">
				<FormatBar {editor} {isBenchOpen} onbench={() => (isBenchOpen = !isBenchOpen)} />
				<ManuscriptPage mount={(element) => editor.mount(element)} onresize={layOut} />
				<OutlineNotes
					differences={editor.differences}
					lacking={editor.lacking}
					ontake={() => void takeOutline()}
					onput={(section) => editor.putHeading(section)}
				/>
			</div>
			{#if isBenchOpen || version}
				<aside class="bench" aria-label={isBenchOpen ? 'Bench' : 'Another version'}>
					{#if version}
						<VersionOffer
							{version}
							onput={(how) => version && put(version, how)}
							onclose={() => (version = null)}
						/>
					{/if}
					{#if isBenchOpen && session.findings}
						<div class="flex items-baseline justify-between border-b border-rule">
							<Tabs label="Bench" tabs={BENCH_TABS} bind:value={benchTab} />
							<button class="linkish text-xs" onclick={() => (isBenchOpen = false)}
								>Fold away</button
							>
						</div>
						{#if benchTab === 'section'}
							<Bench
								findings={session.findings}
								{plan}
								{slip}
								term={benchTerm}
								onbring={(text, origin) => editor.bringIn(text, origin)}
							/>
						{:else}
							<NoteFates {editor} {plan} />
						{/if}
					{/if}
				</aside>
			{/if}
		</div>
	</div>
</div>

<style>
	.desk {
		display: grid;
		grid-template-columns: 316px minmax(0, 700px) minmax(0, 1fr);
		min-height: 100%;
	}
	.margin {
		position: relative;
		overflow: hidden;
	}
	.sheet {
		background: var(--sheet);
		border-inline: 1px solid var(--rule);
	}
	.bench {
		--tab-size: 12.5px;
		--tab-gap: 14px;
		position: sticky;
		top: 0;
		align-self: start;
		max-height: calc(100dvh - 115px);
		overflow-y: auto;
		padding: 16px 18px;
		min-width: 0;
	}
	@media (max-width: 1000px) {
		.desk {
			grid-template-columns: 230px minmax(0, 1fr);
		}
		.bench {
			grid-column: 1 / -1;
		}
	}
	@media (max-width: 700px) {
		.desk {
			grid-template-columns: minmax(0, 1fr);
		}
		.margin {
			display: none;
		}
	}
</style>
