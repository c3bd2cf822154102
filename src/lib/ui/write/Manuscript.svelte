<!-- One take: ladder on top, slips in the left margin, the manuscript as a page, the bench when wanted. -->
<script lang="ts">
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import { figure } from '$lib/core/manuscript';
	import type { Plan } from '$lib/core/plan';
	import type { QuoteStyle } from '$lib/core/text';
	import type { ReplySection } from '$lib/core/writers';
	import type { Take } from '$lib/data/db';
	import { addTake } from '$lib/data/takes';
	import { isStorageFull, messageOf, NO_ROOM } from '$lib/data/trouble';
	import { keepPoint, tellList } from '../assignment/note-glance';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import { keepPicture } from '../parts/keep-picture';
	import { readPicture } from '../parts/read-picture';
	import { Asking } from './asking.svelte';
	import AskPanel from './AskPanel.svelte';
	import BenchBeside from './BenchBeside.svelte';
	import type { Part } from './reply-match.svelte';
	import InPlaceOfPage from './InPlaceOfPage.svelte';
	import { LinkTargets } from './link-targets.svelte';
	import { contextOf } from './manuscript-context';
	import { ManuscriptEditor } from './manuscript-editor.svelte';
	import { ManuscriptKeys } from './manuscript-keys';
	import { ManuscriptView } from './manuscript-view.svelte';
	import ManuscriptSheet from './ManuscriptSheet.svelte';
	import RunLine from './RunLine.svelte';
	import Slips from './Slips.svelte';
	import TakeBar from './TakeBar.svelte';
	import TakeConflict from './TakeConflict.svelte';
	import TakeStanding from './TakeStanding.svelte';
	import { TakeVersions } from './take-versions.svelte';
	import WordingLine from './WordingLine.svelte';
	import type { Writing } from './writing.svelte';

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
	const quotes: QuoteStyle = $derived(session.client?.quotes ?? 'double');
	// made anew for each take
	// svelte-ignore state_referenced_locally
	const editor = new ManuscriptEditor(
		take,
		contextOf(
			session,
			() => plan,
			() => ({
				mustSay: session.assignment?.brief.mustSay ?? [],
				mustNotSay: session.mustNotSay,
				brands: session.client?.brands ?? []
			}),
			() => quotes,
			(files, block) => void bringPictures(files, block)
		)
	);
	const keeper = editor.keeper;
	const reading = $derived(editor.reading);
	// svelte-ignore state_referenced_locally
	const versions = new TakeVersions(session, take, editor, writing);
	const version = $derived(versions.open);
	// svelte-ignore state_referenced_locally
	const asking = new Asking(editor, writing, versions);
	const view = new ManuscriptView(matchMedia('(min-width: 1200px)').matches);
	const keys = new ManuscriptKeys(editor, view, asking, {
		setQuotes,
		bringAll,
		hasOthers: () => session.takes.length > 1
	});
	const targets = new LinkTargets(session);
	let tops = $state.raw<ReadonlyMap<string, number>>(new Map());
	let margin = $state<HTMLElement>();
	const run = $derived(writing.run);
	const isDrafting = $derived(run !== null);

	$effect(() => editor.reread());
	$effect(() => editor.follow(take));
	$effect(() => targets.follow());
	$effect(() => actions.offer(() => keys.actions()));
	$effect(() => {
		void reading;
		const frame = requestAnimationFrame(layOut);
		return () => cancelAnimationFrame(frame);
	});
	$effect(() => {
		if (!reading) return;
		const { article, standing, slips } = reading;
		return tellList(session.id, article.words, standing.standing, slips);
	});
	$effect(() => {
		if (!reading) return;
		const { article, standing, slips } = reading;
		return keepPoint({
			assignment: session.id,
			take: take.id,
			words: article.words,
			standing: Math.round(standing.standing),
			placed: slips.flatMap(({ terms }) => terms).filter(({ state }) => state === 'placed').length,
			gaps: slips.reduce((sum, { gaps }) => sum + gaps, 0)
		});
	});
	$effect(() => {
		if (pending.length === 0 || !reading || run) return;
		const sections = pending;
		untrack(() => {
			onpending();
			void versions.ask(sections, 'draft');
		});
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

	/** Keeps pictures and puts them behind a block, or behind the cursor's; the step is the text's own. */
	async function bringPictures(files: readonly File[], block: number | null) {
		for (const file of files) {
			try {
				const picture = await keepPicture(session.id, await readPicture(file));
				editor.changes.putBehind(block, [figure(picture.id, picture.alt, picture.caption)]);
			} catch (error) {
				toast.error(
					isStorageFull(error) ? `${file.name} is not kept. ${NO_ROOM}.` : messageOf(error)
				);
			}
		}
	}

	function bringAll() {
		asking.awaitAny(plan);
	}

	function setQuotes() {
		if (quotes === 'straight') toast('The client’s quotation marks are straight.');
		else if (!editor.changes.setQuotes(quotes)) toast('All quotation marks are set already.');
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

<svelte:window onkeydown={(event) => keys.down(event)} />

<div class="flex h-full flex-col" class:quiet={view.isQuiet}>
	<div
		class="grid min-h-[72px] flex-none grid-cols-[168px_minmax(0,1fr)_250px] items-center gap-4 border-b border-rule px-5 max-md:grid-cols-1 max-md:gap-1 max-md:px-3 max-md:py-2"
	>
		<TakeBar
			{take}
			takes={session.takes}
			said={run ? `${run.done} of ${run.all} sections` : keeper.said}
			words={editor.words}
			targetWords={session.findings?.targetWords ?? null}
			chosenWords={editor.inHand.words}
			sectionWords={reading?.slips.find(({ section }) => section === editor.section)?.words ?? null}
			ongrowth={() => (view.away = 'growth')}
			oncompare={session.takes.length > 1 ? () => (view.away = 'compared') : undefined}
			{isDrafting}
			{onchoose}
			{ondraftall}
			{onheadings}
			{oncopy}
			{onremove}
			{onrename}
			onask={() => asking.show(editor.section ? 'section' : 'all', 'draft')}
			onbring={bringAll}
		/>
		<TakeStanding {reading} moves={editor.moves} ongo={(section) => editor.goTo(section)} />
	</div>

	<WordingLine marks={editor.marks} onshow={(mark) => editor.showMark(mark)} />

	<RunLine {writing} {versions} />
	{#if keeper.conflict}
		<TakeConflict onload={() => editor.loadTheirs()} onkeep={() => void keepBoth()} />
	{/if}

	<InPlaceOfPage {take} {plan} {editor} {view} {asking} {writing} {ontakereply} />
	<!-- the manuscript stays as it is while something else is looked at -->
	<div
		class="min-h-0 flex-1 overflow-y-auto"
		class:hidden={asking.reply !== null || view.away !== null}
	>
		<div class="desk" class:with-version={version !== null}>
			<div class="margin" bind:this={margin}>
				{#if reading}
					<Slips
						slips={reading.slips}
						{tops}
						active={editor.section}
						{isDrafting}
						isQuiet={view.isQuiet}
						onopen={(section) => editor.goTo(section)}
						ondraft={(section) => asking.draft(section)}
						onmore={() => asking.show('section', 'lengthen')}
						versionsOf={(section) => versions.signs.filter((one) => one.section === section)}
						onversion={(id) => versions.showById(id)}
						onterm={(key) => view.showTerm(key)}
					/>
				{/if}
			</div>
			<ManuscriptSheet
				{editor}
				{view}
				{keys}
				targets={targets.all}
				onquotes={setQuotes}
				onpictures={(files) => void bringPictures(files, null)}
				onoutline={() => void takeOutline()}
				onresize={layOut}
			/>
			{#if !view.isQuiet && (view.isBenchOpen || version || asking.isOpen)}
				<BenchBeside
					{editor}
					{plan}
					{writing}
					{versions}
					bind:isOpen={view.isBenchOpen}
					bind:tab={view.benchTab}
					term={view.benchTerm}
					targets={targets.all}
				>
					{#snippet ask()}
						{#if asking.isOpen && reading}
							<AskPanel
								{writing}
								slips={reading.slips}
								section={editor.section}
								lacked={asking.lacked}
								passage={editor.inHand.passage}
								bind:ticked={asking.ticked}
								bind:scope={asking.scope}
								bind:move={asking.move}
								standsOf={(id) => editor.blocksOf(id)}
								onask={(sections, what, passage) => void versions.ask(sections, what, passage)}
								onbring={(sections, passage) => asking.awaitReply(sections, passage)}
								onclose={() => (asking.isOpen = false)}
							/>
						{/if}
					{/snippet}
				</BenchBeside>
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
	@media (max-width: 1000px) {
		.desk,
		.desk.with-version {
			grid-template-columns: 230px minmax(0, 1fr);
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
