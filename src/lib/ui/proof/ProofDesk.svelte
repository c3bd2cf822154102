<!-- One take being proofread: what it is read for at the left, the page with its marks, a card for each mark at the right. -->
<script lang="ts">
	import { untrack } from 'svelte';
	import type { TakeDoc } from '$lib/core/manuscript';
	import type { Plan } from '$lib/core/plan';
	import { rhythmOf } from '$lib/core/measure';
	import { unreadBy, type Claim, type Mark, type OwnArticle } from '$lib/core/proof';
	import type { Take } from '$lib/data/db';
	import { ownArticlesOf } from '$lib/data/own-articles';
	import { toast } from 'svelte-sonner';
	import { useSession } from '../assignment/session.svelte';
	import { actions } from '../frame/actions.svelte';
	import { countOf } from '../parts/count-of';
	import { contextOf } from '../write/manuscript-context';
	import { ManuscriptEditor } from '../write/manuscript-editor.svelte';
	import ManuscriptPage from '../write/ManuscriptPage.svelte';
	import TakeStanding from '../write/TakeStanding.svelte';
	import ClaimsList from './ClaimsList.svelte';
	import MarkCard from './MarkCard.svelte';
	import MovesList from './MovesList.svelte';
	import { ProofBeside } from './proof-beside.svelte';
	import { ProofReading } from './proof-reading.svelte';
	import ReadForList from './ReadForList.svelte';
	import { proofRulesOf } from './proof-rules';
	import { READ_WORDS } from './read-words';
	import RhythmPicture from './RhythmPicture.svelte';

	interface Props {
		take: Take;
		plan: Plan;
		/** Whether there is a plan; an article that exists is read without. */
		isPlanned: boolean;
		onchoose: (id: string) => void;
		/** Plans the article from its own headings. */
		onplan: (doc: TakeDoc) => void;
	}
	let { take, plan, isPlanned, onchoose, onplan }: Props = $props();

	const session = useSession();
	// made anew for each take
	// svelte-ignore state_referenced_locally
	const editor = new ManuscriptEditor(
		take,
		contextOf(
			session,
			() => plan,
			() => null
		)
	);
	const proof = new ProofReading(session);
	// svelte-ignore state_referenced_locally
	const beside = new ProofBeside(session, take.id);
	/** What the client has already; read once, since it is other work that changes it. */
	let own = $state.raw<readonly OwnArticle[]>([]);
	const reading = $derived(editor.reading);
	const inHand = $derived(proof.inHand);
	let isDismissing = $state(false);
	let isListing = $state(false);
	let ticked = $state.raw<ReadonlySet<string>>(new Set());
	let cards = $state<HTMLElement>();
	let page = $state<HTMLElement>();
	let places = $state.raw<readonly { readonly mark: Mark; readonly top: number }[]>([]);

	const rules = $derived(proofRulesOf(session, isPlanned ? plan : null, take.doc, own));
	const ghost = $derived.by(() => {
		const moves = editor.moves.filter(({ id }) => ticked.has(id));
		const standing = moves.length > 0 && reading ? editor.standingWith(ticked) : null;
		return standing === null ? null : { standing, moves: moves.length };
	});
	const signs = $derived(new Map([...session.letters, ...session.noteSigns]));
	const nameOf = (source: string) => signs.get(source) ?? '';
	/** Headings over the first card of each section. */
	const headings = $derived.by(() => {
		const over = new Map<string, string>();
		let last = '';
		for (const { id, place } of proof.shown) {
			const section = reading?.article.sections.findLast(
				({ from }) => place && from <= place.block
			);
			const heading = place ? (section?.heading ?? '') : 'The whole article';
			if (heading !== last) over.set(id, heading || 'Before the first heading');
			last = heading;
		}
		return over;
	});
	const rhythm = $derived(proof.only === 'reading' && reading ? rhythmOf(reading.article) : []);

	$effect(() => {
		const client = session.client?.id;
		if (client)
			// without them the text is read all the same
			ownArticlesOf(client, session.id).then(
				(found) => (own = found),
				() => (own = [])
			);
	});
	$effect(() => editor.reread());
	$effect(() => editor.follow(take));
	$effect(() => {
		void reading;
		const [now, against] = [isPlanned ? plan : null, rules];
		void session.proof.dialect;
		if (session.isCurrent)
			proof.follow(
				untrack(() => editor.doc),
				now,
				against
			);
	});
	// the marks come first: scoring all pages would keep the worker from them
	$effect(() => {
		if (session.isCurrent && proof.isRead) void session.findStandings();
	});
	$effect(() => () => proof.stop());
	$effect(() => editor.showMarks(proof.shown, inHand?.id ?? null));
	$effect(() => {
		void proof.shown;
		const frame = requestAnimationFrame(layOut);
		return () => cancelAnimationFrame(frame);
	});
	$effect(() =>
		actions.offer(() => [
			{ label: 'Next mark', run: () => step(1) },
			{ label: 'Mark before', run: () => step(-1) },
			{ label: 'List all claims', also: 'facts references', run: () => (isListing = true) }
		])
	);

	/** Where the marks stand along the page, for the strip beside it. */
	function layOut() {
		if (!page) return;
		const height = Math.max(1, page.scrollHeight);
		const origin = page.getBoundingClientRect().top - page.scrollTop;
		places = proof.shown.flatMap((mark) => {
			const element = mark.place && editor.elementOf(mark.place.block);
			return element
				? [{ mark, top: (100 * (element.getBoundingClientRect().top - origin)) / height }]
				: [];
		});
	}

	function choose(mark: Mark | null) {
		proof.take(mark);
		isDismissing = false;
		if (mark?.place) editor.elementOf(mark.place.block)?.scrollIntoView({ block: 'center' });
	}

	function step(by: 1 | -1) {
		choose(proof.step(by));
		requestAnimationFrame(() =>
			cards?.querySelector('.in-hand')?.scrollIntoView({ block: 'nearest' })
		);
	}

	function fix(mark: Mark, replacement: string) {
		const at = proof.shown.findIndex(({ id }) => id === mark.id);
		const next = proof.shown[at + 1] ?? null;
		if (!editor.changes.mend(mark, replacement)) {
			toast('These words have changed since they were read.');
			return;
		}
		proof.take(next);
	}

	function showClaim({ place }: Claim) {
		editor.elementOf(place.block)?.scrollIntoView({ block: 'center' });
		const mark = proof.open.find(
			(one) => one.place?.block === place.block && one.place.start === place.start
		);
		if (mark) proof.take(mark);
	}

	function tick(id: string) {
		const next = new Set(ticked);
		if (!next.delete(id)) next.add(id);
		ticked = next;
	}

	/** Keys of proofreading, outside of what is typed into. */
	function keydown(event: KeyboardEvent) {
		if (event.altKey || event.ctrlKey || event.metaKey) return;
		const target = event.target as Element;
		if (target.closest('input, textarea, select, [contenteditable="true"], [role="dialog"]'))
			return;
		const key = event.key.toLowerCase();
		if (key === 'j') step(1);
		else if (key === 'k') step(-1);
		else if (key === 'f' && inHand?.fixes[0]) fix(inHand, inHand.fixes[0].replacement);
		else if (key === 'd' && inHand) isDismissing = true;
		else if (key === 'l' && inHand) step(1);
		else return;
		event.preventDefault();
	}
</script>

<svelte:window onkeydown={keydown} />

<div class="flex h-full flex-col max-lg:h-auto">
	<div
		class="grid grid-cols-[170px_1fr_190px] items-center gap-5 border-b border-rule px-5 py-1 max-lg:grid-cols-1 max-lg:gap-1 max-sm:px-3"
	>
		<div>
			{#if session.takes.length > 1}
				<select
					class="field w-auto! py-0.5! font-semibold"
					aria-label="The take that is read"
					value={take.id}
					onchange={(event) => onchoose(event.currentTarget.value)}
				>
					{#each session.takes as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</select>
			{:else}<strong>{take.name}</strong>{/if}
			<p class="text-ink-2">
				{editor.keeper.said}{#if !isPlanned && session.findings}
					· <button
						class="linkish"
						title="Its headings become sections, and what is missing can be placed in them"
						onclick={() => editor.doc && onplan(editor.doc)}>plan it</button
					>{/if}
			</p>
		</div>
		<TakeStanding {reading} moves={editor.moves} {ghost} ongo={(section) => editor.goTo(section)} />
	</div>

	<main class="grid min-h-0 flex-1 grid-cols-[212px_26px_1fr_410px] max-lg:block">
		<div class="overflow-y-auto px-5 py-3 max-sm:px-3">
			<ReadForList
				only={proof.only}
				off={session.proof.off}
				countOf={(reads) => proof.countOf(reads)}
				isRead={proof.isRead}
				onchoose={(reads) => (proof.only = reads)}
				ontoggle={(reads) => void proof.toggle(reads)}
				client={session.client && {
					name: session.client.name,
					off: unreadBy(session.client.unmarked)
				}}
				ontoggleclient={(reads) => void proof.toggleForClient(reads)}
				dialect={session.proof.dialect}
				ondialect={(dialect) => void proof.setDialect(dialect)}
				others={beside.others}
				other={beside.other?.key ?? ''}
				besideOf={(reads) => beside.countOf(reads)}
				onother={(key) => void beside.choose(key, isPlanned ? plan : null, rules)}
			/>
			{#if beside.trouble}<p class="text-error" role="alert">{beside.trouble}</p>{/if}
			<MovesList
				moves={editor.moves}
				{ticked}
				ontick={tick}
				ongo={(section) => editor.goTo(section)}
			/>
		</div>
		<div class="strip" aria-hidden="true">
			{#each places as { mark, top }, i (i)}<i
					class={[`of-${mark.reads}`, mark.id === inHand?.id && 'on']}
					style:top="{top}%"
				></i>{/each}
		</div>
		<div class="min-w-0 overflow-y-auto bg-sheet" bind:this={page}>
			<!-- the keyboard goes from mark to mark by J and K -->
			<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
			<div
				onclick={() => {
					const mark = editor.markAtCursor(proof.shown);
					if (mark) proof.take(mark);
				}}
			>
				<ManuscriptPage mount={(element) => editor.mount(element)} onresize={layOut} />
			</div>
		</div>
		<div class="flex min-h-0 flex-col border-l border-rule">
			<div
				class="min-h-0 flex-1 overflow-y-auto px-4 py-3"
				bind:this={cards}
				role="region"
				aria-label="Marks"
			>
				<p class="mb-2 flex items-baseline justify-between gap-2 text-ink-2" role="status">
					<span
						>{proof.trouble ||
							(!proof.isRead
								? 'Reading the text …'
								: `${countOf(proof.shown.length, 'mark')}${proof.only ? ` for ${READ_WORDS[proof.only].name.toLowerCase()}` : ''}${proof.isReading ? ', reading on …' : ''}`)}</span
					>
					<button class="linkish" onclick={() => (isListing = !isListing)}
						>{isListing ? 'Back to the marks' : 'All claims'}</button
					>
				</p>
				{#if session.counted.length === 0 && session.noteSigns.size === 0}
					<p class="mb-3 border-l-2 border-warning pl-3">
						Nothing is gathered yet, so no claim and no passage can be held against anything.
					</p>
				{/if}
				{#if isListing}
					<ClaimsList claims={proof.claims} {nameOf} onshow={showClaim} />
				{:else}
					{#if rhythm.length > 0}<RhythmPicture
							sections={rhythm}
							onshow={(block) => editor.elementOf(block)?.scrollIntoView({ block: 'center' })}
						/>{/if}
					{#each proof.shown as mark (mark.id)}
						{#if headings.has(mark.id)}<h3
								class="mt-3 mb-1 border-b border-rule font-serif text-[13px] text-ink-2"
							>
								{headings.get(mark.id)}
							</h3>{/if}
						<MarkCard
							{mark}
							isInHand={mark.id === inHand?.id}
							isFresh={proof.isFresh(mark)}
							{isDismissing}
							{nameOf}
							onchoose={() => choose(mark)}
							onfix={(replacement) => fix(mark, replacement)}
							ongap={() => editor.changes.leaveGap(mark, `Where is “${mark.quote}” from?`)}
							ondismiss={(reason) => {
								isDismissing = false;
								void proof.dismiss(mark, reason);
							}}
							onask={(isAsking) => (isDismissing = isAsking)}
							onleave={() => step(1)}
							onsilence={session.client ? () => void proof.silence(mark) : undefined}
						/>
					{:else}
						{#if proof.isRead}<p class="text-ink-2">Nothing is marked here.</p>{/if}
					{/each}
					{@const silent = (session.client?.unmarked ?? []).filter(
						(rule) => !rule.startsWith('reading: ')
					)}
					{#if silent.length > 0}
						<details class="mt-4">
							<summary class="text-ink-2"
								>{countOf(silent.length, 'rule')} not marked for {session.client?.name}</summary
							>
							<ul>
								{#each silent as rule (rule)}
									<li class="py-1">
										{rule}
										<button class="linkish ml-2" onclick={() => void proof.unsilence(rule)}
											>Mark again</button
										>
									</li>
								{/each}
							</ul>
						</details>
					{/if}
					{#if proof.dismissed.length > 0}
						<details class="mt-4">
							<summary class="text-ink-2"
								>{countOf(proof.dismissed.length, 'mark')} dismissed</summary
							>
							<ul>
								{#each proof.dismissed as { mark, reason } (mark.id)}
									<li class="py-1">
										{mark.quote || mark.about}<span class="text-ink-2"
											>{reason ? `, because ${reason}` : ''}</span
										>
										<button class="linkish ml-2" onclick={() => void proof.bringBack(mark.id)}
											>Bring back</button
										>
									</li>
								{/each}
							</ul>
						</details>
					{/if}
				{/if}
			</div>
			<p class="border-t border-rule px-4 py-1 text-[11.5px] text-ink-2">
				J K next, back · F fix · D dismiss · L leave
			</p>
		</div>
	</main>
</div>

<style>
	.strip {
		position: relative;
		border-inline: 1px solid var(--rule);
		background: var(--color-base-200);
	}
	.strip i {
		position: absolute;
		left: 5px;
		right: 5px;
		height: 2px;
		background: var(--color-accent);
	}
	.strip .of-close {
		height: 4px;
		background: var(--plum);
	}
	.strip .of-terms {
		background: var(--color-secondary);
	}
	.strip .of-spelling {
		background: var(--color-warning);
	}
	.strip .of-leftovers {
		background: var(--color-error);
	}
	.strip :is(.of-reading, .of-sameness, .of-headings, .of-aged, .of-links) {
		background: var(--ink-2);
	}
	.strip .on {
		left: 0;
		right: 0;
		height: 4px;
	}
	@media (max-width: 1023px) {
		.strip {
			display: none;
		}
	}
</style>
