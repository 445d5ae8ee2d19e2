<script lang="ts">
	import type { Report } from './block';
	import BlockView from './BlockView.svelte';

	let { report }: { report: Report } = $props();
</script>

<article class="report">
	<header>
		<div>
			<h1>{report.title}</h1>
			<p>{report.subtitle}</p>
		</div>
		<dl>
			{#each report.facts as [name, value] (name)}
				<dt>{name}</dt>
				<dd>{value}</dd>
			{/each}
		</dl>
	</header>
	{#each report.blocks as block, i (i)}<BlockView {block} />{/each}
	<footer>
		{#each report.signatures as name (name)}<span>{name}</span>{/each}
	</footer>
</article>

<style>
	.report {
		max-width: 62rem;
		margin: 0 clamp(0.75rem, 2vw, 1.5rem) 3rem;
		padding: clamp(1rem, 3vw, 2.5rem);
		background: var(--sheet);
		border: 1px solid var(--line);
		font-size: 0.97rem;
	}

	header {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 1rem 2rem;
		border-bottom: 2px solid var(--ink);
		padding-bottom: 0.8rem;
	}

	h1 {
		font-size: 1.7rem;
	}

	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0 1rem;
	}

	dt {
		color: var(--soft);
	}

	footer {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 3rem;
		margin-top: 3.5rem;
	}

	footer span {
		border-top: 1px solid var(--ink);
		padding-top: 0.2rem;
	}

	@media print {
		.report {
			border: 0;
			padding: 0;
			margin: 0;
			max-width: none;
			font-size: 9.5pt;
		}
	}
</style>
