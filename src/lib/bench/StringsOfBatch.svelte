<script lang="ts">
	import type { StringGives } from '$core/bench';

	let { strings }: { strings: readonly StringGives[] } = $props();
</script>

<!-- Each string as its modules in their order, with what it gives and who holds it. -->
<ol>
	{#each strings as { modules, voltage, current, power, alone, cold, heldBy }, s (s)}
		<li>
			<div class="line">
				<strong>String {s + 1}</strong>
				<span class="figure"
					>{voltage.toFixed(0)} V, {current.toFixed(2)} A, {power.toFixed(0)} W</span
				>
				<span class="soft figure">{((100 * power) / alone).toFixed(1)} %</span>
				{#if cold !== null}<span class="soft figure">{cold.toFixed(0)} V cold</span>{/if}
			</div>
			<div class="modules">
				{#each modules as module (module.id)}
					<span class="module" class:holds={module === heldBy}>
						<span class="figure number">{module.mark}</span>
						<span class="figure">{module.plate.imp.toFixed(1)} A</span>
						<span class="figure soft">{module.plate.vmp.toFixed(0)} V</span>
					</span>
				{/each}
			</div>
			{#if heldBy}
				<p class="soft">Module {heldBy.mark} holds it down to {current.toFixed(1)} A.</p>
			{/if}
		</li>
	{/each}
</ol>

<style>
	li {
		padding: 0.6rem 0;
		border-top: 1px solid var(--line);
	}

	.line {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 0.1rem 1rem;
	}

	.modules {
		display: flex;
		flex-wrap: wrap;
		gap: 4px;
		margin-top: 0.4rem;
	}

	.module {
		display: grid;
		justify-items: center;
		min-width: 56px;
		padding: 0.15rem 0.4rem;
		border: var(--stroke) solid var(--rule);
		background: var(--sheet);
		font-size: 0.85rem;
		line-height: 1.25;
	}

	.number {
		font-size: 1.05rem;
		font-weight: 750;
	}

	.holds {
		border-style: dashed;
		border-color: var(--look);
		border-width: 2px;
	}
</style>
