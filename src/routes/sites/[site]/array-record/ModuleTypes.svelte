<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import { resolve } from '$app/paths';
	import { checkLabel } from '$core/module';
	import type { ArrayRecord } from '$core/record';

	let { site, record }: { site: string; record: ArrayRecord } = $props();
</script>

<section>
	<h2>Module types</h2>
	<ul>
		{#each record.moduleTypes as type (type.id)}
			{@const odd = checkLabel(type.plate)}
			<li>
				<a
					class="panel plate"
					href={resolve('/sites/[site]/array-record/module-types/[type]', { site, type: type.id })}
				>
					<strong>{type.name}</strong>
					<span class="figure">{type.plate.pmax} W · {type.plate.voc} V · {type.plate.isc} A</span>
					<span class="soft"
						>{type.plate.technology}, {type.plate.cellsInSeries} cells in series, {type.plate
							.sections}
						substrings</span
					>
					{#if odd.length > 0}<span class="odd"
							>{odd.length === 1 ? '1 value to check' : `${odd.length} values to check`}</span
						>{/if}
				</a>
			</li>
		{/each}
		<li>
			<a
				class="act-plain"
				href={resolve('/sites/[site]/array-record/module-types/[type]', { site, type: 'new' })}
			>
				<Plus size={20} aria-hidden="true" />Add module type
			</a>
		</li>
	</ul>
</section>

<style>
	section {
		margin-top: 1.6rem;
	}

	h2 {
		font-size: 1.25rem;
		margin-bottom: 0.5rem;
	}

	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: center;
	}

	.plate {
		display: grid;
		padding: 0.7rem 1.1rem;
		color: var(--ink);
		text-decoration: none;
		border: var(--stroke) solid var(--rule);
	}

	.plate:hover {
		background: var(--lit);
	}

	.odd {
		color: var(--look);
		font-weight: 600;
	}
</style>
