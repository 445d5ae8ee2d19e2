<script lang="ts">
	import { fieldsToRecord, type Target, type YearAnalysis } from '$core/monitoring';
	import type { Field } from '$core/record';
	import { resolve } from '$app/paths';
	import { useRecord } from '$lib/session/record-session.svelte';
	import { useMonitoring } from '../session/monitoring-session.svelte';

	interface Props {
		planes: YearAnalysis['planes'];
		/** The parts of the record that the export's units are. */
		targets: readonly Target[];
	}
	let { planes, targets }: Props = $props();
	const watch = useMonitoring();
	const session = useRecord();
	const offers = $derived(fieldsToRecord(session.record, targets, planes));
	const named = (fields: readonly Field[]) => fields.map(({ name }) => name).join(', ');
	/** So many are named one by one. */
	const NAMED = 6;
	/** "K1 1, K1 2, K1 3" of a few units; "12 units, K1 1 to K2 6" of many. */
	const someOf = (units: readonly string[]) =>
		units.length <= NAMED
			? units.map((key) => watch.labelOf(key)).join(', ')
			: `${units.length} units, ${watch.labelOf(units[0]!)} to ${watch.labelOf(units.at(-1)!)}`;
	const isAny = $derived(offers.some(({ fields }) => fields.length > 0));

	function store(field: Field): void {
		void session.change(`Orientation of ${field.name} recorded`, [
			{ op: 'put', list: 'fields', value: field }
		]);
	}
</script>

<section>
	<h2>Orientation inferred from clear days</h2>
	<ul class="lines">
		{#each planes as plane, i (plane.units.join())}
			{@const { fields, mixed, contradicting } = offers[i]!}
			<li data-plane>
				<p>
					<strong>Tilt about {plane.tilt}°, azimuth about {plane.azimuth}°:</strong>
					{someOf(plane.units)}. The record has no orientation for {plane.units.length === 1
						? 'it'
						: 'them'}.
				</p>
				{#each fields as field (field.id)}
					<button type="button" class="act-plain" onclick={() => store(field)}>
						Record {field.tilt}° and {field.azimuth}° for {field.name}
					</button>
				{/each}
				{#if mixed.length > 0}
					<p>
						{named(mixed)} holds modules that face more than one way. Divide it on the map, one field
						for each orientation.
					</p>
				{/if}
				{#if contradicting.length > 0}
					<p>What is recorded for {named(contradicting)} contradicts this. Measure it on site.</p>
				{/if}
			</li>
		{/each}
	</ul>
	<p class="soft">
		{isAny ? 'Check tilt and azimuth on site. ' : ''}Fields and their orientation are on the
		<a href={resolve('/sites/[site]/map', { site: watch.siteId })}>map</a>.
	</p>
</section>

<style>
	section {
		margin-top: 1.8rem;
		display: grid;
		gap: 0.5rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	li {
		display: grid;
		gap: 0.5rem;
		justify-items: start;
	}
</style>
