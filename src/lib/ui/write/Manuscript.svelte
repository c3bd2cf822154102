<!-- One take: ladder on top, slips in the left margin, the manuscript as a page, the bench when wanted. -->
<script lang="ts">
	import Bold from '@lucide/svelte/icons/bold';
	import Heading2 from '@lucide/svelte/icons/heading-2';
	import Heading3 from '@lucide/svelte/icons/heading-3';
	import Italic from '@lucide/svelte/icons/italic';
	import Link from '@lucide/svelte/icons/link';
	import List from '@lucide/svelte/icons/list';
	import ListOrdered from '@lucide/svelte/icons/list-ordered';
	import PanelRight from '@lucide/svelte/icons/panel-right';
	import Redo from '@lucide/svelte/icons/redo-2';
	import Undo from '@lucide/svelte/icons/undo-2';
	import type { Editor, JSONContent } from '@tiptap/core';
	import { DropdownMenu } from 'bits-ui';
	import { untrack } from 'svelte';
	import { checkWording, type WordingFinding } from '$lib/core/brief';
	import type { Findings } from '$lib/core/findings';
	import type { Plan } from '$lib/core/plan';
	import type { Move } from '$lib/core/standing';
	import { outlineDifference, type DocNode, type RunIndex, type TakeDoc } from '$lib/core/takes';
	import type { Take } from '$lib/data/db';
	import { addTake } from '$lib/data/takes';
	import type { Session } from '../assignment/session.svelte';
	import Bench from './Bench.svelte';
	import { Desk, type Reading } from './desk.svelte';
	import Ladder from './Ladder.svelte';
	import { loadDoc, makeEditor, placeOf } from './manuscript';
	import Offer from './Offer.svelte';
	import { TakeKeeper } from './take-keeper.svelte';
	import Slips from './Slips.svelte';
	import WordingLine from './WordingLine.svelte';

	interface Props {
		take: Take;
		takes: readonly Take[];
		plan: Plan;
		findings: Findings;
		runs: RunIndex;
		session: Session;
		isDraftingAll: boolean;
		onchoose: (id: string) => void;
		ondraftall: () => void;
		onheadings: () => void;
		oncopy: () => void;
		onremove: () => void;
		onrename: (name: string) => void;
		draftSection: (section: string) => Promise<readonly DocNode[]>;
	}
	let {
		take,
		takes,
		plan,
		findings,
		runs,
		session,
		isDraftingAll,
		onchoose,
		ondraftall,
		onheadings,
		oncopy,
		onremove,
		onrename,
		draftSection
	}: Props = $props();

	let editor = $state.raw<Editor>();
	let tick = $state(0);
	let reading = $state.raw<Reading>();
	let moves = $state.raw<readonly Move[]>([]);
	let wording = $state.raw<readonly WordingFinding[] | null>(null);
	const wordingRules = $derived({
		mustSay: session.assignment?.brief.mustSay ?? [],
		mustNotSay: session.mustNotSay,
		brands: session.client?.brands ?? []
	});
	let tops = $state.raw<ReadonlyMap<string, number>>(new Map());
	let active = $state<string | null>(null);
	let isBenchOpen = $state(false);
	let benchTerm = $state<string | null>(null);
	let isDrafting = $state(false);
	let offer = $state.raw<{ section: string; heading: string; blocks: readonly DocNode[] } | null>(
		null
	);
	let margin = $state<HTMLElement>();
	let isRenaming = $state(false);
	let differs = $state.raw<readonly string[]>([]);

	// made anew for each take
	// svelte-ignore state_referenced_locally
	const keeper = new TakeKeeper(take);
	const desk = $derived(new Desk(findings, plan, runs));

	// another desk (plan or evidence changed) reads the same manuscript anew
	$effect(() => {
		const current = desk;
		const open = editor;
		if (open) untrack(() => readWith(current, open));
	});
	// another tab saved this take: follow it unless there is something unsaved here
	$effect(() => {
		const stored = take;
		untrack(() => {
			if (keeper.follows(stored) && editor) loadDoc(editor, stored.doc);
		});
	});

	let frame = 0;
	let pause: ReturnType<typeof setTimeout> | undefined;

	function wordingOf({ blocks }: Reading): readonly WordingFinding[] {
		return checkWording(blocks.map(({ text }) => text).join('\n'), wordingRules);
	}

	function readWith(current: Desk, open: Editor) {
		reading = current.read(open);
		// at first at once: a line that came in later would push the page away from under the hand
		wording ??= wordingOf(reading);
		cancelAnimationFrame(frame);
		frame = requestAnimationFrame(layOut);
		clearTimeout(pause);
		pause = setTimeout(() => {
			if (!reading) return;
			moves = current.moves(reading);
			wording = wordingOf(reading);
			differs = differencesOf(open);
		}, 350);
	}

	/** Finds where the headings stand, for the slips beside them. */
	function layOut() {
		if (!editor || !margin || !reading) return;
		const origin = margin.getBoundingClientRect().top;
		const found = new Map<string, number>();
		const positions: number[] = [];
		editor.state.doc.forEach((_, offset) => positions.push(offset));
		for (const { section, at } of reading.slips) {
			const element = at < 0 ? null : editor.view.nodeDOM(positions[at]!);
			if (element instanceof HTMLElement)
				found.set(section, element.getBoundingClientRect().top - origin + 3);
		}
		tops = found;
	}

	function findActive(open: Editor) {
		if (!reading) return;
		const at = open.state.selection.$from.index(0);
		let found: string | null = null;
		for (const slip of reading.slips) if (slip.at >= 0 && slip.at <= at) found = slip.section;
		active = found;
	}

	function mount(element: HTMLElement) {
		return untrack(() => {
			const made = makeEditor(element, take.doc, {
				onUpdate: (open) => {
					tick++;
					readWith(desk, open);
					findActive(open);
					keeper.changed(() => open.getJSON() as TakeDoc);
				},
				onLoad: (open) => {
					tick++;
					readWith(desk, open);
				},
				onSelect: (open) => {
					tick++;
					findActive(open);
				}
			});
			editor = made;
			readWith(desk, made);
			findActive(made);
			const watch = new ResizeObserver(() => layOut());
			watch.observe(element);
			void document.fonts.ready.then(layOut);
			const leave = () => void keeper.flush();
			window.addEventListener('pagehide', leave);
			document.addEventListener('visibilitychange', leave);
			return () => {
				watch.disconnect();
				window.removeEventListener('pagehide', leave);
				document.removeEventListener('visibilitychange', leave);
				clearTimeout(pause);
				cancelAnimationFrame(frame);
				void keeper.flush();
				made.destroy();
				editor = undefined;
			};
		});
	}

	function isOn(name: string, attributes?: Record<string, unknown>): boolean {
		void tick;
		return editor?.isActive(name, attributes) ?? false;
	}

	function setLink() {
		if (!editor) return;
		if (editor.isActive('link')) {
			editor.chain().focus().unsetLink().run();
			return;
		}
		const href = prompt('Address of the link');
		if (href) editor.chain().focus().setLink({ href }).run();
	}

	/** Puts the cursor to a sentence of the text. */
	function showSentence(sentence: string) {
		if (!editor) return;
		const found = placeOf(editor.state.doc, sentence);
		if (found !== null)
			editor
				.chain()
				.focus()
				.setTextSelection({ from: found, to: found + sentence.length })
				.scrollIntoView()
				.run();
	}

	function positionOf(at: number): number {
		let position = 0;
		editor?.state.doc.forEach((_, offset, index) => {
			if (index === at) position = offset;
		});
		return position;
	}

	function goTo(section: string) {
		const slip = reading?.slips.find((other) => other.section === section);
		if (!slip || slip.at < 0 || !editor) return;
		const position = positionOf(slip.at);
		const size = editor.state.doc.child(slip.at).nodeSize;
		editor
			.chain()
			.focus()
			.setTextSelection(position + size - 1)
			.scrollIntoView()
			.run();
	}

	/** Where the text of a section starts and ends. */
	function extentOf(section: string): { from: number; to: number } | null {
		const slip = reading?.slips.find((other) => other.section === section);
		if (!slip || slip.at < 0 || !editor) return null;
		const next = reading!.slips
			.map(({ at }) => at)
			.filter((at) => at > slip.at)
			.sort((a, b) => a - b)[0];
		const from = positionOf(slip.at) + editor.state.doc.child(slip.at).nodeSize;
		return { from, to: next === undefined ? editor.state.doc.content.size : positionOf(next) };
	}

	async function draft(section: string) {
		isDrafting = true;
		try {
			const blocks = await draftSection(section);
			const slip = reading?.slips.find((other) => other.section === section);
			if (slip && slip.words === 0 && slip.gaps === 0) put(section, blocks, 'replace');
			else offer = { section, heading: slip?.heading ?? '', blocks };
		} finally {
			isDrafting = false;
		}
	}

	/** Puts blocks into a section; one step of the manuscript's own history. */
	function put(section: string, blocks: readonly DocNode[], how: 'replace' | 'below') {
		const extent = extentOf(section);
		offer = null;
		if (!extent || !editor || blocks.length === 0) return;
		const range = how === 'replace' ? extent : { from: extent.to, to: extent.to };
		editor
			.chain()
			.focus()
			.insertContentAt(range, blocks as JSONContent[])
			.run();
	}

	/** Puts headings the plan has and the manuscript lacks where the plan has them. */
	function putHeading(section: string) {
		if (!editor || !reading) return;
		const order = plan.sections.map(({ id }) => id);
		const after = reading.slips
			.filter(({ at, section: id }) => at >= 0 && order.indexOf(id) < order.indexOf(section))
			.at(-1);
		const planned = plan.sections.find(({ id }) => id === section)!;
		const to = after ? extentOf(after.section)!.to : 0;
		editor
			.chain()
			.insertContentAt(to, [
				{
					type: 'heading',
					attrs: { level: planned.level, section },
					content: [{ type: 'text', text: planned.level === 1 ? plan.title : planned.heading }]
				},
				{ type: 'paragraph' }
			])
			.run();
	}

	function bringIn(text: string, origin: { source: string; label: string } | null) {
		editor
			?.chain()
			.focus()
			.insertContent([
				{ type: 'text', text, ...(origin ? { marks: [{ type: 'origin', attrs: origin }] } : {}) },
				{ type: 'text', text: ' ' }
			])
			.run();
	}

	/** What the manuscript's outline has that the plan has not, in words. */
	function differencesOf(open: Editor): string[] {
		const { renamed, added, isMoved } = outlineDifference(open.getJSON() as TakeDoc, plan);
		return [
			renamed.length > 0 ? `${renamed.length} worded otherwise` : '',
			added.length > 0 ? `${added.length} new` : '',
			isMoved ? 'in another order' : ''
		].filter(Boolean);
	}

	async function takeOutline() {
		if (!editor) return;
		await keeper.flush();
		await session.planFromTake(take, editor.getJSON() as TakeDoc);
	}

	const lacking = $derived(reading?.slips.filter(({ at }) => at < 0) ?? []);
	const rank = $derived.by(() => {
		const own = reading?.standing.standing ?? 0;
		const others = (session.standings ?? []).filter(({ page }) => session.letters.has(page));
		if (others.length === 0) return null;
		const best = others.toSorted((a, b) => b.standing - a.standing)[0]!;
		return {
			place: 1 + others.filter(({ standing }) => standing > own).length,
			of: others.length + 1,
			best: best.standing,
			letter: session.letters.get(best.page)
		};
	});
	const next = $derived(moves[0]);

	async function keepBoth() {
		const mine = editor?.getJSON() as TakeDoc | undefined;
		if (!mine) return;
		const made = await addTake(session.id, `${take.name} (this tab)`, mine);
		keeper.letGo();
		onchoose(made.id);
	}

	function loadTheirs() {
		const theirs = keeper.takeTheirs();
		if (theirs && editor) loadDoc(editor, theirs.doc);
		if (editor) readWith(desk, editor);
	}

	const ORDINALS = [
		'',
		'first',
		'second',
		'third',
		'fourth',
		'fifth',
		'sixth',
		'seventh',
		'eighth',
		'ninth',
		'tenth'
	];
</script>

<div class="flex h-full flex-col">
	<div
		class="grid h-[72px] flex-none grid-cols-[168px_minmax(0,1fr)_250px] items-center gap-4 border-b border-rule px-5 max-md:h-auto max-md:grid-cols-1 max-md:gap-1 max-md:px-3 max-md:py-2"
	>
		<div class="min-w-0">
			<div class="flex items-baseline gap-2">
				{#if isRenaming}
					<!-- the writer just asked to type here -->
					<!-- svelte-ignore a11y_autofocus -->
					<input
						class="field h-6 w-28 px-1"
						value={take.name}
						autofocus
						aria-label="Name of the take"
						onblur={(event) => {
							isRenaming = false;
							const name = event.currentTarget.value.trim();
							if (name) onrename(name);
						}}
						onkeydown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
					/>
				{:else}
					<DropdownMenu.Root>
						<DropdownMenu.Trigger
							class="max-w-28 truncate font-semibold"
							aria-label="{take.name}, takes">{take.name} ▾</DropdownMenu.Trigger
						>
						<DropdownMenu.Portal>
							<DropdownMenu.Content
								class="z-30 min-w-52 border border-ink bg-base-100 py-1"
								align="start"
								sideOffset={4}
							>
								{#each takes as other (other.id)}
									<DropdownMenu.Item
										class="px-3 py-1 data-highlighted:bg-wash"
										onSelect={() => onchoose(other.id)}
										>{other.name}{other.id === take.id ? ' ·  open' : ''}</DropdownMenu.Item
									>
								{/each}
								<DropdownMenu.Separator class="my-1 h-px bg-rule" />
								<DropdownMenu.Item
									class="px-3 py-1 data-highlighted:bg-wash"
									onSelect={ondraftall}
									disabled={isDraftingAll}>Draft a new take</DropdownMenu.Item
								>
								<DropdownMenu.Item class="px-3 py-1 data-highlighted:bg-wash" onSelect={onheadings}
									>New take with the headings</DropdownMenu.Item
								>
								<DropdownMenu.Item class="px-3 py-1 data-highlighted:bg-wash" onSelect={oncopy}
									>Copy this take</DropdownMenu.Item
								>
								<DropdownMenu.Item
									class="px-3 py-1 data-highlighted:bg-wash"
									onSelect={() => (isRenaming = true)}>Rename it</DropdownMenu.Item
								>
								<DropdownMenu.Item class="px-3 py-1 data-highlighted:bg-wash" onSelect={onremove}
									>Take it away</DropdownMenu.Item
								>
							</DropdownMenu.Content>
						</DropdownMenu.Portal>
					</DropdownMenu.Root>
				{/if}
				<span class="text-ink-2" role="status">{isDraftingAll ? 'drafting …' : keeper.said}</span>
			</div>
			<p class="text-ink-2">
				{(reading?.words ?? 0).toLocaleString('en')} of {findings.targetWords.toLocaleString('en')} words
			</p>
		</div>
		{#if reading}
			<Ladder
				pages={session.standings}
				letters={session.letters}
				standing={reading.standing}
				keywordLoad={reading.keywordLoad}
				progress={session.standingProgress}
			/>
			<div class="min-w-0 text-right max-md:text-left">
				<p class="text-ink-2">
					{#if rank}{ORDINALS[rank.place] ?? rank.place} of {rank.of} · best {rank.best.toFixed(0)} ({rank.letter}){:else}standing
						of 100{/if}
				</p>
				{#if next}
					<button
						class="next text-right leading-snug font-semibold enabled:hover:underline max-md:text-left"
						disabled={!next.section}
						onclick={() => next.section && goTo(next.section)}
						title={moves
							.slice(0, 6)
							.map((move) => `${move.text} +${move.gain.toFixed(1)}`)
							.join('\n')}>Next: {next.text} +{next.gain.toFixed(1)}</button
					>
				{/if}
			</div>
		{/if}
	</div>

	<WordingLine findings={wording ?? []} onshow={showSentence} />

	{#if keeper.conflict}
		<div class="flex flex-wrap items-baseline gap-3 border-b border-warning px-5 py-2" role="alert">
			<p>
				<strong>This take was changed in another tab.</strong> What you typed here since is still here
				and not saved over it.
			</p>
			<button class="act" onclick={loadTheirs}>Load the other tab’s</button>
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
						{active}
						{isDrafting}
						onopen={goTo}
						ondraft={(section) => void draft(section)}
						onterm={(key) => {
							benchTerm = key;
							isBenchOpen = true;
						}}
					/>
				{/if}
			</div>
			<div class="sheet">
				<div class="toolbar no-print" role="toolbar" aria-label="Formatting">
					<button
						aria-label="Undo"
						title="Undo (Ctrl+Z)"
						onclick={() => editor?.chain().focus().undo().run()}><Undo size={15} /></button
					>
					<button
						aria-label="Redo"
						title="Redo (Ctrl+Shift+Z)"
						onclick={() => editor?.chain().focus().redo().run()}><Redo size={15} /></button
					>
					<i></i>
					<button
						aria-label="Heading 2"
						aria-pressed={isOn('heading', { level: 2 })}
						onclick={() => editor?.chain().focus().toggleHeading({ level: 2 }).run()}
						><Heading2 size={16} /></button
					>
					<button
						aria-label="Heading 3"
						aria-pressed={isOn('heading', { level: 3 })}
						onclick={() => editor?.chain().focus().toggleHeading({ level: 3 }).run()}
						><Heading3 size={16} /></button
					>
					<button
						aria-label="Bold"
						aria-pressed={isOn('bold')}
						onclick={() => editor?.chain().focus().toggleBold().run()}><Bold size={15} /></button
					>
					<button
						aria-label="Italic"
						aria-pressed={isOn('italic')}
						onclick={() => editor?.chain().focus().toggleItalic().run()}
						><Italic size={15} /></button
					>
					<button
						aria-label="Bulleted list"
						aria-pressed={isOn('bulletList')}
						onclick={() => editor?.chain().focus().toggleBulletList().run()}
						><List size={16} /></button
					>
					<button
						aria-label="Numbered list"
						aria-pressed={isOn('orderedList')}
						onclick={() => editor?.chain().focus().toggleOrderedList().run()}
						><ListOrdered size={16} /></button
					>
					<button aria-label="Link" aria-pressed={isOn('link')} onclick={setLink}
						><Link size={15} /></button
					>
					<button
						class="ml-auto"
						aria-label="Bench"
						aria-pressed={isBenchOpen}
						title="The bench: notes and facts for the section in hand"
						onclick={() => (isBenchOpen = !isBenchOpen)}><PanelRight size={16} /></button
					>
				</div>
				<div class="manuscript" {@attach mount}></div>
				{#if differs.length > 0}
					<p class="mx-11 mb-3 text-ink-2" role="status">
						The headings here are not the plan’s: {differs.join(', ')}.
						<button class="linkish ml-1" onclick={() => void takeOutline()}
							>Take them into the plan</button
						>
					</p>
				{/if}
				{#if lacking.length > 0}
					<div class="mx-11 mb-10 border-t border-rule pt-3 text-ink-2">
						Planned, and not in this take: {#each lacking as slip, i (slip.section)}{i > 0
								? ', '
								: ''}<button class="linkish" onclick={() => putHeading(slip.section)}
								>{slip.heading}</button
							>{/each}
					</div>
				{/if}
			</div>
			{#if isBenchOpen}
				<aside class="bench" aria-label="Bench">
					{#if offer}
						<Offer
							heading={offer.heading}
							blocks={offer.blocks}
							onput={(how) => put(offer!.section, offer!.blocks, how)}
							onclose={() => (offer = null)}
						/>
					{/if}
					<Bench
						{session}
						{findings}
						{plan}
						slip={reading?.slips.find(({ section }) => section === active) ?? null}
						term={benchTerm}
						onbring={bringIn}
						onclose={() => (isBenchOpen = false)}
					/>
				</aside>
			{:else if offer}
				<aside class="bench" aria-label="Another version">
					<Offer
						heading={offer.heading}
						blocks={offer.blocks}
						onput={(how) => put(offer!.section, offer!.blocks, how)}
						onclose={() => (offer = null)}
					/>
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
	.next {
		display: -webkit-box;
		overflow: hidden;
		width: 100%;
		-webkit-box-orient: vertical;
		-webkit-line-clamp: 2;
		line-clamp: 2;
	}
	.toolbar {
		position: sticky;
		top: 0;
		z-index: 5;
		display: flex;
		align-items: center;
		gap: 2px;
		padding: 4px 36px;
		background: var(--sheet);
		color: var(--ink-2);
	}
	.toolbar button {
		padding: 4px 6px;
		border-radius: 3px;
	}
	.toolbar button:hover {
		background: var(--wash);
		color: var(--ink);
	}
	.toolbar button[aria-pressed='true'] {
		color: var(--color-accent);
	}
	.toolbar i {
		width: 1px;
		height: 14px;
		background: var(--rule);
		margin: 0 4px;
	}
	.bench {
		position: sticky;
		top: 0;
		align-self: start;
		max-height: calc(100dvh - 115px);
		overflow-y: auto;
		padding: 16px 18px;
		min-width: 0;
	}
	.manuscript :global(.tiptap) {
		padding: 10px 60px 40vh 44px;
		font: 16.5px/1.68 var(--font-serif);
		outline: none;
		overflow-wrap: break-word;
	}
	.manuscript :global(h1) {
		font-size: 29px;
		line-height: 1.2;
		margin: 8px 0 14px;
		letter-spacing: -0.005em;
	}
	.manuscript :global(h2) {
		font-size: 20px;
		line-height: 1.3;
		margin: 30px 0 8px;
	}
	.manuscript :global(h3) {
		font-size: 17px;
		line-height: 1.35;
		margin: 22px 0 6px;
	}
	.manuscript :global(h4) {
		font-size: 16px;
		margin: 18px 0 4px;
	}
	.manuscript :global(p) {
		margin: 0 0 12px;
	}
	.manuscript :global(ul),
	.manuscript :global(ol) {
		margin: 0 0 12px;
		padding-left: 1.5em;
	}
	.manuscript :global(ul) {
		list-style: disc;
	}
	.manuscript :global(ol) {
		list-style: decimal;
	}
	.manuscript :global(li p) {
		margin: 0 0 3px;
	}
	.manuscript :global(blockquote) {
		border-left: 2px solid var(--rule);
		padding-left: 14px;
		font-style: italic;
	}
	.manuscript :global(a) {
		color: var(--color-primary);
		text-decoration: underline;
		text-underline-offset: 2px;
	}
	.manuscript :global(table) {
		width: 100%;
		border-collapse: collapse;
		margin: 0 0 14px;
		font-size: 15px;
	}
	.manuscript :global(th),
	.manuscript :global(td) {
		border-bottom: 1px solid var(--rule);
		padding: 4px 8px 4px 0;
		text-align: left;
		vertical-align: top;
	}
	.manuscript :global(.gap) {
		border-left: 3px solid var(--gap-rule);
		background: var(--gap-paper);
		color: var(--gap-ink);
		font: 14px/1.5 var(--font-sans);
		padding: 6px 12px;
		margin: 0 0 12px;
	}
	.manuscript :global(.gap)::before {
		content: 'Gap. ';
		font-weight: 700;
	}
	.manuscript :global(.origin)::after {
		content: attr(data-label);
		font: 600 10.5px var(--font-sans);
		color: var(--color-secondary);
		vertical-align: super;
		margin-left: 1px;
		line-height: 0;
	}
	.manuscript :global(.is-empty)::before {
		content: attr(data-placeholder);
		float: left;
		height: 0;
		color: var(--ink-2);
		opacity: 0.6;
		pointer-events: none;
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
		.toolbar {
			padding-inline: 12px;
			flex-wrap: wrap;
		}
		.manuscript :global(.tiptap) {
			padding: 8px 16px 30vh;
			font-size: 16px;
		}
		.manuscript :global(h1) {
			font-size: 24px;
		}
	}
</style>
