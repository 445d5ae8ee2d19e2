<script lang="ts">
	import type { Part } from '$core/record';
	import type { SupplyLink } from '$core/assessment';
	import { QUANTITY_FACTS } from '$core/visit';
	import { figureOf } from '$lib/text/format';

	interface Props {
		part: Part;
		links: readonly SupplyLink[];
	}
	let { part, links }: Props = $props();
	const dark = $derived(links.find(({ lit }) => lit === false) ?? null);
	const lampWords = (lit: boolean | null) => (lit === null ? 'not read' : lit ? 'there' : 'dark');
</script>

<section class="panel">
	<h2>Supply of {part.mark}</h2>
	<ol>
		{#each links as { key, words, reading, lit } (key)}
			<li data-lit={lit}>
				<svg viewBox="0 0 24 24" aria-hidden="true">
					<circle cx="12" cy="12" r="8" class="lamp" />
					{#if lit === true}<circle cx="12" cy="12" r="4.5" class="on" />
					{:else if lit === false}<path d="M7 7l10 10M17 7L7 17" class="out" />{/if}
				</svg>
				<span>{words}</span>
				<strong>{lampWords(lit)}</strong>
				<span class="figure soft"
					>{reading && reading.quantity !== 'lamp'
						? `${figureOf(reading.value, QUANTITY_FACTS[reading.quantity].unit)} V`
						: ''}</span
				>
			</li>
		{/each}
	</ol>
	<p>
		{dark
			? `Look at “${dark.words.toLowerCase()}”: everything before it is there, or was not read.`
			: 'Every rung that was read is there.'}
	</p>
</section>

<style>
	section {
		padding: 0.9rem 1.1rem;
		margin-top: 1.4rem;
		max-width: 34rem;
	}

	h2 {
		font-size: 1.15rem;
	}

	li {
		display: grid;
		grid-template-columns: 28px minmax(0, 1fr) 6rem 6rem;
		align-items: center;
		gap: 0.7rem;
		min-height: 40px;
		border-bottom: 1px solid var(--line);
	}

	svg {
		width: 28px;
		height: 28px;
	}

	.lamp,
	.out {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.8;
	}

	.on {
		fill: var(--ink);
	}

	[data-lit='false'] .out {
		stroke: var(--off);
		stroke-width: 2.6;
	}

	[data-lit='false'] strong {
		color: var(--off);
	}
</style>
