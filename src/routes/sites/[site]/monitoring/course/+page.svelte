<script lang="ts">
	import { SvelteSet } from 'svelte/reactivity';
	import {
		MONITORED_QUANTITIES,
		MONITORED_QUANTITY_FACTS,
		type MonitoredQuantity
	} from '$core/monitoring';
	import { page } from '$app/state';
	import Choice from '$lib/ui/Choice.svelte';
	import CourseChart from '$lib/monitoring/CourseChart.svelte';
	import LookThrough from '$lib/monitoring/LookThrough.svelte';
	import { partsWith } from '$lib/monitoring/parts';
	import { useMonitoring } from '$lib/session/monitoring-session.svelte';

	let { data } = $props();
	const session = useMonitoring();
	const WEEK = 7 * 86_400_000;
	/** Lines that can still be told apart. */
	const MOST = 4;

	const there = $derived(
		MONITORED_QUANTITIES.filter((quantity) =>
			data.units.some((unit) => unit.quantities.includes(quantity))
		)
	);
	let chosen = $state<MonitoredQuantity | null>(null);
	const quantity = $derived(chosen ?? (there.includes('power') ? 'power' : (there[0] ?? 'power')));
	const parts = $derived(partsWith(data.units, quantity, data.revision.record));
	const asked = page.url.searchParams.getAll('unit');
	const taken = new SvelteSet<string>(asked);
	const shown = $derived.by(() => {
		const some = parts.filter(({ key }) => taken.has(key));
		return some.length > 0 ? some : parts.slice(0, 2);
	});
	let wanted = $state(false);
	const ofLabel = $derived(
		wanted && quantity === 'power' && shown.every(({ labelWatts: ratedPower }) => ratedPower > 0)
	);
	const end = $derived(Number(page.url.searchParams.get('until')) || data.span?.to || 0);
	const first = $derived({ from: Math.max(data.span?.from ?? 0, end - WEEK), to: end });
</script>

<svelte:head><title>Course · {data.site.name} · Zembo</title></svelte:head>

{#if data.span}
	<h1>Course over time</h1>
	<div class="asked">
		<div>
			<Choice
				label="Quantity"
				name="quantity"
				bind:value={() => quantity as string, (value) => (chosen = value as MonitoredQuantity)}
				options={there.map((value) => ({ value, words: MONITORED_QUANTITY_FACTS[value].words }))}
			/>
			{#if quantity === 'power'}
				<label class="tick">
					<input type="checkbox" name="of-label" bind:checked={wanted} />
					in % of the label
				</label>
			{/if}
		</div>
		<fieldset>
			<legend>Units, up to {MOST}</legend>
			<div class="units">
				{#each parts as { key, label } (key)}
					<label class="tick">
						<input
							type="checkbox"
							checked={shown.some((one) => one.key === key)}
							disabled={!shown.some((one) => one.key === key) && shown.length >= MOST}
							onchange={(event) => {
								for (const one of shown) taken.add(one.key);
								if (event.currentTarget.checked) taken.add(key);
								else taken.delete(key);
							}}
						/>
						{label}
					</label>
				{/each}
			</div>
		</fieldset>
	</div>
	<CourseChart
		siteId={data.site.id}
		timeZone={data.site.timeZone}
		units={shown}
		{quantity}
		{ofLabel}
		whole={data.span}
		{first}
	/>
	<p class="soft">
		Drag the bar below, or scroll on the picture, to go through the time; drag its ends to see more
		or less. Where many samples share a point, it is their mean.
	</p>
{:else}
	<LookThrough some={false}>{session.siteId}</LookThrough>
{/if}

<style>
	h1 {
		font-size: 1.8rem;
		margin: 1.2rem 0 0.8rem;
	}

	.asked {
		display: grid;
		grid-template-columns: 14rem minmax(0, 1fr);
		gap: 1rem 2rem;
		margin-bottom: 1rem;
	}

	legend {
		font-weight: 600;
	}

	.units {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(5.6rem, 1fr));
		max-height: 8.5rem;
		overflow-y: auto;
		border: 1px solid var(--line);
		padding: 0 0.7rem;
	}

	@media (max-width: 700px) {
		.asked {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
