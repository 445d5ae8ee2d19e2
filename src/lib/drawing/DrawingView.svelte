<script lang="ts">
	import type { Drawing } from './drawing';

	interface Props {
		drawing: Drawing;
		/** What it shows, for one who does not see it. */
		words: string;
	}
	let { drawing, words }: Props = $props();
</script>

<div class="sheet">
	<svg
		viewBox="0 0 {drawing.width} {drawing.height}"
		style:max-width="{drawing.width * 1.15}px"
		style:min-width="{Math.min(drawing.width, 620)}px"
		role="img"
		aria-label={words}
	>
		{#each drawing.groups as group, g (g)}
			<g transform="translate({group.x} {group.y})" data-node={group.name || undefined}>
				{#each group.shapes as { look, d, words: said, x = 0, y = 0, colour }, s (s)}
					{#if said !== undefined}
						<text {x} {y} class={look} style:fill={colour}>{said}</text>
					{:else if look === 'join'}
						<path {d} class="join" style:stroke={colour} />
					{:else}
						<path {d} transform="translate({x} {y})" class={look} style:fill={colour} />
					{/if}
				{/each}
			</g>
		{/each}
	</svg>
</div>

<style>
	.sheet {
		overflow-x: auto;
		background: var(--sheet);
		border: 1px solid var(--line);
	}

	svg {
		display: block;
		width: 100%;
	}

	.wire,
	.symbol {
		fill: none;
		stroke: var(--ink);
		stroke-width: var(--stroke);
		stroke-linejoin: round;
	}

	.back {
		fill: var(--sheet);
	}

	.box {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: var(--stroke);
	}

	.ground {
		fill: var(--well);
		stroke: var(--rule);
		stroke-width: var(--stroke);
	}

	.free {
		fill: none;
		stroke: var(--line);
		stroke-dasharray: 3 3;
	}

	.glass,
	.mark {
		stroke: var(--ink);
		print-color-adjust: exact;
	}

	.join {
		fill: none;
		stroke-width: 2;
	}

	text {
		fill: var(--ink);
		font-size: 12.5px;
	}

	.title {
		font-size: 14.5px;
		font-weight: 700;
	}

	.on-mark {
		font-family: var(--mono);
		font-weight: 700;
		text-anchor: middle;
	}

	.quiet {
		font-size: 11px;
		fill: var(--soft);
	}
</style>
