<script lang="ts">
	import type { Study } from '$core/faults';
	import { plainFigure, signed } from '$lib/text/format';

	interface Props {
		study: Study;
		modules: number;
		/** Whether other strings share the load. */
		shared: boolean;
	}
	let { study, modules, shared }: Props = $props();

	const moduleVoltage = $derived(study.whole.voc / Math.max(modules, 1));
	const rows = $derived([
		{ name: 'Open circuit', unit: 'V' as const, from: study.whole.voc, to: study.shown.voc },
		{ name: 'Short circuit', unit: 'A' as const, from: study.whole.isc, to: study.shown.isc },
		{
			name: 'Volts on its load',
			unit: 'V' as const,
			from: study.whole.voltage,
			to: study.shown.voltage
		},
		{
			name: 'Amps on its load',
			unit: 'A' as const,
			from: study.whole.current,
			to: study.shown.current
		}
	]);
	const differs = (from: number, to: number, unit: 'V' | 'A') =>
		plainFigure(from, unit) !== plainFigure(to, unit);
</script>

<table>
	<thead>
		<tr>
			<th scope="col"><span class="sr-only">Quantity</span></th>
			<th scope="col">as recorded</th>
			<th scope="col">now</th>
			<th scope="col"><span class="sr-only">Difference</span></th>
		</tr>
	</thead>
	<tbody>
		{#each rows as { name, unit, from, to }, i (i)}
			<tr>
				<th scope="row">{name}</th>
				<td class="figure">{plainFigure(from, unit)} {unit}</td>
				<td class="figure now">{plainFigure(to, unit)} {unit}</td>
				<td class="figure soft">
					{#if differs(from, to, unit)}
						{signed(to - from, unit === 'V' ? 1 : 2)}
						{unit}
						{#if unit === 'V' && i === 0}
							<span class="counted">{signed((to - from) / moduleVoltage, 2)} module</span>
						{/if}
					{:else}same{/if}
				</td>
			</tr>
		{/each}
		<tr>
			<th scope="row">{shared ? 'All strings' : 'Into its load'}</th>
			<td class="figure">{study.wholePower.toFixed(0)} W</td>
			<td class="figure now">{study.power.toFixed(0)} W</td>
			<td class="figure soft">
				{#if Math.round(study.power) !== Math.round(study.wholePower)}
					{signed(study.power - study.wholePower, 0)} W{#if study.wholePower > 0},
						{signed((100 * (study.power - study.wholePower)) / study.wholePower, 1)} %{/if}
				{:else}same{/if}
			</td>
		</tr>
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
	}

	th,
	td {
		text-align: end;
		padding: 0.3rem 0.5rem;
		border-bottom: 1px solid var(--line);
		vertical-align: baseline;
	}

	th:first-child {
		text-align: start;
		padding-inline-start: 0;
	}

	thead th {
		font-weight: 500;
		color: var(--soft);
		font-size: 0.92rem;
	}

	tbody th {
		font-weight: 600;
	}

	.now {
		font-size: 1.25rem;
		font-weight: 650;
	}

	.counted {
		display: block;
	}

	td:last-child {
		text-align: start;
		min-width: 8.5rem;
		white-space: normal;
	}

	/* On a phone the difference stands under what it is the difference of. */
	@media (max-width: 560px) {
		tr {
			display: grid;
			grid-template-columns: minmax(0, 1fr) 6.2rem 7rem;
			border-bottom: 1px solid var(--line);
		}

		thead th:last-child {
			display: none;
		}

		td:last-child {
			grid-column: 1 / -1;
			text-align: end;
			margin-top: -0.35rem;
		}

		.counted {
			display: inline;
		}

		th,
		td {
			padding-inline: 0;
			border: 0;
		}
	}
</style>
