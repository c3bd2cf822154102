<!-- One take: ladder on top, slips in the left margin, the manuscript as a page, the bench when wanted. -->
<script lang="ts">
	import type { Plan } from '$lib/core/plan';
	import type { Version } from '$lib/core/writers';
	import type { Take } from '$lib/data/db';
	import { addTake } from '$lib/data/takes';
	import { toast } from 'svelte-sonner';
	import { tick, untrack } from 'svelte';
	import type { BlockNode, TakeDoc } from '$lib/core/manuscript';
	import { sourcesIn, wordsOfBlocks, type Move, type ReplySection } from '$lib/core/writers';
	import type { VersionState } from '$lib/data/db';
	import { messageOf } from '$lib/data/trouble';
	import { addVersions, setVersionState } from '$lib/data/versions';
	import { countOf } from '../parts/count-of';
	import AskPanel from './AskPanel.svelte';
	import BringBack, { type Part } from './BringBack.svelte';
	import type { Scope } from './moves';
	import type { Writing } from './writing.svelte';
	import { useSession } from '../assignment/session.svelte';
	import X from '@lucide/svelte/icons/x';
	import { actions } from '../frame/actions.svelte';
	import Bench from './Bench.svelte';
	import BriefBeside from './BriefBeside.svelte';
	import FindBar from './FindBar.svelte';
	import TakeStanding from './TakeStanding.svelte';
	import TakesCompared from './TakesCompared.svelte';
	import FormatBar from './FormatBar.svelte';
	import { ManuscriptEditor } from './manuscript-editor.svelte';
	import ManuscriptPage from './ManuscriptPage.svelte';
	import Tabs from '../parts/Tabs.svelte';
	import NoteFates from './NoteFates.svelte';
	import OutlineNotes from './OutlineNotes.svelte';
	import Slips from './Slips.svelte';
	import TakeBar from './TakeBar.svelte';
	import VersionOffer from './VersionOffer.svelte';
	import WordingLine from './WordingLine.svelte';

	interface Props {
		take: Take;
		plan: Plan;
		writing: Writing;
		/** Sections to be written at once, into a take that was made for them. */
		pending: readonly string[];
		onpending: () => void;
		/** A take of its own from what was brought back. */
		ontakereply: (parts: readonly Part[], rest: readonly ReplySection[]) => void;
		onchoose: (id: string) => void;
		ondraftall: () => void;
		onheadings: () => void;
		oncopy: () => void;
		onremove: () => void;
		onrename: (name: string) => void;
	}
	let {
		take,
		plan,
		writing,
		pending,
		onpending,
		ontakereply,
		onchoose,
		ondraftall,
		onheadings,
		oncopy,
		onremove,
		onrename
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
	type BenchTab = 'section' | 'notes' | 'brief';
	let benchTab = $state<BenchTab>('section');
	const BENCH_TABS: readonly { readonly id: BenchTab; readonly name: string }[] = [
		{ id: 'section', name: 'This section' },
		{ id: 'notes', name: 'Your notes' },
		{ id: 'brief', name: 'Brief' }
	];
	let benchTerm = $state<string | null>(null);
	const run = $derived(writing.run);
	const isDrafting = $derived(run !== null);
	/** The version that is open beside the text: one that is kept, or one without a word, which is not. */
	let opened = $state<string | null>(null);
	let empty = $state.raw<Version | null>(null);
	const own = $derived(session.versions.filter((one) => one.take === take.id));
	const stored = $derived(own.find(({ id }) => id === opened) ?? null);
	const version: Version | null = $derived(stored ?? empty);
	/** Sections that a run did not get to, what was asked of them, and why it ended. */
	let unfinished = $state.raw<{
		readonly sections: readonly string[];
		readonly move: Move;
		readonly reason: string;
	} | null>(null);
	let isAsking = $state(false);
	let isFinding = $state(false);
	let isQuiet = $state(false);
	let isComparing = $state(false);
	let scope = $state<Scope>('section');
	let move = $state<Move>('draft');
	let lacked = $state.raw<readonly string[]>([]);
	/** Sections that a reply is brought back for; null: none is. */
	let brought = $state.raw<readonly string[] | null>(null);
	const isAway = $derived(brought !== null || isComparing);
	const offered = $derived(own.filter(({ state }) => state === 'offered'));

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

	$effect(() => {
		if (pending.length === 0 || !reading || run) return;
		const sections = pending;
		untrack(() => {
			onpending();
			void ask(sections, 'draft');
		});
	});

	/**
	 * Has sections written. A draft of a section without text goes into the text at once, as one step of
	 * its history; everything else is offered beside it.
	 */
	async function ask(sections: readonly string[], asked: Move) {
		const requests = writing.requestsFor(sections, asked, (id) => editor.blocksOf(id));
		unfinished = null;
		empty = null;
		let last: Version | null = null;
		const saves: Promise<void>[] = [];
		const end = await writing.write(requests, editor.textBeside(...sections), (made) => {
			last = made;
			saves.push(receive(made, asked, sections.length === 1));
		});
		await Promise.all(saves);
		if (!end) return;
		if (end.open.length > 0 && sections.length > 1)
			unfinished = { sections: end.open, move: asked, reason: end.reason };
		else if (end.versions.length === 0 && end.reason !== '' && end.reason !== 'stopped')
			toast.error(`Nothing was written: ${end.reason}`);
		const alone = last as Version | null;
		if (sections.length === 1 && alone?.blocks.length === 0) empty = alone;
	}

	async function receive(made: Version, asked: Move, isAlone: boolean) {
		const isDirect = asked === 'draft' && editor.isEmpty(made.section) && made.blocks.length > 0;
		if (isDirect) editor.put(made.section, made.blocks, 'replace');
		try {
			const [kept] = await addVersions(session.id, take.id, writing.writerName, [made]);
			if (!kept) return;
			if (isDirect) await setVersionState(kept.id, 'taken');
			else if (isAlone) {
				opened = kept.id;
				await tick();
				editor.goTo(made.section);
			}
		} catch (error) {
			toast.error(`The version is not kept: ${messageOf(error)}`);
		}
	}

	function draft(section: string) {
		const wanted: Move =
			editor.isEmpty(section) || writing.endpoint === null ? 'draft' : 'another version';
		if (writing.writer === 'by hand') {
			showAsk('section', wanted);
			return;
		}
		void ask([section], wanted);
	}

	function showAsk(which: Scope, what: Move) {
		scope = which;
		move = what;
		isAsking = true;
	}

	function put(blocks: readonly BlockNode[], how: 'replace' | 'below') {
		if (!version) return;
		editor.put(version.section, blocks, how);
		close('taken');
	}

	/** Closes the version that is open, and notes what became of it. */
	function close(state: VersionState) {
		if (stored && (state !== 'left' || stored.state === 'offered'))
			void setVersionState(stored.id, state);
		const next = offered.find(({ id, section }) => id !== opened && section === stored?.section);
		opened = state === 'taken' ? null : (next?.id ?? null);
		empty = null;
	}

	function measure(blocks: readonly BlockNode[]) {
		if (!version || !reading) return null;
		const read = editor.readingWith(version.section, blocks);
		const slip = read?.slips.find(({ section }) => section === version.section);
		if (!read || !slip) return null;
		return {
			standing: read.standing.standing,
			words: slip.words,
			placed: slip.terms.filter(({ state }) => state === 'placed').length,
			terms: slip.terms.length,
			answered: slip.questions.filter(({ isAnswered }) => isAnswered).length,
			questions: slip.questions.length
		};
	}

	const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
	const signs = $derived(
		own
			.filter(({ state }) => state !== 'left')
			.map(({ id, section, writerName, madeAt, state }) => ({
				id,
				section,
				by: writerName,
				when: clock.format(madeAt),
				isOpen: state === 'offered' || state === 'kept'
			}))
	);

	/** Parts of a reply as versions of their sections, the first of them opened. */
	async function offerReply(parts: readonly Part[], missing: readonly string[]) {
		const made = parts.map(({ section, blocks, isCutOff }): Version => {
			const slip = reading?.slips.find((one) => one.section === section);
			return {
				section,
				heading: slip?.heading ?? '',
				writer: 'by hand',
				move: 'draft',
				blocks,
				words: wordsOfBlocks(blocks),
				sources: sourcesIn(blocks),
				outcome: isCutOff ? { kind: 'cut off' } : { kind: 'done' }
			};
		});
		try {
			const kept = await addVersions(session.id, take.id, 'brought back', made);
			brought = null;
			lacked = missing;
			opened = kept[0]?.id ?? null;
			if (kept[0]) editor.goTo(kept[0].section);
		} catch (error) {
			toast.error(`The versions are not kept: ${messageOf(error)}`);
		}
	}

	/** What stands in the section of the version that is open, as typing rested last. */
	const standing: readonly BlockNode[] = $derived.by(() => {
		void reading;
		return version ? untrack(() => editor.blocksOf(version.section)) : [];
	});

	const compared: TakeDoc = $derived.by(() => {
		void reading;
		return untrack(() => editor.doc) ?? take.doc;
	});

	$effect(() =>
		actions.offer(() => [
			{ label: 'Find and replace', run: () => (isFinding = true) },
			{ label: 'Go to the next gap', run: () => editor.nextGap() },
			{ label: 'Go to the next open slip', run: () => editor.nextOpenSlip() },
			{ label: 'Quiet: only the text', also: 'focus', run: () => (isQuiet = !isQuiet) },
			{ label: 'Ask a writer', also: 'endpoint request', run: () => showAsk('section', 'draft') },
			{
				label: 'Bring a reply or an article in',
				also: 'paste reply',
				run: () => (brought = plan.sections.map(({ id }) => id))
			},
			...(session.takes.length > 1
				? [{ label: 'Compare with another take', run: () => (isComparing = true) }]
				: [])
		])
	);

	/** Keys of the manuscript; where the browser has its own, ours come first only inside the text. */
	function keydown(event: KeyboardEvent) {
		const isIn = event.target instanceof Element && event.target.closest('.manuscript') !== null;
		if ((event.ctrlKey || event.metaKey) && event.key === 'f' && isIn) isFinding = true;
		else if (!event.altKey || event.ctrlKey || event.metaKey) return;
		else if (event.code === 'KeyG') editor.nextGap();
		else if (event.code === 'KeyJ') editor.nextOpenSlip();
		else if (event.code === 'KeyQ') isQuiet = !isQuiet;
		else return;
		event.preventDefault();
	}

	function openVersion(id: string) {
		const one = own.find((each) => each.id === id);
		opened = id;
		empty = null;
		// the page has another width then
		if (one) void tick().then(() => editor.goTo(one.section));
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

<svelte:window onkeydown={keydown} />

<div class="flex h-full flex-col" class:quiet={isQuiet}>
	<div
		class="grid min-h-[72px] flex-none grid-cols-[168px_minmax(0,1fr)_250px] items-center gap-4 border-b border-rule px-5 max-md:grid-cols-1 max-md:gap-1 max-md:px-3 max-md:py-2"
	>
		<TakeBar
			{take}
			takes={session.takes}
			said={run ? `${run.done} of ${run.all} sections` : keeper.said}
			words={editor.words}
			targetWords={session.findings?.targetWords ?? null}
			chosenWords={editor.chosenWords}
			oncompare={session.takes.length > 1 ? () => (isComparing = true) : undefined}
			{isDrafting}
			{onchoose}
			{ondraftall}
			{onheadings}
			{oncopy}
			{onremove}
			{onrename}
			onask={() => showAsk(editor.section ? 'section' : 'all', 'draft')}
			onbring={() => (brought = plan.sections.map(({ id }) => id))}
		/>
		<TakeStanding {reading} moves={editor.moves} ongo={(section) => editor.goTo(section)} />
	</div>

	<WordingLine marks={editor.marks} onshow={(mark) => editor.showMark(mark)} />

	{#if run}
		<p class="flex items-baseline gap-3 border-b border-rule px-5 py-1.5" role="status">
			<span
				>{run.writer} writes “{run.heading}”: {run.done} of {run.all}
				{run.all === 1 ? 'section' : 'sections'}{run.waitingMs > 0
					? `, the server asks to wait ${Math.ceil(run.waitingMs / 1000)} s`
					: run.words > 0
						? `, ${run.words} words of this one`
						: ''}</span
			>
			<button class="linkish" onclick={() => writing.stop()}>Stop</button>
		</p>
	{:else if unfinished}
		<p class="flex flex-wrap items-baseline gap-3 border-b border-rule px-5 py-1.5" role="status">
			<span
				>{countOf(unfinished.sections.length, 'section')} not written{unfinished.reason
					? `: ${unfinished.reason}`
					: ''}.</span
			>
			<button
				class="linkish"
				onclick={() => unfinished && void ask(unfinished.sections, unfinished.move)}
				>Go on where it stopped</button
			>
			<button class="linkish" onclick={() => (unfinished = null)}>Leave it</button>
		</p>
	{:else if offered.length > 1 && !stored}
		<p class="flex flex-wrap items-baseline gap-3 border-b border-rule px-5 py-1.5" role="status">
			<span>{countOf(offered.length, 'version')} beside the text, not yet taken or left.</span>
			<button class="linkish" onclick={() => openVersion(offered.at(-1)!.id)}>Show the first</button
			>
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

	{#if brought}
		<div class="min-h-0 flex-1 overflow-y-auto">
			<BringBack
				{plan}
				asked={brought}
				signs={writing.signs}
				onoffer={(parts, missing) => void offerReply(parts, missing)}
				ontake={(parts, rest) => {
					brought = null;
					ontakereply(parts, rest);
				}}
				onrequest={(missing) => {
					lacked = missing;
					brought = null;
					showAsk('lacked', 'draft');
				}}
				onclose={() => (brought = null)}
			/>
		</div>
	{/if}
	{#if isComparing && editor.doc}
		<div class="min-h-0 flex-1 overflow-y-auto">
			<TakesCompared
				{plan}
				mine={compared}
				mineName={take.name}
				others={session.takes.filter(({ id }) => id !== take.id)}
				read={(doc) => editor.readingOf(doc)}
				ontake={(section, blocks) => editor.put(section, blocks, 'replace')}
				onclose={() => (isComparing = false)}
			/>
		</div>
	{/if}
	<!-- the manuscript stays as it is while something else is looked at -->
	<div class="min-h-0 flex-1 overflow-y-auto" class:hidden={isAway}>
		<div class="desk" class:with-version={version !== null}>
			<div class="margin" bind:this={margin}>
				{#if reading}
					<Slips
						slips={reading.slips}
						{tops}
						active={editor.section}
						{isDrafting}
						{isQuiet}
						onopen={(section) => editor.goTo(section)}
						ondraft={draft}
						onmore={() => showAsk('section', 'lengthen')}
						versionsOf={(section) => signs.filter((one) => one.section === section)}
						onversion={openVersion}
						onterm={(key) => {
							benchTerm = key;
							benchTab = 'section';
							isBenchOpen = true;
						}}
					/>
				{/if}
			</div>
			<div class="sheet">
				<FormatBar
					{editor}
					{isBenchOpen}
					{isQuiet}
					onbench={() => (isBenchOpen = !isBenchOpen)}
					onfind={() => (isFinding = true)}
					onquiet={() => (isQuiet = !isQuiet)}
				/>
				{#if isFinding}<FindBar {editor} onclose={() => (isFinding = false)} />{/if}
				<ManuscriptPage mount={(element) => editor.mount(element)} onresize={layOut} />
				<OutlineNotes
					differences={editor.differences}
					lacking={editor.lacking}
					ontake={() => void takeOutline()}
					onput={(section) => editor.putHeading(section)}
				/>
			</div>
			{#if !isQuiet && (isBenchOpen || version || isAsking)}
				<aside class="bench" aria-label={isBenchOpen ? 'Bench' : 'Another version'}>
					{#if isAsking && reading}
						<AskPanel
							{writing}
							slips={reading.slips}
							section={editor.section}
							{lacked}
							bind:scope
							bind:move
							standsOf={(id) => editor.blocksOf(id)}
							onask={(sections, what) => void ask(sections, what)}
							onbring={(sections) => (brought = sections)}
							onclose={() => (isAsking = false)}
						/>
					{/if}
					{#if version}
						<VersionOffer
							{version}
							by={stored?.writerName ?? writing.writerName}
							when={clock.format(stored?.madeAt ?? Date.now())}
							sources={version.sources.flatMap((id) => writing.signs.get(id) ?? [])}
							stands={standing}
							{measure}
							onput={put}
							onkeep={stored && stored.state !== 'kept' ? () => close('kept') : undefined}
							onclose={() => close('left')}
						/>
					{/if}
					{#if isBenchOpen && session.findings}
						<div class="flex items-baseline justify-between border-b border-rule">
							<Tabs label="Bench" tabs={BENCH_TABS} bind:value={benchTab} />
							<button
								class="text-ink-2"
								aria-label="Fold away"
								title="Fold away"
								onclick={() => (isBenchOpen = false)}><X size={14} /></button
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
						{:else if benchTab === 'brief'}
							<BriefBeside {plan} findings={session.findings} section={editor.section} />
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
	.quiet > .grid {
		display: none;
	}
	.desk.with-version {
		grid-template-columns: 250px minmax(0, 1fr) minmax(0, 470px);
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
		.desk,
		.desk.with-version {
			grid-template-columns: 230px minmax(0, 1fr);
		}
		.bench {
			grid-column: 1 / -1;
		}
	}
	@media (max-width: 700px) {
		.desk,
		.desk.with-version {
			grid-template-columns: minmax(0, 1fr);
		}
		.margin {
			display: none;
		}
	}
</style>
