<script lang="ts">
	import type { Pooled } from './pool';

	interface Props {
		pool: readonly Pooled[];
		name: string;
		words: string;
		value: string;
	}
	let { pool, name, words, value = $bindable() }: Props = $props();
</script>

<label>
	<span class="sr-only">{words}</span>
	<select class="bare" {name} bind:value>
		<option value="">which one…</option>
		{#each pool as { module } (module.id)}
			<option value={module.id}>
				{module.mark}, {module.plate.pmax.toFixed(0)} W {module.model}
			</option>
		{/each}
	</select>
</label>

<style>
	select {
		max-width: 100%;
	}
</style>
