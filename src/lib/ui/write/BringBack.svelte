<!-- Bring a reply back: what came, to which section each part belongs, and what is missing. -->
<script module lang="ts">
	import type { BlockNode } from '$lib/core/manuscript';

	/** A part of a reply that goes to a section. */
	export interface Part {
		readonly section: string;
		readonly blocks: readonly BlockNode[];
		readonly isCutOff: boolean;
	}
</script>

<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { docText } from '$lib/core/manuscript';
	import type { Plan, PlanSection } from '$lib/core/plan';
	import { headingOf } from '$lib/core/plan';
	import type { DroppedReason, Reply, ReplySection } from '$lib/core/writers';
	import { messageOf } from '$lib/data/trouble';
	import { analysis } from '$lib/workers/client';
	import { countOf } from '../parts/count-of';
	import StateMark from '../parts/StateMark.svelte';

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

	let typed = $state('');
	let reply = $state.raw<Reply | null>(null);
	let isReading = $state(false);
	/** Where the writer has put a part otherwise than it was matched; empty: nowhere. */
	let moved = $state.raw<ReadonlyMap<number, string>>(new Map());
	let chosen = $state(-1);

	const wanted = $derived(plan.sections.filter(({ id }) => asked.includes(id)));
	const parts = $derived(reply?.sections ?? []);
	const placeOf = (part: ReplySection, at: number) => moved.get(at) ?? part.section ?? '';
	/** Places of parts, by the section they go to. */
	const bySection = $derived.by(() => {
		const found = new Map<string, number[]>();
		parts.forEach((part, at) => {
			const place = placeOf(part, at);
			if (place !== '') found.set(place, [...(found.get(place) ?? []), at]);
		});
		return found;
	});
	const lacked = $derived(wanted.filter(({ id }) => !bySection.has(id)).map(({ id }) => id));
	const cutOff = $derived(parts.filter(({ isCutOff }) => isCutOff).length);
	const words = $derived(parts.reduce((sum, part) => sum + part.words, 0));
	const offered = $derived(
		isLines && wanted[0] && parts.length > 0
			? [
					{
						section: wanted[0].id,
						blocks: parts.flatMap(({ heading, blocks }) =>
							heading === '' ? blocks : [subHeading(heading), ...blocks]
						),
						isCutOff: false
					}
				]
			: wanted.flatMap(({ id }): Part[] => {
					const places = bySection.get(id) ?? [];
					if (places.length === 0) return [];
					return [
						{
							section: id,
							// two parts that go to one section stand there one after the other, with their headings
							blocks: places.flatMap((at, i) => {
								const { heading, blocks } = parts[at]!;
								return i === 0 || heading === '' ? blocks : [subHeading(heading), ...blocks];
							}),
							isCutOff: places.some((at) => parts[at]!.isCutOff)
						}
					];
				})
	);
	const DROPPED: Readonly<Record<DroppedReason, string>> = {
		chatter: 'said around the text',
		teaser: 'a teaser',
		account: 'a list or count',
		seam: 'a sign of being continued',
		wrapping: 'markup'
	};

	function subHeading(text: string): BlockNode {
		return {
			type: 'heading',
			attrs: { level: 3, section: null },
			content: [{ type: 'text', text }]
		};
	}

	async function read(text: string) {
		typed = text;
		if (text.trim() === '') return;
		isReading = true;
		try {
			reply = await analysis.readReply(
				text,
				$state.snapshot(plan) as Plan,
				[...asked],
				new Map(signs)
			);
			moved = new Map();
			chosen = -1;
		} catch (error) {
			toast.error(`The reply was not read: ${messageOf(error)}`);
		} finally {
			isReading = false;
		}
	}

	function paste(event: ClipboardEvent) {
		const html = event.clipboardData?.getData('text/html') ?? '';
		const text = event.clipboardData?.getData('text/plain') ?? '';
		// where the plain text marks its headings itself, it says more than the markup around it
		const isMarked = /^#{1,6}\s/m.test(text);
		const hasStructure = /<(?:h[1-6]|li|table|p)\b/i.test(html);
		event.preventDefault();
		void read(!isMarked && hasStructure ? html : text);
	}

	async function fromClipboard() {
		try {
			await read(await navigator.clipboard.readText());
		} catch {
			toast('The browser does not let a page read the clipboard. Paste it into the field.');
		}
	}

	async function fromFiles(files: FileList | null) {
		const texts: string[] = [];
		for (const file of files ?? []) {
			try {
				const bytes = new Uint8Array(await file.arrayBuffer());
				if (/\.html?$/i.test(file.name)) texts.push(await file.text());
				else
					for (const found of await analysis.readFile(file.name, bytes, 'notes')) {
						if (found.kind === 'note') texts.push(found.text);
						else if (found.kind === 'failed' || found.kind === 'skipped')
							toast.error(`“${found.name}” was not read: ${found.reason}`);
						else toast.error(`“${file.name}” holds no text of an article.`);
					}
			} catch (error) {
				toast.error(`“${file.name}” was not read: ${messageOf(error)}`);
			}
		}
		if (texts.length > 0) await read(texts.join('\n\n'));
	}

	/** Puts a part to the section before or behind, or to none. */
	function shift(at: number, by: 1 | -1) {
		const order = ['', ...wanted.map(({ id }) => id)];
		const now = order.indexOf(placeOf(parts[at]!, at));
		move(at, order[(now + by + order.length) % order.length]!);
	}

	function move(at: number, section: string) {
		moved = new Map(moved).set(at, section);
	}

	function keydown(event: KeyboardEvent, at: number) {
		if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return;
		if ((event.target as HTMLElement).tagName === 'SELECT') return;
		event.preventDefault();
		shift(at, event.key === 'ArrowRight' ? 1 : -1);
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
				? `speaks of ${also.map((id) => `“${nameOf(wanted.find((one) => one.id === id))}”`).join(', ')} too`
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
	const nameOf = (section: PlanSection | undefined) =>
		section ? (section.level === 1 ? 'Opening' : headingOf(plan, section)) : '';
	const wordsFor = (id: string) =>
		(bySection.get(id) ?? []).reduce((sum, at) => sum + parts[at]!.words, 0);

	/** Height of a row on either side, in pixels. */
	const ROW = 52;
	const mid = (at: number) => at * ROW + ROW / 2;
	const lines = $derived(
		parts.flatMap((part, at) => {
			const row = wanted.findIndex(({ id }) => id === placeOf(part, at));
			if (row < 0) return [];
			const isSure = moved.has(at) || (part.sure !== 'like' && part.sure !== 'by place');
			return [{ at, row, isSure }];
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
				bind:value={typed}
				onpaste={paste}></textarea>
			<p class="mt-2 flex flex-wrap gap-2">
				<button
					class="act chief"
					disabled={typed.trim() === '' || isReading}
					onclick={() => void read(typed)}>{isReading ? 'Reading …' : 'Read it'}</button
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
						onchange={(event) => void fromFiles(event.currentTarget.files)}
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
						{@const came = wordsFor(section.id)}
						{@const isHere = bySection.has(section.id)}
						<li
							class:lacks={!isHere}
							ondragover={(event) => event.preventDefault()}
							ondrop={(event) => {
								event.preventDefault();
								if (chosen >= 0) move(chosen, section.id);
							}}
						>
							<span class="name">{nameOf(section)}</span>
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
						class:chosen={at === chosen}
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
							class:lacks={placeOf(part, at) === ''}
							class:chosen={at === chosen}
							tabindex="0"
							draggable="true"
							aria-label="Part: {part.heading || 'without a heading'}"
							ondragstart={() => (chosen = at)}
							onfocus={() => (chosen = at)}
							onkeydown={(event) => keydown(event, at)}
						>
							<span class="name">{part.heading || '(no heading)'}</span>
							<select
								class="place"
								aria-label="Section for “{part.heading || 'what has no heading'}”"
								value={placeOf(part, at)}
								onchange={(event) => move(at, event.currentTarget.value)}
							>
								<option value="">leave it out</option>
								{#each wanted as section (section.id)}<option value={section.id}
										>{nameOf(section)}</option
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
			<button
				class="act"
				disabled={parts.length === 0}
				onclick={() =>
					ontake(
						offered,
						parts.filter((part, at) => placeOf(part, at) === '')
					)}>Make it a take of its own</button
			>
			{#if lacked.length > 0}<button class="act" onclick={() => onrequest(lacked)}
					>Request the rest</button
				>{/if}
			<button class="act" onclick={() => (reply = null)}>Another reply</button>
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
