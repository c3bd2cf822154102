<!-- Bring a reply back: what came, to which section each part belongs, and what is missing. -->
<script lang="ts">
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import { docText } from '$lib/core/manuscript';
	import type { Plan } from '$lib/core/plan';
	import type { DroppedReason, ReplySection } from '$lib/core/writers';
	import { countOf } from '../parts/count-of';
	import StateMark from '../parts/StateMark.svelte';
	import { ReplyMatch, type Part } from './reply-match.svelte';

	interface Props {
		plan: Plan;
		/** Sections that were asked for, by id. */
		asked: readonly string[];
		signs: ReadonlyMap<string, string>;
		/** Whether lines to choose from were asked for: all of the reply is one version then. */
		isLines?: boolean;
		/** Each part becomes a version of its section. */
		onoffer: (parts: readonly Part[], lacked: readonly string[]) => void;
		/** All of it becomes a take of its own. */
		ontake: (parts: readonly Part[], rest: readonly ReplySection[]) => void;
		onrequest: (lacked: readonly string[]) => void;
		onclose: () => void;
	}
	let {
		plan,
		asked,
		signs,
		isLines = false,
		onoffer,
		ontake,
		onrequest,
		onclose
	}: Props = $props();

	const match = untrack(
		() =>
			new ReplyMatch({
				get plan() {
					return plan;
				},
				get asked() {
					return asked;
				},
				get signs() {
					return signs;
				},
				get isLines() {
					return isLines;
				}
			})
	);
	const { wanted, parts, lacked, cutOff, words, offered, reply } = $derived(match);
	const DROPPED: Readonly<Record<DroppedReason, string>> = {
		chatter: 'said around the text',
		teaser: 'a teaser',
		account: 'a list or count',
		seam: 'a sign of being continued',
		wrapping: 'markup'
	};

	function paste(event: ClipboardEvent) {
		const html = event.clipboardData?.getData('text/html') ?? '';
		const text = event.clipboardData?.getData('text/plain') ?? '';
		// where the plain text marks its headings itself, it says more than the markup around it
		const isMarked = /^#{1,6}\s/m.test(text);
		const hasStructure = /<(?:h[1-6]|li|table|p)\b/i.test(html);
		event.preventDefault();
		void match.read(!isMarked && hasStructure ? html : text);
	}

	async function fromClipboard() {
		try {
			await match.read(await navigator.clipboard.readText());
		} catch {
			toast('The browser does not let a page read the clipboard. Paste it into the field.');
		}
	}

	function keydown(event: KeyboardEvent, at: number) {
		if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return;
		if ((event.target as HTMLElement).tagName === 'SELECT') return;
		event.preventDefault();
		match.shift(at, event.key === 'ArrowRight' ? 1 : -1);
	}

	const sureness = ({ section, sure, also, isCutOff, unbacked, blocks }: ReplySection) =>
		[
			section === null
				? 'not asked for'
				: sure === 'like'
					? 'worded otherwise'
					: sure === 'by place'
						? 'by its place'
						: '',
			also.length > 0
				? `speaks of ${also.map((id) => `“${match.nameOf(wanted.find((one) => one.id === id))}”`).join(', ')} too`
				: '',
			isCutOff
				? `cut off: “${
						docText(blocks.at(-1) ?? { type: 'paragraph' })
							.split(/\s+/)
							.slice(-4)
							.join(' ') || 'nothing below it'
					}”`
				: '',
			unbacked > 0 ? `${countOf(unbacked, 'sentence')} without a source` : ''
		]
			.filter(Boolean)
			.join(' · ');
	/** Height of a row on either side, in pixels. */
	const ROW = 52;
	const mid = (at: number) => at * ROW + ROW / 2;
	const lines = $derived(
		parts.flatMap((_, at) => {
			const row = wanted.findIndex(({ id }) => id === match.placeOf(at));
			return row < 0 ? [] : [{ at, row, isSure: match.isSure(at) }];
		})
	);
</script>

<section class="bring" aria-label="What came back">
	{#if !reply}
		<div class="start">
			<h2>Bring a reply back</h2>
			<p class="mt-1 text-ink-2">
				For {countOf(wanted.length, 'section')}. Paste what came back, as Markdown, from a page or
				an office text, or choose a file. Greetings, code fences and lists of keywords are taken
				out; what is taken out is shown.
			</p>
			<textarea
				class="field mt-3 font-serif"
				rows="12"
				placeholder="Paste here"
				aria-label="The reply"
				bind:value={match.typed}
				onpaste={paste}></textarea>
			<p class="mt-2 flex flex-wrap gap-2">
				<button
					class="act chief"
					disabled={match.typed.trim() === '' || match.isReading}
					onclick={() => void match.read(match.typed)}
					>{match.isReading ? 'Reading …' : 'Read it'}</button
				>
				<button class="act" onclick={() => void fromClipboard()}>Read the clipboard</button>
				<label class="act cursor-pointer">
					Choose a file
					<input
						type="file"
						class="sr-only"
						multiple
						accept=".md,.markdown,.txt,.html,.htm,.docx,.pdf,.rtf"
						aria-label="File with the reply"
						onchange={(event) => void match.readFiles(event.currentTarget.files ?? [])}
					/>
				</label>
				<button class="act" onclick={onclose}>Leave it</button>
			</p>
		</div>
	{:else}
		<div class="match">
			<div>
				<h2>Our plan</h2>
				<p class="note">
					{countOf(wanted.length, 'section')}; {wanted.length - lacked.length} came back{lacked.length >
					0
						? `, ${lacked.length} missing`
						: ''}{cutOff > 0 ? `, ${cutOff} cut off` : ''}.
				</p>
				<ol aria-label="Sections asked for">
					{#each wanted as section (section.id)}
						{@const came = match.wordsFor(section.id)}
						{@const isHere = match.has(section.id)}
						<li
							class:lacks={!isHere}
							ondragover={(event) => event.preventDefault()}
							ondrop={(event) => {
								event.preventDefault();
								match.move(match.chosen, section.id);
							}}
						>
							<span class="name">{match.nameOf(section)}</span>
							<StateMark
								state={!isHere ? 'absent' : came < section.budget * 0.7 ? 'thin' : 'placed'}
							/>
							<span class="under">{isHere ? `${came} of ${section.budget} words` : 'missing'}</span>
						</li>
					{/each}
				</ol>
			</div>
			<svg
				class="lines"
				width="100%"
				height={Math.max(wanted.length, parts.length) * ROW}
				viewBox="0 0 100 {Math.max(wanted.length, parts.length) * ROW}"
				preserveAspectRatio="none"
				aria-hidden="true"
			>
				{#each lines as { at, row, isSure } (at)}
					<path
						d="M0 {mid(row)} C50 {mid(row)} 50 {mid(at)} 100 {mid(at)}"
						class:unsure={!isSure}
						class:chosen={at === match.chosen}
					/>
				{/each}
			</svg>
			<div>
				<h2>What came back</h2>
				<p class="note">
					{words.toLocaleString('en')} words{reply.dropped.length > 0
						? ` · ${reply.dropped.length} left out`
						: ''}. Drag a part to a section, or ← → on it.
				</p>
				<ol aria-label="Parts of the reply">
					{#each parts as part, at (at)}
						<!-- a part is moved by arrow keys as well as by the list beside it -->
						<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
						<li
							class:lacks={match.placeOf(at) === ''}
							class:chosen={at === match.chosen}
							tabindex="0"
							draggable="true"
							aria-label="Part: {part.heading || 'without a heading'}"
							ondragstart={() => (match.chosen = at)}
							onfocus={() => (match.chosen = at)}
							onkeydown={(event) => keydown(event, at)}
						>
							<span class="name">{part.heading || '(no heading)'}</span>
							<select
								class="place"
								aria-label="Section for “{part.heading || 'what has no heading'}”"
								value={match.placeOf(at)}
								onchange={(event) => match.move(at, event.currentTarget.value)}
							>
								<option value="">leave it out</option>
								{#each wanted as section (section.id)}<option value={section.id}
										>{match.nameOf(section)}</option
									>{/each}
							</select>
							<span class="under"
								>{part.words} words{sureness(part) ? ` · ${sureness(part)}` : ''}</span
							>
						</li>
					{:else}
						<li class="lacks">
							<span class="name">Nothing that could stand in the article.</span>
						</li>
					{/each}
				</ol>
			</div>
		</div>
		{#if reply.dropped.length > 0}
			<details class="mt-3 text-ink-2">
				<summary>Left out: {reply.dropped.length}</summary>
				{#each reply.dropped as { text, reason }, i (i)}<p class="mt-1">
						<span class="text-accent">{DROPPED[reason]}:</span>
						{text.length > 220 ? `${text.slice(0, 210)} …` : text}
					</p>{/each}
			</details>
		{/if}
		<p class="mt-4 flex flex-wrap gap-2">
			<button
				class="act chief"
				disabled={offered.length === 0}
				onclick={() => onoffer(offered, lacked)}>Offer {countOf(offered.length, 'version')}</button
			>
			<button class="act" disabled={parts.length === 0} onclick={() => ontake(offered, match.rest)}
				>Make it a take of its own</button
			>
			{#if lacked.length > 0}<button class="act" onclick={() => onrequest(lacked)}
					>Request the rest</button
				>{/if}
			<button class="act" onclick={() => match.again()}>Another reply</button>
			<button class="act" onclick={onclose}>Leave it</button>
		</p>
	{/if}
</section>

<style>
	.bring {
		padding: 16px 20px 40px;
		max-width: 1260px;
	}
	.start {
		max-width: 720px;
	}
	h2 {
		font: 600 19px/1.3 var(--font-serif);
	}
	.note {
		color: var(--ink-2);
		min-height: 40px;
		font-size: 13px;
	}
	.match {
		display: grid;
		grid-template-columns: minmax(0, 5fr) minmax(60px, 2fr) minmax(0, 7fr);
	}
	.lines {
		background: var(--wash);
		margin-top: 65px;
		align-self: start;
	}
	path {
		fill: none;
		stroke: var(--color-secondary);
		stroke-width: 1.5;
		vector-effect: non-scaling-stroke;
	}
	path.unsure {
		stroke: var(--color-accent);
		stroke-dasharray: 5 4;
	}
	path.chosen {
		stroke-width: 3;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 0 10px;
		align-content: center;
		align-items: baseline;
		height: 52px;
		border-top: 1px solid var(--rule);
		padding: 0 10px;
	}
	li[draggable='true'] {
		cursor: grab;
	}
	li.chosen {
		background: var(--wash);
	}
	.name {
		font: 15.5px/1.35 var(--font-serif);
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.lacks .name {
		color: var(--color-error);
	}
	.under {
		grid-column: 1 / -1;
		font-size: 12px;
		color: var(--ink-2);
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.place {
		max-width: 190px;
		background: transparent;
		font-size: 12px;
		color: var(--ink-2);
		text-overflow: ellipsis;
	}
	.place option {
		background: var(--color-base-100);
	}
	summary {
		cursor: pointer;
	}
	@media (max-width: 700px) {
		.match {
			grid-template-columns: minmax(0, 1fr);
		}
		.lines {
			display: none;
		}
	}
</style>
