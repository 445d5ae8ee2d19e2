<script lang="ts">
	import { planeOfEntry } from '$core/expectation';
	import { planesOf } from '$core/record';
	import { dayAndTime } from '$lib/text/when';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import ConditionsForm from './ConditionsForm.svelte';
	import MetersForm from './MetersForm.svelte';

	let { data } = $props();
	const session = useVisit();
	const planes = $derived(planesOf(session.document.record));
	const history = $derived([...session.document.visit.conditions].reverse());
</script>

<svelte:head><title>Test conditions · {session.document.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Test conditions</h1>
	<p class="soft lead">
		Irradiance in the plane of the modules and the temperature of their cells, at the time of the
		measurements. Every expected value depends on them. Enter them again when the sun has moved on;
		the last entry of a plane counts.
	</p>

	<ConditionsForm data={data.conditionsForm} {session} />

	<div class="below">
		<MetersForm data={data.metersForm} />
		<section>
			<h2>Entered so far</h2>
			{#if history.length === 0}
				<p class="soft">Nothing yet.</p>
			{:else}
				<ul>
					{#each history as entry (entry.id)}
						<li>
							<span class="figure"
								>{entry.irradiance.value} W/m², {entry.cellTemperature.value} °C</span
							>
							{#if planes.length > 1}
								<span class="soft">{planeOfEntry(planes, entry)?.name ?? 'plane not known'},</span>
							{/if}
							{#if entry.follows}<span class="soft">the sun had moved on,</span>{/if}
							{#if entry.basis}<span class="soft">{entry.basis},</span>{/if}
							<span class="soft"
								>{dayAndTime(entry.enteredAt, session.document.site.timeZone)}, {entry.by}</span
							>
						</li>
					{/each}
				</ul>
			{/if}
		</section>
	</div>
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.lead {
		max-width: 68ch;
		margin: 0.3rem 0 1.25rem;
	}

	.below {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 1.25rem 2.5rem;
		margin-top: 2rem;
	}

	h2 {
		font-size: 1.2rem;
		margin-bottom: 0.3rem;
	}

	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1rem;
		padding: 0.3rem 0;
		border-bottom: 1px solid var(--line);
	}

	@media (max-width: 760px) {
		.below {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
