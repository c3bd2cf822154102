<!-- Pictures: those that stand in the text, those that wait, and places where pages have one. -->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { withoutPicture, withPicture, withPictureWords } from '$lib/core/deliver';
	import { changePicture } from '$lib/data/pictures';
	import type { Picture } from '$lib/data/db';
	import { messageOf } from '$lib/data/trouble';
	import { changeTakeAsStep } from '../assignment/change-take';
	import { history } from '../frame/history.svelte';
	import DropZone from '../parts/DropZone.svelte';
	import { pictureAddress } from '../parts/picture-address';
	import type { Delivery } from './delivery.svelte';
	import { addPictureAsStep, deletePictureAsStep } from './place-picture';
	import { readPicture } from '../parts/read-picture';

	let { delivery }: { delivery: Delivery } = $props();

	const session = $derived(delivery.session);
	let picker = $state<HTMLInputElement>();
	/** Section that the next picture goes to; null: it waits. */
	let target = $state<string | null>(null);
	let opened = $state<string | null>(null);
	let reading = $state('');
	const standing = $derived(
		new Map(delivery.standingPictures.map((picture) => [picture.picture, picture]))
	);
	const sections = $derived(
		(delivery.plan?.sections ?? []).map(({ id, heading, level }) => ({
			id,
			name: level === 1 ? 'Opening' : heading
		}))
	);
	const usual = $derived.by(() => {
		const spread = session.findings?.shape.find(({ id }) => id === 'figures');
		if (!spread || spread.pages.length === 0) return '';
		const [low, high] = [Math.round(spread.lower), Math.round(spread.upper)];
		if (high === 0) return '';
		return `pages have ${low === high ? low : `${low}–${high}`}`;
	});

	async function bring(files: readonly File[], section: string | null) {
		const take = delivery.take?.id;
		for (const file of files) {
			reading = file.name;
			try {
				const read = await readPicture(file);
				await addPictureAsStep(session.id, read, section && take ? { take, section } : null);
			} catch (error) {
				toast.error(messageOf(error));
			}
		}
		reading = '';
		target = null;
	}

	function paste(event: ClipboardEvent) {
		const files = [...(event.clipboardData?.files ?? [])].filter(({ type }) =>
			type.startsWith('image/')
		);
		if (files.length === 0) return;
		event.preventDefault();
		void bring(files, target);
	}

	function setWords(picture: string, alt: string, caption: string) {
		const take = delivery.take?.id;
		if (take)
			return changeTakeAsStep(
				take,
				'Said what a picture shows',
				(doc) => withPictureWords(doc, picture, { alt, caption }),
				{ quiet: true }
			);
	}

	function setMeta(
		picture: Picture,
		values: Partial<Pick<Picture, 'credit' | 'licence' | 'source'>>
	) {
		const { credit, licence, source } = picture;
		return history.run(
			{
				label: 'Changed what is said of a picture',
				redo: () => changePicture(picture.id, values),
				undo: () => changePicture(picture.id, { credit, licence, source })
			},
			{ quiet: true }
		);
	}

	function place(picture: Picture, section: string) {
		const take = delivery.take?.id;
		if (!take) return;
		const { alt, caption } = standing.get(picture.id) ?? picture;
		const words = { alt, caption };
		return changeTakeAsStep(
			take,
			section === '' ? `Took ${picture.name} out of the text` : `Placed ${picture.name}`,
			(doc) => {
				const without = withoutPicture(doc, picture.id);
				return section === ''
					? without
					: withPicture(without, section, { id: picture.id, ...words });
			}
		);
	}

	function remove(picture: Picture) {
		opened = null;
		return deletePictureAsStep(
			picture,
			session.takes.map(({ id }) => id)
		);
	}

	function show(image: HTMLImageElement, id: string) {
		void pictureAddress(id).then((address) => (image.src = address));
	}
</script>

<svelte:window onpaste={paste} />
<DropZone label="Let go to bring the picture in" onfiles={(files) => void bring(files, target)} />

<section id="pictures" aria-labelledby="pictures-heading">
	<h2 id="pictures-heading">
		Pictures <span class="font-sans text-[12.5px] font-normal text-ink-2">{usual}</span>
	</h2>
	<ul class="mt-2 border-t border-rule">
		{#each session.pictures as picture (picture.id)}
			{@const stands = standing.get(picture.id)}
			<li class="border-b border-rule py-2">
				<div class="grid grid-cols-[72px_minmax(0,1fr)] gap-3">
					<img
						alt={stands?.alt || picture.name}
						class="h-[50px] w-[72px] object-cover"
						{@attach (image: HTMLImageElement) => show(image, picture.id)}
					/>
					<div class="leading-snug">
						<p class="font-semibold break-all">{picture.name}</p>
						<p class="text-ink-2">
							{#if stands}
								{stands.heading}{stands.caption ? ` · “${stands.caption}”` : ''}{picture.credit
									? ` · ${picture.credit}`
									: ''}
							{:else}waits for its place{/if}
						</p>
						{#if stands?.strange}<p class="text-accent">
								shows “{stands.strange}” by its words; the section speaks of nothing of it
							</p>{/if}
						{#if stands && !stands.alt}<p class="text-accent">without alt text</p>{/if}
						<button
							class="linkish"
							aria-expanded={opened === picture.id}
							onclick={() => (opened = opened === picture.id ? null : picture.id)}
							>{opened === picture.id ? 'Close' : 'Words and place'}<span class="sr-only">
								of {picture.name}</span
							></button
						>
					</div>
				</div>
				{#if opened === picture.id}
					<div class="mt-2 flex flex-col gap-2">
						<label
							>Place<select
								class="field mt-0.5"
								value={sections.find(({ name }) => name === stands?.heading)?.id ??
									(stands ? 'here' : '')}
								onchange={(event) => void place(picture, event.currentTarget.value)}
							>
								<option value="">not in the text</option>
								{#if stands && !sections.some(({ name }) => name === stands.heading)}<option
										value="here">{stands.heading || 'Opening'}</option
									>{/if}
								{#each sections as { id, name } (id)}<option value={id}>{name}</option>{/each}
							</select></label
						>
						{#if stands}
							<label
								>Alt text: what it shows, for who cannot see it<input
									class="field mt-0.5"
									value={stands.alt}
									onchange={(event) =>
										void setWords(picture.id, event.currentTarget.value.trim(), stands.caption)}
								/></label
							>
							<label
								>Caption<input
									class="field mt-0.5"
									value={stands.caption}
									onchange={(event) =>
										void setWords(picture.id, stands.alt, event.currentTarget.value.trim())}
								/></label
							>
						{/if}
						{#each [['credit', 'Credit'], ['licence', 'Licence'], ['source', 'Where it is from']] as const as [key, name] (key)}
							<label
								>{name}<input
									class="field mt-0.5"
									value={picture[key]}
									onchange={(event) =>
										void setMeta(picture, { [key]: event.currentTarget.value.trim() })}
								/></label
							>
						{/each}
						<p class="flex items-baseline justify-between">
							<span class="text-ink-2">{picture.width} × {picture.height}</span>
							<button class="linkish" onclick={() => void remove(picture)}
								>Delete<span class="sr-only"> {picture.name}</span></button
							>
						</p>
					</div>
				{/if}
			</li>
		{/each}
		{#each delivery.places as { section, heading, pages } (section)}
			<li class="border-b border-rule py-2">
				<button
					class="grid w-full grid-cols-[72px_minmax(0,1fr)] items-center gap-3 text-left text-ink-2"
					onclick={() => {
						target = section;
						picker?.click();
					}}
				>
					<span class="h-[50px] border border-dashed border-rule"></span>
					<span
						>a place for one: <span class="text-ink">{heading}</span>; {pages === 1
							? 'one page shows'
							: `${pages} pages show`} something there</span
					>
				</button>
			</li>
		{/each}
	</ul>
	<p class="mt-2 text-ink-2">
		<button
			class="linkish"
			onclick={() => {
				target = null;
				picker?.click();
			}}>Choose pictures</button
		>, drop or paste them.
		{#if reading}<span role="status">Reading {reading} …</span>{/if}
	</p>
	<input
		bind:this={picker}
		type="file"
		class="hidden"
		multiple
		accept="image/*"
		aria-label="Picture files"
		onchange={(event) => {
			const files = [...(event.currentTarget.files ?? [])];
			event.currentTarget.value = '';
			void bring(files, target);
		}}
	/>
</section>
