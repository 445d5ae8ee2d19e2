<script lang="ts">
	import { type ArrayConfiguration, waysToAdd } from '$core/bench';
	import type { ConfigurationQuery } from './configuration-query';
	import ModuleSelect from './ModuleSelect.svelte';
	import type { Pooled } from './pool';

	interface Props {
		asked: ConfigurationQuery;
		pool: readonly Pooled[];
		become: (mix: ArrayConfiguration) => void;
	}
	let { asked, pool, become }: Props = $props();
	let adding = $state('');
	const additions = $derived(adding ? waysToAdd(asked.mix, adding, asked.parts) : null);
</script>

<section aria-labelledby="add">
	<h2 id="add">Add a module to this array</h2>
	<ModuleSelect {pool} name="adding" words="Module to add" bind:value={adding} />
	{#if additions}
		<p class="verdict" data-worth={additions.worthIt}>{additions.words}</p>
		<ul class="lines">
			{#each additions.ways as way (way.words)}
				<li>
					<span>{way.words}</span>
					<span class="figure"
						>{way.gain >= 0 ? '+' : '\u2212'}{Math.abs(way.gain).toFixed(0)} W</span
					>
					<button type="button" class="act-plain" onclick={() => become(way.mix)}>Do it here</button
					>
				</li>
			{/each}
		</ul>
	{/if}
</section>

<style>
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.2rem 1rem;
	}

	span:first-child {
		flex: 1;
	}

	.verdict {
		margin-top: 0.6rem;
		border-inline-start: 5px solid var(--look);
		padding-inline-start: 0.8rem;
		font-weight: 600;
	}

	.verdict[data-worth='true'] {
		border-color: var(--fits);
	}
</style>
