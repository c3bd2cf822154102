<!-- Servers that write: set up, tried and taken away. What is typed stays in this browser. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { STAND_IN_MODELS, type Endpoint } from '$lib/core/writers';
	import { deleteEndpoint, listEndpoints, putEndpoint, STAND_IN } from '$lib/data/endpoints';
	import { follow } from '$lib/data/follow';
	import { messageOf } from '$lib/data/trouble';
	import {
		readAllowed,
		setAllowed,
		testEndpoint,
		type EndpointTest
	} from '$lib/services/endpoints';
	import Field from '../brief/Field.svelte';
	import { history } from '../frame/history.svelte';

	let endpoints = $state.raw<readonly Endpoint[]>([]);
	let allowed = $state.raw<readonly string[]>([]);
	/** The endpoint that is being changed, as it is typed; null: none. */
	let draft = $state<
		| (Omit<Endpoint, 'temperature' | 'longestReply'> & {
				temperature: string;
				longestReply: string;
		  })
		| null
	>(null);
	let error = $state('');
	/** What a test said, by endpoint; null while it runs. */
	let tests = $state.raw<Readonly<Record<string, EndpointTest | null>>>({});

	$effect(() =>
		follow(
			listEndpoints,
			(value) => (endpoints = value),
			(message) => (error = message)
		)
	);
	$effect(() => {
		void readAllowed().then(
			(found) => (allowed = found),
			() => (error = 'Corvan’s own server does not answer; is it still running?')
		);
	});

	function edit(endpoint: Endpoint | null) {
		error = '';
		const from = endpoint ?? {
			...STAND_IN,
			id: crypto.randomUUID(),
			name: '',
			address: 'https://',
			model: ''
		};
		draft = {
			...from,
			temperature: from.temperature?.toString() ?? '',
			longestReply: from.longestReply?.toString() ?? ''
		};
	}

	async function keep() {
		if (!draft) return;
		const number = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
		const endpoint: Endpoint = {
			...($state.snapshot(draft) as typeof draft),
			address: draft.address.trim(),
			temperature: number(draft.temperature),
			longestReply: number(draft.longestReply)
		};
		const before = endpoints.find(({ id }) => id === endpoint.id && id !== STAND_IN.id);
		try {
			await history.run(
				{
					label: before ? `Changed ${endpoint.name}` : `Set up ${endpoint.name}`,
					redo: () => putEndpoint(endpoint),
					undo: () => (before ? putEndpoint(before) : deleteEndpoint(endpoint.id))
				},
				{ quiet: true }
			);
			draft = null;
			error = '';
		} catch (trouble) {
			// what a schema says of a value is worded for the writer; a key is in no message
			const issue = /"message":\s*"([^"]+)"/.exec(messageOf(trouble))?.[1];
			error = `It is not kept: ${issue ?? messageOf(trouble)}`;
		}
	}

	async function remove(endpoint: Endpoint) {
		await history.run({
			label: `Took ${endpoint.name} away`,
			redo: () => deleteEndpoint(endpoint.id),
			undo: () => putEndpoint(endpoint)
		});
	}

	async function test(endpoint: Endpoint) {
		tests = { ...tests, [endpoint.id]: null };
		const said = await testEndpoint(endpoint).catch((trouble: unknown): EndpointTest => ({
			kind: 'fails',
			reason: messageOf(trouble)
		}));
		tests = { ...tests, [endpoint.id]: said };
	}

	async function allow(address: string, isAllowed: boolean) {
		try {
			const changed = await setAllowed(address, isAllowed);
			allowed = changed.allowed;
			if (changed.trouble) toast.error(`It is not allowed: ${changed.trouble}`);
		} catch (trouble) {
			toast.error(`The list was not changed: ${messageOf(trouble)}`);
		}
	}

	function resultLine(result: EndpointTest | null | undefined): string {
		if (result === undefined) return '';
		if (result === null) return 'asking …';
		if (result.kind === 'fails') return `It does not work: ${result.reason}.`;
		return result.streams
			? 'It works, piece by piece.'
			: 'It works, but answers in one piece: progress shows only at the end.';
	}

	/** Whether an address is on this machine or network, by its look. */
	const isPrivate = (address: string) =>
		/^https?:\/\/(?:localhost|127\.|10\.|192\.168\.|172\.(?:1[6-9]|2\d|3[01])\.|\[|[\w-]+(?::|\/|$)|[\w.-]+\.(?:local|lan|home|internal))/i.test(
			address
		);
	const originOf = (address: string) => (URL.canParse(address) ? new URL(address).origin : '');
</script>

<section class="border-t border-rule py-4" aria-label="Endpoints">
	<h2 class="mb-1 text-base">Endpoints that write</h2>
	<p class="text-ink-2">
		Any server of the chat-completions form. Address, model and key stay in this browser: they are
		in no archive and no file. A section is sent with its request, and nothing else of your
		assignment.
	</p>
	{#if error && !draft}<p class="mt-1 text-error" role="alert">{error}</p>{/if}
	<ul class="mt-2">
		{#each endpoints as endpoint (endpoint.id)}
			<li class="border-t border-rule py-2">
				<div class="flex flex-wrap items-baseline gap-3">
					<strong>{endpoint.name}</strong>
					<span class="text-ink-2">{endpoint.model || 'the server’s own model'}</span>
					<span class="ml-auto flex gap-3">
						<button
							class="linkish"
							aria-label="Try {endpoint.name}"
							onclick={() => void test(endpoint)}>Try it</button
						>
						<button
							class="linkish"
							aria-label="Change {endpoint.name}"
							onclick={() => edit(endpoint)}>Change</button
						>
						{#if endpoint.id !== STAND_IN.id}<button
								class="linkish"
								aria-label="Take {endpoint.name} away"
								onclick={() => void remove(endpoint)}>Take away</button
							>{/if}
					</span>
				</div>
				<p class="text-xs text-ink-2">
					{endpoint.id === STAND_IN.id
						? 'Ships with the app, works without a network and composes from the request alone, to try everything with.'
						: endpoint.address}
				</p>
				{#if resultLine(tests[endpoint.id])}<p
						class="text-xs"
						class:text-error={tests[endpoint.id]?.kind === 'fails'}
						role="status"
					>
						{resultLine(tests[endpoint.id])}
					</p>{/if}
				{#if isPrivate(endpoint.address)}
					<p class="text-xs">
						{#if allowed.includes(originOf(endpoint.address))}
							This app may ask it, until the app is started anew.
							<button class="linkish" onclick={() => void allow(endpoint.address, false)}
								>No longer</button
							>
						{:else}
							It is on this machine or network, which the app asks only where you allow it.
							<button class="linkish" onclick={() => void allow(endpoint.address, true)}
								>Allow {originOf(endpoint.address)}</button
							>
						{/if}
					</p>
				{/if}
			</li>
		{/each}
	</ul>
	{#if draft}
		<form
			class="mt-3 border-t border-rule pt-3"
			aria-label="Endpoint"
			onsubmit={(event) => {
				event.preventDefault();
				void keep();
			}}
		>
			<Field label="Name" help="Shown beside its versions.">
				<input class="field" bind:value={draft.name} maxlength="80" autocomplete="off" />
			</Field>
			<Field label="Address" help="As far as “/chat/completions”, which is added: https://…/v1">
				<input
					class="field"
					bind:value={draft.address}
					maxlength="500"
					autocomplete="off"
					disabled={draft.id === STAND_IN.id}
				/>
			</Field>
			{#if draft.id === STAND_IN.id}
				<Field label="Model" help="What the stand-in does, so that everything can be tried.">
					<select class="field" bind:value={draft.model}>
						{#each Object.entries(STAND_IN_MODELS) as [model, does] (model)}<option value={model}
								>{model}: {does}</option
							>{/each}
					</select>
				</Field>
			{:else}
				<Field label="Model" help="As the server calls it. Empty: the server’s own.">
					<input class="field" bind:value={draft.model} maxlength="200" autocomplete="off" />
				</Field>
				<Field label="Key" help="Stays in this browser; sent to this address alone, over https.">
					<input
						class="field"
						type="password"
						bind:value={draft.key}
						maxlength="2000"
						autocomplete="off"
					/>
				</Field>
			{/if}
			<div class="grid grid-cols-2 gap-4">
				<Field label="Temperature" help="0 to 2. Empty: the server’s own.">
					<input class="field" bind:value={draft.temperature} inputmode="decimal" />
				</Field>
				<Field label="Longest reply" help="Tokens of one reply. Longer ones are continued.">
					<input class="field" bind:value={draft.longestReply} inputmode="numeric" />
				</Field>
			</div>
			{#if error}<p class="mb-2 text-error" role="alert">{error}</p>{/if}
			<p class="flex gap-2">
				<button class="act chief" type="submit">Keep it</button>
				<button class="act" type="button" onclick={() => (draft = null)}>Leave it</button>
			</p>
		</form>
	{:else}
		<p class="mt-2"><button class="act" onclick={() => edit(null)}>Set up an endpoint</button></p>
	{/if}
</section>
