<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import {
		earlierName,
		factsOf,
		MONITORED_QUANTITY_FACTS,
		type MonitoredQuantity,
		type Target,
		targetKey,
		targetsOf
	} from '$core/monitoring';
	import type { ArrayRecord } from '$core/record';
	import { sendJson } from '$lib/session/send-json';

	interface Props {
		siteId: string;
		record: ArrayRecord;
		units: readonly {
			readonly name: string;
			readonly target: Target | null;
			readonly quantities: readonly string[];
			readonly first: number;
			readonly last: number;
		}[];
	}
	let { siteId, record, units }: Props = $props();
	let problem = $state('');

	const targets = $derived(targetsOf(record));
	const byKey = $derived(new Map(targets.map((target) => [targetKey(target), target])));
	const GROUPS = [
		{ kind: 'array', words: 'The array' },
		{ kind: 'inverter', words: 'Inverters' },
		{ kind: 'string', words: 'Strings' },
		{ kind: 'module', words: 'Modules and the units behind them' }
	] as const;
	const labels = $derived(
		new Map(targets.map((target) => [targetKey(target), factsOf(record, target)?.label ?? '']))
	);
	const open = $derived(units.filter(({ target }) => target === null));
	const dayOf = (day: number) => new Date(day * 86_400_000).toISOString().slice(0, 10);

	async function match(name: string, key: string): Promise<void> {
		const answer = await sendJson(`/sites/${siteId}/monitoring/matching`, {
			name,
			target: byKey.get(key) ?? null
		});
		problem = answer.ok ? '' : `${name}: ${answer.words}`;
		if (answer.ok) await invalidateAll();
	}
	const keyOf = (target: Target | null) => (target ? targetKey(target) : '');
</script>

<section>
	<h2>Units and the record</h2>
	<p class="soft">
		{open.length === 0
			? 'Each unit is a part of the record. Two names of one part are read as one.'
			: `${open.length} of ${units.length} are matched to nothing yet, so they are compared with nothing.`}
	</p>
	{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
	<div class="scroll">
		<table>
			<thead
				><tr><th>In the export</th><th>Holds</th><th>From, to</th><th>In the record</th></tr></thead
			>
			<tbody>
				{#each units as unit (unit.name)}
					{@const before = unit.target ? null : earlierName(unit, units)}
					<tr>
						<th scope="row" class="figure">{unit.name || 'the whole site'}</th>
						<td>
							{unit.quantities
								.map((quantity) => MONITORED_QUANTITY_FACTS[quantity as MonitoredQuantity].words)
								.join(', ')}
						</td>
						<td class="figure">{dayOf(unit.first)} {dayOf(unit.last)}</td>
						<td>
							<select
								class="bare"
								aria-label="{unit.name || 'The whole site'} in the record"
								value={keyOf(unit.target)}
								onchange={(event) => void match(unit.name, event.currentTarget.value)}
							>
								<option value="">nobody has said</option>
								{#each GROUPS as { kind, words } (kind)}
									<optgroup label={words}>
										{#each targets.filter((target) => target.kind === kind) as target (targetKey(target))}
											<option value={targetKey(target)}>{labels.get(targetKey(target))}</option>
										{/each}
									</optgroup>
								{/each}
							</select>
							{#if before !== null}
								{@const earlier = units.find(({ name }) => name === before)}
								<p class="soft">
									It begins where {before} ends.
									{#if earlier?.target}
										<button
											class="act-plain"
											onclick={() => void match(unit.name, keyOf(earlier.target))}
											>It is the same</button
										>
									{/if}
								</p>
							{/if}
						</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</div>
</section>

<style>
	section {
		display: grid;
		gap: 0.6rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	.scroll {
		overflow-x: auto;
	}

	table {
		width: 100%;
	}

	th,
	td {
		text-align: start;
		padding: 0.25rem 1.2rem 0.25rem 0;
		border-top: 1px solid var(--line);
	}

	select {
		max-width: 14rem;
	}
</style>
