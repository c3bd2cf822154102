<!-- Why a term stands where it stands, and where else it could. -->
<script lang="ts">
	import type { Findings } from '$lib/core/findings';
	import {
		affinitiesOf,
		affinityOf,
		type AffinityParts,
		type Plan,
		type PlanSection,
		type TermPlacement
	} from '$lib/core/plan';

	interface Props {
		placement: TermPlacement;
		section: PlanSection;
		plan: Plan;
		findings: Findings;
		letters: ReadonlyMap<string, string>;
		onsections: (label: string, sections: readonly PlanSection[]) => void;
	}
	let { placement, section, plan, findings, letters, onsections }: Props = $props();

	const NAMES: Readonly<Record<keyof AffinityParts, string>> = {
		topic: 'same topic',
		company: 'company',
		heading: 'heading',
		position: 'position'
	};
	const term = $derived(findings.terms.find(({ key }) => key === placement.term));
	const parts = $derived(
		(Object.keys(NAMES) as (keyof AffinityParts)[]).map((part) => ({
			part,
			value: placement.parts[part]
		}))
	);
	const next = $derived.by(() => {
		const t = findings.terms.findIndex(({ key }) => key === placement.term);
		if (t < 0) return null;
		const affinities = affinitiesOf(findings, plan.sections)[t]!;
		const others = plan.sections
			.map((other, s) => ({ other, affinity: affinityOf(affinities[s]!), parts: affinities[s]! }))
			.filter(
				({ other }) =>
					other.id !== section.id && !other.terms.some((placed) => placed.term === placement.term)
			)
			.sort((a, b) => b.affinity - a.affinity);
		return others[0] ?? null;
	});

	function moveThere() {
		if (!next) return;
		const { other, affinity, parts } = next;
		const moved: TermPlacement = {
			...placement,
			affinity,
			parts,
			reason: 'You moved it here.',
			locked: true
		};
		onsections(
			`Moved “${term?.phrase ?? placement.term}”`,
			plan.sections.map((each) =>
				each.id === section.id
					? { ...each, terms: each.terms.filter(({ term }) => term !== placement.term) }
					: each.id === other.id
						? { ...each, terms: [...each.terms, moved] }
						: each
			)
		);
	}

	function setLocked(locked: boolean) {
		onsections(
			locked ? 'Locked a placement' : 'Unlocked a placement',
			plan.sections.map((each) =>
				each.id === section.id
					? {
							...each,
							terms: each.terms.map((placed) =>
								placed.term === placement.term ? { ...placed, locked } : placed
							)
						}
					: each
			)
		);
	}

	function takeOut() {
		onsections(
			`Took “${term?.phrase ?? placement.term}” out`,
			plan.sections.map((each) =>
				each.id === section.id
					? { ...each, terms: each.terms.filter((placed) => placed.term !== placement.term) }
					: each
			)
		);
	}
</script>

<p>
	<strong>{term?.phrase ?? placement.term}</strong> → {section.level === 1
		? 'the opening'
		: section.heading}
</p>
<p class="mt-1 text-ink-2">
	{placement.reason}{#if term}&#32;On {term.uses.length} of {findings.pages.length} pages ({term.uses
			.map(({ page }) => letters.get(page))
			.join(' ')}).{/if}
</p>
<dl class="mt-2">
	{#each parts as { part, value } (part)}
		<div class="flex items-center gap-2">
			<dt class="w-20">{NAMES[part]}</dt>
			<dd class="flex flex-1 items-center gap-2">
				<i class="block h-[5px] bg-primary" style:width="{Math.round(150 * Math.min(1, value))}px"
				></i><span class="ml-auto">{value.toFixed(2)}</span>
			</dd>
		</div>
	{/each}
</dl>
{#if next}<p class="mt-2 text-ink-2">
		Next best: {next.other.level === 1 ? 'the opening' : next.other.heading}, {next.affinity.toFixed(
			2
		)} against {placement.affinity.toFixed(2)}
	</p>{/if}
<p class="mt-1 flex gap-3">
	{#if next}<button class="linkish" onclick={moveThere}>Move there</button>{/if}
	<button class="linkish" onclick={() => setLocked(!placement.locked)}
		>{placement.locked ? 'Unlock' : 'Lock here'}</button
	>
	<button class="linkish" onclick={takeOut}>Take it out</button>
</p>
