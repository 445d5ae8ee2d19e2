<script lang="ts">
	import {
		type FigureColumn,
		MONITORED_QUANTITIES,
		MONITORED_QUANTITY_FACTS,
		type MonitoredQuantity,
		parseScale
	} from '$core/monitoring';
	import { succeed } from '$core/units';
	import type { ImportSession } from '../session/import-session.svelte';

	let { session }: { session: ImportSession } = $props();
	const head = $derived(session.head!);
	const layout = $derived(session.layout!);
	const width = $derived(Math.max(...head.rows.map((row) => row.length)));
	const special = $derived([...layout.time, layout.unitColumn, layout.quantityColumn]);
	const columns = $derived(
		Array.from({ length: width }, (_, column) => column).filter(
			(column) => !special.includes(column)
		)
	);
	/** Quantities that stand in other columns are read from there. */
	const named = $derived(layout.quantityColumn !== null);

	const of = (column: number) => layout.figures.find((figure) => figure.column === column);
	const example = (column: number) =>
		head.rows.slice(layout.headingLine).find((row) => (row[column] ?? '').trim() !== '')?.[
			column
		] ?? '';

	function put(column: number, change: Partial<FigureColumn> | null): void {
		const before = of(column);
		const rest = layout.figures.filter((figure) => figure.column !== column);
		if (change === null) return session.change({ figures: rest });
		const figure: FigureColumn = {
			column,
			unit:
				layout.unitColumn === null ? head.guess.headings[column] || `Column ${column + 1}` : null,
			watched: named ? null : 'power',
			factor: 1,
			...before,
			...change
		};
		session.change({ figures: [...rest, figure].sort((a, b) => a.column - b.column) });
	}

	let scaleProblem = $state<Record<number, string>>({});
	function setScale(column: number, typed: string): void {
		const read = typed.trim() === '' ? succeed(1) : parseScale(typed);
		scaleProblem[column] = read.ok ? '' : read.problem;
		if (read.ok) put(column, { scale: read.value === 1 ? undefined : read.value });
	}

	function setQuantity(column: number, value: string): void {
		if (value === '') return put(column, null);
		put(column, { watched: value as MonitoredQuantity, factor: 1 });
	}
</script>

{#if layout.across}
	<p class="notice" data-across={layout.across}>
		{layout.across === 'times'
			? 'The headings are times: each line is a unit.'
			: 'The headings are times of the day: each line is a day of the whole array, power in W.'}
	</p>
{:else}
	<p class="soft">
		Factor: of a shunt or divider in front of a logger, such as 100/75 for 100 A at 75 mV with
		figures in mV, or 11 for a divider of 1:11; −1 where generation is written negative.
	</p>
	<div class="scroll">
		<table>
			<thead>
				<tr>
					<th>Column</th>
					<th>Says, for example</th>
					{#if layout.unitColumn === null}<th>Unit</th>{/if}
					<th>Holds</th>
					<th>In</th>
					<th>Factor</th>
				</tr>
			</thead>
			<tbody>
				{#each columns as column (column)}
					{@const figure = of(column)}
					{@const heading = head.guess.headings[column] || `column ${column + 1}`}
					<tr class:out={!figure}>
						<th scope="row">{heading}</th>
						<td class="figure">{example(column)}</td>
						{#if layout.unitColumn === null}
							<td>
								{#if figure}
									<input
										aria-label="Unit of {heading}"
										value={figure.unit ?? ''}
										placeholder="the whole site"
										onchange={(event) => put(column, { unit: event.currentTarget.value.trim() })}
									/>
								{/if}
							</td>
						{/if}
						<td>
							{#if named}
								<label class="tick">
									<input
										type="checkbox"
										checked={figure !== undefined}
										onchange={(event) => put(column, event.currentTarget.checked ? {} : null)}
									/> figures
								</label>
							{:else}
								<select
									class="bare"
									aria-label="What {heading} holds"
									value={figure?.watched ?? ''}
									onchange={(event) => setQuantity(column, event.currentTarget.value)}
								>
									<option value="">leave it out</option>
									{#each MONITORED_QUANTITIES as watched (watched)}
										<option value={watched}>{MONITORED_QUANTITY_FACTS[watched].words}</option>
									{/each}
								</select>
							{/if}
						</td>
						<td>
							{#if figure?.watched}
								<select
									class="bare"
									aria-label="Unit of measure of {heading}"
									value={String(figure.factor)}
									onchange={(event) => put(column, { factor: Number(event.currentTarget.value) })}
								>
									{#each Object.entries(MONITORED_QUANTITY_FACTS[figure.watched].units).filter(([, factor], i, all) => all.findIndex(([, other]) => other === factor) === i) as [symbol, factor] (symbol)}
										<option value={String(factor)}>{symbol}</option>
									{/each}
								</select>
							{/if}
						</td>
						<td>
							{#if figure}
								<input
									class="factor figure"
									aria-label="Factor of {heading}"
									value={figure.scale === undefined
										? ''
										: String(Number(figure.scale.toPrecision(6)))}
									placeholder="1"
									onchange={(event) => setScale(column, event.currentTarget.value)}
								/>
								{#if scaleProblem[column]}<p class="error" role="alert">
										{scaleProblem[column]}
									</p>{/if}
							{/if}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
{/if}

<style>
	.scroll {
		max-height: 24rem;
		overflow: auto;
		border: 1px solid var(--line);
	}

	.factor {
		width: 6rem;
	}

	.error {
		color: var(--off);
		font-weight: 600;
		white-space: normal;
		max-width: 14rem;
	}

	table {
		width: 100%;
	}

	th,
	td {
		text-align: start;
		padding: 0.25rem 0.7rem;
		border-bottom: 1px solid var(--line);
		white-space: nowrap;
	}

	thead th {
		position: sticky;
		top: 0;
		background: var(--well);
		z-index: 1;
	}

	.out th,
	.out .figure {
		color: var(--soft);
		font-weight: 400;
	}

	input:not([type='checkbox']) {
		width: 9rem;
		min-height: 44px;
		padding: 0.25rem 0.5rem;
		background: var(--sheet);
		border: var(--stroke) solid var(--rule);
		border-radius: 3px;
	}
</style>
