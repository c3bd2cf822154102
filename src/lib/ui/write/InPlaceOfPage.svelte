<!-- What is looked at in the page's place: a reply that came back, another take beside this one, how this one grew. -->
<script lang="ts">
	import { untrack } from 'svelte';
	import { heading, withSection, type BlockNode, type TakeDoc } from '$lib/core/manuscript';
	import { headingOf, type Plan } from '$lib/core/plan';
	import type { ReplySection } from '$lib/core/writers';
	import type { Take } from '$lib/data/db';
	import { changeTakeAsStep } from '../assignment/change-take';
	import { useSession } from '../assignment/session.svelte';
	import type { Asking } from './asking.svelte';
	import BringBack from './BringBack.svelte';
	import type { Part } from './reply-match.svelte';
	import type { ManuscriptEditor } from './manuscript-editor.svelte';
	import type { ManuscriptView } from './manuscript-view.svelte';
	import TakeGrowth from './TakeGrowth.svelte';
	import TakesCompared from './TakesCompared.svelte';
	import type { Writing } from './writing.svelte';

	interface Props {
		take: Take;
		plan: Plan;
		editor: ManuscriptEditor;
		view: ManuscriptView;
		asking: Asking;
		writing: Writing;
		/** A take of its own from what was brought back. */
		ontakereply: (parts: readonly Part[], rest: readonly ReplySection[]) => void;
	}
	let { take, plan, editor, view, asking, writing, ontakereply }: Props = $props();
	const session = useSession();

	const mine: TakeDoc = $derived.by(() => {
		void editor.reading;
		return untrack(() => editor.doc) ?? take.doc;
	});
	const bestPage = $derived(
		session.standings && session.standings.length > 0
			? Math.round(Math.max(...session.standings.map(({ standing }) => standing)))
			: null
	);

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
</script>

{#if asking.reply}
	<div class="min-h-0 flex-1 overflow-y-auto">
		<BringBack
			{plan}
			asked={asking.reply}
			signs={writing.signs}
			isLines={asking.isLines}
			onoffer={(parts, missing) => void asking.offerReply(parts, missing)}
			ontake={(parts, rest) => {
				asking.leaveReply();
				ontakereply(parts, rest);
			}}
			onrequest={(missing) => asking.askForLacked(missing)}
			onclose={() => asking.leaveReply()}
		/>
	</div>
{:else if view.away === 'compared'}
	<div class="min-h-0 flex-1 overflow-y-auto">
		<TakesCompared
			{plan}
			{mine}
			mineName={take.name}
			others={session.takes.filter(({ id }) => id !== take.id)}
			read={(doc) => editor.readingOf(doc)}
			ontake={(section, blocks) => editor.changes.put(section, blocks, 'replace')}
			ongive={(other, section, blocks) => void giveSection(other, section, blocks)}
			onclose={() => (view.away = null)}
		/>
	</div>
{:else if view.away === 'growth'}
	<div class="min-h-0 flex-1 overflow-y-auto">
		<TakeGrowth
			take={take.id}
			name={take.name}
			targetWords={session.findings?.targetWords ?? 1000}
			{bestPage}
			onclose={() => (view.away = null)}
		/>
	</div>
{/if}
