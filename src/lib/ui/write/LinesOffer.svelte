<!-- Titles, descriptions and headlines that were asked for, each to be taken where it belongs. -->
<script lang="ts">
	import { docText, type BlockNode } from '$lib/core/manuscript';
	import { pixelWidthOf, RESULT_ROOM, RESULT_TYPE } from '$lib/core/text';

	/** What a line can become. */
	export type LineUse = 'title tag' | 'description' | 'headline' | 'line under the headline';

	interface Props {
		blocks: readonly BlockNode[];
		/** Who gave them and when, as it is shown. */
		by: string;
		when: string;
		/** What stands there now, by use. */
		now: Readonly<Record<LineUse, string>>;
		ontake: (use: LineUse, text: string) => void;
		onclose: () => void;
	}
	let { blocks, by, when, now, ontake, onclose }: Props = $props();

	interface Group {
		readonly name: string;
		readonly use: LineUse;
		readonly lines: readonly string[];
	}
	const groups = $derived.by(() => {
		const found: { name: string; use: LineUse; lines: string[] }[] = [];
		let name = 'Titles';
		for (const block of blocks) {
			if (block.type === 'heading') name = docText(block).replace(/:$/, '');
			else if (block.type === 'bulletList' || block.type === 'orderedList') {
				const lines = (block.content ?? []).map((item) =>
					docText(item)
						.trim()
						.replace(/^["“'](.*)["”']$/, '$1')
				);
				found.push({ name, use: useOf(name), lines: [...new Set(lines)].filter(Boolean) });
			}
		}
		return found satisfies Group[];
	});

	function useOf(name: string): LineUse {
		if (/descri/i.test(name)) return 'description';
		if (/under|sub|standfirst|deck/i.test(name)) return 'line under the headline';
		return /headline|h1/i.test(name) ? 'headline' : 'title tag';
	}

	function roomOf(use: LineUse, text: string): string {
		if (use !== 'title tag' && use !== 'description') return '';
		const part = use === 'description' ? 'description' : 'title';
		const width = Math.round(pixelWidthOf(text, RESULT_TYPE[part]));
		return width > RESULT_ROOM[part] ? `${width} px, cut` : `${width} px`;
	}
</script>

<section class="offer" aria-label="Titles to choose from">
	<h2>Titles and headlines by {by}<span> · {when}</span></h2>
	<p class="mt-1"><button class="act" onclick={onclose}>Close</button></p>
	{#each groups as { name, use, lines }, i (i)}
		<h3>{name}</h3>
		<ul aria-label={name}>
			{#each lines as line (line)}
				<li>
					<span class="line">{line}</span>
					<span class="text-ink-2">{roomOf(use, line)}</span>
					{#if now[use] === line}<span class="text-ink-2">is the {use}</span>
					{:else}<button
							class="linkish"
							aria-label="Make it the {use}: {line}"
							onclick={() => ontake(use, line)}>Make it the {use}</button
						>{/if}
				</li>
			{/each}
		</ul>
	{:else}
		<p class="mt-2 text-ink-2">The reply holds no list of lines to choose from.</p>
	{/each}
</section>

<style>
	.offer {
		margin-bottom: 20px;
		font-size: 12.5px;
	}
	h2 {
		font: 600 12.5px/1.5 var(--font-sans);
	}
	h2 span {
		font-weight: 400;
		color: var(--ink-2);
	}
	h3 {
		margin-top: 12px;
		font: 600 12.5px/1.4 var(--font-sans);
		color: var(--color-secondary);
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
		border-top: 1px solid var(--rule);
		padding: 6px 0;
	}
	.line {
		width: 100%;
		font: 14.5px/1.45 var(--font-serif);
	}
</style>
