<!-- The fields of the brief, each with where it is used. -->
<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { BRIEF_FORMS, EFFORT_RULES, EFFORTS, PERSONS, type Effort } from '$lib/core/brief';
	import { INTENTS } from '$lib/core/keywords';
	import { fitsResult, pixelWidthOf, RESULT_ROOM, RESULT_TYPE } from '$lib/core/text';
	import { clientNamed } from '$lib/data/clients';
	import type { Client } from '$lib/data/db';
	import type { BriefForm } from './brief-form.svelte';
	import Field from './Field.svelte';
	import SecondaryKeywords from './SecondaryKeywords.svelte';

	interface Props {
		form: BriefForm;
		clients: readonly Client[];
		/** The client the brief names. */
		client: Client | null;
		/** The client's voice in a line; empty without samples. */
		voice: string;
		/** Words the evidence asks for where the brief names no length. */
		evidenceWords: number | null;
	}
	let { form, clients, client, voice, evidenceWords }: Props = $props();

	async function chooseClient(value: string) {
		if (value === 'new') {
			const name = prompt('Name of the client')?.trim();
			if (!name) {
				form.draft.client = form.draft.client ?? null;
				return;
			}
			form.draft.client = (await clientNamed(name))?.id ?? null;
		} else form.draft.client = value === '' ? null : value;
		await form.commit('Changed the client');
	}

	function asks(effort: Effort): string {
		const {
			wordsPerSection,
			mostSections,
			questionsInFaq,
			questionsCounted,
			keywordPlaces,
			topicShare
		} = EFFORT_RULES[effort];
		return [
			`a section for every ${wordsPerSection} words, ${mostSections} at most`,
			topicShare > 0
				? `topics of at least ${100 * topicShare}% of the pages`
				: 'topics of two pages and more',
			`${questionsInFaq} questions in the FAQ, ${questionsCounted} counted in the standing`,
			keywordPlaces.includes('h2') ? 'the keyword in an H2' : 'no keyword in an H2'
		].join('; ');
	}

	function px(text: string, part: 'title' | 'description'): string {
		return `${Math.round(pixelWidthOf(text, RESULT_TYPE[part]))} of ${RESULT_ROOM[part]} px`;
	}
</script>

<Field
	label="Exact keyword"
	help="Held in the title, the first 100 words, the description and the slug, and for a pillar in one H2; Findings and Plan start from it. It is not the title."
	error={form.errors.keyword}
>
	<input class="field font-serif text-base" bind:value={form.draft.keyword} />
</Field>
<div class="pair">
	<Field
		label="Client"
		help="Brings facts as a note, phrases to avoid and names to spell; heads the printed brief."
	>
		<select
			class="field"
			value={form.draft.client ?? ''}
			onchange={(event) => {
				event.stopPropagation();
				void chooseClient(event.currentTarget.value);
			}}
		>
			<option value="">none</option>
			{#each clients as { id, name } (id)}<option value={id}>{name}</option>{/each}
			<option value="new">a new client …</option>
		</select>
		{#snippet action()}
			{#if client}<button
					type="button"
					class="linkish"
					onclick={() => void goto(resolve('/clients/[id]', { id: client.id }))}
					>Open the profile</button
				>{/if}
		{/snippet}
	</Field>
	<Field
		label="Length in words"
		help={evidenceWords !== null
			? `Empty: as the evidence says, ${evidenceWords.toLocaleString('en')} now. Sets ranges and budgets.`
			: 'Empty: as the evidence says. Sets every range and budget.'}
		error={form.errors.words}
	>
		<input
			class="field"
			bind:value={form.typed.words}
			inputmode="numeric"
			placeholder="as the evidence says"
		/>
	</Field>
</div>
<Field
	label="Working title"
	help="A plan that is proposed takes it as title; {px(
		form.draft.brief.workingTitle,
		'title'
	)} on a results page."
	warn={form.draft.brief.workingTitle !== '' && !fitsResult(form.draft.brief.workingTitle, 'title')}
>
	<input class="field font-serif" bind:value={form.draft.brief.workingTitle} maxlength="300" />
</Field>
<Field
	label="Description"
	help="A plan that is proposed takes it as meta description; {px(
		form.draft.brief.description,
		'description'
	)}."
	warn={form.draft.brief.description !== '' &&
		!fitsResult(form.draft.brief.description, 'description')}
>
	<textarea class="field" rows="2" bind:value={form.draft.brief.description} maxlength="1000"
	></textarea>
</Field>

<Field
	label="Effort"
	help="{form.draft.brief.effort === 'pillar'
		? 'The main piece on its subject'
		: 'Answers one thing and sends the reader on'}: {asks(form.draft.brief.effort)}."
>
	<select class="field w-auto!" bind:value={form.draft.brief.effort}>
		{#each EFFORTS as effort (effort)}<option value={effort}>{effort}</option>{/each}
	</select>
</Field>
<div class="pair">
	<Field
		label="Sections"
		help="Between opening and questions. Empty: as many as the length carries."
		error={form.errors.sections}
	>
		<input
			class="field"
			bind:value={form.typed.sections}
			inputmode="numeric"
			placeholder="as the length carries"
		/>
	</Field>
	<Field
		label="Questions in the FAQ"
		help="0 for none. Empty: three to eight of those asked most."
		error={form.errors.questions}
	>
		<input
			class="field"
			bind:value={form.typed.questions}
			inputmode="numeric"
			placeholder="three to eight"
		/>
	</Field>
</div>
<div class="triple">
	<Field
		label="Search intent"
		help="What readers look for first goes into a proposed plan. Scout reads it from the words."
	>
		<select class="field" bind:value={form.draft.brief.intent}>
			<option value={null}>not settled</option>
			{#each INTENTS as intent (intent)}<option value={intent}>{intent}</option>{/each}
		</select>
	</Field>
	<Field
		label="Form"
		help="Shapes the proposed plan: a list starts with itself at a glance, a comparison sets things side by side, an answer is short."
	>
		<select class="field" bind:value={form.draft.brief.form}>
			<option value={null}>not settled</option>
			{#each BRIEF_FORMS as form (form)}<option value={form}>{form}</option>{/each}
		</select>
	</Field>
	<Field label="Point of view" help="Printed in the brief, beside the client’s voice.">
		<select class="field" bind:value={form.draft.brief.person}>
			<option value={null}>not settled</option>
			{#each PERSONS as person (person)}<option value={person}>{person}</option>{/each}
		</select>
	</Field>
</div>
<div class="pair">
	<Field label="Tone" help="Printed in the brief{voice ? `. The client’s voice: ${voice}` : ''}.">
		<input class="field" bind:value={form.draft.brief.tone} maxlength="300" />
	</Field>
	<Field
		label="Reading grade"
		help="Every standing holds clarity against it; empty is 8, plain prose."
		error={form.errors.grade}
	>
		<input class="field" bind:value={form.typed.grade} inputmode="decimal" placeholder="8" />
	</Field>
</div>

<Field
	label="Reader"
	help={client?.audience
		? 'Printed in the brief. Empty: the client’s audience.'
		: 'Printed in the brief.'}
>
	<textarea
		class="field"
		rows="3"
		bind:value={form.draft.brief.reader}
		placeholder={client?.audience ?? ''}></textarea>
</Field>
<Field label="Purpose" help="Printed in the brief.">
	<textarea class="field" rows="2" bind:value={form.draft.brief.purpose}></textarea>
</Field>
<Field label="Call to action" help="Closes the drafted article, word for word.">
	<textarea class="field" rows="2" bind:value={form.draft.brief.callToAction}></textarea>
</Field>
<div class="pair">
	<Field label="Must be said" help="One on a line. Write says what is not said yet.">
		<textarea class="field" rows="4" bind:value={form.typed.mustSay}></textarea>
	</Field>
	<Field
		label="Must not be said"
		help="One on a line. The drafter leaves such sentences out; Write marks every use{client &&
		client.avoid.length > 0
			? `, and of ${client.avoid.length} phrases the client avoids`
			: ''}."
	>
		<textarea class="field" rows="4" bind:value={form.typed.mustNotSay}></textarea>
	</Field>
</div>

<SecondaryKeywords {form} />

<div class="triple">
	<Field label="Deadline" help="Shown in the list of assignments.">
		<input type="date" class="field" bind:value={form.draft.brief.deadline} />
	</Field>
	<Field label="Fee" help="Printed in the brief.">
		<input class="field" bind:value={form.draft.brief.fee} maxlength="300" />
	</Field>
	<Field label="Agreed on" help="Shown under Brief in the top line.">
		<input type="date" class="field" bind:value={form.draft.brief.agreedOn} />
	</Field>
</div>

<style>
	.pair,
	.triple {
		display: grid;
		gap: 0 16px;
	}
	.pair {
		grid-template-columns: repeat(2, minmax(0, 1fr));
	}
	.triple {
		grid-template-columns: repeat(3, minmax(0, 1fr));
	}
	@media (max-width: 40rem) {
		.pair,
		.triple {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
