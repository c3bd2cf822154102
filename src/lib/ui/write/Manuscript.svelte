<!-- One take: ladder on top, slips in the left margin, the manuscript as a page, the bench when wanted. -->
<script lang="ts">
	import { headingOf, type Plan } from '$lib/core/plan';
	import type { Take } from '$lib/data/db';
	import { addTake } from '$lib/data/takes';
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import { figure, heading, withSection, type BlockNode, type TakeDoc } from '$lib/core/manuscript';
	import { changeTakeAsStep } from '../assignment/change-take';
	import type { Move, ReplySection } from '$lib/core/writers';
	import type { Link, LinkTarget } from '$lib/core/clients';
	import type { QuoteStyle } from '$lib/core/text';
	import { readLinks } from '$lib/data/clients';
	import { follow } from '$lib/data/follow';
	import { isStorageFull, messageOf, NO_ROOM } from '$lib/data/trouble';
	import { keepPicture } from '../parts/keep-picture';
	import { readPicture } from '../parts/read-picture';
	import AskPanel from './AskPanel.svelte';
	import BringBack, { type Part } from './BringBack.svelte';
	import type { Scope } from './moves';
	import type { Writing } from './writing.svelte';
	import { keepPoint, tellList } from '../assignment/note-glance';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import BenchBeside, { type BenchTab } from './BenchBeside.svelte';
	import CommentBox from './CommentBox.svelte';
	import FindBar from './FindBar.svelte';
	import LinkBox from './LinkBox.svelte';
	import PictureBar from './PictureBar.svelte';
	import TableBar from './TableBar.svelte';
	import TakeGrowth from './TakeGrowth.svelte';
	import TakeStanding from './TakeStanding.svelte';
	import TakesCompared from './TakesCompared.svelte';
	import FormatBar from './FormatBar.svelte';
	import { contextOf, ManuscriptEditor, type Passage } from './manuscript-editor.svelte';
	import ManuscriptPage from './ManuscriptPage.svelte';
	import OutlineNotes from './OutlineNotes.svelte';
	import RunLine from './RunLine.svelte';
	import Slips from './Slips.svelte';
	import TakeBar from './TakeBar.svelte';
	import { TakeVersions } from './take-versions.svelte';
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
	let tops = $state.raw<ReadonlyMap<string, number>>(new Map());
	let margin = $state<HTMLElement>();
	let picker = $state<HTMLInputElement>();
	/** Windows of this width have room for the bench beside the page. */
	let isBenchOpen = $state(matchMedia('(min-width: 1200px)').matches);
	let benchTab = $state<BenchTab>('section');
	let benchTerm = $state<string | null>(null);
	const run = $derived(writing.run);
	const isDrafting = $derived(run !== null);
	// svelte-ignore state_referenced_locally
	const versions = new TakeVersions(session, take, editor, writing);
	const version = $derived(versions.open);
	let isAsking = $state(false);
	let isQuiet = $state(false);
	let isComparing = $state(false);
	let isGrowth = $state(false);
	/** What lies over the top of the page: one at a time. */
	let box = $state<'find' | 'link' | 'comment' | null>(null);
	/** The signs of where sentences come from are not shown. */
	let isPlain = $state(false);
	let ticked = $state.raw<readonly string[]>([]);
	/** What was asked for by hand, for the reply to it. */
	let askedByHand = $state.raw<{ readonly move: Move; readonly passage: Passage | null }>({
		move: 'draft',
		passage: null
	});
	/** The client's link map, for what a link could lead to. */
	let ownLinks = $state.raw<readonly Link[]>([]);
	let scope = $state<Scope>('section');
	let move = $state<Move>('draft');
	let lacked = $state.raw<readonly string[]>([]);
	/** Sections that a reply is brought back for; null: none is. */
	let brought = $state.raw<readonly string[] | null>(null);
	const isAway = $derived(brought !== null || isComparing || isGrowth);

	$effect(() => editor.reread());
	$effect(() => editor.follow(take));
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
		const client = session.assignment?.client ?? null;
		ownLinks = [];
		if (client === null) return;
		return follow(
			() => readLinks(client),
			(links) => (ownLinks = links),
			(message) => toast.error(message)
		);
	});
	const targets: readonly LinkTarget[] = $derived([
		...ownLinks.map(({ phrase, address }) => ({
			address,
			name: phrase,
			where: session.client?.name ?? 'your client'
		})),
		...session.counted.flatMap(({ id, address, article }) =>
			/^https?:/.test(address)
				? [
						{
							address,
							name: article.title || session.nameOf(id),
							where: `page ${session.letters.get(id) ?? ''}`.trim()
						}
					]
				: []
		)
	]);

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
			void versions.ask(sections, 'draft');
		});
	});

	function draft(section: string) {
		const wanted: Move =
			editor.isEmpty(section) || writing.endpoint === null ? 'draft' : 'another version';
		if (writing.writer === 'by hand') {
			showAsk('section', wanted);
			return;
		}
		void versions.ask([section], wanted);
	}

	function showAsk(which: Scope, what: Move) {
		scope = which;
		move = what;
		isAsking = true;
	}

	/** Parts of a reply as versions of their sections. */
	async function offerReply(parts: readonly Part[], missing: readonly string[]) {
		if (!(await versions.offerReply(parts, askedByHand))) return;
		brought = null;
		lacked = missing;
	}

	const bestPage = $derived(
		session.standings && session.standings.length > 0
			? Math.round(Math.max(...session.standings.map(({ standing }) => standing)))
			: null
	);

	const compared: TakeDoc = $derived.by(() => {
		void reading;
		return untrack(() => editor.doc) ?? take.doc;
	});

	$effect(() =>
		actions.offer(() => [
			{ label: 'Find and replace', run: () => openBox('find') },
			{ label: 'Go to the next gap', run: nextGap },
			{ label: 'Go to the next open slip', run: nextSlip },
			{ label: 'Quiet: only the text', also: 'focus', run: () => (isQuiet = !isQuiet) },
			{ label: 'Set a link', run: () => openBox('link') },
			{ label: 'Comment for the client', run: () => openBox('comment') },
			{ label: 'Outline: fold and move sections', run: showOutline },
			{ label: 'Fold all sections', run: () => editor.outline.foldAll(true) },
			{ label: 'Unfold all sections', run: () => editor.outline.foldAll(false) },
			{ label: 'Set the quotation marks of the text', run: setQuotes },
			{
				label: isPlain ? 'Show where sentences come from' : 'Hide where sentences come from',
				run: () => (isPlain = !isPlain)
			},
			{ label: 'How this take grew', also: 'chart', run: () => (isGrowth = true) },
			{ label: 'Ask a writer', also: 'endpoint request', run: () => showAsk('section', 'draft') },
			{
				label: 'Bring a reply or an article in',
				also: 'paste reply',
				run: bringAll
			},
			...(session.takes.length > 1
				? [{ label: 'Compare with another take', run: () => (isComparing = true) }]
				: [])
		])
	);

	function openBox(which: typeof box) {
		editor.readChosen();
		box = box === which ? null : which;
	}

	/** Closes what lies over the page; the text has the keys again. */
	function closeBox() {
		box = null;
		editor.command((chain) => chain);
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
		askedByHand = { move: 'draft', passage: null };
		brought = plan.sections.map(({ id }) => id);
	}

	function showOutline() {
		benchTab = 'outline';
		isBenchOpen = true;
	}

	function setQuotes() {
		if (quotes === 'straight') toast('The client’s quotation marks are straight.');
		else if (!editor.changes.setQuotes(quotes)) toast('All quotation marks are set already.');
	}

	function nextSlip() {
		if (editor.nextOpenSlip()) return;
		toast(editor.reading ? 'No slip has anything open.' : 'The slips are still being read.');
	}

	function nextGap() {
		if (!editor.nextGap()) toast('The manuscript has no gap.');
	}

	/** Keys of the manuscript; where the browser has its own, ours come first only inside the text. */
	function keydown(event: KeyboardEvent) {
		const isIn = event.target instanceof Element && event.target.closest('.manuscript') !== null;
		if ((event.ctrlKey || event.metaKey) && event.key === 'f' && isIn) openBox('find');
		else if ((event.ctrlKey || event.metaKey) && event.key === 'l' && isIn) openBox('link');
		else if (!event.altKey || event.ctrlKey || event.metaKey) return;
		else if (event.code === 'KeyG') nextGap();
		else if (event.code === 'KeyJ') nextSlip();
		else if (event.code === 'KeyQ') isQuiet = !isQuiet;
		else if (event.code === 'KeyC' && isIn) openBox('comment');
		else if (event.code === 'KeyO') showOutline();
		else if (event.code === 'Period' && isIn) foldHere();
		else return;
		event.preventDefault();
	}

	function foldHere() {
		const { inHand, entries } = editor.outline;
		const entry = entries.find(({ at }) => at === inHand);
		if (entry) editor.outline.fold(entry.at, !entry.isFolded);
	}

	/** A section of this take takes the place of that of another one. */
	async function giveSection(other: string, section: string, blocks: readonly BlockNode[]) {
		const planned = plan.sections.find(({ id }) => id === section);
		if (!planned) return;
		await changeTakeAsStep(other, `Gave “${headingOf(plan, planned)}” to another take`, (doc) =>
			withSection(
				doc,
				heading(planned.level, headingOf(plan, planned), section),
				blocks,
				plan.sections.map(({ id }) => id)
			)
		);
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
			sectionWords={reading?.slips.find(({ section }) => section === editor.section)?.words ?? null}
			ongrowth={() => (isGrowth = true)}
			oncompare={session.takes.length > 1 ? () => (isComparing = true) : undefined}
			{isDrafting}
			{onchoose}
			{ondraftall}
			{onheadings}
			{oncopy}
			{onremove}
			{onrename}
			onask={() => showAsk(editor.section ? 'section' : 'all', 'draft')}
			onbring={bringAll}
		/>
		<TakeStanding {reading} moves={editor.moves} ongo={(section) => editor.goTo(section)} />
	</div>

	<WordingLine marks={editor.marks} onshow={(mark) => editor.showMark(mark)} />

	<RunLine {writing} {versions} />
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
				isLines={askedByHand.move === 'titles'}
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
				ontake={(section, blocks) => editor.changes.put(section, blocks, 'replace')}
				ongive={(other, section, blocks) => void giveSection(other, section, blocks)}
				onclose={() => (isComparing = false)}
			/>
		</div>
	{/if}
	{#if isGrowth}
		<div class="min-h-0 flex-1 overflow-y-auto">
			<TakeGrowth
				take={take.id}
				name={take.name}
				targetWords={session.findings?.targetWords ?? 1000}
				{bestPage}
				onclose={() => (isGrowth = false)}
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
						versionsOf={(section) => versions.signs.filter((one) => one.section === section)}
						onversion={(id) => versions.showById(id)}
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
					onfind={() => openBox('find')}
					onquiet={() => (isQuiet = !isQuiet)}
					onlink={() => openBox('link')}
					oncomment={() => openBox('comment')}
					more={[
						[
							isPlain ? 'Show where sentences come from' : 'Hide where sentences come from',
							() => (isPlain = !isPlain)
						],
						['Set the quotation marks', setQuotes],
						['Picture from a file', () => picker?.click()]
					]}
				/>
				{#if editor.figure}<PictureBar
						picture={session.pictures.find(({ id }) => id === editor.figure?.picture)}
						alt={editor.figure.alt}
						onalt={(alt) => editor.changes.setAlt(alt)}
					/>{:else if editor.isOn('table')}<TableBar {editor} />{/if}
				{#if box === 'link'}<LinkBox links={editor.links} {targets} onclose={closeBox} />{/if}
				{#if box === 'comment'}<CommentBox comments={editor.comments} onclose={closeBox} />{/if}
				{#if box === 'find'}<FindBar finder={editor.finder} onclose={closeBox} />{/if}
				<input
					type="file"
					class="sr-only"
					tabindex="-1"
					accept="image/*"
					multiple
					aria-label="Picture files"
					bind:this={picker}
					onchange={(event) => {
						void bringPictures([...(event.currentTarget.files ?? [])], null);
						event.currentTarget.value = '';
					}}
				/>
				<ManuscriptPage mount={(element) => editor.mount(element)} onresize={layOut} {isPlain} />
				<OutlineNotes
					differences={editor.differences}
					lacking={editor.lacking}
					ontake={() => void takeOutline()}
					onput={(section) => editor.changes.putHeading(section)}
				/>
			</div>
			{#if !isQuiet && (isBenchOpen || version || isAsking)}
				<BenchBeside
					{editor}
					{plan}
					{writing}
					{versions}
					bind:isOpen={isBenchOpen}
					bind:tab={benchTab}
					term={benchTerm}
					{targets}
				>
					{#snippet ask()}
						{#if isAsking && reading}
							<AskPanel
								{writing}
								slips={reading.slips}
								section={editor.section}
								{lacked}
								passage={editor.passage}
								bind:ticked
								bind:scope
								bind:move
								standsOf={(id) => editor.blocksOf(id)}
								onask={(sections, what, passage) => void versions.ask(sections, what, passage)}
								onbring={(sections, passage) => {
									askedByHand = { move, passage };
									brought = sections;
								}}
								onclose={() => (isAsking = false)}
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
	.sheet {
		background: var(--sheet);
		border-inline: 1px solid var(--rule);
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
