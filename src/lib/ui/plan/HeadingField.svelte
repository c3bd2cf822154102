<!-- The heading of a section, edited in place, with what is questionable about it while it is typed. -->
<script lang="ts">
	import { headingIssues, headingsFor, plainOf, type PlanSection } from '$lib/core/plan';
	import Popup from '../parts/Popup.svelte';
	import MenuItems from '../parts/MenuItems.svelte';
	import { usePlanEditor } from './plan-editor.svelte';

	interface Props {
		section: PlanSection;
		number: string;
		isChosen: boolean;
	}
	let { section, number, isChosen }: Props = $props();
	const editor = usePlanEditor();
	/** What is being typed; null: nothing. */
	let typed = $state<string | null>(null);

	const isOpening = $derived(section.level === 1);
	const others = $derived(
		(editor.plan?.sections ?? [])
			.filter(({ id, level }) => id !== section.id && level > 1)
			.map(({ heading }) => heading)
	);
	const issues = $derived.by(() => {
		const { plan, findings } = editor;
		if (typed === null || !plan || !findings) return [];
		return headingIssues(typed, { id: section.id, sections: plan.sections }, findings);
	});
	const alternatives = $derived.by(() => {
		const { findings } = editor;
		if (!isChosen || isOpening || !findings) return [];
		const taken = new Set([...others, section.heading].map(plainOf));
		return editor
			.topicsOf(section)
			.flatMap((topic) => headingsFor(topic, findings, taken))
			.slice(0, 7);
	});

	function save(heading: string) {
		typed = null;
		if (heading !== section.heading)
			editor.changeSection(section.id, `Renamed a section “${heading}”`, { heading });
	}
</script>

<span class="min-w-0 flex-1 max-sm:order-first max-sm:basis-full">
	<span class="flex items-baseline gap-2">
		<input
			class="min-w-0 flex-1 bg-transparent px-2 font-serif text-[15.5px] font-semibold"
			value={isOpening ? 'Opening, under the title' : section.heading}
			readonly={isOpening}
			maxlength="300"
			aria-label="Heading{number ? ` of section ${number}` : ' of the opening'}"
			aria-describedby={issues.length > 0 ? `issues-${section.id}` : undefined}
			oninput={(event) => (typed = event.currentTarget.value)}
			onchange={(event) => save(event.currentTarget.value)}
			onkeydown={(event) => {
				if (event.key === 'Escape' && typed !== null) {
					event.currentTarget.value = section.heading;
					typed = null;
				}
			}}
		/>
		{#if alternatives.length > 0}
			<Popup label="Other wordings" button="linkish text-xs whitespace-nowrap" width="320px">
				{#snippet children(close: () => void)}
					<MenuItems
						onclose={close}
						items={alternatives.map((heading) => [heading, () => save(heading)] as const)}
					/>
				{/snippet}
			</Popup>
		{/if}
	</span>
	{#if issues.length > 0}
		<span id="issues-{section.id}" class="block px-2 text-xs text-plum" role="status"
			>{issues.map(({ text }) => text).join(' ')}</span
		>
	{/if}
</span>
