<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { noteGlance } from '$lib/data/glances';
	import { provideSession, Session } from '$lib/ui/assignment/session.svelte';
	import { actions } from '$lib/ui/frame/actions.svelte';
	import Hint from '$lib/ui/frame/Hint.svelte';
	import { loadAhead } from '$lib/ui/frame/parts-later';
	import TopLine from '$lib/ui/frame/TopLine.svelte';
	import { noteStage } from '$lib/ui/assignment/last-stage';
	import { stagesOf } from '$lib/ui/assignment/stages';

	let { children, params } = $props();
	// the layout is made anew for each assignment
	// svelte-ignore state_referenced_locally
	const session = new Session(params.id);
	provideSession(session);

	$effect(() => session.open());
	$effect(() => session.follow());
	$effect(() => noteStage(session.id, current));
	$effect(() => {
		const { openMarks } = session;
		if (openMarks !== null) void noteGlance(session.id, { openMarks }).catch(() => undefined);
	});

	const stages = $derived(stagesOf(session));
	const current = $derived(page.route.id?.split('/').at(-1) ?? '');

	$effect(() =>
		actions.offer(() =>
			stages.map(({ id, name, number }) => ({
				label: `Go to ${name}`,
				keys: `Alt+${number}`,
				run: () => void go(id)
			}))
		)
	);

	function go(stage: string) {
		return goto(resolve(`/a/${session.id}/${stage}` as '/'));
	}

	function onkeydown(event: KeyboardEvent) {
		if (!event.altKey || event.ctrlKey || event.metaKey) return;
		const stage = stages.find(({ number }) => event.code === `Digit${number}`);
		if (!stage) return;
		event.preventDefault();
		void go(stage.id);
	}
</script>

<svelte:window {onkeydown} />
<svelte:head><title>{session.assignment?.title ?? 'Assignment'} · Corvan</title></svelte:head>

<div class="flex h-dvh flex-col print:block print:h-auto">
	<TopLine title={session.assignment?.title ?? ''}>
		<nav
			class="ml-auto flex h-[46px] items-stretch overflow-x-auto max-sm:-mx-3 max-sm:w-[calc(100%+1.5rem)]"
			aria-label="Stages"
		>
			{#each stages as stage (stage.id)}
				<a
					href={resolve(`/a/${session.id}/${stage.id}` as '/')}
					class="stage relative flex flex-col justify-center px-3 leading-tight text-ink-2"
					class:on={current === stage.id}
					onpointerenter={() => loadAhead(stage.id)}
					onfocus={() => loadAhead(stage.id)}
					aria-current={current === stage.id ? 'page' : undefined}
				>
					<span>{stage.name}</span><small class="text-[10.5px]">{stage.state}</small>
				</a>
			{/each}
		</nav>
	</TopLine>
	{#if session.trouble}
		<p class="border-b border-error px-5 py-2 text-error" role="alert">{session.trouble}</p>
	{/if}
	{#if session.assignment === null}
		<main class="p-8">
			<h1 class="text-xl">This assignment is not in this browser</h1>
			<p class="mt-2">
				It may have been deleted, or it was made in another browser. <a
					class="linkish"
					href={resolve('/')}>See all assignments</a
				>
			</p>
		</main>
	{:else if !session.isRead}
		<p class="p-8 text-ink-2" role="status">Opening the assignment …</p>
	{:else}
		<Hint stage={current} />
		<div class="min-h-0 flex-1 print:block">{@render children()}</div>
	{/if}
</div>

<style>
	.stage.on {
		color: var(--ink);
		font-weight: 600;
	}
	.stage.on::after {
		content: '';
		position: absolute;
		inset: auto 12px -1px;
		height: 3px;
		background: var(--color-accent);
	}
	.stage:hover {
		color: var(--ink);
	}
</style>
