<script lang="ts">
	import type { SvelteSet } from 'svelte/reactivity';
	import GradeMark from './GradeMark.svelte';
	import type { Pooled } from './pool';

	interface Props {
		pool: readonly Pooled[];
		/** Ids of those that are not taken. */
		leftOut: SvelteSet<string>;
	}
	let { pool, leftOut }: Props = $props();
	const taken = $derived(pool.filter(({ module }) => !leftOut.has(module.id)).length);
</script>

<details>
	<summary>{taken} of {pool.length} modules are taken</summary>
	<ul class="lines">
		{#each pool as { module, grade, dangerous, from } (module.id)}
			<li>
				<label class="tick">
					<input
						type="checkbox"
						checked={!leftOut.has(module.id)}
						onchange={(event) =>
							event.currentTarget.checked ? leftOut.delete(module.id) : leftOut.add(module.id)}
					/>
					<strong class="figure">{module.mark}</strong>
					<span class="figure">{module.plate.pmax.toFixed(0)} W</span>
					<GradeMark {grade} />
					{#if dangerous}<span class="danger">a danger to touch</span>{/if}
					{#if from !== 'test'}<span class="soft"
							>{from === 'estimate' ? 'estimated' : 'from its nameplate, not tested'}</span
						>{/if}
				</label>
			</li>
		{/each}
	</ul>
</details>

<style>
	summary {
		min-height: 44px;
		align-content: center;
		font-weight: 600;
	}

	label {
		flex-wrap: wrap;
	}

	strong {
		min-width: 2.2rem;
	}

	.danger {
		color: var(--off);
		font-weight: 600;
	}
</style>
