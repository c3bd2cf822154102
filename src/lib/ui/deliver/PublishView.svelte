<!-- Publishing to a site by Micropub: found by its address, as a draft or live, brought up to date later. -->
<script lang="ts">
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import { htmlBodyOf } from '$lib/core/deliver';
	import { findSite, publish, updatePost, type Post, type Site } from '$lib/core/services';
	import { readSetting, saveSetting } from '$lib/data/settings';
	import { messageOf } from '$lib/data/trouble';
	import { siteServer } from '$lib/services/site';
	import { changeAssignment } from '$lib/data/assignments';
	import { db } from '$lib/data/db';
	import { countOf } from '../parts/count-of';
	import type { Delivery } from './delivery.svelte';
	import { pictureBytes } from './hand-over';

	let { delivery }: { delivery: Delivery } = $props();

	const TOKENS = 'site-tokens';
	const server = siteServer();
	// once: a field that is emptied stays empty
	let address = $state(
		untrack(() => delivery.choices.published.at(-1)?.site) ?? `${location.origin}/stand-in-site`
	);
	let token = $state('');
	let site = $state.raw<Site | null>(null);
	let chosen = $state.raw<readonly string[]>([]);
	let isDraft = $state(true);
	let busy = $state('');
	let trouble = $state('');
	let stop: AbortController | null = null;
	const published = $derived(
		delivery.choices.published.findLast((one) => one.site === address.trim()) ?? null
	);
	const wasSent = $derived(published !== null && published.address === '');
	const isStandIn = $derived(address.trim().endsWith('/stand-in-site'));
	const host = $derived(URL.canParse(address) ? new URL(address).host : address);

	// tokens stand in this browser's settings and nowhere else
	$effect(() => {
		const wanted = address.trim();
		site = null;
		void readSetting(TOKENS).then((kept) => {
			if (typeof kept === 'object' && kept !== null && wanted in kept)
				token = String((kept as Record<string, unknown>)[wanted]);
			else token = wanted.endsWith('/stand-in-site') ? 'stand-in' : '';
		});
	});

	async function keepToken() {
		const kept = await readSetting(TOKENS);
		const all = typeof kept === 'object' && kept !== null ? kept : {};
		await saveSetting(TOKENS, { ...all, [address.trim()]: token });
	}

	async function run(what: string, act: (signal: AbortSignal) => Promise<void>) {
		if (busy !== '') return;
		busy = what;
		trouble = '';
		stop = new AbortController();
		try {
			await act(stop.signal);
		} catch (error) {
			trouble = messageOf(error);
		} finally {
			busy = '';
			stop = null;
		}
	}

	function find() {
		return run('Looking for the site', async (signal) => {
			const found = await findSite(server, address.trim(), token, signal);
			if (found.kind !== 'done') {
				trouble = found.reason;
				return;
			}
			site = found.site;
			await keepToken();
		});
	}

	function postOf(uid: string): Post {
		const bytes = pictureBytes(delivery);
		return {
			uid,
			title: delivery.article.head.title,
			summary: delivery.description,
			html: htmlBodyOf(delivery.article, {
				nofollow: delivery.nofollow,
				withoutTitle: true
			}),
			slug: delivery.slug,
			categories: chosen,
			isDraft,
			pictures: delivery.article.pictures.flatMap(({ file, type }) => {
				const own = bytes.get(file);
				return own ? [{ name: file, type, bytes: own }] : [];
			})
		};
	}

	/** Notes where a post stands; before an answer has come, that it was sent. */
	async function note(uid: string, at: string) {
		const entry = {
			site: address.trim(),
			address: at,
			uid,
			take: delivery.take!.id,
			at: Date.now(),
			isDraft
		};
		await db.transaction('rw', db.assignments, async () => {
			const stored = await db.assignments.get(delivery.session.id);
			if (!stored) return;
			const others = stored.delivery.published.filter((one) => one.uid !== uid);
			await changeAssignment(stored.id, {
				delivery: { ...stored.delivery, published: [...others, entry] }
			});
		});
	}

	async function forget(uid: string) {
		await db.transaction('rw', db.assignments, async () => {
			const stored = await db.assignments.get(delivery.session.id);
			if (!stored) return;
			const rest = stored.delivery.published.filter((one) => one.uid !== uid);
			await changeAssignment(stored.id, { delivery: { ...stored.delivery, published: rest } });
		});
	}

	function send() {
		const where = site;
		if (!where) return;
		return run('Publishing', async (signal) => {
			const uid = published?.uid ?? crypto.randomUUID();
			const post = postOf(uid);
			const isUpdate = published !== null && published.address !== '';
			if (!isUpdate) await note(uid, '');
			const outcome = isUpdate
				? await updatePost(server, where, token, published.address, post, signal)
				: await publish(server, where, token, post, { wasSent, signal });
			if (outcome.kind === 'done') {
				await note(uid, outcome.address);
				await delivery.record(
					`${isUpdate ? 'Brought up to date' : 'Published'} ${isDraft ? 'as a draft' : 'live'} on ${host}`,
					outcome.address
				);
				toast(
					`${isUpdate ? 'It is up to date' : 'It is published'} ${isDraft ? 'as a draft' : ''} on ${host}.` +
						(outcome.left > 0
							? ` ${countOf(outcome.left, 'picture')} stayed behind: the site takes none.`
							: '')
				);
				return;
			}
			trouble = outcome.reason;
			// what was surely not taken leaves no trace
			if (outcome.kind === 'refused' && !isUpdate && !wasSent) await forget(uid);
		});
	}
</script>

<h2>
	Publish <span class="font-sans text-[12.5px] font-normal text-ink-2"
		>to a site that takes posts by Micropub, an open standard</span
	>
</h2>
<div class="mt-3 flex max-w-md flex-col gap-3">
	<label>Address of the site<input class="field mt-0.5" bind:value={address} type="url" /></label>
	<label
		>Token, kept in this browser alone<input
			class="field mt-0.5"
			bind:value={token}
			type="password"
			autocomplete="off"
		/></label
	>
	{#if !site}
		<p class="flex items-baseline gap-3">
			<button
				class="act"
				disabled={busy !== '' || address.trim() === ''}
				onclick={() => void find()}>Find the site</button
			>
			{#if isStandIn}<span class="text-ink-2">The stand-in site ships with Corvan.</span>{/if}
		</p>
	{:else}
		<p class="text-ink-2">
			Found{site.media ? '; it takes pictures' : '; it takes no pictures, they stay behind'}.
		</p>
		<fieldset class="flex gap-4">
			<legend class="sr-only">How</legend>
			<label class="flex items-center gap-1.5"
				><input
					type="radio"
					class="radio radio-xs"
					name="post-status"
					checked={isDraft}
					onchange={() => (isDraft = true)}
				/> as a draft</label
			>
			<label class="flex items-center gap-1.5"
				><input
					type="radio"
					class="radio radio-xs"
					name="post-status"
					checked={!isDraft}
					onchange={() => (isDraft = false)}
				/> live</label
			>
		</fieldset>
		{#if site.categories.length > 0}
			<fieldset class="flex flex-wrap gap-x-4 gap-y-1">
				<legend class="font-semibold">Categories</legend>
				{#each site.categories as category (category)}
					<label class="flex items-center gap-1.5"
						><input
							type="checkbox"
							class="checkbox checkbox-xs"
							checked={chosen.includes(category)}
							onchange={() =>
								(chosen = chosen.includes(category)
									? chosen.filter((one) => one !== category)
									: [...chosen, category])}
						/>
						{category}</label
					>
				{/each}
			</fieldset>
		{/if}
		<p>
			Slug <span class="text-ink-2">{delivery.slug}</span>
		</p>
		{#if delivery.open.length > 0}<p class="border-l-[3px] border-warning pl-2">
				{countOf(delivery.open.length, 'point')} open; it is noted with what goes out.
			</p>{/if}
		{#if wasSent}<p class="border-l-[3px] border-warning pl-2">
				It was sent once and no answer came. The site is asked for it first, so that nothing is
				posted twice.
			</p>{/if}
		<p class="flex items-baseline gap-3">
			<button class="act chief" disabled={busy !== ''} onclick={() => void send()}
				>{published?.address ? 'Bring it up to date' : 'Publish'}</button
			>
			{#if published?.address}<a
					class="linkish"
					href={published.address}
					target="_blank"
					rel="external noreferrer">Look at it</a
				>{/if}
		</p>
	{/if}
	{#if busy}<p role="status">
			{busy} … <button class="linkish" onclick={() => stop?.abort()}>Stop</button>
		</p>{/if}
	{#if trouble}<p class="text-error" role="alert">{trouble}</p>{/if}
</div>
