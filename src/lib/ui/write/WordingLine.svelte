<!-- What brief and client settle about wording: the marks of the manuscript that speak of it, by rule. -->
<script lang="ts">
	import type { Mark } from '$lib/core/proof';
	import { withRowKeys } from '../parts/row-keys';

	interface Props {
		marks: readonly Mark[];
		/** Shows the words of a mark in the manuscript. */
		onshow: (mark: Mark) => void;
	}
	let { marks, onshow }: Props = $props();

	/** Sentences shown of one rule. */
	const MOST = 3;
	const rules = $derived([
		...new Set(marks.map(({ check, about, quote }) => ruleOf({ check, about, quote })))
	]);
	const groups = $derived(
		rules.map((rule) => marks.filter((mark) => ruleOf(mark) === rule)).sort(unsaidFirst)
	);
	const unsaid = $derived(groups.filter(([first]) => first!.place === null).length);

	/** A name has a line for each of its wrong spellings. */
	function ruleOf({ check, about, quote }: Pick<Mark, 'check' | 'about' | 'quote'>): string {
		return check === 'spelling of a name' ? `${check} ${quote}` : `${check} ${about}`;
	}

	function unsaidFirst([a]: readonly Mark[], [b]: readonly Mark[]): number {
		return Number(b!.place === null) - Number(a!.place === null);
	}

	function lineOf(group: readonly Mark[]): string {
		const { reason, check, quote, about } = group[0]!;
		if (group[0]!.place === null) return reason;
		const sentences = new Set(group.map(({ sentence }) => sentence)).size;
		const often = sentences === 1 ? 'once' : `in ${sentences} sentences`;
		return check === 'spelling of a name'
			? `“${quote}” stands ${often}: the name is written “${about}”`
			: `${reason} and stands ${often}`;
	}
</script>

{#if marks.length > 0}
	<details class="border-b border-rule px-5 py-1 max-sm:px-3">
		<summary
			>Brief: {[
				unsaid > 0 ? `${unsaid} still to be said` : '',
				groups.length > unsaid ? `${groups.length - unsaid} not to be said so` : ''
			]
				.filter(Boolean)
				.join(', ')}</summary
		>
		<ul class="py-1">
			{#each groups as group, i (i)}
				<li class={['py-0.5', group[0]!.place === null ? '' : 'text-plum']}>
					{lineOf(group)}{#each withRowKeys(group
							.filter(({ place }) => place !== null)
							.slice(0, MOST), ({ id }) => id) as { rowKey, item: mark } (rowKey)}
						<button class="ml-2 font-serif text-ink-2 hover:underline" onclick={() => onshow(mark)}
							>“{mark.sentence.length > 70
								? `${mark.sentence.slice(0, 70)} …`
								: mark.sentence}”</button
						>{/each}
				</li>
			{/each}
		</ul>
	</details>
{/if}
