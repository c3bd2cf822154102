<!-- The forms of plans a client has: they are made in Plan, and named or taken off here. -->
<script lang="ts">
	import type { Client } from '$lib/data/db';
	import { changeForms } from './forms';

	interface Props {
		client: Client;
	}
	let { client }: Props = $props();

	function rename(at: number, to: string) {
		const name = to.trim();
		const form = client.forms[at]!;
		if (name === '' || name === form.name) return;
		void changeForms(
			client,
			`Renamed the form “${form.name}” to “${name}”`,
			client.forms.with(at, { ...form, name })
		);
	}

	function takeOff(at: number) {
		void changeForms(
			client,
			`Took the form “${client.forms[at]!.name}” off`,
			client.forms.toSpliced(at, 1)
		);
	}
</script>

<h2 class="font-sans text-[13px] font-semibold">Forms of plans</h2>
<p class="mb-2 text-xs text-ink-2">
	A plan of this client can start from one of them. Make one in Plan, under More.
</p>
<ul class="mb-5" aria-label="Forms of plans">
	{#each client.forms as form, at (at)}
		<li class="mb-2">
			<div class="flex items-center gap-2">
				<input
					class="field"
					value={form.name}
					maxlength="120"
					aria-label="Name of the form {form.name}"
					oninput={(event) => event.stopPropagation()}
					onchange={(event) => {
						rename(at, event.currentTarget.value);
						event.currentTarget.value = client.forms[at]?.name ?? form.name;
					}}
				/>
				<button
					class="linkish"
					aria-label="Take the form {form.name} off"
					onclick={() => takeOff(at)}>Take off</button
				>
			</div>
			<p class="truncate font-serif text-ink-2">
				{form.sections
					.slice(1)
					.map(({ heading }) => heading)
					.join(' · ')}
			</p>
		</li>
	{:else}
		<li class="text-ink-2">None yet.</li>
	{/each}
</ul>
