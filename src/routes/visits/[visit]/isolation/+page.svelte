<script lang="ts">
	import { page } from '$app/state';
	import { resolve } from '$app/paths';
	import {
		currentSafetyEntries,
		makingSafe,
		incompleteSteps,
		OWN_PROCEDURE,
		type Task,
		taskName,
		TASKS,
		whatStaysLive,
		WHO_DECIDES
	} from '$core/isolation';
	import { currentConditions } from '$core/visit';
	import { afterPaint } from '$lib/ui/after-paint.svelte';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import LiveView from './LiveView.svelte';
	import Steps from './Steps.svelte';
	import { ui } from '$lib/messages/interface-messages';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	const session = useVisit();
	const record = $derived(session.document.record);
	const visit = $derived(session.document.visit);
	const asked = page.url.searchParams.get('task');
	const first: Task = TASKS.find((name) => name === asked) ?? 'open-live';
	let pressed = $state<Task>(first);
	/** The steps of many devices take a while to draw: what was pressed shows before them. */
	const shown = afterPaint<Task>(() => pressed, first);
	const task = $derived(shown.current);

	const making = $derived(makingSafe(record, visit, session.places, task, () => session.now));
	const conditions = $derived(currentConditions(visit));
	const live = $derived(
		whatStaysLive(
			record,
			making.switches,
			conditions
				? {
						irradiance: conditions.irradiance.value,
						cellTemperature: conditions.cellTemperature.value
					}
				: undefined
		)
	);
	const own = $derived(currentSafetyEntries(visit.safety).get(OWN_PROCEDURE) ?? null);
	const open = $derived(incompleteSteps([...making.arrival, ...making.down]));
	const ready = $derived(
		making.phase === 'down' &&
			[...making.arrival, ...making.down].every(({ state }) => state === 'done')
	);
</script>

<svelte:head
	><title>{speak(ui('isolation-page.title'))} · {session.document.site.name} · Zembo</title
	></svelte:head
>

<div class="page">
	<h1>{speak(ui('isolation-page.title'))}</h1>
	<p class="soft lead">
		{speak(ui('isolation-page.lead'))}
		{speak(WHO_DECIDES)}
	</p>
	<div class="tasks" role="group" aria-label={speak(ui('isolation-page.task'))}>
		{#each TASKS as name (name)}
			<button type="button" aria-pressed={pressed === name} onclick={() => (pressed = name)}>
				{speak(taskName(name))}
			</button>
		{/each}
	</div>
	{#if own}
		<p class="notice">
			{speak(ui('isolation-page.own-procedure', { by: own.by }))}
		</p>
	{/if}
	<div class="columns">
		<div>
			<Steps
				{session}
				{task}
				title={speak(ui('isolation-page.arrival'))}
				progress={making.arrival}
			/>
			{#if task !== 'closed-covers'}
				<Steps {session} {task} title={speak(ui('isolation-page.down'))} progress={making.down} />
				{#if ready}
					<p class="notice" data-kind="done" role="status">
						{speak(ui('isolation-page.complete'))}
						<a href={resolve('/visits/[visit]/measurements', { visit: visit.id })}
							>{speak(ui('isolation-page.to-measurements'))}</a
						>
					</p>
				{/if}
				<Steps
					{session}
					{task}
					title={speak(ui('isolation-page.up'))}
					progress={making.up}
					folded={making.phase !== 'up'}
				/>
			{/if}
		</div>
		<aside>
			<LiveView {record} {live} />
			{#if open.length > 0 && !own}
				<section class="panel open">
					<h2>{speak(ui('isolation-page.not-completed'))}</h2>
					<ul>
						{#each open.slice(0, 8) as { key, title } (key)}<li>{speak(title)}</li>{/each}
						{#if open.length > 8}<li class="soft">
								{speak(ui('isolation-page.and-more', { count: open.length - 8 }))}
							</li>{/if}
					</ul>
				</section>
			{/if}
		</aside>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.tasks {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin: 0.9rem 0;
	}

	.tasks button {
		min-height: 48px;
		padding: 0 1rem;
		font-weight: 600;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}

	.tasks [aria-pressed='true'] {
		background: var(--lit);
		outline: 3px solid var(--accent);
		outline-offset: -1px;
	}

	.columns {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 27rem);
		gap: 2rem;
		align-items: start;
	}

	aside {
		position: sticky;
		top: calc(var(--sky, 0px) + 0.8rem);
		display: grid;
		gap: 1rem;
	}

	.open {
		padding: 0.9rem 1.1rem;
	}

	h2 {
		font-size: 1.1rem;
	}

	.open li {
		padding: 0.15rem 0;
		line-height: 1.35;
		font-size: 0.95rem;
	}

	@media (max-width: 1000px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}

		aside {
			position: static;
		}
	}
</style>
