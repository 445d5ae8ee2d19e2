<script lang="ts">
	import type { ArrayConfiguration, ConfigurationPlace } from '$core/bench';

	interface Props {
		mix: ArrayConfiguration;
		places: ReadonlyMap<string, ConfigurationPlace>;
		markOf: (of: string) => string;
		chosen: string | null;
		onchoose: (id: string) => void;
	}
	let { mix, places, markOf, chosen, onchoose }: Props = $props();
	const DOES = { gives: '', 'passed-by': 'bypassed', fed: 'fed' } as const;
	const fullOf = (place: ConfigurationPlace | undefined) =>
		place && place.alone > 0 ? Math.max(0, Math.min(1, place.power / place.alone)) : 0;
</script>

<!-- Series run along a line, parallels stand between two rails. -->
{#snippet node(part: ArrayConfiguration)}
	{#if part.kind === 'module'}
		{@const place = places.get(part.id)}
		<button
			type="button"
			class="module"
			data-does={place?.does}
			class:chosen={chosen === part.id}
			onclick={() => onchoose(part.id)}
			aria-pressed={chosen === part.id}
		>
			<span class="figure number">{markOf(part.of)}</span>
			<span class="figure watts">{place ? `${place.power.toFixed(0)} W` : ''}</span>
			{#if part.irradiance !== 1}<span class="figure light"
					>{Math.round(100 * part.irradiance)} % sun</span
				>{/if}
			{#if place && DOES[place.does]}<span class="does">{DOES[place.does]}</span>{/if}
			<span class="share" style:width="{100 * fullOf(place)}%" aria-hidden="true"></span>
		</button>
	{:else}
		<div class={part.kind}>
			{#each part.parts as inner (inner.id)}
				<div class="part">{@render node(inner)}</div>
			{/each}
		</div>
	{/if}
{/snippet}

{@render node(mix)}

<style>
	.module {
		position: relative;
		display: grid;
		justify-items: center;
		align-content: center;
		min-width: 58px;
		min-height: 60px;
		padding: 0.2rem 0.5rem 0.4rem;
		border: var(--stroke) solid var(--rule);
		background: var(--sheet);
		line-height: 1.2;
	}

	.number {
		font-weight: 750;
		font-size: 1.1rem;
	}

	.watts,
	.light,
	.does {
		font-size: 0.85rem;
	}

	.share {
		position: absolute;
		left: 0;
		bottom: 0;
		height: 5px;
		background: var(--ink);
	}

	.module[data-does='fed'],
	.module[data-does='passed-by'] {
		border-style: dashed;
		border-color: var(--off);
		color: var(--off);
		background: repeating-linear-gradient(135deg, transparent 0 7px, var(--line) 7px 8px);
	}

	.chosen {
		outline: 3px solid var(--accent);
		outline-offset: 2px;
	}

	.series {
		display: flex;
		align-items: center;
	}

	.series > .part {
		display: flex;
		align-items: center;
	}

	.series > .part + .part::before {
		content: '';
		width: 16px;
		border-top: var(--stroke) solid var(--rule);
	}

	.parallel {
		display: grid;
		gap: 10px;
		padding: 6px 0;
		border-inline: 3px solid var(--rule);
	}

	.parallel > .part {
		display: flex;
		align-items: center;
	}

	.parallel > .part::before,
	.parallel > .part::after {
		content: '';
		min-width: 14px;
		border-top: var(--stroke) solid var(--rule);
	}

	.parallel > .part::after {
		flex: 1;
	}
</style>
