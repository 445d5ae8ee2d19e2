<script lang="ts">
	import Undo from '@lucide/svelte/icons/undo-2';
	import {
		inspectionOf,
		type InspectionStop,
		outcomeOfStop,
		STATION_WORDS
	} from '$core/inspection';
	import { WHO_DECIDES } from '$core/isolation';
	import { InspectionSession } from '$lib/session/inspection-session.svelte';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import Stop from './Stop.svelte';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	const visit = useVisit();
	const record = $derived(visit.document.record);
	const session = new InspectionSession(
		visit.document.visit.id,
		visit.document.inspection,
		() => visit.by.trim() || visit.document.visit.by
	);
	const walk = $derived(inspectionOf(record, session.entries));
	const stops = $derived(walk.flatMap((segment) => segment.stops));
	const answered = $derived(stops.filter((stop) => outcomeOfStop(stop) !== null).length);
	const findings = $derived(stops.filter((stop) => outcomeOfStop(stop) === 'finding').length);
	$effect(() => visit.resending.add(() => session.resend()));
	let station = $state('');
	const shown = $derived(
		walk.find((segment) => segment.station === station) ??
			walk.find(({ stops: list }) => list.some((stop) => outcomeOfStop(stop) === null)) ??
			walk[0]
	);
	const open = (list: readonly InspectionStop[]) =>
		list.filter((stop) => outcomeOfStop(stop) === null).length;
	const next = $derived.by(() => {
		const at = walk.findIndex((segment) => segment === shown);
		return walk.slice(at + 1).find(({ stops: list }) => open(list) > 0) ?? null;
	});
	// What is answered here stands in the visit everywhere.
	$effect(() => {
		const { entries } = session;
		if (visit.document.inspection !== entries) visit.setInspection(entries);
	});
</script>

<svelte:head><title>Inspect · {visit.document.site.name} · Zembo</title></svelte:head>
<svelte:window
	onbeforeunload={(event) => {
		if (session.pending) event.preventDefault();
	}}
/>

<div class="inspect">
	<div class="head">
		<h1>Inspection</h1>
		<p>
			<strong class="figure">{answered} of {stops.length}</strong> answered,
			<strong class="figure">{findings}</strong>
			{findings === 1 ? 'finding' : 'findings'}
		</p>
		{#if session.last}
			<button class="act-plain" onclick={() => void session.withdraw(session.last!)}>
				<Undo size={18} aria-hidden="true" />Undo
			</button>
		{/if}
	</div>
	{#each session.unsent as item (item.entry.id)}
		<p class="notice" data-kind="error" role="alert">
			“{item.entry.words || item.entry.stop}” is not stored: {item.words}
			<button class="act-plain" onclick={() => void session.sendAgain(item)}>Send again</button>
		</p>
	{/each}
	<div class="columns">
		<nav aria-label="Stretches of the walk">
			<ol>
				{#each walk as segment (segment.station)}
					{@const left = open(segment.stops)}
					<li>
						<button
							aria-current={segment === shown ? 'step' : undefined}
							onclick={() => (station = segment.station)}
						>
							<span>{STATION_WORDS[segment.station]}</span>
							<span class="figure soft">{left === 0 ? 'done' : `${left} left`}</span>
						</button>
					</li>
				{/each}
			</ol>
		</nav>
		{#if shown}
			<section aria-label={STATION_WORDS[shown.station]}>
				<h2>{STATION_WORDS[shown.station]}</h2>
				<ul>
					{#each shown.stops as stop (stop.key)}
						<Stop {stop} {record} {session} />
					{/each}
				</ul>
				{#if next}
					<button class="act" onclick={() => (station = next.station)}
						>On to: {STATION_WORDS[next.station]}</button
					>
				{/if}
				<p class="soft who">{speak(WHO_DECIDES)}</p>
			</section>
		{/if}
	</div>
</div>

<style>
	.inspect {
		padding: 1rem clamp(1rem, 3vw, 2.4rem) 4rem;
	}

	.head {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0.3rem 1.6rem;
	}

	.head button {
		margin-inline-start: auto;
	}

	h1 {
		font-size: 1.6rem;
	}

	h2 {
		font-size: 1.25rem;
		padding-bottom: 0.3rem;
		border-bottom: var(--stroke) solid var(--rule);
	}

	.columns {
		display: grid;
		grid-template-columns: 15rem minmax(0, 1fr);
		gap: 2rem;
		align-items: start;
		margin-top: 0.8rem;
	}

	nav button {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 0.6rem;
		width: 100%;
		min-height: 46px;
		padding: 0 0.6rem;
		text-align: start;
		border-bottom: 1px solid var(--line);
		line-height: 1.25;
	}

	nav [aria-current] {
		background: var(--ink);
		color: var(--paper);
	}

	nav [aria-current] .soft {
		color: var(--paper);
	}

	.act {
		margin-top: 1rem;
	}

	.who {
		margin-top: 1.2rem;
		max-width: 70ch;
		font-size: 0.92rem;
	}

	@media (max-width: 900px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
			gap: 1rem;
		}

		nav ol {
			display: flex;
			overflow-x: auto;
		}

		nav button {
			width: max-content;
			border: 1px solid var(--line);
		}
	}
</style>
